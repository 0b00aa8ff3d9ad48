"""Exact lengths: read what people write, write what a tape shows.

A length is a `Fraction` of millimetres. 1 in = 25.4 mm exactly, so a 64th of an inch, a tenth of a
millimetre and a third of a foot are all exact and no sum of them drifts.
"""

from dataclasses import dataclass
from functools import cache, lru_cache
from typing import Annotated, Any, Literal

from pydantic import PlainSerializer, PlainValidator, ValidationInfo, WithJsonSchema
from pydantic_core import PydanticCustomError

from yardcliff.core.base.errors import cannot_read
from yardcliff.core.units.called import board_called, boards, size_called
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length_text import INCH, MAX_TEXT, LengthError, Unit, ambiguous, read
from yardcliff.core.units.trade import TRADES, Trade
from yardcliff.messages import tr

TapeName = Literal["1/8 in", "1/16 in", "1/32 in", "1/64 in", "1 mm", "0.5 mm"]

_64TH = Fraction(1, 64)
TOOL = Fraction(50)  # mm; bits, dowels and boards are no thicker
LONGEST = Fraction(30_000)  # mm; a longer "rack" is a slip of the unit


def nearest(value: Fraction, step: Fraction) -> Fraction:
    """`value` rounded to the nearest multiple of `step`; a tie goes up, so that equal steps look
    equal.
    """
    return _steps(value, step) * step


def in_steps(value: int, step: int) -> int:
    """`floor(value / step + 1/2)` for integers in one unit: a tie goes up."""
    return (2 * value + step) // (2 * step)


def _steps(value: Fraction, step: Fraction) -> int:
    return in_steps(value.numerator * step.denominator, value.denominator * step.numerator)


@dataclass(frozen=True, slots=True, eq=False)
class Tape:
    """The tape in hand: its unit and its finest graduation, `step` in mm; the `trade` that weights
    are said in and things are bought from; and whose `sizes` are designed with, which is another's
    where a rack was begun elsewhere. One object of each.

    What it writes is remembered: from frame to frame of a drag most figures stay as they are.
    """

    name: TapeName
    unit: Unit
    step: Fraction
    trade: Trade
    sizes: Trade

    @classmethod
    def named(cls, name: TapeName, trade: Trade = "metric", sizes: Trade | None = None) -> "Tape":
        """A tape of a trade, for designs in its own `sizes` or in those of the other."""
        return _TAPES[name, trade, sizes or trade]

    @property
    def reads(self) -> dict[str, str]:
        """How what is typed beside it is read, as the models want to know it."""
        return {"unit": self.unit, "trade": self.trade}

    def round(self, value: Fraction) -> Fraction:
        return nearest(value, self.step)

    def write(self, value: Fraction, *, feet: bool = False) -> str:
        """`value` mm as the tape shows it: `6 3/4 in`, `171.5 mm`; feet only on wish."""
        return self.reading(_steps(value, self.step), feet)

    @lru_cache(maxsize=16384)  # noqa: B019  the tapes live as long as the program
    def reading(self, steps: int, feet: bool = False) -> str:
        """So many steps of this tape, as it shows them."""
        sign, steps = ("-" if steps < 0 else ""), abs(steps)
        if self.unit == "mm":
            number = f"{float(steps * self.step):.1f}".removesuffix(".0")
            return f"{sign}{number} mm"
        per_inch = len(fractions := _fractions(self.step))
        whole, part = divmod(steps, per_inch)
        prefix = ""
        if feet and whole >= 12:
            foot, whole = divmod(whole, 12)
            prefix = f"{foot} ft "
            if not whole and not part:
                return sign + prefix.strip()
        number = " ".join(filter(None, (str(whole) if whole or not part else "", fractions[part])))
        return f"{sign}{prefix}{number} in"

    def near(self, value: Fraction) -> str:
        """`value` to the tenth of a mm, or the 64th of an inch: what a caliper is read to."""
        step = INCH / 64 if self.unit == "in" else Fraction(1, 10)
        return self.write_fine(nearest(value, step))

    def write_fine(self, value: Fraction) -> str:
        """`value` finer than the tape: the true size of a bit or the exact place of a mark.

        Millimetres are to the tenth. Inches are a fraction down to 1/64, scant or full where that
        is not all of it; what a bit or a board may measure, and is plainly metric, stays in mm.
        """
        size, off = self._fine(value)
        return tr(off, size=size) if off else size

    @lru_cache(maxsize=8192)  # noqa: B019
    def _fine(self, value: Fraction) -> tuple[str, str]:
        if self.unit == "mm":
            tiny = 0 < abs(value) < Fraction(1, 20)
            return ("0.1 mm", "units.under") if tiny else (_trimmed(value, 1) + " mm", "")
        inches = value / INCH
        if 64 % inches.denominator == 0:
            return _plain(inches, "in"), ""
        if (value * 2).denominator == 1 and abs(value) <= TOOL:
            return _trimmed(value, 1) + " mm", ""
        near = nearest(abs(inches), _64TH)
        if not near:
            return _plain(_64TH, "in"), "units.under"
        off = "units.scant" if abs(inches) < near else "units.full"
        return _plain(near if value > 0 else -near, "in"), off

    @lru_cache(maxsize=1024)  # noqa: B019
    def write_given(self, value: Fraction) -> str:
        """`value` as its user would type it in the tape's unit: rounded only where no fraction
        fits.
        """
        if self.unit == "in" and 64 % (value / INCH).denominator:
            return self.write(value)
        return self.write_fine(value)


@cache
def _fractions(step: Fraction) -> tuple[str, ...]:
    """The reduced fractions of an inch by steps of `step`: nothing, 1/16, 1/8, ..."""
    per_inch = int(INCH / step)
    return ("", *(str(Fraction(part, per_inch)) for part in range(1, per_inch)))


