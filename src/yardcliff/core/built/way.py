"""A way to go on after something went wrong, and what it is asked of."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from yardcliff.core.design.as_built import Held, follow, row_of
from yardcliff.core.design.change import amend
from yardcliff.core.design.measuring import NO_ROW, Subject
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.design.there import Built, Step
from yardcliff.core.findings.finding import Patch, Severity
from yardcliff.core.findings.patch import merge
from yardcliff.core.making.plan import Made
from yardcliff.core.rack import Part
from yardcliff.core.row.row import Row
from yardcliff.core.units.exact import Fraction
from yardcliff.core.ways import build
from yardcliff.core.wood.stock import Supply


@dataclass(frozen=True, slots=True)
class WayOut:
    """One way: what it does, the change of the brief (none: the plan stays), the row that comes of
    it, and what it costs.

    `even` is how far the widest or tightest space is off, `air` what is left between things;
    `stops` and `cares` are findings then, `minutes` of more work, `cost` in hundredths (None: no
    price known). The row's holes are at `axes` on a board so `long`; the readings of what it
    `clears` are void then, and its `steps` come to the bench.
    """

    code: str
    title: str
    says: str
    patch: Patch | None
    even: Fraction
    air: Fraction
    axes: tuple[Fraction, ...]
    long: Fraction
    stops: int
    cares: int
    minutes: int = 0
    cost: int | None = 0
    clears: tuple[str, ...] = ()
    steps: tuple[Step, ...] = ()
    meant: Mapping[str, Fraction] = field(default_factory=dict)
    """What is to be so from now on, by the names of subjects."""
    cut_to: Mapping[str, Fraction] = field(default_factory=dict)
    """How long parts become that are cut already, by their keys."""


CARE = 15
"""What a finding to mind weighs beside minutes and millimetres: rule of thumb."""


@dataclass(frozen=True, slots=True)
class Asked:
    """What ways are looked for: the subject that was measured, in the design as it is built."""

    done: Design
    there: Built
    subject: Subject
    supply: Supply
    made: Made

    @property
    def row_index(self) -> int:
        return row_of(self.done, self.subject)

    @property
    def row(self) -> Row:
        return self.done.rack.rows[self.row_index].row

    @property
    def part(self) -> Part:
        return self.done.part(self.subject.part)

    def unmoved(self, held: Held) -> Held:
        """Rows held, and whatever would move with them held where it is."""
        rack, brief = self.done.rack, self.done.brief
        tried = build(amend(brief, follow(brief, held)))
        moves = [i for i, row in enumerate(rack.rows) if row.row.axes != tried.rows[i].row.axes]
        stay = {i: {**dict(enumerate(rack.rows[i].row.axes)), **held.get(i, {})} for i in moves}
        return {**held, **({} if rack.together else stay)}

    def tried(
        self, code: str, title: str, says: str, held: Held, more: Patch | None = None
    ) -> WayOut:
        """A way with rows held, worked out."""
        brief = self.done.brief
        patch = merge(follow(brief, held), {"row": more} if more else {})
        tried = design(amend(brief, patch), self.done.on_wall.site) if patch else self.done
        rows = [row.row for row in tried.rack.rows]
        row, drawn = (
            rows[min(self.row_index, len(rows) - 1)],
            self.subject.row != NO_ROW and not self.subject.across,
        )
        severities = [finding.severity for finding in tried.findings]
        return WayOut(
            code,
            title,
            says,
            patch or None,
            row.unevenness,
            min(row.air for row in rows),
            row.axes if drawn else (),
            row.length if drawn else Fraction(0),
            severities.count(Severity.STOP),
            severities.count(Severity.CARE),
        )
