"""Opening the data file and bringing it up to date; reading it and writing to it."""

import os
import sqlite3
from collections.abc import Iterator
from contextlib import closing, contextmanager
from contextvars import ContextVar
from dataclasses import dataclass
from datetime import UTC, datetime
from importlib.resources import files
from pathlib import Path
from threading import RLock, local
from urllib.parse import quote

from yardcliff.messages import tr
from yardcliff.store.errors import AlreadyWritten, DataFileError, explained

APPLICATION_ID = 0x59617264
"""“Yard”, in the file's header: whose file it is."""
WAIT_TO_WRITE, WAIT_TO_READ = 5.0, 1.0  # s
KEYS_KEPT = 10_000
_MEMORY = ":memory:"


@dataclass(slots=True)
class Request:
    """A request whose sender gave it a key: each of its writes is made once, however often it
    comes.
    """

    key: str
    writes: int = 0


REQUEST: ContextVar[Request | None] = ContextVar("request", default=None)
"""The request that is being answered, where it has a key."""


def now() -> str:
    return datetime.now(UTC).isoformat(timespec="milliseconds")


class Database:
    """A data file: one connection that writes, one write at a time, and one that reads meanwhile.

    Readers do not wait for a write of ours or of another program. Inside a write, its thread reads
    what it wrote.
    """

    def __init__(self, path: Path | str, *, to_read: bool = False) -> None:
        """Open or create `path` (":memory:" for none); `to_read` it, it has to be there and is left
        as it is. A file that may only be read is opened so. Raises `DataFileError`.
        """
        self.path = path
        self.read_only = to_read
        self._writes, self._reads, self._own = RLock(), RLock(), local()
        try:
            if path == _MEMORY:
                self._writer = self._reader = _connection(path, WAIT_TO_WRITE)
                self._reads = self._writes
                self._migrate(self._writer)
            elif to_read or (Path(path).is_file() and not _may_write(Path(path))):
                self._open_to_read(Path(path))
            else:
                self._open_to_write(Path(path))
        except sqlite3.Error as error:
            raise explained(error, path) from error
        except OSError as error:
            raise DataFileError(
                "cannot-open", path, tr("store.the-folder-cannot-be-made", strerror=error.strerror)
            ) from error

    def _open_to_write(self, path: Path) -> None:
        path.parent.mkdir(parents=True, exist_ok=True)
        self._writer = _connection(path, WAIT_TO_WRITE)
        self._check_owner(self._writer)
        for pragma in ("journal_mode = WAL", "synchronous = FULL"):
            self._writer.execute(f"PRAGMA {pragma}").fetchall()
        self._migrate(self._writer)
        self._reader = _connection(path, WAIT_TO_READ)
        self._reader.execute("PRAGMA query_only = ON")
        self._file = _identity(path)

    def _open_to_read(self, path: Path) -> None:
        """What is there, without a trace; an older layout is brought up in a copy in memory."""
        self.read_only = True
        if not path.is_file():
            raise DataFileError("missing", path, tr("store.there-is-no-data-file"))
        # Without a log beside it nobody has it open: so it can be read from a folder that takes no
        # files.
        alone = not Path(f"{path}-wal").exists()
        uri = f"file:{quote(str(path))}?mode=ro{'&immutable=1' if alone else ''}"
        self._reader = _connection(uri, WAIT_TO_READ, uri=True)
        self._check_owner(self._reader)
        if _layout(self._reader) != len(_scripts()):
            copy = _connection(_MEMORY, WAIT_TO_READ)
            with closing(self._reader):
                self._reader.backup(copy)
            self._reader = copy
            self._migrate(copy)
        self._writer, self._reads = self._reader, self._writes

    @property
    def in_write(self) -> bool:
        """Whether this thread is inside a write, which may be rolled back yet."""
        return bool(getattr(self._own, "writes", False))

    @contextmanager
    def reading(self) -> Iterator[sqlite3.Connection]:
        """The connection, for queries; inside a write that write's own."""
        if self.in_write:
            yield self._writer
            return
        with self._reads:
            try:
                yield self._reader
            except sqlite3.Error as error:
                raise explained(error, self.path) from error

    @contextmanager
    def writing(self) -> Iterator[sqlite3.Connection]:
        """The connection inside one transaction, rolled back whole on any error; a write inside a
        write is part of it.

        Raises `AlreadyWritten` where the request's key says that this write was made before.
        """
        if self.in_write:
            yield self._writer
            return
        with self._writes:
            try:
                self._check_there()
                self._writer.execute("BEGIN IMMEDIATE")
                self._own.writes = True
                try:
                    self._note_key()
                    yield self._writer
                    self._writer.execute("COMMIT")
                finally:
                    self._own.writes = False
                    if self._writer.in_transaction:
                        self._writer.execute("ROLLBACK")
            except sqlite3.Error as error:
                raise explained(error, self.path) from error

    def backup(self, target: Path) -> None:
        """Copy the whole file to `target` while others go on reading and writing it."""
        try:
            with self.reading() as connection, closing(sqlite3.connect(target)) as copy:
                connection.backup(copy)
        except sqlite3.Error as error:
            raise explained(error, target) from error

    def close(self) -> None:
        with self._writes, self._reads:
            self._reader.close()
            self._writer.close()

    def _note_key(self) -> None:
        request = REQUEST.get()
        if request is None:
            return
        request.writes += 1
        key = f"{request.key} {request.writes}"
        if not self._writer.execute(
            "INSERT OR IGNORE INTO written (key) VALUES (?)", (key,)
        ).rowcount:
            raise AlreadyWritten
        self._writer.execute(
            "DELETE FROM written WHERE number <= (SELECT max(number) - ? FROM written)",
            (KEYS_KEPT,),
        )

    def _check_there(self) -> None:
        """An open file can be written to after it was deleted, and all of that would be lost."""
        if self.read_only:
            raise explained_read_only(self.path)
        if self.path != _MEMORY and _identity(Path(self.path)) != self._file:
            raise DataFileError("gone", self.path, tr("store.data-file-was-deleted-moved-or"))

    def _check_owner(self, connection: sqlite3.Connection) -> None:
        """Another program's file is left alone. Ours had no mark at first: those are known by their
        first migration.
        """
        mark = connection.execute("PRAGMA application_id").fetchone()[0]
        tables = {
            row[0]
            for row in connection.execute("SELECT name FROM sqlite_schema WHERE type = 'table'")
        }
        ours = mark == APPLICATION_ID or (
            mark == 0 and (not tables or _begins_as_ours(connection, tables))
        )
        if not ours:
            raise DataFileError(
                "foreign", self.path, tr("store.this-another-programs-data-file-was")
            )

    def _migrate(self, connection: sqlite3.Connection) -> None:
        scripts, done = _scripts(), _layout(connection)
        if done > len(scripts):
            raise DataFileError("newer", self.path, tr("store.newer-yardcliff-made-this-data-file"))
        if connection.execute("PRAGMA application_id").fetchone()[0] != APPLICATION_ID:
            connection.execute(f"PRAGMA application_id = {APPLICATION_ID}")
        if not done:
            connection.execute(
                "CREATE TABLE IF NOT EXISTS migration (number INTEGER PRIMARY KEY, name TEXT NOT"
                " NULL) STRICT"
            )
        for number, (name, script) in enumerate(scripts, 1):
            if number <= done:
                continue
            connection.execute("BEGIN IMMEDIATE")
            try:
                if _layout(connection) < number:  # or another start was faster
                    # Statement by statement: `executescript` would commit before the version is
                    # recorded.
                    for statement in _statements(script):
                        connection.execute(statement)
                    connection.execute(
                        "INSERT INTO migration (number, name) VALUES (?, ?)", (number, name)
                    )
                connection.execute("COMMIT")
            except BaseException:
                connection.execute("ROLLBACK")
                raise


