"""A rack from the front, with what hangs on it, before a wall with a floor, a person for size and
their reach.
"""

from collections.abc import Iterator
from functools import lru_cache
from itertools import pairwise, product

from yardcliff.core.drawing.front_dimensions import dimension_lines
from yardcliff.core.rack import Part, Rack
from yardcliff.core.row.keepouts import KeepOut
from yardcliff.core.shapes.geometry import (
    Path,
    circle,
    cross,
    in_mm,
    line,
    mirrored,
    moved,
    rectangle,
    swapped,
)
from yardcliff.core.shapes.scene import Box, Label, Scene, Stroke, Symbol
from yardcliff.core.things.look import Look, silhouette
from yardcliff.core.units.length import Tape
from yardcliff.messages import tr

PERSON, PERSON_HALF, REACH = 1720.0, 260.0, 1950.0
"""A grown person's height, half width, and what they reach with ease, mm: typical, for size."""
CEILING = 2400.0
LID = 0.14
"""How much of a jar's height its lid is drawn."""


def front(rack: Rack, tape: Tape) -> Scene:
    """The rack as it is seen from the room."""
    extent = _extent(rack)
    wall = Box(extent.x0 - 900, 0, extent.x1 + 300, max(CEILING, extent.y1 + 100))
    person, _ = silhouette("person", PERSON_HALF, PERSON_HALF, PERSON, 0)
    strokes = [
        Stroke("floor", line((wall.x0, 0), (wall.x1, 0))),
        *(Stroke("person", moved(path, extent.x0 - 450, 0)) for path in person),
        Stroke("reach", line((wall.x0, REACH), (extent.x0 - 120, REACH))),
    ]
    marked = dict.fromkeys(row.part for row in rack.rows)
    before: list[Symbol] = []
    for part in sorted(rack.parts, key=lambda part: part.z):
        drawn = board_strokes(part, datum=part.key in marked)
        if part.key in marked:
            drawn += [
                Stroke("flaw", _on_board(path, part))
                for flaw in rack.row.brief.keepouts
                for path in _flaw(flaw, float(part.length if part.up else part.face_width))
            ]
        # What hangs through a part is seen above it and below it only.
        if part.marked == "top":
            before.append(Symbol(f"part.{part.key}", "part", tuple(drawn), ((0.0, 0.0),)))
        else:
            strokes += drawn
    strokes += [
        Stroke("spare", path)
        for kept in rack.kept
        for path in jar(*map(float, (kept.x, kept.y, kept.width, kept.height)))
    ]
    holders = tuple(_holders(rack))
    # What slides into an edge stands before it; what hangs, behind its holder.
    symbols = (*holders, *_hung(rack)) if rack.glyph.before else (*_hung(rack), *before, *holders)
    dimensions = tuple(dimension_lines(rack, tape, extent))
    labels = (Label(wall.x0 + 10, REACH + 30, tr("drawing.in-easy-reach"), "reach", "start"),)
    return Scene(tuple(strokes), symbols, dimensions, extent, wall, labels)


def jar(x: float, y: float, wide: float, tall: float) -> tuple[Path, Path]:
    """A jar with its lid, from the front or from the side."""
    lid = tall * LID
    return (
        rectangle(x, y, wide, tall - lid, wide / 8),
        rectangle(x + wide * 0.08, y + tall - lid, wide * 0.84, lid, lid / 4),
    )


def _holders(rack: Rack) -> Iterator[Symbol]:
    """The holders, a symbol for each way that they look."""
    leans = [rack.part(row.part).lean for row in rack.rows]
    for lean, (k, glyph) in product(dict.fromkeys(leans), enumerate(rack.glyphs)):
        alike = len(set(leans)) == len(rack.glyphs) == 1
        placed = (
            rack.holders
            if alike
            else [
                holder for holder in rack.holders if (leans[holder.row], holder.glyph) == (lean, k)
            ]
        )
        strokes = glyph.leaning(rack.bored[k], lean) if lean else glyph.front(rack.bored[k])
        key = ".".join(("holder", *([f"{lean:g}"] if lean else []), *([str(k + 1)] if k else [])))
        if placed:
            yield Symbol(
                key,
                "holder",
                strokes,
                tuple([(in_mm(one.x), in_mm(one.y)) for one in placed]),
                tuple([one.place for one in placed if not one.row]),
            )


def _extent(rack: Rack) -> Box:
    xs = [p.x for p in rack.parts] + [p.x + p.length for p in rack.parts]
    ys = [p.y for p in rack.parts] + [p.y + p.height for p in rack.parts]
    if rack.up:
        xs += [
            hung.x + side
            for hung in rack.hung
            for look in (rack.looks[hung.kind],)
            for side in (-look.left, look.right)
        ]
    else:
        for row in rack.rows:
            left, right = row.row.sides
            xs += [row.x - left, row.x + row.row.length + right]
    # Things of a kind hang at one height in a row: told apart by their row, hundreds are a few.
    levels = rack.hung if rack.up else {(hung.row, hung.kind): hung for hung in rack.hung}.values()
    for hung in levels:
        ys += [hung.y - rack.looks[hung.kind].below, hung.y + rack.looks[hung.kind].above]
    return Box(float(min(xs)), float(min(ys)), float(max(xs)), float(max(ys)))


