"""Why a stick gives one piece less than it might, and what would give it."""

from collections.abc import Callable, Iterator
from math import ceil, floor

from yardcliff.core.design.change import amend
from yardcliff.core.findings.finding import Finding, Fix, Patch, Severity
from yardcliff.core.findings.patch import BriefError
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, exact_text
from yardcliff.core.units.length_text import read
from yardcliff.core.units.trade import down, either
from yardcliff.core.ways import Brief, build, solve_row
from yardcliff.core.wood.layout import CutPlan, Piece, Sawn
from yardcliff.data import table
from yardcliff.messages import listed, tr

ZERO = Fraction(0)


MOST_TRIED = 200
"""With more pieces than this no other saw or length is tried: each try is a plan of its own."""


SQUARED = either("1 mm", "1/16 in")
"""A step of what is squared off an end."""
MUCH = Fraction(40)
"""Nobody makes a part shorter by more to get one more from a stick, mm."""


Planned = Callable[[Brief], CutPlan]
"""A brief's cut plan, from the same supply."""


def shorter(brief: Brief, by: Fraction) -> list[Fix]:
    """The changes of a design that could take so much off a part, from the row as it is
    worked out.
    """
    tries: list[Fix] = []
    long = solve_row(brief).length
    if long > by:
        shorter = long - by
        label = tr("fix.a-row-of", shorter=brief.in_hand.write_fine(shorter))
        tries.append(Fix(label, {"row": {"length": exact_text(shorter)}}))
    showing = getattr(getattr(brief, "holder", None), "showing", None)
    if isinstance(showing, Fraction) and showing > by:
        tries.append(
            Fix(
                tr("fix.pegs-long", showing=brief.in_hand.write_fine(showing - by)),
                {"holder": {"showing": exact_text(showing - by)}},
            )
        )
    return tries


def amended(brief: Brief, patch: Patch) -> Brief | None:
    """The changed brief; none where it cannot be."""
    try:
        return amend(brief, patch)
    except BriefError:
        return None


def _musts(brief: Brief) -> set[str]:
    return {finding.code for finding in build(brief).findings if finding.severity is Severity.STOP}


def one_less(brief: Brief, plan: CutPlan, planned: Planned, tape: Tape) -> Iterator[Finding]:
    """Where the saw's cuts or the squared ends cost a part: sticks that would take one more without
    them.
    """
    if sum(len(sawn.laid) for sawn in plan.sawn) > MOST_TRIED:
        return
    for group in plan.groups:
        for sawn in group.sawn:
            piece = _repeated(sawn)
            if piece is None or sawn.source.flaws:
                continue
            long, kerf, trim = piece.blank.long, plan.kerf, brief.cutting.trim
            room = sawn.source.long - 2 * trim
            whole, got = floor(sawn.source.long / long), floor((room + kerf) / (long + kerf))
            if whole <= got or not any(
                len(other.laid) <= got for other in group.sawn if other is not sawn
            ):
                continue
            fixes = tuple(_one_more(brief, sawn, long, got + 1, plan, planned, tape))
            if fixes:
                lost = (
                    [tr("wood.the-saw-takes-at-each-cut", kerf=tape.write_fine(kerf))]
                    if kerf
                    else []
                )
                lost += [tr("wood.go-to-square-each-end", trim=tape.write(trim))] if trim else []
                yield Finding(
                    "cut.kerf",
                    piece.name,
                    tr(
                        "cut.kerf",
                        wanted=got + 1,
                        long=tape.write(long),
                        stick=tape.write(sawn.source.long),
                        got=got,
                        lost=listed(lost),
                    ),
                    tr("quantity.from-one-stick"),
                    str(got),
                    str(got + 1),
                    fixes=fixes,
                )
                return


def _repeated(sawn: Sawn) -> Piece | None:
    """What a stick is cut into, where that is nothing but equal parts in one lane."""
    longs = {laid.piece.blank.long for laid in sawn.laid}
    lanes = {laid.low for laid in sawn.laid}
    return sawn.laid[0].piece if len(longs) == len(lanes) == 1 else None


def _one_more(
    brief: Brief, sawn: Sawn, long: Fraction, many: int, plan: CutPlan, planned: Planned, tape: Tape
) -> Iterator[Fix]:
    """A thinner blade, less squared off, a shorter part: each that saves a stick when
    it is tried.
    """
    cutting, stick = brief.cutting, sawn.source.long
    tries: list[Fix] = []
    most = (stick - 2 * cutting.trim - many * long) / (many - 1)
    thinner = [
        row
        for row in table("saws", tape.trade)
        if ZERO < read(row["kerf"]) <= most and read(row["kerf"]) < plan.kerf
    ]
    if thinner:
        saw = max(thinner, key=lambda row: read(row["kerf"]))
        tries.append(
            Fix(
                tr("fix.cut-with-a", key_name=saw["key"], kerf=saw["kerf"]),
                {"cutting": {"saw": saw["key"], "kerf": None}},
            )
        )
    left = (stick - many * long - (many - 1) * plan.kerf) / 2
    trim = down(left, tape.trade, SQUARED)
    if 0 < trim < cutting.trim:
        tries.append(
            Fix(
                tr("fix.square-off-at-each-end", trim=tape.write_fine(trim)),
                {"cutting": {"trim": exact_text(trim)}},
            )
        )
    over = long - (stick - 2 * cutting.trim - (many - 1) * plan.kerf) / many
    by = ceil(over / tape.step) * tape.step
    if 0 < by <= MUCH:
        tries += shorter(brief, by)
    for fix in tries:
        changed = amended(brief, fix.patch)
        # What has to be fixed in the rack is no price for a stick.
        if (
            changed is not None
            and _musts(changed) <= _musts(brief)
            and _saves(plan, planned(changed))
        ):
            yield fix


def _saves(before: CutPlan, after: CutPlan) -> bool:
    """Whether a plan is cheaper, or takes fewer sticks for as much."""

    def worth(plan: CutPlan) -> tuple[int, int, int]:
        return len(plan.missing), plan.cost or 0, sum(1 for _ in plan.sawn)

    return worth(after) < worth(before)
