"""The dimensions of a front view."""

from itertools import pairwise
from typing import Literal

from yardcliff.core.rack import Rack
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.shapes.scene import Box, Dimension
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape

ZERO = Fraction(0)


def dimension_lines(rack: Rack, tape: Tape, extent: Box) -> list[Dimension]:
    """Every dimension of the view: along the wall, or up it."""
    return _up_the_wall(rack, tape, extent) if rack.up else _along_the_wall(rack, tape, extent)


def _up_the_wall(rack: Rack, tape: Tape, extent: Box) -> list[Dimension]:
    """Of a rack whose rows run up: the uprights at the left, what hangs at the right, how far apart
    below.
    """
    row, foot = rack.row, rack.rows[0].y

    def y(
        start: Fraction, end: Fraction, side: Literal[-1, 1], level: int, figure: str
    ) -> Dimension:
        at = extent.x0 if side < 0 else extent.x1
        return Dimension(
            "y",
            float(foot + start),
            float(foot + end),
            at,
            side,
            level,
            tape.write(end - start),
            figure,
        )

    found = [y(ZERO, row.length, -1, 2, "row.length"), y(ZERO, row.axes[0], -1, 1, "row.left")]
    found.append(y(row.axes[-1], row.length, -1, 1, "row.right"))
    if row.holders > 1:
        even = not row.uneven and not row.airy
        found.append(y(row.axes[0], row.axes[1], -1, 1, "row.pitch" if even else ""))
    k = row.clear.index(row.air) if row.count > 1 else 0
    thing, centre = row.things[k], row.centres[k]
    low, high = centre - thing.reach.left, centre + thing.reach.right
    found.append(y(low, high, 1, 1, "item"))
    if row.count > 1 and row.air > 0:
        found.append(y(high, high + row.air, 1, 1, "row.air"))
    found.append(Dimension("y", 0, float(foot), extent.x1, 1, 2, tape.write(foot), "hung"))
    xs = sorted(
        {
            (part.x, part.x + part.length)
            for part in rack.parts
            if part.key in {row.part for row in rack.rows}
        }
    )
    low_y = extent.y0
    if len(xs) > 1:
        (left, inner), (outer, right) = xs[0], xs[-1]
        if outer > inner:
            found.append(
                Dimension(
                    "x",
                    float(inner),
                    float(outer),
                    low_y,
                    -1,
                    1,
                    tape.write(outer - inner),
                    "up.between",
                )
            )
        found.append(
            Dimension(
                "x", float(left), float(right), low_y, -1, 2, tape.write(right - left), "overall"
            )
        )
    else:
        ((left, right),) = xs
        found.append(
            Dimension(
                "x", float(left), float(right), low_y, -1, 1, tape.write_fine(right - left), "board"
            )
        )
    found.append(
        Dimension(
            "x",
            extent.x0,
            extent.x1,
            extent.y1,
            1,
            1,
            tape.write(rounded(extent.x1 - extent.x0)),
            "",
        )
    )
    return found


def _along_the_wall(rack: Rack, tape: Tape, extent: Box) -> list[Dimension]:
    row, part = rack.row, rack.parts[0]
    top, first, last = float(part.y + part.height), float(row.axes[0]), float(row.axes[-1])
    length = float(row.length)
    above = max(top, extent.y1)

    def x(start: float, end: float, level: int, figure: str, text: str) -> Dimension:
        return Dimension("x", start, end, above, 1, level, text, figure)

    def width(start: float, end: float, figure: str, text: str) -> Dimension:
        return Dimension("x", start, end, extent.y0, -1, 1, text, figure)

    found = [x(0, length, 2, "row.length", tape.write(row.length))]
    left, right = (
        float(end(p.x + p.length * side for p in rack.parts)) for end, side in ((min, 0), (max, 1))
    )
    if (left, right) != (0, length):
        found.append(x(left, right, 3, "overall", tape.write(rounded(right - left))))
    found.append(x(0, first, 1, "row.left", tape.write(row.axes[0])))
    found.append(x(last, length, 1, "row.right", tape.write(row.length - row.axes[-1])))
    if row.holders > 1:
        second = float(row.axes[1])
        even = not row.uneven and not row.airy
        found.append(
            x(first, second, 1, "row.pitch" if even else "", tape.write(row.axes[1] - row.axes[0]))
        )
    # One thing's width, and the air beside it where that is least, of the row they are drawn under.
    lowest = min(rack.rows, key=lambda one: one.y)
    under = lowest.row
    k = under.clear.index(under.air) if under.count > 1 else 0
    reach, centre = under.things[k].reach, lowest.at(under.centres[k])[0]
    start, end = float(centre - reach.left), float(centre + reach.right)
    if under.count > 1 and under.air > 0:
        known = "row.air" if under.air == row.air else ""
        found.append(width(end, end + float(under.air), known, tape.write(under.air)))
    found.append(width(start, end, "item", tape.write(reach.across)))
    bottom, height = float(part.y), float(part.height)
    found.append(
        Dimension("y", bottom, bottom + height, extent.x0, -1, 1, tape.write(part.height), "board")
    )
    if tall := next((figure for figure in rack.figures if figure.key == "tall"), None):
        low = min(float(p.y) for p in rack.parts)
        high = max(float(p.y + p.height) for p in rack.parts)
        found.append(
            Dimension("y", low, high, extent.x0, -1, 2, tape.write(rounded(high - low)), tall.key)
        )
    hung = rack.rows[0].y
    several = rack.several
    found.append(
        Dimension("y", 0, float(hung), extent.x1, 1, 3 if several else 1, tape.write(hung), "hung")
    )
    for upper, lower in pairwise(rack.rows):
        drop = upper.y - lower.y
        found.append(
            Dimension(
                "y", float(lower.y), float(upper.y), extent.x1, 1, 2, tape.write(drop), "rows.drop"
            )
        )
    return found
