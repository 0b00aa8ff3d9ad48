"""Stacked rails: several equal rails cut from one stick, hung one below the other.

A stick gives n rails when n L + (n - 1) kerf + 2 trims go into it: the saw eats wood, and both ends
are squared first.
"""

from collections.abc import Iterator
from math import floor
from typing import Any, Literal

from pydantic import model_validator

from yardcliff.core.base.model import Frozen
from yardcliff.core.brief.choices import Field, Section
from yardcliff.core.brief.cutting import Cutting
from yardcliff.core.brief.rack_brief import Board
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders import kit
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.rack import Kind, Operation, Rack
from yardcliff.core.row.closeness import Words
from yardcliff.core.row.row import Row
from yardcliff.core.row.row_findings import check
from yardcliff.core.row.rows import RowsBrief, Standing
from yardcliff.core.row.spacing import solve
from yardcliff.core.things.item import Item
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import LONGEST, Size, Tape, exact_text
from yardcliff.core.units.trade import EASY, Trade, either, up, usual
from yardcliff.core.ways.family import (
    Family,
    Fitness,
    Hangs,
    held_by,
    in_rows,
    on_hooks,
    read_start,
    row_for,
)
from yardcliff.core.ways.held_rows import HeldRows, fit_rows
from yardcliff.core.ways.shared import Body, assemble, boards, first_row, ground, stand_rows
from yardcliff.messages import tr

SOLD_BY = either("100 mm", "12 in")
"""From one length that sticks are sold in to the next."""
FREE = either("100 mm", "4 in")
"""Under what hangs lowest, at first."""
ZERO = Fraction(0)


class Stick(Frozen):
    """The stick as bought."""

    length: Size = usual("2400 mm", "96 in")


class StackedBrief(HeldRows):
    """`rows.count` rails, each a board of its own; `hung` is the height of the top one's axis."""

    family: Literal["stacked"] = "stacked"
    stick: Stick = Stick()
    rows: RowsBrief = RowsBrief(count=3)
    board: Board = Board()

    @model_validator(mode="before")
    @classmethod
    def _of_one_saw(cls, data: Any) -> Any:
        """What briefs said of their own saw before it was that of the cut plan."""
        stick = data.get("stick") if isinstance(data, dict) else None
        if not isinstance(stick, dict) or not stick.keys() & {"kerf", "trim"}:
            return data
        own = {name: value for name, value in stick.items() if name in ("kerf", "trim")}
        cutting = data.get("cutting")
        asked = (
            own | ({} if cutting is None else dict(cutting))
            if cutting is None or isinstance(cutting, dict)
            else cutting
        )
        return data | {
            "stick": {name: value for name, value in stick.items() if name not in own},
            "cutting": asked,
        }


def fitting(brief: StackedBrief) -> Fitting:
    """The brief's holder on a rail."""
    return fit_rows(brief, ground(brief))


def build(brief: StackedBrief, fitted: Fitting, first: Row) -> Rack:
    """The rails, each as low as what hangs above it asks for."""
    board = brief.board
    standing = stand_rows(brief, fitted, first, board.height)
    each = brief.changed({"rows": brief.rows.changed({"boards": "each"})})
    parts, marked = boards(each, standing, first.length, board.height / 2, "rail")
    sawing = Operation(
        Kind.RAIL,
        tuple(part.key for part in parts),
        tr("tool.cut-off"),
        first.length,
        None,
        0,
        None,
        tr("stop.stop-block-set-once-for-all"),
        tr("ways.square-first-end-then-cut-every"),
        many=len(parts),
        spot=tr("spot.across-the-stick"),
    )
    body = Body(
        "stacked",
        parts,
        marked,
        machining=(sawing,),
        figures=tuple(_figures(brief, first, standing)),
        findings=tuple(_findings(brief, first, len(parts))),
        cautions=(tr("caution.offcut-beside-stop-block-jams-pull"),),
    )
    return assemble(brief, fitted, standing, board.height, body)


def stick_needed(saw: Cutting, length: Fraction, rails: int, trade: Trade) -> Fraction:
    """The stick that so many rails of `length` take, mm: both ends squared, and the saw's share at
    each cut.
    """
    return rails * length + (rails - 1) * saw.takes(trade) + 2 * saw.trim


def rails_from(saw: Cutting, stick: Fraction, length: Fraction, trade: Trade) -> int:
    """How many rails of `length` one stick really gives."""
    kerf = saw.takes(trade)
    return max(0, floor((stick - 2 * saw.trim + kerf) / (length + kerf)))


def longest_from(saw: Cutting, stick: Fraction, rails: int, trade: Trade) -> Fraction:
    """How long each of so many rails out of one stick may be, mm."""
    return (stick - 2 * saw.trim - (rails - 1) * saw.takes(trade)) / rails


