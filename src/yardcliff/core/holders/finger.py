"""A finger that turns on a threaded rod between spacers, on a hidden backer: folded up it lies
flush with them.

The rod's middle is r = h/2 + g off the backer, for a finger h thick with a gap g behind it. What is
further than r from the rod would jam on the backer, so the heel is bevelled from where the back
face is that far off, a = sqrt(r^2 - (h/2)^2) below the rod, to a flat that lies on the backer when
the finger stands open at a tilt t: there it stops.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cache
from math import atan2, cos, degrees, pi, radians, sin, sqrt
from typing import cast

from yardcliff.core.base.model import Frozen
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.holders.fitting import Ground
from yardcliff.core.holders.flip import (
    STEEL,
    Flip,
    FoldingGlyph,
    joins,
    levered,
    long,
    pin_stress,
    strength_finding,
    stress,
    thicker,
)
from yardcliff.core.holders.hole import bored
from yardcliff.core.materials.goods import Blank, Goods, RodThread, Thread, Ware
from yardcliff.core.rack import Bore, Kind, Operation, Place, drill
from yardcliff.core.shapes.geometry import Path, circle, line, moved, points, rounded, turned
from yardcliff.core.shapes.scene import Stroke
from yardcliff.core.strength.link import Link, percent
from yardcliff.core.strength.wood import bending, thread, withdrawal
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, exact_text
from yardcliff.core.units.length_text import read
from yardcliff.core.units.trade import Either, Trade, called, either, usual
from yardcliff.data import table, values
from yardcliff.messages import tr

THREAD = either("3 mm", "1/8 in")
"""Of thread beyond the nut, so that it can be tightened, mm."""
SUNK = either("2 mm", "1/16 in")
"""How much deeper than that the recess is, so that the rod's end lies below the wood, mm."""
WOOD = either("10 mm", "3/8 in")
"""Left in an end spacer behind its nut, mm: rule of thumb."""
STRONG: Either[Thread] = Either("M8", "5/16-18")
"""The rod to go over to where one bends."""
TURNS = either("1 mm", "1/32 in")
"""Room around a socket in its recess."""
RIM = either("3 mm", "1/8 in")
"""Of wood around a nut's recess, mm: rule of thumb."""
LEAST_SPACER = either("12 mm", "1/2 in")
"""Narrower, a spacer splits where it is screwed, mm: rule of thumb."""
ZERO = Fraction(0)


class Rod(Frozen):
    """`size` names its thread, `thickness` is the fingers'; `gap` is behind the folded finger,
    `grip` what its tip stands above the spacers.
    """

    size: RodThread = called("M8", "5/16-18")
    thickness: Size = usual("28 mm", "1 in")
    gap: Gap = usual("1 mm", "1/16 in")
    grip: Gap = usual("12 mm", "1/2 in")


@dataclass(frozen=True, slots=True)
class Hardware:
    """A rod's nominal diameter and its core, its bit, nut and washer, and the socket that turns the
    nut, mm; its washers are called by what `passes` them.
    """

    diameter: Fraction
    root: Fraction
    bit: Fraction
    nut: Fraction
    corners: Fraction
    washer: Fraction
    outside: Fraction
    socket: Fraction
    sizes: Trade
    passes: str

    @property
    def recess(self) -> Fraction:
        """How deep a nut's recess is."""
        return self.washer + self.nut + THREAD.of(self.sizes) + SUNK.of(self.sizes)

    @property
    def recess_bit(self) -> tuple[Fraction, str]:
        """What it is bored with: nut, washer and the socket turn freely in it."""
        return bored(
            max(self.corners, self.outside, self.socket) + TURNS.of(self.sizes), self.sizes
        )


@cache
def hardware(size: Thread) -> Hardware:
    """What belongs to a rod (rods.csv)."""
    row = values("rods", size)
    sizes = {name: read(text) for name, text in row.items() if name != "passes"}
    return Hardware(**sizes, sizes="metric" if size.startswith("M") else "us", passes=row["passes"])


def rods(trade: Trade) -> tuple[Thread, ...]:
    """The threaded rods of a trade, thin ones first."""
    return tuple(cast(Thread, row["key"]) for row in table("rods", trade))


