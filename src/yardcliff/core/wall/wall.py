"""The survey of a wall, as it was measured: what it is made of, where its studs are, what is in the
way.

Places are from the wall's left corner and from the floor, looking at the wall, mm.
"""

from collections.abc import Iterator
from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from yardcliff.core.base.errors import cannot_read
from yardcliff.core.base.model import Frozen
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, Tape, TapeName
from yardcliff.core.units.length_text import read
from yardcliff.core.units.trade import Either, Trade, called, either, usual
from yardcliff.messages import listed, tr

Makeup = Literal["timber studs", "steel studs", "masonry", "planked"]
Kind = Literal["door", "hatch", "window", "switch", "socket", "pipe", "radiator", "other"]
Block = Literal["unknown", "solid", "hollow", "aerated"]
"""What masonry is of: brick or concrete, blocks with cells, light blocks with pores; the weakest
counts where it is unknown.
"""
Hinge = Literal["none", "left", "right"]
LIVE: frozenset[Kind] = frozenset({"switch", "socket", "pipe"})
"""What cables or pipes run to, straight up, down and to the sides."""

OFTEN = either("300 mm", "12 in")
"""Where the first stud is taken to be."""
CLOSE = either("100 mm", "4 in")
"""Studs nearer to each other are a slip of the unit."""
STUDDED = Either((read("400 mm"), read("600 mm")), (read("16 in"), read("24 in")))
"""How studs usually stand."""
LEAST = Fraction(300)
"""What is narrower or lower than this is a slip of the unit, mm."""


def obstacle_name(kind: Kind) -> str:
    """`door`, as it is said."""
    return tr(f"obstacle.{kind}")


def makeup_name(makeup: Makeup) -> str:
    """`timber studs`, as it is said."""
    return tr(f"makeup.{makeup.replace(' ', '-')}")


class Studs(Frozen):
    """Where the studs are, by their middles: the `first` and then every `apart`, or each as it was
    `measured`. Until one was found, the first is taken to be where it often is.

    `wide` is a stud's face behind the lining.
    """

    first: Gap | None = None
    apart: Size = usual("600 mm", "16 in")
    measured: Annotated[tuple[Gap, ...], Field(max_length=60)] = ()
    wide: Size = usual("45 mm", "1 1/2 in")


class Obstacle(Frozen):
    """Something on the wall that keeps its place: its lower left corner and its size.

    A door or a hatch with a hinge has a leaf as wide as itself that swings into the room.
    """

    kind: Kind = "other"
    x: Gap
    y: Gap = Fraction(0)
    width: Size
    height: Size
    hinge: Hinge = "none"


class OldFixing(Frozen):
    """A screw, plug or nail that was left in the wall: to remove and fill first."""

    x: Gap
    y: Gap


class Wall(Frozen):
    """A wall as surveyed. `lining` is the board, the planks or the sheet over studs, or the plaster
    on masonry of such a `block`; `way` the depth of the room before it, up to what stands opposite,
    where people pass.
    """

    trade: Trade = "metric"
    tape: TapeName = called("1 mm", "1/16 in")
    width: Size = usual("3000 mm", "120 in")
    height: Size = usual("2400 mm", "96 in")
    skirting: Gap = usual("70 mm", "3 1/2 in")
    skirting_thick: Gap = usual("15 mm", "1/2 in")
    makeup: Makeup = "timber studs"
    lining: Size = usual("12.5 mm", "1/2 in")
    block: Block = "unknown"
    studs: Studs = Studs()
    obstacles: Annotated[tuple[Obstacle, ...], Field(max_length=40)] = ()
    old: Annotated[tuple[OldFixing, ...], Field(max_length=60)] = ()
    way: Size | None = None

    @property
    def in_hand(self) -> Tape:
        """The tape that it is measured with, in its trade."""
        return Tape.named(self.tape, self.trade)

    @property
    def stud_middles(self) -> tuple[Fraction, ...]:
        """From the left; none in masonry."""
        if self.makeup == "masonry":
            return ()
        if self.studs.measured:
            return tuple(sorted(self.studs.measured))
        return tuple(self._stepped())

    @property
    def assumed(self) -> str:
        """What nobody has looked for yet, in words; nothing where all is measured."""
        if self.makeup == "masonry" or self.studs.measured or self.studs.first is not None:
            return ""
        return tr("wall.studs-assumed", every=self.in_hand.write(self.studs.apart))

    def _stepped(self) -> Iterator[Fraction]:
        at = OFTEN.of(self.trade) if self.studs.first is None else self.studs.first
        while at < self.width:
            yield at
            at += self.studs.apart

    @model_validator(mode="after")
    def _all_on_the_wall(self) -> Self:
        tape, least = self.in_hand, min(self.width, self.height)
        if least < LEAST:
            raise cannot_read(
                "wall",
                "wall.no-wall-check-unit-or",
                size=tape.write(least),
                like="12 ft" if tape.unit == "in" else "3.6 m",
            )
        for at in self.studs.measured:
            if at > self.width:
                raise cannot_read(
                    "stud",
                    "wall.stud-past-walls-end",
                    at=tape.write(at),
                    end=tape.write(self.width),
                )
        for obstacle in self.obstacles:
            if (
                obstacle.x + obstacle.width > self.width
                or obstacle.y + obstacle.height > self.height
            ):
                raise cannot_read(
                    "obstacle",
                    "wall.reaches-past-wall-ends",
                    kind=obstacle_name(obstacle.kind),
                    x=tape.write(obstacle.x + obstacle.width),
                    y=tape.write(obstacle.y + obstacle.height),
                    width=tape.write(self.width),
                    height=tape.write(self.height),
                )
        if self.studs.apart < CLOSE.of(self.trade):
            close, usual = CLOSE.of(self.trade), STUDDED.of(self.trade)
            raise cannot_read(
                "stud",
                "wall.studs-stand-apart-or-more",
                close=tape.write(close),
                usual=listed([tape.write(one) for one in usual]),
            )
        return self
