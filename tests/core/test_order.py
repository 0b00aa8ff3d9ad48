"""Reordering: what is called proved is as good as trying every order, and pins keep
their things.
"""

from itertools import permutations

from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from tests.strategies import KINDS, reaches, rows, things
from yardcliff.core.row.order import Aim, reorder
from yardcliff.core.row.row import Row, lay_out
from yardcliff.core.row.row_brief import Ends, RowBrief
from yardcliff.core.row.spacing import solve
from yardcliff.core.things.thing import Reach, Thing, Things
from yardcliff.core.units.exact import Fraction


def measured(row: Row, order: tuple[str, ...], aim: Aim) -> Fraction:
    spacing = "air" if row.brief.spacing == "air" else "even"
    things = Things(row.things_of.kinds, order, row.things_of.facing, row.things_of.spares)
    layout = lay_out(
        row.brief.model_copy(update={"spacing": spacing}), things, row.fixture, len(order)
    )
    return layout.need if aim == "pitch" else layout.length(layout.need)


@given(
    brief=rows,
    kinds=st.tuples(things, things, things),
    order=st.lists(st.sampled_from(KINDS), min_size=2, max_size=5),
    facing=st.sampled_from(["given", "turned", "pairs", "mirrored"]),
    fixture=reaches,
    aim=st.sampled_from(["length", "pitch"]),
)
@cases(200)
def test_no_order_beats_a_proved_one(
    brief: RowBrief,
    kinds: tuple[Thing, ...],
    order: list[str],
    facing: str,
    fixture: Reach,
    aim: Aim,
) -> None:
    asked = brief.model_copy(update={"count": len(order), "follows": "length"})
    row = solve(asked, Things(dict(zip(KINDS, kinds, strict=True)), tuple(order), facing), fixture)  # type: ignore[arg-type]
    found = reorder(row, aim)
    assert sorted(found.order) == sorted(order)
    assert found.after == measured(row, found.order, aim) <= found.before
    pinned = {pin.index for pin in row.pins}
    held = [
        place
        for place, (thing, first) in enumerate(zip(row.things, row.rule.first_holder, strict=True))
        if pinned & set(range(first, first + thing.holders))
    ]
    assert all(found.order[place] == order[place] for place in held)
    if found.proved:
        others = {o for o in permutations(order) if all(o[place] == order[place] for place in held)}
        best = min(measured(row, other, aim) for other in others)
        assert abs(found.after - best) < Fraction(1, 1000), "costs are compared to the nanometre"


NARROW = Reach(Fraction(0), Fraction(0))


def twelve(rule: str) -> Row:
    kinds = {f"k{i}": Thing(Reach(Fraction(20 + 7 * i), Fraction(150 - 9 * i))) for i in range(13)}
    names = tuple(sorted(kinds, key=lambda name: int(name[1:]) * 5 % 13))
    brief = RowBrief(count=12, air=Fraction(20), ends=Ends.model_validate({"rule": rule}))
    return solve(brief, Things(kinds, names[:12]), Reach(Fraction(40), Fraction(40)))


def test_twelve_different_things_are_proved_and_more_are_said_not_to_be() -> None:
    for rule in ("half", "inside"):
        assert reorder(twelve(rule), "length").proved
    kinds = {f"k{i}": Thing(Reach(Fraction(20 + 7 * i), Fraction(150 - 5 * i))) for i in range(18)}
    row = solve(RowBrief(count=18), Things(kinds, tuple(kinds)), Reach(Fraction(40), Fraction(40)))
    found = reorder(row, "pitch")
    assert not found.proved
    assert found.after < found.before


def test_what_may_hang_past_the_end_costs_no_board_there() -> None:
    kinds = {
        "": Thing(Reach(Fraction(10), Fraction(10))),
        "wide": Thing(Reach(Fraction(80), Fraction(10))),
    }
    ends = Ends(rule="inside", overhang=Fraction(70))
    row = solve(RowBrief(count=2, air=Fraction(5), ends=ends), Things(kinds, ("", "wide")), NARROW)
    found = reorder(row, "length")
    # Reaching out over the end it takes 10 of board there and 25 to the next, instead of 95 the
    # other way round.
    assert (found.order, found.before, found.after) == (("wide", ""), 95, 35)
