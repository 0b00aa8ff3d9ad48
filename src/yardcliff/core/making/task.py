"""A task of the making, and what machining is as work: its class, the ways to do it, what it needs
and ends (data/works.toml).
"""

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Any

from yardcliff.core.brief.building import WaitKind
from yardcliff.core.design import machining
from yardcliff.core.making.picture import Picture
from yardcliff.core.rack import Operation, Place
from yardcliff.core.units.length import Tape
from yardcliff.core.units.text import begun
from yardcliff.core.wood.layout import Sawn
from yardcliff.core.wood.stock import Stick
from yardcliff.core.workshop.methods import Way, own_ways, ways_of
from yardcliff.core.workshop.shop import Shop
from yardcliff.data import values
from yardcliff.messages import tr

MANUAL = "making.what-manual-your-tool-says-comes"


@dataclass(frozen=True, slots=True)
class Worked:
    """What a task does to the timber: the sticks that it takes, and those that are
    there after it.
    """

    sticks: tuple[Sawn, ...]
    leaves: tuple[Stick, ...]


@dataclass(frozen=True, slots=True)
class Task:
    """One thing to do on some `parts`, by their keys (none: on all of it).

    `needs`, `gives` and `spoils` are states of these parts (data/states.toml); `after` are tasks
    that come before it by name, with the reason and how many minutes after their end. `phase` only
    decides between tasks that may come in any order. `minutes` of work are followed by a `wait`;
    meanwhile it holds `clamps` for `clamped` minutes, and a place to dry where it `dries`. What
    `splits` may be left lying from one evening to the next; an `errand` is not done at the bench.
    """

    key: str
    phase: int
    title: str
    minutes: int
    parts: frozenset[str] = frozenset()
    lines: tuple[str, ...] = ()
    settings: tuple[tuple[str, str], ...] = ()
    ways: tuple[str, ...] = ()
    checks: tuple[str, ...] = ()
    cautions: tuple[str, ...] = ()
    needs: frozenset[str] = frozenset()
    gives: frozenset[str] = frozenset()
    spoils: frozenset[str] = frozenset()
    after: Mapping[str, tuple[str, int]] = field(default_factory=dict)
    follows: Mapping[str, str] = field(default_factory=dict)
    """What kinds of work come before it, with the reason."""
    work: str = ""
    wait: int = 0
    waits_for: WaitKind | None = None
    clamps: int = 0
    clamped: int = 0
    dries: bool = False
    splits: bool = True
    errand: bool = False
    places: tuple[Place, ...] = ()
    """What it makes in the wood."""
    marks: tuple[Place, ...] = ()
    """What it marks there."""
    picture: Picture | None = None
    tools: tuple[str, ...] = ()
    """What has to lie ready for it, bits and all."""
    timber: Worked | None = None

    @property
    def cuts(self) -> tuple[Sawn, ...]:
        """The sticks that it cuts into parts."""
        return self.timber.sticks if self.timber and "cut" in self.gives else ()

    def meets(self, other: "Task") -> bool:
        """Whether both are done on the same parts."""
        return not self.parts or not other.parts or bool(self.parts & other.parts)


@dataclass(frozen=True, slots=True)
class Work:
    """What an operation is as work."""

    row: Mapping[str, Any]
    kind: Mapping[str, Any]

    @property
    def ways(self) -> list[Way]:
        return ways_of(self.kind)

    def own(self, shop: Shop) -> list[Way]:
        return own_ways(self.kind, shop)

    def title(self, operation: Operation, where: str) -> str:
        return tr(f"work.{operation.kind}.title", n=operation.count, where=where)


def work_of(operation: Operation) -> Work:
    """The work that an operation is."""
    row = operation.kind.row
    return Work(row, values("ways", row["class"]))


def says(way: Way, operation: Operation, tape: Tape) -> str:
    """A way in words, with the operation's own figures."""
    said = tr(
        way.says,
        tool=machining.tool(operation, tape),
        set=machining.setting(operation) or operation.how or "square",
        deep=machining.depth(operation, tape),
        stop=operation.stop or tr("making.the-line"),
    )
    return begun(said)
