"""A hook on a plate, held by screws down its middle: what is hung at a distance a from the plate
turns it about its foot.

The upper screw is pulled with T = F a / h, h from it down to the plate's foot, and all bear F
across themselves in equal parts: T/Ta + V/Va. Straight outward they share F, and the lower one
bears more where the hook's throat is below the middle.
"""

from dataclasses import dataclass

from yardcliff.core.materials.goods import Wood
from yardcliff.core.strength.wood import lateral, thread, withdrawal


@dataclass(frozen=True, slots=True)
class Plate:
    """`count` equal screws, the outer ones `spread` apart about its middle, `into` the wood by so
    much, through a plate so `tall`; load `out` of the face, and the throat `drop` below the plate's
    middle. All in mm.
    """

    wood: Wood
    tall: float
    count: int
    spread: float
    diameter: float
    length: float
    into: float
    out: float
    drop: float = 0.0

    @property
    def lever(self) -> float:
        """From the upper screw down to the plate's foot."""
        return self.spread / 2 + self.tall / 2

    @property
    def hold(self) -> float:
        return thread(self.length, self.into, self.diameter)

    @property
    def may_pull(self) -> float:
        return withdrawal(self.wood, self.diameter, self.hold)

    @property
    def may_shear(self) -> float:
        return lateral(self.wood, self.diameter, self.into)

    def pull(self, force: float) -> float:
        """What draws at the upper screw under a load that hangs, N."""
        return force * self.out / max(self.lever, 1e-6)

    @property
    def outward(self) -> float:
        """What the lower screw bears of a pull straight outward."""
        return 1 / self.count + (self.drop / self.spread if self.spread and self.count > 1 else 0.0)

    def share(self, force: float) -> float:
        """Of what its worst screw may bear, hung and pulled straight outward, whichever is more."""
        down = _part(self.pull(force), self.may_pull) + _part(force / self.count, self.may_shear)
        return max(down, _part(force * self.outward, self.may_pull))


def _part(load: float, limit: float) -> float:
    return load / limit if limit > 0 else float("inf") if load > 0 else 0.0
