"""How a rack is fixed to its wall: every way, what each would bear, and the first that holds.

A way is two things: what the rack hangs `by` (screws through it, plates on its back, a cleat, a
batten) and what that goes `into` (studs, the lining, masonry).
"""

from collections.abc import Iterator, Sequence
from copy import copy
from dataclasses import replace
from functools import cached_property
from math import inf

from yardcliff.core.brief.mounting import By, Into, Mount, Spot
from yardcliff.core.rack import Rack
from yardcliff.core.strength.force import newtons
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.spans import cut, meet, nearest
from yardcliff.core.units.trade import either
from yardcliff.core.wall.anchors import HOLLOW, anchors, drive, ratings
from yardcliff.core.wall.anywhere import Anywhere, fewest_screws
from yardcliff.core.wall.batten import batten_behind, lies_free
from yardcliff.core.wall.bending import beam_of
from yardcliff.core.wall.bodies import Body, bodies
from yardcliff.core.wall.boring import HEAD
from yardcliff.core.wall.fixed import ZERO, Fixed
from yardcliff.core.wall.grounds import RIM_OF_STUD, Screw, ScrewLine, Span, clear_at, lines
from yardcliff.core.wall.loading import Bearing, Load, Pull, loads, pulls
from yardcliff.core.wall.placing import Line, Question, at, whole_unit
from yardcliff.core.wall.strips import (
    APART,
    PAST,
    SEAT_DEEP,
    STACK,
    joined,
    strip_edges,
    strip_size,
)
from yardcliff.core.wall.survey import Site, no_hole

THICK = either("35 mm", "1 1/2 in")
"""From this on a board takes a lag screw's head and washer."""
HUNG_ON: frozenset[By] = frozenset({"keyholes", "hangers", "cleat"})
"""What a rack hangs on with play: pulled straight out, its foot swings, and nothing is prised off
about its upper edge.
"""
FOOT = 10.0
"""A board that reaches further below its strip than this, mm, wants a spacer at its foot."""
LIGHT = 25
"""What is heavier than this, kg, is not hung on the lining unless somebody asks for it."""


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
        wall, known = self.site.wall, anchors(self.tape.sizes)
        least = THICK.of(self.tape.sizes)
        thick = min((part.depth for part in body.grounds), default=ZERO) >= least
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
        found = [key for key in order if wall.makeup in known[key].walls]
        found = [
            key
            for key in found
            if known[key].in_studs or known[key].least <= wall.lining <= known[key].most
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
        unit = whole_unit(self.tape.step, numbers)

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
        body, wall, trade = self.bodies[k], self.site.wall, self.tape.sizes
        anchor = anchors(trade)[into]
        found = self._lines(k, by)
        wood = max((line.wood for line in found), default=ZERO)
        strip, free, on = None, found, self.loads[k]
        if by in ("batten", "cleat"):
            wood = strip_size(by, trade)[0] - (SEAT_DEEP.of(trade) if anchor.lag else ZERO)
        driven = drive(anchor, wood, wall)
        may_pull, may_shear = ratings(anchor, driven, wood, wall, by, mount)
        if by == "batten":
            found, strip = batten_behind(body, found, self.site, self.x, trade)
        elif by == "cleat" and found:
            strip = (
                min(line.free[0][0] for line in found) - PAST.of(trade),
                max(line.free[-1][1] for line in found) + PAST.of(trade),
            )
        bears, spacer = self._bears(body, by, found, mount)
        off = float(strip_size(by, trade)[0])
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
            few = fewest_screws(found, screws, self.tape.step)
            screws = few if max((pull.share for pull in bear(few)), default=9) <= 1 else screws
        if strip and by == "batten" and screws:
            strip = (
                min(strip[0], min(s.x for s in screws) - PAST.of(trade)),
                max(strip[1], max(s.x for s in screws) + PAST.of(trade)),
            )
        blocked = strip is not None and not lies_free(
            strip, found, strip_size(by, trade)[1], self.site, self.x
        )
        held = (
            joined(
                by, [line.part for line in free], self._between(free, screws, by), on, bears, trade
            )
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
        stack = STACK.of(self.tape.sizes)
        heights = [
            (line.part, y + step)
            for line in found
            for y in line.ys
            for step in ((ZERO,) if line.wide else (stack, -stack))
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
        edges = strip_edges(by, [y for line in found for y in line.ys], self.tape.sizes)
        below = edges.low - low
        spacer = Fraction(str(below)) if below > FOOT and mount.foot == "spacer" else ZERO
        return Bearing(low if spacer else edges.low, inf if loose else edges.high), spacer

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
