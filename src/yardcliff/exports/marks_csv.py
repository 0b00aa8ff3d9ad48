"""The marks as CSV, one row a mark."""

from yardcliff.core.design.rack_design import Design
from yardcliff.exports.rows import write_rows

COLUMNS = ("row", "mark", "exact_mm", "tape", "from_far_end", "error_mm")


def write_marks(design: Design) -> str:
    """`exact_mm` and `error_mm` are to 0.0001 mm."""
    tape = design.tape
    return write_rows(
        COLUMNS,
        (
            dict(
                zip(
                    COLUMNS,
                    (
                        row + 1,
                        mark.place + 1,
                        f"{float(mark.exact):.4f}",
                        tape.write(mark.exact),
                        mark.end_text,
                        f"{float(mark.error):.4f}",
                    ),
                    strict=True,
                )
            )
            for row, marks in enumerate(design.marks_by_row)
            for mark in marks
        ),
    )
