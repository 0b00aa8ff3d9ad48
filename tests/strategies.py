"""Random lengths, rows and briefs, as wild as the models allow."""

from typing import Any

from hypothesis import strategies as st

from tests.metric import starting_brief
from yardcliff.core.design.change import amend, dump
from yardcliff.core.row.keepouts import KeepOut
from yardcliff.core.row.row_brief import Ends, Pin, RowBrief
from yardcliff.core.things.thing import Reach, Thing, Things
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, TapeName
from yardcliff.core.ways import Brief
from yardcliff.data import table

TAPES: tuple[TapeName, ...] = ("1/8 in", "1/16 in", "1/32 in", "1/64 in", "1 mm", "0.5 mm")
ITEM_KEYS = [row["key"] for row in table("items")]


def lengths(low: int, high: int) -> st.SearchStrategy[Fraction]:
    """Tape readings in either unit and awkward thirds, in mm."""
    return st.builds(
        lambda whole, part: min(Fraction(whole) + part, Fraction(high)),
        st.integers(low, high - 1),
        st.sampled_from(
            [Fraction(0), Fraction(1, 2), Fraction(1, 3), Fraction(127, 320), Fraction(5, 7)]
        ),
    )


tapes = st.sampled_from(TAPES).map(Tape.named)
reaches = st.builds(Reach, lengths(0, 300), lengths(0, 300))
ends = st.builds(
    Ends,
    rule=st.sampled_from(["margin", "half", "whole", "gaps", "inside"]),
    left=lengths(0, 400),
    right=lengths(0, 400),
    overhang=lengths(0, 100),
)
pins = st.lists(
    st.builds(Pin, index=st.integers(0, 30), at=lengths(0, 3000)),
    max_size=4,
    unique_by=lambda p: p.index,
)
KINDS = ("", "b", "c")


def alike(reach: Reach) -> Things:
    """Things all of one kind."""
    return Things({"": Thing(reach)})


things_of_a_kind = reaches.map(alike)
things = st.builds(
    Thing,
    reaches,
    takes=st.sampled_from(["one", "one", "two", "bridge"]),
    span=st.none() | lengths(1, 400),
)
mixed = st.builds(
    lambda kinds, order, facing, spares: Things(
        dict(zip(KINDS, kinds, strict=True)), tuple(order), facing, spares
    ),
    st.tuples(things, things, things),
    st.lists(st.sampled_from(KINDS), max_size=20),
    st.sampled_from(["given", "turned", "pairs", "mirrored"]),
    st.integers(0, 3),
)
keepouts = st.lists(st.builds(KeepOut, at=lengths(0, 3000), width=lengths(1, 200)), max_size=3).map(
    tuple
)
rows = st.builds(
    RowBrief,
    follows=st.sampled_from(["length", "count", "pitch", "ends", "nothing"]),
    spacing=st.sampled_from(["even", "air", "tidy", "set"]),
    count=st.integers(1, 60),
    length=lengths(1, 6000),
    pitch=st.none() | lengths(1, 700),
    ends=ends,
    air=lengths(0, 200) | lengths(1, 300).map(lambda gap: -gap),
    fixture_gap=lengths(0, 100),
    tidy=lengths(1, 50),
    pins=pins.map(tuple),
    keepouts=st.just(()) | keepouts,
    nudge=lengths(0, 60),
)


HAT = dump(starting_brief("felt-hat", 1, "1 mm"))["item"]


def _brief(item: str, count: int, tape: TapeName, row: RowBrief, extra: dict[str, Any]) -> Brief:
    start = starting_brief(item, count, tape)
    return amend(start.model_copy(update={"row": row}), extra)


