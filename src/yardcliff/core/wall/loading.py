"""What pulls at each fixing of a body: a rule of thumb for hand-sized things.

- Weight goes down the fixings of a body as down a group of rivets about their middle:
  V_i = W/n + W e (x_i - m) / Σ (x_j - m)² for a weight W that is e to the right of the middle m.
- What stands off the wall turns the body about the lowest edge that bears on it: its own, a
  spacer's, or a strip's; the top fixings hold that: T = Σ W a / h with the lever a off the wall
  and h from that edge up to them, shared as V is.
- Somebody pulls at one thing or at an empty holder, down or straight outward, wherever that is
  worst. Straight outward the body turns about the lower edge where that is above the top fixings,
  about the upper edge where it is below the lowest, and between both they share it.
- Each fixing has to bear T/Ta + V/Va <= 1.
"""

from collections.abc import Callable, Iterable, Iterator, Sequence
from dataclasses import dataclass
from math import inf

from yardcliff.core.rack import Hung, Rack
from yardcliff.core.strength.force import newtons
from yardcliff.core.wall.bodies import Body
from yardcliff.data import values

LEVEL = 1.0
"""Fixings that stand no further apart in height than this, mm, are of one line."""


@dataclass(frozen=True, slots=True)
class Load:
    """A weight, N: where along the wall it hangs, how far off it and how high, mm. A hand may pull
    at it `down` or straight `out`, N; a `thing` hangs there, or its place is empty; the rest is
    wood and what stands on it.
    """

    weight: float
    x: float
    lever: float
    y: float = 0.0
    down: float = 0.0
    out: float = 0.0
    thing: bool = False


@dataclass(frozen=True, slots=True)
class Bearing:
    """Where a body bears on the wall, mm up: the edge that it turns about as it tips forward, and
    the one as its foot is pulled out; infinitely high where it hangs with play.
    """

    low: float
    high: float


@dataclass(frozen=True, slots=True)
class Pull:
    """What one fixing bears, N: sideways down the wall and straight out of it; and how much of its
    rating that is.
    """

    shear: float
    pull: float
    share: float


def loads(
    rack: Rack, bodies: Sequence[Body], *, children: bool = False
) -> tuple[tuple[Load, ...], ...]:
    """The loads on each body: what hangs on it, wet or full, its own wood, and what
    stands on that.
    """
    home = {part.key: k for k, body in enumerate(bodies) for part in body.parts}
    found: list[list[Load]] = [[] for _ in bodies]
    for k, body in enumerate(bodies):
        for part in body.parts:
            litres = float(part.length * part.height * part.depth) / 1e6
            weight = newtons(litres * float(values("species", part.wood)["density"]) + part.bears_g)
            found[k].append(
                Load(
                    weight,
                    float(part.x + part.length / 2),
                    float(part.z + part.depth / 2),
                    float(part.y + part.height / 2),
                )
            )
    seats = {(seat.row, seat.holder): seat for seat in rack.seats}
    shared = rack.up and len({hung.row for hung in rack.hung}) < len(rack.rows)
    for number, hung in enumerate(rack.hung):
        pulled = rack.kinds[hung.kind].pulled(children=children)
        weight, force = pulled.weight * (not hung.spare), pulled.force
        keys = [row.part for row in rack.rows] if shared else [rack.rows[hung.row].part]
        lever = _lever(rack, hung)
        if (
            seats
        ):  # its foot loads the board that it stands in, and whoever pulls at it pulls at its clip
            clip = rack.rows[hung.row]
            seat = seats.get((hung.row, number)) or rack.seats[0]
            part = rack.part(seat.part)
            found[home[clip.part]].append(
                Load(0.0, float(hung.x), lever, float(clip.y), out=force, thing=True)
            )
            keys, lever, force = [seat.part], float(part.z + part.depth - seat.across), 0.0
        for key in keys:
            if key in home:
                at = (
                    float(rack.part(key).x + rack.part(key).length / 2) if shared else float(hung.x)
                )
                each = force / len(keys)
                found[home[key]].append(
                    Load(weight / len(keys), at, lever, float(hung.y), each, each, thing=True)
                )
    return tuple(map(tuple, found))


def _lever(rack: Rack, hung: Hung) -> float:
    """How far off the wall a thing's weight acts: where it hangs, or its middle where it lies or
    stands.
    """
    row, look = rack.rows[hung.row], rack.looks[hung.kind]
    part = rack.part(row.part)
    if part.marked == "top":
        return float(part.z + part.depth - row.across)
    face = float(part.z + part.depth)
    if look.beside:
        return face + float(rack.kinds[hung.kind].front) / 2
    return face + rack.rests_of(hung.row)


class Group:
    """Fixings in a row, which share what comes on them as rivets do."""

    def __init__(self, xs: Sequence[float]) -> None:
        self.middle = sum(xs) / len(xs)
        spread = sum((x - self.middle) ** 2 for x in xs)
        self.even = 1 / len(xs)
        self.turned = [(x - self.middle) / spread if spread else 0.0 for x in xs]

    def shared(self, forces: Iterable[tuple[float, float]]) -> list[float]:
        """What each bears of forces at their places along the wall, N: (force, x)."""
        total = turn = 0.0
        for force, x in forces:
            total += force
            turn += force * (x - self.middle)
        return [total * self.even + turn * each for each in self.turned]


