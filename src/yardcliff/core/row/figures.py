"""The working of a row: every figure that the solver derived, with formula and reason."""

import re

from yardcliff.core.findings.working import Figure, Input, Value, figure
from yardcliff.core.row.outcome_figures import air, dividers, drift_figure, span, unevenness
from yardcliff.core.row.row import Row
from yardcliff.core.row.row_brief import EndRule
from yardcliff.core.units.length import Tape
from yardcliff.messages import tr

END_REASONS: dict[EndRule, tuple[str, str]] = {
    "margin": ("row.set-margins", "row.you-choose-each-end-they-may"),
    "half": ("row.half-a-space", "row.every-place-owns-same-width-two"),
    "whole": ("row.a-whole-space", "row.ends-look-like-one-more-gap"),
    "gaps": ("row.equal-gaps", "row.bare-wood-between-fixtures-same-as"),
    "inside": ("row.nothing-past-the-end", "row.outermost-item-stays-above-board-good"),
}
SPACING_REASONS = {
    "even": ("row.even", "row.one-pitch-for-all-fills-board"),
    "air": ("row.even-air", "row.same-clear-gap-between-all-neighbours"),
    "tidy": ("row.tidy", "row.pitch-rounded-easy-figure-what-left"),
    "set": ("row.set", "row.your-pitch-kept-as"),
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
        "L": Input("L", tr("input.board"), row.length),
        "n": Input("n", tr("input.holders"), str(row.holders)),
        "p": Input("p", tr("input.pitch"), row.t),
        "c": Input("c", tr("input.air"), row.t),
        "a": Input("a", row.run.start, ends.left if ends.rule == "margin" else row.left),
        "b": Input("b", row.run.end, ends.right if ends.rule == "margin" else row.right),
        "w": Input("w", tr("input.fixture"), row.fixture.across),
        "l": Input(
            "l",
            tr("input.reach", back=row.run.back),
            max(out_left - ends.overhang, row.fixture.left),
        ),
        "r": Input(
            "r",
            tr("input.reach", back=row.run.onward),
            max(out_right - ends.overhang, row.fixture.right),
        ),
        "s": Input("s", tr("input.left-over"), row.spare),
        "x": Input("x", tr("input.first-mark"), row.left),
        "u": Input("u", tr("input.first-axis-to-last"), row.rule.span(row.t)),
        "e": Input("e", tr("input.edge-to-first-axis"), max(out_left, row.fixture.left)),
        "f": Input("f", tr("input.last-axis-to-edge"), max(out_right, row.fixture.right)),
    }


def _inputs(row: Row, formula: str) -> tuple[Input, ...]:
    used = set(re.findall(r"[A-Za-z]+", formula))
    return tuple(i for symbol, i in _symbols(row).items() if symbol in used)


def _given(key: str, label: str, value: Value, why: str) -> Figure:
    return Figure(key, label, value, tr("row.given"), (), why)


def _need(row: Row) -> Figure:
    one, other = row.things[row.need_pair], row.things[min(row.need_pair + 1, row.count - 1)]
    steps = one.holders - one.centre + other.centre
    by_items = (one.reach.right + row.brief.air + other.reach.left) / steps >= row.layout.rule.apart
    return Figure(
        "row.need",
        tr("row.need.label"),
        row.need,
        "max(r + c + l, fr + g + fl)" if steps == 1 else "max((r + c + l) / k, fr + g + fl)",
        (
            Input("r", tr("input.reach-of-one", onward=row.run.onward), one.reach.right),
            Input("l", tr("input.reach-of-the-next", back=row.run.back), other.reach.left),
            *(
                ()
                if steps == 1
                else (Input("k", tr("input.spaces-from-one-to-the-next"), str(float(steps))),)
            ),
            Input("c", tr("input.air"), row.brief.air),
            Input("fl", tr("input.fixture-2", side=row.run.back), row.fixture.left),
            Input("fr", tr("input.fixture-2", side=row.run.onward), row.fixture.right),
            Input("g", tr("input.between-fixtures"), row.brief.fixture_gap),
        ),
        tr("row.need.why")
        + (
            tr("row.need.why.the-items-decide-here")
            if by_items
            else tr("row.need.why.the-fixtures-decide-here")
        ),
    )


