"""The making as the API says it."""

from collections.abc import Mapping, Sequence
from datetime import UTC, datetime

from yardcliff.api.making_wire import (
    BeforeView,
    DeadlineView,
    LineView,
    MakingView,
    QuickerView,
    SettingView,
    StintView,
    TaskView,
    TimerView,
    WaitView,
)
from yardcliff.api.tongue import Tongue
from yardcliff.api.views import view_finding
from yardcliff.core.design import Design
from yardcliff.core.making.asked import WaitKind, spoken
from yardcliff.core.making.making import Made, Quicker
from yardcliff.core.making.schedule import Slot
from yardcliff.core.making.task import Task
from yardcliff.core.making.tasks import wait
from yardcliff.store.bench import Timer

WAITS: dict[WaitKind, str] = {
    "glue": "glue, until it is worked on",
    "clamps": "glue, in clamps",
    "conditioner": "conditioner",
    "coat": "between coats",
    "cure": "finish, until things hang",
    "filler": "filler in the wall",
}


def item_of(task: Task, line: str) -> str:
    """What a line of a card is ticked by: a line that says something else is another one."""
    return f"{task.key}|{line}"


def view_making(
    done: Design, made: Made, ticks: Mapping[str, str], timers: Sequence[Timer], now: datetime, tongue: Tongue
) -> MakingView:
    """`now` is UTC: what the timers count from."""
    slots = {slot.task.key: slot for slot in made.schedule.slots}
    titles = {task.key: task.title for task in made.tasks}
    before: dict[str, list[BeforeView]] = {}
    for edge in made.why:
        before.setdefault(edge.then, []).append(BeforeView(key=edge.first, title=titles[edge.first], why=edge.why))
    finish = made.schedule.finish
    return MakingView(
        tasks=[
            _task(k, task, slots.get(task.key), before.get(task.key, []), ticks, tongue)
            for k, task in enumerate(made.tasks, 1)
        ],
        findings=[view_finding(finding, done.tape) for finding in made.findings],
        timers=[_timer(one, now) for one in timers],
        waits=[_wait(kind, label, done) for kind, label in WAITS.items()],
        hands=spoken(sum(task.minutes for task in made.tasks if task.key not in ticks)),
        finish=finish.isoformat() if finish else None,
        finish_says=tongue.moment(finish) if finish else "",
    )


def _wait(kind: WaitKind, label: str, done: Design) -> WaitView:
    plain = done.brief.making.model_copy(update={"waits": {}})
    return WaitView(kind=kind, label=label, usual=spoken(wait(plain, done.brief.cutting.finish, kind)))


def _task(
    number: int, task: Task, slot: Slot | None, before: list[BeforeView], ticks: Mapping[str, str], tongue: Tongue
) -> TaskView:
    return TaskView(
        key=task.key,
        number=number,
        title=task.title,
        minutes=task.minutes,
        takes=spoken(task.minutes),
        wait=task.wait,
        waits=spoken(task.wait) if task.wait else "",
        waits_for=task.waits_for,
        lines=[
            LineView(item=item_of(task, line), text=line, done=item_of(task, line) in ticks or task.key in ticks)
            for line in task.lines
        ],
        settings=[SettingView(name=name, text=text) for name, text in task.settings],
        ways=list(task.ways),
        checks=list(task.checks),
        cautions=list(task.cautions),
        before=before,
        stints=[
            StintView(
                day=tongue.weekday(stint.start),
                hours=f"{tongue.clock(stint.start)} to {tongue.clock(stint.end)}",
                start=stint.start.isoformat(),
                end=stint.end.isoformat(),
            )
            for stint in (slot.stints if slot else ())
        ],
        free=slot.free.isoformat() if slot and task.wait else None,
        free_says=tongue.moment(slot.free) if slot and task.wait else "",
        done=ticks.get(task.key),
    )


def _timer(one: Timer, now: datetime) -> TimerView:
    started = datetime.fromisoformat(one.started_at)
    gone = (now - (started if started.tzinfo else started.replace(tzinfo=UTC))).total_seconds()
    return TimerView(id=one.id, task=one.task, says=one.says, minutes=one.minutes, left=round(one.minutes * 60 - gone))


def view_deadline(finish: datetime | None, by: datetime, changes: Sequence[Quicker], tongue: Tongue) -> DeadlineView:
    if finish is None:
        return DeadlineView(says="There is no time for it in the workshop's hours.", makes_it=False, changes=[])
    makes_it = finish <= by
    said = "Done by then" if makes_it else "Not by then"
    return DeadlineView(
        says=f"{said}: {tongue.moment(finish)}.",
        makes_it=makes_it,
        changes=[
            QuickerView(
                says=one.says,
                finish=tongue.moment(one.finish),
                makes_it=one.finish <= by,
                patch=one.patch,
                shop=one.shop,
            )
            for one in changes
        ],
    )
