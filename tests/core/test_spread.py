"""Spreads: the figure that fills a length is the one that spans it, for any things on
any holders.
"""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import TypeAdapter, ValidationError

from tests.cases import cases
from tests.metric import shipped
from tests.strategies import lengths, mixed, reaches
from yardcliff.core.row.spacing_rule import rule_of
from yardcliff.core.things.item import Weight
from yardcliff.core.things.listing import slug
from yardcliff.core.things.thing import Reach, Things
from yardcliff.core.units.exact import Fraction

shares = st.sampled_from([Fraction(0), Fraction(1, 2), Fraction(1), Fraction(2)])


@given(
    airy=st.booleans(),
    things=mixed,
    count=st.integers(1, 25),
    fixture=reaches,
    gap=lengths(0, 60),
    total=lengths(1, 9000),
    share=shares,
)
@cases(400)
def test_what_fills_a_length_spans_it(
    airy: bool,
    things: Things,
    count: int,
    fixture: Reach,
    gap: Fraction,
    total: Fraction,
    share: Fraction,
) -> None:
    spread = rule_of(airy, things.first(count), fixture, gap)
    t = spread.filling(total, share)
    offsets = spread.offsets(Fraction(40))
    assert len(offsets) == spread.holders
    assert offsets[-1] == spread.span(Fraction(40))
    assert spread.span(Fraction(41)) >= spread.span(Fraction(40)), (
        "more air or pitch never takes less board"
    )
    if t is not None:
        assert share * t + spread.span(t) == total
    if spread.holders > 1:
        assert sum(spread.steps(0, spread.holders - 1, total)) == total


@given(things=mixed, count=st.integers(0, 40))
def test_turning_twice_is_as_it_was_and_spares_are_the_last(things: Things, count: int) -> None:
    row = things.first(count)
    assert len(row) == count
    assert [thing.spare for thing in row] == [
        place >= count - things.spares for place in range(count)
    ]
    for thing in row:
        plain = things.kinds[thing.kind].reach
        assert thing.reach == (Reach(plain.right, plain.left) if thing.turned else plain)


@pytest.mark.parametrize(
    ("written", "grams"),
    [("1600", 1600), ("1.6 kg", 1600), ("1,6kg", 1600), ("3 lb", 1361), ("8 oz", 227), (0, 0)],
)
def test_a_weight_is_read_as_it_is_written(written: object, grams: int) -> None:
    assert TypeAdapter(Weight).validate_python(written) == grams


@pytest.mark.parametrize("written", ["", "heavy", "-1", "101 kg", "1 stone", True])
def test_what_is_no_weight_is_said(written: object) -> None:
    with pytest.raises(ValidationError, match="no weight up to 100 kg"):
        TypeAdapter(Weight).validate_python(written)


def test_keys_are_made_of_names_and_the_list_has_each_once() -> None:
    assert [slug(name) for name in ("Big Jug!", "  a  b ", "…", "x" * 60)] == [
        "big-jug",
        "a-b",
        "item",
        "x" * 40,
    ]
    keys = [entry.key for entry in shipped()]
    assert len(keys) == len(set(keys)) >= 60
    assert {entry.item.listed for entry in shipped()} == set(keys)
