"""Screws through the strips that a rack is hung on."""

from collections.abc import Iterator, Sequence

from yardcliff.core.materials.goods import Take
from yardcliff.core.materials.sold import HOLDS, screws
from yardcliff.core.rack import Face, Head, Kind, Operation, Part, Place, drill
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import size_text
from yardcliff.core.units.trade import Trade, either
from yardcliff.core.wall.fixed import Fixed
from yardcliff.core.wall.grounds import Screw
from yardcliff.core.wall.strips import CLEAT, SEAT, SEAT_DEEP, strip_screw
from yardcliff.messages import tr

PLUG, PLUG_DEEP = either("10 mm", "3/8 in"), either("8 mm", "5/16 in")
"""A wooden plug over a screw's head, and how deep it is let in."""


def place(part: Part, face: Face, screw: Screw) -> Place:
    """Where a screw goes through a part, on this face of it."""
    return Place(part.key, face, *part.on(face, (screw.x, screw.y, part.z)))


_HEADS: dict[Head, str] = {
    "countersunk": "wall.countersink-until-the-head-lies-flush",
    "washer": "wall.washer-under-each-head-head-stays",
    "counterbored": "wall.in-middle-each-seat-washer-under",
    "plugged": "wall.in-middle-each-plugs-seat",
}


def head_note(head: Head, trade: Trade) -> str:
    """How screws' heads are let in."""
    return tr(_HEADS[head], deep=size_text(PLUG_DEEP.of(trade), trade))


def on_strips(
    fixing: Fixed, strips: tuple[Part, ...], takes: tuple[Take, ...]
) -> Iterator[Operation]:
    """The strips, the holes that their screws into the wall pass, and the screws from the rack to
    them.
    """
    trade = fixing.sizes
    cleat, joins, seat_deep = CLEAT.of(trade), strip_screw(trade), SEAT_DEEP.of(trade)
    walls = [part for part in strips if not part.of]
    uppers = [part for part in strips if part.of]
    for upper, wall in zip(uppers, walls, strict=bool(uppers)):
        yield Operation(
            Kind.HALVES,
            (wall.key, upper.key),
            tr("tool.long-ripped"),
            wall.length,
            None,
            45,
            None,
            tr("stop.fence"),
            tr("wall.one-strip-wide-ripped-lengthwise-at", cleat=size_text(2 * cleat[1], trade)),
            how=tr("wall.ripped-in-two"),
            many=1,
            spot=tr("spot.along-the-strip"),
        )
    at = tuple(place(_at_height(walls, screw.y), Face.FRONT, screw) for screw in fixing.screws)
    head: Head = "counterbored" if fixing.anchor.lag else "countersunk"
    if fixing.anchor.lag:
        left = min(part.depth for part in walls) - seat_deep
        said = tr("wall.before-hole-its-point-marks-middle-2")
        yield drill(
            Kind.HEAD_SEAT,
            at,
            SEAT.of(trade),
            said,
            deep=seat_deep,
            left=left,
            stop=tr("wall.depth-collar"),
        )
    yield drill(
        Kind.WALL_HOLE, at, fixing.anchor.clear, head_note(head, trade), head=head, takes=takes
    )
    held = fixing.joined
    if held is None:
        return
    lines = [Screw("", x, y, None) for x, y in held.at]
    boards = [_board(fixing, screw) for screw in lines]
    taken = (screws(HOLDS.of(trade), held.length, held.count),)
    if fixing.by == "batten":
        fronts = (place(part, Face.FRONT, screw) for part, screw in zip(boards, lines, strict=True))
        said = tr("wall.countersink-clear-walls-screws-batten")
        yield drill(Kind.STRIP_HOLE, fronts, joins["clear"], said, head="countersunk", takes=taken)
        return
    behind = (place(_at_height(uppers, screw.y), Face.BACK, screw) for screw in lines)
    said = tr("wall.through-racks-half-cleat-into-its")
    yield drill(Kind.STRIP_HOLE, behind, joins["clear"], said, head="countersunk", takes=taken)
    backs = (place(part, Face.BACK, screw) for part, screw in zip(boards, lines, strict=True))
    deep = held.length - cleat[0]
    left = min(part.depth for part in boards) - deep
    yield drill(
        Kind.STRIP_PILOT,
        backs,
        joins["softwood"],
        tr("wall.through-cleats-holes-its-bevel-down"),
        deep=deep,
        left=left,
    )


def _at_height(strips: Sequence[Part], y: Fraction) -> Part:
    return min(strips, key=lambda part: abs(part.y + part.height / 2 - y))


def _board(fixing: Fixed, screw: Screw) -> Part:
    """The board of a body that a screw to its strip is in."""
    on = [
        part
        for part in fixing.body.grounds
        if part.x <= screw.x <= part.x + part.length and part.y <= screw.y <= part.y + part.height
    ]
    return on[0] if on else fixing.body.grounds[0]
