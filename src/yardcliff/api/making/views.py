"""The making as the API says it."""

from collections import Counter
from collections.abc import Mapping, Sequence
from datetime import datetime, timedelta

from yardcliff.api.making.wire import (
    BeforeView,
    BiteView,
    CardView,
    CutsView,
    DeadlineView,
    LineView,
    MakingView,
    MarkedView,
    PictureView,
    QuickerView,
    SeenView,
    SettingView,
    StintView,
    TaskView,
    WaitView,
)
from yardcliff.api.racks.views import view_finding
from yardcliff.api.wood.views import view_cuts
from yardcliff.app.locale import UserLocale
from yardcliff.core.brief.building import WaitKind, spoken
from yardcliff.core.built.facts import Fact, Kind, ticked
from yardcliff.core.design.rack_design import Design
from yardcliff.core.making.finish import wait
from yardcliff.core.making.picture import Bite, Cuts, Marked, Picture
from yardcliff.core.making.plan import Made, Quicker
from yardcliff.core.making.scheduling import Slot
from yardcliff.core.making.sequence import Edge
from yardcliff.core.making.task import Task
from yardcliff.messages import tr

WAITS: dict[WaitKind, str] = {
    "glue": "api.glue-until-it-is-worked-on",
    "clamps": "api.glue-in-clamps",
    "conditioner": "api.conditioner",
    "coat": "api.between-coats",
    "cure": "api.finish-until-things-hang",
    "filler": "api.filler-in-the-wall",
}


def items_of(task: Task) -> list[tuple[str, str]]:
    """(item, line) of a card: what each line is ticked by. A line that comes to say something else
    is another one; those that say the same are counted.
    """
    seen = Counter[str]()
    found = []
    for line in task.lines:
        seen[line] += 1
        found.append(
            (f"{task.key}|{line}" if seen[line] == 1 else f"{task.key}|{line}|{seen[line]}", line)
        )
    return found


def view_making(done: Design, made: Made, facts: Sequence[Fact], locale: UserLocale) -> MakingView:
    """The tasks as they are planned; those that are done with the cards that they had."""
    slots = {slot.task.key: slot for slot in made.schedule.slots}
    ticks = ticked(facts)
    cards = {
        fact.what: CardView.model_validate(fact.data["card"])
        for fact in facts
        if fact.data.get("card")
    }
    planned = {task.key: view_card(task, done) for task in made.tasks}
    gone = sorted((key for key in cards if key not in planned), key=lambda key: ticks[key])
    shown = {key: cards[key] for key in gone} | {
        key: cards.get(key, card) for key, card in planned.items()
    }
    before: dict[str, list[BeforeView]] = {}
    for edge in made.why:
        until = _until(edge, shown[edge.first], ticks)
        said = BeforeView(
            key=edge.first,
            title=shown[edge.first].title,
            why=edge.why,
            until=until.isoformat() if until else None,
            until_says=locale.moment(until) if until else "",
        )
        before.setdefault(edge.then, []).append(said)
    finish = made.schedule.finish
    return MakingView(
        tasks=[
            _task(k, key, card, slots.get(key), before.get(key, []), ticks, locale)
            for k, (key, card) in enumerate(shown.items(), 1)
        ],
        findings=[view_finding(finding, done.tape) for finding in made.findings],
        waits=[_wait(kind, tr(label), done) for kind, label in WAITS.items()],
        hands=spoken(sum(task.minutes for task in made.tasks if task.key not in ticks)),
        finish=finish.isoformat() if finish else None,
        finish_says=locale.moment(finish) if finish else "",
        tools=list(made.tools(ticks)),
        clock=next((fact.at for fact in facts if fact.kind is Kind.CLOCK), None),
    )


def _until(edge: Edge, first: CardView, ticks: Mapping[str, str]) -> datetime | None:
    """When what follows a task that is done may begin: after its wait, unless that was seen to be
    over, and what else is waited for.
    """
    wait = max(0 if f"{edge.first}|wait" in ticks else first.wait, edge.lag)
    return (
        datetime.fromisoformat(ticks[edge.first]) + timedelta(minutes=wait)
        if wait and edge.first in ticks
        else None
    )


