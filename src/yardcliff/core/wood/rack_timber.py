"""A rack's timber, whole: what it takes, where it is sawn from, what is bought, what there is to
say of it.
"""

from collections import Counter
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace

from yardcliff.core.brief.cutting import Cutting
from yardcliff.core.design.as_built import design_on
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import Design
from yardcliff.core.design.there import PieceKey
from yardcliff.core.findings.finding import Finding, Patch
from yardcliff.core.wall.survey import Site
from yardcliff.core.ways import Brief
from yardcliff.core.wood.cost import Cost, Line, consumables, shopping
from yardcliff.core.wood.layout import CutPlan, Piece, pieces
from yardcliff.core.wood.left_over import Unused, unused
from yardcliff.core.wood.one_less import MOST_TRIED
from yardcliff.core.wood.plan import cut_plan
from yardcliff.core.wood.reasons import why
from yardcliff.core.wood.stock import Supply
from yardcliff.core.wood.taking_off import Takeoff, takeoff

AS_SOLD: Patch = {"rip": "never", "thin": "never"}


@dataclass(frozen=True, slots=True)
class Timber:
    """`holders` is how many the cost is shared by; `unused` lies there and is left; `as_sold` is
    the plan that rips and planes nothing, where this one does.
    """

    taken: Takeoff
    plan: CutPlan
    lines: tuple[Line, ...]
    findings: tuple[Finding, ...]
    holders: int
    unused: tuple[Unused, ...] = ()
    as_sold: CutPlan | None = None

    @property
    def cost(self) -> Cost:
        return Cost.of(self.lines)


def timber(done: Design, supply: Supply, site: Site | None = None) -> Timber:
    """A design's timber; its findings' fixes were tried on the same wall and from the
    same supply.
    """
    plain = priced(done, supply)

    def planned(brief: Brief) -> CutPlan:
        changed = design_on(brief, done.there, site)
        wanted = still_wanted(pieces(takeoff(changed).blanks, brief.cutting), done.there.pieces)
        return cut_plan(wanted, supply, _open(brief.cutting, done), done.tape)

    worked = any(sawn.strips or sawn.thinned for sawn in plain.plan.sawn)
    wanted = still_wanted(pieces(plain.taken.blanks, done.brief.cutting), done.there.pieces)
    return replace(
        plain,
        findings=tuple(why(done.brief, plain.plan, supply, planned, done.tape)),
        unused=tuple(unused(plain.plan, wanted, supply, done.tape)),
        as_sold=(
            planned(amend(done.brief, {"cutting": AS_SOLD}))
            if worked and len(wanted) <= MOST_TRIED
            else None
        ),
    )


def _open(cutting: Cutting, done: Design) -> Cutting:
    """What is asked of the sticks that are whole yet: one that was ripped is kept for nothing any
    more.
    """
    locked = {key: names for key, names in cutting.locked.items() if key not in done.there.freed}
    return cutting if len(locked) == len(cutting.locked) else cutting.changed({"locked": locked})


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
    plan = cut_plan(
        still_wanted(pieces(taken.blanks, cutting), done.there.pieces),
        supply,
        _open(cutting, done),
        done.tape,
    )
    wares = () if done.there.used else (*taken.wares, *consumables(taken, cutting))
    lines = shopping(plan, wares, supply)
    return Timber(taken, plan, lines, (), len(done.rack.holders))
