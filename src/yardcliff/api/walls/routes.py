"""Walls: survey one, change it, undo, bin; which racks are on it, and where another could go."""

from typing import Annotated

from fastapi import APIRouter, Query

from yardcliff.api.changes import Change, DoneView, Rename, SheetName, Steps, view_history
from yardcliff.api.deps import App, AskedLocale
from yardcliff.api.racks.new import Begin
from yardcliff.api.scenes import view_scene
from yardcliff.api.walls.wire import WallChoice, WallDesign, WallRack, WallView
from yardcliff.api.wire import BoxView, TapeView
from yardcliff.app.application import Application
from yardcliff.app.several import onto_wall
from yardcliff.core.base.model import leaves
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.wall.amending import amend_wall, describe_wall, dump_wall, read_wall
from yardcliff.core.wall.drawn import wall_scene
from yardcliff.core.wall.survey import area
from yardcliff.core.wall.wall import Wall, makeup_name
from yardcliff.messages import tr
from yardcliff.store.sheets import Record

router = APIRouter(prefix="/api/walls", tags=["walls"])


class NewWall(Begin):
    """A wall to survey: begins as a typical one."""

    name: SheetName


def _view(record: Record, app: Application) -> WallView:
    wall = read_wall(record.brief)
    tape = wall.in_hand
    on = [(one, app.designs.stored(one)) for one in app.racks.on_wall(record.id)]
    return WallView(
        id=record.id,
        name=record.name,
        version=record.version,
        undo=record.undo,
        redo=record.redo,
        deleted=record.deleted_at is not None,
        design=WallDesign(
            survey=wall,
            fields=_fields(wall, tape),
            tape=TapeView(name=tape.name, unit=tape.unit, step_mm=float(tape.step)),
            assumed=wall.assumed,
            studs=[tape.write(at) for at in wall.stud_middles],
            areas=[
                BoxView(x0=float(a.x0), y0=float(a.y0), x1=float(a.x1), y1=float(a.y1))
                for a in map(area, wall.obstacles)
            ],
            scene=view_scene(
                wall_scene(wall, [(done.brief.place.x, done.scene) for _, done in on], tape)
            ),
        ),
        racks=[
            WallRack(
                id=record.id,
                name=record.name,
                says=done.rack.says,
                x=tape.write(done.brief.place.x),
                hung=tape.write(done.brief.hung),
                to_settle=sum(finding.severity != "note" for finding in done.findings),
            )
            for record, done in on
        ],
    )


def _fields(wall: Wall, tape: Tape) -> dict[str, str]:
    """Dotted path -> text of every length of the survey."""
    texts = {
        ".".join(path): tape.write_given(value)
        for path, value in leaves(wall)
        if isinstance(value, Fraction)
    }
    lists = {"obstacles": wall.obstacles, "old": wall.old}
    for name, entries in lists.items():
        for k, entry in enumerate(entries):
            for path, value in leaves(entry):
                if isinstance(value, Fraction):
                    texts[f"{name}.{k}.{path[0]}"] = tape.write_given(value)
    return texts


@router.get("")
def list_walls(app: App, binned: Annotated[bool, Query(alias="bin")] = False) -> list[WallView]:
    """Every surveyed wall with the racks on it, last changed first; `bin=true` lists the bin."""
    return [_view(record, app) for record in app.walls.all(deleted=binned)]


@router.post("", status_code=201)
def make_wall(body: NewWall, app: App, locale: AskedLocale) -> WallView:
    """A typical wall, to be surveyed."""
    tape = body.in_hand(app, locale)
    wall = Wall.usual(tape.trade, trade=tape.trade, tape=tape.name)
    return _view(app.walls.create(body.name, dump_wall(wall)), app)


@router.get("/for/{rack_id}")
def walls_for(rack_id: str, app: App) -> list[WallChoice]:
    """The walls that a rack could hang on, each with the patch that puts it there, in the middle of
    the widest stretch that is free.
    """
    record = app.racks.get(rack_id)
    found = []
    for wall in app.walls.all():
        patch, done = onto_wall(app, record, wall.id)
        site = done.on_wall.site
        assert site
        others = len(site.neighbours)
        found.append(
            WallChoice(
                id=wall.id,
                name=wall.name,
                says=tr(
                    "api.wide",
                    width=done.tape.write(site.wall.width),
                    makeup=makeup_name(site.wall.makeup),
                    others=tr("api.on-it", count=others) if others else tr("api.free"),
                ),
                patch=patch,
            )
        )
    return found


@router.get("/{wall_id}")
def get_wall(wall_id: str, app: App) -> WallView:
    """A wall with its racks."""
    return _view(app.walls.get(wall_id), app)


@router.patch("/{wall_id}")
def change_wall(wall_id: str, body: Change, app: App) -> WallView:
    """Change a survey and save it. 409 if it was changed since `base`; 422 names
    unreadable fields.
    """
    record = app.walls.get(wall_id)
    before = read_wall(record.brief)
    after = amend_wall(before, body.patch)
    if after == before and record.version == body.base:
        return _view(record, app)
    return _view(
        app.walls.save(wall_id, body.base, dump_wall(after), describe_wall(before, after)), app
    )


@router.put("/{wall_id}/name")
def rename_wall(wall_id: str, body: Rename, app: App) -> WallView:
    """Rename a wall."""
    return _view(app.walls.rename(wall_id, body.base, body.name), app)


@router.get("/{wall_id}/history")
def get_wall_history(wall_id: str, app: App) -> list[DoneView]:
    """What can be taken back of a survey, or brought again; the newest first."""
    return view_history(app.walls, wall_id)


@router.post("/{wall_id}/undo")
def undo_wall(wall_id: str, body: Steps, app: App) -> WallView:
    """Take back the last changes of a survey."""
    return _view(app.walls.move(wall_id, body.base, -body.steps), app)


@router.post("/{wall_id}/redo")
def redo_wall(wall_id: str, body: Steps, app: App) -> WallView:
    """Bring back what was undone."""
    return _view(app.walls.move(wall_id, body.base, body.steps), app)


@router.delete("/{wall_id}", status_code=204)
def bin_wall(wall_id: str, app: App) -> None:
    """Put a wall in the bin; its racks stay on it, and it can be restored."""
    app.walls.bin(wall_id)


@router.post("/{wall_id}/restore")
def restore_wall(wall_id: str, app: App) -> WallView:
    """Take a wall out of the bin."""
    return _view(app.walls.bin(wall_id, binned=False), app)
