"""What a rack says of its rows: which they are, what hangs on each, what reaches the floor."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace

from yardcliff.core.brief.rack_brief import RackBrief
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.rack import Hung, RackRow
from yardcliff.core.row.closeness import Words
from yardcliff.core.row.row_findings import check
from yardcliff.core.row.rows import Standing
from yardcliff.core.row.rows_findings import OF_THE_FIRST_ROW, check_rows, own_fixes
from yardcliff.core.things.item import Item
from yardcliff.core.things.look import Look
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, exact_text
from yardcliff.core.units.trade import either
from yardcliff.messages import tr

FLOOR_CLEAR = either("20 mm", "3/4 in")
"""Least air between what hangs and the floor, so that it dries and a broom passes."""


def of_row(finding: Finding, k: int, rows: Sequence[RackRow]) -> Finding:
    """What is to be said of a row's own holder: what settles it is asked of that."""
    x, y = rows[k].at(rows[k].row.axes[0])
    fixes = tuple(
        (
            replace(
                fix,
                patch={"holders": {str(k + 1): fix.patch["holder"]}}
                | {name: one for name, one in fix.patch.items() if name != "holder"},
            )
            if "holder" in fix.patch
            else fix
        )
        for fix in finding.fixes
    )
    return replace(
        finding,
        part=tr("ways.row", number=k + 1, part=finding.part),
        fixes=fixes,
        at=(float(x), float(y)),
    )


def of_the_rows(
    brief: RackBrief,
    rows: tuple[RackRow, ...],
    standing: tuple[Standing, ...],
    used: dict[str, Item],
    fitted: Fitting,
    row_fixes: Mapping[int, tuple[Fix, ...]],
    tape: Tape,
) -> Iterator[Finding]:
    """Findings of every row, alike ones once."""
    checked, said = set[int](), set[str]()
    for k, row in enumerate(rows):
        if id(row.row) in checked:
            continue
        checked.add(id(row.row))
        kinds = {thing.kind for thing in row.row.things}
        fit = fitted.of(k)
        words = _words({kind: item for kind, item in used.items() if kind in kinds}, fit.noun)
        for finding in check(row.row, tape, words, fit.end_distance, fit.end_why, fit.bored):
            if k and (finding.code in said or finding.code in OF_THE_FIRST_ROW):
                continue  # the rows above have the same trouble, from the same cause
            said.add(finding.code)
            x, y = row.at(Fraction(finding.at[0]))
            placed = replace(finding, at=(float(x), float(y)))
            if k == 0:
                yield placed
                continue
            # The first row's fixes act on the brief, keep-outs are all rows' own; else the row's
            # own things give way.
            fixes = (
                finding.fixes if finding.code.startswith("keepout.") else own_fixes(brief.rows, k)
            )
            if k in fitted.rows:
                fixes = (
                    *fixes,
                    Fix(tr("fix.held-like-the-first-row"), {"holders": {str(k + 1): None}}),
                )
            fixes = (*fixes, *row_fixes.get(k, ()))
            yield replace(placed, part=tr("ways.row", number=k + 1, part=finding.part), fixes=fixes)
    yield from check_rows(brief.rows, rows[0].row, standing, brief.hung, tape)


def _words(used: Mapping[str, Item], holder: str) -> Words:
    names = {kind: item.name for kind, item in used.items()}
    if len(used) == 1:
        return Words(next(iter(used.values())).counted, names, holder)
    return Words(lambda count: tr("ways.things", n=count), names, holder)


def says(used: Mapping[str, Item], hung: tuple[Hung, ...]) -> str:
    """`4 waxed jackets, 2 felt hats, 1 place spare`."""
    counts = {kind: sum(one.kind == kind and not one.spare for one in hung) for kind in used}
    spare = sum(one.spare for one in hung)
    parts = [used[kind].counted(count) for kind, count in counts.items() if count]
    return ", ".join([*parts, *([tr("ways.places-spare", n=spare)] if spare else [])])


def described(things: str, how: str, holders: str, rows: int) -> str:
    """`4 waxed jackets on coat hooks in 2 rows`."""
    held = tr(f"ways.held-{how}", things=things, holders=holders)
    return tr("ways.in-rows", held=held, rows=rows) if rows > 1 else held


def floor(
    brief: RackBrief,
    used: Mapping[str, Item],
    looks: Mapping[str, Look],
    hung: tuple[Hung, ...],
    tape: Tape,
) -> Iterator[Finding]:
    """Whether a kind reaches the floor from where it hangs lowest."""
    for kind, item in used.items():
        lowest = min(one.y for one in hung if one.kind == kind)
        clear = lowest - looks[kind].below
        if clear < FLOOR_CLEAR.of(brief.sizes):
            up = -(-(brief.hung + FLOOR_CLEAR.of(brief.sizes) - clear) // tape.step) * tape.step
            yield Finding(
                "hang.floor",
                item.name.capitalize(),
                tr("hang.floor", plural=item.plural),
                tr("quantity.clear-of-the-floor"),
                clear,
                FLOOR_CLEAR.of(brief.sizes),
                at=(0.0, float(lowest)),
                fixes=(Fix(tr("fix.hang-at", height=tape.write(up)), {"hung": exact_text(up)}),),
            )
