"""Things that hang as CSV: the columns of `core.listing`, one row a thing."""

import csv
import io
from collections.abc import Iterable

from yardcliff.core.listing import COLUMNS, Listed, write_row


def write_items(entries: Iterable[Listed]) -> str:
    """RFC 4180 text that `imports.items_csv` reads back to the same entries."""
    out = io.StringIO()
    writer = csv.DictWriter(out, COLUMNS)
    writer.writeheader()
    writer.writerows(write_row(entry) for entry in entries)
    return out.getvalue()
