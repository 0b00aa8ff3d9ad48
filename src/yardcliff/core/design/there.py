"""What of a rack is there: cut, drilled, measured; no plan can move it."""

from collections.abc import Container, Mapping, Set
from dataclasses import dataclass, field
from itertools import count

from yardcliff.core.brief.building import WaitKind
from yardcliff.core.rack import Place
from yardcliff.core.units.exact import Fraction

BOARD, LONG, WIDE = "board", "long ", "wide "
"""What the names begin with that a board's length is kept under, that of a part without a row, and
a width.
"""
Size = tuple[Fraction, Fraction, Fraction]
"""Long, wide and thick, mm."""
PieceKey = tuple[str, str, Fraction, Fraction, Fraction]
"""What a piece is that is cut: the part that it is for, what it is called among the blanks, long,
wide and thick.
"""
Feature = tuple[str, str, Fraction, Fraction]
"""Something that is made on a part: (part, face, along, across)."""


@dataclass(frozen=True, slots=True)
class Step:
    """Something to do at the bench so that what went wrong is right: minutes of it, what is waited
    for then, and whether its hole is there `again` once it is done.
    """

    title: str
    minutes: int
    line: str = ""
    wait: int = 0
    waits_for: WaitKind | None = None
    again: bool = False
    part: str = ""
    """Which part it is done on, by its key, where that is another one than what is mended."""
    gone: bool = False
    """Whether what it was to be done on is made anew meanwhile."""


@dataclass(frozen=True, slots=True)
class Mend:
    """A way out that was taken, by the key of its fact: of a subject, by these steps."""

    key: str
    what: str
    steps: tuple[Step, ...]


@dataclass(frozen=True, slots=True)
class Built:
    """What of a rack is there, mm: `parts` that are cut, as long, wide and thick as planned then,
    and their `names`; `boards`, how long by the row that they carry; `holes` as planned when they
    were drilled, from the datum, by row and place, and what part (`of`) they are in; the `features`
    that are drilled beside; and what was `measured`, by the name of its subject, with what it was
    `planned` to be then. What is marked is in `marks` and `spots` likewise. Of the making: what is
    being mended, how many of which `pieces` are cut, the keys of the `cards` that are done, whether
    the wares are `used` up, and which sticks that the brief keeps for something were worked on, and
    are `freed`. What was left as it is though it was off, or is to match that, is `meant` to be so
    now, by the name of its subject. A card is `done_on` these parts, by its key.
    """

    parts: Mapping[str, Size] = field(default_factory=dict)
    names: Mapping[str, str] = field(default_factory=dict)
    boards: Mapping[int, Fraction] = field(default_factory=dict)
    holes: Mapping[int, Mapping[int, Fraction]] = field(default_factory=dict)
    of: Mapping[int, str] = field(default_factory=dict)
    features: frozenset[Feature] = frozenset()
    measured: Mapping[str, Fraction] = field(default_factory=dict)
    planned: Mapping[str, Fraction] = field(default_factory=dict)
    marks: Mapping[int, Mapping[int, Fraction]] = field(default_factory=dict)
    spots: frozenset[Feature] = frozenset()
    mends: tuple[Mend, ...] = ()
    pieces: Mapping[PieceKey, int] = field(default_factory=dict)
    cards: frozenset[str] = frozenset()
    used: bool = False
    freed: frozenset[str] = frozenset()
    meant: Mapping[str, Fraction] = field(default_factory=dict)
    done_on: Mapping[str, Set[str]] = field(default_factory=dict)

    def at(self, row: int, place: int) -> tuple[Fraction | None, ...]:
        """Where a hole may be that is there: where it was planned, or where it was measured."""
        return self.holes.get(row, {}).get(place), self.measured.get(named(row, place))

    def open(self, place: Place) -> bool:
        """Whether what is planned at a place is not there, and no mending brings it."""
        if place.holder < 0:
            return feature(place) not in self.features
        mended = any(key_of(mend.what) == (place.row, place.holder) for mend in self.mends)
        return not mended and place.holder not in self.holes.get(place.row, {})

    def unmarked(self, place: Place) -> bool:
        """Whether what is planned at a place is open, and has no mark there; a holder's is `along`
        from its row's datum.
        """
        if place.holder < 0:
            return self.open(place) and feature(place) not in self.spots
        return self.open(place) and self.marks.get(place.row, {}).get(place.holder) != place.along

    def anew(self, key: str, used: Container[str] = ()) -> str:
        """The key of a card for what is open: one that is done, or `used`, is not taken again."""
        names = (key if k == 1 else f"{key} {k}" for k in count(1))
        return next(name for name in names if name not in self.cards and name not in used)

    def long(self, row: int) -> tuple[Fraction | None, ...]:
        """How long a board may be that is cut."""
        return self.boards.get(row), self.measured.get(named(row))


NOTHING = Built()


def feature(place: Place) -> Feature:
    """What is made at a place that is no holder's."""
    return place.part, str(place.face), place.along, place.across


def named(row: int, place: int | None = None) -> str:
    """The name that a reading is kept under: of a hole, or of the board that carries a row."""
    if place is None:
        return f"{BOARD} {row + 1}" if row else BOARD
    return f"{row + 1}.{place + 1}" if row else str(place + 1)


def part_of(what: str) -> str:
    """The key of the part that a subject without a row is of; nothing where it has one."""
    return next((what.removeprefix(name) for name in (LONG, WIDE) if what.startswith(name)), "")


def key_of(what: str) -> tuple[int, int | None] | None:
    """The row and the place of a subject by its name (no place: its board); None for
    the saw's cut.
    """
    name, _, number = what.partition(" ")
    if name == BOARD:
        return int(number or 1) - 1, None
    row, _, place = what.rpartition(".")
    return (int(row or 1) - 1, int(place) - 1) if place.isdecimal() else None


def is_hole(what: str) -> bool:
    """Whether a subject is a hole."""
    key = key_of(what)
    return key is not None and key[1] is not None
