"""What holds and what gives way: every rule by hand and by a second way of reckoning, and what no
change of a brief may do to a share.
"""

from dataclasses import replace
from math import pi

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from tests.metric import MM, shipped, shipped_item, starting, starting_brief
from tests.strategies import lengths
from yardcliff.core.brief.mounting import Mount
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.holders import (
    bent,
    bent_fit,
    bolt,
    finger,
    fitting,
    flip,
    hook,
    hook_fit,
    peg,
    peg_fit,
)
from yardcliff.core.holders.fitting import Ground
from yardcliff.core.strength.beam import Beam
from yardcliff.core.strength.force import Pulled, least_tug
from yardcliff.core.strength.link import Link, weakest
from yardcliff.core.strength.plate import Plate
from yardcliff.core.strength.stick import bearing, stress
from yardcliff.core.strength.wood import bending, embedding, lateral, thread, withdrawal
from yardcliff.core.things.listing import Listed
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length_text import read
from yardcliff.core.units.trade import Trade
from yardcliff.core.wall.anchors import Driven, anchors, drive, ratings
from yardcliff.core.wall.loading import Bearing, Load, Pull, pulls
from yardcliff.core.wall.strips import strip_screw
from yardcliff.core.wall.survey import Site
from yardcliff.core.wall.wall import Studs, Wall
from yardcliff.core.ways import FAMILIES, build
from yardcliff.data import table

RAIL = Ground(Fraction(21), Fraction(120), Fraction(60), "softwood", MM)
BARE = Wall(width=Fraction(4000), studs=Studs(first=Fraction(300), apart=Fraction(600)))
COATS = starting_brief("waxed-jacket", 5, "1 mm")


def row(name: str, key: str, column: str = "key") -> dict[str, str]:
    return next(row for row in table(name) if row[column] == key)


def pulled(newtons: float) -> Ground:
    return replace(RAIL, pulled=Pulled(0.0, newtons))


# --- Forces ---


@pytest.mark.parametrize(
    ("grams", "below", "given", "children", "force"),
    [
        (2600, 960, 150, False, 150),  # 3 · 2.6 · 9.81 = 76.5, less than the hand
        (9000, 960, 150, False, 264.9),  # 3 · 9 · 9.81
        (180, 120, None, False, 30),  # nobody leans on a bunch of keys
        (401, 120, None, False, 150),
        (180, 251, None, False, 150),
        (180, 120, None, True, 30),  # nor does a child
        (1300, 620, None, True, 250),
        (1300, 620, 200, True, 250),
        (1300, 620, 300, True, 300),
        (1300, 620, 0, False, 38.3),
    ],
)
def test_a_hand_pulls_with_three_times_the_weight_or_with_what_somebody_leans_with(
    grams: int, below: int, given: int | None, children: bool, force: float
) -> None:
    weight = grams / 1000 * 9.81
    assert Pulled(weight, least_tug(grams, below, given, children=children)).force == pytest.approx(
        force, abs=0.1
    )


def test_a_spare_hook_is_pulled_at_as_if_something_hung_there_and_children_pull_harder() -> None:
    site = Site("Bare", BARE)
    place = {"wall": "ab", "x": "400 mm"}

    def on(**patch: object) -> Design:
        return design(amend(COATS, {"place": place, **patch}), site)

    (full,), (spare,) = on().on_wall.fixed, on(row={"spares": 1}).on_wall.fixed
    assert (
        {load.out for load in spare.on if load.thing}
        == {load.out for load in full.on if load.thing}
        == {150}
    )
    assert sum(load.weight == 0 for load in spare.on if load.thing) == 1
    children = on(place=place | {"who": "child"})
    assert {load.down for one in children.on_wall.fixed for load in one.on if load.thing} == {250}
    assert "25 kg" in children.chain.assumed[1]
    assert "hook.strength" in {finding.code for finding in children.findings}


# --- Wood and its screws: each by hand, and once more by another way ---


