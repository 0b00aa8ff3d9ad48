"""What loads and the strength of wood have in common: weight as a force, the tug of a hand, a board that sags."""

from yardcliff.core.exact import Fraction
from yardcliff.core.materials import Wood
from yardcliff.data import values

GRAVITY, TUG, SAFETY = 9.81, 3, 4
"""N/kg; how much harder a hand pulls than the thing weighs; what is kept in hand for knots and age."""


def newtons(grams: float) -> float:
    return grams / 1000 * GRAVITY


def sag(length: Fraction, width: Fraction, thickness: Fraction, load_g: float, wood: Wood) -> float:
    """How far a board on two ends bends in its middle under an even load, mm: 5 F l³ / (384 E I), I = b t³ / 12.

    `width` is across the load and `thickness` along it (Wood Handbook, FPL-GTR-282, chapter 9).
    """
    inertia = float(width) * float(thickness) ** 3 / 12
    stiff = float(values("species", wood)["stiffness_mpa"])
    return 5 * newtons(load_g) * float(length) ** 3 / (384 * stiff * inertia)
