"""The board that bends first, of a body that is held at some places."""

from collections.abc import Sequence
from itertools import pairwise

from yardcliff.core.rack import Part, Rack
from yardcliff.core.strength.beam import Beam
from yardcliff.core.units.exact import Fraction
from yardcliff.core.wall.bodies import Body
from yardcliff.core.wall.loading import Load

ZERO = Fraction(0)
Spots = Sequence[tuple[Fraction, Fraction]]
"""Places in the rack's frame, (x, y)."""


def beam_of(rack: Rack, body: Body, at: Spots, on: Sequence[Load]) -> Beam:
    """The weakest of the body's boards between its screws: across its widest span, or past its last
    one. What has neither screws nor holders only ties the others together.
    """
    rows = {row.part for row in rack.rows}
    bent = [
        part for part in body.grounds if part.key in rows or any(_in(part, spot) for spot in at)
    ]
    force = max((max(load.down, load.out) for load in on), default=0.0)
    return max(
        (_spans(rack, part, at, on) for part in bent or body.grounds),
        key=lambda beam: beam.share(force),
    )


def _spans(rack: Rack, part: Part, at: Spots, on: Sequence[Load]) -> Beam:
    level = part.length >= part.height
    start, long = (part.x, part.length) if level else (part.y, part.height)
    wide = part.height if level else part.length
    # Where no screw holds it, what it is joined to does.
    inside = [spot for spot in at if _in(part, spot)] or _tied(rack, part)
    places = sorted({x if level else y for x, y in inside})
    holes = [
        hole for k, row in enumerate(rack.rows) if row.part == part.key for hole in rack.bores_of(k)
    ]
    bored = max(
        (hole.bit for hole in holes if hole.purpose in ("peg hole", "pilot hole")), default=ZERO
    )
    cut_in = max((hole.depth for hole in holes if hole.purpose == "groove"), default=ZERO)
    ends = (places[0] - start, start + long - places[-1]) if places else (long / 2, long / 2)
    span = max((b - a for a, b in pairwise(places)), default=ZERO)
    weight = sum(load.weight for load in on) if level else 0.0
    return Beam(
        part.wood,
        float(wide - bored),
        float(part.depth - cut_in),
        float(span),
        float(max(ends)),
        weight / float(long),
    )


def _tied(rack: Rack, part: Part) -> list[tuple[Fraction, Fraction]]:
    """The middles of what a part is joined to, as far as they are beside it."""
    pairs = [(joint.part, joint.other) for joint in rack.joints]
    keys = {key for pair in pairs if part.key in pair for key in pair} - {part.key}

    def beside(low: Fraction, at: Fraction, size: Fraction) -> Fraction:
        return min(max(at, low), low + size)

    return [
        (
            beside(part.x, one.x + one.length / 2, part.length),
            beside(part.y, one.y + one.height / 2, part.height),
        )
        for one in map(rack.part, sorted(keys))
    ]


def _in(part: Part, spot: tuple[Fraction, Fraction]) -> bool:
    return part.x <= spot[0] <= part.x + part.length and part.y <= spot[1] <= part.y + part.height
