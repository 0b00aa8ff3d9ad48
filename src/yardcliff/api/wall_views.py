"""Core values of walls and fixings as the API says them."""

from collections.abc import Iterable, Sequence

from yardcliff.api.scene_wire import BoxView, DimensionView
from yardcliff.api.wall_wire import (
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
from yardcliff.core.chain import NO_PROOF, Chain
from yardcliff.core.design import Design
from yardcliff.core.helps import helps_most
from yardcliff.core.length import Tape, exact_text
from yardcliff.core.scene import Dimension
from yardcliff.core.site.check import depths
from yardcliff.core.site.drawn import place_dimensions
from yardcliff.core.site.options import BYS, Way, verdict, ways_by, ways_into
from yardcliff.core.site.position import AIMS, Aimed, Snap, aims, reach, snaps
from yardcliff.core.site.put_up import put_up
from yardcliff.core.site.survey import around
from yardcliff.core.strength.link import percent


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
        note=NO_PROOF,
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
            x0=-float(on.spot.x), y0=0, x1=float(on.site.wall.width - on.spot.x), y1=float(on.site.wall.height)
        ),
        reach=tape.write(reach(on.spot)),
        depth=tape.write(max(depths(rack))),
        verdict=verdict(on.fixed),
        fixed=[
            FixedView(
                body=one.body.name,
                by=BYS[one.by][0],
                name=one.anchor.name,
                count=len(one.screws),
                share=percent(one.share),
                level=min(one.share, 9.99),
                good=one.good,
                strip=one.strip is not None,
            )
            for one in on.fixed
        ],
        dimensions=view_dimensions(place_dimensions(rack, on, tape)),
        snaps_x=_snaps(along, tape),
        snaps_y=_snaps(up, tape),
    )


def view_dimensions(found: Iterable[Dimension]) -> list[DimensionView]:
    return [
        DimensionView(
            axis=d.axis, start=d.start, end=d.end, at=d.at, side=d.side, level=d.level, text=d.text, figure=d.figure
        )
        for d in found
    ]


def _snaps(found: Sequence[Snap], tape: Tape) -> list[SnapView]:
    return [
        SnapView(at=float(s.at), value=exact_text(s.at), text=tape.write(s.at), why=s.why) for s in found if s.at >= 0
    ]


def view_standing(design: Design) -> StandingView:
    """What the wall allows: worked out for what is stored, not on every frame of a drag."""
    on, tape, rack, mount = design.on_wall, design.tape, design.rack, design.brief.mount
    assert on.site
    up = put_up(rack, on, tape)
    by, into = (list(ways(rack, on.site, on.spot, mount, tape)) for ways in (ways_by, ways_into))
    found = helps_most(design)
    return StandingView(
        aims=[
            AimView(
                aim=one.aim,
                name=AIMS[one.aim][0],
                why=AIMS[one.aim][1],
                but=_but(one, tape),
                x=tape.write(one.x),
                off=tape.write(abs(one.off)) if one.off else "0",
                studs=one.studs,
                screws=one.screws,
                share=verdict(one.fixed),
                here=one.here,
                patch=one.patch,
            )
            for one in aims(rack, on.site, on.spot, mount, tape)
        ],
        by=[_way(way) for way in by],
        into=[_way(way) for way in into],
        helps=f"{found[0].label}, {percent(found[1])}" if found else None,
        put_up=PutUpView(
            holes=[
                HoleView(number=h.number, body=h.body, x=tape.write(h.x), y=tape.write(h.y), into=h.into)
                for h in up.holes
            ],
            steps=[StepView(do=step.do, why=step.why) for step in up.steps],
            tools=list(up.at_hand),
            cautions=list(up.cautions),
        ),
    )


def _but(one: Aimed, tape: Tape) -> str:
    """`180 mm left of it: the door is there`."""
    if abs(one.beside) < tape.step:
        return ""
    off = f"{tape.write(abs(one.beside))} {'right' if one.beside > 0 else 'left'} of it"
    return f"{off}: {' and '.join(one.blocked)} in the way" if one.blocked else off


def _way(way: Way) -> FixingWay:
    return FixingWay(value=way.value, name=way.name, why=way.why, verdict=way.verdict, good=way.good)
