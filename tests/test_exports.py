"""Paper and files: the template is true when measured, the rest says what the design says."""

import csv
import io
import json
import re
import xml.etree.ElementTree as ET
from itertools import pairwise
from pathlib import Path
from unicodedata import normalize

import pypdfium2
import pytest
from hypothesis import given
from hypothesis import strategies as st
from PIL.Image import Image
from pypdf import PdfReader

from tests.cases import cases
from tests.metric import shipped, starting_brief
from tests.strategies import briefs
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.findings.patch import BriefError
from yardcliff.core.row.marking_aids import drilling_jig, story_stick
from yardcliff.core.things.listing import Listed
from yardcliff.core.units.length_text import read
from yardcliff.core.ways import Brief, build
from yardcliff.exports.drawing import InkedText, lay_out
from yardcliff.exports.items_csv import write_items
from yardcliff.exports.marks_csv import write_marks
from yardcliff.exports.paper import Paper
from yardcliff.exports.pdf import PAPERS
from yardcliff.exports.rackfile import schema, write_rackfile
from yardcliff.exports.shopsheet import write_shopsheet
from yardcliff.exports.strip import GAP, LANE, TOP, write_strip
from yardcliff.exports.svg import write_svg
from yardcliff.exports.template import ABOVE, write_template
from yardcliff.exports.tiling import MARGIN, OVERLAP, joins, sheets
from yardcliff.imports.items_csv import MOST, read_items
from yardcliff.imports.rackfile import RackFileError, read_rackfile
from yardcliff.imports.rows import CsvFileError

COATS = starting_brief("waxed-jacket", 9, "1 mm")
DPI = 600
TRUE_MM = 0.1


def lines_across(page: Image, width_mm: float, y_mm: float) -> list[float]:
    """Middles, in mm, of the strokes that cross a horizontal scan `y_mm` above the page's foot,
    weighed by their ink.
    """
    width, height = page.size
    scan = round(height - y_mm * DPI / 25.4)
    row = page.crop((0, scan, width, scan + 1)).tobytes()
    found: list[float] = []
    ink, moment = 0, 0.0
    for x, value in enumerate((*row, 255)):
        if value < 250:
            ink, moment = ink + 255 - value, moment + (255 - value) * (x + 0.5)
        elif ink:
            found.append(moment / ink * width_mm / width)  # the raster is stretched to whole pixels
            ink, moment = 0, 0.0
    return found


@pytest.mark.parametrize("paper", ["a4", "letter"])
def test_the_template_is_true_over_its_page_joins(paper: Paper) -> None:
    # 1.2 m of board, so that a wrong scale or join adds up over several sheets.
    brief = amend(starting_brief("storm-lantern", 9, "1 mm"), {"row": {"length": "1200 mm"}})
    done = design(brief)
    document = pypdfium2.PdfDocument(write_template("True", done, paper))
    laid = sheets(1200, paper)
    assert len(document) == len(laid) > 3
    board_top = (
        PAPERS[paper][1] + 14
    ) / 2 + 60  # a board of 120 mm is drawn whole, a little above the middle
    measured: list[float] = []
    origin = 0.0  # where the board's datum lies, in mm of the pages laid end to end
    previous_cross = 0.0
    for number, sheet in enumerate(laid):
        page = document[number].render(scale=DPI / 72, grayscale=True).to_pil()
        # Only crosses reach this high above the board, and only marks cross half way to the screws.
        crosses = lines_across(page, PAPERS[paper][0], board_top + ABOVE - 2.5)
        marks = lines_across(page, PAPERS[paper][0], board_top - 12)
        letters = joins(sheet, len(laid))
        crosses = [x for x in crosses if any(abs(x - sheet.x(at)) < 2 for _, at in letters)]
        assert len(crosses) == len(letters)
        # The board's ends are drawn as lines too: the first line of all is the datum.
        origin = crosses[0] - (previous_cross - origin) if number else marks[0]
        measured += [x - origin for x in marks]
        previous_cross = crosses[-1] if crosses else 0.0
    planned = [0, *(float(mark.exact) for mark in done.marks), 1200]
    # A mark in an overlap is on both sheets.
    assert {min(range(len(planned)), key=lambda i: abs(planned[i] - x)) for x in measured} == set(
        range(11)
    )
    worst = max(min(abs(p - x) for p in planned) for x in measured)
    assert worst <= TRUE_MM, f"worst mark is {worst:.3f} mm off"


