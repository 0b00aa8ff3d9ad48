"""The log of a rack: measured against planned, ways out, dated entries; what was built made again."""

from collections.abc import Iterable
from typing import Annotated

from fastapi import APIRouter, Query, Response
from pydantic import TypeAdapter, ValidationError

from yardcliff.api.deps import AtBench, KeptLog, OnSite, Speaks, Store, Supplies, Timbers, Workshop
from yardcliff.api.log_views import view_entry, view_measured, view_verdict, view_way
from yardcliff.api.log_wire import EntryText, FitView, LogView, WayOutView
from yardcliff.api.making import When, planned_time
from yardcliff.api.racks import Paper, attached, view_stored
from yardcliff.api.wire import RackView
from yardcliff.core.amend import BriefError, amend, dump, problems, read_brief
from yardcliff.core.built.measured import BOARD, SAW_CUT, Built, Measured, measured
from yardcliff.core.built.ways_out import taught, ways_out
from yardcliff.core.design import Design
from yardcliff.core.exact import Fraction
from yardcliff.core.findings import Patch
from yardcliff.core.length import LengthError, Tape, exact_text, read
from yardcliff.core.making.asked import Minutes, spoken
from yardcliff.core.making.making import making
from yardcliff.core.making.tasks import tasks
from yardcliff.core.timber.timber import priced
from yardcliff.store.log import Entry

router = APIRouter(prefix="/api/racks/{rack_id}/log", tags=["log"])


def _built(entries: Iterable[Entry], done: Design) -> Built:
    """What was measured of the holes that there are: those of a longer row are left aside."""
    read_by = {one.what: read(one.data["at"]) for one in entries if one.kind == "measured"}
    drilled = {
        int(what) - 1: at for what, at in read_by.items() if what.isdigit() and int(what) <= done.rack.row.holders
    }
    return Built(read_by.get(BOARD), drilled)


def _measure(body: EntryText, done: Design) -> dict[str, str]:
    """A reading as it is kept. Raises `BriefError`."""
    places = [BOARD, SAW_CUT, *(str(k + 1) for k in range(done.rack.row.holders))]
    if body.what not in places:
        raise BriefError(
            [("what", f"“{body.what}” is not measured here: the board, a saw cut, or a hole by its number.")]
        )
    try:
        at = read(body.text, done.tape.unit)
    except LengthError as error:
        raise BriefError([("text", str(error))]) from None
    if not 0 <= at <= 2 * done.rack.row.length + 1000:
        raise BriefError([("text", f"“{body.text}” is nowhere near this board.")])
    row = done.rack.row
    planned = (
        row.length
        if body.what == BOARD
        else done.brief.cutting.takes
        if body.what == SAW_CUT
        else row.axes[int(body.what) - 1]
    )
    # The plan may follow what was measured: what was off then is what a hand is off.
    return {"at": exact_text(at), "planned": exact_text(planned)}


def _kept(body: EntryText, done: Design, timbers: Supplies, bench: Workshop) -> dict[str, object]:
    """What an entry holds, by its kind. Raises `BriefError`."""
    if body.kind == "measured":
        return dict(_measure(body, done))
    if body.kind == "time":
        try:
            minutes = TypeAdapter(Minutes).validate_python(body.text)
        except ValidationError as error:
            raise BriefError([("text", message) for _, message in problems(error)]) from None
        return {"minutes": minutes, "planned": _planned(done, timbers, bench)}
    if body.kind == "fit":
        if body.what not in done.rack.kinds:
            raise BriefError([("what", "Nothing of that name hangs here.")])
        return {"found": body.found}
    if not body.text.strip():
        raise BriefError([("text", "Nothing is written: a few words are enough.")])
    return {"text": body.text.strip()}


@router.get("")
def get_log(
    rack_id: str, store: Store, sites: OnSite, timbers: Timbers, bench: AtBench, log: KeptLog, tongue: Speaks
) -> LogView:
    """What was really made, against what was planned."""
    done = sites.stored(store.get(rack_id))
    entries = log.entries(rack_id)
    found = measured(done, _built(entries, done))
    trouble = [one.what for one in found.rows if not one.good]
    minutes = sum(one.data["minutes"] for one in entries if one.kind == "time")
    sawings = timbers.stock.sawings(rack_id)
    currency = sawings[0].currency if sawings else ""
    return LogView(
        measured=[view_measured(one, done) for one in found.rows],
        kerf=view_measured(_kerf(entries, done), done),
        trouble=trouble,
        says=view_verdict(found.drift, len(trouble), any(one.found is not None for one in found.rows), done.tape),
        air=done.tape.write(found.air),
        entries=[view_entry(one, done, tongue) for one in entries],
        fits=[
            FitView(item=key, name=item.name, found=next((one.data["found"] for one in entries if (one.kind, one.what) == ("fit", key)), []))
            for key, item in done.rack.kinds.items()
        ],
        hours=spoken(minutes) if minutes else "",
        planned_hours=spoken(_planned(done, timbers, bench)),
        spent=tongue.money(sum(one.spent for one in sawings), currency) if sawings else "",
        planned_money=tongue.money(sum(one.planned for one in sawings), currency) if sawings else "",
        usual=list(_usual(log.entries(), done.tape)),
    )  # fmt: skip


def _kerf(entries: Iterable[Entry], done: Design) -> Measured:
    """The saw's cut as it is reckoned with, and as it was measured; a fifth of a mm off is another cut plan."""
    planned = done.brief.cutting.takes
    found = next((read(one.data["at"]) for one in entries if (one.kind, one.what) == ("measured", SAW_CUT)), None)
    off = None if found is None else found - planned
    return Measured(SAW_CUT, planned, found, off, off is None or abs(off) <= Fraction(1, 5))


