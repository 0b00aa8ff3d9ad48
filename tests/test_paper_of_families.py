"""Paper and files of every way of building: one sheet, true templates, nothing lost."""

import io
import json
from math import cos, radians, sin
from xml.etree import ElementTree

import pypdfium2
import pytest
from PIL import Image
from pypdf import PdfReader

from tests.features import step
from tests.metric import shipped_item, starting
from tests.test_exports import DPI, TRUE_MM, lines_across, text_of
from yardcliff.core.design.change import amend, dump
from yardcliff.core.design.machining import hole_tables
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.findings.finding import Patch
from yardcliff.core.rack import Kind
from yardcliff.core.ways import FAMILIES, Brief
from yardcliff.exports.holes_csv import write_holes
from yardcliff.exports.marks_csv import write_marks
from yardcliff.exports.paper import Paper
from yardcliff.exports.pdf import PAPERS
from yardcliff.exports.rackfile import write_rackfile
from yardcliff.exports.shopsheet import write_shopsheet
from yardcliff.exports.svg import write_svg
from yardcliff.exports.template import write_template
from yardcliff.exports.tiling import sheets
from yardcliff.imports.rackfile import read_rackfile

pytestmark = pytest.mark.slow

ITEMS = {
    "rail": "enamel-mug",
    "stacked": "tin-cup",
    "panel": "tin-cup",
    "hole-rail": "flask",
    "cradle": "fiddle",
    "upright": "curtain-pole",
    "stile-pair": "sleeping-mat",
    "perch": "climbing-helmet",
    "angled-rail": "tin-cup",
    "high-rails": "bicycle",
    "flip-rail": "rain-cape",
    "shelf-box": "enamel-mug",
    "ledge-post": "storm-lantern",
    "slotted-cheeks": "snow-board",
}
PARTS = {
    "rail": ["board 460 mm × 70 mm × 21 mm"],
    "stacked": ["2 × rail, 200 mm × 70 mm × 21 mm each"],
    "panel": ["panel 200 mm × 185 mm × 21 mm", "2 × batten, 200 mm"],
    "hole-rail": ["shelf 456 mm × 90 mm × 18 mm", "back plate 456 mm × 90 mm × 18 mm"],
    "cradle": ["back plate 1080 mm × 120 mm × 24 mm"],
    "slotted-cheeks": [
        "left cheek 665 mm × 21 mm × 150 mm",
        "2 × slat, 713 mm × 70 mm × 21 mm each",
    ],
    "ledge-post": ["post 1700 mm × 70 mm × 45 mm", "4 × ledge, 170 mm × 21 mm × 200 mm each"],
    "shelf-box": [
        "bar 460 mm × 70 mm × 21 mm",
        "2 × shelf, 472 mm × 18 mm × 120 mm each",
        "2 × guard rail, 496 mm",
    ],
    "flip-rail": ["board 1320 mm × 170 mm × 26 mm"],
    "high-rails": ["2 × rail, 2280 mm × 145 mm × 45 mm each"],
    "perch": ["back plate 1040 mm", "3 × bracket"],
    "angled-rail": [
        "left board 300 mm × 90 mm × 21 mm",
        "right board",
        "2 × cap",
        "bracket on the wall",
    ],
    "stile-pair": ["left stile 805 mm × 60 mm × 35 mm", "right stile"],
    "upright": [
        "clip rail 400 mm × 70 mm × 35 mm",
        "foot board 400 mm × 90 mm × 35 mm",
        "foot rail 400 mm × 70 mm × 35 mm",
    ],
}


def brief_of(family: str) -> Brief:
    return starting([(shipped_item(ITEMS[family]), 4)], "1 mm", family)


def of(family: str) -> Design:
    return design(brief_of(family))


def test_every_family_is_tried_here() -> None:
    assert ITEMS.keys() == PARTS.keys() == FAMILIES.keys()


