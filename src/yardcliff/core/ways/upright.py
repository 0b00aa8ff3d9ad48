"""The upright rail: a clip rail above a foot board with holes, in which shafts stand plumb; the
foot board is screwed up under a rail of its own, and that to the wall.
"""

from collections.abc import Iterator
from math import ceil

from yardcliff.core.brief.choices import Field, Option, Section
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.holders.hole import LEAST_WOOD
from yardcliff.core.materials.goods import Goods, Ware
from yardcliff.core.materials.sold import JOINS, screws
from yardcliff.core.rack import Face, Hold, Joint, Kind, Operation, Part, Place, Rack, Seat, drill
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import Standing
from yardcliff.core.shapes.geometry import across
from yardcliff.core.things.item import Item
from yardcliff.core.things.look import hanging
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.trade import Either, down, either, up
from yardcliff.core.ways.family import Family, Fitness, Hangs, of_grips, read_start, row_for
from yardcliff.core.ways.joinery import BITE, meet, pilot_bit, screwed
from yardcliff.core.ways.shaft_checks import (
    CATCH,
    OF_EACH,
    in_the_way,
    own_figures,
    room,
    shaft_figures,
    shaft_findings,
)
from yardcliff.core.ways.shafts import STRAP, UprightBrief, fitting, foot_of, length_of, lengths
from yardcliff.core.ways.shared import Body, assemble
from yardcliff.messages import tr

RAIL, ROUND = Either(("70 mm", "35 mm"), ("2 1/2 in", "1 1/2 in")), either("10 mm", "1/2 in")
"""A clip rail at first, how wide and how thick; and what the rest is rounded to."""
FOOT = 60.0
"""So far above its lowest point a thing is measured as the foot that stands in a hole, mm."""
LAP = either("15 mm", "5/8 in")
"""The foot rail reaches over the foot board by this at least, mm: what takes a screw."""
UNDER = Fraction(400)
"""From screw to screw under the foot rail, mm: rule of thumb."""
ZERO = Fraction(0)


def build(brief: UprightBrief, fitted: Fitting, row: Row) -> Rack:
    """One clip rail, and the foot board below it under its own rail."""
    foot, board = brief.foot, brief.board
    rail = Part(
        "clip-rail",
        tr("part.clip-rail"),
        ZERO,
        brief.hung - board.height / 2,
        ZERO,
        row.length,
        board.height,
        board.thickness,
        board.wood,
    )
    base = Part(
        "foot-board",
        tr("part.foot-board"),
        ZERO,
        foot.top - foot.thickness,
        foot.off,
        row.length,
        foot.thickness,
        foot.depth,
        board.wood,
        "top",
    )
    feet = {kind: foot_of(brief, fitted, kind) for kind in brief.kinds}
    back = Part(
        "foot-rail",
        tr("part.foot-rail"),
        ZERO,
        foot.top,
        ZERO,
        row.length,
        board.height,
        max(board.thickness, foot.off + LAP.of(brief.sizes)),
        board.wood,
    )
    seats = tuple(
        Seat(
            base.key, 0, i, x, foot.depth - feet[thing.kind].offset, feet[thing.kind].bit, foot.deep
        )
        for i, (x, thing) in enumerate(zip(row.axes, row.things, strict=True))
    )
    boring = (
        drill(
            Kind.FOOT_HOLE,
            (
                Place(base.key, Face.TOP, one.along, one.across, one.row, one.holder)
                for one in seats
                if one.bit == bit
            ),
            bit,
            tr("ways.clamp-clip-rail-ends-flush-mark"),
            deep=foot.deep,
            left=foot.thickness - foot.deep,
            stop=tr("ways.depth-stop"),
            tool=tool,
        )
        for bit, tool in dict.fromkeys(
            (feet[thing.kind].bit, feet[thing.kind].tool) for thing in row.things
        )
    )
    body = Body(
        "upright",
        (rail, base, back),
        ((rail.key, board.height / 2),),
        (Joint(base.key, back.key, Hold.SCREWS),),
        machining=(*boring, *_under(brief, base, back), *_strap(brief, fitted, rail, row)),
        figures=(
            *shaft_figures(brief, fitted, feet),
            *own_figures(brief, fitted, feet),
            *room(brief, fitted, row),
        ),
        findings=(*shaft_findings(brief, tuple(feet.values())), *in_the_way(brief, fitted)),
        cautions=(
            ()
            if brief.clear.strap == "across"
            else (tr("caution.long-shafts-topple-where-children-reach"),)
        ),
        seats=seats,
        standing_at=foot.top - foot.deep,
    )
    return assemble(brief, fitted, (Standing(row, ZERO, ZERO),), ZERO, body)


def _under(brief: UprightBrief, base: Part, back: Part) -> tuple[Operation, ...]:
    """The screws that hold the foot board under its rail: no screw goes to the wall through the
    depth of a board.
    """
    many = max(2, ceil(base.length / UNDER) + 1)
    below = "ways.from-below-clear-foot-holes-countersink"
    into = "ways.up-into-rail-in-front-of-it" if base.z else "ways.up-into-rail-backs-flush"
    return screwed(
        brief.sizes,
        [meet(brief.sizes, base, back, many)],
        BITE.of(brief.sizes),
        (below, into),
        z=brief.in_hand.write_fine(base.z),
    )


