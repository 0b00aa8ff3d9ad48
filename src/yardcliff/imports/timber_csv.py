"""Sticks on hand and prices from CSV files: every row is read or refused by itself, with its line
and the reason.
"""

import re
from collections import defaultdict
from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Any, get_args

from pydantic import BaseModel, ValidationError

from yardcliff.core.findings.patch import problems
from yardcliff.core.materials.goods import Form
from yardcliff.core.units.length_text import Unit
from yardcliff.core.wood.stock import Offer, PriceList, Stick, WarePrice
from yardcliff.exports.timber_csv import PRICE_COLUMNS, STICK_COLUMNS
from yardcliff.imports.rows import MOST, read_csv
from yardcliff.messages import tr

FORMS = get_args(Form)
_FLAW = re.compile(
    r"(?P<what>[a-z"
    r" ]*?)\s*(?:\bat\b)?\s*(?P<at>[-\d.,].*?)(?:\s+over\s+(?P<width>.+?))?(?P<back>\s+on"
    r" (?:the|its) back)?"
)


@dataclass(frozen=True, slots=True)
class Refused:
    line: int
    why: str


@dataclass(slots=True)
class ReadSticks:
    sticks: list[Stick] = field(default_factory=list)
    refused: list[Refused] = field(default_factory=list)


@dataclass(slots=True)
class ReadPrices:
    lists: list[PriceList] = field(default_factory=list)
    refused: list[Refused] = field(default_factory=list)


def read_sticks(text: str, unit: Unit = "mm") -> ReadSticks:
    """The sticks of a file. Raises `CsvFileError` for one without a usable head line."""
    found = ReadSticks()
    for line, row in read_csv(text, ("wide", "thick", "long"), STICK_COLUMNS):
        if len(found.sticks) + len(found.refused) == MOST:
            found.refused.append(
                Refused(line, tr("imports.file-may-hold-sticks-rest-was", most=MOST))
            )
            break
        values = _given(row, STICK_COLUMNS)
        values["reclaimed"] = values.get("reclaimed", "").lower() in ("yes", "y", "true", "1", "x")
        values["flaws"] = [_flaw(one) for one in values.pop("flaws", "").split(";") if one.strip()]
        one = _validated(Stick, values, unit)
        if isinstance(one, Stick):
            found.sticks.append(one)
        else:
            found.refused.append(Refused(line, one))
    return found


def read_prices(text: str, taken: str, unit: Unit = "mm") -> ReadPrices:
    """The price lists of a file, by supplier; `taken` is their day. Raises
    `CsvFileError` likewise.
    """
    offers, wares = defaultdict[str, list[Offer]](list), defaultdict[str, list[WarePrice]](list)
    currencies: dict[str, str] = {}
    found = ReadPrices()
    for line, row in read_csv(
        text, ("supplier", "currency", "form", "name", "price"), PRICE_COLUMNS
    ):
        values = _given(row, PRICE_COLUMNS)
        supplier, currency = values.pop("supplier", ""), values.pop("currency", "").upper()
        if currencies.setdefault(supplier, currency) != currency:
            found.refused.append(
                Refused(
                    line,
                    tr(
                        "imports.one-list-has-one-currency",
                        supplier=supplier,
                        currencies=currencies[supplier],
                    ),
                )
            )
            continue
        if values.get("form") in FORMS:
            values.pop("pack", None)
            one: Offer | WarePrice | str = _validated(Offer, values, unit)
        else:
            values["kind"] = values.pop("form", "")
            one = _validated(
                WarePrice, {k: v for k, v in values.items() if k in WarePrice.model_fields}, unit
            )
        if isinstance(one, Offer):
            offers[supplier].append(one)
        elif isinstance(one, WarePrice):
            wares[supplier].append(one)
        else:
            found.refused.append(Refused(line, one))
    for supplier, currency in currencies.items():
        prices = {
            "supplier": supplier,
            "currency": currency,
            "taken": taken,
            "offers": offers[supplier],
            "wares": wares[supplier],
        }
        made = _validated(PriceList, prices, unit)
        if isinstance(made, PriceList):
            found.lists.append(made)
        else:
            found.refused.append(Refused(1, made))
    return found


def _given(row: Mapping[str, str | None], columns: tuple[str, ...]) -> dict[str, Any]:
    return {column: text.strip() for column in columns if (text := row.get(column) or "").strip()}


def _flaw(text: str) -> dict[str, Any]:
    """`knot at 900 mm over 50 mm on the back`: what, from where, how wide; “at”, the width and the
    side may be left out.
    """
    found = _FLAW.fullmatch(text.strip().lower())
    if not found:
        return {"what": text.strip(), "at": ""}
    said = {key: part.strip() for key, part in found.groupdict().items() if part}
    return said | {"back": "back" in said}


def _validated(model: type[BaseModel], values: dict[str, Any], unit: Unit) -> Any:
    """The model, or why the values are none."""
    try:
        return model.model_validate(values, context={"unit": unit})
    except ValidationError as error:
        return "; ".join(f"{path}: {message}" for path, message in problems(error))
