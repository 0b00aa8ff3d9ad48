"""What the way that a rack is fixed makes of its boards, and brings of its own: strips, spacers,
holes, plates.

A screw is one line from the rack into the wall: its hole in the wood is read off the same point as
its hole in the wall.
"""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass

from yardcliff.core.materials.goods import Goods, Take, Ware, brads, screws
from yardcliff.core.rack import Face, Head, Kind, Operation, Part, Place, Rack, drill
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text
from yardcliff.core.wall.fixing import Fixed
from yardcliff.core.wall.grounds import Screw
from yardcliff.core.wall.strips import BATTEN, CLEAR, CLEAT, GAUGE, PILOT, SEAT, SEAT_DEEP

LAG, LAG_WASHER = "8 mm", "M8"
"""The lag screws that go into studs (data/lags.toml), and the thread that their washers are sold
for.
"""
SLOT, SLOT_DEEP = Fraction(10), Fraction(8)
"""A keyhole plate's bed: the bit that its slot is cut with, and how deep it is let in, mm."""
PLUG, PLUG_DEEP = Fraction(10), Fraction(8)
"""A wooden plug over a screw's head, and how deep it is let in, mm."""
PLATE_PILOT, PLATE_SCREW = Fraction(2), Fraction(12)
"""The bit for a plate's own screws, and how long these are, mm."""
BESIDE = Fraction(15)
"""From the middle of a plate to each of its own two screws, mm."""
UNDER_PLATES = (
    "Between the plates' own screws; countersink until the head lies below the face: the plates go"
    " on last."
)
THROUGH = ("through", "plates", "items", "plugged")
ZERO = Fraction(0)


@dataclass(frozen=True, slots=True)
class Mounting:
    """The strips and spacers that come between the rack and its wall, and what is made of them and
    of the rack.
    """

    parts: tuple[Part, ...] = ()
    machining: tuple[Operation, ...] = ()


def mounting(rack: Rack, fixed: Sequence[Fixed]) -> Mounting:
    """Of every body that is held."""
    parts: list[Part] = []
    made: list[Operation] = []
    several = sum(fixing.strip is not None for fixing in fixed) > 1
    for fixing in fixed:
        if fixing.screws:
            of = f", {fixing.body.name.lower()}" if several else ""
            strips = tuple(_strips(fixing, len(parts), of))
            parts += strips
            made += _made(rack, fixing, strips)
            parts += (spacer := tuple(_spacer(fixing, len(parts), of)))
            made += _spaced(spacer, spacer_brads(fixing))
    return Mounting(tuple(parts), tuple(made))


def holes(
    rack: Rack, at: Iterable[Screw], width: Fraction, head: Head, note: str, takes: tuple[Take, ...]
) -> Iterator[Operation]:
    """The holes in the wood that screws from the front pass: through their board, and what lies
    flat on it.
    """
    outer: list[Place] = []
    inner: list[Place] = []
    for screw in at:
        *under, top = (_place(part, Face.FRONT, screw) for part in _passed(rack, screw))
        outer.append(top)
        inner += under
    if outer:
        yield drill(Kind.WALL_HOLE, outer, width, note, head=head, takes=takes)
    if inner:
        yield drill(Kind.WALL_HOLE, inner, width, "Through both boards, clamped as they will be.")


def _passed(rack: Rack, screw: Screw) -> Iterator[Part]:
    """The boards that a screw goes through, from the wall outward: each lies flat on the one
    before.
    """
    one: Part | None = rack.part(screw.part)
    while one:
        yield one
        one = next(
            (
                part
                for part in rack.parts
                if part.z == one.z + one.depth and _lies_over(part, screw)
            ),
            None,
        )


def _lies_over(part: Part, screw: Screw) -> bool:
    flat = part.depth <= min(part.length, part.height)
    return (
        flat and part.x < screw.x < part.x + part.length and part.y < screw.y < part.y + part.height
    )


def _place(part: Part, face: Face, screw: Screw) -> Place:
    return Place(part.key, face, *part.on(face, (screw.x, screw.y, part.z)))


