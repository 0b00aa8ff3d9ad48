"""The log of one rack, open: its entries held against the rack as it is planned now."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from functools import cached_property
from typing import Annotated

from fastapi import Depends
from pydantic import TypeAdapter, ValidationError

from yardcliff.api.deps import KeptLog, Speaks
from yardcliff.api.desk import Desk
from yardcliff.api.log_wire import EntryText
from yardcliff.core.amend import BriefError, problems
from yardcliff.core.built.hands import LONGEST_STINT, Hours, taught
from yardcliff.core.built.measured import (
    KERF_GOOD,
    SAW_CUT,
    Measured,
    Readings,
    Subject,
    Verdict,
    against,
    measured,
    saw_cut,
    subjects,
)
from yardcliff.core.findings import Patch
from yardcliff.core.length import LengthError, exact_text, read
from yardcliff.core.making.asked import Minutes, spoken
from yardcliff.core.making.shop import Shop
from yardcliff.core.making.tasks import HUNG, at_bench, tasks
from yardcliff.store.log import Entry, Json


@dataclass(frozen=True, slots=True)
class Habit:
    """What is usual, and the change of the brief that reckons with it (None: it does, or nothing can be done)."""

    says: str
    does: str = ""
    patch: Patch | None = None


@dataclass
class Ledger(Desk):
    """What a log route is given."""

    log: KeptLog
    tongue: Speaks

    @cached_property
    def entries(self) -> list[Entry]:
        return self.log.entries(self.rack_id)

    @cached_property
    def subjects(self) -> dict[str, Subject]:
        """What can be measured, by its name; the saw's cut as it is reckoned with is the last."""
        return {one.what: one for one in (*subjects(self.done), saw_cut(self.done))}

    @cached_property
    def readings(self) -> Readings:
        """What was measured of what there is: a hole of a longer row is left aside."""
        return {
            one.what: read(one.data["at"], exact=True)
            for one in self.entries
            if one.kind == "measured" and one.what in self.subjects
        }

    @property
    def verdict(self) -> Verdict:
        return measured(self.done, self.readings)

    @property
    def kerf(self) -> Measured:
        return against(self.subjects[SAW_CUT], self.readings.get(SAW_CUT), KERF_GOOD)

    @property
    def minutes(self) -> int:
        """What was really spent."""
        return sum(one.data["minutes"] for one in self.entries if one.kind == "time")

    @cached_property
    def planned(self) -> int:
        """The minutes at the bench by the rack's plan."""
        return self._at_bench(self.bench.shop)

    def _at_bench(self, shop: Shop) -> int:
        return at_bench(tasks(self.done, self.found, self.done.brief.making, shop))

    def write(self, body: EntryText) -> None:
        """Keep an entry; a reading without text is taken back. Raises `BriefError`."""
        if body.kind == "measured" and not body.text.strip():
            self.log.strike(self.rack_id, "measured", body.what)
        else:
            kept = self._kept(body)
            self.log.write(self.rack_id, body.day.isoformat(), body.kind, body.what, kept, body.clears, body.id)
        vars(self).pop("entries", None)
        vars(self).pop("readings", None)

    def clock(self, entry_id: str, start: datetime, end: datetime) -> None:
        """A stint at the bench; one that is too long to be true is kept in words, to be put right."""
        minutes = (end - start) // timedelta(minutes=1)
        told = {"text": f"The clock ran for {spoken(minutes)}, from {start:%H:%M} on: how long was it really?"}
        kind, data = ("time", self._time(minutes)) if minutes <= LONGEST_STINT else ("note", told)
        if minutes > 0:
            self.log.write(self.rack_id, start.date().isoformat(), kind, "", data, entry_id=entry_id)

    def _time(self, minutes: int) -> Json:
        usual = self.bench.shop.changed({"pace": 100})
        return {"minutes": minutes, "planned": self.planned, "reckoned": self._at_bench(usual)}

    def _kept(self, body: EntryText) -> Json:
        """What an entry holds, by its kind."""
        if body.kind == "measured":
            return self._reading(body)
        if body.kind == "time":
            try:
                minutes = TypeAdapter(Minutes).validate_python(body.text)
            except ValidationError as error:
                raise BriefError([("text", message) for _, message in problems(error)]) from None
            return self._time(minutes)
        if body.kind == "fit":
            if body.what not in self.done.rack.kinds:
                raise BriefError([("what", "Nothing of that name hangs here.")])
            return {"found": body.found}
        if not body.text.strip():
            raise BriefError([("text", "Nothing is written: a few words are enough.")])
        return {"text": body.text.strip()}

    def _reading(self, body: EntryText) -> Json:
        subject = self.subjects.get(body.what)
        if subject is None:
            raise BriefError(
                [("what", f"“{body.what}” is not measured here: a board, a saw cut, or a hole by its number.")]
            )
        try:
            at = read(body.text, self.done.tape.unit)
        except LengthError as error:
            raise BriefError([("text", str(error))]) from None
        if not 0 <= at <= 2 * self.done.rack.row.length + 1000:
            raise BriefError([("text", f"“{body.text}” is nowhere near this board.")])
        # The plan may follow what was measured: what was off then is what a hand is off.
        return {"at": exact_text(at), "planned": exact_text(subject.planned)}

    def usual(self) -> Iterator[Habit]:
        """What the log of all racks says of its user: each thing against its plan as that was when it was written."""
        tape, readings = self.done.tape, [one for one in self.log.entries() if one.kind == "measured"]
        offs = [
            read(one.data["at"], exact=True) - read(one.data["planned"], exact=True)
            for one in readings
            if one.what[0].isdecimal()
        ]
        drift = taught(offs)
        if drift is not None:
            side = f"{tape.write_fine(abs(drift))} {'beyond' if drift > 0 else 'short of'}" if drift else "on"
            yield Habit(f"Your holes lie {side} their marks, by the middle of {len(offs)}.")
        cuts = [read(one.data["at"], exact=True) for one in readings if one.what == SAW_CUT]
        kerf = taught(cuts)
        if kerf is not None:
            text = tape.write_fine(kerf)
            patch: Patch | None = (
                {"cutting": {"kerf": text}} if tape.write_fine(self.kerf.subject.planned) != text else None
            )
            yield Habit(
                f"Your saw takes {text} at each cut, by the middle of {len(cuts)}.", f"Reckon with {text}", patch
            )

    def hours(self) -> list[Hours]:
        """Each rack that time was kept of, the newest first."""
        found: dict[str, Hours] = {}
        for one in self.log.entries():
            if one.kind == "time":
                known = found.get(one.rack_id) or self._hours(one)
                found[one.rack_id] = replace(known, really=known.really + one.data["minutes"])
        return list(found.values())

    def _hours(self, entry: Entry) -> Hours:
        ticked = HUNG in self.bench.store.ticks(entry.rack_id)
        name = self.store.get(entry.rack_id).name
        planned = entry.data["planned"]
        return Hours(name, planned, entry.data.get("reckoned") or planned, 0, ticked)


OpenLedger = Annotated[Ledger, Depends()]
