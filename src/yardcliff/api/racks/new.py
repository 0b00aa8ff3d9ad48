"""What a new rack could be, by each way of building that suits what hangs there."""

from itertools import islice
from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, Field, TypeAdapter, ValidationError

from yardcliff.api.deps import App, AskedLocale
from yardcliff.api.racks.previews import view_room
from yardcliff.api.racks.wire import WayView
from yardcliff.app.application import Application
from yardcliff.app.locale import UserLocale
from yardcliff.app.new_rack import Hangs as Hanging
from yardcliff.app.new_rack import Where, begun, what_hangs
from yardcliff.core.base.model import Count
from yardcliff.core.design.rack_design import design
from yardcliff.core.findings.patch import BriefError
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Size, Tape, TapeName
from yardcliff.core.units.length_text import MAX_TEXT
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


class Placed(Begin):
    """What hangs, and where it is for: on a wall, or in a place so wide."""

    hangs: Hangs
    wall: str | None = Field(
        None,
        max_length=40,
        description="The wall that it is for: it begins as long as is free there.",
    )
    width: str | None = Field(
        None,
        max_length=MAX_TEXT,
        description="How wide the place is, where no wall is named; a bare number is of the tape.",
        examples=["1.2 m", "48 in"],
    )
    family: str | None = Field(
        None, max_length=40, description="The way of building; the most fitting one if left out."
    )

    def where(self, tape: Tape) -> Where:
        """The place that is meant. Raises `BriefError`."""
        return Where(self.wall, None if self.width is None else read_width(self.width, tape))


WIDTH: TypeAdapter[Fraction] = TypeAdapter(Size)


def read_width(text: str, tape: Tape) -> Fraction:
    """A width as it is typed, mm. Raises `BriefError`."""
    try:
        return WIDTH.validate_python(text, context=tape.reads)
    except ValidationError as error:
        raise BriefError([("width", str(error.errors()[0]["msg"]))]) from None


def asked(hangs: list[Hang], app: Application, trade: Trade) -> Hanging:
    """What hangs, by the list. Raises `BriefError`."""
    return what_hangs(((hang.item, hang.count) for hang in hangs), app.items, trade)


@router.post("/start")
def start(body: Placed, app: App, locale: AskedLocale) -> list[WayView]:
    """What a new rack for these things would be by each way that could hold them, the most fitting
    first; of the way asked for, or the first, each way that it has room where it is for.
    """
    tape = body.in_hand(app, locale)
    hangs, where = asked(body.hangs, app, tape.trade), body.where(tape)
    rated = ranked(tuple(listed.item for listed, _ in hangs))
    offered = [one for one in rated if one[1].score] or rated[:1]
    found: list[WayView] = []
    for way, fitness in offered:
        rooms = begun(way.start(hangs, tape), where, app.designs, app.settings)
        every = body.family == way.key or (way is offered[0][0] and body.family is None)
        starts = [(there, design(there.brief)) for there in (rooms if every else islice(rooms, 1))]
        # What cannot be built as it begins is no offer, as long as there is another.
        if found and way.key != body.family and starts[0][1].musts:
            continue
        found.append(
            WayView(
                family=way.key,
                name=tr(way.name),
                says=tr(way.says),
                fits=fitness.word,
                why=fitness.why,
                rooms=[view_room(there, done) for there, done in starts],
            )
        )
    return found
