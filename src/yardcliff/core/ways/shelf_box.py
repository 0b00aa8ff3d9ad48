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
from yardcliff.core.units.length import Tape
from yardcliff.core.ways.family import (
    Family,
    Fitness,
    Hangs,
    held_by,
    on_hooks,
    read_start,
    row_for,
)
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
from yardcliff.messages import tr

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
    bar = Part("bar", tr("part.bar"), ZERO, foot, ZERO, inner, board.height, board.thickness, wood)
    rail = Part(
        "rail",
        tr("part.top-rail"),
        ZERO,
        foot + top,
        ZERO,
        inner,
        board.height,
        board.thickness,
        wood,
    )
    sides = tuple(
        Part(key, name, x, foot, ZERO, side, tall, shelf.depth, wood, upright=True, up=True)
        for key, name, x in (
            ("left-side", tr("ways.left-side"), -side),
            ("right-side", tr("ways.right-side"), inner),
        )
    )
    boards = tuple(
        Part(
            f"shelf-{k + 1}",
            tr("part.shelf-number", number=k + 1),
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
            tr("part.guard-rail", number=k + 1),
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
        *(pinned(brief.sizes, part, end) for part in guards for end in sides),
    ]
    body = Body(
        "shelf-box",
        (bar, rail, *sides, *boards, *guards),
        ((bar.key, board.height / 2),),
        tuple(joints),
        _machining(brief, (bar, rail), sides, boards),
        tuple(figures(brief, inner, tall)),
        tuple(findings(brief, inner)),
        (tr("caution.grooves-guard-stays-on-saw-or"), tr("caution.full-box-heavy-into-studs-or")),
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
    shelf, side, tape = brief.shelf, brief.side, brief.in_hand
    inner = bars[0].length
    deep = min(BITE.of(brief.sizes), inner / 3)
    lower = [board.y - sides[0].y for board in boards]
    return (
        Operation(
            Kind.DADO,
            tuple(part.key for part in sides),
            tr("tool.wide-routed-or-sawn"),
            shelf.thickness,
            shelf.groove,
            0,
            side - shelf.groove,
            tr("stop.fence-trial-in-scrap"),
            tr("ways.lower-edges-at-from-foot-lay", places=", ".join(map(tape.write, lower))),
            cut=(ZERO, shelf.thickness, ZERO, shelf.depth),
            places=tuple(
                Place(part.key, face, y, ZERO, joins=board.key)
                for part, face in zip(sides, (Face.RIGHT, Face.LEFT), strict=True)
                for board, y in zip(boards, lower, strict=True)
            ),
        ),
        *screwed(
            brief.sizes,
            [meet(brief.sizes, part, bar, 2) for part in sides for bar in bars],
            deep,
            ("ways.two-at-each-end-quarter-bars", "ways.into-end-grain-for-screws-glue"),
        ),
    )


def start(hangs: Hangs, tape: Tape) -> ShelfBoxBrief:
    """Two shelves above a bar that hangs what was asked for, at eye height."""
    first = read_start(ShelfBoxBrief, row_for(hangs, tape) | held_by(hangs, tape))
    inner = first_row(first, fitting(first)).length
    thick = max(first.shelf.thickness, stiff_enough(first, inner))
    return first.changed({"shelf": first.shelf.changed({"thickness": thick})})


def suits(items: tuple[Item, ...]) -> Fitness:
    """Cups, keys, cloths: short things below, and room for jars above."""
    if any(item.below > LOWEST for item in items):
        return Fitness(0, tr("ways.too-long-hang-below-box-shelves"))
    return on_hooks(items, 2, tr("ways.short-things-below-jars-tins-above"))


def choices(brief: ShelfBoxBrief) -> tuple[Section, ...]:
    """What a shelf box alone is asked."""
    return (
        *kit.choices(brief.holder, brief.sizes),
        Section(
            tr("section.shelves"),
            (
                Field("shelf.count", tr("ways.how-many")),
                Field("shelf.tallest", tr("ways.tallest")),
                Field("shelf.upper", tr("ways.on-upper"), figure="box.upper"),
                Field("shelf.hand", tr("ways.hand")),
                Field("shelf.depth", tr("ways.deep")),
                Field("shelf.thickness", tr("ways.thick-label")),
                Field("shelf.load", tr("ways.load")),
                Field("shelf.groove", tr("ways.groove")),
            ),
            ("overall", "box.shelf", "tall", "box.sag"),
        ),
        Section(
            tr("section.sides-and-guards"),
            (
                Field("side", tr("ways.side")),
                Field("guard.width", tr("ways.guard")),
                Field("guard.thickness", tr("ways.thick-label")),
                Field("guard.up", tr("ways.up")),
            ),
        ),
    )


FAMILY = Family(
    "shelf-box",
    "ways.shelf-box",
    "ways.shelves-between-two-sides-bar-with",
    ShelfBoxBrief,
    start,
    fitting,
    build,
    suits,
    choices,
    rows="one",
)