def test_screws_draw_out_by_their_thread_and_the_square_of_the_woods_gravity() -> None:
    # 108.25 · 0.36² · 5 · 40 / 5 = 561.2 N; hardwood of 0.55 bears (0.55 / 0.36)² as much.
    assert withdrawal("softwood", 5, 40) == pytest.approx(561.17, abs=0.01)
    assert withdrawal("hardwood", 5, 40) == pytest.approx(561.17 * (0.55 / 0.36) ** 2, rel=1e-4)
    # A lag screw by 125.4 · 0.36^1.5 · 8^0.75 · 50 / 5; 0.36^1.5 is 0.6³.
    assert withdrawal("softwood", 8, 50, lag=True) == pytest.approx(
        125.4 * 0.6**3 * 8**0.75 * 10, rel=1e-9
    )
    assert withdrawal("softwood", 8, 50, lag=True) == pytest.approx(1288.4, abs=0.1)


@pytest.mark.parametrize(
    ("length", "into", "holds"),
    [(20, 17, 12), (40, 36, 31), (50, 45, 35), (70, 36.5, 31.5), (100, 90, 55), (12, 3, 0)],
)
def test_a_screws_point_holds_nothing_and_its_shank_no_more(
    length: float, into: float, holds: float
) -> None:
    assert thread(length, into, 5) == holds


def test_screws_bear_across_themselves_by_how_deep_they_are() -> None:
    # 23.17 · 5² / 1.6 = 362.0 N from 7 diameters on, in proportion below, nothing under 2.
    assert lateral("softwood", 5, 35) == pytest.approx(362.03, abs=0.01)
    assert lateral("softwood", 5, 60) == lateral("softwood", 5, 35)
    assert lateral("softwood", 5, 17) == pytest.approx(362.03 * 17 / 35, abs=0.01)
    assert lateral("softwood", 5, 9.9) == 0
    assert lateral("hardwood", 5, 35) == pytest.approx(362.03 * 31.99 / 23.17, abs=0.01)
    # Lag screws from 11 diameters: 23.30 · 8² / 1.6 = 932 N; less across the grain, and through a
    # thin board; nothing under 4.
    full = lateral("softwood", 8, 88, lag=True)
    assert full == pytest.approx(932)
    assert lateral("softwood", 8, 60, lag=True) == pytest.approx(932 * 60 / 88)
    assert lateral("softwood", 8, 31, lag=True) == 0
    assert lateral("softwood", 9.5, 200, lag=True, across=True) == pytest.approx(
        23.30 * 9.5**2 / 1.6 * 0.76
    )
    assert lateral("softwood", 8, 88, lag=True, side=21) == pytest.approx(
        932 * (0.77 + 0.16 * (2.625 - 2.5) / 0.5)
    )
    assert lateral("softwood", 8, 88, lag=True, side=45) == full


# --- Hooks ---

# What hangs, on which hook, so many newtons; the share by hand: T = F a / h of the upper screw, F/n
# across each.
HOOKS = [
    # A bicycle, 3 · 13.5 · 9.81 = 397 N, on the lighter of two: 397 · 60 / 68 = 350 over 13 of
    # thread; 199 over 362 · 16/25 · 17/28.
    (
        Plate("softwood", 80, 2, 56, 4, 20, 17, 60),
        397.3,
        350.6 / (108.25 * 0.1296 * 4 * 13 / 5) + 198.65 / (231.7 * 17 / 28),
    ),
    # The big one: 397 · 140 / 95 over 26 of thread, 199 across 31 of 35.
    (
        Plate("softwood", 110, 2, 80, 5, 35, 31, 140),
        397.3,
        585.5 / (108.25 * 0.1296 * 5 * 26 / 5) + 198.65 / (362.03 * 31 / 35),
    ),
    # 5 kg on a small key hook: 147 · 18 / 28 over 7 of thread, 74 across 10 of 21.
    (
        Plate("softwood", 34, 2, 22, 3, 12, 10, 18),
        147.15,
        94.6 / (108.25 * 0.1296 * 3 * 7 / 5) + 73.6 / (130.3 * 10 / 21),
    ),
    # In hardwood: thread by (0.55/0.36)², across by 31.99/23.17.
    (
        Plate("hardwood", 80, 2, 56, 4, 20, 17, 60),
        397.3,
        350.6 / (108.25 * 0.3025 * 4 * 13 / 5) + 198.65 / (319.9 * 17 / 28),
    ),
]


