"""A rack on its wall: what the wall and the other racks leave open, and where cables may run. Wall
frame: x from its left corner.
"""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass

from yardcliff.core.rack import Rack
from yardcliff.core.shapes.geometry import Path, moved, rectangle
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.spans import cut
from yardcliff.core.wall.wall import LIVE, Obstacle, Wall, obstacle_name
from yardcliff.messages import tr

CABLE = Fraction(50)
"""A hole keeps so far, mm, from where a cable or a pipe may run: straight up, down and aside from
what it runs to.
"""
ASIDE = Fraction(600)
"""At the height of a switch or a socket cables run aside from it, mm: as far as this no hole is
made.
"""
OLD = Fraction(25)
"""A new hole keeps so far from an old one, mm, or it breaks into it."""
MOST_DRAWN = 40
"""Things of a neighbour that are drawn."""
ZERO = Fraction(0)


@dataclass(frozen=True, slots=True)
class Area:
    """A rectangle on a wall, mm: from its lower left corner to its upper right one."""

    x0: Fraction
    y0: Fraction
    x1: Fraction
    y1: Fraction

    def moved(self, x: Fraction) -> "Area":
        return Area(self.x0 + x, self.y0, self.x1 + x, self.y1)

    def meets(self, other: "Area") -> bool:
        return (
            self.x0 < other.x1 and other.x0 < self.x1 and self.y0 < other.y1 and other.y0 < self.y1
        )

    def beside(self, other: "Area") -> bool:
        """Whether both reach one height."""
        return self.y0 < other.y1 and other.y0 < self.y1


@dataclass(frozen=True, slots=True)
class Neighbour:
    """Another rack on the wall: its name, what it takes up there, and how high it hangs; its
    outlines, for the drawing.
    """

    name: str
    areas: tuple[Area, ...]
    hung: Fraction
    drawn: tuple[Path, ...] = ()


@dataclass(frozen=True, slots=True)
class Site:
    """A surveyed wall by its name, and the other racks on it; the `state` of these is another once
    any of them changes.
    """

    name: str
    wall: Wall
    neighbours: tuple[Neighbour, ...] = ()
    state: str = ""


def areas(rack: Rack) -> tuple[Area, ...]:
    """What a rack takes up, from its datum: each board, and what hangs on each row."""
    found = [
        Area(part.x, part.y, part.x + part.length, part.y + part.height) for part in rack.parts
    ]
    for k in dict.fromkeys(hung.row for hung in rack.hung):
        of = [(hung, rack.looks[hung.kind]) for hung in rack.hung if hung.row == k]
        kinds = {(hung.kind, hung.y): look for hung, look in of}
        low = min(y - look.below for (_, y), look in kinds.items())
        high = max(y + look.above for (_, y), look in kinds.items())
        turned = [
            (
                hung.x - (look.right if hung.turned else look.left),
                hung.x + (look.left if hung.turned else look.right),
            )
            for hung, look in of
        ]
        found.append(Area(min(a for a, _ in turned), low, max(b for _, b in turned), high))
    return tuple(found)


def neighbour(name: str, rack: Rack, x: Fraction) -> Neighbour:
    """A rack as the others on its wall see it, at the place x."""
    at = float(x)
    boards = [
        rectangle(*map(float, (part.x + x, part.y, part.length, part.height)))
        for part in rack.parts
    ]
    things = [
        moved(path, at + float(hung.x), float(hung.y))
        for hung in rack.hung[:MOST_DRAWN]
        for path in rack.looks[hung.kind].body
    ]
    return Neighbour(
        name, tuple(one.moved(x) for one in areas(rack)), rack.rows[0].y, (*boards, *things)
    )


def around(found: Iterable[Area]) -> Area:
    """The one area around all."""
    them = list(found)
    return Area(
        min(a.x0 for a in them),
        min(a.y0 for a in them),
        max(a.x1 for a in them),
        max(a.y1 for a in them),
    )


def wider(one: Area, by: Fraction) -> Area:
    """The area and so much to each side."""
    return Area(one.x0 - by, one.y0, one.x1 + by, one.y1)


def area(obstacle: Obstacle) -> Area:
    return Area(obstacle.x, obstacle.y, obstacle.x + obstacle.width, obstacle.y + obstacle.height)


def taken(site: Site) -> list[tuple[str, Area]]:
    """Everything on a wall that a rack has to keep off, by its name: obstacles, then racks."""
    return [
        *(
            (
                tr("wall.the", kind=obstacle_name(obstacle.kind))
                if obstacle.kind != "other"
                else tr("wall.what-is-there"),
                area(obstacle),
            )
            for obstacle in site.wall.obstacles
        ),
        *((f"“{one.name}”", each) for one in site.neighbours for each in one.areas),
    ]


def open_places(
    site: Site, own: Sequence[Area], among: Iterable[Area], hand: Fraction = ZERO
) -> list[tuple[Fraction, Fraction]]:
    """From where to where the datum may be so that all of it is on the wall and meets nothing, in
    order; with room for a `hand` to either side, mm.
    """
    box = around(own)
    first, last = hand - box.x0, site.wall.width - box.x1 - hand
    if last < first:
        return []
    shut = [
        (there.x0 - here.x1 - hand, there.x1 - here.x0 + hand)
        for there in among
        for here in own
        if here.beside(there)
    ]
    return list(cut([(first, last)], shut))


def free_places(
    site: Site, own: Sequence[Area], hand: Fraction, more: Sequence[Area] = ()
) -> list[tuple[Fraction, Fraction]]:
    """Where a rack may be, clear of all on the wall and of `more`: with a hand's room if it is to
    be had anywhere.
    """
    among = [*(one for _, one in taken(site)), *more]
    return open_places(site, own, among, hand) or open_places(site, own, among)


def stretch(site: Site, own: Sequence[Area], x: Fraction) -> tuple[Fraction, Fraction]:
    """The free stretch of wall at a rack's heights that its middle is in: from, to; where it is in
    none, the widest.
    """
    box = around(own)
    middle = x + (box.x0 + box.x1) / 2
    edges = [(one.x0, one.x1) for _, one in taken(site) if any(here.beside(one) for here in own)]
    free = cut([(ZERO, site.wall.width)], edges)
    here = next((one for one in free if one[0] <= middle <= one[1]), None)
    return here or max(free, key=lambda one: one[1] - one[0], default=(ZERO, site.wall.width))


def no_hole(wall: Wall, y: Fraction) -> Iterator[tuple[Fraction, Fraction]]:
    """Where along a height no hole may be: near cables, pipes and old holes, and before what is on
    the wall.
    """
    for obstacle in wall.obstacles:
        reach = CABLE if obstacle.kind in LIVE else ZERO
        level = obstacle.y - reach < y < obstacle.y + obstacle.height + reach
        if level:
            aside = ASIDE if obstacle.kind in ("switch", "socket") else reach
            yield obstacle.x - aside, obstacle.x + obstacle.width + aside
        elif obstacle.kind in ("switch", "socket"):
            yield obstacle.x - reach, obstacle.x + obstacle.width + reach
    for hole in wall.old:
        if abs(hole.y - y) < OLD:
            yield hole.x - OLD, hole.x + OLD
