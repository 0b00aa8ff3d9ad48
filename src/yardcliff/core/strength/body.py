"""Racks as bodies: a shelf with what stands on it, its screws through a back plate, a glue line
that is pulled open, a cleat's lip.

A board of the wood's own rupture over the factor; screws and shear by the Wood Handbook,
FPL-GTR-282, chapters 5, 8 and 9.
"""

from dataclasses import dataclass

from yardcliff.core.materials.goods import Wood
from yardcliff.core.strength.wood import SAFETY, bending, lateral, thread, withdrawal
from yardcliff.data import values

GAUGE = 4.0
"""The screws that boards are joined with, mm."""


def along_grain(wood: Wood) -> float:
    """What wood, and a glue line that is as good, may bear in shear along the grain, MPa."""
    return float(values("species", wood)["shear_mpa"]) / SAFETY


@dataclass(frozen=True, slots=True)
class Shelf:
    """A shelf on its ends or brackets, `span` apart, `deep` and `thick`, mm; an even `load` and a
    `hand` in its middle, N.
    """

    wood: Wood
    deep: float
    thick: float
    span: float
    load: float
    hand: float

    @property
    def stress(self) -> float:
        """(F L / 4 + W L / 8) / (b t² / 6), MPa."""
        return (self.hand * self.span / 4 + self.load * self.span / 8) / (
            self.deep * self.thick**2 / 6
        )

    @property
    def share(self) -> float:
        return self.stress / bending(self.wood)


@dataclass(frozen=True, slots=True)
class Butt:
    """A shelf screwed to a plate through its back: what stands on it, `out` from the plate, turns
    it about its lower edge, and the screws in the middle of its thickness hold that. A `hand` at
    one place pulls at the two nearest screws; the rest, `load`, at all `count`.
    """

    wood: Wood
    thick: float
    length: float
    bite: float
    count: int
    out: float
    load: float
    hand: float

    @property
    def pull(self) -> float:
        """What draws at the worst screw, N: (F / 2 + W / n) a / (t / 2)."""
        return (self.hand / 2 + self.load / self.count) * self.out / (self.thick / 2)

    @property
    def may_pull(self) -> float:
        return withdrawal(self.wood, GAUGE, thread(self.length, self.bite, GAUGE))

    @property
    def may_shear(self) -> float:
        return lateral(self.wood, GAUGE, self.bite)

    @property
    def share(self) -> float:
        across = self.hand / 2 + self.load / self.count
        return (
            self.pull / self.may_pull + across / self.may_shear if self.may_pull else float("inf")
        )


def opened(force: float, lever: float, long: float, thick: float, wood: Wood) -> float:
    """Of what a glue line so long and thick may bear that a force opens with its lever: 6 F a / (b
    t²).
    """
    return 6 * force * lever / (long * thick**2) / along_grain(wood)


def lip(weight: float, long: float, thick: float, wood: Wood) -> float:
    """Of what a cleat's lip may bear in shear along its grain: 3 W / (2 L t)."""
    return 1.5 * weight / (long * thick) / along_grain(wood)
