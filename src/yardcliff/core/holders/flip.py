"""A flip peg: a finger on a pin that folds up flush into a groove in the board's face, and stands
out when it is down.

The groove is as deep as the finger is thick; the pin lies half of that behind the face. Open, a
finger of length l from its pin stands l cos t - h/2 out of the face at a tilt t, for its thickness
h.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from math import cos, pi, radians

from yardcliff.core.base.model import Frozen, Tilt
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.holders.fitting import Ground
from yardcliff.core.holders.hook import BACK
from yardcliff.core.materials.sold import JOINS, across, thick, thicknesses
from yardcliff.core.rack import Bore, Glyph, Putting
from yardcliff.core.shapes.geometry import Path, circle, cross, moved, rectangle, turned
from yardcliff.core.shapes.scene import Stroke
from yardcliff.core.strength.link import Link, percent
from yardcliff.core.strength.wood import bending, thread, withdrawal
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, exact_text
from yardcliff.core.units.trade import Trade, either, usual
from yardcliff.messages import tr

LEAST_WEB = either("5 mm", "3/16 in")
"""Least wood behind a groove, mm: rule of thumb."""
EDGE = either("12 mm", "1/2 in")
"""Least wood between a groove's end and the board's edge, mm: rule of thumb."""
SEAT = either("15 mm", "5/8 in")
"""How far the pin lies in the board on each side of the groove, mm."""
KEEPER_UP = either("8 mm", "5/16 in")
"""From the pin up and down to the screws through its keeper plates, mm: two diameters."""
KEEPER, KEPT = either("2 mm", "1/16 in"), 4
"""How thick the steel plate over each seat is, and how many screws hold the two of a finger."""
THICKEST = Fraction(45)
"""How thick fingers are proposed at most, mm."""
STEEL = 120
"""What mild steel may bear, MPa: half of where it yields."""
ZERO = Fraction(0)


class Flip(Frozen):
    """`length` is from the pin to the tip; `width` along the wall; `play` on both sides and at the
    tip.
    """

    length: Size = usual("110 mm", "4 1/2 in")
    width: Size = usual("24 mm", "1 in")
    thickness: Size = usual("20 mm", "3/4 in")
    play: Gap = usual("1 mm", "1/32 in")
    tilt: Tilt = 8
    pin: Size = usual("8 mm", "5/16 in")


def groove(flip: Flip) -> tuple[Fraction, Fraction]:
    """How far a groove reaches below its pin and above it, mm: the round heel, and the finger with
    its play.
    """
    return flip.thickness / 2 + flip.play, flip.length + flip.play


def tall(flip: Flip, trade: Trade) -> Fraction:
    """The least width of a board for such grooves, mm."""
    return sum(groove(flip)) + 2 * EDGE.of(trade)


def line(flip: Flip, trade: Trade) -> Fraction:
    """The pins above the board's lower edge, mm: as low as the heel allows."""
    return groove(flip)[0] + EDGE.of(trade)


def stress(flip: Flip, force: float, bore: Fraction) -> float:
    """The bending stress of an open finger where it turns, loaded at its tip, MPa: 6 F l h / (b
    (h^3 - d^3)), the hole d.
    """
    b, h = float(flip.width), float(flip.thickness)
    return 6 * force * float(flip.length) * h / (b * max(h**3 - float(bore) ** 3, 1e-6))


def levered(length: float, lever: float, force: float) -> float:
    """With what a finger that rests on its heel, `lever` below where it turns, draws at its pin or
    rod, N: F l / e.
    """
    return force * length / lever


def pin_stress(pull: float, wide: float, diameter: float) -> float:
    """The bending stress of a pin or a rod, held on both sides of a finger so wide, MPa: M = P b /
    12, 32 M / (π d³).
    """
    return 32 * pull * wide / 12 / (pi * diameter**3)


