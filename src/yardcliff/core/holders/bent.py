"""A hook bent from round bar in the shop: a back leg on the board, an arm out, a lip up.

Blank = straight legs + sum of angle (rad) * (inside radius + k * bar), with k = 0.5 for round bar:
the line that neither stretches nor shrinks runs through its middle.
"""

from collections.abc import Iterator
from dataclasses import replace
from itertools import product
from math import floor, pi
from typing import Literal

from yardcliff.core.base.model import Frozen
from yardcliff.core.brief.choices import Field, Option, Section
from yardcliff.core.findings.finding import Finding, Fix, Patch
from yardcliff.core.holders.fitting import Ground
from yardcliff.core.holders.hook import BACK, EDGE
from yardcliff.core.holders.hook_fit import too_weak
from yardcliff.core.materials.sold import (
    Gauge,
    across,
    gauge_text,
    gauges,
    next_across,
    screw_sizes,
    thick,
)
from yardcliff.core.shapes.geometry import ROUND, Path, rounded
from yardcliff.core.strength.link import Link, weakest
from yardcliff.core.strength.plate import Plate
from yardcliff.core.strength.stick import stress
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import LONGEST, Gap, Size, exact_text
from yardcliff.core.units.trade import Trade, called, either, steps, usual
from yardcliff.messages import tr

ALLOWED = 120
"""What mild steel may bear, MPa: half of where it yields."""
NEUTRAL = Fraction(1, 2)
"""k of the bend formula, for round bar."""
BENDS = 2
FLAT = Fraction(1, 2)
"""How thick a back leg is once it is hammered flat for its screws, as a share of the bar: it
spreads as much as it thins.
"""
LEG = either("10 mm", "1/2 in")
"""By what longer back legs are tried."""
LONGEST_LEG = Fraction(160)
"""Longer ones are not, mm."""
RIM = either("1.5 mm", "1/16 in")
"""Least steel beside a screw's hole, mm: rule of thumb."""


class Bent(Frozen):
    """`radius` is inside the bends; `back`, `arm` and `lip` are the straight legs, `rod` and `kerf`
    what it is cut from.
    """

    kind: Literal["bent"] = "bent"
    bar: Size = usual("8 mm", "5/16 in")
    radius: Size = usual("12 mm", "1/2 in")
    back: Size = usual("70 mm", "2 3/4 in")
    arm: Size = usual("40 mm", "1 1/2 in")
    lip: Size = usual("20 mm", "3/4 in")
    rod: Size = usual("1000 mm", "36 in")
    kerf: Gap = usual("1 mm", "1/16 in")
    gauge: Gauge = called("4.0", "#8")
    screw_length: Size = usual("25 mm", "1 in")


def bend(bent: Bent) -> Fraction:
    """What one right-angled bend takes of the bar, mm, to the nanometre."""
    return rounded(pi / 2 * float(bent.radius + NEUTRAL * bent.bar))


def blank(bent: Bent) -> Fraction:
    """The bar that one hook takes, mm."""
    return bent.back + bent.arm + bent.lip + BENDS * bend(bent)


def blanks(bent: Bent) -> int:
    """How many hooks a rod gives: each cut takes its kerf."""
    return floor((bent.rod + bent.kerf) / (blank(bent) + bent.kerf))


def flat(bent: Bent) -> tuple[Fraction, Fraction]:
    """How thick and how wide the back leg is where it is hammered flat, mm: as much steel as in the
    round.
    """
    thick = bent.bar * FLAT
    return thick, rounded(pi * float(bent.bar) ** 2 / 4 / float(thick))


def beside_hole(bent: Bent, gauge: Gauge) -> Fraction:
    """The steel that is left to each side of a screw's hole in the flat leg, mm."""
    return (flat(bent)[1] - screw_sizes(gauge)["clear"]) / 2


def stands_out(bent: Bent) -> Fraction:
    """From the board's face to the outside of the lip, mm."""
    return 2 * (bent.radius + bent.bar) + bent.arm


def plate(bent: Bent, ground: Ground) -> Plate:
    """The back leg and its two screws, as they hold."""
    return Plate(
        ground.wood,
        float(bent.back),
        2,
        float(bent.back / 2),
        float(thick(bent.gauge)),
        float(bent.screw_length),
        float(max(min(bent.screw_length - flat(bent)[0], ground.thickness), Fraction(0))),
        float(stands_out(bent)),
        float(bent.back / 2 + bent.radius),
    )


