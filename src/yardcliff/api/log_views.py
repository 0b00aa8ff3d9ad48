"""The log as the API says it."""

from yardcliff.api.ledger import Ledger
from yardcliff.api.log_wire import (
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
from yardcliff.api.tongue import Tongue
from yardcliff.core.built.facts import Fact
from yardcliff.core.built.hands import pace_of
from yardcliff.core.built.measured import NO_ROW, SAW_CUT, Measured, Verdict
from yardcliff.core.built.ways_out import WayOut
from yardcliff.core.design import Design
from yardcliff.core.length import Tape, read
from yardcliff.core.making.asked import spoken


def view_verdict(verdict: Verdict, tape: Tape) -> str:
    """All in a line: how much of it is measured, what is off, what the plan followed."""
    rows = [one for one in verdict.rows if one.found is not None or not one.subject.across]
    found = [one for one in rows if one.found is not None]
    off, adopted = sum(not one.good for one in found), sum(one.adopted for one in found)
    if not found:
        return "Nothing is measured yet."
    if off:
        return f"{off} {'is' if off == 1 else 'are'} off by more than a step of the tape."
    many = "All" if len(found) == len(rows) else f"{len(found)} of {len(rows)} measured, all"
    said = [f"{many} as planned" if not adopted else f"{many} as planned by now"]
    said += [f"{adopted} {'was' if adopted == 1 else 'were'} off, and the plan followed"] if adopted else []
    said += [f"the holes drift by {tape.write_fine(abs(verdict.drift))} in the mean"] if verdict.drift else []
    return "; ".join(said) + "."


def view_rows(verdict: Verdict, done: Design) -> list[BuiltRowView]:
    rack = done.rack
    boards = {
        one.subject.part: one.found for one in verdict.rows if one.subject.place is None and not one.subject.across
    }
    found = {part: None if long is None else float(long) for part, long in boards.items()}
    others = [view_measured(one, done.tape) for one in verdict.rows if one.subject.row == NO_ROW]
    rows = [
        BuiltRowView(
            title=rack.named((k,)),
            long=float(row.row.length),
            found=found[row.part],
            measured=[view_measured(one, done.tape) for one in verdict.rows if one.subject.row == k],
        )
        for k, row in enumerate(rack.rows)
    ]
    return [*rows, *([BuiltRowView(title="Other parts", long=0, found=None, measured=others)] if others else [])]


def view_measured(one: Measured, tape: Tape) -> MeasuredView:
    fine = one.subject.what == SAW_CUT
    off = (
        ""
        if one.off is None
        else "0"
        if not one.off
        else f"{'+' if one.off > 0 else '−'}{tape.write_fine(abs(one.off))}"
    )
    planned = one.subject.planned
    return MeasuredView(
        what=one.subject.what, title=one.subject.title, short=one.subject.short, optional=one.subject.across, hole=one.subject.place is not None, planned=tape.write_fine(planned) if fine else tape.write(planned),
        found="" if one.found is None else tape.write_given(one.found), off=off, good=one.good, adopted=one.adopted,
        x=float(planned), found_x=None if one.found is None else float(one.found),
    )  # fmt: skip


def view_log(ledger: Ledger) -> LogView:
    """All of a log, against the plan."""
    done, tongue, tape = ledger.done, ledger.tongue, ledger.done.tape
    found = ledger.verdict
    trouble = [one.subject.what for one in found.rows if not one.good]
    spent, planned, currency = ledger.timbers.stock.spent(ledger.rack_id)
    hours = ledger.hours()
    fits = {one.what: one.data["found"] for one in reversed(ledger.entries) if one.kind == "fit"}
    return LogView(
        rows=view_rows(found, done),
        kerf=view_measured(ledger.kerf, tape),
        trouble=trouble,
        says=view_verdict(found, tape),
        air=tape.write(found.air),
        entries=[view_entry(one, ledger) for one in ledger.entries],
        fits=[FitView(item=key, name=item.name, found=fits.get(key, [])) for key, item in done.rack.kinds.items()],
        hours=spoken(ledger.minutes) if ledger.minutes else "",
        planned_hours=spoken(ledger.planned),
        spent=tongue.money(spent, currency) if currency else "",
        planned_money=tongue.money(planned, currency) if currency else "",
        usual=[HabitView(says=one.says, does=one.does, patch=one.patch) for one in ledger.usual()],
        racks=[HoursView(name=one.name, planned=spoken(one.planned), really=spoken(one.really), up=one.up) for one in hours],
        pace=PaceView(usual=pace_of(hours), reckoned=ledger.bench.shop.pace),
    )  # fmt: skip


def view_entry(one: Fact, ledger: Ledger) -> EntryView:
    return EntryView(id=one.id, day=ledger.tongue.day(one.day), kind=one.kind, says=_says(one, ledger))


def _says(one: Fact, ledger: Ledger) -> str:
    if one.kind == "measured":
        subject = ledger.subjects.get(one.what)
        name = subject.title if subject else f"hole {one.what}, which is no more"
        by = f", by a simulated {one.data['by']}" if one.data.get("by") else ""
        return f"{name}: {ledger.done.tape.write_given(read(one.data['at'], exact=True))}{by}"
    if one.kind == "time":
        return f"{spoken(one.data['minutes'])} at the bench"
    if one.kind == "fit":
        item = ledger.done.rack.kinds.get(one.what)
        return f"{item.name if item else one.what}: {', '.join(one.data['found']) or 'not tried'}"
    return str(one.data["text"])


def view_way(way: WayOut, tape: Tape, currency: str, tongue: Tongue) -> WayOutView:
    costs = [spoken(way.minutes)] if way.minutes else []
    if way.cost is None or way.cost:
        costs.append("no price known" if way.cost is None else tongue.money(way.cost, currency))
    return WayOutView(
        code=way.code, title=way.title, says=way.says, costs=", ".join(costs) or "nothing more", even=tape.write_fine(way.even),
        air=tape.write(way.air), stops=way.stops, cares=way.cares, patch=way.patch, clears=list(way.clears), long=float(way.long),
        x=[float(axis) for axis in way.axes],
    )  # fmt: skip
