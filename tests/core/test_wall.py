"""The survey, and the wall as it is drawn: studs, what is on it, what holds the rack, and the
forces at work.
"""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from tests.core.test_findings import COATS, OTHER, PLACED, SITES, WALL
from tests.metric import shipped_item, starting
from yardcliff.core.brief.mounting import Spot
from yardcliff.core.design.begin import begin_on
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import design
from yardcliff.core.findings.patch import BriefError
from yardcliff.core.shapes.geometry import points
from yardcliff.core.shapes.scene import SURROUNDINGS, Stroke
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.length_text import INCH
from yardcliff.core.wall.amending import amend_wall, describe_wall, dump_wall, read_wall
from yardcliff.core.wall.drawn import wall_dimensions, wall_scene, wall_strokes
from yardcliff.core.wall.position import aims, first_place, reach, snaps
from yardcliff.core.wall.survey import Site, areas, around
from yardcliff.core.wall.wall import Obstacle, OldFixing, Studs, Wall

MM = Tape.named("1 mm")


def box(stroke: Stroke) -> tuple[float, float, float, float]:
    xs, ys = zip(*points(stroke.path), strict=True)
    return min(xs), min(ys), max(xs), max(ys)


@given(first=st.integers(0, 900), apart=st.integers(100, 900), width=st.integers(500, 9000))
@cases(100)
def test_studs_step_from_the_first_to_the_end(first: int, apart: int, width: int) -> None:
    wall = Wall(width=Fraction(width), studs=Studs(first=Fraction(first), apart=Fraction(apart)))
    assert list(wall.stud_middles) == list(range(first, width, apart))
    assert wall.model_copy(update={"makeup": "masonry"}).stud_middles == ()
    found = read_wall({**dump_wall(wall), "studs": {"measured": ["400 mm", "100 mm"]}})
    assert found.stud_middles == (100, 400), "as they were found, in order"


@given(
    width=st.integers(900, 9000), skirting=st.integers(0, 200), way=st.none() | st.integers(1, 4000)
)
@cases(60)
def test_a_survey_comes_back_as_it_was_kept(width: int, skirting: int, way: int | None) -> None:
    patch: dict[str, Any] = {
        "width": f"{width} mm",
        "skirting": skirting,
        "way": way and f"{way} mm",
        "old": [{"x": 1, "y": 2}],
    }
    wall = amend_wall(WALL.model_copy(update={"obstacles": ()}), patch)
    assert read_wall(dump_wall(wall)) == wall
    assert wall.width == width


def test_changes_of_a_survey_are_said_for_the_undo_list() -> None:
    for patch, says in (
        ({"height": "2.6 m"}, "Height: 2600 mm instead of 2400 mm"),
        ({"makeup": "masonry"}, "Wall: masonry instead of timber studs"),
        ({"obstacles": []}, "What is on the wall changed"),
        ({}, "no change"),
    ):
        assert describe_wall(WALL, amend_wall(WALL, patch)) == says
    with pytest.raises(BriefError, match="A change is an object"):
        amend_wall(WALL, [])  # type: ignore[arg-type]


def test_a_wall_is_drawn_with_what_is_on_it() -> None:
    strokes = wall_strokes(WALL)
    studs = [box(stroke) for stroke in strokes if stroke.role == "stud"]
    # Two edges each, 22.5 beside middles 600 apart from 300 on; from the floor to the ceiling.
    assert [x for x, *_ in studs[:4]] == [277.5, 322.5, 877.5, 922.5]
    assert {(low, high) for _, low, _, high in studs} == {(0, 2400)}
    # The skirting board stops at the door.
    assert [box(stroke) for stroke in strokes if stroke.role == "skirting"] == [(900, 0, 3600, 70)]
    # A door hinged right: its lines meet at its right edge, half-way up.
    (leaf,) = [stroke for stroke in strokes if stroke.role == "swing"]
    assert list(points(leaf.path)) == [(0, 2000), (900, 1000), (0, 0)]
    every = [
        Obstacle(kind=kind, x=Fraction(1000), width=Fraction(400), height=Fraction(500))
        for kind in ("hatch", "window", "switch", "socket", "pipe", "radiator", "other")
    ]
    for one in every:
        around_it = [
            box(s)
            for s in wall_strokes(Wall(obstacles=(one,), skirting=Fraction(0)))
            if s.role == "obstacle"
        ]
        assert (1000, 0, 1400, 500) in [tuple(round(n) for n in each) for each in around_it], (
            one.kind
        )
        assert all(a >= 1000 and b <= 1400 for a, _, b, _ in around_it), one.kind
    old = wall_strokes(Wall(old=(OldFixing(x=Fraction(700), y=Fraction(900)),)))
    assert all(
        abs((a + c) / 2 - 700) < 1 for a, _, c, _ in (box(s) for s in old if s.role == "old")
    )


