"""A plan put in order: its waste gathered into one long offcut, the longest parts first."""

from collections.abc import Sequence

from yardcliff.core.cutting.problem import Cut, Lane, Problem, better_bars

MOST_CUTS = 60
"""Beyond so many bars nobody keeps the offcuts apart."""


def tidy(problem: Problem, cuts: Sequence[Cut]) -> tuple[Cut, ...]:
    """Bars as cheap with the same parts, exchanged so that what is left over is in as few and as
    long pieces as was found.
    """
    cuts = better_bars(problem, cuts)
    if len(cuts) <= MOST_CUTS:
        while _exchange(problem, cuts):
            pass
    shapes = problem.shapes

    def ordered(run: tuple[int, ...]) -> tuple[int, ...]:
        return tuple(sorted(run, key=lambda k: (-shapes[k].long, k)))

    done = [
        # A lane that was emptied need not be ripped.
        Cut(
            cut.bar,
            tuple(
                Lane(lane.wide, tuple(map(ordered, lane.runs)))
                for lane in cut.lanes
                if any(lane.runs)
            ),
        )
        for cut in cuts
    ]
    return tuple(sorted(done, key=lambda cut: (cut.bar, cut.lanes)))


def _exchange(problem: Problem, cuts: list[Cut]) -> bool:
    """Move or swap one part between two runs of lanes that are alike, where the longer rest becomes
    longer yet.
    """
    runs = [
        (c, la, r)
        for c, cut in enumerate(cuts)
        for la, lane in enumerate(cut.lanes)
        for r in range(len(lane.runs))
    ]

    turns = [problem.bars[cut.bar].turns for cut in cuts]

    def takes(k: int | None) -> int:
        return 0 if k is None else problem.shapes[k].long + problem.kerf

    rests = [
        problem.bars[cuts[c].bar].rooms[r]
        + problem.kerf
        - sum(map(takes, cuts[c].lanes[la].runs[r]))
        for c, la, r in runs
    ]
    for i, (a, la, ra) in enumerate(runs):
        for j in range(i + 1, len(runs)):
            b, lb, rb = runs[j]
            if cuts[a].lanes[la].wide != cuts[b].lanes[lb].wide or turns[a] != turns[b]:
                continue
            one, other = cuts[a].lanes[la].runs[ra], cuts[b].lanes[lb].runs[rb]
            for p in (*dict.fromkeys(one), None):
                for q in (*dict.fromkeys(other), None):
                    more = takes(p) - takes(q)
                    left, right = rests[i] + more, rests[j] - more
                    if min(left, right) >= 0 and max(left, right) > max(rests[i], rests[j]):
                        _put(cuts, a, la, ra, _swapped(one, p, q))
                        _put(cuts, b, lb, rb, _swapped(other, q, p))
                        return True
    return False


def _swapped(run: tuple[int, ...], out: int | None, into: int | None) -> tuple[int, ...]:
    """A run without one part `out` of it, and with one `into` it."""
    left = list(run)
    if out is not None:
        left.remove(out)
    return tuple(left) if into is None else (*left, into)


def _put(cuts: list[Cut], c: int, la: int, r: int, run: tuple[int, ...]) -> None:
    lanes = list(cuts[c].lanes)
    runs = list(lanes[la].runs)
    runs[r] = run
    lanes[la] = Lane(lanes[la].wide, tuple(runs))
    cuts[c] = Cut(cuts[c].bar, tuple(lanes))
