"""What is asked, and what is answered: parts wanted, bars to be had, cuts."""

from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, field
from typing import NamedTuple


class Want(NamedTuple):
    """So `many` equal parts, `long` with the bar and `wide` across it; where it `turns`, the other
    way round as well.
    """

    long: int
    wide: int
    many: int
    turns: bool = False


class Bar(NamedTuple):
    """Bars that are alike: the clear `stretches` of each along its length, what one costs, how many
    there are (None: enough); on one that `turns`, parts may lie across. Each lane that is ripped
    off it costs as much as a `strip` does.
    """

    wide: int
    stretches: tuple[tuple[int, int], ...]
    cost: int
    supply: int | None = None
    turns: bool = False
    strip: int = 0

    @property
    def rooms(self) -> tuple[int, ...]:
        return tuple(end - start for start, end in self.stretches)


@dataclass(frozen=True, slots=True)
class Problem:
    """`kerf` is what the saw takes at each cut, `rip_kerf` the one that rips (None: the same one);
    a lane that is ripped from a wider bar takes `rip` more, to be planed off.

    A part of the k-th want is called k where it lies with the bar and ~k where it is turned;
    `shapes` is read by either.
    """

    wants: tuple[Want, ...]
    bars: tuple[Bar, ...]
    kerf: int = 0
    rip: int = 0
    rip_kerf: int | None = None
    shapes: tuple[Want, ...] = field(init=False, repr=False, compare=False)

    def __post_init__(self) -> None:
        turned = (Want(want.wide, want.long, want.many) for want in reversed(self.wants))
        object.__setattr__(self, "shapes", (*self.wants, *turned))

    @property
    def weight(self) -> int:
        """What one unit of cost weighs against a bar: costs decide, then fewer bars and fewer lanes
        that are ripped.
        """
        return 1 << (2 * sum(want.many for want in self.wants)).bit_length()

    def price(self, bar: int) -> int:
        """What a bar adds to a plan's total."""
        return self.bars[bar].cost * self.weight + 1

    def lane_price(self, bar: int, wide: int) -> int:
        """What a lane so wide adds to a plan's total: nothing where it is the whole bar."""
        return 0 if wide == self.bars[bar].wide else self.bars[bar].strip * self.weight + 1

    def lanes_price(self, cut: "Cut") -> int:
        """What all lanes of a cut add."""
        return sum(self.lane_price(cut.bar, lane.wide) for lane in cut.lanes)

    def total(self, cuts: Iterable["Cut"]) -> int:
        """What is made least: the costs by their weight, the bars, and the lanes that
        are ripped.
        """
        return sum(self.price(cut.bar) + self.lanes_price(cut) for cut in cuts)

    @property
    def between(self) -> int:
        """What is lost between two lanes."""
        return self.kerf if self.rip_kerf is None else self.rip_kerf

    def room(self, bar: int) -> int:
        """How much lanes may take across a bar: beside the last one no cut is lost."""
        return self.bars[bar].wide + self.between

    def across(self, bar: int, wide: int) -> int:
        """What a lane so wide takes of the bar's width, with the cut beside it."""
        return (
            wide + self.between if wide == self.bars[bar].wide else wide + self.rip + self.between
        )

    def size(self, bar: int) -> int:
        """The clear face of a bar."""
        return sum(self.bars[bar].rooms) * self.bars[bar].wide

    def lies(self, bar: int, want: int) -> tuple[int, ...]:
        """The ways that a part may lie on a bar."""
        turns = self.wants[want].turns and self.bars[bar].turns
        return (want, ~want) if turns else (want,)

    def may(self, bar: int, want: int) -> bool:
        """Whether a bar can give a part at all."""
        one = self.bars[bar]
        return any(
            self.across(bar, part.wide) <= self.room(bar)
            and any(part.long <= room for room in one.rooms)
            for part in (self.shapes[k] for k in self.lies(bar, want))
        )


def want_of(part: int) -> int:
    """The want of a part, turned or not."""
    return max(part, ~part)


class Lane(NamedTuple):
    """A strip along a bar, `wide` across it: for each of the bar's stretches the parts in it."""

    wide: int
    runs: tuple[tuple[int, ...], ...]


class Cut(NamedTuple):
    """One bar and its lanes."""

    bar: int
    lanes: tuple[Lane, ...]

    @property
    def parts(self) -> Iterator[int]:
        """Their wants."""
        return (want_of(part) for lane in self.lanes for run in lane.runs for part in run)


@dataclass(frozen=True, slots=True)
class Plan:
    """`total` is what the problem counts, and `bound` what no plan can have less than."""

    cuts: tuple[Cut, ...]
    total: int
    bound: int

    @property
    def proved(self) -> bool:
        return self.total <= self.bound


def better_bars(problem: Problem, cuts: Sequence[Cut]) -> list[Cut]:
    """The same parts, each cut from the cheapest bar that gives them and of equals from the
    smallest: big ones are kept.
    """
    used = Counter(cut.bar for cut in cuts)
    found = list(cuts)
    order = sorted(range(len(problem.bars)), key=lambda b: (problem.price(b), problem.size(b)))
    for k, cut in enumerate(cuts):
        worth = problem.total([cut]), problem.size(cut.bar)
        for b in order:
            supply, other = problem.bars[b].supply, Cut(b, cut.lanes)
            if problem.price(b) > worth[0]:
                break
            better = (problem.total([other]), problem.size(b)) < worth
            if better and (supply is None or used[b] < supply) and _gives(problem, b, cut):
                used[cut.bar] -= 1
                used[b] += 1
                found[k] = other
                break
    return found


def _gives(problem: Problem, b: int, cut: Cut) -> bool:
    """Whether another bar takes all lanes of a cut as they are."""
    bar = problem.bars[b]
    if (
        len(bar.stretches) != len(problem.bars[cut.bar].stretches)
        or bar.turns < problem.bars[cut.bar].turns
    ):
        return False
    if sum(problem.across(b, lane.wide) for lane in cut.lanes) > problem.room(b):
        return False
    return all(
        sum(problem.shapes[k].long + problem.kerf for k in run) <= room + problem.kerf
        for lane in cut.lanes
        for run, room in zip(lane.runs, bar.rooms, strict=True)
    )
