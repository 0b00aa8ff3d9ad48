"""A drawing, neutral and in mm: what every view makes, and every renderer draws in its own ink.

The frame is the rack's: x right from the datum, y up from the floor. Roles say what a stroke
is, not how it looks. Repeated things are symbols, drawn once and placed often.
"""

from dataclasses import dataclass
from typing import Literal

from yardcliff.core.shapes.geometry import Path

Role = Literal[
    "floor",
    "wall-line",
    "person",
    "reach",
    "board",
    "grain",
    "datum",
    "item",
    "item-line",
    "spare",
    "flaw",
    "seam",
    "plate",
    "screw",
    "holder",
    "holder-line",
    "mark",
    "stud",
    "skirting",
    "obstacle",
    "swing",
    "old",
    "neighbour",
    "fixing",
    "lining",
    "limit",
    "force",
]
SURROUNDINGS: frozenset[Role] = frozenset(
    {
        "floor",
        "person",
        "reach",
        "wall-line",
        "stud",
        "skirting",
        "obstacle",
        "swing",
        "old",
        "neighbour",
    }
)
"""What is of the wall and not of the rack: it is left out where the rack is drawn alone."""


@dataclass(frozen=True, slots=True)
class Stroke:
    role: Role
    path: Path


@dataclass(frozen=True, slots=True)
class Symbol:
    """Something drawn at each of its `places` (x, y), from the datum on; `key` tells it from the
    others. The `wall` is behind everything. `marks` are those of the rack's first row that its
    first places stand at, as many as are of that row; -1 where one stands at none alone.
    """

    key: str
    of: Literal["item", "holder", "part", "wall"]
    strokes: tuple[Stroke, ...]
    places: tuple[tuple[float, float], ...]
    marks: tuple[int, ...] = ()


@dataclass(frozen=True, slots=True)
class Dimension:
    """From `start` to `end` along `axis`, beside the feature at `at` on the other axis.

    `side` +1 stands above or to the right of it, -1 below or left; `level` 1 is the nearest line.
    """

    axis: Literal["x", "y"]
    start: float
    end: float
    at: float
    side: Literal[-1, 1]
    level: int
    text: str
    figure: str


@dataclass(frozen=True, slots=True)
class Label:
    """A word or a figure on the drawing, its baseline at (x, y), from there on, about it or up to
    it.
    """

    x: float
    y: float
    text: str
    role: Role
    anchor: Literal["start", "middle", "end"] = "middle"


@dataclass(frozen=True, slots=True)
class Box:
    x0: float
    y0: float
    x1: float
    y1: float


@dataclass(frozen=True, slots=True)
class Scene:
    """`extent` holds the rack and what hangs on it, `wall` that and the floor, a
    person, the reach.
    """

    strokes: tuple[Stroke, ...]
    symbols: tuple[Symbol, ...]
    dimensions: tuple[Dimension, ...]
    extent: Box
    wall: Box
    labels: tuple[Label, ...] = ()
