"""Pegs fitted to their board: the hole, its figures, and whether it holds."""

from collections.abc import Iterator
from dataclasses import replace
from math import radians, sin

from yardcliff.core.findings.working import Figure, Input
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


def fit(
    peg: Peg, ground: Ground, path: str = "holder", asides: tuple[Fraction, ...] = (Fraction(0),)
) -> Fitting:
    """Fit a peg to a board, or several that hold one thing, each `aside` of its axis.

    Findings carry (0, 0), that axis; `path` is where the brief keeps the peg.
    """
    reach, ground = half(peg.diameter), replace(ground, pulled=ground.pulled.shared(len(asides)))
    return Fitting(
        name="dowel pegs",
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
        end_why="one and a half dowels from the end, so that it does not split",
        hang_drop=Fraction(0),
        figures=(*_figures(peg, ground), *_strength(peg, ground)),
        findings=(*findings(peg, ground, path), *weak(peg, ground, path)),
        machining=(
            Operation(
                Kind.PEG_HOLE,
                (),
                "bit",
                peg.diameter,
                peg.depth,
                peg.tilt,
                web(peg, ground.thickness),
                "depth stop, or tape on the bit",
                "Drill while the board's face and edges are still square.",
                takes=(
                    Blank(
                        "Peg",
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
            (
                "Drilling at an angle: clamp the board and the guide, and begin slowly in the guide"
                " at its angle; a bit that is tilted in its hole catches."
            ),
            (
                "Turn the dowel stock in a vice or a clamp, not in the fingers, when cutting short"
                " pegs."
            ),
        ),
        links=tuple(links(peg, ground)),
    )


def _figures(peg: Peg, ground: Ground) -> tuple[Figure, ...]:
    tilt = Input("t", "tilt from square", degrees(peg.tilt))
    d = Input("d", "dowel", peg.diameter)
    e = Input("e", "depth along the bit", peg.depth)
    deep = Input("s", "depth square to the face", square_depth(peg))
    point = Input("v", "bit's point ahead", peg.spur)
    return (
        Figure(
            "peg.bit",
            "Bit",
            peg.diameter,
            "bit = d",
            (d,),
            "The hole is the dowel's own size. Drill scrap first and try the dowel: stock varies.",
            fine=True,
        ),
        Figure(
            "peg.tilt",
            "Table setting",
            both_ways(peg.tilt),
            "90° − t",
            (tilt,),
            "Some tables read from square, some from the face. Check which yours is.",
        ),
        Figure(
            "peg.mouth",
            "Mouth",
            mouth(peg),
            "d / cos t",
            (d, tilt),
            "A tilted hole is longer than wide where it meets the face.",
        ),
        Figure(
            "peg.square",
            "Depth into the board",
            square_depth(peg),
            "e · cos t + d/2 · sin t",
            (e, d, tilt),
            "The lower rim of a tilted hole reaches deeper than its middle.",
        ),
        Figure(
            "peg.web",
            "Web left",
            web(peg, ground.thickness),
            "T − max(s, (e + v) · cos t)",
            (Input("T", "board", ground.thickness), deep, e, point, tilt),
            "What the hole and the bit's point leave behind the peg.",
            fine=True,
        ),
        Figure(
            "peg.cut",
            "Cut each peg",
            peg.depth + peg.showing,
            "in the board + showing",
            (Input("e", "in the board", peg.depth), Input("o", "showing", peg.showing)),
            f"Cut all from one stop. The tip is {peg.tip} after cutting.",
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
        Input("a", "at the tip", peg.showing),
    )
    yield Figure(
        "peg.stress",
        "Bending stress",
        f"{stress(d, out, force):.1f} MPa",
        "32 · F · a / (π · d³)",
        (pulled, a, Input("d", "dowel", peg.diameter)),
        f"A rule of thumb: a hardwood dowel may bear {bending('dowel'):.0f} MPa, a {PART[SAFETY]}"
        " of what breaks it.",
    )
    yield Figure(
        "peg.bearing",
        "Presses on its hole",
        f"{bearing(d, out, e, force):.1f} MPa",
        "6 · F · (a + e/2) / (d · e²) + F / (d · e)",
        (pulled, a, Input("e", "in the board", peg.depth), Input("d", "dowel", peg.diameter)),
        f"Glue is not counted on. This wood bears {embedding(ground.wood, d):.1f} MPa across its"
        f" grain (Wood Handbook); {float(ADVISED):g} dowels deep is advised.",
    )
