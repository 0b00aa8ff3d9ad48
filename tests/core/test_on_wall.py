"""A rack on its wall: loads by hand, screws where they hold, and the room around it."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from tests.core.test_figures import close_to, worked_out
from tests.core.test_findings import COATS, PLACED, SITES, WALL
from tests.metric import starting_brief
from tests.strategies import briefs
from yardcliff.core.brief.mounting import Mount
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.findings.finding import Patch
from yardcliff.core.shapes.geometry import points
from yardcliff.core.units.exact import Fraction
from yardcliff.core.wall.anchors import anchors
from yardcliff.core.wall.bodies import bodies
from yardcliff.core.wall.fixed import Fixed
from yardcliff.core.wall.fixing import Fixer
from yardcliff.core.wall.grounds import RIM_OF_STUD, lines
from yardcliff.core.wall.loading import Bearing, Load, pulls
from yardcliff.core.wall.options import ways_by, ways_into
from yardcliff.core.wall.placing import Aim, at
from yardcliff.core.wall.position import aims
from yardcliff.core.wall.putting_up import put_up
from yardcliff.core.wall.room_check import depths
from yardcliff.core.wall.survey import Area, Site, areas, no_hole, open_places
from yardcliff.core.wall.wall import Obstacle, OldFixing, Studs, Wall
from yardcliff.core.ways import Brief

BARE = Wall(width=Fraction(4000))
OPEN = Site("Bare wall", BARE)


FOOT = Bearing(0, 120)
"""A body that bears on the wall from 0 to 120 mm up."""


def on(patch: Patch, site: Site = OPEN, brief: Brief = COATS) -> Design:
    return design(amend(brief, {"place": {"wall": "ab", "x": "1000 mm"}, **patch}), site)


def only(done: Design) -> Fixed:
    (fixed,) = done.on_wall.fixed
    return fixed


def test_weight_goes_down_the_screws_as_down_rivets_and_turns_the_board() -> None:
    # Three screws 400 apart, 100 above the foot; 90 N hang 300 right of the middle one, 60 off the
    # wall; no hand pulls. Down: 90/3 + 90 · 300 · (0, ±400) / (2 · 400²) = -3.75, 30, 63.75. Out:
    # those shares of 90 · 60 / 100 = 54.
    found = pulls([(0, 100), (400, 100), (800, 100)], [Load(90, 700, 60)], FOOT, 500, 400)
    assert [one.shear for one in found] == pytest.approx([3.75, 30, 63.75])
    assert [one.pull for one in found] == pytest.approx([0, 18, 38.25])
    assert found[2].share == pytest.approx(38.25 / 500 + 63.75 / 400)
    # Screws lower down share the weight, but only the top ones hold what turns.
    low = pulls([(0, 100), (800, 100), (0, 20), (800, 20)], [Load(90, 400, 60)], FOOT, 500, 400)
    assert [one.shear for one in low] == pytest.approx([22.5] * 4)
    assert [one.pull for one in low] == pytest.approx([27, 27, 0, 0])


def test_a_hand_pulls_at_the_worse_end() -> None:
    # 10 N at either screw: with 30 N down the pulled one bears 10 + 20, the other its 10.
    ends = [Load(10, 0, 50, 40, 30, thing=True), Load(10, 600, 50, 40, 30, thing=True)]
    found = pulls([(0, 80), (600, 80)], ends, FOOT, 100, 100)
    assert [one.shear for one in found] == pytest.approx([30, 30])
    assert [one.pull for one in found] == pytest.approx([30 * 50 / 80] * 2)
    assert pulls([], ends, FOOT, 100, 100) == []
    assert pulls([(0, 80)], [Load(10, 0, 50)], FOOT, 100, 100)[0].shear == pytest.approx(
        10
    )  # nothing to pull at


def test_a_rail_of_coats_weighs_them_wet_and_shows_its_working() -> None:
    # Six at 2.6 kg, and 1560 × 120 × 21 mm of softwood at 480 kg/m³: 15.6 + 1.887 kg.
    done = on({})
    known = {figure.key: figure.value for figure in done.figures}
    assert known["fix.weight"] == "17 kg"
    # 21 of board, 12.5 of lining and 30 in the stud are 63.5: the next screw is 70, of which 36.5
    # hold.
    one = only(done)
    assert (one.length, one.hold) == (70, Fraction(73, 2))
    # Its point does not count: 31.5 of thread, 108.25 · 0.36² · 5 · 31.5 / 5 = 441.9 N; 36.5 in are
    # 7.3 diameters: all of 362 N.
    assert (one.may_pull, one.may_shear) == pytest.approx((441.9, 362.0), abs=0.1)
    worst = max(one.pulls, key=lambda pull: pull.share)
    assert one.share == pytest.approx(worst.pull / one.may_pull + worst.shear / one.may_shear)
    # The packet's figures replace it, one for each way, over 4 or what is said: 20 kg are 196.2 N.
    packet = only(on({"mount": {"pull": "20 kg", "shear": "40 kg"}}))
    assert (packet.may_pull, packet.may_shear) == pytest.approx((49.05, 98.1))
    half = only(on({"mount": {"pull": "20 kg", "factor": 2, "into": "screws"}}))
    assert (half.may_pull, half.may_shear) == pytest.approx((98.1, 362.0), abs=0.1)


def test_screws_stand_in_studs_mirrored_where_that_is_asked() -> None:
    # The board from 1000 to 2560 has studs at 1500 and 2100: 500 and 1100 along it, clear of hooks
    # at 130 + 260 k.
    assert {float(screw.x) for screw in only(on({})).screws} == {500, 1100}
    # Mirrored about 780 they would stand at 500 and 1060, 40 beside the other: too far for a stud
    # that holds 12.5 to each side.
    assert only(on({"mount": {"screws": "even", "into": "screws", "by": "through"}})).loose
    even = only(on({"mount": {"screws": "even"}, "place": {"wall": "ab", "x": "1020 mm"}}))
    assert {float(screw.x) for screw in even.screws} == {480, 1080}
    # Under plates they stand at the hooks' own marks, here 300 apart: every second one is on a
    # stud.
    wide: Patch = {
        "row": {"length": "1800 mm"},
        "place": {"wall": "ab", "x": "1050 mm"},
        "mount": {"by": "plates"},
    }
    plates = on(wide)
    assert {float(screw.x) for screw in only(plates).screws} == {450, 1050, 1650}
    assert next(f.value for f in plates.figures if f.key == "mount.behind") == "2, 4, 6"


@pytest.mark.parametrize(
    ("makeup", "lining", "by", "into"),
    [
        ("timber studs", "12.5 mm", "through", "screws"),
        ("steel studs", "12.5 mm", "through", "toggles"),
        ("masonry", "12.5 mm", "through", "plugs"),
        ("planked", "20 mm", "through", "sheet"),
        ("planked", "9 mm", "through", "screws"),
    ],
)
def test_the_wall_decides_what_holds(makeup: str, lining: str, by: str, into: str) -> None:
    wall = BARE.model_copy(update={"makeup": makeup, "lining": Fraction(lining.split()[0])})
    one = only(on({"item": {"weight_g": "300 g", "full_g": None}}, Site("Wall", wall)))
    assert (one.by, one.anchor.key, one.good) == (by, into, True)
    assert makeup in one.anchor.walls


def test_no_stud_has_an_answer() -> None:
    # A short rail between two studs 600 apart: through the lining, or on a batten that reaches
    # both.
    short = amend(starting_brief("room-key", 5, "1 mm"), {"place": {"wall": "ab", "x": "1600 mm"}})
    rail = design(short, OPEN)
    assert only(rail).anchor.key == "toggles"
    assert [f.code for f in rail.findings] == ["fix.hollow"]
    on = design(amend(short, {"mount": {"by": "batten"}}), OPEN)
    batten = only(on)
    (strip,) = [
        part for part in on.on_wall.parts if part.key not in {one.key for one in on.rack.parts}
    ]
    assert (strip.height, strip.depth) == (70, 21), "as battens are sold"
    assert {screw.stud for screw in batten.screws} == {2, 3}
    assert batten.strip
    assert batten.strip[1] - batten.strip[0] >= 600
    assert batten.good


def test_a_batten_keeps_off_what_is_on_the_wall() -> None:
    # The rail from 1600 to 1875 wants a batten from stud to stud, 1470 to 2130: over a window at
    # 1950 it cannot lie.
    short = amend(
        starting_brief("room-key", 5, "1 mm"),
        {"place": {"wall": "ab", "x": "1600 mm"}, "mount": {"by": "batten"}},
    )
    window = Obstacle(
        kind="window", x=Fraction(1950), y=Fraction(1200), width=Fraction(300), height=Fraction(600)
    )
    beside = only(design(short, Site("Window", BARE.model_copy(update={"obstacles": (window,)}))))
    # The studs at 900 and 1500 hold it instead; with another window there, nothing does.
    assert (beside.blocked, beside.strip) == (False, (870 - 1600, 275))
    shut = Site(
        "Windows",
        BARE.model_copy(
            update={"obstacles": (window, window.model_copy(update={"x": Fraction(1000)}))}
        ),
    )
    blocked = design(short, shut)
    assert only(blocked).blocked
    finding = next(f for f in blocked.findings if f.code == "fix.loose")
    assert finding.message == "The batten would lie on what is on the wall, or past its end."
    assert not only(design(short, OPEN)).blocked
    ways = {
        way.value: way.verdict
        for way in ways_by(blocked.rack, shut, blocked.on_wall.spot, Mount(), blocked.tape)
    }
    assert ways["batten"] == "no room for it"
    # Nor past the end of the wall, 30 beyond a last stud at 3990.
    late = Site(
        "Late stud",
        BARE.model_copy(update={"studs": Studs(measured=(Fraction(3400), Fraction(3990)))}),
    )
    assert only(design(amend(short, {"place": {"x": "3550 mm"}}), late)).blocked


def test_hooks_come_to_stand_on_studs_so_that_their_plates_hide_screws_there() -> None:
    # Hooks 260 apart never are on two studs 600 apart, give or take 20: two of them move.
    loose = on({"mount": {"by": "plates", "into": "screws"}})
    finding = next(f for f in loose.findings if f.code == "fix.loose")
    fix = next(fix for fix in finding.fixes if "onto studs" in fix.label)
    assert fix.label == "Hooks 2 and 5 onto studs"
    moved = design(amend(loose.brief, fix.patch), OPEN)
    assert {float(screw.x) for screw in only(moved).screws} == {500, 1100}
    assert {500, 1100} <= {float(axis) for axis in moved.rack.row.axes}
    assert "fix.loose" not in {f.code for f in moved.findings}


def test_heavy_things_are_not_hung_on_the_lining_unless_somebody_asks() -> None:
    heavy: Patch = {"item": {"weight_g": "9 kg"}, "place": {"wall": "ab", "x": "1000 mm"}}
    wall = Site("Wide studs", BARE.model_copy(update={"studs": Studs(apart=Fraction(1800))}))
    assert only(on(heavy, wall)).anchor.in_studs
    asked = only(on({**heavy, "mount": {"into": "toggles"}}, wall))
    assert asked.anchor.key == "toggles"


WALLS = st.builds(
    lambda makeup, apart, first, wide: WALL.model_copy(
        update={
            "makeup": makeup,
            "width": Fraction(wide),
            "studs": Studs(first=Fraction(first), apart=Fraction(apart)),
            "old": (OldFixing(x=Fraction(1400), y=Fraction(1620)),),
            "obstacles": WALL.obstacles[:1],
        }
    ),
    st.sampled_from(["timber studs", "steel studs", "masonry", "planked"]),
    st.sampled_from([400, 600, 625]),
    st.integers(100, 600),
    st.integers(2500, 6000),
)


@given(
    brief=briefs,
    wall=WALLS,
    x=st.integers(0, 3000),
    by=st.sampled_from(
        ["auto", "through", "plates", "items", "keyholes", "mirrors", "cleat", "batten"]
    ),
    even=st.booleans(),
)
@cases(12)
def test_every_rack_draws_on_any_wall_its_screws_hold_and_every_fix_settles(
    brief: Brief, wall: Wall, x: int, by: str, even: bool
) -> None:
    site = Site("Any wall", wall, SITES["ab"].neighbours)
    mount: Patch = {"by": by, "screws": "even" if even else "free"}
    done = design(amend(brief, {"place": {"wall": "ab", "x": f"{x} mm"}, "mount": mount}), site)
    assert done.scene.wall.x1 > done.scene.wall.x0
    half = wall.studs.wide / 2 - RIM_OF_STUD
    for one in done.on_wall.fixed:
        boards = {part.key: part for part in one.body.grounds}
        for screw in one.screws:
            at, part = screw.x + x, boards[screw.part]
            if screw.stud is not None:
                assert abs(at - wall.stud_middles[screw.stud]) <= half
            if one.by in ("auto", "through", "items"):
                assert part.x <= screw.x <= part.x + part.length
                assert part.y <= screw.y <= part.y + part.height
            assert not any(a < at < b for a, b in no_hole(wall, screw.y)) or one.by == "mirrors"
    for finding in done.on_wall.findings:
        assert finding.fixes, finding.code
        for fix in finding.fixes:
            after = amend(done.brief, fix.patch)
            left = design(after, site if after.place.wall else None).on_wall.findings
            assert (finding.code, finding.part) not in {(f.code, f.part) for f in left}, (
                finding.code,
                fix,
            )


@given(brief=briefs, x=st.integers(0, 2000))
@cases(12)
def test_most_studs_are_never_fewer_and_every_aim_is_free_of_what_is_there(
    brief: Brief, x: int
) -> None:
    placed = amend(brief, {"place": {"wall": "ab", "x": f"{x} mm"}})
    done = design(placed, SITES["ab"])
    site = SITES["ab"]
    found = {one.aim: one for one in aims(done.rack, site, placed.place, placed.mount, done.tape)}
    free = open_places(
        site,
        areas(done.rack),
        [Area(o.x, o.y, o.x + o.width, o.y + o.height) for o in WALL.obstacles],
    )
    for one in found.values():
        assert not free or any(a <= one.x <= b for a, b in free)

    def met(aim: Aim) -> int:
        x = found[aim].x
        question = Fixer(done.rack, site, placed.place, done.tape).question(
            placed.mount, x, [(x, x)]
        )
        # A line that is short of its studs counts before any further stud.
        return sum(
            min(len(studs), line.least)
            for studs, line in zip(at(question, question.wanted).met, question.lines, strict=True)
        )

    if free:
        assert met("studs") >= max(met("between"), met("holes"))


def test_a_door_opens_as_far_as_what_hangs_beside_its_hinges_lets_it() -> None:
    # The jackets stand 21 + 49.2 + 70 = 140.2 out and begin 45 beside the hinges: 180° - atan(140.2
    # / 45) = 108°.
    done = design(amend(PLACED, {"place": {"x": "930 mm"}}), SITES["ab"])
    assert depths(done.rack) == [21, Fraction(701, 5)]
    assert next(f for f in done.findings if f.code == "wall.swing").value == "108°"
    # The limit is drawn where it bites: the 900 beside the hinges, seen from the datum at 930; and
    # is not, further on.
    limit = next(stroke for stroke in done.scene.strokes if stroke.role == "limit")
    assert [x for x, _ in points(limit.path)] == [-30, 870, 870, -30]
    clear = design(amend(PLACED, {"place": {"x": "1300 mm"}}), SITES["ab"])
    assert not [stroke for stroke in clear.scene.strokes if stroke.role == "limit"]


def test_cables_are_kept_clear_of() -> None:
    switch = Obstacle(
        kind="switch", x=Fraction(1000), y=Fraction(1100), width=Fraction(80), height=Fraction(80)
    )
    wall = BARE.model_copy(
        update={"obstacles": (switch,), "old": (OldFixing(x=Fraction(300), y=Fraction(1600)),)}
    )
    assert list(no_hole(wall, Fraction(1600))) == [
        (950, 1130),
        (275, 325),
    ]  # straight up, and about the old hole
    assert list(no_hole(wall, Fraction(1120))) == [(400, 1680)]  # aside
    door = WALL.obstacles[0]
    assert list(no_hole(BARE.model_copy(update={"obstacles": (door,)}), Fraction(1000))) == [
        (0, 900)
    ]


def test_every_way_says_what_it_would_mean() -> None:
    done = on({})
    mount = Mount()
    by = {way.value: way for way in ways_by(done.rack, OPEN, done.on_wall.spot, mount, done.tape)}
    assert by["through"].verdict.startswith("4 hold, load ")
    assert not by["mirrors"].good
    assert by["mirrors"].verdict == "too few studs: 0"
    into = {
        way.value: way for way in ways_into(done.rack, OPEN, done.on_wall.spot, mount, done.tape)
    }
    assert into.keys() == {"auto"} | {
        key for key, anchor in anchors("metric").items() if "timber studs" in anchor.walls
    }
    assert "Hole 14 mm; for plasterboard of 9 mm to 50 mm." in into["toggles"].why
    pegs = on({}, brief=starting_brief("enamel-mug", 6, "1 mm"))
    plates = next(
        w
        for w in ways_by(pegs.rack, OPEN, pegs.on_wall.spot, mount, pegs.tape)
        if w.value == "plates"
    )
    assert plates.verdict == "no plate that hides a head"


def test_putting_up_begins_with_one_screw_and_ends_with_a_pull() -> None:
    wall = BARE.model_copy(update={"old": (OldFixing(x=Fraction(1700), y=Fraction(1650)),)})
    done = on({}, Site("Old wall", wall))
    up = put_up(done.rack, done.on_wall, done.tape)
    assert [(h.number, h.x, h.into) for h in up.holes[:2]] == [
        (1, 1500, "stud 3"),
        (2, 2100, "stud 4"),
    ]
    said = [step.do for step in up.steps]
    assert said[0].startswith("Take out 1 old fixing")
    # Nobody has looked for a stud yet: that comes before anything is drilled by where they stand.
    assert said[2] == "Studs are assumed every 600 mm: find one, and give it."
    assert said[3].startswith("Screw 1 first: 1500 mm from the left corner")
    found = wall.model_copy(update={"studs": Studs(first=Fraction(300))})
    again = on({}, Site("Old wall", found))
    assert put_up(again.rack, again.on_wall, again.tape).steps == up.steps[:2] + up.steps[3:]
    order = [
        next(k for k, do in enumerate(said) if word in do)
        for word in ("first", "level", "Drill and drive", "Pull")
    ]
    assert order == sorted(order)
    assert any(tool == "4 × 5.0 × 70 mm wood screw" for tool in up.at_hand)
    assert any("Cables" in caution for caution in up.cautions)
    assert any("Two people" in caution for caution in up.cautions)
    assert put_up(done.rack, design(COATS).on_wall, done.tape).steps == ()


def test_lines_keep_off_holders_and_hooks_hide_them_only_under_plates() -> None:
    rack = design(COATS).rack
    (body,) = bodies(rack)
    (through,) = lines(rack, body, "through")
    for row in rack.rows:
        for x, _ in row.places:
            near = abs(through.ys[0] - row.y) < rack.glyph.height / 2 + 7
            assert not (near and any(a < x < b for a, b in through.free))
    (plates,) = lines(rack, body, "plates")
    assert [(a + b) / 2 for a, b in plates.free] == list(rack.row.axes)


def test_the_working_shown_gives_the_result_shown() -> None:
    done = on({"mount": {"by": "cleat", "into": "screws"}})
    known = {figure.key: figure for figure in done.figures}
    assert worked_out(known["fix.length"]) == known["fix.length"].value
    for key in ("fix.share", "fix.joined", "fix.board", "fix.lip"):
        assert worked_out(known[key]) == close_to(known[key])
    # 171.5 N and a hand of 150 on a lip 1560 long and 18 thick: 3 · 321.5 / (2 · 1560 · 18) = 0.017
    # MPa.
    assert known["fix.lip"].value == "0.017 MPa"
    # Between screws 600 apart hang 600/1560 of 171.5 N: 5 · 66 · 600³ / (384 · 8500 · 21 · 120³ /
    # 12) = 0.007 mm.
    assert known["fix.sag"].value == "under 0.1 mm"
    assert known["fix.strip"].value == 1560
    # A packet's figure is said to be one.
    assert known["fix.share"].why.startswith("A fifth of what draws its thread")
    packet = next(f for f in on({"mount": {"pull": "30 kg"}}).figures if f.key == "fix.share")
    assert packet.why.startswith("By the packet, over 4.")
