"""Looks: a thing is drawn as far as it reaches, and rests on what holds it."""

from math import cos, hypot, pi, radians, sin

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.test_scene import bounds
from tests.metric import shipped_item
from tests.strategies import ITEM_KEYS
from yardcliff.core.drawing.solids import hatch
from yardcliff.core.shapes.geometry import mirrored, points, rectangle, swapped, turned
from yardcliff.core.things.item import Item
from yardcliff.core.things.look import Look, beside, hanging, laid, lying, resting, slid, standing
from yardcliff.core.units.exact import Fraction

items = st.sampled_from(ITEM_KEYS).map(lambda key: shipped_item(key).item)
tilts = st.integers(0, 40).map(float)


def drawn(look: Look) -> tuple[float, float, float, float]:
    return bounds([list(points(path)) for path in (*look.body, *look.lines)])


def roll(radius: int) -> Item:
    mat = shipped_item("sleeping-mat").item
    half = Fraction(radius)
    return mat.model_copy(update={"left": half, "right": half, "front": 2 * half})


@given(item=items, tilt=tilts)
def test_a_look_is_drawn_as_far_as_it_says_it_reaches(item: Item, tilt: float) -> None:
    for look in (
        hanging(item),
        lying(item, tilt),
        standing(item),
        slid(item, tilt, item.across / 3),
    ):
        left, low, right, high = drawn(look)
        wide, tall = float(look.left + look.right), float(look.above + look.below)
        # Handles of curves reach a little past what they draw.
        assert left == pytest.approx(-float(look.left), abs=0.12 * wide)
        assert right == pytest.approx(float(look.right), abs=0.12 * wide)
        assert low >= -float(look.below) - 0.12 * tall
        assert high <= float(look.above) + 0.12 * tall


@given(item=items, tilt=tilts)
def test_a_laid_thing_lies_flat_and_as_long_as_it_hung(item: Item, tilt: float) -> None:
    long, tall, deep = laid(item)
    assert long == item.above + item.below
    assert tall <= deep
    assert {tall, deep} == {min(item.across, item.front), max(item.across, item.front)}
    look = lying(item, tilt)
    assert look.left == look.right == long / 2
    assert look.below == 0


@given(radius=st.integers(10, 300), tilt=tilts)
def test_a_roll_touches_the_face_and_its_rest(radius: int, tilt: float) -> None:
    low, high = resting(roll(radius), tilt)
    assert high - low == 2 * radius
    t, middle = radians(tilt), float(low) + radius
    # From the middle to the rest, a line through the corner at the tilt; the face is one radius
    # away by itself.
    assert middle * cos(t) - radius * sin(t) == pytest.approx(radius, abs=1e-3)
    role, outline = lying(roll(radius), tilt).beside[0]
    assert role == "item"
    assert min(x for x, _ in points(outline)) == pytest.approx(0, abs=1e-6)


@given(deep=st.integers(120, 400), tall=st.integers(10, 60), tilt=st.integers(1, 40).map(float))
def test_what_is_flat_lies_along_its_rest(deep: int, tall: int, tilt: float) -> None:
    board = shipped_item("bread-board").item
    flat = board.model_copy(
        update={"left": Fraction(deep, 2), "right": Fraction(deep, 2), "front": Fraction(tall)}
    )
    low, high = resting(flat, tilt)
    t = radians(tilt)
    assert low == 0
    assert float(high) == pytest.approx(deep * sin(t) + tall * cos(t), abs=1e-5)
    outline = list(points(lying(flat, tilt).beside[0][1]))
    # It lies on the rest and against the face, and reaches through neither.
    above_rest = [y * cos(t) - (x - tall * sin(t)) * sin(t) for x, y in outline]
    assert min(above_rest) == pytest.approx(0, abs=1e-6)
    assert min(x for x, _ in outline) >= -1e-6


@given(item=items, tilt=tilts, deep=st.integers(10, 200))
def test_a_slid_board_is_as_deep_in_its_slot_as_the_slot_is(
    item: Item, tilt: float, deep: int
) -> None:
    look = slid(item, tilt, Fraction(deep))
    role, slab = look.beside[-1]
    assert role == "item"
    along = [x * cos(radians(tilt)) + y * sin(radians(tilt)) for x, y in points(slab)]
    assert min(along) == pytest.approx(-deep, abs=1e-6)
    assert max(along) == pytest.approx(float(item.across) - deep, abs=1e-6)
    # What sticks out of it is outlined only where there is something.
    assert (len(look.beside) == 2) == (item.held is not None and item.held < item.front)


def test_what_stands_stands_on_its_foot_and_hangs_from_its_grip() -> None:
    lantern = shipped_item("storm-lantern").item
    assert (hanging(lantern).above, hanging(lantern).below) == (10, 330)
    assert (standing(lantern).above, standing(lantern).below) == (340, 0)
    _, low, _, _ = bounds([list(points(path)) for _, path in standing(lantern).beside])
    assert low == pytest.approx(0, abs=2)


def test_a_bicycle_is_narrow_from_the_front_and_itself_from_the_side() -> None:
    assert (beside("cycle"), beside("mug")) == ("cycle-side", "mug")
    bicycle = hanging(shipped_item("bicycle").item)
    wheels = [path for path in bicycle.body if max(abs(x) for x, _ in points(path)) < 40]
    assert len(wheels) >= 3, "two wheels and the frame between them are seen edge-on"


@given(angle=st.floats(-pi, pi), x=st.floats(-500, 500), y=st.floats(-500, 500))
def test_turning_keeps_distances_and_mirrors_undo_themselves(
    angle: float, x: float, y: float
) -> None:
    path = rectangle(x, y, 30, 20, 4)
    for before, after in zip(points(path), points(turned(path, angle)), strict=True):
        assert hypot(*after) == pytest.approx(hypot(*before), abs=1e-6)
    assert swapped(swapped(path)) == path
    assert mirrored(mirrored(path)) == path
    quarter = list(points(turned(path, pi / 2)))
    assert quarter == [pytest.approx((-b, a), abs=1e-6) for a, b in points(path)]


@given(
    corners=st.sampled_from(
        [
            [(0.0, 0.0), (40.0, 0.0), (40.0, 300.0), (0.0, 300.0)],
            [(21.0, 0.0), (21.0, -100.8), (131.3, -19.4)],
            [(0.0, 0.0), (157.6, -27.8), (160.7, -10.1), (0.0, 18.3)],
        ]
    ),
    scale=st.floats(0.5, 6),
)
def test_hatching_runs_across_an_outline_and_stays_in_it(
    corners: list[tuple[float, float]], scale: float
) -> None:
    outline = [(x * scale, y * scale) for x, y in corners]
    area = sum(
        a[0] * b[1] - b[0] * a[1] for a, b in zip(outline, [*outline[1:], outline[0]], strict=True)
    )
    for stroke in hatch(outline):
        start, end = list(points(stroke.path))
        assert start[0] + start[1] == pytest.approx(end[0] + end[1])
        for px, py in (start, end, ((start[0] + end[0]) / 2, (start[1] + end[1]) / 2)):
            for (ax, ay), (bx, by) in zip(outline, [*outline[1:], outline[0]], strict=True):
                turn = (bx - ax) * (py - ay) - (by - ay) * (px - ax)
                assert turn * (1 if area > 0 else -1) >= -1e-6 * scale * scale * 400
