"""The common model that every family builds and every reader reads.

One frame: x runs right from the datum (the board's left end, looking at the wall), y up from the
floor, both in mm. Families know how a rack is made; readers know only this.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal, NamedTuple

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
    row: int
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


class Placed(NamedTuple):
    """One holder on the rack: its row from the top, its place in it, and whether the user pinned it."""

    row: int
    place: int
    x: Fraction
    y: Fraction
    pinned: bool


class Hung(NamedTuple):
    """One thing on the rack: its row, its kind, its own axis, and how it hangs."""

    row: int
    kind: str
    x: Fraction
    y: Fraction
    turned: bool
    spare: bool


@dataclass(frozen=True, slots=True)
class RackRow:
    """A row of holders: solved along its part, its axis `y` above the floor."""

    part: str
    y: Fraction
    row: Row


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
    rows: tuple[RackRow, ...]
    figures: tuple[Figure, ...]
    findings: tuple[Finding, ...]
    drilling: tuple[DrillStep, ...]
    cautions: tuple[str, ...]

    @property
    def row(self) -> Row:
        """The first row: the one that the others follow."""
        return self.rows[0].row

    def part(self, key: str) -> Part:
        return next(part for part in self.parts if part.key == key)

    @property
    def alike(self) -> tuple[tuple[int, ...], ...]:
        """The rows by their marks: the indexes of those that have the same ones, from the top."""
        groups: dict[tuple[Fraction, ...], list[int]] = {}
        for k, one in enumerate(self.rows):
            groups.setdefault(one.row.axes, []).append(k)
        return tuple(map(tuple, groups.values()))

    @property
    def holes(self) -> tuple[Hole, ...]:
        """Every hole of every holder, in the order of the holders."""
        part = [one.part for one in self.rows]
        return tuple(
            Hole(
                part[holder.row],
                holder.row,
                holder.place,
                bore.purpose,
                holder.x,
                holder.y + bore.dy,
                bore.bit,
                bore.depth,
                bore.tilt,
            )
            for holder in self.holders
            for bore in self.bores
        )


def row_names(group: tuple[int, ...]) -> str:
    """`Row 2`, `Rows 1, 3 and 5`: rows are counted from 1, at the top."""
    names = [str(k + 1) for k in group]
    if len(names) == 1:
        return f"Row {names[0]}"
    return f"Rows {', '.join(names[:-1])} and {names[-1]}"
