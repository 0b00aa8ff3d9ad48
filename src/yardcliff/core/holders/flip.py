"""A flip peg: a finger on a pin that folds up flush into a groove in the board's face, and stands out when it is down.

The groove is as deep as the finger is thick; the pin lies half of that behind the face. Open, a finger of length l
from its pin stands l cos t - h/2 out of the face at a tilt t, for its thickness h.
"""

from collections.abc import Iterator
from math import cos, radians, sin

from yardcliff.core.angles import both_ways, degrees
from yardcliff.core.exact import Fraction
from yardcliff.core.findings import Finding, Fix
from yardcliff.core.geometry import circle, rectangle, rounded
from yardcliff.core.holders.fitting import Fitting, Ground, half
from yardcliff.core.length import Gap, Size, exact_text
from yardcliff.core.materials import Blank
from yardcliff.core.model import Frozen, Tilt
from yardcliff.core.rack import Bore, Glyph, Operation, Outline
from yardcliff.core.strength import GRAVITY, SAFETY, TUG
from yardcliff.core.working import Figure, Input
from yardcliff.data import values

LEAST_WEB = Fraction(5)
"""Least wood behind a groove, mm: rule of thumb."""
EDGE = Fraction(12)
"""Least wood between a groove's end and the board's edge, mm: rule of thumb."""
SEAT = Fraction(15)
"""How far the pin lies in the board on each side of the groove, mm."""
ZERO = Fraction(0)


class Flip(Frozen):
    """`length` is from the pin to the tip; `width` along the wall; `play` on both sides and at the tip."""

    length: Size = Fraction(110)
    width: Size = Fraction(24)
    thickness: Size = Fraction(14)
    play: Gap = Fraction(1)
    tilt: Tilt = 8
    pin: Size = Fraction(5)


def groove(flip: Flip) -> tuple[Fraction, Fraction]:
    """How far a groove reaches below its pin and above it, mm: the round heel, and the finger with its play."""
    return flip.thickness / 2 + flip.play, flip.length + flip.play


def tall(flip: Flip) -> Fraction:
    """The least width of a board for such grooves, mm."""
    return sum(groove(flip)) + 2 * EDGE


def line(flip: Flip) -> Fraction:
    """The pins above the board's lower edge, mm: as low as the heel allows."""
    return groove(flip)[0] + EDGE


def stress(flip: Flip, load_g: int, bore: Fraction = ZERO) -> float:
    """The bending stress of an open finger where it turns, loaded at its tip, MPa: 6 F l h / (b (h^3 - d^3)), the hole d."""
    force = load_g / 1000 * GRAVITY * TUG
    b, h = float(flip.width), float(flip.thickness)
    return 6 * force * float(flip.length) * h / (b * max(h**3 - float(bore) ** 3, 1e-6))


def allowed() -> float:
    """What a finger may bear, MPa: it is of hardwood, whatever the board is."""
    return float(values("species", "hardwood")["rupture_mpa"]) / SAFETY


def fit(flip: Flip, ground: Ground) -> Fitting:
    """Fit flip pegs to a board; findings carry (0, 0), the pin."""
    low, high = groove(flip)
    wide, web = flip.width + flip.play, ground.thickness - flip.thickness
    out = rounded(float(flip.length) * cos(radians(flip.tilt))) - flip.thickness / 2
    seat = flip.thickness / 2 + flip.pin / 2
    return Fitting(
        name="flip pegs",
        reach=half(wide),
        glyph=Glyph("flip", flip.width, low + high, (), rounded(float(flip.length) * sin(radians(flip.tilt))), out),
        bores=(Bore("groove", (high - low) / 2, wide, flip.thickness, flip.tilt),),
        end_distance=wide / 2 + SEAT,
        end_why="so that the pin's seat does not break out of the end",
        hang_drop=ZERO,
        figures=tuple(_figures(flip, ground, out, web)),
        findings=tuple(_findings(flip, ground, web)),
        machining=(
            Operation(
                "Groove", 1, ground.part, "front", "wide, routed", wide, flip.thickness, 0, web, "blocks at both ends",
                f"From {exact_text(low)} below each mark to {exact_text(high)} above; square the ends with a chisel.",
            ),
            Operation(
                "Pin seat", 2, ground.part, "front", "kerf beside the groove", flip.pin, seat, 0, ground.thickness - seat,
                "a stop on the saw", f"Across the groove at the mark, {exact_text(SEAT)} to each side; a glued plug keeps the pin in.",
            ),
            Operation(
                "Pin hole", 1, "Finger", "side", "bit", flip.pin, None, 0, None, "through, on scrap",
                "Half its thickness from the heel and from the faces. Round the heel over, then try it in a scrap of the groove.",
                takes=(
                    Blank("Finger", "board", "hardwood", flip.width, flip.thickness, flip.length + flip.thickness / 2),
                    Blank("Pin", "bar", "steel", flip.pin, flip.pin, wide + 2 * SEAT),
                ),
            ),
            Operation(
                "Stop", 1, "Finger", "heel", "flat left on the heel", flip.thickness / 2, None, flip.tilt, None,
                "the groove's floor", "Plane it until the open finger rests at its tilt: shaving by shaving, all against one.",
                how=both_ways(flip.tilt),
            ),
        ),
        cautions=(
            "Routing a stopped groove: plunge, never drop in; clamp the blocks, and keep both hands on the router.",
            "Small fingers turn and split: drill and shape them on the stick, and cut them off last.",
        ),
        outline=Outline(
            "a finger",
            (
                *rectangle(
                    -float(flip.thickness) / 2, -float(flip.thickness) / 2, float(flip.length + flip.thickness / 2),
                    float(flip.thickness), float(flip.thickness) / 2,
                ),
                *circle(0, 0, float(flip.pin) / 2),
            ),
            "the pin",
            "Round heel and tip to the line; the flat on the heel comes last, in a scrap of the groove.",
        ),
    )  # fmt: skip


