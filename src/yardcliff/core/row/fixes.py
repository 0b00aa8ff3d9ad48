"""Changes of a row that findings offer as their way out: labels and merge patches."""

from math import ceil, floor
from typing import Any

from yardcliff.core.base.model import Frozen
from yardcliff.core.findings.finding import Fix, Patch
from yardcliff.core.row.row import Row, lay_out
from yardcliff.core.row.row_brief import Pin
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import LONGEST, Tape, exact_text
from yardcliff.messages import listed, tr


def row_patch(**changes: Any) -> Patch:
    """A patch of the row; lengths as text, models as the file holds them."""
    return {"row": {key: _json(value) for key, value in changes.items()}}


def _json(value: Any) -> Any:
    if isinstance(value, (list, tuple)):
        return [_json(one) for one in value]
    if isinstance(value, Frozen):
        return value.model_dump(mode="json")
    return exact_text(value) if isinstance(value, Fraction) else value


def up(value: Fraction, tape: Tape) -> Fraction:
    return ceil(value / tape.step) * tape.step


def down(value: Fraction, tape: Tape) -> Fraction:
    return floor(value / tape.step) * tape.step


def longer(row: Row, tape: Tape, length: Fraction, follows: str = "") -> tuple[Fix, ...]:
    """A board of `length`, rounded up to the tape, unless none is that long."""
    board = up(length, tape)
    if board > LONGEST:
        return ()
    if not follows:
        follows = "pitch" if row.brief.follows in ("length", "count") else row.brief.follows
    return (
        Fix(
            tr("fix.board-long", board=tape.write(board)), row_patch(length=board, follows=follows)
        ),
    )


def let_go(row: Row, *pins: Pin) -> Fix:
    names = listed(str(pin.index + 1) for pin in pins)
    return Fix(
        tr("fix.let-go-of-pin", names=names),
        row_patch(pins=[pin for pin in row.brief.pins if pin not in pins]),
    )


def let_go_at(row: Row, index: int) -> tuple[Fix, ...]:
    """Letting go of the pin that holds an end holder, if one does."""
    return tuple(fix for pin in row.pins if pin.index == index for fix in let_go_or_all(row, pin))


def let_go_or_all(row: Row, pin: Pin) -> tuple[Fix, ...]:
    """Letting go of a pin, or of all of several."""
    every = (
        (Fix(tr("fix.let-go-of-all-pins"), row_patch(pins=())),) if len(row.brief.pins) > 1 else ()
    )
    return (let_go(row, pin), *every)


def keep_inside(row: Row) -> Fix:
    follows = "length" if row.brief.follows == "length" else "pitch"
    return Fix(
        tr("fix.keep-them-inside-the-ends"),
        row_patch(ends={"rule": "inside", "overhang": "0 mm"}, follows=follows),
    )


def even_air(row: Row) -> tuple[Fix, ...]:
    """The same air between all instead of one pitch, where that fits: unequal things need less
    board so.
    """
    if row.brief.spacing == "air" or row.rule.alike:
        return ()
    airy = row.brief.changed({"spacing": "air"})
    if lay_out(airy, row.things_of, row.fixture, row.count).length(row.brief.air) > row.length:
        return ()
    return (Fix(tr("fix.even-air-instead-of-one-pitch"), row_patch(spacing="air")),)


def room_for_one(row: Row, tape: Tape) -> tuple[Fix, ...]:
    """A board that takes one thing on its two holders, where the board is too short
    even for that.
    """
    even = row.brief.changed({"spacing": "even"})
    alone = lay_out(even, row.things_of, row.fixture, 1)
    if alone.rule.holders == 1 or (row.count > 1 and alone.rule.holders * alone.need <= row.length):
        return ()
    board = up(alone.rule.holders * max(alone.need, alone.rule.apart), tape)
    changes = {
        "count": 1,
        "ends": {"rule": "half"},
        "length": board,
        "follows": "pitch",
        "spacing": "even",
    }
    return (
        Fix(
            tr("fix.one-on-a-board-long", board=tape.write(board)), row_patch(**changes, pitch=None)
        ),
    )
