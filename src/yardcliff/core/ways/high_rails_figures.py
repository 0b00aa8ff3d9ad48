"""Rails at two heights: what they are asked, and their figures and findings."""

from collections.abc import Iterator
from typing import Literal

from yardcliff.core.base.model import Frozen
from yardcliff.core.brief.rack_brief import Board, RackBrief
from yardcliff.core.findings.finding import Finding, Fix, Patch
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders import hook as hooks
from yardcliff.core.holders import kit
from yardcliff.core.row.row import Row
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, exact_text
from yardcliff.core.units.trade import either, usual
from yardcliff.core.ways.accessory_box_findings import Box
from yardcliff.messages import tr

RULE = either("450 mm", "18 in")
"""What a bicycle takes of a wall, two heights counted, mm: rule of thumb."""


ZERO = Fraction(0)


class High(Frozen):
    """How the two rails stand to one another: the lower hooks `drop` below the upper ones. A thing
    is as wide as it is measured over `wide` of its height only (its bars, say), and `narrow`
    elsewhere. `lift` takes it off its hook.
    """

    lower: Literal["as many", "one fewer", "one more", "none"] = "none"
    drop: Size = usual("300 mm", "12 in")
    wide: Size = usual("220 mm", "9 in")
    narrow: Size = usual("240 mm", "10 in")
    ceiling: Size = usual("2400 mm", "96 in")
    lift: Gap = usual("80 mm", "3 in")


class HighRailsBrief(RackBrief):
    """`board` is a rail, `hung` the height of the upper hooks; the row is the upper rail's, the
    lower one is marked alike, and hangs what its second row has of its own.
    """

    family: Literal["high-rails"] = "high-rails"
    holder: kit.Holder = hooks.Hook()
    high: High = High()
    board: Board = usual(
        Board(height=Fraction(145), thickness=Fraction(45)),
        {"height": "7 1/4 in", "thickness": "1 1/2 in"},
    )
    aside: Box = Box()


def beside(brief: HighRailsBrief) -> Fraction:
    """The least from a hook of one rail to the next one of the other: a wide part beside a narrow
    one, and air.
    """
    widest = _widest(brief)
    return (widest + min(brief.high.narrow, widest)) / 2 + brief.row.air


def _widest(brief: HighRailsBrief) -> Fraction:
    return max(item.across for item in brief.kinds.values())


def figures(brief: HighRailsBrief, row: Row, lower: Row | None, over: Fraction) -> Iterator[Figure]:
    """The height of either rail, and what is between."""
    high = brief.high
    things = row.count + (lower.count if lower else 0)
    many = Input("m", tr("input.things"), str(things))
    if lower or brief.aside.stands != "none":
        wide = brief.aside.apart + brief.aside.width if brief.aside.stands != "none" else ZERO
        yield figure(
            "overall",
            row.length + over + wide,
            "L + v + b",
            (
                Input("L", tr("input.a-rail"), row.length),
                Input("v", tr("input.lower-one-over"), over),
                Input("b", tr("input.box-and-room-beside-it"), wide),
            ),
        )
    if lower:
        yield figure(
            "high.beside", row.pitch / 2, "p / 2", (Input("p", tr("input.pitch"), row.pitch),)
        )
        widest = _widest(brief)
        yield figure(
            "high.least",
            beside(brief),
            "(w + min(n, w)) / 2 + c",
            (
                Input("w", tr("input.widest"), widest),
                Input("n", tr("input.narrow"), high.narrow),
                Input("c", tr("input.air"), brief.row.air),
            ),
        )
    yield figure(
        "high.rule",
        things * RULE.of(brief.sizes),
        "m · r",
        (many, Input("r", tr("input.each-in-two-heights"), RULE.of(brief.sizes))),
    )
    top = max(item.above for item in brief.kinds.values())
    yield figure(
        "high.head",
        high.ceiling - brief.hung - top,
        "C − h − a",
        (
            Input("C", tr("input.ceiling"), high.ceiling),
            Input("h", tr("input.upper-hooks"), brief.hung),
            Input("a", tr("input.above-the-hook"), top),
        ),
    )


def findings(brief: HighRailsBrief, lower: Row | None) -> Iterator[Finding]:
    """Rails too close to one another or to the ceiling."""
    high = brief.high
    room = high.ceiling - brief.hung - max(item.above for item in brief.kinds.values())
    if room < high.lift:
        down = brief.hung - (high.lift - room)
        least, write = high.ceiling + high.lift - room, brief.in_hand.write_fine
        yield Finding(
            "high.ceiling",
            tr("part.upper-rail"),
            tr("high.ceiling"),
            tr("quantity.to-the-ceiling"),
            room,
            high.lift,
            fixes=(
                *(
                    (Fix(tr("fix.hang-at", height=write(down)), {"hung": exact_text(down)}),)
                    if down > 0
                    else ()
                ),
                *_on_one_rail(brief, lower, down),
            )
            or (
                Fix(
                    tr("fix.the-ceiling-is-at", least=write(least)),
                    {"high": {"ceiling": exact_text(least)}},
                ),
            ),
        )
    if lower and high.drop < max(high.wide, brief.board.height):
        more = max(high.wide, brief.board.height)
        yield Finding(
            "high.drop",
            tr("part.lower-rail"),
            tr("high.drop"),
            tr("quantity.below-the-upper-hooks"),
            high.drop,
            max(high.wide, brief.board.height),
            fixes=(
                Fix(
                    tr("fix.lower", more=brief.in_hand.write_fine(more)),
                    {"high": {"drop": exact_text(more)}},
                ),
            ),
        )


def _on_one_rail(brief: HighRailsBrief, lower: Row | None, hung: Fraction) -> Iterator[Fix]:
    """All that hangs on the upper rail alone, hung so high."""
    if lower and hung > 0:
        order = (
            [*brief.row.order, *(thing.kind for thing in lower.things)] if brief.row.order else []
        )
        one: Patch = {
            "row": {"count": brief.row.count + lower.count, "order": order, "follows": "length"},
            "high": {"lower": "none"},
        }
        yield Fix(
            tr("fix.all-on-one-rail-hung-at", hung=brief.in_hand.write_fine(hung)),
            one | {"hung": exact_text(hung)},
        )
