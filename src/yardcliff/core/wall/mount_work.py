"""What the way that a rack is fixed makes of its boards, and brings of its own: strips, spacers,
holes, plates.

A screw is one line from the rack into the wall: its hole in the wood is read off the same point as
its hole in the wall.
"""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass

from yardcliff.core.materials.goods import Goods, Take, Ware
from yardcliff.core.materials.sold import PLATES, brads, screw_sizes, screws
from yardcliff.core.rack import Face, Head, Kind, Operation, Part, Place, Rack, drill
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import size_text
from yardcliff.core.units.trade import Trade, down, either
from yardcliff.core.wall.fixed import Fixed
from yardcliff.core.wall.grounds import Screw
from yardcliff.core.wall.strip_screws import PLUG, PLUG_DEEP, head_note, on_strips, place
from yardcliff.core.wall.strips import BATTEN, CLEAT, strip_size
from yardcliff.data import row_of
from yardcliff.messages import tr

SLOT, SLOT_DEEP = either("10 mm", "3/8 in"), either("8 mm", "5/16 in")
"""A keyhole plate's bed: the bit that its slot is cut with, and how deep it is let in."""
PLATE_SCREW, PLATE_STAYS = either("12 mm", "1/2 in"), either("3 mm", "1/8 in")
"""How long a plate's own screws are, and the wood that stays behind them."""
BESIDE = either("15 mm", "5/8 in")
"""From the middle of a plate to each of its own two screws."""
UNDER_PLATES = "wall.between-plates-own-screws-countersink-until"
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
            made += _spaced(spacer, spacer_brads(fixing), fixing.sizes)
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
        *under, top = (place(part, Face.FRONT, screw) for part in _passed(rack, screw))
        outer.append(top)
        inner += under
    if outer:
        yield drill(Kind.WALL_HOLE, outer, width, note, head=head, takes=takes)
    if inner:
        yield drill(Kind.WALL_HOLE, inner, width, tr("wall.through-both-boards-clamped-as-they"))


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


def _made(rack: Rack, fixing: Fixed, strips: tuple[Part, ...]) -> Iterator[Operation]:
    takes, trade = _takes(fixing), fixing.sizes
    parts = {part.key: part for part in rack.parts}
    if fixing.by in THROUGH:
        head: Head = (
            "washer"
            if fixing.anchor.lag
            else "plugged"
            if fixing.by == "plugged"
            else "countersunk"
        )
        note = tr(UNDER_PLATES) if fixing.by == "plates" else head_note(head, trade)
        made = tuple(holes(rack, fixing.screws, fixing.anchor.clear, head, note, takes))
        if head == "plugged":
            left = max(min(parts[key].depth for key in made[0].parts) - PLUG_DEEP.of(trade), ZERO)
            said = tr("wall.before-hole-its-point-marks-middle")
            yield drill(
                Kind.PLUG_SEAT,
                made[0].places,
                PLUG.of(trade),
                said,
                deep=PLUG_DEEP.of(trade),
                left=left,
                stop=tr("wall.depth-collar"),
            )
        yield from made
        return
    backs = tuple(place(parts[screw.part], Face.BACK, screw) for screw in fixing.screws)
    thin = min(parts[screw.part].depth for screw in fixing.screws)
    if fixing.by == "keyholes":
        said = tr("wall.let-plate-in-flush-its-slot")
        left = max(thin - SLOT_DEEP.of(trade), ZERO)
        yield drill(
            Kind.KEYHOLE,
            backs,
            SLOT.of(trade),
            said,
            deep=SLOT_DEEP.of(trade),
            left=left,
            stop=tr("wall.depth-collar"),
            takes=takes,
        )
    elif fixing.by in ("hangers", "mirrors"):
        deep = min(PLATE_SCREW.of(trade), thin - PLATE_STAYS.of(trade))
        pairs = (
            place
            for screw in fixing.screws
            for place in _beside(parts[screw.part], screw, fixing.by, BESIDE.of(trade))
        )
        said = tr("wall.two-screws-piece-shorter-than-board")
        yield drill(
            Kind.HANGER_PILOT,
            pairs,
            screw_sizes(PLATES.of(trade))["softwood"],
            said,
            deep=deep,
            left=thin - deep,
            stop=tr("wall.depth-collar"),
            takes=takes,
        )
    else:
        yield from on_strips(fixing, strips, takes)


def _beside(part: Part, screw: Screw, by: str, apart: Fraction) -> Iterator[Place]:
    """A plate's own two screws: to both sides of it, or one behind the other where it is let in
    from the end.
    """
    inward = 1 if screw.x < part.x + part.length / 2 else -1
    steps = (-apart, apart) if by == "hangers" else (inward * 2 * apart, inward * 3 * apart)
    for step in steps:
        yield place(part, Face.BACK, Screw(part.key, screw.x + step, screw.y, None))


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
            thick, wide = BATTEN.of(fixing.sizes)
            yield Part(
                f"strip-{k}",
                tr("part.wall-batten", number=number),
                start,
                y - wide / 2,
                ZERO,
                end - start,
                wide,
                thick,
                "softwood",
            )
        else:
            thick, wide = CLEAT.of(fixing.sizes)
            blank = 2 * wide, thick
            half = Part(
                f"strip-{k}",
                tr("part.cleat-on-the-wall", number=number),
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
                tr("part.cleat-on-the-rack", number=number),
                start,
                y - wide / 2,
                ZERO,
                end - start,
                wide,
                thick,
                "softwood",
                of=half.key,
            )


def _spacer(fixing: Fixed, before: int, of: str) -> Iterator[Part]:
    if fixing.spacer:
        thick = strip_size(fixing.by, fixing.sizes)[0]
        wide = min(CLEAT.of(fixing.sizes)[1], down(fixing.spacer, fixing.sizes))
        on = fixing.body.foot
        yield Part(
            f"spacer-{before + 1}-wall",
            tr("part.spacer", of=of),
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
    thick = strip_size(fixing.by, fixing.sizes)[0]
    return brads(thick, on.depth, on.length, fixing.sizes)


def _spaced(spacers: Sequence[Part], pins: Ware, trade: Trade) -> Iterator[Operation]:
    for part in spacers:
        yield Operation(
            Kind.SPACER,
            (part.key,),
            tr("tool.long-sawn"),
            part.length,
            None,
            0,
            None,
            tr("stop.square"),
            tr("wall.strip-thick-glued-pinned-back-along", depth=size_text(part.depth, trade)),
            how=tr("wall.cut-to-length"),
            takes=(pins,),
            many=1,
        )


def _takes(fixing: Fixed) -> tuple[Take, ...]:
    """What hangs a body on the wall, beside its strips: its fixings, and what they hold it by."""
    count, anchor, trade = len(fixing.screws), fixing.anchor, fixing.sizes
    takes: list[Take] = []
    if anchor.goods is Goods.WOOD_SCREW:
        takes.append(screws(anchor.sizes[0], fixing.length, count))
    else:
        sizes = (*anchor.sizes, size_text(fixing.length, trade))
        takes.append(Ware(anchor.goods, count, sizes))
    if anchor.lag:
        washer = row_of("lags", anchor.size, trade)["washer"]
        takes.append(Ware(Goods.WASHER, count, (washer,)))
    match fixing.by:
        case "keyholes" | "hangers" | "mirrors":
            plates = screws(PLATES.of(trade), PLATE_SCREW.of(trade), 2 * count)
            takes += [Ware(Goods(fixing.by), count), plates]
        case "plugged":
            takes.append(Ware(Goods.PLUG, count, (size_text(PLUG.of(trade), trade),)))
    return tuple(takes)