VARIANTS: list[dict[str, Any]] = [
    {},
    {
        "others": {"b": HAT},
        "row": {"order": ["b", "", "b", "b", ""], "facing": "mirrored", "spares": 1},
    },
    {
        "others": {"b": {**HAT, "takes": "bridge", "span": "260 mm"}},
        "row": {"order": ["", "b", "b"]},
    },
    {"rows": {"count": 3, "layout": "staggered", "stagger": "ends", "drop": "200 mm"}},
    {"rows": {"count": 4, "layout": "staggered", "boards": "each", "own": [{}, {"kind": ""}]}},
    {"others": {"b": HAT}, "rows": {"count": 2, "own": [{}, {"kind": "b", "count": 30}]}},
    {"item": {"takes": "two"}, "row": {"facing": "pairs"}},
    {"holder": {"kind": "peg", "diameter": "30 mm", "tilt": 25, "depth": "40 mm"}},
    {"holder": {"kind": "peg", "diameter": "6 mm", "depth": "3 mm", "spur": "0 mm"}},
    {
        "holder": {"kind": "hook", "screw_length": "60 mm", "gauge": "5.0"},
        "board": {"height": "40 mm"},
    },
    {"family": "hole-rail", "hole": {"held": "60 mm", "opening": "hole"}, "rows": {"count": 3}},
    {"family": "hole-rail", "setback": "30 mm", "back": {"place": "below"}},
    {
        "family": "cradle",
        "cradle": {"depth": "19 mm", "held": "12 mm", "scoop": "4 mm"},
        "rows": {"count": 2, "boards": "each"},
    },
    {"family": "panel", "rows": {"count": 3, "layout": "staggered"}},
    {"family": "panel", "made": "frame", "support": {"place": "flush"}, "rows": {"count": 2}},
    {
        "family": "panel",
        "made": "frame",
        "support": {"gaps": "boards"},
        "rows": {"count": 4, "drop": "180 mm"},
    },
    {"family": "stacked", "rows": {"count": 4}, "stick": {"length": "1800 mm", "kerf": "2.5 mm"}},
    {"holder": {"kind": "bent", "bar": "10 mm", "radius": "6 mm", "screw_length": "12 mm"}},
    {
        "holder": {"kind": "bolt", "size": "3/8 in", "showing": "60 mm"},
        "board": {"thickness": "45 mm"},
    },
    {
        "family": "upright",
        "foot": {"off": "30 mm"},
        "clip": {"screw": "40 mm"},
        "clear": {"above": "1700 mm", "strap": "across"},
    },
    {
        "family": "stile-pair",
        "holder": {"kind": "peg", "tilt": 20, "showing": "160 mm"},
        "between": "90 mm",
    },
    {
        "family": "slotted-cheeks",
        "slot": {"angle": 30, "depth": "60 mm", "held": "11 mm"},
        "slat": {"width": "300 mm"},
    },
    {"family": "ledge-post", "ledge": {"width": "150 mm", "notch": "40 mm", "dowel": "14 mm"}},
    {
        "family": "shelf-box",
        "shelf": {"count": 3, "groove": "8 mm", "load": "20 kg"},
        "side": "21 mm",
    },
    {
        "family": "flip-rail",
        "flip": {"length": "90 mm", "tilt": 20},
        "rows": {"count": 2, "boards": "each"},
    },
    {"family": "flip-rail", "turns": "rod", "rod": {"size": "M8"}, "rows": {"count": 2}},
    {"family": "high-rails", "high": {"lower": "one fewer", "drop": "180 mm", "narrow": "100 mm"}},
    {"family": "high-rails", "high": {"lower": "one more"}, "rows": {"own": [{}, {"kind": ""}]}},
    {
        "family": "high-rails",
        "high": {"lower": "as many"},
        "aside": {"stands": "right", "shelves": 5},
    },
    {"family": "perch", "perch": {"slope": 25, "depth": "220 mm", "stop": "40 mm"}},
    {
        "family": "angled-rail",
        "angled": {"angle": 110, "right": "as many", "caps": "inside", "magnet": "15 mm"},
    },
    {
        "family": "angled-rail",
        "holder": {"kind": "hook"},
        "board": {"height": "50 mm", "thickness": "15 mm"},
    },
    {"family": "stile-pair", "stands": "post", "rows": {"count": 2}},
    {"mount": "plates", "rows": {"count": 2, "boards": "each"}},
    {
        "rows": {"count": 3, "layout": "staggered", "own": [{}, {}, {"kind": "", "count": 9}]},
        "holders": {"2": {"kind": "peg", "diameter": "12 mm"}, "3": {"kind": "bent"}},
    },
    {
        "rows": {"count": 2, "boards": "each"},
        "holders": {"2": {"kind": "hook", "plate_width": "60 mm"}},
    },
    {
        "family": "panel",
        "rows": {"count": 2},
        "holder": {"kind": "peg"},
        "holders": {"2": {"kind": "hook"}},
    },
    {"family": "stacked", "rows": {"count": 3}, "holders": {"3": {"kind": "bolt"}}},
    {"top": {"joint": "on top", "past": "35 mm"}, "rows": {"count": 2, "boards": "each"}},
    {"top": {"joint": "let in", "bracket": "12 mm", "lip": "0 mm"}, "holder": {"kind": "peg"}},
    {"hung": "100 mm", "board": {"thickness": "9 mm", "wood": "hardwood"}, "line": "10 mm"},
]
"""Every way of building, and what is asked of it."""
briefs = st.builds(
    _brief,
    st.sampled_from(ITEM_KEYS),
    st.integers(1, 40),
    st.sampled_from(TAPES),
    rows,
    st.sampled_from(VARIANTS),
)
