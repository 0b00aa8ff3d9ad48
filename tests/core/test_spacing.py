"""One row: worked cases with figures of our own, and what must hold for any row."""

from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from tests.strategies import alike, lengths, mixed, reaches, rows, tapes, things_of_a_kind
from yardcliff.core.row.count_ladder import ladder
from yardcliff.core.row.keepouts import KeepOut
from yardcliff.core.row.marking import drift, marks
from yardcliff.core.row.row import Row
from yardcliff.core.row.row_brief import Ends, Pin, RowBrief
from yardcliff.core.row.rows import RowsBrief
from yardcliff.core.row.spacing import counts_that_fit, length_for, solve
from yardcliff.core.things.thing import NOTHING, Reach, Thing, Things
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.length_text import read

BARE = alike(NOTHING)


def inches(*texts: str) -> list[Fraction]:
    return [read(text, "in") for text in texts]


def reach(half: int) -> Reach:
    return Reach(Fraction(half), Fraction(half))


@pytest.mark.parametrize(
    ("asked", "fixture", "expected"),
    [
        # 33 in of board, 6 hooks, 1 1/2 in at each end: five spaces share 30 in.
        (
            {"ends": Ends(rule="margin", left=Fraction("38.1"), right=Fraction("38.1"))},
            0,
            ("1 1/2", "6", "31 1/2"),
        ),
        ({"ends": Ends(rule="half")}, 0, ("2 3/4", "5 1/2", "30 1/4")),
        ({"ends": Ends(rule="whole")}, 0, ("33/7", "33/7", "6*33/7")),
        # Six plates of 20 mm leave 838.2 - 120 = 718.2 mm, a seventh of it in each gap.
        ({"ends": Ends(rule="gaps")}, 10, ("112.6 mm", "122.6 mm", "725.6 mm")),
    ],
)
def test_each_end_rule_by_hand(
    asked: dict[str, Ends], fixture: int, expected: tuple[str, ...]
) -> None:
    brief = RowBrief(follows="pitch", count=6, length=read("33 in"), **asked)
    row = solve(brief, BARE, reach(fixture))
    first, pitch, last = (
        (
            Fraction(33, 7) * Fraction("25.4") * (6 if "6*" in text else 1)
            if "33/7" in text
            else read(text, "in")
        )
        for text in expected
    )
    assert (row.axes[0], row.pitch, row.axes[-1]) == (first, pitch, last)


def test_inside_keeps_the_item_over_the_board_and_overhang_lets_it_out() -> None:
    item = Reach(Fraction(90), Fraction(40))
    brief = RowBrief(follows="pitch", count=4, length=Fraction(1000), ends=Ends(rule="inside"))
    assert solve(brief, alike(item), reach(5)).axes[0] == 90
    assert solve(brief, alike(item), reach(5)).axes[-1] == 960
    loose = brief.model_copy(update={"ends": Ends(rule="inside", overhang=Fraction(50))})
    assert solve(loose, alike(item), reach(5)).axes[0] == 40
    assert solve(loose, alike(item), reach(5)).axes[-1] == 995, "the fixture itself stays on"


def test_length_pitch_and_ends_that_do_not_divide() -> None:
    asked = RowBrief(
        follows="count",
        length=read("33 in"),
        pitch=read("7 in"),
        ends=Ends(rule="margin", left=read("2 in"), right=read("2 in")),
    )
    even = solve(asked, BARE, NOTHING)
    assert (even.count, even.pitch, even.left) == (5, read("7.25 in"), read("2 in"))
    held = solve(asked.model_copy(update={"spacing": "set"}), BARE, NOTHING)
    assert (held.count, held.pitch, held.left, held.right) == (
        5,
        read("7 in"),
        read("2.5 in"),
        read("2.5 in"),
    )
    tidy = solve(
        asked.model_copy(update={"spacing": "tidy", "tidy": read("1/2 in")}), BARE, NOTHING
    )
    assert (tidy.count, tidy.pitch, tidy.left) == (5, read("7 in"), read("2.5 in"))


