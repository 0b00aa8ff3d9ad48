"""The shipped tables. Each row names its source; lengths are text with a unit.

What is sold differently lies in a folder by trade, `metric/` and `us/`; the rest is common.
"""

import csv
import tomllib
from collections.abc import Iterator
from functools import cache
from importlib.resources import files
from importlib.resources.abc import Traversable
from typing import Any

Row = dict[str, Any]
_TRADES = ("metric", "us")


@cache
def table(name: str, trade: str | None = None) -> tuple[Row, ...]:
    """The rows of `name`.toml or `name`.csv, in file order, without their `source`: common ones,
    or those of a `trade`; of both, the metric ones first, where none is named.
    """
    folder = files(__name__)
    common = tuple(_rows(folder, name))
    return common or tuple(
        row for one in ((trade,) if trade else _TRADES) for row in _rows(folder / one, name)
    )


def _rows(folder: Traversable, name: str) -> Iterator[Row]:
    rows: list[Row] = []
    if (sheet := folder / f"{name}.csv").is_file():
        rows = list(csv.DictReader(sheet.read_text("utf-8").splitlines()))
    elif (sheet := folder / f"{name}.toml").is_file():
        rows = tomllib.loads(sheet.read_text("utf-8"))["row"]
    for row in rows:
        yield {k: v for k, v in row.items() if k != "source"}


def row_of(name: str, key: str, trade: str | None = None, by: str = "key") -> Row:
    """The row of a table by its key. Raises `LookupError`."""
    found = next((row for row in table(name, trade) if row[by] == key), None)
    if found is None:
        raise LookupError(f"data/{name} has no row {key}")
    return found


def values(name: str, key: str, trade: str | None = None) -> Row:
    """The values of a table's row, without what only names it. Raises `LookupError`."""
    return {k: v for k, v in row_of(name, key, trade).items() if k not in ("key", "name")}
