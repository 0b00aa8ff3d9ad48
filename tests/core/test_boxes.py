"""Ways of building of several parts, and holders as a kit: what follows from one figure follows in
every part.
"""

from itertools import pairwise
from math import cos, hypot, radians, sin, tan

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from tests.core.test_uprights import codes, figures
from tests.features import of_holders, step
from tests.metric import shipped_item, starting
from yardcliff.core.design.change import amend, dump
from yardcliff.core.design.rack_design import design
from yardcliff.core.findings.finding import Patch
from yardcliff.core.holders.flip import Flip, groove, tall
from yardcliff.core.materials.goods import Goods, Ware
from yardcliff.core.materials.sold import thicknesses
from yardcliff.core.rack import Kind, Part
from yardcliff.core.shapes.geometry import points
from yardcliff.core.strength.wood import sag
from yardcliff.core.units.exact import Fraction
from yardcliff.core.ways import FAMILIES, Brief, build
from yardcliff.core.ways.joinery import BITE, clearance, meet, screwed
from yardcliff.core.ways.prisms import prism

MUGS = starting([(shipped_item("enamel-mug"), 4)], "1 mm", "shelf-box")
CAPES = starting([(shipped_item("rain-cape"), 3)], "1 mm", "flip-rail")
BIKES = starting([(shipped_item("bicycle"), 4)], "1 mm", "high-rails")
HELMETS = starting([(shipped_item("climbing-helmet"), 4)], "1 mm", "perch")
HOLDERS: list[Patch] = [
    {"kind": "hook", "plate_height": "80 mm", "screw_spacing": "56 mm"},
    {"kind": "peg"},
    {"kind": "bent"},
    {"kind": "bolt"},
]


def parts(brief: Brief, name: str) -> list[Part]:
    return [part for part in build(brief).parts if part.name.startswith(name)]


mm = st.integers(5, 400)


@given(
    count=st.integers(1, 5),
    tallest=mm,
    upper=st.none() | mm,
    hand=st.integers(0, 120),
    thick=st.integers(6, 30),
)
@cases(80)
def test_shelves_stand_as_far_apart_as_what_stands_on_them(
    count: int, tallest: int, upper: int | None, hand: int, thick: int
) -> None:
    shelf: Patch = {
        "count": count,
        "tallest": f"{tallest} mm",
        "hand": f"{hand} mm",
        "thickness": f"{thick} mm",
    }
    if upper is not None:
        shelf["upper"] = f"{upper} mm"
    brief = amend(MUGS, {"shelf": shelf})
    shelves, (bar,), (rail,) = parts(brief, "Shelf"), parts(brief, "Bar"), parts(brief, "Top rail")
    assert len(shelves) == count
    assert shelves[0].y == bar.y + bar.height
    above = [*(shelf.y for shelf in shelves[1:]), rail.y]
    rooms = [top - shelf.y - shelf.height for shelf, top in zip(shelves, above, strict=True)]
    assert rooms == [tallest + hand, *[(tallest if upper is None else upper) + hand] * (count - 1)]
    left, right = parts(brief, "Left side") + parts(brief, "Right side")
    assert left.height == right.height == figures(brief)["tall"] == rail.y + rail.height - bar.y


@given(side=st.integers(9, 40), groove_=st.integers(1, 9), length=st.integers(200, 2000))
@cases(60)
def test_every_length_of_a_box_comes_from_the_one_between_its_sides(
    side: int, groove_: int, length: int
) -> None:
    brief = amend(
        MUGS,
        {
            "side": f"{side} mm",
            "shelf": {"groove": f"{groove_} mm"},
            "row": {"length": f"{length} mm"},
        },
    )
    lengths = {
        name: {part.length for part in parts(brief, name)}
        for name in ("Bar", "Top rail", "Shelf", "Guard rail")
    }
    assert lengths == {
        "Bar": {length},
        "Top rail": {length},
        "Shelf": {length + 2 * groove_},
        "Guard rail": {length + 2 * side},
    }
    assert ("box.groove" in codes(brief)) == (groove_ > side / 2)


