"""A board between its screws, or past the last one: a hand pulls at it in the middle of the widest
span, or at its free end.

M = F L / 4 + q L² / 8 between, F c + q c² / 2 past the end; stress = M / (b h² / 6), down over the
board's width and outward over its thickness (Wood Handbook, FPL-GTR-282, chapter 9). What holes
take of it does not count.
"""

from dataclasses import dataclass

from yardcliff.core.strength.wood import bending


@dataclass(frozen=True, slots=True)
class Beam:
    """A board: its `wide` up the wall or along its face, its `thick` off the wall, less its holes,
    mm; its widest `span` and the `over` past its last screw, mm; what lies evenly on it, N/mm.
    """

    wood: str
    wide: float
    thick: float
    span: float
    over: float
    even: float

    def moment(self, force: float) -> float:
        """The greatest bending moment, Nmm."""
        return max(
            force * self.span / 4 + self.even * self.span**2 / 8,
            force * self.over + self.even * self.over**2 / 2,
        )

    def stress(self, force: float) -> float:
        """The greatest stress, down with what lies on it or straight outward, MPa."""
        if self.wide <= 0 or self.thick <= 0:
            return float("inf")
        down, out = self.thick * self.wide**2 / 6, self.wide * self.thick**2 / 6
        return max(self.moment(force) / down, max(force * self.span / 4, force * self.over) / out)

    def share(self, force: float) -> float:
        return self.stress(force) / bending(self.wood)