@pytest.mark.parametrize(("plate", "force", "share"), HOOKS)
def test_a_plate_turns_about_its_foot(plate: Plate, force: float, share: float) -> None:
    assert plate.share(force) == pytest.approx(share, rel=2e-3)
    # In balance about the foot: what hangs times its lever is what the upper screw holds times its
    # own.
    assert plate.pull(force) * plate.lever == pytest.approx(force * plate.out)


def test_straight_outward_the_screw_that_is_nearer_the_throat_bears_more() -> None:
    # 100 N, 20 below the middle of screws 40 apart: half each, and 100 · 20 / 40 more on the lower:
    # all of it, in balance about the upper.
    flat = Plate("softwood", 60, 2, 40, 4, 20, 17, 1, 20)
    assert flat.outward == 1
    assert flat.share(100) == pytest.approx(100 / withdrawal("softwood", 4, 13))


def test_every_bought_hook_begins_so_strong_that_it_holds_and_says_so_where_it_does_not() -> None:
    for entry in shipped():
        brief = starting_brief(entry.key, 3, "1 mm")
        assert max(link.share for link in build(brief).links) <= 1, entry.key
    # A thing of one's own that is heavier than what its hook is for gets a stronger one at once.
    heavy = shipped_item("key-bunch").model_copy(
        update={
            "item": (
                shipped_item("key-bunch").item.model_copy(update={"weight_g": 9000, "tug_n": None})
            )
        }
    )
    chosen = build(starting([(heavy, 3)], "1 mm", "rail"))
    assert chosen.glyph.out > 18
    assert max(link.share for link in chosen.links) <= 1
    bikes = amend(
        starting_brief("bicycle", 2, "1 mm"), {"holder": fitting.shipped("key-hook", "metric")}
    )
    (finding,) = [found for found in build(bikes).findings if found.code == "hook.strength"]
    assert finding.fixes
    assert finding.value == "far too weak" or float(str(finding.value).rstrip("%")) > 600


def test_a_hooks_packet_counts_its_weight_and_half_of_a_pull() -> None:
    rated = hook.Hook(carries=5000)
    links = {
        link.name: link.share for link in hook.links(rated, replace(RAIL, pulled=Pulled(60.0, 150)))
    }
    # 60 N that hang there, or half of 180 N pulled: of 49 N.
    assert links["hook, by its packet"] == pytest.approx(90 / 49.05)
    assert "hook.rated" in {figure.key for figure in hook_fit.fit(rated, pulled(150)).figures}


def test_a_cup_hooks_thread_is_levered_in_its_hole() -> None:
    cup = hook.Hook.model_validate(fitting.shipped("cup-hook", "metric"), context={"exact": True})
    (link,) = hook.links(cup, pulled(30))
    # 13 in: 6 · 30 · (26 + 6.5) / (3.5 · 13²) + 30 / (3.5 · 13) = 10.55 MPa, of 114.5 · 0.36^1.84 =
    # 17.48.
    assert link.share == pytest.approx(10.55 / 17.48, rel=2e-3)


def test_a_bent_hook_bends_and_is_drawn_out_and_its_leg_is_hammered_flat() -> None:
    made = bent.Bent.model_validate(fitting.shipped("bent-10", "metric"), context={"exact": True})
    bar, screws = bent.links(made, replace(pulled(150), thickness=Fraction(28)))
    # 56 out on 10 mm: 32 · 150 · 56 / (π · 1000) = 85.6 of 120 MPa.
    assert bar.share == pytest.approx(85.56 / 120, rel=1e-3)
    # 25 in, 20 of thread: 280.6 N. Straight out its arm is 65 below the middle of screws 55 apart:
    # 150 · (1/2 + 65/55).
    assert screws.share == pytest.approx(252.3 / 280.6, rel=2e-3)
    # As much steel as in the round: 5 thick and π · 10 / 2 wide.
    thick, wide = bent.flat(made)
    assert float(thick * wide) == pytest.approx(pi * 25)
    # 4.5 mm in what 5 mm bar makes leaves 1.7 beside it, in 4 mm bar 0.9: too little.
    five, four = (bent.Bent(bar=Fraction(bar)) for bar in (5, 4))
    holes = [
        any(found.code == "bent.hole" for found in bent_fit.fit(each, RAIL).findings)
        for each in (five, four)
    ]
    assert holes == [False, True]


