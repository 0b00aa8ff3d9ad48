"""What a rack takes: its blanks, its wares, and the faces that are sanded and finished. Reads any
rack.
"""

from collections import Counter
from dataclasses import dataclass, replace
from math import ceil, pi

from yardcliff.core.design.rack_design import Design
from yardcliff.core.materials.goods import Blank, Goods, Ware
from yardcliff.core.rack import Joint, Rack
from yardcliff.core.rack.blanks import part_blanks
from yardcliff.core.units.exact import Fraction

ZERO = Fraction(0)
GLUE = 180
"""Glue spread on a joint, g/m²: what the tins of white wood glues ask for, both faces together."""
FINEST = 1000
"""Denominators beyond this come from no tape: a 64th of an inch has 320 of a mm."""
DOWEL_GLUE = 1.0
"""Glue in a hole that takes a dowel, g."""


@dataclass(frozen=True, slots=True)
class Takeoff:
    """Blanks and wares, equal ones once; the wood's faces in m², and the glue in grams."""

    blanks: tuple[Blank, ...]
    wares: tuple[Ware, ...]
    faces: float
    glue: float


def takeoff(done: Design) -> Takeoff:
    """What a rack takes, and what holds it on its wall, with what the machining of both uses up."""
    rack = done.rack
    takes = [take for step in done.machining for take in step.takes]
    takes += [take for joint in rack.joints for take in joint.takes]
    blanks = [*(blank for part in done.parts if not part.of for blank in part_blanks(part))]
    blanks += [take for take in takes if isinstance(take, Blank)]
    blanks = list(map(_measured, blanks))
    wares = Counter[tuple[Goods, tuple[str, ...]]]()
    for take in takes:
        if isinstance(take, Ware):
            wares[take.goods, take.sizes] += take.count
    wooden = [blank for blank in blanks if blank.stuff in ("softwood", "hardwood")]
    return Takeoff(
        tuple(blanks),
        tuple(Ware(goods, count, sizes) for (goods, sizes), count in wares.items() if count),
        sum(_faces(blank) * blank.count for blank in wooden),
        sum(_glue(rack, joint) for joint in rack.joints)
        + DOWEL_GLUE * sum(blank.count for blank in blanks if blank.form == "dowel"),
    )


def _measured(blank: Blank) -> Blank:
    """With sizes that a tape can show: what passed through a sine is rounded up to a
    tenth of a mm.
    """
    wide, thick, long = (
        one if one.denominator <= FINEST else Fraction(ceil(one * 10), 10)
        for one in (blank.wide, blank.thick, blank.long)
    )
    return replace(blank, wide=wide, thick=thick, long=long)


def _faces(blank: Blank) -> float:
    """All sides of a piece, m²."""
    wide, thick, long = float(blank.wide), float(blank.thick), float(blank.long)
    if blank.form == "dowel":
        return pi * wide * long / 1e6
    return 2 * (wide * thick + wide * long + thick * long) / 1e6


def _glue(rack: Rack, joint: Joint) -> float:
    """What a glued joint takes, g: where the boxes of both parts meet."""
    if not joint.glued:
        return 0.0
    one, other = rack.part(joint.part), rack.part(joint.other)
    meets = sorted(
        max(float(min(a + long, b + wide) - max(a, b)), 0.0)
        for a, long, b, wide in (
            (one.x, one.length, other.x, other.length),
            (one.y, one.height, other.y, other.height),
            (one.z, one.depth, other.z, other.depth),
        )
    )
    return meets[1] * meets[2] / 1e6 * GLUE
