"""The log of a rack: measured against planned, ways out, dated entries; what was built
made again.
"""

from dataclasses import replace
from typing import Annotated

from fastapi import APIRouter, Query, Response

from yardcliff.api.deps import AskedLocale, ThisLog, When
from yardcliff.api.files import attached
from yardcliff.api.log.views import view_log, view_way
from yardcliff.api.log.wire import EntryText, LogView, TakenWay, WayOutView
from yardcliff.api.racks.views import view_rack
from yardcliff.api.racks.wire import RackView
from yardcliff.app.moments import read_moment
from yardcliff.app.rack_log import Entry
from yardcliff.app.way_out import build_again, take_way, ways_of
from yardcliff.core.built.facts import Kind
from yardcliff.exports.paper import Paper
from yardcliff.messages import tr

router = APIRouter(prefix="/api/racks/{rack_id}/log", tags=["log"])


@router.get("")
def get_log(log: ThisLog, locale: AskedLocale) -> LogView:
    """What was really made, against what was planned."""
    return view_log(log, locale)


@router.post("", status_code=201)
def write(body: EntryText, log: ThisLog, locale: AskedLocale) -> LogView:
    """A new entry; a reading without text is taken back. 422 names what cannot be read."""
    day = body.day.isoformat()
    log.write(Entry(Kind(body.kind), day, body.what, body.text, list(body.found), body.by, body.id))
    return view_log(replace(log), locale)  # what it knew was of before


@router.delete("/{entry_id}")
def take_back(entry_id: str, log: ThisLog, locale: AskedLocale) -> LogView:
    """As if it had not been written."""
    log.app.facts.take_back(log.rack_id, entry_id)
    return view_log(replace(log), locale)


@router.get("/ways")
def get_ways(
    what: Annotated[
        str, Query(max_length=120, description="A board, a hole by its number, a part.")
    ],
    now: When,
    log: ThisLog,
    locale: AskedLocale,
) -> list[WayOutView]:
    """Ways to go on where something is off, the least harmful first."""
    currency = log.app.supplies.supply().currency
    ways = ways_of(log, what, read_moment("now", now))
    return [view_way(way, log.design.tape, currency, locale) for way in ways]


@router.post("/ways", status_code=201)
def take(body: TakenWay, log: ThisLog) -> RackView:
    """A way to go on is taken: what it changes, what is void by it, and its steps at the bench, in
    one. 409 if the rack was changed since `base`, 422 if there is no such way.
    """
    saved = take_way(log, body.base, body.what, body.code, read_moment("now", body.now))
    return view_rack(saved, log.app.designs.stored(saved))


@router.get("/files/record.pdf", tags=["files"], response_class=Response)
def export_record(log: ThisLog, locale: AskedLocale, paper: Paper = "a4") -> Response:
    """The build record on paper."""
    from yardcliff.exports.buildrecord import Record, write_record  # reportlab is slow to import

    name, seen = log.record.name, view_log(log, locale)
    figures = [
        (
            tr("api.time"),
            tr(
                "api.planned",
                hours=seen.hours or tr("api.not-kept"),
                planned_hours=seen.planned_hours,
            ),
        )
    ]
    if seen.spent:
        figures.append(
            (tr("api.money"), tr("api.planned", hours=seen.spent, planned_hours=seen.planned_money))
        )
    record = Record(
        [*figures, *((tr("api.over-all-racks"), habit_view.says) for habit_view in seen.usual)],
        [(fit.name, ", ".join(fit.found) or tr("api.not-tried-yet")) for fit in seen.fits],
        [
            (entry.day, entry.says)
            for entry in reversed(seen.entries)
            if entry.kind not in ("measured", "fit")
        ],
    )
    written = write_record(name, log.design, log.verdict, record, paper)
    return attached(written, "application/pdf", name, "record.pdf")


@router.post("/another", status_code=201)
def make_another(log: ThisLog) -> RackView:
    """A new rack that begins with what was really built: its boards as long as the first is, its
    holes where they are.
    """
    new = build_again(log)
    return view_rack(new, log.app.designs.stored(new))
