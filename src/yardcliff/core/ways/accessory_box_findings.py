"""A box beside the rack: what it is asked, and whether it fits and its cleat holds."""

from collections.abc import Iterator
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
from yardcliff.core.units.length import Gap, Size, Tape, exact_text
from yardcliff.core.units.trade import EASY, Trade, called, either, steps, up, usual
from yardcliff.core.ways.row_words import FLOOR_CLEAR
from yardcliff.messages import tr

SHELF = either("18 mm", "3/4 in")
"""How thick shelves, top, bottom and cleat are, mm."""


NARROW, ROOMY = either("100 mm", "4 in"), either("300 mm", "12 in")
"""Between the sides at least, and what is proposed where it is less."""
WIDEST = Fraction(3000)
"""Wider boxes are not tried, mm."""
STRIP = either("70 mm", "2 1/2 in")
"""How wide each half of the cleat is over its long face, mm."""


class Box(Frozen):
    """Over all so wide, tall and deep, `apart` from the rails; so many loose `shelves`; a `load` in
    it all.
    """

    stands: Literal["none", "right"] = "none"
    width: Size = usual("400 mm", "16 in")
    height: Size = usual("600 mm", "24 in")
    depth: Size = usual("220 mm", "9 in")
    side: Size = usual("18 mm", "3/4 in")
    apart: Gap = usual("100 mm", "4 in")
    shelves: Annotated[int, whole(0, 8)] = 2
    load: Weight = called(5000, "10 lb")


def lip_height(box: Box, wood: Wood, trade: Trade) -> float:
    """Of what the lip of its cleat may bear, with what is in the box and somebody who
    leans on it.
    """
    return lip(newtons(box.load) + LEANT_ON, float(inner_width(box)), float(SHELF.of(trade)), wood)


def inner_width(box: Box) -> Fraction:
    """Between its sides, mm."""
    return max(box.width - 2 * box.side, Fraction(1))


def lip_figure(box: Box, inner: Fraction, wood: Wood, trade: Trade) -> Figure:
    """What pulls at the lip of its cleat."""
    return figure(
        "aside.lip",
        percent(lip_height(box, wood, trade)),
        "1.5 · (W + F) / (L · t) / s",
        (
            Input("W", tr("input.in-the-box"), f"{newtons(box.load):.1f} N"),
            Input("F", tr("input.somebody-leans-on-it"), f"{LEANT_ON} N"),
            Input("L", tr("input.cleat"), inner),
            Input("t", tr("input.thick"), SHELF.of(trade)),
            Input("s", tr("input.may-bear"), f"{along_grain(wood):.2f} MPa"),
        ),
    )


def lip_findings(box: Box, wood: Wood, tape: Tape) -> Iterator[Finding]:
    """A cleat that may split."""
    trade = tape.sizes
    if lip_height(box, wood, trade) > 1:
        wide = next(
            width
            for width in steps(box.width, WIDEST, trade, EASY)
            if lip_height(box.changed({"width": width}), wood, trade) <= 1
        )
        yield Finding(
            "aside.lip",
            tr("part.box"),
            tr("aside.lip"),
            tr("quantity.of-what-it-may-bear"),
            percent(lip_height(box, wood, trade)),
            "100%",
            fixes=(
                Fix(
                    tr("fix.box-wide", wide=tape.write_fine(wide)),
                    {"aside": {"width": exact_text(wide)}},
                ),
            ),
        )


def findings(box: Box, foot: Fraction, past: Fraction, tape: Tape) -> Iterator[Finding]:
    """A box that has no room, or is too small."""
    trade, write = tape.sizes, tape.write_fine
    shelf, clear, least = SHELF.of(trade), FLOOR_CLEAR.of(trade), _least(trade)
    if past > box.apart:
        more = up(past, trade)
        yield Finding(
            "aside.near",
            tr("part.box"),
            tr("aside.near"),
            tr("quantity.apart"),
            box.apart,
            past,
            fixes=(Fix(tr("fix.apart", more=write(more)), {"aside": {"apart": exact_text(more)}}),),
        )
    if foot < clear:
        low = box.height - (clear - foot)
        lower = (
            (Fix(tr("fix.a-box-tall", low=write(low)), {"aside": {"height": exact_text(low)}}),)
            if low >= least
            else ()
        )
        yield Finding(
            "aside.floor",
            tr("part.box"),
            tr("aside.floor"),
            tr("quantity.above-the-floor"),
            foot,
            clear,
            fixes=(*lower, Fix(tr("fix.no-box"), {"aside": {"stands": "none"}})),
        )
    if box.height < least:
        yield Finding(
            "aside.low",
            tr("part.box"),
            tr("aside.low"),
            tr("quantity.box-tall"),
            box.height,
            least,
            fixes=(
                Fix(
                    tr("fix.a-box-tall", low=write(least)), {"aside": {"height": exact_text(least)}}
                ),
            ),
        )
    if box.width - 2 * box.side < NARROW.of(trade) or box.depth < 3 * shelf:
        wide, deep = 2 * box.side + ROOMY.of(trade), max(box.depth, 10 * shelf)
        yield Finding(
            "aside.small",
            tr("part.box"),
            tr("aside.small"),
            tr("quantity.between-the-sides"),
            box.width - 2 * box.side,
            NARROW.of(trade),
            fixes=(
                Fix(
                    tr("fix.a-box-wide-deep", wide=write(wide), deep=write(deep)),
                    {"aside": {"width": exact_text(wide), "depth": exact_text(deep)}},
                ),
            ),
        )


def _least(trade: Trade) -> Fraction:
    """A box so tall has both halves of its cleat above its bottom, and room to be lifted off."""
    return 2 * STRIP.of(trade) + 2 * SHELF.of(trade)
