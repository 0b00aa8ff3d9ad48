"""Random lengths, rows and briefs, as wild as the models allow."""

from typing import Any

from hypothesis import strategies as st

from yardcliff.core.amend import amend
from yardcliff.core.exact import Fraction
from yardcliff.core.families.rail import RailBrief, starting_brief
from yardcliff.core.length import Tape, TapeName
from yardcliff.core.spacing import Ends, Pin, Reach, RowBrief
from yardcliff.data import table

TAPES: tuple[TapeName, ...] = ("1/8 in", "1/16 in", "1/32 in", "1/64 in", "1 mm", "0.5 mm")
ITEM_KEYS = [row["key"] for row in table("items")]


def lengths(low: int, high: int) -> st.SearchStrategy[Fraction]:
    """Tape readings in either unit and awkward thirds, in mm."""
    return st.builds(
        lambda whole, part: min(Fraction(whole) + part, Fraction(high)),
        st.integers(low, high - 1),
        st.sampled_from([Fraction(0), Fraction(1, 2), Fraction(1, 3), Fraction(127, 320), Fraction(5, 7)]),
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
pins = st.lists(st.builds(Pin, index=st.integers(0, 30), at=lengths(0, 3000)), max_size=4, unique_by=lambda p: p.index)
rows = st.builds(
    RowBrief,
    follows=st.sampled_from(["length", "count", "pitch", "ends", "nothing"]),
    spacing=st.sampled_from(["even", "tidy", "set"]),
    count=st.integers(1, 60),
    length=lengths(1, 6000),
    pitch=st.none() | lengths(1, 700),
    ends=ends,
    air=lengths(0, 200),
    fixture_gap=lengths(0, 100),
    tidy=lengths(1, 50),
    pins=pins.map(tuple),
)


def _brief(item: str, count: int, tape: TapeName, row: RowBrief, extra: dict[str, Any]) -> RailBrief:
    start = starting_brief(item, count, tape)
    return amend(start.model_copy(update={"row": row}), extra)


briefs = st.builds(
    _brief,
    st.sampled_from(ITEM_KEYS),
    st.integers(1, 40),
    st.sampled_from(TAPES),
    rows,
    st.sampled_from(
        [
            {},
            {"holder": {"kind": "peg", "diameter": "30 mm", "tilt": 25, "depth": "40 mm"}},
            {"holder": {"kind": "peg", "diameter": "6 mm", "depth": "3 mm", "spur": "0 mm"}},
            {"holder": {"kind": "hook", "screw_length": "60 mm", "gauge": "5.0"}, "board": {"height": "40 mm"}},
            {"hung": "100 mm", "board": {"thickness": "9 mm", "wood": "hardwood"}, "line": "10 mm"},
        ]
    ),
)
