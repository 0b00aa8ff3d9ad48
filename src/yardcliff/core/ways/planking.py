"""Planks side by side in a panel: how wide each is, and whether a holder stands on a seam between
two.
"""

from bisect import bisect_right
from collections.abc import Iterator
from dataclasses import dataclass
from itertools import accumulate
from math import ceil
from typing import Literal

from yardcliff.core.base.model import Frozen
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import Standing
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Size, Tape, exact_text
from yardcliff.core.units.length_text import read
from yardcliff.core.units.trade import Either, either, usual
from yardcliff.messages import tr

SEAM = either("6 mm", "1/4 in")
"""Least wood between a holder's bore and a seam, mm: rule of thumb."""
SOLD = Either(
    tuple(map(Fraction, range(60, 162, 2))),
    tuple(read(f"{quarters}/4 in") for quarters in range(10, 26)),
)
"""Widths that planks are sold or ripped to."""


class Plank(Frozen):
    """The stock that a panel is made of. What is left over comes off all of them alike, or off the
    last.
    """

    width: Size = usual("120 mm", "5 1/2 in")
    rip: Literal["all", "last"] = "all"


def planks(length: Fraction, plank: Plank) -> tuple[Fraction, ...]:
    """The widths of the planks that make up a panel of `length`, mm."""
    count = max(1, ceil(length / plank.width))
    if plank.rip == "all":
        return (length / count,) * count
    return (plank.width,) * (count - 1) + (length - plank.width * (count - 1),)


@dataclass(frozen=True, slots=True)
class Seams:
    """Where a panel's holders stand, and how far from a seam they have to: what a choice of planks
    is judged by.
    """

    tape: Tape
    length: Fraction
    axes: tuple[tuple[Fraction, Fraction], ...]
    """In order, each with how far from a seam it has to stand."""

    @classmethod
    def of(cls, row: Row, standing: tuple[Standing, ...], fitted: Fitting, tape: Tape) -> "Seams":
        fits = [fitted.of(k) for k in range(len(standing))]
        clear = [
            max(fit.bored + SEAM.of(tape.sizes), fit.reach.left, fit.reach.right) for fit in fits
        ]
        return cls(
            tape,
            row.length,
            tuple(
                sorted(
                    {(axis, clear[k]) for k, one in enumerate(standing) for axis in one.row.axes}
                )
            ),
        )

    def hit(self, plank: Plank) -> tuple[Fraction, Fraction] | None:
        """How far from a seam the first holder stands that is too near one, and how far it has to
        be.
        """
        widest = max((clear for _, clear in self.axes), default=Fraction(0))
        for seam in list(accumulate(planks(self.length, plank)))[:-1]:
            after = bisect_right(self.axes, (seam - widest, widest))
            for axis, clear in self.axes[after:]:
                if axis >= seam + widest:
                    break
                if abs(axis - seam) < clear:
                    return abs(axis - seam), clear
        return None

    def missed_by(self, plank: Plank) -> Plank | None:
        """Planks of nearly the same width that have no seam at a holder; None if no width that is
        sold has none.
        """
        widths = sorted(SOLD.of(self.tape.sizes), key=lambda width: abs(width - plank.width))
        others = (plank.changed({"width": width}) for width in widths)
        return next((other for other in others if self.hit(other) is None), None)

    def on(self, plank: Plank) -> Iterator[Finding]:
        """Whether a holder stands on a seam."""
        near = self.hit(plank)
        if near is None:
            return
        better = self.missed_by(plank)
        yield Finding(
            "panel.seam",
            tr("part.panel"),
            tr("panel.seam"),
            tr("quantity.from-the-seam"),
            *near,
            fixes=(
                *(
                    (
                        Fix(
                            tr("fix.planks-of", width=self.tape.write_fine(better.width)),
                            {"plank": {"width": exact_text(better.width)}},
                        ),
                    )
                    if better
                    else ()
                ),
                Fix(tr("fix.a-frame-of-cross-boards-instead"), {"made": "frame"}),
            ),
        )
