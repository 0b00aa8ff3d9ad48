"""The rail: one board, or one below another, hooks or pegs in a row; a shelf above them on wish."""

from typing import Literal

from yardcliff.core.holders import kit
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.rack import Rack
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import FIXTURE_GAP
from yardcliff.core.things.item import Item
from yardcliff.core.things.listing import shipped_item
from yardcliff.core.units.length import Gap, Tape
from yardcliff.core.ways import top_shelf
from yardcliff.core.ways.family import (
    Family,
    Fitness,
    Hangs,
    held_by,
    on_hooks,
    read_start,
    row_for,
)
from yardcliff.core.ways.held_rows import HeldRows, fit_rows
from yardcliff.core.ways.shared import Body, assemble, boards, ground, stand_rows
from yardcliff.core.ways.top_shelf_figures import Above, TopShelf
from yardcliff.messages import tr


class RailBrief(HeldRows):
    """A rail. `line` is the holders' axis above the board's bottom edge (None: the middle)."""

    family: Literal["rail"] = "rail"
    line: Gap | None = None
    top: TopShelf = TopShelf()


def fitting(brief: RailBrief) -> Fitting:
    """The brief's holder on the brief's board."""
    return fit_rows(brief, ground(brief, brief.line))


def build(brief: RailBrief, fitted: Fitting, first: Row) -> Rack:
    """A complete rail, or several below one another, from its brief."""
    least = (
        fitted.tall + FIXTURE_GAP.of(brief.sizes)
        if brief.rows.boards == "one"
        else brief.board.height
    )
    standing = stand_rows(brief, fitted, first, least)
    line = brief.board.height / 2 if brief.line is None else brief.line
    parts, marked = boards(brief, standing, first.length, line, "board")
    rises = max(item.above for item in brief.kinds.values()) - fitted.hang_drop
    glyph = fitted.glyph
    holder = max(glyph.height / 2, glyph.tip + glyph.width / 2)
    above = Above(
        parts[0], fitted, first, brief.hung, rises, holder, brief.rows.lift, brief.in_hand
    )
    shelf = top_shelf.fit(brief.top, above)
    body = Body(
        "rail",
        (*parts, *shelf.parts),
        marked,
        shelf.joints,
        shelf.machining,
        shelf.figures,
        shelf.findings,
        shelf.cautions,
        links=shelf.links,
    )
    return assemble(brief, fitted, standing, least, body)


def start(hangs: Hangs, tape: Tape) -> RailBrief:
    """A sensible rail: the holder and the board suit the heaviest thing."""
    return read_start(RailBrief, row_for(hangs, tape) | held_by(hangs, tape))


def starting_brief(key: str, count: int, tape: Tape) -> RailBrief:
    """A sensible rail for `count` of a shipped thing. Raises `KeyError` for an unknown key."""
    return start([(shipped_item(key, tape.sizes), count)], tape)


def suits(items: tuple[Item, ...]) -> Fitness:
    """Whatever has a loop, a handle, a rim or a hole hangs on a hook or a peg."""
    if any(item.grip == "edge" for item in items):
        return Fitness(1, tr("ways.held-by-edge-would-swing-on"))
    return on_hooks(items, 3, tr("ways.loops-handles-rims-hang-on-hooks"))


FAMILY = Family(
    "rail",
    "ways.rail",
    "ways.board-with-hooks-or-pegs-in",
    RailBrief,
    start,
    fitting,
    build,
    suits,
    lambda brief: (*kit.choices(brief.holder, brief.sizes), top_shelf.choices(brief.top)),
    rows="boards",
)
