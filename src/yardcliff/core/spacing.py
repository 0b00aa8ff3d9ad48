"""One row of equal holders on a board: length, count, pitch and ends, any one from the rest.

Every end rule is linear in the pitch p: the left end is a0 + a1*p, the right end b0 + b1*p. So

    L = (a0 + b0) + (n - 1 + a1 + b1) * p

is one equation for all rules, and whichever figure follows is solved from it exactly.
"""

from dataclasses import dataclass
from functools import cached_property
from itertools import pairwise
from math import ceil, floor, lcm
from typing import Annotated, Literal

from pydantic import Field

from yardcliff.core.exact import Fraction
from yardcliff.core.length import INCH, Gap, Size
from yardcliff.core.model import MAX_COUNT, Count, Frozen

Follows = Literal["length", "count", "pitch", "ends", "nothing"]
Spacing = Literal["even", "tidy", "set"]
EndRule = Literal["margin", "half", "whole", "gaps", "inside"]


class Ends(Frozen):
    """Where the first and the last axis sit from the board's ends.

    `left` and `right` are used by the rule `margin`, `overhang` by `inside`.
    """

    rule: EndRule = "half"
    left: Gap = Fraction(60)
    right: Gap = Fraction(60)
    overhang: Gap = Fraction(0)


class Pin(Frozen):
    """Holder `index` (from 0 at the datum) is held with its axis at `at` from the datum."""

    index: Annotated[int, Field(ge=0, lt=MAX_COUNT)]
    at: Gap


class RowBrief(Frozen):
    """What the user asks of a row. `follows` names the figure that is worked out from the others.

    `pitch` None means: as close as the items allow. With `follows` "nothing" all four are checked.
    """

    follows: Follows = "length"
    spacing: Spacing = "even"
    count: Count = 5
    length: Size = Fraction(1000)
    pitch: Size | None = None
    ends: Ends = Ends()
    air: Gap = Fraction(0)
    fixture_gap: Gap = Fraction(0)
    tidy: Size = INCH / 4
    pins: Annotated[tuple[Pin, ...], Field(max_length=MAX_COUNT)] = ()


@dataclass(frozen=True, slots=True)
class Reach:
    """How far a thing reaches to each side of its axis, mm."""

    left: Fraction
    right: Fraction

    @property
    def across(self) -> Fraction:
        return self.left + self.right


NOTHING = Reach(Fraction(0), Fraction(0))


@dataclass(frozen=True, slots=True)
class EndTerms:
    """The ends as linear functions of the pitch: left = a0 + a1*p, right = b0 + b1*p."""

    a0: Fraction
    a1: Fraction
    b0: Fraction
    b1: Fraction

    @property
    def fixed(self) -> Fraction:
        return self.a0 + self.b0

    def spans(self, count: int) -> Fraction:
        """How many pitches the board's length holds beside `fixed`."""
        return count - 1 + self.a1 + self.b1


@dataclass(frozen=True)
class Row:
    """A solved row. Lengths in mm, from the datum: the board's left end.

    `trouble` is "no-room" when the ends eat the board, "capped" when the count was held down;
    the row then still has axes to draw. `spare` is what the pitch left over for the ends to take.
    """

    brief: RowBrief
    item: Reach
    fixture: Reach
    length: Fraction
    count: int
    pitch: Fraction
    need: Fraction
    left: Fraction
    right: Fraction
    spare: Fraction
    trouble: Literal["", "no-room", "capped"]
    pins: tuple[Pin, ...]

    @cached_property
    def axes(self) -> tuple[Fraction, ...]:
        """Each holder's axis from the datum: even between the pins, by the end rule outside them."""
        return _axes(self.count, self.left, self.pitch, self.pins)

    @cached_property
    def gaps(self) -> tuple[Fraction, ...]:
        """Distances between neighbouring axes."""
        return tuple(b - a for a, b in pairwise(self.axes))

    @property
    def tightest(self) -> Fraction:
        """The least distance between neighbouring axes; the pitch where there is one holder."""
        return min(self.gaps, default=self.pitch) if self.pins else self.pitch

    @property
    def air(self) -> Fraction:
        """The least clear gap between neighbours; negative where they overlap."""
        return self.tightest - self.item.across

    @property
    def unevenness(self) -> Fraction:
        """Largest deviation of a gap from the even pitch."""
        return max((abs(gap - self.pitch) for gap in self.gaps if self.pins), default=Fraction(0))


def needed_pitch(item: Reach, fixture: Reach, air: Fraction, fixture_gap: Fraction) -> Fraction:
    """Least distance between axes: max(r + c + l, fr + g + fl). Never 0."""
    need = max(item.across + air, fixture.across + fixture_gap)
    return need or Fraction(1)


def end_terms(ends: Ends, item: Reach, fixture: Reach) -> EndTerms:
    """The end rule as linear functions of the pitch."""
    zero, one = Fraction(0), Fraction(1)
    match ends.rule:
        case "margin":
            return EndTerms(ends.left, zero, ends.right, zero)
        case "half":
            return EndTerms(zero, one / 2, zero, one / 2)
        case "whole":
            return EndTerms(zero, one, zero, one)
        case "gaps":
            # The gap p - (fl + fr) stands before the first body too: a = gap + fl = p - fr.
            return EndTerms(-fixture.right, one, -fixture.left, one)
        case "inside":
            return EndTerms(
                max(item.left - ends.overhang, fixture.left),
                zero,
                max(item.right - ends.overhang, fixture.right),
                zero,
            )


