"""Findings: what is wrong with a design, where, by how much, and the nearest ways out.

A finding is not an exception: an impossible design still draws. Every code is registered here once,
its words are messages: `row.bump`, `row.bump.title`.
"""

from dataclasses import dataclass, field
from enum import StrEnum
from typing import Any

from yardcliff.core.findings.working import Value
from yardcliff.messages import tr

Patch = dict[str, Any]
"""A JSON merge patch (RFC 7396) on a brief, lengths as exact text."""


class Severity(StrEnum):
    STOP = "stop"  # cannot be built or used like this
    CARE = "care"  # can be built, but look at it first
    NOTE = "note"  # a choice that was made for the user


CODES: dict[str, Severity] = {
    "row.bump": Severity.STOP,
    "row.crowded": Severity.CARE,
    "row.overlap": Severity.NOTE,
    "row.hard": Severity.STOP,
    "row.fixtures": Severity.STOP,
    "row.no-room": Severity.STOP,
    "row.off-board": Severity.STOP,
    "row.disagree": Severity.STOP,
    "row.too-long": Severity.STOP,
    "row.opened": Severity.NOTE,
    "row.centred": Severity.NOTE,
    "row.capped": Severity.CARE,
    "row.overhang": Severity.CARE,
    "row.end-grain": Severity.CARE,
    "pin.order": Severity.STOP,
    "pin.stray": Severity.NOTE,
    "keepout.hit": Severity.STOP,
    "keepout.nudged": Severity.NOTE,
    "keepout.shifted": Severity.NOTE,
    "bridge.span": Severity.STOP,
    "rows.drop": Severity.STOP,
    "rows.stagger": Severity.NOTE,
    "rows.ends": Severity.NOTE,
    "rows.capped": Severity.CARE,
    "trade.sizes": Severity.CARE,
    "board.nominal": Severity.NOTE,
    "made.held": Severity.NOTE,
    "made.left": Severity.NOTE,
    "made.board": Severity.STOP,
    "made.hole": Severity.STOP,
    "made.place": Severity.STOP,
    "cut.none": Severity.STOP,
    "cut.short": Severity.CARE,
    "cut.apart": Severity.CARE,
    "cut.locked": Severity.CARE,
    "cut.kerf": Severity.NOTE,
    "work.missing": Severity.STOP,
    "work.order": Severity.CARE,
    "work.tool": Severity.CARE,
    "work.saw": Severity.CARE,
    "work.clamps": Severity.NOTE,
    "work.long": Severity.CARE,
    "work.hours": Severity.STOP,
    "board.narrow": Severity.STOP,
    "hook.through": Severity.STOP,
    "hook.shallow": Severity.CARE,
    "hook.strength": Severity.STOP,
    "peg.web": Severity.CARE,
    "peg.through": Severity.STOP,
    "peg.shallow": Severity.CARE,
    "peg.strength": Severity.STOP,
    "peg.bearing": Severity.STOP,
    "cradle.arm": Severity.CARE,
    "stacked.stick": Severity.CARE,
    "panel.seam": Severity.STOP,
    "panel.dowel": Severity.STOP,
    "panel.joint": Severity.CARE,
    "clip.pipe": Severity.STOP,
    "upright.short": Severity.STOP,
    "upright.low": Severity.CARE,
    "upright.through": Severity.STOP,
    "upright.floor": Severity.STOP,
    "upright.foot": Severity.STOP,
    "upright.over": Severity.STOP,
    "upright.swing": Severity.CARE,
    "cradle.scoop": Severity.CARE,
    "up.falls": Severity.STOP,
    "slot.web": Severity.STOP,
    "slot.shallow": Severity.CARE,
    "slot.tooth": Severity.CARE,
    "cheek.slat": Severity.STOP,
    "ledge.horn": Severity.STOP,
    "ledge.bore": Severity.CARE,
    "ledge.notch": Severity.STOP,
    "ledge.dowel": Severity.CARE,
    "ledge.depth": Severity.CARE,
    "box.groove": Severity.CARE,
    "box.sag": Severity.CARE,
    "box.guard": Severity.STOP,
    "box.depth": Severity.STOP,
    "flip.web": Severity.STOP,
    "flip.board": Severity.STOP,
    "flip.pin": Severity.CARE,
    "flip.backer": Severity.CARE,
    "flip.strength": Severity.CARE,
    "flip.seat": Severity.STOP,
    "high.ceiling": Severity.STOP,
    "high.order": Severity.CARE,
    "high.drop": Severity.STOP,
    "angled.hollow": Severity.STOP,
    "angled.bracket": Severity.STOP,
    "angled.pitch": Severity.CARE,
    "angled.half": Severity.STOP,
    "angled.meet": Severity.CARE,
    "angled.magnet": Severity.CARE,
    "angled.glue": Severity.STOP,
    "shelf.joint": Severity.STOP,
    "shelf.breaks": Severity.STOP,
    "aside.lip": Severity.STOP,
    "mount.plates": Severity.CARE,
    "top.head": Severity.STOP,
    "top.bracket": Severity.CARE,
    "top.tips": Severity.CARE,
    "aside.floor": Severity.STOP,
    "aside.low": Severity.STOP,
    "aside.near": Severity.STOP,
    "aside.small": Severity.STOP,
    "perch.plate": Severity.STOP,
    "perch.stop": Severity.CARE,
    "stile.showing": Severity.CARE,
    "stile.lift": Severity.CARE,
    "held.unknown": Severity.CARE,
    "hole.size": Severity.STOP,
    "hole.closed": Severity.STOP,
    "hole.falls": Severity.STOP,
    "hole.edge": Severity.STOP,
    "hole.web": Severity.CARE,
    "bolt.shallow": Severity.CARE,
    "bolt.through": Severity.STOP,
    "bolt.strength": Severity.CARE,
    "bolt.hold": Severity.STOP,
    "bent.hole": Severity.STOP,
    "bent.tight": Severity.CARE,
    "bent.rod": Severity.STOP,
    "upright.child": Severity.CARE,
    "wall.lost": Severity.CARE,
    "wall.past": Severity.STOP,
    "wall.covers": Severity.STOP,
    "wall.neighbour": Severity.STOP,
    "wall.hand": Severity.CARE,
    "wall.reach": Severity.CARE,
    "wall.ceiling": Severity.STOP,
    "wall.skirting": Severity.CARE,
    "wall.swing": Severity.CARE,
    "wall.way": Severity.CARE,
    "fix.wall": Severity.STOP,
    "fix.grip": Severity.STOP,
    "fix.loose": Severity.STOP,
    "fix.load": Severity.STOP,
    "fix.board": Severity.STOP,
    "fix.joined": Severity.STOP,
    "fix.hollow": Severity.NOTE,
    "hang.floor": Severity.STOP,
}


@dataclass(frozen=True, slots=True)
class Fix:
    """A change that settles the finding, offered as a button."""

    label: str
    patch: Patch


@dataclass(frozen=True, slots=True)
class Finding:
    """`at` is (x, y) in mm in the rack's frame: where the drawing points. Where no wood is `left`
    at all, what is otherwise only looked at cannot be made.
    """

    code: str
    part: str
    message: str
    figure: str
    value: Value
    limit: Value
    at: tuple[float, float] = (0.0, 0.0)
    fixes: tuple[Fix, ...] = field(default=())
    left: bool = True

    @property
    def severity(self) -> Severity:
        return CODES[self.code] if self.left else Severity.STOP

    @property
    def title(self) -> str:
        return tr(f"{self.code}.title")
