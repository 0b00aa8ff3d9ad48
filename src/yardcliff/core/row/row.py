"""One solved row of holders on a board, and the equation that it is solved from.

What hangs is spread by one figure t (`rule`): the pitch, or the air where that is what is even.
Every end rule is linear in it: the left end is a0 + a1*t, the right end b0 + b1*t. So

    L = (a0 + b0) + (a1 + b1) * t + span(t)

is one equation for all rules; `spacing` solves it for whichever figure follows.
"""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from itertools import pairwise
from math import ceil, lcm
from typing import Literal

from yardcliff.core.row.keepouts import Given, give_way
from yardcliff.core.row.row_brief import Ends, Pin, RowBrief
from yardcliff.core.row.spacing_rule import EqualGaps, EvenSpacing, SpacingRule, rule_of
from yardcliff.core.things.thing import Reach, Run, Thing, Things
from yardcliff.core.units.exact import Fraction

Trouble = Literal["", "no-room", "too-long", "capped"]
ZERO, ONE, HALF = Fraction(0), Fraction(1), Fraction(1, 2)


@dataclass(frozen=True, slots=True)
class EndTerms:
    """The ends as linear functions of t: left = a0 + a1*t, right = b0 + b1*t."""

    a0: Fraction
    a1: Fraction
    b0: Fraction
    b1: Fraction

    @property
    def fixed(self) -> Fraction:
        return self.a0 + self.b0

    @property
    def share(self) -> Fraction:
        return self.a1 + self.b1


@dataclass(frozen=True)
class Layout:
    """One count of things, laid out but for how far apart: the equation of its length."""

    brief: RowBrief
    fixture: Reach
    rule: SpacingRule
    terms: EndTerms

    @cached_property
    def need(self) -> Fraction:
        """The least t that the things and their fixtures allow."""
        return self.rule.least(self.brief.air)

    @cached_property
    def asked(self) -> Fraction:
        """The t to lay out with: the user's, or as close as the things allow.

        A tidy pitch is rounded up where the length or the count can give way: down would eat the
        air.
        """
        asked = (
            self.need
            if self.brief.pitch is None or self.brief.spacing == "air"
            else self.brief.pitch
        )
        return self._tidied(asked) if self.brief.follows in ("length", "count") else asked

    @property
    def fitting(self) -> Fraction:
        """The least t that the spacing rule can give and that is enough."""
        return self._tidied(self.need)

    def _tidied(self, t: Fraction) -> Fraction:
        return ceil(t / self.brief.tidy) * self.brief.tidy if self.brief.spacing == "tidy" else t

    def length(self, t: Fraction) -> Fraction:
        return self.terms.fixed + self.terms.share * t + self.rule.span(t)


