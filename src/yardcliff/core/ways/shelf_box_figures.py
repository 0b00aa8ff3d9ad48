"""A box with shelves: what it is asked, and its figures and findings."""

from collections.abc import Iterator
from math import cbrt
from typing import Annotated, Literal

from yardcliff.core.base.model import Frozen, whole
from yardcliff.core.brief.rack_brief import Board, RackBrief
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders import hook as hooks
from yardcliff.core.holders import kit
from yardcliff.core.materials.sold import next_thickness
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.strength.wood import sag
from yardcliff.core.things.item import Weight
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, exact_text
from yardcliff.core.units.trade import called, down, either, usual
from yardcliff.core.units.weights import weight_text
from yardcliff.messages import tr

DEEPER = either("100 mm", "4 in")
"""How much deeper than its bar a box is proposed."""
STIFF = 300
"""A shelf that sags by more than this share of its length is seen to: rule of thumb."""


ZERO = Fraction(0)


class Shelf(Frozen):
    """`count` shelves, the lowest on the bar. Each has room for the `tallest` that stands on it
    (the upper ones for `upper`; None: the same) and a `hand` above it; its ends lie in grooves
    `groove` deep; a `load` stands on each.
    """

    count: Annotated[int, whole(1, 5)] = 2
    tallest: Size = usual("180 mm", "7 in")
    upper: Size | None = None
    hand: Gap = usual("40 mm", "1 1/2 in")
    depth: Size = usual("120 mm", "4 3/4 in")
    thickness: Size = usual("18 mm", "3/4 in")
    groove: Size = usual("6 mm", "1/4 in")
    load: Weight = called(8000, "18 lb")


class Guard(Frozen):
    """A strip across the front of each shelf, `up` from it to its lower edge."""

    width: Size = usual("30 mm", "1 1/2 in")
    thickness: Size = usual("12 mm", "1/2 in")
    up: Gap = usual("25 mm", "1 in")


class ShelfBoxBrief(RackBrief):
    """`board` is the bar below, between sides as thick as `side`; a rail like it closes the top and
    takes the screws.
    """

    family: Literal["shelf-box"] = "shelf-box"
    holder: kit.Holder = hooks.Hook()
    shelf: Shelf = Shelf()
    guard: Guard = Guard()
    side: Size = usual("18 mm", "3/4 in")
    board: Board = Board()


def clear(brief: ShelfBoxBrief, k: int) -> Fraction:
    """Above shelf `k`, from the lowest: what stands there, and a hand."""
    shelf = brief.shelf
    return (shelf.upper or shelf.tallest if k else shelf.tallest) + shelf.hand


def figures(brief: ShelfBoxBrief, inner: Fraction, tall: Fraction) -> Iterator[Figure]:
    """What is clear between its shelves, and what they bear."""
    shelf, board = brief.shelf, brief.board
    length, side = (
        Input("L", tr("input.between-the-sides"), inner),
        Input("s", tr("input.side"), brief.side),
    )
    hand = Input("h", tr("input.hand-room"), shelf.hand)
    yield Figure(
        "overall",
        tr("overall.label.over-all"),
        inner + 2 * brief.side,
        "L + 2 · s",
        (length, side),
        tr("overall.why.bar-runs-between-sides-both-count"),
    )
    yield figure(
        "box.shelf",
        inner + 2 * shelf.groove,
        "L + 2 · g",
        (length, Input("g", tr("input.groove"), shelf.groove)),
    )
    yield figure(
        "box.clear",
        clear(brief, 0),
        "j + h",
        (Input("j", tr("input.tallest"), shelf.tallest), hand),
    )
    yield figure(
        "box.upper",
        shelf.upper or shelf.tallest,
        tr("box.upper.formula") if shelf.upper else "j",
        (Input("j", tr("input.tallest"), shelf.tallest),),
    )
    rooms = sum((clear(brief, k) for k in range(shelf.count)), ZERO)
    yield figure(
        "tall",
        tall,
        "2 · w + n · d + r",
        (
            Input("w", tr("input.bar-and-top-rail"), board.height),
            Input("n", tr("input.shelves"), str(shelf.count)),
            Input("d", tr("input.shelf"), shelf.thickness),
            Input("r", tr("input.rooms-above-them"), rooms),
        ),
    )
    bend = sag(inner, shelf.depth, shelf.thickness, shelf.load, board.wood)
    yield figure(
        "box.sag",
        brief.in_hand.near(rounded(bend)),
        "5 · F · L³ / (384 · E · I)",
        (
            Input("F", tr("input.load"), weight_text(shelf.load, brief.trade)),
            length,
            Input("d", tr("input.shelf"), shelf.thickness),
        ),
        stiff=STIFF,
    )


def stiff_enough(brief: ShelfBoxBrief, inner: Fraction) -> Fraction:
    """The least thickness of a shelf that is sold and does not sag too much."""
    shelf = brief.shelf
    bend = sag(inner, shelf.depth, shelf.thickness, shelf.load, brief.board.wood)
    # It goes by the third power.
    least = rounded(float(shelf.thickness) * cbrt(bend * STIFF / float(inner)))
    return next_thickness(least, brief.board.wood, brief.sizes)


def findings(brief: ShelfBoxBrief, inner: Fraction) -> Iterator[Finding]:
    """Grooves too deep, shelves that sag, sides too shallow."""
    shelf, side, write = brief.shelf, brief.side, brief.in_hand.write_fine
    if shelf.groove > side / 2:
        half = down(side / 2, brief.sizes)
        yield Finding(
            "box.groove",
            tr("part.side"),
            tr("box.groove"),
            tr("quantity.groove"),
            shelf.groove,
            side / 2,
            fixes=(
                Fix(
                    tr("fix.grooves-deep", half=write(half)),
                    {"shelf": {"groove": exact_text(half)}},
                ),
            ),
            left=shelf.groove < side,
        )
    bend, most = (
        sag(inner, shelf.depth, shelf.thickness, shelf.load, brief.board.wood),
        float(inner) / STIFF,
    )
    if bend > most:
        thick = stiff_enough(brief, inner)
        yield Finding(
            "box.sag",
            tr("part.shelf"),
            tr("box.sag"),
            tr("quantity.sag"),
            brief.in_hand.near(rounded(bend)),
            brief.in_hand.near(rounded(most)),
            fixes=(
                Fix(
                    tr("fix.shelves-thick", thick=write(thick)),
                    {"shelf": {"thickness": exact_text(thick)}},
                ),
            ),
        )
    room = min(clear(brief, k) for k in range(shelf.count))
    if brief.guard.up + brief.guard.width >= room:
        low = down(room / 3, brief.sizes)
        yield Finding(
            "box.guard",
            tr("part.guard-rail-plain"),
            tr("box.guard"),
            tr("quantity.top-of-the-guard-rail"),
            brief.guard.up + brief.guard.width,
            room,
            fixes=(
                Fix(
                    tr("fix.guard-rails-wide-on-the-shelf", low=write(low)),
                    {"guard": {"width": exact_text(low), "up": "0 mm"}},
                ),
            ),
        )
    if shelf.depth <= brief.board.thickness:
        more = brief.board.thickness + DEEPER.of(brief.sizes)
        yield Finding(
            "box.depth",
            tr("part.sides"),
            tr("box.depth"),
            tr("quantity.depth"),
            shelf.depth,
            brief.board.thickness,
            fixes=(Fix(tr("fix.deep", more=write(more)), {"shelf": {"depth": exact_text(more)}}),),
        )
