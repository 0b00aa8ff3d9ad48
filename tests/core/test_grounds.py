"""What of a rack lies on its wall: bodies, screw lines clear of everything, and the loads that come
on each.
"""

from dataclasses import replace
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from tests.core.test_findings import SITES
from tests.metric import shipped_item, starting, starting_brief
from tests.strategies import briefs
from yardcliff.core.brief.mounting import By, Mount
from yardcliff.core.design.change import amend
from yardcliff.core.materials.sold import LAG_LENGTHS, SCREW_LENGTHS
from yardcliff.core.rack import Rack
from yardcliff.core.strength.force import newtons
from yardcliff.core.units.exact import Fraction
from yardcliff.core.wall.anchors import FITTING, anchors, drive, ratings
from yardcliff.core.wall.bodies import DEEPEST, bodies
from yardcliff.core.wall.grounds import lines, plate_room, plates_hide
from yardcliff.core.wall.loading import Bearing, Group, Load, loads, pulls
from yardcliff.core.wall.survey import areas, around, open_places, stretch
from yardcliff.core.wall.wall import Wall
from yardcliff.core.ways import FAMILIES, Brief, build


def rack(item: str, count: int, family: str | None = None, **patch: object) -> Rack:
    return build(amend(starting([(shipped_item(item), count)], "1 mm", family), patch))


# What each way of building is fixed by, body by body.
GROUNDS = {
    "rail": ("enamel-mug", [["board"]]),
    "stacked": ("tin-cup", [["rail-1"], ["rail-2"], ["rail-3"]]),
    "panel": ("enamel-mug", [["batten-1", "batten-2"]]),
    "hole-rail": ("flask", [["back-1"]]),
    "cradle": ("fiddle", [["back-plate"]]),
    "upright": ("curtain-pole", [["clip-rail"], ["foot-rail"]]),
    "stile-pair": ("sleeping-mat", [["left-stile"], ["right-stile"]]),
    "slotted-cheeks": ("serving-tray", [["slat-1", "slat-2"]]),
    "ledge-post": ("storm-lantern", [["post"]]),
    "shelf-box": ("enamel-mug", [["bar", "rail"]]),
    "flip-rail": ("rain-cape", [["board"]]),
    "high-rails": ("bicycle", [["rail-1"], ["rail-2"]]),
    "perch": ("climbing-helmet", [["back-plate"]]),
    "angled-rail": ("tin-cup", [["wall-bracket"]]),
}


def test_every_way_of_building_is_tried_here() -> None:
    assert GROUNDS.keys() == FAMILIES.keys()


@pytest.mark.parametrize("family", GROUNDS)
def test_a_rack_hangs_by_the_parts_that_lie_on_the_wall(family: str) -> None:
    item, expected = GROUNDS[family]
    made = rack(item, 6 if family != "high-rails" else 4, family)
    found = bodies(made)
    assert [[part.key for part in body.grounds] for body in found] == expected
    for body in found:
        assert lines(made, body, "through"), "every body has a place for a screw"
        assert body.low == min(part.y for part in body.grounds)


def test_what_is_hooked_on_hangs_by_the_half_on_the_wall() -> None:
    bikes = rack("bicycle", 4, "high-rails", aside={"stands": "right"})
    assert [[part.key for part in body.grounds] for body in bodies(bikes)][2] == ["wall-cleat"]


def test_a_screw_goes_through_what_lies_flat_on_its_ground() -> None:
    # Planks of 21 before battens of 21; spacers of 29 before a backer of 18; a bare rail of 21.
    panel = rack("enamel-mug", 8, "panel")
    assert {line.wood for line in lines(panel, bodies(panel)[0], "through")} == {Fraction(42)}
    fingers = rack(
        "peaked-cap", 6, "flip-rail", turns="rod", board={"thickness": "18 mm", "height": "110 mm"}
    )
    assert {line.wood for line in lines(fingers, bodies(fingers)[0], "through")} == {Fraction(47)}
    rail = rack("enamel-mug", 6)
    assert {line.wood for line in lines(rail, bodies(rail)[0], "through")} == {Fraction(21)}
    # No screw where two planks meet.
    seams = [panel.part("panel").x + seam for seam in panel.part("panel").seams]
    for line in lines(panel, bodies(panel)[0], "through"):
        assert not any(a < seam < b for seam in seams for a, b in line.free)


