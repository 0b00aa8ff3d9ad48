"""Folding fingers fitted to their board: the joint, its parts and its figures."""

from collections.abc import Iterator
from math import cos, radians, sin

from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders.fitting import Fitting, Ground, half, pilots
from yardcliff.core.holders.flip import (
    EDGE,
    KEEPER,
    KEEPER_UP,
    KEPT,
    SEAT,
    ZERO,
    Flip,
    FlipGlyph,
    findings,
    groove,
    kept,
    levered,
    links,
    stress,
    tall,
)
from yardcliff.core.materials.goods import Blank, Goods, Ware
from yardcliff.core.materials.sold import JOINS, gauge_text, screw_sizes, screws
from yardcliff.core.rack import Bore, Kind, Operation, Outline
from yardcliff.core.shapes.geometry import circle, rectangle, rounded
from yardcliff.core.strength.force import Pulled
from yardcliff.core.strength.wood import PART, SAFETY, bending
from yardcliff.core.units.angles import both_ways, degrees
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import size_text
from yardcliff.core.units.trade import Trade
from yardcliff.core.units.weights import force_text, load_text
from yardcliff.messages import tr


def fit(flip: Flip, ground: Ground) -> Fitting:
    """Fit flip pegs to a board; findings carry (0, 0), the pin."""
    low, high = groove(flip)
    wide, web = flip.width + flip.play, ground.thickness - flip.thickness
    out = rounded(float(flip.length) * cos(radians(flip.tilt))) - flip.thickness / 2
    in_board = SEAT.of(ground.sizes)
    beside = (wide + in_board) / 2
    seat, (long, _) = flip.thickness / 2 + flip.pin / 2, kept(ground)
    keeper, up, gauge = KEEPER.of(ground.sizes), KEEPER_UP.of(ground.sizes), JOINS.of(ground.sizes)
    return Fitting(
        name=tr("holders.flip-pegs", n=2),
        noun=tr("holders.flip-pegs", n=1),
        reach=half(wide),
        glyph=FlipGlyph(
            flip.width, low + high, rounded(float(flip.length) * sin(radians(flip.tilt))), out
        ),
        bores=(Bore("groove", (high - low) / 2, wide, flip.thickness, flip.tilt),),
        end_distance=wide / 2 + in_board,
        end_why=tr("holders.so-pins-seat-does-not-break"),
        hang_drop=ZERO,
        figures=tuple(_figures(flip, ground, out, web)),
        findings=tuple(findings(flip, ground, web)),
        machining=(
            Operation(
                Kind.GROOVE,
                (),
                tr("tool.wide-routed"),
                wide,
                flip.thickness,
                0,
                web,
                tr("stop.blocks-at-both-ends"),
                tr(
                    "holders.from-below-each-mark-above-square",
                    low=ground.text(low),
                    high=ground.text(high),
                ),
                offsets=((ZERO, (high - low) / 2),),
                cut=(-wide / 2, wide / 2, -(high + low) / 2, (high + low) / 2),
            ),
            Operation(
                Kind.PIN_SEAT,
                (),
                tr("tool.kerf-beside-the-groove"),
                flip.pin,
                seat,
                0,
                ground.thickness - seat,
                tr("stop.a-stop-on-the-saw"),
                tr("holders.across-groove-at-mark-each-side", seat=ground.text(in_board)),
                offsets=tuple((side * beside, ZERO) for side in (-1, 1)),
                cut=(-in_board / 2, in_board / 2, -flip.pin / 2, flip.pin / 2),
            ),
            pilots(
                ground,
                tuple((side * beside, y) for side in (-1, 1) for y in (up, -up)),
                screw_sizes(gauge)[ground.wood],
                long - keeper,
                tr("holders.one-above-one-below-each-seat"),
                (
                    Ware(Goods.KEEPER, 2, (size_text(keeper, ground.sizes),)),
                    screws(gauge, long, KEPT),
                ),
            ),
            Operation(
                Kind.PIN_HOLE,
                (),
                tr("tool.bit"),
                flip.pin,
                None,
                0,
                None,
                tr("stop.through-on-scrap"),
                tr("holders.half-its-thickness-from-heel-from"),
                takes=(
                    Blank(
                        tr("piece.finger"),
                        "board",
                        "hardwood",
                        flip.width,
                        flip.thickness,
                        flip.length + flip.thickness / 2,
                    ),
                    Blank(tr("piece.pin"), "bar", "steel", flip.pin, flip.pin, wide + 2 * in_board),
                ),
                many=1,
                piece=tr("holders.finger"),
                spot=tr("spot.side"),
            ),
            Operation(
                Kind.STOP,
                (),
                tr("tool.flat-left-on-the-heel"),
                flip.thickness / 2,
                None,
                flip.tilt,
                None,
                tr("stop.the-grooves-floor"),
                tr("holders.plane-until-open-finger-rests-at"),
                how=both_ways(flip.tilt),
                many=1,
                piece=tr("holders.finger"),
                spot=tr("spot.heel"),
            ),
        ),
        cautions=(
            tr("caution.routing-stopped-groove-plunge-never-drop"),
            tr("caution.small-fingers-turn-split-drill-shape"),
        ),
        outline=Outline(
            tr("holders.a-finger"),
            (
                *rectangle(
                    -float(flip.thickness) / 2,
                    -float(flip.thickness) / 2,
                    float(flip.length + flip.thickness / 2),
                    float(flip.thickness),
                    float(flip.thickness) / 2,
                ),
                *circle(0, 0, float(flip.pin) / 2),
            ),
            tr("holders.the-pin"),
            tr("holders.round-heel-tip-line-flat-on"),
        ),
        links=tuple(links(flip, ground)),
    )