@given(brief=briefs)
@cases(60)
def test_sheets_cover_the_board_and_meet_at_the_same_crosses(brief: Brief) -> None:
    length = float(design(brief).rack.row.length)
    laid = sheets(length, "a4")
    assert laid[0].start < 0
    assert laid[-1].end >= length
    for one, other in pairwise(laid):
        assert one.end - other.start == pytest.approx(OVERLAP)
        assert joins(one, len(laid))[-1] == pytest.approx(joins(other, len(laid))[0])
        assert MARGIN <= other.x(other.start + OVERLAP / 2) <= PAPERS["a4"][0] - MARGIN


def text_of(pdf: bytes) -> str:
    return "\n".join(page.extract_text() for page in PdfReader(io.BytesIO(pdf)).pages)


def test_the_template_says_how_to_use_it() -> None:
    text = text_of(
        write_template("Hats", design(starting_brief("felt-hat", 4, "1/16 in")), "letter")
    )
    for words in (
        "MEASURE FROM HERE",
        "TOP",
        "4 in",
        "print again at 100",
        "sheet 1 of",
        "Peg holes",
        "same letter",
    ):
        assert words in text


def test_the_shop_sheet_has_all_a_shop_needs() -> None:
    brief = amend(starting_brief("enamel-mug", 8, "1 mm"), {"holder": {"tilt": 12}})
    pdf = write_shopsheet("Kitchen mugs", design(brief), "a4")
    text = text_of(pdf)
    for words in (
        "Kitchen mugs",
        "8 enamel mugs on dowel pegs, 7 spaces",
        "862.5 mm",
        "8 × peg holes (board, front): 12 mm bit",
        "13 mm deep, 12° from square, 78° from the face",
        "wood left behind 6.3 mm",
        "Cut each peg",
        "Take care",
        "manuals",
    ):
        assert words in text, words


def test_the_same_rack_gives_the_same_bytes() -> None:
    done = design(starting_brief("towel", 3, "1 mm"))
    assert write_shopsheet("A", done, "a4") == write_shopsheet("A", done, "a4")
    assert write_template("A", done, "a4") == write_template("A", done, "a4")


@pytest.mark.parametrize("count", [1, 80, 500])
def test_any_count_still_makes_a_sheet(count: int) -> None:
    pdf = write_shopsheet("Many", design(starting_brief("room-key", count, "1/32 in")), "letter")
    assert len(PdfReader(io.BytesIO(pdf)).pages) >= 2
    assert ("more: see the marks as CSV" in text_of(pdf)) == (count > 90)


def _overlap(a: InkedText, b: InkedText) -> bool:
    half = [len(t.text) * 0.7 for t in (a, b)]
    along, across = (
        (abs(a.y - b.y), abs(a.x - b.x)) if a.turned else (abs(a.x - b.x), abs(a.y - b.y))
    )
    return a.turned == b.turned and along < sum(half) - 0.01 and across < 2.4


@pytest.mark.parametrize("item", ["waxed-jacket", "room-key", "sledge", "ladle"])
@pytest.mark.parametrize("count", [1, 2, 13])
def test_no_dimension_text_stands_on_another(item: str, count: int) -> None:
    drawn, scale = lay_out(design(starting_brief(item, count, "1/16 in")).scene, 277, 180)
    texts = [thing for thing in drawn if isinstance(thing, InkedText)]
    assert scale > 0
    assert len(texts) >= 4
    for i, one in enumerate(texts):
        assert not any(_overlap(one, other) for other in texts[:i]), one.text


