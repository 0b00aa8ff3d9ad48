"""The log of a rack: measured against planned, ways out, dated entries; what was built made again."""

from dataclasses import replace
from typing import Annotated
from uuid import uuid4

from fastapi import APIRouter, Query, Response

from yardcliff.api.desk import When, planned_time
from yardcliff.api.ledger import OpenLedger
from yardcliff.api.log_views import view_log, view_way
from yardcliff.api.log_wire import EntryText, LogView, TakenWay, WayOutView
from yardcliff.api.racks import Paper, attached, view_stored
from yardcliff.api.wire import RackView
from yardcliff.core.amend import BriefError, amend, dump, merge
from yardcliff.core.built.as_built import drilled, follow
from yardcliff.core.built.facts import Fact, Kind
from yardcliff.core.built.measured import SAW_CUT
from yardcliff.core.built.there import BOARD, Built
from yardcliff.core.built.ways_out import taken, ways_out
from yardcliff.core.length import exact_text
from yardcliff.core.text import shortened
from yardcliff.store.errors import StaleSheet

router = APIRouter(prefix="/api/racks/{rack_id}/log", tags=["log"])


@router.get("")
def get_log(ledger: OpenLedger) -> LogView:
    """What was really made, against what was planned."""
    return view_log(ledger)


@router.post("", status_code=201)
def write(body: EntryText, ledger: OpenLedger) -> LogView:
    """A new entry; a reading without text is taken back. 422 names what cannot be read."""
    ledger.write(body)
    return view_log(replace(ledger))  # what it knew was of before


@router.delete("/{entry_id}")
def take_back(entry_id: str, ledger: OpenLedger) -> LogView:
    """As if it had not been written."""
    ledger.facts.take_back(ledger.rack_id, entry_id)
    return view_log(replace(ledger))


@router.get("/ways")
def get_ways(
    what: Annotated[str, Query(max_length=120, description="A board, a hole by its number, a part.")],
    now: When,
    ledger: OpenLedger,
) -> list[WayOutView]:
    """Ways to go on where something is off, the least harmful first."""
    if what == SAW_CUT or what not in ledger.there.measured or what not in ledger.subjects:
        raise BriefError([("what", f"“{what}” was not measured yet.")])
    done, supply = ledger.done, ledger.timbers.supply()
    found = ways_out(done, ledger.there, ledger.subjects[what], supply, ledger.made(planned_time("now", now)))
    return [view_way(way, done.tape, supply.currency, ledger.tongue) for way in found]


@router.post("/ways", status_code=201)
def take_way(rack_id: str, body: TakenWay, ledger: OpenLedger) -> RackView:
    """A way to go on is taken: what it changes, what is void by it, and its steps at the bench, in one. 409 if the rack was changed since
    `base`, 422 if there is no such way.
    """
    done, supply, at = ledger.done, ledger.timbers.supply(), planned_time("now", body.now)
    subject = ledger.subjects.get(body.what)
    if subject is None or body.what == SAW_CUT or body.what not in ledger.there.measured:
        raise BriefError([("what", f"“{body.what}” was not measured yet.")])
    found = ways_out(done, ledger.there, subject, supply, ledger.made(at))
    way = next((one for one in found if one.code == body.code), None)
    if way is None:
        raise BriefError([("code", f"“{body.code}” is no way out of it now: look at those that there are.")])
    told = taken(way, done, subject, ledger.there.measured[body.what])
    with ledger.facts.changing():
        saved = ledger.rack
        if saved.version != body.base:
            raise StaleSheet("rack", rack_id, body.base, saved.version)
        if way.patch:
            after = amend(done.brief, way.patch)
            saved = ledger.store.save(rack_id, body.base, dump(after), way.title.lower())
        at_time = at.isoformat(timespec="minutes")
        ledger.facts.tell(Fact(uuid4().hex[:12], rack_id, at_time, Kind.MISHAP, body.what, told))
    return view_stored(saved, ledger.sites)


@router.get("/files/record.pdf", tags=["files"], response_class=Response)
def export_record(ledger: OpenLedger, paper: Paper = "a4") -> Response:
    """The build record on paper."""
    from yardcliff.exports.buildrecord import Record, write_record  # reportlab is slow to import

    name, seen = ledger.rack.name, view_log(ledger)
    figures = [("time", f"{seen.hours or 'not kept'}, planned {seen.planned_hours}")]
    if seen.spent:
        figures.append(("money", f"{seen.spent}, planned {seen.planned_money}"))
    record = Record(
        [*figures, *(("over all racks", one.says) for one in seen.usual)],
        [(fit.name, ", ".join(fit.found) or "not tried yet") for fit in seen.fits],
        [(entry.day, entry.says) for entry in reversed(seen.entries) if entry.kind not in ("measured", "fit")],
    )
    written = write_record(name, ledger.done, ledger.verdict, record, paper)
    return attached(written, "application/pdf", name, "record.pdf")


@router.post("/another", status_code=201)
def make_another(ledger: OpenLedger) -> RackView:
    """A new rack that begins with what was really built: its boards as long as the first is, its holes where they are."""
    brief, found = ledger.done.brief, ledger.there.measured
    patch = merge(follow(brief, drilled(ledger.done, Built(measured=found))), {"place": {"wall": None}})
    if BOARD in found:
        patch = merge(patch, {"row": {"length": exact_text(found[BOARD]), "follows": "pitch"}})
    again = amend(brief, patch)
    with ledger.store.changing():
        made = ledger.store.create(f"{shortened(ledger.rack.name, 73)}, again", dump(again))
        for one in reversed(ledger.entries):
            if one.kind is Kind.NEXT:  # this is the next time
                told = {"text": f"From {ledger.rack.name}: {one.data['text']}"}
                ledger.facts.tell(Fact(uuid4().hex[:12], made.id, one.day, Kind.NOTE, data=told))
    return view_stored(made, ledger.sites)
