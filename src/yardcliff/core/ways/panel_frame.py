"""A panel: what it is asked, and the battens and joints that hold it."""

from collections.abc import Iterator
from itertools import pairwise
from typing import Literal

from yardcliff.core.base.model import Frozen
from yardcliff.core.brief.rack_brief import Board
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.rack import Hold, Joint, Operation, Part
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import RowsBrief, Standing
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Size, exact_text
from yardcliff.core.units.trade import Trade, either, usual
from yardcliff.core.ways.held_rows import HeldRows
from yardcliff.core.ways.joinery import Meet, beside, clearance, dowel_deep, dowelled, meet, screwed
from yardcliff.core.ways.planking import Plank
from yardcliff.core.ways.shared import Body, boards
from yardcliff.messages import tr

LAP = either("15 mm", "5/8 in")
"""How far a rear board reaches behind the cross boards above and below its gap, mm."""


ZERO = Fraction(0)


BEHIND_DOWEL = either("3 mm", "1/8 in")
"""Wood behind a dowel at least, mm: rule of thumb."""


DOWELLED = ("ways.into-ends-cross-boards-square-them", "ways.into-sides-edges-by-dowel-points")
"""Of the dowels of a flush frame."""


class Support(Frozen):
    """A batten behind the planks or a side of the frame; sides stand behind the cross boards or
    flush beside them.

    Between sides that stand behind, further boards may close the `gaps`, set back by a board.
    """

    width: Size = usual("45 mm", "1 1/2 in")
    thickness: Size = usual("21 mm", "3/4 in")
    place: Literal["behind", "flush"] = "behind"
    gaps: Literal["open", "boards"] = "open"


class PanelBrief(HeldRows):
    """`board` gives thickness and wood, and the width of a frame's cross boards or of the panel
    about one row.
    """

    family: Literal["panel"] = "panel"
    made: Literal["planks", "frame"] = "planks"
    plank: Plank = Plank()
    support: Support = Support()
    rows: RowsBrief = RowsBrief(count=2)
    board: Board = Board()


def bored_planks(
    brief: PanelBrief, standing: tuple[Standing, ...], fitted: Fitting, y: Fraction
) -> list[tuple[Fraction, Fraction]]:
    """Where along a level line holders of any row are bored."""
    offs = [(fitted.of(k), one.row, y - (brief.hung - one.down)) for k, one in enumerate(standing)]
    return [span for fit, row, off in offs for span in beside(fit, row, off, off)]


def framed_body(
    brief: PanelBrief, standing: tuple[Standing, ...], row: Row, fitted: Fitting
) -> Body:
    """Cross boards on two sides, with the joints that hold them."""
    apart = brief.changed({"rows": brief.rows.changed({"boards": "each"})})
    crosses, marked = boards(apart, standing, row.length, brief.board.height / 2, "cross-board")
    support, flush = brief.support, brief.support.place == "flush"
    low, high = min(part.y for part in crosses), max(part.y + part.height for part in crosses)
    off = ZERO if flush else support.thickness
    fronts = tuple(
        Part(
            part.key, part.name, ZERO, part.y, off, part.length, part.height, part.depth, part.wood
        )
        for part in crosses
    )
    wide = support.width if flush else min(support.width, row.length / 2)
    xs = (-wide, row.length) if flush else (ZERO, row.length - wide)
    sides = tuple(
        Part(
            f"side-{k + 1}",
            name,
            x,
            low,
            ZERO,
            wide,
            high - low,
            support.thickness,
            brief.board.wood,
            upright=True,
            up=True,
        )
        for k, (name, x) in enumerate(
            zip((tr("ways.left-side"), tr("ways.right-side")), xs, strict=True)
        )
    )
    hold = Hold.DOWELS if flush else Hold.SCREWS
    joints = [Joint(front.key, side.key, hold) for front in fronts for side in sides]
    meets = [meet(brief.sizes, front, side, 2) for front in fronts for side in sides]
    rears, gaps = _rears(brief, fronts, wide)
    joints += [
        Joint(rear.key, front.key, Hold.SCREWS, glued=False)
        for rear, pair in zip(rears, gaps, strict=True)
        for front in pair
    ]
    overall = row.length + (2 * wide if flush else 0)
    return Body(
        "panel",
        (*fronts, *sides, *rears),
        marked,
        tuple(joints),
        (
            *(
                dowelled(brief.sizes, meets, DOWELLED)
                if flush
                else joinery(meets, support.thickness, brief.sizes)
            ),
            *_closing(brief, rears, gaps, standing, fitted),
        ),
        (
            Figure(
                "overall",
                tr("overall.label.overall-length"),
                overall,
                "L + 2 · w" if flush else "L",
                (
                    Input("L", tr("input.cross-boards"), row.length),
                    *((Input("w", tr("input.side"), wide),) if flush else ()),
                ),
                tr("overall.why.both-sides-count-where-they-stand"),
            ),
            figure("panel.tall", high - low, tr("panel.tall.formula"), ()),
            *_rear_figure(rears, gaps),
        ),
        tuple(
            _on_dowels(row, wide, brief)
            if flush
            else _on_joints(brief, standing, wide, fitted.noun)
        ),
        (tr("caution.check-both-diagonals-before-glue-sets"),),
    )


