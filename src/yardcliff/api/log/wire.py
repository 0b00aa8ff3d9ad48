"""What the API says of the log."""

from typing import Literal

from pydantic import BaseModel, Field

from yardcliff.api.wire import Wire
from yardcliff.app.moments import Day
from yardcliff.core.findings.finding import Patch

Kind = Literal["note", "next", "time", "measured", "fit"]
Fit = Literal["goes on", "comes off", "bumps"]


class MeasuredView(Wire):
    """One thing as planned and as it is; `what` it is written under, `short` what it is called
    within its row.
    """

    what: str
    title: str
    short: str
    hole: bool
    optional: bool = Field(description="Whether nobody has to measure it.")
    planned: str
    found: str
    off: str
    good: bool
    adopted: bool = Field(description="Whether it was off, and the plan followed it.")
    x: float
    found_x: float | None


class EntryView(Wire):
    id: str
    day: str
    kind: str
    says: str


class FitView(Wire):
    """How a kind of thing did on the finished rack."""

    item: str
    name: str
    found: list[Fit]


class BuiltRowView(Wire):
    """A row and the board that carries it: `found` is how long that really is; what is measured
    here, a board before its holes. The last may be all parts that carry no row, 0 long.
    """

    title: str
    long: float
    found: float | None
    measured: list[MeasuredView]


class HabitView(Wire):
    """What is usual with this user, and a change that lets the rack's plan reckon with it, if there
    is one.
    """

    says: str
    does: str
    patch: Patch | None


class HoursView(Wire):
    """A rack that time was kept of: its plan, and what it really took."""

    name: str
    planned: str
    really: str
    up: bool


class PaceView(Wire):
    """How long the user's hands take, per cent: by all racks that are up (None: none is yet), and
    as it is reckoned with.
    """

    usual: int | None
    reckoned: int


class LogView(Wire):
    """The log: what was measured, what is off (by its `what`), entries, time and money against the
    plan.
    """

    rows: list[BuiltRowView]
    kerf: MeasuredView = Field(
        description=(
            "What the saw took at a cut, by itself: two cuts beside one another, and what is"
            " missing."
        )
    )
    trouble: list[str]
    says: str
    air: str
    entries: list[EntryView]
    fits: list[FitView]
    hours: str
    planned_hours: str
    spent: str
    planned_money: str
    usual: list[HabitView] = Field(
        description="What all racks together teach: the usual drift, the saw's cut."
    )
    racks: list[HoursView]
    pace: PaceView


class WayOutView(Wire):
    """A way to go on: `patch` where the design changes, `clears` the readings that it makes void;
    its row to be drawn.
    """

    code: str
    title: str
    says: str
    costs: str
    even: str
    air: str
    stops: int
    cares: int
    patch: Patch | None
    clears: list[str]
    long: float
    x: list[float]


class TakenWay(BaseModel):
    """A way out that is taken at a time, by the thing that is off and the way's code."""

    base: int = Field(description="The version of the rack that it is taken from.")
    what: str = Field(max_length=120)
    code: str = Field(max_length=20)
    now: str = Field(max_length=40)


class EntryText(BaseModel):
    """Something to keep: `text` as typed (a length for what is measured, a while for time, words
    otherwise).
    """

    kind: Kind
    day: Day
    what: str = Field("", max_length=120)
    text: str = Field("", max_length=1000)
    found: list[Fit] = Field(default_factory=list, max_length=3)
    by: str = Field(
        "",
        max_length=60,
        description="What a reading was taken with, where that is a simulated instrument.",
    )
    id: str | None = Field(
        None, pattern="^[A-Za-z0-9-]{8,64}$", description="Sent twice under one, it is kept once."
    )
