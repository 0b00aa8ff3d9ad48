"""A strip between a rack and its wall, a batten or a cleat: its sizes, and the screws that hold the rack to it."""

from collections.abc import Sequence
from dataclasses import dataclass
from math import ceil

from yardcliff.core.exact import Fraction
from yardcliff.core.materials import next_length
from yardcliff.core.rack import Part
from yardcliff.core.site.asked import By
from yardcliff.core.site.grounds import Span
from yardcliff.core.site.loads import Bearing, Load, Pull, pulls
from yardcliff.core.spans import nearest
from yardcliff.core.strength.wood import lateral, thread, withdrawal

APART = Fraction(800)
"""Along a board at most from screw to screw, mm: rule of thumb for boards of 18 mm and more."""
BATTEN, CLEAT = (Fraction(21), Fraction(70)), (Fraction(18), Fraction(60))
"""How thick and how wide a strip on the wall is, mm."""
SEAT, SEAT_DEEP = Fraction(20), Fraction(8)
"""Where an 8 mm lag screw's head and washer are sunk in a strip, mm: the socket's width, and both and a little more."""
PAST = Fraction(30)
"""How far a strip runs past its outermost screw, mm."""
GAUGE, CLEAR, PILOT = "5.0", Fraction(11, 2), Fraction(3)
"""The screws from a rack to its strip, the hole that lets them pass, and their pilot in softwood, mm (data/screws.toml)."""
BEHIND = Fraction(2)
"""Wood that stays between such a screw's point and the other side, mm."""
MOST = 24
"""Of them at most that are tried."""


@dataclass(frozen=True, slots=True)
class Joined:
    """How a rack is screwed to its strip: `count` screws so long, all along one line `at` these places; what one
    bears at worst, and may.
    """

    at: tuple[tuple[Fraction, Fraction], ...]
    length: Fraction
    worst: Pull
    may_pull: float
    may_shear: float

    @property
    def count(self) -> int:
        return len(self.at)

    @property
    def share(self) -> float:
        return self.worst.share


def strip_edges(by: By, heights: Sequence[Fraction]) -> Bearing:
    """Where strips whose middles are at these heights bear on the wall, mm."""
    half = float((BATTEN if by == "batten" else CLEAT)[1] / 2)
    return Bearing(float(min(heights)) - half, float(max(heights)) + half)


def joined(
    by: By, ground: Part, free: Sequence[tuple[Fraction, tuple[Span, ...]]], on: Sequence[Load], bears: Bearing
) -> Joined | None:
    """As few screws as hold the rack to its strip: through the board into a batten, or through a cleat's half into
    the board. They stand at each height of `free`, where it is free there.
    """
    free = [(y, spans) for y, spans in free if spans]
    if not free:
        return None
    thick = (BATTEN if by == "batten" else CLEAT)[0]
    length = Fraction(next_length(ground.depth + thick - BEHIND))
    into = max(length - (ground.depth if by == "batten" else thick), Fraction(0))
    wood = "softwood" if by == "batten" else ground.wood
    diameter = float(GAUGE)
    may_pull = withdrawal(wood, diameter, thread(float(length), float(into), diameter))
    may_shear = lateral(wood, diameter, float(into))
    best: Joined | None = None
    low, high = free[0][1][0][0], free[0][1][-1][1]
    least = max(2, ceil((high - low) / APART) + 1)
    for count in range(least, max(least, MOST) + 1):
        wanted = [low + (high - low) * k / (count - 1) for k in range(count)]
        at = tuple(dict.fromkeys((nearest(spans, x), y) for y, spans in free for x in wanted))
        worst = max(
            pulls([(float(x), float(y)) for x, y in at], on, bears, may_pull, may_shear), key=lambda pull: pull.share
        )
        best = Joined(at, length, worst, may_pull, may_shear)
        if best.share <= 1:
            break
    return best
