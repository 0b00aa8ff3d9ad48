"""The common model that every way of building makes and every reader reads: parts, what is made on
them, what joins them.

Begin at `rack.Rack`, then `part` (six faces, each with a frame) and `operation` (what is made, and
where). Imports `row` and below.
"""

from yardcliff.core.rack.glyph import ACROSS, UPRIGHT, Bore, Glyph, Purpose, Putting
from yardcliff.core.rack.joint import Hold, Joint
from yardcliff.core.rack.operation import (
    HOLDER,
    Head,
    Hole,
    Kind,
    Operation,
    Place,
    drill,
    hole_table,
    in_order,
    part_keys,
)
from yardcliff.core.rack.part import Face, Part, Point
from yardcliff.core.rack.rack import Hung, Kept, Outline, Placed, Rack, RackRow, Seat

__all__ = [
    "ACROSS",
    "HOLDER",
    "UPRIGHT",
    "Bore",
    "Face",
    "Glyph",
    "Head",
    "Hold",
    "Hole",
    "Hung",
    "Joint",
    "Kept",
    "Kind",
    "Operation",
    "Outline",
    "Part",
    "Place",
    "Placed",
    "Point",
    "Purpose",
    "Putting",
    "Rack",
    "RackRow",
    "Seat",
    "drill",
    "hole_table",
    "in_order",
    "part_keys",
]
