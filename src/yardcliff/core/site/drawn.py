"""The wall and what holds the rack, as strokes: the front gets the whole wall, the section its make-up, screws and forces."""

from collections.abc import Iterator, Sequence
from dataclasses import replace
from math import cos, pi, sin

from yardcliff.core.exact import Fraction
from yardcliff.core.geometry import Path, circle, cross, line, moved, rectangle, turned
from yardcliff.core.rack import Rack
from yardcliff.core.scene import Box, Role, Scene, Stroke, Symbol
from yardcliff.core.site.fixing import BATTEN, CLEAT, Fixed
from yardcliff.core.site.on_wall import OnWall
from yardcliff.core.site.position import reach
from yardcliff.core.site.wall import Obstacle, Wall

AIR = 120.0
"""Around a wall, mm."""
ARROW = 4.5
"""Half as wide as an arrow's head, mm."""
LONGEST, SHORTEST = 110.0, 22.0
"""Of arrows, mm: a third of a millimetre a newton between."""
RING = 9.0
"""Around a screw in the wall, mm."""
SURROUNDINGS: frozenset[Role] = frozenset(
    {"floor", "person", "reach", "wall-line", "stud", "skirting", "obstacle", "swing", "old", "neighbour"}
)
SLAB = 70.0
"""How deep a stud or masonry is drawn behind the face, mm."""


def standing_on(front: Scene, rack: Rack, on: OnWall) -> Scene:
    """The front with its whole wall: studs, obstacles, other racks; and the screws, seen through."""
    if on.site is None:
        return front
    wall, x = on.site.wall, float(on.spot.x)
    width, height = float(wall.width), float(wall.height)
    behind = [Stroke(stroke.role, moved(stroke.path, -x, 0)) for stroke in wall_strokes(wall)]
    behind += [Stroke("neighbour", moved(path, -x, 0)) for one in on.site.neighbours for path in one.drawn]
    own = [stroke for stroke in front.strokes if stroke.role not in ("floor", "reach")]
    high = float(reach(on.spot))
    lines = [Stroke("reach", line((-x, high), (width - x, high))), *(s for one in on.fixed for s in _seen(one))]
    person = [stroke for stroke in own if stroke.role == "person"]
    own = [stroke for stroke in own if stroke.role != "person"]
    box = Box(-x - AIR, -AIR / 2, width - x + AIR, max(height + AIR, front.extent.y1 + AIR))
    if front.extent.x0 - 720 < -x:  # the figure that stands for size keeps before the wall
        person = [Stroke("person", moved(stroke.path, max(0.0, -x - front.extent.x0 + 720), 0)) for stroke in person]
    return replace(front, strokes=(*person, *behind, *own, *lines), wall=box)


def wall_strokes(wall: Wall) -> Iterator[Stroke]:
    """A wall from the front, from its left corner: what it is made of, what is on it, where it ends."""
    width, height, half = float(wall.width), float(wall.height), float(wall.studs.wide) / 2
    for stud in wall.stud_middles:
        for edge in (float(stud) - half, float(stud) + half):
            yield Stroke("stud", line((edge, 0), (edge, height)))
    if wall.skirting:
        yield from _skirting(wall)
    for one in wall.obstacles:
        yield from _obstacle(one)
    for old in wall.old:
        at = float(old.x), float(old.y)
        yield Stroke("old", circle(*at, 7))
        yield Stroke("old", moved(turned(cross(0, 0, 16), pi / 4), *at))
    yield Stroke("wall-line", (*line((0, 0), (0, height), (width, height), (width, 0)), ("Z", ())))


def _skirting(wall: Wall) -> Iterator[Stroke]:
    """The skirting board, broken off at doors."""
    at, high = 0.0, float(wall.skirting)
    doors = sorted((float(one.x), float(one.x + one.width)) for one in wall.obstacles if one.y < wall.skirting)
    for low, end in (*doors, (float(wall.width), 0.0)):
        if low > at:
            yield Stroke("skirting", rectangle(at, 0, low - at, high))
        at = max(at, end)


def _obstacle(one: Obstacle) -> Iterator[Stroke]:
    x, y, wide, tall = (float(n) for n in (one.x, one.y, one.width, one.height))
    yield Stroke("obstacle", rectangle(x, y, wide, tall, 6 if one.kind in ("switch", "socket") else 0))
    if one.kind in ("door", "hatch", "window"):
        rim = min(wide, tall) * 0.07
        yield Stroke(
            "obstacle",
            rectangle(
                x + rim,
                y + (rim if one.kind != "door" else 0),
                wide - 2 * rim,
                tall - (2 if one.kind != "door" else 1) * rim,
            ),
        )
    if one.kind == "window":
        yield Stroke("obstacle", line((x + wide / 2, y), (x + wide / 2, y + tall)))
    if one.kind == "switch":
        yield Stroke("obstacle", rectangle(x + wide * 0.3, y + tall * 0.25, wide * 0.4, tall * 0.5))
    if one.kind == "socket":
        for side in (0.36, 0.64):
            yield Stroke("obstacle", circle(x + wide * side, y + tall / 2, min(wide, tall) * 0.06))
    if one.kind == "radiator":
        ribs = max(2, round(wide / 90))
        yield from (
            Stroke("obstacle", line((x + wide * k / ribs, y + 20), (x + wide * k / ribs, y + tall - 20)))
            for k in range(1, ribs)
        )
    if one.hinge != "none":  # the leaf, as a plan of its swing laid on the floor line
        pivot, away = (x, 1) if one.hinge == "left" else (x + wide, -1)
        arc = [(pivot + away * wide * cos(k * pi / 24), wide * 0.3 * sin(k * pi / 24)) for k in range(25)]
        yield Stroke("swing", line(*((px, y + py) for px, py in arc)))
        middle = y + tall / 2
        yield Stroke(
            "swing",
            line(
                (x + wide / 2 - away * wide * 0.35, y + tall - 40),
                (x + wide / 2 + away * wide * 0.43, middle),
                (x + wide / 2 - away * wide * 0.35, y + 40),
            ),
        )


