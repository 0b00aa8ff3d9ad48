"""Things that hang from a CSV file: every row is read or refused by itself, with its line and the reason."""

import csv
from dataclasses import dataclass

from yardcliff.core.errors import YardcliffError
from yardcliff.core.length import Unit
from yardcliff.core.listing import COLUMNS, NEEDED, Listed, ListingError, read_row

MOST = 2000
ALIASES = {"weight": "weight_g", "drop": "below"}


class ItemsFileError(YardcliffError, ValueError):
    """A file that is no list of things at all."""


@dataclass(frozen=True, slots=True)
class ReadRow:
    """One row of the file: its line, its name as written, and the entry or why it is refused."""

    line: int
    name: str
    entry: Listed | None
    why: str = ""


def read_items(text: str, unit: Unit = "mm") -> list[ReadRow]:
    """The rows of a CSV file with a head line; commas, semicolons or tabs between, any order of columns.

    Raises `ItemsFileError` for a file without a usable head line.
    """
    lines = text.removeprefix("\ufeff").splitlines()
    head = lines[0] if lines else ""
    mark = max(",;\t", key=head.count)
    reader = csv.DictReader(lines, delimiter=mark, skipinitialspace=True)
    fields = [_column(name) for name in reader.fieldnames or ()]
    missing = [column for column in NEEDED if column not in fields]
    if missing:
        raise ItemsFileError(
            f"The first line must name the columns; there is no “{missing[0]}” in it. "
            f"Needed are {', '.join(NEEDED)}; known are {', '.join(COLUMNS)}."
        )
    reader.fieldnames = fields
    found: list[ReadRow] = []
    seen: dict[str, int] = {}
    for row in reader:
        if len(found) == MOST:
            found.append(ReadRow(reader.line_num, "", None, f"a file may hold {MOST} things; the rest was not read"))
            break
        found.append(_read(row, reader.line_num, unit, seen))
    return found


def _read(row: dict[str, str], line: int, unit: Unit, seen: dict[str, int]) -> ReadRow:
    name = (row.get("name") or "").strip()
    if None in row:
        return ReadRow(line, name, None, "it has more cells than the first line has columns")
    try:
        entry = read_row(row, unit)
    except ListingError as error:
        return ReadRow(line, name, None, str(error))
    if first := seen.get(entry.key):
        return ReadRow(line, name, None, f"key: “{entry.key}” is on line {first} already")
    seen[entry.key] = line
    return ReadRow(line, name, entry)


def _column(name: str) -> str:
    column = name.strip().lower().replace(" ", "_")
    return ALIASES.get(column, column)
