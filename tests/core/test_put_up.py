"""How a rack is put up: each way of fixing in its own order, with the bits and the care that it
asks for.
"""

import re

import pytest

from tests.metric import shipped_item, starting, starting_brief
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.units.exact import Fraction
from yardcliff.core.wall.options import BYS
from yardcliff.core.wall.putting_up import PutUp, put_up
from yardcliff.core.wall.survey import Site
from yardcliff.core.wall.wall import OldFixing, Wall
from yardcliff.core.ways import FAMILIES
from yardcliff.core.wood.taking_off import takeoff

BARE = Wall(width=Fraction(5000))
WALLS = {
    "timber studs": BARE,
    "steel studs": BARE.model_copy(update={"makeup": "steel studs"}),
    "masonry": BARE.model_copy(update={"makeup": "masonry"}),
    "planked": BARE.model_copy(update={"makeup": "planked", "lining": Fraction(20)}),
}
MUGS = starting_brief("enamel-mug", 9, "1 mm")


def placed(
    wall: Wall = BARE,
    thing: str = "enamel-mug",
    family: str = "rail",
    count: int = 9,
    **patch: object,
) -> Design:
    brief = starting([(shipped_item(thing), count)], "1 mm", family)
    return design(
        amend(brief, {"place": {"wall": "ab", "x": "1200 mm"}, **patch}), Site("Wall", wall)
    )


def up(done: Design) -> PutUp:
    return put_up(done.rack, done.on_wall, done.tape)


def said(done: Design) -> str:
    return "\n".join(step.do for step in up(done).steps)


@pytest.mark.parametrize("makeup", WALLS)
@pytest.mark.parametrize("family", FAMILIES)
def test_every_hole_is_listed_once_with_what_it_is_in(family: str, makeup: str) -> None:
    item = {
        "upright": "curtain-pole",
        "stile-pair": "sleeping-mat",
        "slotted-cheeks": "serving-tray",
    }.get(family, "enamel-mug")
    done = placed(WALLS[makeup], item, family, 6)
    holes, screws = up(done).holes, [screw for one in done.on_wall.fixed for screw in one.screws]
    assert [hole.number for hole in holes] == list(range(1, len(screws) + 1))
    assert {(hole.x - 1200, hole.y) for hole in holes} == {(screw.x, screw.y) for screw in screws}
    words = {"masonry": {"masonry"}, "planked": {"planks"}}.get(makeup)
    for hole in holes:
        assert hole.into.startswith("stud ") or hole.into in (words or {"plasterboard"})
    # What holds it is called as on the shopping list, and there are as many as there.
    tools = up(done).at_hand
    counts = dict(tool.split(" × ", 1)[::-1] for tool in tools if " × " in tool)
    listed = {ware.name: ware.count for ware in takeoff(done).wares}
    assert all(int(count) <= listed[name] for name, count in counts.items())
    assert sum(map(int, counts.values())) >= len(holes)
    assert tools[:2] == (
        ("tape, pencil, level and plumb line" if done.rack.up else "tape, pencil, level"),
        "cable and pipe detector",
    )


@pytest.mark.parametrize(
    ("makeup", "drill", "set_first"),
    [
        ("timber studs", "Drill 3 mm, 49 mm deep.", False),
        ("steel studs", "No hole first: it cuts its own.", False),
        ("masonry", "Drill 8 mm, 79 mm deep.", True),
        ("planked", "Drill 3 mm, 29 mm deep.", False),
    ],
)
def test_a_hole_is_as_deep_as_what_goes_into_it(makeup: str, drill: str, set_first: bool) -> None:
    # A board of 21. Studs: a screw of 70 less 21. Masonry: the next over 21 + 50 is 80; 59 and 10
    # for dust. Planks of 20: the longest that stays within 41 is 40.
    text = said(placed(WALLS[makeup]))
    assert drill in text
    assert ("Set the 8 mm plugs in masonry in every hole" in text) == set_first


def test_hollow_walls_get_their_fixings_before_the_board_goes_up_for_good() -> None:
    # Spring toggles go up on their bolts, through the board; what is set in the lining is there
    # before it.
    toggles = (
        "Hold the board up with hole 1",
        "Take the board down. Drill 14 mm, through the plasterboard",
        "Put the bolts through the board",
    )
    plugs = (
        "Hold the board up with hole 1",
        "Take the board down. Drill 11 mm",
        "Set the expanding metal fixings",
        "Put it back: drive 1",
    )
    for into, words in (("toggles", toggles), ("expanding", plugs)):
        text = said(placed(mount={"into": into}))
        order = [text.index(word) for word in words]
        assert order == sorted(order)
    assert "Set the spring toggles" not in said(placed(mount={"into": "toggles"}))


