"""Marks: every axis measured from the datum and rounded on its own, so that no error adds up."""

from dataclasses import dataclass
from fractions import Fraction

from yardcliff.core.length import Tape
from yardcliff.core.spacing import Row


@dataclass(frozen=True, slots=True)
class Mark:
    """One pencil mark, mm from the datum.

    `reading` is `exact` on the tape, `from_end` the reading from the far end. `drift` is how far
    off the mark would be if a rounded pitch were stepped along the board instead; None where pins
    make the row uneven.
    """

    index: int
    exact: Fraction
    reading: Fraction
    from_end: Fraction
    drift: Fraction | None

    @property
    def error(self) -> Fraction:
        """Reading less exact: never more than half a tape step."""
        return self.reading - self.exact


def marks(row: Row, tape: Tape) -> tuple[Mark, ...]:
    """The marks of a row, from the datum."""
    first, step = tape.round(row.left), tape.round(row.pitch)
    return tuple(
        Mark(
            index,
            axis,
            tape.round(axis),
            tape.round(row.length - axis),
            None if row.pins else first + index * step - axis,
        )
        for index, axis in enumerate(row.axes)
    )


def worst_drift(row: Row, tape: Tape) -> Fraction:
    """How far off the last mark would be when a rounded pitch is stepped along (mm, signed)."""
    return tape.round(row.left) - row.left + (row.count - 1) * (tape.round(row.pitch) - row.pitch)
