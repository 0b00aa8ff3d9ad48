"""Changing a brief: what follows gives way, nothing jumps, bad values are named."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from tests.metric import shipped_item, starting, starting_brief
from tests.strategies import briefs
from yardcliff.core.base.model import leaves
from yardcliff.core.design.change import amend, describe, dump, read_brief
from yardcliff.core.design.in_words import field_name, value_text
from yardcliff.core.findings.patch import BriefError, merge
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import LONGEST
from yardcliff.core.ways import FAMILIES, Brief, build, solve_row
from yardcliff.core.ways.rail import RailBrief

COATS = starting_brief("waxed-jacket", 6, "1 mm")
HAT = dump(starting_brief("felt-hat", 1, "1 mm"))["item"]
KEYS = starting_brief("room-key", 6, "1/16 in")


@pytest.mark.parametrize(
    ("before", "typed", "follows"),
    [
        ("length", {"length": "1200"}, "pitch"),
        ("length", {"count": "7"}, "length"),
        ("count", {"count": "7"}, "pitch"),
        ("pitch", {"pitch": "200"}, "ends"),
        ("pitch", {"spacing": "set"}, "ends"),
        ("ends", {"ends": {"rule": "whole"}}, "pitch"),
        ("ends", {"length": "1500"}, "ends"),
        ("length", {"length": "1200", "follows": "nothing"}, "nothing"),
    ],
)
def test_typing_what_followed_makes_another_follow(
    before: str, typed: dict[str, Any], follows: str
) -> None:
    brief = amend(amend(COATS, {"row": {"length": "1400"}}), {"row": {"follows": before}})
    assert amend(brief, {"row": typed}).row.follows == follows


@given(brief=briefs, follows=st.sampled_from(["length", "count", "pitch", "ends"]))
@cases(200)
def test_letting_another_figure_follow_moves_no_holder(brief: Brief, follows: str) -> None:
    before = solve_row(brief)
    # A board too short for its ends or a hook, or a spare that a tidy pitch left, has no equal
    # elsewhere.
    if before.trouble or before.spare or min(before.left, before.right) < 0:
        return
    if not before.fixture.across <= before.length <= LONGEST:
        return
    if brief.row.follows == "nothing" or brief.row.spacing != "even":
        return
    if (
        before.left + (before.count - 1) * before.pitch + before.right != before.length
        or before.count == 1
    ):
        return
    after = solve_row(amend(brief, {"row": {"follows": follows}}))
    if follows == "ends" and before.left != before.right:
        return  # shared ends are equal ends
    assert (after.length, after.count) == (before.length, before.count)
    assert after.axes == before.axes


@given(brief=briefs)
@cases(150)
def test_a_brief_survives_its_own_file(brief: Brief) -> None:
    assert read_brief(dump(brief)) == brief
    assert amend(brief, {}) == brief


def test_a_bare_number_takes_the_tape_of_the_brief_also_when_it_changes() -> None:
    assert amend(KEYS, {"row": {"air": "1"}}).row.air * 10 == 254
    assert amend(KEYS, {"row": {"air": "1"}, "tape": "1 mm"}).row.air == 1


def test_a_width_is_shared_as_the_reaches_were() -> None:
    lopsided = amend(COATS, {"item": {"left": "60", "right": "40"}})
    wide = amend(lopsided, {"item": {"width": "200"}})
    assert (wide.item.left, wide.item.right) == (120, 80)
    assert "width" not in dump(wide)["item"]


def test_another_kind_of_holder_replaces_the_whole_holder() -> None:
    peg = amend(COATS, {"holder": {"kind": "peg", "tilt": "12,5°"}})
    assert isinstance(peg, RailBrief)
    assert peg.holder.kind == "peg"
    assert peg.holder.tilt == 12.5


@pytest.mark.parametrize(
    ("patch", "field", "says"),
    [
        ({"row": {"length": "long"}}, "row.length", "“long” is no number"),
        ({"row": {"length": "-5"}}, "row.length", "more than 0"),
        ({"row": {"length": "500 m"}}, "row.length", "check the unit"),
        ({"row": {"count": "six"}}, "row.count", "write one like 7"),
        ({"row": {"count": 0}}, "row.count", "1 to 1000"),
        ({"row": {"count": True}}, "row.count", "no whole number"),
        ({"row": {"ends": {"left": "-1"}}}, "row.ends.left", "0 or more"),
        ({"row": {"air": "-31 m"}}, "row.air", "check the unit"),
        ({"row": {"air": [1]}}, "row.air", "written as text"),
        ({"row": {"spacing": "odd"}}, "row.spacing", "'even'"),
        ({"row": {"pins": [{"index": 1, "at": "x"}]}}, "row.pins.0.at", "“x” is no number"),
        ({"holder": {"kind": "peg", "tilt": "80"}}, "holder.tilt", "0 to 45"),
        ({"holder": {"gauge": "9"}}, "holder.gauge", "'4.0'"),
        ({"item": {"width": "0"}}, "item.width", "more than 0"),
        ({"tape": "1/3 in"}, "tape", "'1/16 in'"),
        ({"colour": "red"}, "colour", "not permitted"),
        ({"item": None}, "item", "required"),
        ({"row": 5}, "row", "valid dictionary"),
    ],
)
def test_a_bad_value_is_named_by_its_field(patch: dict[str, Any], field: str, says: str) -> None:
    with pytest.raises(BriefError) as caught:
        amend(COATS, patch)
    assert [path for path, _ in caught.value.problems] == [field]
    assert says in caught.value.problems[0][1]


def test_a_change_that_is_no_object_is_refused() -> None:
    with pytest.raises(BriefError):
        amend(COATS, [])  # type: ignore[arg-type]
    with pytest.raises(BriefError):
        read_brief("rail")


def test_merge_is_that_of_rfc_7396() -> None:
    # The examples of the RFC's appendix that reach each branch.
    assert merge({"a": "b"}, {"b": "c"}) == {"a": "b", "b": "c"}
    assert merge({"a": "b", "b": "c"}, {"a": None}) == {"b": "c"}
    assert merge({"a": [{"b": "c"}]}, {"a": [1]}) == {"a": [1]}
    assert merge({"a": "foo"}, "bar") == "bar"
    assert merge({}, {"a": {"bb": {"ccc": None}}}) == {"a": {"bb": {}}}


@pytest.mark.parametrize(
    ("patch", "says"),
    [
        ({"row": {"count": 7}}, "How many: 7 instead of 6"),
        ({"row": {"length": "1400"}}, "Board length: 1400 mm instead of 1560 mm"),
        ({"row": {"pins": [{"index": 1, "at": "300"}]}}, "Hook or peg 2 held at 300 mm"),
        ({"row": {"follows": "pitch"}}, "Worked out: spacing instead of length, and more"),
        ({"row": {"spacing": "tidy"}}, "Spacing rule: rounded spacing instead of even spacing"),
        ({"line": "40"}, "Line of the holes above the lower edge: 40 mm"),
        ({"holder": {"kind": "peg"}}, "Pegs instead of hooks"),
        ({"family": "panel"}, "Panel instead of rail"),
        ({"trade": "us", "tape": "1/16 in"}, "US instead of metric"),
        ({"item": HAT}, "Felt hats instead of waxed jackets"),
        ({"others": {"hat": HAT}}, "Felt hats too"),
        ({"place": {"wall": "a1", "x": "300"}}, "Onto a wall"),
        ({"mount": {"by": "cleat"}}, "Mounting: bevelled cleat instead of best for this wall"),
        ({"item": {"weight_g": "2 kg"}}, "Weight: 2 kg instead of 1.6 kg"),
        ({"top": {"load": "12 kg"}}, "Load on the top shelf: 12 kg instead of 6 kg"),
        ({"item": {"tug_n": "200 N"}}, "Pull of a hand: 20.4 kg instead of 15.3 kg"),
        ({"top": {"joint": "on top"}}, "Shelf above, shelf: on the top edge instead of none"),
        ({}, "no change"),
    ],
)
def test_a_change_is_described_for_the_undo_list(patch: dict[str, Any], says: str) -> None:
    assert describe(COATS, amend(COATS, patch)) == says


@pytest.mark.parametrize("family", FAMILIES)
def test_every_field_has_a_name_on_the_screen(family: str) -> None:
    brief = starting([(shipped_item("enamel-mug"), 5)], "1 mm", family)
    for path, value in leaves(brief):
        name = field_name(path, brief)
        assert name != "another choice", path
        assert not set(name) & {"_", "."}, path
        assert value_text(path, value, brief) or path == ("cutting", "species"), path
    two = amend(brief, {"others": {"hat": HAT}})
    assert field_name(("others", "hat", "left"), two) == "felt hats, reach to the left"


def test_another_way_begins_with_as_many_as_a_rack_holds() -> None:
    # Several rows may hold more than one row can: 24 rows of 200, held down at 2000.
    many = amend(COATS, {"rows": {"count": 24}, "row": {"count": 200}, "item": {"width": "10 mm"}})
    assert amend(many, {"family": "stile-pair"}).row.count == 1000


@pytest.mark.parametrize("follows", ["length", "count", "ends"])
def test_a_pitch_that_is_typed_is_kept(follows: str) -> None:
    tidy = amend(
        starting_brief("enamel-mug", 6, "1 mm"), {"row": {"spacing": "tidy", "follows": follows}}
    )
    typed = amend(tidy, {"row": {"pitch": "131.5 mm"}})
    assert build(typed).row.pitch == Fraction("131.5")
    assert typed.row.spacing == "set"
    # Where the same change asks for tidy figures, that is meant.
    assert amend(tidy, {"row": {"pitch": "131.5 mm", "spacing": "tidy"}}).row.spacing == "tidy"
