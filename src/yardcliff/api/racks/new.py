"""What a new rack could be, by each way of building that suits what hangs there."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, Field

from yardcliff.api.deps import App, AskedLocale
from yardcliff.api.racks.views import view_design
from yardcliff.api.racks.wire import WayView
from yardcliff.app.application import Application
from yardcliff.app.locale import UserLocale
from yardcliff.app.new_rack import Hangs as Hanging
from yardcliff.app.new_rack import begun, what_hangs
from yardcliff.core.base.model import Count
from yardcliff.core.design.rack_design import design
from yardcliff.core.units.length import Tape, TapeName
from yardcliff.core.units.trade import Trade
from yardcliff.core.ways import ranked
from yardcliff.messages import tr

router = APIRouter(prefix="/api", tags=["solve"])


class Hang(BaseModel):
    """So many of one thing of the list."""

    item: str = Field(description="Key of a thing in the list.", examples=["waxed-jacket"])
    count: Count = 5


Hangs = Annotated[
    list[Hang],
    Field(min_length=1, max_length=20, description="What hangs; the first is the main kind."),
]


class Begin(BaseModel):
    """By which trade something begins and what it is measured with: as in the settings where
    neither is said.
    """

    trade: Trade | None = None
    tape: TapeName | None = None

    def in_hand(self, app: Application, locale: UserLocale) -> Tape:
        return app.settings.tape(locale, self.trade, self.tape)


class Start(Begin):
    """What a new rack is asked for."""

    hangs: Hangs
    wall: str | None = Field(None, max_length=40, description="The wall that it is for.")


def asked(hangs: list[Hang], app: Application, trade: Trade) -> Hanging:
    """What hangs, by the list. Raises `BriefError`."""
    return what_hangs(((hang.item, hang.count) for hang in hangs), app.items, trade)


@router.post("/start")
def start(body: Start, app: App, locale: AskedLocale) -> list[WayView]:
    """What a new rack for these things would be by each way that could hold them, the most fitting
    first.
    """
    tape = body.in_hand(app, locale)
    hangs = asked(body.hangs, app, tape.trade)
    rated = ranked(tuple(listed.item for listed, _ in hangs))
    offered = [one for one in rated if one[1].score] or rated[:1]
    starts = [
        (way, fitness, begun(way.start(hangs, tape), body.wall, app.designs, app.settings))
        for way, fitness in offered
    ]
    return [
        WayView(
            family=way.key,
            name=tr(way.name),
            says=tr(way.says),
            fits=fitness.word,
            why=fitness.why,
            on_wall=there.says,
            design=view_design(design(there.brief)),
        )
        for way, fitness, there in starts
    ]
