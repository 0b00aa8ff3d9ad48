"""What pulls: the weight of a thing, and the hand of somebody who pulls at it or leans on it."""

from collections.abc import Iterable
from dataclasses import dataclass, replace

from yardcliff.core.units.weights import GRAVITY
from yardcliff.messages import tr

TUG = 3
"""How much harder a hand pulls than the thing weighs."""
SMALL, LEANT_ON, CHILD = 30, 150, 250
"""The least that a hand pulls with, N, by what hangs: at what nobody leans on; at what is pulled at
or leant on (coats, towels, bags, bars); and where a child may hang on that. Rules of thumb.
"""
TINY_G, TINY_LONG = 400, 250
"""What weighs more than this, g, or hangs down further, mm, somebody leans on."""


@dataclass(frozen=True, slots=True)
class Pulled:
    """One thing on one holder: what it weighs, N, and with what a hand pulls at it at least, N."""

    weight: float
    least: float

    @property
    def force(self) -> float:
        """The most that its holder has to bear, N: `TUG` times its weight, or the hand."""
        return max(TUG * self.weight, self.least)

    @property
    def says(self) -> str:
        """Where the force comes from."""
        return (
            tr("strength.times-its-weight", tug=TUG)
            if self.weight * TUG > self.least
            else tr("strength.a-hand-that-pulls")
        )

    def shared(self, among: int) -> "Pulled":
        """What each of so many holders bears."""
        return replace(self, weight=self.weight / among, least=self.least / among)


def newtons(grams: float) -> float:
    return grams / 1000 * GRAVITY


def least_tug(weight_g: int, below: float, given: int | None, *, children: bool) -> int:
    """With what a hand pulls at a thing at least, N: as `given`, else by its weight and how far it
    hangs down; what is leant on takes a child.
    """
    least = (
        given
        if given is not None
        else SMALL
        if weight_g <= TINY_G and below <= TINY_LONG
        else LEANT_ON
    )
    return max(least, CHILD) if children and least >= LEANT_ON else least


def hardest(pulled: Iterable[Pulled]) -> Pulled:
    """The one that asks most of a holder."""
    return max(pulled, key=lambda each: (each.force, each.weight), default=Pulled(0.0, 0.0))
