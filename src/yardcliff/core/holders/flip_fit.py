"""Folding fingers fitted to their board: the joint, its parts and its figures."""

from collections.abc import Iterator
from math import cos, radians, sin

from yardcliff.core.findings.working import Figure, Input
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
from yardcliff.core.holders.hook import pilot_bit
from yardcliff.core.materials.goods import Blank, Goods, Ware, screws
from yardcliff.core.rack import Bore, Kind, Operation, Outline
from yardcliff.core.shapes.geometry import circle, rectangle, rounded
from yardcliff.core.strength.force import Pulled
from yardcliff.core.strength.wood import PART, SAFETY, bending
from yardcliff.core.units.angles import both_ways, degrees
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text


def fit(flip: Flip, ground: Ground) -> Fitting:
    """Fit flip pegs to a board; findings carry (0, 0), the pin."""
    low, high = groove(flip)
    wide, web = flip.width + flip.play, ground.thickness - flip.thickness
    out = rounded(float(flip.length) * cos(radians(flip.tilt))) - flip.thickness / 2
    beside = (wide + SEAT) / 2
    seat, (long, _) = flip.thickness / 2 + flip.pin / 2, kept(ground.wood, ground.thickness)
    return Fitting(
        name="flip pegs",
        reach=half(wide),
        glyph=FlipGlyph(
            flip.width, low + high, rounded(float(flip.length) * sin(radians(flip.tilt))), out
        ),
        bores=(Bore("groove", (high - low) / 2, wide, flip.thickness, flip.tilt),),
        end_distance=wide / 2 + SEAT,
        end_why="so that the pin's seat does not break out of the end",
        hang_drop=ZERO,
        figures=tuple(_figures(flip, ground, out, web)),
        findings=tuple(findings(flip, ground, web)),
        machining=(
            Operation(
                Kind.GROOVE,
                (),
                "wide, routed",
                wide,
                flip.thickness,
                0,
                web,
                "blocks at both ends",
                f"From {exact_text(low)} below each mark to {exact_text(high)} above; square the"
                " ends with a chisel.",
                offsets=((ZERO, (high - low) / 2),),
                cut=(-wide / 2, wide / 2, -(high + low) / 2, (high + low) / 2),
            ),
            Operation(
                Kind.PIN_SEAT,
                (),
                "kerf beside the groove",
                flip.pin,
                seat,
                0,
                ground.thickness - seat,
                "a stop on the saw",
                f"Across the groove at the mark, {exact_text(SEAT)} to each side; a steel plate"
                " over each, let in flush, closes it.",
                offsets=tuple((side * beside, ZERO) for side in (-1, 1)),
                cut=(-SEAT / 2, SEAT / 2, -flip.pin / 2, flip.pin / 2),
            ),
            pilots(
                ground,
                tuple((side * beside, up) for side in (-1, 1) for up in (KEEPER_UP, -KEEPER_UP)),
                pilot_bit("4.0", ground.wood),
                long - KEEPER,
                "One above and one below each seat, through its plate laid in place.",
                (Ware(Goods.KEEPER, 2, (exact_text(KEEPER),)), screws("4.0", long, KEPT)),
            ),
            Operation(
                Kind.PIN_HOLE,
                (),
                "bit",
                flip.pin,
                None,
                0,
                None,
                "through, on scrap",
                "Half its thickness from the heel and from the faces. Round the heel over, then try"
                " it in a scrap of the groove.",
                takes=(
                    Blank(
                        "Finger",
                        "board",
                        "hardwood",
                        flip.width,
                        flip.thickness,
                        flip.length + flip.thickness / 2,
                    ),
                    Blank("Pin", "bar", "steel", flip.pin, flip.pin, wide + 2 * SEAT),
                ),
                many=1,
                piece="Finger",
                spot="side",
            ),
            Operation(
                Kind.STOP,
                (),
                "flat left on the heel",
                flip.thickness / 2,
                None,
                flip.tilt,
                None,
                "the groove's floor",
                "Plane it until the open finger rests at its tilt: shaving by shaving, all against"
                " one.",
                how=both_ways(flip.tilt),
                many=1,
                piece="Finger",
                spot="heel",
            ),
        ),
        cautions=(
            (
                "Routing a stopped groove: plunge, never drop in; clamp the blocks, and keep both"
                " hands on the router."
            ),
            (
                "Small fingers turn and split: drill and shape them on the stick, and cut them off"
                " last."
            ),
        ),
        outline=Outline(
            "a finger",
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
            "the pin",
            "Round heel and tip to the line; the flat on the heel comes last, in a scrap of the"
            " groove.",
        ),
        links=tuple(links(flip, ground)),
    )


