"""Racks and walls in the data file: saved as you go, with every earlier state within reach."""

import json
import sqlite3
import uuid
from dataclasses import dataclass
from typing import Any, ClassVar, Literal

from yardcliff.store.database import Store, now
from yardcliff.store.errors import NothingToUndo, SheetNotFound, StaleSheet

KEPT = 1000
"""Revisions kept behind the newest one of a sheet."""

_SELECT = """
    SELECT sheet.*, here.brief, here.label AS undo_label, ahead.label AS redo_label,
           EXISTS (SELECT 1 FROM revision r WHERE r.sheet_id = sheet.id
                   AND r.position < sheet.position) AS can_undo
    FROM sheet
    JOIN revision here ON here.sheet_id = sheet.id AND here.position = sheet.position
    LEFT JOIN revision ahead ON ahead.sheet_id = sheet.id AND ahead.position = sheet.position + 1
"""


@dataclass(frozen=True, slots=True)
class Filed:
    """How a sheet is kept among the others: by which tags, whether it is a favourite, and done."""

    tags: tuple[str, ...] = ()
    favourite: bool = False
    done: bool = False


@dataclass(frozen=True, slots=True)
class Record:
    """A sheet as stored. `undo` and `redo` say what they would take back or bring again, or are
    None.
    """

    id: str
    name: str
    version: int
    brief: dict[str, Any]
    undo: str | None
    redo: str | None
    updated_at: str
    deleted_at: str | None
    filed: Filed


@dataclass(frozen=True, slots=True)
class Step:
    """One change of a sheet: what it did, when; how many steps take it back (below 0), or bring it
    again.
    """

    label: str
    made_at: str
    steps: int


