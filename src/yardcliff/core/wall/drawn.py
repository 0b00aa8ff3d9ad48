"""The wall and what holds the rack, as strokes: the front gets the whole wall, the section its
make-up, screws and forces.
"""

from collections.abc import Iterator, Sequence
from dataclasses import replace
from functools import lru_cache
from itertools import pairwise
from math import pi
from typing import Literal

from yardcliff.core.drawing.front_view import PERSON, PERSON_HALF
from yardcliff.core.rack import Rack
from yardcliff.core.shapes.geometry import circle, cross, in_mm, line, moved, rectangle, turned
from yardcliff.core.shapes.scene import SURROUNDINGS, Box, Dimension, Label, Scene, Stroke, Symbol
from yardcliff.core.things.look import silhouette
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.spans import cut
from yardcliff.core.units.trade import Trade
from yardcliff.core.wall.check import LIFT
from yardcliff.core.wall.fixed import Fixed
from yardcliff.core.wall.hanging import OnWall
from yardcliff.core.wall.position import reach
from yardcliff.core.wall.room_check import swing_side
from yardcliff.core.wall.strips import strip_size
from yardcliff.core.wall.survey import Area, around, taken, wider
from yardcliff.core.wall.wall import Obstacle, Wall
from yardcliff.messages import tr

ZERO = Fraction(0)
ASIDE = Fraction(160)
"""From a rack to the figure that stands for size, mm: its measures go between."""
WORDS = Fraction(480)
"""What the words at the line of reach take, mm."""
CHILD = 0.71
"""A child of about seven, as a share of a grown person."""
WORTH = Fraction(180)
"""From how much on a measure up a wall is worth its line, mm."""
AIR = 120.0
"""Around a wall, mm."""
RING = 9.0
"""Around a screw in the wall, mm."""


def standing_on(front: Scene, on: OnWall, trade: Trade) -> Scene:
    """The front with its whole wall: studs, obstacles, other racks; and the screws,
    seen through.
    """
    if on.site is None:
        return front
    wall, x = on.site.wall, float(on.spot.x)
    width, height = float(wall.width), float(wall.height)
    # The wall is one thing that is put in its place: while the rack is dragged, only that changes.
    others = tuple(
        Stroke("neighbour", path) for neighbour in on.site.neighbours for path in neighbour.drawn
    )
    behind = Symbol("wall", "wall", (*wall_strokes(wall), *others), ((in_mm(-on.spot.x), 0.0),))
    at = reach(on.spot, trade)
    high = float(at)
    size = CHILD if on.spot.who == "child" else 1.0
    person, _ = silhouette("person", PERSON_HALF * size, PERSON_HALF * size, PERSON * size, 0)
    stands = float(_free_spot(on)) - x
    strokes = [
        *(Stroke("person", moved(path, stands, 0)) for path in person),
        Stroke("reach", line((-x, high), (width - x, high))),
        *_limits(on, high),
        *(stroke for stroke in front.strokes if stroke.role not in SURROUNDINGS),
        *(stroke for fixing in on.fixed for stroke in _strip(fixing)),
    ]
    places = tuple(
        (in_mm(screw.x), in_mm(screw.y)) for fixing in on.fixed for screw in fixing.screws
    )
    screws = Symbol(
        "fixing",
        "part",
        (Stroke("fixing", (*circle(0, 0, RING), *cross(0, 0, RING * 1.7))),),
        places,
    )
    left, right = (
        min(-x, front.extent.x0),
        max(width - x, front.extent.x1),
    )  # it may reach past the wall's ends
    box = Box(left - AIR, -AIR, right + AIR, max(height, front.extent.y1) + AIR)
    labels = (
        *_reach_label(on, at),
        *(
            Label(float(at) - x, height + 22, str(k), "stud")
            for k, at in enumerate(wall.stud_middles, 1)
        ),
    )
    return replace(
        front,
        strokes=tuple(strokes),
        symbols=(behind, *front.symbols, screws),
        wall=box,
        labels=labels,
    )


