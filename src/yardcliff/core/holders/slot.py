"""An angled slot in the front edge of a cheek, rounded at its bottom by the hole that it is sawn
down to.

At angle f above the horizontal, a slot w wide and e deep along itself: its mouth on the edge is w /
cos f; it reaches (e - w/2) cos f + w/2 into the cheek; a thing of whole thickness t takes t / cos f
of the edge.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from math import cos, radians, sin

from yardcliff.core.base.model import Frozen, Tilt
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders.fitting import (
    AXIS,
    Fitting,
    Ground,
    check_held,
    half,
    held_at,
    held_figure,
)
from yardcliff.core.holders.hole import bored
from yardcliff.core.rack import Bore, Face, Glyph, Kind, Operation, Outline, Part, Place, drill
from yardcliff.core.row.row import Row
from yardcliff.core.shapes.geometry import ROUND, Path, line, rectangle, rounded
from yardcliff.core.shapes.scene import Stroke
from yardcliff.core.things.item import Item
from yardcliff.core.units.angles import degrees
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, exact_text
from yardcliff.core.units.trade import EASY, Trade, either, usual
from yardcliff.messages import tr

LEAST_WEB = either("20 mm", "3/4 in")
"""Least wood between a slot's bottom and the back of its cheek, mm: rule of thumb."""
ZERO = Fraction(0)


class Slot(Frozen):
    """`held` is how thick things are in the slot (None: the thickest as measured), `depth` runs
    along it, `angle` is above the horizontal.
    """

    held: Size | None = None
    play: Gap = usual("2 mm", "1/16 in")
    angle: Tilt = 15
    depth: Size = usual("110 mm", "4 1/2 in")


def width(slot: Slot, items: tuple[Item, ...], trade: Trade) -> tuple[Fraction, str]:
    """How wide the slot is, mm: the next bit up, which also rounds its bottom; and what kind of bit
    that is.
    """
    return bored(held_at(slot.held, items) + slot.play, trade)


def takes(slot: Slot, item: Item) -> Fraction:
    """What a thing with all that sticks out of it takes of the cheek's edge, mm."""
    return rounded(float(item.front) / cos(radians(slot.angle)))


def reach_in(slot: Slot, wide: Fraction) -> Fraction:
    """How far the slot reaches into the cheek, square to its edge, mm."""
    end = max(slot.depth - wide / 2, ZERO)
    return rounded(float(end) * cos(radians(slot.angle))) + wide / 2


def outline(slot: Slot, wide: Fraction) -> Path:
    """The slot from the side at true size, in (out of the edge, up) about the middle of its mouth,
    mm.
    """
    f, r, deep = radians(slot.angle), float(wide) / 2, max(float(slot.depth - wide / 2), 0.0)
    along, over = (-cos(f), -sin(f)), (-sin(f), cos(f))

    def at(inward: float, up: float) -> tuple[float, float]:
        return inward * along[0] + up * over[0], inward * along[1] + up * over[1]

    k = r * ROUND
    return (
        ("M", (0.0, r / cos(f))),
        ("L", at(deep, r)),
        ("C", (*at(deep + k, r), *at(deep + r, k), *at(deep + r, 0))),
        ("C", (*at(deep + r, -k), *at(deep + k, -r), *at(deep, -r))),
        ("L", (0.0, -r / cos(f))),
        ("Z", ()),
    )


@dataclass(frozen=True, slots=True)
class SlotGlyph(Glyph):
    """A slot in a cheek's edge: what slides in stands in it."""

    called = "slot"
    solid = False
    before = True

    def front(self, bores: Sequence[Bore]) -> tuple[Stroke, ...]:
        half, tall = float(self.width) / 2, float(self.height)
        return (
            Stroke("plate", rectangle(-half, -tall / 2, 2 * half, tall)),
            Stroke("mark", line((-half - 4, 0), (half + 4, 0))),
        )

    def beside(self, bores: Sequence[Bore], outline: Path | None) -> Iterator[Stroke]:
        if outline:
            yield Stroke("plate", outline)


def fit(slot: Slot, ground: Ground, items: tuple[Item, ...]) -> Fitting:
    """Fit slots to a cheek: the ground's `thickness` is how far it stands off the wall, its
    `height` how thick it is.
    """
    wide, tool = width(slot, items, ground.sizes)
    mouth = rounded(float(wide) / cos(radians(slot.angle)))
    web = ground.thickness - reach_in(slot, wide)
    return Fitting(
        name=tr("holders.slots", n=2),
        noun=tr("holders.slots", n=1),
        reach=half(mouth),
        glyph=SlotGlyph(ground.height, mouth),
        bores=(Bore("slot", ZERO, wide, slot.depth, slot.angle),),
        end_distance=mouth,
        end_why=tr("holders.one-slots-width-from-end-so"),
        hang_drop=ZERO,
        figures=tuple(_figures(slot, ground, items, wide, tool, mouth)),
        findings=tuple(_findings(slot, ground, items, wide)),
        machining=(
            Operation(
                Kind.SLOT,
                (),
                tr("tool.wide-sawn-down-twice"),
                wide,
                slot.depth,
                slot.angle,
                web,
                tr("stop.the-round-bottom"),
                tr("holders.clamp-cheeks-together-edges-feet-flush"),
                offsets=AXIS,
                cut=(-ground.height / 2, ground.height / 2, -mouth / 2, mouth / 2),
            ),
        ),
        cautions=(tr("caution.sawing-in-edge-clamp-cheeks-upright"),),
        how="in",
        outline=Outline(
            tr("holders.one-of-the-slots"),
            outline(slot, wide),
            tr("holders.the-cheeks-front-edge"),
            tr("holders.lay-dashed-line-on-cheeks-front"),
        ),
    )


