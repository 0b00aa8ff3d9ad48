"""What is done with several racks at once: with all of them, or with none."""

from collections.abc import Iterable, Mapping, Sequence

from yardcliff.app.application import Application
from yardcliff.app.rack_changes import change_rack, step_back
from yardcliff.core.base.errors import named
from yardcliff.core.design.change import amend, read_brief
from yardcliff.core.design.rack_design import Design
from yardcliff.core.findings.finding import Patch
from yardcliff.core.units.length import exact_text
from yardcliff.core.wall.position import first_place
from yardcliff.store.sheets import Filed, Record


def file_racks(app: Application, filed: Mapping[str, Filed]) -> dict[str, Filed]:
    """Keep racks otherwise, by their ids; how they were kept. Raises `SheetNotFound`."""
    with app.racks.changing():
        return {rack_id: app.racks.file(rack_id, kept) for rack_id, kept in filed.items()}


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
