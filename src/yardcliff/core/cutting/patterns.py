"""The best way to cut one bar, when each part is worth so much: nested knapsacks (Gilmore and
Gomory, 1965).
"""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray

from yardcliff.core.cutting.problem import Cut, Lane, Problem, want_of

Values = NDArray[np.float64]
EPSILON = 1e-9


@dataclass(frozen=True, slots=True)
class _Filled:
    """A bounded knapsack solved for every capacity at once: `best[c]`, and what was taken to get
    there.
    """

    best: Values
    taken: list[tuple[int, int, int, NDArray[np.bool_]]]

    def chosen(self, room: int) -> list[int]:
        """The items that fill a room so large best, equal ones beside one another."""
        found: list[int] = []
        for item, size, many, taken in reversed(self.taken):
            if taken[room]:
                found += [item] * many
                room -= size
        return sorted(found)


def _fill(items: Sequence[tuple[int, int, float, int]], capacity: int) -> _Filled:
    """Items as (key, size, value, count); equal ones are taken by powers of two."""
    best: Values = np.zeros(capacity + 1)
    taken: list[tuple[int, int, int, NDArray[np.bool_]]] = []
    for key, size, value, count in items:
        many = 1
        while count > 0:
            many = min(many, count)
            if size * many <= capacity:
                with_it = best[: capacity + 1 - size * many] + value * many
                better: NDArray[Any] = np.zeros(capacity + 1, dtype=bool)
                better[size * many :] = with_it > best[size * many :] + EPSILON
                best[size * many :] = np.where(better[size * many :], with_it, best[size * many :])
                taken.append((key, size * many, many, better))
            count -= many
            many *= 2
    return _Filled(best, taken)


class Patterns:
    """The best cut of each bar for given values of the parts."""

    def __init__(self, problem: Problem, unit: float) -> None:
        """Values are in `unit`s of the problem's total."""
        self.problem, self.unit = problem, unit
        ways = range(len(problem.wants))
        self._ways = {False: [*ways], True: [*(~k for k in ways if problem.wants[k].turns), *ways]}
        self._lanes = [
            [
                w
                for w in sorted({problem.shapes[k].wide for k in self._ways[bar.turns]})
                if problem.across(b, w) <= problem.room(b)
            ]
            for b, bar in enumerate(problem.bars)
        ]
        self._room = {
            (w, turns): max(
                max(bar.rooms, default=0)
                for b, bar in enumerate(problem.bars)
                if bar.turns == turns and w in self._lanes[b]
            )
            for turns, w in {
                (bar.turns, w) for b, bar in enumerate(problem.bars) for w in self._lanes[b]
            }
        }

    def best(self, values: Sequence[float]) -> list[tuple[float, Cut]]:
        """For each bar the most that can be cut from it, less what its lanes cost, and how; values
        are by want, lengths with their kerf.
        """
        kerf = self.problem.kerf
        filled = {key: self._class(*key, values) for key, room in self._room.items() if room}
        found = []
        for b, bar in enumerate(self.problem.bars):
            lanes = []
            for w in self._lanes[b]:
                worth = sum(float(filled[w, bar.turns].best[room + kerf]) for room in bar.rooms)
                worth -= self.problem.lane_price(b, w) / self.unit
                fit = self.problem.room(b) // max(self.problem.across(b, w), 1)
                if worth > EPSILON and fit:
                    lanes.append(
                        (w, self.problem.across(b, w), worth, min(fit, self._wanted(w, bar.turns)))
                    )
            if not lanes:
                found.append((0.0, Cut(b, ())))
                continue
            chosen = [max(lanes, key=lambda lane: lane[2])[0]]
            if any(many > 1 or len(lanes) > 1 for _, _, _, many in lanes):
                room = self.problem.room(b)
                chosen = _fill(lanes, room).chosen(room)
            cut = Cut(
                b,
                tuple(
                    Lane(
                        w,
                        tuple(
                            tuple(filled[w, bar.turns].chosen(room + kerf)) for room in bar.rooms
                        ),
                    )
                    for w in chosen
                ),
            )
            found.append(
                (sum(values[k] for k in cut.parts) - self.problem.lanes_price(cut) / self.unit, cut)
            )
        return found

    def _class(self, wide: int, turns: bool, values: Sequence[float]) -> _Filled:
        """What a lane so wide can give, at every length; a part that may lie either way is counted
        for both, which is too many and never too few.
        """
        shapes, kerf = self.problem.shapes, self.problem.kerf
        items = [
            (k, shapes[k].long + kerf, values[want_of(k)], shapes[k].many)
            for k in self._ways[turns]
            if shapes[k].wide <= wide and values[want_of(k)] > EPSILON
        ]
        return _fill(items, self._room[wide, turns] + kerf)

    def _wanted(self, wide: int, turns: bool) -> int:
        shapes = self.problem.shapes
        return sum(shapes[k].many for k in self._ways[turns] if shapes[k].wide <= wide)


def counts(cut: Cut) -> tuple[tuple[int, int], ...]:
    """(want, how many) of a cut; several runs may each have cut the last of a part: too many, but
    never too few.
    """
    return tuple(sorted(Counter(cut.parts).items()))


def honest(problem: Problem, cut: Cut, values: Sequence[float]) -> Cut:
    """The cut without what is too much of, its room given to other parts, the most worth first."""
    left = Counter({k: want.many for k, want in enumerate(problem.wants)})
    by_worth = [
        way
        for k in sorted(
            (k for k, value in enumerate(values) if value > EPSILON), key=lambda k: -values[k]
        )
        for way in problem.lies(cut.bar, k)
    ]
    rooms = problem.bars[cut.bar].rooms

    def refilled(run: tuple[int, ...], wide: int, room: int) -> tuple[int, ...]:
        kept = []
        room += problem.kerf
        for k in (*run, *by_worth):
            takes = problem.shapes[k].long + problem.kerf
            while left[want_of(k)] and takes <= room and problem.shapes[k].wide <= wide:
                left[want_of(k)] -= 1
                room -= takes
                kept.append(k)
                if k in run:
                    break
        return tuple(kept)

    lanes = (
        Lane(
            lane.wide,
            tuple(
                refilled(run, lane.wide, room) for run, room in zip(lane.runs, rooms, strict=True)
            ),
        )
        for lane in cut.lanes
    )
    return Cut(cut.bar, tuple(lane for lane in lanes if any(lane.runs)))
