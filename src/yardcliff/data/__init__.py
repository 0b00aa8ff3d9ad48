"""The shipped tables. Each `.toml` row names its source; lengths are text with a unit."""

import tomllib
from functools import cache
from importlib.resources import files
from typing import Any


@cache
def table(name: str) -> tuple[dict[str, Any], ...]:
    """The rows of `name`.toml, in file order, without their `source`."""
    rows = tomllib.loads(files(__name__).joinpath(f"{name}.toml").read_text("utf-8"))["row"]
    return tuple({k: v for k, v in row.items() if k != "source"} for row in rows)