def _figures(flip: Flip, ground: Ground, out: Fraction, web: Fraction) -> Iterator[Figure]:
    h, p = (
        Input("h", tr("input.finger-thick"), flip.thickness),
        Input("p", tr("input.play"), flip.play),
    )
    length, t = (
        Input("l", tr("input.pin-to-tip"), flip.length),
        Input("t", tr("input.tilt-from-square"), degrees(flip.tilt)),
    )
    yield figure(
        "flip.groove",
        flip.width + flip.play,
        "b + p",
        (Input("b", tr("input.finger-wide"), flip.width), p),
        fine=True,
    )
    yield figure("flip.long", sum(groove(flip), ZERO), "l + h / 2 + 2 · p", (length, h, p))
    yield Figure(
        "flip.out",
        tr("flip.out.label"),
        out,
        "l · cos t − h / 2",
        (length, t, h),
        tr("flip.out.why.open-from-face-tip"),
    )
    yield figure(
        "flip.web", web, "T − h", (Input("T", tr("input.board"), ground.thickness), h), fine=True
    )
    yield figure(
        "flip.board",
        tall(flip, ground.sizes),
        "l + h / 2 + 2 · p + 2 · e",
        (length, h, p, Input("e", tr("input.wood-at-its-ends"), EDGE.of(ground.sizes))),
    )
    yield stress_figure(flip, ground.pulled, flip.pin)
    pull, (_, may) = (
        levered(float(flip.length), float(flip.thickness) / 2, ground.pulled.force),
        kept(ground),
    )
    yield seat_figure(
        flip,
        ground.pulled,
        Input("e", tr("input.heel-below-the-pin"), flip.thickness / 2),
        pull,
        may,
        tr("holders.screws-over-pin", kept=KEPT, gauge=gauge_text(JOINS.of(ground.sizes))),
        ground.tape.trade,
    )


def stress_figure(flip: Flip, pulled: Pulled, bore: Fraction) -> Figure:
    """The stress with its working; `bore` is of the hole that weakens the finger where it turns."""
    inputs = (
        Input("F", pulled.says, f"{pulled.force:.1f} N"),
        Input("l", tr("input.to-its-tip"), flip.length),
        Input("b", tr("input.finger-wide"), flip.width),
        Input("h", tr("input.finger-thick"), flip.thickness),
        Input("d", tr("input.hole"), bore),
    )
    return figure(
        "flip.stress",
        f"{stress(flip, pulled.force, bore):.1f} MPa",
        "6 · F · l · h / (b · (h³ − d³))",
        inputs,
        bending=f"{bending('hardwood'):.0f}",
        part=PART[SAFETY],
    )


def seat_figure(
    flip: Flip, pulled: Pulled, lever: Input, pull: float, may: float, held: str, trade: Trade
) -> Figure:
    """With what the finger draws at what it turns on, and what holds that."""
    return figure(
        "flip.seat",
        force_text(pull, trade),
        "F · l / e",
        (
            Input("F", pulled.says, f"{pulled.force:.1f} N"),
            Input("l", tr("input.to-its-tip"), flip.length),
            lever,
        ),
        held=held,
        may=load_text(may, trade),
    )
