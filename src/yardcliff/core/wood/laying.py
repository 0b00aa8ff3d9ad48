"""Where pieces lie on their stick: lanes from its lower edge, pieces from its left end, flaws
behind those that hide them.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field
from itertools import accumulate

from yardcliff.core.cutting.problem import Cut, Problem, want_of
from yardcliff.core.units.exact import Fraction
from yardcliff.core.wood.layout import Laid, Offcut, Piece, Sawn, Source, Strip
from yardcliff.core.wood.means import Means
from yardcliff.core.wood.stock import ROUND, Flaw

ZERO, TENTH = Fraction(0), Fraction(1, 10)
MOST_TRIES, MOST_UNITS = 2000, 100
"""How far orders of a stick's pieces are tried, and of how many."""
Unit = tuple[Piece, ...]
"""A piece, or matched ones that stay together."""


def through(source: Source, strict: bool) -> list[Flaw]:
    """The flaws that no piece may carry."""
    return [flaw for flaw in source.flaws if strict or not flaw.back]


def lay(
    problem: Problem,
    cut: Cut,
    source: Source,
    copy: int,
    names: list[list[Unit]],
    means: Means,
    strict: bool,
) -> Sawn | None:
    """A cut laid out on its stick, its pieces taken off `names`; None where one would show a flaw
    that is only on the stick's back, if not `strict`: then the stretches leave them out already.
    """
    cutting = means.cutting
    bar, kerf, round_ = problem.bars[cut.bar], means.takes, source.section.form in ROUND
    behind = (
        []
        if strict
        else sorted((flaw for flaw in source.flaws if flaw.back), key=lambda flaw: flaw.at)
    )
    laid: list[Laid] = []
    left: list[Offcut] = []
    strips: list[Strip] = []
    low, done = ZERO, True
    for lane in cut.lanes:
        whole = lane.wide == bar.wide
        high = source.section.wide if whole else low + lane.wide * TENTH + cutting.plane
        if not whole:
            strips.append(Strip(low, high, high - low - cutting.plane))
        for run, (start, end) in zip(lane.runs, bar.stretches, strict=True):
            units = [(names[want_of(part)].pop(0), part < 0) for part in run]
            at, stop = start * TENTH, end * TENTH
            places = _places(units, at, stop, behind, kerf)
            if places is None:
                done = False
                continue
            for k, place in places:
                if place > at:
                    left.append(Offcut(at, place, low, high, round_))
                unit, turned = units[k]
                at = place
                for piece in unit:
                    long, wide = piece.blank.long, piece.blank.wide
                    if turned:
                        long, wide = wide, long
                    laid.append(
                        Laid(piece, at, at + long, low, low + min(wide, high - low), turned)
                    )
                    at += long + kerf
            if stop > at:
                left.append(Offcut(at, stop, low, high, round_))
        low = high + means.rip_takes
    if source.section.wide > low and cut.lanes:
        left += [Offcut(a * TENTH, b * TENTH, low, source.section.wide) for a, b in bar.stretches]
    return Sawn(source, copy, tuple(laid), tuple(left), strips=tuple(strips)) if done else None


def _places(
    units: Sequence[tuple[Unit, bool]],
    start: Fraction,
    end: Fraction,
    behind: Sequence[Flaw],
    kerf: Fraction,
) -> list[tuple[int, Fraction]] | None:
    """The units by the order that they lie in, and where each begins, so that only those that hide
    their back cover a flaw; None where no order was found.
    """
    rooms = [_room(unit, turned, kerf) for unit, turned in units]
    if not behind:
        return (
            list(enumerate(accumulate((long + kerf for long, _ in rooms[:-1]), initial=start)))
            if rooms
            else []
        )
    if len(units) > MOST_UNITS:
        return None
    return _Search(rooms, end, kerf, behind).from_(start, range(len(units)))


def _room(unit: Unit, turned: bool, kerf: Fraction) -> tuple[Fraction, bool]:
    """How long a unit is where it lies, and whether it hides its back."""
    long = sum((piece.blank.wide if turned else piece.blank.long) + kerf for piece in unit) - kerf
    return long, all(piece.hides for piece in unit)


@dataclass(slots=True)
class _Search:
    """Orders of what is `long` and `hides`, tried from the left, the order that is given first."""

    rooms: list[tuple[Fraction, bool]]
    end: Fraction
    kerf: Fraction
    behind: Sequence[Flaw]
    tries: int = field(default=0)

    def from_(self, at: Fraction, left: Iterable[int]) -> list[tuple[int, Fraction]] | None:
        left = tuple(left)
        if not left:
            return []
        self.tries += 1
        tried = set[tuple[Fraction, bool]]()
        for k in left:
            if self.rooms[k] in tried or self.tries > MOST_TRIES:
                continue
            tried.add(self.rooms[k])
            long, hides = self.rooms[k]
            place = at if hides else self._clear(at, long)
            if place + long > self.end:
                continue
            rest = self.from_(place + long + self.kerf, (one for one in left if one != k))
            if rest is not None:
                return [(k, place), *rest]
        return None

    def _clear(self, at: Fraction, long: Fraction) -> Fraction:
        """The next place from `at` on that shows no flaw."""
        for flaw in self.behind:
            if flaw.at < at + long and at < flaw.end:
                at = flaw.end
        return at
