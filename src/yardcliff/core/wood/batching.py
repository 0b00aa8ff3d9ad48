"""Several racks, or one at several lengths, cut from one purchase."""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import NamedTuple

from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.brief.cutting import Cutting
from yardcliff.core.design.rack_design import Design
from yardcliff.core.design.there import NOTHING
from yardcliff.core.wood.cost import consumables, shopping
from yardcliff.core.wood.layout import Piece, pieces
from yardcliff.core.wood.plan import cut_plan
from yardcliff.core.wood.rack_timber import Timber, priced, still_wanted
from yardcliff.core.wood.solving import Progress
from yardcliff.core.wood.stock import Supply
from yardcliff.core.wood.taking_off import Takeoff, takeoff
from yardcliff.messages import tr

MOST = 3000
"""Pieces that are planned together: beyond that nobody keeps them apart."""


class TooManyPieces(YardcliffError):
    def __init__(self, many: int) -> None:
        super().__init__(tr("wood.pieces-too-many-cut-together-can", many=many, most=MOST))


class Member(NamedTuple):
    """A rack of a batch, by the name that its parts are known by, and how many of it are made."""

    name: str
    done: Design
    copies: int


@dataclass(frozen=True, slots=True)
class Batch:
    """All of it cut together, and what the racks would cost one by one, the same stock on hand
    going to each.
    """

    together: Timber
    apart: int


def batch(
    members: Sequence[Member], supply: Supply, cutting: Cutting, progress: Progress | None = None
) -> Batch:
    """One plan and one list for all: cut with the saw, and finished as, `cutting` says. Raises
    `TooManyPieces`.
    """
    takeoffs = [(member, takeoff(member.done)) for member in members]
    count = sum(blank.count * member.copies for member, one in takeoffs for blank in one.blanks)
    if count > MOST:
        raise TooManyPieces(count)
    many, at = Counter[str](), Counter[str]()
    for member in members:
        many[member.name] += member.copies
    wanted: list[Piece] = []
    for member, one in takeoffs:
        for k in range(member.copies):
            at[member.name] += 1
            number = f" {at[member.name]}" if many[member.name] > 1 else ""
            mine = pieces(one.blanks, member.done.brief.cutting, f"{member.name}{number}: ")
            # The first may be half cut.
            wanted += mine if k else still_wanted(mine, member.done.there.pieces)
    taken = Takeoff(
        tuple(blank for _, one in takeoffs for blank in one.blanks),
        tuple(
            replace(ware, count=ware.count * left)
            for member, one in takeoffs
            for ware in one.wares
            if (left := member.copies - member.done.there.used)
        ),
        sum(one.faces * member.copies for member, one in takeoffs),
        sum(one.glue * member.copies for member, one in takeoffs),
    )
    plan = cut_plan(wanted, supply, cutting, members[0].done.tape, progress)
    lines = shopping(plan, (*taken.wares, *consumables(taken, cutting)), supply)
    holders = sum(len(member.done.rack.holders) * member.copies for member in members)
    apart = 0
    for member in members:
        first, more = (
            priced(design, supply).cost.total
            for design in (member.done, replace(member.done, there=NOTHING))
        )
        apart += first + more * (member.copies - 1)
    return Batch(Timber(taken, plan, lines, (), holders), apart)