@dataclass(frozen=True, slots=True)
class Heel:
    """The heel about the rod, mm: where the bevel begins below it on the back face, where it meets
    the flat, and where the flat meets the front face: (out, up).
    """

    off: float
    back: tuple[float, float]
    stop: tuple[float, float]
    front: tuple[float, float]

    @property
    def below(self) -> Fraction:
        """How far a finger reaches below the rod."""
        return rounded(-self.front[1])

    @property
    def bevel(self) -> float:
        """Degrees from the back face to the bevel."""
        return degrees(atan2(self.stop[0] - self.back[0], self.back[1] - self.stop[1]))

    @property
    def flat(self) -> Fraction:
        """How long the flat is, from bevel to front face."""
        return rounded(
            sqrt((self.front[0] - self.stop[0]) ** 2 + (self.front[1] - self.stop[1]) ** 2)
        )


BITE, LEFT, SCREWS = either("32 mm", "1 1/4 in"), either("4 mm", "3/16 in"), 4
"""How far a screw goes into a spacer at most, and what it leaves of it, mm; the screws of the two
spacers beside a finger.
"""


def bite(flip: Flip, rod: Rod) -> Fraction:
    """How far the screws from behind go into a spacer, mm."""
    deep, trade = spacer(flip, rod)[1], hardware(rod.size).sizes
    return max(min(BITE.of(trade), deep - LEFT.of(trade)), deep / 2)


def links(flip: Flip, rod: Rod, ground: Ground) -> Iterator[Link]:
    """What may give way: the finger where it turns, the rod, or the screws that hold the spacers
    beside it.
    """
    force, bits = ground.pulled.force, hardware(rod.size)
    pull = levered(float(flip.length), lever(flip, rod), force)
    yield Link(
        "peg",
        tr("link.finger-where-it-turns"),
        stress(flip, force, bits.bit) / bending("hardwood"),
        "flip.stress",
    )
    yield Link(
        "peg",
        tr("link.rod"),
        pin_stress(pull, float(flip.width + 2 * bits.washer), float(bits.root)) / STEEL,
        "flip.seat",
    )
    yield Link("screw", tr("link.spacers-screws"), pull / kept(flip, rod, ground), "flip.seat")


def lever(flip: Flip, rod: Rod) -> float:
    """From the rod down to where an open finger first bears on its backer, mm."""
    return -heel(flip, rod).stop[1]


def kept(flip: Flip, rod: Rod, ground: Ground) -> float:
    """What the screws of the two spacers beside a finger may be pulled with, N, all together; glue
    is not counted on.
    """
    held, across = float(bite(flip, rod)), joins(ground)
    in_wood = thread(float(ground.thickness) + held, held, across)
    return SCREWS * withdrawal(ground.wood, across, in_wood)


def heel(flip: Flip, rod: Rod) -> Heel:
    """The heel of a finger."""
    t, h = radians(flip.tilt), float(flip.thickness) / 2
    r = h + float(rod.gap)
    flat = (h + r * sin(t)) / cos(t)
    return Heel(
        r, (-h, -sqrt(r * r - h * h)), (-r * sin(t), -r * cos(t)), (h, -r * cos(t) - flat * sin(t))
    )


def spacer(flip: Flip, rod: Rod) -> tuple[Fraction, Fraction, Fraction]:
    """A spacer's height, its depth, and the rod above its lower end, mm: flush with the folded
    fingers.
    """
    below = heel(flip, rod).below
    return max(below + flip.length - rod.grip, below), flip.thickness + rod.gap, below


def outline(flip: Flip, rod: Rod) -> Path:
    """A finger from the side with its hole, about the rod; it lies level, its back up:
    (along, up).
    """
    ends, tip, h = heel(flip, rod), float(flip.length), float(flip.thickness) / 2
    standing = (*line(ends.back, ends.stop, ends.front, (h, tip), (-h, tip)), ("Z", ()))
    return (*turned(standing, -pi / 2), *circle(0, 0, float(hardware(rod.size).bit) / 2))


@dataclass(frozen=True, slots=True)
class FingerGlyph(FoldingGlyph):
    """From the side: folded up, and open about the rod with the flat of its heel on the backer."""

    called = "finger"
    foot = "holder-line"
    threaded = True

    def beside(self, bores: Sequence[Bore], outline: Path | None) -> Iterator[Stroke]:
        if outline:
            opened = turned(outline, radians(bores[0].tilt))
            off = -min(x for x, _ in points(opened))
            yield Stroke("holder-line", moved(turned(outline, pi / 2), off, 0))
            yield Stroke("holder", moved(opened, off, 0))


