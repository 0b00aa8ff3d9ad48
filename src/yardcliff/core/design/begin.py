"""A new rack where it is for, on a wall or in a place so wide: as it is, or by each way that there
is to have it narrower.
"""

from bisect import bisect_left
from collections import Counter
from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from functools import cached_property
from math import ceil
from typing import Literal

from yardcliff.core.brief.rack_brief import MAIN
from yardcliff.core.design.change import amend
from yardcliff.core.findings.finding import Patch, Severity
from yardcliff.core.rack import Rack
from yardcliff.core.row.closeness import pair_gives
from yardcliff.core.row.count_ladder import verdict
from yardcliff.core.row.rows import MOST_ROWS
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text
from yardcliff.core.units.trade import either
from yardcliff.core.wall.position import first_place, row_within, widest_row
from yardcliff.core.wall.survey import Site
from yardcliff.core.ways import FAMILIES, Brief, build
from yardcliff.messages import tr

How = Literal["asked", "overlap", "rows", "staggered", "fewer", "none"]
"""As it is; in one row, overlapping; in more rows; in two, each holder of the lower one between two
of the upper, overlapping; with fewer things; or as it is though there is no room.
"""
STEP = either("200 mm", "8 in")
"""From an upper row of soft things to the lower one: room for a hand to its hooks. Ours."""
ZERO, HALF = Fraction(0), Fraction(1, 2)


@dataclass(frozen=True, slots=True)
class Begun:
    """A brief in its place, how it has room there, and what had to give way, if anything."""

    how: How
    brief: Brief
    says: str


@dataclass(frozen=True, slots=True)
class Place:
    """Where a rack is for: how long its first row may be there, mm, and how that is said."""

    longest: Callable[[Rack], Fraction]
    says: Callable[[Rack, str], str]


def begin_on(brief: Brief, wall: str, site: Site) -> Iterator[Begun]:
    """A brief for a wall, by the key of that, by each way that has room in the widest stretch that
    is free; in the middle of it.
    """
    there = amend(brief, {"place": {"wall": wall}})
    tape = there.in_hand

    def free(rack: Rack, long: str) -> str:
        return tr("design.of-height" if rack.up else "design.beside-what-is-there", long=long)

    place = Place(lambda rack: widest_row(rack, site, there.place.hand), free)
    for begun in begin_in(there, place):
        x = first_place(build(begun.brief), site, there.place, there.mount, tape)
        yield replace(begun, brief=amend(begun.brief, {"place": {"x": exact_text(x)}}))


def begin_within(brief: Brief, width: Fraction) -> Iterator[Begun]:
    """A brief for a place so wide, mm, by each way that has room there."""

    def free(rack: Rack, long: str) -> str:
        return tr("design.of-height", long=long) if rack.up else long

    return begin_in(brief, Place(lambda rack: row_within(rack, width), free))


