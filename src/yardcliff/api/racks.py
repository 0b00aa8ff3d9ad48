"""Racks: list, make, open, change, undo, copy, bin, export."""

import asyncio
from collections.abc import Callable
from typing import Annotated, Literal

from fastapi import APIRouter, Query, Request, Response
from pydantic import BaseModel, Field, StringConstraints

from yardcliff.api.deps import KeptFacts, OnSite, Own, Sites, Store
from yardcliff.api.solve import Hangs, starting
from yardcliff.api.views import view_holes, view_rack, view_summary
from yardcliff.api.wall_views import view_standing
from yardcliff.api.wall_wire import StandingView
from yardcliff.api.wire import BriefJson, HoleTableView, RackSummary, RackView
from yardcliff.core.amend import amend, describe, dump, read_brief
from yardcliff.core.built.as_built import refuse_moves
from yardcliff.core.findings import Patch
from yardcliff.core.length import TapeName
from yardcliff.core.text import shortened
from yardcliff.exports.holes_csv import write_holes
from yardcliff.exports.marks_csv import write_marks
from yardcliff.exports.rackfile import schema, write_rackfile
from yardcliff.exports.svg import write_svg
from yardcliff.imports.rackfile import read_rackfile
from yardcliff.store.sheets import Record

router = APIRouter(prefix="/api")
RackName = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=80)]
Paper = Literal["a4", "letter"]


class NewRack(BaseModel):
    """What hangs there, and how many: all that a new rack asks."""

    hangs: Hangs
    tape: TapeName = "1 mm"
    family: str | None = Field(None, description="The way of building; the most fitting one if left out.")
    name: RackName | None = None
    wall: str | None = Field(
        None, max_length=40, description="The wall that it is for: it begins as long as is free there."
    )


class Change(BaseModel):
    """A JSON merge patch (RFC 7396) on the brief, made from version `base` of the rack."""

    base: int
    patch: Patch


class Base(BaseModel):
    base: int = Field(description="The version that the change is made from.")


class Rename(Base):
    name: RackName


class Copy(BaseModel):
    """Copies the stored rack, or the brief given with its unsaved change: a stale window's own state."""

    brief: BriefJson | None = None
    patch: Patch = Field(default_factory=dict)


class Version(BaseModel):
    """How new a rack is, its wall with the other racks on it, and the last that happened to it."""

    version: int
    site: str
    facts: int


def view_stored(record: Record, sites: Sites) -> RackView:
    return view_rack(record, sites.stored(record))


@router.get("/racks", tags=["racks"])
def list_racks(store: Store, sites: OnSite, binned: Annotated[bool, Query(alias="bin")] = False) -> list[RackSummary]:
    """Every rack with its small drawing, last changed first; `bin=true` lists the bin."""
    return [view_summary(record, sites.stored(record)) for record in store.all(deleted=binned)]


@router.post("/racks", status_code=201, tags=["racks"])
def make_rack(body: NewRack, store: Store, sites: OnSite, own: Own) -> RackView:
    """A complete, sensible rack for what hangs there."""
    brief = starting(body.hangs, body.tape, body.family, body.wall, own, sites)
    return view_stored(store.create(body.name or brief.item.plural.capitalize(), dump(brief)), sites)


@router.post(
    "/racks/open",
    status_code=201,
    tags=["files"],
    openapi_extra={"requestBody": {"required": True, "content": {"application/json": {"schema": {"type": "object"}}}}},
)
async def open_rackfile(request: Request, store: Store, sites: OnSite) -> RackView:
    """Open a rack file as a new rack."""
    text = await request.body()

    def opened() -> RackView:
        name, brief = read_rackfile(text)
        return view_stored(store.create(name, dump(brief)), sites)

    return await asyncio.to_thread(opened)


@router.get("/racks/{rack_id}", tags=["racks"])
def get_rack(rack_id: str, store: Store, sites: OnSite) -> RackView:
    """A rack, worked out."""
    return view_stored(store.get(rack_id), sites)


@router.get("/racks/{rack_id}/version", tags=["racks"])
def get_version(rack_id: str, store: Store, sites: OnSite, facts: KeptFacts) -> Version:
    """The newest version, the state of its wall and of its making: how a window learns that it is stale."""
    record = store.get(rack_id)
    site = sites.of(read_brief(record.brief), rack_id)
    return Version(version=record.version, site=site.state if site else "", facts=facts.newest(rack_id))


@router.get("/racks/{rack_id}/standing", tags=["racks"])
def get_standing(rack_id: str, store: Store, sites: OnSite) -> StandingView | None:
    """Where on its wall a rack could go, how it could be fixed, and how it is put up; null where it is on none."""
    done = sites.stored(store.get(rack_id))
    return view_standing(done) if done.on_wall.site else None


@router.get("/racks/{rack_id}/holes", tags=["racks"])
def get_holes(rack_id: str, store: Store, sites: OnSite) -> list[HoleTableView]:
    """The hole table of each part that has holes; of parts that are drilled alike, one."""
    return view_holes(sites.stored(store.get(rack_id)))


@router.patch("/racks/{rack_id}", tags=["racks"])
def change_rack(rack_id: str, body: Change, store: Store, sites: OnSite) -> RackView:
    """Change a rack and save it. 409 if it was changed since `base`, or would move what is made; 422 names unreadable fields.

    What says what the rack is already is no step to undo.
    """
    record = store.get(rack_id)
    before = read_brief(record.brief)
    after = amend(before, body.patch)
    if after == before and record.version == body.base:
        return view_rack(record, sites.design(before, rack_id))
    done = sites.design(after, rack_id)
    refuse_moves(done, lambda: sites.design(before, rack_id))
    return view_rack(store.save(rack_id, body.base, dump(after), describe(before, after)), done)