def test_the_wall_stands_behind_the_rack_at_its_place() -> None:
    done = design(PLACED, SITES["ab"])
    wall = done.scene.symbols[0]
    assert (wall.of, wall.places) == ("wall", ((-1500.0, 0.0),))
    assert sum(stroke.role == "neighbour" for stroke in wall.strokes) == len(OTHER.drawn)
    assert not [
        stroke for stroke in done.scene.strokes if stroke.role in SURROUNDINGS - {"person", "reach"}
    ]
    # One ring for each screw, and the studs numbered at the ceiling.
    rings = next(symbol for symbol in done.scene.symbols if symbol.key == "fixing")
    assert len(rings.places) == sum(len(one.screws) for one in done.on_wall.fixed)
    assert [label.text for label in done.scene.labels if label.role == "stud"] == [
        "1",
        "2",
        "3",
        "4",
        "5",
        "6",
    ]
    # Moved along, the same wall is only put elsewhere.
    moved = design(amend(PLACED, {"place": {"x": "1510 mm"}}), SITES["ab"]).scene.symbols[0]
    assert moved.strokes == wall.strokes
    assert moved.places == ((-1510.0, 0.0),)


def test_who_reaches_stands_for_size() -> None:
    def tall(who: str) -> float:
        done = design(amend(PLACED, {"place": {"who": who}}), SITES["ab"])
        return max(box(stroke)[3] for stroke in done.scene.strokes if stroke.role == "person")

    assert tall("child") == pytest.approx(tall("adult") * 0.71)
    assert tall("adult") == pytest.approx(1720, abs=5)
    seated = Spot(x=Fraction(0), who="seated")
    assert (reach(seated, "metric"), reach(seated, "us")) == (1200, 48 * INCH)


def test_a_rack_past_its_wall_is_still_in_the_picture_and_finds_back() -> None:
    wall = Wall(width=Fraction(1900))
    past = design(amend(COATS, {"place": {"wall": "ab", "x": "675 mm"}}), Site("Short", wall))
    assert past.scene.wall.x1 >= past.scene.extent.x1 > float(wall.width) - 675
    fix = next(f for f in past.findings if f.code == "wall.past").fixes[0]
    # 1560 of board on 1900, with 30 for a hand: the nearest place is 310.
    assert fix.label == "Move to 310 mm"
    assert not design(amend(past.brief, fix.patch), Site("Short", wall)).on_wall.findings


def test_a_whole_wall_shows_every_rack_at_its_place_once() -> None:
    done = design(PLACED, SITES["ab"])
    scene = wall_scene(WALL, [(Fraction(1500), done.scene), (Fraction(0), done.scene)], MM)
    boards = [box(stroke) for stroke in scene.strokes if stroke.role == "board"]
    assert [a for a, *_ in boards] == [1500, 0]
    assert not [
        symbol for symbol in scene.symbols if symbol.of == "wall" or symbol.key.endswith("fixing")
    ]
    assert len({symbol.key for symbol in scene.symbols}) == len(scene.symbols)
    assert [d.text for d in wall_dimensions(WALL, MM)] == ["3600 mm", "2400 mm", "300 mm", "600 mm"]


