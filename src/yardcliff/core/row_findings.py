"""What is wrong with a solved row, and the smallest changes that would put it right."""

from collections.abc import Callable, Iterator
from math import ceil, floor
from typing import Any

from yardcliff.core.exact import Fraction
from yardcliff.core.findings import Finding, Fix, Patch
from yardcliff.core.length import LONGEST, Tape, exact_text
from yardcliff.core.spacing import Pin, Row, counts_that_fit, end_terms, length_for

NONE = Fraction(0)
Noun = Callable[[int], str]
"""`5 -> "5 enamel mugs"`."""


def check(row: Row, tape: Tape, noun: Noun, end_distance: Fraction = NONE, end_why: str = "") -> Iterator[Finding]:
    """Findings of a row, the gravest first; `at` is (axis x, 0)."""
    yield from _pins(row)
    if row.trouble == "no-room":
        yield _no_room(row, tape, noun)
        return
    if row.length > LONGEST:
        yield _too_long(row, tape, noun)
    if row.brief.follows == "nothing" and row.spare:
        yield _disagree(row, tape, noun)
    placing = [*_off_board(row, tape, noun), *_too_close(row, tape, noun)]
    yield from placing
    if not placing:  # the ends are measured once the row itself stands
        yield from _ends(row, tape, noun, end_distance, end_why)
    yield from _choices(row, tape)


def _row(**changes: Any) -> Patch:
    return {"row": {k: exact_text(v) if isinstance(v, Fraction) else v for k, v in changes.items()}}


def _ceil(value: Fraction, tape: Tape) -> Fraction:
    return ceil(value / tape.step) * tape.step


def _floor(value: Fraction, tape: Tape) -> Fraction:
    return floor(value / tape.step) * tape.step


def _longer(row: Row, tape: Tape, length: Fraction, follows: str = "") -> tuple[Fix, ...]:
    """A board of `length`, rounded up to the tape, unless none is that long."""
    board = _ceil(length, tape)
    if board > LONGEST:
        return ()
    if not follows:
        follows = "pitch" if row.brief.follows in ("length", "count") else row.brief.follows
    return (Fix(f"Board {tape.write(board)} long", _row(length=board, follows=follows)),)


def _without(row: Row, *indexes: int) -> list[dict[str, Any]]:
    return [{"index": p.index, "at": exact_text(p.at)} for p in row.brief.pins if p.index not in indexes]


def _let_go(row: Row, *pins: Pin) -> Fix:
    names = " and ".join(str(pin.index + 1) for pin in pins)
    return Fix(f"Let go of pin {names}", _row(pins=_without(row, *(pin.index for pin in pins))))


def _pins(row: Row) -> Iterator[Finding]:
    stray = [pin for pin in row.brief.pins if pin.index >= row.count]
    if stray:
        yield Finding(
            "pin.stray",
            f"Pin {stray[0].index + 1}",
            f"There is no holder {stray[0].index + 1} any more; the pin waits for it.",
            "holders",
            str(row.count),
            str(stray[0].index + 1),
            fixes=(_let_go(row, *stray),),
        )
    for k in range(len(row.gaps) if row.pins else 0):
        if row.gaps[k] <= 0:
            held = [p for p in row.pins if p.index in (k, k + 1)] or list(row.pins)
            yield Finding(
                "pin.order",
                f"Holder {k + 2}",
                f"Holder {k + 2} comes before holder {k + 1}: a pin was carried past its neighbour.",
                "from the one before",
                row.gaps[k],
                Fraction(0),
                at=(float(row.axes[k + 1]), 0),
                fixes=(_let_go(row, held[-1]),),
            )
            return


def _no_room(row: Row, tape: Tape, noun: Noun) -> Finding:
    if row.brief.ends.rule == "gaps":
        taken = row.count * row.fixture.across
        what = f"The fixtures of {noun(row.count)} take {tape.write(taken)} of {tape.write(row.length)}"
        message, figure = f"{what}; no gap is left between them.", "taken by the fixtures"
    else:
        taken = end_terms(row.brief.ends, row.item, row.fixture).fixed
        what = f"The two ends take {tape.write(taken)} of {tape.write(row.length)}"
        message, figure = f"{what}; nothing is left for {noun(row.count)}.", "taken by the ends"
    return Finding(
        "row.no-room",
        "Board",
        message,
        figure,
        taken,
        row.length,
        at=(float(row.length) / 2, 0),
        fixes=(
            *_longer(row, tape, length_for(row, row.count)),
            Fix("Half a space at the ends", _row(ends={"rule": "half"})),
        ),
    )


