"""Spacing rules: where the holders of a row stand, as functions of one figure that says how far
apart.

That figure t is the pitch of `EvenSpacing` and the gap of `EqualGaps`. Both grow with it, so that
whichever figure of a row follows is found from the same equation: length = ends(t) + span(t).
"""

from collections import Counter
from collections.abc import Iterable
from dataclasses import dataclass
from functools import cached_property
from itertools import accumulate, pairwise

from yardcliff.core.things.thing import Reach, Thing
from yardcliff.core.units.exact import Fraction

ZERO, ONE = Fraction(0), Fraction(1)


@dataclass(frozen=True)
class SpacingRule:
    """`apart` is the least distance between the axes of two neighbouring fixtures."""

    things: tuple[Thing, ...]
    apart: Fraction

    @cached_property
    def _ids(self) -> list[int]:
        # Equal things are one object (`Things.first`): told apart by these, hundreds are a few
        # kinds.
        return list(map(id, self.things))

    @property
    def alike(self) -> bool:
        """Whether all of them are one thing, facing one way."""
        return len(set(self._ids)) == 1

    @cached_property
    def _holders_of(self) -> list[int]:
        kinds = dict(zip(self._ids, self.things, strict=True))
        return list(
            map({key: thing.holders for key, thing in kinds.items()}.__getitem__, self._ids)
        )

    @cached_property
    def _neighbours(self) -> dict[tuple[int, int], int]:
        """Each kind of neighbours, and the first place where they stand side by side;
        in no order.
        """
        places = range(len(self.things) - 1)
        return dict(zip(reversed(list(pairwise(self._ids))), reversed(places), strict=True))

    @cached_property
    def first_holder(self) -> tuple[int, ...]:
        """The index of each thing's first holder."""
        return tuple(accumulate(self._holders_of[:-1], initial=0))

    @property
    def holders(self) -> int:
        return sum(self._holders_of)

    def least(self, air: Fraction) -> Fraction:
        """The least t that keeps `air` between the things and the fixtures apart. Never 0 as a
        pitch.
        """
        raise NotImplementedError

    def span(self, t: Fraction) -> Fraction:
        """From the first axis to the last."""
        raise NotImplementedError

    def filling(self, total: Fraction, share: Fraction) -> Fraction | None:
        """The t with share·t + span(t) = total, or None where no t does it."""
        raise NotImplementedError

    def steps(self, start: int, stop: int, total: Fraction) -> list[Fraction]:
        """The distances from holder `start` to `stop`, spread as evenly as the rule asks over
        `total`.
        """
        raise NotImplementedError

    def offsets(self, t: Fraction) -> list[Fraction]:
        """Each axis from the first."""
        raise NotImplementedError

    def reach_out(self) -> tuple[Fraction, Fraction]:
        """How far the first thing reaches left of the first axis, the last one right of the last
        axis.
        """
        raise NotImplementedError


class EvenSpacing(SpacingRule):
    """One pitch for all: t is the pitch."""

    def governing(self, air: Fraction) -> tuple[Fraction, int]:
        """The least pitch that the things ask for, and the first pair of neighbours that asks for
        it.
        """
        worst, pair = ZERO, 0
        for k in sorted(self._neighbours.values()):
            one, other = self.things[k], self.things[k + 1]
            need = (one.reach.right + air + other.reach.left) / (
                one.holders - one.centre + other.centre
            )
            if need > worst:
                worst, pair = need, k
        return worst, pair

    def least(self, air: Fraction) -> Fraction:
        if len(self.things) == 1:  # one alone still says how far a second would stand
            thing = self.things[0]
            return max((thing.reach.across + air) / thing.holders, self.apart) or ONE
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


@dataclass(frozen=True, slots=True, eq=False)
class _Step:
    """From one axis to the next: max(least, fixed + t), or just `least` inside a bridge.

    Equal neighbours share one step, so that hundreds of places are summed as a few kinds of step.
    """

    least: Fraction
    fixed: Fraction | None

    def at(self, t: Fraction) -> Fraction:
        return self.least if self.fixed is None else max(self.least, self.fixed + t)


