"""Findings of the room before a rack: doors that open against it, and the way past it."""

from collections.abc import Iterator, Sequence
from math import atan2, degrees, radians, tan

from yardcliff.core.brief.mounting import Spot
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.rack import Rack
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, exact_text
from yardcliff.core.wall.survey import Area, Site, area, free_places, wider
from yardcliff.core.wall.wall import Obstacle, obstacle_name
from yardcliff.messages import tr

OPENS = 110
"""How far a door has to open, degrees: a right angle, and a bit for the hand at its edge."""


def leave() -> Fix:
    """The rack is put on no wall."""
    return Fix(tr("wall.not-on-this-wall"), {"place": {"wall": None}})


ZERO = Fraction(0)


def depths(rack: Rack) -> list[Fraction]:
    """How far each of a rack's areas stands off the wall, mm: its boards, and what hangs on each
    row.
    """
    found = [part.z + part.depth for part in rack.parts]
    for row in dict.fromkeys(hung.row for hung in rack.hung):
        part = rack.part(rack.rows[row].part)
        kinds = dict.fromkeys(hung.kind for hung in rack.hung if hung.row == row)
        # What hangs has its middle under its holder; what lies or stands begins at the face.
        found.append(
            part.z
            + part.depth
            + max(
                (
                    rack.kinds[kind].front
                    if rack.looks[kind].beside
                    else rack.kinds[kind].front / 2 + rack.glyph_of(row).rests
                )
                for kind in kinds
            )
        )
    return found


def place_fix(x: Fraction, tape: Tape) -> Fix:
    """The rack moved to `x` on its wall."""
    return Fix(tr("fix.move-to", x=tape.write(x)), {"place": {"x": exact_text(x)}})


def nearest(
    places: Sequence[tuple[Fraction, Fraction]], x: Fraction, tape: Tape
) -> tuple[Fix, ...]:
    """The move to the nearest of these places, if there is one."""
    found = [_on_step(low, high, x, tape) for low, high in places]
    return (place_fix(min(found, key=lambda at: abs(at - x)), tape),) if found else ()


def _on_step(low: Fraction, high: Fraction, x: Fraction, tape: Tape) -> Fraction:
    """The place nearest to x from low to high, on a step of the tape where one is there."""
    near = max(min(x, high), low)
    step = tape.step
    inside = [at for at in (near // step * step, -(-near // step) * step) if low <= at <= high]
    return min(inside, key=lambda at: abs(at - x), default=near)


def room(
    rack: Rack,
    site: Site,
    spot: Spot,
    own: Sequence[Area],
    box: Area,
    at: tuple[float, float],
    tape: Tape,
) -> Iterator[Finding]:
    """Doors that open against it, and the way past it."""
    deep = depths(rack)
    for obstacle in site.wall.obstacles:
        swings = swing_side(obstacle)
        here = [(each.moved(spot.x), out) for each, out in zip(own, deep, strict=True)]
        met = [(each, out) for each, out in here if swings and each.meets(swings)]
        if not swings or not met:
            continue
        opens = min(
            180 - degrees(atan2(float(out), float(_from_hinges(obstacle, each))))
            for each, out in met
        )
        if opens >= OPENS:
            continue
        clear = rounded(float(max(out for _, out in met)) / tan(radians(180 - OPENS))) + 1
        fixes = nearest(
            free_places(site, own, spot.hand, [wider(area(obstacle), clear)]), spot.x, tape
        )
        yield Finding(
            "wall.swing",
            obstacle_name(obstacle.kind).capitalize(),
            tr("wall.swing"),
            tr("quantity.opens-to"),
            f"{opens:.0f}°",
            f"{OPENS}°",
            at=at,
            fixes=(*fixes, leave()),
        )
        break
    out = max(deep)
    if site.wall.way is not None and site.wall.way - out < spot.way:
        left = max(site.wall.way - out, ZERO)
        floor = Fraction(left // 10 * 10)
        yield Finding(
            "wall.way",
            tr("part.way-past-it"),
            tr("wall.way"),
            tr("quantity.left-free"),
            tape.write(left),
            tape.write(spot.way),
            at=at,
            fixes=(
                (
                    Fix(
                        tr("fix.is-enough", least=tape.write(floor)),
                        {"place": {"way": exact_text(floor)}},
                    ),
                )
                if floor > 0
                else (leave(),)
            ),
        )


def _from_hinges(door: Obstacle, here: Area) -> Fraction:
    """How far beside a door's hinges something begins."""
    return max(here.x0 - door.x - door.width if door.hinge == "right" else door.x - here.x1, ZERO)


def swing_side(door: Obstacle) -> Area | None:
    """The wall beside the hinges that an open leaf comes to lie against; none where it
    has no leaf.
    """
    here = area(door)
    if door.hinge == "left":
        return Area(here.x0 - door.width, here.y0, here.x0, here.y1)
    return Area(here.x1, here.y0, here.x1 + door.width, here.y1) if door.hinge == "right" else None
