"""What hangs on a row, as the solver sees it: things in order, each on one holder or on two."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Literal

from yardcliff.core.exact import Fraction
from yardcliff.core.model import MAX_COUNT

Takes = Literal["one", "two", "bridge"]
"""One holder; the first of two, the second staying empty beside it; or both of two, hung between."""
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


NOTHING = Reach(Fraction(0), Fraction(0))
_HALF = Fraction(1, 2)


@dataclass(frozen=True, slots=True)
class Thing:
    """One thing on the row. `span` is the distance between a bridge's two holders, if it is rigid."""

    reach: Reach
    kind: str = ""
    takes: Takes = "one"
    span: Fraction | None = None
    turned: bool = False
    spare: bool = False

    @property
    def holders(self) -> int:
        return 1 if self.takes == "one" else 2

    @property
    def centre(self) -> Fraction:
        """Its own axis, in spaces to the right of its first holder."""
        return _HALF if self.takes == "bridge" else Fraction(0)


@dataclass(frozen=True)
class Things:
    """What hangs in which order: the kinds by name, the first being the main one.

    Places beyond `order` take the main kind; the last `spares` of a row are kept free.
    """

    kinds: Mapping[str, Thing]
    order: tuple[str, ...] = ()
    facing: Facing = "given"
    spares: int = 0

    def first(self, count: int) -> tuple[Thing, ...]:
        """The first `count` things. The same thing at two places is one object."""
        if self.facing == "mirrored":
            half = (count + 1) // 2
            row = self._run(False)[:half] + self._run(True)[half:count]
        elif self.facing == "pairs":
            row = tuple([self._run(place % 2 == 1)[place] for place in range(count)])
        else:
            row = self._run(self.facing == "turned")[:count]
        spare = min(self.spares, count)
        return row[: count - spare] + tuple([self._spare[thing] for thing in row[count - spare :]])

    def _run(self, turned: bool) -> tuple[Thing, ...]:
        return self._turned if turned else self._plain

    @cached_property
    def _plain(self) -> tuple[Thing, ...]:
        kinds = {kind: replace(thing, kind=kind) for kind, thing in self.kinds.items()}
        main = next(iter(kinds.values()))
        return tuple([kinds[kind] for kind in self.order]) + (main,) * (MAX_COUNT + 1 - len(self.order))

    @cached_property
    def _turned(self) -> tuple[Thing, ...]:
        turned = {
            thing: replace(thing, reach=Reach(thing.reach.right, thing.reach.left), turned=True)
            for thing in set(self._plain)
        }
        return tuple([turned[thing] for thing in self._plain])

    @cached_property
    def _spare(self) -> dict[Thing, Thing]:
        return {thing: replace(thing, spare=True) for thing in {*self._plain, *self._turned}}
