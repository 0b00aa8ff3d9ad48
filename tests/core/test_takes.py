"""What each holder, joint and way of fixing takes: every figure worked by hand."""

import re
from fractions import Fraction
from typing import Any

import pytest

from tests.metric import shipped_item, starting
from yardcliff.core.brief.mounting import By, Into
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.materials.goods import Blank, Goods, Ware, times
from yardcliff.core.materials.sold import SCREW_LENGTHS, brads, next_length
from yardcliff.core.rack.blanks import part_blanks
from yardcliff.core.wall.survey import Site
from yardcliff.core.wall.wall import Wall
from yardcliff.core.wood.taking_off import takeoff
from yardcliff.data import table

WALL = Site("Wall", Wall())


def rack(
    item: str,
    count: int,
    patch: dict[str, Any] | None = None,
    family: str | None = None,
    site: Site | None = None,
) -> Design:
    return design(amend(starting([(shipped_item(item), count)], "1 mm", family), patch or {}), site)


def wares(done: Design) -> dict[str, int]:
    return {ware.name: ware.count for ware in takeoff(done).wares}


def blank(done: Design, name: str) -> tuple[str, str, float, float, float, int]:
    """Form, stuff, wide, thick, long and how many of a blank."""
    found = [one for one in takeoff(done).blanks if one.name == name]
    assert found, name
    one = found[0]
    return (
        one.form,
        one.stuff,
        float(one.wide),
        float(one.thick),
        float(one.long),
        sum(each.count for each in found),
    )


def test_hooks_on_plates_take_screws_and_those_with_a_shank_none() -> None:
    assert wares(rack("waxed-jacket", 4)) == {"hook, 60 mm": 4, "5.0 × 20 mm wood screw": 8}
    shank = rack(
        "waxed-jacket", 4, {"holder": {"fastening": "shank", "screws": 1, "projection": "26 mm"}}
    )
    assert wares(shank) == {"cup hook, 26 mm": 4}
    one = rack(
        "waxed-jacket", 4, {"holder": {"screws": 1, "gauge": "5.0", "screw_length": "33 mm"}}
    )
    # 33 is no length that is sold: 30 is, and comes through nothing.
    assert wares(one) == {"hook, 60 mm": 4, "5.0 × 30 mm wood screw": 4}


def test_pegs_are_cut_as_long_as_they_show_and_are_deep() -> None:
    assert blank(rack("enamel-mug", 7), "Peg") == ("dowel", "hardwood", 12, 12, 70 + 13, 7)
    # Cradles hold each thing by two arms.
    assert blank(rack("fiddle", 3), "Peg")[-1] == 6
    # Uprights carry the row twice.
    assert blank(rack("sleeping-mat", 5, {}, "stile-pair"), "Peg")[-1] == 10


def test_bent_hooks_take_bar_and_lags_their_own_size() -> None:
    bent = rack("waxed-jacket", 3, {"holder": {"kind": "bent"}})
    form, stuff, wide, _, long, many = blank(bent, "Bent hook")
    # 70 and 40 and 20 straight, and two quarter bends about 12 + 4: 2 · 25.13.
    assert (form, stuff, wide, many) == ("bar", "steel", 8, 3)
    assert long == pytest.approx(130 + 3.14159 * 16, abs=0.1)
    assert wares(bent) == {"4.0 × 25 mm wood screw": 6}
    bolts = rack("enamel-mug", 4, {"holder": {"kind": "bolt"}, "board": {"thickness": "45 mm"}})
    assert wares(bolts) == {"8 mm × 80 mm lag screw": 4}


def test_clips_take_pipe_as_long_as_the_rail_is_wide_and_a_strap_its_own_screws() -> None:
    poles = rack("curtain-pole", 4)
    assert blank(poles, "Ring") == ("pipe", "plastic", 40, 40, 70, 4)
    strapped = rack("curtain-pole", 4, {"clear": {"strap": "across"}})
    assert wares(strapped)["webbing strap with buckle"] == 1
    assert sum(wares(strapped).values()) == sum(wares(poles).values()) + 1 + 2


def test_fingers_take_wood_pins_rods_and_nuts() -> None:
    pinned = rack("rain-cape", 4, {}, "flip-rail")
    # From pin to tip 130, and the heel half as thick as the finger, 7; pins lie 15 in the board
    # beside a groove of 25.
    assert blank(pinned, "Finger") == ("board", "hardwood", 24, 20, 140, 4)
    assert blank(pinned, "Pin") == ("bar", "steel", 8, 8, 55, 4)
    rows = rack(
        "peaked-cap", 6, {"turns": "rod", "rows": {"count": 2, "boards": "each"}}, "flip-rail"
    )
    assert blank(rows, "Rod")[-1] == 2
    assert (wares(rows)["M8 nut"], wares(rows)["M8 washer"]) == (4, 2 * len(rows.rack.holders))
    inch = rack("peaked-cap", 6, {"turns": "rod", "rod": {"size": "1/4 in"}}, "flip-rail")
    assert blank(inch, "Rod")[2] == 6.35


