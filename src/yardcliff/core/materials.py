"""What a rack is made of, before it is made: blanks to be cut from stock, and wares that come by the piece."""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from typing import Literal

from yardcliff.core.exact import Fraction

Form = Literal["board", "sheet", "dowel", "pipe", "bar", "threaded rod"]
"""How stock is sold. A sheet is what is wider than boards are: plywood, or boards glued edge to edge."""
Wood = Literal["softwood", "hardwood"]
Stuff = Literal["softwood", "hardwood", "steel", "plastic"]
Thread = Literal["M5", "M6", "M8", "1/4 in", "5/16 in"]
"""Threads of rods, nuts and washers (data/rods.toml): only equal ones go together, however near their diameters are."""
WareKind = Literal[
    "hook", "screw", "lag", "fixing", "nut", "washer", "hanger", "pin", "magnet", "strap", "glue", "finish", "sandpaper"
]


@dataclass(frozen=True, slots=True)
class Blank:
    """A piece as it is cut from stock: `long` with the grain, `wide` and `thick` across it, mm; both the diameter if round.

    `count` equal ones; `part` is the key of the part that it becomes, "" for what a holder or a joint is made of. A threaded rod
    has a `thread`.
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
    """So many of what is bought by the piece or the packet, by the name that a price list has it under: grams of glue,
    millilitres of finish.
    """

    kind: WareKind
    name: str
    count: int


Take = Blank | Ware


def times(takes: Iterable[Take], count: int) -> tuple[Take, ...]:
    """What so many of the same take."""
    return tuple(replace(one, count=one.count * count) for one in takes)


def screws(gauge: str, long: Fraction, count: int) -> Ware:
    """Wood screws by their gauge and the next length that is sold, down to what still holds as much wood."""
    return Ware("screw", f"{gauge} × {next_length(long)} mm wood screw", count)


SOLD = (12, 16, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 120, 140, 160, 180)
"""What wood screws are sold in, mm."""


def next_length(long: Fraction) -> int:
    """The longest that is sold and no longer than `long`, mm: a longer one comes through; the shortest where none is."""
    return max((one for one in SOLD if one <= long), default=SOLD[0])
