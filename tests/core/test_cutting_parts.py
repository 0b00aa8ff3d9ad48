"""The solver's parts, each by itself: patterns, the master, assigning, choosing bars, gathering
offcuts.
"""

from collections import Counter
from itertools import product

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from tests.core.test_cutting import PLAIN, cheapest, check_sawable, problems
from yardcliff.core.cutting.assignment import assign
from yardcliff.core.cutting.greedy import first_fit
from yardcliff.core.cutting.master import Master
from yardcliff.core.cutting.patterns import Patterns, counts, honest
from yardcliff.core.cutting.problem import Bar, Cut, Lane, Problem, Want, better_bars
from yardcliff.core.cutting.search import NoPlan, solve
from yardcliff.core.cutting.tidying import tidy

values = st.lists(st.integers(0, 20), min_size=3, max_size=3)


def fits(problem: Problem, cut: Cut) -> bool:
    """Whether one bar can be cut so, whatever is wanted."""
    bar = problem.bars[cut.bar]
    if sum(problem.across(cut.bar, lane.wide) for lane in cut.lanes) > problem.room(cut.bar):
        return False
    return all(
        sum(problem.shapes[k].long + problem.kerf for k in run) <= room + problem.kerf
        and all(problem.shapes[k].wide <= lane.wide for k in run)
        and all(k >= 0 or (problem.wants[~k].turns and problem.bars[cut.bar].turns) for k in run)
        for lane in cut.lanes
        for run, room in zip(lane.runs, bar.rooms, strict=True)
    )


def best_of_one(problem: Problem, b: int, worth: list[int]) -> int:
    """The most that one bar of one stretch and one width can be cut into, by trying all counts."""
    room = problem.bars[b].rooms[0] + problem.kerf
    ranges = [range(want.many + 1) for want in problem.wants]
    return max(
        sum(n * worth[k] for k, n in enumerate(many))
        for many in product(*ranges)
        if sum(n * (problem.wants[k].long + problem.kerf) for k, n in enumerate(many)) <= room
    )


@given(
    st.lists(
        st.builds(Want, st.integers(10, 60), st.just(40), st.integers(1, 3)), min_size=1, max_size=3
    ),
    st.integers(20, 200),
    st.integers(0, 4),
    values,
)
def test_a_pattern_is_the_best_that_one_bar_gives(
    wants: list[Want], long: int, kerf: int, worth: list[int]
) -> None:
    problem = Problem(tuple(wants), (Bar(40, ((0, long),), 1),), kerf)
    ((value, cut),) = Patterns(problem, 1.0).best([float(one) for one in worth])
    assert value == best_of_one(problem, 0, worth)
    assert fits(problem, cut)
    assert all(n <= problem.wants[k].many for k, n in counts(cut))


@given(problems, values)
def test_patterns_can_be_sawn_and_honest_ones_cut_no_more_than_is_wanted(
    problem: Problem, worth: list[int]
) -> None:
    floats = [float(one) for one in worth[: len(problem.wants)]]
    for value, cut in Patterns(problem, 1.0).best(floats):
        assert fits(problem, cut)
        assert value == pytest.approx(sum(floats[k] for k in cut.parts) - problem.lanes_price(cut))
        true = honest(problem, cut, floats)
        assert fits(problem, true)
        assert all(n <= problem.wants[k].many for k, n in counts(true))
        # It gives nothing up that was wanted of the pattern.
        assert all(
            dict(counts(true)).get(k, 0) >= min(n, problem.wants[k].many) for k, n in counts(cut)
        )


@given(problems)
def test_the_relaxed_total_is_no_more_than_any_plan_has(problem: Problem) -> None:
    best = cheapest(problem)
    wanted = sum(want.many for want in problem.wants)
    within = [
        (0, wanted if bar.supply is None else min(bar.supply, wanted)) for bar in problem.bars
    ]
    relaxed = Master(problem, first_fit(problem) or ()).relax(within)
    if best is None:
        return
    assert relaxed.total is not None
    assert relaxed.total <= best * (1 + 1e-9)
    assert all(
        low - 1e-6 <= many <= high + 1e-6
        for many, (low, high) in zip(relaxed.bars, within, strict=True)
    )


@given(problems)
def test_whole_patterns_make_a_plan_within_what_is_asked_or_none(problem: Problem) -> None:
    start = first_fit(problem)
    assume(start is not None)
    assert start is not None
    master = Master(problem, start)
    wanted = sum(want.many for want in problem.wants)
    within = [
        (0, wanted if bar.supply is None else min(bar.supply, wanted)) for bar in problem.bars
    ]
    found = master.whole(within, 0, problem.total(start))
    assert found is not None, "what it was given is such a plan"
    check_sawable(problem, found)
    assert problem.total(found) <= problem.total(start)
    assert (
        master.whole(within, problem.total(start) + 1, problem.total(start) + 1) is None
        or problem.total(found) > 0
    )