def rounds(
    slot: Slot, items: tuple[Item, ...], row: Row, cheeks: Sequence[Part], trade: Trade
) -> Operation:
    """The holes that end the slots, through the sides of these cheeks."""
    wide, tool = width(slot, items, trade)
    end, f = float(max(slot.depth - wide / 2, ZERO)), radians(slot.angle)
    back, below = rounded(end * cos(f)), rounded(end * sin(f))
    return drill(
        Kind.ROUND_BOTTOM,
        (
            Place(part.key, Face.LEFT, axis - below, back, k, i)
            for k, part in enumerate(cheeks)
            for i, axis in enumerate(row.axes)
        ),
        wide,
        tr("holders.clamp-cheeks-together-edges-feet-flush-2"),
        stop=tr("holders.through-both-cheeks-on-scrap"),
        tool=tool,
    )


def _figures(
    slot: Slot, ground: Ground, items: tuple[Item, ...], wide: Fraction, tool: str, mouth: Fraction
) -> Iterator[Figure]:
    thick, deepest = held_at(slot.held, items), max(items, key=lambda item: item.front)
    t, w = (
        Input("t", tr("input.angle-above-the-horizontal"), degrees(slot.angle)),
        Input("w", tr("input.slot"), wide),
    )
    yield Figure(
        "slot.width",
        tool.capitalize(),
        wide,
        tr("slot.width.formula"),
        (Input("d", tr("input.held-at"), thick), Input("y", tr("input.play"), slot.play)),
        tr("slot.width.why"),
        fine=True,
    )
    yield held_figure(slot.held, thick)
    yield figure("slot.mouth", mouth, "w / cos t", (w, t))
    yield figure(
        "slot.takes",
        takes(slot, deepest),
        "T / cos t",
        (Input("T", tr("input.whole-thickness", name=deepest.name), deepest.front), t),
    )
    yield figure(
        "slot.in",
        reach_in(slot, wide),
        "max(e − w / 2, 0) · cos t + w / 2",
        (Input("e", tr("input.deep-along-the-slot"), slot.depth), w, t),
    )
    yield figure(
        "slot.web",
        ground.thickness - reach_in(slot, wide),
        "W − i",
        (
            Input("W", tr("input.cheek"), ground.thickness),
            Input("i", tr("input.into-the-cheek"), reach_in(slot, wide)),
        ),
        fine=True,
    )


def _findings(
    slot: Slot, ground: Ground, items: tuple[Item, ...], wide: Fraction
) -> Iterator[Finding]:
    thick = held_at(slot.held, items)
    yield from check_held(slot.held, items, thick, "slot", ground)
    if wide < thick + slot.play:
        yield Finding(
            "hole.size",
            tr("part.slot"),
            tr("hole.size"),
            tr("quantity.slot"),
            thick + slot.play,
            wide,
            fixes=(
                Fix(
                    tr("fix.hold-it-at", widest=ground.text(wide)),
                    {"slot": {"held": exact_text(wide), "play": "0 mm"}},
                ),
            ),
        )
    web = ground.thickness - reach_in(slot, wide)
    stays = LEAST_WEB.of(ground.sizes)
    if web < stays:
        wider = ground.up(ground.thickness + stays - web, EASY)
        less = ground.down(
            slot.depth - rounded(float(stays - web) / cos(radians(slot.angle))), EASY
        )
        shallower = (_deep(less, ground),) if less > wide else ()
        yield Finding(
            "slot.web",
            tr("part.cheek"),
            tr("slot.web"),
            tr("quantity.wood-behind"),
            web,
            stays,
            fixes=(
                Fix(
                    tr("fix.cheeks-wide", wider=ground.text(wider)),
                    {"board": {"height": exact_text(wider)}},
                ),
                *shallower,
            ),
        )
    deep = max(items, key=lambda item: max(item.across, item.front))
    least = max(deep.across, deep.front) / 3
    if slot.depth < least:
        yield Finding(
            "slot.shallow",
            deep.name.capitalize(),
            tr("slot.shallow", plural=deep.plural),
            tr("quantity.depth"),
            slot.depth,
            least,
            fixes=(_deep(ground.up(least, EASY), ground),),
        )


def _deep(deep: Fraction, ground: Ground) -> Fix:
    return Fix(tr("fix.slots-deep", more=ground.text(deep)), {"slot": {"depth": exact_text(deep)}})
