"""What is wrong with several rows together, and the working of how far apart they hang."""

from collections.abc import Iterator, Mapping, Sequence

from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import (
    ALIKE,
    MOST_HOLDERS,
    OwnRow,
    RowsBrief,
    Standing,
    can_stagger,
    room_for_ends,
)
from yardcliff.core.things.item import Item
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, exact_text
from yardcliff.messages import tr

OF_THE_FIRST_ROW = frozenset({"row.disagree", "row.opened", "row.centred", "row.capped"})
"""Codes that speak of what the user asked of the row: the lower ones only follow."""


def check_rows(
    brief: RowsBrief, first: Row, standing: Sequence[Standing], hung: Fraction, tape: Tape
) -> Iterator[Finding]:
    """Findings of the rows together; `at` is at the board's left end."""
    if len(standing) < brief.count:
        left_out = brief.count - len(standing)
        yield Finding(
            "rows.capped",
            tr("part.rows"),
            tr("rows.capped", left_out=left_out, count=brief.count, most_holders=MOST_HOLDERS),
            tr("quantity.rows"),
            str(brief.count),
            str(len(standing)),
            at=(0.0, float(hung)),
            fixes=(Fix(tr("fix.rows", count=len(standing)), {"rows": {"count": len(standing)}}),),
        )
    if brief.layout == "staggered" and brief.count > 1 and not can_stagger(first):
        yield Finding(
            "rows.stagger",
            tr("part.rows"),
            tr("rows.stagger"),
            tr("quantity.holders"),
            str(first.holders),
            tr("quantity.2-or-more-one-pitch"),
            at=(0.0, float(hung)),
            fixes=(Fix(tr("fix.straight-rows"), {"rows": {"layout": "straight"}}),),
        )
    elif (
        brief.layout == "staggered"
        and brief.stagger == "ends"
        and brief.count > 1
        and not room_for_ends(first)
    ):
        short = min(first.left - first.fixture.left, first.right - first.fixture.right)
        yield Finding(
            "rows.ends",
            tr("part.rows"),
            tr("rows.ends", room=tape.write(first.t / 2)),
            tr("quantity.beyond-the-outermost-holder"),
            max(short, Fraction(0)),
            first.t / 2,
            at=(0.0, float(hung)),
            fixes=(
                Fix(tr("fix.a-whole-space-at-the-ends"), {"row": {"ends": {"rule": "whole"}}}),
                Fix(tr("fix.one-fewer"), {"rows": {"stagger": "fewer"}}),
            ),
        )
    for k, one in enumerate(standing):
        if one.down < one.needed:
            least = exact_text(_even_drop(standing))
            yield Finding(
                "rows.drop",
                tr("part.row-number", number=k + 1),
                tr(
                    "rows.drop",
                    number=k + 1,
                    down=tape.write(one.down),
                    needed=tape.write(one.needed),
                ),
                tr("quantity.below-the-first-row"),
                one.down,
                one.needed,
                at=(0.0, float(hung - one.down)),
                fixes=(
                    Fix(tr("fix.as-little-as-they-need"), {"rows": {"drop": None}}),
                    Fix(
                        tr("fix.drop", even_drop=tape.write(_even_drop(standing))),
                        {"rows": {"drop": least}},
                    ),
                ),
            )
            return


def _even_drop(standing: Sequence[Standing]) -> Fraction:
    """The least drop that suits every row if it is the same from each to the next."""
    return max(one.needed / k for k, one in enumerate(standing) if k)


def own_fixes(brief: RowsBrief, k: int) -> tuple[Fix, ...]:
    """What settles trouble in a lower row: as many of its kind as fit, or what the
    first row hangs.
    """
    own = brief.own_of(k)
    if own.alike and not own.pins:
        return (
            (Fix(tr("fix.straight-rows"), {"rows": {"layout": "straight"}}),)
            if brief.layout == "staggered"
            else ()
        )
    ways = []
    if own.pins:
        ways.append((tr("row.let-go-pins-row", number=k + 1), own.changed({"pins": ()})))
    if own.kind != ALIKE and not own.order and own.count is not None:
        ways.append((tr("row.as-many-as-fit-on-it"), own.changed({"count": None})))
    if not own.alike:
        ways.append((tr("row.hang-what-the-first-row-hangs"), OwnRow()))
    return tuple(
        Fix(
            label,
            {"rows": {"own": [row.model_dump(mode="json") for row in brief.with_own(k, way)]}},
        )
        for label, way in ways
    )


def rows_figures(
    brief: RowsBrief, standing: Sequence[Standing], kinds: Mapping[str, Item], least: Fraction
) -> tuple[Figure, ...]:
    """The drop from the first row to the second with its working; nothing for one row."""
    if len(standing) < 2:
        return ()
    drop = standing[1].down
    if brief.drop is not None:
        return (figure("rows.drop", drop, tr("rows.drop.formula"), ()),)
    below = max(kinds[thing.kind].below for thing in standing[0].row.things)
    above = max(kinds[thing.kind].above for thing in standing[1].row.things)
    sinks = drop != max(below + brief.lift + above, least)
    return (
        Figure(
            "rows.drop",
            tr("rows.drop.label"),
            drop,
            tr("rows.drop.formula.less-they-pass-at-the-sides") if sinks else "max(b + l + a, f)",
            (
                Input("b", tr("input.lowest-below-the-upper-row"), below),
                Input("l", tr("input.to-lift-off"), brief.lift),
                Input("a", tr("input.highest-above-the-lower-row"), above),
                Input("f", tr("input.fixtures-or-boards-need"), least),
            ),
            (
                tr("rows.drop.why.what-does-not-hang-in-front")
                if sinks
                else tr("rows.drop.why.what-hangs-above-lift-take-off")
            ),
        ),
    )