def test_where_lines_of_screws_run() -> None:
    def ys(by: By, **patch: Any) -> list[tuple[Fraction, ...]]:
        made = rack("waxed-jacket", 6, **patch)
        return [line.ys for line in lines(made, bodies(made)[0], by)]

    # From 100 on two lines keep a board flat, 15 in; a strip runs 40 below the top, of a board
    # whose top is at 1710.
    assert [len(heights) for heights in ys("through", board={"height": "99 mm"})] == [1]
    assert ys("through", board={"height": "100 mm"}) == [(1685, 1615)]
    assert ys("cleat") == [(1670,)]
    # Through a panel of 40 and its batten of 21, and through nothing thicker.
    for thick, wood in ((40, [61, 61]), (41, [])):
        made = rack("tin-cup", 6, "panel", board={"thickness": f"{thick} mm"})
        assert [line.wood for line in lines(made, bodies(made)[0], "through")] == wood


def test_sides_are_held_by_what_they_stand_between() -> None:
    frame = rack("tin-cup", 6, "panel", made="frame", support={"place": "flush"}, rows={"count": 2})
    (body,) = bodies(frame)
    assert {part.key for part in body.grounds} > {
        line.part.key for line in lines(frame, body, "through")
    }
    assert all(line.wide for line in lines(frame, body, "through"))


def test_no_screw_goes_through_a_board_on_edge() -> None:
    # Cheeks of 90 stand on edge; their slats lie flat on the wall, and a foot board has nothing
    # else.
    boards = rack(
        "snow-board", 3, "slotted-cheeks", board={"height": "90 mm"}, slot={"depth": "50 mm"}
    )
    assert [part.key for part in bodies(boards)[0].grounds] == ["slat-1", "slat-2"]
    assert [part.key for part in bodies(rack("curtain-pole", 4, "upright"))[1].grounds] == [
        "foot-rail"
    ]


def test_brackets_and_shelves_are_in_the_way() -> None:
    shelf = rack("towel", 6, "rail", top={"joint": "on top"})
    (line,) = lines(shelf, bodies(shelf)[0], "through")
    brackets = [part for part in shelf.parts if part.key.startswith("bracket")]
    assert brackets
    for part in brackets:
        assert not any(a < part.x + part.length / 2 < b for a, b in line.free)


def test_a_post_takes_screws_up_its_height_clear_of_its_ledges() -> None:
    lanterns = rack("storm-lantern", 3, "ledge-post")
    (line,) = lines(lanterns, bodies(lanterns)[0], "through")
    assert not line.wide
    assert line.least == 1
    assert list(line.ys) == sorted(line.ys, reverse=True)
    assert all(a - b <= 620 for a, b in zip(line.ys, line.ys[1:], strict=False))
    for part in lanterns.parts:
        if part.key.startswith("ledge"):
            assert not any(part.y < y < part.y + part.height for y in line.ys)


@given(
    brief=briefs, by=st.sampled_from(["through", "items", "plates", "keyholes", "cleat", "mirrors"])
)
@cases(150)
def test_lines_are_on_their_boards_and_clear_of_holders(brief: Brief, by: str) -> None:
    made = build(brief)
    seen = [part.key for body in bodies(made) for part in body.parts]
    assert len(seen) == len(set(seen)), "no part hangs twice"
    for body in bodies(made):
        assert all(part.z == 0 and part.depth <= DEEPEST for part in body.grounds)
        for line in lines(made, body, by):  # type: ignore[arg-type]
            part = line.part
            assert line.free == tuple(sorted(line.free))
            for a, b in line.free:
                assert a <= b
                if by != "mirrors":
                    assert part.x <= a
                    assert b <= part.x + part.length
            for y in line.ys:
                assert part.y <= y <= part.y + part.height
            if by == "through" and line.wide:
                for holder in made.holders:
                    row, glyph = made.rows[holder.row], made.glyph_of(holder.row)
                    if row.part != part.key or row.up or not glyph.solid:
                        continue
                    half, tall = glyph.width / 2, glyph.height / 2
                    for y in line.ys:
                        if abs(y - holder.y) < tall:
                            assert not any(
                                a < holder.x + half and holder.x - half < b for a, b in line.free
                            )


