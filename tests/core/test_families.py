"""Ways of building: whatever is asked of them they stand, and their parts fit together."""

from collections import Counter
from collections.abc import Sequence
from itertools import combinations, pairwise, product
from math import hypot
from operator import add, mul
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from tests.features import of_holders, step
from tests.metric import MM, shipped_item, starting
from tests.strategies import ITEM_KEYS, briefs, lengths
from yardcliff.core.brief.cutting import Cutting
from yardcliff.core.design.capacity import most_on
from yardcliff.core.design.change import amend, dump, read_brief
from yardcliff.core.design.rack_design import design
from yardcliff.core.findings.finding import Patch
from yardcliff.core.findings.patch import BriefError
from yardcliff.core.holders.hole import bored
from yardcliff.core.rack import Kind, Operation, Part
from yardcliff.core.strength.wood import sag
from yardcliff.core.things.look import resting
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import TapeName
from yardcliff.core.ways import FAMILIES, Brief, build, ranked
from yardcliff.core.ways.family import in_rows
from yardcliff.core.ways.planking import Plank, Seams, planks
from yardcliff.core.ways.stacked import longest_from, rails_from, stick_needed

OFF = frozenset(
    {
        "row.off-board",
        "row.no-room",
        "row.too-long",
        "pin.order",
        "row.disagree",
        "row.fixtures",
        "angled.half",
    }
)
"""Codes that say that holders stand off their board or in one another's place."""
FLASKS = starting([(shipped_item("flask"), 5)], "1 mm")


def figures(brief: Brief) -> dict[str, Any]:
    return {figure.key: figure.value for figure in build(brief).figures}


Point = tuple[float, ...]


def overlap(one: Part, other: Part) -> list[Fraction]:
    """How far two parts reach into each other along x, y and z; 0 where they just touch.

    Where one is no box: along every direction that could part two convex solids (separating axes),
    to the nanometre.
    """
    spans = [
        [(p.x, p.x + p.length), (p.y, p.y + p.height), (p.z, p.z + p.depth)] for p in (one, other)
    ]
    boxes = [min(a[1], b[1]) - max(a[0], b[0]) for a, b in zip(*spans, strict=True)]
    if min(boxes) < 0 or not (one.profile or other.profile):
        return boxes
    solids, edges = zip(*(solid(part) for part in (one, other)), strict=True)
    # Face normals are crossed edges of one solid; the other directions cross an edge of each.
    pairs = [*combinations(edges[0], 2), *combinations(edges[1], 2), *product(*edges)]
    ways = {tuple(round(n, 4) for n in way): way for pair in pairs if (way := normal(*pair))}
    return [Fraction(round(shared(solids, way), 5)) for way in ways.values()]


def solid(part: Part) -> tuple[list[Point], list[Point]]:
    """A part's corners, and the directions of its edges."""
    shape: list[Point]
    if part.seen == "from above":
        shape = [(float(x), float(part.y), float(z)) for x, z in part.profile]
        run = (0.0, float(part.height), 0.0)
    else:
        ys, zs = (part.y, part.y + part.height), (part.z, part.z + part.depth)
        square = ((zs[0], ys[0]), (zs[1], ys[0]), (zs[1], ys[1]), (zs[0], ys[1]))
        shape = [(float(part.x), float(y), float(z)) for z, y in part.profile or square]
        run = (float(part.length), 0.0, 0.0)
    around = [
        tuple(q - p for p, q in zip(a, b, strict=True)) for a, b in pairwise([*shape, shape[0]])
    ]
    return [*shape, *(tuple(map(add, corner, run)) for corner in shape)], [run, *around]


def normal(one: Point, other: Point) -> Point | None:
    """Square to both, of length 1, the same for opposite ones; None where they are parallel."""
    (a, b, c), (d, e, f) = one, other
    crossed = (b * f - c * e, c * d - a * f, a * e - b * d)
    size = hypot(*crossed)
    if size <= 1e-5 * hypot(*one) * hypot(*other):
        return None
    way = tuple(n / size for n in crossed)
    return max(way, tuple(-n for n in way))


def shared(solids: Sequence[list[Point]], way: Point) -> float:
    spans = [[float(sum(map(mul, corner, way))) for corner in corners] for corners in solids]
    return min(max(span) for span in spans) - max(min(span) for span in spans)


