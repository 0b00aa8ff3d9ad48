"""First fit, the longest first: the plan to start from, and that no other may be worse than."""

from collections.abc import Sequence
from dataclasses import dataclass, field

from yardcliff.core.base.effort import check
from yardcliff.core.cutting.problem import Cut, Lane, Problem, better_bars

MOST = 16
"""Kinds of bar that are tried before all others."""


@dataclass(slots=True)
class _Lane:
    wide: int
    left: list[int]
    runs: list[list[int]]


@dataclass(slots=True)
class _Open:
    """A bar that is being filled: what is `left` of its width, and its lanes."""

    bar: int
    left: int
    lanes: list[_Lane] = field(default_factory=list)

    def put(self, problem: Problem, want: int) -> bool:
        """Put a part into the first lane that has room, or into a lane of its own."""
        bar, kerf, ways = problem.bars[self.bar], problem.kerf, problem.lies(self.bar, want)
        for way in ways:
            part = problem.shapes[way]
            for lane in self.lanes:
                if part.wide <= lane.wide and self._into(lane, way, part.long + kerf):
                    return True
        for way in ways:
            part = problem.shapes[way]
            takes = problem.across(self.bar, part.wide)
            lane = _Lane(part.wide, [room + kerf for room in bar.rooms], [[] for _ in bar.rooms])
            if takes <= self.left and self._into(lane, way, part.long + kerf):
                self.lanes.append(lane)
                self.left -= takes
                return True
        return False

    @staticmethod
    def _into(lane: _Lane, part: int, takes: int) -> bool:
        for k, left in enumerate(lane.left):
            if takes <= left:
                lane.left[k] -= takes
                lane.runs[k].append(part)
                return True
        return False

    def done(self) -> Cut:
        return Cut(
            self.bar, tuple(Lane(lane.wide, tuple(map(tuple, lane.runs))) for lane in self.lanes)
        )


def first_fit(problem: Problem) -> tuple[Cut, ...] | None:
    """The cheapest of first fits that try the bars in different orders; None where the bars do not
    suffice.
    """
    bars = range(len(problem.bars))

    by_size, by_price = (
        sorted(bars, key=problem.size),
        sorted(bars, key=lambda b: problem.bars[b].cost / max(problem.size(b), 1)),
    )
    # What costs least for its size first, free pieces from the smallest; and free ones, then each
    # kind of bar once before others.
    free = sorted(by_size, key=lambda b: problem.bars[b].cost > 0)
    gratis = [b for b in free if not problem.bars[b].cost]
    orders = [free, by_price, free[::-1]]
    orders += [
        [*gratis, b, *(o for o in free if o != b and o not in gratis)]
        for b in free
        if b not in gratis
    ][:MOST]
    found = (_fill(problem, order) for order in orders)
    return min((cuts for cuts in found if cuts is not None), key=problem.total, default=None)


def _fill(problem: Problem, order: Sequence[int]) -> tuple[Cut, ...] | None:
    wants = sorted(
        range(len(problem.wants)), key=lambda k: (-problem.wants[k].wide, -problem.wants[k].long, k)
    )
    many = {b: problem.bars[b].supply for b in order}
    opened: list[_Open] = []
    for want in wants:
        check()
        at = 0  # a bar that did not take a part takes none like it later: bars only fill up
        for _ in range(problem.wants[want].many):
            while at < len(opened) and not opened[at].put(problem, want):
                at += 1
            if at < len(opened):
                continue
            for b in order:
                supply = many[b]
                if supply == 0 or not problem.may(b, want):
                    continue
                fresh = _Open(b, problem.room(b))
                if not fresh.put(problem, want):
                    continue
                opened.append(fresh)
                if supply is not None:
                    many[b] = supply - 1
                break
            else:
                return None
    return tuple(better_bars(problem, [one.done() for one in opened]))