@given(length=st.integers(300, 2000), load=st.integers(500, 60000))
@cases(60)
def test_a_shelf_that_sags_is_as_thick_as_it_has_to_be_by_its_fix(length: int, load: int) -> None:
    brief = amend(MUGS, {"row": {"length": f"{length} mm"}, "shelf": {"load": load}})
    found = [finding for finding in build(brief).findings if finding.code == "box.sag"]
    bend = sag(Fraction(length), Fraction(120), Fraction(18), load, "softwood")
    assert bool(found) == (bend > length / 300)
    if found:
        thick = int(found[0].fixes[0].patch["shelf"]["thickness"].split()[0])
        assert (
            sag(Fraction(length), Fraction(120), Fraction(thick), load, "softwood") <= length / 300
        )
        thinner = [sold for sold in thicknesses("softwood", "metric") if sold < thick]
        assert not thinner or (
            sag(Fraction(length), Fraction(120), thinner[-1], load, "softwood") > length / 300
        )


def test_hardwood_sags_less_and_twice_the_length_eight_times() -> None:
    one = sag(Fraction(600), Fraction(120), Fraction(18), 8000, "softwood")
    assert sag(Fraction(1200), Fraction(120), Fraction(18), 8000, "softwood") == pytest.approx(
        8 * one
    )
    assert sag(Fraction(600), Fraction(120), Fraction(36), 8000, "softwood") == pytest.approx(
        one / 8
    )
    assert sag(Fraction(600), Fraction(120), Fraction(18), 8000, "hardwood") == pytest.approx(
        one * 8500 / 11500
    )


@given(
    length=st.integers(40, 200),
    thick=st.integers(8, 20),
    play=st.integers(0, 3),
    tilt=st.integers(0, 30),
)
@cases(80)
def test_a_folded_finger_lies_within_its_groove_and_the_groove_within_its_board(
    length: int, thick: int, play: int, tilt: int
) -> None:
    flip = Flip(
        length=Fraction(length), thickness=Fraction(thick), play=Fraction(play), tilt=float(tilt)
    )
    low, high = groove(flip)
    assert high >= length
    assert low >= Fraction(thick, 2)
    brief = amend(CAPES, {"flip": flip.model_dump(mode="json"), "board": {"height": "165 mm"}})
    rack = build(brief)
    grooves = step(rack.machining, Kind.GROOVE)
    assert grooves.cut
    foot, head = grooves.cut[2:]
    inside = all(
        place.across + foot >= 12 and place.across + head <= 165 - 12 for place in grooves.places
    )
    assert inside == (tall(flip, "metric") <= 165) == ("flip.board" not in codes(brief))
    # Open, its tip is so far out of the face and so far above its pin.
    pin = hypot(float(rack.glyph.out) + thick / 2, float(rack.glyph.tip))
    assert pin == pytest.approx(length, abs=1e-3)


def test_the_finger_comes_at_true_size_with_its_pin() -> None:
    outline = build(CAPES).outline
    assert outline
    xs = [x for x, _ in points(outline.path)]
    # 130 from the pin to the tip, and half of 20 beyond the pin for the round heel.
    assert (min(xs), max(xs)) == (-10, 130)
    assert "heel" in outline.says


@given(
    wide=st.integers(200, 800),
    narrow=st.integers(50, 600),
    air=st.integers(0, 200),
    count=st.integers(2, 6),
)
@cases(60)
def test_at_two_heights_wide_parts_pass_and_a_wide_and_a_narrow_one_stand_apart(
    wide: int, narrow: int, air: int, count: int
) -> None:
    brief = amend(
        BIKES,
        {
            "item": {"width": f"{wide} mm"},
            "high": {"narrow": f"{narrow} mm", "lower": "as many"},
            "row": {"air": f"{air} mm", "count": count, "spacing": "even"},
        },
    )
    rack = build(brief)
    beside = (wide + min(narrow, wide)) / 2 + air
    assert figures(brief)["high.least"] == Fraction(str(beside))
    rows = [sorted(hung.x for hung in rack.hung if hung.row == k) for k in (0, 1)]
    for one in rows:
        assert min(b - a for a, b in pairwise(one)) >= wide + air
    both = sorted(x for one in rows for x in one)
    assert min(b - a for a, b in pairwise(both)) >= beside
    # The lower rail is the upper one, half a pitch over.
    assert [x + rack.row.pitch / 2 for x in rows[0]] == rows[1]
    assert figures(brief)["overall"] == rack.parts[1].x + rack.parts[1].length


@pytest.mark.parametrize("margin", [20, 100, 400])
def test_high_rails_may_end_close_to_their_hooks(margin: int) -> None:
    ends = {"rule": "margin", "left": f"{margin} mm", "right": f"{margin} mm"}
    brief = amend(BIKES, {"row": {"ends": ends}})
    assert "row.off-board" not in codes(brief)
    assert build(brief).row.length == 1140 + 2 * margin


