"""A made-up digital caliper and a made-up digital tape: they settle, they shake, they drop out, and
now and then are set to inches.
"""

import asyncio
from collections.abc import AsyncIterator, Callable
from dataclasses import dataclass
from random import Random

from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length_text import INCH
from yardcliff.instruments import Instrument, Instruments

EVERY = 0.12
"""Between two lines, s."""
GARBLED, SILENT, SETTLES = 17, 41, 6
"""Every so many lines one is garbled, a while nothing comes; so many go by until the hand is still.
"""
SILENCE = 1.5


@dataclass(slots=True)
class Simulated:
    """It is held to something `held` long, mm, which is really off by what a careful
    hand is off.
    """

    name: str
    apart: Fraction
    reach: Fraction
    held: Fraction
    digits: int
    every: float = EVERY
    simulated: bool = True

    def lines(self) -> AsyncIterator[str]:
        return self._lines(Random(f"{self.name} {self.held}"))

    async def _lines(self, chance: Random) -> AsyncIterator[str]:
        true = float(self.held) + chance.gauss(0, 0.4)
        inches = chance.random() < 0.15
        shakes = float(self.apart) / 4
        for k in range(100_000):
            await asyncio.sleep(
                SILENCE * self.every / EVERY if k % SILENT == SILENT - 1 else self.every
            )
            if k % GARBLED == GARBLED - 1:
                yield "#E4 \x00"
                continue
            away = max(SETTLES - k, 0) / SETTLES * chance.uniform(-4, 4)
            shown = true + away + chance.uniform(-shakes, shakes)
            yield f"{shown / float(INCH):+09.4f} in" if inches else f"{shown:+08.{self.digits}f} mm"


def instruments(every: float = EVERY) -> Instruments:
    """The two of them, by name."""

    def made(
        name: str, apart: Fraction, reach: int, digits: int
    ) -> Callable[[Fraction], Instrument]:
        return lambda held: Simulated(name, apart, Fraction(reach), held, digits, every)

    return {
        "caliper": made("caliper", Fraction(1, 10), 150, 2),
        "tape": made("tape", Fraction(1), 5000, 1),
    }
