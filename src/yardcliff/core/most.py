"""The most that can hang on a wall: as many as its width takes, in as many rows as reach down to the floor."""

from dataclasses import dataclass

from yardcliff.core.amend import amend
from yardcliff.core.exact import Fraction
from yardcliff.core.families import FAMILIES, Brief
from yardcliff.core.findings import Patch, Severity
from yardcliff.core.length import exact_text
from yardcliff.core.rows import MOST_ROWS


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
    patch: Patch = {"row": {"length": exact_text(width), "follows": "count", "pitch": None, "pins": []}}
    filled = amend(brief, patch)
    rows = 1
    for count in range(2, MOST_ROWS + 1):
        rack = FAMILIES[brief.family].build(amend(filled, {"rows": {"count": count}}))
        if any(f.severity is Severity.STOP or f.code == "rows.capped" for f in rack.findings):
            break
        rows = count
    patch["rows"] = {"count": rows}
    return Most(len(FAMILIES[brief.family].build(amend(brief, patch)).hung), rows, patch)
