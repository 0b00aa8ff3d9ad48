"""Rows that run up: matched uprights, words that follow, and what becomes of a rack that is stood
up or laid down.
"""

import re
from collections import Counter
from functools import reduce
from itertools import pairwise
from math import cos, radians
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from tests.features import of_holders, step
from tests.metric import shipped_item, starting
from tests.strategies import ITEM_KEYS, briefs
from yardcliff.core.design.change import amend, describe
from yardcliff.core.design.rack_design import design
from yardcliff.core.findings.finding import Patch
from yardcliff.core.holders.peg import Peg
from yardcliff.core.holders.slot import Slot, outline, reach_in
from yardcliff.core.rack import Kind, Rack
from yardcliff.core.row.mark_check import check_marks
from yardcliff.core.shapes.geometry import points
from yardcliff.core.strength.stick import breaks
from yardcliff.core.things.thing import Run
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.ways import FAMILIES, Brief, build
from yardcliff.core.ways.stile import StileBrief

STANDING = [key for key, way in FAMILIES.items() if way.brief.run is Run.UP]
MATCHED = [key for key in STANDING if key != "angled-rail"]
LYING = [key for key, way in FAMILIES.items() if way.brief.run is Run.LEVEL]
MATS = starting([(shipped_item("sleeping-mat"), 5)], "1 mm", "stile-pair")
BOARDS = starting([(shipped_item("snow-board"), 4)], "1 mm", "slotted-cheeks")
LEVEL_WORDS = re.compile(r"\b(left end|right end|to the left|to the right)\b", re.IGNORECASE)


def figures(brief: Brief) -> dict[str, Any]:
    return {figure.key: figure.value for figure in build(brief).figures}


def codes(brief: Brief) -> set[str]:
    return {finding.code for finding in build(brief).findings}


def said(rack: Rack) -> list[str]:
    """Every word that a rack says of itself."""
    found = [
        text
        for finding in rack.findings
        for text in (finding.part, finding.message, finding.figure)
    ]
    for figure in rack.figures:
        found += [figure.label, figure.why, *(given.name for given in figure.inputs)]
    names = [
        name
        for item in rack.kinds.values()
        for name in (item.name.capitalize(), item.name, item.plural)
    ]
    return [reduce(lambda text, name: text.replace(name, "…"), names, text) for text in found]


@pytest.mark.parametrize("family", MATCHED)
@cases(40)
@given(data=st.data())
def test_matched_uprights_carry_one_row_from_their_feet(family: str, data: st.DataObject) -> None:
    brief = data.draw(briefs)
    rack = build(amend(brief, {"family": family}))
    row = rack.row
    assert rack.up
    assert row.run is Run.UP
    uprights = [rack.part(one.part) for one in rack.rows]
    assert len({(part.length, part.height, part.depth, part.y, part.z) for part in uprights}) == 1
    assert {part.along for part in uprights} == {row.length}
    for k, part in enumerate(uprights):
        mine = [holder for holder in rack.holders if holder.row == k]
        assert {holder.x for holder in mine} == {part.x + part.length / 2}
        assert [holder.y - part.y for holder in mine] == list(row.axes)
        made = [place for place, _ in of_holders(rack) if place.part == part.key]
        if made:  # a ledge's post is not cut for its ledges
            assert [place.along for place in made][:: len(made) // row.holders] == [
                axis + rack.bores[0].up for axis in row.axes
            ]
            assert {place.across for place in made} == {part.face_width / 2}
    # Each thing hangs once, in the middle of what holds it, and the marks are the same on all.
    assert len(rack.hung) == row.count
    assert {2 * hung.x for hung in rack.hung} == {
        uprights[0].x + uprights[-1].x + uprights[-1].length
    }
    assert len(rack.alike) == 1
    assert not rack.several


@pytest.mark.parametrize("family", STANDING)
@cases(40)
@given(data=st.data())
def test_words_of_a_row_that_runs_up_are_of_feet_and_tops(family: str, data: st.DataObject) -> None:
    rack = build(amend(data.draw(briefs), {"family": family}))
    assert not [text for text in said(rack) if LEVEL_WORDS.search(text)]
    labels = {figure.key: figure.label for figure in rack.figures}
    assert (labels["row.left"], labels["row.right"]) == ("Foot", "Top")


