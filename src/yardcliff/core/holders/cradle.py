"""A cradle: two arms let into a back plate, with a neck between them and the head resting on both.

The opening is the neck and the play around it. The arms reach past the neck, which stands off the
plate by half of how deep the thing is.
"""

from collections.abc import Iterator
from dataclasses import replace

from yardcliff.core.base.model import Frozen, Tilt
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input
from yardcliff.core.holders import peg as pegs
from yardcliff.core.holders import peg_fit
from yardcliff.core.holders.fitting import Fitting, Ground, check_held, half, held_at, held_figure
from yardcliff.core.rack import Kind, Operation
from yardcliff.core.things.item import Item
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, exact_text

LIP = Fraction(15)
"""How far the arms reach past the neck, so that it does not slide off: rule of thumb."""


SCOOP = Fraction(1, 4)
"""Deepest scoop, as a share of an arm's thickness: rule of thumb."""


class Cradle(Frozen):
    """`held` is the neck (None: the thickest, as measured), `showing` how far the arms stand out
    (None: as needed); each is hollowed by a `scoop` where the head rests.
    """

    diameter: Size = Fraction(16)
    tilt: Tilt = 5
    depth: Size = Fraction(16)
    spur: Gap = Fraction(2)
    play: Gap = Fraction(6)
    held: Size | None = None
    showing: Size | None = None
    scoop: Gap = Fraction(0)


def fit(cradle: Cradle, ground: Ground, items: tuple[Item, ...]) -> Fitting:
    """Fit a cradle for the thickest neck of `items` to a plate; findings carry (0, 0), the cradle's
    own axis.
    """
    neck = held_at(cradle.held, items)
    opening = neck + cradle.play
    deepest = max(item.front for item in items)
    needed = deepest / 2 + neck / 2 + LIP
    showing = cradle.showing or needed
    arm = pegs.Peg(
        diameter=cradle.diameter,
        tilt=cradle.tilt,
        depth=cradle.depth,
        showing=showing,
        spur=cradle.spur,
    )
    aside = (opening + cradle.diameter) / 2
    arms = peg_fit.fit(arm, ground, "cradle", (-aside, aside))
    return replace(
        arms,
        name="cradles",
        how="in",
        reach=half(opening + 2 * cradle.diameter),
        end_distance=opening / 2 + cradle.diameter * 2,
        end_why="so that the outer arm does not split the end",
        figures=(
            held_figure(cradle.held, neck),
            *_figures(cradle, neck, opening, deepest, showing),
            *arms.figures,
        ),
        findings=(
            *check_held(cradle.held, items, neck, "cradle"),
            *_findings(showing, needed),
            *_hollowed(cradle),
            *arms.findings,
        ),
        machining=(*arms.machining, *_scooping(cradle, deepest)),
        cautions=(
            *arms.cautions,
            (
                "Line the arms with felt, cork or leather; rubber marks some varnishes. Keep clear"
                " of heaters and sun."
            ),
        ),
    )


def _figures(
    cradle: Cradle, neck: Fraction, opening: Fraction, deepest: Fraction, showing: Fraction
) -> tuple[Figure, ...]:
    h = Input("h", "neck", neck)
    out = "given" if cradle.showing else "f/2 + h/2 + m"
    inputs = (
        () if cradle.showing else (Input("f", "deepest thing", deepest), h, Input("m", "lip", LIP))
    )
    return (
        Figure(
            "cradle.opening",
            "Opening",
            opening,
            "h + y",
            (h, Input("y", "play", cradle.play)),
            "Between the arms: the neck passes, the head does not. Measure the head too.",
        ),
        Figure(
            "cradle.apart",
            "Arms, axis to axis",
            opening + cradle.diameter,
            "o + d",
            (Input("o", "opening", opening), Input("d", "arm", cradle.diameter)),
            "Bore both from one jig, half of this to each side of the mark.",
        ),
        Figure(
            "cradle.out",
            "Arms stand out",
            showing,
            out,
            inputs,
            "Past the neck, which hangs half its depth off the plate.",
        ),
    )


def _scooping(cradle: Cradle, deepest: Fraction) -> Iterator[Operation]:
    """How the arms are hollowed where the head rests; the rasp's width is half of how deep the
    thing is.
    """
    if cradle.scoop:
        yield Operation(
            Kind.SCOOP,
            (),
            "wide, half-round rasp",
            deepest / 2,
            cradle.scoop,
            0,
            cradle.diameter - cradle.scoop,
            "a pencil line round the arm",
            "Where the head rests, half of how deep the thing is from the plate; round it over,"
            " then line it.",
            many=2,
            piece="Arm",
            spot="top, towards the other",
        )


def _hollowed(cradle: Cradle) -> Iterator[Finding]:
    most = cradle.diameter * SCOOP
    if cradle.scoop > most:
        less = exact_text(most // 1)
        yield Finding(
            "cradle.scoop",
            "Arms",
            "So deep a scoop leaves too little of the arm.",
            "scoop",
            cradle.scoop,
            most,
            fixes=(
                Fix(f"A scoop of {less}", {"cradle": {"scoop": less}}),
                Fix("No scoop", {"cradle": {"scoop": "0 mm"}}),
            ),
            left=cradle.scoop < cradle.diameter,
        )


def _findings(showing: Fraction, needed: Fraction) -> Iterator[Finding]:
    if showing < needed:
        yield Finding(
            "cradle.arm",
            "Arms",
            "The deepest thing hangs so far off the plate that its neck is hardly between the"
            " arms.",
            "arms stand out",
            showing,
            needed,
            fixes=(Fix(f"Arms of {exact_text(needed)}", {"cradle": {"showing": None}}),),
        )
