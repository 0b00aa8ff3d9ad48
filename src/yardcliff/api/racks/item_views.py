"""Things that hang, put into what travels."""

from yardcliff.api.racks.wire import ItemChoice, MeasuresView
from yardcliff.api.scenes import view_stroke
from yardcliff.api.wire import BoxView, SceneView, SymbolView
from yardcliff.core.drawing.front_view import item_strokes
from yardcliff.core.things.item import Item
from yardcliff.core.things.listing import Listed, write_row
from yardcliff.core.things.look import hanging


def view_listed(entry: Listed, *, own: bool) -> ItemChoice:
    item = entry.item
    measures = view_measures(item)
    symbol = SymbolView(
        key="item",
        of="item",
        strokes=[view_stroke(s) for s in item_strokes(hanging(item))],
        places=[(0.0, 0.0)],
    )
    columns = write_row(entry)
    return ItemChoice(
        key=entry.key,
        group=entry.group,
        own=own,
        name=item.name,
        plural=item.plural,
        patch=item.model_dump(mode="json"),
        air=columns["air"],
        columns=columns,
        measures=measures,
        scene=SceneView(
            strokes=[],
            symbols=[symbol],
            dimensions=[],
            extent=measures.box,
            wall=measures.box,
            labels=[],
        ),
    )


def view_measures(item: Item) -> MeasuresView:
    box = BoxView(
        x0=-float(item.left), y0=-float(item.below), x1=float(item.right), y1=float(item.above)
    )
    return MeasuresView(
        box=box, front=float(item.front), held=None if item.held is None else float(item.held)
    )
