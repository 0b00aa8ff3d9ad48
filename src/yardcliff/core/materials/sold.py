"""The sizes that things are sold in, by trade: what a derived size goes up or down to."""

from functools import cache
from math import ceil
from typing import Literal, cast

from yardcliff.core.materials.goods import Form, Goods, Ware, Wood
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import size_text
from yardcliff.core.units.length_text import read
from yardcliff.core.units.trade import Either, Trade, either, up
from yardcliff.data import row_of, table

Gauge = Literal["3.0", "3.5", "4.0", "4.5", "5.0", "6.0", "#4", "#6", "#8", "#10", "#12", "#14"]
"""How thick wood screws are, as packets say it (screws.csv): mm, or a number."""
JOINS: Either[Gauge] = Either("4.0", "#8")
"""The screws that hold parts together."""
HOLDS: Either[Gauge] = Either("5.0", "#10")
"""The screws that a rack hangs by."""
PLATES: Either[Gauge] = Either("3.0", "#4")
"""The screws of small plates."""


def _lengths(unit: str, texts: str) -> tuple[Fraction, ...]:
    return tuple(read(f"{text.strip()} {unit}") for text in texts.split(","))


SCREW_LENGTHS = Either(
    _lengths("mm", "12, 16, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 120, 140, 160, 180"),
    _lengths("in", "1/2, 5/8, 3/4, 1, 1 1/4, 1 1/2, 1 3/4, 2, 2 1/4, 2 1/2, 3, 3 1/2, 4, 5, 6"),
)
"""What wood screws are sold in."""
LAG_LENGTHS = Either(
    _lengths("mm", "40, 50, 60, 70, 80, 90, 100, 120, 140"),
    _lengths("in", "1 1/2, 2, 2 1/2, 3, 3 1/2, 4, 5, 6"),
)
"""What lag screws are sold in."""
THICKER = Either(_lengths("mm", "28, 35, 45"), _lengths("in", "1, 1 1/2"))
"""Boards to go over to where one is too thin: planed and dressed sizes."""
BRADS = Either(
    tuple(
        (read(f"{long} mm"), thick)
        for long, thick in (
            (15, "1.0"),
            (20, "1.2"),
            (25, "1.4"),
            (30, "1.4"),
            (40, "1.6"),
            (50, "2.0"),
        )
    ),
    tuple(
        (read(f"{long} in"), f"{gauge} gauge")
        for long, gauge in (
            ("5/8", 18),
            ("3/4", 18),
            ("1", 18),
            ("1 1/4", 17),
            ("1 1/2", 16),
            ("2", 15),
        )
    ),
)
"""What brads are sold in: how long, and how thick as their packets say it."""
BRAD_APART = either("150 mm", "6 in")
"""From brad to brad at most: rule of thumb."""
BRAD_STAYS = either("3 mm", "1/8 in")
"""From a brad's point to the far side at least."""


def gauges(trade: Trade) -> tuple[Gauge, ...]:
    """The screws of a trade, thin ones first."""
    return tuple(cast(Gauge, row["gauge"]) for row in table("screws", trade))


@cache
def screw_sizes(gauge: str) -> dict[str, Fraction]:
    """Diameter, core, pilots by wood and clearance of a wood screw, mm (screws.csv)."""
    row = row_of("screws", gauge, by="gauge")
    return {name: read(text) for name, text in row.items() if name != "gauge"}


def thick(gauge: str) -> Fraction:
    """The diameter of a wood screw, mm."""
    return screw_sizes(gauge)["diameter"]


def gauge_text(gauge: str) -> str:
    """As it is said: `4.0 mm`, `#8`."""
    return gauge if gauge.startswith("#") else f"{gauge} mm"


def trade_of(gauge: str) -> Trade:
    """Whose screw it is."""
    return "us" if gauge.startswith("#") else "metric"


def lag_lengths(trade: Trade) -> tuple[Fraction, ...]:
    """What lag screws are sold in, mm, short ones first."""
    return LAG_LENGTHS.of(trade)


def next_length(long: Fraction, trade: Trade) -> Fraction:
    """The longest screw that is sold and no longer than `long`, mm: a longer one comes through; the
    shortest where none is.
    """
    sold = SCREW_LENGTHS.of(trade)
    return max((one for one in sold if one <= long), default=sold[0])


def screws(gauge: str, long: Fraction, count: int) -> Ware:
    """Wood screws by their gauge and the next length that is sold, down to what still holds as much
    wood.
    """
    trade = trade_of(gauge)
    return Ware(Goods.WOOD_SCREW, count, (gauge, size_text(next_length(long, trade), trade)))


def brads(through: Fraction, into: Fraction, along: Fraction, trade: Trade) -> Ware:
    """What nails a part to the next: three times as long as the one is thick, but not out of the
    other; two at least where they meet for so long, mm.
    """
    sold = BRADS.of(trade)
    most = min(3 * through, through + into - BRAD_STAYS.of(trade))
    long, thin = max((one for one in sold if one[0] <= most), default=sold[0])
    count = max(2, ceil(along / BRAD_APART.of(trade)) + 1)
    return Ware(Goods.BRAD, count, (thin, size_text(long, trade)))


@cache
def across(form: Form, trade: Trade) -> tuple[Fraction, ...]:
    """The diameters that dowels, rods or pipes are sold in, mm, thin ones first (timber.csv)."""
    return tuple(
        sorted({read(row["wide"]) for row in table("timber", trade) if row["form"] == form})
    )


@cache
def thicknesses(wood: Wood, trade: Trade) -> tuple[Fraction, ...]:
    """The thicknesses that boards of a wood are sold in, mm, thin ones first (timber.csv)."""
    boards = (row for row in table("timber", trade) if row["form"] == "board")
    return tuple(sorted({read(row["thick"]) for row in boards if row["stuff"] == wood}))


@cache
def is_sold(thick: Fraction, wide: Fraction, wood: Wood) -> bool:
    """Whether boards of a wood are sold by just these sizes, mm (timber.csv)."""
    return any(
        read(row["thick"]) == thick and read(row["wide"]) == wide
        for row in table("timber")
        if row["form"] == "board" and row["stuff"] == wood
    )


def next_thickness(least: Fraction, wood: Wood, trade: Trade) -> Fraction:
    """The first that is sold and no thinner, mm; as thick as is asked where none is."""
    return next((one for one in thicknesses(wood, trade) if one >= least), up(least, trade))


def next_across(form: Form, least: Fraction, trade: Trade) -> Fraction:
    """The first that is sold and no thinner, mm; the thickest where none is."""
    sold = across(form, trade)
    return next((one for one in sold if one >= least), sold[-1])
