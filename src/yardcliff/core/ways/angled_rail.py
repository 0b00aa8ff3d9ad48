"""The angled rail: two boards joined to a ridge, pegs square to both, so that neighbours fan out to
the left and right.

What hangs rests r off its face: from side to side things hang w sin t + 2 r cos t apart, for boards
w wide with 2t between them.
"""

from collections.abc import Iterator
from dataclasses import replace
from math import ceil, cos, radians, sqrt
from typing import ClassVar, Literal

from yardcliff.core.brief.choices import Field, Option, Section
from yardcliff.core.brief.rack_brief import Board, RackBrief
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input
from yardcliff.core.holders import kit
from yardcliff.core.holders import peg as pegs
from yardcliff.core.holders.fitting import Fitting, half
from yardcliff.core.materials.goods import Goods, Ware
from yardcliff.core.rack import Face, Kind, Operation, Place, Rack, drill
from yardcliff.core.row.row import HALF, Row
from yardcliff.core.row.row_brief import Ends
from yardcliff.core.row.rows import Standing, beside, can_stagger, held
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.strength.body import along_grain, opened
from yardcliff.core.strength.link import Link, percent
from yardcliff.core.things.item import Item
from yardcliff.core.things.thing import UP, Reach, Run, Thing
from yardcliff.core.units.angles import degrees
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Size, TapeName, exact_text
from yardcliff.core.ways import ridge, uprights
from yardcliff.core.ways.family import Family, Fitness, Hangs, on_hooks, row_for
from yardcliff.core.ways.shared import Body, assemble, first_row, ground

SKIN = Fraction(2)
"""Of wood before a magnet: thicker, and it does not pull; thinner, and it breaks through, mm."""
AROUND = Fraction(6)
"""Wood around a magnet's recess, mm."""
TALLEST = Fraction(260)
"""Of a thing that hangs one above the other within reach, mm."""
WIDEST = Fraction(180)
"""Of a thing that passes its neighbour before the ridge on pegs as they are at first, mm."""
LONGEST = Fraction(140)
"""A peg of this rail shows so far at most, mm: longer ones are in the way of who passes. Rule of
thumb.
"""
ZERO = Fraction(0)


class Angled(ridge.Ridge):
    """What stands on the `right` beside the row on the left; a `magnet` so wide, let in below it
    from behind.
    """

    right: Literal["one fewer", "as many", "opposite", "none"] = "one fewer"
    magnet: Size | None = None


class AngledRailBrief(RackBrief):
    """`board` gives one of the two: its outer face's width, its thickness and its wood. `hung` is
    the height of its foot.
    """

    run: ClassVar[Run] = UP

    family: Literal["angled-rail"] = "angled-rail"
    holder: kit.Holder = pegs.Peg(showing=Fraction(80))
    angled: Angled = Angled()
    board: Board = Board(height=Fraction(90))

    def thing(self, item: Item) -> Thing:
        """How far a thing reaches below and above its holder."""
        drop = fitting(self).hang_drop
        return Thing(Reach(item.below + drop, max(item.above - drop, ZERO)))


def fitting(brief: AngledRailBrief) -> Fitting:
    """The brief's holder in the middle of a board."""
    fitted = kit.fit(brief.holder, ground(brief))
    return replace(fitted, reach=half(fitted.glyph.height))


def build(brief: AngledRailBrief, fitted: Fitting, row: Row) -> Rack:
    """Two boards, each with its own row."""
    shape, other = ridge.Shape.of(brief.angled, brief.board), _right(brief, row)
    sides = (row, other) if other else (row,)
    boards, stood, outlines = ridge.stand(shape, brief.hung, row.length)
    out = float(fitted.glyph.rests) * cos(radians(_tilt(brief)))
    aside, middle = rounded(shape.half / 2 + out * cos(shape.t)), rounded(shape.half)
    body = Body(
        "angled-rail",
        (*stood.parts, *boards),
        tuple((board.key, brief.board.height / 2) for board in boards[: len(sides)]),
        stood.joints,
        (*_machining(brief, sides, row.length), *stood.machining),
        (*stood.figures, *_figures(brief, shape, out, sides), _glue_figure(brief)),
        (
            *stood.findings,
            *_half_a_pitch(brief, fitted, sides),
            *_meet(brief, shape, sides, aside),
            *_magnet(brief, fitted, shape, sides),
            *_glue_findings(brief),
        ),
        (
            *stood.cautions,
            (
                "Mark TOP on both boards before you drill: they are a pair, and pegs that are"
                " drilled alike from either end point down."
            ),
        ),
        up_at=(middle - aside, middle + aside)[: len(sides)],
        sides=sides,
        outlines=outlines,
        links=(Link("board", "glue line of the ridge", _opened(brief), "angled.glue"),),
    )
    return assemble(brief, fitted, (Standing(row, ZERO, ZERO),), ZERO, body)


