"""What hangs on a row, as the solver sees it: things in order, each on one holder or on two."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from enum import StrEnum
from functools import cached_property
from typing import Literal

from yardcliff.core.base.model import MAX_COUNT
from yardcliff.core.units.exact import Fraction
from yardcliff.messages import tr

Takes = Literal["one", "two", "bridge"]
"""One holder; the first of two, the second staying empty beside it; or both of two, hung between.
"""
Facing = Literal["given", "turned", "pairs", "mirrored"]
"""As measured; all turned; every second one turned; the right half turned, as seen in a mirror."""


@dataclass(frozen=True, slots=True)
class Reach:
    """How far a thing reaches to each side of its axis, mm."""

    left: Fraction
    right: Fraction

    @property
    def across(self) -> Fraction:
        return self.left + self.right


class Run(StrEnum):
    """Which way a row runs. Its ends, where things are along it and how they move have their words;
    the datum is its `start`.
    """

    LEVEL = "level"
    UP = "up"

    @property
    def start(self) -> str:
        return tr(f"run.{self}.start")

    @property
    def end(self) -> str:
        return tr(f"run.{self}.end")

    @property
    def back(self) -> str:
        return tr(f"run.{self}.back")

    @property
    def onward(self) -> str:
        return tr(f"run.{self}.onward")

    def moved(self, by: Fraction) -> str:
        """Which way a move goes, by its sign."""
        return tr(f"run.{self}.moved-on") if by > 0 else tr(f"run.{self}.moved-back")


NOTHING = Reach(Fraction(0), Fraction(0))
_ZERO, _HALF = Fraction(0), Fraction(1, 2)


@dataclass(frozen=True, slots=True)
class Thing:
    """One thing on the row. `span` is the distance between a bridge's two holders, if it is rigid;
    `gives` is how far a neighbour that gives too may overlap it, mm.
    """

    reach: Reach
    kind: str = ""
    takes: Takes = "one"
    span: Fraction | None = None
    turned: bool = False
    spare: bool = False
    gives: Fraction = _ZERO

    @property
    def holders(self) -> int:
        return 1 if self.takes == "one" else 2

    @property
    def centre(self) -> Fraction:
        """Its own axis, in spaces to the right of its first holder."""
        return _HALF if self.takes == "bridge" else _ZERO


@dataclass(frozen=True)
class Things:
    """What hangs in which order: the kinds by name, the first being the main one.

    Places beyond `order` take the main kind; the last `spares` of a row are kept free.
    """

    kinds: Mapping[str, Thing]
    order: tuple[str, ...] = ()
    facing: Facing = "given"
    spares: int = 0
    run: Run = Run.LEVEL

    def first(self, count: int) -> tuple[Thing, ...]:
        """The first `count` things. The same thing at two places is one object."""
        if self.facing == "mirrored":
            half = (count + 1) // 2
            row = self._plain[:half] + self._turned[half:count]
        elif self.facing == "pairs":
            row = self._paired[:count]
        else:
            row = (self._turned if self.facing == "turned" else self._plain)[:count]
        spare = min(self.spares, count)
        return row[: count - spare] + tuple(
            [self._spare[thing.kind, thing.turned] for thing in row[count - spare :]]
        )

    @cached_property
    def _upright(self) -> dict[str, Thing]:
        return {kind: replace(thing, kind=kind) for kind, thing in self.kinds.items()}

    @cached_property
    def _about(self) -> dict[str, Thing]:
        return {
            kind: replace(thing, reach=Reach(thing.reach.right, thing.reach.left), turned=True)
            for kind, thing in self._upright.items()
        }

    @cached_property
    def _spare(self) -> dict[tuple[str, bool], Thing]:
        both = (*self._upright.values(), *self._about.values())
        return {(thing.kind, thing.turned): replace(thing, spare=True) for thing in both}

    @cached_property
    def _plain(self) -> tuple[Thing, ...]:
        return self._in_order(self._upright)

    @cached_property
    def _turned(self) -> tuple[Thing, ...]:
        return self._in_order(self._about)

    @cached_property
    def _paired(self) -> tuple[Thing, ...]:
        pairs = enumerate(zip(self._plain, self._turned, strict=True))
        return tuple([pair[place % 2] for place, pair in pairs])

    def _in_order(self, things: dict[str, Thing]) -> tuple[Thing, ...]:
        main = next(iter(things.values()))
        return tuple([things[kind] for kind in self.order]) + (main,) * (
            MAX_COUNT + 1 - len(self.order)
        )
