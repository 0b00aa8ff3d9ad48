"""What stands on a keep-out, or gave way to one."""

from collections.abc import Iterator
from typing import Any

from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.row.closeness import Words
from yardcliff.core.row.fixes import row_patch, up
from yardcliff.core.row.row import Row
from yardcliff.core.row.spacing import solve
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.messages import tr

NONE = Fraction(0)


def check_keepouts(row: Row, tape: Tape, words: Words) -> Iterator[Finding]:
    """Findings of a row among its keep-outs."""
    given = row.given
    if given.hits:
        yield _on_a_keepout(row, tape, words)
        return
    if given.nudges:
        index, by = max(given.nudges, key=lambda nudge: abs(nudge[1]))
        yield Finding(
            "keepout.nudged",
            words.at(index),
            tr(
                "keepout.nudged",
                holder=words.at(index),
                by=tape.write(abs(by)),
                moved=row.run.moved(by),
            ),
            tr("quantity.moved"),
            abs(by),
            row.brief.nudge,
            at=(float(row.axes[index]), 0),
            fixes=(
                Fix(
                    tr("fix.let-no-holder-move-by-itself", holder=words.holder),
                    row_patch(nudge=NONE),
                ),
            ),
        )
    if given.shift:
        yield Finding(
            "keepout.shifted",
            tr("part.row"),
            tr(
                "keepout.shifted",
                shift=tape.write(abs(given.shift)),
                moved=row.run.moved(given.shift),
            ),
            tr("quantity.shift"),
            abs(given.shift),
            NONE,
            fixes=(Fix(tr("fix.forget-the-keep-outs"), row_patch(keepouts=[])),),
        )


def _on_a_keepout(row: Row, tape: Tape, words: Words) -> Finding:
    index, k = row.given.hits[0]
    flaw, axis = row.brief.keepouts[k], row.axes[index]
    over = min(flaw.at + flaw.width + row.fixture.left - axis, axis - flaw.at + row.fixture.right)
    wider = up(over, tape)
    hit = {keepout for _, keepout in row.given.hits}
    ways: list[tuple[str, dict[str, Any]]] = [
        (
            tr("row.let-go-of-pin", number=index + 1),
            {"pins": tuple(pin for pin in row.brief.pins if pin.index != index)},
        ),
        (
            tr("row.let-holders-move-up-to", holder=words.holder, wider=tape.write(wider)),
            {"nudge": wider},
        ),
        *(
            (tr("row.instead-of", number=n, count=row.count), {"count": n})
            for n in (row.count - 1, row.count + 1)
            if n
        ),
    ]
    clear = [way for way in ways if _clears(row, way[1])][:2]
    kept = tuple(keepout for i, keepout in enumerate(row.brief.keepouts) if i not in hit)
    clear.append(
        (
            tr("row.forget-this", flaw=tr(f"flaw.{flaw.flaw}"))
            if len(hit) == 1
            else tr("row.forget-these", count=len(hit)),
            {"keepouts": kept},
        )
    )
    return Finding(
        "keepout.hit",
        words.at(index),
        tr(
            "keepout.hit",
            holder=words.at(index),
            flaw=tr(f"flaw.{flaw.flaw}"),
            at=tape.write(flaw.at),
            over=tape.write(over),
        ),
        tr("quantity.on-it-by"),
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
