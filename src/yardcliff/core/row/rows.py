"""Several rows, one below the other: straight or staggered, each with its own things, and how far
apart.

The first row is solved as a row by itself; the others share its board. How far each hangs below the
ones above it follows from what overlaps: below + lift + above where things would hang in front of
one another, and less where a half pitch leaves air at the sides or round things nest.
"""

from bisect import bisect_left, bisect_right
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from math import ceil, sqrt
from typing import Annotated, Literal, NamedTuple

from pydantic import Field

from yardcliff.core.base.model import MAX_COUNT, Count, Frozen, whole
from yardcliff.core.row.row import HALF, ZERO, Row
from yardcliff.core.row.row_brief import Ends, Pins
from yardcliff.core.row.spacing import solve
from yardcliff.core.things.item import Item
from yardcliff.core.things.thing import Reach, Things
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size
from yardcliff.core.units.trade import either, usual

MOST_ROWS = 24
MOST_HOLDERS = 2000
"""Of all rows together; further rows are left out and that is said."""
FIXTURE_GAP = either("8 mm", "5/16 in")
"""Least wood between the fixtures of one row and those of the next."""
ALIKE = "="
"""A row that hangs what the first one hangs."""


class OwnRow(Frozen):
    """What one row hangs: like the first ("="), or one kind alone, or kinds in an `order`; so many,
    or the most that fit.

    With `pins` it is held at these, and no longer at those of the first row.
    """

    kind: str = ALIKE
    count: Count | None = None
    pins: Pins = ()
    order: Annotated[tuple[str, ...], Field(max_length=MAX_COUNT)] = ()

    @property
    def alike(self) -> bool:
        """Whether it hangs what the first row hangs."""
        return self.kind == ALIKE and not self.order

    def things(self, of: Things) -> Things:
        """What it hangs, of the kinds that the first row knows."""
        kind = self.order[0] if self.kind == ALIKE else self.kind
        return Things({kind: of.kinds[kind]} | dict(of.kinds), self.order, of.facing)


class RowsBrief(Frozen):
    """How many rows and how they stand; `own` tells what they hang, from the top, beyond it as the
    first.

    Staggered, every second row stands half a pitch over: with one holder fewer, or run out to the
    ends. `drop` is from row to row (None: as little as the things allow, with `lift` to take them
    off).
    """

    count: Annotated[int, whole(1, MOST_ROWS)] = 1
    layout: Literal["straight", "staggered"] = "straight"
    stagger: Literal["fewer", "ends"] = "fewer"
    own: Annotated[tuple[OwnRow, ...], Field(max_length=MOST_ROWS)] = ()
    boards: Literal["one", "each"] = "one"
    lift: Gap = usual("20 mm", "3/4 in")
    drop: Size | None = None

    def own_of(self, k: int) -> OwnRow:
        """What row `k` has of its own."""
        return self.own[k] if k < len(self.own) else OwnRow()

    def with_own(self, k: int, own: OwnRow) -> tuple[OwnRow, ...]:
        """What the rows have of their own, with another one for row `k`."""
        many = max(len(self.own), k + 1)
        return tuple(own if i == k else self.own_of(i) for i in range(many))


@dataclass(frozen=True, slots=True)
class Standing:
    """A row in its place: how far its axis hangs below the first row's, mm, and what that had to be
    at least.
    """

    row: Row
    down: Fraction
    needed: Fraction


class Fixture(NamedTuple):
    """A kind of holder as a row is spaced by it: its reach, and the least from one axis to the
    next.
    """

    reach: Reach
    apart: Fraction

    def gap(self, asked: Fraction) -> Fraction:
        """The gap between two of them, at least as asked."""
        return max(asked, self.apart - self.reach.across)


Fixtures = Mapping[int, Fixture]
"""Those of rows that have another one than the first, by their index."""
ALL_ALIKE: Fixtures = {}


def solve_rows(brief: RowsBrief, first: Row, fixtures: Fixtures = ALL_ALIKE) -> tuple[Row, ...]:
    """Every row from the top; `first` is solved already and gives the board."""
    found = [first]
    offset: Row | None = None
    for k in range(1, brief.count):
        own, fixture = brief.own_of(k), fixtures.get(k)
        if not own.alike:
            row = _row_of(own, first, fixture)
        elif brief.layout == "staggered" and k % 2 == 1:
            row = offset = offset or _staggered(brief, first) or first
        else:
            row = first
        if own.alike and fixture:
            row = _on_others(row, fixture)
        if sum(row.holders for row in found) + row.holders > MOST_HOLDERS:
            break
        found.append(held(row, own))
    return tuple(found)


def held(row: Row, own: OwnRow) -> Row:
    """A row that follows the first, held at its own pins where it has some."""
    return (
        solve(row.brief.changed({"pins": own.pins}), row.things_of, row.fixture)
        if own.pins
        else row
    )


def room_for_ends(row: Row) -> bool:
    """Whether an offset row can have a holder half a pitch beyond the first row's at both ends."""
    return min(row.left - row.fixture.left, row.right - row.fixture.right) >= row.t * HALF


def can_stagger(row: Row) -> bool:
    """Whether a row has the one pitch that half of can be stepped aside."""
    return not row.airy and not row.trouble and row.holders > 1


