"""Times on the workshop's wall: which can be, and how one is read."""

from datetime import date, datetime
from typing import Annotated, TypeVar

from pydantic import AfterValidator, NaiveDatetime
from pydantic_core import PydanticCustomError

from yardcliff.core.base.errors import cannot_read
from yardcliff.core.findings.patch import BriefError
from yardcliff.messages import tr

D = TypeVar("D", bound=date)
YEARS = 2000, 2200
"""When racks may be built, the second no more."""


def sensible(moment: D) -> D:
    """A day that a rack could be made on."""
    if not YEARS[0] <= moment.year < YEARS[1]:
        raise cannot_read(
            "year",
            "app.year-none-build-rack-in",
            year=moment.year,
            first=YEARS[0],
            last=YEARS[1] - 1,
        )
    return moment


Moment = Annotated[NaiveDatetime, AfterValidator(sensible)]
Day = Annotated[date, AfterValidator(sensible)]


def read_moment(field: str, text: str) -> datetime:
    """A time as sent for a `field`, to the minute. Raises `BriefError`."""
    try:
        moment = sensible(datetime.fromisoformat(text))
    except PydanticCustomError as error:
        raise BriefError([(field, error.message())]) from None
    except ValueError:
        raise BriefError([(field, tr("app.no-time-send-one-like-2026", text=text[:40]))]) from None
    return moment.replace(tzinfo=None, second=0, microsecond=0)
