"""Marks: every axis measured from the datum and rounded on its own, so that no error adds up."""

from math import lcm
from typing import NamedTuple

from yardcliff.core.exact import Fraction
from yardcliff.core.length import Tape, in_steps
from yardcliff.core.row import Row


class Mark(NamedTuple):
    """One pencil mark; all in mm.

    `exact` is the axis from the datum and `reading` that on the tape, `error` apart by half a tape step
    at most; `from_end` is the exact distance from the far end. `drift` is how far off the mark would
    be, were a rounded pitch stepped along the board; None where the row has no one pitch.
    """

    place: int
    exact: Fraction
    reading: Fraction
    error: Fraction
    from_end: Fraction
    drift: Fraction | None


def marks(row: Row, tape: Tape) -> tuple[Mark, ...]:
    """The marks of a row, from the datum."""
    # In integers over one denominator: hundreds of marks are worked out on every frame of a drag.
    whole = lcm(row.length.denominator, tape.step.denominator, *{axis.denominator for axis in row.axes})
    length, step = int(row.length * whole), int(tape.step * whole)
    stepped = not row.uneven and not row.airy
    first, each = drift(row, tape, 0), drift(row, tape, 1) - drift(row, tape, 0)
    found = []
    for index, axis in enumerate(row.axes):
        at = axis.numerator * (whole // axis.denominator)
        reading = step * in_steps(at, step)
        found.append(
            Mark(
                index,
                axis,
                Fraction(reading, whole),
                Fraction(reading - at, whole),
                Fraction(length - at, whole),
                first + index * each if stepped else None,
            )
        )
    return tuple(found)


def drift(row: Row, tape: Tape, index: int) -> Fraction:
    """How far off mark `index` of an even row lands when its rounded pitch is stepped along (mm, signed)."""
    first, step = tape.round(row.left) - row.left, tape.round(row.pitch) - row.pitch
    return first + index * step