def test_only_plates_with_two_screws_and_room_between_them_hide_one() -> None:
    coats = build(starting_brief("waxed-jacket", 6, "1 mm"))
    # A plate of 30, its screws 56 apart less a head of 10: 30 of room, 14 wanted.
    assert plate_room(coats) == 30
    assert plates_hide(coats)
    assert plate_room(build(starting_brief("enamel-mug", 6, "1 mm"))) == 0


def test_each_body_bears_what_hangs_on_it_and_its_own_wood() -> None:
    mats = rack("sleeping-mat", 4, "stile-pair")
    left, right = loads(mats, bodies(mats))
    # Four mats of 450 g lie on both stiles: half of each on either.
    for side in (left, right):
        assert sum(load.weight for load in side if load.thing) == pytest.approx(
            newtons(4 * 450) / 2
        )
    assert {load.x for load in left if load.thing} != {load.x for load in right if load.thing}
    # Shafts stand on the foot board; the clip rail only bears itself.
    poles = rack("curtain-pole", 4, "upright")
    rail, foot = loads(poles, bodies(poles))
    assert sum(load.weight for load in rail if load.thing) == 0
    assert {load.out for load in rail if load.thing} == {150}, (
        "somebody pulls at a shaft in its clip"
    )
    assert sum(load.weight for load in foot if load.thing) == pytest.approx(newtons(4 * 1200))
    seat = poles.seats[0]
    board = poles.part(seat.part)
    assert {load.lever for load in foot if load.thing} == {
        float(board.z + board.depth - seat.across)
    }
    # Half the bicycles on either rail, and a spare place bears nothing.
    bikes = rack("bicycle", 4, "high-rails")
    assert [
        sum(load.weight for load in one if load.thing) for one in loads(bikes, bodies(bikes))
    ] == pytest.approx([newtons(2 * 13500)] * 2)
    spare = rack("waxed-jacket", 4, "rail", row={"spares": 1})
    assert sum(
        load.weight for load in loads(spare, bodies(spare))[0] if load.thing
    ) == pytest.approx(newtons(3 * 2600))
    # Shelves bear what their brief says, beside the wood: 8 kg each in a box of two, 5 kg on the
    # one above a rail.
    box, shelf = (
        rack("enamel-mug", 6, "shelf-box"),
        rack("enamel-mug", 6, "rail", top={"joint": "on top", "load": "5 kg"}),
    )
    for made, stored in ((box, 16_000), (shelf, 5_000)):
        boards = sum(float(part.length * part.height * part.depth) for part in made.parts) / 1e6
        found = sum(load.weight for load in loads(made, bodies(made))[0] if not load.thing)
        assert found == pytest.approx(newtons(stored + boards * 480))
    aside = rack("bicycle", 4, "high-rails", aside={"stands": "right", "load": "7 kg"})
    assert sum(part.bears_g for part in aside.parts) == 7000


def test_what_hangs_lies_or_is_held_in_a_shelf_has_its_own_lever() -> None:
    def lever(made: Rack) -> float:
        return next(load.lever for load in loads(made, bodies(made))[0] if load.thing)

    coats = build(starting_brief("waxed-jacket", 6, "1 mm"))
    assert lever(coats) == pytest.approx(21 + 0.82 * 60)  # in the crook of a hook 60 out
    flasks = rack("flask", 5)
    shelf = flasks.part("shelf-1")
    assert lever(flasks) == float(shelf.z + shelf.depth - flasks.rows[0].across)
    mats = rack("sleeping-mat", 4, "stile-pair")
    assert lever(mats) == pytest.approx(35 + float(next(iter(mats.kinds.values())).front) / 2)


LOADS = st.lists(
    st.builds(
        Load,
        st.floats(1, 400),
        st.floats(-300, 2000),
        st.floats(5, 400),
        st.floats(0, 500),
        st.floats(0, 300),
        st.floats(0, 300),
    ),
    min_size=1,
    max_size=8,
)


@given(xs=st.lists(st.integers(0, 2000), min_size=2, max_size=6, unique=True), on=LOADS)
@cases(200)
def test_forces_of_a_group_are_in_balance(xs: list[int], on: list[Load]) -> None:
    weights = [load.weight for load in on]
    shared = Group(sorted(xs)).shared((load.weight, load.x) for load in on)
    assert sum(shared) == pytest.approx(sum(weights))
    moments = sum(force * x for force, x in zip(shared, sorted(xs), strict=True))
    assert moments == pytest.approx(sum(load.weight * load.x for load in on), rel=1e-6, abs=1e-3)


