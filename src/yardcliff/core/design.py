"""A brief worked out in full: the one thing that the interface, the exports and the tests read."""

from dataclasses import dataclass

from yardcliff.core.families import FAMILIES, Brief
from yardcliff.core.length import Tape
from yardcliff.core.marks import Mark, marks
from yardcliff.core.rack import Rack
from yardcliff.core.scene import Scene, scene


@dataclass(frozen=True, slots=True)
class Design:
    brief: Brief
    tape: Tape
    rack: Rack
    marks: tuple[Mark, ...]
    scene: Scene


def design(brief: Brief) -> Design:
    """Build the brief's rack and read everything off it."""
    tape = Tape.named(brief.tape)
    rack = FAMILIES[brief.family].build(brief)
    return Design(brief, tape, rack, marks(rack.row, tape), scene(rack, tape))