def _seen(one: Fixed) -> Iterator[Stroke]:
    """Screws from the front, in a ring, and what is on the wall behind the rack."""
    if one.strip and one.screws:
        wide = float(BATTEN[1] if one.by == "batten" else CLEAT[1])
        for y in dict.fromkeys(screw.y for screw in one.screws):
            yield Stroke(
                "holder-line",
                rectangle(float(one.strip[0]), float(y) - wide / 2, float(one.strip[1] - one.strip[0]), wide),
            )
    for screw in one.screws:
        at = float(screw.x), float(screw.y)
        yield Stroke("fixing", (*circle(*at, RING), *cross(*at, RING * 1.7)))


def held(rack: Rack, on: OnWall) -> tuple[Stroke, ...]:
    """From the side, in (off the wall, up): lining, what is behind it, the screws, and the forces at work."""
    if on.site is None or not on.fixed:
        return ()
    wall, one = on.site.wall, on.fixed[0]
    low = min(float(part.y) for part in rack.parts) - 60
    high = max(float(part.y + part.height) for part in rack.parts) + 60
    deep = float(wall.lining) if wall.makeup != "masonry" else 0.0
    strokes = [Stroke("stud", rectangle(-deep - SLAB, low, SLAB, high - low))]
    if deep:
        strokes.append(Stroke("stud", rectangle(-deep, low, deep, high - low)))
    for each in on.fixed:
        for y in dict.fromkeys(screw.y for screw in each.screws):
            strokes.append(Stroke("fixing", _screw(each, float(y))))
    return (*strokes, *_forces(rack, one))


def _screw(one: Fixed, y: float) -> Path:
    """A screw from its head to its point."""
    head, point, r = float(one.wood), float(one.wood - one.length), float(one.anchor.diameter) / 2
    return (
        *line(
            (head, y + 2 * r),
            (head - 2 * r, y + r),
            (point + 2 * r, y + r),
            (point, y),
            (point + 2 * r, y - r),
            (head - 2 * r, y - r),
            (head, y - 2 * r),
        ),
        ("Z", ()),
    )


def _forces(rack: Rack, one: Fixed) -> Iterator[Stroke]:
    """The weight where it acts, what it draws out at the top screw, and what presses at the foot."""
    if not one.screws:
        return
    body = sum(load.weight for load in one.on)
    lever = sum(load.weight * load.lever for load in one.on) / body if body else 0.0
    worst = max(one.pulls, key=lambda pull: pull.share)
    top = float(max(screw.y for screw in one.screws))
    middle = float(rack.rows[0].y)
    yield Stroke("force", _arrow(lever, middle, 0, -_size(body)))
    yield Stroke("force", _arrow(float(one.wood) + 6, top, _size(worst.pull), 0))
    yield Stroke("force", _arrow(-_size(worst.pull), float(one.body.low), _size(worst.pull), 0))


def _size(newtons: float) -> float:
    return min(max(newtons / 3, SHORTEST), LONGEST)


def _arrow(x: float, y: float, dx: float, dy: float) -> Path:
    """A force from (x, y) on: its shaft and its head."""
    size = max(abs(dx), abs(dy))
    ux, uy = dx / size, dy / size
    tip = (x + dx, y + dy)
    back = (tip[0] - 2.4 * ARROW * ux, tip[1] - 2.4 * ARROW * uy)
    return (
        *line((x, y), back),
        *line(tip, (back[0] - ARROW * uy, back[1] + ARROW * ux), (back[0] + ARROW * uy, back[1] - ARROW * ux)),
        ("Z", ()),
    )


def wall_scene(wall: Wall, racks: Sequence[tuple[Fraction, Scene]]) -> Scene:
    """A whole wall with the racks on it, each at its place, from the wall's left corner."""
    strokes = list(wall_strokes(wall))
    symbols: list[Symbol] = []
    for k, (at, front) in enumerate(racks):
        x = float(at)
        strokes += [Stroke(s.role, moved(s.path, x, 0)) for s in front.strokes if s.role not in SURROUNDINGS]
        symbols += [
            replace(symbol, key=f"{k}.{symbol.key}", places=tuple((px + x, y) for px, y in symbol.places))
            for symbol in front.symbols
        ]
    width, height = float(wall.width), float(wall.height)
    strokes.append(Stroke("floor", line((-AIR, 0), (width + AIR, 0))))
    box = Box(0, 0, width, height)
    return Scene(tuple(strokes), tuple(symbols), (), box, Box(-AIR, -AIR / 2, width + AIR, height + AIR))
