"""One group of pieces laid out on sticks: the sum that is solved, and what it gives."""

from collections import Counter, defaultdict
from collections.abc import Callable, Container, Mapping, Sequence
from dataclasses import dataclass, field
from math import ceil, floor

from yardcliff.core.cutting.problem import Bar, Problem, Want
from yardcliff.core.units.exact import Fraction
from yardcliff.core.wood.laying import TENTH, Unit, lay, through
from yardcliff.core.wood.layout import ALIKE, Piece, Sawn, Source
from yardcliff.core.wood.means import Means
from yardcliff.core.wood.stock import ROUND, Section, clear

PLANED = Fraction(10)
"""How much may be planed off a board's thickness, mm: beyond that it is resawn."""


Progress = Callable[[int, int], bool]
"""Told the best total and the bound of what is being solved, by their weight; answers whether to go
on.
"""


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


Solved = tuple[list[Sawn], int, bool]
"""Sticks, how much better a plan could be at most, whether there is none."""


def solved(
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
    kerf, rip_kerf = ceil(means.takes / TENTH), ceil(means.rip_takes / TENTH)
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
