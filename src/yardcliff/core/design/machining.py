"""The machining schedule and the hole tables in words: the same on the page, on every paper and at
the bench.
"""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from itertools import groupby, pairwise
from typing import NamedTuple

from yardcliff.core.design.rack_design import Design
from yardcliff.core.rack import HOLDER, Face, Hole, Kind, Operation, Part
from yardcliff.core.units.angles import both_ways, degrees
from yardcliff.core.units.length import Tape
from yardcliff.messages import listed, tr


def what(operation: Operation) -> str:
    """`peg hole`, `peg holes`: what it makes."""
    return operation.kind.noun(operation.count)


def tool(operation: Operation, tape: Tape) -> str:
    """`20 mm bit`."""
    return f"{tape.write_fine(operation.size)} {operation.tool}"


def depth(operation: Operation, tape: Tape) -> str:
    """How deep, along the tool, or how else it is done."""
    if operation.how:
        return operation.how
    return (
        tr("design.right-through")
        if operation.depth is None
        else tr("design.deep", depth=tape.write_fine(operation.depth))
    )


def setting(operation: Operation) -> str:
    """The tilt by both conventions; empty where it is not drilled or cut to a depth."""
    if operation.how:
        return ""
    return both_ways(operation.tilt) if operation.tilt else tr("design.square-to-the-face")


def left(operation: Operation, tape: Tape) -> str:
    """The wood that stays behind it, or nothing where none does."""
    return "" if operation.web is None else tape.write_fine(operation.web)


def stop(operation: Operation) -> str:
    """What keeps it from going further: `depth stop`, `through`."""
    return tr("design.through") if operation.stop == "through" else operation.stop


def apart(operation: Operation, design: Design) -> str:
    """How far screws into the wall, or what they hang by, are from one another along a part: `480
    mm apart`.
    """
    if operation.kind not in INTO_THE_WALL:
        return ""
    found = []
    for key in operation.parts:
        at = sorted({place.along for place in operation.places if place.part == key})
        found += [design.tape.write(b - a) for a, b in pairwise(at)]
    *most, last = once(found) or ("",)
    return (
        tr("design.and-apart", most=", ".join(most), last=last)
        if most
        else tr("design.apart", last=last)
        if last
        else ""
    )


INTO_THE_WALL = (Kind.WALL_HOLE, Kind.KEYHOLE)


def once(texts: Iterable[str]) -> tuple[str, ...]:
    """Each text once, in the order that they came."""
    return tuple(dict.fromkeys(text for text in texts if text))


def named(parts: Iterable[Part]) -> str:
    """`left side, right side`; parts that differ by their number only are named once."""
    return ", ".join(once(part.name.rstrip(" 0123456789").lower() for part in parts))


def where(operation: Operation, design: Design) -> str:
    """On what, and on which face of it: `board, front`."""
    parts = {key: design.part(key) for key in operation.parts if key != HOLDER}
    on = operation.piece.lower() or named(parts.values())
    # Hundreds of places are on a face or two.
    each = dict.fromkeys((place.part, place.face) for place in operation.places)
    faces = once(parts[part].called(face) for part, face in each)
    spot = operation.spot or listed(faces)
    return f"{on}, {spot}" if spot else on


class HoleLine(NamedTuple):
    """A line of a hole table, in words; `rest` is to the edge that lies across from the one that
    `across` begins at.
    """

    number: int
    along: str
    across: str
    rest: str
    bit: str
    depth: str
    tilt: str
    head: str
    purpose: str


@dataclass(frozen=True, slots=True)
class FaceTable:
    """The holes of one face of a part: along from this end, across from this edge, the rest to that
    one.
    """

    face: str
    along: str
    across: str
    rest: str
    lines: tuple[HoleLine, ...]


@dataclass(frozen=True, slots=True)
class HoleTable:
    """The holes of a part, or of parts that are drilled alike, face by face."""

    parts: tuple[Part, ...]
    faces: tuple[FaceTable, ...]

    @property
    def name(self) -> str:
        """`Rear board`, `Spacer, 4 alike`."""
        said = named(self.parts).capitalize()
        return (
            tr("design.alike", said=said, count=len(self.parts))
            if len(self.parts) > 1
            else self.parts[0].name
        )


def hole_tables(design: Design) -> tuple[HoleTable, ...]:
    """The hole tables of all parts that have holes, equal ones once."""
    alike: dict[tuple[str, tuple[FaceTable, ...]], list[Part]] = {}
    for part in design.parts:
        if faces := tuple(_faces(design, part)):
            alike.setdefault((named([part]), faces), []).append(part)
    return tuple(HoleTable(tuple(parts), faces) for (_, faces), parts in alike.items())


def _faces(design: Design, part: Part) -> Iterator[FaceTable]:
    for face, holes in groupby(design.holes.get(part.key, ()), key=lambda hole: hole.place.face):
        along, across, rest = read_from(part, face)
        seen = (
            tr("design.seen-from-behind-end-at-right")
            if face is Face.BACK and not part.stands
            else ""
        )
        lines = tuple(hole_line(design, part, hole) for hole in holes)
        yield FaceTable(part.called(face), along + seen, across, rest, lines)


def hole_line(design: Design, part: Part, hole: Hole) -> HoleLine:
    """One hole as it stands in the tables."""
    tape, place, made = design.tape, hole.place, hole.made
    return HoleLine(
        hole.number,
        tape.write(place.along),
        tape.write(place.across),
        tape.write(part.across_in_all(place.face) - place.across),
        tape.write_fine(made.size),
        tr("design.through") if made.depth is None else tape.write_fine(made.depth),
        degrees(made.tilt) if made.tilt else "",
        tr(f"head.{made.head}") if made.head else "",
        purpose(hole, design),
    )


def purpose(hole: Hole, design: Design) -> str:
    """What a hole is there for: `hook 3`, `screw into slat 1`, `into the wall`. Its tilt is from
    square.
    """
    place, made = hole.place, hole.made
    if place.holder >= 0 and made.kind is Kind.FOOT_HOLE:
        return tr("design.foot", holder=place.holder + 1)
    if place.holder >= 0:
        row = tr("design.row", row=place.row + 1) if design.rack.several else ""
        holder = design.rack.glyph_of(place.row).called.replace(" ", "-")
        return f"{row}{tr(f'holder.{holder}', number=place.holder + 1)}"
    if place.joins:
        other = design.part(place.joins).name.lower()
        if made.kind in (Kind.DOWEL_HOLE, Kind.DOWEL_ANSWER, Kind.LEDGE_DOWEL):
            return tr("design.dowel-to", other=other)
        into = made.kind is Kind.SCREW_HOLE
        return tr("design.screw-into" if into else "design.screw-from", other=other)
    if made.kind in _PURPOSES:
        return tr(_PURPOSES[made.kind])
    return made.kind.noun()


_PURPOSES = {
    Kind.WALL_HOLE: "design.into-the-wall",
    Kind.PLUG_SEAT: "design.plug-over-it",
    Kind.HEAD_SEAT: "design.head-and-washer",
    Kind.STRIP_HOLE: "design.screw-to-the-strip",
    Kind.STRIP_PILOT: "design.screw-from-the-cleat",
}


def read_from(part: Part, face: Face) -> tuple[str, str, str]:
    """Where a face's table is read from: along from this end, across from this edge, to
    that one.
    """
    frame = part.frame(face)
    return part.called(frame.starts), part.called(frame.edge), part.called(frame.edge.opposite)
