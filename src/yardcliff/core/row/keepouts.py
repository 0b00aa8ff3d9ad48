"""Keep-outs: stretches of the board where no fixture may stand, and how a row gives way to them.

First the whole row shifts; where no shift clears them all, single holders are nudged, by a set
tolerance at most. What still stands on a keep-out is left there and said.
"""

from bisect import bisect_left, bisect_right
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated, Literal

from pydantic import Field

from yardcliff.core.base.model import Frozen
from yardcliff.core.things.thing import Reach
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size
from yardcliff.core.units.trade import usual

Flaw = Literal["knot", "seam", "screw", "plate"]
CANDIDATES = 60
"""Shifts that are tried: the nearest ones that bring some fixture just beside some keep-out."""
ZERO = Fraction(0)


class KeepOut(Frozen):
    """`at` is the left edge from the datum, `width` how far it runs to the right."""

    flaw: Flaw = "knot"
    at: Gap
    width: Size = usual("25 mm", "1 in")


KeepOuts = Annotated[tuple[KeepOut, ...], Field(max_length=40)]


@dataclass(frozen=True, slots=True)
class Given:
    """How a row gave way: the shift of all, the nudges of some, and (holder, keep-out)
    that remain.
    """

    shift: Fraction = ZERO
    nudges: tuple[tuple[int, Fraction], ...] = ()
    hits: tuple[tuple[int, int], ...] = ()


def give_way(
    axes: Sequence[Fraction],
    keepouts: Sequence[KeepOut],
    fixture: Reach,
    board: Fraction,
    room: tuple[Fraction, Fraction],
    apart: Fraction,
    tolerance: Fraction,
    held: frozenset[int],
) -> Given:
    """How a row whose `axes` grow gives way to `keepouts`; lengths in mm.

    A fixture stays on the `board`'s length; `room` is how far the row may shift to the left and to
    the right, `apart` the least distance between axes, `held` the holders that are pinned: a row
    with pins never shifts.
    """
    ends = (fixture.left, board - fixture.right)
    barred = [(k.at - fixture.right, k.at + k.width + fixture.left) for k in keepouts]
    if not any(bisect_right(axes, low) < bisect_left(axes, high) for low, high in barred):
        return Given()
    best: tuple[int, Fraction, Fraction] | None = None
    given = Given()
    for shift in _shifts(axes, barred, room) if not held else [ZERO]:
        nudges, hits = _nudged(
            [axis + shift for axis in axes], barred, ends, apart, tolerance, held
        )
        score = (len(hits), max((abs(by) for _, by in nudges), default=ZERO), abs(shift))
        if best is None or score < best:
            best, given = score, Given(shift, nudges, hits)
        if not nudges and not hits:
            break  # the shifts come nearest first
    return given


def _shifts(
    axes: Sequence[Fraction],
    barred: Sequence[tuple[Fraction, Fraction]],
    room: tuple[Fraction, Fraction],
) -> list[Fraction]:
    edges: set[Fraction] = set()
    for interval in barred:
        for edge in interval:
            # Only an axis within reach of the edge can be brought there.
            near = axes[bisect_left(axes, edge - room[1]) : bisect_right(axes, edge + room[0])]
            edges.update(edge - axis for axis in near)
    return [ZERO, *sorted(edges, key=abs)[:CANDIDATES]]


def _nudged(
    axes: list[Fraction],
    barred: Sequence[tuple[Fraction, Fraction]],
    ends: tuple[Fraction, Fraction],
    apart: Fraction,
    tolerance: Fraction,
    held: frozenset[int],
) -> tuple[tuple[tuple[int, Fraction], ...], tuple[tuple[int, int], ...]]:
    nudges, hits = [], []
    for i in sorted(
        {i for low, high in barred for i in range(bisect_right(axes, low), bisect_left(axes, high))}
    ):
        axis = axes[i]
        low = axes[i - 1] + apart if i else ends[0]
        high = axes[i + 1] - apart if i + 1 < len(axes) else ends[1]
        ways = [
            to for to in _beside(axis, barred) if abs(to - axis) <= tolerance and low <= to <= high
        ]
        if i in held or not ways:
            hits += [(i, k) for k, (low, high) in enumerate(barred) if low < axis < high]
            continue
        to = min(ways, key=lambda place: abs(place - axis))
        nudges.append((i, to - axis))
        axes[i] = to
    return tuple(nudges), tuple(hits)


def _beside(axis: Fraction, barred: Sequence[tuple[Fraction, Fraction]]) -> list[Fraction]:
    """The nearest free places to the left and to the right of a barred axis."""
    found = []
    for side in (0, 1):
        place = axis
        while hit := next(
            (interval for interval in barred if interval[0] < place < interval[1]), None
        ):
            place = hit[side]
        found.append(place)
    return found
