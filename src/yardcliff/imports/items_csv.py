"""Things that hang from a CSV file: every row is read or refused by itself, with its line and the
reason.
"""

from dataclasses import dataclass

from yardcliff.core.things.listing import COLUMNS, NEEDED, Listed, ListingError, read_row
from yardcliff.core.units.length_text import Unit
from yardcliff.imports.rows import read_csv
from yardcliff.messages import tr

MOST = 2000
ALIASES = {"weight": "weight_g", "drop": "below"}


@dataclass(frozen=True, slots=True)
class ReadRow:
    """One row of the file: its line, its name as written, and the entry or why it is refused."""

    line: int
    name: str
    entry: Listed | None
    why: str = ""


def read_items(text: str, unit: Unit = "mm") -> list[ReadRow]:
    """The rows of a CSV file with a head line; commas, semicolons or tabs between, any order of
    columns.

    Raises `CsvFileError` for a file without a usable head line.
    """
    found: list[ReadRow] = []
    seen: dict[str, int] = {}
    for line, row in read_csv(text, NEEDED, COLUMNS, _column):
        if len(found) == MOST:
            found.append(
                ReadRow(line, "", None, tr("imports.file-may-hold-things-rest-was", most=MOST))
            )
            break
        found.append(_read(row, line, unit, seen))
    return found


def _read(row: dict[str, str], line: int, unit: Unit, seen: dict[str, int]) -> ReadRow:
    name = (row.get("name") or "").strip()
    if None in row:
        return ReadRow(line, name, None, tr("imports.has-more-cells-than-first-line"))
    try:
        entry = read_row(row, unit)
    except ListingError as error:
        return ReadRow(line, name, None, str(error))
    if first := seen.get(entry.key):
        return ReadRow(
            line, name, None, tr("imports.key-is-on-line-already", key_name=entry.key, first=first)
        )
    seen[entry.key] = line
    return ReadRow(line, name, entry)


def _column(name: str) -> str:
    column = name.replace(" ", "_")
    return ALIASES.get(column, column)
