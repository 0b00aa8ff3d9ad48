"""Things that hang, put into what travels."""

from yardcliff.api.racks.wire import ItemChoice, MeasuresView
from yardcliff.api.scenes import view_stroke
from yardcliff.api.wire import BoxView, SceneView, SymbolView
from yardcliff.core.base.model import leaves
from yardcliff.core.drawing.front_view import item_strokes
from yardcliff.core.things.item import WEIGHED, Item
from yardcliff.core.things.listing import Listed, write_row
from yardcliff.core.things.look import hanging
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import given_text
from yardcliff.core.units.trade import Trade
from yardcliff.core.units.weights import load_given, weight_given


def view_listed(entry: Listed, trade: Trade, *, own: bool) -> ItemChoice:
    item = entry.item
    measures = view_measures(item)
    symbol = SymbolView(
        key="item",
        of="item",
        strokes=[view_stroke(s) for s in item_strokes(hanging(item))],
        places=[(0.0, 0.0)],
        marks=[],
    )
    columns = write_row(entry) | _in_trade(entry, trade)
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


def _in_trade(entry: Listed, trade: Trade) -> dict[str, str]:
    """The lengths and weights among its columns, as they are typed in a trade."""
    texts = {}
    for path, value in leaves(entry):
        if isinstance(value, Fraction):
            texts[path[-1]] = given_text(value, trade)
        elif isinstance(value, int) and path[-1] in WEIGHED:
            texts[path[-1]] = weight_given(value, trade)
        elif isinstance(value, int) and path[-1] == "tug_n":
            texts[path[-1]] = load_given(value, trade)
    return texts


def view_measures(item: Item) -> MeasuresView:
    box = BoxView(
        x0=-float(item.left), y0=-float(item.below), x1=float(item.right), y1=float(item.above)
    )
    return MeasuresView(
        box=box, front=float(item.front), held=None if item.held is None else float(item.held)
    )
