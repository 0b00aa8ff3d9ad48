"""A rack's timber, whole: what it takes, where it is sawn from, what is bought, what there is to say of it."""

from collections import Counter
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace

from yardcliff.core.built.as_built import design_on
from yardcliff.core.built.there import PieceKey
from yardcliff.core.design import Design
from yardcliff.core.families import Brief
from yardcliff.core.findings import Finding
from yardcliff.core.site.survey import Site
from yardcliff.core.timber.cost import Cost, Line, consumables, shopping
from yardcliff.core.timber.layout import CutPlan, Piece, pieces
from yardcliff.core.timber.plan import cut_plan
from yardcliff.core.timber.stock import Supply
from yardcliff.core.timber.takeoff import Takeoff, takeoff
from yardcliff.core.timber.why import why


@dataclass(frozen=True, slots=True)
class Timber:
    """`holders` is how many the cost is shared by."""

    taken: Takeoff
    plan: CutPlan
    lines: tuple[Line, ...]
    findings: tuple[Finding, ...]
    holders: int

    @property
    def cost(self) -> Cost:
        return Cost.of(self.lines)


def timber(done: Design, supply: Supply, site: Site | None = None) -> Timber:
    """A design's timber; its findings' fixes were tried on the same wall and from the same supply."""
    plain = priced(done, supply)

    def planned(brief: Brief) -> CutPlan:
        changed = design_on(brief, done.there, site)
        wanted = still_wanted(pieces(takeoff(changed).blanks, brief.cutting), done.there.pieces)
        return cut_plan(wanted, supply, brief.cutting)

    return replace(plain, findings=tuple(why(done.brief, plain.plan, supply, planned, done.tape)))


def still_wanted(every: Iterable[Piece], cut: Mapping[PieceKey, int]) -> tuple[Piece, ...]:
    """The pieces that are not cut yet."""
    left = Counter(cut)
    found = []
    for piece in every:
        blank = piece.blank
        key = blank.part, blank.name, blank.long, blank.wide, blank.thick
        if left[key]:
            left[key] -= 1
        else:
            found.append(piece)
    return tuple(found)


def priced(done: Design, supply: Supply) -> Timber:
    """The same without anything to say: for a ladder of counts, and versions side by side."""
    cutting, taken = done.brief.cutting, takeoff(done)
    plan = cut_plan(still_wanted(pieces(taken.blanks, cutting), done.there.pieces), supply, cutting)
    wares = () if done.there.used else (*taken.wares, *consumables(taken, cutting))
    lines = shopping(plan, wares, supply)
    return Timber(taken, plan, lines, (), len(done.rack.holders))