def test_a_tidy_pitch_never_eats_the_air_where_the_board_can_grow() -> None:
    row = solve(
        RowBrief(follows="length", spacing="tidy", tidy=Fraction(10), count=3, air=Fraction(7)),
        alike(reach(50)),
        NOTHING,
    )
    assert row.pitch == 110
    assert row.length == 330


def test_pins_hold_and_the_rest_is_even_between_them() -> None:
    brief = RowBrief(
        follows="pitch", count=5, length=Fraction(1000), pins=(Pin(index=2, at=Fraction(420)),)
    )
    row = solve(brief, BARE, NOTHING)
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
    assert solve(brief, BARE, NOTHING).axes == (275,)


def test_stepping_off_a_rounded_pitch_drifts_and_measuring_does_not() -> None:
    tape = Tape.named("1/8 in")
    row = solve(RowBrief(follows="pitch", count=12, length=read("41 in")), BARE, NOTHING)
    # 41/12 = 3.4167 in is 3 3/8 on this tape: 0.0417 in short at each of 11 steps.
    assert drift(row, tape, 11) == (read("1 3/4 in") - read("41 in") / 24) - 11 * (
        read("41 in") / 12 - read("3 3/8 in")
    )
    assert abs(drift(row, tape, 11)) > read("3/8 in")
    assert max(abs(mark.error) for mark in marks(row, tape)) <= tape.step / 2


def test_even_air_by_hand() -> None:
    # Widths 230, 330, 90 and 40 between: 115 + (115 + 40 + 165) + (165 + 40 + 45) + 45 with 20 at
    # the ends.
    kinds = {"": Thing(reach(115)), "hat": Thing(reach(165)), "mug": Thing(reach(45))}
    things = Things(kinds, ("", "hat", "mug"))
    brief = RowBrief(spacing="air", count=3, air=Fraction(40), ends=Ends(rule="half"))
    row = solve(brief, things, reach(5))
    assert row.axes == (135, 455, 705)
    assert row.length == 770
    assert row.clear == (40, 40)
    # The same three on 860 mm: 90 more, shared by two gaps and two half ones.
    longer = solve(
        brief.model_copy(update={"follows": "pitch", "length": Fraction(860)}), things, reach(5)
    )
    assert longer.clear == (70, 70)
    assert longer.left == 150
    # One pitch for all has to suit the widest pair: 115 + 40 + 165.
    assert solve(brief.model_copy(update={"spacing": "even"}), things, reach(5)).pitch == 320


def test_fixtures_that_need_more_than_the_things_are_kept_apart() -> None:
    things = Things({"": Thing(reach(5)), "b": Thing(reach(60))}, ("", "", "b"))
    row = solve(RowBrief(spacing="air", count=3, air=Fraction(10)), things, reach(20))
    assert row.gaps == (40, 75)


def test_a_bridge_hangs_between_its_holders_and_a_wide_thing_leaves_one_free() -> None:
    kinds = {"": Thing(reach(50)), "sledge": Thing(reach(200), takes="bridge", span=Fraction(300))}
    things = Things(kinds, ("", "sledge", ""))
    row = solve(RowBrief(spacing="air", count=3, air=Fraction(30)), things, reach(10))
    # 50 + 30 + 200 to the sledge's middle, its holders 150 to each side of it.
    assert row.gaps == (130, 300, 130)
    assert row.centres == (row.axes[0], (row.axes[1] + row.axes[2]) / 2, row.axes[3])
    # On one pitch its middle is a space and a half away: (50 + 30 + 200) / 1.5.
    assert solve(RowBrief(count=3, air=Fraction(30)), things, reach(10)).pitch == Fraction(560, 3)
    wide = Things({"": Thing(reach(50)), "bag": Thing(reach(120), takes="two")}, ("bag", ""))
    row = solve(RowBrief(count=2, air=Fraction(30)), wide, reach(10))
    assert (row.holders, row.pitch) == (3, 100)


