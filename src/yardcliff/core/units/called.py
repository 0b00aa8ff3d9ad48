"""Sizes that go by a name: a 1 × 4 is neither one inch thick nor four wide."""

import re
from collections.abc import Mapping
from functools import cache, lru_cache
from typing import Any

from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length_text import INCH, read
from yardcliff.core.units.trade import Trade
from yardcliff.data import table

Across = tuple[Fraction, Fraction]
"""How thick and how wide a board really is, mm."""
_BOARD = re.compile(
    r"(?P<thick>\d/\d|\d)\s*(?P<by>x|×|\*|by)\s*(?P<wide>\d{1,2})(?:\s*(?:board|lumber|timber))?",
    re.I,
)
_PLY = re.compile(r"(\d/\d)\s*(?:in|inch|\"|″)?\s*(?:ply|plywood)", re.I)
_GAUGE = re.compile(r"(?:#|no\.?\s*)(\d{1,2})", re.I)


@cache
def boards() -> dict[str, Across]:
    """What boards of the US really are, by what they are called: `1 × 4` (timber.csv)."""
    return {
        found[1]: (read(row["thick"]), read(row["wide"]))
        for row in table("timber", "us")
        if (found := re.match(r"(\d(?:/\d)? × \d+) ", row["name"]))
    }


def inches(name: str) -> Across:
    """What a board is called, as if it were so: a `1 × 4` is 1 in by 4 in, mm."""
    thick, wide = name.split(" × ")
    return Fraction(thick) * INCH, Fraction(wide) * INCH


@lru_cache(maxsize=4096)
def board_called(text: str, trade: Trade) -> str | None:
    """The name of the board that is meant, if one is: `1x4`, `2 by 4`, `5/4 x 6`. A product is
    written with × or * where nobody sells boards by such names.
    """
    found = _BOARD.fullmatch(text.strip())
    if not found or (trade != "us" and found["by"] in "×*"):
        return None
    name = f"{found['thick']} × {found['wide']}"
    return name if name in boards() else None


def board_fields(data: Any, told: Mapping[str, Any] | None, wide: str, thick: str) -> Any:
    """A document whose `wide` or `thick` field has a board's name, with what it is in both: where
    boards are sold by such names.
    """
    trade = (told or {}).get("trade", "metric")
    if trade != "us" or not isinstance(data, Mapping):
        return data
    for key in (wide, thick):
        text = data.get(key)
        if isinstance(text, str) and (name := board_called(text, trade)):
            really = boards()[name]
            return {**data, thick: really[0], wide: really[1]}
    return data


@lru_cache(maxsize=4096)
def size_called(text: str) -> Fraction | None:
    """How thick something is that goes by a name, mm: `3/4 ply`, `#8`, `no. 8`, `M8`, `1/4-20`;
    none of what is a plain length.
    """
    shown = text.strip()
    if ply := _PLY.fullmatch(shown):
        sheets = (row for row in table("timber", "us") if row["form"] == "sheet")
        names = {row["name"].split(" ")[0]: row["thick"] for row in sheets}
        return read(names[ply[1]]) if ply[1] in names else None
    if gauge := _GAUGE.fullmatch(shown):
        screws = {row["gauge"]: row["diameter"] for row in table("screws")}
        return read(screws[f"#{gauge[1]}"]) if f"#{gauge[1]}" in screws else None
    threads = {row["key"].lower(): row["diameter"] for row in table("rods")}
    return read(threads[shown.lower()]) if shown.lower() in threads else None
