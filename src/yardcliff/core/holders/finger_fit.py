"""Fingers on a rod fitted to their spacers: parts, holes and figures."""

from collections.abc import Iterator
from math import cos, radians, sin

from yardcliff.core.findings.working import Figure, Input, figure
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
from yardcliff.messages import tr


def fit(flip: Flip, rod: Rod, ground: Ground) -> Fitting:
    """Fit fingers between spacers to a backer; findings carry (0, 0), the rod."""
    bits, ends = hardware(rod.size), heel(flip, rod)
    room = flip.width + 2 * bits.washer
    below = ends.below
    rise, reach = (rounded(float(flip.length) * way(radians(flip.tilt))) for way in (sin, cos))
    high = below + flip.length
    return Fitting(
        name=tr("holders.fingers-on-a-rod", n=2),
        noun=tr("holders.fingers-on-a-rod", n=1),
        reach=half(room),
        glyph=FingerGlyph(flip.width, high, rise, rounded(ends.off) + reach),
        bores=(Bore("finger", (flip.length - below) / 2, flip.width, flip.thickness, flip.tilt),),
        end_distance=room / 2 + bits.recess + WOOD.of(bits.sizes),
        end_why=tr("holders.so-nut-lies-in-last-spacer"),
        hang_drop=ZERO,
        figures=tuple(_figures(flip, rod, ground)),
        findings=tuple(findings(flip, rod, ground)),
        machining=(
            Operation(
                Kind.PIN_HOLE,
                (),
                tr("tool.bit"),
                bits.bit,
                None,
                0,
                None,
                tr("stop.through-on-scrap"),
                tr("holders.from-heels-end-in-middle", below=ground.tape.near(below)),
                takes=(
                    Blank(
                        tr("piece.finger"),
                        "board",
                        "hardwood",
                        max(flip.width, flip.thickness),
                        min(flip.width, flip.thickness),
                        high,
                    ),
                    Ware(Goods.WASHER, 2, (bits.passes,)),
                ),
                many=1,
                piece=tr("holders.finger"),
                spot=tr("spot.side"),
            ),
            Operation(
                Kind.HEEL,
                (),
                tr("tool.from-the-end"),
                rounded(ends.back[1] - ends.front[1]),
                None,
                round(ends.bevel, 1),
                None,
                tr("stop.the-line-of-the-outline"),
                tr("holders.then-flat-plane-until-open-finger"),
                how=tr(
                    "holders.back-face-flat-long",
                    bevel=f"{ends.bevel:.1f}",
                    flat=ground.tape.near(ends.flat),
                ),
                many=1,
                piece=tr("holders.finger"),
                spot=tr("spot.heel-back"),
            ),
        ),
        cautions=(
            tr("caution.short-pieces-in-saw-shape-drill"),
            tr("caution.tighten-until-fingers-just-hold-where"),
        ),
        outline=Outline(
            tr("holders.a-finger"),
            outline(flip, rod),
            tr("holders.the-rod"),
            tr("holders.its-back-up-bevel-flat-line"),
        ),
        links=tuple(links(flip, rod, ground)),
        apart=room + LEAST_SPACER.of(bits.sizes),
    )


def _figures(flip: Flip, rod: Rod, ground: Ground) -> Iterator[Figure]:
    bits, ends = hardware(rod.size), heel(flip, rod)
    h, g = (
        Input("h", tr("input.finger-thick"), flip.thickness),
        Input("g", tr("input.gap-behind-it"), rod.gap),
    )
    t, r = (
        Input("t", tr("input.tilt-from-square"), written(flip.tilt)),
        Input("r", tr("input.rod-off-the-backer"), rounded(ends.off)),
    )
    yield figure("finger.off", rounded(ends.off), "h / 2 + g", (h, g))
    yield figure(
        "finger.bevel",
        f"{ends.bevel:.1f}°",
        tr("finger.bevel.formula"),
        (Input("a", tr("input.begins-below-the-rod"), rounded(-ends.back[1])), h, g, t),
    )
    yield figure("finger.flat", ends.flat, "(h / 2 + r · sin t) / cos t", (h, r, t))
    yield figure(
        "finger.below",
        ends.below,
        "r · cos t + f · sin t",
        (r, Input("f", tr("input.flat"), ends.flat), t),
    )
    yield figure(
        "flip.out",
        rounded(float(flip.length) * cos(radians(flip.tilt))) - flip.thickness / 2,
        "l · cos t − h / 2",
        (Input("l", tr("input.rod-to-tip"), flip.length), t, h),
    )
    tall, deep, below = spacer(flip, rod)
    yield figure(
        "finger.spacer",
        tall,
        "max(b + l − q, b)",
        (
            Input("b", tr("input.below-the-rod"), below),
            Input("l", tr("input.rod-to-tip"), flip.length),
            Input("q", tr("input.grip"), rod.grip),
        ),
    )
    yield figure("finger.deep", deep, "h + g", (h, g))
    inputs = (
        Input("k", tr("input.washer"), bits.washer),
        Input("m", tr("input.nut"), bits.nut),
        Input("v", tr("input.thread-beyond-it"), THREAD.of(bits.sizes)),
        Input("s", tr("input.sunk"), SUNK.of(bits.sizes)),
    )
    yield figure("finger.recess", bits.recess, "k + m + v + s", inputs)
    yield stress_figure(flip, ground.pulled, bits.bit)
    e = lever(flip, rod)
    yield seat_figure(
        flip,
        ground.pulled,
        Input("e", tr("input.heel-below-the-rod"), rounded(e)),
        levered(float(flip.length), e, ground.pulled.force),
        kept(flip, rod, ground),
        tr("holders.screws-of-the-spacers-beside-it", screws=SCREWS),
        ground.tape.trade,
    )
