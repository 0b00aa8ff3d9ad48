"""Measured against planned, and ways out: what is drilled stays, each way is as it says, the least harmful comes first."""

from datetime import datetime
from fractions import Fraction

from hypothesis import assume, given, settings
from hypothesis import strategies as st

from tests.core.test_timber import offer, supply
from tests.strategies import briefs
from yardcliff.core.amend import amend
from yardcliff.core.built.measured import Built, measured
from yardcliff.core.built.ways_out import WayOut, taught, ways_out
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


def out(done: Design, built: Built, place: int | None, stock: Supply = Supply()) -> dict[str, WayOut]:  # noqa: B008 (frozen)
    made = making(done, priced(done, stock), Shop(), START, {})
    return {way.code: way for way in ways_out(done, built, place, stock, made)}


def test_what_is_measured_is_held_against_the_plan() -> None:
    done = planned()  # axes at 130, 390, 650, 910 and 1170 of 1300
    assert done.rack.row.axes[:2] == (130, 390)
    found = measured(done, Built(Fraction(1300), {0: Fraction(131), 1: Fraction(396)}))
    assert [(one.what, one.off, one.good) for one in found.rows[:3]] == [
        ("board", 0, True),
        ("1", 1, True),
        ("2", 6, False),
    ]
    assert (found.rows[3].found, found.rows[3].good) == (None, True)
    assert found.drift == Fraction(7, 2)
    # The third jacket hangs where it is planned: the gap before it shrank by 6.
    assert found.air == done.rack.row.air - 6
    assert not measured(done, Built(Fraction(1280))).rows[0].good
    nothing = measured(done, Built())
    assert (nothing.drift, nothing.air) == (None, done.rack.row.air)


def test_a_stray_hole_has_ways_out_with_their_price() -> None:
    done = planned()
    built = Built(drilled={1: Fraction(404)})
    board = read_stick({"wide": "120 mm", "thick": "21 mm", "long": "1400 mm"})
    ways = out(done, built, 1, supply(offer("1800 mm", "7.00"), sticks=(board,)))
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
    assert out(done, built, 1, supply(offer("1800 mm", "7.00")))["anew"].cost == 700
    # With another one drilled, moving them all would move that too.
    both = out(done, Built(drilled={0: Fraction(130), 1: Fraction(404)}), 1)
    assert "shift" not in both
    assert both["plug"].patch
    assert both["plug"].patch["row"]["pins"][:2] == [{"index": 0, "at": "130 mm"}, {"index": 1, "at": "390 mm"}]


def test_a_plate_hides_a_hole_that_is_under_it_and_far_enough_from_the_new_one() -> None:
    done = planned()
    wide = done.rack.glyph.width
    off = wide / 2 - 6
    assert "hide" in out(done, Built(drilled={1: 390 + off}), 1)
    assert "hide" not in out(done, Built(drilled={1: 390 + wide}), 1), "it would show"
    assert "hide" not in out(done, Built(drilled={1: Fraction(392)}), 1), "the new hole would run into it"


def test_a_board_cut_short_is_adopted_or_hangs_one_less() -> None:
    done = planned(row={"air": "60 mm"})
    length = done.rack.row.length
    ways = out(done, Built(length - 70), None)
    assert ways["adopt"].long == ways["fewer"].long == ways["ends"].long == length - 70
    assert len(ways["fewer"].axes) == 4
    assert ways["fewer"].air > ways["adopt"].air
    assert "plug" not in ways
    # A board that is too long is cut again, or its spaces grow; nobody hangs one less for that.
    longer = out(done, Built(length + 40), None)
    assert longer.keys() == {"trim", "adopt", "anew"}
    assert (longer["trim"].patch, longer["trim"].axes, longer["adopt"].long) == (None, done.rack.row.axes, length + 40)
    assert longer["adopt"].says == "The board is 40 mm longer: the spaces grow with it."
    drilled = out(done, Built(length - 70, {0: done.rack.row.axes[0]}), None)
    assert drilled["adopt"].axes[0] == done.rack.row.axes[0]
    assert "fewer" not in drilled


@settings(max_examples=40)
@given(briefs, st.data())
def test_every_way_out_leaves_drilled_holes_where_they_are_and_is_as_it_says(brief: Brief, data: st.DataObject) -> None:
    done = design(brief)
    row = done.rack.row
    assume(row.holders <= 20 and min(row.axes) >= 30 and max(row.axes) < 29_000)
    off = st.integers(-30, 30).map(Fraction)
    places = data.draw(st.sets(st.integers(0, row.holders - 1), min_size=1, max_size=4))
    built = Built(drilled={k: row.axes[k] + data.draw(off) for k in places})
    place = data.draw(st.sampled_from(sorted(places)))
    made = making(done, priced(done, Supply()), Shop(), START, {})
    ways = ways_out(done, built, place, Supply(), made)
    assert [(way.stops, way.cares) for way in ways] == sorted((way.stops, way.cares) for way in ways)
    for way in ways:
        again = design(amend(brief, way.patch)) if way.patch else done
        if way.patch:
            assert again.rack.row.axes == way.axes
        if way.code == "anew":
            continue
        kept = {k: x for k, x in built.holes.items() if k != place or way.code in ("adopt", "respace", "shift")}
        if way.patch is None:
            assert not kept
        assert all(way.axes[k] == x for k, x in kept.items()), way.code


def test_the_usual_drift_is_not_moved_by_one_bad_hole() -> None:
    assert taught([Fraction(1), Fraction(1), Fraction(40)]) == 1
    assert taught([Fraction(1), Fraction(2), Fraction(3), Fraction(90)]) == Fraction(5, 2)
    assert taught([Fraction(1)] * 2) is None
