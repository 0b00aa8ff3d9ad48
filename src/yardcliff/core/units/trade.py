"""Two trades: what is sold, and which figures are round, where people measure in inches and where
in millimetres.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import Any, Generic, Literal, TypeVar, get_args

from pydantic import BaseModel
from pydantic import Field as ModelField

from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length_text import read

Trade = Literal["metric", "us"]
"""Whose sizes a rack is made of: `data/metric` or `data/us`."""
TRADES: tuple[Trade, ...] = get_args(Trade)
T = TypeVar("T")


@dataclass(frozen=True, slots=True)
class Either(Generic[T]):
    """The same rule in both trades, by a figure that is round in each."""

    metric: T
    us: T

    def of(self, trade: Trade) -> T:
        return self.us if trade == "us" else self.metric


def either(metric: str, us: str) -> Either[Fraction]:
    """A length of a rule: `either("20 mm", "3/4 in")`."""
    return Either(read(metric), read(us))


def usual(metric: str | BaseModel, us: str | Mapping[str, str]) -> Any:
    """What a field of an input is where nobody says: in a document of the US trade its `us` value
    stands for it (`Frozen`). A model's value is the fields that differ from its own usual ones.
    """
    return _field(read(metric) if isinstance(metric, str) else metric, us)


def called(metric: str | int, us: str) -> Any:
    """As `usual`, of what is no length: a gauge, a thread, grams."""
    return _field(metric, us)


def _field(default: object, us: str | Mapping[str, str]) -> Any:
    return ModelField(
        default=default, json_schema_extra={"us": us if isinstance(us, str) else dict(us)}
    )


FINE = either("0.5 mm", "1/32 in")
"""What a derived size is rounded to."""
EASY = either("5 mm", "1/4 in")
"""A step that is easily measured and remembered."""


def up(size: Fraction, trade: Trade, step: Either[Fraction] = FINE) -> Fraction:
    """`size` up to the next step, mm."""
    return -(-size // step.of(trade)) * step.of(trade)


def steps(
    over: Fraction, to: Fraction, trade: Trade, step: Either[Fraction] = FINE
) -> Iterator[Fraction]:
    """The steps above `over`, up to `to` or, where that is less, down from below it, mm."""
    by = step.of(trade)
    if to >= over:
        at = down(over, trade, step) + by
        while at <= to:
            yield at
            at += by
    else:
        at = up(over, trade, step) - by
        while at >= to:
            yield at
            at -= by


def down(size: Fraction, trade: Trade, step: Either[Fraction] = FINE) -> Fraction:
    """`size` down to the last step, mm."""
    return size // step.of(trade) * step.of(trade)
