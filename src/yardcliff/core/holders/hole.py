"""A hole through a shelf, or a slot that runs out to its front edge: holds by the neck or the
shaft.

The bit is the next size up from what it holds and the play around it.
"""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from functools import cache
from typing import Literal

from yardcliff.core.base.model import Frozen
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
from yardcliff.core.rack import Bore, Glyph, Kind, Operation
from yardcliff.core.shapes.geometry import Path, line
from yardcliff.core.shapes.scene import Stroke
from yardcliff.core.things.item import Item
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, exact_text
from yardcliff.core.units.length_text import read
from yardcliff.core.units.trade import Trade, either, usual
from yardcliff.core.workshop.shop import tool_name
from yardcliff.data import table
from yardcliff.messages import tr

LEAST_WOOD = either("12 mm", "1/2 in")
"""Least wood between holes and beside them: less splits along the grain. Rule of thumb."""
ZERO = Fraction(0)


class Hole(Frozen):
    """`held` is how thick things are where they are held (None: the thickest, as measured); `play`
    goes around it. Into a slot goes whatever is thin there.
    """

    opening: Literal["hole", "slot"] = "slot"
    play: Gap = usual("2 mm", "1/16 in")
    held: Size | None = None
    seat: Literal["plain", "countersunk"] = "plain"


@cache
def _bits(trade: Trade) -> tuple[tuple[Fraction, str], ...]:
    return tuple((read(row["size"]), str(row["tool"])) for row in table("bits", trade))


def bored(size: Fraction, trade: Trade) -> tuple[Fraction, str]:
    """The next bit up from `size`, mm, and what kind it is, in words; the largest where none is big
    enough (bits.csv).
    """
    sizes = _bits(trade)
    bit, tool = next((one for one in sizes if one[0] >= size), sizes[-1])
    return bit, tool_name(tool)


@dataclass(frozen=True, slots=True)
class HoleGlyph(Glyph):
    """A hole through a shelf: hidden from the room, seen from above."""

    called = "hole"
    solid = False

    def front(self, bores: Sequence[Bore]) -> tuple[Stroke, ...]:
        half, tall = float(self.width) / 2, float(self.height)
        return (
            *(Stroke("holder-line", line((x, 0), (x, -tall))) for x in (-half, half)),
            Stroke("mark", line((0, 6), (0, -tall - 6))),
        )

    def beside(self, bores: Sequence[Bore], outline: Path | None) -> Iterator[Stroke]:
        yield from ()


def fit(hole: Hole, ground: Ground, items: tuple[Item, ...]) -> Fitting:
    """Fit a hole for the thickest of `items` to a shelf; findings carry (0, 0), the hole's own
    axis.
    """
    thick = held_at(hole.held, items)
    bit, tool = bored(thick + hole.play, ground.sizes)
    slot = hole.opening == "slot"
    through = Operation(
        Kind.THROUGH_HOLE,
        (),
        tool,
        bit,
        None,
        0,
        None,
        tr("stop.till-point-shows-then-from-other"),
        tr("holders.clamp-scrap-under-shelf-bore-while"),
        offsets=AXIS,
    )
    steps = [through]
    if slot:
        steps.append(
            Operation(
                Kind.SLOT,
                (),
                tr("tool.cut-with-a-jigsaw-twice"),
                ground.line,
                None,
                0,
                None,
                tr("stop.at-the-holes-two-sides"),
                tr("holders.saw-from-front-edge-hole-then"),
                offsets=AXIS,
                cut=(-bit / 2, bit / 2, -ground.line, ZERO),
            )
        )
    if hole.seat == "countersunk":
        deep = min(bit / 4, ground.thickness / 3)
        steps.append(
            Operation(
                Kind.SEAT,
                (),
                tr("tool.countersink-or-chamfer-cutter"),
                bit + 2 * deep,
                deep,
                0,
                ground.thickness - deep,
                tr("stop.depth-stop"),
                tr("holders.shoulder-sits-in-does-not-rattle"),
                offsets=AXIS,
            )
        )
    return Fitting(
        name=tr("holders.slots", n=2) if slot else tr("holders.holes", n=2),
        noun=tr("holders.slots", n=1) if slot else tr("holders.holes", n=1),
        reach=half(bit),
        glyph=HoleGlyph(bit, ground.thickness),
        bores=(Bore("through hole", ZERO, bit, ground.thickness, 0, slot),),
        end_distance=bit / 2 + LEAST_WOOD.of(ground.sizes),
        end_why=tr("holders.so-end-shelf-does-not-split"),
        hang_drop=ZERO,
        figures=_figures(hole, ground, thick, bit, tool),
        findings=tuple(_findings(hole, ground, items, thick, bit)),
        machining=tuple(steps),
        cautions=(tr("caution.clamp-shelf-hole-saw-or-large"),),
        how="in",
    )


