"""The common model that every family builds and every reader reads: parts, what is made on them, what joins them."""

from yardcliff.core.rack.joint import Hold, Joint
from yardcliff.core.rack.operation import HOLDER, Head, Hole, Kind, Operation, Place, holes_of, in_order
from yardcliff.core.rack.part import Face, Part, Point
from yardcliff.core.rack.rack import (
    ACROSS,
    RESTS,
    UPRIGHT,
    Bore,
    Glyph,
    Hung,
    Kept,
    Outline,
    Placed,
    Purpose,
    Rack,
    RackRow,
    Seat,
)

__all__ = [
    "ACROSS",
    "HOLDER",
    "RESTS",
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
    "Rack",
    "RackRow",
    "Seat",
    "holes_of",
    "in_order",
]
