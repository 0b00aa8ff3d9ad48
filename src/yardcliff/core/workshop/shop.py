"""The user's workshop: its tools, when there is time for it, how many clamps, how much room for
what dries.
"""

from datetime import time
from itertools import pairwise
from typing import Annotated, Literal, Self, get_args

from pydantic import Field, StringConstraints, model_validator

from yardcliff.core.base.errors import cannot_read
from yardcliff.core.base.model import Frozen
from yardcliff.core.units.money import Money
from yardcliff.messages import day_name, tr

Tool = Literal[
    "drill press", "drill", "router", "table saw", "mitre saw", "jigsaw", "planer", "sander"
]
TOOLS: tuple[Tool, ...] = get_args(Tool)
Clock = Annotated[str, StringConstraints(pattern=r"^([01]\d|2[0-3]):[0-5]\d$")]
"""A time of day, `19:30`."""


def tool_name(tool: str) -> str:
    """A tool of the list, or a hand tool, in words."""
    return tr(f"tool.{tool.replace(' ', '-')}")


def minute(clock: str) -> int:
    """The minute of the day."""
    at = time.fromisoformat(clock)
    return at.hour * 60 + at.minute


class Hours(Frozen):
    """A stretch of a `day` (0 is Monday) that goes to the workshop."""

    day: Annotated[int, Field(ge=0, le=6)]
    start: Clock
    end: Clock

    @model_validator(mode="after")
    def _ends_later(self) -> Self:
        if minute(self.start) >= minute(self.end):
            raise cannot_read(
                "hours",
                "workshop.from-to-ends-before-it-begins",
                day=day_name(self.day),
                start=self.start,
                end=self.end,
            )
        return self


EVENINGS = tuple(Hours(day=day, start="19:00", end="21:30") for day in range(5))
AFTER_WORK = tuple(Hours(day=day, start="16:30", end="18:00") for day in range(5))
Week = Annotated[tuple[Hours, ...], Field(max_length=28)]


PACES = 25, 400
"""The quickest and the slowest hand, per cent."""


class Shop(Frozen):
    """`tools` beside hand tools, which everybody has; `drying` is how many glue-ups or coats may
    stand about at once; `pace` how long the user's hands take, per cent of what is reckoned.
    `errands` is when the yard can be gone to (none: in the shop's hours). `rate` is what an hour of
    the user's counts against money, in hundredths.
    """

    tools: tuple[Tool, ...] = ("drill", "mitre saw", "jigsaw", "sander")
    hours: Week = (*EVENINGS, Hours(day=5, start="10:00", end="16:00"))
    errands: Week = (*AFTER_WORK, Hours(day=5, start="09:00", end="12:00"))
    clamps: Annotated[int, Field(ge=0, le=200)] = 6
    drying: Annotated[int, Field(ge=1, le=50)] = 2
    pace: Annotated[int, Field(ge=PACES[0], le=PACES[1])] = 100
    rate: Money = 0

    @model_validator(mode="after")
    def _hours_are_apart(self) -> Self:
        for week in (self.hours, self.errands):
            for hours, other in pairwise(in_turn(week)):
                if hours.day == other.day and minute(other.start) < minute(hours.end):
                    raise cannot_read(
                        "hours",
                        "workshop.and-overlap",
                        day=day_name(hours.day),
                        first=f"{hours.start}–{hours.end}",
                        second=f"{other.start}–{other.end}",
                    )
        return self

    def week(self, errand: bool = False) -> list[Hours]:
        """Its hours from Monday on, or those of errands."""
        return in_turn(self.errands if errand and self.errands else self.hours)


def in_turn(week: Week) -> list[Hours]:
    return sorted(week, key=lambda one: (one.day, minute(one.start)))
