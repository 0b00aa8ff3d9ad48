"""The shelf box: two sides with shelves in grooves, a bar with hooks or pegs below, guard rails in
front.

The bar runs between the sides: over all, the box is longer by both of them; each shelf, by its two
grooves.
"""

from collections.abc import Iterator
from math import cbrt, ceil, floor
from typing import Annotated, Literal

from yardcliff.core.base.model import Frozen, whole
from yardcliff.core.brief.choices import Field, Section
from yardcliff.core.brief.rack_brief import Board, RackBrief
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input
from yardcliff.core.holders import hook as hooks
from yardcliff.core.holders import kit
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.rack import Face, Hold, Joint, Kept, Kind, Operation, Part, Place, Rack
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import Standing
from yardcliff.core.strength.wood import sag
from yardcliff.core.things.item import Item, Weight
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, Tape, TapeName, exact_text
from yardcliff.core.ways.family import Family, Fitness, Hangs, held_by, on_hooks, row_for
from yardcliff.core.ways.joinery import BITE, meet, pinned, screwed
from yardcliff.core.ways.shared import Body, assemble, first_row, ground

STIFF = 300
"""A shelf that sags by more than this share of its length is seen to: rule of thumb."""
SLIM, SPACED, MOST_JARS = Fraction(3, 5), Fraction(6, 5), 12
"""How wide a jar is drawn, as a share of its height; what it takes of the shelf, as a share of
that; how many at most.
"""
LOWEST = Fraction(300)
"""What hangs below a box hangs no lower than this at first, mm."""
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


def fitting(brief: ShelfBoxBrief) -> Fitting:
    """The brief's holder on the bar."""
    return kit.fit(brief.holder, ground(brief))


def _clear(brief: ShelfBoxBrief, k: int) -> Fraction:
    """Above shelf `k`, from the lowest: what stands there, and a hand."""
    shelf = brief.shelf
    return (shelf.upper or shelf.tallest if k else shelf.tallest) + shelf.hand


def _undersides(brief: ShelfBoxBrief) -> tuple[Fraction, ...]:
    """Each shelf's underside above the foot of the sides, from the lowest, and the top rail's."""
    found = [brief.board.height]
    for k in range(brief.shelf.count):
        found.append(found[-1] + brief.shelf.thickness + _clear(brief, k))
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
        tuple(_figures(brief, inner, tall)),
        tuple(_findings(brief, inner)),
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


def _figures(brief: ShelfBoxBrief, inner: Fraction, tall: Fraction) -> Iterator[Figure]:
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
        _clear(brief, 0),
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
    rooms = sum((_clear(brief, k) for k in range(shelf.count)), ZERO)
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


def _stiff_enough(brief: ShelfBoxBrief, inner: Fraction) -> Fraction:
    """The least thickness of a shelf that does not sag too much, by whole mm."""
    shelf = brief.shelf
    bend = sag(inner, shelf.depth, shelf.thickness, shelf.load, brief.board.wood)
    # It goes by the third power.
    return Fraction(ceil(float(shelf.thickness) * cbrt(bend * STIFF / float(inner))))


def _findings(brief: ShelfBoxBrief, inner: Fraction) -> Iterator[Finding]:
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
        thick = exact_text(_stiff_enough(brief, inner))
        yield Finding(
            "box.sag",
            "Shelf",
            "The shelves sag under what stands on them.",
            "sag",
            f"{bend:.1f} mm",
            f"{most:.1f} mm",
            fixes=(Fix(f"Shelves {thick} thick", {"shelf": {"thickness": thick}}),),
        )
    room = min(_clear(brief, k) for k in range(shelf.count))
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


def start(hangs: Hangs, tape: TapeName) -> ShelfBoxBrief:
    """Two shelves above a bar that hangs what was asked for, at eye height."""
    first = ShelfBoxBrief.model_validate(row_for(hangs, tape) | held_by(hangs))
    inner = first_row(first, fitting(first)).length
    thick = max(Fraction(18), _stiff_enough(first, inner))
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
