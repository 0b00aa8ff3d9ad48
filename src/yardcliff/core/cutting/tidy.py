"""A plan put in order: its waste gathered into one long offcut, the longest parts first."""

from collections.abc import Sequence

from yardcliff.core.cutting.problem import Cut, Lane, Problem, better_bars

MOST_CUTS = 60
"""Beyond so many bars nobody keeps the offcuts apart."""


def tidy(problem: Problem, cuts: Sequence[Cut]) -> tuple[Cut, ...]:
    """Bars as cheap with the same parts, exchanged so that what is left over is in as few and as long pieces as was found."""
    cuts = better_bars(problem, cuts)
    if len(cuts) <= MOST_CUTS:
        while _exchange(problem, cuts):
            pass
    long = problem.wants

    def ordered(run: tuple[int, ...]) -> tuple[int, ...]:
        return tuple(sorted(run, key=lambda k: (-long[k].long, k)))

    done = [Cut(cut.bar, tuple(Lane(lane.wide, tuple(map(ordered, lane.runs))) for lane in cut.lanes)) for cut in cuts]
    return tuple(sorted(done, key=lambda cut: (cut.bar, cut.lanes)))


def _exchange(problem: Problem, cuts: list[Cut]) -> bool:
    """Move or swap one part between two runs of lanes that are alike, where the longer rest becomes longer yet."""
    runs = [
        (c, la, r) for c, cut in enumerate(cuts) for la, lane in enumerate(cut.lanes) for r in range(len(lane.runs))
    ]

    def rest(c: int, run: Sequence[int], r: int) -> int:
        room = problem.bars[cuts[c].bar].rooms[r] + problem.kerf
        return room - sum(problem.wants[k].long + problem.kerf for k in run)

    for i, (a, la, ra) in enumerate(runs):
        for b, lb, rb in runs[i + 1 :]:
            if cuts[a].lanes[la].wide != cuts[b].lanes[lb].wide:
                continue
            one, other = cuts[a].lanes[la].runs[ra], cuts[b].lanes[lb].runs[rb]
            longest = max(rest(a, one, ra), rest(b, other, rb))
            for p in (*range(len(one)), None):
                for q in (*range(len(other)), None):
                    new = [*(k for n, k in enumerate(one) if n != p), *([other[q]] if q is not None else [])]
                    old = [*(k for n, k in enumerate(other) if n != q), *([one[p]] if p is not None else [])]
                    left, right = rest(a, new, ra), rest(b, old, rb)
                    if min(left, right) >= 0 and max(left, right) > longest:
                        _put(cuts, a, la, ra, tuple(new))
                        _put(cuts, b, lb, rb, tuple(old))
                        return True
    return False


def _put(cuts: list[Cut], c: int, la: int, r: int, run: tuple[int, ...]) -> None:
    lanes = list(cuts[c].lanes)
    runs = list(lanes[la].runs)
    runs[r] = run
    lanes[la] = Lane(lanes[la].wide, tuple(runs))
    cuts[c] = Cut(cuts[c].bar, tuple(lanes))
