"""The rail: one board, hooks or pegs in a row."""

from collections.abc import Iterator
from dataclasses import replace
from typing import Annotated, Any, Literal

from pydantic import Field

from yardcliff.core.exact import Fraction
from yardcliff.core.findings import Finding, Fix
from yardcliff.core.holders import hook as hooks
from yardcliff.core.holders import peg as pegs
from yardcliff.core.holders.fitting import Fitting, Ground
from yardcliff.core.item import Item
from yardcliff.core.length import Gap, Size, Tape, TapeName, exact_text, read
from yardcliff.core.model import Frozen
from yardcliff.core.rack import Part, Placed, Rack, Wood
from yardcliff.core.row_figures import row_figures
from yardcliff.core.row_findings import check
from yardcliff.core.spacing import Ends, Reach, Row, RowBrief, solve
from yardcliff.data import table

BOARD = "board"
FLOOR_CLEAR = Fraction(20)
"""Least air between what hangs and the floor, so that it dries and a broom passes."""

Holder = Annotated[hooks.Hook | pegs.Peg, Field(discriminator="kind")]


class Board(Frozen):
    """`height` is the board's width, which stands upright on the wall. Actual sizes."""

    height: Size = Fraction(120)
    thickness: Size = Fraction(21)
    wood: Wood = "softwood"


class RailBrief(Frozen):
    """Everything the user decides about a rail. `line` is the holders' axis above the board's
    bottom edge (None: the middle), `hung` the axis above the floor."""

    family: Literal["rail"] = "rail"
    tape: TapeName = "1 mm"
    item: Item
    row: RowBrief = RowBrief()
    holder: Holder
    board: Board = Board()
    line: Gap | None = None
    hung: Size = Fraction(1600)


def fitting(brief: RailBrief) -> Fitting:
    """The brief's holder on the brief's board."""
    line = brief.board.height / 2 if brief.line is None else brief.line
    ground = Ground(brief.board.thickness, brief.board.height, line, brief.board.wood)
    if isinstance(brief.holder, pegs.Peg):
        return pegs.fit(brief.holder, ground)
    return hooks.fit(brief.holder, ground)


def solve_row(brief: RailBrief) -> Row:
    """The brief's row, spaced by what hangs on it."""
    return solve(brief.row, Reach(brief.item.left, brief.item.right), fitting(brief).reach)


def build(brief: RailBrief) -> Rack:
    """A complete rail from its brief."""
    tape = Tape.named(brief.tape)
    fitted = fitting(brief)
    row = solve(brief.row, Reach(brief.item.left, brief.item.right), fitted.reach)
    line = brief.board.height / 2 if brief.line is None else brief.line
    board = Part(
        BOARD,
        "Board",
        Fraction(0),
        brief.hung - line,
        row.length,
        brief.board.height,
        brief.board.thickness,
        brief.board.wood,
    )
    pinned = {pin.index for pin in row.pins}
    placed = tuple(Placed(i, x, brief.hung, i in pinned) for i, x in enumerate(row.axes))
    y = float(brief.hung)
    findings = (
        *(
            replace(f, at=(f.at[0], y))
            for f in check(row, tape, brief.item.counted, fitted.end_distance, fitted.end_why)
        ),
        *(replace(f, at=(float(row.axes[0]), y)) for f in fitted.findings),
        *_floor(brief, tape, fitted),
    )
    drilling = tuple(replace(step, count=step.count * row.count) for step in fitted.drilling)
    return Rack(
        "rail",
        (board,),
        placed,
        fitted.bores,
        fitted.glyph,
        fitted.name,
        fitted.hang_drop,
        brief.item,
        row,
        (*row_figures(row, tape), *fitted.figures),
        findings,
        drilling,
        fitted.cautions,
    )


def _floor(brief: RailBrief, tape: Tape, fitted: Fitting) -> Iterator[Finding]:
    clear = brief.hung - fitted.hang_drop - brief.item.below
    if clear < FLOOR_CLEAR:
        least = brief.item.below + fitted.hang_drop + FLOOR_CLEAR
        up = -(-least // tape.step) * tape.step
        yield Finding(
            "hang.floor",
            brief.item.name.capitalize(),
            f"The {brief.item.plural} drop {tape.write(brief.item.below)} from the holder and reach the floor.",
            "clear of the floor",
            clear,
            FLOOR_CLEAR,
            at=(0.0, float(brief.hung)),
            fixes=(Fix(f"Hang at {tape.write(up)}", {"hung": exact_text(up)}),),
        )


def starting_brief(item_key: str, count: int, tape: TapeName) -> RailBrief:
    """A sensible rail for `count` of a catalogue item. Raises `KeyError` for an unknown key."""
    row = next((row for row in table("items") if row["key"] == item_key), None)
    if row is None:
        raise KeyError(item_key)
    return RailBrief.model_validate(
        {
            "tape": tape,
            "item": {k: v for k, v in row.items() if k in Item.model_fields},
            "row": {"count": count, "air": row["air"], "ends": Ends().model_dump()},
            "holder": table_values("holders", row["holder"]),
            "board": table_values("boards", row["board"]),
            "hung": read(row["hung"]),
        }
    )


def table_values(name: str, key: str) -> dict[str, Any]:
    """The values of a catalogue row, without what only names it. Raises `StopIteration` for no row."""
    row = next(row for row in table(name) if row["key"] == key)
    return {k: v for k, v in row.items() if k not in ("key", "name")}
