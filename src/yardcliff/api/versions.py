"""Named versions of a rack: keep one, lay two or three side by side, come back to one."""

from collections.abc import Iterator, Sequence
from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel

from yardcliff.api.deps import KeptVersions, OnSite, Speaks, Store, Supplies, Timbers
from yardcliff.api.racks import Base, RackName, view_unmoved
from yardcliff.api.scene_wire import SceneView, Wire
from yardcliff.api.tongue import Tongue
from yardcliff.api.views import view_scene
from yardcliff.api.wire import RackView
from yardcliff.core.amend import read_brief
from yardcliff.core.compare import compare
from yardcliff.core.design import Design
from yardcliff.core.errors import YardcliffError
from yardcliff.core.timber.timber import priced

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
    name: RackName


@router.get("")
def list_versions(rack_id: str, store: Store, sites: OnSite, versions: KeptVersions) -> list[VersionView]:
    """The rack as it is now, then its versions, the newest first."""
    record = store.get(rack_id)
    now = _view(NOW, "As it is now", record.updated_at, sites.stored(record))
    kept = versions.all(rack_id)
    return [now, *(_view(v.id, v.name, v.made_at, sites.design(read_brief(v.brief), rack_id)) for v in kept)]


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
def keep_version(
    rack_id: str, body: VersionName, store: Store, sites: OnSite, versions: KeptVersions
) -> list[VersionView]:
    """Keep the rack as it is now under a name."""
    versions.keep(rack_id, body.name)
    return list_versions(rack_id, store, sites, versions)


@router.get("/compare")
def compare_versions(
    rack_id: str,
    store: Store,
    sites: OnSite,
    versions: KeptVersions,
    timbers: Timbers,
    tongue: Speaks,
    ids: Annotated[list[str], Query(alias="id")],
) -> Comparison:
    """Two or three versions side by side: how they do, which is better in what, and what was decided differently."""
    if not 2 <= len(ids) <= 3:
        raise YardcliffError(f"{len(ids)} versions cannot be laid side by side: take 2 or 3.")
    briefs = [store.get(rack_id).brief if one == NOW else versions.get(rack_id, one).brief for one in ids]
    designs = [sites.design(read_brief(brief), rack_id) for brief in briefs]
    results, decisions = compare(designs)
    return Comparison(
        ids=ids,
        results=[
            *(TraitView(label=t.label, texts=list(t.texts), best=list(t.best)) for t in results),
            *_costs(designs, timbers, tongue),
        ],
        decisions=[TraitView(label=t.label, texts=list(t.texts), best=list(t.best)) for t in decisions],
    )


def _costs(designs: Sequence[Design], timbers: Supplies, tongue: Tongue) -> Iterator[TraitView]:
    """What each costs, where prices are known; the least is the best."""
    supply = timbers.supply()
    if supply.lists:
        totals = [priced(done, supply).cost.total for done in designs]
        best = [k for k, total in enumerate(totals) if total == min(totals)] if len(set(totals)) > 1 else []
        yield TraitView(label="costs", texts=[tongue.money(total, supply.currency) for total in totals], best=best)


@router.post("/{version_id}/take")
def take_version(
    rack_id: str, version_id: str, body: Base, store: Store, sites: OnSite, versions: KeptVersions
) -> RackView:
    """Make the rack what the version is; the change can be undone. 409 if it was changed since `base`."""
    version = versions.get(rack_id, version_id)
    before = store.get(rack_id)
    with store.changing():
        saved = store.save(rack_id, body.base, version.brief, f"back to “{version.name}”")
        return view_unmoved(saved, before, sites)


@router.delete("/{version_id}", status_code=204)
def forget_version(rack_id: str, version_id: str, versions: KeptVersions) -> None:
    """Let a version go; it can be brought back."""
    versions.forget(rack_id, version_id)


@router.post("/{version_id}/restore", status_code=204)
def restore_version(rack_id: str, version_id: str, versions: KeptVersions) -> None:
    """Bring back a version that was let go."""
    versions.forget(rack_id, version_id, gone=False)
