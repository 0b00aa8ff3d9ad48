"""What is built onto a rack or beside it: hidden screws, a strap, a box, and worked-out rows on the
way there.
"""

from itertools import accumulate, pairwise
from typing import Annotated

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from tests.core.test_uprights import codes
from tests.features import step
from tests.metric import shipped_item, starting
from tests.strategies import lengths
from yardcliff.core.base.model import Frozen, angle
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import design
from yardcliff.core.drawing.front_view import jar
from yardcliff.core.findings.finding import Patch
from yardcliff.core.findings.working import Value
from yardcliff.core.rack import Kind
from yardcliff.core.row.row import _stepped
from yardcliff.core.row.rows import margins
from yardcliff.core.shapes.geometry import ellipse, points
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import LONGEST
from yardcliff.core.ways import Brief, build

COATS = starting([(shipped_item("waxed-jacket"), 6)], "1 mm", "rail")
BIKES = amend(
    starting([(shipped_item("bicycle"), 4)], "1 mm", "high-rails"), {"aside": {"stands": "right"}}
)
POLES = amend(starting([(shipped_item("curtain-pole"), 4)], "1 mm"), {"clear": {"strap": "across"}})


def operation(brief: Brief, kind: Kind) -> tuple[int, str]:
    """How many of an operation, and its note."""
    found = step(design(brief).machining, kind)
    return found.count, found.note


def behind(brief: Brief) -> Value:
    return next(figure.value for figure in design(brief).figures if figure.key == "mount.behind")


def test_each_board_of_staggered_rails_hides_its_own_screws() -> None:
    asked: Patch = {
        "mount": "plates",
        "rows": {"count": 2, "layout": "staggered", "boards": "each"},
        "hung": "2600 mm",
    }
    # Six jackets 260 apart, five below them: behind every third at most, first and last always.
    rack = build(amend(COATS, asked))
    assert [len(one.row.axes) for one in rack.rows] == [6, 5]
    assert operation(amend(COATS, asked), Kind.WALL_HOLE)[0] == 4 + 3
    assert behind(amend(COATS, asked)) == "row 1: 1, 3, 5, 6; row 2: 1, 3, 5"
    # On one board for both rows the first row's hooks hide them all; straight rails are all alike.
    one = amend(COATS, asked | {"rows": {"count": 2, "boards": "one"}})
    assert operation(one, Kind.WALL_HOLE)[0] == 4
    assert behind(one) == "1, 3, 5, 6"
    straight = amend(COATS, asked | {"rows": {"count": 2, "layout": "straight", "boards": "each"}})
    assert operation(straight, Kind.WALL_HOLE)[0] == 8
    assert behind(straight) == "1, 3, 5, 6"
    # A board with room for no plate at all has no screw either: nothing is said of drilling on no
    # part.
    flush = {"rule": "margin", "left": "0 mm", "right": "0 mm"}
    shavings = {
        "mount": "plates",
        "row": {"follows": "ends", "count": 2, "length": "1 mm", "ends": flush},
    }
    assert all(one.parts for one in design(amend(COATS, shavings)).machining)


@pytest.mark.parametrize(
    ("holder", "hidden"),
    [
        ({"kind": "hook"}, True),
        ({"kind": "hook", "screws": 3}, False),
        ({"kind": "hook", "screws": 1}, False),
        ({"kind": "hook", "plate_width": "13 mm"}, False),
        ({"kind": "hook", "screw_spacing": "23 mm"}, False),
        ({"kind": "hook", "screw_spacing": "24 mm"}, True),
        ({"kind": "peg"}, False),
        ({"kind": "bent"}, False),
        ({"kind": "bolt"}, False),
    ],
)
def test_only_a_plate_with_room_between_its_screws_hides_another(
    holder: Patch, hidden: bool
) -> None:
    brief = amend(COATS, {"mount": "plates", "holder": holder})
    assert ("mount.plates" in {f.code for f in design(brief).findings}) != hidden
    assert "mount.plates" not in {f.code for f in design(amend(brief, {"mount": "open"})).findings}


@given(left=st.integers(50, 900), right=st.integers(50, 900), apart=st.integers(0, 600))
@cases(80)
def test_a_box_stands_clear_of_what_hangs_beside_it_or_it_is_said(
    left: int, right: int, apart: int
) -> None:
    ends = {"rule": "margin", "left": f"{left} mm", "right": f"{right} mm"}
    rack = build(amend(BIKES, {"row": {"ends": ends}, "aside": {"apart": f"{apart} mm"}}))
    box = min(part.x for part in rack.parts if part.key.startswith("box-side"))
    reached = max(one.x + rack.kinds[one.kind].right for one in rack.hung)
    found = [finding for finding in rack.findings if finding.code == "aside.near"]
    assert (reached > box) == bool(found)
    for finding in found:
        assert isinstance(finding.limit, Fraction)
        assert finding.limit - finding.value == reached - box  # type: ignore[operator]