@pytest.mark.parametrize("family", FAMILIES)
@cases(12)
@given(data=st.data())
def test_a_family_stands_whatever_it_is_asked(family: str, data: st.DataObject) -> None:
    brief = data.draw(briefs)
    rack = build(amend(brief, {"family": family}) if brief.family != family else brief)
    said = {finding.code for finding in rack.findings}
    # Nothing overlaps in silence.
    row = rack.row
    if row.count > 1 and min(row.clear) < row.brief.air:
        assert said & {
            "row.bump",
            "row.crowded",
            "row.fixtures",
            "row.no-room",
            "row.too-long",
            "pin.order",
        }
    # Joined parts touch, and no part reaches into another.
    for joint in rack.joints:
        by = overlap(rack.part(joint.part), rack.part(joint.other))
        assert (joint.let_in in by if joint.let_in else min(by) == 0) or said & {
            "ledge.notch",
            "box.groove",
            *OFF,
        }
        assert sorted(by)[not joint.let_in] > 0 or said & OFF
    let_in = {(joint.part, joint.other) for joint in rack.joints if joint.let_in}
    for one, other in combinations(rack.parts, 2):
        if (other.key, one.key) in let_in:
            continue
        assert min(overlap(one, other)) <= 0 or said & {
            "rows.drop",
            "upright.low",
            "angled.bracket",
            *OFF,
        }
    # Every hole lies within its part and leaves its web, or it is said.
    slotted = any(one.kind is Kind.SLOT for one in rack.machining)
    for hole, made in of_holders(rack):
        part = rack.part(hole.part)
        half = (made.cut[3] - made.cut[2]) / 2 if made.cut else made.size / 2
        within = half <= hole.across <= part.face_width - half
        assert slotted or within or said & {"board.narrow", "hole.edge", "flip.board"}
        assert 0 <= hole.along <= part.along or said & {*OFF, "row.end-grain"}
    for work in rack.machining:
        if work.web is not None and work.web <= 0:
            assert said & {
                "peg.through",
                "hook.through",
                "upright.through",
                "slot.web",
                "flip.web",
                "panel.dowel",
                *OFF,
            }, work
    # Nothing is under the floor in silence.
    if min(part.y for part in rack.parts) < 0:
        assert said & {"hang.floor", "upright.floor", "upright.low"}


def test_a_flask_hangs_by_its_neck_in_the_next_hole_up() -> None:
    known = figures(FLASKS)
    # 34 of neck and 2 of play ask for 36: the next bit is 38. Flasks of 84 with 30 between stand
    # 114 apart.
    assert (known["hole.bit"], known["row.pitch"], known["row.length"]) == (38, 114, 570)
    # Between the holes 114 - 38, before them 45 - 19, behind them 90 - 45 - 19.
    assert (known["hole.web"], known["hole.front"], known["hole.behind"]) == (76, 26, 26)
    assert not build(FLASKS).findings
    assert bored(Fraction(39), "metric") == (40, "hole saw")


def test_a_shelf_stands_on_its_back_plate_above_or_below_it() -> None:
    shelf, back = build(FLASKS).parts
    assert (shelf.y, back.y, shelf.z, back.z) == (FLASKS.hung - 18, FLASKS.hung - 18, 18, 0)
    _, low = build(amend(FLASKS, {"back": {"place": "below"}})).parts
    assert low.y + low.height == FLASKS.hung
    # 570 of shelf, screwed every 250 at most: four screws in each part.
    steps = {(one.kind, one.parts): one.count for one in build(FLASKS).machining}
    assert steps == {
        (Kind.THROUGH_HOLE, ("shelf-1",)): 5,
        (Kind.SLOT, ("shelf-1",)): 5,
        (Kind.SCREW_HOLE, ("back-1",)): 4,
        (Kind.JOINT_PILOT, ("shelf-1",)): 4,
    }


def test_an_edge_slot_needs_no_wood_in_front_and_is_sawn_after_it_is_bored() -> None:
    near = starting([(shipped_item("curtain-pole"), 3)], "1 mm", "hole-rail")
    closed = amend(near, {"hole": {"opening": "hole"}, "setback": "20 mm"})
    assert "hole.edge" in {finding.code for finding in build(closed).findings}
    slots = build(amend(closed, {"hole": {"opening": "slot"}}))
    assert "hole.edge" not in {finding.code for finding in slots.findings}
    bored, sawn = slots.machining[:2]
    assert (bored.kind, sawn.kind, sawn.places) == (Kind.THROUGH_HOLE, Kind.SLOT, bored.places)
    # From the hole to the front edge, as wide as it is.
    assert sawn.cut == (-15, 15, -20, 0)


def test_a_cradle_opens_for_the_neck_and_reaches_past_it() -> None:
    fiddles = starting([(shipped_item("fiddle"), 3)], "1 mm")
    known = figures(fiddles)
    # 28 of neck and 6 of play; arms of 20 stand 54 apart. 100 deep: half of it, half the neck and
    # 15 of lip.
    assert (known["cradle.opening"], known["cradle.apart"], known["cradle.out"]) == (34, 50, 79)
    rack = build(fiddles)
    assert not rack.findings
    assert [hole.along - rack.holders[0].x for hole, _ in of_holders(rack)[:2]] == [-25, 25]
    # The lute is thicker and deeper, so it decides: 34 + 6, and 140/2 + 34/2 + 15.
    both = figures(starting([(shipped_item("fiddle"), 2), (shipped_item("lute"), 1)], "1 mm"))
    assert (both["cradle.opening"], both["cradle.out"]) == (40, 102)