def _figures(flip: Flip, ground: Ground, out: Fraction, web: Fraction) -> Iterator[Figure]:
    h, p = Input("h", "finger thick", flip.thickness), Input("p", "play", flip.play)
    length, t = Input("l", "pin to tip", flip.length), Input("t", "tilt from square", degrees(flip.tilt))
    yield Figure("flip.groove", "Groove wide", flip.width + flip.play, "b + p", (Input("b", "finger wide", flip.width), p),
                 "The finger swings freely and does not rattle.", fine=True)  # fmt: skip
    yield Figure("flip.long", "Groove long", sum(groove(flip), ZERO), "l + h / 2 + 2 · p", (length, h, p),
                 "From under the round heel to past the tip: folded up, the finger lies flush.")  # fmt: skip
    yield Figure("flip.out", "Stands out", out, "l · cos t − h / 2", (length, t, h), "Open, from the face to the tip.")
    yield Figure("flip.web", "Wood behind", web, "T − h", (Input("T", "board", ground.thickness), h),
                 "What the groove leaves of the board: it is as deep as the finger is thick.", fine=True)  # fmt: skip
    yield Figure("flip.board", "Board at least", tall(flip), "l + h / 2 + 2 · p + 2 · e",
                 (length, h, p, Input("e", "wood at its ends", EDGE)), "The folded finger decides how wide the board is.")  # fmt: skip
    yield stress_figure(flip, ground.load_g)


def stress_figure(flip: Flip, load_g: int, bore: Fraction = ZERO) -> Figure:
    """The stress with its working; `bore` is of a hole that weakens the finger where it turns."""
    inputs = (
        Input("F", f"load, tugged {TUG} times its weight", f"{load_g / 1000 * GRAVITY * TUG:.1f} N"),
        Input("l", "to its tip", flip.length), Input("b", "finger wide", flip.width), Input("h", "finger thick", flip.thickness),
    )  # fmt: skip
    return Figure(
        "flip.stress", "Bending stress", f"{stress(flip, load_g, bore):.1f} MPa",
        "6 · F · l · h / (b · (h³ − d³))" if bore else "6 · F · l / (b · h²)",
        (*inputs, Input("d", "hole", bore)) if bore else inputs,
        f"A rule of thumb: hardwood may bear {allowed():.0f} MPa, a {SAFETY}th of what breaks it.",
    )  # fmt: skip


def _findings(flip: Flip, ground: Ground, web: Fraction) -> Iterator[Finding]:
    if web < LEAST_WEB:
        thick = exact_text(flip.thickness + LEAST_WEB)
        yield Finding(
            "flip.web", "Board", "Too little wood is left behind the grooves.", "wood behind", web, LEAST_WEB,
            fixes=(Fix(f"Board {thick} thick", {"board": {"thickness": thick}}),),
        )  # fmt: skip
    if ground.height < tall(flip):
        wide, short = exact_text(tall(flip)), (flip.length - (tall(flip) - ground.height)) // 1
        shorter = (
            (Fix(f"Fingers {short} mm long", {"flip": {"length": f"{short} mm"}}),) if short > flip.thickness else ()
        )
        yield Finding(
            "flip.board", "Board", "The folded fingers do not lie within the board.", "board", ground.height, tall(flip),
            fixes=(Fix(f"Board {wide} wide", {"board": {"height": wide}}), *shorter),
        )  # fmt: skip
    if flip.pin * 2 > flip.thickness:
        thin = exact_text(flip.thickness / 2)
        yield Finding(
            "flip.pin", "Pin", "A pin that thick leaves too little of the finger around it.", "pin", flip.pin,
            flip.thickness / 2, fixes=(Fix(f"{thin} pins", {"flip": {"pin": thin}}),),
        )  # fmt: skip
    yield from strength_finding(flip, ground.load_g)


def strength_finding(flip: Flip, load_g: int, bore: Fraction = ZERO) -> Iterator[Finding]:
    """Whether it may break; stress falls as fingers are made wider."""
    found = stress(flip, load_g, bore)
    if found > allowed():
        wider = exact_text(-(-flip.width * Fraction(str(round(found / allowed(), 4))) // 1) + 1 + ZERO)
        yield Finding(
            "flip.strength", "Finger", "With a tug on what hangs there the finger may break where it turns.", "bending stress",
            f"{found:.1f} MPa", f"{allowed():.0f} MPa", fixes=(Fix(f"Fingers {wider} wide", {"flip": {"width": wider}}),),
        )  # fmt: skip