def _usual(entries: list[Entry], tape: Tape) -> Iterable[str]:
    """What the log of all racks says of its user: each thing against its plan as that was when it was written."""
    readings = [one for one in entries if one.kind == "measured"]
    offs = [read(one.data["at"]) - read(one.data["planned"]) for one in readings if one.what.isdecimal()]
    drift = taught(offs)
    if drift is not None:
        side = f"{tape.write_fine(abs(drift))} {'beyond' if drift > 0 else 'short of'}" if drift else "on"
        yield f"Your holes lie {side} their marks, by the middle of {len(offs)}."
    cuts = [read(one.data["at"]) for one in readings if one.what == SAW_CUT]
    kerf = taught(cuts)
    if kerf is not None:
        yield f"Your saw takes {tape.write_fine(kerf)} at each cut, by the middle of {len(cuts)}."
    times = [one for one in entries if one.kind == "time"]
    if times:
        plans = {one.rack_id: one.data["planned"] for one in reversed(times)}
        minutes, many = sum(one.data["minutes"] for one in times), len(plans)
        yield f"{spoken(minutes)} went into {many} rack{'s' * (many > 1)}, planned at {spoken(sum(plans.values()))}."


def _planned(done: Design, timbers: Supplies, bench: Workshop) -> int:
    """The hands-on minutes of a rack's plan."""
    return sum(task.minutes for task in tasks(done, priced(done, timbers.supply()), done.brief.making, bench.shop))


@router.post("", status_code=201)
def write(
    rack_id: str,
    body: EntryText,
    store: Store,
    sites: OnSite,
    timbers: Timbers,
    bench: AtBench,
    log: KeptLog,
    tongue: Speaks,
) -> LogView:
    """A new entry; a reading without text is taken back. 422 names what cannot be read."""
    done = sites.stored(store.get(rack_id))
    if body.kind == "measured" and not body.text.strip():
        log.strike(rack_id, "measured", body.what)
    else:
        log.write(rack_id, body.day.isoformat(), body.kind, body.what, _kept(body, done, timbers, bench), body.clears)
    return get_log(rack_id, store, sites, timbers, bench, log, tongue)


@router.delete("/{entry_id}")
def take_back(
    rack_id: str,
    entry_id: str,
    store: Store,
    sites: OnSite,
    timbers: Timbers,
    bench: AtBench,
    log: KeptLog,
    tongue: Speaks,
) -> LogView:
    """As if it had not been written."""
    log.take_back(rack_id, entry_id)
    return get_log(rack_id, store, sites, timbers, bench, log, tongue)


@router.get("/ways")
def get_ways(
    rack_id: str,
    what: Annotated[str, Query(max_length=20, description="The board, or a hole by its number.")],
    now: When,
    store: Store,
    sites: OnSite,
    timbers: Timbers,
    bench: AtBench,
    log: KeptLog,
    tongue: Speaks,
) -> list[WayOutView]:
    """Ways to go on where something is off, the least harmful first."""
    done, supply = sites.stored(store.get(rack_id)), timbers.supply()
    built = _built(log.entries(rack_id), done)
    place = None if what == BOARD else int(what) - 1 if what.isdecimal() else -1
    if built.length is None if place is None else place not in built.holes:
        raise BriefError([("what", f"“{what}” was not measured yet.")])
    start = planned_time("now", now)
    made = making(done, priced(done, supply), bench.shop, start, bench.ticked(rack_id))
    every = [BOARD, *(str(k + 1) for k in built.holes)]
    return [
        view_way(
            way,
            done.tape,
            every if way.code == "anew" else [what] if way.code in ("plug", "hide", "trim") else [],
            supply.currency,
            tongue,
        )
        for way in ways_out(done, built, place, supply, made)
    ]


@router.get("/files/record.pdf", tags=["files"], response_class=Response)
def export_record(
    rack_id: str,
    store: Store,
    sites: OnSite,
    timbers: Timbers,
    bench: AtBench,
    log: KeptLog,
    tongue: Speaks,
    paper: Paper = "a4",
) -> Response:
    """The build record on paper."""
    from yardcliff.exports.buildrecord import Record, write_record  # reportlab is slow to import

    name = store.get(rack_id).name
    done = sites.stored(store.get(rack_id))
    seen = get_log(rack_id, store, sites, timbers, bench, log, tongue)
    figures = [("time", f"{seen.hours or 'not kept'}, planned {seen.planned_hours}")]
    if seen.spent:
        figures.append(("money", f"{seen.spent}, planned {seen.planned_money}"))
    record = Record(
        [*figures, *(("over all racks", says) for says in seen.usual)],
        [(fit.name, ", ".join(fit.found) or "not tried yet") for fit in seen.fits],
        [(entry.day, entry.says) for entry in reversed(seen.entries) if entry.kind not in ("measured", "fit")],
    )
    verdict = measured(done, _built(log.entries(rack_id), done))
    return attached(write_record(name, verdict, record, done.tape, paper), "application/pdf", name, "record.pdf")


@router.post("/another", status_code=201)
def make_another(rack_id: str, store: Store, sites: OnSite, log: KeptLog) -> RackView:
    """A new rack that begins with what was really built: its board as measured, its holes where they are."""
    record = store.get(rack_id)
    brief = read_brief(record.brief)
    built = _built(log.entries(rack_id), sites.stored(record))
    row: Patch = (
        {"pins": [{"index": k, "at": exact_text(x)} for k, x in sorted(built.holes.items())]} if built.holes else {}
    )
    if built.length is not None:
        row |= {"length": exact_text(built.length), "follows": "pitch"}
    again = amend(brief, {"row": row, "place": {"wall": None}}) if row else amend(brief, {"place": {"wall": None}})
    return view_stored(store.create(f"{record.name[:70]}, again", dump(again)), sites)
