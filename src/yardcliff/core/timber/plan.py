"""The cut plan: pieces by section onto sticks and sheets, those on hand before bought ones, laid out to be sawn.

Works in exact millimetres outside and in whole tenths inside: parts are rounded up, stock is rounded down.
"""

from collections import Counter, defaultdict
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from itertools import groupby
from math import ceil, floor

from yardcliff.core.cutting.problem import Bar, Cut, Problem, Want
from yardcliff.core.exact import Fraction
from yardcliff.core.length import exact_text
from yardcliff.core.materials import Blank
from yardcliff.core.timber.asked import Cutting
from yardcliff.core.timber.stock import ROUND, Flaw, Section, Stick, Supply, clear, sold

ZERO, TENTH = Fraction(0), Fraction(1, 10)
ALIKE = Fraction(1, 2)
"""How far stock may be off a part's thickness or width and still count as it, mm."""
PLANED = Fraction(10)
"""How much may be planed off a board's thickness, mm: beyond that it is resawn."""
Told = Callable[[int, int], bool]
"""Told the best total and the bound of what is being solved, by their weight; answers whether to go on."""
KEEP, KEEP_WIDE = Fraction(150), Fraction(20)
"""An offcut so long and so wide is worth keeping, mm."""


@dataclass(frozen=True, slots=True)
class Piece:
    """One part to be cut, by a name of its own."""

    name: str
    blank: Blank


@dataclass(frozen=True, slots=True)
class Source:
    """A stick on hand or one that is bought: `key` is what a brief locks or forbids it by; no price where none is known."""

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


@dataclass(frozen=True, slots=True)
class Laid:
    """A piece where it lies on its stick: from `start` to `end` along it, `low` to `high` across it, mm."""

    piece: Piece
    start: Fraction
    end: Fraction
    low: Fraction
    high: Fraction


@dataclass(frozen=True, slots=True)
class Offcut:
    """What is left of a stick, where it lies, mm."""

    start: Fraction
    end: Fraction
    low: Fraction
    high: Fraction

    @property
    def keeps(self) -> bool:
        return self.end - self.start >= KEEP and self.high - self.low >= KEEP_WIDE


@dataclass(frozen=True, slots=True)
class Sawn:
    """One stick and what is cut from it; of the same source the `copy`-th."""

    source: Source
    copy: int
    laid: tuple[Laid, ...]
    offcuts: tuple[Offcut, ...]
    locked: bool = False

    @property
    def key(self) -> str:
        return self.source.key if self.source.on_hand else f"{self.source.key} #{self.copy}"

    @property
    def used(self) -> float:
        """The share of it that becomes parts."""
        area = sum((one.end - one.start) * (one.high - one.low) for one in self.laid)
        return float(area / (self.source.long * self.source.section.wide))


@dataclass(frozen=True, slots=True)
class Group:
    """All pieces of one thickness and stuff: their sticks, what nothing gives, and how good the plan is.

    `cost` is of what is bought, `least` what no plan can cost less than, both None where prices are not known. It is `short`
    where there are not as many sticks as the plan takes, `apart` where matched parts do not fit on one; `unfit` are locked
    sticks that are gone, or do not give what they are locked for.
    """

    says: str
    sawn: tuple[Sawn, ...]
    missing: tuple[Piece, ...]
    cost: int | None
    least: int | None
    proved: bool
    short: bool = False
    apart: bool = False
    unfit: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class CutPlan:
    groups: tuple[Group, ...]
    kerf: Fraction

    @property
    def sawn(self) -> Iterator[Sawn]:
        return (one for group in self.groups for one in group.sawn)

    @property
    def cost(self) -> int | None:
        """What is bought costs, in hundredths; None where a price is missing."""
        costs = [group.cost for group in self.groups]
        return None if any(cost is None for cost in costs) else sum(cost or 0 for cost in costs)

    @property
    def missing(self) -> tuple[Piece, ...]:
        return tuple(piece for group in self.groups for piece in group.missing)


