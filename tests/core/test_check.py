"""What is wrong with a place on a wall, in figures of our own, and the way out that is offered
first.
"""

from typing import Any

import pytest

from tests.metric import shipped_item, starting, starting_brief
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.findings.finding import Finding, Severity
from yardcliff.core.units.exact import Fraction
from yardcliff.core.wall.room_check import depths, swing_side
from yardcliff.core.wall.survey import Area, Neighbour, Site
from yardcliff.core.wall.wall import Obstacle, Wall

BARE = Wall(width=Fraction(4000))
# Five coats on 1300 × 120 at 1650: from 690 up to 1710, and 15 inside the board's ends.
COATS = starting_brief("waxed-jacket", 5, "1 mm")


def on(
    wall: Wall = BARE, brief: Any = COATS, neighbours: tuple[Neighbour, ...] = (), **place: str
) -> Design:
    return design(
        amend(brief, {"place": {"wall": "ab", "x": "1000 mm", **place}}),
        Site("Wall", wall, neighbours),
    )


def found(done: Design, code: str) -> Finding:
    return next(one for one in done.findings if one.code == code)


def codes(done: Design) -> set[str]:
    return {one.code for one in done.on_wall.findings}


def obstacle(kind: str, x: int, y: int, width: int, height: int, hinge: str = "none") -> Wall:
    one = Obstacle(
        kind=kind,
        x=Fraction(x),
        y=Fraction(y),
        width=Fraction(width),
        height=Fraction(height),
        hinge=hinge,
    )
    return BARE.model_copy(update={"obstacles": (one,)})


def test_a_rack_with_room_all_round_has_nothing_to_settle() -> None:
    assert codes(on()) == set()


@pytest.mark.parametrize(("x", "over"), [("2750 mm", "50 mm"), ("3999 mm", "1299 mm")])
def test_how_far_it_reaches_past_the_wall(x: str, over: str) -> None:
    finding = found(on(x=x), "wall.past")
    assert (finding.value, finding.limit) == (over, "0 mm")
    assert finding.severity is Severity.STOP
    # 4000 - 1300 - 30 for a hand.
    assert finding.fixes[0].label == "Move to 2670 mm"


def test_a_rack_wider_than_its_wall_can_only_leave_it() -> None:
    finding = found(on(Wall(width=Fraction(1200))), "wall.past")
    assert finding.message == "It is wider than Wall."
    assert [fix.label for fix in finding.fixes] == ["Not on this wall"]


@pytest.mark.parametrize(
    "kind", ["switch", "socket", "pipe", "window", "radiator", "hatch", "door", "other"]
)
def test_whatever_is_on_the_wall_is_kept_clear(kind: str) -> None:
    done = on(obstacle(kind, 1500, 1000, 80, 80))
    finding = found(done, "wall.covers")
    assert finding.value == "80 mm"
    assert finding.message == (
        "It hangs where what is there is." if kind == "other" else f"It hangs where the {kind} is."
    )
    # To the right of it: 1580 + 30 - 15; to the left there are 1500 - 1285 - 30.
    assert finding.fixes[0].label == "Move to 1595 mm"
    assert "wall.covers" not in codes(on(obstacle(kind, 1500, 100, 80, 80)))  # under the coats


def test_a_window_just_above_is_cleared_by_hanging_a_little_lower() -> None:
    # The board's top is at 1710; a window as wide as the wall begins at 1700.
    done = on(obstacle("window", 0, 1700, 4000, 500))
    assert [fix.label for fix in found(done, "wall.covers").fixes] == [
        "Hang at 1640 mm",
        "Not on this wall",
    ]
    # A window that begins at 1200 wants 510 lower: that would be another rack.
    deep = found(on(obstacle("window", 0, 1200, 4000, 900)), "wall.covers")
    assert [fix.label for fix in deep.fixes] == ["Not on this wall"]


def test_another_rack_is_named_and_passed_on_the_nearer_side() -> None:
    hats = Neighbour(
        "Hats",
        (Area(Fraction(2200), Fraction(1600), Fraction(3200), Fraction(1800)),),
        Fraction(1700),
    )
    finding = found(on(neighbours=(hats,)), "wall.neighbour")
    assert finding.message == "It hangs where “Hats” hangs."
    assert (finding.value, finding.fixes[0].label) == ("100 mm", "Move to 870 mm")
    assert "wall.neighbour" not in codes(on(neighbours=(hats,), x="800 mm"))


@pytest.mark.parametrize(("x", "gap"), [("10 mm", "10 mm"), ("2680 mm", "20 mm"), ("0 mm", "0 mm")])
def test_a_hand_needs_room_at_the_end_of_the_wall(x: str, gap: str) -> None:
    done = on(x=x)
    finding = found(done, "wall.hand")
    assert (finding.value, finding.limit, finding.severity) == (gap, "30 mm", Severity.CARE)
    assert finding.fixes[0].label == ("Move to 30 mm" if x != "2680 mm" else "Move to 2670 mm")
    assert finding.fixes[1].label == f"{gap} is enough"
    assert "wall.hand" not in codes(on(x=x, hand=gap))


