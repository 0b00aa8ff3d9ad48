"""What there is to choose from: items, holders, boards, and the schools of spacing with reasons."""

from typing import Annotated, Any, get_args

from fastapi import APIRouter, Query
from pydantic import Field, TypeAdapter

from yardcliff.api.deps import App, AskedLocale
from yardcliff.api.racks.item_views import view_listed
from yardcliff.api.racks.wire import ItemChoice
from yardcliff.api.wire import Wire
from yardcliff.core.brief.rack_brief import Board
from yardcliff.core.findings.finding import Patch
from yardcliff.core.findings.patch import EXACT
from yardcliff.core.materials.sold import gauge_text, gauges
from yardcliff.core.row.figures import END_REASONS, SPACING_REASONS
from yardcliff.core.row.keepouts import KeepOut
from yardcliff.core.things.item import Shape
from yardcliff.core.things.listing import Group
from yardcliff.core.units.trade import Trade
from yardcliff.core.wall.wall import Obstacle
from yardcliff.core.ways import Holder
from yardcliff.data import table, values
from yardcliff.messages import tr

router = APIRouter(prefix="/api", tags=["catalogue"])


class Choice(Wire):
    """Something to pick, and the patch that picks it or the reason to."""

    key: str
    name: str
    why: str = ""
    patch: Patch = Field(default_factory=dict)


class Catalogue(Wire):
    items: list[ItemChoice]
    groups: list[str]
    shapes: list[str]
    holders: list[Choice]
    gauges: list[Choice]
    boards: list[Choice]
    ends: list[Choice]
    spacings: list[Choice]
    keepouts: list[KeepOut] = Field(description="What a row keeps clear of, as it usually is.")
    obstacles: list[Obstacle] = Field(description="What is found on walls, as it usually is.")


@router.get("/catalogue")
def get_catalogue(
    app: App,
    locale: AskedLocale,
    trade: Annotated[Trade | None, Query(description="As in the settings if left out.")] = None,
) -> Catalogue:
    """What there is to choose from in a trade: the user's own things first, then typical ones of
    ours.
    """
    trade = app.settings.tape(locale, trade).trade
    measured = {entry.key for entry in app.items.own()}
    return Catalogue(
        items=[
            view_listed(entry, trade, own=entry.key in measured)
            for entry in app.items.listed(trade)
        ],
        groups=list(get_args(Group)),
        shapes=list(get_args(Shape)),
        holders=_choices("holders", TypeAdapter(Holder), trade),
        gauges=[Choice(key=gauge, name=gauge_text(gauge)) for gauge in gauges(trade)],
        boards=_choices("boards", TypeAdapter(Board), trade),
        ends=[
            Choice(key=key, name=tr(name), why=tr(why)) for key, (name, why) in END_REASONS.items()
        ],
        spacings=[
            Choice(key=key, name=tr(name), why=tr(why))
            for key, (name, why) in SPACING_REASONS.items()
        ],
        keepouts=[KeepOut.model_validate({"at": 0, **row}) for row in table("keepouts", trade)],
        obstacles=[Obstacle.model_validate({"x": 0, **row}) for row in table("obstacles", trade)],
    )


def _choices(name: str, model: TypeAdapter[Any], trade: Trade) -> list[Choice]:
    """The rows of a table with their values as a brief holds them, so that a client can compare."""
    return [
        Choice(
            key=row["key"],
            name=row["name"],
            patch=_as_stored(model, values(name, row["key"], trade)),
        )
        for row in table(name, trade)
    ]


def _as_stored(model: TypeAdapter[Any], values: Patch) -> Patch:
    stored: Patch = model.dump_python(model.validate_python(values, context=EXACT), mode="json")
    return stored
