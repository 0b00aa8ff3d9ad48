"""Timber on paper and as files: everything on the page, drawn to one scale, and nothing lost on the
way there and back.
"""

import csv
import io
from fractions import Fraction

import pypdfium2
import pytest
from hypothesis import given
from hypothesis import strategies as st
from pypdf import PdfReader

from tests.core.test_timber import SIZES, cutting, offer, rails, start, supply
from tests.metric import cut_plan
from yardcliff.core.brief.cutting import Cutting
from yardcliff.core.design.rack_design import design
from yardcliff.core.units.length import Tape
from yardcliff.core.wood.cost import Line, shopping
from yardcliff.core.wood.cut_order import order
from yardcliff.core.wood.rack_timber import Timber, priced
from yardcliff.core.wood.stock import PriceList, Stick, read_stick
from yardcliff.demo import Seed, hut
from yardcliff.exports.cutsheet import write_cutsheet
from yardcliff.exports.paper import Paper
from yardcliff.exports.pdf import PAPERS
from yardcliff.exports.rows import escaped, write_rows
from yardcliff.exports.timber_csv import (
    money,
    write_plan,
    write_prices,
    write_shopping,
    write_sticks,
)
from yardcliff.imports.rows import CsvFileError, read_csv
from yardcliff.imports.timber_csv import read_prices, read_sticks

MM, INCH = Tape.named("1 mm"), Tape.named("1/16 in")


def euros(cents: int) -> str:
    return f"€{cents / 100:.2f}"


def sheet(found: Timber, tape: Tape = MM, paper: Paper = "a4") -> PdfReader:
    return PdfReader(io.BytesIO(write_cutsheet("Porch, rails", found, tape, paper, euros)))


def words(reader: PdfReader) -> str:
    return " ".join(" ".join(page.extract_text() for page in reader.pages).split())


@pytest.mark.parametrize("paper", PAPERS)
@pytest.mark.parametrize("seed", hut().racks[::3], ids=lambda seed: seed.name)
def test_every_cut_sheet_keeps_to_its_pages(seed: Seed, paper: Paper) -> None:
    done = design(hut().brief(seed))
    data = write_cutsheet(
        "A rack with a long name that somebody gave it", priced(done, supply()), MM, paper, euros
    )
    for page in pypdfium2.PdfDocument(data):
        image = page.render(scale=1).to_pil().convert("L")
        wide, tall = image.size
        for edge in (
            (0, 0, wide, 8),
            (0, tall - 8, wide, tall),
            (0, 0, 8, tall),
            (wide - 8, 0, wide, tall),
        ):
            assert image.crop(edge).getextrema() == (255, 255), "something runs off the page"


def test_a_cut_sheet_says_every_step_every_stop_and_what_it_costs() -> None:
    done = start("padlock", 12, {"board": {"height": "120 mm"}}, "stacked")
    found = priced(
        done,
        supply(
            offer("1800 mm", "6.20"),
            wares=({"kind": "hook", "name": "hook, 18 mm", "price": "0.85"},),
        ),
    )
    said = words(sheet(found))
    for sawn in found.plan.sawn:
        for step in order(sawn, found.plan.means, MM):
            assert " ".join(step.split()) in said
    assert "284 mm: Rail 1, Rail 2, Rail 3" in said
    assert euros(found.cost.total) in said
    assert "Each cut takes 2.5 mm" in said


def test_many_sticks_go_on_over_the_pages_each_once() -> None:
    plan = cut_plan(rails(24, 1500), supply(offer("1800 mm", "5.00")), Cutting())
    found = Timber(
        priced(start("towel", 2, {}), supply()).taken, plan, shopping(plan, (), supply()), (), 1
    )
    reader = sheet(found)
    assert len(reader.pages) > 4
    said = words(reader)
    assert all(said.count(f": Rail {k}.") == 1 for k in range(1, 25))