def _length(row: Row) -> Figure:
    if row.brief.follows != "length":
        return _given(
            "row.length", tr("row.board-length"), row.length, tr("row.you-hold-the-boards-length")
        )
    if row.trouble == "too-long":
        return _given(
            "row.length",
            tr("row.board-length"),
            row.length,
            tr("row.no-board-longer-row-only-drawn"),
        )
    formula = "a + u + b" if row.airy else _whole_board(row)[0]
    return figure(
        "row.length",
        row.length,
        formula,
        _inputs(row, formula),
        rule=tr(END_REASONS[row.brief.ends.rule][0]).lower(),
        why=tr(END_REASONS[row.brief.ends.rule][1]),
    )


def _count(row: Row) -> Figure:
    spaces = tr(
        "row.holders-stand-at-spaces-always-one", holders=row.holders, spaces=row.holders - 1
    )
    if row.brief.follows != "count":
        return _given("row.count", tr("row.count"), str(row.count), spaces)
    if row.airy or not row.rule.alike or row.holders != row.count:
        why = tr("row.most-fit-tried-one-by-one", spaces=spaces)
        return Figure(
            "row.count",
            tr("row.count.label"),
            str(row.count),
            tr("row.count.formula"),
            _inputs(row, "L"),
            why,
        )
    formula = _whole_board(row)[2]
    asked = Input("p", tr("input.pitch-asked-for"), row.layout.asked)
    inputs = tuple(asked if i.symbol == "p" else i for i in _inputs(row, formula))
    return Figure("row.count", tr("row.count.label"), str(row.count), formula, inputs, spaces)


def _pitch(row: Row) -> Figure:
    follows, spacing = row.brief.follows, row.brief.spacing
    reason = tr(SPACING_REASONS[spacing][1])
    if row.crammed:
        return figure("row.pitch", row.pitch, "L / n", _inputs(row, "L / n"))
    if row.holders == 1 and row.brief.ends.rule in ("margin", "inside"):
        return _given(
            "row.pitch", tr("row.pitch"), row.pitch, tr("row.one-holder-has-no-pitch-stands")
        )
    if follows == "pitch" or (follows == "count" and spacing != "set" and row.holders > 1):
        formula = _whole_board(row)[1]
        tidied = (
            spacing == "tidy" and row.pitch >= row.brief.tidy
        )  # a finer pitch than its step stays even
        if tidied:
            formula = tr("row.floor-q-q", formula=formula)
        inputs = _inputs(row, formula)
        if tidied:
            inputs += (Input("q", tr("input.tidy-step"), row.brief.tidy),)
        return Figure("row.pitch", tr("row.pitch.label"), row.pitch, formula, inputs, reason)
    if row.brief.pitch is None:
        if follows == "length" and spacing == "tidy":
            return Figure(
                "row.pitch",
                tr("row.pitch.label"),
                row.pitch,
                "ceil(m / q) · q",
                (
                    Input("m", tr("input.least-pitch"), row.need),
                    Input("q", tr("input.tidy-step"), row.brief.tidy),
                ),
                tr("row.pitch.why.rounded-up-easy-figure-down-would"),
            )
        return Figure(
            "row.pitch",
            tr("row.pitch.label"),
            row.pitch,
            tr("row.pitch.formula"),
            (Input("m", tr("input.least-pitch"), row.need),),
            tr("row.pitch.why.as-close-as-items-their-air"),
        )
    return _given("row.pitch", tr("row.pitch"), row.pitch, tr("row.you-hold-the-pitch"))


def _ends(row: Row) -> tuple[Figure, Figure]:
    name, why = map(tr, END_REASONS[row.brief.ends.rule])
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
        why = tr("row.ends-leave-no-room-so-row")
    elif row.brief.follows == "ends":
        left = right = "(L − u) / 2" if row.airy else "(L − (n − 1) · p) / 2"
        why = tr("row.what-row-leaves-board-shared-equally")
    elif row.brief.follows == "nothing":
        right = "L − x − u" if row.airy else "L − x − (n − 1) · p"
    elif row.spare:
        left, right = f"{left} + s / 2", f"{right} + s / 2"
    return (
        Figure("row.left", row.run.start.capitalize(), row.left, left, _inputs(row, left), why),
        Figure("row.right", row.run.end.capitalize(), row.right, right, _inputs(row, right), why),
    )


def _even_air(row: Row) -> Figure:
    label = tr("row.overlap.label" if row.air < 0 else "row.air.label")
    if row.brief.follows in ("count", "pitch"):
        formula = tr("row.overlap.formula" if row.air < 0 else "row.air.formula")
        why = tr("row.boards-length-less-ends-things-themselves")
        return Figure("row.air", label, abs(row.air), formula, _inputs(row, "L a b"), why)
    why = tr("row.overlap.why" if row.air < 0 else "row.clear-gap-between-neighbours-as-they")
    return _given("row.air", label, abs(row.air), why)
