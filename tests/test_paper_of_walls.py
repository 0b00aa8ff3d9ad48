"""Putting up and the wall template on paper: all there, on the page, and true when measured."""

import io
import re

import pypdfium2
import pytest
from pypdf import PdfReader

from tests.core.test_findings import OTHER, WALL
from tests.metric import shipped_item, starting
from tests.test_exports import DPI, TRUE_MM, lines_across
from tests.test_paper_of_families import words_of
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.units.exact import Fraction
from yardcliff.core.wall.putting_up import put_up
from yardcliff.core.wall.survey import Site
from yardcliff.core.ways import FAMILIES
from yardcliff.exports.paper import Paper
from yardcliff.exports.pdf import PAPERS
from yardcliff.exports.svg import write_svg
from yardcliff.exports.tiling import sheets
from yardcliff.exports.wallsheet import HOLES, NotOnAWall, write_wallsheet
from yardcliff.exports.walltemplate import AROUND, write_walltemplate

pytestmark = pytest.mark.slow

ITEMS = {
    "upright": "curtain-pole",
    "stile-pair": "sleeping-mat",
    "high-rails": "bicycle",
    "slotted-cheeks": "serving-tray",
}
SITE = Site("Porch wall", WALL.model_copy(update={"width": Fraction(6000)}), (OTHER,))


def placed(family: str, **patch: object) -> Design:
    brief = starting([(shipped_item(ITEMS.get(family, "enamel-mug")), 5)], "1 mm", family)
    return design(amend(brief, {"place": {"wall": "ab", "x": "1500 mm"}, **patch}), SITE)


def pages(pdf: bytes) -> list[str]:
    return [re.sub(r"\s+", " ", page.extract_text()) for page in PdfReader(io.BytesIO(pdf)).pages]


@pytest.mark.parametrize("paper", ["a4", "letter"])
@pytest.mark.parametrize("family", FAMILIES)
def test_putting_up_is_one_page_with_every_hole_and_step(family: str, paper: Paper) -> None:
    done = placed(family)
    sheet, template = (
        write_wallsheet("Of its kind", done, paper),
        write_walltemplate("Of its kind", done, paper),
    )
    (page,) = pages(sheet)
    up = put_up(done.rack, done.on_wall, done.tape)
    for word in (
        "Of its kind: putting it up",
        "Holes in the wall",
        "In this order",
        "Have at hand",
        "Take care",
    ):
        assert word in page
    run = page.replace(" ", "")
    for said in (*(step.do for step in up.steps), *up.at_hand, *up.cautions):
        assert said.replace(" ", "") in run
    for hole in up.holes[:HOLES]:
        assert (
            f"{hole.number}{done.tape.write(hole.x)}{done.tape.write(hole.y)}{hole.into}".replace(
                " ", ""
            )
            in run
        )
    width, height = PAPERS[paper]
    for x, y, text in (*words_of(sheet), *words_of(template)):
        assert 3 <= x <= width - 3, text
        assert 3 <= y <= height - 3, text


@pytest.mark.parametrize("by", ["plugged", "plates", "keyholes", "mirrors", "cleat", "batten"])
def test_each_way_is_put_up_in_its_own_words(by: str) -> None:
    coats = starting([(shipped_item("waxed-jacket"), 5)], "1 mm", "rail")
    done = design(
        amend(coats, {"place": {"wall": "ab", "x": "1500 mm"}, "mount": {"by": by}}), SITE
    )
    (page,) = pages(write_wallsheet("Coats", done, "a4"))
    word = {
        "plugged": "glue the plugs in",
        "plates": "screw the hooks on over the screws",
        "keyholes": "Leave the heads standing out",
        "mirrors": "mirror plates on the back",
        "cleat": "Hook the board onto the cleat",
        "batten": "Screw the board to the wall batten",
    }[by]
    assert word in page


@pytest.mark.parametrize("paper", ["a4", "letter"])
def test_the_wall_template_is_true(paper: Paper) -> None:
    # A short rail with screws in studs at 1500 and 2100: 600 apart over the joins of the sheets.
    done = placed(
        "rail", row={"count": 8, "length": "900 mm"}, place={"wall": "ab", "x": "1400 mm"}
    )
    up = put_up(done.rack, done.on_wall, done.tape)
    xs = sorted({float(hole.x) for hole in up.holes})
    assert len(xs) >= 2
    document = pypdfium2.PdfDocument(write_walltemplate("True", done, paper))
    laid = sheets(900, paper)
    assert len(document) == len(laid)
    ys = [float(hole.y) for hole in up.holes]
    low, high = min(ys) - AROUND, max(ys) + AROUND
    base = (PAPERS[paper][1] - 6) / 2 - (low + high) / 2
    # Scanned just above the level line, within the upright of each hole's cross.
    for sheet, page in zip(laid, document, strict=True):
        here = [x for x in xs if sheet.start + 20 < x - 1400 < sheet.end - 20]
        seen = lines_across(
            page.render(scale=DPI / 72).to_pil().convert("L"), PAPERS[paper][0], base + max(ys) + 6
        )
        for x in here:
            assert min(abs(at - sheet.x(x - 1400)) for at in seen) < TRUE_MM, (x, seen)


def test_holes_far_apart_in_height_have_strips_of_their_own() -> None:
    rails = pages(write_walltemplate("Bikes", placed("high-rails"), "a4"))
    assert any("Bikes, rail 1" in page for page in rails)
    assert any("Bikes, rail 2" in page for page in rails)
    posts = pages(write_walltemplate("Mats", placed("stile-pair"), "a4"))
    heights = {found for page in posts for found in re.findall(r"LEVEL, (\d+) mm", page)}
    assert len(heights) >= 3, "screws up a stile of a metre are on several strips"


def test_a_rack_on_no_wall_has_no_such_paper() -> None:
    alone = design(starting([(shipped_item("enamel-mug"), 5)], "1 mm", "rail"))
    for write in (write_wallsheet, write_walltemplate):
        with pytest.raises(NotOnAWall, match="say which under “Wall”"):
            write("Alone", alone, "a4")


def test_drawings_of_the_rack_leave_its_wall_out() -> None:
    on, alone = placed("rail"), design(starting([(shipped_item("enamel-mug"), 5)], "1 mm", "rail"))
    # Screws are drawn, the wall and its neighbours are not: as many paths, and one for each screw.
    screws = sum(len(one.screws) for one in on.on_wall.fixed)
    assert write_svg("Mugs", on).count("<path") == write_svg("Mugs", alone).count("<path") + screws