def test_a_bolt_bends_at_the_face_and_is_levered_in_its_hole() -> None:
    deep = replace(RAIL, thickness=Fraction(45), pulled=Pulled(0.0, 150))
    face, held = bolt.links(bolt.Bolt(), deep)
    assert face.share == pytest.approx(32 * 150 * 45 / (pi * 512) / 120)
    # 35 in: 6 · 150 · 62.5 / (8 · 35²) + 150 / 280 = 6.28 MPa, of 212 · 0.36^1.45 / √8 = 17.0; 27
    # of thread pull 695 N.
    assert held.share == pytest.approx(6.276 / 17.04, rel=2e-3)


# --- Pegs, fingers ---


def test_a_peg_presses_on_its_hole_as_a_lever_about_its_middle() -> None:
    # 150 N at 90 out of a hole of 20, 22 deep: 6 · 150 · 101 / (20 · 484) + 150 / 440 = 9.73 MPa.
    found = bearing(20, 90, 22, 150)
    assert found == pytest.approx(9.732, abs=1e-3)
    # The other way: a pressure that runs evenly from one end to the other, of F in sum and of F ·
    # 101 about the middle.
    edge, other = 150 / 440 + found - 150 / 440, 150 / 440 - (found - 150 / 440)
    steps = [
        (other + (edge - other) * (k + 0.5) / 1000, 22 * (k + 0.5) / 1000 - 11) for k in range(1000)
    ]
    assert sum(p * 20 * 0.022 for p, _ in steps) == pytest.approx(150)
    assert sum(p * 20 * 0.022 * at for p, at in steps) == pytest.approx(150 * 101, rel=1e-4)
    assert embedding("softwood", 20) == pytest.approx(212 * 0.36**1.45 / 20**0.5)
    assert bearing(20, 90, 0, 150) == float("inf")


def test_a_peg_is_at_least_as_deep_as_it_is_thick() -> None:
    def codes(depth: int, thick: int = 40) -> set[str]:
        made = peg.Peg(depth=Fraction(depth))
        return {
            found.code
            for found in peg_fit.fit(made, replace(RAIL, thickness=Fraction(thick))).findings
        }

    assert "peg.shallow" in codes(19)
    assert "peg.shallow" not in codes(20)
    # 150 N at its tip: in softwood it wants 22, and hardwood holds it at once.
    shallow = amend(starting_brief("towel", 3, "1 mm"), {"holder": {"depth": "20 mm"}})
    (finding,) = [found for found in build(shallow).findings if found.code == "peg.bearing"]
    assert finding.fixes[0].patch == {"board": {"wood": "hardwood"}}
    assert [found.code for found in build(starting_brief("towel", 3, "1 mm")).findings] == []


def test_a_dowel_bears_a_quarter_of_what_breaks_it() -> None:
    # 58.86 N, 100 out on 15 mm: M = 5886 Nmm over π · 15³ / 32 = 331.3 mm³.
    assert (
        stress(15, 100, 58.86)
        == pytest.approx(5886 / 331.34, rel=1e-4)
        == pytest.approx(17.76, abs=0.01)
    )
    assert (bending("dowel"), bending("softwood"), bending("hardwood")) == (25, 15, 22.5)


