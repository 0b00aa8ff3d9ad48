"""What of a rack is a size of the other trade: it was designed there, and is bought here."""

from collections.abc import Iterator
from dataclasses import dataclass

from yardcliff.core.base.model import leaves
from yardcliff.core.brief.rack_brief import RackBrief
from yardcliff.core.findings.finding import Finding, Fix, Patch
from yardcliff.core.findings.patch import merge
from yardcliff.core.holders.bolt import lags
from yardcliff.core.holders.finger import hardware, rods
from yardcliff.core.materials.goods import Ware
from yardcliff.core.materials.sold import (
    SCREW_LENGTHS,
    across,
    gauge_text,
    gauges,
    lag_lengths,
    thick,
    thicknesses,
)
from yardcliff.core.rack import Rack
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text, size_text
from yardcliff.core.units.length_text import read
from yardcliff.core.units.trade import TRADES, Trade
from yardcliff.data import table
from yardcliff.messages import listed, tr

THICK = frozenset({"thickness", "side", "stop_thickness"})
"""Fields that say how thick a board is."""
ROUND = {"dowel": "dowel", "diameter": "dowel", "bar": "bar", "pin": "bar"}
"""Fields that say how thick a dowel or a rod is."""
SCREWS = frozenset({"screw_length", "screw"})
SIZES = THICK | SCREWS | {*ROUND, "bracket_thick", "gauge", "size", "length"}
"""All fields that may say what is sold in some sizes only."""


@dataclass(frozen=True, slots=True)
class Other:
    """A size of the other trade, in words, and the nearest that is sold: in words, and as it is
    kept.
    """

    size: str
    near: str
    value: str


def unsold(brief: RackBrief, rack: Rack) -> Iterator[Finding]:
    """One finding for all such sizes that the rack has, and for a rack that is designed in those of
    the other trade; it takes the nearest of each, those of what the brief leaves out too, and gives
    the rack over to the sizes of its own.
    """
    found: list[Other] = []
    trade = brief.trade
    change: Patch = {"sizes": trade}
    there: frozenset[Fraction | str] | None = None
    for path, value in leaves(brief, among=SIZES):
        one = _other(brief, path, value)
        if one:
            there = there or _sizes(rack)
            found += [one] if value in there else []
            patch: Patch = {path[-1]: one.value}
            for name in reversed(path[:-1]):
                patch = {name: patch}
            change = merge(change, patch)
    if found or brief.sizes != trade:
        said = dict.fromkeys(tr("trade.nearest", size=one.size, near=one.near) for one in found)
        shown = rack.parts[0]
        yield Finding(
            "trade.sizes",
            tr("part.sizes"),
            tr(f"trade.sizes.{trade}", sizes=listed(said)) if said else tr(f"trade.begun.{trade}"),
            tr("quantity.not-sold-in-this-trade"),
            str(len(said) or tr("quantity.screws-and-bits")),
            tr("quantity.none"),
            at=(float(shown.x + shown.length / 2), float(shown.y + shown.height / 2)),
            fixes=(Fix(tr("fix.take-the-nearest"), change),),
        )


def _sizes(rack: Rack) -> frozenset[Fraction | str]:
    """All sizes of its parts, and of what they take."""
    takes = [take for step in rack.machining for take in step.takes]
    takes += [take for joint in rack.joints for take in joint.takes]
    sizes: set[Fraction | str] = set()
    for part in rack.parts:
        sizes |= {*part.size, *(part.sawn or ())}
    for take in takes:
        sizes |= set(take.sizes) if isinstance(take, Ware) else {take.thick, take.thread or ""}
    sizes |= {
        read(size) for size in sizes if isinstance(size, str) and size.endswith((" mm", " in"))
    }
    return frozenset(sizes)


def _other(brief: RackBrief, path: tuple[str, ...], value: object) -> Other | None:
    """What a field says that is sold in the other trade, and not in the rack's own."""
    name, trade = path[-1], brief.trade
    if isinstance(value, Fraction):
        own = _lengths(brief, path, trade)
        if not own or value in own or value not in _lengths(brief, path, _other_than(trade)):
            return None
        near = min(own, key=lambda one: (abs(one - value), one))
        return Other(size_text(value, _other_than(trade)), size_text(near, trade), exact_text(near))
    if name == "gauge" and value not in gauges(trade):
        gauge = min(gauges(trade), key=lambda one: abs(thick(one) - thick(str(value))))
        return Other(gauge_text(str(value)), gauge_text(gauge), gauge)
    if name == "size" and path[0] == "rod":
        thread = min(
            rods(trade), key=lambda one: abs(hardware(one).diameter - hardware(value).diameter)
        )
        return None if value in rods(trade) else Other(str(value), thread, thread)
    if name == "size" and value not in lags(trade):
        known_lags = {row["key"]: read(row["diameter"]) for row in table("lags")}
        lag = min(lags(trade), key=lambda one: abs(known_lags[one] - known_lags[str(value)]))
        return Other(str(value), lag, lag)
    return None


def _other_than(trade: Trade) -> Trade:
    return next(one for one in TRADES if one != trade)


def _lengths(brief: RackBrief, path: tuple[str, ...], trade: Trade) -> tuple[Fraction, ...]:
    """What a field that is a length is sold in; nothing where it is no size of anything sold."""
    name = path[-1]
    if name == "bracket_thick":
        return thicknesses("hardwood", trade)
    if name in THICK:
        return thicknesses(brief.board.wood, trade)
    if name in ROUND:
        return across(ROUND[name], trade)
    if name in SCREWS:
        return SCREW_LENGTHS.of(trade)
    if name == "length" and path[0] in ("holder", "holders"):
        return lag_lengths(trade)
    return ()
