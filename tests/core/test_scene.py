"""The drawing holds what the rack is: true to scale, all of it inside its extent."""

import pytest
from hypothesis import given

from tests.cases import cases
from tests.metric import starting_brief
from tests.strategies import ITEM_KEYS, briefs
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import design
from yardcliff.core.shapes.geometry import circle, in_mm, parse, points, rectangle, svg
from yardcliff.core.things.look import silhouette
from yardcliff.core.units.exact import Fraction
from yardcliff.core.ways import Brief
from yardcliff.data import table


def bounds(paths: list[list[tuple[float, float]]]) -> tuple[float, float, float, float]:
    xs = [x for path in paths for x, _ in path]
    ys = [y for path in paths for _, y in path]
    return min(xs), min(ys), max(xs), max(ys)


@pytest.mark.parametrize("key", ITEM_KEYS)
def test_a_silhouette_fills_the_measures_of_its_item(key: str) -> None:
    row = next(row for row in table("items") if row["key"] == key)
    body, _ = silhouette(row["shape"], 70, 110, 30, 400)
    low_x, low_y, high_x, high_y = bounds([list(points(path)) for path in body])
    assert low_x == pytest.approx(-70, rel=0.1)
    assert high_x == pytest.approx(110, rel=0.1)
    assert low_y == pytest.approx(-400, rel=0.06)
    assert high_y <= 31


def test_a_wider_item_is_drawn_wider() -> None:
    start = starting_brief("enamel-mug", 3, "1 mm")
    wide = design(amend(start, {"item": {"width": "140 mm"}})).scene
    plain = design(start).scene
    assert wide.symbols[0].strokes != plain.symbols[0].strokes
    assert wide.extent.x1 - wide.extent.x0 > plain.extent.x1 - plain.extent.x0


@given(brief=briefs)
@cases(100)
def test_places_stand_at_the_axes_and_dimensions_measure_them(brief: Brief) -> None:
    done = design(brief)
    items = [symbol for symbol in done.scene.symbols if symbol.of == "item"]
    rows = done.rack.rows
    assert [
        place for symbol in done.scene.symbols if symbol.of == "holder" for place in symbol.places
    ] == [
        tuple(map(in_mm, (one.x, one.y + axis) if one.up else (one.x + axis, one.y)))
        for one in rows
        for axis in one.row.axes
    ]
    hung = sorted(place for item in items for place in item.places)
    # Matched uprights hold one thing together.
    matched = done.rack.up and brief.family != "angled-rail"
    assert len(hung) == sum(one.row.count for one in (rows[:1] if matched else rows))
    if not done.rack.up:
        assert [x for x, _ in hung] == sorted(
            in_mm(one.x + centre) for one in rows for centre in one.row.centres
        )
    for dimension in done.scene.dimensions:
        if dimension.figure == "row.length":
            assert dimension.end - dimension.start == pytest.approx(float(done.rack.row.length))
        if dimension.figure == "hung":
            assert (dimension.start, dimension.end) == (0, float(brief.hung))
        if dimension.figure == "item" and not done.rack.up:  # of a thing that hangs just above it
            lowest = min(rows, key=lambda one: one.y)
            assert dimension.start in {
                float(lowest.x + centre - thing.reach.left)
                for thing, centre in zip(lowest.row.things, lowest.row.centres, strict=True)
            }
        # What is written is the span that is drawn, on this tape.
        drawn = Fraction(round((dimension.end - dimension.start) * 10**6), 10**6)
        assert abs(done.tape.round(drawn) - drawn) <= done.tape.step / 2
    box, wall = done.scene.extent, done.scene.wall
    assert wall.x0 < box.x0 < box.x1 < wall.x1
    assert wall.y0 == 0


def test_a_gap_below_is_the_lowest_rows_and_has_no_other_rows_working() -> None:
    rows = {"count": 2, "own": [{"kind": "="}, {"kind": "", "count": 4}]}
    glasses = amend(
        starting_brief("stem-glass", 5, "1 mm"), {"row": {"length": "800 mm"}, "rows": rows}
    )
    # Four glasses of 84, 200 apart: the first from 58 to 142. Those above have gaps of 76.
    assert [
        (one.start, one.end, one.text, one.figure)
        for one in design(glasses).scene.dimensions
        if (one.axis, one.side) == ("x", -1)
    ] == [(142, 258, "116 mm", ""), (58, 142, "84 mm", "item")]


def test_the_datum_corner_is_red_at_the_left_top_of_the_board() -> None:
    done = design(starting_brief("towel", 2, "1 mm"))
    board = done.rack.parts[0]
    datum = next(stroke for stroke in done.scene.strokes if stroke.role == "datum")
    assert next(points(datum.path)) == (0, float(board.y + board.height))


def test_paths_are_written_as_svg_and_read_back() -> None:
    path = rectangle(1, 2, 30, 40, 5)
    text = svg(path)
    assert text.startswith("M6 2 L26 2 C")
    assert text.endswith("Z")
    assert svg(parse("M 1 2 L 3.5 4 Z")) == "M1 2 L3.5 4 Z"
    assert svg(rectangle(0, 0, 2, 1)) == "M0 0 L2 0 L2 1 L0 1 Z"
    assert bounds([list(points(circle(10, 10, 4)))]) == (6, 6, 14, 14)
