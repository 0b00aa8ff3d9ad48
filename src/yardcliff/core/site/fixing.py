"""How a rack is fixed to its wall: every way, what each would bear, and the first that holds.

A way is two things: what the rack hangs `by` (screws through it, plates on its back, a cleat, a batten) and what that goes `into`
(studs, the lining, masonry).
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from itertools import pairwise
from math import lcm

from yardcliff.core.exact import Fraction
from yardcliff.core.length import Tape
from yardcliff.core.rack import Rack
from yardcliff.core.site.anchors import ANCHORS, HOLLOW, Anchor, ratings, screw
from yardcliff.core.site.asked import By, Into, Mount
from yardcliff.core.site.grounds import Body, ScrewLine, bodies, lines
from yardcliff.core.site.loads import Load, Pull, loads, pulls
from yardcliff.core.site.placing import Line, Question, at, fewest
from yardcliff.core.site.spans import cut, meet, nearest
from yardcliff.core.site.survey import Area, Site, area, no_hole
from yardcliff.core.strength import newtons

APART = Fraction(800)
"""Along a board at most from screw to screw, mm: rule of thumb for boards of 18 mm and more."""
RIM_OF_STUD = Fraction(10)
"""A screw keeps so far from a stud's edges, mm: two diameters."""
BATTEN, CLEAT = (Fraction(21), Fraction(70)), (Fraction(18), Fraction(60))
"""How thick and how wide a strip on the wall is, mm."""
PAST = Fraction(30)
"""How far a strip runs past its outermost screw, mm."""
MOST = 16
"""Screws in a line at most that are tried where they may stand anywhere."""
THICK = 35
"""From this on, mm, a board takes a lag screw's head and washer."""
LIGHT = 25
"""What is heavier than this, kg, is not hung on the lining unless somebody asks for it."""
ZERO = Fraction(0)


def percent(share: float) -> str:
    """A share of what something may bear; beyond 999 % the figure says nothing more."""
    return f"{share:.0%}" if share < 9.995 else "far too weak"


@dataclass(frozen=True, slots=True)
class Screw:
    """One fixing in the wall: (x, y) in the rack's frame, and the stud it is in, if it is in one."""

    part: str
    x: Fraction
    y: Fraction
    stud: int | None


@dataclass(frozen=True, slots=True)
class Fixed:
    """A body on its wall by one way. `loose` tells of a line on fewer than two studs; `length` is a screw's, `wood` what it
    passes before the wall, `hold` what of it holds. `strip` is what is fixed to the wall first: from, to, in the rack's frame;
    `blocked` where something is in its way.
    """

    body: Body
    by: By
    anchor: Anchor
    screws: tuple[Screw, ...]
    pulls: tuple[Pull, ...]
    on: tuple[Load, ...]
    wood: Fraction
    length: Fraction
    hold: Fraction
    may_pull: float
    may_shear: float
    loose: bool
    strip: tuple[Fraction, Fraction] | None = None
    blocked: bool = False

    @property
    def share(self) -> float:
        """How much of what it may bear the worst fixing bears: 1 is all."""
        return max((pull.share for pull in self.pulls), default=0.0)

    @property
    def grips(self) -> bool:
        return self.anchor.in_studs or self.anchor.least <= self.hold <= self.anchor.most

    @property
    def good(self) -> bool:
        return not self.loose and not self.blocked and bool(self.screws) and self.share <= 1 and self.grips


