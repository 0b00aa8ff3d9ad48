"""What stands on a keep-out, or gave way to one."""

from collections.abc import Iterator
from typing import Any

from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.row.fixes import row_patch, up
from yardcliff.core.row.row import Row
from yardcliff.core.row.spacing import solve
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape

NONE = Fraction(0)


def check_keepouts(row: Row, tape: Tape) -> Iterator[Finding]:
    """Findings of a row among its keep-outs."""
    given = row.given
    if given.hits:
        yield _on_a_keepout(row, tape)
        return
    if given.nudges:
        index, by = max(given.nudges, key=lambda nudge: abs(nudge[1]))
        yield Finding(
            "keepout.nudged",
            f"Holder {index + 1}",
            f"Holder {index + 1} moved {tape.write(abs(by))} {row.run.moved(by)}, off its even"
            " place, clear of what must not be drilled.",
            "moved",
            abs(by),
            row.brief.nudge,
            at=(float(row.axes[index]), 0),
            fixes=(Fix("Let no holder move by itself", row_patch(nudge=NONE)),),
        )
    if given.shift:
        yield Finding(
            "keepout.shifted",
            "Row",
            f"The whole row moved {tape.write(abs(given.shift))} {row.run.moved(given.shift)}, "
            "clear of what must not be drilled.",
            "shift",
            abs(given.shift),
            NONE,
            fixes=(Fix("Forget the keep-outs", row_patch(keepouts=[])),),
        )


def _on_a_keepout(row: Row, tape: Tape) -> Finding:
    index, k = row.given.hits[0]
    flaw, axis = row.brief.keepouts[k], row.axes[index]
    over = min(flaw.at + flaw.width + row.fixture.left - axis, axis - flaw.at + row.fixture.right)
    wider = up(over, tape)
    hit = {keepout for _, keepout in row.given.hits}
    ways: list[tuple[str, dict[str, Any]]] = [
        (
            f"Let go of pin {index + 1}",
            {"pins": tuple(pin for pin in row.brief.pins if pin.index != index)},
        ),
        (f"Let holders move up to {tape.write(wider)}", {"nudge": wider}),
        *(
            (f"{n} instead of {row.count}", {"count": n})
            for n in (row.count - 1, row.count + 1)
            if n
        ),
    ]
    clear = [way for way in ways if _clears(row, way[1])][:2]
    kept = tuple(keepout for i, keepout in enumerate(row.brief.keepouts) if i not in hit)
    clear.append(
        (
            f"Forget this {flaw.flaw}" if len(hit) == 1 else f"Forget these {len(hit)}",
            {"keepouts": kept},
        )
    )
    return Finding(
        "keepout.hit",
        f"Holder {index + 1}",
        f"Holder {index + 1} stands on the {flaw.flaw} at {tape.write(flaw.at)}: it would have to"
        f" move {tape.write(over)}.",
        "on it by",
        over,
        NONE,
        at=(float(axis), 0),
        fixes=tuple(Fix(label, row_patch(**changes)) for label, changes in clear),
    )


def _clears(row: Row, changes: dict[str, Any]) -> bool:
    """Whether the row stands clear of its keep-outs, and no closer than before, once changed."""
    if "count" in changes and row.brief.follows in ("count", "nothing"):
        return False
    other = solve(row.brief.changed(changes), row.things_of, row.fixture)
    return not other.given.hits and not other.trouble and other.air >= min(row.air, row.brief.air)