def test_shafts_stand_plumb_between_clip_and_foot() -> None:
    poles = starting([(shipped_item("curtain-pole"), 4)], "1 mm")
    known = figures(poles)
    # 28 of shaft and 1 of play ask for a ring of 36 in 40 of pipe; 35 of rail and half of it is 55
    # off the wall.
    assert (known["clip.bore"], known["clip.mouth"]) == (36, Fraction("22.4"))
    assert (known["seat.plumb"], known["seat.offset"]) == (55, 55)
    skirted = amend(poles, {"foot": {"off": "18 mm"}})
    assert figures(skirted)["seat.offset"] == 37
    for brief in (poles, skirted):
        rack = build(brief)
        rail, foot, under = rack.parts
        # The foot board hangs under a rail of its own, as deep as takes a screw over it, and
        # nothing meets a shaft.
        assert (under.y, under.z) == (foot.y + foot.height, 0)
        assert under.depth - foot.z >= 15
        assert under.depth <= rail.depth + rack.glyph.out / 2 - 14
        for hole in rack.seats:
            assert foot.z + foot.depth - hole.across == rail.depth + rack.glyph.out / 2
            assert hole.along == rack.holders[hole.holder].x
    # They stand 20 deep in a board whose top is at 120: 1515 long, they end at 1615.
    hung = build(poles).hung[0]
    assert hung.y + poles.item.above == 1615
    assert not build(poles).findings


def test_no_holder_stands_on_a_seam_of_a_panel() -> None:
    mugs = starting([(shipped_item("enamel-mug"), 8)], "1 mm", "panel")
    rack = build(mugs)
    assert not rack.findings
    panel, *battens = rack.parts
    # Four mugs of 90 with 25 between: 460 of panel, and the two battens behind it carry its 21.
    assert (panel.length, [part.z + part.depth for part in battens], panel.z) == (460, [21, 21], 21)
    assert all(
        abs(hole.along - seam) > made.size / 2
        for hole, made in of_holders(rack)
        for seam in panel.seams
    )
    # Eight planks of 57.5 have a seam on every axis.
    on = amend(mugs, {"plank": {"width": "58 mm"}})
    assert [finding.code for finding in build(on).findings] == ["panel.seam"]


def test_planks_are_ripped_all_alike_or_only_the_last() -> None:
    assert planks(Fraction(460), Plank(width=Fraction(120))) == (115,) * 4
    assert planks(Fraction(460), Plank(width=Fraction(120), rip="last")) == (120, 120, 120, 100)
    # Each row's holders keep off seams as far as they reach: 10 are enough for a small hook, 20 not
    # for a large one.
    seams = Seams(MM, Fraction(400), ((Fraction(100), Fraction(5)), (Fraction(200), Fraction(40))))
    assert seams.hit(Plank(width=Fraction(110), rip="last")) == (20, 40)


def test_a_frame_counts_its_sides_where_they_stand_beside_the_boards() -> None:
    mugs = starting([(shipped_item("enamel-mug"), 8)], "1 mm", "panel")
    behind = amend(mugs, {"made": "frame"})
    flush = amend(behind, {"support": {"place": "flush"}})
    assert figures(behind)["overall"] == 460
    assert figures(flush)["overall"] == 460 + 2 * 45
    first, second, left, right = build(flush).parts
    assert (left.x, right.x, left.height) == (-45, 460, first.y + first.height - second.y)
    assert first.z == left.z == 0
    assert build(behind).parts[0].z == 21


def test_the_saw_eats_wood_between_rails_of_one_stick() -> None:
    saw, stick = Cutting(kerf=Fraction(3), trim=Fraction(5)), Fraction(1200)
    # Four rails of 300 are 1200, but with three cuts and two squared ends 1219: three come out.
    assert stick_needed(saw, Fraction(300), 4, "metric") == 1219
    assert rails_from(saw, stick, Fraction(300), "metric") == 3
    # 295.25 is as long as four can be: 1181 and 9 of kerf and 10 of trim.
    assert longest_from(saw, stick, 4, "metric") == Fraction("295.25")
    assert rails_from(saw, stick, Fraction(295), "metric") == 4
    assert rails_from(saw, stick, Fraction(1300), "metric") == 0


def test_halves_of_a_stick_are_told_why_they_do_not_come_out_of_it() -> None:
    cups = starting([(shipped_item("tin-cup"), 8)], "1 mm", "stacked")
    halves: Patch = {
        "rows": {"count": 2},
        "row": {"length": "600 mm"},
        "stick": {"length": "1200 mm"},
    }
    rack = build(amend(cups, halves))
    (finding,) = [one for one in rack.findings if one.code == "stacked.stick"]
    # A mitre saw takes 2.5 once, and 10 come off both ends.
    assert (
        "by 22.5 mm: the saw takes 2.5 mm at each cut, and 10 mm come off each end"
        in finding.message
    )
    shorter = next(fix for fix in finding.fixes if fix.label == "All of them 588 mm")
    settled = amend(amend(cups, halves), shorter.patch)
    assert {one.code for one in build(settled).findings} < {one.code for one in rack.findings}
    assert build(settled).row.length == 588
    # The rack and its cut plan know one saw.
    done = design(settled)
    assert not [one for one in done.findings if one.code == "stacked.stick"]
    assert figures(amend(cups, {"cutting": {"saw": "pull saw"}}))["stacked.kerf"] == Fraction("0.6")
    # What a brief said of a saw of its own is read as that of the plan.
    old = read_brief(
        dump(cups) | {"stick": {"length": "1200 mm", "kerf": "3 mm", "trim": "5 mm"}, "cutting": {}}
    )
    assert (old.cutting.takes("metric"), old.cutting.trim) == (3, 5)


