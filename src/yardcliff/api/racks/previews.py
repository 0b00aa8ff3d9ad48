"""Racks as they are seen small: on the first page, and before there is one."""

from yardcliff.api.racks.wire import RackSummary, RoomView
from yardcliff.api.scenes import view_scene
from yardcliff.core.design.begin import Begun
from yardcliff.core.design.change import dump
from yardcliff.core.design.rack_design import Design
from yardcliff.messages import tr
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


def view_summary(record: Record, design: Design) -> RackSummary:
    return RackSummary(
        id=record.id,
        name=record.name,
        version=record.version,
        updated_at=record.updated_at,
        says=design.rack.says,
        size=_size(design),
        to_settle=sum(f.severity != "note" for f in design.findings),
        walled=design.on_wall.site is not None,
        scene=view_scene(design.scene),
    )