def _made(rack: Rack, fixing: Fixed, strips: tuple[Part, ...]) -> Iterator[Operation]:
    takes = _takes(fixing)
    parts = {part.key: part for part in rack.parts}
    if fixing.by in THROUGH:
        head: Head = (
            "washer"
            if fixing.anchor.lag
            else "plugged"
            if fixing.by == "plugged"
            else "countersunk"
        )
        note = UNDER_PLATES if fixing.by == "plates" else _HEADS[head]
        made = tuple(holes(rack, fixing.screws, fixing.anchor.clear, head, note, takes))
        if head == "plugged":
            left = max(min(parts[key].depth for key in made[0].parts) - PLUG_DEEP, ZERO)
            said = "Before the hole: its point marks the middle."
            yield drill(
                Kind.PLUG_SEAT,
                made[0].places,
                PLUG,
                said,
                deep=PLUG_DEEP,
                left=left,
                stop="depth collar",
            )
        yield from made
        return
    backs = tuple(_place(parts[screw.part], Face.BACK, screw) for screw in fixing.screws)
    thin = min(parts[screw.part].depth for screw in fixing.screws)
    if fixing.by == "keyholes":
        said = "Let the plate in flush, its slot upward, its round end on the mark."
        left = max(thin - SLOT_DEEP, ZERO)
        yield drill(
            Kind.KEYHOLE,
            backs,
            SLOT,
            said,
            deep=SLOT_DEEP,
            left=left,
            stop="depth collar",
            takes=takes,
        )
    elif fixing.by in ("hangers", "mirrors"):
        deep = min(PLATE_SCREW, thin - 3)
        pairs = (
            place
            for screw in fixing.screws
            for place in _beside(parts[screw.part], screw, fixing.by)
        )
        said = (
            "Two screws a piece, shorter than the board is thick; lay the plate on to see that they"
            " fit it."
        )
        yield drill(
            Kind.HANGER_PILOT,
            pairs,
            PLATE_PILOT,
            said,
            deep=deep,
            left=thin - deep,
            stop="depth collar",
            takes=takes,
        )
    else:
        yield from _on_strips(fixing, strips, takes)


def _beside(part: Part, screw: Screw, by: str) -> Iterator[Place]:
    """A plate's own two screws: to both sides of it, or one behind the other where it is let in
    from the end.
    """
    inward = 1 if screw.x < part.x + part.length / 2 else -1
    steps = (-BESIDE, BESIDE) if by == "hangers" else (inward * 2 * BESIDE, inward * 3 * BESIDE)
    for step in steps:
        yield _place(part, Face.BACK, Screw(part.key, screw.x + step, screw.y, None))


_HEADS: dict[Head, str] = {
    "countersunk": "Countersink until the head lies flush.",
    "washer": "A washer under each head; the head stays proud.",
    "counterbored": (
        "In the middle of each seat: a washer under each head, and both lie below the face."
    ),
    "plugged": (
        "In the middle of each plug's seat; plugs go in last, grain with the board's,"
        f" {exact_text(PLUG_DEEP)} deep."
    ),
}


def _strips(fixing: Fixed, before: int, of: str) -> Iterator[Part]:
    """A batten for each height of its screws, or both halves of a cleat; the body that it is `of`
    where several are.
    """
    if fixing.strip is None:
        return
    start, end = fixing.strip
    for k, y in enumerate(sorted({screw.y for screw in fixing.screws}), before + 1):
        number = of if k == before + 1 else f"{of} {k - before}"
        if fixing.by == "batten":
            thick, wide = BATTEN
            yield Part(
                f"strip-{k}",
                f"Wall batten{number}",
                start,
                y - wide / 2,
                ZERO,
                end - start,
                wide,
                thick,
                "softwood",
            )
        else:
            thick, wide = CLEAT
            blank = 2 * wide, thick
            half = Part(
                f"strip-{k}",
                f"Cleat on the wall{number}",
                start,
                y - wide / 2,
                ZERO,
                end - start,
                wide,
                thick,
                "softwood",
                sawn=blank,
            )
            yield half
            yield Part(
                f"upper-{k}",
                f"Cleat on the rack{number}",
                start,
                y - wide / 2,
                ZERO,
                end - start,
                wide,
                thick,
                "softwood",
                of=half.key,
            )


