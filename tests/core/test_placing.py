"""The placing solver: optimal by its stated order, against trying every step of the tape."""

from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from yardcliff.core.units.spans import cut, meet
from yardcliff.core.wall.placing import Aim, Line, Question, best, fewest

Stretches = list[tuple[int, int]]


@st.composite
def stretches(draw: st.DrawFn, most: int, size: int) -> Stretches:
    """Stretches in order and apart."""
    edges = sorted(draw(st.sets(st.integers(0, most), min_size=2 * size, max_size=2 * size)))
    return list(zip(edges[::2], edges[1::2], strict=True))


@st.composite
def questions(draw: st.DrawFn) -> Question:
    middles = sorted(draw(st.sets(st.integers(0, 120), min_size=1, max_size=5)))
    half = draw(st.integers(0, 4))
    lines = []
    for _ in range(draw(st.integers(1, 2))):
        free = tuple(draw(stretches(60, draw(st.integers(1, 3)))))
        shut = draw(stretches(120, draw(st.integers(0, 2))))
        holds = tuple(cut([(m - half, m + half)], shut) for m in middles)
        lines.append(Line(free, holds, draw(st.integers(1, 2)), draw(st.none() | st.just(60))))
    places = tuple(draw(stretches(90, draw(st.integers(1, 3)))))
    return Question(
        tuple(lines),
        places,
        draw(st.integers(0, 90)),
        tuple(middles),
        40,
        draw(st.sampled_from([1, 2])),
    )


def met(line: Line, x: int) -> list[int]:
    """The studs that a line can have a screw in, tried point by point."""
    on = {u for f, g in line.free for u in range(f, g + 1)}
    if line.even is not None:
        on = {u for u in on if line.even - u in on}
    held = [{p - x for b, c in holds for p in range(b, c + 1)} & on for holds in line.holds]
    if line.even is None:
        return [j for j, found in enumerate(held) if found]
    found = {j for j, u in enumerate(held) if line.even // 2 in u}
    for j, here in enumerate(held):
        for k in range(j + 1, len(held)):
            if any(line.even - u in held[k] for u in here):
                found |= {j, k}
    return sorted(found)


def order(question: Question, x: int, aim: Aim) -> tuple[int, ...]:
    """The stated order, said once more."""
    found = [met(line, x) for line in question.lines]
    at = [[question.middles[j] for j in studs] for studs in found]
    near = (abs(x - question.wanted), x)
    wanting = sum(
        max(line.least - len(studs), 0) for line, studs in zip(question.lines, found, strict=True)
    )
    if aim == "studs":
        return (
            wanting,
            -sum(map(len, at)),
            -sum(max(line) - min(line) for line in at if line),
            *near,
        )
    if aim == "near":
        return wanting, *near
    if aim == "holes":
        wide = sum(any(b - a > question.apart for a, b in pairwise(line)) for line in at)
        return wanting, wide, sum(len(fewest(line, question.apart)) for line in at), *near
    return near


@pytest.mark.parametrize("aim", ["centre", "between", "studs", "holes", "near"])
@given(question=questions())
@cases(150)
def test_no_open_step_of_the_tape_is_better(aim: Aim, question: Question) -> None:
    place = best(question, aim)
    steps = [
        x for low, high in question.open for x in range(low, high + 1) if x % question.step == 0
    ]
    if not steps:
        assert place.x == question.open[0][0]
        return
    assert place.x in steps
    assert order(question, place.x, aim) == min(order(question, x, aim) for x in steps)
    assert place.met == tuple(tuple(met(line, place.x)) for line in question.lines)


def test_two_studs_are_worth_a_step_aside() -> None:
    # A board of 500 with screws 30 from its ends at the least, studs at 300, 700 and 1100: it meets
    # two only from 700 - 470 = 230 to 300 - 30 = 270, or 400 further on, give or take the 12 that a
    # stud of 44 holds beside its middle.
    holds = tuple(((m - 12, m + 12),) for m in (300, 700, 1100))
    question = Question((Line(((30, 470),), holds),), ((0, 1000),), 460, (300, 700, 1100), 800, 1)
    assert best(question, "centre").met == ((1,),)
    found = best(question, "studs")
    assert (found.x, found.met) == (618, ((1, 2),))
    assert best(question, "holes").x == 618


@given(
    spans=stretches(60, 3),
    out=st.lists(st.tuples(st.integers(0, 60), st.integers(0, 60)), max_size=5),
    other=stretches(60, 2),
)
def test_stretches_are_cut_and_met_point_by_point(
    spans: Stretches, out: Stretches, other: Stretches
) -> None:
    inside = {p for a, b in spans for p in range(a, b + 1)}
    left = inside - {p for a, b in out for p in range(a + 1, b)}
    assert {p for a, b in cut(spans, out) for p in range(a, b + 1)} == left
    assert {p for a, b in meet(spans, other) for p in range(a, b + 1)} == inside & {
        p for a, b in other for p in range(a, b + 1)
    }
