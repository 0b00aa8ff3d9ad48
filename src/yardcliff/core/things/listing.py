"""The list of things that may hang: the shipped typical ones, and the user's own, as measured."""

import re
from collections.abc import Mapping
from functools import cache
from typing import Any, Literal

from pydantic import ValidationError, field_validator

from yardcliff.core.base.errors import YardcliffError, cannot_read
from yardcliff.core.base.model import Frozen
from yardcliff.core.things.item import Item, Key
from yardcliff.core.units.length import Gap, Size
from yardcliff.core.units.length_text import Unit
from yardcliff.core.units.trade import Trade
from yardcliff.data import table
from yardcliff.messages import tr

Group = Literal[
    "coats",
    "hats",
    "mugs",
    "towels",
    "keys",
    "bottles",
    "boards",
    "shoes and boots",
    "mats",
    "bars and shafts",
    "cycles",
    "instruments",
    "helmets and bags",
    "jewellery",
    "garden and shop tools",
]
ITEM_COLUMNS = (
    "name",
    "plural",
    "shape",
    "grip",
    "left",
    "right",
    "above",
    "below",
    "front",
    "held",
    "weight_g",
    "full_g",
    "tug_n",
    "takes",
    "span",
    "round",
)
COLUMNS = ("key", "group", *ITEM_COLUMNS, "air", "holder", "board", "hung")
"""Of the shipped list and of the files that the user's own are kept and exchanged in."""
NEEDED = ("name", "left", "right", "below")


class Listed(Frozen):
    """One entry: a kind of thing, and what a new rack for it starts with."""

    key: Key
    group: Group
    item: Item
    air: Gap
    holder: str
    board: str
    hung: Size

    @field_validator("holder", "board")
    @classmethod
    def _is_in_its_table(cls, value: str, info: Any) -> str:
        keys = [row["key"] for row in table(f"{info.field_name}s")]
        if value not in keys:
            raise cannot_read("key", "things.is-none-of", value=value[:40], keys=", ".join(keys))
        return value


class ListingError(YardcliffError, ValueError):
    """An entry that cannot be read. `problems` are (column, message) pairs."""

    def __init__(self, problems: list[tuple[str, str]]) -> None:
        self.problems = problems
        super().__init__("; ".join(f"{column}: {message}" for column, message in problems))


@cache
def shipped(trade: Trade) -> tuple[Listed, ...]:
    """The typical things that come with Yardcliff, by sizes that are round in a trade."""
    return tuple(read_row(row) for row in table("items", trade))


def shipped_item(key: str, trade: Trade) -> Listed:
    """A shipped entry of the list. Raises `KeyError`."""
    found = next((listed for listed in shipped(trade) if listed.key == key), None)
    if found is None:
        raise KeyError(key)
    return found


def read_row(row: Mapping[str, str], unit: Unit = "mm") -> Listed:
    """An entry from its columns as text; bare numbers take `unit`. Raises `ListingError`.

    Name, left and right (or the whole `width`) and below are needed. What else is left out is taken
    from the first typical thing of the same group, or of the same shape where no group is given.
    """
    given = {column: text for column in COLUMNS if (text := (row.get(column) or "").strip())}
    width = (row.get("width") or "").strip()
    if "width" in row:
        given |= {"left": "1 mm", "right": "1 mm"}
    missing = [column for column in NEEDED if column not in given]
    if "width" in row and not width:
        missing.append("width")
    if missing:
        raise ListingError([(column, tr("things.is-missing")) for column in missing])
    like = _like(given) if len(given) < len(COLUMNS) - 4 else {}
    own = {"key": slug(given["name"]), "plural": _plural(given["name"]), **given}
    values: dict[str, Any] = {**like, **own}
    # A span belongs to a bridge, and how thick it is where it is held to one thing: what is like it
    # may have them.
    for own_alone in ("held", "full_g", "tug_n"):
        if own_alone not in given:
            values.pop(own_alone, None)
    if values.get("takes", "one") != "bridge":
        values.pop("span", None)
    values["item"] = {c: values.pop(c) for c in ITEM_COLUMNS if c in values} | {
        "listed": values["key"],
        **({"width": width} if width else {}),
    }
    try:
        return Listed.model_validate(values, context={"unit": unit})
    except ValidationError as error:
        raise ListingError([(str(e["loc"][-1]), _message(e)) for e in error.errors()]) from None


def write_row(listed: Listed) -> dict[str, str]:
    """An entry as its columns; lengths as exact text with a unit."""
    flat = listed.model_dump(mode="json")
    flat |= flat.pop("item")
    return {
        column: "" if flat[column] in (None, False) else str(flat[column]) for column in COLUMNS
    }


def slug(name: str) -> str:
    """A key from a name: `Big jug!` -> `big-jug`."""
    return re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-")[:40].rstrip("-") or "item"


def _plural(name: str) -> str:
    return name if name.endswith("s") else f"{name}s"


def _like(given: Mapping[str, str]) -> dict[str, str]:
    by = "group" if "group" in given or "shape" not in given else "shape"
    wanted = given.get(by, "coats")
    row = next((row for row in table("items") if row[by] == wanted), table("items")[0])
    return {column: text for column, text in row.items() if text}


def _message(error: Any) -> str:
    if error["type"] == "literal_error":
        return tr(
            "things.is-none-of", value=str(error["input"])[:40], keys=error["ctx"]["expected"]
        )
    return str(error["msg"])