def _limits(on: OnWall, high: float) -> Iterator[Stroke]:
    """The limits that bite: a height that is passed, or the wall that an open door comes to lie
    against.
    """
    assert on.site
    wall, x = on.site.wall, float(on.spot.x)
    bitten = {finding.code for finding in on.findings}
    heights = {
        "wall.reach": high,
        "wall.ceiling": float(wall.height - LIFT),
        "wall.skirting": float(wall.skirting),
    }
    for code, y in heights.items():
        if code in bitten:
            yield Stroke("limit", line((-x, y), (float(wall.width) - x, y)))
    for obstacle in wall.obstacles if "wall.swing" in bitten else ():
        if swept := swing_side(obstacle):
            at, size = (
                (float(swept.x0) - x, float(swept.y0)),
                (float(swept.x1 - swept.x0), float(swept.y1 - swept.y0)),
            )
            yield Stroke("limit", rectangle(*at, *size))


def _free_spot(on: OnWall) -> Fraction:
    """Where before the wall a person stands in nobody's way, as far to the right as can be; beside
    the wall where nothing is free.
    """
    assert on.site
    half, wide = Fraction(int(PERSON_HALF)), on.site.wall.width
    # Over a small thing one can see: a switch, a socket.
    full = [
        area
        for _, area in taken(on.site)
        if area.y0 < Fraction(int(PERSON)) and area.x1 - area.x0 > 150
    ]
    full += [wider(area.moved(on.spot.x), ASIDE) for area in on.areas]
    free = cut(
        [(half, wide - half)] if wide > 2 * half else [],
        [(area.x0 - half, area.x1 + half) for area in full],
    )
    return max((end for _, end in free), default=-half - 60)


def _reach_label(on: OnWall, high: Fraction) -> Iterator[Label]:
    """What the line is, at the end of it where nothing else is."""
    assert on.site
    wide, x = on.site.wall.width, on.spot.x
    full = [area for _, area in taken(on.site)] + [area.moved(x) for area in on.areas]

    def free(start: Fraction) -> bool:
        return not any(area.meets(Area(start, high, start + WORDS, high + 90)) for area in full)

    y, said = float(high) + 25, tr("wall.in-easy-reach")
    if free(wide - WORDS):
        yield Label(float(wide - x) - 20, y, said, "reach", "end")
    elif free(ZERO):
        yield Label(20 - float(x), y, said, "reach", "start")


def place_dimensions(rack: Rack, on: OnWall, tape: Tape) -> Iterator[Dimension]:
    """Where a rack is on its wall, in its own frame: from corner to corner, and from the floor up
    to the ceiling.
    """
    assert on.site
    wall, x = on.site.wall, on.spot.x
    left, right = (
        min(part.x for part in rack.parts),
        max(part.x + part.length for part in rack.parts),
    )
    box = around(on.areas)
    corner, end = -x, wall.width - x

    def across(a: Fraction, b: Fraction) -> Dimension:
        return Dimension("x", float(a), float(b), 0, -1, 1, tape.write(b - a), "")

    def upright(a: Fraction, b: Fraction, at: float, side: Literal[-1, 1], level: int) -> Dimension:
        return Dimension("y", float(a), float(b), at, side, level, tape.write(b - a), "")

    if left > corner:
        yield across(corner, left)
    yield across(left, right)
    if end > right:
        yield across(right, end)
    hung = rack.rows[0].y
    yield upright(ZERO, hung, float(box.x1), 1, 1)
    if box.y0 > WORTH:
        yield upright(ZERO, box.y0, float(box.x0), -1, 1)
    if wall.height - box.y1 > WORTH:
        yield upright(box.y1, wall.height, float(box.x0), -1, 1)


def wall_dimensions(wall: Wall, tape: Tape) -> Iterator[Dimension]:
    """A wall's own: how wide and high it is, and its studs from the left corner."""
    yield Dimension("x", 0, float(wall.width), float(wall.height), 1, 1, tape.write(wall.width), "")
    yield Dimension(
        "y", 0, float(wall.height), float(wall.width), 1, 1, tape.write(wall.height), ""
    )
    for a, b in pairwise((ZERO, *wall.stud_middles[:2])):
        yield Dimension("x", float(a), float(b), 0, -1, 1, tape.write(b - a), "")


@lru_cache(maxsize=32)
def wall_strokes(wall: Wall) -> tuple[Stroke, ...]:
    """A wall from the front, from its left corner: what it is made of, what is on it, where it
    ends.
    """
    return tuple(_wall(wall))


