"""A strip between a rack and its wall, a batten or a cleat: its sizes, and the screws that hold the
rack to it.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from math import ceil

from yardcliff.core.brief.mounting import By
from yardcliff.core.materials.sold import HOLDS, next_length, screw_sizes
from yardcliff.core.rack import Part
from yardcliff.core.strength.wood import lateral, thread, withdrawal
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length_text import read
from yardcliff.core.units.spans import nearest
from yardcliff.core.units.trade import Either, Trade, either
from yardcliff.core.wall.grounds import Span
from yardcliff.core.wall.loading import Bearing, Load, Pull, pulls

APART = Fraction(800)
"""Along a board at most from screw to screw, mm: rule of thumb for boards of 18 mm and more."""
BATTEN = Either((Fraction(21), Fraction(70)), (read("3/4 in"), read("2 1/2 in")))
CLEAT = Either((Fraction(18), Fraction(60)), (read("3/4 in"), read("2 1/2 in")))
"""How thick and how wide a strip on the wall is, mm: as sold, or ripped from that."""
SEAT, SEAT_DEEP = either("20 mm", "3/4 in"), either("8 mm", "5/16 in")
"""Where a lag screw's head and washer are sunk in a strip: the socket's width, and both and a
little more.
"""
PAST = either("30 mm", "1 1/4 in")
"""How far a strip runs past its outermost screw."""
STACK = either("12 mm", "1/2 in")
"""From a strip's middle up and down to its two screws in a board that stands: five diameters apart.
"""
BEHIND = either("2 mm", "1/16 in")
"""Wood that stays between such a screw's point and the other side."""
MOST = 24
"""Of them at most that are tried."""


@dataclass(frozen=True, slots=True)
class Joined:
    """How a rack is screwed to its strip: `count` screws so long, all along one line `at` these
    places; what one bears at worst, and may.
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


def strip_size(by: By, trade: Trade) -> tuple[Fraction, Fraction]:
    """How thick and how wide the strip is that a rack hangs by, mm."""
    return (BATTEN if by == "batten" else CLEAT).of(trade)


def strip_screw(trade: Trade) -> dict[str, Fraction]:
    """The screws from a rack to its strip: how thick, what lets them pass, their pilots, mm."""
    return screw_sizes(HOLDS.of(trade))


def strip_edges(by: By, heights: Sequence[Fraction], trade: Trade) -> Bearing:
    """Where strips whose middles are at these heights bear on the wall, mm."""
    half = float(strip_size(by, trade)[1] / 2)
    return Bearing(float(min(heights)) - half, float(max(heights)) + half)


def joined(
    by: By,
    grounds: Sequence[Part],
    free: Sequence[tuple[Fraction, tuple[Span, ...]]],
    on: Sequence[Load],
    bears: Bearing,
    trade: Trade,
) -> Joined | None:
    """As few screws as hold the rack to its strip: through its boards into a batten, or through a
    cleat's half into them. They stand at each height of `free`, where it is free there.
    """
    free = [(y, spans) for y, spans in free if spans]
    if not free:
        return None
    thick = strip_size(by, trade)[0]
    # Out of the thinnest board none comes, and in the thickest one as much holds as is left.
    thinnest, thickest = (of(part.depth for part in grounds) for of in (min, max))
    length = next_length(thinnest + thick - BEHIND.of(trade), trade)
    into = max(length - (thickest if by == "batten" else thick), Fraction(0))
    wood = "softwood" if by == "batten" else grounds[0].wood
    diameter = float(strip_screw(trade)["diameter"])
    may_pull = withdrawal(wood, diameter, thread(float(length), float(into), diameter))
    may_shear = lateral(wood, diameter, float(into))
    best: Joined | None = None
    least = max(2, *(ceil((spans[-1][1] - spans[0][0]) / APART) + 1 for _, spans in free))
    for count in range(least, max(least, MOST) + 1):
        at = tuple((x, y) for y, spans in free for x in _along(spans, count, SEAT.of(trade)))
        worst = max(
            pulls([(float(x), float(y)) for x, y in at], on, bears, may_pull, may_shear),
            key=lambda pull: pull.share,
        )
        best = Joined(at, length, worst, may_pull, may_shear)
        if best.share <= 1:
            break
    return best


def _along(spans: Sequence[Span], count: int, apart: Fraction) -> tuple[Fraction, ...]:
    """So many places evenly from end to end, each where it is free; one in the middle where they
    would touch.
    """
    low, high = spans[0][0], spans[-1][1]
    if high - low < 2 * apart:
        return (nearest(spans, (low + high) / 2),)
    found: list[Fraction] = []
    for k in range(count):
        place = nearest(spans, low + (high - low) * k / (count - 1))
        if not found or place - found[-1] >= apart:
            found.append(place)
    return tuple(found)
