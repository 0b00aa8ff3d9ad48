"""What can go wrong with the data file, in words a woodworker can act on."""

import sqlite3
from pathlib import Path

from yardcliff.core.base.errors import YardcliffError


class SheetNotFound(YardcliffError):
    def __init__(self, kind: str, sheet_id: str) -> None:
        self.kind, self.sheet_id = kind, sheet_id
        super().__init__(
            f"There is no {kind} “{sheet_id}”. It may have been removed in another window."
        )


class StoreNotFound(YardcliffError):
    def __init__(self, what: str, key: str) -> None:
        self.what, self.key = what, key
        super().__init__(f"There is no {what} “{key}”. It may have been removed in another window.")


class StaleSheet(YardcliffError):
    """A save made from an older state than the newest; nothing was written."""

    def __init__(self, kind: str, sheet_id: str, base: int, version: int) -> None:
        self.kind, self.sheet_id, self.base, self.version = kind, sheet_id, base, version
        super().__init__(
            f"This {kind} was changed in another window. Take the newer state, or keep yours as a"
            " copy."
        )


class AlreadyWritten(YardcliffError):
    """The write of a request that was made before, by the key that came with it; nothing was
    written.
    """

    def __init__(self) -> None:
        super().__init__("That was done already: look at it anew.")


class StaleStock(YardcliffError):
    """A sawing, or its taking back, that was asked for from an older state than the newest; nothing
    was written.
    """


class NothingToUndo(YardcliffError):
    def __init__(self, direction: str) -> None:
        super().__init__(f"There is nothing to {direction}.")


class DataFileError(YardcliffError):
    """The data file cannot be read or written. `kind` is a stable word for the cause."""

    def __init__(self, kind: str, path: Path | str, advice: str) -> None:
        self.kind, self.path = kind, path
        super().__init__(f"{advice} File: {path}")


_ADVICE = {
    sqlite3.SQLITE_READONLY: (
        "read-only",
        (
            "The data file cannot be written: it or its folder is read-only. Change its permissions"
            " or give another with --data."
        ),
    ),
    sqlite3.SQLITE_FULL: (
        "full",
        "The disk is full, so the change was not saved. Free some space and try again.",
    ),
    sqlite3.SQLITE_CORRUPT: (
        "corrupt",
        (
            "The data file is damaged. Move it aside and restore a backup, or start a new file with"
            " --data."
        ),
    ),
    sqlite3.SQLITE_NOTADB: ("corrupt", "This is no Yardcliff data file. Give another with --data."),
    sqlite3.SQLITE_CANTOPEN: (
        "cannot-open",
        (
            "The data file cannot be opened: check that its folder exists and may be written, or"
            " give another with --data."
        ),
    ),
    sqlite3.SQLITE_BUSY: ("busy", "Another program holds the data file. Close it and try again."),
    sqlite3.SQLITE_IOERR: (
        "disk",
        "The disk did not take or give the data. Check it and try again.",
    ),
}


def explained(error: sqlite3.Error, path: Path | str) -> DataFileError:
    """The readable form of an SQLite error."""
    primary = getattr(error, "sqlite_errorcode", 0) & 0xFF
    kind, advice = _ADVICE.get(primary, ("database", f"The data file answered: {error}."))
    return DataFileError(kind, path, advice)
