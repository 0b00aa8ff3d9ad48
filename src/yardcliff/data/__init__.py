"""The shipped tables. Each row names its source; lengths are text with a unit."""

import csv
import tomllib
from functools import cache
from importlib.resources import files
from typing import Any


@cache
def table(name: str) -> tuple[dict[str, Any], ...]:
    """The rows of `name`.toml or `name`.csv, in file order, without their `source`."""
    folder = files(__name__)
    if (sheet := folder.joinpath(f"{name}.csv")).is_file():
        rows: list[dict[str, Any]] = list(csv.DictReader(sheet.read_text("utf-8").splitlines()))
    else:
        rows = tomllib.loads(folder.joinpath(f"{name}.toml").read_text("utf-8"))["row"]
    return tuple({k: v for k, v in row.items() if k != "source"} for row in rows)


def values(name: str, key: str) -> dict[str, Any]:
    """The values of a table's row, without what only names it. Raises `StopIteration`
    for no row.
    """
    row = next(row for row in table(name) if row["key"] == key)
    return {k: v for k, v in row.items() if k not in ("key", "name")}
