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
from yardcliff.core.units.weights import load_text
from yardcliff.core.wall.hanging import OnWall
from yardcliff.core.wall.survey import Site
from yardcliff.core.wall.wall import makeup_name
from yardcliff.messages import tr

NO_PROOF = "design.rule-thumb-no-proof-hang-your"
_BLOCKS = {
    "unknown": "design.weakest-block-as-nobody-said-which",
    "solid": "design.brick-or-concrete",
    "hollow": "design.hollow-block",
    "aerated": "design.aerated-block",
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
    unchecked = "" if on.site else tr("design.no-wall-chosen-yet-what-holds")
    return Chain(tuple(_assumed(brief, on, tape)), tuple(found), unchecked)


def _assumed(brief: RackBrief, on: OnWall, tape: Tape) -> list[str]:
    pulled = brief.pulled
    children = tr("design.with-children-who-hang-on-it") if brief.children else ""
    said = [
        tr(
            "design.wood-as-light-as-any-its",
            wood=brief.board.wood,
            gravity=f"{gravity(brief.board.wood):g}",
            draws=PART[DRAWN_SAFETY],
            breaks=PART[SAFETY],
        ),
        tr(
            "design.pull-n-down-straight-out-on",
            force=load_text(pulled.force, tape.trade),
            says=pulled.says,
            children=children,
        ),
    ]
    return [*said, _wall(on.site, brief.mount, tape)] if on.site else said


def _wall(site: Site, mount: Mount, tape: Tape) -> str:
    wall = site.wall
    of = (
        tr(_BLOCKS[wall.block])
        if wall.makeup == "masonry"
        else tr(
            "design.over-them", makeup=makeup_name(wall.makeup), lining=tape.write_fine(wall.lining)
        )
    )
    packet = (
        tr("design.the-packets-figures-over", factor=f"{mount.factor:g}")
        if mount.pull is not None or mount.shear is not None
        else ""
    )
    return tr("design.wall", of=of, packet=packet)
