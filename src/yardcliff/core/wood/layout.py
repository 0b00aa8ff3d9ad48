"""A cut plan as it lies on the bench: pieces on their sticks, what is left of these, how good it
is; and what is read off it.
"""

from collections import Counter, defaultdict
from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from typing import NamedTuple

from yardcliff.core.brief.cutting import Cutting
from yardcliff.core.materials.goods import Blank
from yardcliff.core.units.exact import Fraction
from yardcliff.core.wood.means import Means, ToStock
from yardcliff.core.wood.stock import ROUND, Flaw, Section

KEEP, KEEP_WIDE = Fraction(150), Fraction(20)
"""An offcut so long and so wide is worth keeping, mm."""
SHEET_WIDE = Fraction(300)
"""What is left of a sheet, and narrower, is stood with the boards, mm."""
ALIKE = Fraction(1, 2)
"""How far stock may be off a part's thickness or width and still count as it, mm."""


@dataclass(frozen=True, slots=True)
class Piece:
    """One part to be cut, by a name of its own, and what is wished of it: to come from one stick
    with others of the same `match`, that its grain may run across a sheet, that its back may carry
    a flaw.
    """

    name: str
    blank: Blank
    match: str = ""
    turns: bool = False
    hides: bool = False


@dataclass(frozen=True, slots=True)
class Source:
    """A stick on hand or one that is bought: `key` is what a brief locks or forbids it by; no price
    where none is known.
    """

    key: str
    name: str
    section: Section
    long: Fraction
    price: int | None
    on_hand: bool
    supplier: str = ""
    was: int | None = None
    stock: int | None = None
    flaws: tuple[Flaw, ...] = ()
    note: str = ""
    reclaimed: bool = False


@dataclass(frozen=True, slots=True)
class Laid:
    """A piece where it lies on its stick: from `start` to `end` along it, `low` to `high` across
    it, mm; `turned` where its grain runs across.
    """

    piece: Piece
    start: Fraction
    end: Fraction
    low: Fraction
    high: Fraction
    turned: bool = False

    @property
    def long(self) -> Fraction:
        """What the stop is set to."""
        return self.end - self.start

    @property
    def wide(self) -> Fraction:
        """What it is ripped to."""
        return self.piece.blank.long if self.turned else self.piece.blank.wide


@dataclass(frozen=True, slots=True)
class Offcut:
    """What is left of a stick, where it lies, mm; of a `round` one only its length counts."""

    start: Fraction
    end: Fraction
    low: Fraction
    high: Fraction
    round: bool = False

    @property
    def keeps(self) -> bool:
        return self.end - self.start >= KEEP and (self.round or self.high - self.low >= KEEP_WIDE)


class Strip(NamedTuple):
    """A strip as it is ripped off a stick, from `low` to `high` across it, and how `wide` it is
    once it is planed, mm.
    """

    low: Fraction
    high: Fraction
    wide: Fraction


@dataclass(frozen=True, slots=True)
class Sawn:
    """One stick and what is cut from it, from its `strips` where it is ripped first; of the same
    source the `copy`-th. Where it is kept so, `locked` is the key that the brief does that by.
    """

    source: Source
    copy: int
    laid: tuple[Laid, ...]
    offcuts: tuple[Offcut, ...]
    locked: str = ""
    strips: tuple[Strip, ...] = ()

    @property
    def key(self) -> str:
        return self.source.key if self.source.on_hand else f"{self.source.key} #{self.copy}"

    @property
    def thinned(self) -> Fraction | None:
        """How thick it is planed before it is cut; None where it is thick enough as it is."""
        thick = min(laid.piece.blank.thick for laid in self.laid)
        section = self.source.section
        return thick if section.form not in ROUND and thick < section.thick - ALIKE else None

    @property
    def used(self) -> float:
        """The share of it that becomes parts."""
        area = sum((laid.end - laid.start) * (laid.high - laid.low) for laid in self.laid)
        return float(area / (self.source.long * self.source.section.wide))


@dataclass(frozen=True, slots=True)
class Group:
    """All pieces of one thickness and stuff: their sticks, what nothing gives, and how good the
    plan is.

    `cost` is of what is bought, and `gap` how much less a plan could cost at most, with the time
    that counts; both None where prices are not known. It is `short` where there are not as many
    sticks as the plan takes, `apart` where matched parts do not fit on one; `unfit` are locked
    sticks that are gone, or do not give what they are locked for.
    """

    says: str
    sawn: tuple[Sawn, ...]
    missing: tuple[Piece, ...]
    cost: int | None
    gap: int | None
    proved: bool
    short: bool = False
    apart: bool = False
    unfit: tuple[str, ...] = ()

    def to_size(self, does: ToStock) -> list[Fraction]:
        """How long each strip is that is ripped, or each stick that is planed thinner, mm."""
        many = (
            len(sawn.strips) if does == "strip" else sawn.thinned is not None for sawn in self.sawn
        )
        return [
            sawn.source.long
            for sawn, each in zip(self.sawn, many, strict=True)
            for _ in range(each)
        ]


