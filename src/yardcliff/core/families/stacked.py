"""Stacked rails: several equal rails cut from one stick, hung one below the other.

A stick gives n rails when n L + (n - 1) kerf + 2 trims go into it: the saw eats wood, and both ends are squared first.
"""

from collections.abc import Iterator
from math import ceil, floor
from typing import Literal

from yardcliff.core.brief import Board, RackBrief
from yardcliff.core.choices import Field, Section
from yardcliff.core.exact import Fraction
from yardcliff.core.families.family import Family, Fitness, Hangs, held_by, in_rows, on_hooks, row_for
from yardcliff.core.families.shared import Body, assemble, boards, first_row, ground, stand_rows
from yardcliff.core.findings import Finding, Fix
from yardcliff.core.holders import hook as hooks
from yardcliff.core.holders import kit
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.item import Item
from yardcliff.core.length import LONGEST, Gap, Size, Tape, TapeName, exact_text
from yardcliff.core.model import Frozen
from yardcliff.core.rack import Kind, Operation, Rack
from yardcliff.core.row import Row
from yardcliff.core.rows import RowsBrief, Standing
from yardcliff.core.working import Figure, Input

ZERO = Fraction(0)


class Stick(Frozen):
    """The stick as bought, what the saw takes at each cut, and what comes off each end to square it."""

    length: Size = Fraction(2400)
    kerf: Gap = Fraction(3)
    trim: Gap = Fraction(5)


class StackedBrief(RackBrief):
    """`rows.count` rails, each a board of its own; `hung` is the height of the top one's axis."""

    family: Literal["stacked"] = "stacked"
    holder: kit.Holder = hooks.Hook()
    stick: Stick = Stick()
    rows: RowsBrief = RowsBrief(count=3)
    board: Board = Board()


def fitting(brief: StackedBrief) -> Fitting:
    """The brief's holder on a rail."""
    return kit.fit(brief.holder, ground(brief, "Rail"))


def build(brief: StackedBrief, fitted: Fitting, first: Row) -> Rack:
    """The rails, each as low as what hangs above it asks for."""
    board = brief.board
    standing = stand_rows(brief, first, board.height)
    each = brief.model_copy(update={"rows": brief.rows.model_copy(update={"boards": "each"})})
    parts, marked = boards(each, standing, first.length, board.height / 2, "Rail")
    sawing = Operation(
        Kind.RAIL, tuple(part.key for part in parts), "cut off", first.length, None, 0, None,
        "a stop block, set once for all", "Square the first end, then cut every rail against the same stop.",
        many=len(parts), spot="across the stick",
    )  # fmt: skip
    body = Body(
        "stacked",
        parts,
        marked,
        machining=(sawing,),
        figures=tuple(_figures(brief, first, standing)),
        findings=tuple(_findings(brief, first, len(parts))),
        cautions=("The offcut beside a stop block jams: pull the stop away, or let it end before the blade.",),
    )
    return assemble(brief, fitted, standing, board.height, body)


def stick_needed(stick: Stick, length: Fraction, rails: int) -> Fraction:
    """The stick that so many rails of `length` take, mm."""
    return rails * length + (rails - 1) * stick.kerf + 2 * stick.trim


def rails_from(stick: Stick, length: Fraction) -> int:
    """How many rails of `length` one stick really gives."""
    return max(0, floor((stick.length - 2 * stick.trim + stick.kerf) / (length + stick.kerf)))