def kept(ground: Ground) -> tuple[Fraction, float]:
    """The screws that hold a finger's two keeper plates: their length, mm, and what they may be
    pulled with, N, all together.
    """
    keeper = KEEPER.of(ground.sizes)
    long, across = ground.screw(ground.thickness - BACK.of(ground.sizes) + keeper), joins(ground)
    held = thread(float(long), float(long - keeper), across)
    return long, KEPT * withdrawal(ground.wood, across, held)


def thicker(than: Fraction, ground: Ground) -> tuple[Fraction, ...]:
    """A thickness, and those that hardwood for thicker fingers is sold in, mm."""
    sold = thicknesses("hardwood", ground.sizes)
    return than, *(one for one in sold if than < one <= THICKEST)


def joins(ground: Ground) -> float:
    """The diameter of the screws that hold small parts, mm."""
    return float(thick(JOINS.of(ground.sizes)))


def links(flip: Flip, ground: Ground) -> Iterator[Link]:
    """What may give way: the finger where it turns, its pin, or what keeps the pin in its seat."""
    force = ground.pulled.force
    pull = levered(float(flip.length), float(flip.thickness) / 2, force)
    yield Link(
        "peg",
        tr("link.finger-where-it-turns"),
        stress(flip, force, flip.pin) / bending("hardwood"),
        "flip.stress",
    )
    yield Link(
        "peg",
        tr("link.fingers-pin"),
        pin_stress(pull, float(flip.width), float(flip.pin)) / STEEL,
        "flip.seat",
    )
    may = kept(ground)[1]
    yield Link(
        "screw", tr("link.screws-over-the-pin"), pull / may if may else float("inf"), "flip.seat"
    )


@dataclass(frozen=True, slots=True)
class FoldingGlyph(Glyph):
    """A finger that opens out of the groove or the gap that it folds into."""

    rest = Fraction(6, 10)

    def front(self, bores: Sequence[Bore]) -> tuple[Stroke, ...]:
        width, height, bore = float(self.width), float(self.height), bores[0]
        wide, low, thick = float(bore.bit), float(bore.up) - height / 2, float(bore.depth)
        return (
            Stroke(self.foot, rectangle(-wide / 2, low, wide, height)),
            Stroke(
                "holder",
                rectangle(-width / 2, float(self.tip) - thick / 2, width, thick, thick / 5),
            ),
            Stroke("mark", cross(0, 0, width * 0.2)),
        )


@dataclass(frozen=True, slots=True)
class FlipGlyph(FoldingGlyph):
    """From the side: the groove, the finger folded into it, and open."""

    called = "flip peg"
    putting = Putting("putting.flip.title", "putting.flip.line", "putting.flip.check")

    def beside(self, bores: Sequence[Bore], outline: Path | None) -> Iterator[Stroke]:
        thick, tall, t = float(bores[0].depth), float(self.height), radians(bores[0].tilt)
        low, long = float(bores[0].up) - tall / 2, (float(self.out) + thick / 2) / cos(t)
        yield Stroke("plate", rectangle(-thick, low, thick, tall))
        yield Stroke(
            "holder-line", rectangle(-thick, -thick / 2, thick, long + thick / 2, thick / 4)
        )
        finger = rectangle(-thick / 2, -thick / 2, long + thick / 2, thick, thick / 4)
        yield Stroke("holder", moved(turned(finger, t), -thick / 2, 0))
        yield Stroke("plate", circle(-thick / 2, 0, thick / 6))


