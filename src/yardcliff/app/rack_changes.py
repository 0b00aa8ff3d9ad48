"""Changing a stored rack: each change is made from a version, and none may move what is built
already.
"""

from yardcliff.app.application import Application
from yardcliff.core.design.as_built import refuse_moves
from yardcliff.core.design.change import amend, describe, dump, read_brief
from yardcliff.core.design.rack_design import Design
from yardcliff.core.findings.finding import Patch
from yardcliff.messages import tr
from yardcliff.store.sheets import Record


def change_rack(app: Application, rack_id: str, base: int, patch: Patch) -> tuple[Record, Design]:
    """A rack with a patch on its version `base`, stored and worked out. What says what the rack is
    already is no step to undo.

    Raises `StaleSheet`, `BriefError`, `MadeAlready`.
    """
    record = app.racks.get(rack_id)
    before = read_brief(record.brief)
    after = amend(before, patch)
    if after == before and record.version == base:
        return record, app.designs.design(before, rack_id)
    design = app.designs.design(after, rack_id)
    refuse_moves(design, lambda: app.designs.design(before, rack_id))
    return app.racks.save(rack_id, base, dump(after), describe(before, after)), design


def step_back(app: Application, rack_id: str, base: int, steps: int) -> tuple[Record, Design]:
    """A rack so many steps back (below 0) or ahead, unless that would move what is made. Raises as
    `change_rack`.
    """
    before = app.racks.get(rack_id)
    with app.racks.changing():
        return unmoved(app, app.racks.move(rack_id, base, steps), before)


def take_version(
    app: Application, rack_id: str, base: int, version_id: str
) -> tuple[Record, Design]:
    """A rack as one of its versions was; it can be undone. Raises as `change_rack`."""
    version, before = app.versions.get(rack_id, version_id), app.racks.get(rack_id)
    with app.racks.changing():
        saved = app.racks.save(rack_id, base, version.brief, tr("app.back-to", name=version.name))
        return unmoved(app, saved, before)


def unmoved(app: Application, saved: Record, before: Record) -> tuple[Record, Design]:
    """A rack that was another one `before`, worked out. Raises `MadeAlready` where what is made
    would have to move.
    """
    design = app.designs.stored(saved)
    refuse_moves(design, lambda: app.designs.stored(before))
    return saved, design