@dataclass(frozen=True, slots=True)
class CutPlan:
    """The plan of every thickness, and by what `means` it is sawn."""

    groups: tuple[Group, ...]
    means: Means

    @property
    def kerf(self) -> Fraction:
        """What each cut takes, mm."""
        return self.means.takes

    @property
    def sawn(self) -> Iterator[Sawn]:
        return (sawn for group in self.groups for sawn in group.sawn)

    @property
    def cost(self) -> int | None:
        """What is bought costs, in hundredths; None where a price is missing."""
        costs = [group.cost for group in self.groups]
        return None if any(cost is None for cost in costs) else sum(cost or 0 for cost in costs)

    def work(self, does: ToStock) -> int:
        """How many minutes it takes at the user's pace to bring its sticks to size by ripping, or
        by planing them thinner.
        """
        return sum(self.means.lasts(does, group.to_size(does)) for group in self.groups)

    @property
    def missing(self) -> tuple[Piece, ...]:
        return tuple(piece for group in self.groups for piece in group.missing)


def pieces(blanks: Iterable[Blank], cutting: Cutting, prefix: str = "") -> tuple[Piece, ...]:
    """Every single piece by a name of its own, those that share one numbered, with what `cutting`
    wishes of it.
    """
    blanks = tuple(blanks)
    many = Counter[str]()
    for blank in blanks:
        many[blank.name] += blank.count
    at = Counter[str]()
    found = []
    for blank in blanks:
        for _ in range(blank.count):
            at[blank.name] += 1
            name = blank.name if many[blank.name] == 1 else f"{blank.name} {at[blank.name]}"
            match = f"{prefix}matched" if name in cutting.matched else ""
            found.append(
                Piece(
                    prefix + name,
                    replace(blank, count=1),
                    match,
                    name in cutting.turned,
                    name in cutting.backs,
                )
            )
    return tuple(found)


def stops(plan: CutPlan) -> Iterator[tuple[Fraction, list[Piece]]]:
    """Settings of the stop block: each length of which more than one is cut, the longest first."""
    by_length: dict[Fraction, list[Piece]] = defaultdict(list)
    for sawn in plan.sawn:
        for laid in sawn.laid:
            by_length[laid.long].append(laid.piece)
    for long in sorted(by_length, reverse=True):
        if len(by_length[long]) > 1:
            yield long, by_length[long]


def runs(sawn: Sawn, kerf: Fraction) -> list[list[Laid]]:
    """The pieces of a stick, lane by lane from its lower edge, by the clear stretches that they lie
    in: one after another with nothing but a cut between.
    """
    found: list[list[Laid]] = []
    for laid in sorted(sawn.laid, key=lambda each: (each.low, each.start)):
        last = found[-1][-1] if found else None
        if last and last.low == laid.low and laid.start - last.end == kerf:
            found[-1].append(laid)
        else:
            found.append([laid])
    return found


def marks(sawn: Sawn, kerf: Fraction) -> list[tuple[Laid, Fraction]]:
    """Each piece with its running mark, as a tape reads it that is hooked over the squared end of
    its clear stretch: the saw goes beyond the mark.
    """
    return [(laid, laid.end - run[0].start) for run in runs(sawn, kerf) for laid in run]


def behind(sawn: Sawn, laid: Laid) -> list[Flaw]:
    """The flaws that a piece carries at its back."""
    found = (flaw for flaw in sawn.source.flaws if flaw.at < laid.end and laid.start < flaw.end)
    return sorted(found, key=lambda flaw: flaw.at)


def plain(sawn: Sawn, laid: Laid) -> tuple[Fraction, Fraction]:
    """The longest stretch of a piece with no flaw behind it: where its name is read."""
    edges = [
        laid.start,
        *(edge for flaw in behind(sawn, laid) for edge in (flaw.at, flaw.end)),
        laid.end,
    ]
    return max(
        zip(edges[::2], edges[1::2], strict=True), key=lambda stretch: stretch[1] - stretch[0]
    )
