"""The core is pure, and the tables hold what they must; which room may import which is in
`pyproject.toml`.
"""

import ast
import re
from pathlib import Path
from typing import get_args

import pytest

from tests.metric import starting_brief
from yardcliff.core.row.keepouts import Flaw
from yardcliff.core.units.trade import TRADES, Trade
from yardcliff.core.wall.wall import Kind
from yardcliff.core.ways import build
from yardcliff.data import table

SOURCE = Path(__file__).parent.parent / "src" / "yardcliff"
PURE = {
    "datetime",
    "ast",
    "bisect",
    "collections",
    "contextlib",
    "contextvars",
    "copy",
    "dataclasses",
    "enum",
    "fractions",
    "functools",
    "heapq",
    "highspy",
    "itertools",
    "math",
    "numpy",
    "pydantic",
    "pydantic_core",
    "quicktions",
    "re",
    "statistics",
    "typing",
    "yardcliff",
}


def imports(file: Path) -> set[str]:
    """Dotted names of every module that a file imports, also inside functions."""
    names: set[str] = set()
    for node in ast.walk(ast.parse(file.read_text("utf-8"))):
        if isinstance(node, ast.Import):
            names |= {alias.name for alias in node.names}
        elif isinstance(node, ast.ImportFrom) and node.module:
            names.add(node.module)
    return names


def test_no_module_is_longer_than_a_reader_keeps_in_mind() -> None:
    page = SOURCE.parents[1] / "web" / "src"
    long = {
        file.name: lines
        for file in (*SOURCE.rglob("*.py"), *page.rglob("*.ts*"))
        if file.name != "schema.d.ts"  # generated
        and (lines := len(file.read_text("utf-8").splitlines())) > 350
    }
    assert not long


def test_the_core_is_pure() -> None:
    for file in (SOURCE / "core").rglob("*.py"):
        assert {name.split(".")[0] for name in imports(file)} <= PURE, file.name
        assert not re.search(r"\.(now|today|utcnow)\(", file.read_text()), (
            f"{file.name} looks at a clock"
        )


@pytest.mark.parametrize("key", [row["key"] for row in table("items")])
@pytest.mark.parametrize("count", [1, 4, 11])
def test_every_catalogue_item_starts_as_a_settled_rack(key: str, count: int) -> None:
    rack = build(starting_brief(key, count, "1 mm"))
    assert not rack.findings
    assert rack.row.air >= 0
    assert {row["key"] for row in table("silhouettes")} >= {
        item.shape for item in rack.kinds.values()
    }


@pytest.mark.parametrize("trade", TRADES)
def test_every_kind_of_what_is_in_the_way_has_its_usual_size(trade: Trade) -> None:
    assert [row["kind"] for row in table("obstacles", trade)] == list(get_args(Kind))
    assert [row["flaw"] for row in table("keepouts", trade)] == list(get_args(Flaw))