def board_strokes(part: Part, *, datum: bool) -> list[Stroke]:
    """A board from the front, with its grain; the red corner is the end that everything is measured
    from.
    """
    x, y, length, height = float(part.x), float(part.y), float(part.length), float(part.height)
    strokes = [Stroke("board", rectangle(x, y, length, height))]
    # Each plank of a pieced board has a grain of its own; it runs up or along.
    edges = [x, *(x + float(seam) for seam in part.seams), x + length]
    for left, right in pairwise(edges):
        if part.upright:
            strokes += [
                Stroke("grain", swapped(path)) for path in _grain(y, left, height, right - left)
            ]
        else:
            strokes += [Stroke("grain", path) for path in _grain(left, y, right - left, height)]
    strokes += [
        Stroke("seam", line((x + float(seam), y), (x + float(seam), y + height)))
        for seam in part.seams
    ]
    size = min(float(part.face_width) * 0.22, 22)
    if datum:
        corner, inward = (y, size) if part.up else (y + height, -size)
        strokes.append(
            Stroke(
                "datum", (*line((x, corner), (x + size, corner), (x, corner + inward)), ("Z", ()))
            )
        )
    return strokes


def _grain(x: float, y: float, length: float, width: float) -> Iterator[Path]:
    """A few lines that run with the grain and bow around a knot, the same on every drawing."""
    for k, (share, bow) in enumerate(
        ((0.16, 0.05), (0.33, -0.08), (0.55, 0.06), (0.72, -0.05), (0.88, 0.03))
    ):
        at, swing = y + share * width, bow * width
        start, stop = x + length * (0.02 + 0.05 * (k % 3)), x + length * (0.97 - 0.06 * (k % 2))
        span = stop - start
        yield (
            ("M", (start, at)),
            (
                "C",
                (
                    start + span * 0.3,
                    at + swing,
                    start + span * 0.4,
                    at + swing,
                    start + span * 0.55,
                    at,
                ),
            ),
            (
                "C",
                (
                    start + span * 0.7,
                    at - swing,
                    start + span * 0.85,
                    at - swing,
                    stop,
                    at + swing / 3,
                ),
            ),
        )


def _hung(rack: Rack) -> Iterator[Symbol]:
    """What hangs, a symbol for each kind and the way it faces."""
    places: dict[tuple[str, bool, bool], list[tuple[float, float]]] = {}
    marks: dict[tuple[str, bool, bool], list[int]] = {}
    heights: dict[int, float] = {}  # all of a row hang at one: its number is made once
    row = rack.rows[0].row
    stands = [
        -1 if thing.takes == "bridge" else first
        for thing, first in zip(row.things, row.rule.first_holder, strict=True)
    ]
    for k, hung in enumerate(rack.hung):
        y = heights.get(id(hung.y))
        if y is None:
            y = heights[id(hung.y)] = in_mm(hung.y)
        alike = hung.kind, hung.turned, hung.spare
        places.setdefault(alike, []).append((in_mm(hung.x), y))
        if not hung.row:
            marks.setdefault(alike, []).append(stands[k])
    for (kind, about, spare), at in places.items():
        key = ".".join(("item", kind, *("turned",) * about, *("spare",) * spare))
        strokes = item_strokes(rack.looks[kind], about=about, spare=spare)
        yield Symbol(key, "item", strokes, tuple(at), tuple(marks.get((kind, about, spare), ())))


@lru_cache(maxsize=256)
def item_strokes(look: Look, *, about: bool = False, spare: bool = False) -> tuple[Stroke, ...]:
    """A thing about the point that it hangs at; turned end for end, or just its outline where a
    place is spare.
    """
    body, lines = look.body, look.lines
    if about:
        body, lines = tuple(map(mirrored, body)), tuple(map(mirrored, lines))
    if spare:
        return tuple(Stroke("spare", path) for path in body)
    return (*(Stroke("item", p) for p in body), *(Stroke("item-line", p) for p in lines))


def _on_board(path: Path, part: Part) -> Path:
    """From (along the board, across its face) to the wall."""
    return moved(swapped(path) if part.up else path, float(part.x), float(part.y))


def _flaw(keepout: KeepOut, wide: float) -> Iterator[Path]:
    """A keep-out on a board so wide, drawn as what it is: (along, across)."""
    at, width = float(keepout.at), float(keepout.width)
    middle = at + width / 2
    if keepout.flaw == "knot":
        tall = min(width * 1.3, wide * 0.8)
        for k in (1.0, 0.62, 0.25):
            yield rectangle(
                middle - width * k / 2, (wide - tall * k) / 2, width * k, tall * k, width * k / 2
            )
        return
    if keepout.flaw == "screw":
        r = min(width / 2, wide * 0.3)
        yield circle(middle, wide / 2, r)
        yield cross(middle, wide / 2, r * 0.7)
        return
    yield line((at, 0), (at, wide))
    yield line((at + width, 0), (at + width, wide))
    if keepout.flaw != "seam":
        for k in range(4):
            yield line((at, wide * k / 4), (at + width, wide * (k + 1) / 4))