def begin_in(brief: Brief, place: Place) -> Iterator[Begun]:
    """A brief by each way that has room in a place and is sound there, the best first; at least
    one.
    """
    rack = build(brief)
    longest = place.longest(rack)
    if rack.row.length <= longest:
        yield Begun("asked", brief, "")
        return
    tape = brief.in_hand
    found = False
    for begun in _Narrower(brief, place, longest // tape.step * tape.step).ways():
        found = True
        yield begun
    if not found:
        yield Begun("none", brief, tr("design.does-not-fit-there-put-elsewhere"))


@dataclass(frozen=True)
class _Narrower:
    """The ways to have a rack's first row so `long` as a place allows."""

    brief: Brief
    place: Place
    long: Fraction

    def ways(self) -> Iterator[Begun]:
        """Those that are sound, the best first."""
        if self.long <= 0:
            return
        for how, patch, text, words in (*self._overlapping(), *self._in_rows(), *self._fewer()):
            there = amend(self.brief, patch)
            free = self.place.says(self._rack, there.in_hand.write(self.long))
            yield Begun(how, there, tr(text, free=free, **words))

    @cached_property
    def _rack(self) -> Rack:
        return build(self.brief)

    @cached_property
    def _musts(self) -> set[str]:
        return _musts(self._rack)

    @property
    def _row(self) -> Patch:
        return {"length": exact_text(self.long), "follows": "pitch", "pitch": None}

    def _good(self, patch: Patch) -> bool:
        """Whether it has room, with what hangs past a short board, and is as sound as it was."""
        rack = build(amend(self.brief, patch))
        room = self.place.longest(rack) >= rack.row.length
        return room and verdict(rack.row) == "fits" and _musts(rack) <= self._musts

    def _overlapping(self) -> Iterator[tuple[How, Patch, str, dict[str, str]]]:
        """All in one row, of things that give, and none past the board."""
        asked = self._row | {"ends": {"rule": "inside", "overhang": "0 mm"}}
        row = build(amend(self.brief, {"row": asked | {"air": "-30 m"}})).row
        if row.count < 2 or row.air >= 0 or -row.air > min(pair_gives(row)):
            return
        tape = self.brief.in_hand
        by = ceil(-row.air / tape.step) * tape.step
        patch: Patch = {"row": asked | {"air": exact_text(-by)}}
        if self._good(patch):
            yield "overlap", patch, "design.in-one-row-overlapping", {"by": tape.write(by)}

    @cached_property
    def _most(self) -> int:
        """The most things that one row takes: fewer have more room, so it is found by halving. Of
        several kinds fewer may be the wider ones: what is found has room, and may not be the most.
        """
        counts = range(1, self.brief.row.count)
        return bisect_left(counts, True, key=lambda count: not self._good(self._first(count)))

    def _first(self, count: int) -> Patch:
        """So many, of each kind its share."""
        order = self._order
        kept = [order[(2 * k + 1) * len(order) // (2 * count)] for k in range(count) if order]
        return {"row": self._row | {"count": count, "order": kept}}

    @property
    def _order(self) -> list[str]:
        """The kinds in their order, to the last; nothing where there is one alone."""
        row = self.brief.row
        return [*row.order, *[MAIN] * (row.count - len(row.order))] if row.order else []

    def _in_rows(self) -> Iterator[tuple[How, Patch, str, dict[str, str]]]:
        """All in rows that each have room, one below the other; or stepped."""
        if FAMILIES[self.brief.family].rows == "one":
            return
        if self._order:
            yield from self._by_kinds()
            return
        many = self.brief.row.count
        if self._most:
            each = ceil(many / ceil(many / self._most))
            rows = ceil(many / each)
            last = many - each * (rows - 1)
            own: list[Patch] = (
                [{}] * (rows - 1) + [{"kind": "", "count": last}] if last < each else []
            )
            patch: Patch = {"row": self._row | {"count": each}, "rows": {"count": rows, "own": own}}
            if 1 < rows <= MOST_ROWS and self._good(patch):
                yield "rows", patch, "design.in-rows-for", {"rows": str(rows)}
                return
        yield from self._staggered(many)

    def _by_kinds(self) -> Iterator[tuple[How, Patch, str, dict[str, str]]]:
        """Each kind in rows of its own, the main one above."""
        many = Counter(self._order)
        if MAIN not in many:
            return
        kinds = sorted(many, key=lambda kind: kind != MAIN)
        rows: list[tuple[str, int]] = []
        for kind in kinds:
            alone = _Narrower(self._alone(kind, many[kind] + 1), self.place, self.long)
            if not alone._most:
                return
            each = ceil(many[kind] / ceil(many[kind] / alone._most))
            rows += [(kind, min(each, many[kind] - k)) for k in range(0, many[kind], each)]
        own: list[Patch] = [{"kind": kind, "count": count} for kind, count in rows[1:]]
        patch: Patch = {
            "row": self._row | {"order": [], "count": rows[0][1]},
            "rows": {"count": len(rows), "own": [{}, *own]},
        }
        if len(rows) <= MOST_ROWS and self._good(patch):
            yield "rows", patch, "design.in-rows-for", {"rows": str(len(rows))}

    def _alone(self, kind: str, count: int) -> Brief:
        """As many of one kind and nothing else."""
        kinds = self.brief.kinds
        others = dict.fromkeys(self.brief.others)
        item = kinds[kind].model_dump(mode="json")
        row = {"order": [], "count": count}
        return amend(self.brief, {"item": item, "others": others, "row": row})

    def _staggered(self, many: int) -> Iterator[tuple[How, Patch, str, dict[str, str]]]:
        """In two rows of soft things, the lower one half a space over: neighbours overlap less than
        in one row, and their hooks are out of each other's way.
        """
        upper, tape = many // 2 + 1, self.brief.in_hand
        down = STEP.of(self.brief.sizes)
        patch: Patch = {
            "row": self._row | {"count": upper},
            "rows": {"count": 2, "layout": "staggered", "drop": exact_text(down)},
        }
        row = build(amend(self.brief, patch)).row
        by = ceil((row.things[0].reach.across - row.t * HALF) / tape.step) * tape.step
        if row.airy or not 0 < by <= row.things[0].gives:
            return
        patch["row"]["air"] = exact_text(-by)
        if self._good(patch):
            words = {"upper": str(upper), "lower": str(upper - 1), "by": tape.write(by)}
            yield "staggered", patch, "design.in-two-rows-staggered", words

    def _fewer(self) -> Iterator[tuple[How, Patch, str, dict[str, str]]]:
        if self._most:
            patch = self._first(self._most)
            there = len(build(amend(self.brief, patch)).hung)
            words = {"there": str(there), "all": str(len(self._rack.hung))}
            yield "fewer", patch, "design.of-no-more-fit-in", words


def _musts(rack: Rack) -> set[str]:
    return {finding.code for finding in rack.findings if finding.severity is Severity.STOP}