def _figures(brief: StackedBrief, row: Row, standing: tuple[Standing, ...]) -> Iterator[Figure]:
    stick, saw, rails = brief.stick.length, brief.cutting, len(standing)
    needed = stick_needed(saw, row.length, rails, brief.sizes)
    length, n = Input("L", tr("input.rail"), row.length), Input("n", tr("input.rails"), str(rails))
    kerf, trim = (
        Input("k", tr("input.kerf"), saw.takes(brief.sizes)),
        Input("t", tr("input.trim-at-an-end"), saw.trim),
    )
    given = "given" if saw.kerf is not None else tr("ways.typical-of-the-saw")
    yield figure("stacked.kerf", saw.takes(brief.sizes), given, ())
    yield figure("stacked.stick", needed, "n · L + (n − 1) · k + 2 · t", (n, length, kerf, trim))
    yield figure(
        "stacked.gives",
        str(rails_from(saw, stick, row.length, brief.sizes)),
        "floor((S − 2 · t + k) / (L + k))",
        (Input("S", tr("input.stick"), stick), length, kerf, trim),
    )
    yield figure(
        "stacked.left",
        max(ZERO, stick - needed),
        "max(0, S − N)",
        (Input("S", tr("input.stick"), stick), Input("N", tr("input.for-all"), needed)),
    )
    lowest = standing[-1].down
    yield figure(
        "stacked.lowest",
        brief.hung - lowest,
        "h − d",
        (
            Input("h", tr("input.top-axis"), brief.hung),
            Input("d", tr("input.drop-to-the-lowest"), lowest),
        ),
    )


def _stick_for(needed: Fraction, trade: Trade) -> Fraction:
    """A length as sticks are sold, by the 100 mm or the foot; none is longer than any board."""
    return min(LONGEST, up(needed, trade, SOLD_BY))


def _findings(brief: StackedBrief, row: Row, rails: int) -> Iterator[Finding]:
    stick, saw, tape = brief.stick.length, brief.cutting, brief.in_hand
    needed = stick_needed(saw, row.length, rails, brief.sizes)
    if needed <= stick:
        return
    whole, fits = _stick_for(needed, brief.sizes), rails_from(saw, stick, row.length, brief.sizes)
    fixes = list(_shorter(brief, row, rails))
    if fits:
        fixes.append(Fix(tr("fix.rails", fits=fits), {"rows": {"count": fits}}))
    if whole >= needed:
        fixes.append(
            Fix(
                tr("fix.a-stick-of", whole=tape.write(whole)),
                {"stick": {"length": exact_text(whole)}},
            )
        )
    if not fixes:
        return  # a rail that no stick gives is too long a row, and said there
    yield Finding(
        "stacked.stick",
        tr("part.stick"),
        tr(
            "stacked.stick",
            rails=rails,
            length=tape.write(row.length),
            stick=tape.write(stick),
            needed=tape.write_fine(needed - stick),
            takes=tape.write_fine(saw.takes(brief.sizes)),
            trim=tape.write_fine(saw.trim),
            fits=fits or "none",
        ),
        tr("quantity.stick-for-all"),
        needed,
        stick,
        fixes=tuple(fixes),
    )


def _shorter(brief: StackedBrief, row: Row, rails: int) -> Iterator[Fix]:
    """All of them a little shorter, on the tape, where what hangs still finds its room."""
    step = brief.in_hand.step
    length = longest_from(brief.cutting, brief.stick.length, rails, brief.sizes) // step * step
    if length <= 0:
        return
    asked = row.brief.changed(
        {"length": length, "count": row.count, "follows": "pitch", "pins": ()}
    )
    tried = solve(asked, row.things_of, row.fixture)
    tape, fitted = brief.in_hand, fitting(brief)
    words = Words(str, {kind: item.name for kind, item in brief.kinds.items()}, fitted.noun)
    before, after = (
        {finding.code for finding in check(one, tape, words, fitted.end_distance)}
        for one in (row, tried)
    )
    if tried.length == length and after <= before:
        yield Fix(
            tr("fix.all-of-them", length=tape.write(length)),
            {"row": {"length": exact_text(length), "follows": "pitch"}},
        )


def start(hangs: Hangs, tape: Tape) -> StackedBrief:
    """Up to three rails that share the things, hung so that the lowest clears the floor."""
    first = read_start(StackedBrief, in_rows(row_for(hangs, tape), 3) | held_by(hangs, tape))
    fitted = fitting(first)
    row = first_row(first, fitted)
    lowest = stand_rows(first, fitted, row, first.board.height)[-1].down
    deepest = max(item.below for item in first.kinds.values())
    hung = max(first.hung, up(lowest + deepest + FREE.of(tape.sizes), tape.sizes, EASY))
    needed = stick_needed(first.cutting, row.length, first.rows.count, tape.sizes)
    stick = Stick(length=max(first.stick.length, _stick_for(needed, tape.sizes)))
    return first.changed({"hung": hung, "stick": stick})


def suits(items: tuple[Item, ...]) -> Fitness:
    """Short things, several rails of them on a narrow wall."""
    if any(item.below > 400 for item in items):
        return Fitness(0, tr("ways.too-long-hang-above-one-another"))
    return on_hooks(items, 2, tr("ways.equal-rails-out-one-stick-one"))


def choices(brief: StackedBrief) -> tuple[Section, ...]:
    """What stacked rails alone are asked."""
    fields = (
        Field("stick.length", tr("ways.stick")),
        Field("cutting.kerf", tr("ways.kerf"), figure="stacked.kerf"),
        Field("cutting.trim", tr("ways.trim")),
    )
    figures = ("stacked.stick", "stacked.gives", "stacked.left", "stacked.lowest")
    return (
        *kit.choices(brief.holder, brief.sizes),
        Section(tr("section.one-stick"), fields, figures),
    )


FAMILY = Family(
    "stacked",
    "ways.stacked-rails",
    "ways.equal-rails-from-one-stick-one",
    StackedBrief,
    start,
    fitting,
    build,
    suits,
    choices,
)