def _opened(brief: AngledRailBrief) -> float:
    """Of what the glue line at the ridge may bear that a hand opens, which pulls at a peg in the
    middle of a board: as long as the board is wide.
    """
    wide = float(brief.board.height)
    return opened(
        brief.pulled.force, wide / 2, wide, float(brief.board.thickness), brief.board.wood
    )


def _glue_figure(brief: AngledRailBrief) -> Figure:
    return Figure(
        "angled.glue",
        "Glue line bears",
        percent(_opened(brief)),
        "6 · F · (w / 2) / (w · T²) / s",
        (
            Input("F", brief.pulled.says, f"{brief.pulled.force:.1f} N"),
            Input("w", "board, and so much of the line", brief.board.height),
            Input("T", "thick", brief.board.thickness),
            Input("s", "may bear", f"{along_grain(brief.board.wood):.2f} MPa"),
        ),
        "A hand at a peg opens the ridge; a good glue line is as strong as the wood along its"
        " grain.",
    )


def _glue_findings(brief: AngledRailBrief) -> Iterator[Finding]:
    share = _opened(brief)
    if share > 1:
        thick = ceil(float(brief.board.thickness) * sqrt(share))
        yield Finding(
            "angled.glue",
            "Ridge",
            "With a hand that pulls at a peg the glue line of the ridge may open.",
            "of what it may bear",
            percent(share),
            "100%",
            fixes=(Fix(f"Boards {thick} mm thick", {"board": {"thickness": f"{thick} mm"}}),),
        )


def _tilt(brief: AngledRailBrief) -> float:
    return brief.holder.tilt if isinstance(brief.holder, pegs.Peg) else 0


def _right(brief: AngledRailBrief, row: Row) -> Row | None:
    """The right board's row: the left one's, or half a pitch higher where it has one pitch; None
    where none is left.
    """
    way = brief.angled.right
    fewer = way == "one fewer"
    if way == "none" or (fewer and row.count < 2):
        return None
    own = brief.rows.own_of(1)
    if way == "opposite" or not can_stagger(row):
        return held(row, own)
    step = row.t * HALF
    return held(
        beside(row, row.left + step, row.right + (step if fewer else -step), row.count - fewer), own
    )


def _machining(
    brief: AngledRailBrief, sides: tuple[Row, ...], length: Fraction
) -> Iterator[Operation]:
    if brief.angled.magnet:
        thick, name = brief.board.thickness, _magnetic(brief)
        key = name.lower().replace(" ", "-")
        yield drill(
            Kind.MAGNET_RECESS,
            (Place(key, Face.BACK, sides[-1].axes[0] / 2, brief.board.height / 2),),
            brief.angled.magnet,
            "Before the boards are joined; glue the magnet to the bottom, not to the rim.",
            deep=max(thick - SKIN, ZERO),
            left=SKIN,
            stop="depth stop",
            takes=(Ware(Goods.MAGNET, 1, (exact_text(brief.angled.magnet),)),),
            tool="flat-bottomed bit",
        )


def _magnetic(brief: AngledRailBrief) -> str:
    """The board that takes a magnet: where the row starts higher."""
    return "Left board" if brief.angled.right == "none" else "Right board"


def _figures(
    brief: AngledRailBrief, shape: ridge.Shape, out: float, sides: tuple[Row, ...]
) -> Iterator[Figure]:
    w, rest = (
        Input("w", "outer face", brief.board.height),
        Input("r", "at rest, off the face", rounded(out)),
    )
    t = Input("t", "half the angle between them", degrees(shape.degrees))
    yield Figure(
        "angled.apart",
        "Side to side",
        rounded(shape.half + 2 * out * cos(shape.t)),
        "w · sin t + 2 · r · cos t",
        (w, rest, t),
        "Between what hangs on the left and what hangs on the right, from middle to middle.",
    )
    if magnet := brief.angled.magnet:
        yield Figure(
            "angled.magnet",
            "Magnet",
            magnet,
            "given",
            (),
            "What clings to it hangs below the pegs.",
        )
        low = sides[-1].axes[0]
        yield Figure(
            "angled.magnet.up",
            "Magnet up",
            low / 2,
            "a / 2",
            (Input("a", "lowest peg", low),),
            f"In the {_magnetic(brief).lower()}, half-way from the foot to its lowest peg.",
        )
    else:
        yield Figure(
            "angled.magnet",
            "Magnet",
            "none",
            "given",
            (),
            "One let in from behind holds small steel things.",
        )


