"""Fingers on a rod fitted to their spacers: parts, holes and figures."""

from collections.abc import Iterator
from math import cos, radians, sin

from yardcliff.core.findings.working import Figure, Input
from yardcliff.core.holders.finger import (
    LEAST_SPACER,
    SCREWS,
    SUNK,
    THREAD,
    WOOD,
    ZERO,
    FingerGlyph,
    Rod,
    findings,
    hardware,
    heel,
    kept,
    lever,
    links,
    outline,
    spacer,
)
from yardcliff.core.holders.fitting import Fitting, Ground, half
from yardcliff.core.holders.flip import Flip, levered
from yardcliff.core.holders.flip_fit import seat_figure, stress_figure
from yardcliff.core.materials.goods import Blank, Goods, Ware
from yardcliff.core.rack import Bore, Kind, Operation, Outline
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.units.angles import degrees as written
from yardcliff.core.units.length import exact_text


def fit(flip: Flip, rod: Rod, ground: Ground) -> Fitting:
    """Fit fingers between spacers to a backer; findings carry (0, 0), the rod."""
    bits, ends = hardware(rod.size), heel(flip, rod)
    room = flip.width + 2 * bits.washer
    below = ends.below
    rise, reach = (rounded(float(flip.length) * way(radians(flip.tilt))) for way in (sin, cos))
    high = below + flip.length
    return Fitting(
        name="fingers on a rod",
        reach=half(room),
        glyph=FingerGlyph(flip.width, high, rise, rounded(ends.off) + reach),
        bores=(Bore("finger", (flip.length - below) / 2, flip.width, flip.thickness, flip.tilt),),
        end_distance=room / 2 + bits.recess + WOOD,
        end_why="so that the nut lies in the last spacer with wood behind it",
        hang_drop=ZERO,
        figures=tuple(_figures(flip, rod, ground)),
        findings=tuple(findings(flip, rod, ground)),
        machining=(
            Operation(
                Kind.PIN_HOLE,
                (),
                "bit",
                bits.bit,
                None,
                0,
                None,
                "through, on scrap",
                f"{float(below):.1f} mm from the heel's end, in the middle of its thickness: on the"
                " press, against a stop.",
                takes=(
                    Blank(
                        "Finger",
                        "board",
                        "hardwood",
                        max(flip.width, flip.thickness),
                        min(flip.width, flip.thickness),
                        high,
                    ),
                    Ware(Goods.WASHER, 2, (rod.size,)),
                ),
                many=1,
                piece="Finger",
                spot="side",
            ),
            Operation(
                Kind.HEEL,
                (),
                "from the end",
                rounded(ends.back[1] - ends.front[1]),
                None,
                round(ends.bevel, 1),
                None,
                "the line of the outline",
                "Then the flat: plane it until the open finger rests at its tilt, all against one.",
                how=(
                    f"{ends.bevel:.1f}° to the back face, and a flat"
                    f" {exact_text(rounded(round(float(ends.flat), 1)))} long"
                ),
                many=1,
                piece="Finger",
                spot="heel, back",
            ),
        ),
        cautions=(
            (
                "Short pieces in a saw: shape and drill fingers and spacers on the strip, and cut"
                " them off last."
            ),
            (
                "Tighten until the fingers just hold where they are put; a second nut or thread"
                " lock keeps it so."
            ),
        ),
        outline=Outline(
            "a finger",
            outline(flip, rod),
            "the rod",
            "Its back is up. Bevel and flat to the line; the flat comes last, on the backer.",
        ),
        links=tuple(links(flip, rod, ground)),
        apart=room + LEAST_SPACER,
    )


def _figures(flip: Flip, rod: Rod, ground: Ground) -> Iterator[Figure]:
    bits, ends = hardware(rod.size), heel(flip, rod)
    h, g = Input("h", "finger thick", flip.thickness), Input("g", "gap behind it", rod.gap)
    t, r = (
        Input("t", "tilt from square", written(flip.tilt)),
        Input("r", "rod off the backer", rounded(ends.off)),
    )
    yield Figure(
        "finger.off",
        "Rod off the backer",
        rounded(ends.off),
        "h / 2 + g",
        (h, g),
        "In fingers and spacers alike: half the finger and the gap behind it.",
    )
    yield Figure(
        "finger.bevel",
        "Heel bevel",
        f"{ends.bevel:.1f}°",
        "from the back face",
        (Input("a", "begins below the rod", rounded(-ends.back[1])), h, g, t),
        "What is further from the rod than the backer would jam as the finger opens.",
    )
    yield Figure(
        "finger.flat",
        "Flat left",
        ends.flat,
        "(h / 2 + r · sin t) / cos t",
        (h, r, t),
        "Open, it lies on the backer: that is the stop, and it carries what hangs.",
    )
    yield Figure(
        "finger.below",
        "Below the rod",
        ends.below,
        "r · cos t + f · sin t",
        (r, Input("f", "flat", ends.flat), t),
        "How far the heel reaches down; the spacers end with it.",
    )
    yield Figure(
        "flip.out",
        "Stands out",
        rounded(float(flip.length) * cos(radians(flip.tilt))) - flip.thickness / 2,
        "l · cos t − h / 2",
        (Input("l", "rod to tip", flip.length), t, h),
        "Open, from the front of the spacers to the tip.",
    )
    tall, deep, below = spacer(flip, rod)
    yield Figure(
        "finger.spacer",
        "Spacers tall",
        tall,
        "max(b + l − q, b)",
        (
            Input("b", "below the rod", below),
            Input("l", "rod to tip", flip.length),
            Input("q", "grip", rod.grip),
        ),
        "The fingers' tips stand above them, to be taken hold of.",
    )
    yield Figure(
        "finger.deep",
        "Spacers deep",
        deep,
        "h + g",
        (h, g),
        "So that the folded fingers lie flush.",
    )
    inputs = (
        Input("k", "washer", bits.washer),
        Input("m", "nut", bits.nut),
        Input("v", "thread beyond it", THREAD),
        Input("s", "sunk", SUNK),
    )
    yield Figure(
        "finger.recess",
        "Nut recess deep",
        bits.recess,
        "k + m + v + s",
        inputs,
        "Washer, nut and some thread, and the rod's end below the wood.",
    )
    yield stress_figure(flip, ground.pulled, bits.bit)
    e = lever(flip, rod)
    yield seat_figure(
        flip,
        ground.pulled,
        Input("e", "heel below the rod", rounded(e)),
        levered(float(flip.length), e, ground.pulled.force),
        kept(flip, rod, ground),
        f"{SCREWS} screws of the spacers beside it",
    )