@pytest.mark.parametrize(
    "change",
    [
        {"pins": [{"index": 1, "at": "1750 mm"}]},
        {"keepouts": [{"at": "1690 mm", "width": "30 mm"}], "nudge": "40 mm"},
        {"spacing": "set", "pitch": "1300 mm"},
    ],
)
def test_the_lower_rail_is_marked_as_the_upper_one_whatever_was_done_to_it(change: Patch) -> None:
    brief = amend(BIKES, {"high": {"lower": "one fewer"}, "row": {"count": 4, **change}})
    upper, lower = build(brief).rows
    assert lower.row.axes == upper.row.axes[:-1]


@pytest.mark.parametrize(
    ("lower", "things"), [("as many", 6), ("one fewer", 5), ("one more", 7), ("none", 3)]
)
def test_things_are_shared_between_two_rails(lower: str, things: int) -> None:
    brief = amend(BIKES, {"row": {"count": 3}, "high": {"lower": lower}})
    rack = build(brief)
    assert len(rack.hung) == things
    assert len(rack.parts) == (1 if lower == "none" else 2)
    assert ("high.beside" in figures(brief)) == (lower != "none")
    if (
        lower == "one more"
    ):  # the lower rail is a pitch longer, its hooks half-way between the upper ones and beyond
        upper, under = ([x for x, _ in row.places] for row in rack.rows)
        assert under == [upper[0] - rack.row.pitch / 2, *(x + rack.row.pitch / 2 for x in upper)]
        assert rack.parts[1].length == rack.row.length + rack.row.pitch == figures(brief)["overall"]


@pytest.mark.parametrize("order", [[], [""] * 1000])
def test_a_rail_below_as_many_as_there_may_be_has_one_more(order: list[str]) -> None:
    rack = build(
        amend(BIKES, {"row": {"count": 1000, "order": order}, "high": {"lower": "one more"}})
    )
    assert len(rack.rows[1].row.axes) == 1001


def test_longer_things_hang_on_the_upper_rail_and_the_lower_one_has_its_own() -> None:
    loads = starting(
        [(shipped_item("sledge"), 3), (shipped_item("bicycle"), 2)], "1 mm", "high-rails"
    )
    assert [(hung.row, hung.kind) for hung in build(loads).hung] == [(0, "bicycle")] * 2 + [
        (0, "")
    ] + [(1, "")] * 2
    assert not codes(loads)
    turned = amend(loads, {"rows": {"own": [{}, {"kind": "bicycle"}]}})
    assert [hung.kind for hung in build(turned).hung if hung.row] == ["bicycle"] * 2


@pytest.mark.parametrize(
    ("hung", "ceiling", "codes_"),
    [
        ("2190", "2400", set()),
        ("2310", "2400", {"high.ceiling"}),
        ("2190", "2250", {"high.ceiling"}),
        ("1900", "2400", {"hang.floor"}),
    ],
)
def test_high_rails_keep_off_ceiling_and_floor(hung: str, ceiling: str, codes_: set[str]) -> None:
    assert codes(amend(BIKES, {"hung": hung, "high": {"ceiling": ceiling}})) == codes_


