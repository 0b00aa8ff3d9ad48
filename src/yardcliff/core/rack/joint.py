"""How two parts are held together."""

from dataclasses import dataclass
from enum import StrEnum

from yardcliff.core.materials.goods import Take
from yardcliff.core.units.exact import Fraction
from yardcliff.messages import tr

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
        held = tr(f"joint.{self.hold}")
        if self.glued:
            return tr("rack.and-glued", held=held)
        return tr("rack.no-glue", held=held) if self.hold is Hold.SCREWS else held
