"""Pegs and hooks: their geometry by hand, and what the board has to give."""

from math import cos, pi, radians, sin
from typing import get_args

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.features import of_holders
from tests.metric import MM, shipped_item, starting, starting_brief
from tests.strategies import lengths
from yardcliff.core.design.change import amend
from yardcliff.core.holders import bent as bents
from yardcliff.core.holders import bent_fit, peg_fit
from yardcliff.core.holders import clip as clips
from yardcliff.core.holders import cradle as cradles
from yardcliff.core.holders import hole as holes
from yardcliff.core.holders import hook as hooks
from yardcliff.core.holders import peg as pegs
from yardcliff.core.holders.bolt import LagSize
from yardcliff.core.holders.fitting import Ground, check_held, half, held_at
from yardcliff.core.holders.hook import Hook
from yardcliff.core.holders.peg import Peg
from yardcliff.core.rack import Kind
from yardcliff.core.shapes.geometry import points
from yardcliff.core.strength.force import Pulled
from yardcliff.core.strength.stick import stress
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length_text import read
from yardcliff.core.ways import FAMILIES, build
from yardcliff.data import table

GROUND = Ground(Fraction(22), Fraction(100), Fraction(50), "softwood", MM)


def test_a_tilted_peg_by_hand() -> None:
    # 16 mm dowel at 15 degrees, 12 mm along the bit, 2 mm of spur.
    peg = Peg(
        diameter=Fraction(16), tilt=15, depth=Fraction(12), showing=Fraction(60), spur=Fraction(2)
    )
    assert float(pegs.mouth(peg)) == pytest.approx(16.5644, abs=1e-4)
    assert float(pegs.square_depth(peg)) == pytest.approx(11.5911 + 2.0706, abs=1e-3)
    # The deepest is the hole's lower rim (13.66), not the spur (14 cos 15 = 13.52).
    assert float(pegs.web(peg, Fraction(22))) == pytest.approx(8.3383, abs=1e-3)
    figures = {f.key: f for f in peg_fit.fit(peg, GROUND).figures}
    assert figures["peg.cut"].value == 72
    assert figures["peg.tilt"].value == "15° from square, 75° from the face"


def test_a_straight_peg_loses_its_spur_from_the_web() -> None:
    peg = Peg(tilt=0, depth=Fraction(12), spur=Fraction(3))
    assert pegs.mouth(peg) == peg.diameter
    assert pegs.square_depth(peg) == 12
    assert pegs.web(peg, Fraction(21)) == 6


@given(
    diameter=lengths(4, 40),
    tilt=st.floats(0, 45),
    depth=lengths(2, 60),
    spur=lengths(0, 6),
    thickness=lengths(8, 60),
)
def test_web_and_depth_fill_the_board(
    diameter: Fraction, tilt: float, depth: Fraction, spur: Fraction, thickness: Fraction
) -> None:
    peg = Peg(diameter=diameter, tilt=tilt, depth=depth, spur=spur)
    t = radians(tilt)
    # Every corner of the hole's floor, and the point, square to the face.
    corners = [float(depth) * cos(t) + side * float(diameter) / 2 * sin(t) for side in (-1, 1)]
    point = float(depth + spur) * cos(t)
    assert float(thickness - pegs.web(peg, thickness)) == pytest.approx(
        max(*corners, point), abs=1e-5
    )
    assert float(pegs.mouth(peg)) >= float(diameter) - 1e-6


def test_screws_stand_symmetric_about_the_axis() -> None:
    assert hooks.screw_offsets(Hook(screws=1)) == (0,)
    assert hooks.screw_offsets(Hook(screws=2, screw_spacing=Fraction(50))) == (25, -25)
    assert hooks.screw_offsets(Hook(screws=3, screw_spacing=Fraction(50))) == (25, 0, -25)


def test_every_hole_of_a_rail_lies_on_its_board_at_its_holder() -> None:
    rack = build(starting_brief("waxed-jacket", 4, "1 mm"))
    board = rack.parts[0]
    assert len(of_holders(rack)) == 8
    for hole, _ in of_holders(rack):
        assert board.x < hole.along < board.x + board.length
        assert 0 < hole.across < board.height
        assert hole.along == rack.holders[hole.holder].x
    assert rack.machining[0].count == 8
    # 20 mm screws through a 3 mm plate stand 17 mm deep in 21 mm of board.
    assert (rack.machining[0].depth, rack.machining[0].web) == (17, 4)


