"""Mutation testing of the rules: `make mutants`, or `make mutants ROOMS="row wood" SAMPLE=60` for
so many of each room's, drawn by lot.

Each room's modules of rules and limits are mutated (mutmut) and met by the tests of that room.
What a mutant changes in words that are only shown is no rule, and neither is `strict=`, which
asserts: both are left out of the share, as are lines that read a table, once, at import.
docs/mutants.md says why survivors may stay.
"""

import io
import os
import random
import re
import shutil
import subprocess
import sys
import tokenize
from collections import defaultdict
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from pathlib import Path

ROOT = Path(__file__).parent.parent
WORK = ROOT / ".make" / "mutants"
LEAST = 80
"""Per cent of a room's mutants that its tests have to kill."""


@dataclass(frozen=True)
class Room:
    modules: tuple[str, ...]
    tests: tuple[str, ...]


ROOMS = {
    "row": Room(
        ("spacing", "spacing_rule", "keepouts", "mark_check", "order"),
        ("spacing", "spread", "check_marks", "rows", "ladder", "order"),
    ),
    "wall": Room(
        ("placing", "loading", "anchors", "bending", "boring"),
        ("placing", "fixing", "wall", "grounds", "strength"),
    ),
    "making": Room(("sequence", "scheduling", "finish"), ("making", "schedule")),
    "wood": Room(
        ("cost", "cut_order", "layout", "solving"), ("cost", "cut_order", "timber", "cutting_parts")
    ),
}
_MESSAGES = {
    key
    for file in (ROOT / "src/yardcliff/messages/en-GB").glob("*.po")
    for key in re.findall(r'^msgid "(.+)"$', file.read_text("utf-8"), re.M)
}
"""The keys of what is said."""
CONFIG = """
[tool.mutmut]
source_paths = ["src"]
only_mutate = [{modules}]
also_copy = ["tests"]
do_not_mutate_patterns = ["row\\\\[", "row\\\\.get"] # a table is read at import, before any mutant
pytest_add_cli_args = ["-q", "-p", "no:xdist", "-p", "no:cacheprovider", "-m", "not slow"]
pytest_add_cli_args_test_selection = [{tests}]
"""


@dataclass(frozen=True)
class Mutant:
    """What became of one: `was` and `is_now` are where the two differ, in their line."""

    name: str
    killed: bool
    was: str
    is_now: str
    of_a_rule: bool


def run(room: str) -> list[Mutant]:
    """Every mutant of a room's modules, in a copy of the tree."""
    work, of = WORK / room, ROOMS[room]
    shutil.rmtree(work, ignore_errors=True)
    for part in ("src", "tests"):
        shutil.copytree(
            ROOT / part, work / part, ignore=shutil.ignore_patterns("__pycache__", "static")
        )
    files = [f"src/yardcliff/core/{room}/{module}.py" for module in of.modules]
    config = CONFIG.format(
        modules=", ".join(f'"{file}"' for file in files),
        tests=", ".join(f'"tests/core/test_{test}.py"' for test in of.tests),
    )
    (work / "pyproject.toml").write_text((ROOT / "pyproject.toml").read_text("utf-8") + config)
    mutmut = str(Path(sys.executable).parent / "mutmut")
    with (work / "run.log").open("w") as log:
        names: list[str] = []
        if sample := int(os.environ.get("SAMPLE") or 0):
            # Asked for one that is not there it makes them all, and runs none.
            subprocess.run([mutmut, "run", "none"], cwd=work, stdout=log, stderr=log)
            every = [
                mutant.name
                for file in files
                for mutant in _mutants(work / "mutants" / file, defaultdict(lambda: "not run"))
                if mutant.of_a_rule
            ]
            names = random.Random(room).sample(every, min(sample, len(every)))
        subprocess.run([mutmut, "run", *names], cwd=work, check=True, stdout=log, stderr=log)
    told = subprocess.run(
        [mutmut, "results", "--all", "true"], cwd=work, check=True, capture_output=True, text=True
    ).stdout
    verdicts = defaultdict(lambda: "not checked", re.findall(r"(\S+__mutmut_\d+): (.+)", told))
    return [mutant for file in files for mutant in _mutants(work / "mutants" / file, verdicts)]


def _mutants(file: Path, verdicts: Mapping[str, str]) -> Iterator[Mutant]:
    """The mutants of a module, as mutmut wrote them beside their originals."""
    module = ".".join(file.with_suffix("").parts[file.parts.index("yardcliff") :])
    text = file.read_text("utf-8")
    bodies = {
        found[1]: found[2]
        for found in re.finditer(
            r"^ *def (\w+__mutmut_\w+)(\(.*?)(?=^ *def \w+__mutmut_|^ *mutants_\w+|\Z)",
            text,
            re.M | re.S,
        )
    }
    for name, body in bodies.items():
        if name.endswith("__mutmut_orig"):
            continue
        verdict = verdicts[f"{module}.{name}"]
        if verdict != "not checked":
            original = bodies[re.sub(r"__mutmut_\d+$", "__mutmut_orig", name)]
            was, is_now, ruled = _difference(original, body)
            yield Mutant(f"{module}.{name}", verdict != "survived", was, is_now, ruled)


def _difference(original: str, mutant: str) -> tuple[str, str, bool]:
    """The line that differs, before and after, and whether a rule does."""
    start = next((k for k, (a, b) in enumerate(zip(original, mutant, strict=False)) if a != b), 0)
    end = len(original)
    while end > start and original[end - 1 :] == mutant[len(mutant) - (len(original) - end) - 1 :]:
        end -= 1
    first = original.rfind("\n", 0, start) + 1
    last = original.find("\n", end)
    line = original[first:last].strip()
    new = mutant[first : len(mutant) - (len(original) - last)].strip()
    shown = any(a <= start and end <= b for a, b in _sentences(original))
    return line, new, not shown and not re.search(r"strict=(True|False)", original[first:last])


def _sentences(text: str) -> Iterator[tuple[int, int]]:
    """Where in a function keys of messages stand, and literals with a space in them: what is said,
    not what is meant.
    """
    lines = [0]
    for line in text.splitlines(keepends=True):
        lines.append(lines[-1] + len(line))
    try:
        for token in tokenize.generate_tokens(io.StringIO("def f" + text).readline):
            if token.type == tokenize.STRING and (" " in token.string or _is_said(token.string)):
                (row, column), (to_row, to_column) = token.start, token.end
                shift = 5
                yield (
                    lines[row - 1] + column - shift * (row == 1),
                    lines[to_row - 1] + to_column - shift * (to_row == 1),
                )
    except (tokenize.TokenError, IndentationError):
        return


def _is_said(literal: str) -> bool:
    return literal.strip("\"'") in _MESSAGES


def main(rooms: list[str]) -> int:
    short = 0
    for room in rooms or list(ROOMS):
        rules = [mutant for mutant in run(room) if mutant.of_a_rule]
        alive = [mutant for mutant in rules if not mutant.killed]
        share = 100 * (len(rules) - len(alive)) / len(rules)
        short += share < LEAST
        for mutant in alive:
            print(f"{mutant.name}\n  - {mutant.was}\n  + {mutant.is_now}")
        print(f"{room}: {share:.0f} % of {len(rules)} mutants of rules killed\n")
    return short


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
