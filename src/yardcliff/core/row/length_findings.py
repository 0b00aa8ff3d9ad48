"""Findings where the row and its board do not agree in length."""

from collections.abc import Callable

from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.row.fixes import longer, row_patch
from yardcliff.core.row.row import Row
from yardcliff.core.row.spacing import length_for
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import LONGEST, Tape
from yardcliff.messages import tr

NONE = Fraction(0)


def no_room(row: Row, tape: Tape, noun: Callable[[int], str]) -> Finding:
    """The ends, or the fixtures, take the whole board."""
    if row.brief.ends.rule == "gaps" and row.brief.spacing != "air":
        taken = row.holders * row.fixture.across
        what = tr(
            "row.the-fixtures-of-take-of",
            noun=noun(row.count),
            taken=tape.write(taken),
            length=tape.write(row.length),
        )
        message, figure = (
            tr("row.no-gap-is-left-between-them", taken=what),
            tr("row.taken-by-the-fixtures"),
        )
    else:
        taken = row.layout.terms.fixed + (row.rule.span(NONE) if row.brief.spacing == "air" else 0)
        taker = (
            tr("row.the-ends-and-the-fixtures")
            if row.brief.spacing == "air"
            else tr("row.the-two-ends")
        )
        what = tr(
            "row.take-of", taker=taker, taken=tape.write(taken), length=tape.write(row.length)
        )
        message, figure = (
            tr("row.nothing-is-left-for", taken=what, noun=noun(row.count)),
            tr("row.taken-by-the-ends"),
        )
    return Finding(
        "row.no-room",
        tr("part.board"),
        message,
        figure,
        taken,
        row.length,
        at=(float(row.length) / 2, 0),
        fixes=(
            *longer(row, tape, length_for(row, row.count)),
            Fix(tr("fix.half-a-space-at-the-ends"), row_patch(ends={"rule": "half"})),
        ),
    )


def too_long(row: Row, tape: Tape, noun: Callable[[int], str]) -> Finding:
    """So many things need a longer board than there is."""
    needed = length_for(row, row.count)
    return Finding(
        "row.too-long",
        tr("part.board"),
        tr(
            "row.too-long",
            noun=noun(row.count),
            needed=tape.write(needed),
            longest=tape.write(LONGEST),
        ),
        tr("quantity.length"),
        needed,
        LONGEST,
        at=(float(row.length), 0),
        fixes=(Fix(tr("fix.as-many-as-6-m-take"), row_patch(length="6 m", follows="count")),),
    )


def disagree(row: Row, tape: Tape, noun: Callable[[int], str]) -> Finding:
    """Everything is held, and the figures do not agree."""
    right = row.length - row.spare
    at = tr("row.with-of-air" if row.airy else "row.at-pitch", apart=tape.write(row.t))
    return Finding(
        "row.disagree",
        tr("part.row"),
        tr(
            "row.disagree" if row.spare > 0 else "row.disagree-short",
            noun=noun(row.count),
            at=at,
            right=tape.write(right),
            length=tape.write(row.length),
            spare=tape.write(abs(row.spare)),
        ),
        tr("quantity.board"),
        row.length,
        right,
        at=(float(row.length), 0),
        fixes=(
            *(
                (
                    Fix(
                        tr("fix.board-long", board=tape.write(right)),
                        row_patch(length=right, follows="nothing"),
                    ),
                )
                if 0 < right <= LONGEST
                else ()
            ),
            Fix(
                tr("fix.work-out-the-air") if row.airy else tr("fix.work-out-the-pitch"),
                row_patch(follows="pitch"),
            ),
            Fix(tr("fix.work-out-the-ends"), row_patch(follows="ends")),
        ),
    )