def _on_dowels(row: Row, wide: Fraction, brief: PanelBrief) -> Iterator[Finding]:
    """Whether the dowels of a flush frame stay in their wood: in from both ends of a cross board,
    and into the sides.
    """
    left = min(row.length - 2 * dowel_deep(brief.sizes), wide - dowel_deep(brief.sizes))
    if left < BEHIND_DOWEL.of(brief.sizes):
        wider = dowel_deep(brief.sizes) + BEHIND_DOWEL.of(brief.sizes)
        yield Finding(
            "panel.dowel",
            tr("part.sides"),
            tr("panel.dowel"),
            tr("quantity.wood-behind-the-dowels"),
            left,
            BEHIND_DOWEL.of(brief.sizes),
            fixes=(
                *(
                    (
                        Fix(
                            tr("fix.sides-wide", wider=brief.in_hand.write_fine(wider)),
                            {"support": {"width": exact_text(wider)}},
                        ),
                    )
                    if row.length - 2 * dowel_deep(brief.sizes) >= BEHIND_DOWEL.of(brief.sizes)
                    else ()
                ),
                Fix(
                    tr("fix.the-sides-behind-the-boards-screwed"), {"support": {"place": "behind"}}
                ),
            ),
        )


def _rears(
    brief: PanelBrief, fronts: tuple[Part, ...], wide: Fraction
) -> tuple[tuple[Part, ...], list[tuple[Part, Part]]]:
    """The boards behind the gaps, and the two cross boards that each reaches behind."""
    support = brief.support
    if support.gaps == "open" or support.place == "flush":
        return (), []
    across = sorted(fronts, key=lambda part: -part.y)
    gaps = [(upper, under) for upper, under in pairwise(across) if upper.y > under.y + under.height]
    thick, lap = (
        min(brief.board.thickness, support.thickness),
        min(LAP.of(brief.sizes), brief.board.height / 3),
    )
    inner = fronts[0].length - 2 * wide
    if inner <= 0:
        return (), []
    rears = tuple(
        Part(
            f"rear-{k}",
            tr("part.rear-board", number=k),
            wide,
            under.y + under.height - lap,
            support.thickness - thick,
            inner,
            upper.y - under.y - under.height + 2 * lap,
            thick,
            brief.board.wood,
        )
        for k, (upper, under) in enumerate(gaps, 1)
    )
    return rears, gaps


def _closing(
    brief: PanelBrief,
    rears: tuple[Part, ...],
    gaps: list[tuple[Part, Part]],
    standing: tuple[Standing, ...],
    fitted: Fitting,
) -> tuple[Operation, ...]:
    meets = []
    for rear, (upper, under) in zip(rears, gaps, strict=True):
        lap = (under.y + under.height - rear.y) / 2
        for front, y in ((upper, upper.y + lap), (under, rear.y + lap)):
            meets.append(
                meet(brief.sizes, rear, front, 3, shut=bored_planks(brief, standing, fitted, y))
            )
    return screwed(
        brief.sizes,
        meets,
        brief.board.thickness * 2 / 3,
        ("ways.three-along-each-long-edge-half", "ways.clear-of-what-holds-the-hooks"),
    )


def _rear_figure(rears: tuple[Part, ...], gaps: list[tuple[Part, Part]]) -> Iterator[Figure]:
    if rears:
        upper, under = gaps[0]
        gap = upper.y - under.y - under.height
        yield figure(
            "panel.rear",
            rears[0].height,
            "g + 2 · l",
            (
                Input("g", tr("input.gap"), gap),
                Input("l", tr("input.lap"), (rears[0].height - gap) / 2),
            ),
        )


def _on_joints(
    brief: PanelBrief, standing: tuple[Standing, ...], wide: Fraction, holder: str
) -> Iterator[Finding]:
    """Whether a holder sits over the screws that hold a cross board to its sides, in the middle of
    these.
    """
    row = standing[0].row
    at = (wide / 2, row.length - wide / 2)
    near = [
        (
            abs(axis - screw) - one.row.fixture.across / 2,
            one.row.fixture.across / 2 + clearance(brief.sizes),
        )
        for one in standing
        for axis in one.row.axes
        for screw in at
    ]
    least, clear = min(near)
    nearest = least + clear - clearance(brief.sizes)
    if nearest < clear:
        yield Finding(
            "panel.joint",
            tr("part.cross-board"),
            tr("panel.joint", holder=holder),
            tr("quantity.from-the-screws"),
            nearest,
            clear,
            fixes=(Fix(tr("fix.sides-flush-beside-the-boards"), {"support": {"place": "flush"}}),),
        )


def joinery(meets: list[Meet], other: Fraction, trade: Trade) -> tuple[Operation, ...]:
    """The screws where boards lie face to face, two thirds into the `other`."""
    return screwed(
        trade,
        meets,
        other * 2 / 3,
        (
            "ways.countersunk-slotted-little-where-planks-may",
            "ways.through-holes-above-with-both-parts",
        ),
    )
