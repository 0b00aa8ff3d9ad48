"""A new rack in a place so wide: each way that there is to have it there, and what was said."""

import pytest

from tests.metric import shipped_item, starting
from yardcliff.core.design.begin import begin_within
from yardcliff.core.design.change import amend
from yardcliff.core.findings.finding import Severity
from yardcliff.core.things.asking import find, read_answer
from yardcliff.core.things.listing import shipped
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.wall.survey import areas, around
from yardcliff.core.ways import FAMILIES, build
from yardcliff.core.ways import starting as starting_in


def ways(key: str, count: int, width: int, family: str = "rail") -> list[tuple[str, str, int]]:
    found = begin_within(starting([(shipped_item(key), count)], "1 mm", family), Fraction(width))
    return [(one.how, one.says, len(build(one.brief).hung)) for one in found]


def test_seven_coats_on_a_short_wall_are_solved_in_three_ways() -> None:
    # Of 230 each: 1200 less one, over 6 spaces, is 161.7, so they overlap by 68.3; 4 are 150 from
    # the ends and 300 apart, with the other 3 between: 230 less 150 is 80 of overlap; 260 each go
    # 4 times.
    assert ways("waxed-jacket", 7, 1200) == [
        ("overlap", "All in one row, overlapping by 69 mm, to fit 1200 mm.", 7),
        ("staggered", "In two staggered rows, 4 and 3, overlapping by 80 mm, to fit 1200 mm.", 7),
        ("fewer", "4 of 7: no more fit in 1200 mm.", 4),
    ]
    # 1060 is the least: (1060 - 230) / 6 = 138.3 is 91.7 of overlap, 92 being two fifths of 230.
    assert [how for how, *_ in ways("waxed-jacket", 7, 1060)] == ["overlap", "fewer"]
    assert [how for how, *_ in ways("waxed-jacket", 7, 1050)] == ["fewer"]
    assert ways("waxed-jacket", 7, 1820) == [("asked", "", 7)]
    # Mugs are hard: 17 of 115 are 1955, and two rows of 9 are 1035.
    assert [how for how, *_ in ways("enamel-mug", 17, 1200)] == ["rows", "fewer"]
    assert ways("felt-hat", 2, 200)[0][0] == "none"
    # What stands is as high as a wall usually is: 2400, less where it begins.
    told = "14 of 17: no more fit in 2230 mm of height."
    assert ways("enamel-mug", 17, 1200, "stile-pair") == [("fewer", told, 14)]


def test_several_kinds_have_rows_of_their_own_or_each_its_share() -> None:
    hangs = [(shipped_item("enamel-mug"), 9), (shipped_item("felt-hat"), 2)]
    found = list(begin_within(starting(hangs, "1 mm", "rail"), Fraction(800)))
    kinds = [
        [[thing.kind for thing in row.row.things] for row in build(one.brief).rows] for one in found
    ]
    # Mugs take 115 each, so 6 are 690 and 7 are 805: nine are two rows of 5 and 4.
    assert [one.how for one in found] == ["rows", "fewer"]
    assert kinds[0] == [[""] * 5, [""] * 4, ["felt-hat"] * 2]
    assert len(set(kinds[1][0])) == 2


def test_soft_things_give_and_what_is_hard_or_hung_on_two_does_not() -> None:
    give = {entry.key: entry.item.gives for entry in shipped("metric")}
    assert (give["waxed-jacket"], give["enamel-mug"]) == (92, 0)
    assert give["door-mat"] == 0, "it looks soft, and hangs on two"
    for key, length, offered in (("waxed-jacket", 1100, True), ("enamel-mug", 500, False)):
        brief = amend(starting([(shipped_item(key), 6)], "1 mm"), {"row": {"length": f"{length}"}})
        fixes = [fix.label for one in build(brief).findings for fix in one.fixes]
        assert any("overlap" in label for label in fixes) == offered, fixes


@pytest.mark.parametrize("trade", ["metric", "us"])
def test_what_is_offered_has_room_and_is_as_sound_as_it_would_be_elsewhere(trade: str) -> None:
    tape = Tape.named("1 mm" if trade == "metric" else "1/16 in", trade)  # type: ignore[arg-type]
    for listed in shipped(tape.trade):
        for family in FAMILIES:
            if not FAMILIES[family].suits((listed.item,)).score:
                continue
            brief = starting_in([(listed, 6)], tape, family)
            before = {f.code for f in build(brief).findings if f.severity is Severity.STOP}
            for one in begin_within(brief, Fraction(1100)):
                rack = build(one.brief)
                musts = {f.code for f in rack.findings if f.severity is Severity.STOP}
                assert musts <= before, (listed.key, family, one.how)
                box = around(areas(rack))
                if one.how != "none":
                    assert box.x1 - box.x0 <= 1100, (listed.key, family, one.how)


@pytest.mark.parametrize(
    ("said", "hangs", "width", "left"),
    [
        ("7 coats on 1.2 m", {"waxed-jacket": 7}, 1200, ()),
        (
            "5 mugs, 2 hats and a dressing gown",
            {"enamel-mug": 5, "felt-hat": 2, "dressing-gown": 1},
            None,
            (),
        ),
        ("a dozen cups over 4 ft 6 in", {"enamel-mug": 12}, Fraction("1371.6"), ()),
        ("7 coats on 1200", {"waxed-jacket": 7}, 1200, ()),
        # No tape in mm means 1.2 by itself.
        ("7 coats on 1.2", {"waxed-jacket": 7}, None, ("1.2",)),
        ("3 pairs of walking boots + 1 tie", {"walking-boots": 3, "tie": 1}, None, ()),
        ("6 zithers, wine glasses", {"stem-glass": None}, None, (("zithers", 6),)),
        ("2 mugs and 3 mugs", {"enamel-mug": 5}, None, ()),
        ("1/0 in, scarves", {"wool-scarf": None}, None, ("1/0 in",)),
        ("9999999 mugs", {}, None, ("9999999 mugs",)),
        ("0 mugs", {}, None, ("0 mugs",)),
        ("-3 mugs and 2 zithers", {}, None, (("zithers", 2), "-3 mugs")),
        ("", {}, None, ()),
    ],
)
def test_what_is_said_is_read(
    said: str, hangs: dict[str, int | None], width: Fraction | None, left: tuple[object, ...]
) -> None:
    answer = read_answer(said, shipped("metric"), "mm")
    assert {entry.key: count for entry, count in answer.hangs} == hangs
    assert answer.width == width
    assert (*answer.unknown, *answer.unread) == left


def test_while_it_is_typed_all_that_may_be_meant_is_shown() -> None:
    found = [entry.key for entry in read_answer("2 mugs, 7 ha", shipped("metric"), "mm").found]
    assert {"enamel-mug", "felt-hat", "hand-drum", "claw-hammer"} <= set(found)
    assert "sledge" not in found
    assert len(read_answer(" ", shipped("metric"), "mm").found) == len(shipped("metric"))


@pytest.mark.parametrize("trade", ["metric", "us"])
@pytest.mark.parametrize(
    ("word", "key"),
    [
        ("guitar", "guitar"),
        ("bike", "bicycle"),
        ("backpacks", "day-sack"),
        ("dressing gown", "dressing-gown"),
        ("wine glass", "stem-glass"),
        ("headphones", "headphones"),
        ("leash", "dog-lead"),
        ("scarf", "wool-scarf"),
        ("bru", "broom"),
        ("coat", "waxed-jacket"),
        ("jewellery", "necklace"),
    ],
)
def test_things_are_found_by_other_names(word: str, key: str, trade: str) -> None:
    assert find(word, shipped(trade))[0].key == key
