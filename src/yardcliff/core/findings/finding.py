"""Findings: what is wrong with a design, where, by how much, and the nearest ways out.

A finding is not an exception: an impossible design still draws. Every code is registered here once.
"""

from dataclasses import dataclass, field
from enum import StrEnum
from typing import Any

from yardcliff.core.findings.working import Value

Patch = dict[str, Any]
"""A JSON merge patch (RFC 7396) on a brief, lengths as exact text."""


class Severity(StrEnum):
    STOP = "stop"  # cannot be built or used like this
    CARE = "care"  # can be built, but look at it first
    NOTE = "note"  # a choice that was made for the user


@dataclass(frozen=True, slots=True)
class Code:
    severity: Severity
    title: str


CODES: dict[str, Code] = {
    "row.bump": Code(Severity.STOP, "Neighbours bump"),
    "row.crowded": Code(Severity.CARE, "Less air than asked"),
    "row.fixtures": Code(Severity.STOP, "Holders too close"),
    "row.no-room": Code(Severity.STOP, "The ends leave no room"),
    "row.off-board": Code(Severity.STOP, "The row runs off the board"),
    "row.disagree": Code(Severity.STOP, "The figures disagree"),
    "row.too-long": Code(Severity.STOP, "Longer than any board"),
    "row.opened": Code(Severity.NOTE, "Pitch opened to fill the row"),
    "row.centred": Code(Severity.NOTE, "Row centred, pitch kept"),
    "row.capped": Code(Severity.CARE, "Count held down"),
    "row.overhang": Code(Severity.CARE, "Hangs past the board"),
    "row.end-grain": Code(Severity.CARE, "Close to the board's end"),
    "pin.order": Code(Severity.STOP, "Pins out of order"),
    "pin.stray": Code(Severity.NOTE, "A pin with nothing to hold"),
    "keepout.hit": Code(Severity.STOP, "Stands on a keep-out"),
    "keepout.nudged": Code(Severity.NOTE, "Moved clear of a keep-out"),
    "keepout.shifted": Code(Severity.NOTE, "Row moved clear of a keep-out"),
    "bridge.span": Code(Severity.STOP, "Holders the wrong distance apart"),
    "rows.drop": Code(Severity.STOP, "Rows too close"),
    "rows.stagger": Code(Severity.NOTE, "Rows stay straight"),
    "rows.ends": Code(Severity.NOTE, "No room to run to the ends"),
    "rows.capped": Code(Severity.CARE, "Rows left out"),
    "made.held": Code(Severity.NOTE, "Made already, and stays"),
    "made.left": Code(Severity.NOTE, "Not as planned, and left so"),
    "made.board": Code(Severity.STOP, "A cut part has another size"),
    "made.hole": Code(Severity.STOP, "A drilled hole is elsewhere"),
    "made.place": Code(Severity.STOP, "Made where the plan has nothing"),
    "cut.none": Code(Severity.STOP, "Nothing to cut it from"),
    "cut.short": Code(Severity.CARE, "Not enough in stock"),
    "cut.apart": Code(Severity.CARE, "Not from one stick"),
    "cut.locked": Code(Severity.CARE, "A kept stick does not do"),
    "cut.kerf": Code(Severity.NOTE, "One less from a stick"),
    "work.missing": Code(Severity.STOP, "No wood for it"),
    "work.order": Code(Severity.CARE, "In another order"),
    "work.tool": Code(Severity.CARE, "Hard without the tool"),
    "work.saw": Code(Severity.CARE, "Planned for another saw"),
    "work.clamps": Code(Severity.NOTE, "More clamps than there are"),
    "work.long": Code(Severity.CARE, "Longer than any evening"),
    "work.hours": Code(Severity.STOP, "No time for the workshop"),
    "board.narrow": Code(Severity.STOP, "Board too narrow"),
    "hook.through": Code(Severity.STOP, "Screw comes through"),
    "hook.shallow": Code(Severity.CARE, "Screw holds too little"),
    "hook.strength": Code(Severity.STOP, "Hook may come out"),
    "peg.web": Code(Severity.CARE, "Thin web behind the peg"),
    "peg.through": Code(Severity.STOP, "Hole breaks through"),
    "peg.shallow": Code(Severity.CARE, "Peg barely held"),
    "peg.strength": Code(Severity.STOP, "Peg too weak"),
    "peg.bearing": Code(Severity.STOP, "Peg works loose"),
    "cradle.arm": Code(Severity.CARE, "Arms too short"),
    "stacked.stick": Code(Severity.CARE, "More than one stick"),
    "panel.seam": Code(Severity.STOP, "Holder on a seam"),
    "panel.dowel": Code(Severity.STOP, "Dowels come out"),
    "panel.joint": Code(Severity.CARE, "Holder on a joint"),
    "clip.pipe": Code(Severity.STOP, "No pipe so wide"),
    "upright.short": Code(Severity.STOP, "Too short for the clips"),
    "upright.low": Code(Severity.CARE, "Clipped too low"),
    "upright.through": Code(Severity.STOP, "Foot holes too deep"),
    "upright.floor": Code(Severity.STOP, "Below the floor"),
    "upright.foot": Code(Severity.STOP, "Foot board too narrow"),
    "upright.over": Code(Severity.STOP, "Does not come out overhead"),
    "upright.swing": Code(Severity.CARE, "Swings out too far"),
    "cradle.scoop": Code(Severity.CARE, "Scoop too deep"),
    "up.falls": Code(Severity.STOP, "Too short to reach across"),
    "slot.web": Code(Severity.STOP, "Slots too deep for the cheek"),
    "slot.shallow": Code(Severity.CARE, "Slots too shallow"),
    "slot.tooth": Code(Severity.CARE, "Little wood between slots"),
    "cheek.slat": Code(Severity.STOP, "Slat in the way"),
    "ledge.horn": Code(Severity.STOP, "Horns too thin"),
    "ledge.bore": Code(Severity.CARE, "Dowel longer than the bit"),
    "ledge.notch": Code(Severity.STOP, "Notch deeper than the post"),
    "ledge.dowel": Code(Severity.CARE, "Dowel too thick"),
    "ledge.depth": Code(Severity.CARE, "Ledge too shallow"),
    "box.groove": Code(Severity.CARE, "Grooves too deep"),
    "box.sag": Code(Severity.CARE, "Shelves sag"),
    "box.guard": Code(Severity.STOP, "Guard rails too high"),
    "box.depth": Code(Severity.STOP, "Sides too shallow"),
    "flip.web": Code(Severity.STOP, "Groove too deep"),
    "flip.board": Code(Severity.STOP, "Board too narrow for the fingers"),
    "flip.pin": Code(Severity.CARE, "Pin too thick"),
    "flip.backer": Code(Severity.CARE, "Backer does not suit the spacers"),
    "flip.strength": Code(Severity.CARE, "Finger may break"),
    "flip.seat": Code(Severity.STOP, "Finger levers itself out"),
    "high.ceiling": Code(Severity.STOP, "No room under the ceiling"),
    "high.order": Code(Severity.CARE, "Longer things below"),
    "high.drop": Code(Severity.STOP, "Rails too close in height"),
    "angled.hollow": Code(Severity.STOP, "No room for the bracket"),
    "angled.bracket": Code(Severity.STOP, "Too short for the bracket"),
    "angled.pitch": Code(Severity.CARE, "No pitch to halve"),
    "angled.half": Code(Severity.STOP, "Right pegs run off the top"),
    "angled.meet": Code(Severity.CARE, "Both sides meet"),
    "angled.magnet": Code(Severity.CARE, "No wood around the magnet"),
    "angled.glue": Code(Severity.STOP, "Ridge may open"),
    "shelf.joint": Code(Severity.STOP, "Shelf may come off"),
    "shelf.breaks": Code(Severity.STOP, "Shelf may break"),
    "aside.lip": Code(Severity.STOP, "Cleat may split"),
    "mount.plates": Code(Severity.CARE, "No plate to hide a screw"),
    "top.head": Code(Severity.STOP, "No room under the shelf"),
    "top.bracket": Code(Severity.CARE, "No room for brackets"),
    "top.tips": Code(Severity.CARE, "Shelf tips"),
    "aside.floor": Code(Severity.STOP, "Box on the floor"),
    "aside.low": Code(Severity.STOP, "Box too low for its cleat"),
    "aside.near": Code(Severity.STOP, "Things reach the box"),
    "aside.small": Code(Severity.STOP, "Box too small"),
    "perch.plate": Code(Severity.STOP, "Brackets in the way"),
    "perch.stop": Code(Severity.CARE, "Stop too low"),
    "stile.showing": Code(Severity.CARE, "Pegs too short for it"),
    "stile.lift": Code(Severity.CARE, "No room to lift it off"),
    "held.unknown": Code(Severity.CARE, "Not measured where it is held"),
    "hole.size": Code(Severity.STOP, "No bit so large"),
    "hole.falls": Code(Severity.STOP, "Falls through"),
    "hole.edge": Code(Severity.STOP, "Too little wood beside the hole"),
    "hole.web": Code(Severity.CARE, "Too little wood between holes"),
    "bolt.shallow": Code(Severity.CARE, "Bolt too short"),
    "bolt.through": Code(Severity.STOP, "Bolt too long for the board"),
    "bolt.strength": Code(Severity.CARE, "Bolt may bend"),
    "bolt.hold": Code(Severity.STOP, "Bolt may come out"),
    "bent.hole": Code(Severity.STOP, "Hole weakens the hook"),
    "bent.tight": Code(Severity.CARE, "Bend too tight"),
    "bent.rod": Code(Severity.STOP, "Rod too short"),
    "upright.child": Code(Severity.CARE, "Children can pull it over"),
    "wall.lost": Code(Severity.CARE, "Its wall is not here"),
    "wall.past": Code(Severity.STOP, "Past the end of the wall"),
    "wall.covers": Code(Severity.STOP, "In the way of something"),
    "wall.neighbour": Code(Severity.STOP, "In another rack's place"),
    "wall.hand": Code(Severity.CARE, "No room for a hand"),
    "wall.reach": Code(Severity.CARE, "Out of reach"),
    "wall.ceiling": Code(Severity.STOP, "Too close to the ceiling"),
    "wall.skirting": Code(Severity.CARE, "On the skirting board"),
    "wall.swing": Code(Severity.CARE, "A door opens against it"),
    "wall.way": Code(Severity.CARE, "Narrows the way"),
    "fix.wall": Code(Severity.STOP, "Not for this wall"),
    "fix.grip": Code(Severity.STOP, "Does not grip the lining"),
    "fix.loose": Code(Severity.STOP, "Nothing firm behind it"),
    "fix.load": Code(Severity.STOP, "Fixings bear too much"),
    "fix.board": Code(Severity.STOP, "Board may break between its screws"),
    "fix.joined": Code(Severity.STOP, "Not held to its strip"),
    "fix.hollow": Code(Severity.NOTE, "Held by the lining"),
    "hang.floor": Code(Severity.STOP, "Reaches the floor"),
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
        return CODES[self.code].severity if self.left else Severity.STOP

    @property
    def title(self) -> str:
        return CODES[self.code].title