@pytest.mark.parametrize("family", STANDING)
def test_the_drawings_of_an_upright_show_all_of_it(family: str) -> None:
    done = design(amend(MATS, {"family": family}))
    rack, scene = done.rack, done.scene
    length = next(one for one in scene.dimensions if one.figure == "row.length")
    assert (length.axis, length.end - length.start) == ("y", float(rack.row.length))
    assert (length.start, length.text) == (float(rack.rows[0].y), done.tape.write(rack.row.length))
    # The section shows every thing and every holder of one upright, not the first alone.
    seen = [stroke for stroke in done.section.strokes if stroke.role == "item"]
    assert len(seen) >= rack.row.count
    pitches = [one for one in done.section.dimensions if one.axis == "y" and one.level == 1]
    assert [one.end - one.start for one in pitches] == [
        float(rack.row.axes[0]),
        float(rack.row.axes[1] - rack.row.axes[0]),
    ]
    assert (done.plan is None) == (family in MATCHED)


def test_a_pin_and_a_knot_hold_on_an_upright_as_on_a_rail() -> None:
    pinned = build(amend(MATS, {"row": {"pins": [{"index": 2, "at": "560 mm"}]}}))
    assert [holder.y - pinned.rows[0].y for holder in pinned.holders if holder.place == 2] == [
        560,
        560,
    ]
    knot = amend(
        MATS, {"row": {"keepouts": [{"at": "280 mm", "width": "20 mm"}], "nudge": "40 mm"}}
    )
    found = {finding.code: finding.message for finding in build(knot).findings}
    assert "keepout.nudged" in found or "keepout.shifted" in found
    assert any(word in text for text in found.values() for word in (" up,", " down,"))
    scene = design(knot).scene
    # The knot is drawn on both stiles, as high up as it lies along them.
    flaws = [list(points(stroke.path)) for stroke in scene.strokes if stroke.role == "flaw"]
    foot = float(MATS.hung)
    assert len(flaws) == 6
    assert all(foot + 275 < y < foot + 305 for path in flaws for _, y in path)


def test_marks_that_are_off_on_an_upright_are_off_above_or_below() -> None:
    row, tape = build(MATS).row, Tape.named("1 mm")
    found = check_marks([axis + 21 for axis in row.axes], row, tape, Fraction(35))
    assert (found.slip.code, found.slip.says) == ("shifted", "All lie 21 mm above.")
    other = check_marks([row.length - axis for axis in reversed(row.axes)], row, tape, Fraction(35))
    assert "hooked on the top" in other.slip.says


@pytest.mark.parametrize("key", ["sleeping-mat", "walking-poles", "umbrella", "curtain-pole"])
def test_pegs_begin_deep_enough_and_thick_enough(key: str) -> None:
    brief = starting([(shipped_item(key), 4)], "1 mm", "stile-pair")
    assert isinstance(brief, StileBrief)
    holder = brief.holder
    assert isinstance(holder, Peg)
    assert float(holder.showing) >= 0.66 * float(max(brief.item.across, brief.item.front))
    assert breaks(float(holder.diameter), float(holder.showing), brief.item.pulled().force / 2) <= 1
    assert brief.row.air >= holder.showing / 6, "there is room to lift a thing over its tips"


@pytest.mark.parametrize(
    ("between", "past", "falls"),
    [("195 mm", "157.5", False), ("420 mm", "45", False), ("480 mm", "15", True)],
)
def test_what_lies_across_reaches_past_both_uprights(between: str, past: str, falls: bool) -> None:
    brief = amend(MATS, {"between": between})
    assert figures(brief)["up.past"] == Fraction(past)
    assert ("up.falls" in codes(brief)) == falls


def test_the_shortest_thing_decides_how_far_apart_uprights_stand() -> None:
    both = starting(
        [(shipped_item("curtain-pole"), 2), (shipped_item("umbrella"), 2)], "1 mm", "stile-pair"
    )
    # Umbrellas of 875 are shorter than poles of 1515: half of 875 less two stiles of 60.
    assert figures(both)["up.between"] == Fraction("317.5")
    rack = build(both)
    assert Counter(hung.kind for hung in rack.hung) == {"": 2, "umbrella": 2}
    assert not rack.findings


