"""Cut plans: every one sawable, none worse than first fit, small ones as good as any; the same
question has one answer.
"""

from collections import Counter
from collections.abc import Sequence
from itertools import chain, combinations_with_replacement, product

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from yardcliff.core.cutting.greedy import first_fit
from yardcliff.core.cutting.problem import Bar, Cut, Problem, Want
from yardcliff.core.cutting.search import NoPlan, solve

PLAIN = Bar(1200, ((0, 24000),), 1080)


def check_sawable(problem: Problem, cuts: Sequence[Cut]) -> None:
    """Saw it in thought: every lane off the bar, every part off its lane, between the flaws, a kerf
    at each cut.
    """
    got = Counter(
        max(part, ~part) for cut in cuts for lane in cut.lanes for run in lane.runs for part in run
    )
    assert got == {k: want.many for k, want in enumerate(problem.wants) if want.many}
    for b, used in Counter(cut.bar for cut in cuts).items():
        supply = problem.bars[b].supply
        assert supply is None or used <= supply
    for cut in cuts:
        bar, edge = problem.bars[cut.bar], 0
        for lane in cut.lanes:
            edge += lane.wide + (problem.rip if lane.wide < bar.wide else 0)
            assert edge <= bar.wide
            edge += problem.between
            assert len(lane.runs) == len(bar.stretches)
            for run, (start, end) in zip(lane.runs, bar.stretches, strict=True):
                at = start
                for part in run:
                    long, wide, _, turns = problem.wants[max(part, ~part)]
                    if part < 0:
                        assert (turns, bar.turns) == (True, True)
                        long, wide = wide, long
                    assert wide <= lane.wide
                    at += long
                    assert at <= end
                    at += problem.kerf


def cheapest(problem: Problem) -> int | None:
    """The least total of all ways, by trying them: parts turned or not, from the widest, each into
    any run, new lane or new bar.
    """
    turning = any(bar.turns for bar in problem.bars)
    ways = [[k, ~k] if want.turns and turning else [k] for k, want in enumerate(problem.wants)]
    each = [
        combinations_with_replacement(ways[k], want.many) for k, want in enumerate(problem.wants)
    ]
    best: list[int | None] = [None]

    def put(n: int, opened: list[tuple[int, int, list[tuple[int, list[int]]]]], total: int) -> None:
        if best[0] is not None and total >= best[0]:
            return
        if n == len(parts):
            best[0] = total
            return
        want = problem.shapes[parts[n]]
        takes = want.long + problem.kerf
        for k, (bar, left, lanes) in enumerate(opened):
            for wide, rests in lanes:
                if want.wide <= wide and (parts[n] >= 0 or problem.bars[bar].turns):
                    for r, rest in enumerate(rests):
                        if takes <= rest:
                            rests[r] -= takes
                            put(n + 1, opened, total)
                            rests[r] += takes
            put_lane(n, opened, k, bar, left, lanes, total)
        for bar, one in enumerate(problem.bars):
            used = sum(other == bar for other, _, _ in opened)
            if one.supply is None or used < one.supply:
                opened.append((bar, problem.room(bar), []))
                put_lane(n, opened, len(opened) - 1, *opened[-1], total + problem.price(bar))
                opened.pop()

    def put_lane(
        n: int,
        opened: list[tuple[int, int, list[tuple[int, list[int]]]]],
        k: int,
        bar: int,
        left: int,
        lanes: list[tuple[int, list[int]]],
        total: int,
    ) -> None:
        want = problem.shapes[parts[n]]
        if parts[n] < 0 and not problem.bars[bar].turns:
            return
        # A lane may be wider than the one part that lies in it.
        for wide in sorted({one.wide for one in problem.shapes if one.wide >= want.wide}):
            across = problem.across(bar, wide)
            for r, room in enumerate(problem.bars[bar].rooms if across <= left else ()):
                if want.long <= room:
                    rests = [one + problem.kerf for one in problem.bars[bar].rooms]
                    rests[r] -= want.long + problem.kerf
                    opened[k] = (bar, left - across, [*lanes, (wide, rests)])
                    put(n + 1, opened, total + problem.lane_price(bar, wide))
                    opened[k] = (bar, left, lanes)

    for lying in product(*each):
        parts = sorted(chain.from_iterable(lying), key=lambda k: (-problem.shapes[k].wide, k))
        put(0, [], 0)
    return best[0]