def test_the_svg_is_well_formed_and_escapes_the_name() -> None:
    done = design(starting_brief("flask", 4, "1 mm"))
    root = ET.fromstring(write_svg('<Cellar> & "bar"', done))
    namespace = "{http://www.w3.org/2000/svg}"
    title = root.find(f"{namespace}title")
    assert title is not None
    assert (title.text or "").startswith('<Cellar> & "bar", 1:')
    texts = [t.text for t in root.iter(f"{namespace}text")]
    assert done.tape.write(done.rack.row.length) in texts


def test_the_csv_holds_each_mark_exact_and_on_the_tape() -> None:
    done: Design = design(starting_brief("ladle", 7, "1/16 in"))
    rows = list(csv.DictReader(io.StringIO(write_marks(done))))
    assert len(rows) == 7
    for row, mark in zip(rows, done.marks, strict=True):
        assert float(row["exact_mm"]) == pytest.approx(float(mark.exact), abs=5e-5)
        assert read(row["tape"]) == mark.reading
        assert float(row["error_mm"]) == pytest.approx(float(mark.error), abs=5e-5)


@given(brief=briefs)
@cases(100)
def test_a_rack_file_is_lossless(brief: Brief) -> None:
    assert read_rackfile(write_rackfile("Any name", brief)) == ("Any name", brief)


def test_the_published_schema_is_the_current_one() -> None:
    published = Path(__file__).parent.parent / "docs" / "rack.schema.json"
    assert json.loads(published.read_text()) == schema()


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("{", "not readable JSON"),
        ("[]", "does not say"),
        ('{"format": "yardcliff-rack", "version": 2}', "version 2"),
        ('{"format": "yardcliff-rack", "version": 1, "name": ""}', "1 to 80"),
        (
            '{"format": "yardcliff-rack", "version": 1, "name": "x", "brief": {"family": "raft"}}',
            "family",
        ),
    ],
)
def test_a_file_that_is_no_rack_is_refused_with_the_reason(text: str, says: str) -> None:
    with pytest.raises((RackFileError, BriefError), match=says):
        read_rackfile(text)


def test_a_story_stick_and_a_jig_are_true_on_paper() -> None:
    done = design(amend(starting_brief("enamel-mug", 5, "1 mm"), {"row": {"length": "240 mm"}}))
    row = done.rack.row
    stick = story_stick([("Mugs", row)], done.tape, "mirrored")
    page = pypdfium2.PdfDocument(write_strip(stick, done.tape, "a4"))[0]
    raster = page.render(scale=DPI / 72, grayscale=True).to_pil()
    for lane, drawn in enumerate(stick.lanes):
        scan = PAPERS["a4"][1] - TOP - lane * (LANE + GAP) - LANE / 2
        found = lines_across(raster, PAPERS["a4"][0], scan)
        planned = [0.0, *(float(tick.at) for tick in drawn.ticks), 240.0]
        assert [x - found[0] for x in found] == pytest.approx(planned, abs=TRUE_MM)
    jig = drilling_jig("Mugs", row, done.tape, done.rack.bores[0].bit, 3)
    text = text_of(write_strip(jig.strip, done.tape, "letter"))
    for words in (
        "drilling jig 1:1",
        "pin",
        "2: 48 mm",
        "3: 96 mm",
        "Check the last hole",
        "print again at 100",
    ):
        assert words in text, words