def _strap(brief: UprightBrief, fitted: Fitting, rail: Part, row: Row) -> Iterator[Operation]:
    """What holds a strap across the clips."""
    if brief.clear.strap == "across":
        left = brief.board.thickness * 2 / 5
        deep = brief.board.thickness - left
        yield drill(
            Kind.PILOT,
            (
                Place(rail.key, Face.FRONT, x, rail.height / 2)
                for x in (
                    row.axes[0] - fitted.reach.left - STRAP.of(brief.sizes) / 2,
                    row.axes[-1] + fitted.reach.right + STRAP.of(brief.sizes) / 2,
                )
            ),
            pilot_bit(brief.board.wood, brief.sizes),
            tr("ways.one-beyond-each-outer-ring-half"),
            deep=deep,
            left=left,
            takes=(Ware(Goods.STRAP, 1), screws(JOINS.of(brief.sizes), deep, 2)),
        )


def start(hangs: Hangs, tape: Tape) -> UprightBrief:
    """A rail at two thirds of the longest, or as high as the shortest allows."""
    trade = tape.sizes
    high, thick = RAIL.of(trade)
    first = read_start(
        UprightBrief, row_for(hangs, tape) | {"board": {"height": high, "thickness": thick}}
    )
    short, long = lengths(first)
    stands = first.foot.top - first.foot.deep
    height = min(length_of(short) - CATCH.of(trade), length_of(long) * 2 / 3)
    fitted = fitting(first)
    feet = [foot_of(first, fitted, kind) for kind in first.kinds]
    need = max(one.offset + one.bit / 2 + LEAST_WOOD.of(trade) for one in feet)
    foot = first.foot.changed({"depth": max(first.foot.depth, up(need, trade, ROUND))})
    return first.changed({"hung": stands + down(height, trade, ROUND), "foot": foot})


def suits(items: tuple[Item, ...]) -> Fitness:
    """Shafts, measured where the clip takes them."""
    if any(item.held is None for item in items):
        return Fitness(0, tr("ways.no-shaft-to-clip"))
    if any(item.below < 600 for item in items):
        return Fitness(0, tr("ways.too-short-to-stand"))
    if any(_foot_wide(item) > 2.5 * float(item.held or 0) for item in items):
        return Fitness(0, tr("ways.widens-at-its-foot-no-foot"))
    return of_grips(
        items,
        ("shaft",),
        tr("ways.they-stand-plumb-in-foot-board"),
        tr("ways.whatever-has-long-straight-shaft-can"),
    )


def _foot_wide(item: Item) -> float:
    """How wide an item's outline is where it would stand in its hole, mm."""
    body = (across(path, FOOT - float(item.below)) for path in hanging(item).body)
    return max((b - a for spans in body for a, b in spans), default=0.0)


def choices(brief: UprightBrief) -> tuple[Section, ...]:
    """What an upright rail alone is asked."""
    ways = range(2, len(fitting(brief).own) + 2)
    rings, holes = (
        [f"{key}.{k}" for k in ways for key in OF_EACH if key.startswith(of)]
        for of in ("clip", "seat")
    )
    return (
        Section(
            tr("section.clips"),
            (
                Field("clip.held", tr("ways.shaft"), figure="held"),
                Field("clip.play", tr("ways.play")),
                Field("clip.screw", tr("ways.screw")),
            ),
            ("clip.bore", "clip.mouth", *rings, "clip.length", "upright.most", "upright.least"),
        ),
        Section(
            tr("section.foot-board"),
            (
                Field("foot.top", tr("ways.top-at")),
                Field("foot.off", tr("ways.off-wall")),
                Field("foot.depth", tr("ways.wide")),
                Field("foot.thickness", tr("ways.thick-label")),
                Field("foot.deep", tr("ways.holes")),
                Field("foot.play", tr("ways.play")),
            ),
            ("seat.offset", "seat.plumb", *holes),
        ),
        Section(
            tr("section.room-around"),
            (
                Field("clear.above", tr("ways.overhead-at")),
                Field("clear.front", tr("ways.in-front")),
                Field(
                    "clear.strap",
                    tr("ways.strap"),
                    (
                        Option(
                            "none", tr("ways.none"), tr("ways.clips-alone-hold-for-light-shafts")
                        ),
                        Option(
                            "across",
                            tr("ways.across-the-clips"),
                            tr("ways.strap-with-buckle-nothing-topples-when"),
                        ),
                    ),
                ),
            ),
            (
                "upright.over",
                "upright.swing",
                *(("upright.strap",) if brief.clear.strap == "across" else ()),
            ),
        ),
    )


FAMILY = Family(
    "upright",
    "ways.upright-rail",
    "ways.clips-above-foot-board-with-holes",
    UprightBrief,
    start,
    fitting,
    build,
    suits,
    choices,
    rows="one",
)
