"""A family of lengths as CSV: one row a count, its board and every mark."""

import csv
import io
from collections.abc import Sequence

from yardcliff.core.row.row import Row
from yardcliff.core.units.length import Tape


def write_family(rows: Sequence[Row], tape: Tape) -> str:
    """RFC 4180 text; marks as the tape shows them, from the datum."""
    out = io.StringIO()
    writer = csv.writer(out)
    most = max(row.holders for row in rows)
    writer.writerow(("count", "board", "board_mm", *(f"mark_{k + 1}" for k in range(most))))
    for row in rows:
        marks = [tape.write(axis) for axis in row.axes]
        writer.writerow((row.count, tape.write(row.length), f"{float(row.length):.4f}", *marks))
    return out.getvalue()
