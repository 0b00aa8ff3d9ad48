"""What a rack is made of, before it is made: blanks to be cut from stock, and wares that come by
the piece.
"""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from enum import StrEnum
from typing import Annotated, Literal, cast

from pydantic import BeforeValidator

from yardcliff.core.units.exact import Fraction
from yardcliff.data import table

Form = Literal["board", "sheet", "dowel", "pipe", "bar", "threaded rod"]
"""How stock is sold. A sheet is what is wider than boards are: plywood, or boards glued edge to
edge.
"""
Wood = Literal["softwood", "hardwood"]
Stuff = Literal["softwood", "hardwood", "steel", "brass", "plastic"]
Thread = Literal["M5", "M6", "M8", "M10", "#10-24", "1/4-20", "5/16-18", "3/8-16"]
"""Threads of rods and nuts (rods.csv): only equal ones go together, however near their diameters
are.
"""
_WERE = {"1/4 in": "1/4-20", "5/16 in": "5/16-18"}
"""Two threads were kept by their diameters once."""
RodThread = Annotated[Thread, BeforeValidator(lambda text: _WERE.get(text, text))]
"""A thread as it is read from what is stored."""
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
    TOGGLE_BOLT = "toggle-bolt"
    HOLLOW_WALL_ANCHOR = "hollow-wall-anchor"
    DRYWALL_ANCHOR = "drywall-anchor"
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
