"""The cut plan: pieces by section onto sticks and sheets, those on hand before bought ones, laid
out to be sawn.

Works in exact millimetres outside and in whole tenths inside: parts are rounded up, stock is
rounded down.
"""

import re
from collections import Counter, defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace

from yardcliff.core.brief.cutting import Cutting
from yardcliff.core.units.length import Tape
from yardcliff.core.units.trade import Trade
from yardcliff.core.wood.layout import CutPlan, Group, Piece, Sawn, Source
from yardcliff.core.wood.means import Means
from yardcliff.core.wood.solving import Progress, Solved, fits, gives, solved
from yardcliff.core.wood.stock import ROUND, STICK, Stick, Supply, sold
from yardcliff.messages import tr


def cut_plan(
    wanted: Sequence[Piece],
    supply: Supply,
    cutting: Cutting,
    tape: Tape,
    progress: Progress | None = None,
) -> CutPlan:
    """The cheapest plan for all pieces, section by section; who is `progress` how it goes may have
    it end early.
    """
    means = Means(cutting, supply.shop, tape)
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
    trade = means.tape.trade
    found = [
        on_hand(key, stick, trade) for key, stick in supply.sticks if fits(stick, piece, means)
    ]
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
            for one in sold(trade)
            if fits(one.section, piece, means)
            for long in one.longs
        ]
    return [source for source in (*found, *offers) if source.key not in means.cutting.forbid]


def on_hand(key: str, stick: Stick, trade: Trade) -> Source:
    """A stick that lies here, as it is called in a trade."""
    return Source(
        STICK + key,
        stick.says(trade),
        stick,
        stick.long,
        None,
        True,
        flaws=stick.flaws,
        note=stick.note,
        reclaimed=stick.reclaimed,
    )


def _group(
    wanted: list[Piece], supply: Supply, means: Means, taken: _Taken, progress: Progress | None
) -> Group:
    """The plan of one thickness; what it uses is `taken` from the others."""
    blank = wanted[0].blank
    says = (
        f"{blank.form.capitalize()} {blank.thread or means.tape.write_fine(blank.thick)}"
        if blank.form in ROUND
        else tr(
            "wood.thick", stuff=blank.stuff.capitalize(), thick=means.tape.write_fine(blank.thick)
        )
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
            solved(mine, [source], Counter(), means, progress, most=1) if source and there else None
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
        done = solved(loose if apart else wanted, enough if short else bars, taken, means, progress)
        if done is not None:
            return done, short, apart
    return None


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
