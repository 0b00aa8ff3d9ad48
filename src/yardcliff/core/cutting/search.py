"""The search: from the first fit to a plan that is proved, or to how far it may be from
the best.
"""

from collections.abc import Callable, Iterable, Iterator, Sequence
from heapq import heappop, heappush
from math import ceil, floor

import numpy as np

from yardcliff.core.base.effort import check
from yardcliff.core.cutting.assignment import assign
from yardcliff.core.cutting.greedy import first_fit
from yardcliff.core.cutting.master import Master, Range
from yardcliff.core.cutting.problem import Cut, Plan, Problem
from yardcliff.core.cutting.tidying import tidy

MOST_NODES, EVERY = 120, 6
"""Nodes in all, and how often whole patterns are tried at a node with broken counts."""
FEW, MORE, HOME = 2, 30, 60
"""Nodes that are spent on fewer bars once the cost is proved: few beyond so many parts as one makes
at home.
"""
SMALL, FAR = 1e-6, 1 << 62
Progress = Callable[[int, int], bool]
"""Told the best total and the bound as they change; answers whether to go on."""


class NoPlan(ValueError):
    """The bars do not suffice: there is no plan to show."""


def go_on(total: int, bound: int) -> bool:
    """Nobody asks to stop."""
    return True


def solve(problem: Problem, progress: Progress = go_on) -> Plan:
    """The plan of least cost, then of fewest bars; ended by nodes and not by the clock, so that the
    same problem has the same plan. Raises `NoPlan` where the bars do not suffice.
    """
    if not problem.wants:
        return Plan((), 0, 0)
    cuts = first_fit(problem)
    steps = _Totals(problem, cuts)
    simple = steps.up(_by_size(problem))
    if cuts is not None and problem.total(cuts) <= simple:
        return _plan(problem, cuts, simple)
    best, bound = _branch(problem, cuts, steps, simple, progress)
    if best is None:
        raise NoPlan
    return _plan(problem, best, bound)


def _plan(problem: Problem, cuts: Sequence[Cut], bound: int) -> Plan:
    cuts = tidy(problem, cuts)
    total = problem.total(cuts)
    return Plan(cuts, total, min(bound, total))


def _branch(
    problem: Problem, cuts: tuple[Cut, ...] | None, steps: "_Totals", least: int, progress: Progress
) -> tuple[tuple[Cut, ...] | None, int]:
    """Best node first, on how many of each bar, from a bound of `least`; returns the best plan, and
    the bound that is left.
    """
    master = Master(problem, cuts or ())
    wanted = sum(want.many for want in problem.wants)
    everything = tuple(
        (0, wanted if bar.supply is None else min(bar.supply, wanted)) for bar in problem.bars
    )
    nodes: list[tuple[int, int, tuple[Range, ...]]] = [(least, 0, everything)]
    born = closed = since = 0
    best, total = cuts, problem.total(cuts) if cuts is not None else FAR
    given_up = FAR
    for_bars = MORE if wanted <= HOME else FEW

    def put_back(low: int, children: Iterable[tuple[Range, ...]]) -> None:
        nonlocal born
        for child in children:
            born += 1
            heappush(nodes, (low, born, child))

    while nodes and closed < MOST_NODES:
        check()
        low, _, within = heappop(nodes)
        # Once the cost is proved, only a few more nodes are spent on fewer bars.
        since += min(low, given_up) // problem.weight >= total // problem.weight
        if (
            low >= min(total, given_up)
            or since > for_bars
            or not progress(total, min(low, given_up))
        ):
            put_back(low, [within])
            break
        closed += 1
        relaxed = master.relax(within)
        if relaxed.total is None:
            continue
        low = max(low, steps.up(ceil(relaxed.total - SMALL * master.unit)))
        if low >= total:
            continue
        fixed = [round(many) for many in relaxed.bars]
        whole = all(abs(many - one) < SMALL for many, one in zip(relaxed.bars, fixed, strict=True))
        found = master.whole(within, low, total - 1) if whole or closed % EVERY == 1 else None
        if found is not None:
            best, total = found, problem.total(found)
        if total <= low:
            continue
        if not whole:
            put_back(low, _halves(within, relaxed.bars))
            continue
        # So many of each bar suffice for parts of patterns: whether they do for whole ones,
        # assigning them tells.
        answer = assign(problem, fixed)
        if answer.cuts:
            best, total = answer.cuts, problem.total(answer.cuts)
            continue
        if not answer.sure:
            given_up = min(given_up, low)
        put_back(low, _without(within, fixed))
    bound = min([total, given_up, *(low for low, _, _ in nodes)])
    return best, bound


def _halves(within: tuple[Range, ...], bars: Sequence[float]) -> Iterator[tuple[Range, ...]]:
    """Split where a count is furthest from whole."""
    b = max(range(len(bars)), key=lambda k: min(bars[k] % 1, 1 - bars[k] % 1))
    low, high = within[b]
    cut = floor(bars[b])
    for part in ((low, cut), (cut + 1, high)):
        if part[0] <= part[1]:
            yield (*within[:b], part, *within[b + 1 :])


def _without(within: tuple[Range, ...], fixed: Sequence[int]) -> Iterator[tuple[Range, ...]]:
    """All that is left when just these counts are ruled out."""
    rest = list(within)
    for b, many in enumerate(fixed):
        low, high = rest[b]
        for part in ((low, many - 1), (many + 1, high)):
            if part[0] <= part[1]:
                yield (*rest[:b], part, *rest[b + 1 :])
        rest[b] = (many, many)


def _by_size(problem: Problem) -> int:
    """A first bound: the wood that is wanted, at the best price by size, of whole bars."""
    need = sum(
        want.many
        * (
            want.long * want.wide
            + problem.kerf * min(want.wide, want.long if want.turns else want.wide)
        )
        for want in problem.wants
    )
    rates = [
        problem.price(b) / max(sum(room + problem.kerf for room in bar.rooms) * bar.wide, 1)
        for b, bar in enumerate(problem.bars)
    ]
    cheapest = min(map(problem.price, range(len(problem.bars))), default=0)
    return max(ceil(need * min(rates, default=0) - SMALL), cheapest)


class _Totals:
    """The totals that the prices can add up to, as far as the first plan's."""

    def __init__(self, problem: Problem, cuts: tuple[Cut, ...] | None) -> None:
        self.weight = problem.weight
        most = min(problem.total(cuts or ()) // problem.weight, 2_000_000)
        fewest = np.full(most + 1, 1 << 30, dtype=np.int64)
        fewest[0] = 0
        coins = {cost for bar in problem.bars for cost in (bar.cost, bar.strip)}
        for coin in sorted(one for one in coins if 0 < one <= most):
            for at in range(coin, most + 1, coin):
                # One more coin on everything that was reached a coin ago, a stretch at a time.
                stretch = fewest[at - coin : min(at, most + 1 - coin)] + 1
                fewest[at : at + len(stretch)] = np.minimum(fewest[at : at + len(stretch)], stretch)
        self.fewest = fewest

    def up(self, least: int) -> int:
        """The least total from `least` on."""
        cost = least // self.weight
        if cost >= len(self.fewest):
            return least
        reached = np.flatnonzero(self.fewest[cost:] < 1 << 30)
        for at in reached[:2] + cost:
            total = max(least, int(at) * self.weight + int(self.fewest[at]))
            if total < (int(at) + 1) * self.weight:
                return total
        return least