def test_a_cut_sheet_is_written_in_the_users_own_tape_and_is_the_same_each_time() -> None:
    found = priced(
        start("waxed-jacket", 4, {"tape": "1/16 in", "board": {"height": "120 mm"}}),
        supply(offer("8 ft", "6.00")),
    )
    said = words(sheet(found, INCH))
    assert "1040 mm" not in said
    assert " in: Board" in said
    assert write_cutsheet("x", found, INCH, "a4", euros) == write_cutsheet(
        "x", found, INCH, "a4", euros
    )


def test_a_plan_as_a_file_has_a_row_for_each_piece_and_its_mark() -> None:
    plan = cut_plan(rails(3, 500), supply(offer("1800 mm", "5.00")), cutting(kerf="3 mm"))
    rows = list(csv.DictReader(io.StringIO(write_plan(plan, MM))))
    assert [(row["piece"], row["long"], row["mark"]) for row in rows] == [
        ("Rail 1", "500 mm", "500 mm"),
        ("Rail 2", "500 mm", "1003 mm"),
        ("Rail 3", "500 mm", "1506 mm"),
    ]
    assert {row["stick"] for row in rows} == {"Yard: Planed spruce 120 × 21, 1800 #1"}


def test_a_shopping_list_as_a_file_leaves_out_what_is_not_known() -> None:
    lines = (
        Line("hook", "a, “b”; c", 3, "", "metric", 0, 3, 1, None),
        Line("glue", "glue", 9, "g", "metric", 0, 1, 250, 520, "Yard"),
    )
    rows = list(csv.DictReader(io.StringIO(write_shopping(lines, "EUR"))))
    assert [(row["name"], row["each"], row["total"], row["currency"]) for row in rows] == [
        ("a, “b”; c", "", "", "EUR"),
        ("glue", "5.20", "5.20", "EUR"),
    ]
    assert [money(cents) for cents in (0, 5, 1250)] == ["0.00", "0.05", "12.50"]


lengths = st.integers(1, 400).map(lambda n: f"{n} mm") | st.integers(1, 200).map(
    lambda n: f"{n}/16 in"
)
sticks = st.builds(
    lambda wide, thick, long, flaws, reclaimed, note, species: read_stick(
        {
            "wide": wide,
            "thick": thick,
            "long": f"{long} mm",
            "reclaimed": reclaimed,
            "note": note,
            "species": species,
            "flaws": [
                {"what": what, "at": f"{at} mm", "width": width, "back": back}
                for what, at, width, back in flaws
            ],
        }
    ),
    lengths,
    lengths,
    st.integers(400, 4000),
    st.lists(
        st.tuples(
            st.sampled_from(("knot", "check", "nail hole", "other")),
            st.integers(0, 400),
            lengths,
            st.booleans(),
        ),
        max_size=3,
    ),
    st.booleans(),
    st.text("abc ,;\"'é", max_size=12).map(str.strip),
    st.sampled_from(("", "oak", "spruce")),
)


@given(st.lists(sticks, max_size=5))
def test_sticks_are_read_back_as_they_were_written(some: list[Stick]) -> None:
    found = read_sticks(write_sticks(some))
    assert (found.sticks, found.refused) == (some, [])


@given(
    st.lists(
        st.tuples(
            st.integers(1, 3000),
            st.integers(0, 99_999),
            st.none() | st.integers(0, 50),
            st.booleans(),
        ),
        max_size=6,
    )
)
def test_prices_are_read_back_as_they_were_written(
    some: list[tuple[int, int, int | None, bool]],
) -> None:
    offers = [
        {
            **SIZES,
            "name": f"Stick {k}",
            "long": f"{long} mm",
            "price": cents,
            "stock": stock,
            "was": cents + 100 if marked else None,
        }
        for k, (long, cents, stock, marked) in enumerate(some)
    ]
    wares = [
        {"kind": "screw", "name": f"screw {k}", "pack": long, "price": cents, "stock": stock}
        for k, (long, cents, stock, _) in enumerate(some)
    ]
    one = PriceList.model_validate(
        {
            "supplier": "Yard; and, son",
            "currency": "GBP",
            "taken": "2026-05-04",
            "offers": offers,
            "wares": wares,
        }
    )
    found = read_prices(write_prices([one]), "2026-05-04")
    assert (found.lists, found.refused) == ([one] if some else [], [])


