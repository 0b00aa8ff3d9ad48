"""A rack from the side: cut at the first holder of each row, or along one that runs up, and seen
from the right.

The wall at z = 0, y up. Boards are hatched where they are cut, holes hidden; what hangs far down
runs out of the picture, and stretches of nothing but one thing are folded.
"""

from collections.abc import Callable, Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from math import cos, radians, sin
from typing import TypeVar

from yardcliff.core.drawing.front_view import jar
from yardcliff.core.drawing.solids import around, closed, face_at, hatch
from yardcliff.core.rack import ACROSS, UPRIGHT, Bore, Hung, Kind, Part, Placed, Rack
from yardcliff.core.shapes.geometry import Path, line, moved, rectangle, rounded
from yardcliff.core.shapes.scene import Box, Dimension, Label, Scene, Stroke
from yardcliff.core.things.look import beside, silhouette
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape

LEAST_BELOW, SHARE_BELOW = 60.0, 0.7
"""How much of what hangs is seen below the boards: mm, and as a share of what is above."""
CLEAR, LONGEST, FOLDED = 60.0, 200.0, 30.0
"""Around the boards everything is drawn to scale; longer stretches of nothing but one thing are
folded; mm.
"""
Folds = tuple[tuple[float, float], ...]
Turn = Callable[[float, float], tuple[float, float]]
Corners = Sequence[tuple[Fraction, Fraction]]
P = TypeVar("P", Hung, Placed)
ZERO = Fraction(0)


@dataclass(frozen=True, slots=True)
class Held:
    """How a rack is held, from the side: strokes and words, and how far off the wall its back is,
    mm.
    """

    strokes: tuple[Stroke, ...] = ()
    labels: tuple[Label, ...] = ()
    off: float = 0.0


NOTHING_HELD = Held()


def section(rack: Rack, tape: Tape, held: Held = NOTHING_HELD) -> Scene:
    """From the side, cut at the first holders: boards hatched, holes hidden, what hangs in place,
    and how it is `held`.
    """
    strokes: list[Stroke] = []
    things = [stroke for hung in _seen(rack, rack.hung) for stroke in _thing_beside(rack, hung)]
    slotted = (
        rack.glyph.before
    )  # what is in a slot is seen in it; else boards hide what hangs behind them
    strokes += [] if slotted else things
    here = rack.holders[0].x
    beyond = [part for part in rack.parts if not part.x <= here <= part.x + part.length]
    leaning = any(part.lean for part in rack.parts)
    # Seen from the right: what stands to the right of every cut is not there.
    last = max(row.at(row.row.axes[0])[0] for row in rack.rows)
    strokes[:0] = (
        [] if leaning else [Stroke("board", _beside(part)) for part in beyond if part.x <= last]
    )
    for part in rack.parts:
        if part not in beyond:
            strokes += _cut(part, float(here), _notched(rack, part))
    if leaning:  # what stands before the cut, and what the cut board hides
        strokes += [
            Stroke("holder-line", _beside(part))
            for part in rack.parts
            if part.lean or part in beyond
        ]
    for holder in _seen(rack, rack.holders):
        row = rack.rows[holder.row]
        part = rack.part(row.part)
        onto = _on_face(part, row.across, holder.y)
        strokes += [
            Stroke("holder-line", _turned(_bored(bore), onto))
            for bore in rack.bored[holder.glyph]
            if bore.purpose not in ACROSS | UPRIGHT
        ]
        outline = rack.outline.path if rack.outline and not holder.glyph else None
        strokes += [
            Stroke(stroke.role, _turned(stroke.path, onto))
            for stroke in rack.glyphs[holder.glyph].beside(rack.bored[holder.glyph], outline)
        ]
    strokes += things if slotted else []
    first_kept = {kept.y: kept for kept in reversed(rack.kept)}.values()
    strokes += [
        Stroke("spare", path)
        for kept in first_kept
        for path in jar(*map(float, (kept.z, kept.y, kept.depth, kept.height)))
    ]
    first = [hole for hole in rack.seats if (hole.row, hole.holder) == (0, 0)]
    for hole in first:
        onto = _on_face(rack.part(hole.part), hole.across)
        bore = Bore("pilot hole", Fraction(0), hole.bit, hole.depth, 0)
        strokes.append(Stroke("holder-line", _turned(_bored(bore), onto)))
    deep = max(around(strokes).x1, 0)
    strokes += held.strokes
    folds = _folds(rack, around(strokes).y1)
    if folds:
        strokes = [Stroke(stroke.role, _folded(stroke.path, folds)) for stroke in strokes]
    box = around(strokes)
    for gap in folds:
        at = _fold(sum(gap) / 2, folds)
        strokes += [
            Stroke("item-line", _break(box.x0, box.x1, y))
            for y in (at - FOLDED / 2, at + FOLDED / 2)
        ]
    # What hangs far down runs out of the picture, or the boards would be too small to read.
    low = _fold(min(float(part.y) for part in rack.parts), folds)
    shown = max(LEAST_BELOW, SHARE_BELOW * (box.y1 - low))
    extent = Box(min(box.x0, 0), max(box.y0, low - shown), box.x1, box.y1)
    wall = -held.off
    strokes.insert(0, Stroke("wall-line", line((wall, extent.y0 - 25), (wall, extent.y1 + 25))))
    labels = tuple(replace(label, y=_fold(label.y, folds)) for label in held.labels)
    return Scene(
        tuple(strokes),
        (),
        tuple(_measures(rack, tape, extent, folds, (wall, deep))),
        extent,
        extent,
        labels,
    )