@dataclass(frozen=True)
class Row:
    """A solved row. Lengths in mm, from the datum: the board's left end, or the foot of one that
    stands.

    `trouble` is "no-room" when the ends eat the board, "capped" when the count was held down;
    the row then still has axes to draw. `spare` is what the pitch left over for the ends to take,
    `t` the pitch or the even air.
    """

    brief: RowBrief
    things_of: Things
    layout: Layout
    length: Fraction
    t: Fraction
    left: Fraction
    right: Fraction
    spare: Fraction
    trouble: Trouble
    pins: tuple[Pin, ...]

    @property
    def fixture(self) -> Reach:
        return self.layout.fixture

    @property
    def rule(self) -> SpacingRule:
        return self.layout.rule

    @property
    def run(self) -> Run:
        return self.things_of.run

    @property
    def things(self) -> tuple[Thing, ...]:
        return self.rule.things

    @property
    def count(self) -> int:
        """How many things hang, spare places included."""
        return len(self.things)

    @property
    def holders(self) -> int:
        return self.rule.holders

    @property
    def crammed(self) -> bool:
        """Whether the holders only share the board out: there is no room for them, or no board so
        long.
        """
        return self.trouble in ("no-room", "too-long")

    @property
    def airy(self) -> bool:
        """Whether it is the air that is even, and not the pitch."""
        return isinstance(self.rule, EqualGaps) and not self.crammed

    @property
    def need(self) -> Fraction:
        return self.layout.need

    @cached_property
    def _planned(self) -> tuple[Fraction, ...]:
        """The axes by the spacing and end rules and the pins, before any keep-out."""
        count = self.holders
        offsets = (
            self.rule.offsets(self.t) if not self.crammed else [i * self.t for i in range(count)]
        )
        if not self.pins:
            left = self.left
            return tuple([left + offset for offset in offsets])
        anchors = {0: self.left, count - 1: self.left + offsets[-1]} | {
            pin.index: pin.at for pin in self.pins
        }
        stations = sorted(anchors.items())
        axes = [stations[0][1]]
        for (i, x), (j, y) in pairwise(stations):
            axes += _stepped(x, self.rule.steps(i, j, y - x))
            axes[-1] = y
        return tuple(axes)

    @cached_property
    def given(self) -> Given:
        """How the row gave way to its keep-outs."""
        if not self.brief.keepouts or any(b <= a for a, b in pairwise(self._planned)):
            return Given()
        first, last = self._planned[0], self.length - self._planned[-1]
        out_left, out_right = self.rule.reach_out()
        # What stood within the board stays within it, and nothing moves by more than half a space.
        most = (
            (self._planned[-1] - first) / (self.holders - 1) / 2
            if self.holders > 1
            else self.length
        )
        room = (
            max(ZERO, min(most, first - max(self.fixture.left, min(first, out_left)))),
            max(ZERO, min(most, last - max(self.fixture.right, min(last, out_right)))),
        )
        held = frozenset(pin.index for pin in self.pins)
        apart = self.fixture.across + self.brief.fixture_gap
        return give_way(
            self._planned,
            self.brief.keepouts,
            self.fixture,
            self.length,
            room,
            apart,
            self.brief.nudge,
            held,
        )

    @cached_property
    def axes(self) -> tuple[Fraction, ...]:
        """Each holder's axis from the datum."""
        if not self.given.shift and not self.given.nudges:
            return self._planned
        axes = [axis + self.given.shift for axis in self._planned]
        for index, by in self.given.nudges:
            axes[index] += by
        return tuple(axes)

    @property
    def uneven(self) -> bool:
        """Whether pins or nudges pulled the row out of its rule."""
        return bool(self.pins or self.given.nudges)

    @cached_property
    def gaps(self) -> tuple[Fraction, ...]:
        """Distances between neighbouring axes."""
        return tuple([b - a for a, b in pairwise(self.axes)])

    @property
    def pitch(self) -> Fraction:
        """The pitch; with even air, the mean distance between axes."""
        if not self.airy:
            return self.t
        return (self.axes[-1] - self.axes[0]) / (self.holders - 1) if self.holders > 1 else self.t

    @property
    def tightest(self) -> Fraction:
        """The least distance between neighbouring axes; the pitch where there is one holder."""
        if self.uneven or self.airy:
            return min(self.gaps, default=self.pitch)
        return self.t

    @cached_property
    def centres(self) -> tuple[Fraction, ...]:
        """Each thing's own axis from the datum."""
        axes, found = self.axes, []
        for thing, first in zip(self.things, self.rule.first_holder, strict=True):
            found.append(
                axes[first] if thing.takes != "bridge" else (axes[first] + axes[first + 1]) / 2
            )
        return tuple(found)

    @cached_property
    def clear(self) -> tuple[Fraction, ...]:
        """The clear gap between each thing and the next; negative where they overlap."""
        found, edge = [], ZERO
        for k, (thing, centre) in enumerate(zip(self.things, self.centres, strict=True)):
            if k:
                found.append(centre - thing.reach.left - edge)
            edge = centre + thing.reach.right
        return tuple(found)

    @cached_property
    def air(self) -> Fraction:
        """The least clear gap between neighbours; of one thing alone, what a second would have."""
        return min(
            self.clear, default=self.t if self.airy else self.t - self.things[0].reach.across
        )

    @property
    def fullness(self) -> Fraction:
        """The share of the board's length that things take."""
        alike = Counter(map(id, self.things))  # equal things are one object (`Things.first`)
        one = {id(thing): thing for thing in self.things}
        return sum((one[key].reach.across * n for key, n in alike.items()), ZERO) / self.length

    @cached_property
    def unevenness(self) -> Fraction:
        """Largest deviation of a gap from the row's own rule."""
        if not self.uneven:
            return ZERO
        apart = self.clear if self.airy else self.gaps
        return max(max(apart) - self.t, self.t - min(apart)) if apart else ZERO

    @cached_property
    def sides(self) -> tuple[Fraction, Fraction]:
        """How far the outermost things reach past the board's ends; negative where they stay
        inside.
        """
        left = min(c - thing.reach.left for c, thing in zip(self.centres, self.things, strict=True))
        right = max(
            c + thing.reach.right for c, thing in zip(self.centres, self.things, strict=True)
        )
        return -left, right - self.length

    @cached_property
    def need_pair(self) -> int:
        """The thing that, with the one after it, asks for the most room."""
        return self.rule.governing(self.brief.air)[1] if isinstance(self.rule, EvenSpacing) else 0


def _stepped(start: Fraction, steps: Sequence[Fraction]) -> list[Fraction]:
    """Where each step leads; in integers over one denominator, for hundreds of steps on every frame
    of a drag.
    """
    whole = lcm(start.denominator, *{step.denominator for step in steps})
    at, found = start.numerator * (whole // start.denominator), []
    for step in steps:
        at += step.numerator * (whole // step.denominator)
        found.append(Fraction(at, whole))
    return found


def end_terms(ends: Ends, rule: SpacingRule, fixture: Reach) -> EndTerms:
    """The end rule as linear functions of t.

    With even air the same words speak of the things' edges: half an air, or a whole one, beyond
    them.
    """
    left, right = rule.reach_out()
    if ends.rule == "margin":
        return EndTerms(ends.left, ZERO, ends.right, ZERO)
    if isinstance(rule, EqualGaps):
        if ends.rule == "inside":
            over = ends.overhang
            return EndTerms(
                max(left - over, fixture.left), ZERO, max(right - over, fixture.right), ZERO
            )
        left, right = max(left, fixture.left), max(right, fixture.right)
        share = HALF if ends.rule == "half" else ONE
        return EndTerms(left, share, right, share)
    match ends.rule:
        case "half":
            return EndTerms(ZERO, HALF, ZERO, HALF)
        case "whole":
            return EndTerms(ZERO, ONE, ZERO, ONE)
        case "gaps":
            # The gap p - (fl + fr) stands before the first body too: a = gap + fl = p - fr.
            return EndTerms(-fixture.right, ONE, -fixture.left, ONE)
        case "inside":
            # A bridge hangs half a space within its outer holder.
            first, last = rule.things[0].centre, rule.things[-1].centre
            return EndTerms(
                left - ends.overhang if first else max(left - ends.overhang, fixture.left),
                -first,
                right - ends.overhang if last else max(right - ends.overhang, fixture.right),
                -last,
            )


def lay_out(brief: RowBrief, things: Things, fixture: Reach, count: int) -> Layout:
    """The first `count` things, laid out but for how far apart."""
    rule = rule_of(brief.spacing == "air", things.first(count), fixture, brief.fixture_gap)
    return Layout(brief, fixture, rule, end_terms(brief.ends, rule, fixture))
