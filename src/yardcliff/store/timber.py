"""Timber and wares on hand, price lists, and which plans were carried out."""

import json
import sqlite3
import uuid
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from typing import Any

from yardcliff.core.built.facts import Fact, Kind
from yardcliff.messages import tr
from yardcliff.store.database import Store, now
from yardcliff.store.errors import StaleStock, StoreNotFound
from yardcliff.store.facts import STANDS, add, told, undo

Json = dict[str, Any]
Change = tuple[str, str, int]
"""Kind and name of a ware, and how many more of it are on hand."""


@dataclass(frozen=True, slots=True)
class Sawing:
    """A plan that was carried out: the sticks that it `cut` up and `made`, by their ids, by how
    much more or less of which `wares` there is; money in hundredths.
    """

    id: str
    rack_id: str
    cut: tuple[str, ...]
    made: tuple[str, ...]
    wares: tuple[Change, ...]
    currency: str
    planned: int
    spent: int
    made_at: str


class Stock(Store):
    def sticks(self) -> list[tuple[str, Json]]:
        """(id, stick) of each on hand, in the order that they came."""
        with self._db.reading() as db:
            rows = db.execute(
                "SELECT id, stick FROM stick WHERE gone_at IS NULL ORDER BY rowid"
            ).fetchall()
        return [(row["id"], json.loads(row["stick"])) for row in rows]

    def stick(self, stick_id: str) -> Json:
        """One stick. Raises `StoreNotFound`."""
        with self._db.reading() as db:
            row = db.execute("SELECT stick FROM stick WHERE id = ?", (stick_id,)).fetchone()
        if row is None:
            raise StoreNotFound("stick", stick_id)
        found: Json = json.loads(row["stick"])
        return found

    def add(self, sticks: Iterable[Json]) -> list[str]:
        """Put sticks on the rack; returns their ids."""
        with self._db.writing() as db:
            return _add(db, sticks)

    def change(self, stick_id: str, stick: Json) -> None:
        """A stick on hand as it is now. Raises `StoreNotFound`."""
        with self._db.writing() as db:
            changed = db.execute(
                "UPDATE stick SET stick = ? WHERE id = ? AND gone_at IS NULL",
                (json.dumps(stick), stick_id),
            )
            if not changed.rowcount:
                raise StoreNotFound("stick", stick_id)

    def take(self, stick_ids: Iterable[str], *, back: bool = False) -> None:
        """Take sticks off the rack, or put them `back`; one that is there already stays. Raises
        `StoreNotFound`, or `StaleStock` for one that was cut up: it comes back with the plan that
        took it.
        """
        with self._db.writing() as db:
            for stick_id in stick_ids:
                if back and (sawn := db.execute(_SAWN, (stick_id,)).fetchone()):
                    raise StaleStock(
                        tr("store.stick-was-cut-up-on-take", made_at=sawn["made_at"][:10])
                    )
                _take(db, [stick_id], back=back)

    def price_lists(self) -> list[tuple[Json, str]]:
        """(list, when it was taken), the newest first."""
        with self._db.reading() as db:
            rows = db.execute(
                "SELECT list, taken_at FROM price_list ORDER BY taken_at DESC, supplier"
            ).fetchall()
        return [(json.loads(row["list"]), row["taken_at"]) for row in rows]

    def keep_prices(self, supplier: str, prices: Json) -> None:
        with self._db.writing() as db:
            db.execute(
                "INSERT OR REPLACE INTO price_list (supplier, list, taken_at) VALUES (?, ?, ?)",
                (supplier, json.dumps(prices), now()),
            )

    def forget_prices(self, supplier: str) -> None:
        """Let a supplier's list go. Raises `StoreNotFound`."""
        with self._db.writing() as db:
            if not db.execute("DELETE FROM price_list WHERE supplier = ?", (supplier,)).rowcount:
                raise StoreNotFound(tr("store.price-list"), supplier)

    def wares(self) -> list[Json]:
        with self._db.reading() as db:
            return [
                dict(row)
                for row in db.execute(
                    "SELECT kind, name, amount FROM ware ORDER BY kind, name"
                ).fetchall()
            ]

    def set_ware(self, kind: str, name: str, amount: int) -> None:
        """So many are on hand; none lets it go."""
        with self._db.writing() as db:
            db.execute("DELETE FROM ware WHERE kind = ? AND name = ?", (kind, name))
            if amount:
                db.execute(
                    "INSERT INTO ware (kind, name, amount) VALUES (?, ?, ?)", (kind, name, amount)
                )

    def carry_out(
        self,
        rack_id: str,
        cut: list[str],
        offcuts: list[Json],
        wares: list[Change],
        currency: str,
        planned: int,
        spent: int,
        after: int | None = 0,
        *,
        kind: Kind = Kind.SAWN,
        what: str = "",
        lot: str = "",
        freed: Sequence[str] = (),
    ) -> Sawing:
        """What a card of a plan cuts up leaves the rack of timber, its offcuts come onto it; wares
        are used up, and packets left over. Or what was bought comes onto it. Those of one `lot` are
        one sawing. What a plan kept sticks for by the keys that are `freed` is done.

        Its rack was sawn for so often before, and is once more `after` that; otherwise, or where a
        stick is no longer there, it raises `StaleStock`.
        """
        with self._db.writing() as db:
            if after is not None and len(self.sawings(rack_id)) != after:
                raise StaleStock(tr("store.this-plan-was-carried-out-already"))
            _take(db, cut)
            made = _add(db, offcuts)
            _count(db, wares)
            data = {
                "cut": cut,
                "made": made,
                "wares": wares,
                "currency": currency,
                "planned": planned,
                "spent": spent,
            }
            sawn = Fact(
                uuid.uuid4().hex[:12],
                rack_id,
                now(),
                kind,
                what,
                data | {"lot": lot, "freed": list(freed)},
            )
            add(db, sawn)
        return _sawing([sawn])

    def take_back(self, rack_id: str, sawing_id: str) -> list[str]:
        """As if what is one sawing had not been done; returns its cards. Raises `StoreNotFound`, or
        `StaleStock` where an offcut of it was used since.
        """
        with self._db.writing() as db:
            found = [fact for fact in told(db, rack_id, Kind.SAWN) if _lot(fact) == sawing_id]
            if not found:
                raise StoreNotFound(tr("store.cut-plan-that-was-carried-out"), sawing_id)
            for fact in reversed(found):
                _reverse(db, fact)
            return [fact.what for fact in found]

    def take_back_card(self, rack_id: str, kind: Kind, what: str) -> None:
        """The same of one card alone, or of what was bought, where it stands."""
        with self._db.writing() as db:
            for fact in told(db, rack_id, kind):
                if fact.what == what:
                    _reverse(db, fact)

    def sawings(self, rack_id: str) -> list[Sawing]:
        """What was sawn for a rack, the newest first."""
        with self._db.reading() as db:
            lots: dict[str, list[Fact]] = {}
            for fact in told(db, rack_id, Kind.SAWN):
                lots.setdefault(_lot(fact), []).append(fact)
        return [_sawing(lot) for lot in reversed(lots.values())]

    def spent(self, rack_id: str) -> tuple[int, int, str]:
        """The money that went into a rack, what was planned of it, and its currency."""
        with self._db.reading() as db:
            found = [*told(db, rack_id, Kind.SAWN), *told(db, rack_id, Kind.BOUGHT)]
        spent, planned = (sum(fact.data[name] for fact in found) for name in ("spent", "planned"))
        return spent, planned, found[-1].data["currency"] if found else ""