@pytest.mark.parametrize(
    ("row", "why"),
    [
        ("120;21;far;", "far"),
        ("120;21;;", "long"),
        ("120;21;900;knot at 2 m over 30 mm", "not on a length of 900 mm"),
        ("120;21;900;worm 20", "none of the choices"),
        ("-120;21;900;", "-120"),
    ],
)
def test_a_stick_that_cannot_be_read_is_left_out_with_its_line(row: str, why: str) -> None:
    found = read_sticks(f"wide;thick;long;flaws\n120;21;800;\n{row}\n")
    assert len(found.sticks) == 1
    ((line, said),) = [(one.line, one.why) for one in found.refused]
    assert line == 3
    assert why in said


@given(
    st.text(
        st.characters(exclude_categories=["Cs", "Cc"]) | st.sampled_from("=+-@\t\r\n'\",;"),
        max_size=30,
    )
)
def test_any_cell_is_read_back_and_none_is_a_formula(note: str) -> None:
    # One column of words, between others: line breaks, quotation marks and what spreadsheets run
    # survive.
    text = write_rows(
        ("name", "note"), [{"name": "a", "note": note}, {"name": "b", "note": "=1+1"}]
    )
    assert [row["note"] for _, row in read_csv(text, ("name",), ("note",))] == [note, "=1+1"]
    cells = [cell for row in csv.reader(io.StringIO(text, newline="")) for cell in row]
    assert not [
        cell
        for cell in cells
        if cell.startswith(tuple("=+-@\t\r")) and not cell.lstrip("+-")[:1].isdigit()
    ]


def test_numbers_stay_numbers_for_a_spreadsheet() -> None:
    assert [escaped(cell) for cell in ("-0.0312", "-1/16 in", "-7 mm", "-7 mm+1", "@x")] == [
        "-0.0312",
        "-1/16 in",
        "-7 mm",
        "'-7 mm+1",
        "'@x",
    ]


def test_a_cell_longer_than_any_is_said_with_its_line() -> None:
    with pytest.raises(CsvFileError, match="Line 3 cannot be read"):
        read_sticks(f"wide,thick,long,note\n120,21,2000,x\n120,21,2000,{'x' * 131_073}\n")


def test_inches_are_read_where_bare_numbers_mean_them() -> None:
    (one,) = read_sticks("wide,thick,long\n3 1/2,3/4,96\n", "in").sticks
    assert (one.wide, one.thick, one.long) == (
        Fraction(889, 10),
        Fraction(381, 20),
        Fraction(24384, 10),
    )


@pytest.mark.parametrize(
    ("written", "what", "at", "wide", "back"),
    [
        ("knot at 900 mm over 50 mm", "knot", 900, 50, False),
        ("knot 900", "knot", 900, 30, False),
        (
            "nail hole at 1 1/16 in over 1/2 in",
            "nail hole",
            Fraction(2159, 80),
            Fraction(127, 10),
            False,
        ),
        ("Wane 0 over 2 cm on the back", "wane", 0, 20, True),
        ("stain at 1 m on its back", "stain", 1000, 30, True),
    ],
)
def test_flaws_are_read_as_people_write_them(
    written: str, what: str, at: Fraction, wide: Fraction, back: bool
) -> None:
    found = read_sticks(f"wide;thick;long;flaws\n120;21;2000;{written}\n")
    assert found.refused == []
    (flaw,) = found.sticks[0].flaws
    assert (flaw.what, flaw.at, flaw.width, flaw.back) == (what, at, wide, back)


@pytest.mark.parametrize("text", ["", "wide,thick\n1,2\n", "one line without a head"])
def test_a_file_without_a_head_is_no_list_of_sticks(text: str) -> None:
    with pytest.raises(CsvFileError, match="The first line must name the columns"):
        read_sticks(text)
