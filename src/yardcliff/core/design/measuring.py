"""Measured against planned: each board and each hole, how far off, and whether anything touches."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from itertools import pairwise

from yardcliff.core.design.rack_design import Design
from yardcliff.core.design.there import LONG, WIDE, Built, named
from yardcliff.core.rack import Part
from yardcliff.core.rack.blanks import part_blanks
from yardcliff.core.units.exact import Fraction
from yardcliff.messages import tr

SAW_CUT = "saw cut"
NO_ROW = -1
"""The row of a part that carries none."""
KERF_GOOD = Fraction(1, 5)
"""A saw's cut that is further off than this is another cut plan, mm: rule of thumb."""


@dataclass(frozen=True, slots=True)
class Subject:
    """What can be measured: how long the board is that carries a row, or where the hole is at a
    `place` of it, counted from 0 both; how long any other part is, and how wide each.

    `what` is the name that its reading is kept under, `title` what it is called, `planned` mm, of a
    hole from the datum.
    """

    what: str
    title: str
    planned: Fraction
    row: int = NO_ROW
    place: int | None = None
    part: str = ""
    across: bool = False
    """Whether it is a width: nobody has to measure these."""

    @property
    def short(self) -> str:
        """What it is called beside others of its row, or beside other parts."""
        if self.row == NO_ROW:
            return self.title
        if self.across:
            return tr("design.width")
        return (
            tr("design.board")
            if self.place is None
            else tr("design.hole-number", place=self.place + 1)
        )


@dataclass(frozen=True, slots=True)
class Measured:
    """One thing as planned now and as it is; `off` what it was planned to be when it was measured,
    positive towards the far end, None where it was not measured yet. It is `good` where the plan
    has it there, and `adopted` where the plan followed it.
    """

    subject: Subject
    found: Fraction | None
    off: Fraction | None
    good: bool
    adopted: bool = False


@dataclass(frozen=True, slots=True)
class Verdict:
    """All of it, each board before the holes of its row; `drift` is how far the holes are off in
    the mean, `air` what is left between things if they hang on the holes as they are.
    """

    rows: tuple[Measured, ...]
    drift: Fraction | None
    air: Fraction


def subjects(done: Design) -> Iterator[Subject]:
    """Everything that can be measured of a rack: the board of the first row is `board` and its
    third hole `3`, that of the second `2.3`; `long batten-1` is another part, `wide batten-1` how
    wide it is. What was left as it is, or cut to match, is meant to be so.
    """
    meant = done.there.meant
    for subject in (*_of_rows(done), *_of_parts(done)):
        yield replace(subject, planned=meant[subject.what]) if subject.what in meant else subject


def _of_rows(done: Design) -> Iterator[Subject]:
    rack = done.rack
    seen = set[str]()
    alone = len(rack.rows) == 1
    for k, row in enumerate(rack.rows):
        if row.part not in seen:
            seen.add(row.part)
            title = tr("design.the-board") if rack.one_board else rack.part(row.part).name.lower()
            yield Subject(named(k), title, row.row.length, k, part=row.part)
        of = "" if alone else f"{rack.named((k,)).lower()}, "
        for place, axis in enumerate(row.row.axes):
            yield Subject(
                named(k, place),
                tr("design.hole-number-of", of=of, place=place + 1),
                axis,
                k,
                place,
                row.part,
            )
        if k == next(i for i, other in enumerate(rack.rows) if other.part == row.part):
            yield from _width(rack.part(row.part), k)


def _of_parts(done: Design) -> Iterator[Subject]:
    """The length and the width of each part that carries no row."""
    carry = {row.part for row in done.rack.rows}
    for part in done.parts:
        if part.key not in carry:
            yield Subject(f"{LONG}{part.key}", part.name.lower(), part.along, part=part.key)
            yield from _width(part, NO_ROW)


def _width(part: Part, row: int) -> Iterator[Subject]:
    """How wide a part is that is cut from one board."""
    if not part.seams and not part.of:
        (blank,) = part_blanks(part)
        name = tr("design.how-wide", name=part.name.lower())
        yield Subject(f"{WIDE}{part.key}", name, blank.wide, row, part=part.key, across=True)


def saw_cut(done: Design) -> Subject:
    """What the saw takes at a cut, as it is reckoned with."""
    return Subject(SAW_CUT, tr("design.a-saw-cut"), done.brief.cutting.takes(done.tape.sizes))


def measured(done: Design, there: Built) -> Verdict:
    """Hold what was measured against the plan; good is what is off by no more than a step of the
    tape.
    """
    found = [
        against(
            subject,
            there.measured.get(subject.what),
            done.tape.step,
            there.planned.get(subject.what),
        )
        for subject in subjects(done)
    ]
    offs = [one.off for one in found if one.off is not None and one.subject.place is not None]
    return Verdict(
        tuple(found), sum(offs, Fraction(0)) / len(offs) if offs else None, _air(done, there)
    )


def against(
    subject: Subject, found: Fraction | None, within: Fraction, then: Fraction | None = None
) -> Measured:
    """A reading against its plan now and `then`, when it was taken; good `within` so many mm."""
    if found is None:
        return Measured(subject, None, None, True)
    off = found - (subject.planned if then is None else then)
    good = abs(found - subject.planned) <= within
    return Measured(subject, found, off, good, good and abs(off) > within)


def _air(done: Design, there: Built) -> Fraction:
    """The least clear gap between neighbours of a row, each on the holes that it has."""
    at = {
        (subject.row, subject.place): there.measured.get(subject.what, subject.planned)
        for subject in subjects(done)
    }
    least = []
    for k, row in enumerate(row.row for row in done.rack.rows):
        edges = []
        for thing, first in zip(row.things, row.rule.first_holder, strict=True):
            centre = (
                (at[k, first] + at[k, first + 1]) / 2 if thing.takes == "bridge" else at[k, first]
            )
            edges.append((centre - thing.reach.left, centre + thing.reach.right))
        least.append(min((b[0] - a[1] for a, b in pairwise(edges)), default=row.air))
    return min(least)
