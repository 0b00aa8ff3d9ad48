"""A cradle: two arms let into a back plate, with a neck between them and the head resting on both.

The opening is the neck and the play around it. The arms reach past the neck, which stands off the
plate by half of how deep the thing is.
"""

from collections.abc import Iterator
from dataclasses import replace

from yardcliff.core.base.model import Frozen, Tilt
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders import peg as pegs
from yardcliff.core.holders import peg_fit
from yardcliff.core.holders.fitting import Fitting, Ground, check_held, half, held_at, held_figure
from yardcliff.core.rack import Kind, Operation
from yardcliff.core.things.item import Item
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, exact_text
from yardcliff.core.units.trade import either, usual
from yardcliff.messages import tr

LIP = either("15 mm", "1/2 in")
"""How far the arms reach past the neck, so that it does not slide off: rule of thumb."""


SCOOP = Fraction(1, 4)
"""Deepest scoop, as a share of an arm's thickness: rule of thumb."""


class Cradle(Frozen):
    """`held` is the neck (None: the thickest, as measured), `showing` how far the arms stand out
    (None: as needed); each is hollowed by a `scoop` where the head rests.
    """

    diameter: Size = usual("16 mm", "5/8 in")
    tilt: Tilt = 5
    depth: Size = usual("16 mm", "5/8 in")
    spur: Gap = usual("2 mm", "1/16 in")
    play: Gap = usual("6 mm", "1/4 in")
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
    needed = deepest / 2 + neck / 2 + LIP.of(ground.sizes)
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
        name=tr("holders.cradles", n=2),
        noun=tr("holders.cradles", n=1),
        how="in",
        reach=half(opening + 2 * cradle.diameter),
        end_distance=opening / 2 + cradle.diameter * 2,
        end_why=tr("holders.so-outer-arm-does-not-split"),
        figures=(
            held_figure(cradle.held, neck),
            *_figures(cradle, neck, opening, deepest, showing, LIP.of(ground.sizes)),
            *arms.figures,
        ),
        findings=(
            *check_held(cradle.held, items, neck, "cradle", ground),
            *_findings(showing, needed, ground),
            *_hollowed(cradle, ground),
            *arms.findings,
        ),
        machining=(*arms.machining, *_scooping(cradle, deepest)),
        cautions=(*arms.cautions, tr("holders.line-arms-with-felt-cork-or")),
    )


def _figures(
    cradle: Cradle,
    neck: Fraction,
    opening: Fraction,
    deepest: Fraction,
    showing: Fraction,
    lip: Fraction,
) -> tuple[Figure, ...]:
    h = Input("h", tr("input.neck"), neck)
    out = "given" if cradle.showing else "f/2 + h/2 + m"
    inputs = (
        ()
        if cradle.showing
        else (Input("f", tr("input.deepest-thing"), deepest), h, Input("m", tr("input.lip"), lip))
    )
    return (
        figure("cradle.opening", opening, "h + y", (h, Input("y", tr("input.play"), cradle.play))),
        figure(
            "cradle.apart",
            opening + cradle.diameter,
            "o + d",
            (
                Input("o", tr("input.opening"), opening),
                Input("d", tr("input.arm"), cradle.diameter),
            ),
        ),
        figure("cradle.out", showing, out, inputs),
    )


def _scooping(cradle: Cradle, deepest: Fraction) -> Iterator[Operation]:
    """How the arms are hollowed where the head rests; the rasp's width is half of how deep the
    thing is.
    """
    if cradle.scoop:
        yield Operation(
            Kind.SCOOP,
            (),
            tr("tool.wide-half-round-rasp"),
            deepest / 2,
            cradle.scoop,
            0,
            cradle.diameter - cradle.scoop,
            tr("stop.a-pencil-line-round-the-arm"),
            tr("holders.where-head-rests-half-how-deep"),
            many=2,
            piece=tr("holders.arm"),
            spot=tr("spot.top-towards-the-other"),
        )


def _hollowed(cradle: Cradle, ground: Ground) -> Iterator[Finding]:
    most = cradle.diameter * SCOOP
    if cradle.scoop > most:
        less = ground.down(most)
        yield Finding(
            "cradle.scoop",
            tr("part.arms"),
            tr("cradle.scoop"),
            tr("quantity.scoop"),
            cradle.scoop,
            most,
            fixes=(
                Fix(
                    tr("fix.a-scoop-of", less=ground.text(less)),
                    {"cradle": {"scoop": exact_text(less)}},
                ),
                Fix(tr("fix.no-scoop"), {"cradle": {"scoop": "0 mm"}}),
            ),
            left=cradle.scoop < cradle.diameter,
        )


def _findings(showing: Fraction, needed: Fraction, ground: Ground) -> Iterator[Finding]:
    if showing < needed:
        yield Finding(
            "cradle.arm",
            tr("part.arms"),
            tr("cradle.arm"),
            tr("quantity.arms-stand-out"),
            showing,
            needed,
            fixes=(
                Fix(tr("fix.arms-of", needed=ground.text(needed)), {"cradle": {"showing": None}}),
            ),
        )