def pieces(blanks: Iterable[Blank], prefix: str = "") -> tuple[Piece, ...]:
    """Every single piece by a name of its own: those that share one are numbered."""
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
            found.append(Piece(prefix + name, replace(blank, count=1)))
    return tuple(found)


def cut_plan(wanted: Sequence[Piece], supply: Supply, cutting: Cutting, told: Told | None = None) -> CutPlan:
    """The cheapest plan for all pieces, section by section; who is `told` how it goes may have it end early."""
    groups: dict[tuple[object, ...], list[Piece]] = defaultdict(list)
    for piece in wanted:
        blank = piece.blank
        round_ = blank.form in ROUND
        across = blank.wide if round_ or not cutting.rip else None
        groups[blank.form if round_ else "board", blank.stuff, blank.thick, across].append(piece)
    return CutPlan(tuple(_group(group, supply, cutting, told) for group in groups.values()), cutting.takes)


def sources(piece: Piece, supply: Supply, cutting: Cutting) -> list[Source]:
    """What a piece may be cut from: on hand, then on offer; without any offers, as it is usually sold."""
    blank = piece.blank
    found = [
        Source(f"stick {key}", stick.says, stick, stick.long, None, True, flaws=stick.flaws, note=stick.note)
        for key, stick in supply.sticks
        if fits(stick, blank, cutting)
    ]
    offers = [
        Source(f"{one.supplier}: {offer.name}, {float(offer.long):g}", offer.name, offer, offer.long, offer.price, False,
               one.supplier, offer.was, offer.stock)
        for one in supply.lists
        for offer in one.offers
        if fits(offer, blank, cutting)
    ]  # fmt: skip
    if not any(one.offers for one in supply.lists):
        offers = [
            Source(f"{one.name}, {float(long):g}", one.name, one.section, long, None, False)
            for one in sold()
            if fits(one.section, blank, cutting)
            for long in one.longs
        ]
    return [one for one in (*found, *offers) if one.key not in cutting.forbid]


def fits(section: Section, blank: Blank, cutting: Cutting) -> bool:
    """Whether stock of a section can become a blank at all, whatever its length."""
    if section.stuff != blank.stuff or ((section.form in ROUND or blank.form in ROUND) and section.form != blank.form):
        return False
    thicker = section.thick - blank.thick
    if blank.form in ROUND:
        return abs(thicker) <= TENTH
    if cutting.species and blank.part and section.species != cutting.species:
        return False
    if not (abs(thicker) <= ALIKE or (cutting.thin and 0 < thicker <= PLANED)):
        return False
    return abs(section.wide - blank.wide) <= ALIKE or (cutting.rip and section.wide > blank.wide)


@dataclass(slots=True)
class _Sum:
    """A group as the solver sees it, and what its numbers stand for."""

    problem: Problem
    bars: list[Source]
    names: list[list[tuple[Piece, ...]]] = field(default_factory=list)


