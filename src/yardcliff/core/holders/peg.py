"""A dowel peg in a blind hole, tilted up so that things stay on.

Tilt t is measured from square to the face. With axial hole depth e and dowel d:
mouth d / cos t; depth square to the face e cos t + (d/2) sin t; the web is what that and the
bit's spur leave of the board.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from math import cbrt, cos, radians, sin
from typing import Literal

from yardcliff.core.base.model import Frozen, Tilt
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.holders.fitting import Ground
from yardcliff.core.materials.sold import next_across
from yardcliff.core.rack import Bore, Glyph
from yardcliff.core.shapes.geometry import Path, circle, cross, rectangle, rounded
from yardcliff.core.shapes.scene import Stroke
from yardcliff.core.strength.link import Link
from yardcliff.core.strength.stick import bearing, breaks, levers, stress
from yardcliff.core.strength.wood import bending, embedding
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, exact_text
from yardcliff.core.units.trade import either, steps, usual
from yardcliff.messages import tr

ZERO = Fraction(0)
ADVISED = Fraction(3, 2)
"""How deep in the board is better than just deep enough, in dowels: rule of thumb."""
LEAST_WEB = either("3 mm", "1/8 in")
"""Less than this behind the hole dimples or bursts when the peg is driven: rule of thumb."""
DEEPEST = Fraction(80)
"""Deeper holes for pegs are not proposed, mm."""
EDGE_SHARE = Fraction(3, 4)
"""Least wood between the mouth and the board's edge, as a share of the dowel: rule of thumb."""


class Peg(Frozen):
    """`depth` is axial, to the bit's shoulder; `spur` is how far its point runs ahead."""

    kind: Literal["peg"] = "peg"
    diameter: Size = usual("20 mm", "3/4 in")
    tilt: Tilt = 10
    depth: Size = usual("22 mm", "3/4 in")
    showing: Size = usual("90 mm", "3 1/2 in")
    spur: Gap = usual("2 mm", "1/16 in")
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


@dataclass(frozen=True, slots=True)
class PegGlyph(Glyph):
    """A dowel that stands out, or several that hold one thing, each about its own hole."""

    called = "peg"
    rest = Fraction(6, 10)
    foot = "holder-line"
    glued = True

    def front(self, bores: Sequence[Bore]) -> tuple[Stroke, ...]:
        r, height, tip = float(self.width) / 2, float(self.height), float(self.tip)
        pegs = [
            stroke
            for x in (float(bore.aside) for bore in bores)
            for stroke in (
                Stroke("holder-line", rectangle(x - r, -height / 2, 2 * r, height, r)),
                Stroke("holder", rectangle(x - r, -r, 2 * r, tip + 2 * r, r)),
                Stroke("holder", circle(x, tip, r)),
                Stroke("holder-line", circle(x, tip, r * 0.6)),
            )
        ]
        return (*pegs, Stroke("mark", cross(0, 0, r * 0.55)))

    def beside(self, bores: Sequence[Bore], outline: Path | None) -> Iterator[Stroke]:
        t, r, out = radians(bores[0].tilt), float(bores[0].bit) / 2, float(self.out)
        end, over = (out * cos(t), out * sin(t)), (-sin(t) * r, cos(t) * r)
        tip = (end[0] + r * 0.5 * cos(t), end[1] + r * 0.5 * sin(t))
        shaft: Path = (
            ("M", (0.0, r / cos(t))),
            ("L", (end[0] + over[0], end[1] + over[1])),
            (
                "C",
                (
                    tip[0] + over[0],
                    tip[1] + over[1],
                    tip[0] - over[0],
                    tip[1] - over[1],
                    end[0] - over[0],
                    end[1] - over[1],
                ),
            ),
            ("L", (0.0, -r / cos(t))),
            ("Z", ()),
        )
        yield Stroke("holder", shaft)


def links(peg: Peg, ground: Ground) -> Iterator[Link]:
    """What may give way: the dowel at the face, or the rim of its hole."""
    d, out, force = float(peg.diameter), float(peg.showing), ground.pulled.force
    yield Link("peg", tr("link.peg-at-the-face"), breaks(d, out, force), "peg.stress")
    yield Link(
        "board",
        tr("link.rim-of-the-pegs-hole"),
        levers(ground.wood, d, out, float(peg.depth), force),
        "peg.bearing",
    )


