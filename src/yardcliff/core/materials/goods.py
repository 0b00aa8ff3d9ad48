"""What a rack is made of, before it is made: blanks to be cut from stock, and wares that come by
the piece.
"""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from enum import StrEnum
from math import ceil
from typing import Literal, cast

from yardcliff.core.units.exact import Fraction
from yardcliff.data import table

Form = Literal["board", "sheet", "dowel", "pipe", "bar", "threaded rod"]
"""How stock is sold. A sheet is what is wider than boards are: plywood, or boards glued edge to
edge.
"""
Wood = Literal["softwood", "hardwood"]
Stuff = Literal["softwood", "hardwood", "steel", "plastic"]
Thread = Literal["M5", "M6", "M8", "1/4 in", "5/16 in"]
"""Threads of rods, nuts and washers (data/rods.toml): only equal ones go together, however near
their diameters are.
"""
WareKind = Literal[
    "hook",
    "screw",
    "nail",
    "lag",
    "fixing",
    "nut",
    "washer",
    "hanger",
    "pin",
    "magnet",
    "strap",
    "glue",
    "finish",
    "sandpaper",
]
"""Where a list has it."""


class Goods(StrEnum):
    """What is bought by the piece or the packet: each is a row of data/goods.toml."""

    HOOK = "hook"
    CUP_HOOK = "cup-hook"
    WOOD_SCREW = "wood-screw"
    BRAD = "brad"
    LAG_SCREW = "lag-screw"
    NUT = "nut"
    WASHER = "washer"
    STEEL_SCREW = "steel"
    TOGGLE = "toggles"
    EXPANDING = "expanding"
    SPIRAL = "spirals"
    WALL_PLUG = "plugs"
    KEYHOLE_PLATE = "keyholes"
    HANGER = "hangers"
    MIRROR_PLATE = "mirrors"
    KEEPER = "keeper"
    DOWEL_PIN = "dowel-pin"
    SHELF_PIN = "shelf-pin"
    PLUG = "plug"
    MAGNET = "magnet"
    STRAP = "strap"
    GLUE = "glue"
    FINISH = "finish"
    SANDPAPER = "sandpaper"


_GOODS = {row["key"]: row for row in table("goods")}
if odd := set(_GOODS) ^ set(Goods):
    raise LookupError(f"data/goods.toml and Goods do not agree on {', '.join(sorted(odd))}")


@dataclass(frozen=True, slots=True)
class Blank:
    """A piece as it is cut from stock: `long` with the grain, `wide` and `thick` across it, mm;
    both the diameter if round.

    `count` equal ones; `part` is the key of the part that it becomes, "" for what a holder or a
    joint is made of. A threaded rod has a `thread`.
    """

    name: str
    form: Form
    stuff: Stuff
    wide: Fraction
    thick: Fraction
    long: Fraction
    count: int = 1
    part: str = ""
    thread: Thread | None = None


@dataclass(frozen=True, slots=True)
class Ware:
    """So many of what is bought by the piece or the packet, by its sizes: grams of glue,
    millilitres of finish.
    """

    goods: Goods
    count: int
    sizes: tuple[str, ...] = ()

    @property
    def kind(self) -> WareKind:
        return cast(WareKind, _GOODS[self.goods]["kind"])

    @property
    def name(self) -> str:
        """What a price list has it under."""
        return str(_GOODS[self.goods]["name"]).format(*self.sizes)


Take = Blank | Ware


def times(takes: Iterable[Take], count: int) -> tuple[Take, ...]:
    """What so many of the same take."""
    return tuple(replace(one, count=one.count * count) for one in takes)


def screws(gauge: str, long: Fraction, count: int) -> Ware:
    """Wood screws by their gauge and the next length that is sold, down to what still holds as much
    wood.
    """
    return Ware(Goods.WOOD_SCREW, count, (gauge, str(next_length(long))))


SOLD = (12, 16, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 120, 140, 160, 180)
"""What wood screws are sold in, mm."""


def next_length(long: Fraction) -> int:
    """The longest that is sold and no longer than `long`, mm: a longer one comes through; the
    shortest where none is.
    """
    return max((one for one in SOLD if one <= long), default=SOLD[0])


BRADS = ((15, "1.0"), (20, "1.2"), (25, "1.4"), (30, "1.4"), (40, "1.6"), (50, "2.0"))
"""What brads are sold in: long, and how thick, mm."""
BRAD_APART = 150
"""From brad to brad at most, mm: rule of thumb."""
BRAD_STAYS = 3
"""From a brad's point to the far side at least, mm."""


def brads(through: Fraction, into: Fraction, along: Fraction) -> Ware:
    """What nails a part to the next: three times as long as the one is thick, but not out of the
    other; two at least where they meet for so long, mm.
    """
    most = min(3 * through, through + into - BRAD_STAYS)
    long, thick = max((one for one in BRADS if one[0] <= most), default=BRADS[0])
    return Ware(Goods.BRAD, max(2, ceil(along / BRAD_APART) + 1), (thick, str(long)))