class Store:
    """Something that is kept in the data file."""

    def __init__(self, database: Database) -> None:
        self._db = database

    @contextmanager
    def changing(self) -> Iterator[None]:
        """What is read and written inside is one write: all of it or nothing, and nobody else's
        comes between.
        """
        with self._db.writing():
            yield


def explained_read_only(path: Path | str) -> DataFileError:
    error = sqlite3.OperationalError()
    error.sqlite_errorcode = sqlite3.SQLITE_READONLY
    return explained(error, path)


def _connection(path: Path | str, wait: float, *, uri: bool = False) -> sqlite3.Connection:
    connection = sqlite3.connect(
        path, timeout=wait, isolation_level=None, check_same_thread=False, uri=uri
    )
    connection.row_factory = sqlite3.Row
    connection.execute("PRAGMA foreign_keys = ON")
    return connection


def _may_write(path: Path) -> bool:
    """Beside the file its log has to be written too."""
    return os.access(path, os.W_OK) and os.access(path.parent, os.W_OK)


def _identity(path: Path) -> tuple[int, int] | None:
    try:
        found = path.stat()
    except OSError:
        return None
    return found.st_dev, found.st_ino


def _begins_as_ours(connection: sqlite3.Connection, tables: set[str]) -> bool:
    if "migration" not in tables:
        return False
    try:
        first: str = connection.execute("SELECT name FROM migration WHERE number = 1").fetchone()[0]
        return first == _scripts()[0][0]
    except (sqlite3.Error, TypeError):
        return False


def _layout(connection: sqlite3.Connection) -> int:
    """How many migrations a file has seen."""
    try:
        return int(
            connection.execute("SELECT coalesce(max(number), 0) FROM migration").fetchone()[0]
        )
    except sqlite3.OperationalError as error:
        if error.sqlite_errorcode != sqlite3.SQLITE_ERROR:  # no such table
            raise
        return 0


def _scripts() -> list[tuple[str, str]]:
    """(name, statements) of each migration, in order."""
    folder = files(__package__).joinpath("migrations")
    found = sorted(
        (file for file in folder.iterdir() if file.name.endswith(".sql")),
        key=lambda file: file.name,
    )
    return [(file.name, file.read_text("utf-8")) for file in found]


def _statements(script: str) -> Iterator[str]:
    statement = ""
    for line in script.splitlines(keepends=True):
        statement += line
        if sqlite3.complete_statement(statement):
            yield statement
            statement = ""
