"""The shelf box: two sides with shelves in grooves, a bar with hooks or pegs below, guard rails in
front.

The bar runs between the sides: over all, the box is longer by both of them; each shelf, by its two
grooves.
"""

from collections.abc import Iterator
from math import floor

from yardcliff.core.brief.choices import Field, Section
from yardcliff.core.holders import kit
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.rack import Face, Hold, Joint, Kept, Kind, Operation, Part, Place, Rack
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import Standing
from yardcliff.core.things.item import Item
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, TapeName
from yardcliff.core.ways.family import Family, Fitness, Hangs, held_by, on_hooks, row_for
from yardcliff.core.ways.joinery import BITE, meet, pinned, screwed
from yardcliff.core.ways.shared import Body, assemble, first_row, ground
from yardcliff.core.ways.shelf_box_figures import (
    ZERO,
    ShelfBoxBrief,
    clear,
    figures,
    findings,
    stiff_enough,
)

SLIM, SPACED, MOST_JARS = Fraction(3, 5), Fraction(6, 5), 12
"""How wide a jar is drawn, as a share of its height; what it takes of the shelf, as a share of
that; how many at most.
"""
LOWEST = Fraction(300)
"""What hangs below a box hangs no lower than this at first, mm."""


def fitting(brief: ShelfBoxBrief) -> Fitting:
    """The brief's holder on the bar."""
    return kit.fit(brief.holder, ground(brief))


def _undersides(brief: ShelfBoxBrief) -> tuple[Fraction, ...]:
    """Each shelf's underside above the foot of the sides, from the lowest, and the top rail's."""
    found = [brief.board.height]
    for k in range(brief.shelf.count):
        found.append(found[-1] + brief.shelf.thickness + clear(brief, k))
    return tuple(found)


def build(brief: ShelfBoxBrief, fitted: Fitting, row: Row) -> Rack:
    """The box with its bar."""
    board, shelf, guard, side, wood = (
        brief.board,
        brief.shelf,
        brief.guard,
        brief.side,
        brief.board.wood,
    )
    foot, inner = brief.hung - board.height / 2, row.length
    *shelves, top = _undersides(brief)
    tall = top + board.height
    bar = Part("bar", "Bar", ZERO, foot, ZERO, inner, board.height, board.thickness, wood)
    rail = Part(
        "rail", "Top rail", ZERO, foot + top, ZERO, inner, board.height, board.thickness, wood
    )
    sides = tuple(
        Part(key, name, x, foot, ZERO, side, tall, shelf.depth, wood, upright=True, up=True)
        for key, name, x in (("left-side", "Left side", -side), ("right-side", "Right side", inner))
    )
    boards = tuple(
        Part(
            f"shelf-{k + 1}",
            f"Shelf {k + 1}",
            -shelf.groove,
            foot + y,
            ZERO,
            inner + 2 * shelf.groove,
            shelf.thickness,
            shelf.depth,
            wood,
            bears_g=shelf.load,
        )
        for k, y in enumerate(shelves)
    )
    guards = tuple(
        Part(
            f"guard-{k + 1}",
            f"Guard rail {k + 1}",
            -side,
            foot + y + shelf.thickness + guard.up,
            shelf.depth,
            inner + 2 * side,
            guard.width,
            guard.thickness,
            wood,
        )
        for k, y in enumerate(shelves)
    )
    joints = [
        *(
            Joint(part.key, end.key, Hold.GROOVE, let_in=shelf.groove)
            for part in boards
            for end in sides
        ),
        *(Joint(part.key, end.key, Hold.SCREWS) for part in (bar, rail) for end in sides),
        *(pinned(part, end) for part in guards for end in sides),
    ]
    body = Body(
        "shelf-box",
        (bar, rail, *sides, *boards, *guards),
        ((bar.key, board.height / 2),),
        tuple(joints),
        _machining(brief, (bar, rail), sides, boards),
        tuple(figures(brief, inner, tall)),
        tuple(findings(brief, inner)),
        (
            (
                "Grooves: the guard stays on the saw, or the router runs against its cutter's turn"
                " along a clamped fence."
            ),
            (
                "A full box is heavy: into studs or plugs that are rated for it, at the top rail"
                " and at the bar."
            ),
        ),
        kept=tuple(
            jar
            for k, y in enumerate(shelves)
            for jar in _jars(brief, k, foot + y + shelf.thickness, inner)
        ),
    )
    return assemble(brief, fitted, (Standing(row, ZERO, ZERO),), ZERO, body)


