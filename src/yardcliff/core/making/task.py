"""A task of the making, and what machining is as work: its class, the ways to do it, what it needs and ends (data/works.toml)."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Any

from yardcliff.core import machining
from yardcliff.core.length import Tape
from yardcliff.core.making.asked import WaitKind
from yardcliff.core.making.picture import Picture
from yardcliff.core.making.shop import Shop, Tool
from yardcliff.core.rack import Operation, Place
from yardcliff.data import values

MANUAL = "What the manual of your tool says comes before what stands here."


@dataclass(frozen=True, slots=True)
class Task:
    """One thing to do on some `parts`, by their keys (none: on all of it).

    `needs`, `gives` and `spoils` are states of these parts (data/states.toml); `after` are tasks that come before it by name, with
    the reason and how many minutes after their end. `phase` only decides between tasks that may come in any order.
    `minutes` of work are followed by a `wait`; meanwhile it holds `clamps` for `clamped` minutes, and a place to dry where it
    `dries`. What `splits` may be left lying from one evening to the next; an `errand` is
    not done at the bench.
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

    def meets(self, other: "Task") -> bool:
        """Whether both are done on the same parts."""
        return not self.parts or not other.parts or bool(self.parts & other.parts)


@dataclass(frozen=True, slots=True)
class Way:
    """One way of doing a class of work: the tools it wants beside those that everybody has, how long against the first one."""

    tools: frozenset[Tool]
    slow: float
    says: str


def ways_of(kind: Mapping[str, Any]) -> list[Way]:
    """The ways to do a class of work, as its row has them."""
    return [Way(frozenset(one["tools"]), one["slow"], one["says"]) for one in kind["ways"]]


def own_ways(kind: Mapping[str, Any], shop: Shop) -> list[Way]:
    """Those that the workshop has the tools for, the surest first; by hand is always one."""
    return [way for way in ways_of(kind) if way.tools <= set(shop.tools)]


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
        return f"{self.row['says']} {operation.count} {machining.what(operation)}: {where}"


def work_of(operation: Operation) -> Work:
    """The work that an operation is."""
    row = operation.kind.row
    return Work(row, values("ways", row["class"]))


def says(way: Way, operation: Operation, tape: Tape) -> str:
    """A way in words, with the operation's own figures."""
    said = way.says.format(
        tool=machining.tool(operation, tape),
        set=machining.setting(operation) or operation.how or "square",
        deep=machining.depth(operation, tape),
        stop=operation.stop or "the line",
    )
    return said[0].upper() + said[1:]
