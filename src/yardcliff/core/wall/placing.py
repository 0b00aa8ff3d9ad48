"""Where a rack sits along its wall: which of its screw lines meet which studs, and the best place
by a stated order.

All in whole units that the tape's steps and every measure are multiples of, so nothing is rounded
on the way. A rack's place x is its datum from the wall's left corner.

A line meets a stud where one of the stretches that are free on it lies over one of those where the
stud holds: for a free stretch [f, g] and a hold [b, c] that is for every x from b - g to c - f. So
what a place meets changes only at such ends, and between them the best place is the one nearest to
where the rack is wanted: trying the ends, both sides of each, and the wanted place is trying all.
Tests hold it against trying every step.
"""

from bisect import bisect_right
from collections import Counter, defaultdict
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import pairwise
from math import lcm
from typing import Literal

from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.spans import meet

Aim = Literal["centre", "between", "studs", "holes", "near"]
Stretch = tuple[int, int]
"""From, to: both belong to it."""


@dataclass(frozen=True, slots=True)
class Line:
    """One line of screws: the `free` stretches of the rack that a screw may pass, from its datum,
    in order, and where each of the studs holds at that height, as stretches of the wall.

    It has to meet `least` of them to be held. `even` is twice the board's middle, which its screws
    shall mirror about; None where they need not.
    """

    free: tuple[Stretch, ...]
    holds: tuple[tuple[Stretch, ...], ...]
    least: int = 2
    even: int | None = None


@dataclass(frozen=True, slots=True)
class Question:
    """What is asked of a wall and a rack.

    `open` are the stretches of places that nothing stands in the way of, in order; `wanted` is the
    place that is aimed at. `middles` are the studs' own, `apart` is how far screws of a line may
    stand from one another, `step` the tape's.
    """

    lines: tuple[Line, ...]
    open: tuple[Stretch, ...]
    wanted: int
    middles: tuple[int, ...]
    apart: int
    step: int


@dataclass(frozen=True, slots=True)
class Place:
    """A place and the studs that each line meets there, in order."""

    x: int
    met: tuple[tuple[int, ...], ...]


@dataclass(frozen=True, slots=True)
class _Meetings:
    """What a line meets: places in order, and the studs that it meets from each of them on. They
    change at the `starts` and just past the `ends` of the stretches where it meets some of them.
    """

    places: list[int]
    met: list[tuple[int, ...]]
    starts: list[int]
    ends: list[int]

    def at(self, x: int) -> tuple[int, ...]:
        k = bisect_right(self.places, x) - 1
        return self.met[k] if k >= 0 else ()


