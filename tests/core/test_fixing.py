"""Ways of fixing: where screws stand by each, how many, in what, and what a choice would mean."""

from itertools import pairwise
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from tests.metric import shipped_item, starting, starting_brief
from tests.strategies import briefs
from yardcliff.core.brief.mounting import Mount, Spot
from yardcliff.core.design.change import amend, dump, read_brief
from yardcliff.core.design.helps import helps_most
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.shapes.geometry import across
from yardcliff.core.units.exact import Fraction
from yardcliff.core.wall.anchors import BACKS, FITTING, HOLLOW, anchors
from yardcliff.core.wall.fixed import Fixed
from yardcliff.core.wall.fixing import Fixer
from yardcliff.core.wall.grounds import MIRROR
from yardcliff.core.wall.options import BYS, verdict, ways_by, ways_into
from yardcliff.core.wall.strips import APART, BATTEN, PAST
from yardcliff.core.wall.survey import Site
from yardcliff.core.wall.wall import Obstacle, Studs, Wall
from yardcliff.core.ways import Brief

BARE = Wall(width=Fraction(5000))
SITE = Site("Bare", BARE)
COATS = starting_brief("waxed-jacket", 6, "1 mm")


def fixed(brief: Brief, site: Site = SITE, **mount: object) -> tuple[Fixed, ...]:
    place = {"wall": "ab", "x": "1000 mm"} if brief.place.wall is None else {}
    return design(amend(brief, {"mount": mount, "place": place}), site).on_wall.fixed


def xs(one: Fixed) -> list[float]:
    return sorted({float(screw.x) for screw in one.screws})


def test_fewest_screws_that_bear_it_and_all_where_they_do_not() -> None:
    # Light: two studs of three, 1200 apart, are too far; heavy: both heights of every stud.
    wide = amend(COATS, {"row": {"length": "2000 mm"}})
    (light,) = fixed(amend(wide, {"item": {"weight_g": 200, "full_g": None}}))
    assert all(b - a <= float(APART) for a, b in pairwise(xs(light)))
    close = Site(
        "Close", BARE.model_copy(update={"studs": Studs(first=Fraction(200), apart=Fraction(300))})
    )
    (few,) = fixed(amend(wide, {"item": {"weight_g": 200, "full_g": None}}), close)
    (many,) = fixed(amend(wide, {"item": {"weight_g": "15 kg"}}), close)
    assert len(few.screws) < len(many.screws)
    assert all(b - a > 300 for a, b in pairwise(xs(few))), "no stud more than is wanted"
    assert many.share <= 1


@pytest.mark.parametrize(("into", "apart"), [("toggles", 75), ("spirals", 50), ("plugs", 80)])
@given(x=st.integers(300, 900), length=st.integers(150, 1500), even=st.booleans())
@cases(25)
def test_fixings_leave_one_another_their_piece_of_wall_on_whole_steps(
    into: str, apart: int, x: int, length: int, even: bool
) -> None:
    wall = Site("Wall", BARE.changed({"makeup": "masonry"})) if into == "plugs" else SITE
    heavy = amend(
        COATS, {"row": {"length": f"{length} mm"}, "place": {"wall": "ab", "x": f"{x} mm"}}
    )
    (one,) = fixed(heavy, wall, into=into, by="through", screws="even" if even else "free")
    for screw in one.screws:
        near = [abs(a.x - screw.x) + abs(a.y - screw.y) for a in one.screws if a != screw]
        assert min(near, default=apart) >= apart
        assert screw.x % 1 == 0 or 2 * screw.x == length, "on the tape, or in the middle"
    assert len({screw.x for screw in one.screws}) <= 8, "more is no way to hang a rack"


@pytest.mark.parametrize(("length", "columns"), [(1660, 3), (1661, 4)])
def test_no_screw_is_more_than_800_from_the_next(length: int, columns: int) -> None:
    # Between 30 from either end: 1600 takes three, a millimetre more four.
    light = amend(
        COATS, {"row": {"length": f"{length} mm"}, "item": {"weight_g": 200, "full_g": None}}
    )
    (one,) = fixed(light, Site("Stone", BARE.changed({"makeup": "masonry"})), by="through")
    assert len(xs(one)) == columns


