"""Things that hang as CSV: the columns of `core.listing`, one row a thing."""

from collections.abc import Iterable

from yardcliff.core.things.listing import COLUMNS, Listed, write_row
from yardcliff.exports.rows import write_rows


def write_items(entries: Iterable[Listed]) -> str:
    """Text that `imports.items_csv` reads back to the same entries."""
    return write_rows(COLUMNS, map(write_row, entries))
