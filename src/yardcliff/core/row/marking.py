"""Marks: every axis measured from the datum and rounded on its own, so that no error adds up."""

from math import lcm
from typing import NamedTuple

from yardcliff.core.row.row import Row
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, in_steps


class Mark(NamedTuple):
    """One pencil mark; all in mm.

    `exact` is the axis from the datum of a board of `length`, `steps` and `end_steps` how it reads
    from either end in steps of the `tape`. `drift` is how far off the mark would be, were a rounded
    pitch stepped along the board; None where the row has no one pitch.
    """

    place: int
    exact: Fraction
    length: Fraction
    tape: Tape
    steps: int
    end_steps: int
    drift: Fraction | None

    @property
    def reading(self) -> Fraction:
        """What the tape reads, from the datum."""
        return self.steps * self.tape.step

    @property
    def error(self) -> Fraction:
        """How far the reading is off, by half a tape step at most."""
        return self.reading - self.exact

    @property
    def from_end(self) -> Fraction:
        """The exact distance from the far end."""
        return self.length - self.exact

    @property
    def text(self) -> str:
        """The reading as it is written."""
        return self.tape.reading(self.steps)

    @property
    def end_text(self) -> str:
        """The reading from the far end as it is written."""
        return self.tape.reading(self.end_steps)


def marks(row: Row, tape: Tape) -> tuple[Mark, ...]:
    """The marks of a row, from the datum."""
    # In integers over one denominator: hundreds of marks are worked out on every frame of a drag.
    whole = lcm(
        row.length.denominator, tape.step.denominator, *{axis.denominator for axis in row.axes}
    )
    length, step = int(row.length * whole), int(tape.step * whole)
    stepped = not row.uneven and not row.airy
    first, each = drift(row, tape, 0), drift(row, tape, 1) - drift(row, tape, 0)
    found = []
    for place, axis in enumerate(row.axes):
        at = axis.numerator * (whole // axis.denominator)
        ends = in_steps(at, step), in_steps(length - at, step)
        found.append(
            Mark(place, axis, row.length, tape, *ends, first + place * each if stepped else None)
        )
    return tuple(found)


def drift(row: Row, tape: Tape, index: int) -> Fraction:
    """How far off mark `index` of an even row lands when its rounded pitch is stepped along (mm,
    signed).
    """
    first, step = tape.round(row.left) - row.left, tape.round(row.pitch) - row.pitch
    return first + index * step