@pytest.mark.parametrize(("stud", "first"), [(1017, [617]), (1018, [30, 618])])
def test_a_screw_keeps_10_from_a_studs_edge(stud: int, first: list[int]) -> None:
    # A stud of 45 about 1018 holds to 1030.5, half a millimetre past where the board at 1000 may be
    # screwed.
    studs = BARE.changed({"studs": Studs(first=Fraction(stud), apart=Fraction(600))})
    two = amend(COATS, {"row": {"length": "700 mm", "count": 2}})
    assert xs(fixed(two, Site("Studs", studs), by="through", into="screws")[0]) == first


def test_what_weighs_more_than_25_kg_hangs_on_the_lining_only_if_asked() -> None:
    def of(kilos: str, **mount: Any) -> Fixed:
        item = {"weight_g": f"{kilos} kg", "full_g": None, "tug_n": "30 N"}
        keys = amend(
            starting_brief("key-bunch", 12, "1 mm"), {"item": item, "row": {"length": "480 mm"}}
        )
        return fixed(keys, **mount)[0]

    # Twelve bunches and 0.34 kg of board: 24.94 and 25.54 kg.
    assert (of("2.05").anchor.key, of("2.05").good) == ("toggles", True)
    assert of("2.1").anchor.in_studs
    assert of("2.1", into="toggles").good


@pytest.mark.parametrize(("thick", "into"), [(34, "screws"), (35, "lags")])
def test_a_board_of_35_takes_lags(thick: int, into: str) -> None:
    change = {
        "board": {"thickness": f"{thick} mm"},
        "item": {"weight_g": "9 kg"},
        "row": {"length": "1300 mm"},
    }
    assert fixed(amend(COATS, change))[0].anchor.key == into


def test_a_screw_behind_what_hangs_has_all_of_its_head_behind_it() -> None:
    # Hooks 60 above the foot of the board, jackets 12 under them: only the lower line, 15 up, is
    # behind their collars.
    stone = Site("Stone", BARE.changed({"makeup": "masonry"}))
    (one,) = fixed(COATS, stone, by="items")
    rack = design(COATS).rack
    assert {screw.y for screw in one.screws} == {rack.rows[0].y - 45}
    for screw in one.screws:
        for edge in (-5, 5):
            assert any(
                low <= screw.x + edge - hung.x <= high
                for hung in rack.hung
                for path in rack.looks[hung.kind].body
                for low, high in across(path, float(screw.y - hung.y))
            )
    # Wide apart, no jacket hides a head where a second screw would have to be.
    (bare,) = fixed(starting_brief("room-key", 2, "1 mm"), stone, by="items")
    assert bare.loose


def test_each_back_fitting_is_no_stronger_than_itself() -> None:
    for by in sorted(BACKS - {"mirrors"}):
        (one,) = fixed(COATS, by=by, into="screws")
        assert one.may_pull <= FITTING
        assert one.may_shear <= FITTING
        assert one.wood == 0, "the screw goes into the wall alone"
        assert xs(one) == [500, 1100]


def test_mirror_plates_stand_beside_the_ends() -> None:
    # Studs 1584 apart under both: a board of 1560 with a plate at either end.
    site = Site(
        "Two", BARE.model_copy(update={"studs": Studs(measured=(Fraction(988), Fraction(2572)))})
    )
    (one,) = fixed(COATS, site, by="mirrors", into="screws")
    assert xs(one) == [-float(MIRROR.metric), 1560 + float(MIRROR.metric)]
    assert not one.loose


def test_a_cleat_is_as_long_as_its_board_and_holds_where_studs_are() -> None:
    (one,) = fixed(COATS, by="cleat", into="lags")
    assert one.strip == (0, 1560)
    assert xs(one) == [500, 1100]
    assert {screw.stud for screw in one.screws} == {2, 3}


