"""Racks: list, make, open, change, undo, copy, bin, export."""

import asyncio
from typing import Annotated

from fastapi import APIRouter, Query, Request, Response
from pydantic import BaseModel, Field

from yardcliff.api.changes import Change, DoneView, Rename, SheetName, Steps, view_history
from yardcliff.api.deps import App, AskedLocale
from yardcliff.api.files import attached
from yardcliff.api.racks.new import Placed, asked
from yardcliff.api.racks.previews import RackListed, RackSummary, view_listed_racks, view_summary
from yardcliff.api.racks.views import view_holes, view_rack
from yardcliff.api.racks.wire import BriefJson, HoleTableView, RackView
from yardcliff.api.walls.views import view_standing
from yardcliff.api.walls.wire import StandingView
from yardcliff.app.application import Application
from yardcliff.app.new_rack import new_brief
from yardcliff.app.rack_changes import change_rack, step_back
from yardcliff.core.built.facts import Kind
from yardcliff.core.design.begin import How
from yardcliff.core.design.change import amend, dump, read_brief
from yardcliff.core.findings.finding import Patch
from yardcliff.core.units.text import shortened
from yardcliff.core.ways import Brief
from yardcliff.exports.paper import Paper
from yardcliff.exports.rack_files import MEDIA, RackFile, write_rack_file
from yardcliff.exports.rackfile import schema
from yardcliff.imports.rackfile import read_rackfile
from yardcliff.messages import tr
from yardcliff.store.sheets import Record

router = APIRouter(prefix="/api")


class NewRack(Placed):
    """What hangs there, how many, and where that is: all that a new rack asks."""

    name: SheetName | None = None
    how: How | None = Field(
        None, description="By which way it has room where it is for; the best if left out."
    )


class Copy(BaseModel):
    """Copies the stored rack, or the brief given with its unsaved change: a stale window's own
    state.
    """

    brief: BriefJson | None = None
    patch: Patch = Field(default_factory=dict)


class Version(BaseModel):
    """How new a rack is, its wall with the other racks on it, and the last that happened to it."""

    version: int
    site: str
    facts: int


def view_stored(record: Record, app: Application) -> RackView:
    return view_rack(record, app.designs.stored(record))


@router.get("/racks", tags=["racks"])
def list_racks(app: App, binned: Annotated[bool, Query(alias="bin")] = False) -> list[RackListed]:
    """Every rack, last changed first; `bin=true` lists the bin."""
    return view_listed_racks(app.racks.all(deleted=binned), app.walls.all())


@router.get("/racks/{rack_id}/drawn", tags=["racks"])
def get_drawn(rack_id: str, app: App) -> RackSummary:
    """A rack with its small drawing, as the first page has it."""
    record = app.racks.get(rack_id)
    done = app.facts.standing(rack_id, Kind.DONE)
    return view_summary(record, app.designs.stored(record), done)


def first_name(brief: Brief, app: Application) -> str:
    """What hangs, and where that is."""
    name = brief.item.plural.capitalize()
    wall = brief.place.wall
    return untaken(f"{name}, {app.walls.get(wall).name}" if wall else name, app)


def untaken(name: str, app: Application) -> str:
    """A name that no other rack has: with a number where one is called so."""
    taken = {record.name for record in app.racks.all()}
    names = (name, *(f"{shortened(name, 74)} {number}" for number in range(2, len(taken) + 2)))
    return next((one for one in names if one not in taken), name)


@router.post("/racks", status_code=201, tags=["racks"])
def make_rack(body: NewRack, app: App, locale: AskedLocale) -> RackView:
    """A complete, sensible rack for what hangs there."""
    tape = body.in_hand(app, locale)
    hangs = asked(body.hangs, app, tape.trade)
    brief = new_brief(
        hangs, tape, body.family, body.where(tape), body.how, app.designs, app.settings
    )
    return view_stored(app.racks.create(body.name or first_name(brief, app), dump(brief)), app)


@router.post(
    "/racks/open",
    status_code=201,
    tags=["files"],
    openapi_extra={
        "requestBody": {
            "required": True,
            "content": {
                "application/json": {"schema": {"type": "object", "additionalProperties": True}}
            },
        }
    },
)
async def open_rackfile(request: Request, app: App) -> RackView:
    """Open a rack file as a new rack."""
    text = await request.body()

    def opened() -> RackView:
        name, brief = read_rackfile(text)
        return view_stored(app.racks.create(name, dump(brief)), app)

    return await asyncio.to_thread(opened)


