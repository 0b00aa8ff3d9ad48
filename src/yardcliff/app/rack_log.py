"""The log of one rack: its entries held against the rack as it is planned now, and what all logs
teach.
"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cached_property
from itertools import groupby
from uuid import uuid4

from pydantic import TypeAdapter, ValidationError

from yardcliff.app.rack_context import RackContext
from yardcliff.core.brief.building import Minutes
from yardcliff.core.built.facts import Fact, Json, Kind, built, entries
from yardcliff.core.built.habits import Habit, Hours, usual
from yardcliff.core.design.measuring import (
    KERF_GOOD,
    SAW_CUT,
    Measured,
    Subject,
    Verdict,
    against,
    measured,
    saw_cut,
    subjects,
)
from yardcliff.core.design.there import Built
from yardcliff.core.findings.patch import BriefError, problems
from yardcliff.core.making.task_list import HUNG, minutes_at_bench, tasks
from yardcliff.core.units.length import exact_text
from yardcliff.core.units.length_text import LengthError, read
from yardcliff.core.workshop.shop import Shop
from yardcliff.messages import tr


@dataclass(frozen=True, slots=True)
class Entry:
    """What is written into a log on a `day`: a reading is of a subject, `what`, and may be `by` an
    instrument; how things of a kind, `what`, did is `found`; a time, a note and a word for the next
    one are `text`. Its `id` is its writer's, or made.
    """

    kind: Kind
    day: str
    what: str
    text: str
    found: list[str]
    by: str
    id: str | None = None


@dataclass
class RackLog(RackContext):
    """The log as it stands, and what is written into it."""

    @property
    def entries(self) -> list[Fact]:
        """What stands in the log, the newest first."""
        return entries(self.app.facts.standing(self.rack_id))

    @cached_property
    def subjects(self) -> dict[str, Subject]:
        """What can be measured, by its name; the saw's cut as it is reckoned with is the last."""
        return {subject.what: subject for subject in (*subjects(self.design), saw_cut(self.design))}

    @property
    def built(self) -> Built:
        return self.app.designs.built(self.rack_id)

    @property
    def verdict(self) -> Verdict:
        return measured(self.design, self.built)

    @property
    def kerf(self) -> Measured:
        return against(self.subjects[SAW_CUT], self.built.measured.get(SAW_CUT), KERF_GOOD)

    @property
    def minutes(self) -> int:
        """What was really spent."""
        return sum(entry.data["minutes"] for entry in self.entries if entry.kind is Kind.TIME)

    @cached_property
    def planned(self) -> int:
        """The minutes at the bench by the rack's plan."""
        return self._planned_by(self.app.workshop.shop)

    def _planned_by(self, shop: Shop) -> int:
        cards = {
            fact.what: fact.data["card"]
            for fact in self.app.facts.standing(self.rack_id)
            if "card" in fact.data
        }
        return minutes_at_bench(
            tasks(self.design, self.timber, self.design.brief.making, shop), cards
        )

    def spent(self, minutes: int) -> Json:
        """Time at the bench as it is kept, with what was planned by then."""
        usual_pace = self.app.workshop.shop.changed({"pace": 100})
        return {
            "minutes": minutes,
            "planned": self.planned,
            "reckoned": self._planned_by(usual_pace),
        }

    def usual(self) -> Iterator[Habit]:
        """What the log of all racks says of its user."""
        facts = sorted(
            self.app.facts.standing(None, Kind.MEASURED, Kind.MISHAP), key=lambda fact: fact.rack_id
        )
        racks = [built(of) for _, of in groupby(facts, lambda fact: fact.rack_id)]
        return usual(racks, self.kerf.subject.planned, self.design.tape)

    def hours(self) -> list[Hours]:
        """Each rack that time was kept of, the newest first."""
        hours: dict[str, Hours] = {}
        for fact in reversed(self.app.facts.standing(None, Kind.TIME)):
            known = hours.get(fact.rack_id) or self._hours(fact)
            hours[fact.rack_id] = replace(known, really=known.really + fact.data["minutes"])
        return list(hours.values())

    def _hours(self, newest: Fact) -> Hours:
        up = HUNG in self.app.workshop.ticked(newest.rack_id)
        name = self.app.racks.get(newest.rack_id).name
        planned = newest.data["planned"]
        return Hours(name, planned, newest.data.get("reckoned") or planned, 0, up)

    def write(self, entry: Entry) -> None:
        """Keep an entry; a reading without text is taken back. Raises `BriefError`."""
        if entry.kind is Kind.MEASURED and not entry.text.strip():
            self.app.facts.take_back_all(self.rack_id, Kind.MEASURED, entry.what)
            return
        fact_id = entry.id or uuid4().hex[:12]
        self.app.facts.tell(
            Fact(fact_id, self.rack_id, entry.day, entry.kind, entry.what, self._kept(entry))
        )

    def _kept(self, entry: Entry) -> Json:
        """What an entry holds, by its kind."""
        match entry.kind:
            case Kind.MEASURED:
                return self._reading(entry)
            case Kind.TIME:
                try:
                    minutes = TypeAdapter(Minutes).validate_python(entry.text)
                except ValidationError as error:
                    raise BriefError(
                        [("text", message) for _, message in problems(error)]
                    ) from None
                return self.spent(minutes)
            case Kind.FIT:
                if entry.what not in self.design.rack.kinds:
                    raise BriefError([("what", tr("app.nothing-of-that-name-hangs-here"))])
                return {"found": entry.found}
        if not entry.text.strip():
            raise BriefError([("text", tr("app.nothing-written-few-words-enough"))])
        return {"text": entry.text.strip()}

    def _reading(self, entry: Entry) -> Json:
        subject = self.subjects.get(entry.what)
        if subject is None:
            why = tr("app.not-measured-here-part-saw-cut", what=entry.what)
            raise BriefError([("what", why)])
        try:
            at = read(entry.text, self.design.tape.unit)
        except LengthError as error:
            raise BriefError([("text", str(error))]) from None
        if not 0 <= at <= 2 * self.design.rack.row.length + 1000:
            raise BriefError([("text", tr("app.is-nowhere-near-this-board", text=entry.text))])
        # The plan may follow what was measured: what was off then is what a hand is off.
        return {"at": exact_text(at), "planned": exact_text(subject.planned), "by": entry.by}