def test_a_strap_has_wood_for_its_screws() -> None:
    ends: Patch = {"rule": "margin", "left": "40 mm", "right": "40 mm"}
    near = amend(POLES, {"row": {"ends": ends}})
    (finding,) = [one for one in build(near).findings if one.code == "row.end-grain"]
    # Half a ring of 40, and 35 beyond it.
    assert finding.limit == 20 + 35
    assert "strap" in finding.message
    assert "row.end-grain" not in codes(amend(near, {"clear": {"strap": "none"}}))
    assert "row.end-grain" not in codes(amend(near, finding.fixes[0].patch))


@given(start=lengths(0, 500), steps=st.lists(lengths(0, 400), min_size=1, max_size=40))
def test_steps_in_integers_lead_where_steps_in_fractions_do(
    start: Fraction, steps: list[Fraction]
) -> None:
    assert _stepped(start, steps) == list(accumulate(steps, initial=start))[1:]


@pytest.mark.parametrize("family", ["rail", "high-rails", "angled-rail", "stacked"])
def test_rows_worked_out_beyond_the_longest_board_still_draw(family: str) -> None:
    row: Patch = {
        "count": 3,
        "spacing": "set",
        "pitch": "29 m",
        "ends": {"rule": "margin", "left": "29 m", "right": "29 m"},
    }
    extra: Patch = {"rows": {"count": 2, "layout": "staggered"}, "high": {"lower": "one fewer"}}
    asked = {"row": row} | {
        key: extra[key] for key in extra if (key == "high") == (family == "high-rails")
    }
    found = build(amend(starting([(shipped_item("tin-cup"), 3)], "1 mm", family), asked))
    assert "row.too-long" in {finding.code for finding in found.findings}
    ends = margins(LONGEST * 2, Fraction(0))
    assert (ends.rule, ends.left) == ("margin", LONGEST * 2)


class Bevelled(Frozen):
    """A brief with an angle of its own bounds."""

    slope: Annotated[float, angle(30, 60, "slope", "from the floor")]


@pytest.mark.parametrize(
    ("text", "value"), [("30", 30), ("45,5°", 45.5), (" 60 ° ", 60), (52.25, 52.25)]
)
def test_degrees_are_read_as_they_are_typed(text: str | float, value: float) -> None:
    assert Bevelled.model_validate({"slope": text}).slope == value


@pytest.mark.parametrize("text", ["29", "61", "steep", "nan", "", "4{5}"])
def test_degrees_out_of_bounds_are_named_with_their_bounds(text: str) -> None:
    with pytest.raises(
        ValueError, match="is no slope: write 30 to 60 degrees, measured from the floor"
    ) as error:
        Bevelled.model_validate({"slope": text})
    assert f"“{text}”" in str(error.value)


@given(x=st.floats(-50, 50), y=st.floats(-50, 50), rx=st.floats(0.5, 80), ry=st.floats(0.5, 80))
def test_an_ellipse_is_as_wide_and_as_tall_as_its_radii(
    x: float, y: float, rx: float, ry: float
) -> None:
    path = ellipse(x, y, rx, ry)
    ends = [(ns[-2], ns[-1]) for _, ns in path if ns]
    assert all(((px - x) / rx) ** 2 + ((py - y) / ry) ** 2 == pytest.approx(1) for px, py in ends)
    # Half-way along each cubic the curve is on the ellipse to a thousandth.
    for (_, before), (letter, ns) in pairwise(path):
        if letter == "C":
            (x0, y0), (x1, y1, x2, y2, x3, y3) = before[-2:], ns
            mx, my = (x0 + 3 * x1 + 3 * x2 + x3) / 8, (y0 + 3 * y1 + 3 * y2 + y3) / 8
            assert ((mx - x) / rx) ** 2 + ((my - y) / ry) ** 2 == pytest.approx(1, abs=1e-3)


@given(x=st.floats(0, 500), y=st.floats(0, 2000), wide=st.floats(10, 300), tall=st.floats(10, 500))
def test_a_jar_fills_its_measures_with_its_lid_on(
    x: float, y: float, wide: float, tall: float
) -> None:
    body, lid = (list(points(path)) for path in jar(x, y, wide, tall))
    xs, ys = zip(*body, *lid, strict=True)
    assert (min(xs), max(xs)) == (pytest.approx(x), pytest.approx(x + wide))
    assert (min(ys), max(ys)) == (pytest.approx(y), pytest.approx(y + tall))
    assert max(py for _, py in body) == pytest.approx(min(py for _, py in lid))
