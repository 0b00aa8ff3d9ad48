"""The ways to do a class of work (data/ways.toml), by the tools that each wants."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from yardcliff.core.workshop.shop import Shop, Tool, tool_name
from yardcliff.messages import listed, tr


@dataclass(frozen=True, slots=True)
class Way:
    """One way of doing a class of work: the tools it wants beside those that everybody has, how
    long against the first one, and what hand tools `also` go with it.
    """

    tools: frozenset[Tool]
    slow: float
    says: str
    also: tuple[str, ...] = ()

    @property
    def kit(self) -> tuple[str, ...]:
        """All that has to lie ready for it."""
        return tuple(map(tool_name, (*sorted(self.tools), *self.also)))

    @property
    def by(self) -> str:
        """What it is done with, as it is said: `with a jigsaw`, `by hand`."""
        return (
            listed(tr("workshop.with-a", tool=tool_name(tool)) for tool in sorted(self.tools))
            if self.tools
            else tr("workshop.by-hand")
        )


def ways_of(kind: Mapping[str, Any]) -> list[Way]:
    """The ways to do a class of work, as its row has them."""
    return [
        Way(frozenset(one["tools"]), one["slow"], one["says"], tuple(one.get("also", ())))
        for one in kind["ways"]
    ]


def own_ways(kind: Mapping[str, Any], shop: Shop) -> list[Way]:
    """Those that the workshop has the tools for, the surest first; by hand is always one."""
    return [way for way in ways_of(kind) if way.tools <= set(shop.tools)]
