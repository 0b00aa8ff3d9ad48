"""The user's own things in the data file."""

import json
from collections.abc import Iterable
from typing import Any

from yardcliff.store.database import Store, now


class Items(Store):
    """Entries of the list by their key, as JSON values."""

    def all(self) -> list[dict[str, Any]]:
        """Every entry, last changed first."""
        with self._db.reading() as db:
            rows = db.execute("SELECT listed FROM item ORDER BY updated_at DESC, key").fetchall()
        return [json.loads(row["listed"]) for row in rows]

    def put(self, entries: Iterable[dict[str, Any]]) -> None:
        """Keep entries, each in place of the one with its key; all of them or none."""
        with self._db.writing() as db:
            for entry in entries:
                db.execute(
                    "INSERT INTO item (key, listed, updated_at) VALUES (?, ?, ?) ON CONFLICT (key)"
                    " DO UPDATE SET listed = excluded.listed, updated_at = excluded.updated_at",
                    (entry["key"], json.dumps(entry), now()),
                )

    def remove(self, key: str) -> bool:
        """Forget an entry; False if there was none."""
        with self._db.writing() as db:
            return db.execute("DELETE FROM item WHERE key = ?", (key,)).rowcount > 0