def _half_a_pitch(
    brief: AngledRailBrief, fitted: Fitting, sides: tuple[Row, ...]
) -> Iterator[Finding]:
    """Whether the right row could be moved half a pitch, and is still on its board."""
    row, other = sides[0], sides[-1]
    if brief.angled.right in ("one fewer", "as many") and len(sides) > 1 and not can_stagger(row):
        yield Finding(
            "angled.pitch",
            "Right board",
            "Only a row with one pitch can be moved by half of it: these hang opposite.",
            "holders",
            str(row.holders),
            "2 or more, one pitch",
            fixes=(
                Fix("Opposite", {"angled": {"right": "opposite"}}),
                Fix("None on the right", {"angled": {"right": "none"}}),
            ),
        )
    above = other.length - other.axes[-1]
    if other is not row and above < fitted.end_distance:
        top = exact_text(row.t * HALF + fitted.end_distance)
        ends = {"rule": "margin", "left": exact_text(max(row.left, ZERO)), "right": top}
        yield Finding(
            "angled.half",
            "Right board",
            "Half a pitch higher, the topmost peg on the right runs off the board or splits its"
            " end.",
            "to the top",
            above,
            fitted.end_distance,
            fixes=(
                *(
                    (Fix("One fewer on the right", {"angled": {"right": "one fewer"}}),)
                    if row.count > 1
                    else ()
                ),
                Fix(f"{top} at the top", {"row": {"follows": "length", "ends": ends}}),
            ),
        )


def _meet(
    brief: AngledRailBrief, shape: ridge.Shape, sides: tuple[Row, ...], aside: Fraction
) -> Iterator[Finding]:
    """Whether what hangs on the left and what hangs on the right are in one another's way before
    the ridge.
    """
    items = brief.kinds.values()
    need = max(item.right for item in items) + max(item.left for item in items) + brief.row.air
    if 2 * aside >= need or not _level(sides, brief.row.air):
        return
    showing = _showing(shape, need, _tilt(brief) or pegs.Peg().tilt)
    long = {"showing": exact_text(showing)}
    change = long if isinstance(brief.holder, pegs.Peg) else {"kind": "peg", **long}
    many = sum(row.holders for row in sides)
    yield Finding(
        "angled.meet",
        "Both sides",
        "What hangs on the left and what hangs on the right meet before the ridge.",
        "side to side",
        2 * aside,
        need,
        fixes=(
            *(
                (Fix(f"Pegs {exact_text(showing)} long", {"holder": change}),)
                if showing <= LONGEST
                else ()
            ),
            Fix(
                f"All {many} on the left",
                {
                    "angled": {"right": "none"},
                    "row": {"count": many, "follows": "length", "pins": []},
                },
            ),
        ),
    )


def _showing(shape: ridge.Shape, apart: Fraction, tilt: float) -> Fraction:
    """How far a peg shows so that what hangs on both sides is so far `apart`, mm, to the next 5."""
    each = 2 * cos(radians(tilt)) * cos(shape.t) * float(pegs.PegGlyph.rest)
    return Fraction(max(ceil((float(apart) - shape.half) / each / 5) * 5, 5))


def _level(sides: tuple[Row, ...], air: Fraction) -> bool:
    """Whether anything on one side hangs, in part, at the height of something on the other, or
    closer than the air.
    """
    spans = sorted(
        (centre - thing.reach.left, centre + thing.reach.right, side)
        for side, row in enumerate(sides)
        for thing, centre in zip(row.things, row.centres, strict=True)
    )
    reached: list[Fraction | None] = [None, None]
    for low, high, side in spans:
        across, own = reached[1 - side], reached[side]
        if across is not None and low < across + air:
            return True
        reached[side] = high if own is None else max(own, high)
    return False


