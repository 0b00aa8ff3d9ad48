"""What bears on a rack's screws, drawn: each with the arrows of its forces."""

from collections.abc import Iterator

from yardcliff.core.drawing.section_view import Held
from yardcliff.core.rack import Rack
from yardcliff.core.shapes.geometry import Path, line, rectangle
from yardcliff.core.shapes.scene import Label, Stroke
from yardcliff.core.units.length import Tape
from yardcliff.core.units.trade import Trade
from yardcliff.core.units.weights import load_text
from yardcliff.core.wall.check import LIFT
from yardcliff.core.wall.fixed import Fixed
from yardcliff.core.wall.hanging import OnWall
from yardcliff.core.wall.strips import strip_size
from yardcliff.messages import tr

ARROW = 4.5
"""Half as wide as an arrow's head, mm."""


LONGEST, SHORTEST = 110.0, 22.0
"""Of arrows, mm: a third of a millimetre a newton between."""


AWAY = 60.0
"""How far past its holder a thing is drawn to come off, mm."""


SLAB = 70.0
"""How deep a stud or masonry is drawn behind the face, mm."""


def held(rack: Rack, on: OnWall, tape: Tape) -> Held:
    """From the side, in (off the rack's back, up): what is on the wall, lining, what is behind it,
    screws, forces.
    """
    if on.site is None or not on.worst:
        return Held()
    wall, one = on.site.wall, on.worst
    low = min(float(part.y) for part in rack.parts) - 60
    high = max(float(part.y + part.height) for part in rack.parts) + 60
    off = float(one.wood) if one.strip else 0.0
    deep = float(wall.lining) if wall.makeup != "masonry" else 0.0
    strokes = [Stroke("lining", rectangle(-off - deep - SLAB, low, SLAB, high - low))]
    if deep:
        strokes.append(Stroke("lining", rectangle(-off - deep, low, deep, high - low)))
    for fixing in on.fixed:
        for y in dict.fromkeys(float(screw.y) for screw in fixing.screws):
            if fixing.strip:
                wide = float(strip_size(fixing.by, fixing.sizes)[1])
                strokes.append(Stroke("board", rectangle(-off, y - wide / 2, off, wide)))
            strokes.append(
                Stroke("fixing", _screw(fixing, y, 0.0 if fixing.strip else float(fixing.wood)))
            )
    forces = list(_forces(rack, one, off, tape.trade))
    return Held(
        (*strokes, *(stroke for stroke, _ in forces)), tuple(label for _, label in forces), off
    )


def _screw(fixing: Fixed, y: float, head: float) -> Path:
    """A screw from its head to its point."""
    point, r = head - float(fixing.length), float(fixing.anchor.diameter) / 2
    upper = ((head, y + 2 * r), (head - 2 * r, y + r), (point + 2 * r, y + r), (point, y))
    return (*line(*upper, *((x, 2 * y - up) for x, up in reversed(upper[:-1]))), ("Z", ()))


def _forces(rack: Rack, fixing: Fixed, off: float, trade: Trade) -> Iterator[tuple[Stroke, Label]]:
    """The weight where it acts, what it draws out at the top screws, and what presses
    at the foot.
    """
    if not fixing.screws:
        return
    body = sum(load.weight for load in fixing.on)
    lever = sum(load.weight * load.lever for load in fixing.on) / body - off if body else 0.0
    worst = max(fixing.pulls, key=lambda pull: pull.share)
    top, foot = float(max(screw.y for screw in fixing.screws)), float(fixing.body.low)
    middle, front = float(rack.rows[0].y), float(fixing.body.grounds[0].depth) + 6
    down, out = _size(body), _size(worst.pull)
    yield _on_and_off(rack, lever, middle)
    yield (
        Stroke("force", _arrow(lever, middle, 0, -down)),
        Label(lever + 10, middle - down, load_text(body, trade), "force", "start"),
    )
    yield (
        Stroke("force", _arrow(front, top, out, 0)),
        Label(front + out + 8, top - 4, load_text(worst.pull, trade), "force", "start"),
    )
    yield (
        Stroke("force", _arrow(-off - out, foot, out, 0)),
        Label(-off - out - 8, foot - 4, tr("wall.presses"), "force", "end"),
    )


def _on_and_off(rack: Rack, lever: float, y: float) -> tuple[Stroke, Label]:
    """The way that a thing takes to come off: up over the holder's tip, and out."""
    over = max(float(max(LIFT / 2, rack.glyph.tip)), 20.0) * 1.4
    out = lever + float(rack.glyph.out) + AWAY
    path = (
        *line((lever, y)),
        ("C", (lever, y + over, lever, y + over, lever + AWAY * 0.4, y + over)),
        ("L", (out, y + over)),
    )
    head = line((out - 9, y + over + 5), (out, y + over), (out - 9, y + over - 5))
    return Stroke("swing", (*path, *head)), Label(
        out + 6, y + over - 4, tr("wall.on-and-off"), "swing", "start"
    )


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
        *line(
            tip,
            (back[0] - ARROW * uy, back[1] + ARROW * ux),
            (back[0] + ARROW * uy, back[1] - ARROW * ux),
        ),
        ("Z", ()),
    )