def test_what_is_screwed_together_takes_what_goes_through_one_part_into_the_other() -> None:
    # A back plate of 18 and 32 in the shelf's edge: 50.
    assert wares(rack("flask", 5))["4.0 × 50 mm wood screw"] == 4
    # Battens of 21, two thirds of planks of 21: 35.
    assert wares(rack("tin-cup", 12, {}, "panel"))["4.0 × 35 mm wood screw"] == 24
    assert wares(rack("snow-board", 4, {}, "slotted-cheeks"))["4.0 × 50 mm wood screw"] == 8
    # A shelf of 18 onto the rail's edge.
    assert wares(rack("towel", 6, {"top": {"joint": "on top"}}))["4.0 × 50 mm wood screw"] == 9
    assert "4.0 × 50 mm wood screw" not in wares(rack("towel", 6, {"top": {"joint": "let in"}}))


def test_small_things_that_are_bought_are_on_the_list() -> None:
    keys = rack("key-bunch", 9, {"angled": {"magnet": "20 mm"}}, "angled-rail")
    assert wares(keys)["magnet, 20 mm"] == 1
    box = {"aside": {"stands": "right", "shelves": 3}}
    assert wares(rack("bicycle", 4, box, "high-rails"))["shelf pin, 5 mm"] == 12
    assert blank(rack("storm-lantern", 4, {}, "ledge-post"), "Ledge dowel") == (
        "dowel",
        "hardwood",
        10,
        10,
        145,
        4,
    )


WAYS: list[tuple[By, Into, dict[str, int]]] = [
    ("through", "screws", {"wood screw": 1}),
    ("through", "lags", {"lag screw": 1}),
    ("through", "toggles", {"spring toggle with bolt": 1}),
    ("plugged", "screws", {"wood screw": 1, "wooden plug": 1}),
    ("keyholes", "screws", {"wood screw": 3, "keyhole plate": 1}),
    ("hangers", "toggles", {"spring toggle with bolt": 1, "surface hanger": 1, "wood screw": 2}),
    ("mirrors", "screws", {"wood screw": 3, "mirror plate": 1}),
]


@pytest.mark.parametrize(("by", "into", "each"), WAYS)
def test_each_way_of_fixing_takes_so_much_for_every_hole(
    by: By, into: Into, each: dict[str, int]
) -> None:
    patch = {"place": {"wall": "ab", "x": "900 mm"}, "mount": {"by": by, "into": into}}
    plain, hung = (
        wares(rack("waxed-jacket", 4, patch)),
        wares(rack("waxed-jacket", 4, patch, site=WALL)),
    )
    holes = sum(len(one.screws) for one in rack("waxed-jacket", 4, patch, site=WALL).on_wall.fixed)
    more = {
        name: count - plain.get(name, 0) for name, count in hung.items() if count != plain.get(name)
    }
    assert holes
    for word, many in each.items():
        assert sum(count for name, count in more.items() if word in name) == many * holes, (
            word,
            more,
        )


def test_a_cleat_takes_one_strip_for_both_halves_and_a_batten_what_lies_behind() -> None:
    at = {"wall": "ab", "x": "900 mm"}
    cleat = rack("waxed-jacket", 4, {"place": at, "mount": {"by": "cleat"}}, site=WALL)
    one = cleat.on_wall.fixed[0]
    assert one.strip
    assert blank(cleat, "Cleat on the wall")[4] == float(one.strip[1] - one.strip[0])
    # The board of 120 reaches 50 below the cleat's half of 60, 40 down: a spacer as thick as that
    # holds its foot off the wall.
    assert blank(cleat, "Cleat on the wall")[2] == 120
    assert blank(cleat, "Spacer")[2:4] == (50, 18)
    bare = rack(
        "waxed-jacket", 4, {"place": at, "mount": {"by": "cleat", "foot": "none"}}, site=WALL
    )
    assert "Spacer" not in {piece.name for piece in takeoff(bare).blanks}
    # Through the cleat's half of 18 into a board of 21, 2 of it left: 35 is the next that is sold.
    assert one.joined
    assert wares(cleat)["5.0 × 35 mm wood screw"] == one.joined.count
    batten = rack("waxed-jacket", 4, {"place": at, "mount": {"by": "batten"}}, site=WALL)
    strip = batten.on_wall.fixed[0].strip
    assert strip
    assert blank(batten, "Wall batten")[4] == float(strip[1] - strip[0])


def test_glue_goes_where_it_is_said_to_and_nowhere_else() -> None:
    # A panel's planks are screwed: only its twelve pegs are glued, a gram each.
    assert takeoff(rack("tin-cup", 12, {}, "panel")).glue == 12
    # A shelf of 570 glued with its edge of 18 to its plate: 0.01026 m² of 180 g, and nothing that
    # is screwed through.
    flasks = rack("flask", 5)
    assert takeoff(flasks).glue == pytest.approx(0.57 * 0.018 * 180)


