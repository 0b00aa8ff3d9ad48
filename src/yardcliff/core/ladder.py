"""The ladder: each count near the chosen one, worked out in full, so that it is a choice with figures."""

from dataclasses import dataclass
from typing import Literal

from yardcliff.core.findings import Patch
from yardcliff.core.model import MAX_COUNT
from yardcliff.core.row import Row
from yardcliff.core.spacing import solve

Verdict = Literal["fits", "tight", "bumps", "no room"]
REACH = 3
"""Rungs shown above and below the chosen count."""


@dataclass(frozen=True, slots=True)
class Rung:
    """One count, and what taking it would change. Pins belong to the chosen row and are left out."""

    row: Row
    chosen: bool
    verdict: Verdict
    patch: Patch


def verdict(row: Row) -> Verdict:
    """How a row does against the pitch it needs."""
    if row.crammed or min(row.left, row.right) < 0:
        return "no room"
    apart = row.fixture.across + row.brief.fixture_gap
    if row.holders == 1 or (row.air >= row.brief.air and row.tightest >= apart):
        return "fits"
    return "bumps" if row.air < 0 or row.tightest < row.fixture.across else "tight"


def ladder(row: Row) -> tuple[Rung, ...]:
    """The rungs about `row`, from the smallest count."""
    follows = "pitch" if row.brief.follows in ("count", "nothing") else row.brief.follows
    lowest = max(1, min(row.count - REACH, MAX_COUNT - 2 * REACH))
    rungs = []
    for count in range(lowest, lowest + 2 * REACH + 1):
        if count == row.count:
            rungs.append(Rung(row, True, verdict(row), {}))
            continue
        asked = row.brief.changed({"count": count, "follows": follows, "pins": ()})
        other = solve(asked, row.things_of, row.fixture)
        patch: Patch = {"row": {"count": count, "follows": follows, "pins": []}}
        rungs.append(Rung(other, False, verdict(other), patch))
    return tuple(rungs)
