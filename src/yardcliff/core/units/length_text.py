"""Lengths as they are typed: any unit, fractions, sums."""

import re
from functools import lru_cache
from typing import Literal

from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.units.exact import Fraction
from yardcliff.messages import tr

Unit = Literal["in", "mm"]


INCH = Fraction(254, 10)


MAX_TEXT = 80


_UNITS: dict[str, Fraction] = {
    **dict.fromkeys(("in", "inch", "inches", '"', "″", "”", "“", "''", "′′", "’’"), INCH),
    **dict.fromkeys(("ft", "foot", "feet", "'", "′", "’"), 12 * INCH),
    "mm": Fraction(1),
    "cm": Fraction(10),
    "m": Fraction(1000),
}


_FOOT = 12 * INCH


_VULGAR = {
    "½": "1/2",
    "¼": "1/4",
    "¾": "3/4",
    "⅛": "1/8",
    "⅜": "3/8",
    "⅝": "5/8",
    "⅞": "7/8",
    "⅓": "1/3",
    "⅔": "2/3",
    "⅕": "1/5",
    "⅖": "2/5",
    "⅗": "3/5",
    "⅘": "4/5",
    "⅙": "1/6",
    "⅚": "5/6",
}


_NUMBER = re.compile(
    r"""(?P<mixed>\d+)(?:\s+|-)(?P<mn>\d+)\s*/\s*(?P<md>\d+)   # 6 3/4  6-3/4
      | (?P<n>\d+)\s*/\s*(?P<d>\d+)                             # 3/4
      | (?P<grouped>\d{1,3}(?:[ \u00a0\u202f]\d{3})+)(?![\d.,/]) # 1 200
      | (?P<decimal>\d*[.,]\d+|\d+[.,]?)                        # 6.75  6,75  .5  6
    """,
    re.VERBOSE,
)


_UNIT = re.compile(r"\s*(inches|inch|in|feet|foot|ft|mm|cm|m|''|′′|’’|[\"″”“'′’])(?![a-z])", re.I)


_SIGN = re.compile(r"\s*([+\-−–])\s*")
_OPERATOR = re.compile(r"\s*([+\-−–*×])\s*")
_OPENED, _CLOSED = re.compile(r"\s*\("), re.compile(r"\s*\)")


class LengthError(YardcliffError, ValueError):
    """Text that is no length. `text` is what was written, `why` what stopped the reading."""

    def __init__(self, text: str, why: str, unit: Unit) -> None:
        self.text, self.why = text, why
        good = tr("units.like-inches") if unit == "in" else tr("units.like-millimetres")
        super().__init__(
            tr("units.cannot-read-as-length-write-like", text=text, why=why, good=good)
        )


@lru_cache(maxsize=4096)
def read(text: str, unit: Unit = "mm", *, exact: bool = False) -> Fraction:
    """Read a length or a sum of lengths; returns exact millimetres (may be negative).

    A bare number takes `unit`. Terms are added, subtracted and multiplied by plain numbers: `48 in
    - 2*3/4 in`; brackets group lengths: `-(1 1/2 in - 1/4 in)`. What could be grouped thousands is
    asked about, unless `exact_text` wrote it (`exact`). Raises `LengthError` quoting the text.
    """
    shown = text.strip()
    if not shown:
        raise LengthError(shown, tr("units.nothing-is-written"), unit)
    if len(shown) > MAX_TEXT:
        raise LengthError(
            shown[:MAX_TEXT] + "…",
            tr("units.it-is-longer-than-characters", max_text=MAX_TEXT),
            unit,
        )
    reader = _Reader(shown, unit, exact)
    try:
        return reader.sum()
    except ZeroDivisionError:
        raise LengthError(shown, tr("units.fraction-has-0-below-line"), unit) from None


def ambiguous(number: str, small: bool) -> tuple[str, str] | None:
    """What `1,200` or `1.200` could be: read either way it would be a thousandfold slip, so it is
    asked about.

    With a point only in a `small` unit: 1.125 in and 1.250 m are decimals, no tape shows a
    thousandth of a mm.
    """
    found = re.fullmatch(r"([1-9]\d{0,2})([.,])(\d{3})", number)
    if not found or (found[2] == "." and not small):
        return None
    decimal = f"{found[1]}.{found[3]}".rstrip("0").removesuffix(".")
    return found[1] + found[3], decimal + "0" * (small and len(decimal) == len(number))