@pytest.mark.parametrize("family", FAMILIES)
def test_the_shop_sheet_names_every_part_and_operation_and_every_hole(family: str) -> None:
    done = of(family)
    pdf = write_shopsheet("Of its kind", done, "a4")
    text = " ".join(text_of(pdf).split())
    tables = hole_tables(done)
    for table in tables:
        for face in table.faces:
            assert f"{table.name}, {face.face}" in text
            assert (
                f"along from the {face.along}; across from the {face.across}, and from the"
                f" {face.rest}" in text
            )
    # What is drilled is counted the same way by the machining, the tables and the list of all
    # holes.
    drilled = sum(one.count for one in done.machining if one.kind.drilled and one.places)
    assert drilled == sum(
        len(face.lines) * len(table.parts) for table in tables for face in table.faces
    )
    assert drilled == len(write_holes(done).strip().splitlines()) - 1
    for words in PARTS[family]:
        assert words in text, words
    for made in done.rack.machining:
        assert f"{made.count} × {made.kind.noun(made.count)}" in text
    for caution in done.rack.cautions:
        assert caution.split(".")[0][:40] in text


@pytest.mark.parametrize("family", FAMILIES)
def test_a_rack_file_svg_and_csv_come_of_it(family: str) -> None:
    brief = brief_of(family)
    name, back = read_rackfile(write_rackfile("Of its kind", brief))
    assert (name, back) == ("Of its kind", brief)
    assert json.loads(json.dumps(dump(back)))["family"] == family
    done = of(family)
    drawing = ElementTree.fromstring(write_svg("Of its kind", done))
    assert len(list(drawing.iter("{http://www.w3.org/2000/svg}path"))) > len(done.rack.parts)
    rows = write_marks(done).strip().splitlines()
    assert len(rows) == 1 + sum(one.row.holders for one in done.rack.rows)


@pytest.mark.parametrize("family", FAMILIES)
def test_the_template_says_which_face_is_up_and_what_bores_it(family: str) -> None:
    done = of(family)
    text = text_of(write_template("Of its kind", done, "a4"))
    top = any(part.marked == "top" for part in done.rack.parts)
    assert "WALL EDGE" in text or not top
    assert ("Looking down on the top" in text) == top
    marked = done.rack.part(done.rack.rows[0].part).marked
    bored = next(
        step for step in done.rack.machining if step.places and step.places[0].face == marked
    )
    said = f"{bored.kind.noun(2)}: {done.tape.write_fine(bored.size)} {bored.tool}"
    assert said.lower() in " ".join(text.lower().split())


@pytest.mark.parametrize("paper", ["a4", "letter"])
@pytest.mark.parametrize("family", FAMILIES)
def test_crosses_and_words_of_a_template_never_meet(family: str, paper: Paper) -> None:
    # Boards of every width: a low one, one that is drawn in strips, one that just fills a sheet.
    for change in ({}, {"board": {"height": "118 mm"}}, {"board": {"height": "240 mm"}}):
        document = pypdfium2.PdfDocument(
            write_template(
                "A rack with a long name", design(amend(brief_of(family), change)), paper
            )
        )
        for page in document:
            strokes = [one.get_bounds() for one in page.get_objects(filter=[2])]
            # A cross is two strokes of 8 mm: nothing is written on one, and none lies on another
            # line.
            crosses = [
                box
                for box in strokes
                if sorted(
                    (round((box[2] - box[0]) * 25.4 / 72), round((box[3] - box[1]) * 25.4 / 72))
                )
                == [0, 8]
            ]
            text = page.get_textpage()
            if "outline 1:1" in text.get_text_bounded():
                continue
            words = [text.get_rect(k) for k in range(text.count_rects())]
            for a in crosses:
                assert not [
                    b for b in words if a[0] < b[2] and b[0] < a[2] and a[1] < b[3] and b[1] < a[3]
                ]
            head = [box for box in words if box[1] > (PAPERS[paper][1] - 24) * 72 / 25.4]
            for a in strokes:
                assert not [
                    b for b in head if a[0] < b[2] and b[0] < a[2] and a[1] < b[3] and b[1] < a[3]
                ]


def test_a_foot_board_has_a_template_of_its_own() -> None:
    poles = of("upright")
    pages = len(PdfReader(io.BytesIO(write_template("Poles", poles, "a4"))).pages)
    # The clip rail, and the foot board from above and from below; the foot rail is drilled through
    # it.
    assert pages == 3 * len(sheets(400, "a4"))
    text = text_of(write_template("Poles", poles, "a4"))
    assert "Poles, foot board" in text
    assert "Foot holes: 32 mm bit" in text


def scanned(done: Design, above_edge: float) -> list[float]:
    """Where lines cross a scan `above_edge` the marked part's lower edge on the first sheet, mm
    from the datum.
    """
    page = (
        pypdfium2.PdfDocument(write_template("True", done, "a4"))[0]
        .render(scale=DPI / 72, grayscale=True)
        .to_pil()
    )
    width, height = PAPERS["a4"]
    part = done.rack.part(done.rack.rows[0].part)
    base = (height + 14) / 2 - float(part.face_width) / 2
    found = lines_across(page, width, base + above_edge)
    return [x - found[0] for x in found]


