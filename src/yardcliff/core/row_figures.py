"""The working of a row: every figure that the solver derived, with formula and reason."""

import re

from yardcliff.core.exact import Fraction
from yardcliff.core.length import Tape
from yardcliff.core.marks import drift
from yardcliff.core.spacing import EndRule, Follows, Row, asked_pitch
from yardcliff.core.working import Figure, Input, Value

END_REASONS: dict[EndRule, tuple[str, str]] = {
    "margin": ("Set margins", "You choose each end; they may differ."),
    "half": ("Half a space", "Every place owns the same width, and two racks butt together without a seam."),
    "whole": ("A whole space", "The ends look like one more gap: calm on a wall of its own."),
    "gaps": ("Equal gaps", "The bare wood between fixtures is the same as at the ends."),
    "inside": ("Nothing past the end", "The outermost item stays above the board: good beside a door."),
}
SPACING_REASONS = {
    "even": ("Even", "One pitch for all; it fills the board exactly."),
    "tidy": ("Tidy", "The pitch is rounded to an easy figure; what is left goes to the ends."),
    "set": ("Set", "Your pitch is kept as it is."),
}
FOLLOWS_WORDS: dict[Follows, str] = {
    "length": "board length",
    "count": "count",
    "pitch": "pitch",
    "ends": "ends",
    "nothing": "nothing",
}
# What the equation L = (a + b) + spans * p looks like once each end rule is put in.
_WHOLE_BOARD: dict[EndRule, tuple[str, str, str]] = {
    "margin": ("a + b + (n − 1) · p", "(L − a − b) / (n − 1)", "floor((L − a − b) / p) + 1"),
    "half": ("n · p", "L / n", "floor(L / p)"),
    "whole": ("(n + 1) · p", "L / (n + 1)", "floor(L / p) − 1"),
    "gaps": ("n · w + (n + 1) · (p − w)", "(L + w) / (n + 1)", "floor((L + w) / p) − 1"),
    "inside": ("l + r + (n − 1) · p", "(L − l − r) / (n − 1)", "floor((L − l − r) / p) + 1"),
}


_END_FORMULAS: dict[EndRule, tuple[str, str]] = {
    "margin": ("a", "b"),
    "half": ("p / 2", "p / 2"),
    "whole": ("p", "p"),
    "gaps": ("(p − w) + w / 2", "(p − w) + w / 2"),
    "inside": ("l", "r"),
}


def row_figures(row: Row, tape: Tape) -> tuple[Figure, ...]:
    """Figures of a row, keyed `row.*`."""
    return (
        _need(row),
        _length(row),
        _count(row),
        _pitch(row),
        *_ends(row),
        _air(row),
        _unevenness(row),
        _drift(row, tape),
        _dividers(row, tape),
    )


def _symbols(row: Row) -> dict[str, Input]:
    ends = row.brief.ends
    return {
        "L": Input("L", "board", row.length),
        "n": Input("n", "holders", str(row.count)),
        "p": Input("p", "pitch", row.pitch),
        "a": Input("a", "left end", ends.left if ends.rule == "margin" else row.left),
        "b": Input("b", "right end", ends.right if ends.rule == "margin" else row.right),
        "w": Input("w", "fixture", row.fixture.across),
        "l": Input("l", "reach to the left", max(row.item.left - ends.overhang, row.fixture.left)),
        "r": Input("r", "reach to the right", max(row.item.right - ends.overhang, row.fixture.right)),
        "s": Input("s", "left over", row.spare),
        "x": Input("x", "first mark", row.left),
    }


def _inputs(row: Row, formula: str) -> tuple[Input, ...]:
    used = set(re.findall(r"[A-Za-z]+", formula))
    return tuple(i for symbol, i in _symbols(row).items() if symbol in used)


def _given(key: str, label: str, value: Value, why: str) -> Figure:
    return Figure(key, label, value, "given", (), why)


def _need(row: Row) -> Figure:
    by_items = row.item.across + row.brief.air >= row.fixture.across + row.brief.fixture_gap
    return Figure(
        "row.need",
        "Least pitch",
        row.need,
        "max(r + c + l, fr + g + fl)",
        (
            Input("l", "item to the left", row.item.left),
            Input("r", "item to the right", row.item.right),
            Input("c", "air", row.brief.air),
            Input("fl", "fixture to the left", row.fixture.left),
            Input("fr", "fixture to the right", row.fixture.right),
            Input("g", "between fixtures", row.brief.fixture_gap),
        ),
        "Space the things that hang, not the hooks. "
        + ("The items decide here." if by_items else "The fixtures decide here."),
    )


def _length(row: Row) -> Figure:
    if row.brief.follows != "length":
        return _given("row.length", "Board length", row.length, "You hold the board's length.")
    formula = _WHOLE_BOARD[row.brief.ends.rule][0]
    return Figure(
        "row.length",
        "Board length",
        row.length,
        formula,
        _inputs(row, formula),
        f"Ends: {END_REASONS[row.brief.ends.rule][0].lower()}. {END_REASONS[row.brief.ends.rule][1]}",
    )


