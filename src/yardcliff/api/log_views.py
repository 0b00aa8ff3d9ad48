"""The log as the API says it."""

from yardcliff.api.log_wire import EntryView, MeasuredView, WayOutView
from yardcliff.api.tongue import Tongue
from yardcliff.core.built.measured import BOARD, SAW_CUT, Measured
from yardcliff.core.built.ways_out import WayOut
from yardcliff.core.design import Design
from yardcliff.core.exact import Fraction
from yardcliff.core.length import Tape, read
from yardcliff.core.making.asked import spoken
from yardcliff.store.log import Entry


def view_verdict(drift: Fraction | None, off: int, any_measured: bool, tape: Tape) -> str:
    if not any_measured:
        return "Nothing is measured yet."
    if off:
        return f"{off} {'is' if off == 1 else 'are'} off by more than a step of the tape."
    return (
        f"All as planned; the holes drift by {tape.write_fine(abs(drift))} in the mean." if drift else "All as planned."
    )


def view_measured(one: Measured, done: Design) -> MeasuredView:
    tape = done.tape
    off = (
        ""
        if one.off is None
        else "0"
        if not one.off
        else f"{'+' if one.off > 0 else '−'}{tape.write_fine(abs(one.off))}"
    )
    return MeasuredView(
        what=one.what, title=_title(one.what), planned=tape.write_fine(one.planned) if one.what == SAW_CUT else tape.write(one.planned),
        found="" if one.found is None else tape.write_given(one.found), off=off, good=one.good,
        x=float(one.planned), found_x=None if one.found is None else float(one.found),
    )  # fmt: skip


def _title(what: str) -> str:
    return {BOARD: "the board", SAW_CUT: "a saw cut"}.get(what, f"hole {what}")


def view_entry(one: Entry, done: Design, tongue: Tongue) -> EntryView:
    return EntryView(id=one.id, day=tongue.day(one.day), kind=one.kind, says=_says(one, done))


def _says(one: Entry, done: Design) -> str:
    if one.kind == "measured":
        return f"{_title(one.what)}: {done.tape.write_given(read(one.data['at']))}"
    if one.kind == "time":
        return f"{spoken(one.data['minutes'])} at the bench"
    if one.kind == "fit":
        item = done.rack.kinds.get(one.what)
        return f"{item.name if item else one.what}: {', '.join(one.data['found']) or 'not tried'}"
    return str(one.data["text"])


def view_way(way: WayOut, tape: Tape, clears: list[str], currency: str, tongue: Tongue) -> WayOutView:
    costs = [spoken(way.minutes)] if way.minutes else []
    if way.cost is None or way.cost:
        costs.append("no price known" if way.cost is None else tongue.money(way.cost, currency))
    return WayOutView(
        code=way.code, title=way.title, says=way.says, costs=", ".join(costs) or "nothing more", even=tape.write_fine(way.even),
        air=tape.write(way.air), stops=way.stops, cares=way.cares, patch=way.patch, clears=clears, long=float(way.long),
        x=[float(axis) for axis in way.axes],
    )  # fmt: skip
