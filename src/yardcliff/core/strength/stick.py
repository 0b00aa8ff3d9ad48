"""A round stick in a blind hole: whether it breaks at the face, and whether the hole's rim gives
way.

As a cantilever its greatest stress is 32 F a / (pi d³), with F at a distance a from the face. In
the hole, e deep, it presses on the wood as a lever about the middle of that depth does: 6 M / (d
e²) + F / (d e) with M = F (a + e/2). Glue is not counted on.
"""

from math import pi

from yardcliff.core.materials.goods import Wood
from yardcliff.core.strength.wood import bending, embedding


def stress(diameter: float, out: float, force: float) -> float:
    """The bending stress at the face of a stick that is loaded at its tip, MPa."""
    return 32 * force * out / (pi * diameter**3)


def bearing(diameter: float, out: float, deep: float, force: float) -> float:
    """How hard it presses on the rim of its hole, MPa; beyond all measure in a hole that has no
    depth.
    """
    if deep <= 0:
        return float("inf") if force else 0.0
    return 6 * force * (out + deep / 2) / (diameter * deep**2) + force / (diameter * deep)


def breaks(diameter: float, out: float, force: float) -> float:
    """The bending stress of a hardwood dowel as a share of what it may bear."""
    return stress(diameter, out, force) / bending("dowel")


def levers(wood: Wood, diameter: float, out: float, deep: float, force: float) -> float:
    """How hard it presses on its hole as a share of what that wood bears."""
    return bearing(diameter, out, deep, force) / embedding(wood, diameter)
