"""A plan that follows what was built: drilled holes as pins of their rows."""

from collections.abc import Iterable, Mapping

from yardcliff.core.built.measured import Readings, Subject, subjects
from yardcliff.core.design import Design
from yardcliff.core.exact import Fraction
from yardcliff.core.families import Brief
from yardcliff.core.findings import Patch
from yardcliff.core.length import exact_text
from yardcliff.core.row_brief import Pin

Held = Mapping[int, Mapping[int, Fraction]]
"""Where holes are held, mm from the datum: by row and place."""


def drilled(done: Design, readings: Readings, but: Subject | None = None) -> dict[int, dict[int, Fraction]]:
    """Where holes are by what was measured, but for one; uprights that carry things together have one row, the first to be read."""
    found: dict[int, dict[int, Fraction]] = {}
    for one in subjects(done):
        if one.place is not None and one.what in readings and one != but:
            found.setdefault(row_of(done, one), {}).setdefault(one.place, readings[one.what])
    return found


def row_of(done: Design, subject: Subject) -> int:
    """The row of the brief that a subject belongs to."""
    return 0 if done.rack.together else subject.row


def follow(brief: Brief, held: Held) -> Patch:
    """A change that holds rows at these places alone; rows that are not named keep their pins."""
    patch: Patch = {}
    rows = brief.rows
    for k, at in held.items():
        pins = [{"index": place, "at": exact_text(x)} for place, x in sorted(at.items())]
        if k == 0:
            patch["row"] = {"pins": pins}
        else:
            own = rows.own_of(k).changed({"pins": tuple(map(Pin.model_validate, pins))})
            rows = rows.changed({"own": rows.with_own(k, own)})
    if rows is not brief.rows:
        patch["rows"] = {"own": [own.model_dump(mode="json") for own in rows.own]}
    return patch


def pins_of(brief: Brief, row: int) -> dict[int, Fraction]:
    """Where a row is held now."""
    pins: Iterable[Pin] = brief.rows.own_of(row).pins if row else brief.row.pins
    return {pin.index: pin.at for pin in pins}
