"""Solving one row: length, count, spacing and ends, any one from the rest."""

from collections.abc import Callable
from math import floor

from yardcliff.core.base.model import MAX_COUNT
from yardcliff.core.row.row import ONE, ZERO, Layout, Row, Trouble, lay_out
from yardcliff.core.row.row_brief import RowBrief
from yardcliff.core.things.thing import Reach, Things
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import LONGEST


def solve(brief: RowBrief, things: Things, fixture: Reach) -> Row:
    """Solve one row. Never fails: what cannot be is drawn, and `findings` says what is wrong."""
    trouble: Trouble = ""
    length, spare = brief.length, ZERO
    if brief.follows == "count":
        count = most_that(lambda one: one.length(one.asked) <= length, brief, things, fixture)
        if count > MAX_COUNT:
            count, trouble = MAX_COUNT, "capped"
        layout = lay_out(brief, things, fixture, max(count, 1))
    else:
        layout = lay_out(brief, things, fixture, brief.count)
    terms, rule, t = layout.terms, layout.rule, layout.asked

    if brief.follows == "length":
        length = max(layout.length(t), fixture.across, ONE)
        if length > LONGEST:
            length, trouble = LONGEST, "too-long"
    elif brief.follows == "count" and brief.spacing == "set" and (rule.holders > 1 or terms.share):
        spare = length - layout.length(t)
    elif brief.follows in ("count", "pitch"):
        t, spare, trouble = _open(
            layout, length, layout.need if brief.follows == "pitch" else t, trouble
        )

    left = terms.a0 + terms.a1 * t + spare / 2
    right = terms.b0 + terms.b1 * t + spare / 2
    if brief.follows == "ends":
        left = right = (length - rule.span(t)) / 2
    elif trouble in ("no-room", "too-long"):  # crammed in, so that it can be drawn
        t = length / rule.holders
        left = right = t / 2
    elif brief.follows == "nothing":
        spare = length - left - right - rule.span(t)
        right += spare
    elif brief.follows in ("count", "pitch") and (rest := length - left - right - rule.span(t)):
        # One holder, or two at a given distance, have no pitch to open: the ends share what is left
        # over.
        spare, left, right = rest, left + rest / 2, right + rest / 2

    pins = tuple(
        sorted((p for p in brief.pins if p.index < rule.holders), key=lambda pin: pin.index)
    )
    return Row(brief, things, layout, length, t, left, right, spare, trouble, pins)


def _open(
    layout: Layout, length: Fraction, fallback: Fraction, trouble: Trouble
) -> tuple[Fraction, Fraction, Trouble]:
    """The t that fills the board by the end rule, and what a tidy pitch leaves over."""
    terms, brief, airy = layout.terms, layout.brief, layout.brief.spacing == "air"
    t = layout.rule.filling(length - terms.fixed, terms.share)
    if t is None:
        fits = length >= terms.fixed + layout.rule.span(fallback)
        return fallback, ZERO, trouble if fits else "no-room"
    if (t <= 0 and not airy) or terms.a0 + terms.a1 * t < 0 or terms.b0 + terms.b1 * t < 0:
        return fallback, ZERO, "no-room"
    if brief.spacing != "tidy" or t < brief.tidy:
        return t, ZERO, trouble
    tidy = floor(t / brief.tidy) * brief.tidy
    return tidy, (layout.rule.holders - 1 + terms.share) * (t - tidy), trouble


def most_that(
    fits: Callable[[Layout], bool], brief: RowBrief, things: Things, fixture: Reach, near: int = 3
) -> int:
    """The greatest count whose layout fits; 0 if none does, one more than `MAX_COUNT` if all do.

    `near` is a guess: it is sought outwards from there in growing strides, then between two of
    them.
    """

    def holds(count: int) -> bool:
        return fits(lay_out(brief, things, fixture, count))

    if not holds(2):  # one alone is given the room of a second like it: a pair may need less
        return 1 if holds(1) else 0
    low, high, stride = 2, MAX_COUNT + 2, 1
    if holds(near):
        low = near
        while low + stride < high and holds(low + stride):
            low, stride = low + stride, 2 * stride
        high = min(high, low + stride)
    else:
        high = near
        while high - stride > low and not holds(high - stride):
            high, stride = high - stride, 2 * stride
        low = max(low, high - stride)
    while high - low > 1:
        middle = (low + high) // 2
        low, high = (middle, high) if holds(middle) else (low, middle)
    return low


def counts_that_fit(row: Row) -> int:
    """The most things that the board takes with the asked air and end rule; 0 if none."""
    needed = row.layout.length(row.layout.fitting)
    near = min(max(floor(row.count * row.length / needed), 3), MAX_COUNT) if needed > 0 else 3
    fit = most_that(
        lambda one: one.length(one.fitting) <= row.length,
        row.brief,
        row.things_of,
        row.fixture,
        near,
    )
    return min(fit, MAX_COUNT)


def length_for(row: Row, count: int) -> Fraction:
    """The board that `count` things need with the asked air and end rule."""
    layout = lay_out(row.brief, row.things_of, row.fixture, count)
    return layout.length(layout.fitting)
