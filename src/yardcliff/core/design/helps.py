"""What would take most off the weakest link: changes of the rack and of its fixing, tried."""

from collections.abc import Iterator

from yardcliff.core.brief.mounting import Into
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.findings.finding import Fix
from yardcliff.core.findings.patch import BriefError
from yardcliff.core.wall.anchors import anchors
from yardcliff.messages import tr

WORTH = 0.8
"""What takes less than a fifth off is not worth a word."""
_INTO: tuple[Into, ...] = ("screws", "lags", "sheet", "plugs", "toggles")


def helps_most(done: Design) -> tuple[Fix, float] | None:
    """The change that leaves the weakest link the smallest share, and that share; None where none
    takes a fifth off.
    """
    link = done.chain.weakest
    if link is None:
        return None
    best: tuple[Fix, float] | None = None
    for fix in _changes(done):
        try:
            found = design(amend(done.brief, fix.patch), done.on_wall.site)
        except BriefError:
            continue
        after, stops = (
            found.chain.weakest,
            {finding.code for finding in found.findings} - {f.code for f in done.findings},
        )
        if after and not stops and after.share < min(WORTH * link.share, best[1] if best else 9e9):
            best = fix, after.share
    return best


def _changes(done: Design) -> Iterator[Fix]:
    brief = done.brief
    if brief.board.wood != "hardwood":
        yield Fix(tr("fix.a-hardwood-board"), {"board": {"wood": "hardwood"}})
    site, mount = done.on_wall.site, brief.mount
    if site is None:
        return
    if mount.foot == "none":
        yield Fix(tr("fix.a-spacer-at-the-foot"), {"mount": {"foot": "spacer"}})
    if mount.by != "through":
        yield Fix(tr("fix.screws-through-it"), {"mount": {"by": "through"}})
    known = anchors(done.tape.sizes)
    for into in _INTO:
        if into != mount.into and site.wall.makeup in known[into].walls:
            yield Fix(known[into].name, {"mount": {"into": into, "pull": None, "shear": None}})
