"""A scene laid out on paper: scaled, inked, its dimensions placed. SVG and PDF draw the result."""

from collections.abc import Callable, Iterable
from dataclasses import dataclass, replace
from typing import Literal

from yardcliff.core.shapes.geometry import Path, line, points, rectangle
from yardcliff.core.shapes.scene import SURROUNDINGS, Box, Dimension, Role, Scene, Stroke, Symbol

TEXT = 2.8
"""Height of dimension text, mm on paper."""
FIRST, STEP, ROW, EDGE = 5.0, 9.0, 3.6, 6.0
"""From the feature to the first dimension line, from one line to the next, and to a second
row of text, and around a side that has none: mm on paper."""

SPECK, MANY = 1.5, 100
"""What is narrower, mm on paper, is drawn as a box where there are so many."""


@dataclass(frozen=True, slots=True)
class Ink:
    """How a role looks: colours as #rrggbb or None, line width and dash in mm on paper."""

    stroke: str | None
    width: float
    fill: str | None = None
    dash: tuple[float, ...] = ()


INKS: dict[Role | Literal["dimension"], Ink] = {
    "floor": Ink("#20303a", 0.5),
    "wall-line": Ink("#20303a", 0.5),
    "person": Ink(None, 0, "#d5dbd8"),
    "reach": Ink("#5d6d74", 0.15, None, (1.5, 1)),
    "board": Ink("#20303a", 0.5, "#ecd3a6"),
    "grain": Ink("#c49a5c", 0.12),
    "datum": Ink(None, 0, "#b3261e"),
    "item": Ink("#2d5d73", 0.2, "#dce8ec"),
    "item-line": Ink("#2d5d73", 0.12),
    "spare": Ink("#2d5d73", 0.15, None, (1.2, 0.8)),
    "seam": Ink("#20303a", 0.25),
    "flaw": Ink("#7a4b00", 0.2),
    "plate": Ink("#20303a", 0.25, "#ffffff"),
    "screw": Ink("#20303a", 0.15),
    "holder": Ink("#20303a", 0.25, "#8b979b"),
    "holder-line": Ink("#20303a", 0.12, None, (0.8, 0.5)),
    "mark": Ink("#b3261e", 0.25),
    "stud": Ink("#5d6d74", 0.15, None, (2, 1.2)),
    "skirting": Ink("#5d6d74", 0.15, "#ffffff"),
    "obstacle": Ink("#5d6d74", 0.25, "#ffffff"),
    "swing": Ink("#5d6d74", 0.15, None, (1, 1)),
    "old": Ink("#7a4b00", 0.3),
    "neighbour": Ink("#5d6d74", 0.15, "#e6eae7"),
    "fixing": Ink("#1a5571", 0.3),
    "limit": Ink("#7a4b00", 0.35, None, (1.6, 0.9)),
    "lining": Ink("#5d6d74", 0.2),
    "force": Ink("#8c1450", 0.4, "#8c1450"),
    "dimension": Ink("#20303a", 0.12),
}


@dataclass(frozen=True, slots=True)
class InkedPath:
    path: Path
    ink: Ink


@dataclass(frozen=True, slots=True)
class InkedText:
    """Centred on x with its baseline at y; `turned` runs upward."""

    x: float
    y: float
    text: str
    turned: bool


Drawn = InkedPath | InkedText


def lay_out(
    scene: Scene, width: float, height: float, *, walled: bool = False
) -> tuple[list[Drawn], float]:
    """The rack fitted into `width` x `height` mm of paper (y up), or its whole wall, and the scale
    used.
    """
    box = scene.extent
    left, right, below, above = (
        _room(scene, axis, side) for axis in ("y", "x") for side in (-1, 1)
    )
    wide, tall = width - left - right, height - below - above
    scale = min(wide / max(box.x1 - box.x0, 1), tall / max(box.y1 - box.y0, 1), 1.0)
    dx = left + wide / 2 - scale * (box.x0 + box.x1) / 2
    dy = below + tall / 2 - scale * (box.y0 + box.y1) / 2

    def place(path: Path, x: float = 0, y: float = 0) -> Path:
        return tuple(
            (
                c,
                tuple(
                    scale * (n + (y if i % 2 else x)) + (dy if i % 2 else dx)
                    for i, n in enumerate(ns)
                ),
            )
            for c, ns in path
        )

    drawn: list[Drawn] = []
    for wall in (symbol for symbol in scene.symbols if walled and symbol.of == "wall"):
        drawn += (
            InkedPath(place(s.path, *at), INKS[s.role]) for at in wall.places for s in wall.strokes
        )
    drawn += [
        InkedPath(place(s.path), INKS[s.role])
        for s in scene.strokes
        if s.role not in SURROUNDINGS or walled or s.role == "wall-line"
    ]
    for symbol in (symbol for symbol in scene.symbols if symbol.of != "wall"):
        strokes = _seen(symbol, scale)
        for x, y in symbol.places:
            drawn += (InkedPath(place(s.path, x, y), INKS[s.role]) for s in strokes)
    paper = [
        Dimension(
            d.axis,
            scale * d.start + (dx if d.axis == "x" else dy),
            scale * d.end + (dx if d.axis == "x" else dy),
            scale * d.at + (dy if d.axis == "x" else dx),
            d.side,
            d.level,
            d.text,
            d.figure,
        )
        for d in scene.dimensions
        if _inside(d, box)
    ]
    drawn += [
        InkedText(scale * w.x + dx, scale * w.y + dy, w.text, turned=False)
        for w in scene.labels
        if w.role not in SURROUNDINGS
    ]
    drawn += dimensions(paper, lambda text: len(text) * TEXT * 0.5)
    return drawn, scale