def thick_enough(size: Thread) -> Fraction:
    """How thick fingers have to be for a rod and its nuts, mm."""
    bits = hardware(size)
    return max(bits.bit * 2, bits.recess_bit[0] + 2 * RIM.of(bits.sizes))


def nut_recess(rod: Rod, places: tuple[Place, ...], lengths: Sequence[Fraction]) -> Operation:
    """The recesses at both ends of each rod; each rod carries a row so long."""
    bits = hardware(rod.size)
    bit, tool = bits.recess_bit
    rods = (
        Blank(
            tr("piece.rod"),
            "threaded rod",
            "steel",
            bits.diameter,
            bits.diameter,
            length - 2 * SUNK.of(bits.sizes),
            thread=rod.size,
        )
        for length in lengths
    )
    return drill(
        Kind.NUT_RECESS,
        places,
        bit,
        tr("holders.about-rod-hole-in-end-spacers"),
        deep=bits.recess,
        stop=tr("holders.depth-stop"),
        takes=(*rods, Ware(Goods.NUT, 2 * len(lengths), (rod.size,))),
        tool=tool,
    )


def findings(flip: Flip, rod: Rod, ground: Ground) -> Iterator[Finding]:
    """What is wrong with a finger on its rod, and what would help."""
    bits = hardware(rod.size)
    least = thick_enough(rod.size)
    if rod.thickness < least:
        yield Finding(
            "flip.pin",
            tr("part.rod"),
            tr("flip.pin"),
            tr("quantity.fingers-thick"),
            rod.thickness,
            least,
            fixes=(
                Fix(
                    tr("fix.fingers-thick", thick=ground.text(ground.up(least))),
                    {"rod": {"thickness": exact_text(ground.up(least))}},
                ),
            ),
            left=max(bits.bit, bits.recess_bit[0]) < rod.thickness,
        )
    tall, _, _ = spacer(flip, rod)
    if not tall / 2 <= ground.height <= tall:
        fits = ground.down(tall * 9 / 10) or tall
        seen = ground.height > tall
        yield Finding(
            "flip.backer",
            tr("part.backer"),
            (tr("flip.backer") if seen else tr("flip.backer.so-narrow-backer-holds-spacers-on")),
            tr("quantity.backer"),
            ground.height,
            tall if seen else tall / 2,
            fixes=(
                Fix(
                    tr("fix.backer-wide", fits=ground.text(fits)),
                    {"board": {"height": exact_text(fits)}},
                ),
            ),
        )
    yield from strength_finding(flip, ground, bits.bit)
    *_, bends, drawn = links(flip, rod, ground)
    if max(bends.share, drawn.share) > 1:
        worst = max(bends, drawn, key=lambda link: link.share)
        yield Finding(
            "flip.seat",
            tr("part.rod"),
            tr("flip.seat", name=worst.name),
            tr("quantity.of-what-it-may-bear"),
            percent(worst.share),
            "100%",
            fixes=tuple(_firmer(flip, rod, ground)),
        )


def _firmer(flip: Flip, rod: Rod, ground: Ground) -> Iterator[Fix]:
    """Thicker fingers on a thicker rod, of hardwood where that alone does not do; or shorter
    fingers.
    """

    def holds(made: Flip, on: Rod, board: Ground) -> bool:
        return all(link.share <= 1 for link in links(made, on, board))

    size = STRONG.of(ground.sizes)
    for wood in dict.fromkeys((ground.wood, "hardwood")):
        for deep in thicker(rod.thickness, ground):
            on = rod.changed({"size": size, "thickness": deep})
            made = flip.changed({"thickness": deep})
            if deep >= thick_enough(size) and holds(made, on, replace(ground, wood=wood)):
                more = ({"board": {"wood": wood}}, f", {wood}") if wood != ground.wood else ({}, "")
                change = {"rod": {"size": size, "thickness": exact_text(deep)}, **more[0]}
                yield Fix(
                    tr(
                        "fix.rod-fingers-thick", rod=size, thickness=ground.text(deep), more=more[1]
                    ),
                    change,
                )
                break
    for out in ground.shorter(flip.length):
        if holds(flip.changed({"length": out}), rod, ground):
            yield long(out, ground)
            return
