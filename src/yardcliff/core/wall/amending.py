"""Reading and changing a survey: JSON in, a merge patch, and what changed in words."""

from typing import Any

from pydantic import ValidationError

from yardcliff.core.findings.finding import Patch
from yardcliff.core.findings.patch import (
    EXACT,
    BriefError,
    differences,
    merge,
    own_terms,
    problems,
    show,
)
from yardcliff.core.units.text import begun
from yardcliff.core.wall.wall import Wall
from yardcliff.messages import tr


def read_wall(data: Any) -> Wall:
    """Validate a survey as it was written before; bare numbers take the unit of its own tape.
    Raises `BriefError`.
    """
    return _validated(data, own_terms(data) | EXACT)


def _validated(data: Any, context: dict[str, Any]) -> Wall:
    try:
        return Wall.model_validate(data, context=context)
    except ValidationError as error:
        raise BriefError(problems(error)) from None


def dump_wall(wall: Wall) -> dict[str, Any]:
    """The survey as JSON values, lengths as exact text."""
    return wall.model_dump(mode="json")


def amend_wall(wall: Wall, patch: Patch) -> Wall:
    """The survey with `patch` merged in. Raises `BriefError` and changes nothing if it cannot be
    read.
    """
    if not isinstance(patch, dict):
        raise BriefError([("", tr("wall.change-object-fields-change"))])
    merged = merge(dump_wall(wall), patch)
    return _validated(merged, own_terms(merged))


def describe_wall(before: Wall, after: Wall) -> str:
    """What a change did, for what can be taken back: `Width: 3600 mm instead of 3000 mm`."""
    tape = after.in_hand
    changes = list(differences(before, after))
    if not changes:
        return tr("wall.no-change")
    path, old, new = changes[0]
    name = begun(tr(f"survey.{path[0]}"))
    if isinstance(old, tuple):
        return tr("design.is-another", name=name)
    if old is None or new is None:
        return tr("design.is-now", name=name, new=show(new, tape))
    return tr("design.is-instead-of", name=name, new=show(new, tape), old=show(old, tape))
