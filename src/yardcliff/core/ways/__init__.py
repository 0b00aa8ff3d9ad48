"""The ways of building. A new one is one new module that ends in its `FAMILY`, listed here.

Begin at `family.Family`, then at `rail`, the plainest. Imports `holders`, `brief`, `rack` and
below.
"""

from typing import Annotated, Any

from pydantic import Field, TypeAdapter

from yardcliff.core.holders.kit import Holder
from yardcliff.core.rack import Rack
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import OwnRow, RowsBrief
from yardcliff.core.things.item import Item
from yardcliff.core.units.length import Tape
from yardcliff.core.ways import (
    angled_rail,
    cheeks,
    cradle,
    flip_rail,
    high_rails,
    hole_rail,
    ledge_post,
    panel,
    perch,
    rail,
    shafts,
    shelf_box,
    stacked,
    stile,
    upright,
)
from yardcliff.core.ways.angled_rail_findings import AngledRailBrief
from yardcliff.core.ways.family import Family, Fitness, Hangs
from yardcliff.core.ways.high_rails_figures import HighRailsBrief
from yardcliff.core.ways.hole_rail_joint import HoleRailBrief
from yardcliff.core.ways.panel_frame import PanelBrief
from yardcliff.core.ways.perch_figures import PerchBrief
from yardcliff.core.ways.shared import first_row
from yardcliff.core.ways.shelf_box_figures import ShelfBoxBrief

__all__ = [
    "BRIEFS",
    "FAMILIES",
    "AnyBrief",
    "Brief",
    "Holder",
    "build",
    "ranked",
    "solve_row",
    "starting",
]

Brief = (
    rail.RailBrief
    | HoleRailBrief
    | cradle.CradleBrief
    | shafts.UprightBrief
    | PanelBrief
    | stacked.StackedBrief
    | stile.StileBrief
    | cheeks.CheeksBrief
    | ledge_post.LedgePostBrief
    | ShelfBoxBrief
    | flip_rail.FlipRailBrief
    | HighRailsBrief
    | PerchBrief
    | AngledRailBrief
)
AnyBrief = Annotated[Brief, Field(discriminator="family")]
BRIEFS: TypeAdapter[Brief] = TypeAdapter(AnyBrief)
"""Reads any family's brief and knows their schema."""

FAMILIES: dict[str, Family[Any]] = {
    family.key: family
    for family in (
        # Nothing suits it that a rail does not suit as well: of the two, it is offered first
        high_rails.FAMILY,
        rail.FAMILY,
        stacked.FAMILY,
        panel.FAMILY,
        hole_rail.FAMILY,
        cradle.FAMILY,
        upright.FAMILY,
        stile.FAMILY,
        cheeks.FAMILY,
        ledge_post.FAMILY,
        shelf_box.FAMILY,
        flip_rail.FAMILY,
        perch.FAMILY,
        angled_rail.FAMILY,
    )
}


def build(brief: Brief) -> Rack:
    """The rack, by the brief's own way of building."""
    family = FAMILIES[brief.family]
    if family.rows in ("one", "two"):
        # Rows that another way of building had wait until it is taken again; a second board has its
        # own pins.
        own = (
            brief.rows.own[:2]
            if family.rows == "two"
            else tuple(OwnRow(pins=row.pins) for row in brief.rows.own)
        )
        brief = brief.changed({"rows": RowsBrief.usual(brief.sizes, own=own)})
    fitted = family.fitting(brief)
    rack: Rack = family.build(brief, fitted, first_row(brief, fitted))
    return rack


def solve_row(brief: Brief) -> Row:
    """The brief's first row, spaced by what hangs on it."""
    return first_row(brief, FAMILIES[brief.family].fitting(brief))


def ranked(items: tuple[Item, ...]) -> list[tuple[Family[Any], Fitness]]:
    """Every way of building with how well it suits these things, the most fitting first."""
    rated = [(family, family.suits(items)) for family in FAMILIES.values()]
    return sorted(rated, key=lambda one: -one[1].score)


def starting(hangs: Hangs, tape: Tape, family: str | None = None) -> Brief:
    """A sensible rack for so many of each listed thing, by the most fitting way or by the `family`
    asked for.
    """
    way = FAMILIES[family] if family else ranked(tuple(listed.item for listed, _ in hangs))[0][0]
    brief: Brief = way.start(hangs, tape)
    return brief