def test_a_cleat_is_screwed_on_from_behind_whatever_is_before_the_board() -> None:
    # The shelf of a perch runs along its plate where the cleat is: a screw from the front would go
    # through its depth.
    hats = starting([(shipped_item("felt-hat"), 5)], "1 mm", "perch")
    (one,) = fixed(hats, by="cleat")
    assert one.joined
    assert [float(x) for x, _ in one.joined.at] == [30, 610, 1190, 1770]
    (batten,) = [
        one
        for one in design(
            amend(hats, {"mount": {"by": "batten"}, "place": {"wall": "ab", "x": "1 m"}}), SITE
        ).findings
        if one.code == "fix.loose"
    ]
    assert batten.message == "What is on its board leaves no place for the screws into the batten."
    # A frame hooks over one cleat, behind its highest board, and stands off at its foot.
    towels = starting([(shipped_item("towel"), 4)], "1 mm", "panel")
    flush = amend(
        towels,
        {
            "made": "frame",
            "support": {"place": "flush"},
            "mount": {"by": "cleat"},
            "place": {"wall": "ab"},
        },
    )
    done = design(flush, SITE)
    upper, foot = done.part("upper-1"), done.part("spacer-3-wall")
    high, low = (done.part(f"cross-board-{k}") for k in (1, 2))
    assert [part.key for part in done.on_wall.parts] == ["strip-1", "upper-1", "spacer-3-wall"]
    assert high.y < upper.y < high.y + high.height
    assert (foot.x, foot.y, foot.length) == (low.x, low.y, low.length)


@given(x=st.integers(700, 3500))
@cases(60)
def test_a_batten_reaches_two_studs_and_covers_its_rack(x: int) -> None:
    keys = amend(starting_brief("room-key", 4, "1 mm"), {"place": {"wall": "ab", "x": f"{x} mm"}})
    (one,) = fixed(keys, by="batten")
    assert one.strip
    assert len({screw.stud for screw in one.screws}) >= 2
    length = design(keys).rack.row.length
    assert one.strip[0] <= 0
    assert one.strip[1] >= length
    assert all(
        one.strip[0] + PAST.metric <= screw.x <= one.strip[1] - PAST.metric for screw in one.screws
    )
    # No longer than to the studs that it needs: at most one spacing past either end, and a thumb's
    # width.
    assert one.strip[1] - one.strip[0] <= length + 1200 + 2 * PAST.metric
    assert one.wood == BATTEN.metric[0]


@given(x=st.integers(300, 3000), into=st.sampled_from(sorted(HOLLOW)))
@cases(60)
def test_what_the_lining_holds_keeps_off_studs(x: int, into: str) -> None:
    mugs = amend(starting_brief("enamel-mug", 8, "1 mm"), {"place": {"wall": "ab", "x": f"{x} mm"}})
    (one,) = fixed(mugs, into=into)
    for screw in one.screws:
        assert screw.stud is None
        assert all(abs(screw.x + x - stud) >= BARE.studs.wide / 2 for stud in BARE.stud_middles)
    assert one.good
    assert one.hold == BARE.lining


@given(brief=briefs, even=st.booleans())
@cases(23)
def test_masonry_takes_a_screw_anywhere_and_mirrors_it_if_asked(brief: Brief, even: bool) -> None:
    stone = Site("Stone", BARE.model_copy(update={"makeup": "masonry"}))
    for one in fixed(brief, stone, screws="even" if even else "free"):
        assert one.anchor.key == "plugs"
        level = [part for part in one.body.grounds if part.length >= part.height]
        if even and not brief.row.keepouts and one.by == "through" and not one.loose:
            for part in level:
                here = sorted(screw.x for screw in one.screws if screw.part == part.key)
                middle = 2 * part.x + part.length
                assert [middle - x for x in reversed(here)] == pytest.approx(here)


def test_every_body_takes_the_first_way_that_holds_it() -> None:
    bikes = starting([(shipped_item("bicycle"), 4)], "1 mm", "high-rails")
    rails = fixed(
        amend(bikes, {"aside": {"stands": "right"}, "place": {"wall": "ab", "x": "900 mm"}})
    )
    assert [one.body.name for one in rails] == ["Rail 1", "Rail 2", "Box cleat on the wall"]
    assert all(one.anchor.in_studs for one in rails[:2]), "what is heavy is not hung on the lining"
    assert all(one.good for one in rails)
    # Screws would not do for the first rail, on three studs: lags through its 38 mm do, though the
    # cleat is too thin for them.
    assert [one.anchor.key for one in rails] == ["lags", "lags", "toggles"]


