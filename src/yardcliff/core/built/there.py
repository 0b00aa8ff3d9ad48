"""What of a rack is there: cut, drilled, measured; no plan can move it."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import Literal

from yardcliff.core.exact import Fraction
from yardcliff.core.making.asked import WaitKind
from yardcliff.core.rack import Place

BOARD = "board"
Size = tuple[Fraction, Fraction, Fraction]
"""Long, wide and thick, mm."""
PieceKey = tuple[str, str, Fraction, Fraction, Fraction]
"""What a piece is that is cut: the part that it is for, what it is called among the blanks, long, wide and thick."""
Feature = tuple[str, str, Fraction, Fraction]
"""Something that is made on a part: (part, face, along, across)."""


@dataclass(frozen=True, slots=True)
class Step:
    """Something to do at the bench so that what went wrong is right: minutes of it, what is waited for then, and what is there
    again once it is done.
    """

    title: str
    minutes: int
    line: str = ""
    wait: int = 0
    waits_for: WaitKind | None = None
    makes: Literal["", "hole", "part"] = ""


@dataclass(frozen=True, slots=True)
class Mend:
    """A way out that was taken, by the key of its fact: of a subject, by these steps; the `part` where all of that is made anew."""

    key: str
    what: str
    steps: tuple[Step, ...]
    part: str = ""


@dataclass(frozen=True, slots=True)
class Built:
    """What of a rack is there, mm: `parts` that are cut, as long, wide and thick as planned then, and their `names`;
    `boards`, how long by the row that they carry; `holes` as planned when they were drilled, from the datum, by row and
    place, and what part (`of`) they are in; what else is drilled; and what was `measured`, by the name of its subject,
    with what it was `planned` to be then; what was or is being mended;
    how many of which `pieces` are cut; the keys of the `cards` that are done; whether the wares are `used` up; and
    what `marks` there are.
    """

    parts: Mapping[str, Size] = field(default_factory=dict)
    names: Mapping[str, str] = field(default_factory=dict)
    boards: Mapping[int, Fraction] = field(default_factory=dict)
    holes: Mapping[int, Mapping[int, Fraction]] = field(default_factory=dict)
    of: Mapping[int, str] = field(default_factory=dict)
    features: frozenset[Feature] = frozenset()
    measured: Mapping[str, Fraction] = field(default_factory=dict)
    planned: Mapping[str, Fraction] = field(default_factory=dict)
    mends: tuple[Mend, ...] = ()
    pieces: Mapping[PieceKey, int] = field(default_factory=dict)
    cards: frozenset[str] = frozenset()
    used: bool = False
    marks: Mapping[int, Mapping[int, Fraction]] = field(default_factory=dict)

    def at(self, row: int, place: int) -> tuple[Fraction | None, ...]:
        """Where a hole may be that is there: where it was planned, or where it was measured."""
        return self.holes.get(row, {}).get(place), self.measured.get(named(row, place))

    def open(self, place: Place) -> bool:
        """Whether what is planned at a place is not there, and no mending brings it."""
        if place.holder < 0:
            made = (place.part, str(place.face), place.along, place.across) in self.features
        else:
            made = place.holder in self.holes.get(place.row, {})
        mended = (one.part == place.part or key_of(one.what) == (place.row, place.holder) for one in self.mends)
        return not made and not any(mended)

    def unmarked(self, row: int, place: int, axes: Sequence[Fraction]) -> bool:
        """Whether a place of a row has no mark, and no hole either, though it is planned there."""
        drilled = place in self.holes.get(row, {}) or any(key_of(one.what) == (row, place) for one in self.mends)
        return not drilled and self.marks.get(row, {}).get(place) != axes[place]

    def long(self, row: int) -> tuple[Fraction | None, ...]:
        """How long a board may be that is cut."""
        return self.boards.get(row), self.measured.get(named(row))


NOTHING = Built()


def named(row: int, place: int | None = None) -> str:
    """The name that a reading is kept under: of a hole, or of the board that carries a row."""
    if place is None:
        return f"{BOARD} {row + 1}" if row else BOARD
    return f"{row + 1}.{place + 1}" if row else str(place + 1)


def key_of(what: str) -> tuple[int, int | None] | None:
    """The row and the place of a subject by its name (no place: its board); None for the saw's cut."""
    name, _, number = what.partition(" ")
    if name == BOARD:
        return int(number or 1) - 1, None
    row, _, place = what.rpartition(".")
    return (int(row or 1) - 1, int(place) - 1) if place.isdecimal() else None


def is_hole(what: str) -> bool:
    """Whether a subject is a hole."""
    key = key_of(what)
    return key is not None and key[1] is not None
