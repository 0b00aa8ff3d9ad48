"""What the log of all racks teaches of the user's own hands: what is usual, how long they take."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from statistics import median

from yardcliff.core.design.measuring import SAW_CUT
from yardcliff.core.design.there import Built, is_hole
from yardcliff.core.findings.finding import Patch
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.workshop.shop import PACES
from yardcliff.messages import tr

LONGEST_STINT = 14 * 60
"""Whoever was at the bench for longer forgot to clock out, minutes: rule of thumb."""


@dataclass(frozen=True, slots=True)
class Hours:
    """What a rack took at the bench: the minutes of its plan as it was when they were last kept, at
    the user's pace and as `reckoned` without it, against what they `really` were; whether it is
    `up`.
    """

    name: str
    planned: int
    reckoned: int
    really: int
    up: bool


@dataclass(frozen=True, slots=True)
class Habit:
    """What is usual, and the change of the brief that reckons with it (None: it does, or nothing
    can be done).
    """

    says: str
    does: str = ""
    patch: Patch | None = None


def usual(racks: Sequence[Built], kerf_planned: Fraction, tape: Tape) -> Iterator[Habit]:
    """What was measured of all racks says of their user: each thing against its plan as that was
    when it was written.
    """
    offs = [
        rack.measured[what] - at
        for rack in racks
        for what, at in rack.planned.items()
        if is_hole(what)
    ]
    if (drift := taught(offs)) is not None:
        side = (
            f"{tape.write_fine(abs(drift))} {('beyond' if drift > 0 else tr('built.short-of'))}"
            if drift
            else "on"
        )
        yield Habit(tr("built.your-holes-lie-their-marks-by", side=side, count=len(offs)))
    cuts = [rack.measured[SAW_CUT] for rack in racks if SAW_CUT in rack.measured]
    if (kerf := taught(cuts)) is not None:
        text = tape.write_fine(kerf)
        differs = tape.write_fine(kerf_planned) != text
        patch: Patch | None = {"cutting": {"kerf": text}} if differs else None
        yield Habit(
            tr("built.your-saw-takes-at-each-cut", text=text, count=len(cuts)),
            tr("built.reckon-with", text=text),
            patch,
        )


def taught(readings: Sequence[Fraction]) -> Fraction | None:
    """What is usual over many: the median, which one bad reading does not move; None for fewer than
    three.
    """
    return median(readings) if len(readings) > 2 else None


def pace_of(hours: Iterable[Hours]) -> int | None:
    """What racks that are up took of what was reckoned by rule of thumb, per cent in steps of 5;
    None where none is.
    """
    up = [rack for rack in hours if rack.up and rack.reckoned]
    if not up:
        return None
    took = Fraction(sum(rack.really for rack in up), sum(rack.reckoned for rack in up))
    return min(max(5 * round(20 * took), PACES[0]), PACES[1])