def test_holes_are_drawn_at_their_true_size_on_the_template() -> None:
    flasks = design(amend(brief_of("hole-rail"), {"hole": {"opening": "hole"}}))
    # Two bores of 38 about 57 and 171, cut a hair above their middle where nothing else is drawn.
    lines = scanned(flasks, 45 + 8)
    half = (19**2 - 8**2) ** 0.5
    for axis in (57, 171):
        for edge in (axis - half, axis, axis + half):
            assert min(abs(x - edge) for x in lines) <= TRUE_MM


def test_slots_run_to_the_front_edge_at_their_own_width() -> None:
    lines = scanned(of("hole-rail"), 10)
    for edge in (57 - 19, 57 + 19, 171 - 19, 171 + 19):
        assert min(abs(x - edge) for x in lines) <= TRUE_MM
    closed = scanned(design(amend(brief_of("hole-rail"), {"hole": {"opening": "hole"}})), 10)
    assert min(abs(x - (57 - 19)) for x in closed) > 5


def test_each_row_of_a_panel_is_drawn_at_its_own_height() -> None:
    cups = of("panel")
    upper, lower = cups.rack.rows
    text = " ".join(text_of(write_template("Cups", cups, "a4")).split())
    # Each from a real edge, though the strip is cut off above or below.
    for k, row in enumerate((upper, lower), 1):
        assert f"Cups, panel, row {k}" in text
        assert f"its centre line {cups.tape.write(row.across)} from the bottom edge" in text
    assert upper.across - lower.across == upper.y - lower.y
    sheet = " ".join(text_of(write_shopsheet("Cups", cups, "a4")).split())
    for k, row in enumerate((upper, lower), 1):
        across, rest = (
            cups.tape.write(at) for at in (row.across, cups.rack.part(row.part).height - row.across)
        )
        assert f"row {k}: {across} from the bottom edge, {rest} from the top edge" in sheet
    assert f"{cups.tape.write(upper.y - lower.y)} below row 1" in sheet


def test_a_bent_hook_comes_with_its_outline_at_true_size() -> None:
    done = design(
        amend(brief_of("rail"), {"holder": {"kind": "bent"}, "board": {"height": "90 mm"}})
    )
    pdf = write_template("Bent", done, "a4")
    pages = PdfReader(io.BytesIO(pdf)).pages
    assert len(pages) == len(sheets(float(done.rack.row.length), "a4")) + 1
    assert "outline 1:1" in pages[-1].extract_text()
    page = (
        pypdfium2.PdfDocument(pdf)[len(pages) - 1].render(scale=DPI / 72, grayscale=True).to_pil()
    )
    width, height = PAPERS["a4"]
    # Through the back leg and the lip, 8 each: faces at 0 and 8, and at 72 and 80 off the board.
    lines = lines_across(page, width, height / 2 - 35 + 10)
    assert [x - lines[0] for x in lines] == pytest.approx([0, 8, 72, 80], abs=TRUE_MM)


def words_of(pdf: bytes) -> list[tuple[float, float, str]]:
    """(x, y, text) of everything that is written, mm from the lower left corner of its page."""
    found: list[tuple[float, float, str]] = []

    def see(text: str, at: list[float], on: list[float], *_: object) -> None:
        if text.strip():
            x, y = on[0] * at[4] + on[2] * at[5] + on[4], on[1] * at[4] + on[3] * at[5] + on[5]
            found.append((x * 25.4 / 72, y * 25.4 / 72, text.strip()))

    for page in PdfReader(io.BytesIO(pdf)).pages:
        page.extract_text(visitor_text=see)
    return found


@pytest.mark.parametrize("paper", ["a4", "letter"])
@pytest.mark.parametrize("family", FAMILIES)
def test_nothing_is_written_off_the_page(family: str, paper: Paper) -> None:
    width, height = PAPERS[paper]
    for pdf in (
        write_shopsheet("Of its kind", of(family), paper),
        write_template("Of its kind", of(family), paper),
    ):
        for x, y, text in words_of(pdf):
            assert 3 <= x <= width - 3, text
            assert 3 <= y <= height - 3, text