def _lot(sawn: Fact) -> str:
    return str(sawn.data.get("lot") or sawn.id)


def _sawing(lot: Sequence[Fact]) -> Sawing:
    def all_of(name: str) -> Iterator[Any]:
        return (each for fact in lot for each in fact.data[name])

    first, wares = lot[0], tuple((kind, name, more) for kind, name, more in all_of("wares"))
    planned, spent = (sum(fact.data[name] for fact in lot) for name in ("planned", "spent"))
    return Sawing(
        _lot(first),
        first.rack_id,
        tuple(all_of("cut")),
        tuple(all_of("made")),
        wares,
        first.data["currency"],
        planned,
        spent,
        first.at,
    )


def _reverse(db: sqlite3.Connection, done: Fact) -> None:
    """As if it had not been done. Raises `StaleStock` where what came of it was used since."""
    for stick_id in done.data["made"]:
        if sawn := db.execute(_SAWN, (stick_id,)).fetchone():
            raise StaleStock(tr("store.offcut-was-cut-up-on-take", made_at=sawn["made_at"][:10]))
        _take(db, [stick_id], missing=True)
    _take(db, done.data["cut"], back=True)
    _count(db, [(kind, name, -more) for kind, name, more in done.data["wares"]])
    undo(db, done.rack_id, done.id)


def _count(db: sqlite3.Connection, wares: Iterable[Change]) -> None:
    """More or less of what is on hand; what was used up meanwhile is not owed."""
    for kind, name, more in wares:
        row = db.execute(
            "SELECT amount FROM ware WHERE kind = ? AND name = ?", (kind, name)
        ).fetchone()
        db.execute("DELETE FROM ware WHERE kind = ? AND name = ?", (kind, name))
        if (amount := (row["amount"] if row else 0) + more) > 0:
            db.execute(
                "INSERT INTO ware (kind, name, amount) VALUES (?, ?, ?)", (kind, name, amount)
            )


def _add(db: sqlite3.Connection, sticks: Iterable[Json]) -> list[str]:
    made = [(uuid.uuid4().hex[:12], json.dumps(stick), now()) for stick in sticks]
    db.executemany("INSERT INTO stick (id, stick, made_at) VALUES (?, ?, ?)", made)
    return [stick_id for stick_id, _, _ in made]


_SAWN = (
    "SELECT fact.at AS made_at FROM fact, json_each(fact.data, '$.cut') WHERE kind = 'sawn' AND"
    f" value = ? AND {STANDS}"
)
"""What cut a stick up, if anything did."""


def _take(
    db: sqlite3.Connection, stick_ids: Iterable[str], *, back: bool = False, missing: bool = False
) -> None:
    """Sticks go, or come `back`. One that is not there to go is an error, unless it may be
    `missing`: thrown out, say.
    """
    for stick_id in stick_ids:
        gone = "gone_at IS NOT NULL" if back else "gone_at IS NULL"
        changed = db.execute(
            f"UPDATE stick SET gone_at = ? WHERE id = ? AND {gone}",
            (None if back else now(), stick_id),
        )
        there = back and db.execute("SELECT 1 FROM stick WHERE id = ?", (stick_id,)).fetchone()
        if not (changed.rowcount or missing or there):
            raise StoreNotFound("stick", stick_id)
