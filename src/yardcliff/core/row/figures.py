"""The working of a row: every figure that the solver derived, with formula and reason."""

import re

from yardcliff.core.findings.working import Figure, Input, Value
from yardcliff.core.row.outcome_figures import air, dividers, drift_figure, span, unevenness
from yardcliff.core.row.row import Row
from yardcliff.core.row.row_brief import EndRule
from yardcliff.core.units.length import Tape

END_REASONS: dict[EndRule, tuple[str, str]] = {
    "margin": ("Set margins", "You choose each end; they may differ."),
    "half": (
        "Half a space",
        "Every place owns the same width, and two racks butt together without a seam.",
    ),
    "whole": ("A whole space", "The ends look like one more gap: calm on a wall of its own."),
    "gaps": ("Equal gaps", "The bare wood between fixtures is the same as at the ends."),
    "inside": (
        "Nothing past the end",
        "The outermost item stays above the board: good beside a door.",
    ),
}
SPACING_REASONS = {
    "even": ("Even", "One pitch for all; it fills the board exactly."),
    "air": ("Even air", "The same clear gap between all neighbours, wide or narrow."),
    "tidy": ("Tidy", "The pitch is rounded to an easy figure; what is left goes to the ends."),
    "set": ("Set", "Your pitch is kept as it is."),
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
# With even air: from the board's end to the thing's edge, and on to its axis.
_AIR_FORMULAS: dict[EndRule, tuple[str, str]] = {
    "margin": ("a", "b"),
    "half": ("e + c / 2", "f + c / 2"),
    "whole": ("e + c", "f + c"),
    "gaps": ("e + c", "f + c"),
    "inside": ("l", "r"),
}


def row_figures(row: Row, tape: Tape) -> tuple[Figure, ...]:
    """Figures of a row, keyed `row.*`: those that its spacing has."""
    uneven = (unevenness(row),) if row.uneven else ()
    if row.brief.spacing == "air":
        apart = (
            (span(row), *_ends(row), _even_air(row))
            if row.airy
            else (_pitch(row), *_ends(row), air(row))
        )
        return (_length(row), _count(row), *apart, *uneven)
    stepped = () if row.uneven else (drift_figure(row, tape), dividers(row, tape))
    return (
        _need(row),
        _length(row),
        _count(row),
        _pitch(row),
        *_ends(row),
        air(row),
        *uneven,
        *stepped,
    )


def _whole_board(row: Row) -> tuple[str, str, str]:
    """The equation of the board for its length, its pitch and its count."""
    bridged = any(_bridged(row)) and row.brief.ends.rule == "inside"
    return _WHOLE_BOARD["margin" if bridged else row.brief.ends.rule]


def _bridged(row: Row) -> tuple[bool, bool]:
    """Whether the first and the last thing hang between two holders."""
    return row.things[0].takes == "bridge", row.things[-1].takes == "bridge"


def _symbols(row: Row) -> dict[str, Input]:
    ends = row.brief.ends
    out_left, out_right = row.rule.reach_out()
    return {
        "L": Input("L", "board", row.length),
        "n": Input("n", "holders", str(row.holders)),
        "p": Input("p", "pitch", row.t),
        "c": Input("c", "air", row.t),
        "a": Input("a", row.run.start, ends.left if ends.rule == "margin" else row.left),
        "b": Input("b", row.run.end, ends.right if ends.rule == "margin" else row.right),
        "w": Input("w", "fixture", row.fixture.across),
        "l": Input("l", f"reach {row.run.back}", max(out_left - ends.overhang, row.fixture.left)),
        "r": Input(
            "r", f"reach {row.run.onward}", max(out_right - ends.overhang, row.fixture.right)
        ),
        "s": Input("s", "left over", row.spare),
        "x": Input("x", "first mark", row.left),
        "u": Input("u", "first axis to last", row.rule.span(row.t)),
        "e": Input("e", "edge to first axis", max(out_left, row.fixture.left)),
        "f": Input("f", "last axis to edge", max(out_right, row.fixture.right)),
    }


def _inputs(row: Row, formula: str) -> tuple[Input, ...]:
    used = set(re.findall(r"[A-Za-z]+", formula))
    return tuple(i for symbol, i in _symbols(row).items() if symbol in used)


def _given(key: str, label: str, value: Value, why: str) -> Figure:
    return Figure(key, label, value, "given", (), why)


def _need(row: Row) -> Figure:
    one, other = row.things[row.need_pair], row.things[min(row.need_pair + 1, row.count - 1)]
    steps = one.holders - one.centre + other.centre
    by_items = (one.reach.right + row.brief.air + other.reach.left) / steps >= row.layout.rule.apart
    return Figure(
        "row.need",
        "Least pitch",
        row.need,
        "max(r + c + l, fr + g + fl)" if steps == 1 else "max((r + c + l) / k, fr + g + fl)",
        (
            Input("r", f"reach {row.run.onward}, of one", one.reach.right),
            Input("l", f"reach {row.run.back}, of the next", other.reach.left),
            *(
                ()
                if steps == 1
                else (Input("k", "spaces from one to the next", str(float(steps))),)
            ),
            Input("c", "air", row.brief.air),
            Input("fl", f"fixture {row.run.back}", row.fixture.left),
            Input("fr", f"fixture {row.run.onward}", row.fixture.right),
            Input("g", "between fixtures", row.brief.fixture_gap),
        ),
        "Space the things that hang, not the hooks. "
        + ("The items decide here." if by_items else "The fixtures decide here."),
    )


def _length(row: Row) -> Figure:
    if row.brief.follows != "length":
        return _given("row.length", "Board length", row.length, "You hold the board's length.")
    if row.trouble == "too-long":
        return _given(
            "row.length",
            "Board length",
            row.length,
            "No board is longer; the row is only drawn on it.",
        )
    formula = "a + u + b" if row.airy else _whole_board(row)[0]
    return Figure(
        "row.length",
        "Board length",
        row.length,
        formula,
        _inputs(row, formula),
        f"Ends: {END_REASONS[row.brief.ends.rule][0].lower()}."
        f" {END_REASONS[row.brief.ends.rule][1]}",
    )


def _count(row: Row) -> Figure:
    spaces = (
        f"{row.holders} holders stand at {row.holders - 1} spaces: always one holder more than"
        " spaces."
    )
    if row.brief.follows != "count":
        return _given("row.count", "Count", str(row.count), spaces)
    if row.airy or not row.rule.alike or row.holders != row.count:
        why = f"The most that fit, tried one by one: one more would need a longer board. {spaces}"
        return Figure(
            "row.count", "Count", str(row.count), "the most that fit", _inputs(row, "L"), why
        )
    formula = _whole_board(row)[2]
    asked = Input("p", "pitch asked for", row.layout.asked)
    inputs = tuple(asked if i.symbol == "p" else i for i in _inputs(row, formula))
    return Figure("row.count", "Count", str(row.count), formula, inputs, spaces)


def _pitch(row: Row) -> Figure:
    follows, spacing = row.brief.follows, row.brief.spacing
    reason = SPACING_REASONS[spacing][1]
    if row.crammed:
        return Figure(
            "row.pitch",
            "Pitch",
            row.pitch,
            "L / n",
            _inputs(row, "L / n"),
            "The ends leave no room, so the row is only drawn spread out.",
        )
    if row.holders == 1 and row.brief.ends.rule in ("margin", "inside"):
        return _given(
            "row.pitch", "Pitch", row.pitch, "One holder has no pitch; it stands between the ends."
        )
    if follows == "pitch" or (follows == "count" and spacing != "set" and row.holders > 1):
        formula = _whole_board(row)[1]
        tidied = (
            spacing == "tidy" and row.pitch >= row.brief.tidy
        )  # a finer pitch than its step stays even
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
    left, right = (
        _AIR_FORMULAS[row.brief.ends.rule] if row.airy else _END_FORMULAS[row.brief.ends.rule]
    )
    if row.brief.ends.rule == "inside" and not row.airy:
        left, right = (
            f"{end} − p / 2" if half else end for end, half in zip("lr", _bridged(row), strict=True)
        )
    if row.crammed:
        left = right = "p / 2"
        why = "The ends leave no room, so the row is only drawn spread out."
    elif row.brief.follows == "ends":
        left = right = "(L − u) / 2" if row.airy else "(L − (n − 1) · p) / 2"
        why = "What the row leaves of the board is shared equally."
    elif row.brief.follows == "nothing":
        right = "L − x − u" if row.airy else "L − x − (n − 1) · p"
    elif row.spare:
        left, right = f"{left} + s / 2", f"{right} + s / 2"
    return (
        Figure("row.left", row.run.start.capitalize(), row.left, left, _inputs(row, left), why),
        Figure("row.right", row.run.end.capitalize(), row.right, right, _inputs(row, right), why),
    )


def _even_air(row: Row) -> Figure:
    if row.brief.follows in ("count", "pitch"):
        why = (
            "The board's length, less the ends and the things themselves, shared between all the"
            " gaps."
        )
        return Figure("row.air", "Air", row.air, "what is left, shared", _inputs(row, "L a b"), why)
    return _given(
        "row.air", "Air", row.air, "The clear gap between neighbours as they hang: you hold it."
    )
