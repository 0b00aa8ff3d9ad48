"""One row: worked cases with figures of our own, and what must hold for any row."""

from itertools import pairwise

import pytest
from hypothesis import given, settings

from tests.strategies import reaches, rows, tapes
from yardcliff.core.exact import Fraction
from yardcliff.core.ladder import ladder
from yardcliff.core.length import Tape, read
from yardcliff.core.marks import drift, marks
from yardcliff.core.spacing import (
    NOTHING,
    Ends,
    Pin,
    Reach,
    RowBrief,
    counts_that_fit,
    end_terms,
    length_for,
    needed_pitch,
    solve,
)


def inches(*texts: str) -> list[Fraction]:
    return [read(text, "in") for text in texts]


def reach(half: int) -> Reach:
    return Reach(Fraction(half), Fraction(half))


@pytest.mark.parametrize(
    ("asked", "fixture", "expected"),
    [
        # 33 in of board, 6 hooks, 1 1/2 in at each end: five spaces share 30 in.
        ({"ends": Ends(rule="margin", left=Fraction("38.1"), right=Fraction("38.1"))}, 0, ("1 1/2", "6", "31 1/2")),
        ({"ends": Ends(rule="half")}, 0, ("2 3/4", "5 1/2", "30 1/4")),
        ({"ends": Ends(rule="whole")}, 0, ("33/7", "33/7", "6*33/7")),
        # Six plates of 20 mm leave 838.2 - 120 = 718.2 mm, a seventh of it in each gap.
        ({"ends": Ends(rule="gaps")}, 10, ("112.6 mm", "122.6 mm", "725.6 mm")),
    ],
)
def test_each_end_rule_by_hand(asked: dict[str, Ends], fixture: int, expected: tuple[str, ...]) -> None:
    brief = RowBrief(follows="pitch", count=6, length=read("33 in"), **asked)
    row = solve(brief, NOTHING, reach(fixture))
    first, pitch, last = (
        Fraction(33, 7) * Fraction("25.4") * (6 if "6*" in text else 1) if "33/7" in text else read(text, "in")
        for text in expected
    )
    assert (row.axes[0], row.pitch, row.axes[-1]) == (first, pitch, last)


def test_inside_keeps_the_item_over_the_board_and_overhang_lets_it_out() -> None:
    item = Reach(Fraction(90), Fraction(40))
    brief = RowBrief(follows="pitch", count=4, length=Fraction(1000), ends=Ends(rule="inside"))
    assert solve(brief, item, reach(5)).axes[0] == 90
    assert solve(brief, item, reach(5)).axes[-1] == 960
    loose = brief.model_copy(update={"ends": Ends(rule="inside", overhang=Fraction(50))})
    assert solve(loose, item, reach(5)).axes[0] == 40
    assert solve(loose, item, reach(5)).axes[-1] == 995, "the fixture itself stays on"


def test_length_pitch_and_ends_that_do_not_divide() -> None:
    asked = RowBrief(
        follows="count",
        length=read("33 in"),
        pitch=read("7 in"),
        ends=Ends(rule="margin", left=read("2 in"), right=read("2 in")),
    )
    even = solve(asked, NOTHING, NOTHING)
    assert (even.count, even.pitch, even.left) == (5, read("7.25 in"), read("2 in"))
    held = solve(asked.model_copy(update={"spacing": "set"}), NOTHING, NOTHING)
    assert (held.count, held.pitch, held.left, held.right) == (5, read("7 in"), read("2.5 in"), read("2.5 in"))
    tidy = solve(asked.model_copy(update={"spacing": "tidy", "tidy": read("1/2 in")}), NOTHING, NOTHING)
    assert (tidy.count, tidy.pitch, tidy.left) == (5, read("7 in"), read("2.5 in"))


def test_a_tidy_pitch_never_eats_the_air_where_the_board_can_grow() -> None:
    row = solve(
        RowBrief(follows="length", spacing="tidy", tidy=Fraction(10), count=3, air=Fraction(7)), reach(50), NOTHING
    )
    assert row.pitch == 110
    assert row.length == 330


def test_pins_hold_and_the_rest_is_even_between_them() -> None:
    brief = RowBrief(follows="pitch", count=5, length=Fraction(1000), pins=(Pin(index=2, at=Fraction(420)),))
    row = solve(brief, NOTHING, NOTHING)
    assert row.axes == (100, 260, 420, 660, 900)
    assert row.unevenness == 40
    assert row.tightest == 160


