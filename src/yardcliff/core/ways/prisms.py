"""Parts that are no boxes: one outline all along the wall, or all the way up."""

from yardcliff.core.materials.goods import Wood
from yardcliff.core.rack import Part
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.units.exact import Fraction

Corners = tuple[tuple[float, float], ...]
"""Convex and in order, mm."""


def prism(key: str, name: str, x: Fraction, length: Fraction, corners: Corners, wood: Wood) -> Part:
    """A board along the wall that looks like `corners`, (z, y), from its end."""
    profile = tuple((rounded(z), rounded(y)) for z, y in corners)
    (z, deep), (y, tall) = (_span(axis) for axis in zip(*profile, strict=True))
    return Part(key, name, x, y, z, length, tall, deep, wood, profile=profile)


def column(
    key: str, name: str, y: Fraction, height: Fraction, corners: Corners, wood: Wood
) -> Part:
    """A board that stands and looks like `corners`, (x, z), from above."""
    profile = tuple((rounded(x), rounded(z)) for x, z in corners)
    (x, wide), (z, deep) = (_span(axis) for axis in zip(*profile, strict=True))
    return Part(key, name, x, y, z, wide, height, deep, wood, profile=profile, seen="from above")


def _span(values: tuple[Fraction, ...]) -> tuple[Fraction, Fraction]:
    """Where they begin, and how far they reach from there."""
    return min(values), max(values) - min(values)
