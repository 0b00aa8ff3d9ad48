"""A perch: what it is asked, and its figures and findings."""

from collections.abc import Iterator
from math import ceil, radians, sin, tan
from typing import Literal

from yardcliff.core.base.model import Frozen, Tilt
from yardcliff.core.brief.rack_brief import Board, RackBrief
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input
from yardcliff.core.holders import hook as hooks
from yardcliff.core.holders import kit
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.units.angles import both_ways, degrees
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Size, exact_text
from yardcliff.core.ways.joinery import LEG, REACH

CLEAR = Fraction(15)
"""Between a bracket's foot and the hooks below it, mm."""


STOP = Fraction(12)
"""A lower stop lets round things roll over it, mm: rule of thumb."""


class Sloped(Frozen):
    """`depth` from the plate to the stop, along the slope; the `stop` stands so high above it."""

    depth: Size = Fraction(160)
    thickness: Size = Fraction(18)
    slope: Tilt = 10
    stop: Size = Fraction(25)
    stop_thickness: Size = Fraction(12)
    bracket: Size = Fraction(21)


class PerchBrief(RackBrief):
    """`board` is the back plate, flush with the shelf at its top; `low` is the hooks' axis above
    its lower edge.
    """

    family: Literal["perch"] = "perch"
    holder: kit.Holder = hooks.Hook()
    low: Size = Fraction(50)
    perch: Sloped = Sloped()
    board: Board = Board(height=Fraction(280))


def figures(brief: PerchBrief, under: float) -> Iterator[Figure]:
    """How deep it is, how far it slopes, how high its stop is."""
    shelf = brief.perch
    s = radians(shelf.slope)
    d, thick = Input("d", "shelf deep", shelf.depth), Input("w", "shelf thick", shelf.thickness)
    t = Input("t", "slope", degrees(shelf.slope))
    yield Figure(
        "perch.lower",
        "Front lower by",
        rounded(float(shelf.depth) * sin(s)),
        "d · sin t",
        (d, t),
        "Enough that things slide to the stop, and not over it.",
    )
    yield Figure(
        "perch.cut",
        "Cut the shelf",
        rounded(float(shelf.depth) + float(shelf.thickness) * tan(s)),
        "d + w · sin t / cos t",
        (d, thick, t),
        "Wide on its upper face: the bevel at the back takes its share.",
    )
    yield Figure(
        "perch.bevel",
        "Bevel",
        both_ways(shelf.slope),
        "90° − t",
        (t,),
        "At the shelf's back edge, so that it lies flat on the plate.",
    )
    b = Input("b", "under the shelf", rounded(under))
    yield Figure(
        "perch.bracket",
        "Bracket, under the shelf",
        rounded(under),
        "d · r",
        (d, Input("r", "share", f"{float(REACH):g}")),
        "As far as it has to carry.",
    )
    yield Figure(
        "perch.leg",
        "Bracket, down the plate",
        rounded(under) * LEG,
        "b · k",
        (b, Input("k", "share", f"{float(LEG):g}")),
        "Its screws hold the shelf from tipping.",
    )


def room(brief: PerchBrief, fitted: Fitting) -> Fraction:
    """Above the hooks' axis, to the foot of the brackets: hooks, and what stands up
    from them, mm.
    """
    stands = max(item.above for item in brief.kinds.values()) - fitted.hang_drop
    return max(fitted.glyph.height / 2, stands) + CLEAR


def findings(brief: PerchBrief, fitted: Fitting, low: Fraction) -> Iterator[Finding]:
    """Brackets in the way, a stop too low."""
    shelf = brief.perch
    need = brief.hung + room(brief, fitted)
    if low < need:
        taller = exact_text(Fraction(ceil(brief.board.height + need - low)))
        yield Finding(
            "perch.plate",
            "Back plate",
            "The brackets come down to the hooks, or to what hangs there.",
            "foot of the brackets",
            low,
            need,
            fixes=(Fix(f"Back plate {taller} wide", {"board": {"height": taller}}),),
        )
    if shelf.slope and shelf.stop < STOP:
        high = exact_text(STOP)
        yield Finding(
            "perch.stop",
            "Stop",
            "So low a stop lets things slide over it.",
            "stop",
            shelf.stop,
            STOP,
            fixes=(Fix(f"A stop of {high}", {"perch": {"stop": high}}),),
        )