@given(
    slope=st.integers(0, 40),
    depth=st.integers(60, 250),
    thick=st.integers(9, 30),
    stop=st.integers(12, 60),
)
@cases(80)
def test_a_sloped_shelf_lies_flat_on_its_plate_and_its_brackets(
    slope: int, depth: int, thick: int, stop: int
) -> None:
    brief = amend(
        HELMETS,
        {
            "perch": {
                "slope": slope,
                "depth": f"{depth} mm",
                "thickness": f"{thick} mm",
                "stop": f"{stop} mm",
            },
            "board": {"height": "600 mm"},
        },
    )
    rack, s = build(brief), radians(slope)
    plate, shelf, end = rack.parts[:3]
    back = [float(y) for z, y in shelf.profile if z == plate.depth]
    # Bevelled, its back edge stands upright against the plate and is thick / cos s high; flush with
    # the plate's top.
    assert max(back) - min(back) == pytest.approx(thick / cos(s), abs=1e-4)
    assert max(back) == pytest.approx(float(plate.y + plate.height), abs=1e-4)
    known = figures(brief)
    assert float(known["perch.lower"]) == pytest.approx(depth * sin(s), abs=1e-4)
    assert float(known["perch.cut"]) == pytest.approx(depth + thick * tan(s), abs=1e-4)
    lower_edge = min(back)
    for bracket in (part for part in rack.parts if part.name.startswith("Bracket")):
        (z0, y0), (z1, y1), (z2, y2) = ((float(z), float(y)) for z, y in bracket.profile)
        assert (z0, y0) == pytest.approx((float(plate.depth), lower_edge), abs=1e-4)
        assert z1 == z0
        # Its long leg runs under the shelf, at the slope.
        assert (z2 - z0) * tan(s) == pytest.approx(y0 - y2, abs=1e-4)
        assert hypot(z2 - z0, y2 - y0) == pytest.approx(0.7 * depth, abs=1e-4)
        assert y0 - y1 == pytest.approx(0.63 * depth, abs=1e-4)
    # The stop stands square on the shelf's front, `stop` above its upper face.
    tops = [(float(z), float(y)) for z, y in end.profile]
    assert hypot(tops[1][0] - tops[2][0], tops[1][1] - tops[2][1]) == pytest.approx(
        thick + stop, abs=1e-4
    )


@pytest.mark.parametrize(
    ("length", "brackets"), [("500 mm", 2), ("621 mm", 2), ("640 mm", 3), ("1900 mm", 5)]
)
def test_brackets_stand_no_further_apart_than_a_shelf_bears(length: str, brackets: int) -> None:
    found = parts(amend(HELMETS, {"row": {"length": length}}), "Bracket")
    assert len(found) == brackets
    assert max(b.x - a.x for a, b in pairwise(found)) <= 600
    assert (found[0].x, found[-1].x + found[-1].length) == (
        0,
        build(amend(HELMETS, {"row": {"length": length}})).row.length,
    )


def test_a_bracket_comes_at_true_size() -> None:
    (bracket,) = build(HELMETS).shaped
    xs, ys = zip(*points(bracket.path), strict=True)
    assert (max(xs), min(ys)) == (pytest.approx(112 * cos(radians(10))), pytest.approx(-100.8))
    assert (bracket.name, bracket.face) == ("a bracket", "the back plate")


def test_a_prism_is_as_large_as_its_corners() -> None:
    part = prism(
        "p", "P", Fraction(5), Fraction(40), ((10.0, 2.0), (30.0, -8.0), (12.5, 20.0)), "softwood"
    )
    assert (part.x, part.length) == (5, 40)
    assert (part.z, part.depth, part.y, part.height) == (10, 20, -8, 28)


@pytest.mark.parametrize("holder", HOLDERS, ids=lambda patch: str(patch["kind"]))
@pytest.mark.parametrize(
    "family", [key for key, way in FAMILIES.items() if "holder" in way.brief.model_fields]
)
def test_any_holder_of_the_kit_goes_on_any_part_that_carries_one(
    family: str, holder: Patch
) -> None:
    first = starting([(shipped_item("enamel-mug"), 4)], "1 mm", family)
    brief = amend(first, {"holder": holder, "board": {"height": "300 mm", "thickness": "50 mm"}})
    assert dump(brief)["holder"]["kind"] == holder["kind"]
    rack = build(brief)
    on = rack.part(rack.rows[0].part)
    assert rack.glyph.called == {"bent": "hook"}.get(holder["kind"], holder["kind"])
    for hole, made in of_holders(rack):
        if made.kind.drilled:
            assert made.size / 2 < hole.across < on.face_width - made.size / 2
            assert made.depth
            assert made.depth < on.thickness
    assert (rack.outline is not None) == (holder["kind"] == "bent")
    assert len({(hole.row, hole.holder) for hole, _ in of_holders(rack)}) == len(rack.holders)
    assert not {code for code in codes(brief) if code.startswith(("hook.", "peg.", "bent."))}