def _wait(kind: WaitKind, label: str, done: Design) -> WaitView:
    plain = done.brief.making.changed({"waits": {}})
    return WaitView(kind=kind, label=label, usual=spoken(wait(done, plain, kind)))


def _picture(picture: Picture | None, done: Design) -> PictureView | None:
    tape = done.tape
    match picture:
        case Marked(long, at):
            return MarkedView(long=float(long), at=[float(x) for x in at])
        case Cuts(sticks):
            return CutsView(
                sticks=[
                    view_cuts(sawn, steps, done.brief.cutting.takes(tape.trade), tape)
                    for sawn, steps in sticks
                ]
            )
        case Bite(wide, thick, deep, tilt, bit):
            return BiteView(
                wide=float(wide),
                thick=float(thick),
                deep=None if deep is None else float(deep),
                tilt=tilt,
                bit=bit,
                wide_says=tape.write_fine(wide),
                thick_says=tape.write_fine(thick),
                deep_says="" if deep is None else tape.write_fine(deep),
            )
        case None:
            return None
        case view:
            return SeenView(kind=view)


def view_card(task: Task, done: Design) -> CardView:
    """What stands on a task's card."""
    return CardView(
        title=task.title,
        minutes=task.minutes,
        takes=spoken(task.minutes),
        wait=task.wait,
        waits=spoken(task.wait) if task.wait else "",
        waits_for=task.waits_for,
        lines=[LineView(item=item, text=line, done=False) for item, line in items_of(task)],
        picture=_picture(task.picture, done),
        settings=[SettingView(name=name, text=text) for name, text in task.settings],
        ways=list(task.ways),
        checks=list(task.checks),
        cautions=list(task.cautions),
        errand=task.errand,
    )


def _task(
    number: int,
    key: str,
    card: CardView,
    slot: Slot | None,
    before: list[BeforeView],
    ticks: Mapping[str, str],
    locale: UserLocale,
) -> TaskView:
    ended = datetime.fromisoformat(ticks[key]) if key in ticks else slot.end if slot else None
    free = ended + timedelta(minutes=card.wait) if ended and card.wait else None
    lines = [
        LineView(item=line.item, text=line.text, done=line.item in ticks or key in ticks)
        for line in card.lines
    ]
    lines += _lines_of_before(key, card, ticks) if key not in ticks else []
    return TaskView(
        **{**dict(card), "lines": lines},
        key=key,
        number=number,
        before=before,
        stints=[
            StintView(
                day=locale.weekday(stint.start),
                hours=tr("api.to", start=locale.clock(stint.start), end=locale.clock(stint.end)),
                start=stint.start.isoformat(),
                end=stint.end.isoformat(),
            )
            for stint in (slot.stints if slot else ())
        ],
        free=free.isoformat() if free else None,
        free_says=locale.moment(free) if free else "",
        waited=f"{key}|wait" in ticks,
        done=ticks.get(key),
    )


def _lines_of_before(key: str, card: CardView, ticks: Mapping[str, str]) -> list[LineView]:
    """Lines that were ticked off and that the card has no more: what was done stays, though the
    plan went on.
    """
    known = {line.item for line in card.lines} | {f"{key}|wait"}
    gone = [item for item in ticks if item.startswith(f"{key}|") and item not in known]
    return [LineView(item=item, text=item.split("|")[1], done=True, gone=True) for item in gone]


def view_deadline(
    finish: datetime | None, by: datetime, changes: Sequence[Quicker], locale: UserLocale
) -> DeadlineView:
    if finish is None:
        return DeadlineView(
            says=tr("api.there-no-time-for-in-workshops"), makes_it=False, changes=[]
        )
    makes_it = finish <= by
    said = tr("api.done-by-then") if makes_it else tr("api.not-by-then")
    return DeadlineView(
        says=f"{said}: {locale.moment(finish)}.",
        makes_it=makes_it,
        changes=[
            QuickerView(
                says=quicker.says,
                finish=locale.moment(quicker.finish),
                makes_it=quicker.finish <= by,
                patch=quicker.patch,
                shop=quicker.shop,
            )
            for quicker in changes
        ],
    )
