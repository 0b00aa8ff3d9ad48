"""What is worked out and what is wrong with shafts that stand in clips and foot holes."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace
from math import ceil

from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.holders.hole import LEAST_WOOD
from yardcliff.core.row.row import Row
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text
from yardcliff.core.ways.shafts import (
    OVER,
    STEADY,
    Stands,
    UprightBrief,
    least_height,
    length_of,
    lengths,
    overhead,
    swings_out,
    thick_of,
)

CATCH = Fraction(30)
"""How far the shortest shaft stands above the rail at least, mm: rule of thumb."""
LOOP = Fraction(120)
"""Of a strap beyond the outer rings, for a buckle and both screws, mm."""
FLOOR = Fraction(5)
"""Least wood under a foot hole, so that a shaft set down hard does not go through: rule of thumb.
"""
OF_EACH = ("clip.bore", "clip.mouth", "seat.plumb", "seat.offset")
"""Figures that each shaft with a ring of its own has."""
ZERO = Fraction(0)


def own_figures(
    brief: UprightBrief, fitted: Fitting, feet: Mapping[str, Stands]
) -> Iterator[Figure]:
    """Ring and foot hole of each shaft that has its own."""
    for k, (kind, clip) in enumerate(fitted.own.items(), 2):
        name = brief.kinds[kind].name
        for figure in (*clip.figures, *_of_a_foot(brief, clip, feet[kind])):
            if figure.key in OF_EACH:
                yield replace(figure, key=f"{figure.key}.{k}", label=f"{figure.label}: {name}")


def _of_a_foot(brief: UprightBrief, clip: Fitting, foot: Stands) -> tuple[Figure, ...]:
    return (
        Figure(
            "seat.plumb",
            "Shaft off the wall",
            foot.plumb,
            "t + r",
            (
                Input("t", "rail", brief.board.thickness),
                Input("r", "half a ring", clip.glyph.out / 2),
            ),
            "At the clip; the foot has to stand off as far, or the shaft leans.",
        ),
        Figure(
            "seat.offset",
            "Foot hole from the back edge",
            foot.offset,
            "q − o",
            (
                Input("q", "shaft off the wall", foot.plumb),
                Input("o", "foot board off the wall", brief.foot.off),
            ),
            "A skirting that pushes the foot board out comes off this.",
        ),
    )


def shaft_figures(
    brief: UprightBrief, fitted: Fitting, feet: Mapping[str, Stands]
) -> tuple[Figure, ...]:
    foot = brief.foot
    short, long = lengths(brief)
    stands = Input("f", "foot stands at", foot.top - foot.deep)
    main = next(stands for kind, stands in feet.items() if kind not in fitted.own)
    return (
        *_of_a_foot(brief, fitted, main),
        Figure(
            "upright.most",
            "Rail at most",
            foot.top - foot.deep + length_of(short) - CATCH,
            "f + l − g",
            (
                stands,
                Input("l", f"shortest: {short.name}", length_of(short)),
                Input("g", "to spare", CATCH),
            ),
            "Higher, and the shortest is not caught.",
        ),
        Figure(
            "upright.least",
            "Rail at least",
            least_height(brief),
            "max(f + l · s, u + 3 · w / 2)",
            (
                stands,
                Input("l", f"longest: {long.name}", length_of(long)),
                Input("s", "share", f"{float(STEADY):g}"),
                Input("u", "foot board's top", foot.top),
                Input("w", "each rail", brief.board.height),
            ),
            "Lower, and the longest leans out.",
        ),
    )


def room(brief: UprightBrief, fitted: Fitting, row: Row) -> Iterator[Figure]:
    _, long = lengths(brief)
    longest, ring = (
        Input("l", f"longest: {long.name}", length_of(long)),
        Input("r", "ring", fitted.glyph.out),
    )
    stands = Input("f", "foot stands at", brief.foot.top - brief.foot.deep)
    yield Figure(
        "upright.over",
        "Lifted out, reaches to",
        overhead(brief),
        "u + l + v",
        (Input("u", "foot board's top", brief.foot.top), longest, Input("v", "to spare", OVER)),
        "A ceiling or a hatch lower than this, and the longest does not come out.",
    )
    yield Figure(
        "upright.swing",
        "Swings out",
        swings_out(brief, fitted),
        "l · r / max(h − f, r)",
        (longest, ring, Input("h", "clips", brief.hung), stands),
        "Its top, when it is pulled just free of its clip.",
    )
    if brief.clear.strap == "across":
        span = row.axes[-1] - row.axes[0]
        yield Figure(
            "upright.strap",
            "Cut the strap",
            span + fitted.glyph.width + 2 * LOOP,
            "s + r + 2 · e",
            (
                Input("s", "first to last clip", span),
                Input("r", "ring", fitted.glyph.width),
                Input("e", "each end", LOOP),
            ),
            "Flat across the rings, a buckle at one end.",
        )


def in_the_way(brief: UprightBrief, fitted: Fitting) -> Iterator[Finding]:
    _, long = lengths(brief)
    over = overhead(brief)
    if over > brief.clear.above:
        higher = exact_text(over)
        least = brief.foot.thickness
        lower = brief.foot.top - (over - brief.clear.above)
        low = (
            (Fix(f"Foot board at {exact_text(lower)}", {"foot": {"top": exact_text(lower)}}),)
            if lower >= least
            else ()
        )
        yield Finding(
            "upright.over",
            long.name.capitalize(),
            f"The {long.plural} do not come out of their holes under what is overhead.",
            "lifted out, reaches to",
            over,
            brief.clear.above,
            fixes=(*low, Fix(f"Overhead at {higher}", {"clear": {"above": higher}})),
        )
    swing = swings_out(brief, fitted) + brief.board.thickness
    if swing > brief.clear.front:
        more = exact_text(Fraction(ceil(swing)))
        yield Finding(
            "upright.swing",
            long.name.capitalize(),
            f"The {long.plural} swing out further than there is room in front.",
            "swings out",
            swing,
            brief.clear.front,
            fixes=(Fix(f"{more} are free", {"clear": {"front": more}}),),
        )


def shaft_findings(brief: UprightBrief, feet: Sequence[Stands]) -> Iterator[Finding]:
    foot, bit = brief.foot, max(stands.bit for stands in feet)
    short, long = lengths(brief)
    stands = foot.top - foot.deep
    most, least = stands + length_of(short) - CATCH, least_height(brief)
    if brief.hung > most > 0:
        yield Finding(
            "upright.short",
            short.name.capitalize(),
            f"The {short.plural} end below the clips, or hardly above them.",
            "rail's height",
            brief.hung,
            most,
            fixes=(Fix(f"Hang at {exact_text(most)}", {"hung": exact_text(most)}),),
        )
    if brief.hung < least:
        yield Finding(
            "upright.low",
            long.name.capitalize(),
            f"The {long.plural} are held below the middle and lean out, or the boards meet.",
            "rail's height",
            brief.hung,
            least,
            fixes=(Fix(f"Hang at {exact_text(least)}", {"hung": exact_text(least)}),),
        )
    if brief.place.who == "child" and brief.clear.strap == "none":
        yield Finding(
            "upright.child",
            long.name.capitalize(),
            "Where children pull at it, what stands loose in clips comes down on them.",
            "strap",
            "none",
            "across",
            fixes=(Fix("A strap across", {"clear": {"strap": "across"}}),),
        )
    asked = thick_of(brief) + foot.play
    if bit < asked:
        yield Finding(
            "hole.size",
            "Foot board",
            "No bit or hole saw of the table makes a hole that the foot goes into.",
            "foot hole",
            asked,
            bit,
            fixes=(
                Fix(
                    f"Shafts of {exact_text(bit)}",
                    {"clip": {"held": exact_text(bit)}, "foot": {"play": "0 mm"}},
                ),
            ),
        )
    left = foot.thickness - foot.deep
    if left < FLOOR:
        shallow, thick_enough = exact_text(foot.thickness - FLOOR), exact_text(foot.deep + FLOOR)
        shallower = Fix(f"Holes {shallow} deep", {"foot": {"deep": shallow}})
        thicker = Fix(f"Foot board {thick_enough} thick", {"foot": {"thickness": thick_enough}})
        yield Finding(
            "upright.through",
            "Foot board",
            "The foot holes leave too little under the shafts.",
            "wood under the hole",
            left,
            FLOOR,
            fixes=(shallower, thicker) if foot.thickness > FLOOR else (thicker,),
        )
    if foot.top < foot.thickness:
        up = exact_text(foot.thickness)
        yield Finding(
            "upright.floor",
            "Foot board",
            "The foot board reaches below the floor.",
            "its top above the floor",
            foot.top,
            foot.thickness,
            fixes=(Fix(f"Its top at {up}", {"foot": {"top": up}}),),
        )
    behind = min(stands.offset - stands.bit / 2 for stands in feet)
    before = min(foot.depth - stands.offset - stands.bit / 2 for stands in feet)
    if min(behind, before) < LEAST_WOOD:
        # A thicker rail brings the shaft, and so the hole, further from the wall.
        more = max(ZERO, LEAST_WOOD - behind)
        thick = brief.board.thickness + more
        deep = max(
            foot.depth, *(stands.offset + more + stands.bit / 2 + LEAST_WOOD for stands in feet)
        )
        changes = [("clip rail", "thick", "board", "thickness", thick)] if more else []
        changes += [("foot board", "wide", "foot", "depth", deep)] if deep > foot.depth else []
        yield Finding(
            "upright.foot",
            "Foot board",
            "Too little wood is left beside the foot holes.",
            "wood beside the hole",
            min(behind, before),
            LEAST_WOOD,
            fixes=(
                Fix(
                    " and ".join(
                        f"{name} {exact_text(to)} {way}" for name, way, _, _, to in changes
                    ).capitalize(),
                    {part: {field: exact_text(to)} for _, _, part, field, to in changes},
                ),
            ),
        )
