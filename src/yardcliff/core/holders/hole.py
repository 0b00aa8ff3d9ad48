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
from yardcliff.core.findings.working import Figure, Input
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
from yardcliff.data import table

LEAST_WOOD = Fraction(12)
"""Least wood between holes and beside them: less splits along the grain. Rule of thumb."""
ZERO = Fraction(0)


class Hole(Frozen):
    """`held` is how thick things are where they are held (None: the thickest, as measured); `play`
    goes around it.
    """

    opening: Literal["hole", "slot"] = "hole"
    play: Gap = Fraction(2)
    held: Size | None = None
    seat: Literal["plain", "countersunk"] = "plain"


@cache
def _bits() -> tuple[tuple[Fraction, str], ...]:
    return tuple((read(row["size"]), str(row["tool"])) for row in table("bits"))


def bored(size: Fraction) -> tuple[Fraction, str]:
    """The next bit up from `size`, mm, and what kind it is; the largest where none is big enough
    (data/bits.toml).
    """
    sizes = _bits()
    return next((one for one in sizes if one[0] >= size), sizes[-1])


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
    bit, tool = bored(thick + hole.play)
    slot = hole.opening == "slot"
    through = Operation(
        Kind.THROUGH_HOLE,
        (),
        tool,
        bit,
        None,
        0,
        None,
        "till the point shows; then from the other side",
        "Clamp scrap under the shelf, and bore while it is still a square board.",
        offsets=AXIS,
    )
    steps = [through]
    if slot:
        steps.append(
            Operation(
                Kind.SLOT,
                (),
                "cut with a jigsaw, twice",
                ground.line,
                None,
                0,
                None,
                "at the hole's two sides",
                "Saw from the front edge to the hole, then ease the corners.",
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
                "countersink or chamfer cutter",
                bit + 2 * deep,
                deep,
                0,
                ground.thickness - deep,
                "depth stop",
                "A shoulder sits in it and does not rattle. Rout against the cutter's turn.",
                offsets=AXIS,
            )
        )
    return Fitting(
        name="slots" if slot else "holes",
        reach=half(bit),
        glyph=HoleGlyph(bit, ground.thickness),
        bores=(Bore("through hole", ZERO, bit, ground.thickness, 0, slot),),
        end_distance=bit / 2 + LEAST_WOOD,
        end_why="so that the end of the shelf does not split",
        hang_drop=ZERO,
        figures=_figures(hole, ground, thick, bit, tool),
        findings=tuple(_findings(hole, ground, items, thick, bit)),
        machining=tuple(steps),
        cautions=(
            (
                "Clamp the shelf: a hole saw or a large bit that catches turns it out of the hand."
                " Slow speed, both hands."
            ),
        ),
        how="in",
    )


def _figures(
    hole: Hole, ground: Ground, thick: Fraction, bit: Fraction, tool: str
) -> tuple[Figure, ...]:
    d, s = Input("D", "hole", bit), Input("s", "front edge to axis", ground.line)
    return (
        Figure(
            "hole.bit",
            tool.capitalize(),
            bit,
            "next size up from d + y",
            (Input("d", "held at", thick), Input("y", "play", hole.play)),
            "One bit for all: the thickest thing decides. Try it in scrap with the thing itself.",
            fine=True,
        ),
        held_figure(hole.held, thick),
        Figure(
            "hole.axis",
            "Front edge to axis",
            ground.line,
            "given",
            (),
            "The holes' line on the shelf.",
        ),
        Figure(
            "hole.front",
            "Wood in front",
            ground.line - bit / 2,
            "s − D/2",
            (s, d),
            (
                "Open to the front."
                if hole.opening == "slot"
                else "What is left between the hole and the front edge."
            ),
        ),
        Figure(
            "hole.behind",
            "Wood behind",
            ground.height - ground.line - bit / 2,
            "W − s − D/2",
            (Input("W", "shelf", ground.height), s, d),
            "What is left between the hole and the back plate.",
        ),
    )


def _findings(
    hole: Hole, ground: Ground, items: tuple[Item, ...], thick: Fraction, bit: Fraction
) -> Iterable[Finding]:
    yield from check_held(hole.held, items, thick, "hole")
    if bit < thick + hole.play:
        largest = bit - hole.play
        yield Finding(
            "hole.size",
            "Hole",
            "No bit or hole saw of the table is that large.",
            "hole",
            thick + hole.play,
            bit,
            fixes=(
                (
                    Fix(
                        f"Hold it at {exact_text(bit)}",
                        {"hole": {"held": exact_text(bit), "play": "0 mm"}},
                    ),
                )
                if largest <= 0
                else (
                    Fix(
                        f"Hold it at {exact_text(largest)}", {"hole": {"held": exact_text(largest)}}
                    ),
                )
            ),
        )
    thinnest = min(items, key=lambda item: item.across)
    if thinnest.across <= bit:
        narrower = [size for size, _ in _bits() if size < thinnest.across]
        held_at = exact_text(narrower[-1]) if narrower else "1 mm"
        yield Finding(
            "hole.falls",
            thinnest.name.capitalize(),
            f"The {thinnest.plural} are no wider than the hole and fall through it.",
            "width",
            thinnest.across,
            bit,
            fixes=(Fix(f"A hole of {held_at}", {"hole": {"held": held_at, "play": "0 mm"}}),),
        )
    front = ground.line - bit / 2
    behind = ground.height - ground.line - bit / 2
    beside = behind if hole.opening == "slot" else min(front, behind)
    if beside < LEAST_WOOD:
        wide = exact_text(bit + 2 * LEAST_WOOD)
        yield Finding(
            "hole.edge",
            "Shelf",
            "Too little wood is left beside the hole.",
            "wood beside the hole",
            beside,
            LEAST_WOOD,
            fixes=(Fix(f"Shelf {wide} deep", {"board": {"height": wide}, "setback": None}),),
        )
