"""A brief worked out in full: the one thing that the interface, the exports and the tests read."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from yardcliff.core.base.effort import check
from yardcliff.core.design.load_chain import Chain, chain
from yardcliff.core.design.there import NOTHING, Built
from yardcliff.core.drawing.front_view import front
from yardcliff.core.drawing.plan_view import plan
from yardcliff.core.drawing.section_view import section
from yardcliff.core.findings.finding import Finding, Severity
from yardcliff.core.findings.working import Figure
from yardcliff.core.rack import Hole, Kind, Operation, Part, Rack, hole_table, in_order
from yardcliff.core.row.marking import Mark, marks
from yardcliff.core.shapes.scene import Scene
from yardcliff.core.units.length import Tape
from yardcliff.core.wall.drawn import standing_on
from yardcliff.core.wall.forces_drawn import held
from yardcliff.core.wall.hanging import OnWall, on_wall
from yardcliff.core.wall.survey import Site
from yardcliff.core.ways import Brief, build


@dataclass(frozen=True)
class Design:
    brief: Brief
    tape: Tape
    rack: Rack
    marks_by_row: tuple[tuple[Mark, ...], ...]
    on_wall: OnWall
    scene: Scene
    section: Scene
    plan: Scene | None
    there: Built = NOTHING
    """What of it is built already."""

    @property
    def chain(self) -> Chain:
        """What holds what hangs, link by link."""
        return chain(self.brief, self.rack, self.on_wall, self.tape)

    @property
    def marks(self) -> tuple[Mark, ...]:
        """The first row's marks: all of them where there is one row."""
        return self.marks_by_row[0]

    @property
    def figures(self) -> tuple[Figure, ...]:
        """Of the rack and of what holds it, as are the findings, the machining and the cautions."""
        return (*self.rack.figures, *self.on_wall.figures)

    @property
    def findings(self) -> tuple[Finding, ...]:
        return (*self.rack.findings, *self.on_wall.findings)

    @property
    def musts(self) -> int:
        """How much of it cannot be built or used as it is."""
        return sum(finding.severity is Severity.STOP for finding in self.findings)

    @property
    def parts(self) -> tuple[Part, ...]:
        """Of the rack, and the strips and spacers between it and its wall."""
        return (*self.rack.parts, *self.on_wall.parts)

    def part(self, key: str) -> Part:
        return next(part for part in self.parts if part.key == key)

    @cached_property
    def machining(self) -> tuple[Operation, ...]:
        """Of all parts: what guides another tool comes before it. Holes into the wall that a rack
        brings of its own give way to how it is fixed on the one that it hangs on.
        """
        own = self.rack.machining
        if self.on_wall.fixed:
            own = tuple(operation for operation in own if operation.kind is not Kind.WALL_HOLE)
        return in_order((*own, *self.on_wall.machining))

    @cached_property
    def holes(self) -> Mapping[str, tuple[Hole, ...]]:
        """The hole table of each part that has holes, by its key."""
        return hole_table(self.machining)

    @property
    def cautions(self) -> tuple[str, ...]:
        return (*self.rack.cautions, *self.on_wall.cautions)


def design(brief: Brief, site: Site | None = None) -> Design:
    """Build the brief's rack and read everything off it, on the wall that it hangs on."""
    check()
    tape = brief.in_hand
    rack = build(brief)
    known: dict[int, tuple[Mark, ...]] = {}
    by_row = tuple(
        [
            known.get(id(row.row)) or known.setdefault(id(row.row), marks(row.row, tape))
            for row in rack.rows
        ]
    )
    on = on_wall(rack, brief.place, brief.mount, site, tape)
    seen = standing_on(front(rack, tape), on, tape.sizes)
    return Design(
        brief,
        tape,
        rack,
        by_row,
        on,
        seen,
        section(rack, tape, held(rack, on, tape)),
        plan(rack, tape),
    )