def _too_long(row: Row, tape: Tape, noun: Noun) -> Finding:
    return Finding(
        "row.too-long",
        "Board",
        f"{noun(row.count)} need a board of {tape.write(row.length)}; none is longer than {tape.write(LONGEST)}.",
        "length",
        row.length,
        LONGEST,
        at=(float(row.length), 0),
        fixes=(Fix("As many as 6 m take", _row(length="6 m", follows="count")),),
    )


def _disagree(row: Row, tape: Tape, noun: Noun) -> Finding:
    right = row.length - row.spare
    word = "over" if row.spare > 0 else "short"
    return Finding(
        "row.disagree",
        "Row",
        f"{noun(row.count)} at {tape.write(row.pitch)} with these ends need {tape.write(right)}; "
        f"the board is {tape.write(row.length)}, {tape.write(abs(row.spare))} {word}.",
        "board",
        row.length,
        right,
        at=(float(row.length), 0),
        fixes=(
            *((Fix(f"Board {tape.write(right)} long", _row(length=right, follows="nothing")),) if right > 0 else ()),
            Fix("Work out the pitch", _row(follows="pitch")),
            Fix("Work out the ends", _row(follows="ends")),
        ),
    )


def _off_board(row: Row, tape: Tape, noun: Noun) -> list[Finding]:
    over_left = row.fixture.left - row.axes[0]
    over_right = row.axes[-1] + row.fixture.right - row.length
    if max(over_left, over_right) <= 0:
        return []
    index = 0 if over_left > over_right else row.count - 1
    whole = (row.count - 1) * row.pitch
    fit = max(1, min(row.count - 1, floor((row.length - row.fixture.across) / row.pitch) + 1))
    shared = row.brief.follows in ("ends", "nothing")
    fixes = _at_end(row, index) or (
        *(() if shared else (_inside(row),)),
        *_longer(row, tape, whole + max(row.pitch, row.fixture.across), "ends" if shared else ""),
        Fix(noun(fit), _row(count=fit, follows="ends")),
    )
    return [
        Finding(
            "row.off-board",
            f"Holder {index + 1}",
            f"Holder {index + 1} sits {tape.write(max(over_left, over_right))} past the board's end.",
            "past the end",
            max(over_left, over_right),
            Fraction(0),
            at=(float(row.axes[index]), 0),
            fixes=fixes,
        )
    ]


def _too_close(row: Row, tape: Tape, noun: Noun) -> Iterator[Finding]:
    if row.count < 2 or row.tightest >= row.need:
        return
    fixture_need = row.fixture.across + row.brief.fixture_gap
    k = row.gaps.index(row.tightest) if row.pins else row.count - 2
    at = (float(row.axes[k] + row.tightest / 2), 0.0)
    who = f"{k + 1} and {k + 2}" if row.pins else f"all {noun(row.count)}"
    fixes = _closeness_fixes(row, tape, noun, k)
    if row.tightest < fixture_need:
        yield Finding(
            "row.fixtures",
            "Row",
            f"The fixtures of {who} need {tape.write(fixture_need)} from axis to axis and get {tape.write(row.tightest)}.",
            "pitch",
            row.tightest,
            fixture_need,
            at,
            fixes,
        )
        return
    needed, fit = _ceil(length_for(row, row.count), tape), counts_that_fit(row)
    if row.pins:
        message = f"Between {who} {_loss(row, tape)}."
    elif row.brief.follows == "pitch":
        message = (
            f"{noun(row.count)} need {tape.write(needed)}; the board is {tape.write(row.length)}: "
            f"{fit or 'none'} fit, or {_loss(row, tape)}."
        )
    else:
        message = f"At {tape.write(row.pitch)} from axis to axis {_loss(row, tape)}."
    code = "row.bump" if row.air < 0 else "row.crowded"
    yield Finding(code, "Row", message, "air", row.air, row.brief.air, at, fixes)


def _loss(row: Row, tape: Tape) -> str:
    if row.air < 0:
        return f"they overlap by {tape.write(-row.air)}"
    return f"the air drops from {tape.write(row.brief.air)} to {tape.write(row.air)}"


