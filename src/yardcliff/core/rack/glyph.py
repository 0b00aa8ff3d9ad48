"""How a holder is seen, and what it is to the work around it: each kind of holder has a `Glyph` of
its own.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from math import atan2, cos, radians, sin
from typing import ClassVar, Literal, NamedTuple

from yardcliff.core.shapes.geometry import Path, cross, ellipse, line, moved, rectangle, turned
from yardcliff.core.shapes.scene import Role, Stroke
from yardcliff.core.units.exact import Fraction

Purpose = Literal["peg hole", "pilot hole", "through hole", "slot", "ledge", "groove", "finger"]
ACROSS: frozenset[Purpose] = frozenset({"slot", "ledge"})
"""What crosses the marked face from edge to edge, as wide as its glyph is high."""
UPRIGHT: frozenset[Purpose] = frozenset({"groove", "finger"})
"""What stands up the marked face, as wide as its bit and as tall as its glyph: cut into it, or laid
before it.
"""
ZERO = Fraction(0)


@dataclass(frozen=True, slots=True)
class Bore:
    """One hole of every holder, `up` the wall from its axis where it is marked on a front; depth
    along the bit.

    It stands `aside` of the axis, to the right. An `open` one runs out to the face's lower edge as
    a slot of its own width.
    """

    purpose: Purpose
    up: Fraction
    bit: Fraction
    depth: Fraction
    tilt: float
    open: bool = False
    aside: Fraction = ZERO


class Putting(NamedTuple):
    """How holders that are bought, or made apart, are put on: what it is called, how it is done,
    what to look at.
    """

    title: str
    line: str
    check: str


@dataclass(frozen=True, slots=True)
class Glyph:
    """A holder from its sides, about its axis on the marked face, mm.

    `tip` is how far above its axis the free end is seen (below it where negative), `out` how far it
    stands off the face, along its own axis; `screws` are those of its plate, up from its axis.
    """

    width: Fraction
    height: Fraction
    tip: Fraction = ZERO
    out: Fraction = ZERO
    screws: tuple[Fraction, ...] = ()

    called: ClassVar[str] = "holder"
    """What one is, of the messages `holder.*`: so it is called in a hole table."""
    rest: ClassVar[Fraction] = ZERO
    """Where along it things come to rest, as a share of how far it stands out."""
    stem: ClassVar[float] = 1.0
    """How much of its width stands out of the face."""
    foot: ClassVar[Role] = "plate"
    """What of it lies on the face."""
    solid: ClassVar[bool] = True
    """Whether no screw goes where it is."""
    before: ClassVar[bool] = False
    """Whether it is seen before what it holds."""
    within: ClassVar[bool] = False
    """Whether a thing is in the middle of it, and does not hang from it."""
    glued: ClassVar[bool] = False
    """Whether it is glued into its holes."""
    threaded: ClassVar[bool] = False
    """Whether all of a row turn on one rod, put together before they are reached no more."""
    putting: ClassVar[Putting | None] = None

    @property
    def rests(self) -> Fraction:
        """How far off the face things come to rest on it, along its own axis."""
        return self.out * self.rest

    @property
    def plate(self) -> bool:
        """Whether it has a plate that lies on the face."""
        return bool(self.screws)

    def front(self, bores: Sequence[Bore]) -> tuple[Stroke, ...]:
        """From the room."""
        raise NotImplementedError

    def beside(self, bores: Sequence[Bore], outline: Path | None) -> Iterator[Stroke]:
        """From the right, in (out of the face, up it); with its `outline` where it is shaped in the
        shop.
        """
        raise NotImplementedError

    def above(self, bores: Sequence[Bore]) -> Iterator[Stroke]:
        """With its hole, as both lie, in (out of the face, aside)."""
        t, r, deep = cos(radians(bores[0].tilt)), float(bores[0].bit) / 2, float(bores[0].depth)
        yield Stroke("holder-line", rectangle(-deep * t, -r, deep * t, 2 * r))
        half = float(self.width) * self.stem / 2
        yield Stroke("holder", rectangle(0, -half, float(self.out) * t, 2 * half))

    def leaning(self, bores: Sequence[Bore], lean: float) -> tuple[Stroke, ...]:
        """From the room, on a face that leans so many degrees to the side: slantwise, and so are
        its foot and tip.
        """
        r, t, f = float(self.width) / 2 * self.stem, radians(bores[0].tilt), radians(lean)
        tip = (float(self.out) * cos(t) * sin(f), float(self.tip))
        angle = atan2(tip[1], tip[0])
        over = (-sin(angle) * r, cos(angle) * r)
        corners = (over, (tip[0] + over[0], tip[1] + over[1]), (tip[0] - over[0], tip[1] - over[1]))
        shaft = line(*corners, (-over[0], -over[1]))
        return (
            Stroke(
                self.foot, ellipse(0, 0, float(self.width) / 2 * cos(f), float(self.height) / 2)
            ),
            Stroke("holder", (*shaft, ("Z", ()))),
            Stroke("holder", moved(turned(ellipse(0, 0, r * cos(t) * cos(f), r), angle), *tip)),
            Stroke("mark", cross(0, 0, r * 0.55)),
        )