def test_an_open_finger_is_a_lever_about_its_heel() -> None:
    hard = Ground(
        Fraction(26), Fraction(170), Fraction(23), "hardwood", MM, pulled=Pulled(0.0, 150)
    )
    turned, pin, screws = flip.links(flip.Flip(), hard)
    # 110 long and 20 thick on a pin of 8: 6 · 150 · 110 · 20 / (24 · (8000 − 512)) = 11.0 MPa of
    # 22.5.
    assert turned.share == pytest.approx(11.018 / 22.5, rel=1e-3)
    # 150 · 110 / 10 = 1650 N at the pin: 32 · 1650 · 24 / 12 / (π · 512) = 65.7 MPa; four screws of
    # 25 with 19 of thread hold 1990 N.
    assert pin.share == pytest.approx(65.65 / 120, rel=1e-3)
    assert screws.share == pytest.approx(1650 / (4 * 108.25 * 0.55**2 * 4 * 19 / 5), rel=1e-3)
    # About the pin: the hand's moment is the heel's.
    assert flip.levered(110, 10, 150) * 10 == 150 * 110
    # Twice as wide, half; fingers on a rod by the heel below it, the rod's core and the spacers'
    # screws.
    assert flip.stress(flip.Flip(width=Fraction(48)), 150, Fraction(8)) == pytest.approx(
        11.018 / 2, rel=1e-3
    )
    made = flip.Flip(thickness=Fraction(26))
    _, rod, spacers = finger.links(made, finger.Rod(thickness=Fraction(26)), hard)
    # r = 13 + 1, cos 8: 13.86; 150 · 110 / 13.86 = 1190 N; 27.2 wide on 6.4: 32 · 1190 · 27.2 / 12
    # / (π · 6.4³) = 104.8 MPa.
    assert rod.share == pytest.approx(104.8 / 120, rel=2e-3)
    # 23 of each screw in a spacer of 27, 19 of thread.
    assert spacers.share == pytest.approx(1190.2 / (4 * 108.25 * 0.55**2 * 4 * 19 / 5), rel=2e-3)


# --- Boards and walls ---


def test_a_board_bends_between_its_screws_and_past_the_last_one() -> None:
    # 120 × 21, 600 between, 150 N outward: M = 22 500 Nmm over 8820 mm³; past the end 300: twice
    # that.
    between = Beam("softwood", 120, 21, 600, 0, 0)
    assert between.share(150) == pytest.approx(22_500 / 8820 / 15)
    assert Beam("softwood", 120, 21, 0, 300, 0).share(150) == pytest.approx(2 * between.share(150))
    # What lies on it evenly bends it down over its width: (150 · 150 + 0.5 · 600² / 8) over 21 ·
    # 120² / 6, less than outward.
    heavy = Beam("softwood", 120, 21, 600, 0, 5)
    assert heavy.stress(150) == pytest.approx((22_500 + 5 * 600**2 / 8) / 50_400)


# What each line of screws holds of a pull straight outward at so many mm up, for a board from 0 to
# 100.
OUTWARD: list[tuple[list[int], int, list[float]]] = [
    ([80], 90, [90 / 80]),  # above: about the foot
    ([80], 40, [60 / 20]),  # below: about the top edge
    ([80], 80, [1.0]),
    ([80, 20], 50, [0.5, 0.5]),  # between both: shared
    ([80, 20], 65, [0.75, 0.25]),
    ([80, 20], 90, [90 / 80, 0]),
    ([80, 20], 10, [0, 90 / 80]),  # below both: the lower ones, about the top edge
]


@pytest.mark.parametrize(("lines", "at", "shares"), OUTWARD)
def test_a_pull_straight_out_is_held_by_levers(
    lines: list[int], at: int, shares: list[float]
) -> None:
    hand = [Load(0.0, 0.0, 0.0, at, 0.0, 100.0)]
    found = pulls([(0.0, float(y)) for y in lines], hand, Bearing(0, 100), 1000, 1000)
    assert [pull.pull / 100 for pull in found] == pytest.approx(shares)
    # Hung with play it swings at its foot, and nothing is prised.
    (free,) = pulls(
        [(0.0, 80.0)], [Load(0.0, 0.0, 0.0, 40, 0.0, 100.0)], Bearing(0, float("inf")), 1000, 1000
    )
    assert free.pull == 100


