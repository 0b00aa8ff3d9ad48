"""What holds in a wall: its hole, its screw, what it grips and what it may bear
(fixings.toml).
"""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cache

from yardcliff.core.brief.mounting import By, Into, Mount
from yardcliff.core.materials.goods import Goods
from yardcliff.core.materials.sold import SCREW_LENGTHS, lag_lengths
from yardcliff.core.strength.force import newtons
from yardcliff.core.strength.wood import lateral, thread, withdrawal
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length_text import read
from yardcliff.core.units.trade import Trade, either
from yardcliff.core.wall.wall import Block, Wall
from yardcliff.data import table
from yardcliff.messages import tr

HOLD, LAG_HOLD = either("30 mm", "1 1/4 in"), either("60 mm", "2 1/2 in")
"""Least of a screw and of a lag screw in the wood that holds it: 6 and 7.5 diameters."""
SHORTEST = either("30 mm", "1 1/4 in")
"""Of a screw into a wall."""
PLUG = either("50 mm", "2 in")
"""How deep a plug sits in masonry, past the plaster."""
OUT = either("15 mm", "5/8 in")
"""How far a screw's point may stand out behind planks or a sheet."""
BACKS: frozenset[By] = frozenset({"keyholes", "hangers", "mirrors"})
"""What the rack hangs by from fittings of its own."""
HOLLOW: frozenset[Into] = frozenset({"toggles", "expanding", "spirals"})
"""What only the lining holds."""
FITTING = 250.0
"""What a hanger, a keyhole plate or a mirror plate itself may bear, N a piece: cautious."""
ZERO = Fraction(0)


@dataclass(frozen=True, slots=True)
class Anchor:
    """What holds in a wall, as the table of a trade has it: lengths in mm, ratings in N. It is
    bought as `goods` of such `sizes`; `clear` lets it pass the rack's wood, and one stands `apart`
    from the next. What it bears in steel, or by so much lining, or by the kind of block; what wood
    holds is worked out.
    """

    key: Into
    trade: Trade
    goods: Goods
    sizes: tuple[str, ...]
    size: str
    holds: str
    walls: tuple[str, ...]
    diameter: Fraction
    clear: Fraction
    bit: Fraction | None
    behind: Fraction
    apart: Fraction
    least: Fraction
    most: Fraction
    steel: tuple[float, float] | None
    grips: tuple[tuple[Fraction, float, float], ...]
    blocks: tuple[tuple[Block, float, float], ...]
    tools: tuple[str, ...]

    @property
    def name(self) -> str:
        return tr(f"fixing.{self.key}", size=self.size)

    @property
    def why(self) -> str:
        return tr(f"fixing.{self.key}.why")

    @property
    def in_studs(self) -> bool:
        return self.holds == "stud"

    @property
    def lag(self) -> bool:
        return self.key == "lags"


@dataclass(frozen=True, slots=True)
class Driven:
    """A screw as it is driven: its length, what of it is in what holds it, and the thread of that,
    mm.
    """

    length: Fraction
    hold: Fraction
    thread: float


@cache
def anchors(trade: Trade) -> dict[Into, Anchor]:
    """Everything that holds in a wall, by its key (fixings.toml)."""
    return {
        row["key"]: Anchor(
            row["key"],
            trade,
            Goods(row["goods"]),
            tuple(row["sizes"]),
            row["size"],
            row["holds"],
            tuple(row["walls"]),
            read(row["diameter"]),
            read(row["clear"]),
            None if row["bit"] == "none" else read(row["bit"]),
            read(row.get("behind", "0 mm")),
            read(row.get("apart", "0 mm")),
            read(row.get("least", "0 mm")),
            read(row.get("most", "30 m")),
            (row["pull"], row["shear"]) if "pull" in row else None,
            tuple((read(thick), pull, shear) for thick, pull, shear in row.get("grips", ())),
            tuple((block, pull, shear) for block, pull, shear in row.get("blocks", ())),
            tuple(row["tools"]),
        )
        for row in table("fixings", trade)
    }


