"""A box beside the rack: what it is asked, and whether it fits and its cleat holds."""

from collections.abc import Iterator
from math import ceil
from typing import Annotated, Literal

from yardcliff.core.base.model import Frozen, whole
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.materials.goods import Wood
from yardcliff.core.strength.body import along_grain, lip
from yardcliff.core.strength.force import LEANT_ON, newtons
from yardcliff.core.strength.link import percent
from yardcliff.core.things.item import Weight
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, exact_text
from yardcliff.core.ways.row_words import FLOOR_CLEAR
from yardcliff.messages import tr

SHELF = Fraction(18)
"""How thick shelves, top, bottom and cleat are, mm."""


STRIP = Fraction(70)
"""How wide each half of the cleat is over its long face, mm."""


class Box(Frozen):
    """Over all so wide, tall and deep, `apart` from the rails; so many loose `shelves`; a `load` in
    it all.
    """

    stands: Literal["none", "right"] = "none"
    width: Size = Fraction(400)
    height: Size = Fraction(600)
    depth: Size = Fraction(220)
    side: Size = Fraction(18)
    apart: Gap = Fraction(100)
    shelves: Annotated[int, whole(0, 8)] = 2
    load: Weight = 5000


def lip_height(box: Box, wood: Wood) -> float:
    """Of what the lip of its cleat may bear, with what is in the box and somebody who
    leans on it.
    """
    return lip(newtons(box.load) + LEANT_ON, float(inner_width(box)), float(SHELF), wood)


def inner_width(box: Box) -> Fraction:
    """Between its sides, mm."""
    return max(box.width - 2 * box.side, Fraction(1))


def lip_figure(box: Box, inner: Fraction, wood: Wood) -> Figure:
    """What pulls at the lip of its cleat."""
    return figure(
        "aside.lip",
        percent(lip_height(box, wood)),
        "1.5 · (W + F) / (L · t) / s",
        (
            Input("W", tr("input.in-the-box"), f"{newtons(box.load):.1f} N"),
            Input("F", tr("input.somebody-leans-on-it"), f"{LEANT_ON} N"),
            Input("L", tr("input.cleat"), inner),
            Input("t", tr("input.thick"), SHELF),
            Input("s", tr("input.may-bear"), f"{along_grain(wood):.2f} MPa"),
        ),
    )


def lip_findings(box: Box, wood: Wood) -> Iterator[Finding]:
    """A cleat that may split."""
    if lip_height(box, wood) > 1:
        wide = next(
            width
            for width in range(int(box.width), 3001)
            if lip_height(box.changed({"width": Fraction(width)}), wood) <= 1
        )
        yield Finding(
            "aside.lip",
            tr("part.box"),
            tr("aside.lip"),
            tr("quantity.of-what-it-may-bear"),
            percent(lip_height(box, wood)),
            "100%",
            fixes=(Fix(tr("fix.box-mm-wide", wide=wide), {"aside": {"width": f"{wide} mm"}}),),
        )


def findings(box: Box, foot: Fraction, past: Fraction) -> Iterator[Finding]:
    """A box that has no room, or is too small."""
    if past > box.apart:
        more = exact_text(Fraction(ceil(past)))
        yield Finding(
            "aside.near",
            tr("part.box"),
            tr("aside.near"),
            tr("quantity.apart"),
            box.apart,
            past,
            fixes=(Fix(tr("fix.apart", more=more), {"aside": {"apart": more}}),),
        )
    if foot < FLOOR_CLEAR:
        low = box.height - (FLOOR_CLEAR - foot)
        lower = (
            (
                Fix(
                    tr("fix.a-box-tall", low=exact_text(low)),
                    {"aside": {"height": exact_text(low)}},
                ),
            )
            if low >= _least(box)
            else ()
        )
        yield Finding(
            "aside.floor",
            tr("part.box"),
            tr("aside.floor"),
            tr("quantity.above-the-floor"),
            foot,
            FLOOR_CLEAR,
            fixes=(*lower, Fix(tr("fix.no-box"), {"aside": {"stands": "none"}})),
        )
    if box.height < _least(box):
        tall = exact_text(_least(box))
        yield Finding(
            "aside.low",
            tr("part.box"),
            tr("aside.low"),
            tr("quantity.box-tall"),
            box.height,
            _least(box),
            fixes=(Fix(tr("fix.a-box-tall", low=tall), {"aside": {"height": tall}}),),
        )
    if box.width < 2 * box.side + 100 or box.depth < 3 * SHELF:
        wide, deep = exact_text(2 * box.side + 300), exact_text(max(box.depth, 10 * SHELF))
        yield Finding(
            "aside.small",
            tr("part.box"),
            tr("aside.small"),
            tr("quantity.between-the-sides"),
            box.width - 2 * box.side,
            Fraction(100),
            fixes=(
                Fix(
                    tr("fix.a-box-wide-deep", wide=wide, deep=deep),
                    {"aside": {"width": wide, "depth": deep}},
                ),
            ),
        )


def _least(box: Box) -> Fraction:
    """A box so tall has both halves of its cleat above its bottom, and room to be lifted off."""
    return 2 * STRIP + 2 * SHELF
