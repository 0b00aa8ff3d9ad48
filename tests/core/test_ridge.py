"""The angled rail: boards that meet at an angle, pegs that fan out from them, and the bracket that
hooks behind them.
"""

from itertools import product
from math import atan2, cos, hypot, radians, sin, tan

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from tests.core.test_uprights import codes, figures
from tests.features import step
from tests.metric import shipped_item, starting
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import design
from yardcliff.core.findings.finding import Patch
from yardcliff.core.rack import Kind, Part, Rack
from yardcliff.core.shapes.geometry import points
from yardcliff.core.units.exact import Fraction
from yardcliff.core.ways import Brief, build
from yardcliff.core.ways.ridge import HOLLOW

CUPS = starting([(shipped_item("tin-cup"), 7)], "1 mm", "angled-rail")
angles = st.integers(60, 150)


def corners(part: Part) -> list[tuple[float, float]]:
    return [(float(a), float(b)) for a, b in part.profile]


def test_an_angled_rail_fans_out_from_its_ridge() -> None:
    rack = build(CUPS)
    assert not rack.findings
    left, right = (row.row for row in rack.rows)
    # Four on the left, 120 apart, and three on the right, each half-way between two of them.
    assert (left.axes, right.axes) == ((60, 180, 300, 420), (120, 240, 360))
    known = figures(CUPS)
    # At 90° the ridge of boards of 90 stands 90 / √2 out; of its hollow, 63.64 - 21 √2, half is the
    # bracket's depth.
    expected = {
        "overall": 127.279,
        "angled.off": 63.640,
        "angled.inner": 48,
        "angled.hollow": 33.941,
    }
    assert {key: float(known[key]) for key in expected} == pytest.approx(expected, abs=1e-3)
    assert known["angled.peg"] == "45°"
    # What hangs is as far to the left of the ridge as to the right, 0.6 of the peg from its face.
    ridge = known["overall"] / 2
    aside = 90 * sin(radians(45)) / 2 + 0.6 * 60 * cos(radians(10)) * sin(radians(45))
    assert {round(float(hung.x - ridge), 3) for hung in rack.hung} == {
        -round(aside, 3),
        round(aside, 3),
    }
    assert float(known["angled.apart"]) == pytest.approx(2 * aside, abs=1e-5)


@pytest.mark.parametrize("angle", [60, 75, 90, 120, 150])
def test_boards_at_an_angle_are_as_thick_as_they_are_and_lie_on_the_wall(angle: int) -> None:
    brief = amend(
        starting([(shipped_item("key-bunch"), 5)], "1 mm", "angled-rail"),
        {"angled": {"angle": angle}, "board": {"height": "120 mm"}},
    )
    rack = build(brief)
    half = radians(angle / 2)
    for board in (rack.part("left-board"), rack.part("right-board")):
        # Outer ridge, inner ridge, and the two corners on the wall.
        (x0, z0), (x1, z1), (x2, z2), (x3, z3) = ((float(x), float(z)) for x, z in board.profile)
        assert (x0, z2, z3) == (x1, 0, 0)
        assert hypot(x3 - x0, z3 - z0) == pytest.approx(120, abs=1e-5)
        assert (z0 - z1) * sin(half) == pytest.approx(21, abs=1e-5)
        assert abs(x3 - x2) * cos(half) == pytest.approx(21, abs=1e-5)
        assert (board.face_width, board.thickness) == (120, 21)
    # The bracket's front edges lie on the boards' backs.
    bracket, inner = rack.part("rail-bracket"), rack.part("left-board").profile
    at = (bracket.x - inner[2][0]) / (inner[1][0] - inner[2][0]) * inner[1][1]
    assert float(at) == pytest.approx(float(bracket.depth), abs=1e-4)


