"""Findings where the row and its board do not agree in length."""

from collections.abc import Callable

from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.row.fixes import longer, row_patch
from yardcliff.core.row.row import Row
from yardcliff.core.row.spacing import length_for
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import LONGEST, Tape

NONE = Fraction(0)


def no_room(row: Row, tape: Tape, noun: Callable[[int], str]) -> Finding:
    """The ends, or the fixtures, take the whole board."""
    if row.brief.ends.rule == "gaps" and row.brief.spacing != "air":
        taken = row.holders * row.fixture.across
        what = (
            f"The fixtures of {noun(row.count)} take {tape.write(taken)} of"
            f" {tape.write(row.length)}"
        )
        message, figure = f"{what}; no gap is left between them.", "taken by the fixtures"
    else:
        taken = row.layout.terms.fixed + (row.rule.span(NONE) if row.brief.spacing == "air" else 0)
        taker = "The ends and the fixtures" if row.brief.spacing == "air" else "The two ends"
        what = f"{taker} take {tape.write(taken)} of {tape.write(row.length)}"
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
            *longer(row, tape, length_for(row, row.count)),
            Fix("Half a space at the ends", row_patch(ends={"rule": "half"})),
        ),
    )


def too_long(row: Row, tape: Tape, noun: Callable[[int], str]) -> Finding:
    """So many things need a longer board than there is."""
    needed = length_for(row, row.count)
    return Finding(
        "row.too-long",
        "Board",
        f"{noun(row.count)} need a board of {tape.write(needed)}; none is longer than"
        f" {tape.write(LONGEST)}.",
        "length",
        needed,
        LONGEST,
        at=(float(row.length), 0),
        fixes=(Fix("As many as 6 m take", row_patch(length="6 m", follows="count")),),
    )


def disagree(row: Row, tape: Tape, noun: Callable[[int], str]) -> Finding:
    """Everything is held, and the figures do not agree."""
    right = row.length - row.spare
    word = "over" if row.spare > 0 else "short"
    at = f"with {tape.write(row.t)} of air" if row.airy else f"at {tape.write(row.t)}"
    return Finding(
        "row.disagree",
        "Row",
        f"{noun(row.count)} {at} with these ends need {tape.write(right)}; "
        f"the board is {tape.write(row.length)}, {tape.write(abs(row.spare))} {word}.",
        "board",
        row.length,
        right,
        at=(float(row.length), 0),
        fixes=(
            *(
                (
                    Fix(
                        f"Board {tape.write(right)} long",
                        row_patch(length=right, follows="nothing"),
                    ),
                )
                if 0 < right <= LONGEST
                else ()
            ),
            Fix(
                "Work out the air" if row.airy else "Work out the pitch", row_patch(follows="pitch")
            ),
            Fix("Work out the ends", row_patch(follows="ends")),
        ),
    )
