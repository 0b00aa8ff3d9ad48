"""Core values of walls and fixings as the API says them."""

from collections.abc import Sequence

from yardcliff.api.scenes import view_dimensions
from yardcliff.api.walls.wire import (
    AimView,
    ChainView,
    FixedView,
    FixingWay,
    HoleView,
    LinkView,
    OnWallView,
    PutUpView,
    SnapView,
    StandingView,
    StepView,
)
from yardcliff.api.wire import BoxView
from yardcliff.core.design.helps import helps_most
from yardcliff.core.design.load_chain import NO_PROOF, Chain
from yardcliff.core.design.rack_design import Design
from yardcliff.core.strength.link import percent
from yardcliff.core.units.length import Tape, exact_text
from yardcliff.core.wall.drawn import place_dimensions
from yardcliff.core.wall.options import BYS, Way, verdict, ways_by, ways_into
from yardcliff.core.wall.position import AIMS, Aimed, Snap, aims, reach, snaps
from yardcliff.core.wall.putting_up import put_up
from yardcliff.core.wall.room_check import depths
from yardcliff.core.wall.survey import around
from yardcliff.messages import listed, tr


def view_chain(chain: Chain) -> ChainView:
    return ChainView(
        assumed=list(chain.assumed),
        links=[
            LinkView(
                kind=link.kind,
                name=link.name,
                share=percent(link.share),
                level=min(link.share, 9.99),
                figure=link.figure,
            )
            for link in chain.links
        ],
        unchecked=chain.unchecked,
        note=tr(NO_PROOF),
    )


def view_on_wall(design: Design) -> OnWallView:
    """Where a rack is and how it is held: part of every design on a wall."""
    on, tape, rack = design.on_wall, design.tape, design.rack
    assert on.site
    box = around(on.areas)
    along, up = snaps(rack, on.areas, on.site, on.spot)
    return OnWallView(
        wall=on.spot.wall or "",
        name=on.site.name,
        x=tape.write(on.spot.x),
        x_mm=float(on.spot.x),
        hung_mm=float(design.brief.hung),
        box=BoxView(x0=float(box.x0), y0=float(box.y0), x1=float(box.x1), y1=float(box.y1)),
        face=BoxView(
            x0=-float(on.spot.x),
            y0=0,
            x1=float(on.site.wall.width - on.spot.x),
            y1=float(on.site.wall.height),
        ),
        reach=tape.write(reach(on.spot, rack.sizes)),
        depth=tape.write(max(depths(rack))),
        verdict=verdict(on.fixed),
        fixed=[
            FixedView(
                body=fixing.body.name,
                by=tr(BYS[fixing.by][0]),
                name=fixing.anchor.name,
                count=len(fixing.screws),
                share=percent(fixing.share),
                level=min(fixing.share, 9.99),
                good=fixing.good,
                strip=fixing.strip is not None,
            )
            for fixing in on.fixed
        ],
        dimensions=view_dimensions(place_dimensions(rack, on, tape)),
        snaps_x=_snaps(along, tape),
        snaps_y=_snaps(up, tape),
    )


def _snaps(found: Sequence[Snap], tape: Tape) -> list[SnapView]:
    return [
        SnapView(at=float(s.at), value=exact_text(s.at), text=tape.write(s.at), why=s.why)
        for s in found
        if s.at >= 0
    ]


def view_standing(design: Design) -> StandingView:
    """What the wall allows: worked out for what is stored, not on every frame of a drag."""
    on, tape, rack, mount = design.on_wall, design.tape, design.rack, design.brief.mount
    assert on.site
    up = put_up(rack, on, tape)
    by, into = (list(ways(rack, on.site, on.spot, mount, tape)) for ways in (ways_by, ways_into))
    found = helps_most(design)
    return StandingView(
        assumed=on.site.wall.assumed,
        aims=[
            AimView(
                aim=aimed.aim,
                name=tr(AIMS[aimed.aim][0]),
                why=tr(AIMS[aimed.aim][1]),
                but=_but(aimed, tape),
                x=tape.write(aimed.x),
                off=tape.write(abs(aimed.off)) if aimed.off else "0",
                studs=aimed.studs,
                screws=aimed.screws,
                share=verdict(aimed.fixed),
                here=aimed.here,
                patch=aimed.patch,
            )
            for aimed in aims(rack, on.site, on.spot, mount, tape)
        ],
        by=[_way(way) for way in by],
        into=[_way(way) for way in into],
        helps=f"{found[0].label}, {percent(found[1])}" if found else None,
        put_up=PutUpView(
            holes=[
                HoleView(
                    number=h.number, body=h.body, x=tape.write(h.x), y=tape.write(h.y), into=h.into
                )
                for h in up.holes
            ],
            steps=[StepView(do=step.do, why=step.why) for step in up.steps],
            tools=list(up.at_hand),
            cautions=list(up.cautions),
        ),
    )


def _but(aimed: Aimed, tape: Tape) -> str:
    """`180 mm left of it: the door is there`."""
    if abs(aimed.beside) < tape.step:
        return ""
    right = aimed.beside > 0
    off = tr("api.right-of-it" if right else "api.left-of-it", off=tape.write(abs(aimed.beside)))
    return tr("api.in-the-way", off=off, blocked=listed(aimed.blocked)) if aimed.blocked else off


def _way(way: Way) -> FixingWay:
    return FixingWay(
        value=way.value, name=way.name, why=way.why, verdict=way.verdict, good=way.good
    )
