"""Measuring instruments that send what they show: the port that each answers by, and how its lines
are read.
"""

import re
from collections import deque
from collections.abc import AsyncIterator, Callable, Mapping
from dataclasses import dataclass, field
from typing import Protocol

from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.length_text import INCH, Unit
from yardcliff.messages import tr

QUIET = 1.2
"""So long without a line, and nothing comes from it, s."""
CALM = 4
"""So many readings that agree are a steady one."""
_LINE = re.compile(r"\s*([+-]?)\s*(\d{1,5}(?:\.\d{1,4})?)\s*(mm|in)\s*", re.IGNORECASE)


class Instrument(Protocol):
    """A caliper, a tape: `apart` is by how much its readings of one thing may differ, `reach` the
    longest that it measures, mm. One that is `simulated` says so on the page, and its readings in
    the log.
    """

    name: str
    simulated: bool
    apart: Fraction
    reach: Fraction

    def lines(self) -> AsyncIterator[str]:
        """What it sends, a line a reading, as long as it is asked."""
        ...


Instruments = Mapping[str, Callable[[Fraction], Instrument]]
"""Instruments by their names; a simulated one is told what lies between its jaws, mm, a real one
needs not.
"""


@dataclass(frozen=True, slots=True)
class Reading:
    """One line, read: mm, and the unit that the instrument is set to."""

    mm: Fraction
    unit: Unit


def read_line(line: str) -> Reading | None:
    """A line like `+0072.34 mm`; None for what is no reading: half a line, an error code, a stray
    byte.
    """
    found = _LINE.fullmatch(line)
    if not found:
        return None
    sign, digits, unit = found.groups()
    value = Fraction(digits) * (-1 if sign == "-" else 1)
    return Reading(value * INCH, "in") if unit.lower() == "in" else Reading(value, "mm")


@dataclass(frozen=True, slots=True)
class Shown:
    """What is shown of an instrument now: the value, mm, whether it is `steady`, and what there is
    to say.
    """

    mm: Fraction | None
    steady: bool
    says: str = ""


@dataclass(slots=True)
class Steadied:
    """The lines of an instrument as they come: a value is steady once enough of them agree, and
    then it is their middle one.
    """

    instrument: Instrument
    tape: Tape
    last: deque[Reading] = field(default_factory=lambda: deque(maxlen=CALM))

    def hear(self, line: str | None) -> Shown:
        """The next line, or None where none came in time."""
        if line is None:
            self.last.clear()
            return Shown(
                None,
                steady=False,
                says=tr("instruments.nothing-comes-from-on-near", name=self.instrument.name),
            )
        reading = read_line(line)
        if reading is None:
            return self._shown(tr("instruments.a-reading-was-garbled"))
        if self.last and self.last[-1].unit != reading.unit:
            self.last.clear()
        self.last.append(reading)
        if reading.mm < 0:
            return Shown(
                reading.mm,
                steady=False,
                says=tr("instruments.shows-less-than-nothing-close-set", name=self.instrument.name),
            )
        if reading.mm > self.instrument.reach:
            return Shown(
                reading.mm,
                steady=False,
                says=tr("instruments.longer-than-the-measures", name=self.instrument.name),
            )
        return self._shown("")

    def _shown(self, says: str) -> Shown:
        if not self.last:
            return Shown(None, steady=False, says=says)
        values = sorted(reading.mm for reading in self.last)
        steady = len(values) == CALM and values[-1] - values[0] <= self.instrument.apart
        now = self.last[-1]
        if now.unit != self.tape.unit and not says:
            word = "inches" if now.unit == "in" else "millimetres"
            says = tr(
                "instruments.set-what-taken",
                name=self.instrument.name,
                word=word,
                values=self.tape.write_fine(values[len(values) // 2]),
            )
        return Shown(values[len(values) // 2] if steady else now.mm, steady, says)
