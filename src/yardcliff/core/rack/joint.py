"""How two parts are held together."""

from dataclasses import dataclass
from enum import StrEnum

from yardcliff.core.materials.goods import Take
from yardcliff.core.units.exact import Fraction

ZERO = Fraction(0)


class Hold(StrEnum):
    """What holds a joint, beside the glue."""

    SCREWS = "screws"
    GROOVE = "groove"
    PINS = "pins"
    DOWELS = "dowels"
    NOTCH = "notch"
    MITRE = "mitre"
    EDGES = "edges"
    HOOKED = "hooked"


SAYS = {
    Hold.SCREWS: "screwed",
    Hold.GROOVE: "let into its groove",
    Hold.PINS: "pinned",
    Hold.DOWELS: "dowelled",
    Hold.NOTCH: "notched over it, a dowel through both horns",
    Hold.MITRE: "mitred",
    Hold.EDGES: "along its edges",
    Hold.HOOKED: "hooked on",
}
"""A joint in words."""


@dataclass(frozen=True, slots=True)
class Joint:
    """Two parts that are joined, by their keys, and what holds them: face to face, or the `part`
    let in to the other so deep. What no hole is made for is in `takes`. What is hooked on only
    hangs on the other, which is fixed to the wall by itself.
    """

    part: str
    other: str
    hold: Hold
    glued: bool = True
    let_in: Fraction = ZERO
    takes: tuple[Take, ...] = ()

    @property
    def hooked(self) -> bool:
        return self.hold is Hold.HOOKED

    @property
    def says(self) -> str:
        """`screwed and glued`."""
        glue = " and glued" if self.glued else ", no glue" if self.hold is Hold.SCREWS else ""
        return SAYS[self.hold] + glue
