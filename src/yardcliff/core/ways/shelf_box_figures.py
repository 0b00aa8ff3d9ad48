"""A box with shelves: what it is asked, and its figures and findings."""

from collections.abc import Iterator
from math import cbrt, ceil
from typing import Annotated, Literal

from yardcliff.core.base.model import Frozen, whole
from yardcliff.core.brief.rack_brief import Board, RackBrief
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input
from yardcliff.core.holders import hook as hooks
from yardcliff.core.holders import kit
from yardcliff.core.strength.wood import sag
from yardcliff.core.things.item import Weight
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, exact_text

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
    length, side = Input("L", "between the sides", inner), Input("s", "side", brief.side)
    hand = Input("h", "hand room", shelf.hand)
    yield Figure(
        "overall",
        "Over all",
        inner + 2 * brief.side,
        "L + 2 · s",
        (length, side),
        "The bar runs between the sides: both count.",
    )
    yield Figure(
        "box.shelf",
        "Cut each shelf",
        inner + 2 * shelf.groove,
        "L + 2 · g",
        (length, Input("g", "groove", shelf.groove)),
        "Longer than the bar by what lies in both grooves.",
    )
    yield Figure(
        "box.clear",
        "Above a shelf",
        clear(brief, 0),
        "j + h",
        (Input("j", "tallest", shelf.tallest), hand),
        "What stands there has to be tipped and lifted out over the guard rail.",
    )
    yield Figure(
        "box.upper",
        "On the upper",
        shelf.upper or shelf.tallest,
        "given" if shelf.upper else "j",
        (Input("j", "tallest", shelf.tallest),),
        "The tallest on the shelves above the lowest.",
    )
    rooms = sum((clear(brief, k) for k in range(shelf.count)), ZERO)
    yield Figure(
        "tall",
        "Sides",
        tall,
        "2 · w + n · d + r",
        (
            Input("w", "bar, and top rail", board.height),
            Input("n", "shelves", str(shelf.count)),
            Input("d", "shelf", shelf.thickness),
            Input("r", "rooms above them", rooms),
        ),
        "From the foot of the bar to the top of the rail.",
    )
    bend = sag(inner, shelf.depth, shelf.thickness, shelf.load, board.wood)
    yield Figure(
        "box.sag",
        "A shelf sags",
        f"{bend:.1f} mm",
        "5 · F · L³ / (384 · E · I)",
        (
            Input("F", "load", f"{shelf.load / 1000:g} kg"),
            length,
            Input("d", "shelf", shelf.thickness),
        ),
        f"Loaded evenly on two ends. More than a {STIFF}th of its length is seen.",
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
            "Side",
            "The grooves cut the sides more than half through.",
            "groove",
            shelf.groove,
            side / 2,
            fixes=(Fix(f"Grooves {half} deep", {"shelf": {"groove": half}}),),
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
            "Shelf",
            "The shelves sag under what stands on them.",
            "sag",
            f"{bend:.1f} mm",
            f"{most:.1f} mm",
            fixes=(Fix(f"Shelves {thick} thick", {"shelf": {"thickness": thick}}),),
        )
    room = min(clear(brief, k) for k in range(shelf.count))
    if brief.guard.up + brief.guard.width >= room:
        low = exact_text(room / 3)
        yield Finding(
            "box.guard",
            "Guard rail",
            "The guard rails close the shelves: nothing comes out.",
            "top of the guard rail",
            brief.guard.up + brief.guard.width,
            room,
            fixes=(
                Fix(
                    f"Guard rails {low} wide, on the shelf", {"guard": {"width": low, "up": "0 mm"}}
                ),
            ),
        )
    if shelf.depth <= brief.board.thickness:
        more = exact_text(brief.board.thickness + 100)
        yield Finding(
            "box.depth",
            "Sides",
            "The sides are no deeper than the bar between them.",
            "depth",
            shelf.depth,
            brief.board.thickness,
            fixes=(Fix(f"{more} deep", {"shelf": {"depth": more}}),),
        )
