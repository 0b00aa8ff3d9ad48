"""What follows from a log: a way to go on where something went wrong, and the same rack
once more.
"""

from datetime import datetime
from uuid import uuid4

from yardcliff.app.rack_log import RackLog
from yardcliff.core.built.facts import Fact, Kind
from yardcliff.core.built.way import WayOut
from yardcliff.core.built.way_out import taken, ways_out
from yardcliff.core.design.as_built import drilled, follow
from yardcliff.core.design.change import amend, dump
from yardcliff.core.design.measuring import SAW_CUT, Subject
from yardcliff.core.design.there import BOARD, Built
from yardcliff.core.findings.patch import BriefError, merge
from yardcliff.core.units.length import exact_text
from yardcliff.core.units.text import shortened
from yardcliff.messages import tr
from yardcliff.store.errors import StaleSheet
from yardcliff.store.sheets import Record


def ways_of(log: RackLog, what: str, now: datetime) -> tuple[WayOut, ...]:
    """Ways to go on where something is off, the least harmful first. Raises `BriefError` for what
    was not measured.
    """
    return ways_out(
        log.design, log.built, _measured(log, what), log.app.supplies.supply(), log.made(now)
    )


def take_way(log: RackLog, base: int, what: str, code: str, now: datetime) -> Record:
    """A way out is taken: what it changes, what is void by it, and its steps at the bench, in one
    write.

    Raises `StaleSheet` if the rack was changed since `base`, `BriefError` if there is no such way.
    """
    subject = _measured(log, what)
    way = next((way for way in ways_of(log, what, now) if way.code == code), None)
    if way is None:
        raise BriefError([("code", tr("app.no-way-out-now-look-at", code=code))])
    mishap = taken(way, log.design, subject, log.built.measured[what])
    with log.app.facts.changing():
        saved = log.record
        if saved.version != base:
            raise StaleSheet("rack", log.rack_id, base, saved.version)
        if way.patch:
            after = amend(log.design.brief, way.patch)
            saved = log.app.racks.save(log.rack_id, base, dump(after), way.title.lower())
        at = now.isoformat(timespec="minutes")
        log.app.facts.tell(Fact(uuid4().hex[:12], log.rack_id, at, Kind.MISHAP, what, mishap))
    return saved


def _measured(log: RackLog, what: str) -> Subject:
    subject = log.subjects.get(what)
    if subject is None or what == SAW_CUT or what not in log.built.measured:
        raise BriefError([("what", tr("app.was-not-measured-yet", what=what))])
    return subject


def build_again(log: RackLog) -> Record:
    """A new rack that begins with what was really built: its boards as long as the first is, its
    holes where they are.
    """
    brief, measured = log.design.brief, log.built.measured
    patch = merge(
        follow(brief, drilled(log.design, Built(measured=measured))), {"place": {"wall": None}}
    )
    if BOARD in measured:
        patch = merge(patch, {"row": {"length": exact_text(measured[BOARD]), "follows": "pitch"}})
    again = amend(brief, patch)
    with log.app.racks.changing():
        new = log.app.racks.create(
            tr("app.again", shortened=shortened(log.record.name, 73)), dump(again)
        )
        for entry in reversed(log.entries):
            if entry.kind is Kind.NEXT:  # this is the next time
                text = tr("app.from", name=log.record.name, text=entry.data["text"])
                log.app.facts.tell(
                    Fact(uuid4().hex[:12], new.id, entry.day, Kind.NOTE, data={"text": text})
                )
    return new