class Sheets(Store):
    """Sheets of one kind. Every write takes the version it was made from and raises `StaleSheet` if
    there is a newer; it returns what it wrote.
    """

    kind: ClassVar[Literal["rack", "wall"]]

    def all(self, *, deleted: bool = False) -> list[Record]:
        """All of them, last changed first; or those in the bin."""
        wanted = "IS NOT NULL" if deleted else "IS NULL"
        with self._db.reading() as db:
            rows = db.execute(
                f"{_SELECT} WHERE kind = ? AND deleted_at {wanted} ORDER BY updated_at DESC,"
                " sheet.rowid DESC",
                (self.kind,),
            )
            return [_record(row) for row in rows.fetchall()]

    def get(self, sheet_id: str) -> Record:
        """One of them, binned or not. Raises `SheetNotFound`."""
        with self._db.reading() as db:
            return self._found(db, sheet_id)

    def create(self, name: str, brief: dict[str, Any]) -> Record:
        sheet_id, made = uuid.uuid4().hex[:12], now()
        with self._db.writing() as db:
            db.execute(
                "INSERT INTO sheet (id, kind, name, version, position, created_at, updated_at)"
                " VALUES (?, ?, ?, 1, 0, ?, ?)",
                (sheet_id, self.kind, name, made, made),
            )
            db.execute(
                "INSERT INTO revision (sheet_id, position, label, brief, made_at) VALUES (?, 0,"
                " 'made', ?, ?)",
                (sheet_id, json.dumps(brief), made),
            )
            return self._found(db, sheet_id)

    def save(self, sheet_id: str, base: int, brief: dict[str, Any], label: str) -> Record:
        """Add a revision. What had been undone is let go."""
        with self._db.writing() as db:
            position = self._step(db, sheet_id, base) + 1
            db.execute(
                "DELETE FROM revision WHERE sheet_id = ? AND position >= ?", (sheet_id, position)
            )
            db.execute(
                "DELETE FROM revision WHERE sheet_id = ? AND position < ?",
                (sheet_id, position - KEPT),
            )
            db.execute(
                "INSERT INTO revision (sheet_id, position, label, brief, made_at) VALUES (?, ?, ?,"
                " ?, ?)",
                (sheet_id, position, label, json.dumps(brief), now()),
            )
            db.execute("UPDATE sheet SET position = ? WHERE id = ?", (position, sheet_id))
            return self._found(db, sheet_id)

    def history(self, sheet_id: str, most: int) -> list[Step]:
        """The changes that can be taken back or brought again, the newest first: so many to each
        side.
        """
        with self._db.reading() as db:
            here = self._found(db, sheet_id)
            rows = db.execute(
                "SELECT r.label, r.made_at, r.position, sheet.position AS here FROM revision r"
                " JOIN sheet ON sheet.id = r.sheet_id WHERE r.sheet_id = ? AND r.position >"
                " (SELECT min(position) FROM revision WHERE sheet_id = ?)"
                " AND abs(r.position - sheet.position) <= ? ORDER BY r.position DESC",
                (here.id, here.id, most),
            )
            return [
                Step(
                    row["label"],
                    row["made_at"],
                    ahead if (ahead := row["position"] - row["here"]) > 0 else ahead - 1,
                )
                for row in rows.fetchall()
            ]

    def move(self, sheet_id: str, base: int, steps: int) -> Record:
        """Undo so many steps (below 0), or redo them. Raises `NothingToUndo` past either end."""
        with self._db.writing() as db:
            position = self._step(db, sheet_id, base) + steps
            found = db.execute(
                "SELECT 1 FROM revision WHERE sheet_id = ? AND position = ?", (sheet_id, position)
            ).fetchone()
            if not found:
                raise NothingToUndo("undo" if steps < 0 else "redo")
            db.execute("UPDATE sheet SET position = ? WHERE id = ?", (position, sheet_id))
            return self._found(db, sheet_id)

    def rename(self, sheet_id: str, base: int, name: str) -> Record:
        with self._db.writing() as db:
            self._step(db, sheet_id, base)
            db.execute("UPDATE sheet SET name = ? WHERE id = ?", (name, sheet_id))
            return self._found(db, sheet_id)

    def file(self, sheet_id: str, filed: Filed) -> None:
        """Keep one so. Raises `SheetNotFound`."""
        with self._db.writing() as db:
            self._found(db, sheet_id)
            db.execute(
                "UPDATE sheet SET tags = ?, favourite = ?, done = ? WHERE id = ?",
                (json.dumps(filed.tags), filed.favourite, filed.done, sheet_id),
            )

    def bin(self, sheet_id: str, *, binned: bool = True) -> Record:
        """Put one in the bin, or take it out again."""
        with self._db.writing() as db:
            changed = db.execute(
                "UPDATE sheet SET deleted_at = ? WHERE kind = ? AND id = ?",
                (now() if binned else None, self.kind, sheet_id),
            )
            if not changed.rowcount:
                raise SheetNotFound(self.kind, sheet_id)
            return self._found(db, sheet_id)

    def _found(self, db: sqlite3.Connection, sheet_id: str) -> Record:
        """One of them; inside a write as that write left it, so that nobody else's
        comes between.
        """
        row = db.execute(
            f"{_SELECT} WHERE kind = ? AND sheet.id = ?", (self.kind, sheet_id)
        ).fetchone()
        if row is None:
            raise SheetNotFound(self.kind, sheet_id)
        return _record(row)

    def _step(self, db: sqlite3.Connection, sheet_id: str, base: int) -> int:
        """Count the version up from `base` and return the sheet's place in its revisions."""
        row = db.execute(
            "SELECT version, position FROM sheet WHERE kind = ? AND id = ?", (self.kind, sheet_id)
        ).fetchone()
        if row is None:
            raise SheetNotFound(self.kind, sheet_id)
        if row["version"] != base:
            raise StaleSheet(self.kind, sheet_id, base, row["version"])
        db.execute(
            "UPDATE sheet SET version = version + 1, updated_at = ? WHERE id = ?", (now(), sheet_id)
        )
        return int(row["position"])


class Racks(Sheets):
    """What was decided about each rack."""

    kind = "rack"

    def on_wall(self, wall_id: str) -> list[Record]:
        """The racks on a wall, in the order that they were made."""
        with self._db.reading() as db:
            rows = db.execute(
                f"{_SELECT} WHERE kind = 'rack' AND deleted_at IS NULL AND json_extract(here.brief,"
                " '$.place.wall') = ? ORDER BY sheet.rowid",
                (wall_id,),
            )
            return [_record(row) for row in rows.fetchall()]


class Walls(Sheets):
    """What was surveyed of each wall."""

    kind = "wall"


def check_rack(db: sqlite3.Connection, rack_id: str) -> None:
    """Raises `SheetNotFound` where what is written would belong to no rack."""
    if (
        db.execute("SELECT 1 FROM sheet WHERE kind = 'rack' AND id = ?", (rack_id,)).fetchone()
        is None
    ):
        raise SheetNotFound("rack", rack_id)


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
        Filed(tuple(json.loads(row["tags"])), bool(row["favourite"]), bool(row["done"])),
    )
