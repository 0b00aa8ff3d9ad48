"""A box with adjustable shelves that hooks over a bevelled cleat, beside rails: for helmets, lamps
and tools.

Both halves of the cleat come from one strip, ripped at 45 degrees: one is screwed to the wall, its
edge rising towards the room, the other to the box.
"""

from collections.abc import Iterator
from dataclasses import replace
from math import floor

from yardcliff.core.brief.choices import Field, Option, Section
from yardcliff.core.findings.working import Figure, Input
from yardcliff.core.materials.goods import Goods, Ware, Wood
from yardcliff.core.rack import Face, Hold, Joint, Kind, Operation, Part, Place, drill
from yardcliff.core.strength.link import Link
from yardcliff.core.units.angles import both_ways
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text
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
from yardcliff.core.ways.joinery import BITE, CLEARANCE, meet, screwed
from yardcliff.core.ways.prisms import prism
from yardcliff.core.ways.shared import Extra

STEP = Fraction(32)
"""From pin hole to pin hole, mm: the usual step."""
FREE = Fraction(60)
"""From the box's top and bottom to the first pin holes, mm."""
PIN, PIN_DEEP = Fraction(5), Fraction(10)
"""Of a shelf pin, mm."""
COLUMN = Fraction(1, 5)
"""From the box's front and back to its columns of pin holes, as a share of its depth."""
PLAY = Fraction(2)
"""Of a shelf between the sides, mm."""
ZERO = Fraction(0)


