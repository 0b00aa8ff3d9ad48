"""What there is to choose from: items, holders, boards, and the schools of spacing with reasons."""

from functools import cache
from typing import Any

from fastapi import APIRouter
from pydantic import Field, TypeAdapter

from yardcliff.api.views import SceneView, Wire, view_scene
from yardcliff.core.design import design
from yardcliff.core.families.rail import Board, Holder, starting_brief, table_values
from yardcliff.core.findings import Patch
from yardcliff.core.item import Item
from yardcliff.core.row_figures import END_REASONS, SPACING_REASONS
from yardcliff.core.scene import Box
from yardcliff.data import table

router = APIRouter(prefix="/api", tags=["catalogue"])


class ItemChoice(Wire):
    """A typical item: its measures as a patch for `item`, and its figure at true size."""

    key: str
    name: str
    plural: str
    patch: Patch
    air: str
    scene: SceneView


class Choice(Wire):
    """Something to pick, and the patch that picks it or the reason to."""

    key: str
    name: str
    why: str = ""
    patch: Patch = Field(default_factory=dict)


class Catalogue(Wire):
    items: list[ItemChoice]
    holders: list[Choice]
    gauges: list[str]
    boards: list[Choice]
    ends: list[Choice]
    spacings: list[Choice]


@router.get("/catalogue")
def get_catalogue() -> Catalogue:
    """The shipped catalogue. Sizes are typical ones of our own: measured ones beat them."""
    return _catalogue()


@cache
def _catalogue() -> Catalogue:
    return Catalogue(
        items=[_item(row) for row in table("items")],
        holders=_choices("holders", TypeAdapter(Holder)),
        gauges=[row["gauge"] for row in table("screws")],
        boards=_choices("boards", TypeAdapter(Board)),
        ends=[Choice(key=key, name=name, why=why) for key, (name, why) in END_REASONS.items()],
        spacings=[Choice(key=key, name=name, why=why) for key, (name, why) in SPACING_REASONS.items()],
    )


def _choices(name: str, model: TypeAdapter[Any]) -> list[Choice]:
    """The rows of a table with their values as a brief holds them, so that a client can compare."""
    return [
        Choice(key=row["key"], name=row["name"], patch=_as_stored(model, table_values(name, row["key"])))
        for row in table(name)
    ]


def _as_stored(model: TypeAdapter[Any], values: Patch) -> Patch:
    stored: Patch = model.dump_python(model.validate_python(values), mode="json")
    return stored


def _item(row: dict[str, Any]) -> ItemChoice:
    brief = starting_brief(row["key"], 1, "1 mm")
    scene = design(brief).scene
    item = brief.item
    box = Box(-float(item.left), -float(item.below), float(item.right), float(item.above))
    view = view_scene(scene)
    alone = view.model_copy(
        update={
            "strokes": [],
            "dimensions": [],
            "symbols": [s.model_copy(update={"places": [(0.0, 0.0)]}) for s in view.symbols if s.of == "item"],
            "extent": view.extent.model_copy(update={"x0": box.x0, "y0": box.y0, "x1": box.x1, "y1": box.y1}),
        }
    )
    return ItemChoice(
        key=row["key"],
        name=row["name"],
        plural=row["plural"],
        air=row["air"],
        scene=alone,
        patch=_as_stored(TypeAdapter(Item), {k: v for k, v in row.items() if k in Item.model_fields}),
    )
