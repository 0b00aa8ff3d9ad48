"""The working shown gives the result shown: each formula is worked out again from its
own inputs.
"""

import re
from math import ceil, cos, floor, pi, radians, sin
from typing import Any

import pytest
from hypothesis import given

from tests.cases import cases
from tests.strategies import briefs
from yardcliff.core.findings.working import Figure
from yardcliff.core.units.exact import Fraction
from yardcliff.core.ways import Brief, build

# Said in words, not as an expression.
WORDS = {
    "given",
    "least spacing",
    "the thickest",
    "π/2 · (r + k · s)",
    "next pipe up from d + y",
    "5 · F · L³ / (384 · E · I)",
    "next size up from d + y",
    "max |gap − p|",
    "first mark, then p",
    "90° − t",
    "half the angle",
    "from the lowest to the highest",
    "where nothing hangs",
    "the outermost, and between",
    "from the back face",
    "typical of the saw",
}
WORDS |= {"less: they pass at the sides", "the most that fit"}
WORDS |= {"what is left, shared", "what is missing, shared"}
NAMES = {
    "in the board + what sticks out": "e + o",
    "length − plate": "l − k",
    "T − (length − plate)": "T − i",
}


def number(value: Fraction | str) -> float:
    """What is shown, without its unit; a share of a hundred is one of one."""
    if isinstance(value, Fraction):
        return float(value)
    text = value.partition("(")[2] or value  # a force is said by what weighs as much, too
    found = float(text.split()[0].rstrip("°%"))
    return found / 100 if text.endswith("%") else found


def worked_out(figure: Figure) -> float:
    """The formula's value from the figure's inputs alone."""
    values: dict[str, Any] = {"max": max, "min": min, "floor": floor, "ceil": ceil, "π": pi}
    for given_input in figure.inputs:
        value = given_input.value
        values[_plain(given_input.symbol)] = number(value) if isinstance(value, str) else value
    text = _plain(NAMES.get(figure.formula, figure.formula).split(" = ")[-1])
    if any(isinstance(each, float) for each in values.values()):
        values = {name: float(v) if isinstance(v, Fraction) else v for name, v in values.items()}
    if "t" in values:
        tilt = radians(float(values["t"]))
        text = text.replace("cos t", repr(cos(tilt))).replace("sin t", repr(sin(tilt)))
    found: float = eval(text, {"__builtins__": {}}, values)
    return found


def _plain(text: str) -> str:
    return (
        text.replace("·", "*")
        .replace("−", "-")
        .replace("′", "_on_tape")
        .replace("²", "**2")
        .replace("³", "**3")
    )


def close_to(figure: Figure) -> Any:
    """What is shown, as exactly as it is: in full, or rounded for its unit."""
    text = str(figure.value)
    shown = number(figure.value)
    if text.endswith("%"):
        return pytest.approx(shown, abs=0.006, rel=0.01)
    return (
        pytest.approx(shown, abs=0.51, rel=0.01)
        if re.search("[A-Za-z]", text)
        else pytest.approx(shown, abs=1e-5)
    )


@given(brief=briefs)
@cases(300)
def test_every_formula_gives_its_figure(brief: Brief) -> None:
    rack = build(brief)
    for figure in rack.figures:
        assert figure.label
        assert figure.why
        if figure.formula in WORDS or figure.formula.startswith("bit for a"):
            continue
        if figure.key == "row.length" and rack.row.length in (rack.row.fixture.across, Fraction(1)):
            continue
        if figure.value == "far too weak":
            continue
        if figure.key in ("row.left", "row.right") and rack.row.trouble == "no-room":
            continue
        if figure.key == "row.count" and rack.row.count in (1, 1000):
            continue  # held at the least or the most
        assert worked_out(figure) == close_to(figure), (figure.key, figure.formula, figure.inputs)


def test_every_symbol_of_a_formula_is_given() -> None:
    symbols = re.compile(r"[A-Za-z]+′?")
    from tests.core.test_findings import CASES
    from yardcliff.core.design.change import amend

    for start, change in CASES.values():
        for figure in build(amend(start, change)).figures:
            if (
                figure.formula in WORDS
                or figure.formula in NAMES
                or figure.formula.startswith("bit")
            ):
                continue
            used = set(symbols.findall(figure.formula)) - {
                "max",
                "min",
                "floor",
                "ceil",
                "cos",
                "sin",
                "t",
            }
            assert used <= {i.symbol for i in figure.inputs}, (figure.key, figure.formula)
