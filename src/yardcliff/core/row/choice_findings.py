"""What was chosen for the user where the figures of a row left a choice."""

from collections.abc import Iterator

from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.row.fixes import row_patch
from yardcliff.core.row.row import Row
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, exact_text
from yardcliff.core.units.trade import either
from yardcliff.messages import tr

PITCH = either("100 mm", "4 in")
"""A pitch to begin anew with."""


def choices(row: Row, tape: Tape) -> Iterator[Finding]:
    """Findings of a solved row."""
    if row.brief.follows != "count":
        return
    asked = row.brief.pitch or row.need
    wide = PITCH.of(tape.sizes)
    if row.trouble == "capped":
        yield Finding(
            "row.capped",
            tr("part.row"),
            tr("row.capped", count=row.count),
            tr("quantity.holders"),
            str(row.count),
            str(row.count),
            fixes=(
                Fix(tr("fix.pitch", pitch=tape.write(wide)), row_patch(pitch=exact_text(wide))),
            ),
        )
    elif row.brief.spacing == "set" and row.spare:
        yield Finding(
            "row.centred",
            tr("part.row"),
            tr("row.centred", asked=tape.write(asked), spare=tape.write(row.spare / 2)),
            tr("quantity.left-over"),
            row.spare,
            Fraction(0),
            fixes=(Fix(tr("fix.open-the-pitch-instead"), row_patch(spacing="even")),),
        )
    elif row.brief.spacing == "even" and row.holders > 1 and row.t != asked:
        yield Finding(
            "row.opened",
            tr("part.row"),
            tr("row.opened", asked=tape.write(asked), pitch=tape.write(row.t)),
            tr("quantity.pitch"),
            row.t,
            asked,
            fixes=(
                Fix(tr("fix.keep-and-centre", asked=tape.write(asked)), row_patch(spacing="set")),
            ),
        )