def _figures(
    hole: Hole, ground: Ground, thick: Fraction, bit: Fraction, tool: str
) -> tuple[Figure, ...]:
    d, s = (
        Input("D", tr("input.hole"), bit),
        Input("s", tr("input.front-edge-to-axis"), ground.line),
    )
    return (
        Figure(
            "hole.bit",
            tool.capitalize(),
            bit,
            tr("hole.bit.formula"),
            (Input("d", tr("input.held-at"), thick), Input("y", tr("input.play"), hole.play)),
            tr("hole.bit.why"),
            fine=True,
        ),
        held_figure(hole.held, thick),
        figure("hole.axis", ground.line, tr("hole.axis.formula"), ()),
        Figure(
            "hole.front",
            tr("hole.front.label"),
            ground.line - bit / 2,
            "s − D/2",
            (s, d),
            (
                tr("hole.front.why")
                if hole.opening == "slot"
                else tr("hole.front.why.what-left-between-hole-front-edge")
            ),
        ),
        figure(
            "hole.behind",
            ground.height - ground.line - bit / 2,
            "W − s − D/2",
            (Input("W", tr("input.shelf"), ground.height), s, d),
        ),
    )


def _findings(
    hole: Hole, ground: Ground, items: tuple[Item, ...], thick: Fraction, bit: Fraction
) -> Iterable[Finding]:
    yield from check_held(hole.held, items, thick, "hole", ground)
    necked = next((item for item in items if item.grip == "neck"), None)
    if necked and hole.opening == "hole":
        yield Finding(
            "hole.closed",
            necked.name.capitalize(),
            tr("hole.closed", plural=necked.plural),
            tr("ways.opening"),
            tr("ways.holes"),
            tr("ways.edge-slots"),
            fixes=(Fix(tr("fix.edge-slots"), {"hole": {"opening": "slot"}}),),
        )
    if bit < thick + hole.play:
        largest = bit - hole.play
        yield Finding(
            "hole.size",
            tr("part.hole"),
            tr("hole.size"),
            tr("quantity.hole"),
            thick + hole.play,
            bit,
            fixes=(
                (
                    Fix(
                        tr("fix.hold-it-at", widest=ground.text(bit)),
                        {"hole": {"held": exact_text(bit), "play": "0 mm"}},
                    ),
                )
                if largest <= 0
                else (
                    Fix(
                        tr("fix.hold-it-at", widest=ground.text(largest)),
                        {"hole": {"held": exact_text(largest)}},
                    ),
                )
            ),
        )
    thinnest = min(items, key=lambda item: item.across)
    if thinnest.across <= bit:
        bits = _bits(ground.sizes)
        narrower = next((size for size, _ in reversed(bits) if size < thinnest.across), bits[0][0])
        yield Finding(
            "hole.falls",
            thinnest.name.capitalize(),
            tr("hole.falls", plural=thinnest.plural),
            tr("quantity.width"),
            thinnest.across,
            bit,
            fixes=(
                Fix(
                    tr("fix.a-hole-of", held_at=ground.text(narrower)),
                    {"hole": {"held": exact_text(narrower), "play": "0 mm"}},
                ),
            ),
        )
    front = ground.line - bit / 2
    behind = ground.height - ground.line - bit / 2
    beside = behind if hole.opening == "slot" else min(front, behind)
    least = LEAST_WOOD.of(ground.sizes)
    if beside < least:
        wide = ground.up(bit + 2 * least)
        yield Finding(
            "hole.edge",
            tr("part.shelf"),
            tr("hole.edge"),
            tr("quantity.wood-beside-the-hole"),
            beside,
            least,
            fixes=(
                Fix(
                    tr("fix.shelf-deep", wide=ground.text(wide)),
                    {"board": {"height": exact_text(wide)}, "setback": None},
                ),
            ),
        )
