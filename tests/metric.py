"""What tests ask for where they mean no trade in particular: metric sizes, a tape in mm."""

from collections.abc import Sequence

from yardcliff.core.brief.cutting import Cutting
from yardcliff.core.things import listing
from yardcliff.core.things.listing import Listed
from yardcliff.core.units.length import Tape, TapeName
from yardcliff.core.ways import Brief, rail
from yardcliff.core.ways import starting as _starting
from yardcliff.core.ways.family import Hangs
from yardcliff.core.ways.rail import RailBrief
from yardcliff.core.wood import plan
from yardcliff.core.wood.layout import CutPlan, Piece
from yardcliff.core.wood.stock import Supply

MM = Tape.named("1 mm")


def shipped() -> tuple[Listed, ...]:
    return listing.shipped("metric")


def shipped_item(key: str) -> Listed:
    return listing.shipped_item(key, "metric")


def starting(hangs: Hangs, tape: TapeName, family: str | None = None) -> Brief:
    return _starting(hangs, Tape.named(tape), family)


def starting_brief(key: str, count: int, tape: TapeName) -> RailBrief:
    return rail.starting_brief(key, count, Tape.named(tape))


def cut_plan(wanted: Sequence[Piece], supply: Supply, cutting: Cutting) -> CutPlan:
    return plan.cut_plan(wanted, supply, cutting, MM)
