"""The rail: one board, hooks or pegs in a row."""

from collections.abc import Iterator, Sequence
from dataclasses import replace
from typing import Annotated, Any, Literal, Self

from pydantic import Field, model_validator
from pydantic_core import PydanticCustomError

from yardcliff.core.exact import Fraction
from yardcliff.core.findings import Finding, Fix
from yardcliff.core.holders import hook as hooks
from yardcliff.core.holders import peg as pegs
from yardcliff.core.holders.fitting import Fitting, Ground
from yardcliff.core.item import Item, Key
from yardcliff.core.length import Gap, Size, Tape, TapeName, exact_text
from yardcliff.core.listing import Listed, shipped
from yardcliff.core.model import Frozen
from yardcliff.core.rack import Hung, Part, Placed, Rack, Wood
from yardcliff.core.row import Row
from yardcliff.core.row_brief import Ends, RowBrief
from yardcliff.core.row_figures import row_figures
from yardcliff.core.row_findings import Words, check
from yardcliff.core.spacing import solve
from yardcliff.core.things import Things
from yardcliff.data import table

BOARD = "board"
MAIN = ""
FLOOR_CLEAR = Fraction(20)
"""Least air between what hangs and the floor, so that it dries and a broom passes."""

Holder = Annotated[hooks.Hook | pegs.Peg, Field(discriminator="kind")]


class Board(Frozen):
    """`height` is the board's width, which stands upright on the wall. Actual sizes."""

    height: Size = Fraction(120)
    thickness: Size = Fraction(21)
    wood: Wood = "softwood"


class RailBrief(Frozen):
    """Everything the user decides about a rail. `item` is the main kind of thing and `others` are the
    further ones, by the names that `row.order` uses; `line` is the holders' axis above the board's
    bottom edge (None: the middle), `hung` the axis above the floor."""

    family: Literal["rail"] = "rail"
    tape: TapeName = "1 mm"
    item: Item
    others: Annotated[dict[Key, Item], Field(max_length=20, default_factory=dict)]
    row: RowBrief = RowBrief()
    holder: Holder
    board: Board = Board()
    line: Gap | None = None
    hung: Size = Fraction(1600)

    @property
    def kinds(self) -> dict[str, Item]:
        """Every kind of thing by its name in the order; the main one is \"\"."""
        return {MAIN: self.item, **self.others}

    @model_validator(mode="after")
    def _order_is_known(self) -> Self:
        for kind in self.row.order:
            if kind not in self.kinds:
                raise PydanticCustomError(
                    "order", "“{kind}” is in the order, but is not among what hangs.", {"kind": kind}
                )
        return self


def fitting(brief: RailBrief) -> Fitting:
    """The brief's holder on the brief's board."""
    line = brief.board.height / 2 if brief.line is None else brief.line
    ground = Ground(brief.board.thickness, brief.board.height, line, brief.board.wood)
    if isinstance(brief.holder, pegs.Peg):
        return pegs.fit(brief.holder, ground)
    return hooks.fit(brief.holder, ground)


def things(brief: RailBrief) -> Things:
    """What hangs, as the solver takes it."""
    kinds = {key: item.thing for key, item in brief.kinds.items()}
    return Things(kinds, brief.row.order, brief.row.facing, brief.row.spares)


def solve_row(brief: RailBrief) -> Row:
    """The brief's row, spaced by what hangs on it."""
    return solve(brief.row, things(brief), fitting(brief).reach)