def test_mirrored_and_paired_things_turn_their_handles() -> None:
    handle = Things({"": Thing(Reach(Fraction(30), Fraction(80)))}, facing="mirrored")
    row = solve(RowBrief(spacing="air", count=4, air=Fraction(10)), handle, NOTHING)
    assert row.gaps == (120, 170, 120), "the handles meet in the middle"
    pairs = solve(
        RowBrief(spacing="air", count=4, air=Fraction(10)),
        Things(handle.kinds, facing="pairs"),
        NOTHING,
    )
    assert pairs.gaps == (170, 70, 170)


def keepout_row(**changes: object) -> Row:
    """Five axes at 100, 300, 500, 700, 900 on a metre; plates of 20."""
    given = {"count": 5, "length": "1000 mm", "follows": "pitch", **changes}
    return solve(RowBrief.model_validate(given), alike(reach(60)), reach(10))


def test_a_row_shifts_as_a_whole_before_one_holder_is_nudged() -> None:
    knot = keepout_row(keepouts=[{"at": "495 mm", "width": "30 mm"}])
    assert knot.given.shift == -15, "its plate ends where the knot begins"
    assert set(knot.gaps) == {200}
    # Others bar the way to both sides: the third holder alone moves, and how much is said.
    others = [{"at": "250 mm", "width": "40 mm"}, {"at": "715 mm", "width": "70 mm"}]
    alone = keepout_row(keepouts=[{"at": "495 mm", "width": "30 mm"}, *others], nudge="15 mm")
    assert alone.axes == (100, 300, 485, 700, 900)
    assert (alone.given.shift, alone.unevenness) == (0, 15)
    stuck = keepout_row(keepouts=[{"at": "0 mm", "width": "1000 mm"}])
    assert len(stuck.given.hits) == 5


def test_a_pinned_row_does_not_shift() -> None:
    row = keepout_row(
        keepouts=[{"at": "495 mm", "width": "30 mm"}], pins=[{"index": 0, "at": "100 mm"}]
    )
    assert (row.given.shift, row.axes[0], row.given.hits) == (0, 100, ((2, 0),))


@given(brief=rows, things=mixed, fixture=reaches, tape=tapes)
@cases(340)
def test_any_row_solves_draws_and_marks_truly(
    brief: RowBrief, things: Things, fixture: Reach, tape: Tape
) -> None:
    row = solve(brief, things, fixture)
    assert len(row.axes) == row.holders == sum(thing.holders for thing in row.things)
    assert row.length > 0
    for mark, axis in zip(marks(row, tape), row.axes, strict=True):
        assert mark.exact == axis
        assert abs(mark.error) <= tape.step / 2
        assert mark.reading == tape.round(axis)
        assert mark.from_end == row.length - axis
    if not row.uneven:
        if not row.airy:
            assert {b - a for a, b in pairwise(row.axes)} <= {row.t}
        assert row.unevenness == 0
    nudged = dict(row.given.nudges)
    for pin in row.pins:
        assert row.axes[pin.index] == pin.at
        assert pin.index not in nudged
    assert all(abs(by) <= brief.nudge for by in nudged.values())
    hit = {index for index, _ in row.given.hits}
    if all(b > a for a, b in pairwise(row.axes)):
        for index, axis in enumerate(row.axes):
            for out in brief.keepouts:
                clear = axis + fixture.right <= out.at or axis - fixture.left >= out.at + out.width
                assert clear or index in hit
    if brief.follows != "nothing" and not row.trouble:
        # The one equation: ends and spaces add up to the board, whatever was solved for.
        filled = row.left + row.rule.span(row.t) + row.right
        # A board is never narrower than its fixture, nor less than a millimetre.
        assert row.length == (
            max(filled, fixture.across, 1) if brief.follows == "length" else filled
        )
    assert len({rung.row.count for rung in ladder(row, RowsBrief())}) == 7