def size_text(value: Fraction, trade: Trade) -> str:
    """The size of something that is sold, as its packet has it: `50 mm`, `1 1/2 in`."""
    inches = value / INCH
    if 64 % inches.denominator == 0 and (trade == "us" or (value * 2).denominator > 1):
        return _plain(inches, "in")
    return _trimmed(value, 2) + " mm"


def given_text(value: Fraction, trade: Trade) -> str:
    """Exact text in a trade's own unit, where it has a fraction for it: for what is typed."""
    inches = value / INCH
    return (
        _plain(inches, "in")
        if trade == "us" and 64 % inches.denominator == 0
        else exact_text(value)
    )


def _trimmed(number: Fraction, places: int) -> str:
    text = f"{float(number):.{places}f}".rstrip("0").rstrip(".")
    return "0" if text == "-0" else text


_STEPS: dict[TapeName, tuple[Unit, Fraction]] = {
    "1/8 in": ("in", INCH / 8),
    "1/16 in": ("in", INCH / 16),
    "1/32 in": ("in", INCH / 32),
    "1/64 in": ("in", INCH / 64),
    "1 mm": ("mm", Fraction(1)),
    "0.5 mm": ("mm", Fraction(1, 2)),
}
_TAPES = {
    (name, trade, sizes): Tape(name, unit, step, trade, sizes)
    for name, (unit, step) in _STEPS.items()
    for trade in TRADES
    for sizes in TRADES
}


@lru_cache(maxsize=4096)
def exact_text(value: Fraction) -> str:
    """The shortest exact text that `read` turns back into `value`: for files and for patches."""
    inches = value / INCH
    candidates = [_plain(value, "mm")]
    if inches.denominator in (1, 2, 4, 8, 16, 32, 64):
        candidates.append(_plain(inches, "in"))
    return min(candidates, key=len)


def _plain(number: Fraction, unit: str) -> str:
    sign, number = ("-" if number < 0 else ""), abs(number)
    rest = number.denominator
    for prime in (2, 5):
        while rest % prime == 0:
            rest //= prime
    if unit == "mm" and rest == 1 and number.denominator <= 10**6:
        return f"{sign}{_decimal(number)} mm"
    whole, part = divmod(number.numerator, number.denominator)
    fraction = f"{part}/{number.denominator}" if part else ""
    return sign + " ".join(filter(None, (str(whole) if whole or not part else "", fraction, unit)))


def _decimal(number: Fraction) -> str:
    """A terminating decimal, all its digits."""
    places = 0
    while (number * 10**places).denominator != 1:
        places += 1
    digits = str(int(number * 10**places)).rjust(places + 1, "0")
    if not places:
        return digits
    text = f"{digits[: len(digits) - places]}.{digits[len(digits) - places :]}"
    return f"{text}0" if ambiguous(text, True) else text


def _validate(value: Any, info: ValidationInfo) -> Fraction:
    if isinstance(value, Fraction):
        return value
    context = info.context or {}
    unit: Unit = context.get("unit", "mm")
    exact = context.get("exact", False)
    if isinstance(value, (int, float)) and not isinstance(value, bool):
        value, exact = repr(value), True
    if not isinstance(value, str):
        raise cannot_read("length", "units.length-written-as-text-like-6")
    if not exact and (size := _called(value, context.get("trade", "metric"))):
        return size
    try:
        return read(value, unit, exact=exact)
    except LengthError as error:
        # Pydantic formats templates: braces in the user's text must not be read as fields.
        raise PydanticCustomError("length", "{detail}", {"detail": str(error)}) from None


def _called(text: str, trade: Trade) -> Fraction | None:
    """What goes by a name; a board does so by two sizes, and has to say which."""
    if board := board_called(text, trade):
        thick, wide = (size_text(size, "us") for size in boards()[board])
        key = "units.board-has-two-sizes" if trade == "us" else "units.board-called-in-the-us"
        raise cannot_read("length", key, text=text.strip(), thick=thick, wide=wide)
    return size_called(text)


def _bounded(least: Fraction | None, strict: bool = False) -> Any:
    def check(value: Any, info: ValidationInfo) -> Fraction:
        length = _validate(value, info)
        if info.context and info.context.get("worked out"):
            return length
        shown = value if isinstance(value, str) else exact_text(length)
        if least is not None and (length < least or (strict and length == least)):
            word = tr("units.more-than-0") if strict else tr("units.0-or-more")
            raise cannot_read("length_range", "units.must-be", shown=shown, word=word)
        if abs(length) > LONGEST:
            raise cannot_read(
                "length_range",
                "units.is-over-m-check-the-unit",
                shown=shown,
                most=int(LONGEST) // 1000,
            )
        return length

    return check


def _schema(title: str) -> WithJsonSchema:
    return WithJsonSchema(
        {
            "type": "string",
            "title": title,
            "description": "A length with its unit, exact. A bare number takes the tape's unit.",
            "examples": ["6 3/4 in", "171.5 mm"],
            "maxLength": MAX_TEXT,
        }
    )


_AS_TEXT = PlainSerializer(exact_text, return_type=str)

Size = Annotated[Fraction, PlainValidator(_bounded(Fraction(0), True)), _AS_TEXT, _schema("Size")]
"""A length above 0, in mm; travels as exact text."""
Gap = Annotated[Fraction, PlainValidator(_bounded(Fraction(0))), _AS_TEXT, _schema("Gap")]
"""A length of 0 or more, in mm; travels as exact text."""
Clear = Annotated[Fraction, PlainValidator(_bounded(None)), _AS_TEXT, _schema("Clear")]
"""A length from one edge to the next, in mm: below 0 they overlap; travels as exact text."""