def test_an_angled_rail_takes_its_own_count_on_the_right() -> None:
    cups = starting([(shipped_item("tin-cup"), 6)], "1 mm", "angled-rail")
    assert cups.angled.right == "as many"  # type: ignore[union-attr]
    assert [row.row.count for row in build(cups).rows] == [3, 3]
    fewer, opposite, none = (
        amend(cups, {"angled": {"right": way}}) for way in ("one fewer", "opposite", "none")
    )
    assert [row.row.count for row in build(fewer).rows] == [3, 2]
    left, right = build(opposite).rows
    assert left.row is right.row
    assert [row.row.count for row in build(none).rows] == [3]
    assert (
        len(build(amend(cups, {"row": {"count": 1}, "angled": {"right": "one fewer"}})).hung) == 1
    )


@given(
    angle=angles,
    wide=st.integers(60, 240),
    thick=st.integers(9, 30),
    long=st.integers(5, 200),
    caps=st.sampled_from(["over", "inside", "none"]),
)
@cases(120)
def test_a_bracket_hooks_on_its_slant_and_is_lifted_off_within_the_rail(
    angle: int, wide: int, thick: int, long: int, caps: str
) -> None:
    asked: Patch = {"angled": {"angle": angle, "bracket": f"{long} mm", "caps": caps}}
    rack = build(
        amend(CUPS, asked | {"board": {"height": f"{wide} mm", "thickness": f"{thick} mm"}})
    )
    said = {finding.code for finding in rack.findings}
    halves = [part for part in rack.parts if part.key.endswith("bracket")]
    assert bool(halves) == (float(figures_of(rack)["angled.hollow"]) > 0)
    assert ("angled.hollow" in said) == (figures_of(rack)["angled.hollow"] < HOLLOW.metric)
    if not halves:
        return
    rail, wall = halves
    # The slant rises from the wall to the room by as much as the bracket is deep: both halves lie
    # on one line.
    (z0, y0), (z1, y1) = corners(rail)[:2]
    assert (z0, z1) == (0, pytest.approx(float(rail.depth)))
    assert y1 - y0 == pytest.approx(float(rail.depth), abs=1e-5)
    assert {(z0, y0), (z1, y1)} < set(corners(wall))
    # Lifted by that much it passes over the other half; the hollow has room for that, or it is
    # said.
    lowest = min(y for _, y in corners(wall))
    board = rack.part("left-board")
    free = float(rack.row.length - (2 * rack.part("cap-1").height if caps == "inside" else 0))
    foot = float(board.y) + (float(rack.row.length) - free) / 2
    assert lowest - float(rail.depth) >= foot - 1e-5 or "angled.bracket" in said
    # Its front edges touch the backs of both boards: the hollow is as wide there as the bracket.
    back = float(figures_of(rack)["angled.hollow"])
    assert float(rail.length) == pytest.approx(
        2 * (back - float(rail.depth)) * tan(radians(angle / 2)), abs=1e-4
    )


def figures_of(rack: Rack) -> dict[str, Fraction]:
    return {
        figure.key: figure.value for figure in rack.figures if isinstance(figure.value, Fraction)
    }


def test_caps_cover_the_ends_or_are_let_in_flush() -> None:
    over, inside = (
        build(amend(CUPS, {"angled": {"caps": caps, "cap": "12 mm"}}))
        for caps in ("over", "inside")
    )
    for rack, low, high in ((over, -12, 0), (inside, 0, -12)):
        board, first, last = rack.part("left-board"), rack.part("cap-1"), rack.part("cap-2")
        assert (first.y - board.y, last.y - board.y - board.height) == (low, high)
        assert first.height == last.height == 12
    assert float(over.part("cap-1").depth) == pytest.approx(float(figures_of(over)["angled.off"]))
    assert float(inside.part("cap-1").depth) == pytest.approx(
        float(figures_of(inside)["angled.hollow"])
    )
    assert not [
        part for part in build(amend(CUPS, {"angled": {"caps": "none"}})).parts if "cap" in part.key
    ]