def _group(wanted: list[Piece], supply: Supply, cutting: Cutting, told: Told | None) -> Group:
    blank = wanted[0].blank
    says = (
        f"{blank.form.capitalize()} {exact_text(blank.thick)}"
        if blank.form in ROUND
        else f"{blank.stuff.capitalize()} {exact_text(blank.thick)} thick"
    )
    by_name = {piece.name: piece for piece in wanted}
    bars = {source.key: source for piece in wanted for source in sources(piece, supply, cutting)}
    sawn: list[Sawn] = []
    unfit: list[str] = []
    taken = Counter[str]()
    for key, names in cutting.locked.items():
        source = bars.get(key) or bars.get(key.rpartition(" #")[0])
        mine = [by_name[name] for name in names if name in by_name]
        if not mine:
            continue
        done = _solved(mine, [source], Counter(), cutting, told, most=1) if source else None
        if source is None or done is None:
            unfit.append(key)
            continue
        taken[source.key] += 1
        copy = int(key.rpartition(" #")[2]) if not source.on_hand and " #" in key else 1
        sawn += [replace(one, locked=True, copy=copy) for one in done[0]]
        for piece in mine:
            del by_name[piece.name]
    rest = list(by_name.values())
    at_all = [piece for piece in rest if any(_gives(source, piece, cutting) for source in bars.values())]
    missing = tuple(piece for piece in rest if piece not in at_all)
    short = apart = False
    cost: int | None = sum(one.source.price or 0 for one in sawn)
    least, proved = cost, True
    if at_all:
        done = _solved(at_all, list(bars.values()), taken, cutting, told)
        if done is None:
            short, enough = True, [replace(one, stock=None) for one in bars.values()]
            done = _solved(at_all, enough, taken, cutting, told)
            if done is None:
                apart, cutting = True, cutting.model_copy(update={"matched": ()})
                done = _solved(at_all, list(bars.values()), taken, cutting, told)
                short = done is None
                done = done or _solved(at_all, enough, taken, cutting, told)
        assert done is not None, "every piece fits on something, and there is enough of it"
        used = Counter((one.source.key, one.copy) for one in sawn)
        for one in done[0]:
            copy = one.copy
            while not one.source.on_hand and used[one.source.key, copy]:
                copy += 1
            used[one.source.key, copy] += 1
            sawn.append(replace(one, copy=copy))
        least, proved = (cost or 0) + done[1], done[2]
    if any(one.source.price is None and not one.source.on_hand for one in sawn):
        cost = least = None
    else:
        cost = sum(one.source.price or 0 for one in sawn)
    return Group(says, tuple(sawn), missing, cost, least, proved, short, apart, tuple(unfit))


def _solved(
    wanted: Sequence[Piece],
    bars: Sequence[Source],
    taken: Mapping[str, int],
    cutting: Cutting,
    told: Told | None,
    most: int | None = None,
) -> tuple[list[Sawn], int, bool] | None:
    """Sticks, the least cost, whether it is proved; None where the bars do not suffice. `most` holds each bar's number down."""
    from yardcliff.core.cutting.search import NoPlan, go_on, solve  # the solver takes a while to import

    asked = _sum(wanted, bars, taken, cutting, most)
    try:
        plan = solve(asked.problem, told or go_on)
    except NoPlan:
        return None
    names = [list(each) for each in asked.names]
    copies = Counter[str]()
    sawn = []
    for cut in plan.cuts:
        source = asked.bars[cut.bar]
        copies[source.key] += 1
        sawn.append(_laid(asked.problem, cut, source, copies[source.key], names, cutting))
    weight = asked.problem.weight
    return sawn, plan.bound // weight, plan.total // weight <= plan.bound // weight


def _sum(
    wanted: Sequence[Piece], bars: Sequence[Source], taken: Mapping[str, int], cutting: Cutting, most: int | None
) -> _Sum:
    """The pieces as wants, matched ones as one, and the sticks as bars."""
    kerf = ceil(cutting.takes / TENTH)
    matched = [piece for piece in wanted if piece.name in cutting.matched]
    units: list[tuple[Piece, ...]] = [(piece,) for piece in wanted if piece not in matched]
    for _, same in groupby(sorted(matched, key=lambda one: one.blank.wide), key=lambda one: one.blank.wide):
        units.append(tuple(same))
    alike: dict[tuple[int, int], list[tuple[Piece, ...]]] = defaultdict(list)
    for unit in units:
        long = sum(ceil(piece.blank.long / TENTH) + kerf for piece in unit) - kerf
        alike[long, ceil(unit[0].blank.wide / TENTH)].append(unit)
    wides = {wide for _, wide in alike}
    made = []
    for source in bars:
        wide = floor(source.section.wide / TENTH)
        near = [one for one in wides if abs(one - wide) <= ALIKE / TENTH]
        stretches = clear(source.section, source.long, source.flaws, cutting.trim)
        stock = 1 if source.on_hand else source.stock
        if most is not None:
            stock = most
        elif stock is not None:
            stock = max(stock - taken.get(source.key, 0), 0)
        made.append(
            Bar(
                min(near, default=wide),
                tuple((ceil(a / TENTH), floor(b / TENTH)) for a, b in stretches),
                _weighs(source),
                stock,
            )
        )
    keys = sorted(alike, key=lambda key: (-key[0], -key[1]))
    wants = tuple(Want(long, wide, len(alike[long, wide])) for long, wide in keys)
    rip = ceil(cutting.plane / TENTH)
    return _Sum(Problem(wants, tuple(made), kerf, rip), list(bars), [alike[key] for key in keys])


