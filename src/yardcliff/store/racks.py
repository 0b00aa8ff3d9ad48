"""Racks in the data file: saved as you go, with every earlier state within reach."""

import json
import sqlite3
import uuid
from dataclasses import dataclass
from datetime import UTC, datetime
from typing import Any

from yardcliff.store.database import Database
from yardcliff.store.errors import NothingToUndo, RackNotFound, StaleRack

KEPT = 1000
"""Revisions kept behind the newest one of a rack."""

_SELECT = """
    SELECT rack.*, here.brief, here.label AS undo_label, ahead.label AS redo_label,
           EXISTS (SELECT 1 FROM revision r WHERE r.rack_id = rack.id AND r.position < rack.position) AS can_undo
    FROM rack
    JOIN revision here ON here.rack_id = rack.id AND here.position = rack.position
    LEFT JOIN revision ahead ON ahead.rack_id = rack.id AND ahead.position = rack.position + 1
"""


@dataclass(frozen=True, slots=True)
class Record:
    """A rack as stored. `undo` and `redo` say what they would take back or bring again, or are None."""

    id: str
    name: str
    version: int
    brief: dict[str, Any]
    undo: str | None
    redo: str | None
    updated_at: str
    deleted_at: str | None


class Racks:
    """Every write takes the version it was made from and raises `StaleRack` if there is a newer."""

    def __init__(self, database: Database) -> None:
        self._db = database

    def all(self, *, deleted: bool = False) -> list[Record]:
        """The racks, last changed first; or those in the bin."""
        wanted = "IS NOT NULL" if deleted else "IS NULL"
        with self._db.reading() as db:
            rows = db.execute(f"{_SELECT} WHERE deleted_at {wanted} ORDER BY updated_at DESC, rack.rowid DESC")
            return [_record(row) for row in rows.fetchall()]

    def get(self, rack_id: str) -> Record:
        """One rack, binned or not. Raises `RackNotFound`."""
        with self._db.reading() as db:
            row = db.execute(f"{_SELECT} WHERE rack.id = ?", (rack_id,)).fetchone()
        if row is None:
            raise RackNotFound(rack_id)
        return _record(row)

    def create(self, name: str, brief: dict[str, Any]) -> Record:
        rack_id, made = uuid.uuid4().hex[:12], now()
        with self._db.writing() as db:
            db.execute(
                "INSERT INTO rack (id, name, version, position, created_at, updated_at) VALUES (?, ?, 1, 0, ?, ?)",
                (rack_id, name, made, made),
            )
            db.execute("INSERT INTO revision VALUES (?, 0, 'made', ?, ?)", (rack_id, json.dumps(brief), made))
        return self.get(rack_id)

    def save(self, rack_id: str, base: int, brief: dict[str, Any], label: str) -> Record:
        """Add a revision. What had been undone is let go."""
        with self._db.writing() as db:
            position = self._step(db, rack_id, base) + 1
            db.execute("DELETE FROM revision WHERE rack_id = ? AND position >= ?", (rack_id, position))
            db.execute("DELETE FROM revision WHERE rack_id = ? AND position < ?", (rack_id, position - KEPT))
            db.execute(
                "INSERT INTO revision VALUES (?, ?, ?, ?, ?)",
                (rack_id, position, label, json.dumps(brief), now()),
            )
            db.execute("UPDATE rack SET position = ? WHERE id = ?", (position, rack_id))
        return self.get(rack_id)

    def move(self, rack_id: str, base: int, direction: int) -> Record:
        """Undo (-1) or redo (+1). Raises `NothingToUndo` at either end."""
        with self._db.writing() as db:
            position = self._step(db, rack_id, base) + direction
            found = db.execute(
                "SELECT 1 FROM revision WHERE rack_id = ? AND position = ?", (rack_id, position)
            ).fetchone()
            if not found:
                raise NothingToUndo("undo" if direction < 0 else "redo")
            db.execute("UPDATE rack SET position = ? WHERE id = ?", (position, rack_id))
        return self.get(rack_id)

    def rename(self, rack_id: str, base: int, name: str) -> Record:
        with self._db.writing() as db:
            self._step(db, rack_id, base)
            db.execute("UPDATE rack SET name = ? WHERE id = ?", (name, rack_id))
        return self.get(rack_id)

    def bin(self, rack_id: str, *, binned: bool = True) -> Record:
        """Put a rack in the bin, or take it out again."""
        with self._db.writing() as db:
            changed = db.execute("UPDATE rack SET deleted_at = ? WHERE id = ?", (now() if binned else None, rack_id))
            if not changed.rowcount:
                raise RackNotFound(rack_id)
        return self.get(rack_id)

    def _step(self, db: sqlite3.Connection, rack_id: str, base: int) -> int:
        """Count the version up from `base` and return the rack's place in its revisions."""
        row = db.execute("SELECT version, position FROM rack WHERE id = ?", (rack_id,)).fetchone()
        if row is None:
            raise RackNotFound(rack_id)
        if row["version"] != base:
            raise StaleRack(rack_id, base, row["version"])
        db.execute("UPDATE rack SET version = version + 1, updated_at = ? WHERE id = ?", (now(), rack_id))
        return int(row["position"])


def now() -> str:
    return datetime.now(UTC).isoformat(timespec="milliseconds")


def _record(row: sqlite3.Row) -> Record:
    return Record(
        row["id"],
        row["name"],
        row["version"],
        json.loads(row["brief"]),
        row["undo_label"] if row["can_undo"] else None,
        row["redo_label"],
        row["updated_at"],
        row["deleted_at"],
    )
