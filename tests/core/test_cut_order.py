"""The order of cuts in words, running marks and stop settings, as somebody at the saw
reads them.
"""

from dataclasses import replace
from fractions import Fraction
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.test_timber import SIZES, cutting, offer, rails, supply
from tests.metric import cut_plan
from yardcliff.core.brief.cutting import Cutting
from yardcliff.core.materials.goods import Blank
from yardcliff.core.units.length import Tape
from yardcliff.core.wood.cut_order import order
from yardcliff.core.wood.layout import Sawn, marks, pieces, runs, stops
from yardcliff.core.wood.means import Means
from yardcliff.core.wood.stick_changes import offcut_sticks, used_sticks
from yardcliff.core.wood.stock import Stick, Supply, read_stick
from yardcliff.core.workshop.shop import Shop, Tool
from yardcliff.data import values
from yardcliff.messages import tr

MM, INCH = Tape.named("1 mm"), Tape.named("1/16 in")


def stick(long: str, **more: Any) -> Stick:
    return read_stick({**SIZES, "long": long, **more})


def means(by: Cutting, shop: Shop | None = None) -> Means:
    return Means(by, shop or Shop(), MM)


def only(wanted: tuple[Any, ...], stock: Supply, **asked: str) -> Sawn:
    (sawn,) = cut_plan(wanted, stock, cutting(**asked)).sawn
    return sawn


def test_beyond_a_flaw_the_tape_is_hooked_anew() -> None:
    knotty = stick("1600 mm", flaws=[{"at": "700 mm", "width": "50 mm"}])
    sawn = only(rails(2, 600), supply(offer("1800 mm", "5.00"), sticks=(knotty,)))
    assert order(sawn, means(cutting()), MM) == (
        "Square the left end: 10 mm off it.",
        "Cut at 600 mm: Rail 1.",
        "Leave out the knot: cut square at 750 mm from its own left end.",
        "Cut at 600 mm: Rail 2.",
        "Back to the rack: 238 mm.",
    )
    # Both marks are read from the end that was squared before them: 600, and not 1340 across the
    # knot.
    assert [mark for _, mark in marks(sawn, cutting().takes("metric"))] == [600, 600]
    assert [len(run) for run in runs(sawn, cutting().takes("metric"))] == [1, 1]


def test_where_the_first_stretch_gives_nothing_the_second_is_measured_from_its_own_end() -> None:
    knotty = stick("1600 mm", flaws=[{"what": "check", "at": "0 mm", "width": "300 mm"}])
    sawn = only(rails(2, 400), supply(sticks=(knotty,)))
    assert [(one.start, mark) for one, mark in marks(sawn, cutting().takes("metric"))] == [
        (300, 400),
        (Fraction(1405, 2), Fraction(1605, 2)),
    ]
    assert (
        order(sawn, means(cutting()), MM)[0]
        == "Leave out the check: cut square at 300 mm from its own left end."
    )


@pytest.mark.parametrize(
    "more",
    [{"reclaimed": True}, {"flaws": [{"what": "nail hole", "at": "1500 mm", "width": "20 mm"}]}],
)
def test_wood_that_may_hide_nails_is_gone_over_first_whatever_its_note_says(
    more: dict[str, Any],
) -> None:
    sawn = only(
        rails(1, 600), supply(sticks=(stick("1600 mm", note="from the old bench", **more),))
    )
    assert "magnet" in order(sawn, means(cutting()), MM)[0]
    clean = only(rails(1, 600), supply(sticks=(stick("1600 mm", note="no nails in it"),)))
    assert "magnet" not in order(clean, means(cutting()), MM)[0]


def test_what_is_cut_off_reclaimed_wood_stays_reclaimed() -> None:
    plan = cut_plan(
        rails(1, 600), supply(sticks=(stick("1600 mm", reclaimed=True, species="oak"),)), cutting()
    )
    (rest,) = offcut_sticks(plan.sawn)
    assert (rest.reclaimed, rest.species, rest.wide, rest.thick) == (True, "oak", 120, 21)
    assert used_sticks(plan.sawn) == ["0"]


@pytest.mark.parametrize(
    ("tools", "rip", "says"),
    [
        (("table saw", "jigsaw"), "with a tool", "riving knife"),
        (("jigsaw",), "with a tool", "its shoe along a straight edge"),
        ((), "by hand too", "beside a gauged line"),
    ],
)
def test_a_board_is_ripped_with_what_is_there(tools: tuple[Tool, ...], rip: str, says: str) -> None:
    shop = Shop(tools=tools)
    wide = replace(supply({**offer("1800 mm", "9.00"), "wide": "145 mm"}), shop=shop)
    sawn = only(rails(1, 1500, 70), wide, rip=rip)
    (how,) = (tr(row["says"]) for row in values("ways", "strip")["ways"] if says in tr(row["says"]))
    assert (
        order(sawn, means(cutting(rip=rip), shop), MM)[0]
        == f"Rip 1 strip of 72 mm, planed to 70 mm: {how}."
    )


