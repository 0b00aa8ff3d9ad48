"""Aids for marking out: a story stick, a drilling jig for repeats, and the same rack as a family of
lengths.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from math import ceil
from typing import Literal

from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.base.model import MAX_COUNT
from yardcliff.core.row.row import Row
from yardcliff.core.row.spacing import solve
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.messages import tr

Pair = Literal["none", "matched", "mirrored"]
MOST_LANES = 4
"""Lanes that stand under one another on a sheet of paper."""
LONGEST_FAMILY = 40
JIG_EDGE = Fraction(20)
"""From a jig's end to its first hole, so that the end does not split."""


class AidError(YardcliffError, ValueError):
    """An aid that this rack cannot have, and why."""


@dataclass(frozen=True, slots=True)
class Tick:
    """A mark on a lane, mm from its left end; a hole of `bore` mm where the lane is drilled."""

    at: Fraction
    label: str
    bore: Fraction | None = None


@dataclass(frozen=True, slots=True)
class Lane:
    """One strip of marks. `datum` is the end that its board is measured from."""

    title: str
    length: Fraction
    ticks: tuple[Tick, ...]
    datum: Literal["left", "right"] = "left"


@dataclass(frozen=True, slots=True)
class Strip:
    """What is printed at true size: its lanes, and a line on how to use it."""

    title: str
    says: str
    lanes: tuple[Lane, ...]


def story_stick(rows: Sequence[tuple[str, Row]], tape: Tape, pair: Pair) -> Strip:
    """Every mark of several boards on one stick; the first of them twice for a pair. Raises
    `AidError`.

    The second of a matched pair carries the same marks from the same end; of a mirrored one, from
    the other.
    """
    lanes = [_lane(name, row, tape) for name, row in rows]
    says = tr("row.glue-batten-hook-datum-ends-together")
    if pair != "none":
        first = lanes[0]
        if pair == "matched":
            second = Lane(
                tr("row.second-of-the-pair", title=first.title), first.length, first.ticks
            )
            says += tr("row.mark-both-boards-pair-clamped-side")
        else:
            ticks = tuple(
                Tick(first.length - tick.at, tick.label) for tick in reversed(first.ticks)
            )
            second = Lane(
                tr("row.mirrored-datum-at-the-right", title=first.title),
                first.length,
                ticks,
                "right",
            )
            says += tr("row.second-board-first-seen-in-mirror")
        lanes.insert(1, second)
    if len(lanes) > MOST_LANES:
        raise AidError(tr("row.boards-do-not-fit-on-one", count=len(lanes), most_lanes=MOST_LANES))
    return Strip(tr("row.story-stick"), says, tuple(lanes))


def _lane(name: str, row: Row, tape: Tape) -> Lane:
    return Lane(name, row.length, tuple(Tick(axis, tape.write(axis)) for axis in row.axes))


@dataclass(frozen=True, slots=True)
class Jig:
    """A strip of holes one pitch apart: `moves` of it reach the row's end, each off by `error` mm
    at the most.
    """

    strip: Strip
    holes: int
    length: Fraction
    moves: int
    error: Fraction


def drilling_jig(name: str, row: Row, tape: Tape, bore: Fraction, holes: int) -> Jig:
    """A jig with so many holes of `bore` mm; the first takes a pin in the last hole drilled. Raises
    `AidError`.

    A jig carries its own error along: made to the tape, each move may add half a step.
    """
    if row.airy or row.uneven or row.holders < 3:
        raise AidError(tr("row.jig-repeats-one-pitch-this-row"))
    if not 2 <= holes <= row.holders:
        raise AidError(tr("row.jig-for-this-row-has-2", most=row.holders, holes=holes))
    ticks = tuple(
        Tick(
            JIG_EDGE + k * row.t,
            "pin" if k == 0 else f"{k + 1}: {tape.write_fine(k * row.t)}",
            bore,
        )
        for k in range(holes)
    )
    length = 2 * JIG_EDGE + (holes - 1) * row.t
    moves = ceil(Fraction(row.holders - 1, holes - 1))
    says = tr("row.mark-first-hole-at-from-datum", axes=tape.write(row.axes[0]), moves=moves)
    return Jig(
        Strip(tr("row.drilling-jig"), says, (Lane(name, length, ticks),)),
        holes,
        length,
        moves,
        (moves - 1) * tape.step / 2,
    )


def family(row: Row, fewest: int, most: int) -> tuple[Row, ...]:
    """The same rack at every count from `fewest` to `most`, spaced alike; the board follows. Raises
    `AidError`.
    """
    if not 1 <= fewest <= most <= MAX_COUNT:
        raise AidError(
            tr("row.family-runs-from-1-or-more", max_count=MAX_COUNT, fewest=fewest, most=most)
        )
    if most - fewest >= LONGEST_FAMILY:
        raise AidError(
            tr(
                "row.lengths-too-many-for-one-table",
                most=most - fewest + 1,
                longest_family=LONGEST_FAMILY,
            )
        )
    spaced = {"air": max(row.t, Fraction(0))} if row.airy else {"pitch": row.t, "spacing": "even"}
    base = row.brief.changed({"follows": "length", "pins": (), "keepouts": (), **spaced})
    return tuple(
        solve(base.changed({"count": count}), row.things_of, row.fixture)
        for count in range(fewest, most + 1)
    )