@given(angle=angles, showing=st.integers(20, 160), tilt=st.integers(0, 30))
@cases(60)
def test_from_above_pegs_stand_square_on_their_boards_with_their_holes_inside(
    angle: int, showing: int, tilt: int
) -> None:
    holder: Patch = {"showing": f"{showing} mm", "tilt": tilt, "depth": "12 mm"}
    done = design(
        amend(CUPS, {"angled": {"angle": angle}, "holder": holder, "board": {"height": "120 mm"}})
    )
    assert done.plan
    boards = [list(points(stroke.path)) for stroke in done.plan.strokes if stroke.role == "board"][
        -2:
    ]
    pegs = [list(points(stroke.path)) for stroke in done.plan.strokes if stroke.role == "holder"]
    holes = [
        list(points(stroke.path)) for stroke in done.plan.strokes if stroke.role == "holder-line"
    ]
    assert len(pegs) == len(holes) == len(boards) == 2
    for peg, board in zip(pegs, boards, strict=True):
        (x0, y0), (x1, y1), *_ = peg
        out = (x1 - x0, y1 - y0)
        face = (board[-1][0] - board[0][0], board[-1][1] - board[0][1])
        assert out[0] * face[0] + out[1] * face[1] == pytest.approx(
            0, abs=1e-3 * hypot(*out) * hypot(*face)
        )
        assert hypot(*out) == pytest.approx(showing * cos(radians(tilt)))
        # Away from the wall, which is above.
        assert out[1] < 0
    for hole, board in zip(holes, boards, strict=True):
        assert all(inside(board, x, y) for x, y in hole)


def inside(shape: list[tuple[float, float]], x: float, y: float) -> bool:
    """Whether a point lies in a convex outline, or on it."""
    sides = [
        (b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0])
        for a, b in zip(shape, [*shape[1:], shape[0]], strict=True)
    ]
    return all(side >= -1e-3 for side in sides) or all(side <= 1e-3 for side in sides)


@given(angle=angles, tilt=st.integers(0, 30))
def test_a_leaning_peg_is_seen_from_the_front_as_far_aside_as_it_reaches(
    angle: int, tilt: int
) -> None:
    done = design(
        amend(CUPS, {"angled": {"angle": angle}, "holder": {"tilt": tilt, "showing": "70 mm"}})
    )
    aside = 70 * cos(radians(tilt)) * cos(radians(angle / 2))
    rise = 70 * sin(radians(tilt))
    left, right = (symbol for symbol in done.scene.symbols if symbol.of == "holder")
    for symbol, side in ((left, -1), (right, 1)):
        shaft, end = (
            list(points(stroke.path)) for stroke in symbol.strokes if stroke.role == "holder"
        )
        xs, ys = zip(*shaft, strict=True)
        # The shaft's far corners are half a peg to each side of its tip.
        assert (sum(xs) / 2, sum(ys) / 2) == (pytest.approx(side * aside), pytest.approx(rise))
        assert hypot(shaft[0][0], shaft[0][1]) == pytest.approx(8)
        # Its end is as wide as the peg across its way.
        turn = atan2(rise, side * aside)
        across = [-(x - side * aside) * sin(turn) + (y - rise) * cos(turn) for x, y in end]
        assert max(across) - min(across) == pytest.approx(16)
    assert [len(symbol.places) for symbol in (left, right)] == [4, 3]


@given(
    count=st.integers(1, 8),
    air=st.integers(0, 60),
    showing=st.integers(20, 150),
    angle=angles,
    right=st.sampled_from(["one fewer", "as many", "opposite", "none"]),
)
@cases(150)
def test_both_sides_pass_one_another_before_the_ridge_or_it_is_said(
    count: int, air: int, showing: int, angle: int, right: str
) -> None:
    row: Patch = {"count": count, "air": f"{air} mm"}
    asked = {
        "angled": {"right": right, "angle": angle},
        "holder": {"showing": f"{showing} mm"},
        "row": row,
    }
    rack = build(amend(CUPS, asked))
    sides: list[list[tuple[Fraction, Fraction, Fraction, Fraction]]] = [[], []]
    for one in rack.hung:
        item = rack.kinds[one.kind]
        sides[one.row].append(
            (one.x - item.left, one.x + item.right, one.y - item.below, one.y + item.above)
        )
    near = any(
        a[0] < b[1] + air and b[0] < a[1] + air and a[2] < b[3] + air and b[2] < a[3] + air
        for a, b in product(*sides)
    )
    assert near == ("angled.meet" in {finding.code for finding in rack.findings})


