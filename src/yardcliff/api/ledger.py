"""The log of one rack, open: its entries held against the rack as it is planned now."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from functools import cached_property
from itertools import groupby
from typing import Annotated
from uuid import uuid4

from fastapi import Depends
from pydantic import TypeAdapter, ValidationError

from yardcliff.api.deps import KeptFacts, Speaks
from yardcliff.api.desk import Desk, planned_time
from yardcliff.api.log_wire import EntryText
from yardcliff.api.making_views import view_card
from yardcliff.api.making_wire import Said
from yardcliff.core.amend import BriefError, problems
from yardcliff.core.built.facts import Fact, Json, Kind, built, made_by
from yardcliff.core.built.hands import LONGEST_STINT, Hours, taught
from yardcliff.core.built.measured import (
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
from yardcliff.core.built.there import Built, is_hole
from yardcliff.core.findings import Patch
from yardcliff.core.length import LengthError, exact_text, read
from yardcliff.core.making.asked import Minutes, spoken
from yardcliff.core.making.task import Worked
from yardcliff.core.making.tasks import BUY, HUNG, at_bench, tasks
from yardcliff.core.timber.layout import bought_sticks, used_sticks
from yardcliff.core.workshop.shop import Shop
from yardcliff.store.errors import StaleStock
from yardcliff.store.timber import Change

ENTRIES = frozenset({Kind.NOTE, Kind.NEXT, Kind.TIME, Kind.MEASURED, Kind.FIT, Kind.MISHAP})
"""What stands in a log."""
LAST = frozenset({Kind.MEASURED, Kind.FIT})
"""Of these the last one of the same thing."""
CLOCK = "clock"
"""What a coming to the bench is ticked by; with its start, the going."""


@dataclass(frozen=True, slots=True)
class Habit:
    """What is usual, and the change of the brief that reckons with it (None: it does, or nothing can be done)."""

    says: str
    does: str = ""
    patch: Patch | None = None


@dataclass
class Ledger(Desk):
    """What a log route is given."""

    facts: KeptFacts
    tongue: Speaks

    @property
    def entries(self) -> list[Fact]:
        """What stands in the log, the newest first; of what is read again and again the last."""
        newest = {
            (one.kind, one.what if one.kind in LAST else one.id): one for one in self.facts.standing(self.rack_id)
        }
        latest = [one for one in reversed(newest.values()) if one.kind in ENTRIES]
        return sorted(latest, key=lambda one: one.day, reverse=True)

    @cached_property
    def subjects(self) -> dict[str, Subject]:
        """What can be measured, by its name; the saw's cut as it is reckoned with is the last."""
        return {one.what: one for one in (*subjects(self.done), saw_cut(self.done))}

    @property
    def there(self) -> Built:
        """What is built."""
        return self.sites.there(self.rack_id)

    @property
    def verdict(self) -> Verdict:
        return measured(self.done, self.there)

    @property
    def kerf(self) -> Measured:
        return against(self.subjects[SAW_CUT], self.there.measured.get(SAW_CUT), KERF_GOOD)

    @property
    def minutes(self) -> int:
        """What was really spent."""
        return sum(one.data["minutes"] for one in self.entries if one.kind is Kind.TIME)

    @cached_property
    def planned(self) -> int:
        """The minutes at the bench by the rack's plan."""
        return self._at_bench(self.bench.shop)

    def _at_bench(self, shop: Shop) -> int:
        """Of what is planned, and of the cards that are done and planned no more."""
        planned = tasks(self.done, self.found, self.done.brief.making, shop)
        cards = {one.what: one.data["card"] for one in self.facts.standing(self.rack_id) if "card" in one.data}
        gone = [card for key, card in cards.items() if key not in {task.key for task in planned}]
        return at_bench(planned) + sum(int(card["minutes"]) for card in gone if not card["errand"])

    def write(self, body: EntryText) -> None:
        """Keep an entry; a reading without text is taken back. Raises `BriefError`."""
        if body.kind == "measured" and not body.text.strip():
            self.facts.take_back_all(self.rack_id, Kind.MEASURED, body.what)
        else:
            told = Fact(
                body.id or uuid4().hex[:12],
                self.rack_id,
                body.day.isoformat(),
                Kind(body.kind),
                body.what,
                self._kept(body),
            )
            self.facts.tell(told)

    def say(self, said: Iterable[Said], device: str) -> None:
        """Take ticks in, in their order, each with its card as it is; what was said before is not said again."""
        rack_id = self.rack.id
        for one in said:
            item, at = one.item, one.at
            if at is None:
                self.facts.take_back_all(rack_id, Kind.DONE, item, by=one.id, device=device)
                for kind in (Kind.SAWN, Kind.BOUGHT):
                    self.timbers.stock.take_back_card(rack_id, kind, item)
            elif item == CLOCK:
                self.facts.tell(Fact(one.id, rack_id, _minute(at), Kind.CLOCK, device=device))
            elif item.startswith(f"{CLOCK}|"):
                self._stint(one.id, planned_time("item", item.removeprefix(f"{CLOCK}|")), at, device)
            elif "|" in item:  # a line of a card
                self.facts.tell(Fact(one.id, rack_id, _minute(at), Kind.DONE, item, device=device))
            else:
                replace(self)._finish(one.id, item, at, device)

    def saw_all(self, spent: int | None, after: int, at: datetime) -> None:
        """All cards of the cut plan are done, by the money that was spent in all. Raises `StaleStock` where they were done already."""
        with self.facts.changing():
            cards = [task.key for task in self.made(at).tasks if task.timber]
            if not cards or len(self.timbers.stock.sawings(self.rack_id)) != after:
                raise StaleStock("It was sawn already, perhaps in another window. Look at the timber as it is now.")
            lot, extra = uuid4().hex[:12], 0 if spent is None else spent - self.found.cost.total
            for k, key in enumerate(cards):
                replace(self)._finish(f"{lot} {k}", key, at, "", lot, extra if k == 0 else 0)

    def take_back_sawing(self, sawing_id: str) -> None:
        """A sawing is taken back, and the ticks of its cards. Raises as `Stock.take_back`."""
        with self.facts.changing():
            for key in self.timbers.stock.take_back(self.rack_id, sawing_id):
                self.facts.take_back_all(self.rack_id, Kind.DONE, key)

    def _finish(self, told: str, item: str, at: datetime, device: str, lot: str = "", extra: int = 0) -> None:
        """A task is done, with its card as it is now; what it takes from the stock and brings there. So much `extra` was spent."""
        tasks_ = self.made(at.replace(tzinfo=None)).tasks
        task = next((task for task in tasks_ if task.key == item), None)
        data: Json = {}
        if task:
            data = {"card": view_card(task, self.done).model_dump(mode="json"), "made": made_by(task, self.done)}
        new = self.facts.tell(Fact(told, self.rack.id, _minute(at), Kind.DONE, item, data, device))
        if new and task and task.key.startswith(BUY):
            self._bought(task.key)
        elif new and task and task.timber:
            last = (
                bool(task.cuts)
                and not self.found.plan.missing
                and not any(one.cuts for one in tasks_ if one is not task)
            )
            self._sawn(task.key, task.timber, lot or told, last, extra)

    def _bought(self, card: str) -> None:
        found = self.found
        sticks = [stick.model_dump(mode="json") for stick in bought_sticks(found.plan.sawn)]
        wares = [
            (line.kind, line.name, line.packs * line.pack) for line in found.lines if line.packs and not line.timber
        ]
        self._booked(card, [], sticks, wares, found.cost.total, 0, Kind.BOUGHT)

    def _sawn(self, card: str, work: Worked, lot: str, last: bool, extra: int) -> None:
        """With the `last` card, screws and tins count as used up."""
        lines = [line for line in self.found.lines if not line.timber] if last else []
        wares = [(line.kind, line.name, line.left - line.on_hand) for line in lines]
        costs = sum(line.total or 0 for line in lines)
        costs += sum(one.source.price or 0 for one in work.sticks if not one.source.on_hand)
        left = [stick.model_dump(mode="json") for stick in work.leaves]
        freed = [one.locked for one in work.sticks if one.locked]
        self._booked(card, used_sticks(work.sticks), left, wares, costs, extra, Kind.SAWN, lot, freed)

    def _booked(
        self,
        card: str,
        cut: list[str],
        made: list[Json],
        wares: list[Change],
        costs: int,
        extra: int,
        kind: Kind,
        lot: str = "",
        freed: Sequence[str] = (),
    ) -> None:
        currency = self.timbers.supply().currency or self.tongue.currency
        self.timbers.stock.carry_out(
            self.rack_id,
            cut,
            made,
            wares,
            currency,
            costs,
            costs + extra,
            None,
            kind=kind,
            what=card,
            lot=lot,
            freed=freed,
        )

    def _stint(self, told: str, start: datetime, end: datetime, device: str) -> None:
        """A stint at the bench; one that is too long to be true is kept in words, to be put right."""
        minutes = (end - start) // timedelta(minutes=1)
        long = {"text": f"The clock ran for {spoken(minutes)}, from {start:%H:%M} on: how long was it really?"}
        kind, data = (Kind.TIME, self._time(minutes)) if minutes <= LONGEST_STINT else (Kind.NOTE, long)
        self.facts.take_back_all(self.rack_id, Kind.CLOCK, "", device=device)
        if minutes > 0:
            self.facts.tell(Fact(told, self.rack_id, _minute(start), kind, data=data, device=device))

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
                [("what", f"“{body.what}” is not measured here: a part, a saw cut, or a hole by its number.")]
            )
        try:
            at = read(body.text, self.done.tape.unit)
        except LengthError as error:
            raise BriefError([("text", str(error))]) from None
        if not 0 <= at <= 2 * self.done.rack.row.length + 1000:
            raise BriefError([("text", f"“{body.text}” is nowhere near this board.")])
        # The plan may follow what was measured: what was off then is what a hand is off.
        return {"at": exact_text(at), "planned": exact_text(subject.planned), "by": body.by}

    def usual(self) -> Iterator[Habit]:
        """What the log of all racks says of its user: each thing against its plan as that was when it was written."""
        tape, there = self.done.tape, self._all_measured()
        offs = [one.measured[what] - at for one in there for what, at in one.planned.items() if is_hole(what)]
        drift = taught(offs)
        if drift is not None:
            side = f"{tape.write_fine(abs(drift))} {'beyond' if drift > 0 else 'short of'}" if drift else "on"
            yield Habit(f"Your holes lie {side} their marks, by the middle of {len(offs)}.")
        cuts = [one.measured[SAW_CUT] for one in there if SAW_CUT in one.measured]
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
        for one in reversed(self.facts.standing(None, Kind.TIME)):
            known = found.get(one.rack_id) or self._hours(one)
            found[one.rack_id] = replace(known, really=known.really + one.data["minutes"])
        return list(found.values())

    def _all_measured(self) -> list[Built]:
        """What was measured of each rack that is not in the bin."""
        facts = sorted(self.facts.standing(None, Kind.MEASURED, Kind.MISHAP), key=lambda one: one.rack_id)
        return [built(of) for _, of in groupby(facts, lambda one: one.rack_id)]

    def _hours(self, entry: Fact) -> Hours:
        up = HUNG in self.bench.ticked(entry.rack_id)
        name = self.store.get(entry.rack_id).name
        planned = entry.data["planned"]
        return Hours(name, planned, entry.data.get("reckoned") or planned, 0, up)


OpenLedger = Annotated[Ledger, Depends()]


def _minute(at: datetime) -> str:
    return at.isoformat(timespec="minutes")
