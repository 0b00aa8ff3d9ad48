"""The log of a rack: dated entries, what was measured among them."""

import json
import sqlite3
import uuid
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any

from yardcliff.store.database import Database, now
from yardcliff.store.errors import StoreNotFound
from yardcliff.store.sheets import check_rack

Json = dict[str, Any]


@dataclass(frozen=True, slots=True)
class Entry:
    """One entry, of a `day` on the workshop's calendar; `what` it is about, where it is about one thing."""

    id: str
    rack_id: str
    day: str
    kind: str
    what: str
    data: Json


class Log:
    def __init__(self, database: Database) -> None:
        self._db = database

    def entries(self, rack_id: str | None = None) -> list[Entry]:
        """What stands in the log of a rack, or of all that are not in the bin, the newest first."""
        with self._db.reading() as db:
            rows = db.execute(
                "SELECT entry.* FROM entry JOIN sheet ON sheet.id = rack_id "
                "WHERE gone_at IS NULL AND sheet.deleted_at IS NULL AND (? IS NULL OR rack_id = ?) "
                "ORDER BY day DESC, entry.made_at DESC, entry.rowid DESC",
                (rack_id, rack_id),
            ).fetchall()
        return [
            Entry(row["id"], row["rack_id"], row["day"], row["kind"], row["what"], json.loads(row["data"]))
            for row in rows
        ]

    def write(
        self,
        rack_id: str,
        day: str,
        kind: str,
        what: str,
        data: Json,
        clears: Iterable[str] = (),
        entry_id: str | None = None,
    ) -> str:
        """A new entry. A reading or a fit takes the place of the last one of the same thing; readings of what it `clears` are gone.
        One with an id of its own is written once, however often it comes. Raises `SheetNotFound`.
        """
        entry_id = entry_id or uuid.uuid4().hex[:12]
        with self._db.writing() as db:
            check_rack(db, rack_id)
            if db.execute("SELECT 1 FROM entry WHERE id = ?", (entry_id,)).fetchone():
                return entry_id
            if kind in ("measured", "fit"):
                _strike(db, rack_id, kind, what)
            for one in clears:
                _strike(db, rack_id, "measured", one)
            db.execute(
                "INSERT INTO entry (id, rack_id, day, kind, what, data, made_at) VALUES (?, ?, ?, ?, ?, ?, ?)",
                (entry_id, rack_id, day, kind, what, json.dumps(data), now()),
            )
        return entry_id

    def strike(self, rack_id: str, kind: str, what: str) -> None:
        """Take the reading of a thing back."""
        with self._db.writing() as db:
            _strike(db, rack_id, kind, what)

    def take_back(self, rack_id: str, entry_id: str) -> None:
        """An entry is gone. Raises `StoreNotFound`."""
        with self._db.writing() as db:
            changed = db.execute(
                "UPDATE entry SET gone_at = ? WHERE id = ? AND rack_id = ? AND gone_at IS NULL",
                (now(), entry_id, rack_id),
            )
            if not changed.rowcount:
                raise StoreNotFound("entry", entry_id)


def _strike(db: sqlite3.Connection, rack_id: str, kind: str, what: str) -> None:
    db.execute(
        "UPDATE entry SET gone_at = ? WHERE rack_id = ? AND kind = ? AND what = ? AND gone_at IS NULL",
        (now(), rack_id, kind, what),
    )
