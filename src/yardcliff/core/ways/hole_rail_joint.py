"""A hole rail: what it is asked, and the joint by which it meets its board."""

from collections.abc import Iterator
from math import ceil
from typing import Literal

from yardcliff.core.base.model import Frozen
from yardcliff.core.brief.rack_brief import RackBrief
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders import hole as holes
from yardcliff.core.materials.sold import thicknesses
from yardcliff.core.row.row import Row
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.strength.body import Butt
from yardcliff.core.strength.link import percent
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Size, exact_text
from yardcliff.core.units.trade import usual
from yardcliff.core.ways.joinery import BITE
from yardcliff.messages import tr

SCREWS_APART = Fraction(250)


class Back(Frozen):
    """The plate against the wall, as long as the shelf: standing up from it or hanging down."""

    height: Size = usual("90 mm", "3 1/2 in")
    thickness: Size = usual("18 mm", "3/4 in")
    place: Literal["above", "below"] = "above"


class HoleRailBrief(RackBrief):
    """`board` is the shelf, its `height` being how deep it is; `hung` the height of its top.

    `setback` is from the front edge to the holes' axis (None: the middle).
    """

    family: Literal["hole-rail"] = "hole-rail"
    hole: holes.Hole = holes.Hole()
    setback: Size | None = None
    back: Back = Back()


def screws(length: Fraction) -> int:
    """Through the back plate into one shelf."""
    return max(2, ceil(length / SCREWS_APART) + 1)


def screw_bite(brief: HoleRailBrief) -> Fraction:
    """How much of a screw is in the rail's end grain, mm."""
    return min(BITE.of(brief.sizes), brief.board.height * 2 / 3)


def butt(brief: HoleRailBrief, row: Row) -> Butt:
    """The shelf on its back plate, with what is in it and a hand that pulls at one place."""
    pulled, bite = brief.pulled, screw_bite(brief)
    out = brief.board.height - (brief.board.height / 2 if brief.setback is None else brief.setback)
    return Butt(
        brief.board.wood,
        float(brief.board.thickness),
        float(brief.back.thickness + bite),
        float(bite),
        screws(row.length),
        float(out),
        pulled.weight * (row.holders - 1),
        pulled.force,
    )


def joint_figure(brief: HoleRailBrief, row: Row) -> Figure:
    """What the joint bears of what it may."""
    on = butt(brief, row)
    return figure(
        "shelf.joint",
        percent(on.share),
        "(F / 2 + W / n) · a / (t / 2) / P + (F / 2 + W / n) / Q",
        (
            Input("F", brief.pulled.says, f"{on.hand:.1f} N"),
            Input("W", tr("input.the-rest-that-stands-in-it"), f"{on.load:.1f} N"),
            Input("n", tr("input.screws"), str(on.count)),
            Input("a", tr("input.holes-off-the-plate"), rounded(on.out)),
            Input("t", tr("input.shelf-thick"), rounded(on.thick)),
            Input("P", tr("input.may-be-pulled"), f"{on.may_pull:.1f} N"),
            Input("Q", tr("input.may-bear-across"), f"{on.may_shear:.1f} N"),
        ),
    )


def joint_findings(brief: HoleRailBrief, row: Row) -> Iterator[Finding]:
    """A rail that may come off its board."""
    share = butt(brief, row).share
    if share <= 1:
        return
    fixes = []
    for wood in dict.fromkeys((brief.board.wood, "hardwood")):
        sold = thicknesses(wood, brief.sizes)
        for thick in (brief.board.thickness, *(t for t in sold if t > brief.board.thickness)):
            board = brief.board.changed({"thickness": thick, "wood": wood})
            if butt(brief.changed({"board": board}), row).share <= 1:
                said = tr("ways.thick", thickness=brief.in_hand.write_fine(thick))
                words = (
                    said
                    if wood == brief.board.wood
                    else (
                        tr("ways.of-hardwood")
                        if board.thickness == brief.board.thickness
                        else tr("ways.said-of-hardwood", said=said)
                    )
                )
                fixes.append(
                    Fix(
                        tr("fix.shelf", words=words),
                        {"board": {"thickness": exact_text(board.thickness), "wood": wood}},
                    )
                )
                break
    if not fixes:  # no shelf bears so much on so few screws
        fixes.append(Fix(tr("fix.hooks-on-a-rail-instead"), {"family": "rail"}))
    yield Finding(
        "shelf.joint",
        tr("part.shelf"),
        tr("shelf.joint"),
        tr("quantity.of-what-they-may-bear"),
        percent(share),
        "100%",
        fixes=tuple(fixes),
    )
