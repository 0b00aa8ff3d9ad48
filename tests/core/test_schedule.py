"""Days at the bench: in the workshop's hours, one pair of hands, waits kept, no more clamps than
there are.
"""

from datetime import datetime, timedelta
from itertools import pairwise

from hypothesis import given
from hypothesis import strategies as st

from yardcliff.core.making.scheduling import Schedule, schedule
from yardcliff.core.making.sequence import Edge, broken, direct, own
from yardcliff.core.making.task import Task
from yardcliff.core.workshop.shop import Hours, Shop

MONDAY = datetime(2026, 11, 30)
EVENINGS = Shop(hours=tuple(Hours(day=day, start="19:00", end="21:00") for day in range(5)))


def task(key: str, minutes: int, wait: int = 0, **more: object) -> Task:
    return Task(key, 0, key, minutes, wait=wait, **more)  # type: ignore[arg-type]


some_tasks = st.lists(
    st.builds(
        lambda *row: row,
        st.integers(0, 200),
        st.sampled_from((0, 30, 240, 900, 3000)),
        st.integers(0, 5),
        st.booleans(),
        st.booleans(),
        st.booleans(),
    ),
    min_size=1,
    max_size=9,
).map(
    lambda rows: tuple(
        Task(
            str(k),
            0,
            str(k),
            minutes,
            wait=wait,
            clamps=clamps,
            clamped=wait // 2,
            dries=dries,
            splits=splits,
            errand=errand,
        )
        for k, (minutes, wait, clamps, dries, splits, errand) in enumerate(rows)
    )
)
some_hours = st.dictionaries(
    st.integers(0, 6), st.tuples(st.integers(8, 14), st.integers(15, 22)), min_size=1, max_size=4
).map(
    lambda days: tuple(
        Hours(day=day, start=f"{start:02}:00", end=f"{end:02}:30")
        for day, (start, end) in days.items()
    )
)
pairs = st.lists(st.tuples(st.integers(0, 8), st.integers(0, 8)), max_size=12)


@given(
    some_tasks,
    some_hours,
    st.just(()) | some_hours,
    pairs,
    st.integers(0, 6),
    st.integers(1, 3),
    st.integers(0, 10_000),
)
def test_no_plan_breaks_an_hour_a_wait_or_a_clamp(
    tasks: tuple[Task, ...],
    hours: tuple[Hours, ...],
    errands: tuple[Hours, ...],
    before: list[tuple[int, int]],
    clamps: int,
    drying: int,
    later: int,
) -> None:
    shop = Shop(hours=hours, errands=errands, clamps=clamps, drying=drying)
    among = tuple(Edge(str(a), str(b), "") for a, b in before if a < b < len(tasks))
    start = MONDAY + timedelta(minutes=later)
    found = schedule(tasks, among, shop, start)
    assert not found.over
    slots = {slot.task.key: slot for slot in found.slots}
    assert slots.keys() == {one.key for one in tasks}
    stints = sorted(
        (stint.start, stint.end, slot.task.errand) for slot in found.slots for stint in slot.stints
    )
    assert all(end <= begin for (_, end, _), (begin, *_) in pairwise(stints))
    for begin, end, errand in stints:
        assert start <= begin
        assert any(
            one.day == begin.weekday()
            and one.start <= f"{begin:%H:%M}"
            and f"{end:%H:%M}" <= one.end
            and begin.date() == end.date()
            for one in (errand and errands) or hours
        )
    for slot in found.slots:
        assert sum((stint.end - stint.start for stint in slot.stints), timedelta()) == timedelta(
            minutes=slot.task.minutes
        )
        assert slot.task.splits or len(slot.stints) == 1 or slot.task in found.long
        assert slot.free == slot.end + timedelta(minutes=slot.task.wait)
    assert all(slots[edge.first].free <= slots[edge.then].start for edge in among)
    for slot in found.slots:
        held = [
            one
            for one in found.slots
            if one.end <= slot.end < one.end + timedelta(minutes=one.task.clamped)
        ]
        assert sum(min(one.task.clamps, clamps) for one in held) <= clamps
        assert (
            sum(one.task.dries for one in found.slots if one.end <= slot.end < one.free) <= drying
        )
    assert schedule(tasks, among, shop, start) == found


def when(found: Schedule, key: str) -> list[str]:
    slot = next(slot for slot in found.slots if slot.task.key == key)
    return [f"{stint.start:%a %H:%M}-{stint.end:%H:%M}" for stint in slot.stints]


def test_glue_sets_overnight_while_other_things_are_done() -> None:
    glue, peg, coat = (
        task("glue", 30, 720, splits=False),
        task("peg", 45),
        task("coat", 20, splits=False),
    )
    found = schedule((glue, peg, coat), (Edge("glue", "coat", ""),), EVENINGS, MONDAY)
    assert (when(found, "glue"), when(found, "peg")) == (["Mon 19:00-19:30"], ["Mon 19:30-20:15"])
    # Twelve hours from 19:30 are over at 7:30, and the workshop opens in the evening.
    assert when(found, "coat") == ["Tue 19:00-19:20"]


def test_what_hangs_on_the_longest_wait_goes_first_though_it_stands_last() -> None:
    sand, glue = task("sand", 90), task("glue", 30, 2880)
    found = schedule(
        (sand, glue, task("mount", 30)),
        (Edge("glue", "mount", ""), Edge("sand", "mount", "")),
        EVENINGS,
        MONDAY,
    )
    assert when(found, "glue") == ["Mon 19:00-19:30"]
    assert when(found, "mount") == ["Wed 19:30-20:00"]