def test_unequal_hooks_keep_one_height_from_the_bottom_edge() -> None:
    brief = starting_brief("room-key", 3, "1 mm").model_copy(update={"line": Fraction(30)})
    rack = build(brief)
    assert {holder.y - rack.parts[0].y for holder in rack.holders} == {30}
    assert rack.parts[0].y == brief.hung - 30


@pytest.mark.parametrize(
    ("size", "bit", "tool"),
    [
        ("12", "12", "bit"),
        ("12.1", "13", "bit"),
        ("38.5", "40", "hole saw"),
        ("90", "92", "hole saw"),
    ],
)
def test_a_hole_is_bored_with_the_next_size_up(size: str, bit: str, tool: str) -> None:
    assert holes.bored(Fraction(size), "metric") == (Fraction(bit), tool)


def test_what_is_too_thick_for_any_bit_takes_the_largest() -> None:
    assert holes.bored(Fraction(300), "metric") == (102, "hole saw")
    assert clips.ring(Fraction(300), "metric") == (104, 110)


@pytest.mark.parametrize(
    ("shaft", "inside", "outside"), [("12", 13, 16), ("28", 28, 32), ("28.5", 36, 40)]
)
def test_a_ring_is_cut_from_the_next_pipe_up(shaft: str, inside: int, outside: int) -> None:
    assert clips.ring(Fraction(shaft), "metric") == (inside, outside)


def test_a_seat_is_sunk_by_a_quarter_of_the_hole_or_a_third_of_the_shelf() -> None:
    flask = (shipped_item("flask").item,)
    thick = Ground(Fraction(40), Fraction(90), Fraction(45), "softwood", MM)
    thin = Ground(Fraction(12), Fraction(90), Fraction(45), "softwood", MM)
    seat = holes.Hole(seat="countersunk")
    for ground, deep in ((thick, Fraction(19, 2)), (thin, Fraction(4))):
        *_, last = holes.fit(seat, ground, flask).machining
        assert (last.kind, last.depth, last.web) == (Kind.SEAT, deep, ground.thickness - deep)
        assert last.size == 38 + 2 * deep


def test_the_thickest_decides_unless_it_is_given() -> None:
    glass, flask = shipped_item("stem-glass").item, shipped_item("flask").item
    assert held_at(None, (glass, flask)) == 34
    assert held_at(Fraction(20), (glass, flask)) == 20
    unmeasured = flask.model_copy(update={"held": None})
    assert held_at(None, (unmeasured,)) == 42, "half of 84"
    assert [
        f.code for f in check_held(None, (glass, unmeasured), Fraction(42), "hole", GROUND)
    ] == ["held.unknown"]
    assert not list(check_held(Fraction(20), (unmeasured,), Fraction(20), "hole", GROUND))


def test_a_ring_is_screwed_through_its_mouth_at_a_quarter_from_each_edge() -> None:
    rail = Ground(Fraction(35), Fraction(80), Fraction(40), "softwood", MM)
    fitted = clips.fit(clips.Clip(), rail, (shipped_item("curtain-pole").item,))
    assert [bore.up for bore in fitted.bores] == [20, -20]
    # 16 mm screws through 2 mm of pipe stand 14 deep.
    assert {bore.depth for bore in fitted.bores} == {14}
    assert fitted.reach == half(Fraction(40))
    thin = Ground(Fraction(12), Fraction(80), Fraction(40), "softwood", MM)
    (finding,) = clips.fit(clips.Clip(), thin, (shipped_item("curtain-pole").item,)).findings
    assert (finding.code, [fix.label for fix in finding.fixes]) == (
        "hook.through",
        ["12 mm screws", "Board 18 mm thick"],
    )


def test_arms_stand_to_both_sides_of_a_neck_and_say_so_in_their_own_field() -> None:
    plate = Ground(Fraction(12), Fraction(120), Fraction(60), "hardwood", MM, Pulled(0, 30))
    fitted = cradles.fit(cradles.Cradle(), plate, (shipped_item("fiddle").item,))
    assert [bore.aside for bore in fitted.bores] == [-25, 25]
    assert fitted.reach.across == 34 + 2 * 16
    (deep,) = [finding for finding in fitted.findings if finding.code == "peg.through"]
    assert all("holder" not in fix.patch for fix in deep.fixes)
    assert fitted.machining[0].count == 2
    # Half of the pull on each arm, at the tip 79 out.
    figure = next(figure for figure in fitted.figures if figure.key == "peg.stress")
    assert figure.value == f"{stress(16, 79, 15):.1f} MPa"


