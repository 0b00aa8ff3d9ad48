"""A drawing as it travels."""

from collections.abc import Iterable

from yardcliff.api.wire import BoxView, DimensionView, LabelView, SceneView, StrokeView, SymbolView
from yardcliff.core.shapes.geometry import svg
from yardcliff.core.shapes.scene import Box, Dimension, Scene, Stroke


def view_scene(scene: Scene) -> SceneView:
    return SceneView(
        strokes=[view_stroke(s) for s in scene.strokes],
        symbols=[
            SymbolView(
                key=s.key,
                of=s.of,
                strokes=[view_stroke(x) for x in s.strokes],
                places=list(s.places),
                marks=list(s.marks),
            )
            for s in scene.symbols
        ],
        dimensions=view_dimensions(scene.dimensions),
        extent=view_box(scene.extent),
        wall=view_box(scene.wall),
        labels=[
            LabelView(x=w.x, y=w.y, text=w.text, role=w.role, anchor=w.anchor) for w in scene.labels
        ],
    )


def view_stroke(stroke: Stroke) -> StrokeView:
    return StrokeView(role=stroke.role, d=svg(stroke.path))


def view_box(box: Box) -> BoxView:
    return BoxView(x0=box.x0, y0=box.y0, x1=box.x1, y1=box.y1)


def view_dimensions(found: Iterable[Dimension]) -> list[DimensionView]:
    return [
        DimensionView(
            axis=d.axis,
            start=d.start,
            end=d.end,
            at=d.at,
            side=d.side,
            level=d.level,
            text=d.text,
            figure=d.figure,
        )
        for d in found
    ]