def _magnet(
    brief: AngledRailBrief, fitted: Fitting, shape: ridge.Shape, sides: tuple[Row, ...]
) -> Iterator[Finding]:
    magnet = brief.angled.magnet
    if magnet is None:
        return
    none = Fix("No magnet", {"angled": {"magnet": None}})
    # Half-way from the foot to the lowest peg, which is nearer than the foot by its own half.
    beside_it = min(sides[-1].axes[0] / 2 - fitted.glyph.height / 2, shape.inner / 2) - magnet / 2
    if beside_it < AROUND:
        small = (magnet - 2 * (AROUND - beside_it)) // 1
        smaller = (
            (Fix(f"A magnet of {small} mm", {"angled": {"magnet": f"{small} mm"}}),)
            if small >= 5
            else ()
        )
        yield Finding(
            "angled.magnet",
            "Magnet",
            "Its recess runs too near a peg, the foot or an edge.",
            "wood around it",
            beside_it,
            AROUND,
            fixes=(*smaller, none),
            left=beside_it > 0,
        )
    elif brief.board.thickness < 2 * SKIN:
        yield Finding(
            "angled.magnet",
            "Magnet",
            "The board is too thin to take one behind its skin.",
            "board",
            brief.board.thickness,
            2 * SKIN,
            fixes=(none,),
            left=False,
        )


def start(hangs: Hangs, tape: TapeName) -> AngledRailBrief:
    """Pegs that keep both sides apart; an odd number takes turns, an even one starts half a pitch
    higher on the right.
    """
    shared = row_for(hangs, tape)
    count, mixed = shared["row"]["count"], bool(shared["row"]["order"])
    right = (
        "none" if mixed else "one fewer" if count % 2 else "as many" if count > 2 else "opposite"
    )
    ends = Ends(rule="margin", left=Fraction(60), right=Fraction(60))
    shared["row"] |= {"ends": ends.model_dump(), "tidy": Fraction(10)}
    if not mixed:
        shared["row"] |= {"count": -(-count // 2), "spacing": "tidy"}
    first = AngledRailBrief.model_validate(
        shared | {"angled": {"right": right}, "holder": _pegs_for(hangs)}
    )
    row = first_row(first, fitting(first))
    if right == "as many":  # the right row has its half pitch more at the top
        longer = ends.changed({"right": ends.right + row.pitch / 2})
        first = first.changed({"row": first.row.changed({"ends": longer})})
    return first.changed(
        {"hung": uprights.foot_for(row, max(row.things[0].reach.left - row.axes[0], ZERO))}
    )


def _pegs_for(hangs: Hangs) -> pegs.Peg:
    """Dowels so long that neighbours pass one another before the ridge of boards as they are at
    first.
    """
    known = AngledRailBrief.model_fields
    shape = ridge.Shape.of(known["angled"].default, known["board"].default)
    apart = max(2 * max(listed.item.left, listed.item.right) + listed.air for listed, _ in hangs)
    peg = pegs.Peg(diameter=Fraction(16), depth=Fraction(16), showing=Fraction(60))
    showing = min(max(_showing(shape, apart, peg.tilt), peg.showing), LONGEST)
    return peg.changed({"showing": showing})


def suits(items: tuple[Item, ...]) -> Fitness:
    """Short things with a handle, one above the other to both sides."""
    if any(item.across > WIDEST for item in items):
        return Fitness(1, "So wide that what hangs on both sides meets before the ridge.")
    tallest = max(item.above + item.below for item in items)
    if tallest > TALLEST:
        return Fitness(
            int(tallest <= 2 * TALLEST), "So long, few of them hang one above the other."
        )
    return on_hooks(
        items,
        2,
        "Short things fan out to both sides of a ridge: many of them on a strip of wall as wide as"
        " a hand.",
    )


def choices(brief: AngledRailBrief) -> tuple[Section, ...]:
    """What an angled rail alone is asked."""
    right = Field(
        "angled.right",
        "on the right",
        (
            Option(
                "one fewer",
                "one fewer, between",
                "Each peg between two on the left: nothing hangs beside anything.",
            ),
            Option(
                "as many",
                "as many, half higher",
                "The same count, half a pitch up: the top end is that much longer.",
            ),
            Option(
                "opposite",
                "opposite",
                "Both boards marked alike: the quickest, with things side by side.",
            ),
            Option(
                "none",
                "none",
                "Beside a door frame or a corner, where only one side is free; for things that"
                " differ.",
            ),
        ),
    )
    asked = (
        right,
        *ridge.fields(brief.angled),
        Field("angled.magnet", "magnet", figure="angled.magnet"),
    )
    figures = (
        *ridge.FIGURES,
        "angled.apart",
        "angled.glue",
        *(("angled.magnet.up",) if brief.angled.magnet else ()),
    )
    return (*kit.choices(brief.holder), Section("Ridge", asked, figures))


FAMILY = Family(
    "angled-rail",
    "Angled rail",
    "Two boards joined to a ridge up the wall: pegs fan out to both sides.",
    AngledRailBrief,
    start,
    fitting,
    build,
    suits,
    choices,
    rows="one",
)
