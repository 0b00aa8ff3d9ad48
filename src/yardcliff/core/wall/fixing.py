"""How a rack is fixed to its wall: every way, what each would bear, and the first that holds.

A way is two things: what the rack hangs `by` (screws through it, plates on its back, a cleat, a
batten) and what that goes `into` (studs, the lining, masonry).
"""

from collections.abc import Iterator, Sequence
from copy import copy
from dataclasses import dataclass, replace
from functools import cached_property
from itertools import pairwise
from math import inf, lcm

from yardcliff.core.brief.mounting import By, Into, Mount, Spot
from yardcliff.core.rack import Rack
from yardcliff.core.strength.beam import Beam
from yardcliff.core.strength.force import newtons
from yardcliff.core.strength.link import Kind, Link
from yardcliff.core.strength.wood import SAFETY
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.spans import cut, meet, nearest
from yardcliff.core.wall.anchors import ANCHORS, HOLLOW, Anchor, drive, ratings
from yardcliff.core.wall.anywhere import Anywhere
from yardcliff.core.wall.bending import beam_of
from yardcliff.core.wall.boring import HEAD
from yardcliff.core.wall.grounds import (
    RIM_OF_STUD,
    Body,
    Screw,
    ScrewLine,
    Span,
    bodies,
    clear_at,
    lines,
)
from yardcliff.core.wall.loading import Bearing, Load, Pull, loads, pulls
from yardcliff.core.wall.placing import Line, Question, at, fewest
from yardcliff.core.wall.strips import (
    APART,
    BATTEN,
    CLEAT,
    PAST,
    SEAT_DEEP,
    STACK,
    Joined,
    joined,
    strip_edges,
)
from yardcliff.core.wall.survey import Area, Site, area, no_hole
from yardcliff.data import values

THICK = 35
"""From this on, mm, a board takes a lag screw's head and washer."""
HUNG_ON: frozenset[By] = frozenset({"keyholes", "hangers", "cleat"})
"""What a rack hangs on with play: pulled straight out, its foot swings, and nothing is prised off
about its upper edge.
"""
FOOT = 10.0
"""A board that reaches further below its strip than this, mm, wants a spacer at its foot."""
LIGHT = 25
"""What is heavier than this, kg, is not hung on the lining unless somebody asks for it."""
ZERO = Fraction(0)


@dataclass(frozen=True)
class Fixed:
    """A body on its wall by one way. `loose` tells of a line on fewer than two studs; `length` is a
    screw's, `wood` what it passes before the wall, `hold` what of it holds. `strip` is what is
    fixed to the wall first: from, to, in the rack's frame; `joined` is how the rack is screwed to
    it, with room for a `spacer` below it or none, `blocked` where something is in its way. It
    `bears` on the wall at its edges; `beam` is the board between its screws.
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
    bears: Bearing
    beam: Beam
    strip: tuple[Fraction, Fraction] | None = None
    blocked: bool = False
    joined: Joined | None = None
    spacer: Fraction = ZERO

    @cached_property
    def force(self) -> float:
        """The hardest that a hand pulls at anything on it, N."""
        return max((max(load.down, load.out) for load in self.on), default=0.0)

    @cached_property
    def links(self) -> tuple[Link, ...]:
        """What may give way between the rack and the wall, as the words of the page have it."""
        where = self.anchor
        kind: Kind = (
            "anchor"
            if where.key in HOLLOW or where.blocks
            else "wall"
            if where.key == "sheet"
            else "screw"
        )
        found = [
            Link(
                kind, where.name, max((pull.share for pull in self.pulls), default=0.0), "fix.share"
            )
        ]
        found.append(
            Link(
                "board",
                f"{self.body.name.lower()} between its screws",
                self.beam.share(self.force),
                "fix.board",
            )
        )
        if self.joined:
            found.append(
                Link(
                    "screw",
                    f"screws from the {self.body.name.lower()} to the {self.by}",
                    self.joined.share,
                    "fix.joined",
                )
            )
        if self.by == "cleat":
            found.append(Link("board", "cleat's lip", self.lip / self.lip_may, "fix.lip"))
        return tuple(found)

    @property
    def lip(self) -> float:
        """What a cleat's lip bears in shear along its grain as a beam would, MPa: 3 W / (2 L t)."""
        weight = sum(load.weight for load in self.on) + self.force
        return (
            1.5 * weight / float((self.strip[1] - self.strip[0]) * CLEAT[0]) if self.strip else 0.0
        )

    @property
    def lip_may(self) -> float:
        return float(values("species", "softwood")["shear_mpa"]) / SAFETY

    @cached_property
    def share(self) -> float:
        """How much of what it may bear the weakest link bears: 1 is all."""
        return max((link.share for link in self.links), default=0.0)

    @property
    def grips(self) -> bool:
        long_enough = self.length >= self.wood + self.hold + self.anchor.behind
        return self.anchor.in_studs or (
            self.anchor.least <= self.hold <= self.anchor.most
            and (long_enough or not self.anchor.behind)
        )

    @property
    def good(self) -> bool:
        return (
            not self.loose
            and not self.blocked
            and bool(self.screws)
            and self.share <= 1
            and self.grips
        )


