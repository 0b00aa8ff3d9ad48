"""Drawings as they travel, and what every model that travels is."""

from typing import Literal

from pydantic import BaseModel, ConfigDict, Field

from yardcliff.core.shapes.scene import Role
from yardcliff.core.units.length import TapeName


class Wire(BaseModel):
    model_config = ConfigDict(frozen=True)


class BoxView(Wire):
    x0: float
    y0: float
    x1: float
    y1: float


class StrokeView(Wire):
    role: Role
    d: str = Field(description="SVG path data in mm, y up.")


class SymbolView(Wire):
    """Drawn at each of its places [x, y], from the datum on."""

    key: str
    of: Literal["item", "holder", "part", "wall"]
    strokes: list[StrokeView]
    places: list[tuple[float, float]]
    marks: list[int] = Field(
        description="The marks of the first row that its first places stand at; -1 for none alone."
    )


class DimensionView(Wire):
    axis: Literal["x", "y"]
    start: float
    end: float
    at: float
    side: int
    level: int
    text: str
    figure: str


class LabelView(Wire):
    """A word on the drawing, its baseline at (x, y)."""

    x: float
    y: float
    text: str
    role: Role
    anchor: Literal["start", "middle", "end"]


class SceneView(Wire):
    """The drawing in mm: x right from the datum, y up from the floor."""

    strokes: list[StrokeView]
    symbols: list[SymbolView]
    dimensions: list[DimensionView]
    extent: BoxView
    wall: BoxView
    labels: list[LabelView]


class NamedScene(Wire):
    """Another view of the rack: a section from the side, a plan from above."""

    key: str
    name: str
    scene: SceneView


class TapeView(Wire):
    name: TapeName
    unit: Literal["in", "mm"]
    step_mm: float