def test_paper_of_several_rows_has_each_different_one_once() -> None:
    rows = {"rows": {"count": 4, "layout": "staggered"}, "row": {"pitch": "120 mm"}}
    done = design(amend(starting_brief("enamel-mug", 3, "1 mm"), rows))
    template = text_of(write_template("Wall", done, "a4"))
    for row in range(1, 5):
        assert f"Wall, row {row}" in template
    sheet = text_of(write_shopsheet("Wall", done, "a4"))
    for words in (
        "10 enamel mugs on dowel pegs in 4 rows",
        "Rows 1 and 3",
        "Rows 2 and 4",
        "10 × peg hole",
    ):
        assert words in sheet, words
    table = list(csv.DictReader(io.StringIO(write_marks(done))))
    assert [(line["row"], line["tape"]) for line in table[3:5]] == [
        ("2", "120 mm"),
        ("2", "240 mm"),
    ]


@given(rows=st.sets(st.integers(0, 30), min_size=1))
def test_rows_are_named_as_they_are_said(rows: set[int]) -> None:
    said = build(starting_brief("enamel-mug", 3, "1 mm")).named(tuple(sorted(rows)))
    assert [int(number) - 1 for number in re.findall(r"\d+", said)] == sorted(rows)
    assert said.startswith("Rows" if len(rows) > 1 else "Row ")


@given(entry=st.sampled_from(shipped()), factor=st.integers(1, 7))
@cases(80)
def test_a_list_of_things_goes_out_and_comes_in_again(entry: Listed, factor: int) -> None:
    # Thirds and sevenths of an inch are as exact in a file as millimetres.
    item = entry.item.model_copy(
        update={"left": entry.item.left * factor / 7, "name": "a, “quoted” thing"}
    )
    own = entry.model_copy(update={"item": item})
    (row,) = read_items(write_items([own]))
    assert row.entry == own


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("name;left;right;below\nx;1;2;3;4\n", "more cells"),
        ("name\tleft\tright\tbelow\tshape\nx\t1\t2\t3\tdragon\n", "“dragon” is none of"),
        ("name,left,right,below,holder\nx,1,2,3,glue\n", "“glue” is none of"),
        ("name,left,right,below,weight\nx,1,2,3,heavy\n", "“heavy” is no weight"),
    ],
)
def test_a_row_that_is_no_thing_says_why(text: str, says: str) -> None:
    (row,) = read_items(text)
    assert row.entry is None
    assert says in row.why


@pytest.mark.parametrize(
    "name",
    [
        "Küche Łódź",
        "Ġurġevo Ñandú Şırnak Ťahúň Dzień Āķis",
        "Διάδρομος με γάντζους",
        "Ґанок, вішалка й ключі Џеп",
    ],
)
def test_every_letter_of_europe_is_printed(name: str) -> None:
    pages = PdfReader(io.BytesIO(write_shopsheet(name, design(COATS), "a4"))).pages
    text = normalize("NFKC", pages[0].extract_text())
    assert name in text
    assert "is a letter that" not in text
    decomposed = PdfReader(
        io.BytesIO(write_shopsheet(normalize("NFD", name), design(COATS), "a4"))
    ).pages
    assert name in normalize("NFKC", decomposed[0].extract_text())


def test_a_letter_that_no_font_has_is_a_box_and_told_once() -> None:
    pages = PdfReader(io.BytesIO(write_template("Porch 玄関, 玄", design(COATS), "a4"))).pages
    texts = [page.extract_text() for page in pages]
    assert len(texts) > 3
    assert all("Porch □□, □" in text for text in texts)
    assert [text.count("U+7384, U+95A2") for text in texts] == [1] + [0] * (len(texts) - 1)


@pytest.mark.parametrize(("text", "column"), [("", "name"), ("name,left\nx,1\n", "right")])
def test_a_file_without_its_columns_is_no_list(text: str, column: str) -> None:
    with pytest.raises(CsvFileError, match=f"no “{column}” in it"):
        read_items(text)


def test_a_long_list_is_read_up_to_its_bound() -> None:
    text = "name,left,right,below\n" + "".join(f"thing {k},1,1,1\n" for k in range(MOST + 5))
    rows = read_items(text)
    assert len(rows) == MOST + 1
    assert "the rest was not read" in rows[-1].why