@given(brief=rows, things=mixed, fixture=reaches)
@cases(360)
def test_length_for_a_count_and_count_for_that_length_agree(
    brief: RowBrief, things: Things, fixture: Reach
) -> None:
    spacing = "air" if brief.spacing == "air" else "even"
    # Turning half the row may make one more thing cheaper than one fewer; by one kind of facing it
    # cannot.
    asked = brief.model_copy(
        update={"follows": "length", "spacing": spacing, "pitch": None, "pins": (), "keepouts": ()}
    )
    things = Things(things.kinds, things.order, "given", things.spares)
    by_count = solve(asked, things, fixture)
    if by_count.layout.length(by_count.need) != by_count.length:
        return  # the board was held at the fixture's own width
    assert length_for(by_count, by_count.count) == by_count.length
    back = solve(
        asked.model_copy(update={"follows": "count", "length": by_count.length}), things, fixture
    )
    assert back.count >= by_count.count
    if back.count == by_count.count and not back.trouble:
        assert back.axes == by_count.axes
    assert counts_that_fit(back) == back.count


@given(brief=rows, things=things_of_a_kind, fixture=reaches)
@cases(700)
def test_turned_end_for_end_the_row_is_its_mirror(
    brief: RowBrief, things: Things, fixture: Reach
) -> None:
    turned_ends = brief.ends.model_copy(update={"left": brief.ends.right, "right": brief.ends.left})
    # "nothing" counts from the datum, so it has no mirror; nor have a knot and a pin.
    follows = "pitch" if brief.follows == "nothing" else brief.follows
    plain = brief.model_copy(update={"pins": (), "keepouts": (), "follows": follows})
    row = solve(plain, things, fixture)
    turned = solve(
        plain.model_copy(update={"ends": turned_ends}),
        Things(things.kinds, facing="turned"),
        Reach(fixture.right, fixture.left),
    )
    if row.trouble == "no-room" or row.left + row.rule.span(row.t) + row.right != row.length:
        return
    assert [row.length - axis for axis in reversed(row.axes)] == list(turned.axes)


@given(brief=rows, things=mixed, fixture=reaches)
@cases(300)
def test_nothing_is_closer_than_its_air_when_the_spacing_may_follow(
    brief: RowBrief, things: Things, fixture: Reach
) -> None:
    free = brief.model_copy(update={"pitch": None, "pins": (), "keepouts": ()})
    for follows in ("length", "count", "ends"):
        row = solve(free.model_copy(update={"follows": follows}), things, fixture)
        if not row.trouble and row.count > 1 and (follows != "count" or row.t >= row.need):
            assert row.tightest >= fixture.across + brief.fixture_gap
            assert row.air >= brief.air


@given(
    brief=rows,
    things=things_of_a_kind,
    fixture=reaches,
    flaw=st.builds(KeepOut, at=lengths(0, 3000), width=lengths(1, 120)),
)
@cases(200)
def test_a_row_gives_way_as_little_as_it_can(
    brief: RowBrief, things: Things, fixture: Reach, flaw: KeepOut
) -> None:
    plain = solve(brief.model_copy(update={"keepouts": ()}), things, fixture)
    row = solve(brief.model_copy(update={"keepouts": (flaw,)}), things, fixture)
    assert len(row.axes) == len(plain.axes)
    moved = [b - a for a, b in zip(plain.axes, row.axes, strict=True)]
    nudged = dict(row.given.nudges)
    assert moved == [row.given.shift + nudged.get(i, 0) for i in range(len(moved))]
    if not row.given.hits and not nudged and row.given.shift:
        # A shift that small but for a hair, and to the other side as well, would not have done.
        half = abs(row.given.shift) / 2
        for by in (half, -half):
            bodies = [(axis + by - fixture.left, axis + by + fixture.right) for axis in plain.axes]
            off = bodies[0][0] < 0 or bodies[-1][1] > row.length
            assert off or any(
                right > flaw.at and left < flaw.at + flaw.width for left, right in bodies
            )
    if plain.pins:
        assert row.given.shift == 0
