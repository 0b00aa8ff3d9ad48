"""The most that can hang on a wall: as many as its width takes, in as many rows as reach down to
the floor.
"""

from dataclasses import dataclass

from yardcliff.core.design.change import amend
from yardcliff.core.findings.finding import Patch, Severity
from yardcliff.core.row.rows import MOST_ROWS
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text
from yardcliff.core.ways import FAMILIES, Brief, build


@dataclass(frozen=True, slots=True)
class Most:
    """How much fits, and the patch that takes it."""

    things: int
    rows: int
    patch: Patch


def most_on(brief: Brief, width: Fraction) -> Most:
    """The most of what hangs, `width` mm of wall given and the top row staying at its height.

    Raises `BriefError` for a width that is no board's length.
    """
    patch: Patch = {
        "row": {"length": exact_text(width), "follows": "count", "pitch": None, "pins": []}
    }
    filled = amend(brief, patch)

    def troubles(count: int) -> set[str]:
        rack = build(amend(filled, {"rows": {"count": count}}))
        return {
            f.code for f in rack.findings if f.severity is Severity.STOP or f.code == "rows.capped"
        }

    # What is wrong with one row already, a screw too long say, is no matter of how many there are.
    rows, before = 1, troubles(1)
    while (
        FAMILIES[brief.family].rows != "one" and rows < MOST_ROWS and troubles(rows + 1) <= before
    ):
        rows += 1
    patch["rows"] = {"count": rows}
    return Most(len(build(amend(brief, patch)).hung), rows, patch)
