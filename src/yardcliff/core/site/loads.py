"""What pulls at each fixing and what it may bear: a rule of thumb for hand-sized things.

- Weight goes down the fixings of a body as down a group of rivets about their middle: V_i = W/n + W e (x_i - m) / Σ (x_j - m)²
  for a weight W that is e to the right of the middle m.
- What stands off the wall turns the body about its lower edge, and the top fixings hold that: T = Σ W a / h with the lever a off
  the wall and h from the lower edge up to them, shared as V is.
- Somebody pulls: the heaviest thing counts `TUG` times its weight, at the one end or the other, whichever is worse.
- Each fixing has to bear T/Ta + V/Va <= 1.
- Wood screws draw out at 108.25 G² D L, lag screws at 125.4 G^1.5 D^0.75 L (N, mm), of which a fifth is allowed; sideways they
  bear K D², K = 23.17 and 23.30 in light softwood, over 1.6 (Wood Handbook, FPL-GTR-282, chapter 8).
"""

from collections.abc import Sequence
from dataclasses import dataclass
from math import cos, radians

from yardcliff.core.rack import Hung, Rack
from yardcliff.core.site.grounds import Body
from yardcliff.core.strength import TUG, newtons
from yardcliff.data import values

WITHDRAWAL, LAG_WITHDRAWAL, SAFETY = 108.25, 125.4, 5
SIDEWAYS, LAG_SIDEWAYS, LASTING = 23.17, 23.30, 1.6


@dataclass(frozen=True, slots=True)
class Load:
    """A weight, N: where along the wall it hangs and how far off it, mm. `one` is a single thing that a hand may pull."""

    weight: float
    x: float
    lever: float
    one: bool = False


@dataclass(frozen=True, slots=True)
class Pull:
    """What one fixing bears, N: sideways down the wall and straight out of it; and how much of its rating that is."""

    shear: float
    pull: float
    share: float


def withdrawal(diameter: float, hold: float, *, lag: bool = False) -> float:
    """What a screw in a stud may be pulled with, N, for its diameter and its hold in mm."""
    gravity: float = values("species", "stud")["gravity"]
    if lag:
        return LAG_WITHDRAWAL * float(gravity**1.5) * float(diameter**0.75) * hold / SAFETY
    return WITHDRAWAL * gravity**2 * diameter * hold / SAFETY


def sideways(diameter: float, *, lag: bool = False) -> float:
    """What a screw in a stud may bear across itself, N."""
    return (LAG_SIDEWAYS if lag else SIDEWAYS) * diameter**2 / LASTING


def loads(rack: Rack, bodies: Sequence[Body]) -> tuple[tuple[Load, ...], ...]:
    """The loads on each body: what hangs on it, wet or full, its own wood, and what stands on that."""
    home = {part.key: k for k, body in enumerate(bodies) for part in body.parts}
    found: list[list[Load]] = [[] for _ in bodies]
    for k, body in enumerate(bodies):
        for part in body.parts:
            litres = float(part.length * part.height * part.depth) / 1e6
            weight = newtons(litres * float(values("species", part.wood)["density"]) + part.bears_g)
            found[k].append(Load(weight, float(part.x + part.length / 2), float(part.z + part.depth / 2)))
    seats = {(seat.row, seat.holder): seat for seat in rack.seats}
    shared = rack.up and len({hung.row for hung in rack.hung}) < len(rack.rows)
    for number, hung in enumerate(rack.hung):
        weight = newtons(rack.kinds[hung.kind].heaviest_g) * (not hung.spare)
        keys = [row.part for row in rack.rows] if shared else [rack.rows[hung.row].part]
        lever = _lever(rack, hung)
        if seats:  # what stands on its foot loads the board that the foot is in
            seat = seats.get((hung.row, number)) or rack.seats[0]
            part = rack.part(seat.part)
            keys, lever = [seat.part], float(part.z + part.depth - seat.across)
        for key in keys:
            if key in home:
                at = float(rack.part(key).x + rack.part(key).length / 2) if shared else float(hung.x)
                found[home[key]].append(Load(weight / len(keys), at, lever, one=True))
    return tuple(map(tuple, found))


def _lever(rack: Rack, hung: Hung) -> float:
    """How far off the wall a thing's weight acts: where it hangs, or its middle where it lies or stands."""
    row, look = rack.rows[hung.row], rack.looks[hung.kind]
    part = rack.part(row.part)
    if part.marked == "top":
        return float(part.z + part.depth - row.across)
    face = float(part.z + part.depth)
    if look.beside:
        return face + float(rack.kinds[hung.kind].front) / 2
    return face + float(rack.glyph.rests) * cos(radians(rack.bores[0].tilt))


def pulls(
    fixings: Sequence[tuple[float, float]], on: Sequence[Load], low: float, may_pull: float, may_shear: float
) -> list[Pull]:
    """What each fixing of a body bears, for fixings at (x, y) and the body's lower edge at the height `low`, mm."""
    if not fixings:
        return []
    xs = [x for x, _ in fixings]
    high = max(y for _, y in fixings)
    top = [k for k, (_, y) in enumerate(fixings) if y > high - 1]
    height = max(high - low, 1.0)
    still = _rivets(xs, on, [load.weight for load in on])
    turning = _rivets([xs[k] for k in top], on, [load.weight * load.lever / height for load in on])
    worst = [Pull(0, 0, 0)] * len(fixings)
    for tugged in _tugged(on):
        more = [(TUG - 1) * tugged.weight] if tugged else []
        at = [tugged] if tugged else []
        shear = [a + b for a, b in zip(still, _rivets(xs, at, more), strict=True)]
        out = dict(zip(top, turning, strict=True))
        if tugged:
            lever = [more[0] * tugged.lever / height]
            for k, extra in zip(top, _rivets([xs[k] for k in top], at, lever), strict=True):
                out[k] += extra
        for k, down in enumerate(shear):
            pull = max(out.get(k, 0.0), 0.0)
            share = pull / may_pull + abs(down) / may_shear
            if share > worst[k].share:
                worst[k] = Pull(abs(down), pull, share)
    return worst


def _tugged(on: Sequence[Load]) -> list[Load | None]:
    """Nothing, as pulling at one end may relieve the other; and the heaviest things furthest to the left and to the right."""
    ones = [load for load in on if load.one]
    heavy = max((load.weight for load in ones), default=0.0)
    most = [load for load in ones if load.weight == heavy]
    return [None, *(end(most, key=lambda load: load.x) for end in (min, max) if most)]


def _rivets(xs: Sequence[float], on: Sequence[Load], forces: Sequence[float]) -> list[float]:
    """Forces shared by fixings at `xs` as by a group of rivets."""
    total = sum(forces)
    middle = sum(xs) / len(xs)
    spread = sum((x - middle) ** 2 for x in xs)
    turn = sum(force * (load.x - middle) for force, load in zip(forces, on, strict=True))
    return [total / len(xs) + (turn * (x - middle) / spread if spread else 0.0) for x in xs]