def _weighs(source: Source) -> int:
    """What a stick costs; by its size where no price is known, and nothing on hand."""
    if source.on_hand:
        return 0
    return floor(source.long * source.section.wide / 1000) if source.price is None else source.price


def _gives(source: Source, piece: Piece, cutting: Cutting) -> bool:
    """Whether a stick can give a piece; matched ones are asked with all that they come with only when they are cut."""
    if not fits(source.section, piece.blank, cutting):
        return False
    problem = _sum([piece], [source], {}, cutting, None).problem
    return problem.may(0, 0)


def _laid(
    problem: Problem, cut: Cut, source: Source, copy: int, names: list[list[tuple[Piece, ...]]], cutting: Cutting
) -> Sawn:
    """A cut laid out on its stick, lanes from the lower edge, pieces from the left end."""
    bar, kerf = problem.bars[cut.bar], cutting.takes
    laid: list[Laid] = []
    left: list[Offcut] = []
    low = ZERO
    for lane in cut.lanes:
        whole = lane.wide == bar.wide
        high = source.section.wide if whole else low + lane.wide * TENTH + cutting.plane
        for run, (start, end) in zip(lane.runs, bar.stretches, strict=True):
            at, stop = start * TENTH, end * TENTH
            for want in run:
                for piece in names[want].pop(0):
                    wide = min(piece.blank.wide, high - low)
                    laid.append(Laid(piece, at, at + piece.blank.long, low, low + wide))
                    at += piece.blank.long + kerf
            if stop > at:
                left.append(Offcut(at, stop, low, high))
        low = high + kerf
    if source.section.wide > low and cut.lanes:
        left += [Offcut(a * TENTH, b * TENTH, low, source.section.wide) for a, b in bar.stretches]
    return Sawn(source, copy, tuple(laid), tuple(left))


def stops(plan: CutPlan) -> Iterator[tuple[Fraction, list[Piece]]]:
    """Settings of the stop block: each length of which more than one is cut, the longest first."""
    by_length: dict[Fraction, list[Piece]] = defaultdict(list)
    for sawn in plan.sawn:
        for one in sawn.laid:
            by_length[one.piece.blank.long].append(one.piece)
    for long in sorted(by_length, reverse=True):
        if len(by_length[long]) > 1:
            yield long, by_length[long]


def marks(sawn: Sawn) -> list[tuple[str, list[Fraction]]]:
    """Running saw marks by lane, as a tape reads them that is hooked over the squared end of each clear stretch: the saw goes
    beyond each mark. Lanes are told by their lower edge.
    """
    found = []
    for low, lane in groupby(sorted(sawn.laid, key=lambda one: (one.low, one.start)), key=lambda one: one.low):
        found.append(
            (f"{float(low):g}", [one.end - min(each.start for each in sawn.laid if each.low == low) for one in lane])
        )
    return found


def used_sticks(plan: CutPlan) -> list[str]:
    """The ids of the sticks on hand that a plan cuts up."""
    return [one.source.key.removeprefix("stick ") for one in plan.sawn if one.source.on_hand]


def offcut_sticks(plan: CutPlan) -> list[Stick]:
    """What goes back on the rack when a plan is carried out."""
    return [
        Stick(
            form="board"
            if one.source.section.form == "sheet" and each.high - each.low < Fraction(300)
            else one.source.section.form,
            stuff=one.source.section.stuff,
            species=one.source.section.species,
            wide=one.source.section.wide if one.source.section.form in ROUND else each.high - each.low,
            thick=one.source.section.thick,
            long=each.end - each.start,
            note=f"Offcut of {one.source.name}"[:120],
        )
        for one in plan.sawn
        for each in one.offcuts
        if each.keeps or (one.source.section.form in ROUND and each.end - each.start >= KEEP)
    ]