@given(
    xs=st.lists(st.integers(0, 2000), min_size=1, max_size=6, unique=True),
    on=LOADS,
    high=st.integers(20, 400),
)
@cases(200)
def test_a_hand_that_pulls_makes_nothing_lighter(xs: list[int], on: list[Load], high: int) -> None:
    fixings = [(float(x), float(high)) for x in sorted(xs)]
    calm = [replace(load, down=0.0, out=0.0) for load in on]
    still, tugged = (pulls(fixings, each, Bearing(0, 500), 400, 400) for each in (calm, on))
    assert all(after.share >= before.share for before, after in zip(still, tugged, strict=True))
    # Twice as high above the foot, what stands out turns the board half as hard.
    lower, upper = (
        pulls([(x, up) for x, _ in fixings], calm, Bearing(0, 500), 1, 1e12)
        for up in (high / 2, high)
    )
    assert max(pull.pull for pull in lower) == pytest.approx(2 * max(pull.pull for pull in upper))


@pytest.mark.parametrize("key", anchors("metric"))
@given(wood=st.integers(0, 100), lining=st.integers(6, 40))
@cases(40)
def test_a_screw_is_the_next_that_is_sold_and_holds_enough(
    key: str, wood: int, lining: int
) -> None:
    anchor = next(one for one in anchors("metric").values() if one.key == key)
    wall = Wall(lining=Fraction(lining))
    sold = [one for one in (LAG_LENGTHS if anchor.lag else SCREW_LENGTHS).metric if one >= 30]
    driven = drive(anchor, Fraction(wood), wall)
    assert driven.length in sold
    assert driven.thread <= driven.hold
    passed = wood + lining
    least = {"screws": 30, "steel": 30, "lags": 60, "plugs": 50}.get(key)
    if least:
        assert driven.length == min(
            (long for long in sold if long >= passed + least), default=sold[-1]
        )
    elif key == "sheet":
        assert driven.length <= passed + 15 or driven.length == sold[0], (
            "its point is no danger behind"
        )
        assert driven.hold <= lining
        assert driven.thread <= max(float(driven.length - wood), 0.0)
    else:
        assert driven.length >= min(passed + anchor.behind, sold[-1]), "the wings open behind"
    through = ratings(anchor, driven, Fraction(wood), wall, "through", Mount())
    packet = ratings(
        anchor, driven, Fraction(wood), wall, "through", Mount(pull=40_000, shear=80_000)
    )
    assert packet == pytest.approx((98.1, 196.2)), (
        "a quarter of what the packet says, for either way by itself"
    )
    back = ratings(anchor, driven, Fraction(wood), wall, "keyholes", Mount(pull=100_000, factor=1))
    assert back[0] == FITTING, "no packet of the anchor's makes the plate stronger"
    assert back[1] <= through[1]


@given(brief=briefs, hand=st.integers(0, 60))
@cases(60)
def test_open_places_are_those_that_meet_nothing(brief: Brief, hand: int) -> None:
    own, site = areas(build(brief)), SITES["ab"]
    there = [area for one in site.neighbours for area in one.areas]
    places = open_places(site, own, there, Fraction(hand))
    box = around(own)
    for x in range(0, 3601, 97):
        here = [one.moved(Fraction(x)) for one in own]
        inside = hand <= x + box.x0 and x + box.x1 <= site.wall.width - hand
        clear = all(
            max(o.x0 - h.x1, h.x0 - o.x1) >= hand for h in here for o in there if h.beside(o)
        )
        assert any(a <= x <= b for a, b in places) == (inside and clear), x


def test_a_gap_is_between_what_is_at_the_same_height() -> None:
    site = SITES["ab"]
    coats = areas(build(starting_brief("waxed-jacket", 3, "1 mm")))
    # Beside the door to the switch; in the door, the widest that is free.
    assert stretch(site, coats, Fraction(1200)) == (900, 3300)
    assert stretch(site, coats, Fraction(0)) == (900, 3300)
    # Above the door only the hats are in the way.
    high = areas(build(amend(starting_brief("felt-hat", 2, "1 mm"), {"hung": "2200 mm"})))
    assert stretch(site, high, Fraction(400)) == (0, 3600)
