"""What the log of all racks teaches of the user's own hands: what is usual, how long they take."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from statistics import median

from yardcliff.core.exact import Fraction
from yardcliff.core.workshop.shop import PACES

LONGEST_STINT = 14 * 60
"""Whoever was at the bench for longer forgot to clock out, minutes: rule of thumb."""


@dataclass(frozen=True, slots=True)
class Hours:
    """What a rack took at the bench: the minutes of its plan as it was when they were last kept, at the user's pace and as `reckoned`
    without it, against what they `really` were; whether it is `up`.
    """

    name: str
    planned: int
    reckoned: int
    really: int
    up: bool


def taught(readings: Sequence[Fraction]) -> Fraction | None:
    """What is usual over many: the median, which one bad reading does not move; None for fewer than three."""
    return median(readings) if len(readings) > 2 else None


def pace_of(hours: Iterable[Hours]) -> int | None:
    """What racks that are up took of what was reckoned by rule of thumb, per cent in steps of 5; None where none is."""
    up = [one for one in hours if one.up and one.reckoned]
    if not up:
        return None
    took = Fraction(sum(one.really for one in up), sum(one.reckoned for one in up))
    return min(max(5 * round(20 * took), PACES[0]), PACES[1])
