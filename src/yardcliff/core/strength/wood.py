"""What wood bears: screws drawn out of it and pressed across it, dowels on their holes, boards that
bend.

Lengths in mm, forces in N, stresses in MPa. G is the specific gravity of the lightest wood that is
sold under a name (data/species.toml). All formulas are of the Wood Handbook, FPL-GTR-282: chapter 8
for screws and dowels, chapter 9 for boards.
"""

from functools import cache
from itertools import pairwise

from yardcliff.core.materials.goods import Wood
from yardcliff.core.strength.force import newtons
from yardcliff.core.units.exact import Fraction
from yardcliff.data import values

SAFETY = 4
"""What is kept in hand for knots and age where wood breaks."""
PART = {4: "quarter", 5: "fifth"}
"""The safety factors in words."""
DRAWN, LAG_DRAWN, DRAWN_SAFETY = 108.25, 125.4, 5
"""Withdrawal of wood screws, 108.25 G² D L, and of lag screws, 125.4 G^1.5 D^0.75 L; a fifth of it
is allowed.
"""
ACROSS: dict[Wood, float] = {"softwood": 23.17, "hardwood": 31.99}
LAG_ACROSS: dict[Wood, float] = {"softwood": 23.30, "hardwood": 29.51}
LASTING = 1.6
"""What a screw and a lag screw bear across themselves, K D², by the group of the wood; over 1.6 for
a load that lasts.
"""
FULL, LAG_FULL = 7, 11
"""Diameters in the wood from which a wood screw and a lag screw bear that in full; in proportion
below.
"""
LEAST, LAG_LEAST = 2, 4
"""With fewer diameters in the wood they are not counted on at all."""
ACROSS_GRAIN = ((4.8, 1.0), (6.4, 0.97), (7.9, 0.85), (9.5, 0.76), (11.1, 0.70), (12.7, 0.65))
"""What a lag screw bears across the grain as a share of along it, by its diameter, mm."""
SIDE = ((2.0, 0.62), (2.5, 0.77), (3.0, 0.93), (3.5, 1.0))
"""What a lag screw through a thin board bears as a share, by the board's thickness in diameters."""
THREADED, THREAD_SHARE = 40.0, 0.6
"""To this length, mm, wood screws are threaded all along; longer ones by this share: typical of
packets.
"""


@cache
def gravity(wood: Wood) -> float:
    """Specific gravity of the lightest wood that goes by this name."""
    return float(values("species", wood)["gravity"])


def thread(length: float, into: float, diameter: float) -> float:
    """The thread of a screw so long that holds where it goes so far `into` the wood, mm: its tip,
    one diameter, does not count.
    """
    threaded = length if length <= THREADED else max(THREADED, THREAD_SHARE * length)
    return max(min(into, threaded) - diameter, 0.0)


def withdrawal(wood: Wood, diameter: float, hold: float, *, lag: bool = False) -> float:
    """What a screw may be pulled with, N, for its diameter and the thread that holds."""
    g = gravity(wood)
    if lag:
        return LAG_DRAWN * float(g**1.5) * float(diameter**0.75) * hold / DRAWN_SAFETY
    return DRAWN * g**2 * diameter * hold / DRAWN_SAFETY


def lateral(
    wood: Wood,
    diameter: float,
    into: float,
    *,
    lag: bool = False,
    across: bool = False,
    side: float | None = None,
) -> float:
    """What a screw may bear across itself, N, so far `into` the wood; `across` its grain, through a
    board `side` thick.
    """
    deep = into / diameter
    share = (
        0.0
        if deep < (LAG_LEAST if lag else LEAST)
        else min(deep / (LAG_FULL if lag else FULL), 1.0)
    )
    if not lag:
        return ACROSS[wood] * diameter**2 / LASTING * share
    grain = _between(ACROSS_GRAIN, diameter) if across else 1.0
    thin = 1.0 if side is None else _between(SIDE, side / diameter)
    return LAG_ACROSS[wood] * diameter**2 / LASTING * share * grain * thin


def _between(points: tuple[tuple[float, float], ...], at: float) -> float:
    """A value between two of a table's, in proportion; the first and the last hold beyond them."""
    if at <= points[0][0]:
        return points[0][1]
    for (a, low), (b, high) in pairwise(points):
        if at <= b:
            return low + (high - low) * (at - a) / (b - a)
    return points[-1][1]


@cache
def embedding(wood: Wood, diameter: float) -> float:
    """With how much a round stick may press on the side of its hole across the grain, MPa: 212
    G^1.45 D^-0.5; thin ones 114.5 G^1.84.
    """
    g = gravity(wood)
    return float(114.5 * g**1.84) if diameter < 6.4 else float(212.0 * g**1.45 * diameter**-0.5)


@cache
def bending(wood: str) -> float:
    """The stress that a board, or a "dowel", may bear as it bends, MPa."""
    return float(values("species", wood)["rupture_mpa"]) / SAFETY


def sag(length: Fraction, width: Fraction, thickness: Fraction, load_g: float, wood: Wood) -> float:
    """How far a board on two ends bends in its middle under an even load, mm: 5 F l³ / (384 E I), I
    = b t³ / 12.

    `width` is across the load and `thickness` along it.
    """
    inertia = float(width) * float(thickness) ** 3 / 12
    stiff = float(values("species", wood)["stiffness_mpa"])
    return 5 * newtons(load_g) * float(length) ** 3 / (384 * stiff * inertia)
