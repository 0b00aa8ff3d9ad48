"""What a brief asks of the wall: which one, where on it, who reaches, and how the rack is fixed."""

import re
from typing import Annotated, Any, Literal

from pydantic import BeforeValidator, Field

from yardcliff.core.base.errors import cannot_read
from yardcliff.core.base.model import Frozen
from yardcliff.core.things.item import Weight
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size
from yardcliff.core.units.trade import usual

Who = Literal["adult", "child", "seated"]
By = Literal[
    "auto",
    "through",
    "plugged",
    "plates",
    "items",
    "keyholes",
    "hangers",
    "mirrors",
    "cleat",
    "batten",
]
Into = Literal[
    "auto", "screws", "lags", "steel", "sheet", "toggles", "expanding", "spirals", "plugs"
]
Key = Annotated[str, Field(pattern="^[0-9a-f]{1,32}$")]


def _factor(value: Any) -> float:
    found = re.fullmatch(r"\d{1,2}(?:[.,]\d{1,3})?", str(value).strip())
    factor = float(found[0].replace(",", ".")) if found and value is not True else 0.0
    if not 1 <= factor <= 20:
        raise cannot_read("factor", "brief.no-factor-from-1-20-write", text=str(value)[:40])
    return factor


Factor = Annotated[float, BeforeValidator(_factor)]
"""What a packet's figure is divided by, 1 to 20."""


class Spot(Frozen):
    """Where the rack is: on which surveyed wall, and how far its datum is from the wall's left
    corner.

    It has to be reached by `who`, up to `reach` (None: typical for them); `way` is how much of the
    room's depth has to stay free to pass, `hand` of the wall beside it to get at what hangs. A wall
    that is not known is none.
    """

    wall: Key | None = None
    x: Gap = Fraction(0)
    who: Who = "adult"
    reach: Size | None = None
    way: Size = usual("800 mm", "32 in")
    hand: Gap = usual("30 mm", "1 in")


class Mount(Frozen):
    """How the rack is fixed: `by` what it hangs, `into` what that goes; "auto" is the first way
    that holds.

    Screws stand as studs and looks allow, or `even` about the rack's middle. By its packet one
    fixing takes a `pull` and a `shear`, of which it is trusted with one part in `factor`. A strip
    on the wall holds the rack off it: at its `foot` stands a spacer, or nothing.
    """

    by: By = "auto"
    into: Into = "auto"
    screws: Literal["free", "even"] = "free"
    pull: Weight | None = None
    shear: Weight | None = None
    factor: Factor = 4
    foot: Literal["spacer", "none"] = "spacer"


_BEFORE: dict[str, dict[str, Any]] = {"open": {}, "plates": {"by": "plates"}}
"""What briefs said before a mount was more than a word."""


def _brought_up(value: Any) -> Any:
    """A mount as it was written before: a word, or with one figure of the packet for both ways."""
    if isinstance(value, str):
        return _BEFORE.get(value, value)
    if isinstance(value, dict) and "carries" in value:
        both = value["carries"]
        return {
            "pull": both,
            "shear": both,
            **{name: what for name, what in value.items() if name != "carries"},
        }
    return value


AnyMount = Annotated[Mount, BeforeValidator(_brought_up)]
