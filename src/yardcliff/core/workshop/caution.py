"""What can hurt somebody, by the step where it can and the tool that it is done with
(data/cautions.toml).
"""

from collections.abc import Iterable
from typing import Literal

from yardcliff.data import table
from yardcliff.messages import tr

Step = Literal[
    "cut",
    "cross",
    "rip",
    "strip",
    "thin",
    "bore",
    "tilted",
    "pilot",
    "rout",
    "chop",
    "kerf",
    "shape",
    "bend",
    "old wood",
    "sand",
    "glue",
    "oily",
    "finish",
    "wall",
    "high",
    "children",
    "overhead",
]
BY_HAND = "by hand"
"""A way that wants no tool of the list."""


def cautions(step: str, tools: Iterable[str] = ()) -> tuple[str, ...]:
    """What to look out for at a step; of tools only what is said of one that is used."""
    used = set(tools) or {BY_HAND}
    return tuple(
        tr(row["says"])
        for row in table("cautions")
        if step in row["steps"] and (not row["tools"] or used & set(row["tools"]))
    )
