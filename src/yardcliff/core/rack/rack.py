"""The common model that every family builds and every reader reads.

One frame: x runs right from the datum (the board's left end, looking at the wall), y up from the
floor, both in mm. Families know how a rack is made; readers know only this.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from math import cos, radians
from typing import NamedTuple

from yardcliff.core.findings.finding import Finding
from yardcliff.core.findings.working import Figure
from yardcliff.core.rack.glyph import Bore, Glyph
from yardcliff.core.rack.joint import Joint
from yardcliff.core.rack.operation import Operation
from yardcliff.core.rack.part import Part, Seen
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import ALIKE, Fixture, Fixtures
from yardcliff.core.shapes.geometry import Path
from yardcliff.core.strength.link import Link
from yardcliff.core.things.item import Item
from yardcliff.core.things.look import Look
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.trade import Trade
from yardcliff.messages import listed, tr

ZERO = Fraction(0)


class Seat(NamedTuple):
    """Where the foot of what a holder clips stands in another part: the holder by its row and
    place, and the hole, `along` that part's marked face from its datum and `across` above its lower
    edge.
    """

    part: str
    row: int
    holder: int
    along: Fraction
    across: Fraction
    bit: Fraction
    depth: Fraction


class Placed(NamedTuple):
    """One holder on the rack: its row from the top, its place in it, whether the user pinned it,
    and which of the rack's glyphs it is.
    """

    row: int
    place: int
    x: Fraction
    y: Fraction
    pinned: bool
    glyph: int = 0


class Hung(NamedTuple):
    """One thing on the rack: its row, its kind, its own axis, and how it hangs."""

    row: int
    kind: str
    x: Fraction
    y: Fraction
    turned: bool
    spare: bool


@dataclass(frozen=True, slots=True)
class Kept:
    """Something that may stand on a shelf, as tall as was said: its lower left back corner and its
    size, mm.
    """

    x: Fraction
    y: Fraction
    z: Fraction
    width: Fraction
    height: Fraction
    depth: Fraction


@dataclass(frozen=True, slots=True)
class RackRow:
    """A row of holders: solved along its part, its axis `across` the part's marked face.

    It starts at (`x`, `y`) and runs along the wall, or `up`. `kind` is what it hangs, or "=" for
    what the first row hangs. Its holders are the rack's glyph of the number `glyph`, and smaller
    ones of that kind.
    """

    part: str
    y: Fraction
    across: Fraction
    row: Row
    kind: str = ALIKE
    x: Fraction = ZERO
    up: bool = False
    glyph: int = 0

    @property
    def places(self) -> list[tuple[Fraction, Fraction]]:
        """Where on the wall its holders are: (x, y)."""
        if self.up or self.x:
            return [self.at(axis) for axis in self.row.axes]
        return [(axis, self.y) for axis in self.row.axes]

    def at(self, along: Fraction) -> tuple[Fraction, Fraction]:
        """Where on the wall so far along the row is: (x, y)."""
        if self.up:
            return self.x, self.y + along
        return self.x + along if self.x else along, self.y


@dataclass(frozen=True, slots=True)
class Outline:
    """Something shaped, by its name, at true size: from the side in (out of the face, up), or from
    above in (along, out), mm; what its middle line is, and how to use it.
    """

    name: str
    path: Path
    face: str
    says: str
    seen: Seen = "from the side"


@dataclass(frozen=True, slots=True)
class Rack:
    """Everything that is known about a rack once its family has built it. `says` it in a line of
    words.

    Its holders are the first of its `glyphs`, smaller ones of that kind made for things of their
    own, and those of rows that have another kind; each glyph has its holes in `bored`. `seats` are
    holes in other parts that answer the holders: where the foot of a shaft stands; `outline` is of
    a holder that is shaped in the shop, `shaped` are those of other parts; `kept` is what shelves
    have room for; `looks` are how the kinds of things are seen as the rack holds them; `links` are
    what may give way before the wall is asked.
    """

    family: str
    sizes: Trade
    parts: tuple[Part, ...]
    holders: tuple[Placed, ...]
    bored: tuple[tuple[Bore, ...], ...]
    glyphs: tuple[Glyph, ...]
    holder_name: str
    """What the first row's holders are called; one of them by the noun."""
    holder_noun: str
    kinds: Mapping[str, Item]
    looks: Mapping[str, Look]
    hung: tuple[Hung, ...]
    says: str
    rows: tuple[RackRow, ...]
    figures: tuple[Figure, ...]
    findings: tuple[Finding, ...]
    machining: tuple[Operation, ...]
    cautions: tuple[str, ...]
    joints: tuple[Joint, ...] = ()
    seats: tuple[Seat, ...] = ()
    outline: Outline | None = None
    shaped: tuple[Outline, ...] = ()
    kept: tuple[Kept, ...] = ()
    links: tuple[Link, ...] = ()

    @property
    def glyph(self) -> Glyph:
        """What the first row's holders look like, the largest of them."""
        return self.glyphs[0]

    @property
    def bores(self) -> tuple[Bore, ...]:
        """The holes of one of them."""
        return self.bored[0]

    def glyph_of(self, row: int) -> Glyph:
        """What a row's holders look like."""
        return self.glyphs[self.rows[row].glyph]

    def bores_of(self, row: int) -> tuple[Bore, ...]:
        """The holes of one of a row's holders."""
        return self.bored[self.rows[row].glyph]

    def rests_of(self, row: int) -> float:
        """How far off the face things rest on a row's holders, mm."""
        return float(self.glyph_of(row).rests) * cos(radians(self.bores_of(row)[0].tilt))

    @property
    def row(self) -> Row:
        """The first row: the one that the others follow."""
        return self.rows[0].row

    @property
    def fixtures(self) -> Fixtures:
        """What rows with another kind of holder than the first one's are spaced by, by
        their index.
        """
        gaps = {
            k: row.row.fixture.across + row.row.brief.fixture_gap
            for k, row in enumerate(self.rows)
            if row.glyph
        }
        return {k: Fixture(self.rows[k].row.fixture, gap) for k, gap in gaps.items()}

    @property
    def up(self) -> bool:
        """Whether the rows run up instead of along the wall."""
        return self.rows[0].up

    @property
    def several(self) -> bool:
        """Whether it hangs things in more than one row; uprights that carry one row together do
        not.
        """
        return len(self.rows) > 1 and not self.up

    @property
    def together(self) -> bool:
        """Whether its rows carry the same things together: their holes have to be level."""
        return len({hung.row for hung in self.hung}) < len(self.rows)

    @property
    def one_board(self) -> bool:
        """Whether all rows are marked on one part."""
        return len({row.part for row in self.rows}) == 1

    def part(self, key: str) -> Part:
        return next(part for part in self.parts if part.key == key)

    @property
    def alike(self) -> tuple[tuple[int, ...], ...]:
        """The rows by their marks: the indexes of those that have the same ones, from the top."""
        groups: dict[tuple[Fraction, ...], list[int]] = {}
        for k, row in enumerate(self.rows):
            groups.setdefault(row.row.axes, []).append(k)
        return tuple(map(tuple, groups.values()))

    def named(self, group: tuple[int, ...]) -> str:
        """`Row 2`, `Rows 1, 3 and 5`, counted from 1 at the top; rows that run up are known by
        their parts.
        """
        if self.up:
            return listed(self.part(self.rows[k].part).name for k in group)
        names = [str(k + 1) for k in group]
        return tr("rack.rows", n=len(names), names=listed(names))
