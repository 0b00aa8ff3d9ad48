"""What can go wrong with the data file, in words a woodworker can act on."""

import sqlite3
from pathlib import Path

from yardcliff.core.base.errors import YardcliffError
from yardcliff.messages import tr


class SheetNotFound(YardcliffError):
    def __init__(self, kind: str, sheet_id: str) -> None:
        self.kind, self.sheet_id = kind, sheet_id
        super().__init__(tr("store.there-no-may-have-been-removed", kind=kind, sheet_id=sheet_id))


class StoreNotFound(YardcliffError):
    def __init__(self, what: str, key: str) -> None:
        self.what, self.key = what, key
        super().__init__(tr("store.there-no-may-have-been-removed", kind=what, sheet_id=key))


class StaleSheet(YardcliffError):
    """A save made from an older state than the newest; nothing was written."""

    def __init__(self, kind: str, sheet_id: str, base: int, version: int) -> None:
        self.kind, self.sheet_id, self.base, self.version = kind, sheet_id, base, version
        super().__init__(tr("store.this-was-changed-in-another-window", kind=kind))


class AlreadyWritten(YardcliffError):
    """The write of a request that was made before, by the key that came with it; nothing was
    written.
    """

    def __init__(self) -> None:
        super().__init__(tr("store.was-done-already-look-at-anew"))


class StaleStock(YardcliffError):
    """A sawing, or its taking back, that was asked for from an older state than the newest; nothing
    was written.
    """


class NothingToUndo(YardcliffError):
    def __init__(self, direction: str) -> None:
        super().__init__(tr("store.there-is-nothing-to", direction=direction))


class DataFileError(YardcliffError):
    """The data file cannot be read or written. `kind` is a stable word for the cause."""

    def __init__(self, kind: str, path: Path | str, advice: str) -> None:
        self.kind, self.path = kind, path
        super().__init__(tr("store.file", advice=advice, path=path))


_ADVICE = {
    sqlite3.SQLITE_READONLY: ("read-only", "store.data-file-cannot-be-written-or"),
    sqlite3.SQLITE_FULL: ("full", "store.disk-full-so-change-was-not"),
    sqlite3.SQLITE_CORRUPT: ("corrupt", "store.data-file-damaged-move-aside-restore"),
    sqlite3.SQLITE_NOTADB: ("corrupt", "store.this-no-yardcliff-data-file-give"),
    sqlite3.SQLITE_CANTOPEN: ("cannot-open", "store.data-file-cannot-be-opened-check"),
    sqlite3.SQLITE_BUSY: ("busy", "store.another-program-holds-data-file-close"),
    sqlite3.SQLITE_IOERR: ("disk", "store.disk-did-not-take-or-give"),
}


def explained(error: sqlite3.Error, path: Path | str) -> DataFileError:
    """The readable form of an SQLite error."""
    primary = getattr(error, "sqlite_errorcode", 0) & 0xFF
    kind, advice = _ADVICE.get(primary, ("database", "store.data-file-answered"))
    return DataFileError(kind, path, tr(advice, error=error))