@given(length=lengths(10, 2000), count=st.integers(1, 40), kerf=lengths(0, 8), trim=lengths(0, 30))
def test_the_stick_for_so_many_rails_gives_so_many(
    length: Fraction, count: int, kerf: Fraction, trim: Fraction
) -> None:
    saw = Cutting(kerf=kerf, trim=trim)
    needed = stick_needed(saw, length, count, "metric")
    assert rails_from(saw, needed, length, "metric") == count
    assert rails_from(saw, needed - Fraction(1, 100), length, "metric") == count - 1
    assert longest_from(saw, needed, count, "metric") == length


def test_stacked_rails_are_alike_and_hang_as_close_as_they_may() -> None:
    cups = starting([(shipped_item("tin-cup"), 9)], "1 mm", "stacked")
    rack = build(cups)
    assert not rack.findings
    assert len({(part.length, part.height, part.depth) for part in rack.parts}) == 1
    # A cup drops 80, is lifted 20 to come off, and the next stands up 15 over its peg.
    assert [upper.y - lower.y for upper, lower in pairwise(rack.rows)] == [115, 115]
    assert figures(cups)["stacked.lowest"] == rack.rows[-1].y


def test_sections_and_plans_stay_true_to_the_parts() -> None:
    done = design(FLASKS)
    boards = [stroke.path for stroke in done.section.strokes if stroke.role == "board"]
    assert boards[0][0] == ("M", (18.0, float(FLASKS.hung - 18)))
    assert done.plan
    assert [x for x, _ in done.plan.symbols[0].places] == [
        float(axis) for axis in done.rack.row.axes
    ]
    assert design(starting([(shipped_item("towel"), 3)], "1 mm")).plan is None


def test_rolls_lie_in_the_corner_of_peg_and_stile() -> None:
    mats = starting([(shipped_item("sleeping-mat"), 5)], "1 mm", "stile-pair")
    known, rack = figures(mats), build(mats)
    assert not rack.findings
    left, right = rack.parts
    # 630 long: held at the quarters, 315 over all with two stiles of 60; 157.5 reaches past each.
    assert (known["up.between"], known["overall"], known["up.past"]) == (
        195,
        315,
        Fraction("157.5"),
    )
    assert (left.x, right.x, left.along) == (0, 255, rack.row.length)
    # Both stiles carry the same marks; every mat lies once, in the middle of the two.
    assert rack.alike == ((0, 1),)
    assert [(len(rack.holders), len(rack.hung)), {one.x for one in rack.hung}] == [
        (10, 5),
        {Fraction("157.5")},
    ]
    # A roll of 160 on pegs at 10 degrees: its middle 80 tan 10 + 80 / cos 10 = 95.3 above the
    # corner, so its top 175.3.
    low, high = resting(mats.item, 10)
    assert (float(low), float(high)) == pytest.approx((15.34, 175.34), abs=0.01)
    peg = rack.holders[0]
    assert rack.hung[0].y - peg.y == rack.glyph.height / 2
    # To come off it rises 150 sin 10 = 26 over the tips.
    assert float(known["stile.lift"]) == pytest.approx(26.05, abs=0.01)
    # Poles are flat: they lie along the pegs, 100 sin 10 + 60 cos 10.
    poles = shipped_item("walking-poles").item
    assert [float(at) for at in resting(poles, 10)] == pytest.approx([0, 76.45], abs=0.01)


def test_boards_slide_into_slots_that_two_cheeks_share() -> None:
    boards = starting([(shipped_item("snow-board"), 4)], "1 mm")
    assert boards.family == "slotted-cheeks", "held by the edge: hooks would let them swing"
    known, rack = figures(boards), build(boards)
    assert not rack.findings
    # 14 in the slot and 2 of play: a 16 bit. At 15 degrees 90 of whole thickness takes 90 / cos 15
    # of the edge.
    assert known["slot.width"] == 16
    assert [float(known[key]) for key in ("slot.mouth", "slot.takes")] == pytest.approx(
        [16.564, 93.175], abs=1e-3
    )
    # Slots 120 along themselves: (120 - 8) cos 15 + 8 into the cheek of 150.
    assert [float(known[key]) for key in ("slot.in", "slot.web")] == pytest.approx(
        [116.184, 33.816], abs=1e-3
    )
    left, right, top, foot = rack.parts
    # 1510 long: 755 over all; the slats are what two cheeks of 21 leave of it.
    assert (known["overall"], top.length, foot.length) == (755, 713, 713)
    assert (top.x, right.x, top.y + top.height) == (21, 734, left.y + left.height)
    assert {one.kind: one.count for one in rack.machining} == {
        Kind.SLOT: 8,
        Kind.ROUND_BOTTOM: 8,
        Kind.SCREW_HOLE: 8,
        Kind.JOINT_PILOT: 8,
    }
    # The round bottom lies where the outline says: deep - w/2 along the slot.
    assert rack.outline
    ins = [x for _, ns in rack.outline.path for x in ns[::2]]
    assert -min(ins) == pytest.approx(float(known["slot.in"]), abs=1)