@pytest.mark.parametrize(
    ("family", "pages", "says"),
    [
        ("slotted-cheeks", 1, "prick the round bottom through"),
        ("ledge-post", 1, "what lies inside the step is cut away"),
        ("flip-rail", 1, "Round heel and tip to the line"),
        ("perch", 1, "saw all brackets from that one"),
        ("angled-rail", 2, "the wall."),
        ("stile-pair", 0, ""),
    ],
)
def test_what_is_shaped_comes_at_true_size_behind_the_marks(
    family: str, pages: int, says: str
) -> None:
    done = of(family)
    pdf = PdfReader(io.BytesIO(write_template("Shaped", done, "a4")))
    outlines = [
        text for page in list(pdf.pages)[-4:] if "outline 1:1" in (text := page.extract_text())
    ]
    assert len(outlines) == pages
    assert all(says in " ".join(text.split()) for text in outlines)


def test_a_bent_hook_on_a_perch_brings_both_outlines() -> None:
    done = design(amend(brief_of("perch"), {"holder": {"kind": "bent"}}))
    text = text_of(write_template("Both", done, "a4"))
    assert "Both, one of the bent hooks" in text
    assert "Both, a bracket" in text


def test_a_slot_is_drawn_at_its_true_size() -> None:
    done = of("slotted-cheeks")
    pdf = write_template("Slot", done, "a4")
    last = len(PdfReader(io.BytesIO(pdf)).pages) - 1
    page = pypdfium2.PdfDocument(pdf)[last].render(scale=DPI / 72, grayscale=True).to_pil()
    width, height = PAPERS["a4"]
    # Level through a point of the slot's middle line, 60 along it: it is 16 / sin 15 wide there,
    # about 60 cos 15 in.
    lines = lines_across(page, width, height / 2 - 60 * sin(radians(15)))
    edge = width / 2
    inside = sorted(edge - x for x in lines if x < edge - 1)
    middle, half = 60 * cos(radians(15)), 8 / sin(radians(15))
    assert inside == pytest.approx([middle - half, middle + half], abs=2 * TRUE_MM)


def test_the_marks_of_an_upright_run_from_its_foot_on_paper() -> None:
    mats = of("stile-pair")
    text = text_of(write_template("Mats", mats, "a4"))
    assert "Mats, left stile, right stile" in text
    assert "MEASURE FROM HERE: the board's foot" in text
    assert "LEFT EDGE" in text
    sheet = " ".join(text_of(write_shopsheet("Mats", mats, "a4")).split())
    assert "Marks, measured from: the foot" in sheet
    assert f"foot {mats.tape.write(mats.brief.hung)} above the floor" in sheet
    # A hole of 16 about 60 from the foot, cut above its middle where nothing else is drawn.
    lines = scanned(mats, 30 + 4)
    half = (8**2 - 4**2) ** 0.5
    for edge in (60 - half, 60, 60 + half):
        assert min(abs(x - edge) for x in lines) <= TRUE_MM


def test_a_groove_is_drawn_as_long_and_as_wide_as_it_is_routed() -> None:
    capes = of("flip-rail")
    groove = step(capes.machining, Kind.GROOVE)
    assert groove.cut
    low = groove.places[0].across + groove.cut[2]
    inside, below = scanned(capes, float(low) + 30), scanned(capes, float(low) - 2)
    for edge in (165 - 12.5, 165 + 12.5):
        assert min(abs(x - edge) for x in inside) <= TRUE_MM
        assert min((abs(x - edge) for x in below), default=99) > 5


@pytest.mark.parametrize("family", FAMILIES)
def test_the_svg_shows_every_thing_and_every_holder(family: str) -> None:
    done = of(family)
    drawing = ElementTree.fromstring(write_svg("Of its kind", done))
    texts = ["".join(node.itertext()) for node in drawing.iter("{http://www.w3.org/2000/svg}text")]
    assert done.tape.write(done.rack.row.length) in texts
    strokes = sum(len(symbol.strokes) * len(symbol.places) for symbol in done.scene.symbols)
    assert len(list(drawing.iter("{http://www.w3.org/2000/svg}path"))) >= strokes


