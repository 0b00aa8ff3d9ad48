"""The cradle: pairs of arms let into a back plate, for instruments that hang by the head."""

from typing import Literal

from yardcliff.core.brief.choices import Field, Section
from yardcliff.core.brief.rack_brief import RackBrief
from yardcliff.core.holders import cradle as cradles
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.rack import Rack
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import FIXTURE_GAP
from yardcliff.core.things.item import Item
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.trade import Either
from yardcliff.core.ways.family import Family, Fitness, Hangs, read_start, row_for
from yardcliff.core.ways.shared import Body, assemble, boards, ground, stand_rows
from yardcliff.messages import tr

PLATE = Either(("120 mm", "24 mm"), ("6 in", "13/16 in"))
"""A plate at first: as hardwood boards are sold."""
HEAD = Fraction(40)
"""A neck with less than this above it has no head to hang by, mm."""


class CradleBrief(RackBrief):
    """`board` is the back plate; every cradle on it is alike."""

    family: Literal["cradle"] = "cradle"
    cradle: cradles.Cradle = cradles.Cradle()


def fitting(brief: CradleBrief) -> Fitting:
    """The cradle for the thickest neck on the brief's plate."""
    return cradles.fit(brief.cradle, ground(brief), tuple(brief.kinds.values()))


def build(brief: CradleBrief, fitted: Fitting, first: Row) -> Rack:
    """A back plate with a cradle for each thing, or several plates below one another."""
    least = (
        fitted.tall + FIXTURE_GAP.of(brief.sizes)
        if brief.rows.boards == "one"
        else brief.board.height
    )
    standing = stand_rows(brief, fitted, first, least)
    parts, marked = boards(brief, standing, first.length, brief.board.height / 2, "back-plate")
    return assemble(brief, fitted, standing, least, Body("cradle", parts, marked))


def start(hangs: Hangs, tape: Tape) -> CradleBrief:
    """The usual arms on a hardwood plate that takes them."""
    sizes = PLATE.of(tape.sizes)
    board = {"height": sizes[0], "thickness": sizes[1], "wood": "hardwood"}
    return read_start(CradleBrief, row_for(hangs, tape) | {"board": board})


def suits(items: tuple[Item, ...]) -> Fitness:
    """A neck with a head above it."""
    if all(item.grip == "neck" and item.above >= HEAD for item in items):
        return Fitness(3, tr("ways.neck-stands-between-two-arms-head"))
    return Fitness(0, tr("ways.nothing-with-head-above-its-neck"))


def choices(_: CradleBrief) -> tuple[Section, ...]:
    """What a cradle alone is asked."""
    fields = (
        Field("cradle.diameter", tr("ways.arm")),
        Field("cradle.held", tr("ways.neck"), figure="held"),
        Field("cradle.play", tr("ways.play")),
        Field("cradle.tilt", tr("ways.tilt")),
        Field("cradle.depth", tr("ways.let-in")),
        Field("cradle.showing", tr("ways.out"), figure="cradle.out"),
        Field("cradle.scoop", tr("ways.scoop")),
    )
    return (
        Section(
            tr("section.arms"),
            fields,
            ("cradle.opening", "cradle.apart", "peg.web", "peg.cut", "peg.stress"),
        ),
    )


FAMILY = Family(
    "cradle",
    "ways.cradle",
    "ways.two-arms-let-into-back-plate",
    CradleBrief,
    start,
    fitting,
    build,
    suits,
    choices,
    rows="boards",
)
