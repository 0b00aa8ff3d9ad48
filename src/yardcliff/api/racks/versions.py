"""Named versions of a rack: keep one, lay two or three side by side, come back to one."""

from collections.abc import Iterator, Sequence
from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel

from yardcliff.api.changes import Base, SheetName
from yardcliff.api.deps import App, AskedLocale
from yardcliff.api.racks.views import view_rack
from yardcliff.api.racks.wire import RackView
from yardcliff.api.scenes import view_scene
from yardcliff.api.wire import SceneView, Wire
from yardcliff.app.application import Application
from yardcliff.app.locale import UserLocale
from yardcliff.app.rack_changes import take_version
from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.design.change import read_brief
from yardcliff.core.design.comparison import compare
from yardcliff.core.design.rack_design import Design
from yardcliff.core.wood.rack_timber import priced
from yardcliff.messages import tr

router = APIRouter(prefix="/api/racks/{rack_id}/versions", tags=["versions"])
NOW = "now"
"""Stands for the rack as it is, where a version's id is asked for."""


class VersionView(Wire):
    """A version, or the rack as it is now (id "now")."""

    id: str
    name: str
    made_at: str
    says: str
    size: str
    scene: SceneView


class TraitView(Wire):
    """One line of the table; `best` holds the columns that are better than the others."""

    label: str
    texts: list[str]
    best: list[int]


class Comparison(Wire):
    ids: list[str]
    results: list[TraitView]
    decisions: list[TraitView]


class VersionName(BaseModel):
    name: SheetName


@router.get("")
def list_versions(rack_id: str, app: App) -> list[VersionView]:
    """The rack as it is now, then its versions, the newest first."""
    record = app.racks.get(rack_id)
    now = _view(NOW, tr("api.as-it-is-now"), record.updated_at, app.designs.stored(record))
    kept = app.versions.all(rack_id)
    return [
        now,
        *(
            _view(v.id, v.name, v.made_at, app.designs.design(read_brief(v.brief), rack_id))
            for v in kept
        ),
    ]


def _view(version_id: str, name: str, made_at: str, done: Design) -> VersionView:
    return VersionView(
        id=version_id,
        name=name,
        made_at=made_at,
        says=done.rack.says,
        size=done.tape.write(done.rack.row.length),
        scene=view_scene(done.scene),
    )


@router.post("", status_code=201)
def keep_version(rack_id: str, body: VersionName, app: App) -> list[VersionView]:
    """Keep the rack as it is now under a name."""
    app.versions.keep(rack_id, body.name)
    return list_versions(rack_id, app)


@router.get("/compare")
def compare_versions(
    rack_id: str, app: App, locale: AskedLocale, ids: Annotated[list[str], Query(alias="id")]
) -> Comparison:
    """Two or three versions side by side: how they do, which is better in what, and what was
    decided differently.
    """
    if not 2 <= len(ids) <= 3:
        raise YardcliffError(tr("api.versions-cannot-be-laid-side-by", count=len(ids)))
    briefs = [
        app.racks.get(rack_id).brief if one == NOW else app.versions.get(rack_id, one).brief
        for one in ids
    ]
    designs = [app.designs.design(read_brief(brief), rack_id) for brief in briefs]
    results, decisions = compare(designs)
    return Comparison(
        ids=ids,
        results=[
            *(TraitView(label=t.label, texts=list(t.texts), best=list(t.best)) for t in results),
            *_costs(designs, app, locale),
        ],
        decisions=[
            TraitView(label=t.label, texts=list(t.texts), best=list(t.best)) for t in decisions
        ],
    )


def _costs(designs: Sequence[Design], app: Application, locale: UserLocale) -> Iterator[TraitView]:
    """What each costs, where prices are known; the least is the best."""
    supply = app.supplies.supply()
    if supply.lists:
        totals = [priced(done, supply).cost.total for done in designs]
        best = (
            [k for k, total in enumerate(totals) if total == min(totals)]
            if len(set(totals)) > 1
            else []
        )
        yield TraitView(
            label="costs",
            texts=[locale.money(total, supply.currency) for total in totals],
            best=best,
        )


@router.post("/{version_id}/take")
def take(rack_id: str, version_id: str, body: Base, app: App) -> RackView:
    """Make the rack what the version is; the change can be undone. 409 if it was changed since
    `base`.
    """
    return view_rack(*take_version(app, rack_id, body.base, version_id))


@router.delete("/{version_id}", status_code=204)
def forget_version(rack_id: str, version_id: str, app: App) -> None:
    """Let a version go; it can be brought back."""
    app.versions.forget(rack_id, version_id)


@router.post("/{version_id}/restore", status_code=204)
def restore_version(rack_id: str, version_id: str, app: App) -> None:
    """Bring back a version that was let go."""
    app.versions.forget(rack_id, version_id, gone=False)