def _seen(symbol: Symbol, scale: float) -> tuple[Stroke, ...]:
    """What of a symbol is seen at such a scale: of a speck, the box of its outline."""
    xs, ys = zip(
        *(point for stroke in symbol.strokes for point in points(stroke.path)), strict=True
    )
    if (max(xs) - min(xs)) * scale >= SPECK or len(symbol.places) < MANY:
        return symbol.strokes
    box = rectangle(min(xs), min(ys), max(xs) - min(xs), max(ys) - min(ys))
    return (replace(symbol.strokes[0], path=box),)


def _room(scene: Scene, axis: str, side: int) -> float:
    """What the dimension lines on one side of the drawing take, mm of paper."""
    levels = [
        d.level
        for d in scene.dimensions
        if (d.axis, d.side) == (axis, side) and _inside(d, scene.extent)
    ]
    return FIRST + STEP * (max(levels) - 1) + ROW + TEXT if levels else EDGE


def _inside(d: Dimension, box: Box) -> bool:
    low, high = (box.x0, box.x1) if d.axis == "x" else (box.y0, box.y1)
    return low - 1 <= d.start and d.end <= high + 1


def dimensions(found: Iterable[Dimension], width_of: Callable[[str], float]) -> list[Drawn]:
    """Dimension lines with ticks and text, in paper mm; no text stands on a line or on another.

    Text that is wider than its span moves up into a second row, inside the outermost lines.
    """
    drawn: list[Drawn] = []
    ordered = sorted(found, key=lambda d: (d.level, d.start + d.end))
    outer: dict[tuple[str, int], tuple[float, float]] = {}
    for d in ordered:
        low, high = outer.get((d.axis, d.side), (d.start, d.end))
        outer[d.axis, d.side] = min(low, d.start), max(high, d.end)
    raised: dict[tuple[str, int, int], float] = {}
    for d in ordered:
        at = d.at + d.side * (FIRST + STEP * (d.level - 1))
        middle, half, lift = (d.start + d.end) / 2, width_of(d.text) / 2 + 0.6, 1.0
        if 2 * half > d.end - d.start:
            lane = (d.axis, d.side, d.level)
            low, high = outer[d.axis, d.side]
            low = max(low, raised.get(lane, low))
            middle = max(min(middle, high - half), low + half)
            # The lines that lead up to the dimensions outside this one pass through its row of
            # text.
            leads = [
                end
                for o in ordered
                if (o.axis, o.side) == (d.axis, d.side) and o.level > d.level
                for end in (o.start, o.end)
            ]
            for end in sorted(leads):
                if middle - half < end < middle + half:
                    middle = end + half
            raised[lane] = middle + half
            lift += ROW

        def point(along: float, across: float, axis: str = d.axis) -> tuple[float, float]:
            return (along, across) if axis == "x" else (across, along)

        ink = INKS["dimension"]
        for edge in (d.start, d.end):
            drawn.append(
                InkedPath(line(point(edge, d.at + d.side * 1.2), point(edge, at + d.side)), ink)
            )
            drawn.append(
                InkedPath(line(point(edge - 0.8, at - 0.8), point(edge + 0.8, at + 0.8)), ink)
            )
        drawn.append(InkedPath(line(point(d.start, at), point(d.end, at)), ink))
        # Below the rack the rows grow downward, past the text's own height.
        across = at + lift if d.side > 0 or lift == 1.0 else at - lift - TEXT * 0.4
        if d.axis == "y" and (
            d.side < 0 or lift == 1.0
        ):  # upward text stands left of its line, inside or out
            across = at - lift
        drawn.append(InkedText(*point(middle, across), d.text, d.axis == "y"))
    return drawn
