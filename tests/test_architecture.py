"""The floors of the house: each imports only downward, and the tables hold what they must."""

import ast
import re
from pathlib import Path

import pytest

from yardcliff.core.families import build
from yardcliff.core.families.rail import starting_brief
from yardcliff.data import table

SOURCE = Path(__file__).parent.parent / "src" / "yardcliff"
# Each floor with what it may import of the others.
FLOORS = {
    "data": set(),
    "core": {"data", "core"},
    "store": {"core", "store"},
    "exports": {"core", "exports"},
    "imports": {"core", "exports", "imports"},
    "suppliers": {"core"},
    "instruments": {"core", "instruments"},
    "standins": {"core", "data", "instruments"},
    "api": {"data", "core", "store", "exports", "imports", "suppliers", "instruments", "api"},
}
PURE = {"datetime",
    "ast", "bisect", "collections", "contextvars", "copy", "dataclasses", "enum", "fractions", "functools", "heapq", "highspy", "itertools", "math", "numpy", "pydantic",
    "pydantic_core", "quicktions", "re", "statistics", "typing", "yardcliff",
}  # fmt: skip


def imports(file: Path) -> set[str]:
    """Dotted names of every module that a file imports, also inside functions."""
    names: set[str] = set()
    for node in ast.walk(ast.parse(file.read_text("utf-8"))):
        if isinstance(node, ast.Import):
            names |= {alias.name for alias in node.names}
        elif isinstance(node, ast.ImportFrom) and node.module:
            names.add(node.module)
    return names


@pytest.mark.parametrize("floor", FLOORS)
def test_each_floor_imports_only_downward(floor: str) -> None:
    files = list((SOURCE / floor).rglob("*.py"))
    assert files
    for file in files:
        used = {name.split(".")[1] for name in imports(file) if name.startswith("yardcliff.")} - {""}
        assert used <= FLOORS[floor] | {"__version__"}, f"{file.name} imports {used - FLOORS[floor]}"


def test_the_core_is_pure() -> None:
    for file in (SOURCE / "core").rglob("*.py"):
        assert {name.split(".")[0] for name in imports(file)} <= PURE, file.name
        assert not re.search(r"\.(now|today|utcnow)\(", file.read_text()), f"{file.name} looks at a clock"


def test_only_families_know_how_a_rack_is_built() -> None:
    for file in SOURCE.rglob("*.py"):
        inside = file.parent.name in ("families", "holders")
        knows = any(name.startswith("yardcliff.core.holders") for name in imports(file))
        assert inside or not knows, file.name


@pytest.mark.parametrize("key", [row["key"] for row in table("items")])
@pytest.mark.parametrize("count", [1, 4, 11])
def test_every_catalogue_item_starts_as_a_settled_rack(key: str, count: int) -> None:
    rack = build(starting_brief(key, count, "1 mm"))
    assert not rack.findings
    assert rack.row.air >= 0
    assert {row["key"] for row in table("silhouettes")} >= {item.shape for item in rack.kinds.values()}