lengths = st.integers(10, 120)
wides = st.sampled_from((30, 40, 60))
bars = st.builds(
    lambda wide, ends, *rest: Bar(wide, tuple(zip(ends[::2], ends[1::2], strict=False)), *rest),
    st.sampled_from((40, 60, 100)),
    st.lists(st.integers(0, 250), min_size=2, max_size=4, unique=True).map(sorted),
    st.integers(0, 40),
    st.none() | st.integers(1, 2),
    st.booleans(),
    st.integers(0, 20),
)
problems = st.builds(
    Problem,
    st.lists(
        st.builds(Want, lengths, wides, st.integers(1, 2), st.booleans()), min_size=1, max_size=3
    ).map(tuple),
    st.lists(bars, min_size=1, max_size=3).map(tuple),
    st.integers(0, 4),
    st.integers(0, 3),
    st.none() | st.integers(0, 5),
)


@given(problems)
def test_small_plans_are_as_good_as_any(problem: Problem) -> None:
    best = cheapest(problem)
    if best is None:
        with pytest.raises(NoPlan):
            solve(problem)
        return
    plan = solve(problem)
    check_sawable(problem, plan.cuts)
    assert plan.bound <= best <= plan.total == problem.total(plan.cuts)
    if plan.proved:
        assert plan.total == best


big = st.builds(
    Problem,
    st.lists(
        st.builds(Want, st.integers(600, 12000), st.sampled_from((700, 1200)), st.integers(1, 8)),
        min_size=1,
        max_size=8,
    ).map(tuple),
    st.lists(
        st.builds(
            Bar,
            st.sampled_from((1200, 1450)),
            st.just(((50, 23950),)),
            st.integers(500, 2000),
            st.none(),
            st.booleans(),
            st.integers(0, 300),
        ),
        min_size=1,
        max_size=3,
    ).map(tuple),
    st.sampled_from((0, 30)),
    st.just(20),
)


@given(big)
@cases(30)
def test_no_plan_is_worse_than_first_fit(problem: Problem) -> None:
    start = first_fit(problem)
    if start is None:
        return
    plan = solve(problem)
    check_sawable(problem, plan.cuts)
    check_sawable(problem, start)
    assert plan.bound <= plan.total <= problem.total(start)
    assert solve(problem) == plan


def test_a_kerf_costs_a_part() -> None:
    # Five parts of 480 are 2400: a shear cuts them from a stick of 2400, a saw of 3 mm only four of
    # them.
    assert len(solve(Problem((Want(4800, 1200, 5),), (PLAIN,))).cuts) == 1
    sawn = solve(Problem((Want(4800, 1200, 5),), (PLAIN,), 30))
    assert (len(sawn.cuts), sawn.proved) == (2, True)


def test_what_is_on_hand_goes_first_and_flaws_are_cut_around() -> None:
    # A knot from 900 to 950 leaves 900 and 550 of an offcut of 1500: one part in each, though 1300
    # would fit in all of it.
    offcut = Bar(1200, ((0, 9000), (9500, 15000)), 0, 1)
    wants = Want(15000, 1200, 1), Want(8000, 1200, 1), Want(5000, 1200, 2)
    plan = solve(Problem(wants, (PLAIN, offcut), 30))
    check_sawable(Problem(wants, (PLAIN, offcut), 30), plan.cuts)
    assert [cut.bar for cut in plan.cuts] == [0, 1]
    assert [len(run) for run in plan.cuts[1].lanes[0].runs] == [1, 1]
    # A part of 1000 fits in neither stretch: it has to be bought.
    long = Problem((Want(10000, 1200, 1),), (PLAIN, offcut), 30)
    assert [cut.bar for cut in solve(long).cuts] == [0]