def test_work_is_left_lying_but_glue_is_not() -> None:
    found = schedule(
        (task("saw", 100), task("rout", 60), task("glue", 60, 600, splits=False)),
        (Edge("saw", "rout", ""), Edge("rout", "glue", "")),
        EVENINGS,
        MONDAY,
    )
    assert when(found, "rout") == ["Mon 20:40-21:00", "Tue 19:00-19:40"]
    assert when(found, "glue") == ["Tue 19:40-20:40"]
    # What no evening is long enough for is said, and planned all the same.
    long = schedule((task("glue", 150, splits=False),), (), EVENINGS, MONDAY)
    assert [one.key for one in long.long] == ["glue"]
    assert len(when(long, "glue")) == 2


def test_clamps_and_places_to_dry_are_waited_for() -> None:
    boxes = tuple(task(f"box {k}", 20, 90, clamps=4, clamped=60, splits=False) for k in range(2))
    few = schedule(boxes, (), EVENINGS.model_copy(update={"clamps": 6}), MONDAY)
    assert [when(few, one.key) for one in boxes] == [["Mon 19:00-19:20"], ["Mon 20:20-20:40"]]
    many = schedule(boxes, (), EVENINGS.model_copy(update={"clamps": 8}), MONDAY)
    assert when(many, "box 1") == ["Mon 19:20-19:40"]
    coats = tuple(task(f"coat {k}", 10, 60, dries=True, splits=False) for k in range(2))
    one = schedule(coats, (), EVENINGS.model_copy(update={"drying": 1}), MONDAY)
    assert when(one, "coat 1") == ["Mon 20:10-20:20"]


def test_what_is_done_is_planned_no_more_but_its_wait_still_counts() -> None:
    tasks = task("glue", 30, 720), task("coat", 20)
    done = {"glue": datetime(2026, 12, 1, 10)}
    found = schedule(tasks, (Edge("glue", "coat", ""),), EVENINGS, datetime(2026, 12, 1, 11), done)
    assert [slot.task.key for slot in found.slots] == ["coat"]
    assert when(found, "coat") == ["Wed 19:00-19:20"]


def test_no_hours_is_no_plan() -> None:
    assert schedule((task("saw", 10),), (), Shop(hours=()), MONDAY).over
    assert schedule((task("saw", 10),), (), Shop(hours=()), MONDAY).finish is None


def test_what_was_done_holds_its_clamps_and_its_place_to_dry_and_more_than_one_of_them() -> None:
    shop = EVENINGS.model_copy(update={"clamps": 4, "drying": 2})
    at = MONDAY.replace(hour=19)
    glued = [task(key, 10, clamps=2, clamped=300) for key in "abc"]
    found = schedule(glued, (), shop, at, {"a": at, "b": at})
    assert when(found, "c") == ["Tue 19:00-19:10"]
    assert when(schedule(glued, (), shop, at, {"a": at}), "b") == ["Mon 19:00-19:10"]
    coated = [task(key, 10, 300, dries=True) for key in "abc"]
    assert when(schedule(coated, (), shop, at, {"a": at, "b": at}), "c") == ["Tue 19:00-19:10"]
    assert when(schedule(coated, (), shop, at, {"a": at}), "b") == ["Mon 19:00-19:10"]


def test_what_lasts_a_whole_evening_is_kept_for_one() -> None:
    sand, glue = task("sand", 30), task("glue", 120, splits=False)
    found = schedule((sand, glue), (Edge("sand", "glue", ""),), EVENINGS, MONDAY)
    assert (when(found, "sand"), found.long) == (["Mon 19:00-19:30"], ())
    assert when(found, "glue") == ["Tue 19:00-21:00"]


def test_hours_that_do_not_suffice_leave_the_plan_as_far_as_it_goes() -> None:
    """Two hours on five days a week: two years of them are 62,400 minutes."""
    whole = task("carve", 130, splits=False)
    found = schedule((whole, task("for ever", 70_000)), (), EVENINGS, MONDAY)
    assert (found.over, found.finish, found.long) == (True, None, (whole,))
    assert [slot.task.key for slot in found.slots] == ["carve"]


def test_what_a_users_order_does_not_know_comes_as_soon_as_it_may() -> None:
    first, second, third, fourth, fifth = (task(key, 10) for key in "abcde")
    among = (Edge("a", "d", "a before d"), Edge("c", "d", "c before d"))
    tasks = (first, second, third, fourth, fifth)
    assert [one.key for one in own(tasks, ("b", "c", "a"), among)] == [*"ebcad"]
    assert [one.key for one in own(tasks, ("a", "c", "b"), among)] == [*"eacdb"]


def test_what_comes_too_early_is_offered_right_after_what_it_needs() -> None:
    tasks = tuple(task(key, 10) for key in "dabc")
    (found,) = broken(tasks, (Edge("b", "d", "It needs it."), Edge("a", "c", "")))
    assert (found.value, found.limit, found.part) == ("1", "after 3", "d")
    after, back = (fix.patch["making"]["order"] for fix in found.fixes)
    assert (after, back) == ([*"abdc"], [])
    assert not [*broken(own(tasks, after, ()), (Edge("b", "d", ""),))]


def test_an_edge_that_a_longer_way_says_as_well_is_left_out_unless_it_waits() -> None:
    long, short = Edge("a", "c", ""), (Edge("a", "b", ""), Edge("b", "c", ""))
    assert direct((*short, long)) == short
    waits = Edge("a", "c", "", 60)
    assert direct((*short, waits)) == (*short, waits)
