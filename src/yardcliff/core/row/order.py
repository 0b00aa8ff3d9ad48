"""Putting mixed things in a better order: to the shortest board, or to the least pitch.

Things of one kind are interchangeable, so an order is a path through how many of each kind are
placed: the search is exact over those states (dynamic programming after Held and Karp, with counts
for sets). Twelve different things are at most 4096 x 12 states; many of a few kinds are far fewer.
Beyond `STATES` it improves the order at hand by swaps, and says that it is not proved.
"""

from collections import Counter
from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from functools import cache
from itertools import combinations
from math import prod
from typing import Literal

from yardcliff.core.base.effort import check
from yardcliff.core.row.row import Row, lay_out
from yardcliff.core.row.row_brief import RowBrief
from yardcliff.core.row.spacing_rule import SpacingRule, rule_of
from yardcliff.core.things.thing import Thing, Things
from yardcliff.core.units.exact import Fraction

Aim = Literal["length", "pitch"]
_Path = tuple[str, "_Path | None"]
_Way = tuple[int, int, _Path | None]
"""The largest distance so far, the sum, and the kinds that led there, last first."""
STATES = 60_000
WORK = 150_000
"""Orders that are tried times the things in each: about a second."""


@dataclass(frozen=True, slots=True)
class Reordered:
    """The best order found, its figure and the one before, and whether no order can be better."""

    order: tuple[str, ...]
    before: Fraction
    after: Fraction
    proved: bool


def reorder(row: Row, aim: Aim) -> Reordered:
    """The order of `row`'s things with the least board ("length") or the least pitch; pinned things
    stay.

    Both are measured with the air and the ends that are asked for, whatever figure follows.
    """
    kinds = tuple(thing.kind for thing in row.things)
    held = _held(row)
    free = Counter(kind for place, kind in enumerate(kinds) if place not in held)
    states = prod(count + 1 for count in free.values()) * len(free)
    # A bridge at the end of such a row hangs inward by half a pitch, which no state knows yet.
    bridged = _weighs_ends(row, aim) and any(thing.takes == "bridge" for thing in row.things)
    proved = states <= STATES and not bridged
    measure = cache(lambda order: _measure(row, order, aim))
    order = _path(row, kinds, held, free, aim) if proved else _improved(kinds, held, measure)
    if measure(order) >= measure(kinds):
        order = kinds
    return Reordered(order, measure(kinds), measure(order), proved)


def _held(row: Row) -> dict[int, str]:
    """Place -> kind of the things that a pin holds."""
    pinned = {pin.index for pin in row.pins}
    return {
        place: thing.kind
        for place, (thing, first) in enumerate(zip(row.things, row.rule.first_holder, strict=True))
        if pinned & set(range(first, first + thing.holders))
    }


def _measure(row: Row, order: tuple[str, ...], aim: Aim) -> Fraction:
    """The board, or the pitch, that an order needs."""
    layout = lay_out(_asking(row.brief), _ordered(row, order), row.fixture, len(order))
    return layout.need if aim == "pitch" else layout.length(layout.need)


def _asking(brief: RowBrief) -> RowBrief:
    return brief if brief.spacing == "air" else brief.changed({"spacing": "even"})


def _ordered(row: Row, order: tuple[str, ...]) -> Things:
    things = row.things_of
    return replace(things, order=order)


def _weighs_ends(row: Row, aim: Aim) -> bool:
    """Whether the least pitch may not be the shortest board: what hangs outermost
    counts beside it.
    """
    return aim == "length" and row.brief.spacing != "air" and row.brief.ends.rule == "inside"


