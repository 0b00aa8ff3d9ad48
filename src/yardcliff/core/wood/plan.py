"""The cut plan: pieces by section onto sticks and sheets, those on hand before bought ones, laid
out to be sawn.

Works in exact millimetres outside and in whole tenths inside: parts are rounded up, stock is
rounded down.
"""

import re
from collections import Counter, defaultdict
from collections.abc import Callable, Container, Mapping, Sequence
from dataclasses import dataclass, field, replace
from math import ceil, floor

from yardcliff.core.brief.cutting import Cutting
from yardcliff.core.cutting.problem import Bar, Problem, Want
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text
from yardcliff.core.wood.laying import TENTH, Unit, lay, through
from yardcliff.core.wood.layout import ALIKE, CutPlan, Group, Piece, Sawn, Source
from yardcliff.core.wood.means import Means
from yardcliff.core.wood.stock import ROUND, Section, Stick, Supply, clear, sold

PLANED = Fraction(10)
"""How much may be planed off a board's thickness, mm: beyond that it is resawn."""
Progress = Callable[[int, int], bool]
"""Told the best total and the bound of what is being solved, by their weight; answers whether to go
on.
"""


def cut_plan(
    wanted: Sequence[Piece], supply: Supply, cutting: Cutting, progress: Progress | None = None
) -> CutPlan:
    """The cheapest plan for all pieces, section by section; who is `progress` how it goes may have
    it end early.
    """
    means = Means(cutting, supply.shop)
    groups: dict[tuple[object, ...], list[Piece]] = defaultdict(list)
    for piece in wanted:
        blank = piece.blank
        round_ = blank.form in ROUND
        across = blank.wide if round_ or not means.rip else None
        groups[
            blank.form if round_ else "board", blank.stuff, blank.thick, blank.thread, across
        ].append(piece)
    taken = _Taken()
    return CutPlan(
        tuple(_group(group, supply, means, taken, progress) for group in groups.values()), means
    )


@dataclass(slots=True)
class _Taken:
    """What the groups of a plan have used so far: how many of each source, and the numbers that
    these have.
    """

    many: Counter[str] = field(default_factory=Counter)
    numbers: set[tuple[str, int]] = field(default_factory=set)

    def take(self, sawn: Sawn, copy: int) -> Sawn:
        """Count a stick in, by the first number from `copy` on that is free."""
        key = sawn.source.key
        while (key, copy) in self.numbers:
            copy += 1
        self.numbers.add((key, copy))
        self.many[key] += 1
        return replace(sawn, copy=copy)


def sources(piece: Piece, supply: Supply, means: Means) -> list[Source]:
    """What a piece may be cut from: on hand, then on offer; without any offers, as it is usually
    sold.
    """
    found = [on_hand(key, stick) for key, stick in supply.sticks if fits(stick, piece, means)]
    offers = [
        Source(
            f"{prices.supplier}: {offer.name}, {float(offer.long):g}",
            offer.name,
            offer,
            offer.long,
            offer.price,
            False,
            prices.supplier,
            offer.was,
            offer.stock,
        )
        for prices in supply.lists
        for offer in prices.offers
        if fits(offer, piece, means)
    ]
    if not any(prices.offers for prices in supply.lists):
        offers = [
            Source(f"{one.name}, {float(long):g}", one.name, one.section, long, None, False)
            for one in sold()
            if fits(one.section, piece, means)
            for long in one.longs
        ]
    return [source for source in (*found, *offers) if source.key not in means.cutting.forbid]


def on_hand(key: str, stick: Stick) -> Source:
    """A stick that lies here."""
    return Source(
        f"stick {key}",
        stick.says,
        stick,
        stick.long,
        None,
        True,
        flaws=stick.flaws,
        note=stick.note,
        reclaimed=stick.reclaimed,
    )


def fits(section: Section, piece: Piece, means: Means) -> bool:
    """Whether stock of a section can become a piece at all, whatever its length."""
    cutting = means.cutting
    blank = piece.blank
    if section.stuff != blank.stuff or (
        (section.form in ROUND or blank.form in ROUND) and section.form != blank.form
    ):
        return False
    thicker = section.thick - blank.thick
    if blank.thread:
        return section.threaded == blank.thread
    if blank.form in ROUND:
        return abs(thicker) <= TENTH
    if cutting.species and blank.part and section.species != cutting.species:
        return False
    if not (abs(thicker) <= ALIKE or (means.thin and 0 < thicker <= PLANED)):
        return False
    wide = min(blank.wide, blank.long) if piece.turns and section.form == "sheet" else blank.wide
    return abs(section.wide - wide) <= ALIKE or (means.rip is not None and section.wide > wide)


