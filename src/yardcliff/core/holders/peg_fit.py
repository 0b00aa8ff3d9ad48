"""Pegs fitted to their board: the hole, its figures, and whether it holds."""

from collections.abc import Iterator
from dataclasses import replace
from math import radians, sin

from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders.fitting import Fitting, Ground, half
from yardcliff.core.holders.peg import (
    ADVISED,
    Peg,
    PegGlyph,
    findings,
    links,
    mouth,
    square_depth,
    weak,
    web,
)
from yardcliff.core.materials.goods import Blank
from yardcliff.core.rack import Bore, Kind, Operation
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.strength.stick import bearing, stress
from yardcliff.core.strength.wood import PART, SAFETY, bending, embedding
from yardcliff.core.units.angles import both_ways, degrees
from yardcliff.core.units.exact import Fraction
from yardcliff.messages import tr


def fit(
    peg: Peg, ground: Ground, path: str = "holder", asides: tuple[Fraction, ...] = (Fraction(0),)
) -> Fitting:
    """Fit a peg to a board, or several that hold one thing, each `aside` of its axis.

    Findings carry (0, 0), that axis; `path` is where the brief keeps the peg.
    """
    reach, ground = half(peg.diameter), replace(ground, pulled=ground.pulled.shared(len(asides)))
    return Fitting(
        name=tr("holders.dowel-pegs", n=2),
        noun=tr("holders.dowel-pegs", n=1),
        reach=reach,
        glyph=PegGlyph(
            peg.diameter,
            mouth(peg),
            rounded(float(peg.showing) * sin(radians(peg.tilt))),
            peg.showing,
        ),
        bores=tuple(
            Bore("peg hole", Fraction(0), peg.diameter, peg.depth, peg.tilt, aside=x)
            for x in asides
        ),
        end_distance=peg.diameter * 3 / 2,
        end_why=tr("holders.one-half-dowels-from-end-so"),
        hang_drop=Fraction(0),
        figures=(*_figures(peg, ground), *_strength(peg, ground)),
        findings=(*findings(peg, ground, path), *weak(peg, ground, path)),
        machining=(
            Operation(
                Kind.PEG_HOLE,
                (),
                tr("tool.bit"),
                peg.diameter,
                peg.depth,
                peg.tilt,
                web(peg, ground.thickness),
                tr("stop.depth-stop-or-tape-on-bit"),
                tr("holders.drill-while-boards-face-edges-still"),
                takes=(
                    Blank(
                        tr("piece.peg"),
                        "dowel",
                        "hardwood",
                        peg.diameter,
                        peg.diameter,
                        peg.depth + peg.showing,
                        len(asides),
                    ),
                ),
                offsets=tuple((x, Fraction(0)) for x in asides),
            ),
        ),
        cautions=(
            tr("caution.drilling-at-angle-clamp-board-guide"),
            tr("caution.turn-dowel-stock-in-vice-or"),
        ),
        links=tuple(links(peg, ground)),
    )


def _figures(peg: Peg, ground: Ground) -> tuple[Figure, ...]:
    tilt = Input("t", tr("input.tilt-from-square"), degrees(peg.tilt))
    d = Input("d", tr("input.dowel"), peg.diameter)
    e = Input("e", tr("input.depth-along-the-bit"), peg.depth)
    deep = Input("s", tr("input.depth-square-to-the-face"), square_depth(peg))
    point = Input("v", tr("input.bits-point-ahead"), peg.spur)
    return (
        figure("peg.bit", peg.diameter, "bit = d", (d,), fine=True),
        figure("peg.tilt", both_ways(peg.tilt), "90° − t", (tilt,)),
        figure("peg.mouth", mouth(peg), "d / cos t", (d, tilt)),
        figure("peg.square", square_depth(peg), "e · cos t + d/2 · sin t", (e, d, tilt)),
        figure(
            "peg.web",
            web(peg, ground.thickness),
            "T − max(s, (e + v) · cos t)",
            (Input("T", tr("input.board"), ground.thickness), deep, e, point, tilt),
            fine=True,
        ),
        figure(
            "peg.cut",
            peg.depth + peg.showing,
            tr("peg.cut.formula"),
            (
                Input("e", tr("input.in-the-board"), peg.depth),
                Input("o", tr("input.showing"), peg.showing),
            ),
            tip=peg.tip,
        ),
    )


def _strength(peg: Peg, ground: Ground) -> Iterator[Figure]:
    """The stress in the dowel and on its hole's rim, with their working."""
    d, out, e, force = (
        float(peg.diameter),
        float(peg.showing),
        float(peg.depth),
        ground.pulled.force,
    )
    pulled, a = (
        Input("F", ground.pulled.says, f"{force:.1f} N"),
        Input("a", tr("input.at-the-tip"), peg.showing),
    )
    yield figure(
        "peg.stress",
        f"{stress(d, out, force):.1f} MPa",
        "32 · F · a / (π · d³)",
        (pulled, a, Input("d", tr("input.dowel"), peg.diameter)),
        bending=f"{bending('dowel'):.0f}",
        part=PART[SAFETY],
    )
    yield figure(
        "peg.bearing",
        f"{bearing(d, out, e, force):.1f} MPa",
        "6 · F · (a + e/2) / (d · e²) + F / (d · e)",
        (
            pulled,
            a,
            Input("e", tr("input.in-the-board"), peg.depth),
            Input("d", tr("input.dowel"), peg.diameter),
        ),
        embedding=f"{embedding(ground.wood, d):.1f}",
        advised=f"{float(ADVISED):g}",
    )