@given(angle=st.integers(0, 45), depth=st.integers(40, 200), wide=st.integers(6, 40))
def test_a_slot_reaches_as_deep_as_its_outline(angle: int, depth: int, wide: int) -> None:
    slot = Slot(angle=float(angle), depth=Fraction(depth))
    path = outline(slot, Fraction(wide))
    deepest = -min(x for c, ns in path for x in ([ns[-2]] if c == "C" else ns[::2]))
    reach = float(reach_in(slot, Fraction(wide)))
    # The round bottom's deepest point lies between the ends of its quarters, at most a third of its
    # radius past them.
    assert reach - 0.35 * wide <= deepest <= reach + 1e-5
    mouth = [y for c, ns in path if c in "ML" for x, y in [ns] if abs(x) < 1e-9]
    assert max(mouth) - min(mouth) == pytest.approx(wide / cos(radians(angle)))


@given(angle=st.integers(0, 45), air=st.integers(5, 120), front=st.integers(15, 100))
@cases(60)
def test_boards_lie_apart_by_the_pitch_times_the_cosine(angle: int, air: int, front: int) -> None:
    brief = amend(
        BOARDS,
        {
            "slot": {"angle": angle},
            "row": {"air": f"{air} mm", "spacing": "even"},
            "item": {"front": f"{front} mm"},
        },
    )
    rack = build(brief)
    f = cos(radians(angle))
    between = figures(brief)["slot.between"]
    apart = float(rack.row.pitch) * f - front
    assert float(between) == pytest.approx(apart, abs=1e-4)
    assert apart >= air * f - 1e-4
    assert float(rack.row.pitch) >= (front + air * f) / f - 1e-4


@pytest.mark.parametrize(
    ("patch", "code"),
    [
        ({"slot": {"depth": "145 mm"}}, "slot.web"),
        ({"slot": {"angle": 40, "depth": "145 mm"}}, None),
        ({"board": {"height": "136 mm"}}, "slot.web"),
        ({"slat": {"thickness": "36 mm"}}, "cheek.slat"),
        ({"between": "1480 mm"}, "up.falls"),
    ],
)
def test_a_cheek_keeps_wood_behind_its_slots(patch: Patch, code: str | None) -> None:
    # 145 along the slot reach 137 cos 15 + 8 = 140 in, of 150; at 40 degrees only 113.
    found = codes(amend(BOARDS, patch))
    assert found == ({code} if code else set())


def test_slats_are_cut_from_what_both_cheeks_leave() -> None:
    for between, thickness in (("600 mm", "21 mm"), ("600 mm", "30 mm"), (None, "18 mm")):
        rack = build(amend(BOARDS, {"between": between, "board": {"thickness": thickness}}))
        left, right, *slats = rack.parts
        assert {slat.length for slat in slats} == {right.x - left.x - left.length}
        assert all(slat.x == left.x + left.length for slat in slats)


def test_ledges_follow_the_widest_and_the_deepest_thing() -> None:
    both = starting(
        [(shipped_item("storm-lantern"), 2), (shipped_item("flask"), 2)], "1 mm", "ledge-post"
    )
    known = figures(both)
    assert (known["ledge.width"], known["ledge.depth"]) == (170, 175)
    ledges = build(both).parts[1:]
    assert {(ledge.length, ledge.depth) for ledge in ledges} == {(170, 200)}
    # A flask is narrower than the notch of 70.5 and two horns of 25.
    flasks = starting([(shipped_item("flask"), 3)], "1 mm", "ledge-post")
    assert figures(flasks)["ledge.width"] == Fraction("120.5")


@pytest.mark.parametrize("count", [1, 2, 5])
def test_a_post_is_screwed_to_the_wall_between_its_ledges(count: int) -> None:
    rack = build(starting([(shipped_item("flask"), count)], "1 mm", "ledge-post"))
    screws = step(rack.machining, Kind.WALL_HOLE)
    assert screws.count == max(2, count - 1)
    places = [place.along for place in screws.places]
    half = Fraction(21, 2)
    for place, (low, high) in zip(places, pairwise(rack.row.axes), strict=False):
        if count > 2:
            assert low + half < place < high - half