@dataclass(slots=True)
class _Sum:
    """A group as the solver sees it, and what its numbers stand for."""

    problem: Problem
    bars: list[Source]
    names: list[list[Unit]] = field(default_factory=list)


def _group(
    wanted: list[Piece], supply: Supply, means: Means, taken: _Taken, progress: Progress | None
) -> Group:
    """The plan of one thickness; what it uses is `taken` from the others."""
    blank = wanted[0].blank
    says = (
        f"{blank.form.capitalize()} {blank.thread or exact_text(blank.thick)}"
        if blank.form in ROUND
        else f"{blank.stuff.capitalize()} {exact_text(blank.thick)} thick"
    )
    by_name = {piece.name: piece for piece in wanted}
    alike = {_shape(piece): piece for piece in wanted}  # hundreds of pegs are one question
    bars = {
        source.key: source for piece in alike.values() for source in sources(piece, supply, means)
    }
    sawn: list[Sawn] = []
    unfit: list[str] = []
    for key, names in means.cutting.locked.items():
        kind, copy = _numbered(key)
        source = bars.get(key) or bars.get(kind)
        if source and not source.on_hand:  # what was bought since lies here
            source = next(
                (one for one in bars.values() if _same(one, source) and not taken.many[one.key]),
                source,
            )
        mine = [by_name[name] for name in names if name in by_name]
        if not mine:
            continue
        there = source and not (source.on_hand and taken.many[source.key])
        done = (
            _solved(mine, [source], Counter(), means, progress, most=1)
            if source and there
            else None
        )
        if source is None or done is None:
            unfit.append(key)
            continue
        sawn += [replace(taken.take(sawn, copy), locked=key) for sawn in done[0]]
        for piece in mine:
            del by_name[piece.name]
    rest = list(by_name.values())
    givers = {
        shape: [source for source in bars.values() if gives(source, piece, means)]
        for shape, piece in alike.items()
    }
    at_all = [piece for piece in rest if givers[_shape(piece)]]
    missing = [piece for piece in rest if not givers[_shape(piece)]]
    gap, proved, short, apart = 0, True, False, False
    while at_all:
        found = _however(at_all, list(bars.values()), taken.many, means, progress)
        if found is None:
            # Only sticks on hand give some of them, and there are not enough of these.
            here = [
                piece for piece in at_all if all(source.on_hand for source in givers[_shape(piece)])
            ]
            missing.append((here or at_all)[-1])
            at_all.remove(missing[-1])
            continue
        (laid, gap, proved), short, apart = found
        sawn += [taken.take(sawn, sawn.copy) for sawn in laid]
        break
    known = all(one.source.price is not None or one.source.on_hand for one in sawn)
    cost = sum(one.source.price or 0 for one in sawn) if known else None
    return Group(
        says,
        tuple(sawn),
        tuple(missing),
        cost,
        gap if known else None,
        proved,
        short,
        apart,
        tuple(unfit),
    )


Solved = tuple[list[Sawn], int, bool]
"""Sticks, how much better a plan could be at most, whether there is none."""


def _however(
    wanted: Sequence[Piece],
    bars: Sequence[Source],
    taken: Mapping[str, int],
    means: Means,
    progress: Progress | None,
) -> tuple[Solved, bool, bool] | None:
    """A plan, and whether it is short of what is in stock, and whether what was to match is apart;
    None where there is none.
    """
    enough = [source if source.on_hand else replace(source, stock=None) for source in bars]
    loose = [replace(piece, match="") for piece in wanted]
    matched = any(piece.match for piece in wanted)
    for short, apart in ((False, False), (True, False), (False, True), (True, True))[
        : 4 if matched else 2
    ]:
        done = _solved(
            loose if apart else wanted, enough if short else bars, taken, means, progress
        )
        if done is not None:
            return done, short, apart
    return None


def _solved(
    wanted: Sequence[Piece],
    bars: Sequence[Source],
    taken: Mapping[str, int],
    means: Means,
    progress: Progress | None,
    most: int | None = None,
) -> Solved | None:
    """A plan, or None where the bars do not suffice. `most` holds each bar's number down.

    Flaws on a back are left aside at first, so the bound holds whatever comes. Where a stick's
    pieces cannot then be laid so that only those that hide their backs carry them, its flaws count
    as going through, and it is tried again.
    """
    from yardcliff.core.cutting.search import (
        NoPlan,
        go_on,
        solve,
    )  # the solver takes a while to import

    hides = any(piece.hides for piece in wanted)
    strict = set() if hides else {source.key for source in bars}
    least: int | None = None
    while True:
        asked = _sum(wanted, bars, taken, means, most, strict)
        try:
            plan = solve(asked.problem, progress or go_on)
        except NoPlan:
            return None
        weight = asked.problem.weight
        least = plan.bound // weight if least is None else least
        names = [list(name) for name in asked.names]
        copies = Counter[str]()
        sawn, refused = [], set[str]()
        for cut in plan.cuts:
            source = asked.bars[cut.bar]
            copies[source.key] += 1
            laid = lay(
                asked.problem, cut, source, copies[source.key], names, means, source.key in strict
            )
            if laid is None:
                refused.add(source.key)
            else:
                sawn.append(laid)
        if not refused:
            gap = plan.total // weight - least
            return sawn, max(gap, 0), gap <= 0
        strict |= refused