def _count(row: Row) -> Figure:
    spaces = f"{row.count} holders stand at {row.count - 1} spaces: always one holder more than spaces."
    if row.brief.follows != "count":
        return _given("row.count", "Count", str(row.count), spaces)
    formula = _WHOLE_BOARD[row.brief.ends.rule][2]
    asked = Input("p", "pitch asked for", asked_pitch(row.brief, row.need))
    inputs = tuple(asked if i.symbol == "p" else i for i in _inputs(row, formula))
    return Figure("row.count", "Count", str(row.count), formula, inputs, spaces)


def _pitch(row: Row) -> Figure:
    follows, spacing = row.brief.follows, row.brief.spacing
    reason = SPACING_REASONS[spacing][1]
    if row.trouble == "no-room":
        return Figure(
            "row.pitch",
            "Pitch",
            row.pitch,
            "L / n",
            _inputs(row, "L / n"),
            "The ends leave no room, so the row is only drawn spread out.",
        )
    if row.count == 1 and row.brief.ends.rule in ("margin", "inside"):
        return _given("row.pitch", "Pitch", row.pitch, "One holder has no pitch; it stands between the ends.")
    if follows == "pitch" or (follows == "count" and spacing != "set" and row.count > 1):
        formula = _WHOLE_BOARD[row.brief.ends.rule][1]
        tidied = spacing == "tidy" and row.pitch >= row.brief.tidy  # a finer pitch than its step stays even
        if tidied:
            formula = f"floor(({formula}) / q) · q"
        inputs = _inputs(row, formula)
        if tidied:
            inputs += (Input("q", "tidy step", row.brief.tidy),)
        return Figure("row.pitch", "Pitch", row.pitch, formula, inputs, reason)
    if row.brief.pitch is None:
        if follows == "length" and spacing == "tidy":
            return Figure(
                "row.pitch",
                "Pitch",
                row.pitch,
                "ceil(m / q) · q",
                (Input("m", "least pitch", row.need), Input("q", "tidy step", row.brief.tidy)),
                "Rounded up to an easy figure: down would eat the air, and the board can grow.",
            )
        return Figure(
            "row.pitch",
            "Pitch",
            row.pitch,
            "least pitch",
            (Input("m", "least pitch", row.need),),
            "As close as the items and their air allow.",
        )
    return _given("row.pitch", "Pitch", row.pitch, "You hold the pitch.")


def _ends(row: Row) -> tuple[Figure, Figure]:
    name, why = END_REASONS[row.brief.ends.rule]
    why = f"{name}. {why}"
    left, right = _END_FORMULAS[row.brief.ends.rule]
    if row.trouble == "no-room":
        left = right = "p / 2"
        why = "The ends leave no room, so the row is only drawn spread out."
    elif row.brief.follows == "ends":
        left = right = "(L − (n − 1) · p) / 2"
        why = "What the row leaves of the board is shared equally."
    elif row.brief.follows == "nothing":
        right = "L − x − (n − 1) · p"
    elif row.spare:
        left, right = f"{left} + s / 2", f"{right} + s / 2"
    return (
        Figure("row.left", "Left end", row.left, left, _inputs(row, left), why),
        Figure("row.right", "Right end", row.right, right, _inputs(row, right), why),
    )


def _air(row: Row) -> Figure:
    gap = Input("p", "tightest distance" if row.pins else "pitch", row.tightest)
    return Figure(
        "row.air",
        "Air",
        row.air,
        "p − (l + r)",
        (gap, Input("l", "item to the left", row.item.left), Input("r", "item to the right", row.item.right)),
        "The clear gap between neighbours as they hang.",
    )


def _unevenness(row: Row) -> Figure:
    return Figure(
        "row.uneven",
        "Out of even",
        row.unevenness,
        "max |gap − p|",
        (Input("p", "even pitch", row.pitch), Input("k", "pins", str(len(row.pins)))),
        "How far the pins pull the widest or the tightest space from even.",
    )


def _drift(row: Row, tape: Tape) -> Figure:
    return Figure(
        "row.drift",
        "Stepped off",
        drift(row, tape, row.count - 1),
        "(a′ − a) + (n − 1) · (p′ − p)",
        (
            Input("a", "left end", row.left),
            Input("a′", "on the tape", tape.round(row.left)),
            Input("p", "pitch", row.pitch),
            Input("p′", "on the tape", tape.round(row.pitch)),
            Input("n", "holders", str(row.count)),
        ),
        "How far off the last mark would be if the rounded pitch were stepped along. Measured from one end, no mark is.",
    )


def _dividers(row: Row, tape: Tape) -> Figure:
    value: Value = tape.write_fine(row.pitch) if row.count > 1 else Fraction(0)
    return Figure(
        "row.dividers",
        "Dividers",
        value,
        "first mark, then p",
        (Input("a", "first mark", tape.write_fine(row.left)), Input("p", "pitch", tape.write_fine(row.pitch))),
        "For those who walk the row with dividers: set them to the exact pitch and start from the first mark.",
    )
