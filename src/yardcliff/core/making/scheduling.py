"""When each task is done: in the hours of the workshop, by one pair of hands, while glue sets and
finish dries.

Times are naive, as the clock on the workshop's wall shows them; they are passed in, nothing here
knows what time it is.
"""

from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta

from yardcliff.core.base.effort import check
from yardcliff.core.making.sequence import Edge
from yardcliff.core.making.task import Task
from yardcliff.core.workshop.shop import Hours, Shop, minute

Rank = Callable[[int], tuple[int, int]]
"""Which of the tasks that could begin at once goes first."""
MOST_DAYS = 730
"""Beyond so many days a plan is none."""


@dataclass(frozen=True, slots=True)
class Stint:
    """A stretch at the bench."""

    start: datetime
    end: datetime


@dataclass(frozen=True, slots=True)
class Slot:
    """When a task is done: one stint, or several where it is left lying; what it waits for is over
    at `free`.
    """

    task: Task
    stints: tuple[Stint, ...]
    free: datetime

    @property
    def start(self) -> datetime:
        return self.stints[0].start

    @property
    def end(self) -> datetime:
        return self.stints[-1].end


@dataclass(frozen=True, slots=True)
class Schedule:
    """The slots by their start; `long` are tasks that no evening is long enough for, in one piece;
    `over` that the hours do not suffice at all.
    """

    slots: tuple[Slot, ...]
    long: tuple[Task, ...] = ()
    over: bool = False

    @property
    def finish(self) -> datetime | None:
        """When the last hand is done; None where the hours do not suffice."""
        return None if self.over else max((slot.end for slot in self.slots), default=None)


def schedule(
    tasks: Sequence[Task],
    among: Sequence[Edge],
    shop: Shop,
    start: datetime,
    done: Mapping[str, datetime] | None = None,
) -> Schedule:
    """The earliest plan that was found, by two rules of which task goes first: what the longest
    chain of work and waits hangs on, or as they stand. What is `done` since then is planned no
    more, only its wait still counts.

    Parallel schedule generation (Kolisch 1996) with the hands, clamps and places to dry as
    resources.
    """
    check()
    done = done or {}
    if not shop.hours:
        return Schedule((), (), over=True)
    tails = _tails(tasks, among)
    by_tail = _planned(tasks, among, shop, start, done, lambda k: (-tails[tasks[k].key], k))
    as_they_stand = _planned(tasks, among, shop, start, done, lambda k: (0, k))
    both = [one for one in (as_they_stand, by_tail) if not one.over] or [as_they_stand]
    return min(both, key=lambda one: one.finish or start)


def _tails(tasks: Sequence[Task], among: Sequence[Edge]) -> dict[str, int]:
    """What is left from the start of each task on, minutes: the longest chain of work and waits
    (the critical path).
    """
    then: dict[str, list[Edge]] = {}
    for edge in among:
        then.setdefault(edge.first, []).append(edge)
    by_key = {task.key: task for task in tasks}
    found: dict[str, int] = {}

    def tail(key: str) -> int:
        if key not in found:
            task = by_key[key]
            after = (max(task.wait, edge.lag) + tail(edge.then) for edge in then.get(key, ()))
            found[key] = task.minutes + max(after, default=0)
        return found[key]

    for task in tasks:
        tail(task.key)
    return found


@dataclass(slots=True)
class _Held:
    """Something held from one time to another: so many clamps, or a place to dry."""

    start: datetime
    end: datetime
    many: int