def test_assigning_tells_whether_so_many_bars_suffice() -> None:
    # 700, 600, 500 and 200 fill two bars of 1000 in one way only; three of 600 do not go on two of
    # 1000, though 1800 would.
    tight = Problem(
        tuple(Want(long, 50, 1) for long in (700, 600, 300, 400)), (Bar(50, ((0, 1000),), 5),)
    )
    found = assign(tight, [2])
    assert found.cuts
    check_sawable(tight, found.cuts)
    never = assign(Problem((Want(600, 50, 3),), (Bar(50, ((0, 1000),), 5),)), [2])
    assert (never.cuts, never.sure) == (None, True)
    # Where boards are ripped, or there are very many, it does not say.
    ripped = assign(Problem((Want(600, 20, 3),), (Bar(50, ((0, 1000),), 5),)), [2])
    assert (ripped.cuts, ripped.sure) == (None, False)
    many = Problem(tuple(Want(100 + k, 50, 1) for k in range(30)), (Bar(50, ((0, 1000),), 5),))
    assert not assign(many, [10]).sure


def test_two_stretches_of_a_flawed_bar_are_two_bins() -> None:
    flawed = Problem((Want(450, 50, 1), Want(400, 50, 1)), (Bar(50, ((0, 450), (500, 900)), 0, 1),))
    found = assign(flawed, [1])
    assert found.cuts
    assert found.cuts[0].lanes[0].runs == ((0,), (1,))


def test_a_plan_is_moved_to_the_cheapest_and_then_the_smallest_bar_that_gives_it() -> None:
    bars = (
        Bar(50, ((0, 2000),), 0, 1),
        Bar(50, ((0, 900),), 0, 1),
        Bar(50, ((0, 1500),), 40),
        Bar(50, ((0, 2400),), 60),
    )
    problem = Problem((Want(800, 50, 1), Want(1400, 50, 1)), bars)
    long, short = Lane(50, ((1,),)), Lane(50, ((0,),))
    # 800 leaves the long offcut for the short one; 1400 then comes from the long offcut that it had
    # not, for nothing.
    assert [cut.bar for cut in better_bars(problem, [Cut(0, (short,)), Cut(3, (long,))])] == [1, 0]
    # An offcut is there once: the second 800 is bought, from the cheaper stick.
    twice = Problem((Want(800, 50, 2),), bars[1:])
    assert [cut.bar for cut in better_bars(twice, [Cut(0, (short,)), Cut(2, (short,))])] == [0, 1]


@given(problems)
def test_tidying_keeps_parts_and_total_and_lengthens_the_longest_rest(problem: Problem) -> None:
    start = first_fit(problem)
    assume(start is not None)
    assert start is not None
    done = tidy(problem, start)
    check_sawable(problem, done)
    assert problem.total(done) <= problem.total(start)
    assert Counter(k for cut in done for k in cut.parts) == Counter(
        k for cut in start for k in cut.parts
    )
    assert tidy(problem, done) == done


def test_what_nothing_gives_is_no_plan() -> None:
    with pytest.raises(NoPlan):
        solve(Problem((Want(3000, 1200, 1),), (Bar(1200, ((0, 2000),), 1),)))
    with pytest.raises(NoPlan):
        solve(Problem((Want(1500, 1200, 3),), (Bar(1200, ((0, 2000),), 1, 2),)))
    assert solve(Problem((), (PLAIN,))).cuts == ()


def test_a_part_may_be_as_wide_as_its_bar_but_no_ripped_one_wider_than_is_left_to_plane() -> None:
    problem = Problem(
        (Want(500, 100, 1), Want(500, 98, 1), Want(500, 99, 1)), (Bar(100, ((0, 1000),), 1),), 3, 2
    )
    assert [problem.may(0, k) for k in range(3)] == [True, True, False]


def test_costs_decide_before_bars_do() -> None:
    # Two cheap bars for 5 each beat one for 11; at 10 the one does.
    wants = (Want(900, 50, 2),)
    two, one = Bar(50, ((0, 1000),), 5), Bar(50, ((0, 2000),), 11)
    assert [cut.bar for cut in solve(Problem(wants, (two, one))).cuts] == [0, 0]
    assert [cut.bar for cut in solve(Problem(wants, (two, one._replace(cost=10)))).cuts] == [1]
