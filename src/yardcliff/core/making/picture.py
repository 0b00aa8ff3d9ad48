"""What a card shows beside its words: marks on a board, cuts in sticks, a bite out of the wood, the
rack.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from math import cos, radians
from typing import Literal

from yardcliff.core.rack import Operation, Part
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.units.exact import Fraction
from yardcliff.core.wood.layout import Sawn


@dataclass(frozen=True, slots=True)
class Marked:
    """A board so `long` with its marks in the order of the card's lines, mm from the datum."""

    long: Fraction
    at: tuple[Fraction, ...]


@dataclass(frozen=True, slots=True)
class Cuts:
    """Sticks with their cuts, each by the steps that it takes; the lines of the card go through
    them in turn, each with one more to take it.
    """

    sticks: tuple[tuple[Sawn, tuple[str, ...]], ...]


@dataclass(frozen=True, slots=True)
class Bite:
    """What a tool takes out of `thick` wood, in section: so `wide`, so `deep` along it (None: right
    through), `tilt` degrees off square; mm. A `bit` turns, a slot or a groove runs on.
    """

    wide: Fraction
    thick: Fraction
    deep: Fraction | None
    tilt: float
    bit: bool


View = Literal["rack", "wall"]
"""The rack by itself, or on its wall with what holds it."""
Picture = Marked | Cuts | Bite | View


def bite(operation: Operation, parts: Iterable[Part]) -> Bite | None:
    """The bite of an operation that is drilled, or sunk to a depth, if it is known how thick the
    wood is there.
    """
    thick = _thick(operation, parts)
    if operation.how or thick is None:
        return None
    return Bite(
        operation.size, thick, operation.depth, operation.tilt, "wide" not in operation.tool
    )


def _thick(operation: Operation, parts: Iterable[Part]) -> Fraction | None:
    down = (
        None
        if operation.depth is None
        else rounded(float(operation.depth) * cos(radians(operation.tilt)))
    )
    by_key = {part.key: part for part in parts}
    thick = {
        (
            by_key[place.part].thickness
            if place.face is by_key[place.part].face
            else by_key[place.part].thick(place.face)
        )
        for place in operation.places
    }
    if thick:
        return min(thick)
    # It has no place on a face: as much wood as the cut and what it leaves.
    return None if down is None or operation.web is None else operation.web + down
