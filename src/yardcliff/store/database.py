"""Opening the data file and bringing it up to date."""

import sqlite3
from collections.abc import Iterator
from contextlib import closing, contextmanager
from importlib.resources import files
from pathlib import Path
from threading import RLock

from yardcliff.store.errors import DataFileError, explained


class Database:
    """One connection behind one lock: a single user's writes are short and come one at a time."""

    def __init__(self, path: Path | str) -> None:
        """Open or create `path` (":memory:" for none). Raises `DataFileError`."""
        self.path = path
        self._lock = RLock()
        try:
            if path != ":memory:":
                Path(path).parent.mkdir(parents=True, exist_ok=True)
            self._connection = sqlite3.connect(path, timeout=5, isolation_level=None, check_same_thread=False)
            self._connection.row_factory = sqlite3.Row
            for pragma in ("journal_mode = WAL", "synchronous = FULL", "foreign_keys = ON"):
                self._connection.execute(f"PRAGMA {pragma}").fetchall()
            self._migrate()
        except sqlite3.Error as error:
            raise explained(error, path) from error
        except OSError as error:
            raise DataFileError("cannot-open", path, f"The folder cannot be made: {error.strerror}.") from error

    @contextmanager
    def reading(self) -> Iterator[sqlite3.Connection]:
        """The connection, for queries."""
        with self._lock:
            try:
                yield self._connection
            except sqlite3.Error as error:
                raise explained(error, self.path) from error

    @contextmanager
    def writing(self) -> Iterator[sqlite3.Connection]:
        """The connection inside one transaction, rolled back whole on any error."""
        with self.reading() as connection:
            connection.execute("BEGIN IMMEDIATE")
            try:
                yield connection
                connection.execute("COMMIT")
            except BaseException:
                if connection.in_transaction:
                    connection.execute("ROLLBACK")
                raise

    def backup(self, target: Path) -> None:
        """Copy the whole file to `target` while others go on reading and writing it."""
        try:
            with self.reading() as connection, closing(sqlite3.connect(target)) as copy:
                connection.backup(copy)
        except sqlite3.Error as error:
            raise explained(error, target) from error

    def close(self) -> None:
        with self._lock:
            self._connection.close()

    def _migrate(self) -> None:
        connection = self._connection
        connection.execute(
            "CREATE TABLE IF NOT EXISTS migration (number INTEGER PRIMARY KEY, name TEXT NOT NULL) STRICT"
        )
        done = connection.execute("SELECT coalesce(max(number), 0) FROM migration").fetchone()[0]
        scripts = sorted(
            (f for f in files(__package__).joinpath("migrations").iterdir() if f.name.endswith(".sql")),
            key=lambda f: f.name,
        )
        if done > len(scripts):
            raise DataFileError(
                "newer", self.path, "A newer Yardcliff made this data file. Update Yardcliff to open it."
            )
        for script in scripts:
            number = int(script.name.split("_")[0])
            if number <= done:
                continue
            # Statement by statement: `executescript` would commit before the version is recorded.
            with self.writing():
                for statement in _statements(script.read_text("utf-8")):
                    connection.execute(statement)
                connection.execute("INSERT INTO migration VALUES (?, ?)", (number, script.name))


def _statements(script: str) -> Iterator[str]:
    statement = ""
    for line in script.splitlines(keepends=True):
        statement += line
        if sqlite3.complete_statement(statement):
            yield statement
            statement = ""
