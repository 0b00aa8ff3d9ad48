"""Several racks at once: kept, moved, binned, exported and printed together."""

import asyncio
from dataclasses import asdict
from typing import Annotated, Literal

from fastapi import APIRouter, Query, Request, Response
from pydantic import BaseModel, Field, StringConstraints

from yardcliff.api.deps import App
from yardcliff.api.errors import several
from yardcliff.api.files import attached
from yardcliff.api.reading import unreadable
from yardcliff.api.wire import Wire
from yardcliff.app.several import Refiling, bin_racks, file_racks, move_back, move_racks
from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.design.change import dump
from yardcliff.core.ways import Brief
from yardcliff.exports.paper import Paper
from yardcliff.exports.rack_files import bound, zipped
from yardcliff.imports.rackfile import RackFileError, read_rackfile, unpacked
from yardcliff.messages import tr

router = APIRouter(prefix="/api/several", tags=["racks"])
MOST = 1000
Ids = Annotated[list[str], Field(min_length=1, max_length=MOST)]
Tag = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=24)]
Printed = Literal["template.pdf", "sheet.pdf", "putting-up.pdf"]


class RefilingJson(BaseModel):
    """What is to be otherwise in how a rack is kept; null leaves it."""

    favourite: bool | None = None
    done: bool | None = None
    tag: Tag | None = Field(None, description="One more.")
    untag: Tag | None = Field(None, description="One fewer.")


class Filing(BaseModel):
    """How racks are to be kept otherwise, by their ids."""

    racks: Annotated[dict[str, RefilingJson], Field(min_length=1, max_length=MOST)]


class Binning(BaseModel):
    racks: Ids
    binned: bool = True


class Moving(BaseModel):
    """Onto which wall; null for none."""

    racks: Ids
    wall: str | None


class Moved(Wire):
    """The racks that were moved, by their ids, with their versions after it."""

    racks: dict[str, int]


@router.patch("/filed")
def file_them(body: Filing, app: App) -> Filing:
    """Keep racks by other tags, as favourites, or as done; answers what takes just that back."""
    changes = {key: Refiling(**change.model_dump()) for key, change in body.racks.items()}
    back = file_racks(app, changes)
    return Filing(racks={key: RefilingJson(**asdict(one)) for key, one in back.items()})


@router.post("/bin", status_code=204)
def bin_them(body: Binning, app: App) -> None:
    """Put racks in the bin, or take them out of it."""
    bin_racks(app, body.racks, binned=body.binned)


@router.post("/wall")
def move_them(body: Moving, app: App) -> Moved:
    """Hang racks on a wall, each where it is still free. 409 where one is fixed already."""
    return Moved(racks={one.id: one.version for one in move_racks(app, body.racks, body.wall)})


@router.post("/wall/back", status_code=204)
def move_them_back(body: Moved, app: App) -> None:
    """Take a move back. 409 where a rack was changed since."""
    move_back(app, body.racks)


@router.post(
    "/open",
    status_code=201,
    tags=["files"],
    openapi_extra={
        "requestBody": {"required": True, "content": {"application/zip": {"schema": {}}}}
    },
)
async def open_them(request: Request, app: App) -> list[str]:
    """Open the rack files of a ZIP as new racks; answers their ids."""
    packed = await request.body()

    def opened() -> list[str]:
        found = [_read(file, text) for file, text in unpacked(packed).items()]
        with app.racks.changing():
            return [app.racks.create(name, dump(brief)).id for name, brief in found]

    return await asyncio.to_thread(opened)


def _read(file: str, text: bytes) -> tuple[str, Brief]:
    """A rack file of several. Raises `RackFileError` with its name."""
    try:
        if wrong := unreadable(text):
            raise RackFileError(several(wrong).detail)
        return read_rackfile(text)
    except YardcliffError as error:
        raise RackFileError(f"{file}: {error}") from None


@router.get("/rack-files.zip", tags=["files"], response_class=Response)
def export_them(rack: Annotated[Ids, Query()], app: App) -> Response:
    """Racks as rack files, in one ZIP."""
    found = [(record.name, app.designs.stored(record)) for record in map(app.racks.get, rack)]
    return attached(zipped(found), "application/zip", tr("api.several-racks"), "rack-files.zip")


@router.get("/print/{kind}", tags=["files"], response_class=Response)
def print_them(
    kind: Printed, rack: Annotated[Ids, Query()], app: App, paper: Paper = "a4"
) -> Response:
    """The papers of racks one behind the other, with a bookmark for each rack."""
    found = [(record.name, app.designs.stored(record)) for record in map(app.racks.get, rack)]
    return attached(bound(kind, found, paper), "application/pdf", tr("api.several-racks"), kind)
