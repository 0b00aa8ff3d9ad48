"""Shafts that stand in clips and foot holes: what is asked of them, and how each stands.

A shaft is plumb when its foot and its clip are the same distance from the wall:
foot offset = rail thickness + half a ring - whatever the foot board stands off.
"""

from dataclasses import dataclass, replace
from typing import Literal

from yardcliff.core.base.model import Frozen
from yardcliff.core.brief.rack_brief import RackBrief
from yardcliff.core.holders import clip as clips
from yardcliff.core.holders.fitting import Fitting, held_at
from yardcliff.core.holders.hole import bored
from yardcliff.core.things.item import Item
from yardcliff.core.things.thing import Thing
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size
from yardcliff.core.units.trade import either, usual
from yardcliff.core.ways.shared import ground
from yardcliff.messages import tr

STEADY = Fraction(1, 2)
"""A shaft that is clipped below this share of its length leans out: rule of thumb."""
OVER = either("10 mm", "1/2 in")
"""Between a foot and the board that it is lifted over, and between a top and what is overhead, mm.
"""
STRAP = either("35 mm", "1 1/2 in")
"""Beyond a ring for a strap's screw, between it and the rail's end, mm."""
ZERO = Fraction(0)


class Foot(Frozen):
    """The foot board: `top` above the floor, `off` the wall (by a skirting, say), with holes `deep`
    into its top.
    """

    top: Size = usual("120 mm", "5 in")
    depth: Size = usual("90 mm", "3 1/2 in")
    thickness: Size = usual("35 mm", "1 1/2 in")
    off: Gap = ZERO
    deep: Size = usual("20 mm", "3/4 in")
    play: Gap = usual("4 mm", "1/8 in")


class Clear(Frozen):
    """The room around: what is overhead at `above` the floor (a ceiling, a hatch), and what is free
    in `front`; whether a `strap` runs across.
    """

    above: Size = usual("2400 mm", "96 in")
    front: Size = usual("900 mm", "36 in")
    strap: Literal["none", "across"] = "none"


class UprightBrief(RackBrief):
    """`board` is the clip rail, `hung` the height of its middle."""

    family: Literal["upright"] = "upright"
    clip: clips.Clip = clips.Clip()
    foot: Foot = Foot()
    clear: Clear = Clear()

    def thing(self, item: Item) -> Thing:
        """A shaft stands in one clip, whatever else hangs from two hooks."""
        return replace(item.thing, takes="one", span=None)


def fitting(brief: UprightBrief) -> Fitting:
    """The clip for the thickest shaft on the brief's rail, and each other shaft's own, unless all
    are held alike; a strap takes its screws beyond the outer rings.
    """
    fitted = clips.fit(brief.clip, ground(brief), tuple(brief.kinds.values()))
    own = {
        kind: clips.fit(brief.clip, ground(brief), (item,))
        for kind, item in brief.kinds.items()
        if brief.clip.held is None and thick_of(brief, item) < thick_of(brief)
    }
    if own:
        through = [
            finding
            for each in (fitted, *own.values())
            for finding in each.findings
            if finding.code == "hook.through"
        ]
        said = [finding for finding in fitted.findings if finding.code != "hook.through"]
        worst = sorted(through, key=lambda one: Fraction(str(one.value)))[:1]
        held, *rest = fitted.figures
        held = replace(held, why=tr("ways.thickest-shaft-each-has-ring-its"))
        fitted = replace(fitted, own=own, figures=(held, *rest), findings=(*said, *worst))
    if brief.clear.strap == "none":
        return fitted
    return replace(
        fitted,
        end_distance=fitted.reach.right + STRAP.of(brief.sizes),
        end_why=tr("ways.so-straps-screws-have-wood-beyond"),
    )


def thick_of(brief: UprightBrief, *items: Item) -> Fraction:
    """How thick the thickest shaft, of all or of these, is where it is clipped; its foot is taken
    to be as thick.
    """
    return held_at(brief.clip.held, items or brief.kinds.values())


@dataclass(frozen=True, slots=True)
class Stands:
    """How a shaft's foot stands: how far it is off the wall and off the foot board's back edge, and
    what bores its hole.
    """

    plumb: Fraction
    offset: Fraction
    bit: Fraction
    tool: str


def foot_of(brief: UprightBrief, fitted: Fitting, kind: str) -> Stands:
    """The foot of a kind of shaft, as far off the wall as its ring holds it; its hole is the shaft
    and play.
    """
    clip = fitted.own.get(kind, fitted)
    plumb = brief.board.thickness + clip.glyph.out / 2
    shaft = thick_of(brief, brief.kinds[kind]) if kind in fitted.own else thick_of(brief)
    return Stands(plumb, plumb - brief.foot.off, *bored(shaft + brief.foot.play, brief.sizes))


def lengths(brief: UprightBrief) -> tuple[Item, Item]:
    """The shortest and the longest thing, foot to top."""
    items = list(brief.kinds.values())
    return min(items, key=length_of), max(items, key=length_of)


def length_of(item: Item) -> Fraction:
    return item.above + item.below


def least_height(brief: UprightBrief) -> Fraction:
    """The least height of the rail: where it holds the longest, and clears the foot board."""
    _, long = lengths(brief)
    foot = brief.foot
    return max(
        foot.top - foot.deep + length_of(long) * STEADY, foot.top + brief.board.height * 3 / 2
    )


def swings_out(brief: UprightBrief, fitted: Fitting) -> Fraction:
    """How far the longest shaft's top leans out once it is free of its clip, its foot still in its
    hole, mm.
    """
    _, long = lengths(brief)
    high = brief.hung - (brief.foot.top - brief.foot.deep)
    return length_of(long) * fitted.glyph.out / max(high, fitted.glyph.out)


def overhead(brief: UprightBrief) -> Fraction:
    """How high the longest reaches as it is lifted over its foot board, mm."""
    return brief.foot.top + length_of(lengths(brief)[1]) + OVER.of(brief.sizes)