class _Reader:
    """One pass, left to right, over a written sum of lengths."""

    def __init__(self, shown: str, unit: Unit, exact: bool) -> None:
        self.shown, self.unit, self.exact, self.at = shown, unit, exact, 0
        # A vulgar glyph directly after a digit belongs to it: 6¾ is 6 3/4.
        self.text = re.sub(
            f"(\\d)?\\s*-?([{''.join(_VULGAR)}])",
            lambda m: (m[1] + " " if m[1] else "") + _VULGAR[m[2]],
            shown,
        ).replace("⁄", "/")

    def fail(self, why: str) -> LengthError:
        return LengthError(self.shown, why, self.unit)

    def sum(self, *, grouped: bool = False) -> Fraction:
        """All that is left; of a group, as far as the bracket that closes it."""
        sign = 1
        if lead := _SIGN.match(self.text, self.at):
            sign, self.at = (1 if lead[1] == "+" else -1), lead.end()
        total = sign * self.product()
        while grouped or self.at < len(self.text.rstrip()):
            if grouped and (end := _CLOSED.match(self.text, self.at)):
                self.at = end.end()
                break
            operator = _OPERATOR.match(self.text, self.at)
            if not operator or operator[1] in "*×":
                left = self.text[self.at :].strip() or "("
                raise self.fail(tr("units.is-left-over", text=left))
            self.at = operator.end()
            total += self.product() if operator[1] == "+" else -self.product()
        return total

    def product(self) -> Fraction:
        value, is_length = self.term()
        while (operator := _OPERATOR.match(self.text, self.at)) and operator[1] in "*×":
            self.at = operator.end()
            factor, factor_is_length = self.term()
            if is_length and factor_is_length:
                raise self.fail(tr("units.two-lengths-multiplied-make-an-area"))
            value, is_length = value * factor, is_length or factor_is_length
        return value if is_length else value * _UNITS[self.unit]

    def term(self) -> tuple[Fraction, bool]:
        """A number with its unit, feet followed by inches, or lengths in brackets; and whether a
        unit was written.
        """
        if opened := _OPENED.match(self.text, self.at):
            self.at = opened.end()
            return self.sum(grouped=True), True
        start = self.at
        value = self.number()
        written = self.text[start : self.at].strip()
        found = _UNIT.match(self.text, self.at)
        size = _UNITS[found[1].lower() if found else self.unit]
        if not self.exact and (either := ambiguous(written, size == _UNITS["mm"])):
            raise self.fail(
                tr(
                    "units.could-be-or-write-one-these",
                    written=written,
                    first=either[0],
                    second=either[1],
                )
            )
        if not found:
            return value, False
        self.at = found.end()
        total = value * size
        if size == _FOOT and (rest := re.compile(r"(?:-|\s*)(?=[\d.])").match(self.text, self.at)):
            self.at = rest.end()
            inches = self.number()
            mark = _UNIT.match(self.text, self.at)
            if mark and _UNITS[mark[1].lower()] != INCH:
                raise self.fail(tr("units.cannot-follow-feet", mark=mark[1]))
            self.at = mark.end() if mark else self.at
            total += inches * INCH
        return total, True

    def number(self) -> Fraction:
        self.at += len(self.text[self.at :]) - len(self.text[self.at :].lstrip())
        found = _NUMBER.match(self.text, self.at)
        if not found:
            rest = self.text[self.at :].strip()
            raise self.fail(
                tr("units.is-no-number", rest=rest) if rest else tr("units.number-missing-at-end")
            )
        self.at = found.end()
        if found["mixed"]:
            return int(found["mixed"]) + Fraction(int(found["mn"]), int(found["md"]))
        if found["n"]:
            return Fraction(int(found["n"]), int(found["d"]))
        if found["grouped"]:
            return Fraction(re.sub(r"\D", "", found["grouped"]))
        return Fraction(found["decimal"].rstrip(".,").replace(",", ".") or "0")
