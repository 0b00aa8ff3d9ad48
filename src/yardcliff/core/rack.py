"""The common model that every family builds and every reader reads.

One frame: x runs right from the datum (the board's left end, looking at the wall), y up from the
floor, both in mm. Families know how a rack is made; readers know only this.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from yardcliff.core.exact import Fraction
from yardcliff.core.findings import Finding
from yardcliff.core.item import Item
from yardcliff.core.row import Row
from yardcliff.core.working import Figure

Purpose = Literal["peg hole", "pilot hole"]
Wood = Literal["softwood", "hardwood"]


@dataclass(frozen=True, slots=True)
class Part:
    """A board as it sits on the wall: lower left corner (x, y), its size and its grain."""

    key: str
    name: str
    x: Fraction
    y: Fraction
    length: Fraction
    height: Fraction
    thickness: Fraction
    wood: Wood


@dataclass(frozen=True, slots=True)
class Bore:
    """One hole of every holder, `dy` above its axis; depth along the bit."""

    purpose: Purpose
    dy: Fraction
    bit: Fraction
    depth: Fraction
    tilt: float


@dataclass(frozen=True, slots=True)
class Hole:
    """A hole drilled from a part's face. `depth` runs along the bit; `tilt` is from square."""

    part: str
    holder: int
    purpose: Purpose
    x: Fraction
    y: Fraction
    bit: Fraction
    depth: Fraction
    tilt: float


@dataclass(frozen=True, slots=True)
class Glyph:
    """How a holder looks from the front: what the scene needs and no more.

    `tip` is how far above its axis the free end is seen (below it where negative).
    """

    kind: Literal["hook", "peg"]
    width: Fraction
    height: Fraction
    screws: tuple[Fraction, ...]
    tip: Fraction


@dataclass(frozen=True, slots=True)
class Placed:
    """One holder on the rack, and whether the user pinned it."""

    index: int
    x: Fraction
    y: Fraction
    pinned: bool


@dataclass(frozen=True, slots=True)
class Hung:
    """One thing on the rack: its kind, its own axis, and how it hangs."""

    kind: str
    x: Fraction
    y: Fraction
    turned: bool
    spare: bool


@dataclass(frozen=True, slots=True)
class DrillStep:
    """One line of the drilling schedule: the same bit, depth and setting for `count` holes."""

    what: str
    count: int
    bit: Fraction
    depth: Fraction
    tilt: float
    web: Fraction
    note: str


@dataclass(frozen=True, slots=True)
class Rack:
    """Everything that is known about a rack once its family has built it. `says` it in a line of words."""

    family: str
    parts: tuple[Part, ...]
    holders: tuple[Placed, ...]
    bores: tuple[Bore, ...]
    glyph: Glyph
    holder_name: str
    kinds: Mapping[str, Item]
    hung: tuple[Hung, ...]
    says: str
    row: Row
    figures: tuple[Figure, ...]
    findings: tuple[Finding, ...]
    drilling: tuple[DrillStep, ...]
    cautions: tuple[str, ...]

    @property
    def holes(self) -> tuple[Hole, ...]:
        """Every hole of every holder, in the order of the holders."""
        board = self.parts[0].key
        return tuple(
            Hole(board, holder.index, bore.purpose, holder.x, holder.y + bore.dy, bore.bit, bore.depth, bore.tilt)
            for holder in self.holders
            for bore in self.bores
        )
