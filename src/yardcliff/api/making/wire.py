"""What the API says of the making."""

from typing import Annotated, Literal

from pydantic import BaseModel, Field

from yardcliff.api.racks.wire import FindingView
from yardcliff.api.wire import Wire
from yardcliff.api.wood.wire import CutStickView
from yardcliff.app.moments import Moment
from yardcliff.core.findings.finding import Patch
from yardcliff.core.workshop.shop import Shop, Tool


class LineView(Wire):
    """A line of a card that is ticked off by itself; `item` is what it is ticked by."""

    item: str
    text: str
    done: bool
    gone: bool = Field(
        False, description="Whether it was done as the plan was before, and is none of it any more."
    )


class SettingView(Wire):
    name: str
    text: str


class MarkedView(Wire):
    """A board with its marks in the order of the lines, mm."""

    kind: Literal["marked"] = "marked"
    long: float
    at: list[float]


class CutsView(Wire):
    """Sticks with their cuts; the lines go through them in turn: one to take each, then
    its order.
    """

    kind: Literal["cuts"] = "cuts"
    sticks: list[CutStickView]


class BiteView(Wire):
    """What a tool takes out of the wood, in section, mm, and as it is said; a bit turns."""

    kind: Literal["bite"] = "bite"
    wide: float
    thick: float
    deep: float | None
    tilt: float
    bit: bool
    wide_says: str
    thick_says: str
    deep_says: str


class SeenView(Wire):
    """The rack by itself, or on its wall with what holds it: as its own drawing has it."""

    kind: Literal["rack", "wall"]


PictureView = Annotated[MarkedView | CutsView | BiteView | SeenView, Field(discriminator="kind")]


class BeforeView(Wire):
    """A task that comes directly before, and why; once that is done, `until` when what it is waited
    for lasts.
    """

    key: str
    title: str
    why: str
    until: str | None
    until_says: str


class StintView(Wire):
    """A stretch at the bench: its day and hours in words, and as times."""

    day: str
    hours: str
    start: str
    end: str


class CardView(Wire):
    """One card: what to do, with what, how long. `ways` begin with the one for the user's tools.
    Once it is done it stays as it was.
    """

    title: str
    minutes: int
    takes: str
    wait: int
    waits: str
    waits_for: str | None
    lines: list[LineView]
    picture: PictureView | None
    settings: list[SettingView]
    ways: list[str]
    checks: list[str]
    cautions: list[str]
    errand: bool = Field(description="Whether it is done elsewhere than at the bench.")


class TaskView(CardView):
    """A task by its card: when it is done, and what came before it."""

    key: str
    number: int
    before: list[BeforeView]
    stints: list[StintView]
    free: str | None = Field(
        description="When what it waits for is over; once it is ticked off, from then."
    )
    free_says: str
    waited: bool = Field(
        description="Whether the wait was seen to be over: ticked off as `KEY|wait`."
    )
    done: str | None = Field(description="When it was ticked off.")


class WaitView(Wire):
    """A wait as it is counted with: as typical, unless the brief has the tin's own."""

    kind: str
    label: str
    usual: str


class MakingView(Wire):
    tasks: list[TaskView]
    findings: list[FindingView]
    waits: list[WaitView]
    hands: str = Field(description="All hands-on time together.")
    finish: str | None
    finish_says: str
    tools: list[str] = Field(
        description="What has to lie ready for what is not done yet, bits and all."
    )
    clock: str | None = Field(description="Since when somebody is at the bench, by any device.")


class ShopView(Wire):
    """The workshop, and what tools it may have."""

    shop: Shop
    tools: list[Tool]
    days: list[str]
    rate: str = Field(description="What an hour counts, in the user's money.")


class QuickerView(Wire):
    """A change that brings the end forward, and whether it makes the day asked for."""

    says: str
    finish: str
    makes_it: bool
    patch: Patch | None
    shop: Shop | None


class DeadlineView(Wire):
    """Whether it is done by a day, and what would be sooner."""

    says: str
    makes_it: bool
    changes: list[QuickerView]


class Tick(BaseModel):
    """Something ticked off `at` a time, or not any more; what is said twice by one id
    counts once.
    """

    id: str = Field(min_length=8, max_length=64)
    item: str = Field(min_length=1, max_length=600)
    at: Moment | None = None


class TickedOff(BaseModel):
    said: list[Tick] = Field(max_length=2000)
    device: str = Field(
        "", max_length=64, description="Who says it: a name that a device gives itself."
    )


FileKind = Literal["schedule.ics"]
