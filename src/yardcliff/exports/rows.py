"""CSV as every list is written: RFC 4180, and no cell that a spreadsheet would run as a formula."""

import csv
import io
import re
from collections.abc import Iterable, Mapping, Sequence

_RUNS = re.compile(r"'*[=+\-@\t\r]")
"""What a spreadsheet takes for a formula; with marks before it, so that each is read back as it
was.
"""
_NUMBER = re.compile(r"[+-]?\d[\d.,/ ]*( (mm|in))?")


def write_rows(columns: Sequence[str], rows: Iterable[Mapping[str, object]]) -> str:
    """One line a row under a head line; what is None is left empty."""
    out = io.StringIO()
    writer = csv.DictWriter(out, columns, restval="")
    writer.writeheader()
    writer.writerows(
        {key: "" if value is None else escaped(str(value)) for key, value in row.items()}
        for row in rows
    )
    return out.getvalue()


def escaped(cell: str) -> str:
    """A cell as text: `=SUM(A1)` gets the mark before it that spreadsheets hide, and `imports.rows`
    takes away.
    """
    return f"'{cell}" if _RUNS.match(cell) and not _NUMBER.fullmatch(cell) else cell


def unescaped(cell: str) -> str:
    """What `escaped` was given."""
    return cell[1:] if cell.startswith("'") and _RUNS.match(cell) else cell