@pytest.mark.parametrize("family", STANDING)
@pytest.mark.parametrize("key", ["sleeping-mat", "enamel-mug", "serving-tray"])
def test_a_rack_that_is_stood_up_begins_anew_with_what_hangs(family: str, key: str) -> None:
    rail = amend(
        starting([(shipped_item(key), 6)], "1 mm", "rail"),
        {"hung": "1900 mm", "row": {"air": "70 mm", "spares": 1}, "item": {"weight_g": 900}},
    )
    stood = amend(rail, {"family": family})
    rack = build(stood)
    assert (stood.item, stood.tape, stood.row.spares) == (rail.item, rail.tape, 1)
    assert len(rack.hung) == 6
    assert stood.row.air >= 70
    # Its foot is not as high as the rail was, and all of it is in reach.
    top = max(holder.y for holder in rack.holders)
    assert stood.hung < top
    assert top <= 1960 or not FAMILIES[family].suits((rail.item,)).score
    assert describe(rail, stood).endswith(" instead of rail")
    back = amend(stood, {"family": "rail"})
    assert (len(build(back).hung), back.item) == (6, rail.item)
    assert back.hung == shipped_item(key).hung


def test_mixed_things_stand_up_together() -> None:
    mixed = starting([(shipped_item("enamel-mug"), 3), (shipped_item("ladle"), 2)], "1 mm", "rail")
    stood = amend(mixed, {"family": "stile-pair"})
    assert Counter(hung.kind for hung in build(stood).hung) == {"": 3, "ladle": 2}
    assert stood.others == mixed.others


@pytest.mark.parametrize("family", LYING)
def test_a_change_along_the_wall_keeps_height_and_board(family: str) -> None:
    rail = starting([(shipped_item("enamel-mug"), 4)], "1 mm", "rail")
    changed = amend(rail, {"family": family})
    assert (changed.hung, changed.board, changed.row) == (rail.hung, rail.board, rail.row)


@pytest.mark.parametrize("key", ITEM_KEYS)
def test_an_edge_held_board_is_offered_slots_before_hooks(key: str) -> None:
    listed = shipped_item(key)
    brief = starting([(listed, 3)], "1 mm")
    edge = listed.item.grip == "edge" and listed.item.shape == "board"
    assert (brief.family == "slotted-cheeks") == edge
    if edge:
        why = FAMILIES["slotted-cheeks"].suits((listed.item,)).why
        assert "on hooks they would swing" in why


POLES = starting([(shipped_item("curtain-pole"), 4)], "1 mm")


def test_poles_have_to_come_out_overhead_and_swing_free() -> None:
    rack, known = build(POLES), figures(POLES)
    pole = POLES.item.above + POLES.item.below
    # Over a foot board at 120, and 10 to spare; unclipped it leans out by a ring at the clip's
    # height.
    assert known["upright.over"] == 120 + pole + 10
    high = POLES.hung - 100
    assert float(known["upright.swing"]) == pytest.approx(float(pole * rack.glyph.out / high))
    low = amend(POLES, {"clear": {"above": str(float(pole + 60)) + " mm"}})
    assert codes(low) == {"upright.over"}
    settled = amend(low, build(low).findings[0].fixes[0].patch)
    assert codes(settled) <= {"upright.short"}
    strapped = amend(POLES, {"clear": {"strap": "across"}})
    span = rack.row.axes[-1] - rack.row.axes[0]
    assert figures(strapped)["upright.strap"] == span + rack.glyph.width + 240
    # The caution gives way to the strap, which has two screws of its own.
    assert len(build(strapped).cautions) == len(rack.cautions) - 1
    assert len(build(strapped).machining) == len(rack.machining) + 1


def test_arms_are_scooped_by_a_quarter_at_most() -> None:
    fiddles = starting([(shipped_item("fiddle"), 3)], "1 mm")
    scooped = build(amend(fiddles, {"cradle": {"scoop": "4 mm"}}))
    scoop = step(scooped.machining, Kind.SCOOP)
    assert (scoop.count, scoop.depth, scoop.web) == (6, 4, 12)
    assert Kind.SCOOP not in {one.kind for one in build(fiddles).machining}
    assert codes(amend(fiddles, {"cradle": {"scoop": "6 mm"}})) == {"cradle.scoop"}
