"""Boards as they are cut and seen from an end: outlines, hatching, where a leaning face is."""

from collections.abc import Iterable, Iterator, Sequence
from itertools import pairwise
from math import ceil, cos, radians, sin

from yardcliff.core.rack import Part
from yardcliff.core.shapes.geometry import Path, line
from yardcliff.core.shapes.scene import Box, Stroke
from yardcliff.core.units.exact import Fraction

HATCH, MOST_HATCH = 9.0, 40
"""Between the lines that say that wood is cut, mm; and how many a board gets at most."""


def face_at(part: Part, across: Fraction) -> tuple[float, float]:
    """Where a front is at that line across it: how far off the wall, mm, and how much of what
    stands out of it is seen from the side: all, where it does not lean.
    """
    f = radians(abs(part.lean))
    edge = (
        across if part.lean < 0 else part.face_width - across
    )  # from the one that stands further out
    return float(part.z + part.depth) - (float(edge) * sin(f) if part.lean else 0), cos(f)


def closed(corners: Iterable[tuple[Fraction | float, Fraction | float]]) -> Path:
    return (*line(*((float(a), float(b)) for a, b in corners)), ("Z", ()))


def hatch(corners: Sequence[tuple[float, float]]) -> Iterator[Stroke]:
    """Slanted lines across a convex outline."""
    sums = [z + y for z, y in corners]
    apart = max(HATCH, (max(sums) - min(sums)) / MOST_HATCH)
    for k in range(1, ceil((max(sums) - min(sums)) / apart)):
        at = min(sums) + k * apart
        ends = []
        for (z, y), (z2, y2) in pairwise([*corners, corners[0]]):
            if min(z + y, z2 + y2) <= at < max(z + y, z2 + y2):
                share = (at - z - y) / (z2 + y2 - z - y)
                ends.append((z + share * (z2 - z), y + share * (y2 - y)))
        if ends:  # rounding may carry the last line past the outline
            yield Stroke("grain", line(*ends))


def around(strokes: list[Stroke]) -> Box:
    numbers = [ns for stroke in strokes for _, ns in stroke.path if ns]
    xs, ys = [n for ns in numbers for n in ns[::2]], [n for ns in numbers for n in ns[1::2]]
    return Box(min(xs), min(ys), max(xs), max(ys))