@pytest.mark.parametrize(
    ("mount", "words"),
    [
        ({}, "4 hold, load "),
        ({"by": "mirrors", "into": "screws"}, "too few studs: "),
        ({"into": "spirals", "pull": "8 kg", "shear": "8 kg"}, "too weak, "),
        ({"into": "spirals", "pull": 1}, "far too weak"),
        ({"into": "sheet"}, "does not grip this plasterboard"),
    ],
)
def test_what_holds_is_said_in_a_few_words(mount: dict[str, Any], words: str) -> None:
    assert verdict(fixed(COATS, **mount)).startswith(words)


def test_every_way_is_offered_with_its_share_and_the_best_of_them_named() -> None:
    done: Design = design(amend(COATS, {"place": {"wall": "ab", "x": "1000 mm"}}), SITE)
    spot, mount = Spot(wall="ab", x=Fraction(1000)), Mount()
    by = list(ways_by(done.rack, SITE, spot, mount, done.tape))
    into = list(ways_into(done.rack, SITE, spot, mount, done.tape))
    assert [way.value for way in by] == list(BYS)
    for way in (*by, *into):
        asked = Mount(by=way.value) if way in by else Mount(into=way.value)
        found = Fixer(done.rack, SITE, spot, done.tape).fixed(asked)
        assert way.good == all(one.good for one in found)
        assert way.share == max(one.share for one in found)
    weak = design(amend(done.brief, {"mount": {"by": "cleat", "into": "screws"}}), SITE)
    best = helps_most(weak)
    assert best
    assert weak.chain.weakest
    better = design(amend(weak.brief, best[0].patch), SITE).chain.weakest
    assert better
    assert better.share == best[1] <= 0.8 * weak.chain.weakest.share
    assert helps_most(done) is None, "nothing takes a fifth off its weakest link, the hooks"
    # One that is not for this wall is shown only where it is chosen.
    plugs = list(ways_into(done.rack, SITE, spot, Mount(into="plugs"), done.tape))
    assert [way.verdict for way in plugs if way.value == "plugs"] == ["not for this wall"]
    assert "plugs" not in [way.value for way in into]


@pytest.mark.parametrize("key", anchors("metric"))
def test_what_holds_in_a_wall_says_what_it_wants(key: str) -> None:
    anchor = next(one for one in anchors("metric").values() if one.key == key)
    assert anchor.walls
    assert anchor.tools
    assert anchor.why.endswith(".")
    assert anchor.least <= anchor.most
    assert anchor.in_studs or anchor.least > 0 or anchor.blocks
    # Ratings are given, or worked out for screws that wood holds.
    assert bool(anchor.steel or anchor.grips or anchor.blocks) == (
        key not in ("screws", "lags", "sheet")
    )


def test_cables_move_screws_to_another_stud() -> None:
    # A switch on the stud at 1500: its cable runs up behind the board.
    switch = Obstacle(
        kind="switch", x=Fraction(1460), y=Fraction(300), width=Fraction(80), height=Fraction(80)
    )
    site = Site(
        "Cable",
        BARE.model_copy(
            update={
                "obstacles": (switch,),
                "studs": Studs(first=Fraction(100), apart=Fraction(400)),
            }
        ),
    )
    (one,) = fixed(COATS, site)
    assert all(not 1410 < screw.x + 1000 < 1590 for screw in one.screws)
    assert one.good


def test_a_packet_of_before_counts_for_both_ways() -> None:
    old = dump(COATS)
    del old["mount"]["pull"], old["mount"]["shear"], old["mount"]["factor"], old["mount"]["foot"]
    read = read_brief(old | {"mount": old["mount"] | {"carries": 20_000, "into": "toggles"}})
    assert (read.mount.pull, read.mount.shear, read.mount.factor, read.mount.foot) == (
        20_000,
        20_000,
        4,
        "spacer",
    )