def test_a_bent_hook_by_hand() -> None:
    hook = bents.Bent()
    # A quarter turn about 12 of radius and half of 8 of bar: pi/2 * 16 = 25.13; legs of 70, 40 and
    # 20 beside two.
    assert float(bents.bend(hook)) == pytest.approx(25.1327, abs=1e-4)
    assert float(bents.blank(hook)) == pytest.approx(180.2655, abs=1e-4)
    # Five of them and four cuts of 1 are 905 of the rod's 1000; a sixth is not in it.
    assert bents.blanks(hook) == 5
    (second,) = [
        figure.value for figure in bent_fit.fit(hook, GROUND).figures if figure.key == "bent.second"
    ]
    assert second == 70 + bents.bend(hook) + 40


@given(
    bar=lengths(3, 20),
    radius=lengths(3, 40),
    back=lengths(20, 120),
    arm=lengths(1, 90),
    lip=lengths(1, 60),
)
def test_a_bent_hooks_outline_is_as_long_as_its_blank(
    bar: Fraction, radius: Fraction, back: Fraction, arm: Fraction, lip: Fraction
) -> None:
    hook = bents.Bent(bar=bar, radius=radius, back=back, arm=arm, lip=lip)
    at = list(points(bents.outline(hook)))
    xs, ys = zip(*at, strict=True)
    assert (min(xs), max(xs)) == pytest.approx((0, float(2 * (radius + bar) + arm)))
    assert max(ys) == pytest.approx(max(float(back) / 2, float(lip - back / 2)))
    assert min(ys) == pytest.approx(-float(back) / 2 - float(radius + bar))
    # Both sides of the bar together are twice its middle line: pi/2 (r + s) + pi/2 r = pi (r +
    # s/2).
    sides = 2 * float(back + arm + lip) + 2 * (pi / 2) * (2 * float(radius) + float(bar))
    assert sides == pytest.approx(2 * float(bents.blank(hook)), abs=1e-4)


def test_a_bent_hook_is_a_holder_like_any_other() -> None:
    for family in ("rail", "panel", "stacked"):
        brief = amend(
            starting([(shipped_item("room-key"), 6)], "1 mm", family),
            {"holder": {"kind": "bent", "back": "40 mm"}},
        )
        rack = build(brief)
        assert rack.holder_name == "bent-bar hooks"
        assert rack.outline
        assert rack.outline.path == bents.outline(bents.Bent(back=Fraction(40)))
        assert [one.kind for one in rack.machining[:4]] == [
            Kind.BLANK,
            Kind.BEND,
            Kind.HOOK_HOLE,
            Kind.PILOT,
        ]
        assert FAMILIES[family].choices(brief)[0].title == "Bent from bar"


def test_a_lag_bolt_holds_by_its_thread_and_stays_by_its_head() -> None:
    brief = amend(
        starting_brief("enamel-mug", 3, "1 mm"),
        {"holder": {"kind": "bolt"}, "board": {"thickness": "45 mm"}},
    )
    rack = build(brief)
    assert not rack.findings
    known = {figure.key: figure.value for figure in rack.figures}
    # 80 long with 45 showing: 35 in softwood of 45, drilled 5.5 for 8.
    assert (known["bolt.pilot"], known["bolt.deep"], known["bolt.back"]) == (
        Fraction("5.5"),
        35,
        10,
    )
    # 30 N on a mug, 45 out: 32 · 30 · 45 / (π · 8³).
    assert known["bolt.stress"] == f"{32 * 30 * 45 / (pi * 8**3):.0f} MPa"
    assert rack.glyph.out == 45 + Fraction("5.5")


@pytest.mark.parametrize("row", table("lags"), ids=lambda row: row["key"])
def test_every_lag_screw_of_the_table_is_one_that_can_be_chosen(row: dict[str, str]) -> None:
    assert row["key"] in get_args(LagSize)
    d, soft, hard, across = (
        float(read(row[name])) for name in ("diameter", "softwood", "hardwood", "across")
    )
    assert 0.62 * d < soft < hard < 0.85 * d < across
