"""A rack with all that its making depends on: the wall, the timber, the workshop."""

from dataclasses import dataclass
from datetime import datetime
from functools import cached_property

from yardcliff.app.application import Application
from yardcliff.core.design.rack_design import Design
from yardcliff.core.making.plan import Made, making
from yardcliff.core.wood.rack_timber import Timber, priced
from yardcliff.store.sheets import Record


@dataclass
class RackContext:
    """One rack of an application; everything about it is worked out as it is asked for."""

    app: Application
    rack_id: str

    @cached_property
    def record(self) -> Record:
        """The rack as stored. Raises `SheetNotFound`."""
        return self.app.racks.get(self.rack_id)

    @cached_property
    def design(self) -> Design:
        return self.app.designs.stored(self.record)

    @cached_property
    def timber(self) -> Timber:
        return priced(self.design, self.app.supplies.supply())

    @property
    def ticked(self) -> dict[str, datetime]:
        return self.app.workshop.ticked(self.rack_id)

    def made(self, start: datetime) -> Made:
        """Its making, planned from `start` on."""
        return making(self.design, self.timber, self.app.workshop.shop, start, self.ticked)
