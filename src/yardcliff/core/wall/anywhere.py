"""Fixings in a wall that takes them anywhere: as few as bear the load, apart, on steps
of the tape.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from math import ceil

from yardcliff.core.brief.mounting import Mount
from yardcliff.core.rack import Part
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.spans import cut, meet, nearest
from yardcliff.core.wall.grounds import RIM_OF_STUD, Screw, ScrewLine, Span
from yardcliff.core.wall.loading import Pull
from yardcliff.core.wall.placing import fewest, whole_unit
from yardcliff.core.wall.strips import APART
from yardcliff.core.wall.survey import no_hole
from yardcliff.core.wall.wall import Wall

MOST = 8
"""Fixings in a line at most where they may stand anywhere, as far as its length does not ask for
more: rule of thumb.
"""


@dataclass(frozen=True)
class Anywhere:
    """A wall, and where on it the rack's datum is."""

    wall: Wall
    x: Fraction
    tape: Tape

    def spread(
        self,
        found: Sequence[ScrewLine],
        bear: Callable[[Sequence[Screw]], list[Pull]],
        mount: Mount,
        apart: Fraction,
    ) -> tuple[tuple[Screw, ...], bool]:
        """As few fixings as bear the load, spread over each line, clear of the studs that they
        could not go into and of one another.
        """
        lines = [replace(line, ys=_thinned(line.ys, apart)) for line in found]
        screws: list[Screw] = []
        most = (
            max(MOST, *(ceil((line.free[-1][1] - line.free[0][0]) / APART) + 1 for line in lines))
            if lines
            else MOST
        )
        for count in range(2, most + 1):
            screws = []
            for line in lines:
                xs = self._along(line, count, mount, apart)
                screws += [Screw(line.part.key, x, y, None) for x in xs for y in line.ys]
            if (
                screws
                and max((pull.share for pull in bear(screws)), default=9) <= 1
                and self._near(lines, screws)
            ):
                break
        few = any(
            len({s.x for s in screws if s.part == line.part.key}) < line.least for line in lines
        )
        return tuple(dict.fromkeys(screws)), not screws or few

    def _near(self, found: Sequence[ScrewLine], screws: Sequence[Screw]) -> bool:
        for line in found:
            xs = sorted({s.x for s in screws if s.part == line.part.key})
            if any(b - a > APART for a, b in pairwise(xs)):
                return False
        return True

    def _along(
        self, line: ScrewLine, count: int, mount: Mount, apart: Fraction
    ) -> tuple[Fraction, ...]:
        """So many places along a line, or as many as stand apart, on steps of the tape."""
        wall = self.wall
        shut = [(a - self.x, b - self.x) for y in line.ys for a, b in no_hole(wall, y)]
        if wall.makeup in ("timber studs", "steel studs"):
            half = wall.studs.wide / 2 + RIM_OF_STUD
            shut += [(s - half - self.x, s + half - self.x) for s in wall.stud_middles]
        free = cut(line.free, shut)
        even = meet(free, line.mirrored(free)) if mount.screws == "even" else ()
        free = even or free
        if not free:
            return ()
        low, high = free[0][0], free[-1][1]
        if not line.wide:
            return (self._on_step(free, (low + high) / 2, line.part),)
        wanted = [low + (high - low) * k / (count - 1) for k in range(count)]
        if not even:
            return _thinned([self._on_step(free, x, line.part) for x in wanted], apart)
        middle = line.part.x + line.part.length / 2
        left = meet(free, ((low, middle - apart / 2),))
        found = _thinned(
            [self._on_step(left, x, line.part) for x in wanted[: count // 2]] if left else [], apart
        )
        odd = (
            count % 2
            and any(a <= middle <= b for a, b in free)
            and not (found and middle - found[-1] < apart)
        )
        return (*found, *((middle,) if odd else ()), *(2 * middle - x for x in reversed(found)))

    def _on_step(self, free: Sequence[Span], wanted: Fraction, part: Part) -> Fraction:
        """The free place that is nearest to one that is wanted, on a step of the tape from the
        part's end if one is.
        """
        step = self.tape.step
        ends = ((-(-(a - part.x) // step), (b - part.x) // step) for a, b in free)
        inside = [(part.x + a * step, part.x + b * step) for a, b in ends if a <= b]
        whole = part.x + ((wanted - part.x) / step + Fraction(1, 2)) // 1 * step
        return nearest(inside, whole) if inside else nearest(free, wanted)


def _thinned(places: Sequence[Fraction], apart: Fraction) -> tuple[Fraction, ...]:
    """The places without those that are nearer than that to the one before."""
    kept: list[Fraction] = []
    for place in places:
        if not kept or abs(place - kept[-1]) >= max(apart, Fraction(1)):
            kept.append(place)
    return tuple(kept)


def fewest_screws(
    found: Sequence[ScrewLine], screws: Sequence[Screw], step: Fraction
) -> tuple[Screw, ...]:
    """The outermost screws of each line and as few between as keep them near enough."""
    kept: list[Screw] = []
    for line in found:
        xs = sorted({s.x for s in screws if s.part == line.part.key and s.y in line.ys})
        unit = whole_unit(step, [*xs, APART])
        chosen = {xs[k] for k in fewest([int(x * unit) for x in xs], int(APART * unit))}
        kept += [s for s in screws if s.part == line.part.key and s.y in line.ys and s.x in chosen]
    return tuple(kept)