def solve(brief: RowBrief, item: Reach, fixture: Reach) -> Row:
    """Solve one row. Never fails: what cannot be is drawn, and `findings` says what is wrong."""
    need = needed_pitch(item, fixture, brief.air, brief.fixture_gap)
    terms = end_terms(brief.ends, item, fixture)
    asked = asked_pitch(brief, need)
    length, count, pitch = brief.length, brief.count, asked
    trouble: Literal["", "no-room", "capped"] = ""
    spare = Fraction(0)

    if brief.follows == "length":
        length = max(terms.fixed + terms.spans(count) * pitch, fixture.across, Fraction(1))
    elif brief.follows == "count":
        count = floor((length - terms.fixed) / asked - terms.a1 - terms.b1) + 1
        if count > MAX_COUNT:
            count, trouble = MAX_COUNT, "capped"
        count = max(count, 1)
        if brief.spacing == "set" and terms.spans(count):
            spare = length - terms.fixed - terms.spans(count) * pitch
        else:
            pitch, spare, trouble = _open(brief, terms, length, count, asked, trouble)
    elif brief.follows == "pitch":
        pitch, spare, trouble = _open(brief, terms, length, count, need, trouble)

    left = terms.a0 + terms.a1 * pitch + spare / 2
    right = terms.b0 + terms.b1 * pitch + spare / 2
    if brief.follows == "ends":
        left = right = (length - (count - 1) * pitch) / 2
    elif trouble == "no-room":
        pitch = length / count
        left = right = pitch / 2
    elif brief.follows == "nothing":
        spare = length - left - right - (count - 1) * pitch
        right += spare
    elif count == 1 and not terms.a1 + terms.b1:
        # One holder has no pitch: what the ends leave over is shared between them.
        spare = length - left - right
        left, right = left + spare / 2, right + spare / 2

    pins = tuple(sorted((p for p in brief.pins if p.index < count), key=lambda pin: pin.index))
    return Row(brief, item, fixture, length, count, pitch, need, left, right, spare, trouble, pins)


def asked_pitch(brief: RowBrief, need: Fraction) -> Fraction:
    """The pitch to lay out with: the user's, or as close as the items allow.

    A tidy one is rounded up where the length or the count can give way: down would eat the air.
    """
    asked = brief.pitch or need
    if brief.spacing == "tidy" and brief.follows in ("length", "count"):
        return ceil(asked / brief.tidy) * brief.tidy
    return asked


def _open(
    brief: RowBrief,
    terms: EndTerms,
    length: Fraction,
    count: int,
    fallback: Fraction,
    trouble: Literal["", "no-room", "capped"],
) -> tuple[Fraction, Fraction, Literal["", "no-room", "capped"]]:
    """The pitch that fills the board by the end rule, and what a tidy pitch leaves over."""
    spans = terms.spans(count)
    if not spans:
        return fallback, Fraction(0), trouble if length >= terms.fixed else "no-room"
    pitch = (length - terms.fixed) / spans
    if pitch <= 0 or terms.a0 + terms.a1 * pitch < 0 or terms.b0 + terms.b1 * pitch < 0:
        return fallback, Fraction(0), "no-room"
    if brief.spacing != "tidy" or pitch < brief.tidy:
        return pitch, Fraction(0), trouble
    tidy = floor(pitch / brief.tidy) * brief.tidy
    return tidy, spans * (pitch - tidy), trouble


def _axes(count: int, left: Fraction, pitch: Fraction, pins: tuple[Pin, ...]) -> tuple[Fraction, ...]:
    if not pins:
        # In integers over one denominator: hundreds of holders are drawn anew on every frame of a drag.
        whole = lcm(left.denominator, pitch.denominator)
        first, step = int(left * whole), int(pitch * whole)
        return tuple(Fraction(first + i * step, whole) for i in range(count))
    anchors = {0: left, count - 1: left + (count - 1) * pitch} | {pin.index: pin.at for pin in pins}
    axes: list[Fraction] = []
    stations = sorted(anchors.items())
    for (i, x), (j, y) in pairwise(stations):
        axes += (x + (y - x) * k / (j - i) for k in range(j - i))
    return (*axes, stations[-1][1])


def counts_that_fit(row: Row) -> int:
    """The most holders that the board takes with the asked air and end rule; 0 if none."""
    terms = end_terms(row.brief.ends, row.item, row.fixture)
    if row.length < terms.fixed:
        return 0
    return min(MAX_COUNT, max(0, floor((row.length - terms.fixed) / row.need - terms.a1 - terms.b1) + 1))


def length_for(row: Row, count: int) -> Fraction:
    """The board that `count` holders need with the asked air and end rule."""
    terms = end_terms(row.brief.ends, row.item, row.fixture)
    return terms.fixed + terms.spans(count) * row.need