WORDY = "extraordinarily long-handled copper preserving ladle"
HARD: dict[str, Patch] = {
    "rail": {"mount": "plates", "top": {"joint": "let in", "bracket": "0 mm"}, "hung": "300 mm"},
    "high-rails": {"aside": {"stands": "right", "height": "2300 mm"}, "hung": "900 mm"},
    "angled-rail": {
        "angled": {"right": "as many", "magnet": "60 mm"},
        "holder": {"depth": "25 mm", "showing": "20 mm"},
    },
    "flip-rail": {"turns": "rod", "rod": {"size": "M8"}, "rows": {"count": 3, "boards": "each"}},
    "panel": {"made": "frame", "support": {"gaps": "boards"}, "rows": {"count": 4}},
}


@pytest.mark.parametrize("paper", ["a4", "letter"])
@pytest.mark.parametrize("family", FAMILIES)
def test_however_much_there_is_to_say_it_stays_on_its_pages(family: str, paper: Paper) -> None:
    named: Patch = {"item": {"name": WORDY, "plural": f"{WORDY}s"}, "row": {"count": 9}}
    done = design(amend(amend(brief_of(family), HARD.get(family, {})), named))
    pdf = write_shopsheet(f"{WORDY}, by the back door", done, paper)
    width, height = PAPERS[paper]
    for x, y, text in words_of(pdf):
        assert 3 <= x <= width - 3, text
        assert 3 <= y <= height - 3, text
    # Nothing is left out for it: every step and every caution is there.
    said = " ".join(text_of(pdf).split())
    assert all(
        f"{step.count} × {step.kind.noun(step.count)}" in said for step in done.rack.machining
    )
    assert all(" ".join(caution.split()) in said for caution in done.rack.cautions)


def test_words_are_as_large_as_the_page_takes_them() -> None:
    few = write_shopsheet("Few words", of("rail"), "a4")
    many = write_shopsheet(
        "Many words", design(amend(brief_of("angled-rail"), HARD["angled-rail"])), "a4"
    )
    large, small = (
        dict(sizes_of(pdf))["Drilling and machining, in this order"] for pdf in (few, many)
    )
    assert large == pytest.approx(4, abs=0.01)
    assert 4 * 0.68 - 0.01 <= small < 4


def sizes_of(pdf: bytes) -> list[tuple[str, float]]:
    """(text, size in mm) of everything that is written."""
    found: list[tuple[str, float]] = []

    def see(text: str, at: list[float], on: list[float], font: object, size: float) -> None:
        if text.strip():
            found.append((text.strip(), size * abs(on[0] * at[0] + on[1] * at[1]) * 25.4 / 72))

    for page in PdfReader(io.BytesIO(pdf)).pages:
        page.extract_text(visitor_text=see)
    return found


def test_ledges_and_fingers_are_drawn_where_they_stand() -> None:
    # A ledge of 21 about the first mark, 220 up the post; between them only the marks themselves.
    lanterns = of("ledge-post")
    first = float(lanterns.marks[0].exact)
    lines = scanned(lanterns, 10)
    for edge in (first - 10.5, first + 10.5):
        assert min(abs(x - edge) for x in lines) <= TRUE_MM
    # A finger of 20 before its backer.
    caps = design(
        amend(
            brief_of("flip-rail"),
            {"turns": "rod", "flip": {"width": "20 mm"}, "board": {"height": "118 mm"}},
        )
    )
    row = caps.rack.rows[0]
    lines = scanned(caps, float(row.across) + 3)
    for edge in (float(row.row.axes[0]) - 10, float(row.row.axes[0]) + 10):
        assert min(abs(x - edge) for x in lines) <= TRUE_MM


@pytest.mark.parametrize(
    ("family", "wide"), [("angled-rail", 90), ("stile-pair", 60), ("perch", 120)]
)
def test_a_template_is_as_wide_as_the_boards_own_face(family: str, wide: int) -> None:
    # An angled rail's boards are seen narrower from the front than their faces are; a wide one is a
    # strip of 120.
    done = of(family)
    part = done.rack.part(done.rack.rows[0].part)
    assert min(part.face_width, 120) == wide
    page = (
        pypdfium2.PdfDocument(write_template("Wide", done, "a4"))[0]
        .render(scale=DPI / 72, grayscale=True)
        .to_pil()
    )
    width, height = PAPERS["a4"]
    # Up the page, between the first mark and the board's end, where only its edges and the axis are
    # drawn.
    up = lines_across(page.transpose(Image.Transpose.ROTATE_270), height, width - 40)
    edges = [y for y in up if abs(y - height / 2 - 7) <= wide / 2 + 1]
    assert edges[-1] - edges[0] == pytest.approx(wide, abs=TRUE_MM)