def test_blanks_lie_with_the_grain() -> None:
    cheek = rack("snow-board", 4, {}, "slotted-cheeks").rack.part("left-cheek")
    assert [(float(b.wide), float(b.thick), float(b.long)) for b in part_blanks(cheek)] == [
        (150, 21, 665)
    ]
    ledge = rack("storm-lantern", 4, {}, "ledge-post").rack.part("ledge-1")
    assert [(float(b.wide), float(b.thick), float(b.long)) for b in part_blanks(ledge)] == [
        (200, 21, 170)
    ]
    panel = rack("tin-cup", 12, {}, "panel").rack.part("panel")
    assert [(b.name, float(b.wide), float(b.long)) for b in part_blanks(panel)][:2] == [
        ("Panel, plank 1", 100, 185),
        ("Panel, plank 2", 100, 185),
    ]
    # A sloped shelf is bevelled at its back: the long face decides, 160 and 18 · tan 10° more.
    shelf = rack("climbing-helmet", 4, {}, "perch").rack.part("shelf")
    assert [float(b.wide) for b in part_blanks(shelf)] == [pytest.approx(float(shelf.depth), abs=9)]
    assert [float(b.thick) for b in part_blanks(shelf)] == [18]


def test_sizes_off_the_tape_are_rounded_up_to_a_tenth() -> None:
    caps = rack("peaked-cap", 6, {"turns": "rod"}, "flip-rail")
    spacer = caps.rack.part("spacer-1")
    assert spacer.height.denominator > 1000
    assert blank(caps, "Spacer 1")[2] == pytest.approx(float(spacer.height), abs=0.1)
    assert blank(caps, "Spacer 1")[2] >= float(spacer.height)
    inch = rack("waxed-jacket", 3, {"board": {"height": "3 63/64 in"}})
    assert next(b.wide for b in takeoff(inch).blanks) == Fraction(254, 10) * Fraction(255, 64)


@pytest.mark.parametrize(
    ("long", "sold"), [(12, 12), (19, 16), (20, 20), (53, 50), (200, 180), (8, 12)]
)
def test_screws_are_as_long_as_is_sold_and_never_longer_than_asked_but_for_the_shortest(
    long: int, sold: int
) -> None:
    assert next_length(Fraction(long), "metric") == sold
    assert sold in SCREW_LENGTHS.metric


@pytest.mark.parametrize(
    ("through", "into", "along", "sold"),
    [
        (18, 100, 100, (2, "2.0", "50 mm")),  # 54 is three times as much
        (14, 100, 151, (3, "1.6", "40 mm")),
        (18, 20, 300, (3, "1.4", "30 mm")),  # 38 come together, and 3 stay
        (18, 25, 301, (4, "1.6", "40 mm")),
        (3, 2, 10, (2, "1.0", "15 mm")),  # the shortest there are
    ],
)
def test_brads_are_three_times_as_long_as_what_they_nail_and_stay_inside(
    through: int, into: int, along: int, sold: tuple[int, str, str]
) -> None:
    count, *sizes = sold
    assert brads(Fraction(through), Fraction(into), Fraction(along), "metric") == Ware(
        Goods.BRAD, count, tuple(sizes)
    )


def test_what_the_yard_sells_goes_with_what_the_tables_know() -> None:
    known = {
        row["key"]: re.compile(re.escape(row["name"]).replace(r"\{\}", "(.+)"))
        for row in table("goods")
    }
    kinds = {row["key"]: row["kind"] for row in table("goods")}
    sold: dict[str, set[str]] = {}
    for row in table("wares"):
        found = {
            key: name.fullmatch(row["name"])
            for key, name in known.items()
            if kinds[key] == row["kind"]
        }
        key, sizes = min(
            ((key, fits.groups()) for key, fits in found.items() if fits),
            key=lambda one: len(one[1]),
        )
        sold.setdefault(key, set()).update(sizes[:1])
    assert set(sold) == set(Goods), "all of it is for sale"
    assert sold[Goods.WOOD_SCREW] >= {row["gauge"] for row in table("screws")}
    assert sold[Goods.LAG_SCREW] <= {row["key"] for row in table("lags")}
    assert sold[Goods.NUT] == {row["key"] for row in table("rods")}
    assert sold[Goods.WASHER] == {row["passes"] for row in table("rods")}
    assert sold[Goods.WASHER] >= {row["washer"] for row in table("lags")}
    in_wall = {row["goods"] for row in table("fixings")} - {"wood-screw", "lag-screw"}
    assert {row["key"] for row in table("goods") if row["kind"] == "fixing"} == in_wall


def test_so_many_of_the_same_take_so_many_times() -> None:
    takes = (
        Blank("Peg", "dowel", "hardwood", Fraction(12), Fraction(12), Fraction(83), 2),
        Ware(Goods.HOOK, 1, ("26 mm",)),
    )
    assert [one.count for one in times(takes, 3)] == [6, 3]