def _jars(brief: ShelfBoxBrief, k: int, y: Fraction, inner: Fraction) -> Iterator[Kept]:
    """As many jars as tall as the tallest as a shelf has room for, so that the heights are seen to
    suit them.
    """
    shelf = brief.shelf
    tall = shelf.upper if k and shelf.upper else shelf.tallest
    wide = min(tall * SLIM, shelf.depth, inner)
    count = min(floor(inner / (wide * SPACED)), MOST_JARS)
    each = inner / max(count, 1)
    for i in range(count):
        yield Kept(each * i + (each - wide) / 2, y, (shelf.depth - wide) / 2, wide, tall, wide)


def _machining(
    brief: ShelfBoxBrief, bars: tuple[Part, Part], sides: tuple[Part, ...], boards: tuple[Part, ...]
) -> tuple[Operation, ...]:
    shelf, side, tape = brief.shelf, brief.side, Tape.named(brief.tape)
    inner = bars[0].length
    deep = min(BITE, inner / 3)
    lower = [board.y - sides[0].y for board in boards]
    return (
        Operation(
            Kind.DADO,
            tuple(part.key for part in sides),
            "wide, routed or sawn",
            shelf.thickness,
            shelf.groove,
            0,
            side - shelf.groove,
            "the fence, and a trial in scrap",
            f"Lower edges at {', '.join(map(tape.write, lower))} from the foot. Lay the sides"
            " inside up, feet flush: one is the mirror of the other.",
            cut=(ZERO, shelf.thickness, ZERO, shelf.depth),
            places=tuple(
                Place(part.key, face, y, ZERO, joins=board.key)
                for part, face in zip(sides, (Face.RIGHT, Face.LEFT), strict=True)
                for board, y in zip(boards, lower, strict=True)
            ),
        ),
        *screwed(
            [meet(part, bar, 2) for part in sides for bar in bars],
            deep,
            (
                "Two at each end, a quarter of the bar's width from its edges; countersunk.",
                "Into end grain, for screws of {long}; glue as well.",
            ),
        ),
    )


def start(hangs: Hangs, tape: TapeName) -> ShelfBoxBrief:
    """Two shelves above a bar that hangs what was asked for, at eye height."""
    first = ShelfBoxBrief.model_validate(row_for(hangs, tape) | held_by(hangs))
    inner = first_row(first, fitting(first)).length
    thick = max(Fraction(18), stiff_enough(first, inner))
    return first.changed({"shelf": first.shelf.changed({"thickness": thick})})


def suits(items: tuple[Item, ...]) -> Fitness:
    """Cups, keys, cloths: short things below, and room for jars above."""
    if any(item.below > LOWEST for item in items):
        return Fitness(0, "Too long to hang below a box of shelves.")
    return on_hooks(items, 2, "Short things below, jars and tins above: one box for both.")


def choices(brief: ShelfBoxBrief) -> tuple[Section, ...]:
    """What a shelf box alone is asked."""
    return (
        *kit.choices(brief.holder),
        Section(
            "Shelves",
            (
                Field("shelf.count", "how many"),
                Field("shelf.tallest", "tallest"),
                Field("shelf.upper", "on upper", figure="box.upper"),
                Field("shelf.hand", "hand"),
                Field("shelf.depth", "deep"),
                Field("shelf.thickness", "thick"),
                Field("shelf.load", "load g"),
                Field("shelf.groove", "groove"),
            ),
            ("overall", "box.shelf", "tall", "box.sag"),
        ),
        Section(
            "Sides and guards",
            (
                Field("side", "side"),
                Field("guard.width", "guard"),
                Field("guard.thickness", "thick"),
                Field("guard.up", "up"),
            ),
        ),
    )


FAMILY = Family(
    "shelf-box",
    "Shelf box",
    "Shelves between two sides, and a bar with hooks or pegs below.",
    ShelfBoxBrief,
    start,
    fitting,
    build,
    suits,
    choices,
    rows="one",
)
