"""A derived figure with its working: formula, the numbers put in, the result, and why this rule."""

from dataclasses import dataclass

from yardcliff.core.units.exact import Fraction
from yardcliff.messages import tr

Value = Fraction | str
"""A Fraction is a length in mm; a str is shown as it stands (counts, angles, names)."""


@dataclass(frozen=True, slots=True)
class Input:
    """One number put into a formula."""

    symbol: str
    name: str
    value: Value


@dataclass(frozen=True, slots=True)
class Figure:
    """A derived figure. `key` is stable, so that a slip left open can follow the design.

    A `fine` one is not rounded to the tape: a bit's size, a depth, what the tape's own step hides.
    """

    key: str
    label: str
    value: Value
    formula: str
    inputs: tuple[Input, ...]
    why: str
    fine: bool = False


def figure(
    key: str,
    value: Value,
    formula: str,
    inputs: tuple[Input, ...],
    *,
    fine: bool = False,
    **given: object,
) -> Figure:
    """A figure by its key: its label and why it is so are the messages `<key>.label` and
    `<key>.why`, the reason with what is `given` put in.
    """
    return Figure(key, tr(f"{key}.label"), value, formula, inputs, tr(f"{key}.why", **given), fine)