def drive(anchor: Anchor, wood: Fraction, wall: Wall) -> Driven:
    """The screw to take, to the next length that is sold, through `wood`, and through lining or
    plaster to what holds it.
    """
    lining, trade = wall.lining, anchor.trade
    if anchor.in_studs:
        least = (LAG_HOLD if anchor.lag else HOLD).of(trade)
        return _driven(anchor, _sold(wood + lining + least, anchor), wood + lining)
    if anchor.key == "plugs":
        deep = PLUG.of(trade)
        length = _sold(wood + lining + deep, anchor)
        hold = max(length - wood - lining, ZERO)
        return Driven(length, hold, float(min(hold, deep)))
    if anchor.key != "sheet":
        return Driven(_sold(wood + lining + anchor.behind, anchor), lining, float(lining))
    through = _sold(wood + lining + anchor.diameter, anchor)
    if through - wood - lining <= OUT.of(trade):  # its point stands out: all of the sheet holds
        return Driven(through, lining, float(lining))
    sold = _lengths(anchor)
    short = max((length for length in sold if length <= wood + lining), default=sold[0])
    held = _driven(anchor, short, wood)
    return Driven(short, min(held.hold, lining), min(held.thread, float(lining)))


def _lengths(anchor: Anchor) -> tuple[Fraction, ...]:
    """What it is sold in, mm: nothing shorter goes into a wall."""
    trade = anchor.trade
    sold = lag_lengths(trade) if anchor.lag else SCREW_LENGTHS.of(trade)
    return tuple(length for length in sold if length >= SHORTEST.of(trade))


def _sold(least: Fraction, anchor: Anchor) -> Fraction:
    sold = _lengths(anchor)
    return next((length for length in sold if length >= least), sold[-1])


def _driven(anchor: Anchor, length: Fraction, passed: Fraction) -> Driven:
    hold = max(length - passed, ZERO)
    return Driven(length, hold, thread(float(length), float(hold), float(anchor.diameter)))


def ratings(
    anchor: Anchor, screw: Driven, wood: Fraction, wall: Wall, by: By, mount: Mount
) -> tuple[float, float]:
    """What one may be pulled with and bear across, N: by its packet over the factor, else by what
    holds it; no more than the rack's own fitting.
    """
    pull, shear = _own(anchor, screw, wood, wall)
    pull = newtons(mount.pull) / mount.factor if mount.pull is not None else pull
    shear = newtons(mount.shear) / mount.factor if mount.shear is not None else shear
    return (min(pull, FITTING), min(shear, FITTING)) if by in BACKS else (pull, shear)


def _own(anchor: Anchor, screw: Driven, wood: Fraction, wall: Wall) -> tuple[float, float]:
    if anchor.steel:
        return anchor.steel
    if anchor.grips:
        return _at_most(anchor.grips, wall.lining)
    if anchor.blocks:
        known = [
            (pull, shear)
            for block, pull, shear in anchor.blocks
            if wall.block in (block, "unknown")
        ]
        pull, shear = min(known)
        deep = screw.thread / float(
            PLUG.of(anchor.trade)
        )  # a plug that its screw does not fill holds less
        return pull * deep, shear * deep
    diameter = float(anchor.diameter)
    # Planks run along the wall, and weight presses across their grain; a stud stands, and it
    # presses along it.
    across = anchor.key == "sheet"
    return (
        withdrawal("softwood", diameter, screw.thread, lag=anchor.lag),
        lateral(
            "softwood",
            diameter,
            float(screw.hold),
            lag=anchor.lag,
            across=across,
            side=float(wood) or None,
        ),
    )


def _at_most(
    grips: Sequence[tuple[Fraction, float, float]], lining: Fraction
) -> tuple[float, float]:
    """The ratings of the thickest lining of the table that is no thicker; what is thinner than all
    bears in proportion.
    """
    found = [(pull, shear) for thick, pull, shear in grips if thick <= lining]
    if found:
        return found[-1]
    thick, pull, shear = grips[0]
    return pull * float(lining / thick), shear * float(lining / thick)
