"""The workshop, and what is ticked off at the bench."""

import json
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any

from yardcliff.store.database import Database, now
from yardcliff.store.sheets import check_rack

Json = dict[str, Any]


@dataclass(frozen=True, slots=True)
class Said:
    """A tick (`at` a time) or its taking back (None) of an item, by the id of what was said."""

    id: str
    item: str
    at: str | None


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
            db.execute("INSERT OR REPLACE INTO shop (only_row, shop) VALUES (1, ?)", (json.dumps(shop),))

    def ticks(self, rack_id: str) -> dict[str, str]:
        """When each item was ticked off."""
        with self._db.reading() as db:
            rows = db.execute("SELECT item, at FROM tick WHERE rack_id = ?", (rack_id,)).fetchall()
        return {row["item"]: row["at"] for row in rows}

    def say(self, rack_id: str, said: Iterable[Said]) -> None:
        """Take ticks in, in their order; what was said before is not said again. Raises `SheetNotFound`."""
        with self._db.writing() as db:
            check_rack(db, rack_id)
            for one in said:
                if not db.execute("INSERT OR IGNORE INTO said (id, made_at) VALUES (?, ?)", (one.id, now())).rowcount:
                    continue
                db.execute("DELETE FROM tick WHERE rack_id = ? AND item = ?", (rack_id, one.item))
                if one.at is not None:
                    db.execute("INSERT INTO tick (rack_id, item, at) VALUES (?, ?, ?)", (rack_id, one.item, one.at))