def test_screws_pass_through_one_part_and_bite_in_the_other() -> None:
    n = Fraction
    side = Part(
        "side", "Side", n(-18), n(0), n(0), n(18), n(500), n(120), "hardwood", upright=True, up=True
    )
    bar = Part("bar", "Bar", n(0), n(40), n(0), n(432), n(70), n(20), "hardwood")
    through, pilot = screwed(
        "metric", [meet("metric", side, bar, 2)], BITE.metric, ("Countersunk.", "Clamped.")
    )
    assert (through.count, through.size, through.depth, through.web) == (
        2,
        clearance("metric"),
        None,
        None,
    )
    assert (pilot.size, pilot.depth, pilot.web, pilot.parts) == (3, 32, None, ("bar",))
    # Where they meet, 70 tall: a quarter in, 17.5. The side is read from its foot and its front
    # edge, the bar's end from its lower edge and its back.
    assert [place[:4] for place in through.places] == [
        ("side", "left", n(115, 2), 110),
        ("side", "left", n(185, 2), 110),
    ]
    assert [place[:4] for place in pilot.places] == [
        ("bar", "left", n(35, 2), 10),
        ("bar", "left", n(105, 2), 10),
    ]
    assert (through.note, pilot.note) == ("Countersunk.", "Clamped.")
    assert pilot.takes == (Ware(Goods.WOOD_SCREW, 2, ("4.0", "50 mm")),)


TOWELS = amend(
    starting([(shipped_item("towel"), 6)], "1 mm", "rail"),
    {"top": {"joint": "on top"}, "board": {"height": "120 mm"}},
)


def test_a_shelf_above_a_rail_covers_its_ends_and_stands_on_its_edge() -> None:
    rack = build(TOWELS)
    assert not rack.findings
    rail, (shelf,), (lip,) = rack.parts[0], parts(TOWELS, "Shelf"), parts(TOWELS, "Lip")
    assert (shelf.x, shelf.length, shelf.y) == (-20, rail.length + 40, rail.y + rail.height)
    assert (shelf.z, shelf.depth) == (0, rail.depth + 150)
    assert (lip.y, lip.height, lip.z) == (shelf.y, 18 + 20, shelf.depth)
    known = figures(TOWELS)
    assert (known["overall"], known["tall"], known["top.wide"]) == (
        shelf.length,
        120 + 38,
        shelf.depth,
    )
    # Let in, it lies a third of the rail's thickness deep in it, 20 below its top edge.
    let_in = amend(TOWELS, {"top": {"joint": "let in"}})
    (shelf,) = parts(let_in, "Shelf")
    assert (shelf.y + shelf.height, shelf.z) == (rail.y + rail.height - 20, rail.depth * 2 / 3)
    groove = step(build(let_in).machining, Kind.DADO)
    assert (groove.size, groove.depth, groove.web) == (18, rail.depth / 3, rail.depth * 2 / 3)


@given(
    air=st.integers(0, 90),
    thick=st.integers(6, 40),
    count=st.integers(1, 9),
    length=st.none() | st.integers(300, 3000),
)
@cases(120)
def test_brackets_stand_where_nothing_hangs(
    air: int, thick: int, count: int, length: int | None
) -> None:
    row: Patch = {"air": f"{air} mm", "count": count} | (
        {"length": f"{length} mm"} if length else {}
    )
    rack = build(amend(TOWELS, {"row": row, "top": {"bracket": f"{thick} mm"}}))
    brackets = [part for part in rack.parts if part.key.startswith("bracket")]
    for bracket in brackets:
        assert bracket.x >= 0
        assert bracket.x + bracket.length <= rack.row.length
        for thing, centre in zip(rack.row.things, rack.row.centres, strict=True):
            beside = (
                centre - thing.reach.left >= bracket.x + bracket.length,
                centre + thing.reach.right <= bracket.x,
            )
            assert any(beside)
    if not brackets:
        assert "top.bracket" in {finding.code for finding in rack.findings}
    if air >= thick and length is None:
        # Between any two towels there is room, so none stand further apart than they may.
        assert all(b.x - a.x <= 600 + 280 + air for a, b in pairwise(brackets))


def test_under_a_shelf_things_have_room_to_be_lifted_off() -> None:
    hats = starting([(shipped_item("felt-hat"), 3)], "1 mm", "rail")
    rises = hats.item.above - build(hats).rows[0].y + build(hats).hung[0].y
    found = next(
        one
        for one in build(amend(hats, {"top": {"joint": "on top"}})).findings
        if one.code == "top.head"
    )
    assert found.limit == rises + 20
    settled = build(amend(amend(hats, {"top": {"joint": "on top"}}), found.fixes[0].patch))
    (shelf,) = (part for part in settled.parts if part.key == "shelf")
    assert shelf.y - settled.rows[0].y >= rises + 20