def test_a_strip_turns_about_its_own_edge_unless_a_spacer_stands_at_the_foot() -> None:
    wall = Site("Bare", BARE)
    start = amend(COATS, {"board": {"height": "140 mm"}, "place": {"wall": "ab", "x": "400 mm"}})

    def only(**mount: object) -> tuple[float, float, Pull]:
        (fixed,) = design(
            amend(start, {"mount": {"by": "cleat", "into": "lags", **mount}}), wall
        ).on_wall.fixed
        return (
            fixed.bears.low,
            float(fixed.screws[0].y),
            max(fixed.pulls, key=lambda pull: pull.share),
        )

    foot, up, spaced = only()
    edge, _, bare = only(foot="none")
    # The cleat's middle is 40 down from the top: 100 above the board's foot, 30 above its own edge.
    assert (up - foot, up - edge) == (100, 30)
    assert bare.pull > 2.5 * spaced.pull
    # What is taller holds no better where no spacer stands below it.
    taller = design(
        amend(
            start,
            {
                "board": {"height": "200 mm"},
                "mount": {"by": "cleat", "into": "lags", "foot": "none"},
            },
        ),
        wall,
    )
    assert max(pull.pull for pull in taller.on_wall.fixed[0].pulls) >= 0.95 * bare.pull


def test_what_a_wall_holds_goes_by_how_thick_and_of_what_it_is() -> None:
    def bears(
        key: str, wall: Wall, wood: int = 21, **mount: object
    ) -> tuple[Driven, tuple[float, float]]:
        anchor = next(one for one in anchors("metric").values() if one.key == key)
        driven = drive(anchor, Fraction(wood), wall)
        return driven, ratings(
            anchor, driven, Fraction(wood), wall, "through", Mount.model_validate(mount)
        )

    def lined(lining: str) -> Wall:
        return BARE.model_copy(update={"lining": Fraction(lining)})

    # Toggles by the board: of the thickest of the table that is no thicker, and bolts long enough
    # for folded wings.
    assert [bears("toggles", lined(each))[1] for each in ("9", "12.5", "14", "15", "25")] == [
        (110, 150),
        (180, 220),
        (180, 220),
        (210, 260),
        (300, 350),
    ]
    assert bears("toggles", lined("7.2"))[1] == pytest.approx((88, 120))
    assert bears("toggles", lined("12.5"))[0].length == 80  # 21 + 12.5 + 45
    # Blocks apart, and the weakest where nobody says which; plaster counts in the length: 21 + 15 +
    # 50.
    stone = BARE.model_copy(update={"makeup": "masonry", "lining": Fraction(15)})
    assert [
        bears("plugs", stone.model_copy(update={"block": block}))[1]
        for block in ("unknown", "solid", "hollow", "aerated")
    ] == [(150, 250), (500, 700), (250, 400), (150, 250)]
    assert bears("plugs", stone)[0].length == 90
    # A sheet of 12.5: its screw goes through with its point, and all of it holds; where that would
    # stand out too far, 9 less the point.
    sheet = BARE.model_copy(update={"makeup": "planked", "lining": Fraction("12.5")})
    assert (bears("sheet", sheet)[0].length, bears("sheet", sheet)[0].thread) == (40, 12.5)
    short = bears("sheet", sheet.model_copy(update={"lining": Fraction(20)}), 120)[0]
    assert (short.length, short.thread) == (140, 15)
    # Packets: each figure over the factor, for its own way.
    assert bears("toggles", lined("12.5"), pull="40 kg", factor=5)[1] == pytest.approx((78.48, 220))


# --- Tables ---


def number(text: str) -> float:
    return float(read(text))


@pytest.mark.parametrize("screw", table("screws"), ids=lambda screw: screw["gauge"])
def test_pilots_bite_and_clearance_holes_let_the_shank_pass(screw: dict[str, str]) -> None:
    d, root, soft, hard, clear = (
        number(screw[name]) for name in ("diameter", "root", "softwood", "hardwood", "clear")
    )
    assert root == pytest.approx(0.7 * d)
    assert 0.7 * root <= soft <= 0.96 * root, "70 % of the core and more, and less than all of it"
    assert 0.9 * root <= hard <= 1.08 * root, "90 % of it, to the next bit"
    assert 0.3 <= clear - d <= 1


