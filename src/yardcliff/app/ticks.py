"""What is ticked off at the bench, taken in with all that follows: what is there, what left the
stock, what was spent.
"""

from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from uuid import uuid4

from yardcliff.app.locale import UserLocale
from yardcliff.app.moments import read_moment
from yardcliff.app.rack_log import RackLog
from yardcliff.core.brief.building import spoken
from yardcliff.core.built.facts import Fact, Json, Kind, made_by
from yardcliff.core.built.habits import LONGEST_STINT
from yardcliff.core.design.rack_design import Design
from yardcliff.core.making.task import Task, Worked
from yardcliff.core.making.task_list import BUY
from yardcliff.core.wood.stick_changes import bought_sticks, used_sticks
from yardcliff.messages import tr
from yardcliff.store.errors import StaleStock
from yardcliff.store.timber import Change

CLOCK = "clock"
"""What a coming to the bench is ticked by; with its start, the going."""


@dataclass(frozen=True, slots=True)
class Tick:
    """An item that was ticked off `at` a time, or (None) not any more; what comes twice by one id
    counts once.
    """

    id: str
    item: str
    at: datetime | None


@dataclass
class Ticks:
    """Takes ticks of a rack in. A card is kept as it stood when it was ticked off: `as_kept` writes
    it.
    """

    log: RackLog
    locale: UserLocale
    as_kept: Callable[[Task, Design], Json]

    def take(self, ticks: Iterable[Tick], device: str) -> None:
        """Take ticks in, in their order, each with its card as it is; what was ticked before is not
        ticked again.
        """
        log, facts, stock = self.log, self.log.app.facts, self.log.app.supplies.stock
        rack_id = log.record.id
        for tick in ticks:
            item, at = tick.item, tick.at
            if at is None:
                facts.take_back_all(rack_id, Kind.DONE, item, by=tick.id, device=device)
                for kind in (Kind.SAWN, Kind.BOUGHT):
                    stock.take_back_card(rack_id, kind, item)
            elif item == CLOCK:
                facts.tell(Fact(tick.id, rack_id, _minute(at), Kind.CLOCK, device=device))
            elif item.startswith(f"{CLOCK}|"):
                start = read_moment("item", item.removeprefix(f"{CLOCK}|"))
                self._stint(tick.id, start, at, device)
            elif "|" in item:  # a line of a card
                facts.tell(Fact(tick.id, rack_id, _minute(at), Kind.DONE, item, device=device))
            else:
                self._finish(tick.id, item, at, device)

    def saw_all(self, spent: int | None, after: int, at: datetime) -> None:
        """All cards of the cut plan are done, by the money that was spent in all. Raises
        `StaleStock` where they were done already.
        """
        log, stock = self.log, self.log.app.supplies.stock
        with log.app.facts.changing():
            cards = [task.key for task in log.made(at).tasks if task.timber]
            if not cards or len(stock.sawings(log.rack_id)) != after:
                raise StaleStock(tr("app.was-sawn-already-perhaps-in-another"))
            lot, extra = uuid4().hex[:12], 0 if spent is None else spent - log.timber.cost.total
            for k, key in enumerate(cards):
                self._finish(f"{lot} {k}", key, at, "", lot, extra if k == 0 else 0)

    def take_back_sawing(self, sawing_id: str) -> None:
        """A sawing is taken back, and the ticks of its cards. Raises as `Stock.take_back`."""
        app, rack_id = self.log.app, self.log.rack_id
        with app.facts.changing():
            for key in app.supplies.stock.take_back(rack_id, sawing_id):
                app.facts.take_back_all(rack_id, Kind.DONE, key)

    def _finish(
        self, fact_id: str, item: str, at: datetime, device: str, lot: str = "", extra: int = 0
    ) -> None:
        """A task is done, with its card as it is now; what it takes from the stock and brings
        there. So much `extra` was spent.
        """
        log = RackLog(self.log.app, self.log.rack_id)  # what was ticked before changed it
        tasks = log.made(at.replace(tzinfo=None)).tasks
        task = next((task for task in tasks if task.key == item), None)
        data: Json = {}
        if task:
            data = {"card": self.as_kept(task, log.design), "made": made_by(task, log.design)}
        new = log.app.facts.tell(
            Fact(fact_id, log.record.id, _minute(at), Kind.DONE, item, data, device)
        )
        if new and task and task.key.startswith(BUY):
            self._bought(log, task.key)
        elif new and task and task.timber:
            cuts_left = any(other.cuts for other in tasks if other is not task)
            last = bool(task.cuts) and not log.timber.plan.missing and not cuts_left
            self._sawn(log, task.key, task.timber, lot or fact_id, last, extra)

    def _bought(self, log: RackLog, card: str) -> None:
        timber = log.timber
        sticks = [stick.model_dump(mode="json") for stick in bought_sticks(timber.plan.sawn)]
        wares = [
            (line.kind, line.name, line.packs * line.pack)
            for line in timber.lines
            if line.packs and not line.timber
        ]
        self._booked(card, [], sticks, wares, timber.cost.total, 0, Kind.BOUGHT)

    def _sawn(
        self, log: RackLog, card: str, work: Worked, lot: str, last: bool, extra: int
    ) -> None:
        """With the `last` card, screws and tins count as used up."""
        lines = [line for line in log.timber.lines if not line.timber] if last else []
        wares = [(line.kind, line.name, line.left - line.on_hand) for line in lines]
        costs = sum(line.total or 0 for line in lines)
        costs += sum(sawn.source.price or 0 for sawn in work.sticks if not sawn.source.on_hand)
        left = [stick.model_dump(mode="json") for stick in work.leaves]
        freed = [sawn.locked for sawn in work.sticks if sawn.locked]
        self._booked(
            card, used_sticks(work.sticks), left, wares, costs, extra, Kind.SAWN, lot, freed
        )

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
        supplies = self.log.app.supplies
        supplies.stock.carry_out(
            self.log.rack_id,
            cut,
            made,
            wares,
            supplies.supply().currency or self.log.app.settings.currency(self.locale),
            costs,
            costs + extra,
            None,
            kind=kind,
            what=card,
            lot=lot,
            freed=freed,
        )

    def _stint(self, fact_id: str, start: datetime, end: datetime, device: str) -> None:
        """A stint at the bench; one that is too long to be true is kept in words, to be
        put right.
        """
        facts, rack_id = self.log.app.facts, self.log.rack_id
        minutes = (end - start) // timedelta(minutes=1)
        if minutes <= LONGEST_STINT:
            kind, data = Kind.TIME, self.log.spent(minutes)
        else:
            text = tr(
                "app.clock-ran-for-from-on-how", spoken=spoken(minutes), start=f"{start:%H:%M}"
            )
            kind, data = Kind.NOTE, {"text": text}
        facts.take_back_all(rack_id, Kind.CLOCK, "", device=device)
        if minutes > 0:
            facts.tell(Fact(fact_id, rack_id, _minute(start), kind, data=data, device=device))


def _minute(at: datetime) -> str:
    return at.isoformat(timespec="minutes")