def fit(box: Box, x: Fraction, top: Fraction, wood: Wood, things: Fraction) -> Extra:
    """The box with its upper edge at `top`, to the right of `x`; nothing where there is none. What
    hangs reaches as far to the right as `things`.
    """
    if box.stands == "none":
        return Extra()
    left, foot, inner = x + box.apart, top - box.height, inner_width(box)
    sides = tuple(
        Part(
            f"box-side-{k + 1}",
            f"Box side {k + 1}",
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
        deep = max(box.depth - SHELF, SHELF)
        return Part(
            key, name, start + play / 2, y, SHELF, inner - play, SHELF, deep, wood, bears_g=bears
        )

    ends = (
        board("box-top", "Box top", top - SHELF),
        board("box-bottom", "Box bottom", foot, bears=box.load),
    )
    holes = _holes(box)
    shelves = tuple(
        board(f"box-shelf-{k + 1}", f"Box shelf {k + 1}", foot + SHELF + FREE + STEP * at, PLAY)
        for k, at in enumerate(_on_holes(box.shelves, holes))
    )
    hook, wall = _cleat(start, inner, top, wood)
    return Extra(
        (*sides, *ends, *shelves, hook, wall),
        (
            *(Joint(end.key, side.key, Hold.SCREWS) for end in ends for side in sides),
            *(Joint(hook.key, part.key, Hold.SCREWS) for part in sides),
            Joint(hook.key, wall.key, Hold.HOOKED, glued=False),
        ),
        tuple(_machining(box, holes, sides, ends, (hook, wall))),
        (*_figures(box, inner, holes), lip_figure(box, inner, wood)),
        (*findings(box, foot, things - x), *lip_findings(box, wood)),
        (
            (
                "Ripping a bevel: the offcut falls free of the blade; push with a stick, not with"
                " the hand."
            ),
        ),
        (Link("board", "lip of the box's cleat", lip_height(box, wood), "aside.lip"),),
    )


def _holes(box: Box) -> int:
    """Pin holes one above the other."""
    return max(floor((box.height - 2 * (SHELF + FREE)) / STEP) + 1, 0)


def _on_holes(shelves: int, holes: int) -> list[int]:
    """The holes that shelves lie on at first: evenly apart, each on its own."""
    return sorted({holes * (k + 1) // (shelves + 1) for k in range(shelves)} & set(range(holes)))


def _cleat(x: Fraction, length: Fraction, top: Fraction, wood: Wood) -> tuple[Part, Part]:
    """The half on the box, flush with its top, and the one on the wall."""
    high, thick, strip = float(top), float(SHELF), float(STRIP)
    low = high - strip
    slant = (0.0, low), (thick, low + thick)
    hook = prism(
        "box-cleat", "Cleat on the box", x, length, (*slant, (thick, high), (0.0, high)), wood
    )
    foot = low + thick - strip
    # Both halves come out of one blank: see the schedule.
    return replace(hook, sawn=(2 * STRIP - SHELF, SHELF)), replace(
        prism(
            "wall-cleat",
            "Box cleat on the wall",
            x,
            length,
            (*slant[::-1], (0.0, foot), (thick, foot)),
            wood,
        ),
        of=hook.key,
    )


def _machining(
    box: Box, holes: int, sides: tuple[Part, ...], ends: tuple[Part, Part], cleat: tuple[Part, Part]
) -> Iterator[Operation]:
    hook, wall = cleat
    inner = hook.length
    yield Operation(
        Kind.HALVES,
        (hook.key, wall.key),
        "strip, ripped through",
        SHELF,
        None,
        45,
        None,
        "the fence",
        f"One strip {exact_text(2 * STRIP - SHELF)} wide gives both halves.",
        how=both_ways(45),
        many=1,
        spot="along the strip",
    )
    if holes and box.shelves:
        yield drill(
            Kind.SHELF_PIN,
            (
                Place(part.key, face, SHELF + FREE + STEP * k, across)
                for part, face in zip(sides, (Face.RIGHT, Face.LEFT), strict=True)
                for across in (box.depth * COLUMN, box.depth * (1 - COLUMN))
                for k in range(holes)
            ),
            PIN,
            f"{exact_text(STEP)} apart from {exact_text(SHELF + FREE)} above the foot, a fifth of"
            " the depth from front and back; both sides by one strip, feet flush.",
            deep=PIN_DEEP,
            left=box.side - PIN_DEEP,
            stop="depth stop, and a strip of holes",
            takes=(Ware(Goods.SHELF_PIN, 4 * box.shelves, (exact_text(PIN),)),),
        )
    deep = min(BITE, inner / 3)
    yield from screwed(
        [meet(side, part, 2) for side in sides for part in (*ends, hook)],
        deep,
        (
            "Two at each end of top, bottom and cleat; countersunk.",
            "Into end grain, for screws of {long}; glue as well.",
        ),
    )
    yield drill(
        Kind.WALL_HOLE,
        (
            Place(wall.key, Face.FRONT, x, (wall.height - wall.depth) / 2)
            for x in (inner / 8, inner * 7 / 8)
        ),
        CLEARANCE,
        "Level, and moved to two studs where there are any; its bevel rises towards the room.",
        head="countersunk",
    )


def _figures(box: Box, inner: Fraction, holes: int) -> Iterator[Figure]:
    width, side = Input("w", "box wide", box.width), Input("s", "side", box.side)
    yield Figure(
        "aside.inner",
        "Box top, bottom, cleat",
        inner,
        "max(w − 2 · s, 1)",
        (width, side),
        "Between the sides.",
    )
    yield Figure(
        "aside.shelf",
        "Cut each loose shelf",
        max(inner - PLAY, ZERO),
        "max(i − y, 0)",
        (Input("i", "between the sides", inner), Input("y", "play", PLAY)),
        "It has to drop in past the pins.",
    )
    height, free = (
        Input("h", "box tall", box.height),
        Input("f", "free above and below", SHELF + FREE),
    )
    yield Figure(
        "aside.holes",
        "Pin holes, one above another",
        str(holes),
        "max(floor((h − 2 · f) / p) + 1, 0)",
        (height, free, Input("p", "step", STEP)),
        "In two columns on each side.",
    )


def choices(box: Box) -> Section:
    """What a box beside is asked."""
    stands = Field(
        "aside.stands",
        "box beside",
        (
            Option("none", "none", "Rails alone."),
            Option(
                "right",
                "to the right",
                "Hooked over a cleat, with loose shelves: for what belongs to the things.",
            ),
        ),
    )
    if box.stands == "none":
        return Section("Box beside", (stands,))
    fields = (
        Field("aside.width", "wide"),
        Field("aside.height", "tall"),
        Field("aside.depth", "deep"),
        Field("aside.side", "side"),
        Field("aside.apart", "apart"),
        Field("aside.shelves", "shelves"),
        Field("aside.load", "load g"),
    )
    return Section("Box beside", (stands, *fields), ("aside.inner", "aside.shelf", "aside.holes"))