def findings(flip: Flip, ground: Ground, web: Fraction) -> Iterator[Finding]:
    """What is wrong with a folding finger on its board, and what would help."""
    least = LEAST_WEB.of(ground.sizes)
    if web < least:
        yield Finding(
            "flip.web",
            tr("part.board"),
            tr("flip.web"),
            tr("quantity.wood-behind"),
            web,
            least,
            fixes=(ground.thicker(flip.thickness + least),),
        )
    high = tall(flip, ground.sizes)
    if ground.height < high:
        short = ground.down(flip.length - (high - ground.height))
        shorter = (long(short, ground),) if short > flip.thickness else ()
        yield Finding(
            "flip.board",
            tr("part.board"),
            tr("flip.board"),
            tr("quantity.board"),
            ground.height,
            high,
            fixes=(ground.wider(high), *shorter),
        )
    if flip.pin * 2 > flip.thickness:
        room = flip.thickness / 2
        thin = max((one for one in across("bar", ground.sizes) if one <= room), default=room)
        yield Finding(
            "flip.pin",
            tr("part.pin"),
            tr("flip.pin.pin-thick-leaves-too-little-finger"),
            tr("quantity.pin"),
            flip.pin,
            room,
            fixes=(
                Fix(tr("fix.pins", thin=ground.text(thin)), {"flip": {"pin": exact_text(thin)}}),
            ),
            left=flip.pin < flip.thickness,
        )
    yield from strength_finding(flip, ground, flip.pin)
    *_, pin, seat = links(flip, ground)
    if max(pin.share, seat.share) > 1:
        worst = max(pin, seat, key=lambda link: link.share)
        yield Finding(
            "flip.seat",
            tr("part.pin"),
            tr("flip.seat.with-hand-pulls-at-open-finger", name=worst.name),
            tr("quantity.of-what-it-may-bear"),
            percent(worst.share),
            "100%",
            fixes=tuple(_firmer(flip, ground)),
        )


def stronger(flip: Flip, ground: Ground) -> Iterator[tuple[Flip, Ground]]:
    """Thicker fingers on thicker pins in a thicker board, the thinnest that hold, in this wood and
    in hardwood.
    """
    pins = across("bar", ground.sizes)
    for wood in dict.fromkeys((ground.wood, "hardwood")):
        for deep in thicker(flip.thickness, ground):
            for pin in (pin for pin in pins if flip.pin <= pin <= deep / 2):
                made = flip.changed({"thickness": deep, "pin": pin})
                on = replace(ground, wood=wood, height=max(ground.height, tall(made, ground.sizes)))
                web = LEAST_WEB.of(ground.sizes)
                on = replace(on, thickness=max(ground.thickness, on.board(deep + web)))
                if _holds(made, on):
                    yield made, on
                    break
            else:
                continue
            break


def _holds(flip: Flip, ground: Ground) -> bool:
    return all(link.share <= 1 for link in links(flip, ground))


def _firmer(flip: Flip, ground: Ground) -> Iterator[Fix]:
    for made, on in stronger(flip, ground):
        board = {
            "thickness": exact_text(on.thickness),
            "height": exact_text(on.height),
            "wood": on.wood,
        }
        change = {
            "flip": {"thickness": exact_text(made.thickness), "pin": exact_text(made.pin)},
            "board": board,
        }
        more = f", {on.wood}" if on.wood != ground.wood else ""
        yield Fix(
            tr(
                "fix.fingers-thick-pins-board",
                finger=ground.text(made.thickness),
                pin=ground.text(made.pin),
                board=ground.text(on.thickness),
                more=more,
            ),
            change,
        )
    for out in ground.shorter(flip.length):
        if _holds(flip.changed({"length": out}), ground):
            yield long(out, ground)
            return


def long(out: Fraction, ground: Ground) -> Fix:
    return Fix(tr("fix.fingers-long", out=ground.text(out)), {"flip": {"length": exact_text(out)}})


def strength_finding(flip: Flip, ground: Ground, bore: Fraction) -> Iterator[Finding]:
    """Whether it may break; stress falls as fingers are made wider."""
    found, may = stress(flip, ground.pulled.force, bore), bending("hardwood")
    if found > may:
        wider = ground.up(flip.width * Fraction(str(round(found / may + 0.01, 4))))
        yield Finding(
            "flip.strength",
            tr("part.finger"),
            tr("flip.strength"),
            tr("quantity.bending-stress"),
            f"{found:.1f} MPa",
            f"{may:g} MPa",
            fixes=(
                Fix(
                    tr("fix.fingers-wide", wider=ground.text(wider)),
                    {"flip": {"width": exact_text(wider)}},
                ),
            ),
        )
