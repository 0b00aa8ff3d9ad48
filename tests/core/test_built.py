"""Measured against planned, and ways out: what is drilled stays, each way is as it says, the least harmful comes first."""

from datetime import datetime
from fractions import Fraction

import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from tests.core.test_timber import offer, supply
from tests.strategies import briefs
from yardcliff.core.amend import amend
from yardcliff.core.built.as_built import drilled, row_of
from yardcliff.core.built.hands import Hours, pace_of, taught
from yardcliff.core.built.measured import Readings, measured, subjects
from yardcliff.core.built.ways_out import WayOut, ways_out
from yardcliff.core.design import Design, design
from yardcliff.core.families import Brief, starting
from yardcliff.core.listing import shipped_item
from yardcliff.core.making.making import making
from yardcliff.core.making.shop import Shop
from yardcliff.core.timber.stock import Supply, read_stick
from yardcliff.core.timber.timber import priced

START = datetime(2026, 11, 26, 18)


def planned(item: str = "waxed-jacket", count: int = 5, **patch: object) -> Design:
    return design(amend(starting([(shipped_item(item), count)], "1 mm"), patch))


def mm(**readings: int | Fraction) -> Readings:
    """Readings by what they are of, `h` before a hole's number, `_` for the point."""
    return {what.removeprefix("h").replace("_", "."): Fraction(x) for what, x in readings.items()}


def out(done: Design, readings: Readings, what: str, stock: Supply = Supply()) -> dict[str, WayOut]:  # noqa: B008 (frozen)
    made = making(done, priced(done, stock), Shop(), START, {})
    subject = next(one for one in subjects(done) if one.what == what)
    return {way.code: way for way in ways_out(done, readings, subject, stock, made)}


def test_what_is_measured_is_held_against_the_plan() -> None:
    done = planned()  # axes at 130, 390, 650, 910 and 1170 of 1300
    assert done.rack.row.axes[:2] == (130, 390)
    found = measured(done, mm(board=1300, h1=131, h2=396))
    assert [(one.subject.what, one.off, one.good) for one in found.rows[:3]] == [
        ("board", 0, True),
        ("1", 1, True),
        ("2", 6, False),
    ]
    assert (found.rows[3].found, found.rows[3].good) == (None, True)
    assert found.drift == Fraction(7, 2)
    # The third jacket hangs where it is planned: the gap before it shrank by 6.
    assert found.air == done.rack.row.air - 6
    assert not measured(done, mm(board=1280)).rows[0].good
    nothing = measured(done, {})
    assert (nothing.drift, nothing.air) == (None, done.rack.row.air)


def test_a_stray_hole_has_ways_out_with_their_price() -> None:
    done = planned()
    built = mm(h2=404)
    board = read_stick({"wide": "120 mm", "thick": "21 mm", "long": "1400 mm"})
    ways = out(done, built, "2", supply(offer("1800 mm", "7.00"), sticks=(board,)))
    assert ways["adopt"].axes == (130, 404, 650, 910, 1170)
    assert ways["adopt"].even == 14
    # Nothing else is drilled: all of them may move along, and the row stays even.
    assert ways["shift"].axes == (144, 404, 664, 924, 1184)
    # Held at 404, with the ends as they were: 274 to it, then thirds of what is left.
    assert ways["respace"].axes == (130, 404, 404 + Fraction(766, 3), 404 + Fraction(1532, 3), 1170)
    assert ways["plug"].axes == done.rack.row.axes
    assert (ways["plug"].patch, ways["plug"].minutes) == (None, 15)
    assert (ways["anew"].says, ways["anew"].cost) == ("From softwood board 120 mm × 21 mm, 1400 mm, on hand.", 0)
    assert ways["anew"].minutes > 0
    assert out(done, built, "2", supply(offer("1800 mm", "7.00")))["anew"].cost == 700
    # With another one drilled, moving them all would move that too.
    both = out(done, mm(h1=130, h2=404), "2")
    assert "shift" not in both
    assert both["plug"].patch
    assert both["plug"].patch["row"]["pins"][:2] == [{"index": 0, "at": "130 mm"}, {"index": 1, "at": "390 mm"}]


@pytest.mark.parametrize(("price", "anew_first"), [("0.00", True), ("1.00", False)])
def test_ways_out_are_ranked_by_millimetres_minutes_and_money(price: str, anew_first: bool) -> None:
    # To take 16 out of even as it is, with something to look at: 31. A new board takes 30 minutes, and 1.00 is worth two.
    ways = out(planned(), mm(h2=406), "2", supply(offer("1800 mm", price)))
    assert (ways["adopt"].even, ways["adopt"].cares, ways["anew"].minutes) == (16, 1, 30)
    assert (list(ways).index("anew") < list(ways).index("adopt")) == anew_first


def test_a_reading_from_the_other_end_or_in_the_wrong_line_is_told_before_wood_is_touched() -> None:
    done = planned()  # 130, 390, 650, 910 and 1170 of 1300
    slips = {
        "911": "From the right end that is 390 mm, where it is planned: hook the tape at the left end.",
        "1170": "Hole 5 is planned just there: is the figure in its own line?",
    }
    for read, says in slips.items():
        ways = out(done, mm(h2=int(read)), "2")
        assert (next(iter(ways)), ways["misread"].says) == ("misread", says)
        assert (ways["misread"].patch, ways["misread"].clears) == (None, ("2",))
    assert "misread" not in out(done, mm(h2=404), "2")
    assert "misread" not in out(done, mm(h3=652), "3"), "the middle is the middle from either end"