@pytest.mark.parametrize("into", ["auto", "toggles", "spirals"])
@pytest.mark.parametrize("by", BYS)
@pytest.mark.parametrize("family", FAMILIES)
def test_every_hole_is_driven_once_and_none_is_marked_through_itself(
    family: str, by: str, into: str
) -> None:
    item = {
        "upright": "curtain-pole",
        "stile-pair": "sleeping-mat",
        "slotted-cheeks": "serving-tray",
    }.get(family, "enamel-mug")
    done = placed(BARE, item, family, 6, mount={"by": by, "into": into})
    steps = up(done).steps
    driven = [number for step in steps for number in step.drives]
    assert sorted(driven) == [hole.number for hole in up(done).holes]
    there: set[str] = set()
    for step in steps:
        # One marks through a hole whose screw is not in yet, and hangs things when all are.
        marked = (
            re.findall(r"\d+", step.do.split("mark through")[1].split(":")[0])
            if "mark through" in step.do
            else []
        )
        assert not there & set(marked), step.do
        there |= set(map(str, step.drives))
    assert [step.do.startswith("Hang the heaviest") for step in steps].index(True) == len(steps) - 1
    # A body begins at its top; what stands is plumbed, what lies is levelled.
    for one in done.on_wall.fixed:
        if one.screws and one.by not in ("keyholes", "hangers") and len(one.screws) > 1:
            column = len({screw.x for screw in one.screws}) == 1
            thing = {"batten": "wall batten", "cleat": "cleat's lower half"}.get(
                one.by, "rack" if len(one.body.grounds) > 1 else one.body.name.lower()
            )
            assert any(
                (f"Plumb the {thing}" if column else f"Lay a level on the {thing}") in step.do
                for step in steps
            )


@pytest.mark.parametrize(
    ("by", "words"),
    [
        (
            "through",
            [
                "Screw 1 first",
                "Lay a level on the board",
                "mark through hole",
                "Drill and drive",
                "Pull at it with both hands",
            ],
        ),
        ("plugged", ["Screw 1 first", "Drill and drive", "glue the plugs in"]),
        (
            "keyholes",
            ["Set the keyhole plates on the back", "Mark hole 1", "Leave the heads standing out"],
        ),
        ("hangers", ["Set the flush hangers on the back", "Mark hole 1", "slide the board on"]),
        (
            "cleat",
            [
                "cleat's upper half to the back of the board",
                "Lay a level on the cleat's lower half",
                "Hook the board onto the cleat",
            ],
        ),
        (
            "batten",
            [
                "Screw 1 first",
                "Lay a level on the wall batten",
                "Screw the board to the wall batten",
            ],
        ),
    ],
)
def test_each_way_has_its_order_of_hands(by: str, words: list[str]) -> None:
    text = said(placed(mount={"by": by}))
    order = [text.index(word) for word in words]
    assert order == sorted(order)
    assert text.startswith("Sweep the wall with a detector")


def test_hooks_go_over_the_screws_last() -> None:
    coats = placed(
        thing="waxed-jacket",
        count=6,
        row={"length": "1800 mm"},
        mount={"by": "plates"},
        place={"wall": "ab", "x": "1050 mm"},
    )
    text = said(coats)
    assert text.rindex("Drill and drive") < text.index("screw the hooks on over the screws")
    assert "Pull at it with both hands before" not in text


def test_what_stands_is_plumbed_and_what_has_several_bodies_goes_up_one_by_one() -> None:
    mats = placed(thing="sleeping-mat", family="stile-pair", count=4)
    text = said(mats)
    assert text.index("Plumb the left stile") < text.index("Plumb the right stile")
    assert "Lay a level" not in text
    # The second stands level with the first.
    assert re.search(r"level with hole 1 and [\d.]+ mm from it", text)
    # One screw that the first body turns on is explained once.
    whys = [step.why for step in up(mats).steps]
    assert sum("can still turn on it" in why for why in whys) <= 1


def test_old_fixings_are_taken_out_where_the_rack_covers_them() -> None:
    old = BARE.model_copy(
        update={
            "old": tuple(OldFixing(x=Fraction(x), y=Fraction(1400)) for x in (1300, 1500, 4000))
        }
    )
    assert said(placed(old)).startswith("Take out 2 old fixings behind it, fill and let dry.")


@pytest.mark.parametrize(
    ("words", "patch", "there"),
    [
        ("Cables run straight", {}, True),
        ("Old paint on the wall may hold lead", {}, True),
        ("Stand on a steady step", {"hung": "1900 mm"}, True),
        ("Stand on a steady step", {"hung": "1200 mm"}, False),
        ("Two people", {"row": {"length": "2400 mm"}}, True),
        ("Two people", {"row": {"length": "900 mm"}}, False),
        ("Children climb", {"place": {"wall": "ab", "x": "1200 mm", "who": "child"}}, True),
        ("Children climb", {}, True),
        ("carries silica", {}, False),
        ("asbestos", {}, True),
        ("lift them on by two", {"item": {"weight_g": "9 kg"}, "hung": "1900 mm"}, True),
        ("lift them on by two", {"item": {"weight_g": "9 kg"}}, False),
        ("a building professional", {}, False),
        ("a building professional", {"item": {"weight_g": "9 kg"}}, True),
    ],
)
def test_cautions_stand_where_they_matter(
    words: str, patch: dict[str, object], there: bool
) -> None:
    assert any(words in caution for caution in up(placed(**patch)).cautions) == there  # type: ignore[arg-type]


def test_masonry_that_gives_is_for_somebody_who_knows_it() -> None:
    cautions = up(placed(WALLS["masonry"])).cautions
    assert any("if the bit falls through" in caution for caution in cautions)
    assert any("carries silica" in caution and "ear muffs" in caution for caution in cautions)
