"""A box with shelves: what it is asked, and its figures and findings."""

from collections.abc import Iterator
from math import cbrt, ceil
from typing import Annotated, Literal

from yardcliff.core.base.model import Frozen, whole
from yardcliff.core.brief.rack_brief import Board, RackBrief
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders import hook as hooks
from yardcliff.core.holders import kit
from yardcliff.core.strength.wood import sag
from yardcliff.core.things.item import Weight
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, exact_text
from yardcliff.messages import tr

STIFF = 300
"""A shelf that sags by more than this share of its length is seen to: rule of thumb."""


ZERO = Fraction(0)


class Shelf(Frozen):
    """`count` shelves, the lowest on the bar. Each has room for the `tallest` that stands on it
    (the upper ones for `upper`; None: the same) and a `hand` above it; its ends lie in grooves
    `groove` deep; a `load` stands on each.
    """

    count: Annotated[int, whole(1, 5)] = 2
    tallest: Size = Fraction(180)
    upper: Size | None = None
    hand: Gap = Fraction(40)
    depth: Size = Fraction(120)
    thickness: Size = Fraction(18)
    groove: Size = Fraction(6)
    load: Weight = 8000


class Guard(Frozen):
    """A strip across the front of each shelf, `up` from it to its lower edge."""

    width: Size = Fraction(30)
    thickness: Size = Fraction(12)
    up: Gap = Fraction(25)


class ShelfBoxBrief(RackBrief):
    """`board` is the bar below, between sides as thick as `side`; a rail like it closes the top and
    takes the screws.
    """

    family: Literal["shelf-box"] = "shelf-box"
    holder: kit.Holder = hooks.Hook()
    shelf: Shelf = Shelf()
    guard: Guard = Guard()
    side: Size = Fraction(18)
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
        f"{bend:.1f} mm",
        "5 · F · L³ / (384 · E · I)",
        (
            Input("F", tr("input.load"), f"{shelf.load / 1000:g} kg"),
            length,
            Input("d", tr("input.shelf"), shelf.thickness),
        ),
        stiff=STIFF,
    )


def stiff_enough(brief: ShelfBoxBrief, inner: Fraction) -> Fraction:
    """The least thickness of a shelf that does not sag too much, by whole mm."""
    shelf = brief.shelf
    bend = sag(inner, shelf.depth, shelf.thickness, shelf.load, brief.board.wood)
    # It goes by the third power.
    return Fraction(ceil(float(shelf.thickness) * cbrt(bend * STIFF / float(inner))))


def findings(brief: ShelfBoxBrief, inner: Fraction) -> Iterator[Finding]:
    """Grooves too deep, shelves that sag, sides too shallow."""
    shelf, side = brief.shelf, brief.side
    if shelf.groove > side / 2:
        half = exact_text(side / 2)
        yield Finding(
            "box.groove",
            tr("part.side"),
            tr("box.groove"),
            tr("quantity.groove"),
            shelf.groove,
            side / 2,
            fixes=(Fix(tr("fix.grooves-deep", half=half), {"shelf": {"groove": half}}),),
            left=shelf.groove < side,
        )
    bend, most = (
        sag(inner, shelf.depth, shelf.thickness, shelf.load, brief.board.wood),
        float(inner) / STIFF,
    )
    if bend > most:
        thick = exact_text(stiff_enough(brief, inner))
        yield Finding(
            "box.sag",
            tr("part.shelf"),
            tr("box.sag"),
            tr("quantity.sag"),
            f"{bend:.1f} mm",
            f"{most:.1f} mm",
            fixes=(Fix(tr("fix.shelves-thick", thick=thick), {"shelf": {"thickness": thick}}),),
        )
    room = min(clear(brief, k) for k in range(shelf.count))
    if brief.guard.up + brief.guard.width >= room:
        low = exact_text(room / 3)
        yield Finding(
            "box.guard",
            tr("part.guard-rail-plain"),
            tr("box.guard"),
            tr("quantity.top-of-the-guard-rail"),
            brief.guard.up + brief.guard.width,
            room,
            fixes=(
                Fix(
                    tr("fix.guard-rails-wide-on-the-shelf", low=low),
                    {"guard": {"width": low, "up": "0 mm"}},
                ),
            ),
        )
    if shelf.depth <= brief.board.thickness:
        more = exact_text(brief.board.thickness + 100)
        yield Finding(
            "box.depth",
            tr("part.sides"),
            tr("box.depth"),
            tr("quantity.depth"),
            shelf.depth,
            brief.board.thickness,
            fixes=(Fix(tr("fix.deep", more=more), {"shelf": {"depth": more}}),),
        )