def _on_strips(
    fixing: Fixed, strips: tuple[Part, ...], takes: tuple[Take, ...]
) -> Iterator[Operation]:
    """The strips, the holes that their screws into the wall pass, and the screws from the rack to
    them.
    """
    walls = [part for part in strips if not part.of]
    uppers = [part for part in strips if part.of]
    for upper, wall in zip(uppers, walls, strict=bool(uppers)):
        yield Operation(
            Kind.HALVES,
            (wall.key, upper.key),
            "long, ripped",
            wall.length,
            None,
            45,
            None,
            "fence",
            f"One strip {exact_text(2 * CLEAT[1])} wide, ripped lengthwise at 45°: one half on the"
            " wall, its point up and out, the other on the rack.",
            how="ripped in two",
            many=1,
            spot="along the strip",
        )
    at = tuple(_place(_at_height(walls, screw.y), Face.FRONT, screw) for screw in fixing.screws)
    head: Head = "counterbored" if fixing.anchor.lag else "countersunk"
    if fixing.anchor.lag:
        left = min(part.depth for part in walls) - SEAT_DEEP
        said = (
            "Before the hole: its point marks the middle. The rack's board lies flat on the strip."
        )
        yield drill(Kind.HEAD_SEAT, at, SEAT, said, deep=SEAT_DEEP, left=left, stop="depth collar")
    yield drill(Kind.WALL_HOLE, at, fixing.anchor.clear, _HEADS[head], head=head, takes=takes)
    held = fixing.joined
    if held is None:
        return
    lines = [Screw("", x, y, None) for x, y in held.at]
    boards = [_board(fixing, screw) for screw in lines]
    taken = (screws(GAUGE, held.length, held.count),)
    if fixing.by == "batten":
        fronts = (
            _place(part, Face.FRONT, screw) for part, screw in zip(boards, lines, strict=True)
        )
        said = (
            "Countersink, and clear of the wall's screws; the batten is drilled through them once"
            " it is up."
        )
        yield drill(Kind.STRIP_HOLE, fronts, CLEAR, said, head="countersunk", takes=taken)
        return
    behind = (_place(_at_height(uppers, screw.y), Face.BACK, screw) for screw in lines)
    said = "Through the rack's half of the cleat into its back."
    yield drill(Kind.STRIP_HOLE, behind, CLEAR, said, head="countersunk", takes=taken)
    backs = (_place(part, Face.BACK, screw) for part, screw in zip(boards, lines, strict=True))
    deep = held.length - CLEAT[0]
    left = min(part.depth for part in boards) - deep
    yield drill(
        Kind.STRIP_PILOT,
        backs,
        PILOT,
        "Through the cleat's holes, its bevel down.",
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


def _spacer(fixing: Fixed, before: int, of: str) -> Iterator[Part]:
    if fixing.spacer:
        thick = (BATTEN if fixing.by == "batten" else CLEAT)[0]
        wide = min(CLEAT[1], Fraction(int(fixing.spacer)))
        on = fixing.body.foot
        yield Part(
            f"spacer-{before + 1}-wall",
            f"Spacer{of}",
            on.x,
            on.y,
            ZERO,
            on.length,
            wide,
            thick,
            "softwood",
            sawn=(wide, thick),
        )


def spacer_brads(fixing: Fixed) -> Ware:
    """What pins a spacer to the board that it stands behind."""
    on = fixing.body.foot
    return brads((BATTEN if fixing.by == "batten" else CLEAT)[0], on.depth, on.length)


def _spaced(spacers: Sequence[Part], pins: Ware) -> Iterator[Operation]:
    for part in spacers:
        yield Operation(
            Kind.SPACER,
            (part.key,),
            "long, sawn",
            part.length,
            None,
            0,
            None,
            "square",
            f"A strip {exact_text(part.depth)} thick, glued and pinned to the back along its lower"
            " edge: the rack stands plumb, and turns about its own foot.",
            how="cut to length",
            takes=(pins,),
            many=1,
        )


def _takes(fixing: Fixed) -> tuple[Take, ...]:
    """What hangs a body on the wall, beside its strips: its fixings, and what they hold it by."""
    count, long, kind = len(fixing.screws), exact_text(fixing.length), fixing.anchor.key
    takes: list[Take] = []
    match kind:
        case "screws" | "sheet":
            takes.append(screws("5.0", fixing.length, count))
        case "lags":
            takes += [
                Ware(Goods.LAG_SCREW, count, (LAG, long)),
                Ware(Goods.WASHER, count, (LAG_WASHER,)),
            ]
        case _:
            takes.append(Ware(Goods(kind), count, (long,)))
    match fixing.by:
        case "keyholes" | "hangers" | "mirrors":
            takes += [Ware(Goods(fixing.by), count), screws("3.0", PLATE_SCREW, 2 * count)]
        case "plugged":
            takes.append(Ware(Goods.PLUG, count, (exact_text(PLUG),)))
    return tuple(takes)