def _figures(flip: Flip, ground: Ground, out: Fraction, web: Fraction) -> Iterator[Figure]:
    h, p = Input("h", "finger thick", flip.thickness), Input("p", "play", flip.play)
    length, t = (
        Input("l", "pin to tip", flip.length),
        Input("t", "tilt from square", degrees(flip.tilt)),
    )
    yield Figure(
        "flip.groove",
        "Groove wide",
        flip.width + flip.play,
        "b + p",
        (Input("b", "finger wide", flip.width), p),
        "The finger swings freely and does not rattle.",
        fine=True,
    )
    yield Figure(
        "flip.long",
        "Groove long",
        sum(groove(flip), ZERO),
        "l + h / 2 + 2 · p",
        (length, h, p),
        "From under the round heel to past the tip: folded up, the finger lies flush.",
    )
    yield Figure(
        "flip.out",
        "Stands out",
        out,
        "l · cos t − h / 2",
        (length, t, h),
        "Open, from the face to the tip.",
    )
    yield Figure(
        "flip.web",
        "Wood behind",
        web,
        "T − h",
        (Input("T", "board", ground.thickness), h),
        "What the groove leaves of the board: it is as deep as the finger is thick.",
        fine=True,
    )
    yield Figure(
        "flip.board",
        "Board at least",
        tall(flip),
        "l + h / 2 + 2 · p + 2 · e",
        (length, h, p, Input("e", "wood at its ends", EDGE)),
        "The folded finger decides how wide the board is.",
    )
    yield stress_figure(flip, ground.pulled, flip.pin)
    pull, (_, may) = (
        levered(float(flip.length), float(flip.thickness) / 2, ground.pulled.force),
        kept(ground.wood, ground.thickness),
    )
    yield seat_figure(
        flip,
        ground.pulled,
        Input("e", "heel below the pin", flip.thickness / 2),
        pull,
        may,
        f"{KEPT} screws of 4 mm over the pin",
    )


def stress_figure(flip: Flip, pulled: Pulled, bore: Fraction) -> Figure:
    """The stress with its working; `bore` is of the hole that weakens the finger where it turns."""
    inputs = (
        Input("F", pulled.says, f"{pulled.force:.1f} N"),
        Input("l", "to its tip", flip.length),
        Input("b", "finger wide", flip.width),
        Input("h", "finger thick", flip.thickness),
        Input("d", "hole", bore),
    )
    return Figure(
        "flip.stress",
        "Bending stress",
        f"{stress(flip, pulled.force, bore):.1f} MPa",
        "6 · F · l · h / (b · (h³ − d³))",
        inputs,
        f"A rule of thumb: hardwood may bear {bending('hardwood'):.0f} MPa, a {PART[SAFETY]} of"
        " what breaks it.",
    )


def seat_figure(
    flip: Flip, pulled: Pulled, lever: Input, pull: float, may: float, held: str
) -> Figure:
    """With what the finger draws at what it turns on, and what holds that."""
    return Figure(
        "flip.seat",
        "Draws at its seat",
        f"{pull:.0f} N",
        "F · l / e",
        (
            Input("F", pulled.says, f"{pulled.force:.1f} N"),
            Input("l", "to its tip", flip.length),
            lever,
        ),
        f"The open finger is a lever about its heel. {held} may be drawn at with {may:.0f} N: a"
        " fifth of what draws them out (Wood Handbook).",
    )
