"""A perch: what it is asked, and its figures and findings."""

from collections.abc import Iterator
from math import radians, sin, tan
from typing import Literal

from yardcliff.core.base.model import Frozen, Tilt
from yardcliff.core.brief.rack_brief import Board, RackBrief
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders import hook as hooks
from yardcliff.core.holders import kit
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.units.angles import both_ways, degrees
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Size, exact_text
from yardcliff.core.units.trade import either, up, usual
from yardcliff.core.ways.joinery import LEG, REACH
from yardcliff.messages import tr

CLEAR = either("15 mm", "1/2 in")
"""Between a bracket's foot and the hooks below it, mm."""


STOP = either("12 mm", "1/2 in")
"""A lower stop lets round things roll over it, mm: rule of thumb."""


class Sloped(Frozen):
    """`depth` from the plate to the stop, along the slope; the `stop` stands so high above it."""

    depth: Size = usual("160 mm", "6 1/2 in")
    thickness: Size = usual("18 mm", "3/4 in")
    slope: Tilt = 10
    stop: Size = usual("25 mm", "1 in")
    stop_thickness: Size = usual("12 mm", "1/2 in")
    bracket: Size = usual("21 mm", "3/4 in")


class PerchBrief(RackBrief):
    """`board` is the back plate, flush with the shelf at its top; `low` is the hooks' axis above
    its lower edge.
    """

    family: Literal["perch"] = "perch"
    holder: kit.Holder = hooks.Hook()
    low: Size = usual("50 mm", "2 in")
    perch: Sloped = Sloped()
    board: Board = usual(Board(height=Fraction(280)), {"height": "11 1/4 in"})


def figures(brief: PerchBrief, under: float) -> Iterator[Figure]:
    """How deep it is, how far it slopes, how high its stop is."""
    shelf = brief.perch
    s = radians(shelf.slope)
    d, thick = (
        Input("d", tr("input.shelf-deep"), shelf.depth),
        Input("w", tr("input.shelf-thick"), shelf.thickness),
    )
    t = Input("t", tr("input.slope"), degrees(shelf.slope))
    yield figure("perch.lower", rounded(float(shelf.depth) * sin(s)), "d · sin t", (d, t))
    yield figure(
        "perch.cut",
        rounded(float(shelf.depth) + float(shelf.thickness) * tan(s)),
        "d + w · sin t / cos t",
        (d, thick, t),
    )
    yield figure("perch.bevel", both_ways(shelf.slope), "90° − t", (t,))
    b = Input("b", tr("input.under-the-shelf"), rounded(under))
    yield figure(
        "perch.bracket",
        rounded(under),
        "d · r",
        (d, Input("r", tr("input.share"), f"{float(REACH):g}")),
    )
    yield figure(
        "perch.leg",
        rounded(under) * LEG,
        "b · k",
        (b, Input("k", tr("input.share"), f"{float(LEG):g}")),
    )


def room(brief: PerchBrief, fitted: Fitting) -> Fraction:
    """Above the hooks' axis, to the foot of the brackets: hooks, and what stands up
    from them, mm.
    """
    stands = max(item.above for item in brief.kinds.values()) - fitted.hang_drop
    return max(fitted.glyph.height / 2, stands) + CLEAR.of(brief.sizes)


def findings(brief: PerchBrief, fitted: Fitting, low: Fraction) -> Iterator[Finding]:
    """Brackets in the way, a stop too low."""
    shelf = brief.perch
    need = brief.hung + room(brief, fitted)
    if low < need:
        taller = up(brief.board.height + need - low, brief.sizes)
        yield Finding(
            "perch.plate",
            tr("part.back-plate"),
            tr("perch.plate"),
            tr("quantity.foot-of-the-brackets"),
            low,
            need,
            fixes=(
                Fix(
                    tr("fix.back-plate-wide", taller=brief.in_hand.write_fine(taller)),
                    {"board": {"height": exact_text(taller)}},
                ),
            ),
        )
    if shelf.slope and shelf.stop < STOP.of(brief.sizes):
        high = STOP.of(brief.sizes)
        yield Finding(
            "perch.stop",
            tr("part.stop"),
            tr("perch.stop"),
            tr("quantity.stop"),
            shelf.stop,
            STOP.of(brief.sizes),
            fixes=(
                Fix(
                    tr("fix.a-stop-of", high=brief.in_hand.write_fine(high)),
                    {"perch": {"stop": exact_text(high)}},
                ),
            ),
        )
