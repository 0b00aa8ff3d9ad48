"""Spreads: where the holders of a row stand, as functions of one figure that says how far apart.

That figure t is the pitch of an `Even` spread and the air of an `EvenAir` one. Both grow with it, so that
whichever figure of a row follows is found from the same equation: length = ends(t) + span(t).
"""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from itertools import pairwise

from yardcliff.core.exact import Fraction
from yardcliff.core.things import Reach, Thing

ZERO, ONE = Fraction(0), Fraction(1)


@dataclass(frozen=True)
class Spread:
    """`apart` is the least distance between the axes of two neighbouring fixtures."""

    things: tuple[Thing, ...]
    apart: Fraction

    @cached_property
    def first_holder(self) -> tuple[int, ...]:
        """The index of each thing's first holder."""
        found, at = [], 0
        for thing in self.things:
            found.append(at)
            at += thing.holders
        return tuple(found)

    @property
    def holders(self) -> int:
        return self.first_holder[-1] + self.things[-1].holders

    def least(self, air: Fraction) -> Fraction:
        """The least t that keeps `air` between the things and the fixtures apart. Never 0 as a pitch."""
        raise NotImplementedError

    def span(self, t: Fraction) -> Fraction:
        """From the first axis to the last."""
        raise NotImplementedError

    def filling(self, total: Fraction, share: Fraction) -> Fraction | None:
        """The t with share·t + span(t) = total, or None where no t does it."""
        raise NotImplementedError

    def steps(self, start: int, stop: int, total: Fraction) -> list[Fraction]:
        """The distances from holder `start` to `stop`, spread as evenly as the rule asks over `total`."""
        raise NotImplementedError

    def offsets(self, t: Fraction) -> list[Fraction]:
        """Each axis from the first."""
        raise NotImplementedError

    def reach_out(self) -> tuple[Fraction, Fraction]:
        """How far the first thing reaches left of the first axis, the last one right of the last axis."""
        raise NotImplementedError


class Even(Spread):
    """One pitch for all: t is the pitch."""

    def governing(self, air: Fraction) -> tuple[Fraction, int]:
        """The least pitch that the things ask for, and the first pair of neighbours that asks for it."""
        worst, pair, seen = ZERO, 0, set[tuple[int, int]]()
        for k, (one, other) in enumerate(pairwise(self.things)):
            # Equal things are one object (`Things.first`), and telling objects apart is cheap.
            if (neighbours := (id(one), id(other))) in seen:
                continue
            seen.add(neighbours)
            need = (one.reach.right + air + other.reach.left) / (one.holders - one.centre + other.centre)
            if need > worst:
                worst, pair = need, k
        return worst, pair

    def least(self, air: Fraction) -> Fraction:
        if len(self.things) == 1:  # one alone still says how far a second would stand
            thing = self.things[0]
            return max(thing.reach.across + air, self.apart) or ONE
        return max(self.governing(air)[0], self.apart) or ONE

    def span(self, t: Fraction) -> Fraction:
        return (self.holders - 1) * t

    def filling(self, total: Fraction, share: Fraction) -> Fraction | None:
        spans = self.holders - 1 + share
        return total / spans if spans else None

    def steps(self, start: int, stop: int, total: Fraction) -> list[Fraction]:
        return [total / (stop - start)] * (stop - start)

    def offsets(self, t: Fraction) -> list[Fraction]:
        return [i * t for i in range(self.holders)]

    def reach_out(self) -> tuple[Fraction, Fraction]:
        return self.things[0].reach.left, self.things[-1].reach.right


@dataclass(frozen=True, slots=True)
class _Step:
    """From one axis to the next: max(least, fixed + t), or just `least` inside a bridge."""

    least: Fraction
    fixed: Fraction | None

    def at(self, t: Fraction) -> Fraction:
        return self.least if self.fixed is None else max(self.least, self.fixed + t)


class EvenAir(Spread):
    """The same clear gap between neighbours, so that axes are unequal where things differ: t is the air."""

    @cached_property
    def _steps(self) -> tuple[_Step, ...]:
        found: list[_Step] = []
        known: dict[tuple[int, int], list[_Step]] = {}
        for one, other in pairwise(self.things):
            steps = known.get((id(one), id(other)))
            if steps is None:
                onward = _Step(self.apart, self._right(one) + self._left(other))
                steps = known[id(one), id(other)] = [*self._within(one), onward]
            found += steps
        return (*found, *self._within(self.things[-1]))

    def _within(self, thing: Thing) -> list[_Step]:
        return [_Step(self._inner(thing), None)] if thing.holders == 2 else []

    def _inner(self, thing: Thing) -> Fraction:
        """Between a thing's two holders: as measured, or half its width and never closer than the fixtures."""
        return max(thing.span or thing.reach.across / 2, self.apart)

    def _left(self, thing: Thing) -> Fraction:
        return thing.reach.left - thing.centre * (self._inner(thing) if thing.holders == 2 else 0)

    def _right(self, thing: Thing) -> Fraction:
        return thing.reach.right - ((1 - thing.centre) * self._inner(thing) if thing.holders == 2 else 0)

    def least(self, air: Fraction) -> Fraction:
        return air

    def span(self, t: Fraction) -> Fraction:
        return sum((step.at(t) for step in self._steps), ZERO)

    def filling(self, total: Fraction, share: Fraction) -> Fraction | None:
        return _filling(self._steps, total, share)

    def steps(self, start: int, stop: int, total: Fraction) -> list[Fraction]:
        part = self._steps[start:stop]
        t = _filling(part, total, ZERO)
        if t is None:  # too little or nothing to give: shared in proportion, so that it still draws
            whole = sum((step.least for step in part), ZERO)
            return [total * step.least / whole if whole else total / len(part) for step in part]
        return [step.at(t) for step in part]

    def offsets(self, t: Fraction) -> list[Fraction]:
        found = [ZERO]
        for step in self._steps:
            found.append(found[-1] + step.at(t))
        return found

    def reach_out(self) -> tuple[Fraction, Fraction]:
        return self._left(self.things[0]), self._right(self.things[-1])


def _filling(steps: Sequence[_Step], total: Fraction, share: Fraction) -> Fraction | None:
    """Solve share·t + Σ step(t) = total: piecewise linear in t and growing, one kink a step."""
    rest = total - sum((step.least for step in steps), ZERO)
    if not share and (rest < 0 or all(step.fixed is None for step in steps)):
        return None
    # From the left: below its kink a step stays at its least, above it grows with t.
    kinks = sorted(step.least - step.fixed for step in steps if step.fixed is not None)
    if not share and not rest:
        return kinks[0]
    slope, passed = share, ZERO  # sum of the kinks that lie behind
    for k, kink in enumerate(kinks):
        if slope:
            t = (rest + passed) / slope
            if t <= kink:
                return t
        slope, passed = share + k + 1, passed + kink
    return (rest + passed) / slope


def spread_of(airy: bool, things: tuple[Thing, ...], fixture: Reach, gap: Fraction) -> Spread:
    """The spread of a spacing rule; `gap` is the least between fixture bodies."""
    return (EvenAir if airy else Even)(things, fixture.across + gap)
