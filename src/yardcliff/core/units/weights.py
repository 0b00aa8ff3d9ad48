"""Weights, and what is poured, as they are said in each trade."""

from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.trade import Trade
from yardcliff.messages import tr

GRAVITY = 9.81
"""N/kg."""
GRAMS = {"g": 1.0, "kg": 1000.0, "oz": 28.349523125, "lb": 453.59237}
NEWTONS = {"N": 1.0, "kg": GRAVITY, "lb": 4.448222}
"""What is read as so many grams, and as so many newtons."""
LARGE: dict[Trade, str] = {"metric": "kg", "us": "lb"}
OUNCE, POUND = GRAMS["oz"], GRAMS["lb"]
FLUID_OUNCE = 29.5735
"""Millilitres, of the US."""
GLUE = 1.1
"""What a millilitre of white glue weighs, g: it is reckoned by weight, and sold by the bottle where
ounces are.
"""


def weight_text(grams: float, trade: Trade) -> str:
    """`450 g`, `1.6 kg`; `12 oz`, `3 1/2 lb`: as finely as anybody weighs."""
    if trade == "us":
        if round(grams / OUNCE) < 16:
            return f"{round(grams / OUNCE)} oz"
        pounds = grams / POUND
        quarters = round(pounds * 4) if pounds < 20 else round(pounds) * 4
        whole, part = divmod(quarters, 4)
        return f"{whole} {('', '1/4', '1/2', '3/4')[part]}".strip() + " lb"
    return f"{round(grams)} g" if grams < 1000 else f"{_figure(grams / 1000)} kg"


def weight_given(grams: int, trade: Trade) -> str:
    """As its user would type it: no other weight is read from it."""
    return _given(grams, weight_text(grams, trade), LARGE[trade], GRAMS)


def load_text(newtons: float, trade: Trade) -> str:
    """A force by what weighs as much: `3 kg`, `7 lb`."""
    unit = LARGE[trade]
    return f"{_figure(newtons / NEWTONS[unit])} {unit}"


def load_given(newtons: int, trade: Trade) -> str:
    """As its user would type it: no other force is read from it."""
    return _given(newtons, load_text(newtons, trade), LARGE[trade], NEWTONS)


def _given(value: int, short: str, unit: str, sizes: dict[str, float]) -> str:
    """The `short` text, or else the fewest decimals, from which `value` is read."""
    finer = (f"{value / sizes[unit]:.{places}f} {unit}" for places in (1, 2, 3))
    return next(text for text in (short, *finer) if _read(text, sizes) == value)


def _read(text: str, sizes: dict[str, float]) -> int:
    number, _, unit = text.rpartition(" ")
    return round(float(sum(map(Fraction, number.split()))) * sizes[unit])


def force_text(newtons: float, trade: Trade) -> str:
    """A force that was worked out: `3.1 kg (30 N)`."""
    return f"{load_text(newtons, trade)} ({newtons:.0f} N)"


def _figure(value: float) -> str:
    return f"{value:.1f}".removesuffix(".0") if value < 10 else f"{value:.0f}"


def amount_text(amount: float, unit: str, trade: Trade) -> str:
    """So much glue (g) or finish (ml), or so many: `63 ml`, `260 g`; `2 fl oz`, `1 qt`, `1 gal`."""
    if not unit:
        return str(round(amount))
    if trade == "metric":
        return f"{round(amount)} {unit}"
    ounces = amount / (GLUE if unit == "g" else 1) / FLUID_OUNCE
    for key, size in (("units.gallons", 128), ("units.quarts", 32), ("units.pints", 16)):
        if abs(ounces - size) / size < 0.02:
            return tr(key, count=1)
    return tr("units.fluid-ounces", count=f"{_figure(max(ounces, 0.1))}")


def density_text(kilos: float, trade: Trade) -> str:
    """Of wood, from kg/m³."""
    return f"{kilos / 16.0185:.0f} lb/ft³" if trade == "us" else f"{kilos:g} kg/m³"


def spread_text(area: float, trade: Trade) -> str:
    """How far a finish goes, from m² a litre: a quart is 0.946 l, a square metre 10.76 sq ft."""
    if trade == "us":
        return tr("units.square-feet-a-quart", area=round(area * 0.946353 * 10.7639 / 5) * 5)
    return tr("units.square-metres-a-litre", area=f"{area:g}")
