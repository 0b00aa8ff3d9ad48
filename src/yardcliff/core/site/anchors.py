"""What holds in a wall: its hole, its screw, what it grips and what it may bear (data/fixings.toml)."""

from dataclasses import dataclass

from yardcliff.core.exact import Fraction
from yardcliff.core.length import read
from yardcliff.core.site.asked import By, Into
from yardcliff.core.site.loads import sideways, withdrawal
from yardcliff.core.strength import newtons
from yardcliff.data import table

HOLD, LAG_HOLD = Fraction(30), Fraction(40)
"""Least of a screw and of a lag screw in the wood that holds it, mm: 6 and 5 diameters."""
LENGTHS = tuple(map(Fraction, (30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 120, 140, 160, 180)))
"""What screws are sold in, mm."""
PLUG, BEHIND = Fraction(50), Fraction(25)
"""How deep a plug sits in masonry; what a screw wants behind a lining for wings or legs to open, mm."""
BACKS: frozenset[By] = frozenset({"keyholes", "hangers", "mirrors"})
"""What the rack hangs by from fittings of its own."""
HOLLOW: frozenset[Into] = frozenset({"toggles", "expanding", "spirals"})
"""What only the lining holds."""
FITTING = 250.0
"""What a hanger, a keyhole plate or a mirror plate itself may bear, N a piece: cautious, the packet's figure replaces it."""
ZERO = Fraction(0)


@dataclass(frozen=True, slots=True)
class Anchor:
    """What holds in a wall, as the table has it: lengths in mm, ratings in N; `ware` is what it is sold as."""

    key: Into
    name: str
    ware: str
    holds: str
    walls: tuple[str, ...]
    diameter: Fraction
    bit: Fraction | None
    least: Fraction
    most: Fraction
    pull: float | None
    shear: float | None
    tools: tuple[str, ...]
    why: str

    @property
    def in_studs(self) -> bool:
        return self.holds == "stud"


def _anchors() -> dict[Into, Anchor]:
    return {
        row["key"]: Anchor(
            row["key"], row["name"], row["ware"], row["holds"], tuple(row["walls"]), read(row["diameter"]),
            None if row["bit"] == "none" else read(row["bit"]), read(row.get("least", "0 mm")), read(row.get("most", "30 m")),
            row.get("pull"), row.get("shear"), tuple(row["tools"]), row["why"],
        )
        for row in table("fixings")
    }  # fmt: skip


ANCHORS = _anchors()


def screw(anchor: Anchor, wood: Fraction, lining: Fraction) -> tuple[Fraction, Fraction]:
    """The screw to take, to the next length that is sold, and what of it holds, mm: through `wood` and `lining`."""

    def at_least(length: Fraction) -> Fraction:
        return next((one for one in LENGTHS if one >= length), LENGTHS[-1])

    if anchor.in_studs:
        length = at_least(wood + lining + (LAG_HOLD if anchor.key == "lags" else HOLD))
        return length, max(length - wood - lining, ZERO)
    if anchor.key == "sheet":
        return max((one for one in LENGTHS if one <= wood + lining), default=LENGTHS[0]), lining
    if anchor.key == "plugs":
        return at_least(wood + PLUG), PLUG
    return at_least(wood + lining + BEHIND), lining


def ratings(anchor: Anchor, hold: Fraction, by: By, carries: int | None) -> tuple[float, float]:
    """What one may be pulled with and bear across, N; `carries` is what its packet says, in grams."""
    if carries:
        return (newtons(carries),) * 2
    lag = anchor.key == "lags"
    pull = withdrawal(float(anchor.diameter), float(hold), lag=lag) if anchor.pull is None else anchor.pull
    shear = sideways(float(anchor.diameter), lag=lag) if anchor.shear is None else anchor.shear
    return (min(pull, FITTING), min(shear, FITTING)) if by in BACKS else (pull, shear)
