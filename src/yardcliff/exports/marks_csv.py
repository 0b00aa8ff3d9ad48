"""The marks as CSV, one row a mark."""

import csv
import io

from yardcliff.core.design import Design

COLUMNS = ("row", "mark", "exact_mm", "tape", "from_far_end", "error_mm")


def write_marks(design: Design) -> str:
    """RFC 4180 text. `exact_mm` and `error_mm` are to 0.0001 mm."""
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(COLUMNS)
    tape = design.tape
    for row, marks in enumerate(design.marks_by_row):
        for mark in marks:
            writer.writerow(
                (
                    row + 1,
                    mark.place + 1,
                    f"{float(mark.exact):.4f}",
                    tape.write(mark.exact),
                    mark.end_text,
                    f"{float(mark.error):.4f}",
                )
            )
    return out.getvalue()
