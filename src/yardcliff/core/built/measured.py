"""Measured against planned: each board and each hole, how far off, and whether anything touches."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from itertools import pairwise

from yardcliff.core.design import Design
from yardcliff.core.exact import Fraction

BOARD, SAW_CUT = "board", "saw cut"
KERF_GOOD = Fraction(1, 5)
"""A saw's cut that is further off than this is another cut plan, mm: rule of thumb."""
Readings = Mapping[str, Fraction]
"""What was measured, mm from the datum, by the name of its subject."""


@dataclass(frozen=True, slots=True)
class Subject:
    """What can be measured: the board that carries a row, or the hole at a `place` of it, counted from 0 both.

    `what` is the name that its reading is kept under, `title` what it is called, `planned` mm from the datum.
    """

    what: str
    title: str
    planned: Fraction
    row: int
    place: int | None = None

    @property
    def short(self) -> str:
        """What it is called beside others of its row."""
        return BOARD if self.place is None else f"hole {self.place + 1}"


@dataclass(frozen=True, slots=True)
class Measured:
    """One thing as planned and as it is; `off` is positive towards the far end, None where it was not measured yet."""

    subject: Subject
    found: Fraction | None
    off: Fraction | None
    good: bool


@dataclass(frozen=True, slots=True)
class Verdict:
    """All of it, each board before the holes of its row; `drift` is how far the holes are off in the mean, `air` what is left
    between things if they hang on the holes as they are.
    """

    rows: tuple[Measured, ...]
    drift: Fraction | None
    air: Fraction


def subjects(done: Design) -> Iterator[Subject]:
    """Everything that can be measured of a rack: the board of the first row is `board` and its third hole `3`, that of the second `2.3`."""
    rack = done.rack
    seen = set[str]()
    alone = len(rack.rows) == 1
    for k, one in enumerate(rack.rows):
        if one.part not in seen:
            seen.add(one.part)
            title = "the board" if rack.one_board else rack.part(one.part).name.lower()
            yield Subject(f"{BOARD} {k + 1}" if k else BOARD, title, one.row.length, k)
        row, of = (f"{k + 1}." if k else ""), ("" if alone else f"{rack.named((k,)).lower()}, ")
        for place, axis in enumerate(one.row.axes):
            yield Subject(f"{row}{place + 1}", f"{of}hole {place + 1}", axis, k, place)


def saw_cut(done: Design) -> Subject:
    """What the saw takes at a cut, as it is reckoned with."""
    return Subject(SAW_CUT, "a saw cut", done.brief.cutting.takes, 0)


def measured(done: Design, readings: Readings) -> Verdict:
    """Hold what was measured against the plan; good is what is off by no more than a step of the tape."""
    found = [against(one, readings.get(one.what), done.tape.step) for one in subjects(done)]
    offs = [one.off for one in found if one.off is not None and one.subject.place is not None]
    return Verdict(tuple(found), sum(offs, Fraction(0)) / len(offs) if offs else None, _air(done, readings))


def against(subject: Subject, found: Fraction | None, within: Fraction) -> Measured:
    """A reading against its plan; good `within` so many mm."""
    off = None if found is None else found - subject.planned
    return Measured(subject, found, off, off is None or abs(off) <= within)


def _air(done: Design, readings: Readings) -> Fraction:
    """The least clear gap between neighbours of a row, each on the holes that it has."""
    at = {(one.row, one.place): readings.get(one.what, one.planned) for one in subjects(done)}
    least = []
    for k, row in enumerate(one.row for one in done.rack.rows):
        edges = []
        for thing, first in zip(row.things, row.spread.first_holder, strict=True):
            centre = (at[k, first] + at[k, first + 1]) / 2 if thing.takes == "bridge" else at[k, first]
            edges.append((centre - thing.reach.left, centre + thing.reach.right))
        least.append(min((b[0] - a[1] for a, b in pairwise(edges)), default=row.air))
    return min(least)
