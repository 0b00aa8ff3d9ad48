"""Boards screwed to one another and held by brackets: what is alike wherever that is done."""

from yardcliff.core.exact import Fraction
from yardcliff.core.holders.hook import pilot_bit
from yardcliff.core.materials import Wood, screws
from yardcliff.core.rack import Operation

CLEARANCE = Fraction(9, 2)
"""What a 4 mm screw passes through, mm."""
BITE = Fraction(32)
"""How far such a screw goes into an edge or an end, mm."""
REACH = Fraction(7, 10)
"""How far a bracket carries a shelf, as a share of its depth: rule of thumb."""
LEG = Fraction(9, 10)
"""A bracket's leg down the wall, as a share of the one under the shelf."""
APART = Fraction(600)
"""From bracket to bracket at most, mm: rule of thumb."""


def screwed(
    count: int,
    through: tuple[str, str, Fraction],
    into: tuple[str, str],
    wood: Wood,
    deep: Fraction,
    left: Fraction,
    notes: tuple[str, str],
) -> tuple[Operation, ...]:
    """So many 4 mm screws `through` a part and its face, so thick, `into` another's: the hole that they pass, and the pilot
    hole, `deep` with `left` mm of wood behind it; a note for each.
    """
    part, face, thick = through
    return (
        Operation("Screw hole", count, part, face, "bit", CLEARANCE, None, 0, None, "through", notes[0]),
        Operation(
            "Pilot hole", count, *into, "bit", pilot_bit("4.0", wood), deep, 0, left, "tape on the bit", notes[1],
            takes=(screws("4.0", thick + deep, count),),
        ),
    )  # fmt: skip