@pytest.mark.parametrize(("by", "off"), [("through", 0), ("cleat", 18), ("batten", 21)])
def test_the_section_shows_screws_and_forces(by: str, off: int) -> None:
    done = design(
        amend(COATS, {"place": {"wall": "ab", "x": "1000 mm"}, "mount": {"by": by}}),
        Site("Bare", Wall(width=Fraction(4000))),
    )
    one = done.on_wall.fixed[0]
    screws = [box(stroke) for stroke in done.section.strokes if stroke.role == "fixing"]
    heads = {round(b) for _, _, b, _ in screws}
    assert heads == {0 if off else 21}
    assert {round(a) for a, *_ in screws} == {(0 if off else 21) - int(one.length)}
    face = next(box(stroke)[0] for stroke in done.section.strokes if stroke.role == "wall-line")
    assert face == -off
    assert sum(stroke.role == "force" for stroke in done.section.strokes) == 3
    body = sum(load.weight for load in one.on)
    assert f"{body / 9.81:.0f} kg" in [label.text for label in done.section.labels]


def test_a_rack_begins_in_the_widest_gap_and_catches_where_it_should() -> None:
    site = SITES["ab"]
    done = design(
        amend(COATS, {"row": {"count": 3, "length": "700 mm"}, "place": {"wall": "ab"}}), site
    )
    # Free beside door, switch and hats: from 900 to 3300 at the coats' height, less a hand's room.
    x = first_place(done.rack, site, done.on_wall.spot, done.brief.mount, done.tape)
    here = around(one.moved(x) for one in areas(done.rack))
    assert here.x0 - 900 == pytest.approx(3300 - here.x1, abs=1)
    along, up = snaps(done.rack, done.on_wall.areas, site, done.on_wall.spot)
    says = {snap.why: snap.at for snap in along}
    assert says["middle of the wall"] == (3600 - 700) / 2
    assert says["middle on stud 3"] == 1500 - 350
    assert {snap.why: snap.at for snap in up}["reach"] == 1950
    assert {snap.why: snap.at for snap in up}["as high as “Hats”"] == 2000
    assert {snap.why: snap.at for snap in up}["top of the door"] == 2000 - 60
    # Past its middle the wall is free; the other way the door is nearer to it than a hand.
    middle, *others = aims(done.rack, site, done.on_wall.spot, done.brief.mount, done.tape)
    assert (middle.x, middle.beside, middle.blocked) == (1450, 0, ())
    assert {one.blocked for one in others} == {()}
    wide = design(amend(done.brief, {"row": {"count": 8, "length": "1900 mm"}}), site)
    middle = aims(wide.rack, site, wide.on_wall.spot, wide.brief.mount, wide.tape)[0]
    assert (middle.x, middle.beside, middle.blocked) == (930, 80, ("the door",))


@pytest.mark.parametrize(
    ("count", "wide", "family", "length", "says", "hang"),
    [
        # 2400 beside the door, less 30 for a hand at both sides: mugs take 115 each.
        (20, "3300 mm", "rail", 2300, "", 20),
        (30, "3300 mm", "rail", 2340, "In 2 rows, to fit 2340 mm beside what is there.", 30),
        (
            30,
            "3300 mm",
            "perch",
            2340,
            "20 of 30: no more fit in 2340 mm beside what is there.",
            20,
        ),
        (30, "3300 mm", "stile-pair", 2230, "14 of 30: no more fit in 2230 mm of height.", 14),
        (3, "1000 mm", "rail", 345, "It does not fit there: put it elsewhere, or hang less.", 3),
    ],
)
def test_a_new_rack_begins_as_long_as_its_wall_has_room(
    count: int, wide: str, family: str, length: int, says: str, hang: int
) -> None:
    door = {"kind": "door", "x": "0 mm", "y": "0 mm", "width": "900 mm", "height": "2000 mm"}
    site = Site("Kitchen", amend_wall(Wall(), {"width": wide, "obstacles": [door]}))
    brief = starting([(shipped_item("enamel-mug"), count)], "1 mm", family)
    begun = next(begin_on(brief, "a1", site))
    done = design(begun.brief, site)
    assert (begun.says, done.rack.row.length, len(done.rack.hung)) == (says, length, hang)
    if not says.startswith("It does not"):
        assert not [one for one in done.findings if one.code in ("wall.past", "wall.meets")]
