"""Named versions of a rack: states to come back to and to compare."""

import json
import uuid
from dataclasses import dataclass
from typing import Any

from yardcliff.core.base.errors import YardcliffError
from yardcliff.messages import tr
from yardcliff.store.database import Store, now
from yardcliff.store.errors import SheetNotFound

MOST = 50
"""Versions kept of one rack; it is said when there are more."""


class VersionNotFound(YardcliffError):
    def __init__(self, version_id: str) -> None:
        super().__init__(tr("store.there-no-version-may-have-been", version_id=version_id))


class TooManyVersions(YardcliffError):
    def __init__(self) -> None:
        super().__init__(tr("store.rack-keeps-versions-let-one-go", most=MOST))


@dataclass(frozen=True, slots=True)
class Version:
    id: str
    name: str
    brief: dict[str, Any]
    made_at: str


class Versions(Store):
    """The versions of the racks in the data file."""

    def all(self, rack_id: str) -> list[Version]:
        """A rack's versions, the newest first."""
        with self._db.reading() as db:
            rows = db.execute(
                "SELECT * FROM version WHERE rack_id = ? AND gone_at IS NULL ORDER BY made_at DESC,"
                " rowid DESC",
                (rack_id,),
            ).fetchall()
        return [
            Version(row["id"], row["name"], json.loads(row["brief"]), row["made_at"])
            for row in rows
        ]

    def keep(self, rack_id: str, name: str) -> None:
        """Keep the rack as it is now under `name`. Raises `SheetNotFound` or `TooManyVersions`."""
        with self._db.writing() as db:
            if (
                db.execute(
                    "SELECT count(*) FROM version WHERE rack_id = ? AND gone_at IS NULL", (rack_id,)
                ).fetchone()[0]
                >= MOST
            ):
                raise TooManyVersions
            made = db.execute(
                "INSERT INTO version (id, rack_id, name, brief, made_at) SELECT ?, sheet.id, ?,"
                " here.brief, ? FROM sheet JOIN revision here ON here.sheet_id = sheet.id AND"
                " here.position = sheet.position WHERE sheet.id = ?",
                (uuid.uuid4().hex[:12], name, now(), rack_id),
            )
            if not made.rowcount:
                raise SheetNotFound("rack", rack_id)

    def get(self, rack_id: str, version_id: str) -> Version:
        """One version. Raises `VersionNotFound`."""
        found = next((version for version in self.all(rack_id) if version.id == version_id), None)
        if found is None:
            raise VersionNotFound(version_id)
        return found

    def forget(self, rack_id: str, version_id: str, *, gone: bool = True) -> None:
        """Let a version go, or bring it back. Raises `VersionNotFound`."""
        with self._db.writing() as db:
            changed = db.execute(
                "UPDATE version SET gone_at = ? WHERE rack_id = ? AND id = ?",
                (now() if gone else None, rack_id, version_id),
            )
            if not changed.rowcount:
                raise VersionNotFound(version_id)