def _sum(
    wanted: Sequence[Piece],
    bars: Sequence[Source],
    taken: Mapping[str, int],
    means: Means,
    most: int | None = None,
    strict: Container[str] = (),
) -> _Sum:
    """The pieces as wants, matched ones as one, and the sticks as bars; of those in `strict` every
    flaw goes through.
    """
    cutting = means.cutting
    kerf, rip_kerf = ceil(cutting.takes / TENTH), ceil(means.rip_takes / TENTH)
    matched: dict[str, list[Piece]] = defaultdict(list)
    for piece in wanted:
        matched[piece.match].append(piece)
    units: list[Unit] = [(piece,) for piece in matched.pop("", [])]
    units += map(tuple, matched.values())
    alike: dict[tuple[int, int, bool, bool], list[Unit]] = defaultdict(list)
    for unit in units:
        long = sum(ceil(piece.blank.long / TENTH) + kerf for piece in unit) - kerf
        wide = max(ceil(piece.blank.wide / TENTH) for piece in unit)
        alike[
            long, wide, unit[0].turns and len(unit) == 1, all(piece.hides for piece in unit)
        ].append(unit)
    wides = {wide for _, wide, _, _ in alike} | {long for long, _, turns, _ in alike if turns}
    made = []
    for source in bars:
        wide = floor(source.section.wide / TENTH)
        near = [one for one in wides if abs(one - wide) <= ALIKE / TENTH]
        stretches = clear(source.long, through(source, source.key in strict), cutting.trim)
        stock = 1 if source.on_hand else source.stock
        if most is not None:
            stock = most
        elif stock is not None:
            stock = max(stock - taken.get(source.key, 0), 0)
        made.append(
            Bar(
                min(near, default=wide),
                tuple((ceil(a / TENTH), floor(b / TENTH)) for a, b in stretches),
                _weighs(source, wanted[0], means),
                stock,
                source.section.form == "sheet",
                means.costs(means.minutes("strip", source.long)),
            )
        )
    keys = sorted(alike, key=lambda key: (-key[0], -key[1], *key[2:]))
    wants = tuple(Want(key[0], key[1], len(alike[key]), key[2]) for key in keys)
    rip = ceil(cutting.plane / TENTH)
    return _Sum(
        Problem(wants, tuple(made), kerf, rip, rip_kerf), list(bars), [alike[key] for key in keys]
    )


def _shape(piece: Piece) -> tuple[object, ...]:
    """What of a piece decides what it can be cut from."""
    blank = piece.blank
    return (
        blank.form,
        blank.stuff,
        blank.wide,
        blank.thick,
        blank.thread,
        blank.long,
        bool(blank.part),
        piece.turns,
        piece.hides,
    )


def _same(source: Source, offer: Source) -> bool:
    """Whether a stick on hand is what is offered."""
    across = [
        (section.form, section.stuff, section.wide, section.thick)
        for section in (source.section, offer.section)
    ]
    return (
        source.on_hand and not source.flaws and source.long == offer.long and across[0] == across[1]
    )


def _numbered(key: str) -> tuple[str, int]:
    """A stick's key as what it is one of, and which one of these."""
    found = re.fullmatch(r"(.*) #(\d{1,4})", key)
    return (found[1], int(found[2])) if found else (key, 1)


def _weighs(source: Source, piece: Piece, means: Means) -> int:
    """What a stick costs, nothing on hand, and the time that it takes to plane it thinner; by its
    size where no price is known.
    """
    thin = source.section.form not in ROUND and source.section.thick > piece.blank.thick + ALIKE
    time = means.costs(means.minutes("thin", source.long)) if thin else 0
    if source.on_hand:
        return time
    return (
        floor(source.long * source.section.wide / 1000)
        if source.price is None
        else source.price + time
    )


def gives(source: Source, piece: Piece, means: Means) -> bool:
    """Whether a stick can give a piece; matched ones are asked with all that they come with only
    when they are cut.
    """
    if not fits(source.section, piece, means):
        return False
    strict = () if piece.hides else (source.key,)
    return _sum([piece], [source], {}, means, None, strict).problem.may(0, 0)