class Fixer:
    """Works out how one rack would be fixed at one place on its wall, by any way."""

    def __init__(self, rack: Rack, site: Site, spot: Spot, tape: Tape) -> None:
        self.rack, self.site, self.x, self.tape = rack, site, spot.x, tape
        self.children = spot.who == "child"
        self._known: dict[By, list[tuple[ScrewLine, ...]]] = {}
        self._tried: dict[tuple[object, ...], Fixed] = {}

    def at(self, x: Fraction) -> "Fixer":
        """The same rack at another place: what is known of it wherever it hangs is
        worked out once.
        """
        if x == self.x:
            return self
        other = copy(self)
        other.x, other._tried = x, {}
        return other

    @property
    def anywhere(self) -> Anywhere:
        return Anywhere(self.site.wall, self.x, self.tape)

    @cached_property
    def bodies(self) -> tuple[Body, ...]:
        return bodies(self.rack)

    @cached_property
    def loads(self) -> tuple[tuple[Load, ...], ...]:
        return loads(self.rack, self.bodies, children=self.children)

    def _lines(self, k: int, by: By) -> tuple[ScrewLine, ...]:
        if by not in self._known:
            self._known[by] = [lines(self.rack, body, by) for body in self.bodies]
        return self._known[by][k]

    def fixed(self, mount: Mount) -> tuple[Fixed, ...]:
        """Every body by the mount that was asked for; what is "auto" is the first way that holds
        it, else the first.
        """
        found = tuple(self._first(k, mount) for k in range(len(self.bodies)))
        if self.rack.seats and len({fixing.strip is None for fixing in found}) > 1:
            # What stands in one and is clipped to another is plumb only where both are as far off
            # the wall.
            return tuple(
                self._first(k, mount.changed({"by": "batten"})) for k in range(len(self.bodies))
            )
        return found

    def _first(self, k: int, mount: Mount) -> Fixed:
        first: Fixed | None = None
        kilos = sum(load.weight for load in self.loads[k]) / newtons(1000)
        for by, into in self._ways(k, mount):
            if first and kilos > LIGHT and into in HOLLOW and mount.into == "auto":
                continue
            key = k, by, into, mount.screws, mount.pull, mount.shear, mount.factor, mount.foot
            found = self._tried.get(key) or self._tried.setdefault(
                key, self._fix(k, by, into, mount)
            )
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
        order: list[Into] = [
            "sheet",
            "screws",
            "lags",
            "steel",
            "plugs",
            "toggles",
            "expanding",
            "spirals",
        ]
        found = [key for key in order if wall.makeup in ANCHORS[key].walls]
        found = [
            key
            for key in found
            if ANCHORS[key].in_studs or ANCHORS[key].least <= wall.lining <= ANCHORS[key].most
        ]
        if not thick and "lags" in found:
            found.remove("lags")
        return found or ["plugs" if wall.makeup == "masonry" else "screws"]

    def question(
        self, mount: Mount, wanted: Fraction, among: Sequence[tuple[Fraction, Fraction]]
    ) -> Question:
        """What is asked of the placing solver, in units that everything here is a whole
        number of.
        """
        by = "through" if mount.by == "auto" else mount.by
        found = [line for k in range(len(self.bodies)) for line in self._lines(k, by)]
        return self._question(found, mount, wanted, among)

    def unit(self, numbers: Sequence[Fraction]) -> int:
        return 2 * lcm(self.tape.step.denominator, *{number.denominator for number in numbers})

    def _question(
        self,
        found: Sequence[ScrewLine],
        mount: Mount,
        wanted: Fraction,
        among: Sequence[tuple[Fraction, Fraction]],
    ) -> Question:
        wall = self.site.wall
        holds = [[self._hold(stud, line.ys) for stud in wall.stud_middles] for line in found]
        middles = [2 * line.part.x + line.part.length for line in found]
        numbers = [
            wanted,
            APART,
            *middles,
            *wall.stud_middles,
            *(end for span in among for end in span),
            *(end for line in found for span in line.free for end in span),
            *(end for line in holds for stud in line for span in stud for end in span),
        ]
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

    def _hold(
        self, stud: Fraction, ys: Sequence[Fraction]
    ) -> tuple[tuple[Fraction, Fraction], ...]:
        """Where on the wall a stud holds at these heights."""
        wall = self.site.wall
        half = max(wall.studs.wide / 2 - RIM_OF_STUD, ZERO)
        return cut([(stud - half, stud + half)], [span for y in ys for span in no_hole(wall, y)])

    def _fix(self, k: int, by: By, into: Into, mount: Mount) -> Fixed:
        body, anchor, wall = self.bodies[k], ANCHORS[into], self.site.wall
        found = self._lines(k, by)
        wood = max((line.wood for line in found), default=ZERO)
        strip, free, on = None, found, self.loads[k]
        if by in ("batten", "cleat"):
            wood = (BATTEN if by == "batten" else CLEAT)[0] - (SEAT_DEEP if anchor.lag else ZERO)
        driven = drive(anchor, wood, wall)
        may_pull, may_shear = ratings(anchor, driven, wood, wall, by, mount)
        if by == "batten":
            found, strip = self._batten(body, found)
        elif by == "cleat" and found:
            strip = (
                min(line.free[0][0] for line in found) - PAST,
                max(line.free[-1][1] for line in found) + PAST,
            )
        bears, spacer = self._bears(body, by, found, mount)
        off = float((BATTEN if by == "batten" else CLEAT)[0])
        stood = tuple(replace(load, lever=load.lever + off) for load in on) if strip else on

        def bear(them: Sequence[Screw]) -> list[Pull]:
            return pulls(
                [(float(s.x), float(s.y)) for s in them], stood, bears, may_pull, may_shear
            )

        screws, loose = (
            self._in_studs(found, mount)
            if anchor.in_studs
            else self.anywhere.spread(found, bear, mount, anchor.apart)
        )
        if anchor.in_studs and mount.screws == "free" and not loose:
            few = self._fewer(found, screws)
            screws = few if max((pull.share for pull in bear(few)), default=9) <= 1 else screws
        if strip and by == "batten" and screws:
            strip = (
                min(strip[0], min(s.x for s in screws) - PAST),
                max(strip[1], max(s.x for s in screws) + PAST),
            )
        blocked = strip is not None and not self._lies_free(
            strip, found, CLEAT[1] if by == "cleat" else BATTEN[1]
        )
        held = (
            joined(by, [line.part for line in free], self._between(free, screws, by), on, bears)
            if strip and free
            else None
        )
        loose = loose or (strip is not None and held is None)
        beam = beam_of(
            self.rack, body, [(s.x, s.y) for s in screws] if held is None else held.at, on
        )
        return Fixed(
            body,
            by,
            anchor,
            screws,
            tuple(bear(screws)),
            stood,
            wood,
            driven.length,
            driven.hold,
            may_pull,
            may_shear,
            loose,
            bears,
            beam,
            strip,
            blocked,
            held,
            spacer,
        )

    def _between(
        self, found: Sequence[ScrewLine], screws: Sequence[Screw], by: By
    ) -> list[tuple[Fraction, tuple[Span, ...]]]:
        """Where screws from the rack to its strip may stand, by height: clear of its holders, and
        of the heads in the wall; two, one above the other, in what stands, or it turns about one.
        Those of a cleat come from behind: nothing before the board is in their way.
        """
        heights = [
            (line.part, y + step)
            for line in found
            for y in line.ys
            for step in ((0,) if line.wide else (STACK, -STACK))
        ]
        return [
            (y, tuple(cut(clear_at(self.rack, part, y, behind=by == "cleat"), heads)))
            for part, y in heights
            for heads in [[(s.x - HEAD, s.x + HEAD) for s in screws if abs(s.y - y) < 2 * HEAD]]
        ]

    def _bears(
        self, body: Body, by: By, found: Sequence[ScrewLine], mount: Mount
    ) -> tuple[Bearing, Fraction]:
        """Where it bears on the wall, and whether a spacer stands at its foot: a strip turns about
        its own edges unless one does.
        """
        low, high = float(body.low), float(max(part.y + part.height for part in body.grounds))
        loose = by in HUNG_ON
        if by not in ("batten", "cleat") or not found:
            return Bearing(low, inf if loose else high), ZERO
        edges = strip_edges(by, [y for line in found for y in line.ys])
        below = edges.low - low
        spacer = Fraction(str(below)) if below > FOOT and mount.foot == "spacer" else ZERO
        return Bearing(low if spacer else edges.low, inf if loose else edges.high), spacer

    def _batten(
        self, body: Body, found: Sequence[ScrewLine]
    ) -> tuple[tuple[ScrewLine, ...], tuple[Fraction, Fraction]]:
        """A batten behind the whole body, and past it as far as two studs want: the shortest that
        has room.
        """
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

    def _lies_free(
        self, strip: tuple[Fraction, Fraction], found: Sequence[ScrewLine], wide: Fraction
    ) -> bool:
        """Whether a strip is on the wall, and on nothing that is there."""
        wall = self.site.wall
        left, right = strip[0] + self.x, strip[1] + self.x
        lies = [Area(left, line.ys[0] - wide / 2, right, line.ys[0] + wide / 2) for line in found]
        there = [area(obstacle) for obstacle in wall.obstacles]
        return (
            left >= 0
            and right <= wall.width
            and not any(one.meets(other) for one in lies for other in there)
        )

    def _in_studs(self, found: Sequence[ScrewLine], mount: Mount) -> tuple[tuple[Screw, ...], bool]:
        """A screw at every height of every line in every stud that it meets; and whether a line is
        loose.
        """
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
            free = (
                meet(free, line.mirrored(meet(line.free, self._held(studs[other], line)))) or free
            )
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
            kept += [
                s for s in screws if s.part == line.part.key and s.y in line.ys and s.x in chosen
            ]
        return tuple(kept)
