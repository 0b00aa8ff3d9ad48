"""The chain from the thing that hangs to the wall: what was assumed, every link with its share, and
the weakest of them.
"""

from dataclasses import dataclass

from yardcliff.core.brief.mounting import Mount
from yardcliff.core.brief.rack_brief import RackBrief
from yardcliff.core.rack import Rack
from yardcliff.core.strength.link import Link, weakest
from yardcliff.core.strength.wood import DRAWN_SAFETY, PART, SAFETY, gravity
from yardcliff.core.units.length import Tape
from yardcliff.core.wall.hanging import OnWall
from yardcliff.core.wall.survey import Site

NO_PROOF = (
    "A rule of thumb, and no proof: hang your own weight on it before anything else hangs there."
)
_BLOCKS = {
    "unknown": "the weakest block, as nobody said which",
    "solid": "brick or concrete",
    "hollow": "hollow block",
    "aerated": "aerated block",
}


@dataclass(frozen=True, slots=True)
class Chain:
    """`links` from the weakest on; without a wall those of the rack alone, and
    `unchecked` says so.
    """

    assumed: tuple[str, ...]
    links: tuple[Link, ...]
    unchecked: str

    @property
    def weakest(self) -> Link | None:
        return weakest(self.links)


def chain(brief: RackBrief, rack: Rack, on: OnWall, tape: Tape) -> Chain:
    """What holds what hangs there, link by link; of links with one name the weakest
    stands for all.
    """
    known: dict[tuple[str, str], Link] = {}
    for link in (*rack.links, *on.links):
        said = known.get((link.kind, link.name))
        if said is None or link.share > said.share:
            known[link.kind, link.name] = link
    found = sorted(known.values(), key=lambda link: -link.share)
    unchecked = (
        "" if on.site else "No wall is chosen yet: what holds the rack on it is not checked."
    )
    return Chain(tuple(_assumed(brief, on, tape)), tuple(found), unchecked)


def _assumed(brief: RackBrief, on: OnWall, tape: Tape) -> list[str]:
    pulled = brief.pulled
    children = ", with children who hang on it" if brief.children else ""
    said = [
        (
            f"Wood: {brief.board.wood} as light as any of its name (specific gravity"
            f" {gravity(brief.board.wood):g}); a {PART[DRAWN_SAFETY]} of what draws a screw, a"
            f" {PART[SAFETY]} of what breaks a board or a dowel."
        ),
        (
            f"Pull: {pulled.force:.0f} N, {pulled.says}{children}; down and straight out, on the"
            " worst place."
        ),
    ]
    return [*said, _wall(on.site, brief.mount, tape)] if on.site else said


def _wall(site: Site, mount: Mount, tape: Tape) -> str:
    wall = site.wall
    of = (
        _BLOCKS[wall.block]
        if wall.makeup == "masonry"
        else f"{wall.makeup}, {tape.write_fine(wall.lining)} over them"
    )
    packet = (
        f"; the packet's figures over {mount.factor:g}"
        if mount.pull is not None or mount.shear is not None
        else ""
    )
    return f"Wall: {of}{packet}."
