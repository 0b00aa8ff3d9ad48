"""The workshop, what is ticked off at the bench, and waits that are timed."""

import json
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any

from yardcliff.store.database import Database
from yardcliff.store.errors import StoreNotFound
from yardcliff.store.sheets import now

Json = dict[str, Any]


@dataclass(frozen=True, slots=True)
class Said:
    """A tick (`at` a time) or its taking back (None) of an item, by the id of what was said."""

    id: str
    item: str
    at: str | None


@dataclass(frozen=True, slots=True)
class Timer:
    """A wait that runs since `started_at` (UTC)."""

    id: str
    rack_id: str
    task: str
    says: str
    minutes: int
    started_at: str


class Bench:
    def __init__(self, database: Database) -> None:
        self._db = database

    def shop(self) -> Json | None:
        """The workshop as it was kept, if it was."""
        with self._db.reading() as db:
            row = db.execute("SELECT shop FROM shop").fetchone()
        return json.loads(row["shop"]) if row else None

    def keep_shop(self, shop: Json) -> None:
        with self._db.writing() as db:
            db.execute("INSERT OR REPLACE INTO shop VALUES (1, ?)", (json.dumps(shop),))

    def ticks(self, rack_id: str) -> dict[str, str]:
        """When each item was ticked off."""
        with self._db.reading() as db:
            rows = db.execute("SELECT item, at FROM tick WHERE rack_id = ?", (rack_id,)).fetchall()
        return {row["item"]: row["at"] for row in rows}

    def say(self, rack_id: str, said: Iterable[Said]) -> None:
        """Take ticks in, in their order; what was said before is not said again."""
        with self._db.writing() as db:
            for one in said:
                if not db.execute("INSERT OR IGNORE INTO said VALUES (?, ?)", (one.id, now())).rowcount:
                    continue
                db.execute("DELETE FROM tick WHERE rack_id = ? AND item = ?", (rack_id, one.item))
                if one.at is not None:
                    db.execute("INSERT INTO tick VALUES (?, ?, ?)", (rack_id, one.item, one.at))

    def timers(self, rack_id: str | None = None) -> list[Timer]:
        """The waits that run, of one rack or of all, the oldest first."""
        with self._db.reading() as db:
            rows = db.execute(
                "SELECT * FROM timer WHERE over_at IS NULL AND (? IS NULL OR rack_id = ?) ORDER BY started_at, rowid",
                (rack_id, rack_id),
            ).fetchall()
        return [
            Timer(row["id"], row["rack_id"], row["task"], row["says"], row["minutes"], row["started_at"])
            for row in rows
        ]

    def start(self, timer_id: str, rack_id: str, task: str, says: str, minutes: int) -> None:
        """Start a wait; one that was started by that id already goes on. Another of the same task is over."""
        with self._db.writing() as db:
            if db.execute("SELECT 1 FROM timer WHERE id = ?", (timer_id,)).fetchone():
                return
            db.execute(
                "UPDATE timer SET over_at = ? WHERE rack_id = ? AND task = ? AND over_at IS NULL",
                (now(), rack_id, task),
            )
            db.execute(
                "INSERT INTO timer (id, rack_id, task, says, minutes, started_at) VALUES (?, ?, ?, ?, ?, ?)",
                (timer_id, rack_id, task, says, minutes, now()),
            )

    def end(self, rack_id: str, timer_id: str) -> None:
        """A wait is over. Raises `StoreNotFound`."""
        with self._db.writing() as db:
            changed = db.execute(
                "UPDATE timer SET over_at = ? WHERE id = ? AND rack_id = ?", (now(), timer_id, rack_id)
            )
            if not changed.rowcount:
                raise StoreNotFound("timer", timer_id)