@pytest.mark.parametrize("lag", table("lags"), ids=lambda lag: lag["key"])
def test_lag_screws_bite_and_pass(lag: dict[str, str]) -> None:
    d, soft, hard, clear = (
        number(lag[name]) for name in ("diameter", "softwood", "hardwood", "clear")
    )
    assert 0.4 * d <= soft <= 0.705 * d
    assert 0.6 * d <= hard <= 0.85 * d
    assert 0.7 <= clear - d <= 1.1


@pytest.mark.parametrize("rod", table("rods"), ids=lambda rod: rod["key"])
def test_recesses_let_nut_washer_and_socket_turn(rod: dict[str, str]) -> None:
    known = finger.hardware(rod["key"])
    bit, _ = known.recess_bit
    assert bit > max(known.corners, known.outside, known.socket)
    assert known.root < known.diameter < known.bit
    assert finger.hardware("M6").recess_bit[0] == 16


@pytest.mark.parametrize(
    ("trade", "gauge", "lag"), [("metric", "5.0", "8 mm"), ("us", "#10", "5/16 in")]
)
def test_the_bits_of_the_wall_are_those_of_the_tables(trade: Trade, gauge: str, lag: str) -> None:
    known, screw = anchors(trade), row("screws", gauge, "gauge")
    assert known["screws"].bit == known["sheet"].bit == read(screw["softwood"])
    assert known["screws"].clear == strip_screw(trade)["clear"] == read(screw["clear"])
    assert strip_screw(trade)["softwood"] == read(screw["softwood"])
    assert (known["lags"].bit, known["lags"].clear) == tuple(
        read(row("lags", lag)[name]) for name in ("softwood", "clear")
    )


# --- What no change may do ---

SITES = [
    Site("Studs", BARE),
    Site("Stone", BARE.model_copy(update={"makeup": "masonry", "block": "hollow"})),
    Site("Planks", BARE.model_copy(update={"makeup": "planked", "lining": Fraction(20)})),
]
STARTS = st.sampled_from(list(FAMILIES)).flatmap(
    lambda key: st.tuples(
        st.just(key),
        st.sampled_from(
            [each for each in shipped() if FAMILIES[key].suits((each.item,)).score >= 2]
        ),
        st.integers(1, 5),
    )
)


@given(
    start=STARTS,
    site=st.sampled_from(SITES),
    by=st.sampled_from(["auto", "through", "cleat", "batten"]),
    x=st.integers(100, 1500),
)
@cases(90)
def test_the_weakest_link_is_the_one_with_the_largest_share_and_a_heavier_thing_never_lowers_one(
    start: tuple[str, Listed, int], site: Site, by: str, x: int
) -> None:
    key, entry, count = start
    brief = amend(
        starting([(entry, count)], "1 mm", key),
        {"place": {"wall": "ab", "x": f"{x} mm"}, "mount": {"by": by, "into": "auto"}},
    )
    done = design(brief, site)
    assert done.chain.links, "every way of building is checked"
    assert done.chain.weakest
    assert done.chain.weakest.share == max(
        link.share for link in (*done.rack.links, *done.on_wall.links)
    )
    assert done.chain.weakest.figure in {
        figure.key for figure in design(amend(brief, {"mount": {"by": by}}), site).figures
    } | {"fix.share"}
    heavier = build(
        amend(brief, {"item": {"full_g": min(3 * brief.item.heaviest_g + 50, 100_000)}})
    )
    for light, heavy in zip(done.rack.links, heavier.links, strict=True):
        assert heavy.share >= light.share * (1 - 1e-9), light.name


PLATES = st.builds(
    Plate,
    st.sampled_from(["softwood", "hardwood"]),
    st.floats(20, 200),
    st.integers(1, 3),
    st.floats(5, 18),
    st.sampled_from([3.0, 3.5, 4.0, 4.5, 5.0, 6.0]),
    st.floats(12, 60),
    st.floats(9, 12),
    st.floats(5, 200),
    st.floats(0, 40),
)


@given(plate=PLATES, force=st.floats(1, 2000), more=st.floats(1, 3))
def test_a_longer_lever_never_lowers_a_share_and_longer_screws_never_raise_one(
    plate: Plate, force: float, more: float
) -> None:
    share = plate.share(force)
    assert replace(plate, out=plate.out * more).share(force) >= share
    assert plate.share(force * more) >= share
    assert (
        replace(plate, length=plate.length * more + 20, into=plate.into * more).share(force)
        <= share + 1e-9
    )
    assert replace(plate, tall=plate.tall * more).share(force) <= share + 1e-9


