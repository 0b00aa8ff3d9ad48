"""A rack's timber, whole: what it takes, where it is sawn from, what is bought, what there is to say of it."""

from dataclasses import dataclass, replace

from yardcliff.core.design import Design, design
from yardcliff.core.families import Brief
from yardcliff.core.findings import Finding
from yardcliff.core.site.survey import Site
from yardcliff.core.timber.cost import Cost, Line, consumables, shopping
from yardcliff.core.timber.layout import CutPlan, pieces
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
        changed = design(brief, site)
        return cut_plan(pieces(takeoff(changed).blanks, brief.cutting), supply, brief.cutting)

    return replace(plain, findings=tuple(why(done.brief, plain.plan, supply, planned, done.tape)))


def priced(done: Design, supply: Supply) -> Timber:
    """The same without anything to say: for a ladder of counts, and versions side by side."""
    cutting, taken = done.brief.cutting, takeoff(done)
    plan = cut_plan(pieces(taken.blanks, cutting), supply, cutting)
    lines = shopping(plan, (*taken.wares, *consumables(taken, cutting)), supply)
    return Timber(taken, plan, lines, (), len(done.rack.holders))