@pytest.mark.parametrize(
    ("who", "reach", "most", "fix"),
    [
        ("adult", None, None, None),
        ("child", None, "1250 mm", "Hang at 1250 mm"),
        ("seated", None, "1200 mm", "Hang at 1200 mm"),
        ("adult", "1.5 m", "1500 mm", "Hang at 1500 mm"),
        ("child", "1.7 m", None, None),
    ],
)
def test_who_uses_it_reaches_it(
    who: str, reach: str | None, most: str | None, fix: str | None
) -> None:
    done = on(who=who, reach=reach) if reach else on(who=who)
    if most is None:
        assert "wall.reach" not in codes(done)
        return
    finding = found(done, "wall.reach")
    assert (finding.value, finding.limit, finding.fixes[0].label) == ("1650 mm", most, fix)
    assert finding.fixes[1].label == "Reach up to 1650 mm"


def test_the_highest_peg_of_a_post_counts() -> None:
    lanterns = starting([(shipped_item("storm-lantern"), 4)], "1 mm", "ledge-post")
    finding = found(on(brief=lanterns, who="child"), "wall.reach")
    top = max(y for row in design(lanterns).rack.rows for _, y in row.places)
    assert finding.value == design(lanterns).tape.write(top)


def test_things_are_lifted_off_under_the_ceiling() -> None:
    low = BARE.model_copy(update={"height": Fraction(1750)})
    finding = found(on(low), "wall.ceiling")
    # The board's top at 1710 leaves 40 of the 60 that a coat is lifted by: 20 lower.
    assert (finding.value, finding.limit) == ("40 mm", "60 mm")
    assert finding.fixes[0].label == "Hang at 1630 mm"
    through = found(on(BARE.model_copy(update={"height": Fraction(1700)})), "wall.ceiling")
    assert through.message == "It reaches into the ceiling."


def test_a_board_over_the_skirting_does_not_lie_on_the_wall() -> None:
    low = amend(starting_brief("room-key", 4, "1 mm"), {"hung": "90 mm"})
    finding = found(on(brief=low), "wall.skirting")
    # Its lower edge at 55; the skirting is 70 high: 15 up.
    assert (finding.value, finding.limit, finding.fixes[0].label) == (
        "55 mm",
        "70 mm",
        "Hang at 105 mm",
    )
    assert "wall.skirting" not in codes(on(BARE.model_copy(update={"skirting": Fraction(0)}), low))
    assert "wall.skirting" not in codes(
        on(BARE.model_copy(update={"skirting_thick": Fraction(0)}), low)
    )


@pytest.mark.parametrize(
    ("hinge", "door", "x"), [("right", 115, "945 mm"), ("left", 2650, "1320 mm")]
)
def test_only_the_side_of_the_hinges_is_in_a_doors_way(hinge: str, door: int, x: str) -> None:
    # A door of 800 with its hinges at 915 or at 2650: 45 from the first coat or the last, which
    # stand 140.2 out.
    finding = found(on(obstacle("door", door, 0, 800, 2000, hinge), x=x), "wall.swing")
    assert (finding.part, finding.value, finding.limit) == ("Door", "108°", "110°")
    away = "left" if hinge == "right" else "right"
    assert "wall.swing" not in codes(on(obstacle("door", door, 0, 800, 2000, away), x=x))


def test_an_open_leaf_lies_beside_its_hinges_as_wide_as_the_door() -> None:
    door = Obstacle(
        kind="door", x=Fraction(1000), width=Fraction(800), height=Fraction(2000), hinge="left"
    )
    assert swing_side(door) == Area(Fraction(200), Fraction(0), Fraction(1000), Fraction(2000))
    right = door.model_copy(update={"hinge": "right"})
    assert swing_side(right) == Area(Fraction(1800), Fraction(0), Fraction(2600), Fraction(2000))
    assert swing_side(door.model_copy(update={"hinge": "none"})) is None


def test_the_way_past_is_what_the_things_leave_of_the_room() -> None:
    # Coats stand out 21 + 49.2 + 70 = 140.2.
    assert max(depths(on().rack)) == Fraction(701, 5)
    narrow = BARE.model_copy(update={"way": Fraction(900)})
    finding = found(on(narrow), "wall.way")
    assert (finding.value, finding.limit, finding.fixes[0].label) == (
        "760 mm",
        "800 mm",
        "750 mm is enough",
    )
    assert "wall.way" not in codes(on(narrow, way="700 mm"))
    assert "wall.way" not in codes(on())  # nobody measured the room


def test_what_is_said_is_written_in_the_racks_own_tape() -> None:
    inches = amend(COATS, {"tape": "1/16 in"})
    finding = found(on(brief=inches, x="110 in"), "wall.past")
    # 2794 + 1300 - 4000 = 94 mm, 3 11/16 in to the tape.
    assert (finding.value, finding.limit) == ("3 11/16 in", "0 in")
    assert finding.fixes[0].label.startswith("Move to 105 1/16 in")