def pulls(
    fixings: Sequence[tuple[float, float]],
    on: Sequence[Load],
    bears: Bearing,
    may_pull: float,
    may_shear: float,
) -> list[Pull]:
    """What each fixing of a body bears at worst, for fixings at (x, y)."""
    if not fixings:
        return []
    worst = [Pull(0, 0, 0)] * len(fixings)
    for shear, out in _cases(fixings, on, bears):
        for k, down in enumerate(shear):
            pull = max(out.get(k, 0.0), 0.0)
            share = _part(pull, may_pull) + _part(abs(down), may_shear)
            if share > worst[k].share:
                worst[k] = Pull(abs(down), pull, share)
    return worst


def _part(load: float, limit: float) -> float:
    return load / limit if limit > 0 else float("inf") if load > 0 else 0.0


def _cases(
    fixings: Sequence[tuple[float, float]], on: Sequence[Load], bears: Bearing
) -> Iterator[tuple[list[float], dict[int, float]]]:
    """Nobody pulls, as that may relieve an end; a thing is lifted off; a hand pulls down at one, or
    straight outward: what each fixing bears, down the wall and out of it.
    """
    high, low = max(y for _, y in fixings), min(y for _, y in fixings)
    top = [k for k, (_, y) in enumerate(fixings) if y > high - LEVEL]
    bottom = [k for k, (_, y) in enumerate(fixings) if y < low + LEVEL]
    every, upper, lower = (
        Group([fixings[k][0] for k in which]) for which in (range(len(fixings)), top, bottom)
    )
    height = max(high - bears.low, 1.0)

    def tipped(weights: Iterable[tuple[float, Load]]) -> list[float]:
        return upper.shared((weight * load.lever / height, load.x) for weight, load in weights)

    still, turning = (
        every.shared((load.weight, load.x) for load in on),
        tipped((load.weight, load) for load in on),
    )
    yield still, dict(zip(top, turning, strict=True))
    for load in _lifted(on):  # one thing is taken off, and what balanced the rest is gone
        shear = [a - b for a, b in zip(still, every.shared([(load.weight, load.x)]), strict=True)]
        out = [a - b for a, b in zip(turning, tipped([(load.weight, load)]), strict=True)]
        yield shear, dict(zip(top, out, strict=True))
    # What others relieve a fixing of is not counted on while a hand pulls.
    borne = [max(each, 0.0) for each in turning]
    for load in _pulled_at(on):
        more = max(load.down - load.weight, 0.0)
        if more:
            shear = [a + b for a, b in zip(still, every.shared([(more, load.x)]), strict=True)]
            out = [a + b for a, b in zip(borne, tipped([(more, load)]), strict=True)]
            yield shear, dict(zip(top, out, strict=True))
        if load.out:
            held = dict(zip(top, borne, strict=True))
            up, down = _outward(high, low, load, bears)
            for which, group, force in ((top, upper, up), (bottom, lower, down)):
                for k, each in zip(which, group.shared([(force, load.x)]), strict=True):
                    held[k] = held.get(k, 0.0) + each
            yield still, held


def _outward(high: float, low: float, load: Load, bears: Bearing) -> tuple[float, float]:
    """What the top line and the bottom line of fixings, so high, hold of a pull straight outward,
    N.
    """
    if load.y >= high:
        return load.out * max(load.y - bears.low, 1.0) / max(high - bears.low, 1.0), 0.0
    if load.y <= low:
        prised = (
            1.0 if bears.high == inf else max(bears.high - load.y, 1.0) / max(bears.high - low, 1.0)
        )
        return 0.0, load.out * prised
    share = (load.y - low) / (high - low)
    return load.out * share, load.out * (1 - share)


def _pulled_at(on: Sequence[Load]) -> Iterator[Load]:
    """Of what is pulled at, the ones at both ends."""
    return _ends(
        (load for load in on if load.down or load.out),
        lambda load: (load.weight, load.lever, load.y, load.down, load.out),
    )


def _lifted(on: Sequence[Load]) -> Iterator[Load]:
    """Of what can be lifted off, the ones at both ends."""
    return _ends(
        (load for load in on if load.thing and load.weight), lambda load: (load.weight, load.lever)
    )


def _ends(on: Iterable[Load], alike: Callable[[Load], tuple[float, ...]]) -> Iterator[Load]:
    """Of what loads alike, the ones furthest to the left and to the right: what a fixing bears is
    greatest at one of them.
    """
    groups: dict[tuple[float, ...], list[Load]] = {}
    for load in on:
        groups.setdefault(alike(load), []).append(load)
    for same in groups.values():
        yield from dict.fromkeys(end(same, key=lambda load: load.x) for end in (min, max))
