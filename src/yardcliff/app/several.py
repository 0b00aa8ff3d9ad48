"""What is done with several racks at once: with all of them, or with none."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from yardcliff.app.application import Application
from yardcliff.app.rack_changes import change_rack, step_back
from yardcliff.core.base.errors import YardcliffError, named
from yardcliff.core.design.change import amend, read_brief
from yardcliff.core.design.rack_design import Design
from yardcliff.core.findings.finding import Patch
from yardcliff.core.units.length import exact_text
from yardcliff.core.wall.position import first_place
from yardcliff.messages import tr
from yardcliff.store.sheets import Filed, Record

MOST_TAGS = 12


@dataclass(frozen=True, slots=True)
class Refiling:
    """What is to be otherwise in how a rack is kept; None leaves it."""

    favourite: bool | None = None
    done: bool | None = None
    tag: str | None = None
    untag: str | None = None

    def on(self, was: Filed) -> Filed:
        """Tags that differ by capitals alone are one."""
        kept = tuple(tag for tag in was.tags if self.untag is None or not same(tag, self.untag))
        new = self.tag if self.tag and not any(same(tag, self.tag) for tag in kept) else None
        return Filed(
            (*kept, new) if new else kept,
            was.favourite if self.favourite is None else self.favourite,
            was.done if self.done is None else self.done,
        )


def same(tag: str, other: str) -> bool:
    return tag.casefold() == other.casefold()


def file_racks(app: Application, changes: Mapping[str, Refiling]) -> dict[str, Refiling]:
    """Keep racks otherwise, by their ids; what takes just that back, whatever is changed between.
    Raises `SheetNotFound`, or `YardcliffError` for a tag too many.
    """
    with app.racks.changing():
        return {rack_id: _file(app, rack_id, change) for rack_id, change in changes.items()}


def _file(app: Application, rack_id: str, change: Refiling) -> Refiling:
    record = app.racks.get(rack_id)
    was, now = record.filed, change.on(record.filed)
    if len(now.tags) > MOST_TAGS:
        with named(record.name):
            raise YardcliffError(tr("app.tags-are-enough", most=MOST_TAGS))
    app.racks.file(rack_id, now)
    return Refiling(
        None if now.favourite == was.favourite else was.favourite,
        None if now.done == was.done else was.done,
        tag=next((tag for tag in was.tags if tag not in now.tags), None),
        untag=next((tag for tag in now.tags if tag not in was.tags), None),
    )


def bin_racks(app: Application, racks: Iterable[str], *, binned: bool) -> None:
    """Put racks in the bin, or take them out of it. Raises `SheetNotFound`."""
    with app.racks.changing():
        for rack_id in racks:
            app.racks.bin(rack_id, binned=binned)


def move_racks(app: Application, racks: Sequence[str], wall: str | None) -> list[Record]:
    """Hang racks on a wall, one after the other where it is still free; or (None) on no wall. Those
    that were moved: the others were there already. Raises `SheetNotFound`, `MadeAlready`.
    """
    if wall is not None:
        app.walls.get(wall)
    moved = []
    with app.racks.changing():
        for record in map(app.racks.get, racks):
            if read_brief(record.brief).place.wall == wall:
                continue
            with named(record.name):
                patch = onto_wall(app, record, wall)[0] if wall else {"place": {"wall": None}}
                moved.append(change_rack(app, record.id, record.version, patch)[0])
    return moved


def move_back(app: Application, moved: Mapping[str, int]) -> None:
    """Take the last change of racks back, by their versions after it. Raises as `step_back`."""
    with app.racks.changing():
        for rack_id, base in moved.items():
            with named(app.racks.get(rack_id).name):
                step_back(app, rack_id, base, -1)


def onto_wall(app: Application, record: Record, wall: str) -> tuple[Patch, Design]:
    """What puts a rack on a wall, in the middle of the widest stretch that is free there; and the
    rack as it would be at the wall's left end.
    """
    there = amend(read_brief(record.brief), {"place": {"wall": wall}})
    done = app.designs.design(there, record.id)
    assert done.on_wall.site
    x = first_place(done.rack, done.on_wall.site, there.place, there.mount, done.tape)
    return {"place": {"wall": wall, "x": exact_text(x)}}, done
