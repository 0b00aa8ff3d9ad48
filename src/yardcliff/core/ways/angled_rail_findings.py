"""Rails on both sides of a ridge: what they are asked, and where their pegs would meet or lean."""

from collections.abc import Iterator
from dataclasses import replace
from math import cos, radians
from typing import ClassVar, Literal

from yardcliff.core.brief.rack_brief import Board, RackBrief
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.holders import kit
from yardcliff.core.holders import peg as pegs
from yardcliff.core.holders.fitting import Fitting, half
from yardcliff.core.row.row import HALF, Row
from yardcliff.core.row.rows import can_stagger
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.things.item import Item
from yardcliff.core.things.thing import Reach, Run, Thing
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Size, exact_text
from yardcliff.core.units.trade import EASY, down, either, up, usual
from yardcliff.core.ways.ridge_shape import Ridge, Shape
from yardcliff.core.ways.shared import ground
from yardcliff.messages import tr

SKIN = either("2 mm", "1/16 in")
"""Of wood before a magnet: thicker, and it does not pull; thinner, and it breaks through, mm."""


SMALLEST = either("5 mm", "1/4 in")
"""Smaller magnets are not proposed."""
AROUND = either("6 mm", "1/4 in")
"""Wood around a magnet's recess, mm."""


LONGEST = either("140 mm", "5 1/2 in")
"""A peg of this rail shows so far at most, mm: longer ones are in the way of who passes. Rule of
thumb.
"""


ZERO = Fraction(0)


class Angled(Ridge):
    """What stands on the `right` beside the row on the left; a `magnet` so wide, let in below it
    from behind.
    """

    right: Literal["one fewer", "as many", "opposite", "none"] = "one fewer"
    magnet: Size | None = None


class AngledRailBrief(RackBrief):
    """`board` gives one of the two: its outer face's width, its thickness and its wood. `hung` is
    the height of its foot.
    """

    run: ClassVar[Run] = Run.UP

    family: Literal["angled-rail"] = "angled-rail"
    holder: kit.Holder = usual(pegs.Peg(showing=Fraction(80)), {"showing": "3 1/4 in"})
    angled: Angled = Angled()
    board: Board = usual(Board(height=Fraction(90)), {"height": "3 1/2 in", "thickness": "1 in"})

    def thing(self, item: Item) -> Thing:
        """How far a thing reaches below and above its holder."""
        drop = fitting(self).hang_drop
        return Thing(Reach(item.below + drop, max(item.above - drop, ZERO)))


def fitting(brief: AngledRailBrief) -> Fitting:
    """The brief's holder in the middle of a board."""
    fitted = kit.fit(brief.holder, ground(brief))
    return replace(fitted, reach=half(fitted.glyph.height))


def tilt(brief: AngledRailBrief) -> float:
    """How far its pegs lean from level, degrees."""
    return brief.holder.tilt if isinstance(brief.holder, pegs.Peg) else 0


def half_a_pitch(
    brief: AngledRailBrief, fitted: Fitting, sides: tuple[Row, ...]
) -> Iterator[Finding]:
    """Whether the right row could be moved half a pitch, and is still on its board."""
    row, other = sides[0], sides[-1]
    if brief.angled.right in ("one fewer", "as many") and len(sides) > 1 and not can_stagger(row):
        yield Finding(
            "angled.pitch",
            tr("part.right-board"),
            tr("angled.pitch"),
            tr("quantity.holders"),
            str(row.holders),
            tr("quantity.2-or-more-one-pitch"),
            fixes=(
                Fix(tr("fix.opposite"), {"angled": {"right": "opposite"}}),
                Fix(tr("fix.none-on-the-right"), {"angled": {"right": "none"}}),
            ),
        )
    above = other.length - other.axes[-1]
    if other is not row and above < fitted.end_distance:
        top = row.t * HALF + fitted.end_distance
        ends = {"rule": "margin", "left": exact_text(max(row.left, ZERO)), "right": exact_text(top)}
        yield Finding(
            "angled.half",
            tr("part.right-board"),
            tr("angled.half"),
            tr("quantity.to-the-top"),
            above,
            fitted.end_distance,
            fixes=(
                *(
                    (Fix(tr("fix.one-fewer-on-the-right"), {"angled": {"right": "one fewer"}}),)
                    if row.count > 1
                    else ()
                ),
                Fix(
                    tr("fix.at-the-top", top=brief.in_hand.write(top)),
                    {"row": {"follows": "length", "ends": ends}},
                ),
            ),
        )