class Fixer:
    """Works out how one rack would be fixed at one place on its wall, by any way."""

    def __init__(self, rack: Rack, site: Site, x: Fraction, tape: Tape) -> None:
        self.rack, self.site, self.x, self.tape = rack, site, x, tape

    @cached_property
    def bodies(self) -> tuple[Body, ...]:
        return bodies(self.rack)

    @cached_property
    def loads(self) -> tuple[tuple[Load, ...], ...]:
        return loads(self.rack, self.bodies)

    def fixed(self, mount: Mount) -> tuple[Fixed, ...]:
        """Every body by the mount that was asked for; what is "auto" is the first way that holds it, else the first."""
        return tuple(self._first(k, mount) for k in range(len(self.bodies)))

    def _first(self, k: int, mount: Mount) -> Fixed:
        first: Fixed | None = None
        kilos = sum(load.weight for load in self.loads[k]) / newtons(1000)
        for by, into in self._ways(k, mount):
            if first and kilos > LIGHT and into in HOLLOW and mount.into == "auto":
                continue
            found = self._fix(k, by, into, mount)
            if found.good:
                return found
            first = first or found
        assert first  # every wall has a way
        return first

    def _ways(self, k: int, mount: Mount) -> Iterator[tuple[By, Into]]:
        """The ways that a mount leaves open to a body, the ones to try first first."""
        holds = self._holds(self.bodies[k]) if mount.into == "auto" else [mount.into]
        if mount.by != "auto":
            yield from ((mount.by, into) for into in holds)
            return
        yield from (("through", into) for into in holds)
        yield "batten", holds[0]

    def _holds(self, body: Body) -> list[Into]:
        """What holds a body in this wall, the surest first."""
        wall = self.site.wall
        thick = min((part.depth for part in body.grounds), default=ZERO) >= THICK
        order: list[Into] = ["sheet", "screws", "lags", "steel", "plugs", "toggles", "expanding", "spirals"]
        found = [key for key in order if wall.makeup in ANCHORS[key].walls]
        found = [
            key for key in found if ANCHORS[key].in_studs or ANCHORS[key].least <= wall.lining <= ANCHORS[key].most
        ]
        if not thick and "lags" in found:
            found.remove("lags")
        return found or ["plugs" if wall.makeup == "masonry" else "screws"]

    def question(self, mount: Mount, wanted: Fraction, among: Sequence[tuple[Fraction, Fraction]]) -> Question:
        """What is asked of the placing solver, in units that everything here is a whole number of."""
        by = "through" if mount.by == "auto" else mount.by
        found = [line for body in self.bodies for line in lines(self.rack, body, by)]
        return self._question(found, mount, wanted, among)

    def unit(self, numbers: Sequence[Fraction]) -> int:
        return 2 * lcm(self.tape.step.denominator, *{number.denominator for number in numbers})

    def _question(
        self, found: Sequence[ScrewLine], mount: Mount, wanted: Fraction, among: Sequence[tuple[Fraction, Fraction]]
    ) -> Question:
        wall = self.site.wall
        holds = [[self._hold(stud, line.ys) for stud in wall.stud_middles] for line in found]
        middles = [2 * line.part.x + line.part.length for line in found]
        numbers = [
            wanted, APART, *middles, *wall.stud_middles, *(end for span in among for end in span),
            *(end for line in found for span in line.free for end in span),
            *(end for line in holds for stud in line for span in stud for end in span),
        ]  # fmt: skip
        unit = self.unit(numbers)

        def whole(value: Fraction) -> int:
            return int(value * unit)

        def spans(them: Sequence[tuple[Fraction, Fraction]]) -> tuple[tuple[int, int], ...]:
            return tuple((whole(a), whole(b)) for a, b in them)

        return Question(
            tuple(
                Line(
                    spans(line.free),
                    tuple(map(spans, studs)),
                    line.least,
                    whole(middle) if mount.screws == "even" and line.wide else None,
                )
                for line, studs, middle in zip(found, holds, middles, strict=True)
            ),
            spans(among),
            whole(wanted),
            tuple(map(whole, wall.stud_middles)),
            whole(APART),
            whole(self.tape.step),
        )

    def _hold(self, stud: Fraction, ys: Sequence[Fraction]) -> tuple[tuple[Fraction, Fraction], ...]:
        """Where on the wall a stud holds at these heights."""
        wall = self.site.wall
        half = max(wall.studs.wide / 2 - RIM_OF_STUD, ZERO)
        return cut([(stud - half, stud + half)], [span for y in ys for span in no_hole(wall, y)])

    def _fix(self, k: int, by: By, into: Into, mount: Mount) -> Fixed:
        body, anchor = self.bodies[k], ANCHORS[into]
        found = lines(self.rack, body, by)
        wood = max((line.wood for line in found), default=ZERO)
        strip = None
        on = self.loads[k]
        if by in ("batten", "cleat"):
            wood, _ = BATTEN if by == "batten" else CLEAT
            on = tuple(replace(load, lever=load.lever + float(wood)) for load in on)
        length, hold = screw(anchor, wood, self.site.wall.lining)
        may_pull, may_shear = ratings(anchor, hold, by, mount.carries)
        if by == "batten":
            found, strip = self._batten(body, found)
        elif by == "cleat" and found:
            strip = found[0].free[0][0] - PAST, found[0].free[-1][1] + PAST
        low = float(body.low)
        screws, loose = (
            self._in_studs(found, mount)
            if anchor.in_studs
            else self._anywhere(found, on, low, may_pull, may_shear, mount)
        )

        def bears(them: Sequence[Screw]) -> list[Pull]:
            return pulls([(float(s.x), float(s.y)) for s in them], on, low, may_pull, may_shear)

        if anchor.in_studs and mount.screws == "free" and not loose:
            few = self._fewer(found, screws)
            screws = few if max((pull.share for pull in bears(few)), default=9) <= 1 else screws
        if strip and by == "batten" and screws:
            strip = min(strip[0], min(s.x for s in screws) - PAST), max(strip[1], max(s.x for s in screws) + PAST)
        blocked = strip is not None and not self._lies_free(strip, found, CLEAT[1] if by == "cleat" else BATTEN[1])
        return Fixed(
            body,
            by,
            anchor,
            screws,
            tuple(bears(screws)),
            on,
            wood,
            length,
            hold,
            may_pull,
            may_shear,
            loose,
            strip,
            blocked,
        )

    def _batten(
        self, body: Body, found: Sequence[ScrewLine]
    ) -> tuple[tuple[ScrewLine, ...], tuple[Fraction, Fraction]]:
        """A batten behind the whole body, and past it as far as two studs want: the shortest that has room."""
        left = min(part.x for part in body.grounds)
        right = max(part.x + part.length for part in body.grounds)
        studs = [stud - self.x for stud in self.site.wall.stud_middles]
        reach = [(min(left, a - PAST), max(right, b + PAST)) for a, b in pairwise(studs)]

        def worse(ends: tuple[Fraction, Fraction]) -> tuple[bool, Fraction]:
            return not self._lies_free(ends, found, BATTEN[1]), ends[1] - ends[0]

        ends = min(reach, key=worse, default=(left, right))
        ys = dict.fromkeys(line.ys[0] for line in found) or dict.fromkeys([body.low])
        free = ((ends[0] + PAST - RIM_OF_STUD, ends[1] - PAST + RIM_OF_STUD),)
        return tuple(ScrewLine(body.grounds[0], (y,), free, BATTEN[0]) for y in ys), ends

    def _lies_free(self, strip: tuple[Fraction, Fraction], found: Sequence[ScrewLine], wide: Fraction) -> bool:
        """Whether a strip is on the wall, and on nothing that is there."""
        wall = self.site.wall
        left, right = strip[0] + self.x, strip[1] + self.x
        lies = [Area(left, line.ys[0] - wide / 2, right, line.ys[0] + wide / 2) for line in found]
        there = [area(one) for one in wall.obstacles]
        return left >= 0 and right <= wall.width and not any(one.meets(other) for one in lies for other in there)

    def _in_studs(self, found: Sequence[ScrewLine], mount: Mount) -> tuple[tuple[Screw, ...], bool]:
        """A screw at every height of every line in every stud that it meets; and whether a line is loose."""
        question = self._question(found, mount, self.x, [(self.x, self.x)])
        place = at(question, question.wanted)
        screws: list[Screw] = []
        for line, met in zip(found, place.met, strict=True):
            for j in met:
                where = self._where(line, j, met, mount)
                screws += [Screw(line.part.key, where, y, j) for y in line.ys]
        loose = any(len(met) < line.least for line, met in zip(found, place.met, strict=True))
        return tuple(screws), loose or not screws

    def _where(self, line: ScrewLine, stud: int, met: Sequence[int], mount: Mount) -> Fraction:
        """The screw for a stud, from the datum: as near to the stud's middle as it may stand."""
        studs = self.site.wall.stud_middles
        middle = studs[stud] - self.x
        free = meet(line.free, self._held(studs[stud], line))
        if mount.screws == "even" and line.wide:
            other = met[len(met) - 1 - list(met).index(stud)]
            free = meet(free, line.mirrored(meet(line.free, self._held(studs[other], line)))) or free
        return nearest(free, middle) if free else middle

    def _held(self, stud: Fraction, line: ScrewLine) -> list[tuple[Fraction, Fraction]]:
        return [(a - self.x, b - self.x) for a, b in self._hold(stud, line.ys)]

    def _fewer(self, found: Sequence[ScrewLine], screws: tuple[Screw, ...]) -> tuple[Screw, ...]:
        """The outermost screws of each line and as few between as keep them near enough."""
        kept: list[Screw] = []
        for line in found:
            xs = sorted({s.x for s in screws if s.part == line.part.key and s.y in line.ys})
            unit = self.unit([*xs, APART])
            chosen = {xs[k] for k in fewest([int(x * unit) for x in xs], int(APART * unit))}
            kept += [s for s in screws if s.part == line.part.key and s.y in line.ys and s.x in chosen]
        return tuple(kept)

    def _anywhere(
        self,
        found: Sequence[ScrewLine],
        on: Sequence[Load],
        low: float,
        may_pull: float,
        may_shear: float,
        mount: Mount,
    ) -> tuple[tuple[Screw, ...], bool]:
        """As few fixings as bear the load, spread over each line, clear of the studs that they could not go into."""
        screws: list[Screw] = []
        for count in range(2, MOST + 1):
            screws = []
            for line in found:
                screws += [Screw(line.part.key, x, y, None) for x in self._spread(line, count, mount) for y in line.ys]
            if screws and max(
                (pull.share for pull in pulls([(float(s.x), float(s.y)) for s in screws], on, low, may_pull, may_shear)),
                default=9,
            ) <= 1 and self._near(found, screws):  # fmt: skip
                break
        few = any(len({s.x for s in screws if s.part == line.part.key}) < line.least for line in found)
        return tuple(dict.fromkeys(screws)), not screws or few

    def _near(self, found: Sequence[ScrewLine], screws: Sequence[Screw]) -> bool:
        for line in found:
            xs = sorted({s.x for s in screws if s.part == line.part.key})
            if any(b - a > APART for a, b in pairwise(xs)):
                return len(xs) >= MOST
        return True

    def _spread(self, line: ScrewLine, count: int, mount: Mount) -> list[Fraction]:
        wall = self.site.wall
        shut = [(a - self.x, b - self.x) for y in line.ys for a, b in no_hole(wall, y)]
        if wall.makeup in ("timber studs", "steel studs"):
            half = wall.studs.wide / 2 + RIM_OF_STUD
            shut += [(s - half - self.x, s + half - self.x) for s in wall.stud_middles]
        free = cut(line.free, shut)
        if mount.screws == "even":
            free = meet(free, line.mirrored(free)) or free
        if not free:
            return []
        low, high = free[0][0], free[-1][1]
        if not line.wide:
            return [nearest(free, (low + high) / 2)]
        wanted = [low + (high - low) * k / (count - 1) for k in range(count)]
        return list(dict.fromkeys(nearest(free, x) for x in wanted))
