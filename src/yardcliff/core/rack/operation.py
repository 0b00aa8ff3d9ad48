"""What is made on a part: features at their places on its faces, and the operations
that make them.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from enum import StrEnum
from typing import Any, Literal, NamedTuple

from yardcliff.core.materials.goods import Take
from yardcliff.core.rack.part import Face
from yardcliff.core.units.exact import Fraction
from yardcliff.data import table
from yardcliff.messages import tr

FACES = tuple(Face)
HOLDER = "holder"
"""Stands for what holders are made of - pegs, fingers, rings - among the keys of parts."""


class Kind(StrEnum):
    """What an operation makes: each is a row of data/works.toml, which says what it is as work."""

    PEG_HOLE = "peg-hole"
    PILOT = "pilot"
    THROUGH_HOLE = "through-hole"
    SEAT = "seat"
    SLOT = "slot"
    ROUND_BOTTOM = "round-bottom"
    GROOVE = "groove"
    PIN_SEAT = "pin-seat"
    PIN_HOLE = "pin-hole"
    STOP = "stop"
    ROD_HOLE = "rod-hole"
    NUT_RECESS = "nut-recess"
    HEEL = "heel"
    FOOT_HOLE = "foot-hole"
    SHELF_PIN = "shelf-pin"
    MAGNET_RECESS = "magnet-recess"
    NOTCH = "notch"
    LEDGE_DOWEL = "ledge-dowel"
    RING = "ring"
    BLANK = "blank"
    BEND = "bend"
    HOOK_HOLE = "hook-hole"
    SCOOP = "scoop"
    RAIL = "rail"
    DADO = "dado"
    SCREW_HOLE = "screw-hole"
    JOINT_PILOT = "joint-pilot"
    DOWEL_HOLE = "dowel-hole"
    DOWEL_ANSWER = "dowel-answer"
    BRACKET = "bracket"
    MITRE = "mitre"
    BEVEL = "bevel"
    HALVES = "halves"
    WALL_HOLE = "wall-hole"
    PLUG_SEAT = "plug-seat"
    HEAD_SEAT = "head-seat"
    HANGER_PILOT = "hanger-pilot"
    KEYHOLE = "keyhole"
    STRIP_HOLE = "strip-hole"
    STRIP_PILOT = "strip-pilot"
    SPACER = "spacer"

    @property
    def row(self) -> Mapping[str, Any]:
        """What it is as work."""
        return _WORKS[self]

    @property
    def drilled(self) -> bool:
        """Whether what it makes is a round hole."""
        return self.row["class"] in ("bore", "pilot")

    @property
    def listed(self) -> bool:
        """Whether it stands in the hole table of its part: what is drilled, and where plates are
        let in.
        """
        return self.drilled or bool(self.row.get("listed"))

    @property
    def marked(self) -> bool:
        """Whether its places are marked out: not what is marked through another hole, or set at the
        saw.
        """
        return not (self.row.get("through") or self.row.get("set"))

    def noun(self, count: int = 1) -> str:
        """What it makes, in words: one of them, or so many."""
        return tr(f"work.{self}", n=count)


_WORKS = {row["key"]: row for row in table("works")}
if odd := set(_WORKS) ^ set(Kind):
    raise LookupError(f"data/works.toml and Kind do not agree on {', '.join(sorted(odd))}")


Head = Literal["", "countersunk", "plugged", "washer", "counterbored"]
"""What is done for the head of what goes through."""


Extent = tuple[()] | tuple[Fraction, Fraction, Fraction, Fraction]


class Place(NamedTuple):
    """Where a feature is: on which face of which part, *along* and *across* it (`Part.frame`), and
    what it is there for: a holder by its row and number, or the part that is joined there.
    """

    part: str
    face: Face
    along: Fraction
    across: Fraction
    row: int = -1
    holder: int = -1
    joins: str = ""


@dataclass(frozen=True, slots=True)
class Operation:
    """One line of the machining schedule: one tool, depth and setting for equal features of its
    `parts`.

    The `parts` are keys; what holders are made of is HOLDER, and is called a `piece`. Features of
    parts are at their `places`; of what holders are made of, and of what makes a part, there are so
    `many`. Those of a fitting are at `offsets` from each holder's axis, to the right and up the
    marked face, until its rack places them. What is no round hole is `cut` about its place: from
    and to along, from and to across (of a fitting: to the right, and up). `size` is the tool's: a
    bit's diameter, a saw cut's length. Without a `depth` it goes right through, and leaves no
    `web`. `spot` says where on the part where that is no whole face, `stop` what ends the cut,
    `how` it is done where depth and tilt do not say it; all together take what is in `takes`,
    beside the parts.
    """

    kind: Kind
    parts: tuple[str, ...]
    tool: str
    size: Fraction
    depth: Fraction | None
    tilt: float
    web: Fraction | None
    stop: str
    note: str
    how: str = ""
    takes: tuple[Take, ...] = ()
    places: tuple[Place, ...] = ()
    many: int = 0
    offsets: tuple[tuple[Fraction, Fraction], ...] = ()
    cut: Extent = ()
    head: Head = ""
    piece: str = ""
    spot: str = ""

    @property
    def count(self) -> int:
        return len(self.places) or len(self.offsets) or self.many


def part_keys(places: Iterable[Place]) -> tuple[str, ...]:
    """The parts that places are on, each once."""
    return tuple(dict.fromkeys(place.part for place in places))


def drill(
    kind: Kind,
    places: Iterable[Place],
    bit: Fraction,
    note: str,
    *,
    deep: Fraction | None = None,
    left: Fraction | None = None,
    stop: str = "",
    tilt: float = 0,
    head: Head = "",
    takes: tuple[Take, ...] = (),
    tool: str = "",
) -> Operation:
    """Equal holes at these places: right through, or so `deep` with so much wood `left` behind
    them.
    """
    at = tuple(places)
    stop = stop or ("through" if deep is None else tr("rack.tape-on-the-bit"))
    return Operation(
        kind,
        part_keys(at),
        tool or tr("tool.bit"),
        bit,
        deep,
        tilt,
        left,
        stop,
        note,
        takes=takes,
        places=at,
        head=head,
    )


@dataclass(frozen=True, slots=True)
class Hole:
    """A line of a part's hole table: its number on the part, where it is, and the operation that
    drills it.
    """

    number: int
    place: Place
    made: Operation


def hole_table(machining: Iterable[Operation]) -> Mapping[str, tuple[Hole, ...]]:
    """The holes of each part, by its key: face by face, along it from the datum end,
    then across.
    """
    on: dict[str, list[tuple[Place, Operation]]] = {}
    for operation in machining:
        if operation.kind.listed:
            for place in operation.places:
                on.setdefault(place.part, []).append((place, operation))
    for found in on.values():
        found.sort(key=lambda each: (FACES.index(each[0].face), each[0].along, each[0].across))
    return {
        key: tuple(Hole(k, *each) for k, each in enumerate(found, 1)) for key, found in on.items()
    }


def in_order(machining: Iterable[Operation]) -> tuple[Operation, ...]:
    """As they came, but none before a kind that it comes after (`after` in data/works.toml)."""
    left, found = list(machining), []
    while left:
        kinds = {operation.kind for operation in left}
        ready = next(
            operation for operation in left if not kinds & set(operation.kind.row.get("after", ()))
        )
        found.append(ready)
        left.remove(ready)
    return tuple(found)