@router.get("/racks/{rack_id}", tags=["racks"])
def get_rack(rack_id: str, app: App) -> RackView:
    """A rack, worked out."""
    return view_stored(app.racks.get(rack_id), app)


@router.get("/racks/{rack_id}/version", tags=["racks"])
def get_version(rack_id: str, app: App) -> Version:
    """The newest version, the state of its wall and of its making: how a window learns that it is
    stale.
    """
    record = app.racks.get(rack_id)
    site = app.designs.site(read_brief(record.brief), rack_id)
    return Version(
        version=record.version, site=site.state if site else "", facts=app.facts.newest(rack_id)
    )


@router.get("/racks/{rack_id}/standing", tags=["racks"])
def get_standing(rack_id: str, app: App) -> StandingView | None:
    """Where on its wall a rack could go, how it could be fixed, and how it is put up; null where it
    is on none.
    """
    done = app.designs.stored(app.racks.get(rack_id))
    return view_standing(done) if done.on_wall.site else None


@router.get("/racks/{rack_id}/holes", tags=["racks"])
def get_holes(rack_id: str, app: App) -> list[HoleTableView]:
    """The hole table of each part that has holes; of parts that are drilled alike, one."""
    return view_holes(app.designs.stored(app.racks.get(rack_id)))


@router.patch("/racks/{rack_id}", tags=["racks"])
def change(rack_id: str, body: Change, app: App) -> RackView:
    """Change a rack and save it. 409 if it was changed since `base`, or would move what is made;
    422 names unreadable fields.
    """
    return view_rack(*change_rack(app, rack_id, body.base, body.patch))


@router.put("/racks/{rack_id}/name", tags=["racks"])
def rename_rack(rack_id: str, body: Rename, app: App) -> RackView:
    """Rename a rack."""
    return view_stored(app.racks.rename(rack_id, body.base, body.name), app)


@router.get("/racks/{rack_id}/history", tags=["racks"])
def get_history(rack_id: str, app: App) -> list[DoneView]:
    """What can be taken back of a rack, or brought again; the newest first."""
    return view_history(app.racks, rack_id)


@router.post("/racks/{rack_id}/undo", tags=["racks"])
def undo(rack_id: str, body: Steps, app: App) -> RackView:
    """Take back the last changes; what was taken back can be redone, also after a restart."""
    return view_rack(*step_back(app, rack_id, body.base, -body.steps))


@router.post("/racks/{rack_id}/redo", tags=["racks"])
def redo(rack_id: str, body: Steps, app: App) -> RackView:
    """Bring back what was undone."""
    return view_rack(*step_back(app, rack_id, body.base, body.steps))


@router.post("/racks/{rack_id}/copy", status_code=201, tags=["racks"])
def copy_rack(rack_id: str, body: Copy, app: App) -> RackView:
    """A new rack like this one."""
    record = app.racks.get(rack_id)
    brief = amend(read_brief(record.brief if body.brief is None else body.brief), body.patch)
    name = untaken(tr("api.copy", shortened=shortened(record.name, 74)), app)
    return view_stored(app.racks.create(name, dump(brief)), app)


@router.delete("/racks/{rack_id}", status_code=204, tags=["racks"])
def bin_rack(rack_id: str, app: App) -> None:
    """Put a rack in the bin, from where it can be restored."""
    app.racks.bin(rack_id)


@router.post("/racks/{rack_id}/restore", tags=["racks"])
def restore_rack(rack_id: str, app: App) -> RackView:
    """Take a rack out of the bin."""
    return view_stored(app.racks.bin(rack_id, binned=False), app)


@router.get("/racks/{rack_id}/files/{kind}", tags=["files"], response_class=Response)
def export_rack(rack_id: str, kind: RackFile, app: App, paper: Paper = "a4") -> Response:
    """The rack on paper or as a file. `paper` is for the PDFs."""
    record = app.racks.get(rack_id)
    content = write_rack_file(kind, record.name, app.designs.stored(record), paper)
    return attached(content, MEDIA[kind.rsplit(".")[-1]], record.name, kind)


@router.get("/schema/rack.json", tags=["files"])
def rack_schema() -> dict[str, object]:
    """The JSON Schema of a rack file."""
    return schema()