@given(
    length=st.integers(15, 100),
    share=st.floats(0.8, 1),
    wood=st.sampled_from(["softwood", "hardwood"]),
)
def test_a_thicker_screw_never_raises_a_share(length: int, share: float, wood: str) -> None:
    # With enough of it in the wood for the thickest to be counted on.
    found = [
        Plate(wood, 110, 2, 86, d, length, length * share, 60).share(150)  # type: ignore[arg-type]
        for d in (3.0, 3.5, 4.0, 4.5, 5.0, 6.0)
    ]
    assert found == sorted(found, reverse=True)


LOADED = st.lists(
    st.builds(
        Load,
        st.floats(0, 400),
        st.floats(-300, 2000),
        st.floats(0, 400),
        st.floats(0, 100),
        st.floats(0, 300),
        st.floats(0, 300),
        st.just(True),
    ),
    min_size=1,
    max_size=6,
)


@given(
    xs=st.lists(st.integers(0, 2000), min_size=1, max_size=5, unique=True),
    on=LOADED,
    more=st.floats(1, 4),
    two=st.booleans(),
    high=st.sampled_from([120.0, float("inf")]),
)
def test_neither_heavier_things_nor_longer_levers_make_a_fixing_safer(
    xs: list[int], on: list[Load], more: float, two: bool, high: float
) -> None:
    at = [(float(x), y) for x in xs for y in ((80.0, 20.0) if two else (80.0,))]

    def worst(them: list[Load]) -> float:
        return max(pull.share for pull in pulls(at, them, Bearing(0, high), 300, 500))

    heavier = [
        replace(load, weight=load.weight * more, down=load.down * more, out=load.out * more)
        for load in on
    ]
    further = [replace(load, lever=load.lever * more) for load in on]
    assert worst(heavier) >= worst(on) * (1 - 1e-9)
    assert worst(further) >= worst(on) * (1 - 1e-9)
    # Whichever thing is lifted off, the rest is no worse than what is said.
    for k in range(len(on)):
        rest = [
            replace(each, down=0.0, out=0.0, thing=False, weight=0.0 if i == k else each.weight)
            for i, each in enumerate(on)
        ]
        assert worst(rest) <= worst(on) * (1 + 1e-9) + 1e-9, k


@given(diameter=lengths(6, 40), out=lengths(20, 200), deep=lengths(6, 60), force=st.floats(1, 1000))
def test_a_longer_or_a_shallower_peg_bears_more(
    diameter: Fraction, out: Fraction, deep: Fraction, force: float
) -> None:
    made = peg.Peg(diameter=diameter, showing=out, depth=deep)
    on = replace(RAIL, pulled=Pulled(0.0, force))
    face, hole = peg.links(made, on)
    longer = list(peg.links(made.model_copy(update={"showing": out + 1}), on))
    deeper = list(peg.links(made.model_copy(update={"depth": deep + 1}), on))
    assert longer[0].share > face.share
    assert longer[1].share > hole.share > deeper[1].share


def test_the_chain_names_each_link_once_by_its_weakest() -> None:
    site = Site("Bare", BARE)
    done = design(amend(COATS, {"place": {"wall": "ab", "x": "400 mm"}}), site)
    assert [link.share for link in done.chain.links] == sorted(
        (link.share for link in done.chain.links), reverse=True
    )
    assert {link.kind for link in done.chain.links} >= {"screw", "board"}
    assert len({(link.kind, link.name) for link in done.chain.links}) == len(done.chain.links)
    assert not done.chain.unchecked
    # Without a wall the hook is checked all the same, and what is not is said.
    alone = design(amend(COATS, {"holder": {"gauge": "3.0"}})).chain
    assert (alone.weakest or Link("wall", "", 0, "")).share > 1
    assert alone.unchecked.startswith("No wall is chosen yet")
    assert weakest([]) is None