def meet(
    brief: AngledRailBrief, shape: Shape, sides: tuple[Row, ...], aside: Fraction
) -> Iterator[Finding]:
    """Whether what hangs on the left and what hangs on the right are in one another's way before
    the ridge.
    """
    items = brief.kinds.values()
    need = max(item.right for item in items) + max(item.left for item in items) + brief.row.air
    if 2 * aside >= need or not _level(sides, brief.row.air):
        return
    showing = peg_showing(shape, need, tilt(brief) or pegs.Peg().tilt)
    long = {"showing": exact_text(showing)}
    change = long if isinstance(brief.holder, pegs.Peg) else {"kind": "peg", **long}
    many = sum(row.holders for row in sides)
    yield Finding(
        "angled.meet",
        tr("part.both-sides"),
        tr("angled.meet"),
        tr("quantity.side-to-side"),
        2 * aside,
        need,
        fixes=(
            *(
                (
                    Fix(
                        tr("fix.pegs-long", showing=brief.in_hand.write_fine(showing)),
                        {"holder": change},
                    ),
                )
                if showing <= LONGEST.of(brief.sizes)
                else ()
            ),
            Fix(
                tr("fix.all-on-the-left", many=many),
                {
                    "angled": {"right": "none"},
                    "row": {"count": many, "follows": "length", "pins": []},
                },
            ),
        ),
    )


def peg_showing(shape: Shape, apart: Fraction, tilt: float) -> Fraction:
    """How far a peg shows so that what hangs on both sides is so far `apart`, mm, to the next easy
    step.
    """
    each = 2 * cos(radians(tilt)) * cos(shape.t) * float(pegs.PegGlyph.rest)
    least = rounded((float(apart) - shape.half) / each)
    return max(up(least, shape.sizes, EASY), EASY.of(shape.sizes))


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


def magnet(
    brief: AngledRailBrief, fitted: Fitting, shape: Shape, sides: tuple[Row, ...]
) -> Iterator[Finding]:
    """A magnet that has too little wood about it."""
    magnet = brief.angled.magnet
    if magnet is None:
        return
    none = Fix(tr("fix.no-magnet"), {"angled": {"magnet": None}})
    # Half-way from the foot to the lowest peg, which is nearer than the foot by its own half.
    beside_it = min(sides[-1].axes[0] / 2 - fitted.glyph.height / 2, shape.inner / 2) - magnet / 2
    if beside_it < AROUND.of(brief.sizes):
        small = down(magnet - 2 * (AROUND.of(brief.sizes) - beside_it), brief.sizes)
        smaller = (
            (
                Fix(
                    tr("fix.a-magnet-of", small=brief.in_hand.write_fine(small)),
                    {"angled": {"magnet": exact_text(small)}},
                ),
            )
            if small >= SMALLEST.of(brief.sizes)
            else ()
        )
        yield Finding(
            "angled.magnet",
            tr("part.magnet"),
            tr("angled.magnet"),
            tr("quantity.wood-around-it"),
            beside_it,
            AROUND.of(brief.sizes),
            fixes=(*smaller, none),
            left=beside_it > 0,
        )
    elif brief.board.thickness < 2 * SKIN.of(brief.sizes):
        yield Finding(
            "angled.magnet",
            tr("part.magnet"),
            tr("angled.magnet.board-too-thin-take-one-behind"),
            tr("quantity.board"),
            brief.board.thickness,
            2 * SKIN.of(brief.sizes),
            fixes=(none,),
            left=False,
        )
