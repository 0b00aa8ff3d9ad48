"""Story sticks, jigs, families of lengths, and designs side by side."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from tests.metric import starting_brief
from tests.strategies import rows
from yardcliff.core.design.change import amend
from yardcliff.core.design.comparison import compare
from yardcliff.core.design.rack_design import design
from yardcliff.core.row.marking_aids import AidError, drilling_jig, family, story_stick
from yardcliff.core.row.row_brief import RowBrief
from yardcliff.core.row.spacing import solve
from yardcliff.core.things.thing import Reach, Thing, Things
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.ways import solve_row

MM = Tape.named("1 mm")
MUGS = starting_brief("enamel-mug", 7, "1 mm")
UNEVEN = amend(MUGS, {"row": {"ends": {"rule": "margin", "left": "60 mm", "right": "95 mm"}}})


def test_a_matched_pair_carries_the_same_marks_and_a_mirrored_one_its_own() -> None:
    row = solve_row(UNEVEN)
    first, same = story_stick([("mugs", row)], MM, "matched").lanes
    assert (same.ticks, same.datum) == (first.ticks, "left")
    first, other = story_stick([("mugs", row)], MM, "mirrored").lanes
    assert other.datum == "right"
    assert [row.length - tick.at for tick in reversed(other.ticks)] == [
        tick.at for tick in first.ticks
    ]
    # Read from its own datum, the right end, each tick says what it says on the first board.
    assert [tick.label for tick in reversed(other.ticks)] == [tick.label for tick in first.ticks]
    with pytest.raises(AidError, match="5 boards do not fit"):
        story_stick([("a", row)] * 4, MM, "mirrored")


def test_a_jig_by_hand() -> None:
    # Pitch 115: four holes are 345 + 2 x 20 long; six spaces take two moves of three.
    jig = drilling_jig("mugs", solve_row(MUGS), MM, Fraction(12), 4)
    assert (jig.length, jig.moves, jig.error) == (385, 2, Fraction(1, 2))
    assert [tick.at for tick in jig.strip.lanes[0].ticks] == [20, 135, 250, 365]
    assert drilling_jig("mugs", solve_row(MUGS), MM, Fraction(12), 7).error == 0
    with pytest.raises(AidError, match="2 to 7 holes, not 8"):
        drilling_jig("mugs", solve_row(MUGS), MM, Fraction(12), 8)
    pinned = amend(MUGS, {"row": {"pins": [{"index": 2, "at": "270 mm"}]}})
    with pytest.raises(AidError, match="no"):
        drilling_jig("mugs", solve_row(pinned), MM, Fraction(12), 4)


@given(brief=rows, half=st.integers(1, 200), low=st.integers(1, 20))
@cases(150)
def test_a_family_keeps_its_spacing_and_each_member_is_a_row_of_its_own(
    brief: RowBrief, half: int, low: int
) -> None:
    reach = Reach(Fraction(half), Fraction(half + 7))
    row = solve(brief, Things({"": Thing(reach)}), Reach(Fraction(4), Fraction(4)))
    members = family(row, low, low + 5)
    assert [member.count for member in members] == list(range(low, low + 6))
    assert {member.t for member in members if not member.crammed} <= {
        row.t,
        max(row.t, Fraction(0)),
    }
    lengths = [member.length for member in members]
    assert lengths == sorted(lengths)


@pytest.mark.parametrize(("fewest", "most"), [(0, 3), (5, 4), (1, 41), (999, 1001)])
def test_a_family_out_of_bounds_is_said(fewest: int, most: int) -> None:
    with pytest.raises(AidError):
        family(solve_row(MUGS), fewest, most)


def test_side_by_side_says_which_is_better_in_what_and_what_differs() -> None:
    # 7 x 115 = 805 mm with 25 of air; on 700 mm the air is 10.
    short = amend(MUGS, {"row": {"length": "700 mm"}})
    results, decisions = compare([design(MUGS), design(short), design(short)])
    by_label = {trait.label: trait for trait in results}
    assert by_label["board"].texts == ("805 mm", "700 mm", "700 mm")
    assert by_label["board"].best == (1, 2)
    assert (by_label["smallest gap"].texts[1], by_label["smallest gap"].best) == ("10 mm", (0,))
    assert by_label["to check"].texts == ("0", "1", "1")
    assert by_label["things"].best == ()
    assert ("worked out", ("length", "spacing", "spacing")) in [
        (d.label, d.texts) for d in decisions
    ]
    assert compare([design(MUGS), design(MUGS)])[1] == ()