def _seen(rack: Rack, placed: Iterable[P]) -> Iterator[P]:
    """Of holders or things, those that are seen from the side: the first of each row, or all of one
    that runs up.
    """
    if rack.up:
        yield from (one for one in placed if one.row == 0)
        return
    rows = set[int]()
    for one in placed:
        if one.row not in rows:
            rows.add(one.row)
            yield one


def _on_face(part: Part, across: Fraction, at: Fraction = ZERO) -> Turn:
    """From (out of the face, up the face) about an axis, `at` that height where it is on a front,
    to (z, y).
    """
    if part.marked == "front":
        z, share = face_at(part, across)
        y = float(at)
        return lambda out, up: (z + out * share, y + up)
    z, y = float(part.z + part.depth - across), float(part.y + part.height)
    return lambda out, up: (z - up, y + out)


def _turned(path: Path, onto: Turn) -> Path:
    return tuple(
        (c, tuple(n for pair in zip(ns[::2], ns[1::2], strict=True) for n in onto(*pair)))
        for c, ns in path
    )


def _beside(part: Part) -> Path:
    """A board's outline from the side."""
    if part.profile and part.seen == "from the side":
        return closed(part.profile)
    return rectangle(float(part.z), float(part.y), float(part.depth), float(part.height))


def _notched(rack: Rack, part: Part) -> Fraction:
    """How far its back is cut away, over all of its height."""
    deep = (
        operation.depth
        for operation in rack.machining
        if operation.kind is Kind.NOTCH and part.key in operation.parts
    )
    return next((depth for depth in deep if depth), ZERO)


def _cut(part: Part, x: float, notch: Fraction) -> Iterator[Stroke]:
    """A board that is cut at `x`, where its back has a notch of that depth: hatched."""
    back, low, high, front = (
        float(n) for n in (part.z, part.y, part.y + part.height, part.z + part.depth)
    )
    if notch:
        yield Stroke("holder-line", rectangle(back, low, float(notch), high - low))
        back += float(notch)
    if part.profile and part.seen == "from above":
        back, front = _chord(part.profile, x)
    corners = [(back, low), (front, low), (front, high), (back, high)]
    if part.profile and part.seen == "from the side":
        corners = [(float(z), float(y)) for z, y in part.profile]
    yield Stroke("board", closed(corners))
    yield from hatch(corners)


def _chord(profile: Corners, x: float) -> tuple[float, float]:
    """Where a line of that `x` goes into a convex outline and comes out again."""
    met = [
        float(z) + (x - float(a)) / float(b - a) * float(w - z)
        for (a, z), (b, w) in pairwise([*profile, profile[0]])
        if a != b and min(a, b) <= x <= max(a, b)
    ]
    return min(met), max(met)


def _bored(bore: Bore) -> Path:
    """A bore's outline from its mouth to its floor, in (out, up)."""
    t, r, up, deep = radians(bore.tilt), float(bore.bit) / 2, float(bore.up), float(bore.depth)
    along, over = (cos(t), sin(t)), (-sin(t) * r, cos(t) * r)
    mouth = r / cos(t)
    floor = (-deep * along[0], up - deep * along[1])
    corners = (
        (0.0, up + mouth),
        (floor[0] + over[0], floor[1] + over[1]),
        (floor[0] - over[0], floor[1] - over[1]),
        (0.0, up - mouth),
    )
    return line(*corners)


