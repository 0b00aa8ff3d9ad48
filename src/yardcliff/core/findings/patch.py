"""JSON merge patches (RFC 7396): the one form of a change, and what of a document could not be
read.
"""

from collections.abc import Container, Iterator
from typing import Any

from pydantic import BaseModel, ValidationError
from pydantic_core import ErrorDetails

from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.base.model import leaves
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.trade import Trade
from yardcliff.messages import tr

EXACT: dict[str, Any] = {"exact": True}
"""What models are told of texts that were written by the program, not typed."""


class BriefError(YardcliffError, ValueError):
    """A brief that cannot be read. `problems` are (field path, message) pairs."""

    def __init__(self, problems: list[tuple[str, str]]) -> None:
        self.problems = problems
        super().__init__("; ".join(f"{path or 'brief'}: {message}" for path, message in problems))


def own_terms(data: Any) -> dict[str, Any]:
    """A document's trade, whose sizes it is designed in, and the unit that its own tape gives its
    bare numbers, as the models want to know them.
    """
    told = data if isinstance(data, dict) else {}
    trade = _known_trade(told.get("trade"))
    name = told.get("tape", "1/16 in" if trade == "us" else "1 mm")
    return {
        "unit": "in" if isinstance(name, str) and name.endswith("in") else "mm",
        "trade": trade,
        "sizes": _known_trade(told.get("sizes", trade)),
    }


def _known_trade(said: Any) -> Trade:
    """A trade that can be looked up; what is none is refused where the document is read."""
    return "us" if said == "us" else "metric"


def problems(error: ValidationError, tags: Container[int | str] = ()) -> list[tuple[str, str]]:
    """What could not be read: field path and message of each; `tags` of a union of whole documents
    are no fields.
    """
    return [(_where(e, tags), _message(e)) for e in error.errors()]


def _message(error: ErrorDetails) -> str:
    if error["type"] == "union_tag_invalid":
        return tr(
            "findings.is-none-of-the-choices",
            tag=error["ctx"]["tag"],
            expected_tags=error["ctx"]["expected_tags"],
        )
    if error["type"] == "literal_error":
        return tr(
            "findings.is-none-of-the-choices",
            tag=error["input"],
            expected_tags=error["ctx"]["expected"],
        )
    return error["msg"]


def _where(error: ErrorDetails, tags: Container[int | str]) -> str:
    """The field that an error is about: a union's own tag is a field too, which its location leaves
    out.
    """
    path = _path(error["loc"], tags)
    if not error["type"].startswith("union_tag"):
        return path
    tag = error["ctx"]["discriminator"].strip("'")
    return f"{path}.{tag}" if path else tag


def _path(loc: tuple[int | str, ...], tags: Container[int | str]) -> str:
    """`row.pins.0.at`; the tags that unions put between are not part of the document."""
    loc = loc[1:] if loc and loc[0] in tags else loc
    return ".".join(str(part) for i, part in enumerate(loc) if not (i and loc[i - 1] == "holder"))


def merge(target: Any, patch: Any) -> Any:
    """RFC 7396: objects merge, null removes, everything else replaces."""
    if not isinstance(patch, dict):
        return patch
    merged = dict(target) if isinstance(target, dict) else {}
    for key, value in patch.items():
        if value is None:
            merged.pop(key, None)
        else:
            merged[key] = merge(merged.get(key), value)
    return merged


def differences(before: BaseModel, after: BaseModel) -> Iterator[tuple[tuple[str, ...], Any, Any]]:
    """(path, old, new) of every field that differs; None where there is none."""
    old, new = dict(leaves(before)), dict(leaves(after))
    for path in dict.fromkeys((*old, *new)):
        if old.get(path) != new.get(path):
            yield path, old.get(path), new.get(path)


def show(value: Any, tape: Tape) -> str:
    """A value as it is said."""
    if isinstance(value, Fraction):
        return tape.write(value)
    return "—" if value is None else str(value)