def links(bent: Bent, ground: Ground) -> Iterator[Link]:
    """What may give way: the bar where it leaves the board, or its screws."""
    force = ground.pulled.force
    yield Link(
        "hook",
        tr("link.bar-at-the-bend"),
        stress(float(bent.bar), float(stands_out(bent)), force) / ALLOWED,
        "bent.stress",
    )
    yield Link("screw", tr("link.hooks-screws"), plate(bent, ground).share(force), "hook.share")


def outline(bent: Bent) -> Path:
    """The hook from the side at true size, in (out of the face, up) about the middle of its back
    leg, mm.
    """
    bar, r, up = float(bent.bar), float(bent.radius), float(bent.back) / 2
    outer, lip = r + bar, float(bent.lip)
    first, second = outer, outer + float(bent.arm)  # how far out the middles of the two bends lie

    def corner(x: float, start: tuple[float, float], end: tuple[float, float]) -> tuple[float, ...]:
        """A quarter circle about (x, -up) as a cubic from start to end."""
        middle = (x, -up)
        near = tuple(s + ROUND * (e - m) for s, e, m in zip(start, end, middle, strict=True))
        far = tuple(e + ROUND * (s - m) for s, e, m in zip(start, end, middle, strict=True))
        return (*near, *far, *end)

    return (
        ("M", (0, up)),
        ("L", (0, -up)),
        ("C", corner(first, (0, -up), (first, -up - outer))),
        ("L", (second, -up - outer)),
        ("C", corner(second, (second, -up - outer), (second + outer, -up))),
        ("L", (second + outer, -up + lip)),
        ("L", (second + r, -up + lip)),
        ("L", (second + r, -up)),
        ("C", corner(second, (second + r, -up), (second, -up - r))),
        ("L", (first, -up - r)),
        ("C", corner(first, (first, -up - r), (bar, -up))),
        ("L", (bar, up)),
        ("Z", ()),
    )


def findings(bent: Bent, ground: Ground, deep: Fraction) -> Iterator[Finding]:
    """What is wrong with a bent hook on its board, and what would help."""
    stays, rim = BACK.of(ground.sizes), RIM.of(ground.sizes)
    if bent.radius < bent.bar:
        wide = ground.text(bent.bar)
        yield Finding(
            "bent.tight",
            tr("part.hook"),
            tr("bent.tight"),
            tr("quantity.inside-radius"),
            bent.radius,
            bent.bar,
            fixes=(
                Fix(tr("fix.bend-round", wide=wide), {"holder": {"radius": exact_text(bent.bar)}}),
            ),
        )
    if not blanks(bent):
        usual = Bent.usual(ground.sizes)
        legs = ("back", "arm", "lip", "radius", "bar", "rod")
        shorter = Fix(
            tr("fix.legs-as-usual"),
            {"holder": {leg: exact_text(getattr(usual, leg)) for leg in legs}},
        )
        longer = ground.up(blank(bent))
        rod = Fix(
            tr("fix.a-rod-of", longer=ground.text(longer)), {"holder": {"rod": exact_text(longer)}}
        )
        yield Finding(
            "bent.rod",
            tr("part.rod"),
            tr("bent.rod"),
            tr("quantity.rod"),
            bent.rod,
            blank(bent),
            fixes=(rod, shorter) if blank(bent) <= LONGEST else (shorter,),
        )
    behind = ground.thickness - deep
    if behind < stays:
        longest = ground.screw(ground.thickness - stays + flat(bent)[0])
        thicker = ground.thicker(deep + stays)
        shorter = Fix(
            tr("fix.screws", longest=ground.text(longest)),
            {"holder": {"screw_length": exact_text(longest)}},
        )
        yield Finding(
            "hook.through",
            tr("part.hook"),
            tr("hook.through"),
            tr("quantity.wood-behind-the-point"),
            behind,
            stays,
            fixes=(shorter, thicker) if longest > flat(bent)[0] else (thicker,),
        )
    least = 2 * thick(bent.gauge)
    if deep < least:
        longer = ground.up(flat(bent)[0] + least)
        change = {"holder": {"screw_length": exact_text(longer)}}
        yield Finding(
            "hook.shallow",
            tr("part.hook"),
            tr("hook.shallow"),
            tr("quantity.in-the-board"),
            deep,
            least,
            fixes=(Fix(tr("fix.screws", longest=ground.text(longer)), change),),
        )
    edge = min(ground.line, ground.height - ground.line) - bent.back / 2
    edge_least = EDGE.of(ground.sizes)
    if edge < edge_least:
        yield Finding(
            "board.narrow",
            tr("part.board"),
            tr("board.narrow"),
            tr("quantity.wood-beside-it"),
            edge,
            edge_least,
            fixes=(ground.wider(bent.back + 2 * edge_least, line=None),),
        )
    beside = beside_hole(bent, bent.gauge)
    if beside < rim:
        thinner = next(
            (g for g in reversed(gauges(ground.sizes)) if beside_hole(bent, g) >= rim), None
        )
        least = rounded(float(screw_sizes(bent.gauge)["clear"] + 2 * rim) * 2 / pi)
        bar = next_across("bar", least, ground.sizes)
        round_bar = {"bar": exact_text(bar), "radius": exact_text(max(bent.radius, bar))}
        yield Finding(
            "bent.hole",
            tr("part.hook"),
            tr("bent.hole"),
            tr("quantity.steel-beside-the-hole"),
            ground.tape.near(beside),
            ground.text(rim),
            fixes=(
                *(
                    (
                        Fix(
                            tr("fix.gauge-screws", gauge=gauge_text(thinner)),
                            {"holder": {"gauge": thinner}},
                        ),
                    )
                    if thinner
                    else ()
                ),
                Fix(tr("fix.bar", thick=ground.text(bar)), {"holder": round_bar}),
            ),
        )
    found = weakest(links(bent, ground))
    if found and found.share > 1:
        yield too_weak(found, ground, tuple(_stronger(bent, ground)))