def test_a_wide_board_is_ripped_where_that_is_cheaper() -> None:
    # 145 for 9.00 gives two strips of 70 with 3 mm of saw and 1 mm to plane off each; two sticks of
    # 70 cost 10.00.
    rails, wide, narrow = (
        Want(20000, 700, 2),
        Bar(1450, ((0, 24000),), 900),
        Bar(700, ((0, 24000),), 500),
    )
    plan = solve(Problem((rails,), (wide, narrow), 30, 10))
    assert [(cut.bar, [lane.wide for lane in cut.lanes]) for cut in plan.cuts] == [(0, [700, 700])]
    # With 2 mm to plane off they take 147 of it; or where the saw that rips takes 4 mm between
    # them.
    assert [cut.bar for cut in solve(Problem((rails,), (wide, narrow), 30, 20)).cuts] == [1, 1]
    assert [cut.bar for cut in solve(Problem((rails,), (wide, narrow), 30, 10, 40)).cuts] == [1, 1]
    # Two rips for 0.50 each cost what they save: then nothing is ripped, as with three strips on
    # hand instead of a board.
    for strip, bars in ((49, [0]), (50, [1, 1])):
        assert [
            cut.bar
            for cut in solve(Problem((rails,), (wide._replace(strip=strip), narrow), 30, 10)).cuts
        ] == bars
    lying = Problem((rails,), (wide._replace(cost=0), narrow._replace(cost=0, supply=3)), 30, 10)
    assert [cut.bar for cut in solve(lying).cuts] == [1, 1]


def test_a_part_whose_grain_is_free_is_turned_where_that_saves_a_sheet() -> None:
    # Two of 700 × 500 and one of 1000 × 300 on a sheet of 1010 × 1010: straight they take 500 + 500
    # + 300 across.
    sheet = Bar(10100, ((0, 10100),), 3000, turns=True)
    wants = Want(7000, 5000, 2), Want(10000, 3000, 1)
    assert len(solve(Problem(wants, (sheet,), 30)).cuts) == 2
    turned = Problem((wants[0]._replace(turns=True), wants[1]), (sheet,), 30)
    plan = solve(turned)
    check_sawable(turned, plan.cuts)
    assert (len(plan.cuts), plan.proved) == (1, True)
    # On a board the grain is not free, whatever the part.
    assert len(solve(Problem(turned.wants, (sheet._replace(turns=False),), 30)).cuts) == 2


def test_what_is_left_is_gathered_into_one_piece() -> None:
    # 900, 800, 700 and 600 take two sticks of 2400 however they lie; together 2400 stays of one or
    # 900 of both.
    plan = solve(
        Problem(tuple(Want(long, 1200, 1) for long in (9000, 8000, 7000, 6000)), (PLAIN,), 0)
    )
    rests = sorted(24000 - sum((9000, 8000, 7000, 6000)[k] for k in cut.parts) for cut in plan.cuts)
    assert rests == [0, 18000]


def test_whoever_ends_the_search_gets_what_was_found() -> None:
    wants = tuple(Want(long, 1200, 3) for long in (10700, 8300, 6100, 5900, 4700, 3300))
    problem = Problem(
        wants, (PLAIN, Bar(1200, ((0, 30000),), 1400), Bar(1200, ((0, 18000),), 790)), 30
    )
    asked: list[tuple[int, int]] = []

    def told(total: int, bound: int) -> bool:
        asked.append((total, bound))
        return False

    early, best = solve(problem, told), solve(problem)
    check_sawable(problem, early.cuts)
    assert len(asked) == 1
    assert 0 < early.bound <= best.total <= early.total
    assert not early.proved or early.total == best.total
