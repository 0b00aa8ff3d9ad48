"""What a way of building is to the rest: its brief, how it starts, how it is built, and what it
suits.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from math import ceil
from typing import Any, Generic, Literal, TypeVar

from yardcliff.core.brief.choices import Section
from yardcliff.core.brief.rack_brief import MAIN, Board, RackBrief
from yardcliff.core.findings.finding import Patch
from yardcliff.core.holders import kit
from yardcliff.core.holders.fitting import Fitting, Ground, shipped
from yardcliff.core.rack import Rack
from yardcliff.core.row.row import Row
from yardcliff.core.things.item import Grip, Item
from yardcliff.core.things.listing import Listed
from yardcliff.core.units.length import Tape
from yardcliff.data import table, values
from yardcliff.messages import tr

B = TypeVar("B", bound=RackBrief)
Hangs = Sequence[tuple[Listed, int]]
"""So many of each listed thing; the first is the main one."""
_WORDS = ("ways.not-really", "ways.at-a-pinch", "ways.suits", "ways.made-for-it")
HANGING: tuple[Grip, ...] = ("loop", "handle", "rim", "hole", "pair")
"""Grips that stay on a hook or a peg."""
Rows = Literal["one", "two", "several", "boards"]


@dataclass(frozen=True, slots=True)
class Fitness:
    """How well a way of building suits things: 3 made for them, 2 well, 1 at a pinch, 0 not; and
    why.
    """

    score: int
    why: str

    @property
    def word(self) -> str:
        """The score as it is said."""
        return tr(_WORDS[self.score])


@dataclass(frozen=True, slots=True)
class Family(Generic[B]):
    """One way of building: the holder fitted to its ground gives the row, and with both the rack is
    built.

    `name` and `says` are keys of messages; `choices` are those that it alone has, as they stand for
    a brief. It may have one row, or a second one with things of its own, or several, or several on
    one board or a board each as the user likes.
    """

    key: str
    name: str
    says: str
    brief: type[B]
    start: Callable[[Hangs, Tape], B]
    fitting: Callable[[B], Fitting]
    build: Callable[[B, Fitting, Row], Rack]
    suits: Callable[[tuple[Item, ...]], Fitness]
    choices: Callable[[B], tuple[Section, ...]]
    rows: Rows = "several"


def of_grips(items: Sequence[Item], grips: Sequence[Grip], fit: str, unfit: str) -> Fitness:
    """Made for things that are all held in one of these ways, at a pinch for others."""
    if all(item.grip in grips for item in items):
        return Fitness(3, fit)
    return Fitness(1, unfit)


def on_hooks(items: Sequence[Item], score: int, why: str) -> Fitness:
    """Suits whatever has a loop, a handle, a rim or a hole to hang by; other things at a pinch."""
    return (
        Fitness(score, why)
        if of_grips(items, HANGING, "", "").score == 3
        else Fitness(1, tr("ways.only-things-with-loop-or-handle"))
    )


THICKER = ("thick-rail", "heavy-rail")
"""Boards to go over to where the usual one is too thin for a holder that holds."""


def held_by(hangs: Hangs, tape: Tape) -> Patch:
    """The holder and the board that the thing asks for which asks most of them: the usual ones, or
    the least that hold it.
    """
    listed = max(
        (listed for listed, _ in hangs),
        key=lambda listed: (listed.item.pulled().force, listed.item.heaviest_g),
    )
    trade = tape.sizes
    usual = shipped(listed.holder, trade)
    alike = [
        shipped(row["key"], trade)
        for row in table("holders", trade)
        if row["kind"] == usual["kind"]
    ]
    for board in (listed.board, *THICKER):
        found = values("boards", board, trade)
        on = Board.model_validate(found, context={"exact": True})
        ground = Ground(on.thickness, on.height, on.height / 2, on.wood, tape, listed.item.pulled())
        fitted = [(holder, kit.fit(kit.read(holder), ground)) for holder in (usual, *alike)]
        # The usual one, else the one that has least to spare.
        good = [
            (holder is usual, kit.share(fit), holder) for holder, fit in fitted if not fit.findings
        ]
        if good:
            return {"holder": max(good, key=lambda each: each[:2])[2], "board": found}
    return {"holder": usual, "board": values("boards", listed.board, trade)}


def in_rows(shared: Patch, rows: int) -> Patch:
    """Things of one kind shared out over rows, as many as were asked for; mixed things stay in one
    row.
    """
    count = shared["row"]["count"]
    if shared["row"]["order"]:
        return shared | {"rows": {"count": 1}}
    each = ceil(count / rows)
    rows = ceil(count / each)  # five on four rows of two are three rows
    last = count - each * (rows - 1)
    own: list[Patch] = [{}] * (rows - 1) + [{"kind": MAIN, "count": last}] if last < each else []
    return shared | {"row": shared["row"] | {"count": each}, "rows": {"count": rows, "own": own}}


def row_for(hangs: Hangs, tape: Tape) -> Patch:
    """The part of a starting brief that every family shares.

    Things that differ, or reach out to one side, stand with even air.
    """
    main, count = hangs[0]
    order = [MAIN] * count + [listed.key for listed, many in hangs[1:] for _ in range(many)]
    airy = len(hangs) > 1 or main.item.left != main.item.right or main.item.takes != "one"
    shared: dict[str, Any] = {
        "trade": tape.trade,
        "tape": tape.name,
        "item": main.item,
        "others": {listed.key: listed.item for listed, _ in hangs[1:]},
        "row": {
            "count": len(order),
            "air": max(listed.air for listed, _ in hangs),
            "order": order if len(hangs) > 1 else (),
            "spacing": "air" if airy else "even",
        },
        "hung": max(listed.hung for listed, _ in hangs),
    }
    return shared


def read_start(brief: type[B], shared: Patch) -> B:
    """The brief that a way of building starts with; the rest is as usual in its trade."""
    return brief.usual(shared["trade"], **shared)