def test_one_holder_stands_in_the_middle_of_what_the_ends_leave() -> None:
    brief = RowBrief(
        follows="pitch",
        count=1,
        length=Fraction(500),
        ends=Ends(rule="margin", left=Fraction(100), right=Fraction(50)),
    )
    assert solve(brief, NOTHING, NOTHING).axes == (275,)


def test_stepping_off_a_rounded_pitch_drifts_and_measuring_does_not() -> None:
    tape = Tape.named("1/8 in")
    row = solve(RowBrief(follows="pitch", count=12, length=read("41 in")), NOTHING, NOTHING)
    # 41/12 = 3.4167 in is 3 3/8 on this tape: 0.0417 in short at each of 11 steps.
    assert drift(row, tape, 11) == (read("1 3/4 in") - read("41 in") / 24) - 11 * (
        read("41 in") / 12 - read("3 3/8 in")
    )
    assert abs(drift(row, tape, 11)) > read("3/8 in")
    assert max(abs(mark.error) for mark in marks(row, tape)) <= tape.step / 2


@given(brief=rows, item=reaches, fixture=reaches, tape=tapes)
@settings(max_examples=400)
def test_any_row_solves_draws_and_marks_truly(brief: RowBrief, item: Reach, fixture: Reach, tape: Tape) -> None:
    row = solve(brief, item, fixture)
    assert len(row.axes) == row.count
    assert row.length > 0
    for mark, axis in zip(marks(row, tape), row.axes, strict=True):
        assert mark.exact == axis
        assert abs(mark.error) <= tape.step / 2
        assert mark.reading == tape.round(axis)
        assert mark.from_end == row.length - axis
    if not row.pins:
        assert {b - a for a, b in pairwise(row.axes)} <= {row.pitch}
        assert row.unevenness == 0
    for pin in row.pins:
        assert row.axes[pin.index] == pin.at
    if brief.follows != "nothing" and not row.trouble:
        # The one equation: ends and spaces add up to the board, whatever was solved for.
        filled = row.left + (row.count - 1) * row.pitch + row.right
        # A board is never narrower than its fixture, nor less than a millimetre.
        assert row.length == (max(filled, fixture.across, 1) if brief.follows == "length" else filled)
    assert len({rung.row.count for rung in ladder(row)}) == 7


@given(brief=rows, item=reaches, fixture=reaches)
@settings(max_examples=300)
def test_length_for_a_count_and_count_for_that_length_agree(brief: RowBrief, item: Reach, fixture: Reach) -> None:
    asked = brief.model_copy(update={"follows": "length", "spacing": "even", "pitch": None, "pins": ()})
    by_count = solve(asked, item, fixture)
    terms = end_terms(asked.ends, item, fixture)
    if terms.fixed + terms.spans(by_count.count) * by_count.need != by_count.length:
        return  # the board was held at the fixture's own width
    back = solve(asked.model_copy(update={"follows": "count", "length": by_count.length}), item, fixture)
    assert (back.count, back.pitch, back.axes) == (by_count.count, by_count.pitch, by_count.axes)
    assert counts_that_fit(back) == by_count.count
    assert length_for(back, by_count.count) == by_count.length


@given(brief=rows, item=reaches, fixture=reaches)
@settings(max_examples=200)
def test_turned_end_for_end_the_row_is_its_mirror(brief: RowBrief, item: Reach, fixture: Reach) -> None:
    turned_ends = brief.ends.model_copy(update={"left": brief.ends.right, "right": brief.ends.left})
    # "nothing" counts from the datum, so it has no mirror.
    follows = "pitch" if brief.follows == "nothing" else brief.follows
    plain = brief.model_copy(update={"pins": (), "follows": follows})
    row = solve(plain, item, fixture)
    turned = solve(
        plain.model_copy(update={"ends": turned_ends}),
        Reach(item.right, item.left),
        Reach(fixture.right, fixture.left),
    )
    if row.trouble == "no-room" or row.left + (row.count - 1) * row.pitch + row.right != row.length:
        return
    assert [row.length - axis for axis in reversed(row.axes)] == list(turned.axes)


@given(brief=rows, item=reaches, fixture=reaches)
@settings(max_examples=200)
def test_what_follows_pitch_needs_never_overlaps(brief: RowBrief, item: Reach, fixture: Reach) -> None:
    need = needed_pitch(item, fixture, brief.air, brief.fixture_gap)
    for follows in ("length", "count", "ends"):
        row = solve(brief.model_copy(update={"follows": follows, "pitch": None, "pins": ()}), item, fixture)
        if not row.trouble and row.count > 1:
            assert row.tightest >= need
            assert row.air >= brief.air
