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
from yardcliff.core.rack import Hung, Part, Placed, Rack, RackRow, Wood
from yardcliff.core.row import Row
from yardcliff.core.row_brief import Ends, RowBrief
from yardcliff.core.row_figures import row_figures
from yardcliff.core.row_findings import Words, check
from yardcliff.core.rows import ALIKE, FIXTURE_GAP, RowsBrief, Standing, solve_rows, stand
from yardcliff.core.rows_findings import OF_THE_FIRST_ROW, check_rows, own_fixes, rows_figures
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
    rows: RowsBrief = RowsBrief()
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
        own = (one.kind for one in self.rows.own if one.kind != ALIKE)
        kinds = self.kinds
        for kind in (*self.row.order, *own):
            if kind not in kinds:
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
    """A complete rail, or several below one another, from its brief."""
    tape = Tape.named(brief.tape)
    fitted = fitting(brief)
    first = solve_row(brief)
    least = fitted.glyph.height + FIXTURE_GAP if brief.rows.boards == "one" else brief.board.height
    standing = stand(brief.rows, solve_rows(brief.rows, first), brief.kinds, least)
    parts = _boards(brief, standing, first.length)
    keys = [parts[min(k, len(parts) - 1)].key for k in range(len(standing))]
    rows = tuple([RackRow(key, brief.hung - one.down, one.row) for key, one in zip(keys, standing, strict=True)])
    pinned = {pin.index for pin in first.pins}
    placed = tuple(
        [
            Placed(k, i, x, one.y, k == 0 and i in pinned)
            for k, one in enumerate(rows)
            for i, x in enumerate(one.row.axes)
        ]
    )
    hung = tuple(
        [
            Hung(k, thing.kind, x, y, thing.turned, thing.spare)
            for k, one in enumerate(rows)
            for y in (one.y - fitted.hang_drop,)
            for thing, x in zip(one.row.things, one.row.centres, strict=True)
        ]
    )
    used = {kind: brief.kinds[kind] for kind in dict.fromkeys(thing.kind for thing in hung)}
    drilling = tuple(replace(step, count=step.count * len(placed)) for step in fitted.drilling)
    return Rack(
        "rail",
        parts,
        placed,
        fitted.bores,
        fitted.glyph,
        fitted.name,
        used,
        hung,
        f"{_says(used, hung)} on {fitted.name}{f' in {len(rows)} rows' if len(rows) > 1 else ''}",
        rows,
        (*row_figures(first, tape), *rows_figures(brief.rows, standing, brief.kinds, least), *fitted.figures),
        tuple(_findings(brief, rows, standing, used, fitted, tape)),
        drilling,
        fitted.cautions,
    )


def _boards(brief: RailBrief, standing: tuple[Standing, ...], length: Fraction) -> tuple[Part, ...]:
    """One board for all rows, as much taller as they hang down; or a board for each."""
    board = brief.board
    bottom = brief.hung - (board.height / 2 if brief.line is None else brief.line)
    downs = [one.down for one in standing]
    if brief.rows.boards == "each" and len(standing) > 1:
        names = [(f"{BOARD}-{k + 1}", f"Board {k + 1}", bottom - down, board.height) for k, down in enumerate(downs)]
    else:
        names = [(BOARD, "Board", bottom - max(downs), board.height + max(downs))]
    return tuple(
        Part(key, name, Fraction(0), y, length, tall, board.thickness, board.wood) for key, name, y, tall in names
    )


def _findings(
    brief: RailBrief,
    rows: tuple[RackRow, ...],
    standing: tuple[Standing, ...],
    used: dict[str, Item],
    fitted: Fitting,
    tape: Tape,
) -> Iterator[Finding]:
    checked, said = set[int](), set[str]()
    for k, one in enumerate(rows):
        if id(one.row) in checked:
            continue
        checked.add(id(one.row))
        kinds = {thing.kind for thing in one.row.things}
        words = _words({kind: item for kind, item in used.items() if kind in kinds})
        for finding in check(one.row, tape, words, fitted.end_distance, fitted.end_why):
            if k and (finding.code in said or finding.code in OF_THE_FIRST_ROW):
                continue  # the rows above have the same trouble, from the same cause
            said.add(finding.code)
            placed = replace(finding, at=(finding.at[0], float(one.y)))
            if k == 0:
                yield placed
                continue
            # The first row's fixes act on the brief, keep-outs are all rows' own; else the row's own things give way.
            fixes = finding.fixes if finding.code.startswith("keepout.") else own_fixes(brief.rows, k)
            yield replace(placed, part=f"Row {k + 1}: {finding.part}", fixes=fixes)
    yield from check_rows(brief.rows, rows[0].row, standing, brief.hung, tape)
    yield from (replace(f, at=(float(rows[0].row.axes[0]), float(brief.hung))) for f in fitted.findings)
    for kind, item in used.items():
        lowest = min(one.y for one in rows if any(thing.kind == kind for thing in one.row.things))
        yield from _floor(brief, item, lowest, tape, fitted)


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


def _floor(brief: RailBrief, item: Item, lowest: Fraction, tape: Tape, fitted: Fitting) -> Iterator[Finding]:
    """Whether a kind reaches the floor from the `lowest` axis that it hangs on."""
    clear = lowest - fitted.hang_drop - item.below
    if clear < FLOOR_CLEAR:
        least = item.below + fitted.hang_drop + FLOOR_CLEAR + brief.hung - lowest
        up = -(-least // tape.step) * tape.step
        yield Finding(
            "hang.floor",
            item.name.capitalize(),
            f"The {item.plural} drop {tape.write(item.below)} from the holder and reach the floor.",
            "clear of the floor",
            clear,
            FLOOR_CLEAR,
            at=(0.0, float(lowest)),
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
