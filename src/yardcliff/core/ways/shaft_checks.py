"""What is worked out and what is wrong with shafts that stand in clips and foot holes."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace

from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.holders.hole import LEAST_WOOD
from yardcliff.core.materials.sold import next_thickness
from yardcliff.core.row.row import Row
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text
from yardcliff.core.units.trade import either, up
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
from yardcliff.messages import listed, tr

CATCH = either("30 mm", "1 1/4 in")
"""How far the shortest shaft stands above the rail at least, mm: rule of thumb."""
LOOP = either("120 mm", "5 in")
"""Of a strap beyond the outer rings, for a buckle and both screws, mm."""
FLOOR = either("5 mm", "1/4 in")
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
        for each in (*clip.figures, *_of_a_foot(brief, clip, feet[kind])):
            if each.key in OF_EACH:
                yield replace(each, key=f"{each.key}.{k}", label=f"{each.label}: {name}")


def _of_a_foot(brief: UprightBrief, clip: Fitting, foot: Stands) -> tuple[Figure, ...]:
    return (
        figure(
            "seat.plumb",
            foot.plumb,
            "t + r",
            (
                Input("t", tr("input.rail"), brief.board.thickness),
                Input("r", tr("input.half-a-ring"), clip.glyph.out / 2),
            ),
        ),
        figure(
            "seat.offset",
            foot.offset,
            "q − o",
            (
                Input("q", tr("input.shaft-off-the-wall"), foot.plumb),
                Input("o", tr("input.foot-board-off-the-wall"), brief.foot.off),
            ),
        ),
    )


def shaft_figures(
    brief: UprightBrief, fitted: Fitting, feet: Mapping[str, Stands]
) -> tuple[Figure, ...]:
    foot = brief.foot
    short, long = lengths(brief)
    stands = Input("f", tr("input.foot-stands-at"), foot.top - foot.deep)
    main = next(stands for kind, stands in feet.items() if kind not in fitted.own)
    return (
        *_of_a_foot(brief, fitted, main),
        figure(
            "upright.most",
            foot.top - foot.deep + length_of(short) - CATCH.of(brief.sizes),
            "f + l − g",
            (
                stands,
                Input("l", tr("input.shortest", name=short.name), length_of(short)),
                Input("g", tr("input.to-spare"), CATCH.of(brief.sizes)),
            ),
        ),
        figure(
            "upright.least",
            least_height(brief),
            "max(f + l · s, u + 3 · w / 2)",
            (
                stands,
                Input("l", tr("input.longest", name=long.name), length_of(long)),
                Input("s", tr("input.share"), f"{float(STEADY):g}"),
                Input("u", tr("input.foot-boards-top"), foot.top),
                Input("w", tr("input.each-rail"), brief.board.height),
            ),
        ),
    )


def room(brief: UprightBrief, fitted: Fitting, row: Row) -> Iterator[Figure]:
    _, long = lengths(brief)
    longest, ring = (
        Input("l", tr("input.longest", name=long.name), length_of(long)),
        Input("r", tr("input.ring"), fitted.glyph.out),
    )
    stands = Input("f", tr("input.foot-stands-at"), brief.foot.top - brief.foot.deep)
    yield figure(
        "upright.over",
        overhead(brief),
        "u + l + v",
        (
            Input("u", tr("input.foot-boards-top"), brief.foot.top),
            longest,
            Input("v", tr("input.to-spare"), OVER.of(brief.sizes)),
        ),
    )
    yield figure(
        "upright.swing",
        swings_out(brief, fitted),
        "l · r / max(h − f, r)",
        (longest, ring, Input("h", tr("input.clips"), brief.hung), stands),
    )
    if brief.clear.strap == "across":
        span = row.axes[-1] - row.axes[0]
        yield figure(
            "upright.strap",
            span + fitted.glyph.width + 2 * LOOP.of(brief.sizes),
            "s + r + 2 · e",
            (
                Input("s", tr("input.first-to-last-clip"), span),
                Input("r", tr("input.ring"), fitted.glyph.width),
                Input("e", tr("input.each-end"), LOOP.of(brief.sizes)),
            ),
        )


def in_the_way(brief: UprightBrief, fitted: Fitting) -> Iterator[Finding]:
    _, long = lengths(brief)
    over = overhead(brief)
    if over > brief.clear.above:
        higher, write = up(over, brief.sizes), brief.in_hand.write_fine
        least = brief.foot.thickness
        lower = brief.foot.top - (over - brief.clear.above)
        low = (
            (
                Fix(
                    tr("fix.foot-board-at", lower=write(lower)),
                    {"foot": {"top": exact_text(lower)}},
                ),
            )
            if lower >= least
            else ()
        )
        yield Finding(
            "upright.over",
            long.name.capitalize(),
            tr("upright.over", plural=long.plural),
            tr("quantity.lifted-out-reaches-to"),
            over,
            brief.clear.above,
            fixes=(
                *low,
                Fix(
                    tr("fix.overhead-at", higher=write(higher)),
                    {"clear": {"above": exact_text(higher)}},
                ),
            ),
        )
    swing = swings_out(brief, fitted) + brief.board.thickness
    if swing > brief.clear.front:
        more = up(swing, brief.sizes)
        yield Finding(
            "upright.swing",
            long.name.capitalize(),
            tr("upright.swing", plural=long.plural),
            tr("quantity.swings-out"),
            swing,
            brief.clear.front,
            fixes=(
                Fix(
                    tr("fix.are-free", more=brief.in_hand.write_fine(more)),
                    {"clear": {"front": exact_text(more)}},
                ),
            ),
        )


def shaft_findings(brief: UprightBrief, feet: Sequence[Stands]) -> Iterator[Finding]:
    foot, bit = brief.foot, max(stands.bit for stands in feet)
    write = brief.in_hand.write_fine
    short, long = lengths(brief)
    stands = foot.top - foot.deep
    most, least = stands + length_of(short) - CATCH.of(brief.sizes), least_height(brief)
    if brief.hung > most > 0:
        yield Finding(
            "upright.short",
            short.name.capitalize(),
            tr("upright.short", plural=short.plural),
            tr("quantity.rails-height"),
            brief.hung,
            most,
            fixes=(Fix(tr("fix.hang-at", height=write(most)), {"hung": exact_text(most)}),),
        )
    if brief.hung < least:
        yield Finding(
            "upright.low",
            long.name.capitalize(),
            tr("upright.low", plural=long.plural),
            tr("quantity.rails-height"),
            brief.hung,
            least,
            fixes=(Fix(tr("fix.hang-at", height=write(least)), {"hung": exact_text(least)}),),
        )
    if brief.place.who == "child" and brief.clear.strap == "none":
        yield Finding(
            "upright.child",
            long.name.capitalize(),
            tr("upright.child"),
            tr("quantity.strap"),
            tr("quantity.none"),
            tr("quantity.across"),
            fixes=(Fix(tr("fix.a-strap-across"), {"clear": {"strap": "across"}}),),
        )
    asked = thick_of(brief) + foot.play
    if bit < asked:
        yield Finding(
            "hole.size",
            tr("part.foot-board"),
            tr("hole.size.no-bit-or-hole-saw-table"),
            tr("quantity.foot-hole"),
            asked,
            bit,
            fixes=(
                Fix(
                    tr("fix.shafts-of", bit=write(bit)),
                    {"clip": {"held": exact_text(bit)}, "foot": {"play": "0 mm"}},
                ),
            ),
        )
    left = foot.thickness - foot.deep
    if left < FLOOR.of(brief.sizes):
        stays = FLOOR.of(brief.sizes)
        shallow = foot.thickness - stays
        enough = next_thickness(foot.deep + stays, brief.board.wood, brief.sizes)
        shallower = Fix(
            tr("fix.holes-deep", shallow=write(shallow)), {"foot": {"deep": exact_text(shallow)}}
        )
        thicker = Fix(
            tr("fix.foot-board-thick", thick_enough=write(enough)),
            {"foot": {"thickness": exact_text(enough)}},
        )
        yield Finding(
            "upright.through",
            tr("part.foot-board"),
            tr("upright.through"),
            tr("quantity.wood-under-the-hole"),
            left,
            FLOOR.of(brief.sizes),
            fixes=(shallower, thicker) if foot.thickness > FLOOR.of(brief.sizes) else (thicker,),
        )
    if foot.top < foot.thickness:
        yield Finding(
            "upright.floor",
            tr("part.foot-board"),
            tr("upright.floor"),
            tr("quantity.its-top-above-the-floor"),
            foot.top,
            foot.thickness,
            fixes=(
                Fix(
                    tr("fix.its-top-at", up=write(foot.thickness)),
                    {"foot": {"top": exact_text(foot.thickness)}},
                ),
            ),
        )
    behind = min(stands.offset - stands.bit / 2 for stands in feet)
    before = min(foot.depth - stands.offset - stands.bit / 2 for stands in feet)
    if min(behind, before) < LEAST_WOOD.of(brief.sizes):
        # A thicker rail brings the shaft, and so the hole, further from the wall.
        more = max(ZERO, LEAST_WOOD.of(brief.sizes) - behind)
        thick = brief.board.thickness + more
        deep = max(
            foot.depth,
            *(
                stands.offset + more + stands.bit / 2 + LEAST_WOOD.of(brief.sizes)
                for stands in feet
            ),
        )
        changes = [(tr("ways.clip-rail"), "thick", "board", "thickness", thick)] if more else []
        changes += (
            [(tr("ways.foot-board"), "wide", "foot", "depth", deep)] if deep > foot.depth else []
        )
        yield Finding(
            "upright.foot",
            tr("part.foot-board"),
            tr("upright.foot"),
            tr("quantity.wood-beside-the-hole"),
            min(behind, before),
            LEAST_WOOD.of(brief.sizes),
            fixes=(
                Fix(
                    listed(
                        f"{name} {write(to)} {way}" for name, way, _, _, to in changes
                    ).capitalize(),
                    {part: {field: exact_text(to)} for _, _, part, field, to in changes},
                ),
            ),
        )
