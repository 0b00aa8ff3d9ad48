"""The base of every input model, and the plain-number fields they share."""

import re
from collections.abc import Container, Iterator, Mapping
from functools import cache
from typing import Annotated, Any, Literal, Self, get_origin

from pydantic import BaseModel, BeforeValidator, ConfigDict, ValidationInfo, model_validator

from yardcliff.core.base.errors import cannot_read
from yardcliff.messages import tr

MAX_COUNT = 1000


class Frozen(BaseModel):
    """An input: immutable, strict about names, so that a misspelt field is an error and
    not lost.
    """

    model_config = ConfigDict(
        frozen=True, extra="forbid", json_schema_serialization_defaults_required=True
    )

    @model_validator(mode="before")
    @classmethod
    def _as_in_its_trade(cls, data: Any, info: ValidationInfo) -> Any:
        """What is left out is what is usual in the trade whose sizes the document has, told by the
        context.
        """
        told = info.context or {}
        trade = told.get("sizes", told.get("trade", "metric"))
        if trade == "metric" or not isinstance(data, Mapping):
            return data
        return {**_usual(cls, trade), **data}

    @classmethod
    def usual(cls, trade: str, /, **given: object) -> Self:
        """One as it is usual in a trade, but for what is given, each read as in a brief."""
        return cls.model_validate(given, context={"exact": True, "trade": trade})

    def changed(self, values: Mapping[str, object]) -> Self:
        """A copy with other values, each read as it would be in a brief: the one way to change a
        frozen value.

        What is worked out may be longer than what may be typed: an impossible design still draws.
        Raises `ValidationError` for what its field does not take.
        """
        there = {name: getattr(self, name) for name in type(self).model_fields}
        return type(self).model_validate(
            there | dict(values), context={"exact": True, "worked out": True}
        )


@cache
def _usual(model: type[BaseModel], trade: str) -> dict[str, Any]:
    """What a model's fields are in a trade where nobody says; a model in a field is asked likewise,
    from what distinguishes it.
    """
    found: dict[str, Any] = {}
    for name, field in model.model_fields.items():
        extra = field.json_schema_extra
        if isinstance(extra, dict) and trade in extra:
            found[name] = extra[trade]
            if isinstance(field.default, BaseModel):
                found[name] = _told(field.default) | found[name]
        elif isinstance(field.default, Frozen):
            found[name] = _told(field.default)
    return found


def _told(model: BaseModel) -> dict[str, Any]:
    """What a usual value says of itself: what kind it is, and the fields that were set."""
    fields = type(model).model_fields
    return {
        name: getattr(model, name)
        for name in fields
        if name in model.model_fields_set
        or (get_origin(fields[name].annotation) is Literal and name == "kind")
    }


def leaves(
    model: BaseModel, path: tuple[str, ...] = (), among: Container[str] | None = None
) -> Iterator[tuple[tuple[str, ...], Any]]:
    """(path, value) of every field that is neither a model nor models by name, or of those `among`
    some names: lengths as Fractions, as they are kept.
    """
    for name in type(model).model_fields:
        value = getattr(model, name)
        if isinstance(value, BaseModel):
            yield from leaves(value, (*path, name), among)
        elif isinstance(value, dict):
            for key, one in value.items():
                if isinstance(one, BaseModel):
                    yield from leaves(one, (*path, name, key), among)
                elif among is None or key in among:
                    yield (*path, name, key), one
        elif among is None or name in among:
            yield (*path, name), value


def whole(least: int, most: int) -> BeforeValidator:
    """Reads a whole number within bounds, as typed."""

    def read(value: Any, info: ValidationInfo) -> int:
        text = str(value).strip()
        if isinstance(value, bool) or not re.fullmatch(r"[+-]?\d{1,9}", text):
            raise cannot_read("count", "base.no-whole-number-write-one-like", text=text[:40])
        worked_out = info.context and info.context.get("worked out")
        if not least <= int(text) <= most and not (worked_out and int(text) >= least):
            raise cannot_read(
                "count", "base.out-range-fit-on-rack", text=text, least=least, most=most
            )
        return int(text)

    return BeforeValidator(read)


def angle(least: int, most: int, what: str, measured: str) -> BeforeValidator:
    """Reads degrees within bounds, as typed; `what` it is and how it is `measured`, both keys of
    messages, are said where it is not.
    """

    def read(value: Any) -> float:
        text = str(value).strip().rstrip("°").strip().replace(",", ".")
        try:
            degrees = float(text)
        except ValueError:
            degrees = float("nan")
        if not least <= degrees <= most:
            raise cannot_read(
                "angle",
                "base.is-no-write-to-degrees-measured",
                text=str(value)[:40],
                what=tr(what),
                least=least,
                most=most,
                measured=tr(measured),
            )
        return degrees

    return BeforeValidator(read)


Count = Annotated[int, whole(1, MAX_COUNT)]
"""A whole number of things, 1 to 1000."""
Spares = Annotated[int, whole(0, MAX_COUNT)]
"""A whole number of things, 0 to 1000."""
Tilt = Annotated[float, angle(0, 45, "base.tilt", "base.from-square-to-the-face")]
"""Degrees from square to the face, 0 to 45."""