def best(question: Question, aim: Aim) -> Place:
    """The best place by an aim, among the open ones."""
    meetings = [_meetings(line) for line in question.lines]
    wanted, step = question.wanted, question.step
    ends = [wanted, *(end for stretch in question.open for end in stretch)]
    if aim in ("studs", "holes", "near"):
        # Just past an end counts too: there a stud that would ask for one screw more is met no
        # longer.
        ends += [end for line in meetings for low in line.starts for end in (low, low - step)]
        ends += [end for line in meetings for high in line.ends for end in (high, high + step)]
    tries = {on for end in ends for on in (end // step * step, -(-end // step) * step)}
    starts, stops = [low for low, _ in question.open], [high for _, high in question.open]

    def is_open(x: int) -> bool:
        k = bisect_right(starts, x) - 1
        return k >= 0 and x <= stops[k]

    # A stretch that is shorter than a step of the tape may hold none: then its own start is taken.
    found = [x for x in tries if is_open(x)] or [starts[0]]
    # In this order the first that leaves nothing wanting is the nearest: no other has to be rated.
    found.sort(key=lambda x: (abs(x - wanted), x))
    chosen, least = Place(found[0], ()), None
    for x in found:
        met = tuple(line.at(x) for line in meetings)
        rating = rated(question, x, met, aim)
        if least is None or rating < least:
            chosen, least = Place(x, met), rating
        if aim in ("centre", "between") or (aim == "near" and rating[0] == 0):
            break
    return chosen


def at(question: Question, x: int) -> Place:
    """What a given place meets."""
    return Place(x, tuple(_meetings(line).at(x) for line in question.lines))


def rated(question: Question, x: int, met: Sequence[Sequence[int]], aim: Aim) -> tuple[int, ...]:
    """How a place does by an aim: the less the better, the first figure first.

    `studs`: the fewest studs wanting, where lines meet too few to be held; then the most met, then
    the outermost furthest apart. `holes`: the fewest wanting, the fewest lines with screws too far
    apart, the fewest screws that do. `near`: the fewest wanting. Then, and only this for the
    others: nearest to the wanted place, then furthest to the left.
    """
    far = abs(x - question.wanted)
    if aim in ("centre", "between"):
        return far, x
    lines = [[question.middles[j] for j in studs] for studs in met]
    wanting = sum(
        max(line.least - len(studs), 0) for line, studs in zip(question.lines, met, strict=True)
    )
    if aim == "near":
        return wanting, far, x
    if aim == "studs":
        return (
            wanting,
            -sum(map(len, lines)),
            -sum(line[-1] - line[0] for line in lines if line),
            far,
            x,
        )
    wide = sum(any(b - a > question.apart for a, b in pairwise(line)) for line in lines)
    return wanting, wide, sum(len(fewest(line, question.apart)) for line in lines), far, x


def fewest(places: Sequence[int], apart: int) -> list[int]:
    """Of screws in order the outermost, and as few between as keep them near enough:
    their indexes.
    """
    chosen = [0] if places else []
    for k in range(1, len(places)):
        if k == len(places) - 1 or places[k + 1] - places[chosen[-1]] > apart:
            chosen.append(k)
    return chosen


@lru_cache(maxsize=256)  # one line after another asks of the same few places
def _meetings(line: Line) -> _Meetings:
    starts: list[int] = []
    ends: list[int] = []
    changes: defaultdict[int, list[tuple[int, int]]] = defaultdict(list)
    for studs, spans in _alone(line) if line.even is None else _in_pairs(line, line.even):
        for low, high in _merged(spans):
            starts.append(low)
            ends.append(high)
            changes[low] += [(stud, 1) for stud in studs]
            changes[high + 1] += [(stud, -1) for stud in studs]
    places, met, ways = sorted(changes), [], Counter[int]()
    for place in places:
        for stud, more in changes[place]:
            ways[stud] += more
        met.append(tuple(sorted(stud for stud, count in ways.items() if count)))
    return _Meetings(places, met, starts, ends)


def _merged(spans: Iterable[Stretch]) -> list[Stretch]:
    merged: list[Stretch] = []
    for low, high in sorted(spans):
        if merged and low <= merged[-1][1]:
            merged[-1] = merged[-1][0], max(merged[-1][1], high)
        else:
            merged.append((low, high))
    return merged


def _alone(line: Line) -> Iterator[tuple[tuple[int, ...], list[Stretch]]]:
    for j, holds in enumerate(line.holds):
        yield (j,), [(b - g, c - f) for b, c in holds for f, g in line.free]


def _in_pairs(line: Line, even: int) -> Iterator[tuple[tuple[int, ...], list[Stretch]]]:
    """Two studs at once by screws at u and even - u, both on free stretches; or one by a screw in
    the middle.

    b - x <= u <= c - x for the one stud, b2 - x <= even - u <= c2 - x for the other, f <= u <= g.
    """
    both = meet(line.free, [(even - g, even - f) for f, g in reversed(line.free)])
    middle = even // 2
    for j, holds in enumerate(line.holds):
        if any(f <= middle <= g for f, g in both):
            yield (j,), [(b - middle, c - middle) for b, c in holds]
        for k in range(j + 1, len(line.holds)):
            spans = [
                (
                    max(b - g, f + b2 - even, -(-(b + b2 - even) // 2)),
                    min(c - f, g + c2 - even, (c + c2 - even) // 2),
                )
                for b, c in holds
                for b2, c2 in line.holds[k]
                for f, g in both
            ]
            yield (j, k), [(low, high) for low, high in spans if low <= high]


def whole_unit(step: Fraction, numbers: Iterable[Fraction]) -> int:
    """How many parts of a millimetre have all of these, and half a `step`, be whole numbers."""
    return 2 * lcm(step.denominator, *{number.denominator for number in numbers})