def test_ledges_straddle_their_post_and_hold_what_stands() -> None:
    lanterns = starting([(shipped_item("storm-lantern"), 4)], "1 mm", "ledge-post")
    known, rack = figures(lanterns), build(lanterns)
    assert not rack.findings
    # A ledge of 21 under a lantern of 340 with 60 of air: 421, tidied up to 425; half of that at
    # the ends.
    assert (known["row.pitch"], known["row.left"], known["row.length"]) == (
        425,
        Fraction("212.5"),
        1700,
    )
    # 175 in front of the post and 25 of horns behind: cut 200. The notch is the post's 70 and half
    # a millimetre.
    assert (known["ledge.cut"], known["ledge.notch"], known["ledge.horn"]) == (
        200,
        Fraction("70.5"),
        Fraction("49.75"),
    )
    post, *ledges = rack.parts
    (notch,) = (one for one in rack.machining if one.kind is Kind.NOTCH)
    assert {one.z + (notch.depth or 0) for one in ledges} == {post.depth}
    # It stands on the ledge, not in it.
    assert [hung.y for hung in rack.hung] == [one.y + one.height for one in ledges]
    assert [place.along for place in step(rack.machining, Kind.WALL_HOLE).places] == [
        425,
        850,
        1275,
    ]
    # The dowel goes through a horn of 50 and the post's 70, and 25 into the other horn.
    assert step(rack.machining, Kind.LEDGE_DOWEL).depth == known["ledge.bore"] == 145
    # Ledges of 200 would want a hole of 160: two dowels, each through 65 of horn and two fifths
    # into the post.
    wide = amend(lanterns, {"ledge": {"width": "200 mm"}})
    pins = step(build(wide).machining, Kind.LEDGE_DOWEL)
    assert (pins.count, pins.depth, pins.web) == (2 * 4, 65 + 28, 14)


def test_a_shelf_box_is_longer_than_its_bar_by_both_sides() -> None:
    mugs = starting([(shipped_item("enamel-mug"), 4)], "1 mm", "shelf-box")
    known, rack = figures(mugs), build(mugs)
    assert not rack.findings
    # 460 of bar, sides of 18 beside it, shelves 6 deep in both of them.
    assert (known["row.length"], known["overall"], known["box.shelf"]) == (460, 496, 472)
    # Jars of 180 and a hand of 40 above each shelf of 18; bar and top rail of 70.
    assert (known["box.clear"], known["tall"]) == (220, 70 + 2 * (18 + 220) + 70)
    upper = amend(mugs, {"shelf": {"upper": "110 mm"}})
    assert figures(upper)["tall"] == 616 - 70
    # 8 kg on 460 of softwood 18 by 120: 5 * 78.5 * 460^3 / (384 * 8500 * 58320) = 0.2 mm, of 1.5
    # allowed.
    assert sag(Fraction(460), Fraction(120), Fraction(18), 8000, "softwood") == pytest.approx(
        0.2006, abs=1e-3
    )
    assert known["box.sag"] == "0.2 mm"


def test_flip_pegs_fold_flush_into_grooves() -> None:
    capes = starting([(shipped_item("rain-cape"), 3)], "1 mm", "flip-rail")
    known, rack = figures(capes), build(capes)
    assert not rack.findings
    # Fingers of 130 by 24 by 20: the groove is 1 wider, and 130 + 10 + 2 long; flush, so 20 deep in
    # 26.
    assert (known["flip.groove"], known["flip.long"], known["flip.web"]) == (25, 142, 6)
    # 142 and 12 of wood at both ends ask for 166: a board of 170.
    assert (known["flip.board"], rack.parts[0].height) == (166, 170)
    # Open at 8 degrees: 130 cos 8 less the 10 that the pin lies behind the face.
    assert float(known["flip.out"]) == pytest.approx(118.735, abs=1e-3)
    # 150 N at 130 on 24 by 20 about a pin of 8: 6 * 150 * 130 * 20 / (24 * (8000 - 512)).
    assert known["flip.stress"] == "13.0 MPa"
    grooves = step(rack.machining, Kind.GROOVE)
    assert grooves.cut
    for place in grooves.places:
        assert place.across + grooves.cut[2] == 12
        assert place.across + grooves.cut[3] <= rack.parts[0].height - 12