def _figures(brief: StackedBrief, row: Row, standing: tuple[Standing, ...]) -> Iterator[Figure]:
    stick, rails = brief.stick, len(standing)
    length, n = Input("L", "rail", row.length), Input("n", "rails", str(rails))
    kerf, trim = Input("k", "kerf", stick.kerf), Input("t", "trim at an end", stick.trim)
    yield Figure(
        "stacked.stick",
        "Stick for all",
        stick_needed(stick, row.length, rails),
        "n · L + (n − 1) · k + 2 · t",
        (n, length, kerf, trim),
        "The saw takes its kerf at each cut, and both ends are squared: rails alone do not add up to the stick.",
    )
    yield Figure(
        "stacked.gives",
        "A stick gives",
        str(rails_from(stick, row.length)),
        "floor((S − 2 · t + k) / (L + k))",
        (Input("S", "stick", stick.length), length, kerf, trim),
        "Rails of this length out of one stick, whole ones only.",
    )
    yield Figure(
        "stacked.left",
        "Offcut",
        max(ZERO, stick.length - stick_needed(stick, row.length, rails)),
        "max(0, S − N)",
        (Input("S", "stick", stick.length), Input("N", "for all", stick_needed(stick, row.length, rails))),
        "What is left of the stick, good for a test of the holder.",
    )
    lowest = standing[-1].down
    yield Figure(
        "stacked.lowest",
        "Lowest axis",
        brief.hung - lowest,
        "h − d",
        (Input("h", "top axis", brief.hung), Input("d", "drop to the lowest", lowest)),
        "Above the floor. Each rail hangs by its own fixings: mark the drops down one plumb line.",
    )


def _stick_for(needed: Fraction) -> Fraction:
    """A length as sticks are sold, by the 100 mm; none is longer than any board."""
    return min(LONGEST, Fraction(ceil(needed / 100) * 100))


def _findings(brief: StackedBrief, row: Row, rails: int) -> Iterator[Finding]:
    stick, tape = brief.stick, Tape.named(brief.tape)
    needed = stick_needed(stick, row.length, rails)
    if needed <= stick.length:
        return
    whole, fits = _stick_for(needed), rails_from(stick, row.length)
    fixes = [Fix(f"{fits} rails", {"rows": {"count": fits}})] if fits else []
    if whole >= needed:
        fixes.append(Fix(f"A stick of {exact_text(whole)}", {"stick": {"length": exact_text(whole)}}))
    if not fixes:
        return  # a rail that no stick gives is too long a row, and said there
    yield Finding(
        "stacked.stick",
        "Stick",
        f"{rails} rails of {tape.write(row.length)} do not come out of one stick of {tape.write(stick.length)}: "
        f"{fits or 'none'} do, the saw's share counted.",
        "stick for all",
        needed,
        stick.length,
        fixes=tuple(fixes),
    )


def start(hangs: Hangs, tape: TapeName) -> StackedBrief:
    """Up to three rails that share the things, hung so that the lowest clears the floor."""
    first = StackedBrief.model_validate(in_rows(row_for(hangs, tape), 3) | held_by(hangs))
    row = first_row(first, fitting(first))
    lowest = stand_rows(first, row, first.board.height)[-1].down
    deepest = max(item.below for item in first.kinds.values())
    hung = max(first.hung, lowest + deepest + 100)
    stick = Stick(length=max(Fraction(2400), _stick_for(stick_needed(Stick(), row.length, first.rows.count))))
    return first.model_copy(update={"hung": hung, "stick": stick})


def suits(items: tuple[Item, ...]) -> Fitness:
    """Short things, several rails of them on a narrow wall."""
    if any(item.below > 400 for item in items):
        return Fitness(0, "Too long to hang above one another.")
    return on_hooks(items, 2, "Equal rails out of one stick, one below the other: a narrow wall is enough.")


def choices(brief: StackedBrief) -> tuple[Section, ...]:
    """What stacked rails alone are asked."""
    fields = (Field("stick.length", "stick"), Field("stick.kerf", "kerf"), Field("stick.trim", "trim"))
    figures = ("stacked.stick", "stacked.gives", "stacked.left", "stacked.lowest")
    return (*kit.choices(brief.holder), Section("One stick", fields, figures))


FAMILY = Family(
    "stacked",
    "Stacked rails",
    "Equal rails from one stick, one below the other.",
    StackedBrief,
    start,
    fitting,
    build,
    suits,
    choices,
)
