"""A brief worked out in full: the one thing that the interface, the exports and the tests read."""

from dataclasses import dataclass

from yardcliff.core.families import Brief, build
from yardcliff.core.length import Tape
from yardcliff.core.marks import Mark, marks
from yardcliff.core.rack import Rack
from yardcliff.core.scene import Scene, scene
from yardcliff.core.views import plan, section


@dataclass(frozen=True, slots=True)
class Design:
    brief: Brief
    tape: Tape
    rack: Rack
    marks_by_row: tuple[tuple[Mark, ...], ...]
    scene: Scene
    section: Scene
    plan: Scene | None

    @property
    def marks(self) -> tuple[Mark, ...]:
        """The first row's marks: all of them where there is one row."""
        return self.marks_by_row[0]


def design(brief: Brief) -> Design:
    """Build the brief's rack and read everything off it."""
    tape = Tape.named(brief.tape)
    rack = build(brief)
    known: dict[int, tuple[Mark, ...]] = {}
    by_row = tuple([known.get(id(one.row)) or known.setdefault(id(one.row), marks(one.row, tape)) for one in rack.rows])
    return Design(brief, tape, rack, by_row, scene(rack, tape), section(rack, tape), plan(rack, tape))