def test_bicycles_hang_at_two_heights_half_a_pitch_apart() -> None:
    bikes = starting([(shipped_item("bicycle"), 4)], "1 mm")
    assert bikes.family == "high-rails"
    known, rack = figures(bikes), build(bikes)
    assert not rack.findings
    # Bars of 660, frames of 240 and 120 of air on both sides: 1140 on one rail, 570 from one
    # bicycle to the next.
    assert (known["row.pitch"], known["high.beside"], known["overall"]) == (1140, 570, 2280 + 570)
    assert (known["high.rule"], rack.alike) == (4 * 450, ((0, 1),))
    upper, lower = rack.parts
    assert (lower.x, upper.y - lower.y, lower.length) == (570, 300, upper.length)
    assert sorted(one.x for one in rack.hung) == [570, 1140, 1710, 2280]
    # 1750 long below a throat of 40, 300 lower, with 100 under the wheel: hung at 2190; 2400 - 2190
    # - 20 is left.
    assert (bikes.hung, known["high.head"]) == (2190, 190)
    five = build(starting([(shipped_item("bicycle"), 5)], "1 mm"))
    assert [one.row.count for one in five.rows] == [3, 2]
    assert five.rows[1].row.axes == five.rows[0].row.axes[:2]


def test_a_perch_slopes_to_its_stop_on_brackets() -> None:
    helmets = starting([(shipped_item("climbing-helmet"), 4)], "1 mm", "perch")
    known, rack = figures(helmets), build(helmets)
    assert not rack.findings
    # 160 deep at 10 degrees: its front 27.8 lower, and 160 + 18 tan 10 wide on its upper face.
    assert [float(known[key]) for key in ("perch.lower", "perch.cut")] == pytest.approx(
        [27.784, 163.174], abs=1e-3
    )
    # Brackets carry seven tenths of it, and stand at most 600 apart on 1040.
    assert (float(known["perch.bracket"]), known["perch.leg"]) == (112, Fraction("100.8"))
    assert sum(part.name.startswith("Bracket") for part in rack.parts) == 3
    plate, shelf, stop = rack.parts[:3]
    assert shelf.y + shelf.height == pytest.approx(plate.y + plate.height)
    assert stop.z > shelf.z
    assert stop.y + stop.height < plate.y + plate.height + 25


def test_what_does_not_lie_hangs_on_one_post() -> None:
    mugs = starting([(shipped_item("enamel-mug"), 5)], "1 mm", "stile-pair")
    rack = build(mugs)
    (post,) = rack.parts
    assert (len(rack.holders), post.along, rack.up) == (5, rack.row.length, True)
    # A mug reaches 112 below its peg and 18 above: with 25 of air 155 from peg to peg.
    assert figures(mugs)["row.pitch"] == 155
    assert [hole.along for hole, _ in of_holders(rack)] == list(rack.row.axes)
    assert {hole.across for hole, _ in of_holders(rack)} == {post.length / 2}
    # The rows that a panel had wait until it is one again.
    panel = starting([(shipped_item("enamel-mug"), 8)], "1 mm", "panel")
    post_of = amend(panel, {"family": "stile-pair"})
    assert "rows.capped" not in {finding.code for finding in build(post_of).findings}
    assert amend(post_of, {"family": "panel"}).rows == panel.rows


def test_the_most_fitting_way_comes_first_with_its_reason() -> None:
    def best(*keys: str) -> str:
        items = tuple(shipped_item(key).item for key in keys)
        assert all(fitness.why for _, fitness in ranked(items))
        return ranked(items)[0][0].key

    assert best("waxed-jacket") == best("enamel-mug", "felt-hat") == "rail"
    assert best("flask") == best("stem-glass", "flask") == "hole-rail"
    assert best("fiddle", "lute") == "cradle"
    assert best("curtain-pole", "boat-oar") == "upright"


@pytest.mark.parametrize("key", ITEM_KEYS)
def test_whatever_suits_a_thing_starts_settled(key: str) -> None:
    listed = shipped_item(key)
    offered = ranked((listed.item,))
    assert offered[0][1].score >= 1, "nothing is turned away"
    for family, fitness in offered:
        if fitness.score < 2:
            continue
        for count in (1, 5, 9):
            rack = build(starting([(listed, count)], "1/16 in", family.key))
            assert not rack.findings, (family.key, rack.findings)
            assert rack.machining
            assert len(rack.hung) == count, "as many as were asked for, in however many rows"


@pytest.mark.parametrize("tape", ["1 mm", "1/16 in"])
def test_changing_the_way_keeps_what_both_ask(tape: TapeName) -> None:
    rail = amend(
        starting([(shipped_item("flask"), 4)], tape, "rail"),
        {
            "hung": "1500 mm",
            "row": {"air": "40 mm"},
            "board": {"wood": "hardwood"},
            "holder": {"tilt": 7},
        },
    )
    shelf = amend(rail, {"family": "hole-rail"})
    assert (shelf.hung, shelf.row, shelf.board, shelf.item, shelf.tape) == (
        rail.hung,
        rail.row,
        rail.board,
        rail.item,
        tape,
    )
    panel = amend(rail, {"family": "panel"})
    assert dump(panel)["holder"] == dump(rail)["holder"]
    assert dump(amend(shelf, {"family": "rail"}))["holder"]["kind"] == "hook", (
        "a hole rail has none to keep"
    )


