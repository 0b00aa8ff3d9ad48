"""A batten behind a rack, as long as studs want it, where the wall is free."""

from collections.abc import Sequence
from itertools import pairwise

from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.trade import Trade
from yardcliff.core.wall.bodies import Body
from yardcliff.core.wall.grounds import RIM_OF_STUD, ScrewLine
from yardcliff.core.wall.strips import BATTEN, PAST
from yardcliff.core.wall.survey import Area, Site, area


def batten_behind(
    body: Body, found: Sequence[ScrewLine], site: Site, x: Fraction, trade: Trade
) -> tuple[tuple[ScrewLine, ...], tuple[Fraction, Fraction]]:
    """A batten behind the whole body, and past it as far as two studs want: the shortest that has
    room. The rack's datum is `x` from the wall's left corner.
    """
    (thick, wide), past = BATTEN.of(trade), PAST.of(trade)
    left = min(part.x for part in body.grounds)
    right = max(part.x + part.length for part in body.grounds)
    studs = [stud - x for stud in site.wall.stud_middles]
    reach = [(min(left, a - past), max(right, b + past)) for a, b in pairwise(studs)]

    def worse(ends: tuple[Fraction, Fraction]) -> tuple[bool, Fraction]:
        return not lies_free(ends, found, wide, site, x), ends[1] - ends[0]

    ends = min(reach, key=worse, default=(left, right))
    ys = dict.fromkeys(line.ys[0] for line in found) or dict.fromkeys([body.low])
    free = ((ends[0] + past - RIM_OF_STUD, ends[1] - past + RIM_OF_STUD),)
    return tuple(ScrewLine(body.grounds[0], (y,), free, thick) for y in ys), ends


def lies_free(
    strip: tuple[Fraction, Fraction],
    found: Sequence[ScrewLine],
    wide: Fraction,
    site: Site,
    x: Fraction,
) -> bool:
    """Whether a strip is on the wall, and on nothing that is there."""
    wall = site.wall
    left, right = strip[0] + x, strip[1] + x
    lies = [Area(left, line.ys[0] - wide / 2, right, line.ys[0] + wide / 2) for line in found]
    there = [area(obstacle) for obstacle in wall.obstacles]
    return (
        left >= 0
        and right <= wall.width
        and not any(one.meets(other) for one in lies for other in there)
    )