def _wall(wall: Wall) -> Iterator[Stroke]:
    width, height, half = float(wall.width), float(wall.height), float(wall.studs.wide) / 2
    for stud in wall.stud_middles:
        for edge in (float(stud) - half, float(stud) + half):
            yield Stroke("stud", line((edge, 0), (edge, height)))
    if wall.skirting:
        yield from _skirting(wall)
    for obstacle in wall.obstacles:
        yield from _obstacle(obstacle)
    for old in wall.old:
        at = float(old.x), float(old.y)
        yield Stroke("old", circle(*at, 7))
        yield Stroke("old", moved(turned(cross(0, 0, 16), pi / 4), *at))
    yield Stroke("wall-line", (*line((0, 0), (0, height), (width, height), (width, 0)), ("Z", ())))


def _skirting(wall: Wall) -> Iterator[Stroke]:
    """The skirting board, broken off at doors."""
    at, high = 0.0, float(wall.skirting)
    doors = sorted(
        (float(obstacle.x), float(obstacle.x + obstacle.width))
        for obstacle in wall.obstacles
        if obstacle.y < wall.skirting
    )
    for low, end in (*doors, (float(wall.width), 0.0)):
        if low > at:
            yield Stroke("skirting", rectangle(at, 0, low - at, high))
        at = max(at, end)


def _obstacle(obstacle: Obstacle) -> Iterator[Stroke]:
    x, y, wide, tall = (float(n) for n in (obstacle.x, obstacle.y, obstacle.width, obstacle.height))
    yield Stroke(
        "obstacle", rectangle(x, y, wide, tall, 6 if obstacle.kind in ("switch", "socket") else 0)
    )
    if obstacle.kind in ("door", "hatch", "window"):
        rim = min(wide, tall) * 0.07
        yield Stroke(
            "obstacle",
            rectangle(
                x + rim,
                y + (rim if obstacle.kind != "door" else 0),
                wide - 2 * rim,
                tall - (2 if obstacle.kind != "door" else 1) * rim,
            ),
        )
    if obstacle.kind == "window":
        yield Stroke("obstacle", line((x + wide / 2, y), (x + wide / 2, y + tall)))
    if obstacle.kind == "switch":
        yield Stroke("obstacle", rectangle(x + wide * 0.3, y + tall * 0.25, wide * 0.4, tall * 0.5))
    if obstacle.kind == "socket":
        for side in (0.36, 0.64):
            yield Stroke("obstacle", circle(x + wide * side, y + tall / 2, min(wide, tall) * 0.06))
    if obstacle.kind == "radiator":
        ribs = max(2, round(wide / 90))
        yield from (
            Stroke(
                "obstacle",
                line((x + wide * k / ribs, y + 20), (x + wide * k / ribs, y + tall - 20)),
            )
            for k in range(1, ribs)
        )
    if obstacle.hinge != "none":  # its leaf, as doors are drawn: the lines meet at the hinges
        hinges, lock = (x, x + wide) if obstacle.hinge == "left" else (x + wide, x)
        yield Stroke("swing", line((lock, y + tall), (hinges, y + tall / 2), (lock, y)))


def _strip(fixing: Fixed) -> Iterator[Stroke]:
    """What is on the wall behind the rack."""
    if not fixing.strip:
        return
    wide, (start, end) = float(strip_size(fixing.by, fixing.sizes)[1]), fixing.strip
    for y in dict.fromkeys(screw.y for screw in fixing.screws):
        yield Stroke(
            "holder-line", rectangle(float(start), float(y) - wide / 2, float(end - start), wide)
        )


def wall_scene(wall: Wall, racks: Sequence[tuple[Fraction, Scene]], tape: Tape) -> Scene:
    """A whole wall with the racks on it, each at its place, from the wall's left corner."""
    strokes = [*wall_strokes(wall)]
    symbols: list[Symbol] = []
    for k, (at, front) in enumerate(racks):
        x = float(at)
        strokes += [
            Stroke(s.role, moved(s.path, x, 0)) for s in front.strokes if s.role not in SURROUNDINGS
        ]
        symbols += [
            replace(
                symbol,
                key=f"{k}.{symbol.key}",
                places=tuple((px + x, y) for px, y in symbol.places),
            )
            for symbol in front.symbols
            if symbol.of != "wall" and symbol.key != "fixing"
        ]
    width, height = float(wall.width), float(wall.height)
    strokes.append(Stroke("floor", line((-AIR, 0), (width + AIR, 0))))
    box = Box(0, 0, width, height)
    dimensions = tuple(wall_dimensions(wall, tape))
    return Scene(
        tuple(strokes),
        tuple(symbols),
        dimensions,
        box,
        Box(-AIR, -AIR / 2, width + AIR, height + AIR),
    )