def _planned(
    tasks: Sequence[Task],
    among: Sequence[Edge],
    shop: Shop,
    start: datetime,
    done: Mapping[str, datetime],
    rank: Rank,
) -> Schedule:
    by_key = {task.key: task for task in tasks}
    ready: dict[str, datetime] = {}
    before: dict[str, list[Edge]] = {task.key: [] for task in tasks}
    for edge in among:
        before[edge.then].append(edge)
    ends = {key: at for key, at in done.items() if key in by_key}
    clamps, drying = [], []
    for key, at in ends.items():
        clamps += _clamped(by_key[key], at, shop)
        drying += _dried(by_key[key], at)
    left = [k for k, task in enumerate(tasks) if task.key not in ends]
    slots: list[Slot] = []
    long: list[Task] = []
    hands = start
    while left:
        best: tuple[datetime, tuple[int, int], tuple[Stint, ...], Task] | None = None
        for k in left:
            task = tasks[k]
            if any(edge.first not in ends for edge in before[task.key]):
                continue
            if task.key not in ready:
                free = [
                    ends[e.first] + timedelta(minutes=max(by_key[e.first].wait, e.lag))
                    for e in before[task.key]
                ]
                ready[task.key] = max([start, *free])
            stints = _begun(task, max(hands, ready[task.key]), shop, clamps, drying)
            if stints and (best is None or (stints[0].start, rank(k)) < best[:2]):
                best = stints[0].start, rank(k), stints, task
        if best is None:
            return Schedule(tuple(slots), tuple(long), over=True)
        _, _, stints, task = best
        if len(stints) > 1 and not task.splits:
            long.append(task)
        end = stints[-1].end
        slots.append(Slot(task, stints, end + timedelta(minutes=task.wait)))
        clamps += _clamped(task, end, shop)
        drying += _dried(task, end)
        ends[task.key] = hands = end
        left.remove(tasks.index(task))
    return Schedule(tuple(sorted(slots, key=lambda slot: slot.start)), tuple(long))


def _clamped(task: Task, end: datetime, shop: Shop) -> list[_Held]:
    held = min(task.clamps, shop.clamps)
    return [_Held(end, end + timedelta(minutes=task.clamped), held)] if held else []


def _dried(task: Task, end: datetime) -> list[_Held]:
    return [_Held(end, end + timedelta(minutes=task.wait), 1)] if task.dries and task.wait else []


def _begun(
    task: Task, at: datetime, shop: Shop, clamps: Sequence[_Held], drying: Sequence[_Held]
) -> tuple[Stint, ...]:
    """Its first stints from `at` on: in the shop's hours or those of errands, in one piece if it
    does not split, with clamps and a place to dry from its end on; none where the hours do not
    suffice.
    """
    week = shop.week(task.errand)
    whole = not task.splits and _fits_any(task, week)
    for stint in _open(week, at):
        over = [held.end for held in (*clamps, *drying) if stint.start < held.end < stint.end]
        for begin in sorted({stint.start, *over}):
            stints = _stints(task, begin, week)
            if not stints:
                return ()
            end = stints[-1].end
            if (
                (len(stints) == 1 or not whole)
                and _room(end, task.clamped, min(task.clamps, shop.clamps), shop.clamps, clamps)
                and (not task.dries or _room(end, task.wait, 1, shop.drying, drying))
            ):
                return stints
    return ()


def _room(start: datetime, minutes: int, many: int, most: int, held: Sequence[_Held]) -> bool:
    """Whether so many more may be held from then on."""
    end = start + timedelta(minutes=minutes)
    if not many or start == end:
        return True
    edges = [start, *(one.start for one in held if start <= one.start < end)]
    return all(
        sum(one.many for one in held if one.start <= at < one.end) + many <= most for at in edges
    )


def _fits_any(task: Task, week: Iterable[Hours]) -> bool:
    """Whether any stretch of the week is long enough for all of it."""
    return any(minute(hours.end) - minute(hours.start) >= task.minutes for hours in week)


def _open(week: Sequence[Hours], at: datetime) -> Iterator[Stint]:
    """The stretches of the week's hours from then on; the first may have begun."""
    day = at.replace(hour=0, minute=0, second=0, microsecond=0)
    for k in range(MOST_DAYS):
        today = day + timedelta(days=k)
        for hours in week:
            if hours.day == today.weekday():
                end = today + timedelta(minutes=minute(hours.end))
                begin = max(today + timedelta(minutes=minute(hours.start)), at)
                if begin < end:
                    yield Stint(begin, end)


def _stints(task: Task, at: datetime, week: Sequence[Hours]) -> tuple[Stint, ...]:
    """A task from then on, over as many stretches as it takes; nothing where they do
    not suffice.
    """
    left = timedelta(minutes=task.minutes)
    found = []
    for stint in _open(week, at):
        takes = min(left, stint.end - stint.start)
        found.append(Stint(stint.start, stint.start + takes))
        left -= takes
        if not left:
            return tuple(found)
    return ()
