"""Racks as they are seen small: on the first page, and before there is one."""

from collections.abc import Iterable

from yardcliff.api.racks.wire import RackListed, RackSummary, RoomView
from yardcliff.api.scenes import view_scene
from yardcliff.core.design.begin import Begun
from yardcliff.core.design.change import dump
from yardcliff.core.design.rack_design import Design
from yardcliff.messages import listed, tr
from yardcliff.store.sheets import Record


def view_room(begun: Begun, design: Design) -> RoomView:
    return RoomView(
        how=begun.how,
        name=tr(f"api.room-{begun.how}"),
        says=begun.says,
        made=design.rack.says,
        size=_size(design),
        musts=design.musts,
        brief=dump(begun.brief),
        scene=view_scene(design.scene),
    )


def _size(design: Design) -> str:
    board = design.rack.part(design.rack.rows[0].part)
    return (
        f"{design.tape.write(design.rack.row.length)} × {design.tape.write_fine(board.face_width)}"
    )


def view_listed_racks(records: Iterable[Record], walls: Iterable[Record]) -> list[RackListed]:
    """All in a moment, however many: of each brief only what is named there is read."""
    names = {wall.id: wall.name for wall in walls}
    return [
        RackListed(
            id=record.id,
            name=record.name,
            version=record.version,
            updated_at=record.updated_at,
            things=listed(
                item["plural"]
                for item in (record.brief["item"], *record.brief.get("others", {}).values())
            ),
            wall=names.get(record.brief.get("place", {}).get("wall")),
        )
        for record in records
    ]


def view_summary(record: Record, design: Design) -> RackSummary:
    return RackSummary(
        id=record.id,
        version=record.version,
        says=design.rack.says,
        size=_size(design),
        to_settle=sum(f.severity != "note" for f in design.findings),
        walled=design.on_wall.site is not None,
        scene=view_scene(design.scene),
    )
