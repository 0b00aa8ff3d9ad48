"""The log as the API says it."""

from yardcliff.api.log.wire import (
    BuiltRowView,
    EntryView,
    FitView,
    HabitView,
    HoursView,
    LogView,
    MeasuredView,
    PaceView,
    WayOutView,
)
from yardcliff.app.locale import UserLocale
from yardcliff.app.rack_log import RackLog
from yardcliff.core.brief.building import spoken
from yardcliff.core.built.facts import Fact
from yardcliff.core.built.habits import pace_of
from yardcliff.core.built.way import WayOut
from yardcliff.core.design.measuring import NO_ROW, SAW_CUT, Measured, Verdict
from yardcliff.core.design.rack_design import Design
from yardcliff.core.units.length import Tape
from yardcliff.core.units.length_text import read
from yardcliff.messages import tr


def view_verdict(verdict: Verdict, tape: Tape) -> str:
    """All in a line: how much of it is measured, what is off, what the plan followed."""
    rows = [
        measured
        for measured in verdict.rows
        if measured.found is not None or not measured.subject.across
    ]
    found = [measured for measured in rows if measured.found is not None]
    off, adopted = (
        sum(not measured.good for measured in found),
        sum(measured.adopted for measured in found),
    )
    if not found:
        return tr("api.nothing-is-measured-yet")
    if off:
        return tr("api.off-by-more-than-step-tape", n=off)
    some = {"count": len(found), "of": len(rows)}
    now, ever = (
        ("api.all-as-planned-by-now", "api.all-as-planned")
        if len(found) == len(rows)
        else ("api.measured-as-planned-by-now", "api.measured-as-planned")
    )
    said = [tr(now if adopted else ever, **some)]
    said += [tr("api.off-and-the-plan-followed", n=adopted)] if adopted else []
    said += (
        [tr("api.holes-drift-by-in-mean", drift=tape.write_fine(abs(verdict.drift)))]
        if verdict.drift
        else []
    )
    return "; ".join(said) + "."


def view_rows(verdict: Verdict, done: Design) -> list[BuiltRowView]:
    rack = done.rack
    boards = {
        measured.subject.part: measured.found
        for measured in verdict.rows
        if measured.subject.place is None and not measured.subject.across
    }
    found = {part: None if long is None else float(long) for part, long in boards.items()}
    others = [
        view_measured(measured, done.tape)
        for measured in verdict.rows
        if measured.subject.row == NO_ROW
    ]
    rows = [
        BuiltRowView(
            title=rack.named((k,)),
            long=float(row.row.length),
            found=found[row.part],
            measured=[
                view_measured(measured, done.tape)
                for measured in verdict.rows
                if measured.subject.row == k
            ],
        )
        for k, row in enumerate(rack.rows)
    ]
    return [
        *rows,
        *(
            [BuiltRowView(title=tr("api.other-parts"), long=0, found=None, measured=others)]
            if others
            else []
        ),
    ]


def view_measured(measured: Measured, tape: Tape) -> MeasuredView:
    fine = measured.subject.what == SAW_CUT
    off = (
        ""
        if measured.off is None
        else "0"
        if not measured.off
        else f"{'+' if measured.off > 0 else '−'}{tape.write_fine(abs(measured.off))}"
    )
    planned = measured.subject.planned
    return MeasuredView(
        what=measured.subject.what,
        title=measured.subject.title,
        short=measured.subject.short,
        optional=measured.subject.across,
        hole=measured.subject.place is not None,
        planned=tape.write_fine(planned) if fine else tape.write(planned),
        found="" if measured.found is None else tape.write_given(measured.found),
        off=off,
        good=measured.good,
        adopted=measured.adopted,
        x=float(planned),
        found_x=None if measured.found is None else float(measured.found),
    )


def view_log(log: RackLog, locale: UserLocale) -> LogView:
    """All of a log, against the plan."""
    done, tape = log.design, log.design.tape
    found = log.verdict
    trouble = [measured.subject.what for measured in found.rows if not measured.good]
    spent, planned, currency = log.app.supplies.stock.spent(log.rack_id)
    hours = log.hours()
    fits = {fact.what: fact.data["found"] for fact in reversed(log.entries) if fact.kind == "fit"}
    return LogView(
        rows=view_rows(found, done),
        kerf=view_measured(log.kerf, tape),
        trouble=trouble,
        says=view_verdict(found, tape),
        air=tape.write(found.air),
        entries=[view_entry(fact, log, locale) for fact in log.entries],
        fits=[
            FitView(item=key, name=item.name, found=fits.get(key, []))
            for key, item in done.rack.kinds.items()
        ],
        hours=spoken(log.minutes) if log.minutes else "",
        planned_hours=spoken(log.planned),
        spent=locale.money(spent, currency) if currency else "",
        planned_money=locale.money(planned, currency) if currency else "",
        usual=[
            HabitView(says=habit.says, does=habit.does, patch=habit.patch) for habit in log.usual()
        ],
        racks=[
            HoursView(
                name=one.name, planned=spoken(one.planned), really=spoken(one.really), up=one.up
            )
            for one in hours
        ],
        pace=PaceView(usual=pace_of(hours), reckoned=log.app.workshop.shop.pace),
    )


def view_entry(fact: Fact, log: RackLog, locale: UserLocale) -> EntryView:
    return EntryView(id=fact.id, day=locale.day(fact.day), kind=fact.kind, says=_says(fact, log))


def _says(fact: Fact, log: RackLog) -> str:
    if fact.kind == "measured":
        subject = log.subjects.get(fact.what)
        name = subject.title if subject else tr("api.hole-which-is-no-more", number=fact.what)
        by = tr("api.by-a-simulated", by=fact.data["by"]) if fact.data.get("by") else ""
        return f"{name}: {log.design.tape.write_given(read(fact.data['at'], exact=True))}{by}"
    if fact.kind == "time":
        return tr("api.at-the-bench", spoken=spoken(fact.data["minutes"]))
    if fact.kind == "fit":
        item = log.design.rack.kinds.get(fact.what)
        found = ", ".join(fact.data["found"]) or tr("api.not-tried")
        return f"{item.name if item else fact.what}: {found}"
    return str(fact.data["text"])


def view_way(way: WayOut, tape: Tape, currency: str, locale: UserLocale) -> WayOutView:
    costs = [spoken(way.minutes)] if way.minutes else []
    if way.cost is None or way.cost:
        costs.append(
            tr("api.no-price-known") if way.cost is None else locale.money(way.cost, currency)
        )
    return WayOutView(
        code=way.code,
        title=way.title,
        says=way.says,
        costs=", ".join(costs) or tr("api.nothing-more"),
        even=tape.write_fine(way.even),
        air=tape.write(way.air),
        stops=way.stops,
        cares=way.cares,
        patch=way.patch,
        clears=list(way.clears),
        long=float(way.long),
        x=[float(axis) for axis in way.axes],
    )
