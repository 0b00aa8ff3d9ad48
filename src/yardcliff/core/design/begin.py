"""A new rack on a wall: as long as is free there, in more rows where one does not do, and no more
things than fit.
"""

from bisect import bisect_left
from collections.abc import Iterator
from dataclasses import dataclass
from math import ceil

from yardcliff.core.design.change import amend
from yardcliff.core.findings.finding import Patch, Severity
from yardcliff.core.rack import Rack
from yardcliff.core.row.count_ladder import verdict
from yardcliff.core.row.rows import MOST_ROWS
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text
from yardcliff.core.wall.position import first_place, widest_row
from yardcliff.core.wall.survey import Site
from yardcliff.core.ways import FAMILIES, Brief, build
from yardcliff.messages import tr


@dataclass(frozen=True, slots=True)
class Begun:
    """A brief on its wall, and what had to give way for it, if anything."""

    brief: Brief
    says: str


def begin_on(brief: Brief, wall: str, site: Site) -> Begun:
    """A brief for a wall, by the key of that: as it is, or in more rows, or with fewer things,
    whichever first has room and is sound; in the middle of the widest stretch that is free.
    """
    there = amend(brief, {"place": {"wall": wall}})
    rack, tape, says = build(there), there.in_hand, ""
    longest = widest_row(rack, site, there.place.hand)
    if rack.row.length > longest:
        long = longest // tape.step * tape.step
        free = (
            tr("design.of-height", long=tape.write(long))
            if rack.up
            else tr("design.beside-what-is-there", long=tape.write(long))
        )
        patch, says = next(
            _shorter(there, site, long, free), ({}, tr("design.does-not-fit-there-put-elsewhere"))
        )
        there = amend(there, patch)
        rack = build(there)
    x = first_place(rack, site, there.place, there.mount, tape)
    return Begun(amend(there, {"place": {"x": exact_text(x)}}), says)


def _shorter(brief: Brief, site: Site, long: Fraction, free: str) -> Iterator[tuple[Patch, str]]:
    """The ways to have a row so `long`, the best first."""
    if long <= 0:
        return
    many, before = brief.row.count, _musts(build(brief))

    def good(patch: Patch) -> bool:
        tried = amend(brief, patch)
        rack = build(tried)
        room = (
            widest_row(rack, site, brief.place.hand) >= rack.row.length
        )  # what hangs may reach past a short board
        return room and verdict(rack.row) == "fits" and _musts(rack) <= before

    row: Patch = {"length": exact_text(long), "follows": "pitch", "pitch": None}

    def fewer(count: int) -> Patch:
        return {"row": row | {"count": count, "order": list(brief.row.order[:count])}}

    # Fewer things have more room: the most that one row takes is found by halving.
    most = bisect_left(range(1, many), True, key=lambda count: not good(fewer(count)))
    if most and FAMILIES[brief.family].rows != "one" and not brief.row.order:
        each = ceil(many / ceil(many / most))
        rows = ceil(many / each)
        last = many - each * (rows - 1)
        own: list[Patch] = [{}] * (rows - 1) + [{"kind": "", "count": last}] if last < each else []
        patch: Patch = {"row": row | {"count": each}, "rows": {"count": rows, "own": own}}
        if 1 < rows <= MOST_ROWS and good(patch):
            yield patch, tr("design.in-rows-for", rows=rows, free=free)
    if most:
        there, all_ = (len(build(one).hung) for one in (amend(brief, fewer(most)), brief))
        yield fewer(most), tr("design.of-no-more-fit-in", there=there, all=all_, free=free)


def _musts(rack: Rack) -> set[str]:
    return {finding.code for finding in rack.findings if finding.severity is Severity.STOP}