def _closeness_fixes(row: Row, tape: Tape, noun: Noun, k: int) -> tuple[Fix, ...]:
    held = [pin for pin in row.pins if pin.index in (k, k + 1)] or list(row.pins)
    if held:
        return (_let_go(row, held[-1]),)
    fixes: list[Fix] = []
    if row.brief.pitch and row.brief.follows != "pitch":
        fixes.append(Fix(f"Pitch {tape.write(row.need)}, as they need", _row(pitch=None)))
    elif row.brief.spacing == "tidy" and row.tightest + row.brief.tidy > row.need:
        fixes.append(Fix("Even pitch instead of tidy", _row(spacing="even")))
    if row.brief.follows == "pitch":
        fixes += _longer(row, tape, length_for(row, row.count))
        fit = counts_that_fit(row)
        if 0 < fit < row.count:
            fixes.append(Fix(noun(fit), _row(count=fit)))
    air = _floor(row.air, tape)
    if air >= 0 and row.tightest >= row.fixture.across + row.brief.fixture_gap:
        fixes.append(Fix(f"Air {tape.write(air)}", _row(air=air)))
    return tuple(fixes) or (Fix(noun(1), _row(count=1)),)


def _ends(row: Row, tape: Tape, noun: Noun, end_distance: Fraction = NONE, end_why: str = "") -> Iterator[Finding]:
    """Things that hang past the board, and fixtures too near its end grain."""
    allowed = row.brief.ends.overhang if row.brief.ends.rule == "inside" else Fraction(0)
    past = {0: row.item.left - row.axes[0], row.count - 1: row.axes[-1] + row.item.right - row.length}
    index = max(past, key=lambda i: past[i])
    shared = row.brief.follows in ("ends", "nothing")
    whole = (row.count - 1) * row.pitch
    if past[index] > allowed:
        reach = 2 * max(row.item.left, row.item.right)
        longer = _longer(row, tape, whole + reach, "ends")
        yield Finding(
            "row.overhang",
            f"Holder {index + 1}",
            f"{noun(1)[2:].capitalize()} {index + 1} hangs {tape.write(past[index])} past the board's end.",
            "past the end",
            past[index],
            allowed,
            at=(float(row.axes[index]), 0),
            fixes=_at_end(row, index) or (longer if shared else (_inside(row), *longer)),
        )
    near = {0: row.axes[0], row.count - 1: row.length - row.axes[-1]}
    index = min(near, key=lambda i: near[i])
    if near[index] < end_distance:
        least = _ceil(end_distance, tape)
        margins = {
            "rule": "margin",
            "left": exact_text(max(least, row.left)),
            "right": exact_text(max(least, row.right)),
        }
        longer = _longer(row, tape, whole + 2 * least, "ends")
        margin = Fix(
            f"Ends at least {tape.write(least)}",
            _row(ends=margins, follows="length" if row.brief.follows == "length" else "pitch"),
        )
        yield Finding(
            "row.end-grain",
            f"Holder {index + 1}",
            f"Holder {index + 1} is {tape.write(near[index])} from the end; keep it {end_why}.",
            "from the end",
            near[index],
            end_distance,
            at=(float(row.axes[index]), 0),
            fixes=_at_end(row, index) or (longer if shared else (margin,)),
        )


def _inside(row: Row) -> Fix:
    follows = "length" if row.brief.follows == "length" else "pitch"
    return Fix("Keep them inside the ends", _row(ends={"rule": "inside", "overhang": "0 mm"}, follows=follows))


def _at_end(row: Row, index: int) -> tuple[Fix, ...]:
    """Letting go of the pin that holds an end holder, if one does."""
    return tuple(_let_go(row, pin) for pin in row.pins if pin.index == index)


def _choices(row: Row, tape: Tape) -> Iterator[Finding]:
    """What was chosen for the user where the figures left a choice."""
    if row.brief.follows != "count":
        return
    asked = row.brief.pitch or row.need
    if row.trouble == "capped":
        yield Finding(
            "row.capped",
            "Row",
            f"More than {row.count} would fit; a rack holds {row.count} at most.",
            "holders",
            str(row.count),
            str(row.count),
            fixes=(Fix("Pitch 100 mm", _row(pitch="100 mm")),),
        )
    elif row.brief.spacing == "set" and row.spare:
        yield Finding(
            "row.centred",
            "Row",
            f"{tape.write(asked)} does not divide the board: the pitch is kept, and "
            f"{tape.write(row.spare / 2)} more goes to each end.",
            "left over",
            row.spare,
            Fraction(0),
            fixes=(Fix("Open the pitch instead", _row(spacing="even")),),
        )
    elif row.brief.spacing == "even" and row.count > 1 and row.pitch != asked:
        yield Finding(
            "row.opened",
            "Row",
            f"{tape.write(asked)} does not divide the board: the ends are kept, and the pitch opens "
            f"to {tape.write(row.pitch)}.",
            "pitch",
            row.pitch,
            asked,
            fixes=(Fix(f"Keep {tape.write(asked)} and centre", _row(spacing="set")),),
        )