@pytest.mark.parametrize("family", ["shed", "", None, 7, ["rail"]])
def test_a_way_that_there_is_not_is_refused_by_name(family: object) -> None:
    with pytest.raises(BriefError):
        amend(FLASKS, {"family": family})


@pytest.mark.parametrize("family", FAMILIES)
def test_the_choices_of_a_family_are_fields_of_its_brief(family: str) -> None:
    brief = starting([(shipped_item("flask"), 3)], "1 mm", family)
    known = {figure.key for figure in build(brief).figures}
    document = dump(brief)
    for section in FAMILIES[family].choices(brief):
        assert section.title
        assert known >= set(section.figures)
        for field in section.fields:
            *way, last = field.path.split(".")
            place = document
            for key in way:
                place = place[key]
            assert last in place, field.path
            if field.options:
                assert place[last] in {option.value for option in field.options}
            if place[last] is None:
                assert field.figure in known, f"{field.path} has to say what it then is"
            for option in field.options:
                patch: Patch = {last: option.value}
                for key in reversed(way):
                    patch = {key: patch}
                assert build(amend(brief, patch)).parts


def test_the_most_on_a_wall_respects_what_a_way_can_have() -> None:
    poles = starting([(shipped_item("curtain-pole"), 4)], "1 mm")
    found = most_on(poles, Fraction(1000))
    # Poles 60 wide with 40 between: ten own 100 mm each.
    assert (found.things, found.rows) == (10, 1)
    cups = starting([(shipped_item("tin-cup"), 4)], "1 mm", "panel")
    assert most_on(cups, Fraction(500)).rows > 3


@pytest.mark.parametrize(("off", "offset"), [("0 mm", 55), ("18 mm", 37), ("40 mm", 15)])
def test_a_skirting_comes_off_the_foot_offset(off: str, offset: int) -> None:
    poles = amend(starting([(shipped_item("curtain-pole"), 4)], "1 mm"), {"foot": {"off": off}})
    assert figures(poles)["seat.offset"] == offset
    codes = [finding.code for finding in build(poles).findings]
    # A hole of 32 wants 12 of wood behind it: 28 from the edge.
    assert ("upright.foot" in codes) == (offset < 28)


def test_each_shaft_has_a_ring_and_a_foot_hole_of_its_own() -> None:
    # A pole of 28 with 1 of play takes the pipe of 36 inside, 40 outside; an oar of 46 that of 59
    # and 63.
    mixed = starting(
        [(shipped_item("curtain-pole"), 2), (shipped_item("boat-oar"), 2)], "1 mm", "upright"
    )
    rack = build(mixed)
    rings = [(one.size, one.count) for one in rack.machining if one.kind is Kind.RING]
    assert sorted(rings) == [(40, 2), (63, 2)]
    # Plumb: the rail's 35 and half a ring; the hole is the shaft's and 4 of play, to the next bit.
    feet = {one.bit: 110 - one.across for one in rack.seats}
    assert feet == {32: 55, 51: Fraction("66.5")}
    assert all(
        rack.glyphs[one.glyph].width == (40 if seat.bit == 32 else 63)
        for one, seat in zip(rack.holders, rack.seats, strict=True)
    )
    shown = figures(mixed)
    assert (shown["clip.mouth"], shown["clip.mouth.2"]) == (Fraction("36.8"), Fraction("22.4"))
    alike = build(amend(mixed, {"clip": {"held": "46 mm"}}))
    assert {one.bit for one in alike.seats} == {51}
    assert len(alike.glyphs) == 1


@pytest.mark.parametrize(
    ("key", "stands"), [("garden-spade", 0), ("broom", 0), ("curtain-pole", 3), ("hay-rake", 1)]
)
def test_no_foot_hole_takes_a_blade(key: str, stands: int) -> None:
    assert FAMILIES["upright"].suits((shipped_item(key).item,)).score == stands


def test_what_hangs_from_two_hooks_stands_in_one_ring_midway() -> None:
    mats = build(starting([(shipped_item("door-mat"), 3)], "1 mm", "upright"))
    assert [one.x for one in mats.holders] == [one.x for one in mats.hung]
    assert len(mats.seats) == 3


def test_a_rail_that_the_shortest_does_not_reach_is_lowered_to_it() -> None:
    poles = amend(
        starting([(shipped_item("curtain-pole"), 4)], "1 mm"), {"item": {"below": "900 mm"}}
    )
    (short,) = [finding for finding in build(poles).findings if finding.code == "upright.short"]
    # Feet at 100, 915 long, 30 to spare.
    assert short.limit == 985
    assert not build(amend(poles, short.fixes[0].patch)).findings


