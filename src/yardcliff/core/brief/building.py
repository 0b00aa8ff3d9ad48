"""What a brief asks of the making: which schools it follows, waits as on the tin, an order of one's
own.
"""

import re
from typing import Annotated, Any, Literal

from pydantic import BeforeValidator, Field, PlainSerializer, StringConstraints

from yardcliff.core.base.errors import cannot_read
from yardcliff.core.base.model import Frozen

WaitKind = Literal["glue", "clamps", "conditioner", "coat", "cure", "filler"]
MOST_WAIT = 30 * 24 * 60
LONGEST = 40
"""Of a while as it is written, in characters."""
UNITS = {"min": 1, "m": 1, "h": 60, "d": 24 * 60, "day": 24 * 60, "days": 24 * 60}
_PART = re.compile(r"(\d+(?:[.,]\d+)?)\s*([a-z]+)?")


def _minutes(value: Any) -> int:
    """Reads a while as written, `90 min`, `8 h`, `1 h 30`, `1 day`; a bare number is minutes."""
    text = str(value).strip().lower()
    parts = _PART.findall(text)
    known = (
        len(text) <= LONGEST
        and parts
        and _PART.sub("", text).strip() == ""
        and all(unit in UNITS or not unit for _, unit in parts)
    )
    if isinstance(value, bool) or not known:
        raise cannot_read("wait", "brief.no-time-write-one-like-45", text=str(value)[:40])
    total = round(
        sum(float(number.replace(",", ".")) * UNITS.get(unit, 1) for number, unit in parts)
    )
    if total > MOST_WAIT:
        raise cannot_read("wait", "brief.is-longer-than-30-days", text=str(value)[:40])
    return total


def spoken(minutes: int) -> str:
    """`45 min`, `1 h 30`, `12 h`, `2 days`: as it is read back."""
    days, hours, rest = minutes // 1440, minutes // 60, minutes % 60
    if minutes >= 2880 and not minutes % 1440:
        return f"{days} days"
    if minutes < 60:
        return f"{minutes} min"
    return f"{hours} h {rest:02}" if rest else f"{hours} h"


Minutes = Annotated[
    int,
    BeforeValidator(_minutes),
    Field(ge=0),
    PlainSerializer(spoken, return_type=str, when_used="json"),
]
"""A while in whole minutes; text is read as written, and is how it is kept."""
TaskKey = Annotated[str, StringConstraints(min_length=1, max_length=120)]


class Making(Frozen):
    """Schools that practitioners follow: the finish goes on before or after the glue; pegs go in
    after or before the finish; a conditioner where the `wood` needs it; what things touch is
    finished too, or left natural. `waits` are as on your tins, `minutes` what a task takes you;
    `order` is the user's own, the rest follow as they can.
    """

    finish: Literal["after glue", "before glue"] = "after glue"
    pegs: Literal["after finish", "before finish"] = "after finish"
    conditioner: Literal["as the wood needs", "always", "never"] = "as the wood needs"
    touched: Literal["finished", "left natural"] = "finished"
    waits: dict[WaitKind, Minutes] = Field(default_factory=dict)
    minutes: dict[TaskKey, Minutes] = Field(default_factory=dict, max_length=200)
    order: Annotated[tuple[TaskKey, ...], Field(max_length=200)] = ()
