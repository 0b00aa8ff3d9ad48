"""A box with adjustable shelves that hooks over a bevelled cleat, beside rails: for helmets, lamps
and tools.

Both halves of the cleat come from one strip, ripped at 45 degrees: one is screwed to the wall, its
edge rising towards the room, the other to the box.
"""

from collections.abc import Iterator
from dataclasses import replace
from math import floor

from yardcliff.core.brief.choices import Field, Option, Section
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.materials.goods import Goods, Ware, Wood
from yardcliff.core.rack import Face, Hold, Joint, Kind, Operation, Part, Place, drill
from yardcliff.core.strength.link import Link
from yardcliff.core.units.angles import both_ways
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, size_text
from yardcliff.core.units.trade import Trade, either
from yardcliff.core.ways.accessory_box_findings import (
    SHELF,
    STRIP,
    Box,
    findings,
    inner_width,
    lip_figure,
    lip_findings,
    lip_height,
)
from yardcliff.core.ways.joinery import BITE, clearance, meet, screwed
from yardcliff.core.ways.prisms import prism
from yardcliff.core.ways.shared import Extra
from yardcliff.messages import tr

STEP = either("32 mm", "1 1/4 in")
"""From pin hole to pin hole, mm: the usual step."""
FREE = either("60 mm", "2 1/2 in")
"""From the box's top and bottom to the first pin holes, mm."""
PIN, PIN_DEEP = either("5 mm", "1/4 in"), either("10 mm", "3/8 in")
"""Of a shelf pin, mm."""
COLUMN = Fraction(1, 5)
"""From the box's front and back to its columns of pin holes, as a share of its depth."""
PLAY = either("2 mm", "1/16 in")
"""Of a shelf between the sides, mm."""
ZERO = Fraction(0)


def fit(box: Box, x: Fraction, top: Fraction, wood: Wood, things: Fraction, tape: Tape) -> Extra:
    """The box with its upper edge at `top`, to the right of `x`; nothing where there is none. What
    hangs reaches as far to the right as `things`.
    """
    if box.stands == "none":
        return Extra()
    trade, thick = tape.sizes, SHELF.of(tape.sizes)
    left, foot, inner = x + box.apart, top - box.height, inner_width(box)
    sides = tuple(
        Part(
            f"box-side-{k + 1}",
            tr("part.box-side", number=k + 1),
            at,
            foot,
            ZERO,
            box.side,
            box.height,
            box.depth,
            wood,
            upright=True,
        )
        for k, at in enumerate((left, left + box.side + inner))
    )
    start = left + box.side

    def board(key: str, name: str, y: Fraction, play: Fraction = ZERO, bears: int = 0) -> Part:
        deep = max(box.depth - thick, thick)
        return Part(
            key, name, start + play / 2, y, thick, inner - play, thick, deep, wood, bears_g=bears
        )

    ends = (
        board("box-top", tr("part.box-top"), top - thick),
        board("box-bottom", tr("part.box-bottom"), foot, bears=box.load),
    )
    holes = _holes(box, trade)
    shelves = tuple(
        board(
            f"box-shelf-{k + 1}",
            tr("part.box-shelf", number=k + 1),
            foot + thick + FREE.of(trade) + STEP.of(trade) * at,
            PLAY.of(trade),
        )
        for k, at in enumerate(_on_holes(box.shelves, holes))
    )
    hook, wall = _cleat(start, inner, top, wood, trade)
    return Extra(
        (*sides, *ends, *shelves, hook, wall),
        (
            *(Joint(end.key, side.key, Hold.SCREWS) for end in ends for side in sides),
            *(Joint(hook.key, part.key, Hold.SCREWS) for part in sides),
            Joint(hook.key, wall.key, Hold.HOOKED, glued=False),
        ),
        tuple(_machining(box, holes, sides, ends, (hook, wall), tape)),
        (*_figures(box, inner, holes, trade), lip_figure(box, inner, wood, trade)),
        (*findings(box, foot, things - x, tape), *lip_findings(box, wood, tape)),
        (tr("ways.ripping-bevel-offcut-falls-free-blade"),),
        (
            Link(
                "board", tr("link.lip-of-the-boxs-cleat"), lip_height(box, wood, trade), "aside.lip"
            ),
        ),
    )


def _holes(box: Box, trade: Trade) -> int:
    """Pin holes one above the other."""
    free = SHELF.of(trade) + FREE.of(trade)
    return max(floor((box.height - 2 * free) / STEP.of(trade)) + 1, 0)