def _path(
    row: Row, kinds: tuple[str, ...], held: Mapping[int, str], free: Counter[str], aim: Aim
) -> tuple[str, ...]:
    """The best order, by dynamic programming.

    A state is how many of each kind are placed, written as one number, and the last kind. Each
    keeps the ways there that no other beats in both the largest distance and the sum: with even air
    the sum alone decides, on one pitch the largest distance, and where the ends count both do.
    """
    names, airy, weighed = tuple(free), row.brief.spacing == "air", _weighs_ends(row, aim)
    weights, radix = {}, 1
    for name in names:
        weights[name] = radix
        radix *= free[name] + 1
    between, ends = _costs(row, len(kinds))
    layer: dict[tuple[int, str], list[_Way]] = {(0, ""): [(0, 0, None)]}
    for place in range(len(kinds)):
        check()
        following: dict[tuple[int, str], list[_Way]] = {}
        for (used, last), ways in layer.items():
            for kind in (held[place],) if place in held else names:
                spent = used
                if place not in held:
                    if used // weights[kind] % (free[kind] + 1) == free[kind]:
                        continue
                    spent += weights[kind]
                step, outer = between(place, last, kind) if place else 0, ends(place, kind)
                kept = following.setdefault((spent, kind), [])
                for worst, total, path in ways:
                    way = (
                        0 if airy else max(worst, step),
                        total + outer + (step if airy else 0),
                        (kind, path),
                    )
                    if weighed:
                        _keep(kept, way)
                    elif not kept or way[:2] < kept[0][:2]:
                        kept[:] = [way]
        layer = following
    spaces = row.holders - 1 if weighed else 10**9
    _, _, path = min(
        (way for ways in layer.values() for way in ways), key=lambda way: spaces * way[0] + way[1]
    )
    order = []
    while path is not None:
        order.append(path[0])
        path = path[1]
    return tuple(reversed(order))


def _keep(kept: list[_Way], way: _Way) -> None:
    """Add a way unless one that is kept beats it in both figures; drop those that it beats."""
    if not any(one[0] <= way[0] and one[1] <= way[1] for one in kept):
        kept[:] = [one for one in kept if one[0] < way[0] or one[1] < way[1]] + [way]


def _costs(
    row: Row, count: int
) -> tuple[Callable[[int, str, str], int], Callable[[int, str], int]]:
    """The distance between neighbours at a place, and what an outermost thing adds: whole
    nanometres.
    """
    brief, airy = row.brief, row.brief.spacing == "air"

    @cache
    def made(place: int, kind: str) -> tuple[Thing, SpacingRule]:
        thing = _ordered(row, (kind,) * count).first(count)[place]
        return thing, rule_of(airy, (thing,), row.fixture, brief.fixture_gap)

    @cache
    def between(place: int, one: str, other: str) -> int:
        (first, rule), (second, beside) = made(place - 1, one), made(place, other)
        need = rule.reach_out()[1] + brief.air + beside.reach_out()[0]
        if not airy:
            need /= first.holders - first.centre + second.centre
        return round(max(need, rule.apart) * 10**6)

    @cache
    def ends(place: int, kind: str) -> int:
        if brief.ends.rule != "inside" and not (airy and brief.ends.rule != "margin"):
            return 0
        over = brief.ends.overhang if brief.ends.rule == "inside" else 0
        left, right = (max(reach - over, Fraction(0)) for reach in made(place, kind)[1].reach_out())
        outer = max(left, row.fixture.left) * (place == 0) + max(right, row.fixture.right) * (
            place == count - 1
        )
        return round(outer * 10**6)

    return between, ends


def _improved(
    kinds: tuple[str, ...], held: Mapping[int, str], measure: Callable[[tuple[str, ...]], Fraction]
) -> tuple[str, ...]:
    """Swaps of two places while that helps, and while there is `WORK` left."""
    free = [place for place in range(len(kinds)) if place not in held]
    best, order, left = measure(kinds), list(kinds), WORK // max(len(kinds), 1)
    better = True
    while better:
        better = False
        for i, j in combinations(free, 2):
            if order[i] == order[j] or j - i > 40:
                continue
            if not left:
                return tuple(order)
            left -= 1
            check()
            order[i], order[j] = order[j], order[i]
            found = measure(tuple(order))
            if found < best:
                best, better = found, True
            else:
                order[i], order[j] = order[j], order[i]
    return tuple(order)