class EqualGaps(SpacingRule):
    """The same clear gap between neighbours, so that axes are unequal where things differ: t is the
    air.
    """

    @cached_property
    def _steps(self) -> tuple[_Step, ...]:
        onward = {key: self._onward(place) for key, place in self._neighbours.items()}
        found = [step for key in pairwise(self._ids) for step in onward[key]]
        return (*found, *self._within(self.things[-1]))

    def _onward(self, place: int) -> list[_Step]:
        """From a thing's first holder to the next thing's."""
        one, other = self.things[place], self.things[place + 1]
        return [*self._within(one), _Step(self.apart, self._right(one) + self._left(other))]

    @cached_property
    def _tally(self) -> Counter[_Step]:
        return Counter(self._steps)

    def _within(self, thing: Thing) -> list[_Step]:
        return [_Step(self._inner(thing), None)] if thing.holders == 2 else []

    def _inner(self, thing: Thing) -> Fraction:
        """Between a thing's two holders: as measured, or half its width and never closer than the
        fixtures.
        """
        return max(thing.span or thing.reach.across / 2, self.apart)

    def _left(self, thing: Thing) -> Fraction:
        return thing.reach.left - thing.centre * (self._inner(thing) if thing.holders == 2 else 0)

    def _right(self, thing: Thing) -> Fraction:
        return thing.reach.right - (
            (1 - thing.centre) * self._inner(thing) if thing.holders == 2 else 0
        )

    def least(self, air: Fraction) -> Fraction:
        return air

    def span(self, t: Fraction) -> Fraction:
        return _total((step.at(t), n) for step, n in self._tally.items())

    def filling(self, total: Fraction, share: Fraction) -> Fraction | None:
        return _filling(self._tally, total, share)

    def steps(self, start: int, stop: int, total: Fraction) -> list[Fraction]:
        part = self._steps[start:stop]
        t = _filling(tally := Counter(part), total, ZERO)
        if t is None:  # too little or nothing to give: shared in proportion, so that it still draws
            whole = _least(tally)
            return [total * step.least / whole if whole else total / len(part) for step in part]
        at = {step: step.at(t) for step in tally}
        return [at[step] for step in part]

    def offsets(self, t: Fraction) -> list[Fraction]:
        at = {step: step.at(t) for step in self._tally}
        return list(accumulate((at[step] for step in self._steps), initial=ZERO))

    def reach_out(self) -> tuple[Fraction, Fraction]:
        return self._left(self.things[0]), self._right(self.things[-1])


def _total(terms: Iterable[tuple[Fraction, int]]) -> Fraction:
    return sum((value * n for value, n in terms), ZERO)


def _least(tally: Counter[_Step]) -> Fraction:
    return _total((step.least, n) for step, n in tally.items())


def _filling(tally: Counter[_Step], total: Fraction, share: Fraction) -> Fraction | None:
    """Solve share·t + Σ step(t) = total: piecewise linear in t and growing, one kink a kind of
    step.
    """
    rest = total - _least(tally)
    # From the left: below its kink a step stays at its least, above it grows with t.
    kinks = sorted(
        (step.least - step.fixed, n) for step, n in tally.items() if step.fixed is not None
    )
    if not share and (rest < 0 or not kinks):
        return None
    if not share and not rest:
        return kinks[0][0]
    slope, passed = share, ZERO  # of the steps that grow: how many, and the sum of their kinks
    for kink, n in kinks:
        if slope:
            t = (rest + passed) / slope
            if t <= kink:
                return t
        slope, passed = slope + n, passed + n * kink
    return (rest + passed) / slope


def rule_of(airy: bool, things: tuple[Thing, ...], fixture: Reach, gap: Fraction) -> SpacingRule:
    """The rule that a row is spaced by; `gap` is the least between fixture bodies."""
    return (EqualGaps if airy else EvenSpacing)(things, fixture.across + gap)