def test_a_box_beside_high_rails_hooks_over_its_cleat() -> None:
    brief = amend(BIKES, {"aside": {"stands": "right", "shelves": 3}})
    rack = build(brief)
    assert not rack.findings
    rails, (left, right) = parts(brief, "Rail"), parts(brief, "Box side")
    past = max(rail.x + rail.length for rail in rails)
    assert (left.x, right.x + right.length) == (past + 100, past + 100 + 400)
    assert left.y + left.height == rails[0].y + rails[0].height
    assert figures(brief)["overall"] == past + 500
    # 400 less two sides of 18; a loose shelf has 2 of play.
    assert (figures(brief)["aside.inner"], figures(brief)["aside.shelf"]) == (364, 362)
    shelves = parts(brief, "Box shelf")
    # 600 less twice 78 gives 444: 14 holes 32 apart, and every shelf lies on one of them.
    assert figures(brief)["aside.holes"] == "14"
    assert all((shelf.y - left.y - 78) % 32 == 0 for shelf in shelves)
    assert len({shelf.y for shelf in shelves}) == 3
    (hook,), (wall,) = parts(brief, "Cleat on the box"), parts(brief, "Box cleat on the wall")
    # Lifted by its slant the box is free: that much room is under its top.
    assert hook.y < wall.y + wall.height
    assert max(float(y) for _, y in wall.profile) == pytest.approx(float(hook.y) + 18)


@given(width=st.integers(60, 900), height=st.integers(100, 2400), shelves=st.integers(0, 8))
@cases(80)
def test_whatever_a_box_is_asked_its_shelves_are_in_it(
    width: int, height: int, shelves: int
) -> None:
    aside: Patch = {
        "stands": "right",
        "width": f"{width} mm",
        "height": f"{height} mm",
        "shelves": shelves,
    }
    rack = build(amend(BIKES, {"aside": aside}))
    said = {finding.code for finding in rack.findings}
    inside = [part for part in rack.parts if part.name.startswith("Box shelf")]
    top, bottom = rack.part("box-top"), rack.part("box-bottom")
    assert len(inside) <= shelves
    for shelf in inside:
        assert bottom.y + bottom.height <= shelf.y <= top.y - shelf.height or "aside.low" in said
    assert ("aside.low" in said) == (height < 176)
    assert ("aside.small" in said) == (width < 136)


@given(
    tallest=st.integers(20, 400),
    upper=st.none() | st.integers(20, 400),
    length=st.integers(100, 2000),
)
@cases(80)
def test_what_shelves_have_room_for_stands_on_them_under_a_hand(
    tallest: int, upper: int | None, length: int
) -> None:
    shelf: Patch = {"tallest": f"{tallest} mm"} | (
        {} if upper is None else {"upper": f"{upper} mm"}
    )
    rack = build(amend(MUGS, {"shelf": shelf, "row": {"length": f"{length} mm"}}))
    shelves = [part for part in rack.parts if part.key.startswith("shelf")]
    for jar in rack.kept:
        under = max((part for part in shelves if part.y < jar.y), key=lambda part: part.y)
        assert jar.y == under.y + under.height
        assert jar.height == (tallest if under is shelves[0] or upper is None else upper)
        assert jar.x >= 0
        assert jar.x + jar.width <= length
        assert jar.z + jar.depth <= under.depth


@given(count=st.integers(1, 30), length=st.integers(300, 6000))
@cases(80)
def test_screws_are_hidden_at_the_outermost_hooks_and_near_enough_between(
    count: int, length: int
) -> None:
    coats = starting([(shipped_item("waxed-jacket"), 5)], "1 mm", "rail")
    done = design(
        amend(coats, {"mount": "plates", "row": {"count": count, "length": f"{length} mm"}})
    )
    rack, known = done.rack, {figure.key: figure.value for figure in done.figures}
    behind = [int(text) - 1 for text in str(known["mount.behind"]).split(", ")]
    axes = rack.row.axes
    assert (behind[0], behind[-1]) == (0, len(axes) - 1)
    gaps = [axes[b] - axes[a] for a, b in pairwise(behind)]
    # Further apart than 600 only from one hook to the next; and none could be left out.
    assert all(gap <= 600 or b - a == 1 for gap, (a, b) in zip(gaps, pairwise(behind), strict=True))
    assert all(
        axes[c] - axes[a] > 600 for a, _, c in zip(behind, behind[1:], behind[2:], strict=False)
    )
    hole = step(done.machining, Kind.WALL_HOLE)
    assert hole.count == len(behind)
    assert known["mount.apart"] == max(gaps, default=0)
