"""A dowel peg in a blind hole, tilted up so that things stay on.

Tilt t is measured from square to the face. With axial hole depth e and dowel d:
mouth d / cos t; depth square to the face e cos t + (d/2) sin t; the web is what that and the
bit's spur leave of the board.
"""

from math import cos, radians, sin
from typing import Literal

from yardcliff.core.angles import both_ways, degrees
from yardcliff.core.exact import Fraction
from yardcliff.core.findings import Finding, Fix
from yardcliff.core.geometry import rounded
from yardcliff.core.holders.fitting import Fitting, Ground, half
from yardcliff.core.holders.strength import stress_figure, stress_findings
from yardcliff.core.length import Gap, Size, exact_text
from yardcliff.core.materials import Blank
from yardcliff.core.model import Frozen, Tilt
from yardcliff.core.rack import Bore, Glyph, Operation
from yardcliff.core.working import Figure, Input

LEAST_WEB = Fraction(3)
"""Less than this behind the hole dimples or bursts when the peg is driven: rule of thumb."""
EDGE_SHARE = Fraction(3, 4)
"""Least wood between the mouth and the board's edge, as a share of the dowel: rule of thumb."""


class Peg(Frozen):
    """`depth` is axial, to the bit's shoulder; `spur` is how far its point runs ahead."""

    kind: Literal["peg"] = "peg"
    diameter: Size = Fraction(20)
    tilt: Tilt = 10
    depth: Size = Fraction(14)
    showing: Size = Fraction(110)
    spur: Gap = Fraction(2)
    tip: Literal["rounded", "bevelled"] = "rounded"


def mouth(peg: Peg) -> Fraction:
    """Length of the hole's mouth up the face, mm."""
    return rounded(float(peg.diameter) / cos(radians(peg.tilt)))


def square_depth(peg: Peg) -> Fraction:
    """Depth of the hole's deepest corner, square to the face, mm."""
    t = radians(peg.tilt)
    return rounded(float(peg.depth) * cos(t) + float(peg.diameter) / 2 * sin(t))


def web(peg: Peg, thickness: Fraction) -> Fraction:
    """Wood left behind the bit's point, mm; negative where it comes through."""
    t = radians(peg.tilt)
    # The spur runs along the axis, from the middle of the hole's floor.
    point = rounded((float(peg.depth) + float(peg.spur)) * cos(t))
    return thickness - max(square_depth(peg), point)


def fit(peg: Peg, ground: Ground, path: str = "holder", asides: tuple[Fraction, ...] = (Fraction(0),)) -> Fitting:
    """Fit a peg to a board, or several that hold one thing, each `aside` of its axis.

    Findings carry (0, 0), that axis; `path` is where the brief keeps the peg.
    """
    reach = half(peg.diameter)
    return Fitting(
        name="dowel pegs",
        reach=reach,
        glyph=Glyph(
            "peg", peg.diameter, mouth(peg), (), rounded(float(peg.showing) * sin(radians(peg.tilt))), peg.showing
        ),
        bores=tuple(Bore("peg hole", Fraction(0), peg.diameter, peg.depth, peg.tilt, aside=x) for x in asides),
        end_distance=peg.diameter * 3 / 2,
        end_why="one and a half dowels from the end, so that it does not split",
        hang_drop=Fraction(0),
        figures=(*_figures(peg, ground), stress_figure(peg.diameter, peg.showing, ground.load_g, len(asides))),
        findings=(
            *_findings(peg, ground, path),
            *stress_findings(path, peg.diameter, peg.showing, ground.load_g, len(asides)),
        ),
        machining=(
            Operation(
                "Peg hole",
                len(asides),
                ground.part,
                "front",
                "bit",
                peg.diameter,
                peg.depth,
                peg.tilt,
                web(peg, ground.thickness),
                "depth stop, or tape on the bit",
                "Drill while the board's face and edges are still square.",
                takes=(
                    Blank("Peg", "dowel", "hardwood", peg.diameter, peg.diameter, peg.depth + peg.showing, len(asides)),
                ),
            ),
        ),
        cautions=(
            "Drilling at an angle: clamp the board and the guide; start the bit slowly, square, then tilt.",
            "Turn the dowel stock in a vice or a clamp, not in the fingers, when cutting short pegs.",
        ),
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


def _findings(peg: Peg, ground: Ground, path: str) -> list[Finding]:
    found = []
    left = web(peg, ground.thickness)
    deepest = max(square_depth(peg), rounded(float(peg.depth + peg.spur) * cos(radians(peg.tilt))))
    if left < LEAST_WEB:
        thicker = Fix(
            f"Board {exact_text(_up_half(deepest + LEAST_WEB))} thick",
            {"board": {"thickness": exact_text(_up_half(deepest + LEAST_WEB))}},
        )
        shallower = _down_half(peg.depth - rounded(float(LEAST_WEB - left) / cos(radians(peg.tilt))))
        fixes = (
            (Fix(f"Drill {exact_text(shallower)} deep", {path: {"depth": exact_text(shallower)}}), thicker)
            if shallower >= _least_depth(peg)
            else (thicker,)
        )
        code = "peg.through" if left <= 0 else "peg.web"
        what = "the bit comes through the back" if left <= 0 else "the back may burst when the peg goes in"
        found.append(
            Finding(
                code,
                "Peg hole",
                f"Too little wood is left behind the hole: {what}.",
                "web left",
                left,
                LEAST_WEB,
                fixes=fixes,
            )
        )
    if peg.depth < _least_depth(peg):
        least = _up_half(_least_depth(peg))
        fixes = (Fix(f"Drill {exact_text(least)} deep", {path: {"depth": exact_text(least)}}),)
        found.append(
            Finding(
                "peg.shallow",
                "Peg hole",
                "A peg wants at least two thirds of its thickness in the board.",
                "depth",
                peg.depth,
                _least_depth(peg),
                fixes=fixes,
            )
        )
    edge = min(ground.line, ground.height - ground.line) - mouth(peg) / 2
    if edge < peg.diameter * EDGE_SHARE:
        wide = _up_half(mouth(peg) + 2 * peg.diameter * EDGE_SHARE)
        found.append(
            Finding(
                "board.narrow",
                "Board",
                "The peg hole runs too close to the board's edge.",
                "wood beside the hole",
                edge,
                peg.diameter * EDGE_SHARE,
                fixes=(Fix(f"Board {exact_text(wide)} wide", {"board": {"height": exact_text(wide)}, "line": None}),),
            )
        )
    return found


def _least_depth(peg: Peg) -> Fraction:
    return peg.diameter * 2 / 3


def _up_half(value: Fraction) -> Fraction:
    return -((-value * 2) // 1) / Fraction(2)


def _down_half(value: Fraction) -> Fraction:
    return (value * 2 // 1) / Fraction(2)
