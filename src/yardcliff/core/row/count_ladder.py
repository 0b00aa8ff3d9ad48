"""The ladder: each count near the chosen one, worked out in full, so that it is a choice with
figures.
"""

from dataclasses import dataclass
from typing import Literal, get_args

from yardcliff.core.base.model import MAX_COUNT
from yardcliff.core.findings.finding import Patch
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import ALL_ALIKE, Fixtures, RowsBrief, solve_rows
from yardcliff.core.row.spacing import solve
from yardcliff.core.units.exact import Fraction

Verdict = Literal["fits", "tight", "too long", "bumps", "no room"]
"""From the best to the worst."""
_VERDICTS: tuple[Verdict, ...] = get_args(Verdict)
REACH = 3
"""Rungs shown above and below the chosen count."""


@dataclass(frozen=True, slots=True)
class Rung:
    """One count of the first row, how many things `hang` then on all rows, and what taking it would
    change. Pins belong to the chosen row and are left out.
    """

    row: Row
    hang: int
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


def ladder(
    row: Row, rows: RowsBrief, longest: Fraction | None = None, fixtures: Fixtures = ALL_ALIKE
) -> tuple[Rung, ...]:
    """The rungs about the first `row`, from the smallest count, each by the worst of all `rows`; on
    a wall whose free stretch takes a row of the `longest`, mm.
    """
    follows = "pitch" if row.brief.follows in ("count", "nothing") else row.brief.follows
    lowest = max(1, min(row.count - REACH, MAX_COUNT - 2 * REACH))
    rungs = []
    for count in range(lowest, lowest + 2 * REACH + 1):
        if count == row.count:
            rungs.append(_rung(row, rows, longest, fixtures, True, {}))
            continue
        asked = row.brief.changed({"count": count, "follows": follows, "pins": ()})
        other = solve(asked, row.things_of, row.fixture)
        patch: Patch = {"row": {"count": count, "follows": follows, "pins": []}}
        rungs.append(_rung(other, rows, longest, fixtures, False, patch))
    return tuple(rungs)


def _rung(
    row: Row,
    rows: RowsBrief,
    longest: Fraction | None,
    fixtures: Fixtures,
    chosen: bool,
    patch: Patch,
) -> Rung:
    every = solve_rows(rows, row, fixtures) if rows.count > 1 else (row,)
    verdicts = set(map(verdict, every))
    if longest is not None and row.length > longest:
        verdicts.add("too long")
    return Rung(
        row,
        sum(not thing.spare for solved in every for thing in solved.things),
        chosen,
        max(verdicts, key=_VERDICTS.index),
        patch,
    )