def _on_holes(shelves: int, holes: int) -> list[int]:
    """The holes that shelves lie on at first: evenly apart, each on its own."""
    return sorted({holes * (k + 1) // (shelves + 1) for k in range(shelves)} & set(range(holes)))


def _cleat(
    x: Fraction, length: Fraction, top: Fraction, wood: Wood, trade: Trade
) -> tuple[Part, Part]:
    """The half on the box, flush with its top, and the one on the wall."""
    high, thick, strip = float(top), float(SHELF.of(trade)), float(STRIP.of(trade))
    low = high - strip
    slant = (0.0, low), (thick, low + thick)
    hook = prism(
        "box-cleat",
        tr("part.cleat-on-the-box"),
        x,
        length,
        (*slant, (thick, high), (0.0, high)),
        wood,
    )
    foot = low + thick - strip
    # Both halves come out of one blank: see the schedule.
    return replace(hook, sawn=(2 * STRIP.of(trade) - SHELF.of(trade), SHELF.of(trade))), replace(
        prism(
            "wall-cleat",
            tr("part.box-cleat-on-the-wall"),
            x,
            length,
            (*slant[::-1], (0.0, foot), (thick, foot)),
            wood,
        ),
        of=hook.key,
    )


def _machining(
    box: Box,
    holes: int,
    sides: tuple[Part, ...],
    ends: tuple[Part, Part],
    cleat: tuple[Part, Part],
    tape: Tape,
) -> Iterator[Operation]:
    hook, wall = cleat
    trade, write = tape.sizes, tape.write_fine
    inner = hook.length
    yield Operation(
        Kind.HALVES,
        (hook.key, wall.key),
        tr("tool.strip-ripped-through"),
        SHELF.of(trade),
        None,
        45,
        None,
        tr("stop.the-fence"),
        tr(
            "ways.one-strip-wide-gives-both-halves",
            strip=write(2 * STRIP.of(trade) - SHELF.of(trade)),
        ),
        how=both_ways(45),
        many=1,
        spot=tr("spot.along-the-strip"),
    )
    if holes and box.shelves:
        yield drill(
            Kind.SHELF_PIN,
            (
                Place(part.key, face, SHELF.of(trade) + FREE.of(trade) + STEP.of(trade) * k, across)
                for part, face in zip(sides, (Face.RIGHT, Face.LEFT), strict=True)
                for across in (box.depth * COLUMN, box.depth * (1 - COLUMN))
                for k in range(holes)
            ),
            PIN.of(trade),
            tr(
                "ways.apart-from-above-foot-fifth-depth",
                step=write(STEP.of(trade)),
                shelf=write(SHELF.of(trade) + FREE.of(trade)),
            ),
            deep=PIN_DEEP.of(trade),
            left=box.side - PIN_DEEP.of(trade),
            stop=tr("ways.depth-stop-strip-holes"),
            takes=(Ware(Goods.SHELF_PIN, 4 * box.shelves, (size_text(PIN.of(trade), trade),)),),
        )
    deep = min(BITE.of(trade), inner / 3)
    yield from screwed(
        trade,
        [meet(trade, side, part, 2) for side in sides for part in (*ends, hook)],
        deep,
        ("ways.two-at-each-end-top-bottom", "ways.into-end-grain-for-screws-glue"),
    )
    yield drill(
        Kind.WALL_HOLE,
        (
            Place(wall.key, Face.FRONT, x, (wall.height - wall.depth) / 2)
            for x in (inner / 8, inner * 7 / 8)
        ),
        clearance(trade),
        tr("ways.level-moved-two-studs-where-there"),
        head="countersunk",
    )


def _figures(box: Box, inner: Fraction, holes: int, trade: Trade) -> Iterator[Figure]:
    width, side = (
        Input("w", tr("input.box-wide"), box.width),
        Input("s", tr("input.side"), box.side),
    )
    yield figure("aside.inner", inner, "max(w − 2 · s, 1)", (width, side))
    yield figure(
        "aside.shelf",
        max(inner - PLAY.of(trade), ZERO),
        "max(i − y, 0)",
        (
            Input("i", tr("input.between-the-sides"), inner),
            Input("y", tr("input.play"), PLAY.of(trade)),
        ),
    )
    height, free = (
        Input("h", tr("input.box-tall"), box.height),
        Input("f", tr("input.free-above-and-below"), SHELF.of(trade) + FREE.of(trade)),
    )
    yield figure(
        "aside.holes",
        str(holes),
        "max(floor((h − 2 · f) / p) + 1, 0)",
        (height, free, Input("p", tr("input.step"), STEP.of(trade))),
    )


def choices(box: Box) -> Section:
    """What a box beside is asked."""
    stands = Field(
        "aside.stands",
        tr("ways.box-beside"),
        (
            Option("none", tr("ways.none"), tr("ways.rails-alone")),
            Option(
                "right", tr("ways.to-the-right"), tr("ways.hooked-over-cleat-with-loose-shelves")
            ),
        ),
    )
    if box.stands == "none":
        return Section(tr("section.box-beside"), (stands,))
    fields = (
        Field("aside.width", tr("ways.wide")),
        Field("aside.height", tr("ways.tall")),
        Field("aside.depth", tr("ways.deep")),
        Field("aside.side", tr("ways.side")),
        Field("aside.apart", tr("ways.apart")),
        Field("aside.shelves", tr("ways.shelves")),
        Field("aside.load", tr("ways.load")),
    )
    return Section(
        tr("section.box-beside"), (stands, *fields), ("aside.inner", "aside.shelf", "aside.holes")
    )