def _stronger(bent: Bent, ground: Ground) -> Iterator[Fix]:
    """The least change that holds, tried: thicker bar, a longer back leg, thicker screws, a
    hardwood board.
    """
    trade = ground.sizes
    thicker = [one for one in gauges(trade) if thick(one) >= thick(bent.gauge)]
    bars = [one for one in across("bar", trade) if one >= bent.bar] or [bent.bar]
    legs = [bent.back, *steps(bent.back, LONGEST_LEG, trade, LEG)]
    woods = tuple(dict.fromkeys((ground.wood, "hardwood")))
    for bar, back, gauge, wood in product(bars, legs, thicker, woods):
        room = ground.thickness - BACK.of(trade) + bar * FLAT
        sizes = {
            "bar": bar,
            "radius": max(bent.radius, bar),
            "back": back,
            "gauge": gauge,
            "screw_length": ground.screw(room),
        }
        made, tall = bent.changed(sizes), back + 2 * EDGE.of(trade)
        sound = made.screw_length <= room and beside_hole(made, gauge) >= RIM.of(trade)
        if not sound or any(link.share > 1 for link in links(made, replace(ground, wood=wood))):
            continue
        change: Patch = {
            "holder": {
                name: size if name == "gauge" else exact_text(size) for name, size in sizes.items()
            }
        }
        if wood != ground.wood or tall > ground.height:
            change["board"] = {"wood": wood, "height": exact_text(max(tall, ground.height))}
        if tall > ground.height:
            change["line"] = None
        hard = tr("holders.hardwood") if wood != ground.wood else ""
        yield Fix(
            tr(
                "fix.bar-back-leg-screws",
                bar=ground.text(bar),
                back=ground.text(back),
                gauge=gauge_text(gauge),
                hard=hard,
            ),
            change,
        )
        return


def choices(trade: Trade) -> Section:
    """What a bent hook is asked."""
    fields = (
        ("bar", "bar"),
        ("radius", "radius"),
        ("back", tr("holders.back-leg")),
        ("arm", "arm"),
        ("lip", "lip"),
        ("screw_length", "screw"),
        ("rod", "rod"),
        ("kerf", "kerf"),
    )
    screw = Field(
        "holder.gauge",
        tr("holders.screw"),
        tuple(Option(gauge, gauge_text(gauge)) for gauge in gauges(trade)),
    )
    return Section(
        tr("section.bent-from-bar"),
        (*(Field(f"holder.{name}", label) for name, label in fields), screw),
        (
            "bent.blank",
            "bent.first",
            "bent.second",
            "bent.rod",
            "hook.back",
            "bent.stress",
            "hook.share",
        ),
    )