def test_cups_that_reach_below_the_foot_are_not_level_with_anything_for_that() -> None:
    # 60 from the foot a cup of 95 reaches below it; its neighbours on the right hang wholly above
    # it.
    low = amend(
        CUPS,
        {
            "row": {"count": 1, "pitch": None},
            "angled": {"right": "one fewer"},
            "holder": {"showing": "30 mm"},
        },
    )
    assert "angled.meet" not in codes(low)
    apart = amend(
        CUPS, {"row": {"spacing": "set", "pitch": "260 mm"}, "holder": {"showing": "30 mm"}}
    )
    assert "angled.meet" not in codes(apart)
    assert "angled.meet" in codes(amend(apart, {"angled": {"right": "opposite"}}))


@pytest.mark.parametrize(("wide", "pegs"), [("80 mm", ["Pegs 140 mm long"]), ("82 mm", [])])
def test_no_peg_is_offered_that_is_in_the_way_of_who_passes(wide: str, pegs: list[str]) -> None:
    brief = amend(CUPS, {"item": {"left": wide, "right": wide}, "angled": {"right": "opposite"}})
    (finding,) = [one for one in build(brief).findings if one.code == "angled.meet"]
    *long, left = finding.fixes
    assert [fix.label for fix in long] == pegs
    assert left.label == "All 8 on the left"
    settled = build(amend(brief, left.patch))
    assert (len(settled.hung), codes(amend(brief, left.patch))) == (8, set())


def test_without_one_pitch_the_right_hangs_opposite_and_it_is_said() -> None:
    airy = amend(CUPS, {"row": {"spacing": "air"}})
    left, right = build(airy).rows
    assert left.row is right.row
    (finding,) = [one for one in build(airy).findings if one.code == "angled.pitch"]
    assert codes(amend(airy, finding.fixes[0].patch)) <= {"angled.meet"}
    assert [row.row.count for row in build(amend(airy, finding.fixes[1].patch)).rows] == [4]
    two = starting([(shipped_item("tin-cup"), 2)], "1 mm", "angled-rail")
    assert [row.row.count for row in build(two).rows] == [1, 1]
    assert "angled.pitch" not in codes(two)


@pytest.mark.parametrize(
    ("patch", "value", "fixes"),
    [
        # Inner face of 48: 40 of magnet leaves 4 on each side, 36 the 6 that it wants.
        ({"angled": {"magnet": "40 mm"}}, 4, ["A magnet of 36 mm", "No magnet"]),
        # The lowest peg on the right at 120, its mouth of 16.2: 60 - 8.1 - 10.
        (
            {"angled": {"magnet": "20 mm"}, "board": {"thickness": "3.5 mm"}},
            Fraction("3.5"),
            ["No magnet"],
        ),
    ],
)
def test_a_magnet_has_wood_around_it_and_a_skin(
    patch: Patch, value: Fraction, fixes: list[str]
) -> None:
    (finding,) = [one for one in build(amend(CUPS, patch)).findings if one.code == "angled.magnet"]
    assert isinstance(finding.value, Fraction)
    assert float(finding.value) == pytest.approx(float(value), abs=0.01)
    assert [fix.label for fix in finding.fixes] == fixes


@pytest.mark.parametrize(
    ("right", "board", "up"), [("one fewer", "right-board", 60), ("none", "left-board", 30)]
)
def test_a_magnet_is_let_in_where_its_figure_says(right: str, board: str, up: int) -> None:
    brief: Brief = amend(CUPS, {"angled": {"magnet": "15 mm", "right": right}})
    recess = step(build(brief).machining, Kind.MAGNET_RECESS)
    assert (recess.parts, recess.depth, recess.web) == ((board,), 19, 2)
    assert recess.places[0][2:4] == (up, brief.board.height / 2)
    assert figures(brief)["angled.magnet.up"] == up
