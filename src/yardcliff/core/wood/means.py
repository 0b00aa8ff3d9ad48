"""What a brief's cutting comes to in a workshop: what stock is ripped and planed with, what that
takes, how long it lasts.
"""

from collections.abc import Collection
from dataclasses import dataclass
from functools import cached_property
from math import ceil
from typing import Literal

from yardcliff.core.brief.cutting import Cutting, ToSize
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.length_text import read
from yardcliff.core.workshop.methods import Way, own_ways
from yardcliff.core.workshop.shop import Shop
from yardcliff.data import table, values

ToStock = Literal["strip", "thin"]
"""What is done to stock before it is cut to length, rows of data/ways.toml: ripped to strips,
planed thinner.
"""
METRE = 1000


@dataclass(frozen=True)
class Means:
    """How `cutting` is done in a `shop`, and the `tape` that it is measured and said with."""

    cutting: Cutting
    shop: Shop
    tape: Tape

    @cached_property
    def takes(self) -> Fraction:
        """What each cut to length takes, mm."""
        return self.cutting.takes(self.tape.trade)

    @cached_property
    def rip(self) -> Way | None:
        """How stock is ripped; None where it is not."""
        return self._way("strip", self.cutting.rip)

    @cached_property
    def thin(self) -> Way | None:
        """How stock is planed thinner; None where it is not."""
        return self._way("thin", self.cutting.thin)

    @cached_property
    def rip_takes(self) -> Fraction:
        """What the saw that rips takes, mm: as measured where the same saw cuts to length."""
        if self.rip is None:
            return self.takes
        rows = [
            row
            for row in table("saws", self.tape.trade)
            if row["rips"] and {row["tool"]} - {""} == self.rip.tools
        ]
        same = any(row["key"] == self.cutting.saw for row in rows)
        return self.takes if same else read(rows[0]["kerf"])

    def minutes(self, does: ToStock, long: Fraction) -> float:
        """How long it is reckoned to take to bring so many mm of a strip, or of a
        stick, to size.
        """
        way = self.rip if does == "strip" else self.thin
        return (
            float(values("ways", does)["each"] * (way.slow if way else 1.0)) * float(long) / METRE
        )

    def lasts(self, does: ToStock, longs: Collection[Fraction]) -> int:
        """The same of several, with what it takes to set up for them, at the user's pace."""
        reckoned = values("ways", does)["setup"] + sum(self.minutes(does, long) for long in longs)
        return ceil(reckoned * self.shop.pace / 100) if longs else 0

    def costs(self, minutes: float) -> int:
        """What so much work of the user's counts against money, in hundredths."""
        return ceil(minutes * self.shop.pace / 100 * self.shop.rate / 60)

    def _way(self, does: ToStock, asked: ToSize) -> Way | None:
        ways = own_ways(values("ways", does), self.shop) if asked != "never" else []
        return next((way for way in ways if way.tools or asked == "by hand too"), None)