def build(brief: RailBrief) -> Rack:
    """A complete rail from its brief."""
    tape = Tape.named(brief.tape)
    fitted = fitting(brief)
    row = solve(brief.row, things(brief), fitted.reach)
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
    placed = tuple([Placed(i, x, brief.hung, i in pinned) for i, x in enumerate(row.axes)])
    hang = brief.hung - fitted.hang_drop
    hung = tuple([Hung(t.kind, x, hang, t.turned, t.spare) for t, x in zip(row.things, row.centres, strict=True)])
    y = float(brief.hung)
    used = {kind: brief.kinds[kind] for kind in dict.fromkeys(thing.kind for thing in hung)}
    findings = (
        *(replace(f, at=(f.at[0], y)) for f in check(row, tape, _words(used), fitted.end_distance, fitted.end_why)),
        *(replace(f, at=(float(row.axes[0]), y)) for f in fitted.findings),
        *(f for item in used.values() for f in _floor(brief, item, tape, fitted)),
    )
    drilling = tuple(replace(step, count=step.count * row.holders) for step in fitted.drilling)
    return Rack(
        "rail",
        (board,),
        placed,
        fitted.bores,
        fitted.glyph,
        fitted.name,
        used,
        hung,
        f"{_says(used, hung)} on {fitted.name}",
        row,
        (*row_figures(row, tape), *fitted.figures),
        findings,
        drilling,
        fitted.cautions,
    )


def _words(used: dict[str, Item]) -> Words:
    names = {kind: item.name for kind, item in used.items()}
    if len(used) == 1:
        return Words(next(iter(used.values())).counted, names)
    return Words(lambda count: f"{count} thing{'s' * (count != 1)}", names)


def _says(used: dict[str, Item], hung: tuple[Hung, ...]) -> str:
    """`4 waxed jackets, 2 felt hats, 1 place spare`."""
    counts = {kind: sum(one.kind == kind and not one.spare for one in hung) for kind in used}
    spare = sum(one.spare for one in hung)
    parts = [used[kind].counted(count) for kind, count in counts.items() if count]
    return ", ".join([*parts, *([f"{spare} place{'s' * (spare != 1)} spare"] if spare else [])])


def _floor(brief: RailBrief, item: Item, tape: Tape, fitted: Fitting) -> Iterator[Finding]:
    clear = brief.hung - fitted.hang_drop - item.below
    if clear < FLOOR_CLEAR:
        least = item.below + fitted.hang_drop + FLOOR_CLEAR
        up = -(-least // tape.step) * tape.step
        yield Finding(
            "hang.floor",
            item.name.capitalize(),
            f"The {item.plural} drop {tape.write(item.below)} from the holder and reach the floor.",
            "clear of the floor",
            clear,
            FLOOR_CLEAR,
            at=(0.0, float(brief.hung)),
            fixes=(Fix(f"Hang at {tape.write(up)}", {"hung": exact_text(up)}),),
        )


def starting_rail(hangs: Sequence[tuple[Listed, int]], tape: TapeName) -> RailBrief:
    """A sensible rail for so many of each listed thing; the first is the main one.

    Things that differ, or reach out to one side, stand with even air; the holder suits the heaviest.
    """
    main, count = hangs[0]
    heaviest = max((listed for listed, _ in hangs), key=lambda listed: listed.item.weight_g)
    order = [MAIN] * count + [listed.key for listed, many in hangs[1:] for _ in range(many)]
    airy = len(hangs) > 1 or main.item.left != main.item.right or main.item.takes != "one"
    return RailBrief.model_validate(
        {
            "tape": tape,
            "item": main.item,
            "others": {listed.key: listed.item for listed, _ in hangs[1:]},
            "row": {
                "count": len(order),
                "air": max(listed.air for listed, _ in hangs),
                "ends": Ends().model_dump(),
                "order": order if len(hangs) > 1 else (),
                "spacing": "air" if airy else "even",
            },
            "holder": table_values("holders", heaviest.holder),
            "board": table_values("boards", heaviest.board),
            "hung": max(listed.hung for listed, _ in hangs),
        }
    )


def starting_brief(key: str, count: int, tape: TapeName) -> RailBrief:
    """A sensible rail for `count` of a shipped thing. Raises `KeyError` for an unknown key."""
    return starting_rail([(shipped_item(key), count)], tape)


def shipped_item(key: str) -> Listed:
    """A shipped entry of the list. Raises `KeyError`."""
    found = next((listed for listed in shipped() if listed.key == key), None)
    if found is None:
        raise KeyError(key)
    return found


def table_values(name: str, key: str) -> dict[str, Any]:
    """The values of a catalogue row, without what only names it. Raises `StopIteration` for no row."""
    row = next(row for row in table(name) if row["key"] == key)
    return {k: v for k, v in row.items() if k not in ("key", "name")}