@router.put("/racks/{rack_id}/name", tags=["racks"])
def rename_rack(rack_id: str, body: Rename, store: Store, sites: OnSite) -> RackView:
    """Rename a rack."""
    return view_stored(store.rename(rack_id, body.base, body.name), sites)


@router.post("/racks/{rack_id}/undo", tags=["racks"])
def undo(rack_id: str, body: Base, store: Store, sites: OnSite) -> RackView:
    """Take back the last change; what was taken back can be redone, also after a restart."""
    return _moved(rack_id, body.base, -1, store, sites)


@router.post("/racks/{rack_id}/redo", tags=["racks"])
def redo(rack_id: str, body: Base, store: Store, sites: OnSite) -> RackView:
    """Bring back what was undone."""
    return _moved(rack_id, body.base, 1, store, sites)


def _moved(rack_id: str, base: int, direction: int, store: Store, sites: Sites) -> RackView:
    """A step back or ahead, unless that would move what is made."""
    before = store.get(rack_id)
    with store.changing():
        return view_unmoved(store.move(rack_id, base, direction), before, sites)


def view_unmoved(saved: Record, before: Record, sites: Sites) -> RackView:
    """A rack that was another one `before`. Raises `MadeAlready` where what is made would have to move."""
    done = sites.stored(saved)
    refuse_moves(done, lambda: sites.stored(before))
    return view_rack(saved, done)


@router.post("/racks/{rack_id}/copy", status_code=201, tags=["racks"])
def copy_rack(rack_id: str, body: Copy, store: Store, sites: OnSite) -> RackView:
    """A new rack like this one."""
    record = store.get(rack_id)
    brief = amend(read_brief(record.brief if body.brief is None else body.brief), body.patch)
    return view_stored(store.create(f"{shortened(record.name, 74)}, copy", dump(brief)), sites)


@router.delete("/racks/{rack_id}", status_code=204, tags=["racks"])
def bin_rack(rack_id: str, store: Store) -> None:
    """Put a rack in the bin, from where it can be restored."""
    store.bin(rack_id)


@router.post("/racks/{rack_id}/restore", tags=["racks"])
def restore_rack(rack_id: str, store: Store, sites: OnSite) -> RackView:
    """Take a rack out of the bin."""
    return view_stored(store.bin(rack_id, binned=False), sites)


@router.get("/racks/{rack_id}/files/{kind}", tags=["files"], response_class=Response)
def export_rack(
    rack_id: str,
    kind: Literal[
        "template.pdf",
        "sheet.pdf",
        "putting-up.pdf",
        "wall-template.pdf",
        "drawing.svg",
        "holes.csv",
        "marks.csv",
        "rack.json",
    ],
    store: Store,
    sites: OnSite,
    paper: Paper = "a4",
) -> Response:
    """The rack on paper or as a file. `paper` is for the PDFs."""
    record = store.get(rack_id)
    content, media = EXPORTS[kind](record, sites, paper)
    return attached(content, media, record.name, kind)


def attached(content: bytes | str, media: str, name: str, kind: str) -> Response:
    """A file named after its rack; PDFs open in the browser."""
    safe = "".join(c if c.isalnum() and c.isascii() else "-" for c in name.lower()).strip("-") or "rack"
    where = "inline" if kind.endswith(".pdf") else "attachment"
    return Response(content, media_type=media, headers={"content-disposition": f'{where}; filename="{safe}-{kind}"'})


@router.get("/schema/rack.json", tags=["files"])
def rack_schema() -> dict[str, object]:
    """The JSON Schema of a rack file."""
    return schema()


def _template(record: Record, sites: Sites, paper: Paper) -> tuple[bytes, str]:
    from yardcliff.exports.template import write_template  # reportlab is slow to import

    return write_template(record.name, sites.stored(record), paper), "application/pdf"


def _sheet(record: Record, sites: Sites, paper: Paper) -> tuple[bytes, str]:
    from yardcliff.exports.shopsheet import write_shopsheet  # reportlab is slow to import

    return write_shopsheet(record.name, sites.stored(record), paper), "application/pdf"


def _putting_up(record: Record, sites: Sites, paper: Paper) -> tuple[bytes, str]:
    from yardcliff.exports.wallsheet import write_wallsheet  # reportlab is slow to import

    return write_wallsheet(record.name, sites.stored(record), paper), "application/pdf"


def _wall_template(record: Record, sites: Sites, paper: Paper) -> tuple[bytes, str]:
    from yardcliff.exports.walltemplate import write_walltemplate  # reportlab is slow to import

    return write_walltemplate(record.name, sites.stored(record), paper), "application/pdf"


EXPORTS: dict[str, Callable[[Record, Sites, Paper], tuple[bytes | str, str]]] = {
    "template.pdf": _template,
    "sheet.pdf": _sheet,
    "putting-up.pdf": _putting_up,
    "wall-template.pdf": _wall_template,
    "drawing.svg": lambda record, sites, _: (write_svg(record.name, sites.stored(record)), "image/svg+xml"),
    "holes.csv": lambda record, sites, _: (write_holes(sites.stored(record)), "text/csv"),
    "marks.csv": lambda record, sites, _: (write_marks(sites.stored(record)), "text/csv"),
    "rack.json": lambda record, sites, _: (write_rackfile(record.name, sites.stored(record).brief), "application/json"),
}