def test_a_plate_hides_a_hole_that_is_under_it_and_far_enough_from_the_new_one() -> None:
    done = planned()
    wide = done.rack.glyph.width
    off = wide / 2 - 6
    assert "hide" in out(done, mm(h2=390 + off), "2")
    assert "hide" not in out(done, mm(h2=390 + wide), "2"), "it would show"
    assert "hide" not in out(done, mm(h2=392), "2"), "the new hole would run into it"


def test_a_board_cut_short_is_adopted_or_hangs_one_less() -> None:
    done = planned(row={"air": "60 mm"})
    length = done.rack.row.length
    ways = out(done, mm(board=length - 70), "board")
    assert ways["adopt"].long == ways["fewer"].long == ways["ends"].long == length - 70
    assert len(ways["fewer"].axes) == 4
    assert ways["fewer"].air > ways["adopt"].air
    assert "plug" not in ways
    # A board that is too long is cut again, or its spaces grow; nobody hangs one less for that.
    longer = out(done, mm(board=length + 40), "board")
    assert longer.keys() == {"trim", "adopt", "anew"}
    assert (longer["trim"].patch, longer["trim"].axes, longer["adopt"].long) == (None, done.rack.row.axes, length + 40)
    assert longer["adopt"].says == "The board is 40 mm longer: the spaces grow with it."
    drilled = out(done, mm(board=length - 70, h1=done.rack.row.axes[0]), "board")
    assert drilled["adopt"].axes[0] == done.rack.row.axes[0]
    assert "fewer" not in drilled


def test_a_row_below_is_held_by_itself_and_the_rows_beside_it_stay() -> None:
    done = planned("felt-hat", 5, family="panel", rows={"count": 2})
    plan = done.rack.row.axes
    names = [one.title for one in subjects(done)]
    assert names[:2] == ["the board", "row 1, hole 1"]
    assert names[-1] == f"row 2, hole {len(plan)}"
    at = plan[1] + 12
    below = out(done, {"2.2": at}, "2.2")
    assert below["adopt"].axes == (plan[0], at, *plan[2:])
    assert below["adopt"].patch
    after = design(amend(done.brief, below["adopt"].patch)).rack
    assert after.rows[0].row.axes == plan, "the row above stays as it was"
    # One row drives the next: a hole of the first that is adopted must not draw the second along.
    above = out(done, {"2": at, "2.3": plan[2] + 1}, "2")
    assert above["adopt"].patch
    both = design(amend(done.brief, above["adopt"].patch)).rack.rows
    assert [one.row.axes for one in both] == [(plan[0], at, *plan[2:]), (*plan[:2], plan[2] + 1, *plan[3:])]
    # Spaced anew, a row that nothing is drilled in yet follows: its hooks stay under those above.
    spaced = out(done, {"2": at}, "2")["respace"].patch
    assert spaced
    one, other = design(amend(done.brief, spaced)).rack.rows
    assert one.row.axes == other.row.axes != plan


def test_holes_in_two_uprights_have_to_be_level() -> None:
    done = planned("walking-poles", 4, family="stile-pair")
    rack = done.rack
    assert rack.together
    at = rack.row.axes[1] + 9
    assert out(done, {"2.2": at}, "2.2").keys() >= {"adopt", "respace", "shift"}
    paired = out(done, {"2.2": at, "2": rack.row.axes[1] + 1}, "2.2")
    assert paired.keys() == {"plug", "anew"}
    assert paired["plug"].axes[1] == rack.row.axes[1] + 1
    assert "2" not in paired["anew"].clears


@settings(max_examples=40)
@given(briefs, st.data())
def test_every_way_out_leaves_drilled_holes_where_they_are_and_is_as_it_says(brief: Brief, data: st.DataObject) -> None:
    done = design(brief)
    rows = [one.row for one in done.rack.rows]
    assume(len(done.rack.holders) <= 40 and all(min(row.axes) >= 30 and max(row.axes) < 29_000 for row in rows))
    holes = [one for one in subjects(done) if one.place is not None]
    picked = data.draw(
        st.lists(st.sampled_from(holes), min_size=1, max_size=5, unique_by=lambda one: (row_of(done, one), one.place))
    )
    built = {one.what: one.planned + data.draw(st.integers(-30, 30)) for one in picked}
    made = making(done, priced(done, Supply()), Shop(), START, {})
    ways = ways_out(done, built, picked[0], Supply(), made)
    assert [way.stops for way in ways] == sorted(way.stops for way in ways)
    for way in ways:
        again = design(amend(brief, way.patch)) if way.patch else done
        k = row_of(done, picked[0])
        assert again.rack.rows[k].row.axes == way.axes
        if way.patch is None:
            assert way.code in ("anew", "misread") or k not in drilled(done, built, but=picked[0])
            continue
        now = {one.what: one.planned for one in subjects(again)}
        assert {what: now[what] for what in built if what not in way.clears} == {
            what: x for what, x in built.items() if what not in way.clears
        }, way.code


def test_the_usual_drift_is_not_moved_by_one_bad_hole() -> None:
    assert taught([Fraction(1), Fraction(1), Fraction(40)]) == 1
    assert taught([Fraction(1), Fraction(2), Fraction(3), Fraction(90)]) == Fraction(5, 2)
    assert taught([Fraction(1)] * 2) is None


def test_racks_that_are_up_teach_the_pace_by_what_was_reckoned_without_it() -> None:
    half, slow, quick = (
        Hours("a", 200, 200, 90, up=False),
        Hours("b", 200, 200, 260, up=True),
        Hours("c", 300, 200, 180, up=True),
    )
    assert pace_of([half]) is None
    assert pace_of([half, slow]) == 130
    # At 150 % its plan was 300 minutes of 200 by rule of thumb: 440 minutes of 400 in all.
    assert pace_of([half, slow, quick]) == 110
    assert pace_of([Hours("d", 10, 10, 9000, up=True)]) == 400
