"""Rails at two heights: what they are asked, and their figures and findings."""

from collections.abc import Iterator
from typing import Literal

from yardcliff.core.base.model import Frozen
from yardcliff.core.brief.rack_brief import Board, RackBrief
from yardcliff.core.findings.finding import Finding, Fix, Patch
from yardcliff.core.findings.working import Figure, Input
from yardcliff.core.holders import hook as hooks
from yardcliff.core.holders import kit
from yardcliff.core.row.row import Row
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, exact_text
from yardcliff.core.ways.accessory_box_findings import Box

RULE = Fraction(450)
"""What a bicycle takes of a wall, two heights counted, mm: rule of thumb."""


ZERO = Fraction(0)


class High(Frozen):
    """How the two rails stand to one another: the lower hooks `drop` below the upper ones. A thing
    is as wide as it is measured over `wide` of its height only (its bars, say), and `narrow`
    elsewhere. `lift` takes it off its hook.
    """

    lower: Literal["as many", "one fewer", "one more", "none"] = "none"
    drop: Size = Fraction(300)
    wide: Size = Fraction(220)
    narrow: Size = Fraction(240)
    ceiling: Size = Fraction(2400)
    lift: Gap = Fraction(80)


class HighRailsBrief(RackBrief):
    """`board` is a rail, `hung` the height of the upper hooks; the row is the upper rail's, the
    lower one is marked alike, and hangs what its second row has of its own.
    """

    family: Literal["high-rails"] = "high-rails"
    holder: kit.Holder = hooks.Hook()
    high: High = High()
    board: Board = Board(height=Fraction(145), thickness=Fraction(45))
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
    many = Input("m", "things", str(things))
    if lower or brief.aside.stands != "none":
        wide = brief.aside.apart + brief.aside.width if brief.aside.stands != "none" else ZERO
        yield Figure(
            "overall",
            "Wall, measured",
            row.length + over + wide,
            "L + v + b",
            (
                Input("L", "a rail", row.length),
                Input("v", "lower one over", over),
                Input("b", "box and room beside it", wide),
            ),
            "The lower rail hangs half a pitch over; a box beside counts too.",
        )
    if lower:
        yield Figure(
            "high.beside",
            "From one to the next",
            row.pitch / 2,
            "p / 2",
            (Input("p", "pitch", row.pitch),),
            "From a hook above to the next one below.",
        )
        widest = _widest(brief)
        yield Figure(
            "high.least",
            "At least",
            beside(brief),
            "(w + min(n, w)) / 2 + c",
            (
                Input("w", "widest", widest),
                Input("n", "narrow", high.narrow),
                Input("c", "air", brief.row.air),
            ),
            "A wide part and a narrow one side by side: the wide ones pass above and below one"
            " another.",
        )
    yield Figure(
        "high.rule",
        "Wall, by rule",
        things * RULE,
        "m · r",
        (many, Input("r", "each, in two heights", RULE)),
        "A rule of thumb for bicycles. The measured figure is the one to saw by.",
    )
    top = max(item.above for item in brief.kinds.values())
    yield Figure(
        "high.head",
        "To the ceiling",
        high.ceiling - brief.hung - top,
        "C − h − a",
        (
            Input("C", "ceiling", high.ceiling),
            Input("h", "upper hooks", brief.hung),
            Input("a", "above the hook", top),
        ),
        "What is left to lift a thing off its hook.",
    )


def findings(brief: HighRailsBrief, lower: Row | None) -> Iterator[Finding]:
    """Rails too close to one another or to the ceiling."""
    high = brief.high
    room = high.ceiling - brief.hung - max(item.above for item in brief.kinds.values())
    if room < high.lift:
        down = brief.hung - (high.lift - room)
        least = exact_text(high.ceiling + high.lift - room)
        yield Finding(
            "high.ceiling",
            "Upper rail",
            "Nothing can be lifted off the upper hooks under the ceiling.",
            "to the ceiling",
            room,
            high.lift,
            fixes=(
                *(
                    (Fix(f"Hang at {exact_text(down)}", {"hung": exact_text(down)}),)
                    if down > 0
                    else ()
                ),
                *_on_one_rail(brief, lower, down),
            )
            or (Fix(f"The ceiling is at {least}", {"high": {"ceiling": least}}),),
        )
    if lower and high.drop < max(high.wide, brief.board.height):
        more = exact_text(max(high.wide, brief.board.height))
        yield Finding(
            "high.drop",
            "Lower rail",
            "So little lower, the wide parts meet instead of passing, or the rails do.",
            "below the upper hooks",
            high.drop,
            max(high.wide, brief.board.height),
            fixes=(Fix(f"{more} lower", {"high": {"drop": more}}),),
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
        yield Fix(f"All on one rail, hung at {exact_text(hung)}", one | {"hung": exact_text(hung)})