@pytest.mark.parametrize("family", FAMILIES)
@pytest.mark.parametrize("counts", [(3, 2), (1, 1), (4, 5)])
def test_of_several_kinds_as_many_hang_as_were_asked_for(
    family: str, counts: tuple[int, int]
) -> None:
    hangs = [
        (shipped_item(key), count) for key, count in zip(("fiddle", "lute"), counts, strict=True)
    ]
    rack = build(starting(hangs, "1 mm", family))
    assert Counter(hung.kind for hung in rack.hung) == {"": counts[0], "lute": counts[1]}


@given(count=st.integers(1, 60), rows=st.integers(1, 6))
def test_things_are_shared_out_over_rows_to_the_last_one(count: int, rows: int) -> None:
    shared = in_rows({"row": {"count": count, "order": ()}}, rows)
    own = shared["rows"].get("own", ())
    held = shared["row"]["count"] * shared["rows"]["count"]
    if own:
        held += own[-1]["count"] - shared["row"]["count"]
        assert len(own) == shared["rows"]["count"]
        assert 1 <= own[-1]["count"] < shared["row"]["count"]
    assert held == count
    assert shared["rows"]["count"] <= min(rows, count)


def test_a_foot_hole_leaves_wood_under_the_shaft_and_the_board_stays_above_the_floor() -> None:
    poles = starting([(shipped_item("curtain-pole"), 4)], "1 mm")
    deep = amend(poles, {"foot": {"deep": "32 mm"}})
    (through,) = build(deep).findings
    # 35 of board less 32 of hole: 3, where 5 has to stay.
    assert (through.code, through.value, [fix.label for fix in through.fixes]) == (
        "upright.through",
        3,
        ["Holes 30 mm deep", "Foot board 38 mm thick"],
    )
    sunk = amend(poles, {"foot": {"top": "25 mm"}})
    (floor,) = build(sunk).findings
    assert (floor.code, floor.fixes[0].label) == ("upright.floor", "Its top at 35 mm")
    assert not build(amend(sunk, floor.fixes[0].patch)).findings


def test_a_shelf_is_screwed_as_deep_as_it_can_be_and_never_through() -> None:
    def pilot(**patch: object) -> Operation:
        return step(build(amend(FLASKS, patch)).machining, Kind.JOINT_PILOT)

    # 32 into the shelf's 90, through 18 of plate: screws of 50.
    assert (pilot().depth, pilot().web, "screws of 50 mm" in pilot().note) == (32, 58, True)
    assert "screws of 60 mm" in pilot(back={"thickness": "30 mm"}).note
    shallow = pilot(board={"height": "30 mm"})
    assert (shallow.depth, shallow.web) == (20, 10)


def test_no_hook_hides_the_screws_of_a_frame() -> None:
    keys = starting([(shipped_item("room-key"), 12)], "1 mm", "panel")
    tight = amend(
        keys,
        {"made": "frame", "row": {"ends": {"rule": "margin", "left": "20 mm", "right": "20 mm"}}},
    )
    (joint,) = [finding for finding in build(tight).findings if finding.code == "panel.joint"]
    # Hooks at 20, the screws in the middle of a side of 45.
    assert joint.value == Fraction("2.5")
    flush = build(amend(tight, joint.fixes[0].patch))
    assert "panel.joint" not in {finding.code for finding in flush.findings}
    assert "panel.joint" not in {
        finding.code
        for finding in build(amend(keys, {"made": "frame", "support": {"width": "20 mm"}})).findings
    }


@pytest.mark.parametrize("family", FAMILIES)
@pytest.mark.parametrize("count", [1, 2, 5, 8])
def test_a_rack_begins_with_as_many_as_were_asked_for(family: str, count: int) -> None:
    item = {"ledge-post": "storm-lantern", "cradle": "fiddle", "upright": "curtain-pole"}.get(
        family, "enamel-mug"
    )
    rack = build(starting([(shipped_item(item), count)], "1 mm", family))
    assert sum(not hung.spare for hung in rack.hung) == count


def test_rear_boards_close_the_gaps_of_a_frame() -> None:
    asked: Patch = {
        "made": "frame",
        "support": {"gaps": "boards"},
        "rows": {"count": 3, "drop": "220 mm"},
    }
    cups = amend(starting([(shipped_item("tin-cup"), 9)], "1 mm", "panel"), asked)
    rack = build(cups)
    fronts = [part for part in rack.parts if part.name.startswith("Cross")]
    rears = [part for part in rack.parts if part.key.startswith("rear")]
    # Rows 220 apart on boards of 70 leave gaps of 150; the rear boards reach 15 behind each.
    assert [part.height for part in rears] == [220 - fronts[0].height + 30] * 2
    assert figures(cups)["panel.rear"] == rears[0].height
    for rear, (upper, under) in zip(rears, pairwise(fronts), strict=True):
        assert rear.y == under.y + under.height - 15
        assert rear.y + rear.height == upper.y + 15
        assert rear.z + rear.depth == upper.z
        assert (rear.x, rear.length) == (45, rack.row.length - 90)
    assert not [
        part
        for part in build(amend(cups, {"support": {"place": "flush"}})).parts
        if part.key.startswith("rear")
    ]
