"""A rack from above, where it is marked on a top face or its faces lean to the sides: x right from
the datum, the wall along the upper edge.
"""

from collections.abc import Iterator
from dataclasses import replace
from math import cos, radians, sin

from yardcliff.core.drawing.front_view import board_strokes
from yardcliff.core.drawing.solids import around, closed, face_at, hatch
from yardcliff.core.rack import Bore, Rack
from yardcliff.core.shapes.geometry import (
    ROUND,
    Path,
    circle,
    line,
    moved,
    rectangle,
    rounded,
    turned,
)
from yardcliff.core.shapes.scene import Box, Dimension, Scene, Stroke, Symbol
from yardcliff.core.units.length import Tape


def plan(rack: Rack, tape: Tape) -> Scene | None:
    """From above, where the row is marked on a top face or faces lean to the side; None for other
    racks.
    """
    row = rack.rows[0]
    marked = rack.part(row.part)
    if marked.lean:
        return _leaning(rack, tape)
    if marked.marked != "top":
        return None
    strokes = [Stroke("wall-line", line((-40, 0), (float(marked.length) + 40, 0)))]
    for part in rack.parts:
        if (
            part.y + part.height >= marked.y + marked.height and part.y <= marked.y
        ):  # what is seen of the first row
            # Laid flat: what is deep from above is tall on the page.
            flat = replace(part, y=-(part.z + part.depth), height=part.depth)
            strokes += board_strokes(flat, datum=part.key == marked.key)
    front = -float(marked.z + marked.depth)
    axis = front + float(row.across)
    holder = tuple(stroke for bore in rack.bores for stroke in _seen_from_above(bore, axis - front))
    symbols = [Symbol("holder", "holder", holder, tuple((float(x), axis) for x in row.row.axes))]
    for kind, item in rack.kinds.items():
        wide, deep = float(item.across), float(item.front)
        outline = Stroke(
            "spare", rectangle(-float(item.left), -deep / 2, wide, deep, min(wide, deep) / 2)
        )
        at = tuple((float(h.x), axis) for h in rack.hung if h.kind == kind and h.row == 0)
        if at:
            symbols.append(Symbol(f"item.{kind}", "item", (outline,), at))
    length, first = float(marked.length), float(row.row.axes[0])
    extent = Box(0, front, length, 0)
    dimensions = [
        Dimension("x", 0, length, 0, 1, 2, tape.write(marked.length), "row.length"),
        Dimension("x", 0, first, 0, 1, 1, tape.write(row.row.axes[0]), "row.left"),
        Dimension("y", front, axis, 0, -1, 1, tape.write(row.across), ""),
        Dimension(
            "y", front, front + float(marked.depth), length, 1, 1, tape.write(marked.depth), ""
        ),
    ]
    if row.row.holders > 1:
        second = float(row.row.axes[1])
        gap = tape.write(row.row.axes[1] - row.row.axes[0])
        dimensions.append(Dimension("x", first, second, 0, 1, 1, gap, ""))
    return Scene(tuple(strokes), tuple(symbols), tuple(dimensions), extent, extent)


def _leaning(rack: Rack, tape: Tape) -> Scene:
    """Uprights whose faces lean to the sides, from above, cut between two holders; what hangs is
    outlined.
    """
    boards = [part for part in rack.parts if part.lean]
    strokes = [
        Stroke(
            "board",
            rectangle(*map(float, (part.x, -(part.z + part.depth), part.length, part.depth))),
        )
        for part in rack.parts
        if part.seen == "from the side"  # ends would hide what they cover
    ]
    for part in boards:
        corners = [(float(x), -float(z)) for x, z in part.profile]
        strokes += [Stroke("board", closed(corners)), *hatch(corners)]
    for k, row in enumerate(rack.rows):
        part = rack.part(row.part)
        x, y = float(row.x), -face_at(part, row.across)[0]
        turn = radians(part.lean - 90)  # straight out of the wall is down the page
        drawn = rack.glyph.above(rack.bores)
        strokes += [Stroke(stroke.role, moved(turned(stroke.path, turn), x, y)) for stroke in drawn]
        out = rack.rests_of(k)
        for kind in {hung.kind: None for hung in rack.hung if hung.row == k}:
            item = rack.kinds[kind]
            wide, deep = float(item.across), float(item.front)
            left, low = x + out * cos(turn) - float(item.left), y + out * sin(turn) - deep / 2
            strokes.append(Stroke("spare", rectangle(left, low, wide, deep, min(wide, deep) / 2)))
    box = around(strokes)
    extent = Box(box.x0, box.y0, box.x1, 0)
    strokes.insert(0, Stroke("wall-line", line((box.x0 - 40, 0), (box.x1 + 40, 0))))
    outer = min(part.x for part in boards), max(part.x + part.length for part in boards)
    front = max(part.z + part.depth for part in boards)
    dimensions = (
        Dimension(
            "x",
            float(outer[0]),
            float(outer[1]),
            0,
            1,
            1,
            tape.write(outer[1] - outer[0]),
            "overall",
        ),
        Dimension("x", box.x0, box.x1, 0, 1, 2, tape.write(rounded(box.x1 - box.x0)), ""),
        Dimension("y", -float(front), 0, box.x0, -1, 1, tape.write(front), ""),
        Dimension("y", box.y0, 0, box.x1, 1, 1, tape.write(rounded(-box.y0)), ""),
    )
    return Scene(tuple(strokes), (), dimensions, extent, extent)


def _seen_from_above(bore: Bore, out: float) -> Iterator[Stroke]:
    r = float(bore.bit) / 2
    if not bore.open:
        yield Stroke("plate", circle(0, 0, r))
        return
    # A quarter circle each side of the back, then straight out to the edge.
    k = r * ROUND
    slot: Path = (
        ("M", (-r, -out)),
        ("L", (-r, 0)),
        ("C", (-r, k, -k, r, 0, r)),
        ("C", (k, r, r, k, r, 0)),
        ("L", (r, -out)),
    )
    yield Stroke("plate", slot)