def _row_of(own: OwnRow, first: Row, fixture: Fixture | None) -> Row:
    """A row of other things on the first one's board, on other holders where it has some."""
    # Where the first row's ends are what is left over, they say nothing about another row.
    shared = first.brief.follows in ("ends", "nothing")
    asked = first.brief.changed(
        {
            "ends": Ends(rule="half") if shared else first.brief.ends,
            "follows": "pitch" if own.count or own.order else "count",
            "count": own.count or len(own.order) or first.count,
            "length": first.length,
            "pitch": None,
            "spacing": "air" if first.brief.spacing == "air" else "even",
            "order": (),
            "pins": (),
            "spares": 0,
        }
    )
    things = own.things(first.things_of)
    if fixture is None:
        return solve(asked, things, first.fixture)
    return solve(asked.changed({"fixture_gap": fixture.gap(ZERO)}), things, fixture.reach)


def _on_others(row: Row, fixture: Fixture) -> Row:
    """The same marks for other holders."""
    ends = margins(max(row.left, ZERO), max(row.right, ZERO))
    gap = fixture.gap(ZERO)
    same = {
        "follows": "pitch",
        "length": row.length,
        "pitch": None,
        "ends": ends,
        "fixture_gap": gap,
    }
    return solve(row.brief.changed(same), row.things_of, fixture.reach)


def _staggered(brief: RowsBrief, first: Row) -> Row | None:
    """The first row moved half a pitch over, or None where it cannot be."""
    if not can_stagger(first):
        return None
    half = first.t * HALF
    left, right, count = first.left + half, first.right + half, first.count - 1
    if brief.stagger == "ends" and room_for_ends(first):
        left, right, count = first.left - half, first.right - half, first.count + 1
    if count < 1:
        return None
    return beside(first, left, right, count)


def beside(first: Row, left: Fraction, right: Fraction, count: int) -> Row:
    """A row with the first one's pitch on a board of the same length, from other ends."""
    # With one holder there is no pitch to follow from: it stands at its left end.
    asked = first.brief.changed(
        {
            "follows": "nothing",
            "pitch": first.t,
            "spacing": "set",
            "length": first.length,
            "count": count,
            "ends": margins(max(left, ZERO), max(right, ZERO)),
            "pins": (),
        }
    )
    return solve(asked, first.things_of, first.fixture)


def margins(left: Fraction, right: Fraction) -> Ends:
    """Ends that were worked out, not asked for: they may be longer than anybody could ask."""
    return Ends(rule="margin").changed({"left": left, "right": right})


def stand(
    brief: RowsBrief,
    rows: Sequence[Row],
    kinds: Mapping[str, Item],
    least: Fraction,
    drops: Mapping[int, Fraction],
) -> tuple[Standing, ...]:
    """Each row in its place. `least` is what the fixtures, or the boards, need from row to row;
    `drops` is how much further below their holders things hang than they do in the first row, by
    the row.
    """
    found = [Standing(rows[0], ZERO, ZERO)]
    known: dict[tuple[int, int], Fraction] = {}  # alike rows are one object

    def between(upper: Row, lower: Row) -> Fraction:
        pair = (id(upper), id(lower))
        if pair not in known:
            known[pair] = drop_needed(upper, lower, kinds, brief.lift)
        return known[pair]

    for k in range(1, len(rows)):
        # A row clears every row above it, not only the next: low things reach past short ones.
        needed = max(
            standing.down
            + max(
                between(standing.row, rows[k]) + drops.get(i, ZERO) - drops.get(k, ZERO),
                least * (k - i),
            )
            for i, standing in enumerate(found)
        )
        found.append(Standing(rows[k], needed if brief.drop is None else k * brief.drop, needed))
    return tuple(found)


def drop_needed(upper: Row, lower: Row, kinds: Mapping[str, Item], lift: Fraction) -> Fraction:
    """The least drop from one row to another whose things hang clear and can be lifted off; mm.

    Things that pass each other at the sides with the row's air ask for none; round ones nest at
    sqrt((d + c)^2 - x^2), x apart sideways.
    """
    air = upper.brief.air
    reach = max(max(t.reach.left, t.reach.right) for t in (*upper.things, *lower.things))
    worst = ZERO
    seen: set[tuple[int, int, Fraction]] = set()
    for thing, x in zip(upper.things, upper.centres, strict=True):
        low = bisect_left(lower.centres, x - 2 * reach - air)
        high = bisect_right(lower.centres, x + 2 * reach + air)
        for other, at in zip(lower.things[low:high], lower.centres[low:high], strict=True):
            if (known := (id(thing), id(other), at - x)) in seen:
                continue
            seen.add(known)
            aside = at - x if at >= x else x - at
            beside = (
                thing.reach.right + other.reach.left
                if at >= x
                else thing.reach.left + other.reach.right
            )
            if aside < beside + air:
                worst = max(
                    worst, _in_front(kinds[thing.kind], kinds[other.kind], aside, air, lift)
                )
    return worst


def _in_front(above: Item, under: Item, aside: Fraction, air: Fraction, lift: Fraction) -> Fraction:
    """The drop between two things that overlap seen from the side."""
    straight = above.below + lift + under.above
    if not (above.round and under.round):
        return straight
    apart = (above.across + under.across) / 2 + air
    nested = (
        Fraction(ceil(sqrt(float(apart**2 - aside**2)) * 10**6), 10**6) if aside < apart else ZERO
    )
    # The middles of the circles need not be on the axes.
    return min(straight, nested - (above.above - above.below) / 2 + (under.above - under.below) / 2)