def _thing_beside(rack: Rack, hung: Hung) -> Iterator[Stroke]:
    """A thing, as deep as it stands out: few things look so much different from the side."""
    row, look = rack.rows[hung.row], rack.looks[hung.kind]
    if look.beside:
        part = rack.part(row.part)
        z, y = float(part.z + part.depth), float(hung.y)
        yield from (Stroke(role, moved(path, z, y)) for role, path in look.beside)
        return
    item, part = rack.kinds[hung.kind], rack.part(row.part)
    deep, (z, share) = float(item.front), face_at(part, row.across)
    if part.marked == "top":
        z, back = z - float(row.across), deep / 2
    elif rack.glyph.within:
        glyph = next(
            rack.glyphs[holder.glyph]
            for holder in rack.holders
            if (holder.row, holder.x) == (hung.row, hung.x)
        )
        z, back = z + float(glyph.out) / 2, deep / 2
    else:  # it hangs from the crook or the middle of a peg, no further back than the board
        back = min(float(rack.glyph_of(hung.row).rests) * share, deep * 0.85)
        z += back
    body, lines = silhouette(
        beside(item.shape), back, deep - back, float(item.above), float(item.below)
    )
    yield from (Stroke("item", moved(path, z, float(hung.y))) for path in body)
    yield from (Stroke("item-line", moved(path, z, float(hung.y))) for path in lines)


def _folds(rack: Rack, top: float) -> Folds:
    """The stretches of height where nothing but a long thing is: they are drawn short, between
    break lines.
    """
    found, reached = [], float("inf")
    for low, high in (
        *sorted((float(part.y), float(part.y + part.height)) for part in rack.parts),
        (top, top),
    ):
        if low - reached > LONGEST + 2 * CLEAR:
            found.append((reached + CLEAR, low - CLEAR))
        reached = high if reached == float("inf") else max(reached, high)
    return tuple(found)


def _fold(y: float, folds: Folds) -> float:
    """Where a height is drawn."""
    return y - sum(
        (min(y, high) - low) * (1 - FOLDED / (high - low)) for low, high in folds if y > low
    )


def _folded(path: Path, folds: Folds) -> Path:
    return tuple(
        (c, tuple(_fold(n, folds) if i % 2 else n for i, n in enumerate(ns))) for c, ns in path
    )


def _break(left: float, right: float, y: float) -> Path:
    """A line with a kink in its middle: the drawing is broken off here."""
    middle, over, kink = (left + right) / 2, 12.0, 5.0
    return line(
        (left - over, y),
        (middle - kink, y),
        (middle - kink / 2, y + kink),
        (middle + kink / 2, y - kink),
        (middle + kink, y),
        (right + over, y),
    )


def _measures(
    rack: Rack, tape: Tape, extent: Box, folds: Folds, over: tuple[float, float]
) -> Iterator[Dimension]:
    """From the wall outward: the wood left behind a blind hole, the marked part, and all of it with
    what hangs, `over` which.
    """
    part = rack.part(rack.rows[0].part)
    z, y = float(part.z), float(part.y)
    level = 1
    web = next(
        (
            step.web
            for step in rack.machining
            if step.web is not None
            and any(place[:2] == (part.key, part.face) for place in step.places)
        ),
        None,
    )
    if part.marked == "front" and not part.lean and web is not None and web > 0:
        yield Dimension("x", z, z + float(web), extent.y1, 1, level, tape.write_fine(web), "")
        level += 1
    deep = tape.write(part.depth) if part.lean else tape.write_fine(part.depth)
    yield Dimension("x", z, z + float(part.depth), extent.y1, 1, level, deep, "")
    yield Dimension("x", *over, extent.y1, 1, level + 1, tape.write(rounded(over[1] - over[0])), "")
    ends = _fold(y, folds), _fold(y + float(part.height), folds)
    yield Dimension("y", *ends, 0, -1, 1 + rack.up, tape.write_fine(part.height), "")
    if rack.up:
        axes = [rack.rows[0].y + axis for axis in rack.row.axes]
        for low, high in pairwise((part.y, *axes[:2])):
            yield Dimension("y", float(low), float(high), 0, -1, 1, tape.write(high - low), "")
    for hole in rack.seats[:1]:
        seat = rack.part(hole.part)
        at = seat.z + seat.depth - hole.across
        below = _fold(float(seat.y), folds)
        yield Dimension(
            "x", float(seat.z), float(at), below, -1, 1, tape.write_fine(at - seat.z), "seat.offset"
        )
        yield Dimension("x", 0, float(at), below, -1, 2, tape.write_fine(at), "seat.plumb")