def test_widths_that_differ_in_a_lane_are_ripped_after() -> None:
    both = pieces(
        [
            Blank("Wide", "board", "softwood", Fraction(120), Fraction(21), Fraction(600)),
            Blank("Narrow", "board", "softwood", Fraction(70), Fraction(21), Fraction(500)),
        ],
        cutting(),
    )
    sawn = only(both, supply(offer("1800 mm", "5.00")))
    assert order(sawn, means(cutting()), MM)[1:4] == (
        "Cut at 600 mm: Wide.",
        "Cut at 500 mm: Narrow.",
        "Then rip to width: Narrow 70 mm.",
    )


def test_thicker_boards_are_planed_before_they_are_cut() -> None:
    thin = pieces(
        [Blank("Lip", "board", "softwood", Fraction(120), Fraction(18), Fraction(600))], cutting()
    )
    stock = replace(supply(offer("1800 mm", "5.00")), shop=Shop(tools=("planer",)))
    sawn = only(thin, stock)
    first = order(sawn, means(cutting(), stock.shop), MM)[0]
    assert first.startswith("Plane it to 18 mm thick: through the planer")
    assert "nothing shorter than the planer's manual allows" in first
    # Without a planer nobody planes a whole board, unless that is asked.
    assert cut_plan(thin, replace(stock, shop=Shop()), cutting()).missing
    assert not cut_plan(thin, replace(stock, shop=Shop()), cutting(thin="by hand too")).missing


def test_shears_take_nothing_and_no_trim_squares_nothing() -> None:
    dowel = {
        "form": "dowel",
        "stuff": "hardwood",
        "species": "beech",
        "name": "Dowel",
        "wide": "12 mm",
        "thick": "12 mm",
    }
    pegs = pieces(
        [Blank("Peg", "dowel", "hardwood", Fraction(12), Fraction(12), Fraction(100), 10)],
        cutting(),
    )
    sawn = only(pegs, supply({**dowel, "long": "1 m", "price": "2.00"}), saw="shears", trim="0 mm")
    assert sawn.used == 1
    assert [mark for _, mark in marks(sawn, Fraction(0))] == [100 * k for k in range(1, 11)]
    assert sawn.offcuts == ()


def test_marks_and_lengths_are_read_on_the_users_own_tape() -> None:
    sawn = only(rails(2, 600), supply(offer("1800 mm", "5.00")))
    # 600 mm is 23 5/8 in and a little; nobody reads 600 mm off a tape in inches.
    assert order(sawn, means(cutting()), INCH)[1] == "Stop at 23 5/8 in, 2 times: Rail 1, Rail 2."


@given(
    st.lists(st.integers(60, 900), min_size=1, max_size=8),
    st.integers(0, 1400),
    st.sampled_from(("shears", "mitre saw", "table saw")),
)
def test_a_tape_along_each_run_finds_every_end(longs: list[int], flaw: int, saw: str) -> None:
    blanks = [
        Blank(f"Part {k}", "board", "softwood", Fraction(120), Fraction(21), Fraction(long))
        for k, long in enumerate(longs)
    ]
    here = (stick("1800 mm", flaws=[{"at": f"{flaw} mm", "width": "25 mm"}]),)
    plan = cut_plan(
        pieces(blanks, cutting()), supply(offer("2400 mm", "7.00"), sticks=here), cutting(saw=saw)
    )
    for sawn in plan.sawn:
        marked = marks(sawn, plan.kerf)
        assert {one.piece.name for one, _ in marked} == {one.piece.name for one in sawn.laid}
        for run in runs(sawn, plan.kerf):
            at = run[0].start
            for one in run:
                assert one.start == at
                at = one.end + plan.kerf
        for one, mark in marked:
            assert one.piece.blank.long <= mark <= sawn.source.long
        said = " ".join(order(sawn, means(cutting(saw=saw)), MM))
        assert all(one.piece.name in said for one in sawn.laid)
    by_length = dict(stops(plan))
    assert all(
        len(them) > 1 and {piece.blank.long for piece in them} == {long}
        for long, them in by_length.items()
    )
    assert list(by_length) == sorted(by_length, reverse=True)