def findings(peg: Peg, ground: Ground, path: str) -> list[Finding]:
    """What is wrong with a peg in its board, and what would help."""
    found = []
    left, least = web(peg, ground.thickness), LEAST_WEB.of(ground.sizes)
    deepest = max(square_depth(peg), rounded(float(peg.depth + peg.spur) * cos(radians(peg.tilt))))
    if left < least:
        thicker = ground.thicker(deepest + least)
        shallower = ground.down(peg.depth - rounded(float(least - left) / cos(radians(peg.tilt))))
        fixes = (
            (
                Fix(
                    tr("fix.drill-deep", shallower=ground.text(shallower)),
                    {path: {"depth": exact_text(shallower)}},
                ),
                thicker,
            )
            if shallower >= peg.diameter
            else (thicker,)
        )
        code = "peg.through" if left <= 0 else "peg.web"
        what = (
            tr("holders.the-bit-comes-through-the-back")
            if left <= 0
            else tr("holders.back-may-burst-when-peg-goes")
        )
        found.append(
            Finding(
                code,
                tr("part.peg-hole"),
                tr("holders.too-little-wood-left-behind-hole", what=what),
                tr("holders.web-left"),
                left,
                least,
                fixes=fixes,
            )
        )
    if peg.depth < peg.diameter:
        fixes = (_deeper(peg, ground, path, peg.diameter),)
        found.append(
            Finding(
                "peg.shallow",
                tr("part.peg-hole"),
                tr("peg.shallow", diameter=ground.text(peg.diameter * ADVISED)),
                tr("quantity.depth"),
                peg.depth,
                peg.diameter,
                fixes=fixes,
            )
        )
    edge = min(ground.line, ground.height - ground.line) - mouth(peg) / 2
    if edge < peg.diameter * EDGE_SHARE:
        wide = mouth(peg) + 2 * peg.diameter * EDGE_SHARE
        found.append(
            Finding(
                "board.narrow",
                tr("part.board"),
                tr("board.narrow.peg-hole-runs-too-close-boards"),
                tr("quantity.wood-beside-the-hole"),
                edge,
                peg.diameter * EDGE_SHARE,
                fixes=(ground.wider(wide, line=None),),
            )
        )
    return found


def _deeper(peg: Peg, ground: Ground, path: str, depth: Fraction) -> Fix:
    """A deeper hole, in a thicker board where this one is too thin for it."""
    least = LEAST_WEB.of(ground.sizes) - web(peg.changed({"depth": depth}), ZERO)
    deep = {"depth": exact_text(depth)}
    if least <= ground.thickness:
        return Fix(tr("fix.drill-deep", shallower=ground.text(depth)), {path: deep})
    thick = ground.board(least)
    return Fix(
        tr("fix.drill-deep-board-thick", depth=ground.text(depth), thick=ground.text(thick)),
        {path: deep, "board": {"thickness": exact_text(thick)}},
    )


def weak(peg: Peg, ground: Ground, path: str) -> Iterator[Finding]:
    """A peg, or its hole, that bears more than it may."""
    d, out, force = float(peg.diameter), float(peg.showing), ground.pulled.force
    share = breaks(d, out, force)
    if share > 1:
        thick = next_across("dowel", rounded(d * cbrt(share)), ground.sizes)
        wider = peg.changed({"diameter": thick})
        depth = max(peg.depth, thick)
        deep = _deeper(wider, ground, path, depth)
        change = {**deep.patch, path: {"diameter": exact_text(thick), **deep.patch[path]}}
        yield Finding(
            "peg.strength",
            tr("part.peg"),
            tr("peg.strength"),
            tr("quantity.bending-stress"),
            f"{stress(d, out, force):.1f} MPa",
            f"{bending('dowel'):.0f} MPa",
            fixes=(
                Fix(tr("fix.dowels", thin=ground.text(thick)), change),
                *_shorter(peg, ground, path),
            ),
        )
    if levers(ground.wood, d, out, float(peg.depth), force) > 1:
        yield Finding(
            "peg.bearing",
            tr("part.peg-hole"),
            tr("peg.bearing"),
            tr("quantity.presses-with"),
            f"{bearing(d, out, float(peg.depth), force):.1f} MPa",
            f"{embedding(ground.wood, d):.1f} MPa",
            fixes=tuple(_firmer(peg, ground, path)),
        )


def _shorter(peg: Peg, ground: Ground, path: str) -> Iterator[Fix]:
    """The longest peg that neither breaks nor works loose, by easy steps."""
    for out in ground.shorter(peg.showing):
        if _holds(peg.changed({"showing": out}), ground):
            change = {path: {"showing": exact_text(out)}}
            yield Fix(tr("fix.showing", short=ground.text(out)), change)
            return


def _holds(peg: Peg, ground: Ground) -> bool:
    return all(link.share <= 1 for link in links(peg, ground))


def _firmer(peg: Peg, ground: Ground, path: str) -> Iterator[Fix]:
    """A hardwood board, a deeper hole, a shorter peg: what is enough by itself; else a deeper hole
    in hardwood.
    """
    hard = replace(ground, wood="hardwood")
    d, out, force = float(peg.diameter), float(peg.showing), ground.pulled.force
    firm = [
        wood
        for wood in (ground.wood, hard.wood)
        if levers(wood, d, out, float(peg.depth), force) <= 1
    ]
    if firm:
        yield Fix(tr("fix.a-hardwood-board-2"), {"board": {"wood": "hardwood"}})
    for wood in dict.fromkeys((ground.wood, hard.wood)):
        deep = next(
            (
                e
                for e in steps(peg.depth, DEEPEST, ground.sizes)
                if levers(wood, d, out, float(e), force) <= 1
            ),
            None,
        )
        if deep and (wood == ground.wood or not firm):
            fix = _deeper(peg, ground, path, deep)
            wooden = {
                **fix.patch.get("board", {}),
                **({"wood": wood} if wood != ground.wood else {}),
            }
            yield Fix(
                fix.label + (tr("fix.hardwood") if wood != ground.wood else ""),
                {**fix.patch, **({"board": wooden} if wooden else {})},
            )
            break
    yield from _shorter(peg, ground, path)
