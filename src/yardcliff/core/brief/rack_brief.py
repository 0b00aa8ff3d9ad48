"""What every way of building is asked: what hangs, how it is spaced, on what board, how high."""

from collections.abc import Mapping
from typing import Annotated, Any, ClassVar, Self

from pydantic import Field, ValidationInfo, model_validator

from yardcliff.core.base.errors import cannot_read
from yardcliff.core.base.model import Frozen
from yardcliff.core.brief.building import Making
from yardcliff.core.brief.cutting import Cutting
from yardcliff.core.brief.mounting import AnyMount, Mount, Spot
from yardcliff.core.materials.goods import Wood
from yardcliff.core.row.row_brief import RowBrief
from yardcliff.core.row.rows import ALIKE, RowsBrief
from yardcliff.core.strength.force import Pulled, hardest
from yardcliff.core.things.item import Item, Key
from yardcliff.core.things.thing import Run, Thing, Things
from yardcliff.core.units.called import board_fields
from yardcliff.core.units.length import Size, Tape, TapeName
from yardcliff.core.units.trade import Trade, called, usual

MAIN = ""
"""The main kind of thing in `row.order`; the others have names."""


class Board(Frozen):
    """The board that the row runs along: `height` is its width, in actual sizes."""

    height: Size = usual("120 mm", "5 1/2 in")
    thickness: Size = usual("21 mm", "3/4 in")
    wood: Wood = "softwood"

    @model_validator(mode="before")
    @classmethod
    def _by_name(cls, data: Any, info: ValidationInfo) -> Any:
        """`1x4` in either field is what such a board is, in both."""
        return board_fields(data, info.context, "height", "thickness")


class RackBrief(Frozen):
    """What the user decides about any rack; each family adds its own.

    Its `trade` is where it is bought, whatever `tape` it is measured with; `sizes` are whose it is
    designed in, rules, screws and all: those that it was begun in, until it is given over to the
    other's.

    `item` is the main kind of thing and `others` are the further ones, by the names that
    `row.order` uses; `hung` is the height of the first row's axis above the floor, or of the foot
    of a row that runs up. `place` is where on which wall it is, `mount` how it is fixed, `cutting`
    what it is cut with and from, `making` in which order and by which school it is made.
    """

    trade: Trade = "metric"
    sizes: Trade = "metric"
    tape: TapeName = called("1 mm", "1/16 in")
    item: Item
    others: Annotated[dict[Key, Item], Field(max_length=20, default_factory=dict)]
    row: RowBrief = RowBrief()
    rows: RowsBrief = RowsBrief()
    board: Board = Board()
    hung: Size = usual("1600 mm", "64 in")
    place: Spot = Spot()
    mount: AnyMount = Mount()
    cutting: Cutting = Cutting()
    making: Making = Making()

    run: ClassVar[Run] = Run.LEVEL

    @property
    def in_hand(self) -> Tape:
        """The tape that it is measured with, in its trade."""
        return Tape.named(self.tape, self.trade, self.sizes)

    @model_validator(mode="before")
    @classmethod
    def _begun_in_its_trade(cls, data: Any) -> Any:
        """What does not say whose sizes it has is designed in those of its trade."""
        if isinstance(data, Mapping) and "trade" in data and "sizes" not in data:
            return {**data, "sizes": data["trade"]}
        return data

    @property
    def kinds(self) -> dict[str, Item]:
        """Every kind of thing by its name in the order; the main one is ""."""
        return {MAIN: self.item, **self.others}

    @property
    def children(self) -> bool:
        """Whether it is for children to reach."""
        return self.place.who == "child"

    @property
    def pulled(self) -> Pulled:
        """What asks most of a holder."""
        return hardest(item.pulled(children=self.children) for item in self.kinds.values())

    def thing(self, item: Item) -> Thing:
        """The item as it takes room along the row."""
        return item.thing

    @property
    def things(self) -> Things:
        """What hangs, as the solver takes it."""
        kinds = {key: self.thing(item) for key, item in self.kinds.items()}
        return Things(kinds, self.row.order, self.row.facing, self.row.spares, self.run)

    @model_validator(mode="after")
    def _order_is_known(self) -> Self:
        own = [kind for row in self.rows.own for kind in (row.kind, *row.order) if kind != ALIKE]
        kinds = self.kinds
        for kind in (*self.row.order, *own):
            if kind not in kinds:
                raise cannot_read("order", "brief.in-order-but-not-among-what", kind=kind)
        return self
