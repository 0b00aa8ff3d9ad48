"""Measured against planned: the board and each hole of the first row, how far off, and whether anything touches."""

from collections.abc import Mapping
from dataclasses import dataclass
from itertools import pairwise

from yardcliff.core.design import Design
from yardcliff.core.exact import Fraction

BOARD, SAW_CUT = "board", "saw cut"


@dataclass(frozen=True, slots=True)
class Built:
    """What was measured, mm from the datum: the board's `length`, and where holes are that were `drilled`, by their places from 0."""

    length: Fraction | None = None
    drilled: Mapping[int, Fraction] | None = None

    @property
    def holes(self) -> Mapping[int, Fraction]:
        return self.drilled or {}


@dataclass(frozen=True, slots=True)
class Measured:
    """One thing as planned and as it is; `off` is positive towards the far end, None where it was not measured yet."""

    what: str
    planned: Fraction
    found: Fraction | None
    off: Fraction | None
    good: bool


@dataclass(frozen=True, slots=True)
class Verdict:
    """All of it: the board first; `drift` is how far the holes are off in the mean, `air` what is left between things if they hang on
    the holes as they are.
    """

    rows: tuple[Measured, ...]
    drift: Fraction | None
    air: Fraction


def measured(done: Design, built: Built) -> Verdict:
    """Hold what was measured against the plan; good is what is off by no more than a step of the tape."""
    row, step = done.rack.row, done.tape.step
    rows = [_one(BOARD, row.length, built.length, step)]
    rows += [_one(str(k + 1), axis, built.holes.get(k), step) for k, axis in enumerate(row.axes)]
    offs = [one.off for one in rows[1:] if one.off is not None]
    return Verdict(tuple(rows), sum(offs, Fraction(0)) / len(offs) if offs else None, _air(done, built))


def _one(what: str, planned: Fraction, found: Fraction | None, step: Fraction) -> Measured:
    off = None if found is None else found - planned
    return Measured(what, planned, found, off, off is None or abs(off) <= step)


def _air(done: Design, built: Built) -> Fraction:
    """The least clear gap between neighbours, each on the holes that it has."""
    row = done.rack.row
    at = [built.holes.get(k, axis) for k, axis in enumerate(row.axes)]
    edges = []
    for thing, first in zip(row.things, row.spread.first_holder, strict=True):
        centre = (at[first] + at[first + 1]) / 2 if thing.takes == "bridge" else at[first]
        edges.append((centre - thing.reach.left, centre + thing.reach.right))
    return min((b[0] - a[1] for a, b in pairwise(edges)), default=row.air)
