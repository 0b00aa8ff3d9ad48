"""A rack with all that its making depends on: the wall, the timber, the workshop."""

from dataclasses import dataclass
from datetime import datetime
from functools import cached_property
from typing import Annotated

from fastapi import Depends, Query
from pydantic_core import PydanticCustomError

from yardcliff.api.deps import AtBench, OnSite, Store, Timbers
from yardcliff.api.reading import sensible
from yardcliff.core.amend import BriefError
from yardcliff.core.design import Design
from yardcliff.core.making.making import Made, making
from yardcliff.core.timber.timber import Timber, priced
from yardcliff.store.sheets import Record

When = Annotated[
    str,
    Query(max_length=40, description="The time on the workshop's wall, like 2026-11-26T19:30: the plan begins then."),
]


def planned_time(field: str, text: str) -> datetime:
    """A time as sent, to the minute. Raises `BriefError`."""
    try:
        return sensible(datetime.fromisoformat(text)).replace(tzinfo=None, second=0, microsecond=0)
    except PydanticCustomError as error:
        raise BriefError([(field, error.message())]) from None
    except ValueError:
        raise BriefError([(field, f"“{text[:40]}” is no time: send one like 2026-11-26T19:30.")]) from None


@dataclass
class Desk:
    """What a route about the making is given; worked out as it is asked for."""

    rack_id: str
    store: Store
    sites: OnSite
    timbers: Timbers
    bench: AtBench

    @cached_property
    def rack(self) -> Record:
        """The rack. Raises `SheetNotFound`."""
        return self.store.get(self.rack_id)

    @cached_property
    def done(self) -> Design:
        return self.sites.stored(self.rack)

    @cached_property
    def found(self) -> Timber:
        return priced(self.done, self.timbers.supply())

    @property
    def ticked(self) -> dict[str, datetime]:
        return self.bench.ticked(self.rack_id)

    def made(self, start: datetime) -> Made:
        """Its making, planned from `start` on."""
        return making(self.done, self.found, self.bench.shop, start, self.ticked)


AtDesk = Annotated[Desk, Depends()]
