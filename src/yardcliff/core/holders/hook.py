"""A bought hook, held by screws through its plate or by its own threaded shank."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from math import inf
from typing import Annotated, Literal

from pydantic import Field

from yardcliff.core.base.model import Frozen
from yardcliff.core.brief.choices import Field as Asked
from yardcliff.core.brief.choices import Section
from yardcliff.core.holders.fitting import Ground
from yardcliff.core.materials.sold import Gauge, thick
from yardcliff.core.rack import Bore, Glyph, Putting
from yardcliff.core.shapes.geometry import Path, circle, cross, rectangle
from yardcliff.core.shapes.scene import Stroke
from yardcliff.core.strength.force import newtons
from yardcliff.core.strength.link import Link
from yardcliff.core.strength.plate import Plate
from yardcliff.core.strength.stick import levers
from yardcliff.core.strength.wood import thread, withdrawal
from yardcliff.core.things.item import Weight
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size
from yardcliff.core.units.trade import called, either, usual
from yardcliff.messages import tr

BACK = either("2 mm", "1/16 in")
"""Wood that stays between a screw's point and the board's back."""
EDGE = either("4 mm", "1/8 in")
"""Least wood between the plate and the board's long edges."""
END_DIAMETERS = 5
"""End distance of a pre-drilled screw, in diameters: the usual rule for softwood."""

PLATE = 3.0
"""How thick a plate is drawn, mm."""
JERK = 2
"""What is sold to carry so much stands that many times as much for a moment: cautious."""


class Hook(Frozen):
    """Sizes as bought. `throat` is how far below its axis a loop comes to rest; `carries` what it
    may carry by its packet.
    """

    kind: Literal["hook"] = "hook"
    plate_width: Size = usual("30 mm", "1 1/4 in")
    plate_height: Size = usual("110 mm", "4 1/2 in")
    plate_thickness: Gap = usual("3 mm", "1/8 in")
    fastening: Literal["screws", "shank"] = "screws"
    screws: Annotated[int, Field(ge=1, le=3)] = 2
    screw_spacing: Gap = usual("86 mm", "3 5/8 in")
    gauge: Gauge = called("5.0", "#10")
    screw_length: Size = usual("20 mm", "3/4 in")
    projection: Size = usual("60 mm", "2 in")
    throat: Gap = usual("12 mm", "1/2 in")
    carries: Weight | None = None


def plate(hook: Hook, ground: Ground) -> Plate:
    """The hook's plate and its screws, as they hold."""
    spread = min(hook.screw_spacing, hook.plate_height) if hook.screws > 1 else Fraction(0)
    return Plate(
        ground.wood,
        float(hook.plate_height),
        hook.screws,
        float(spread),
        float(thick(hook.gauge)),
        float(hook.screw_length),
        held(hook, ground),
        float(hook.projection),
        float(hook.throat),
    )


def held(hook: Hook, ground: Ground) -> float:
    """How much of the screw is in the board, and not beyond it, mm."""
    return float(max(min(in_wood(hook), ground.thickness), Fraction(0)))


def links(hook: Hook, ground: Ground) -> Iterator[Link]:
    """What may give way: the hook by its packet, its screws in the board."""
    force = ground.pulled.force
    if hook.carries is not None:
        bears = max(ground.pulled.weight, force / JERK)
        yield Link(
            "hook",
            tr("link.hook-by-its-packet"),
            bears / newtons(hook.carries) if hook.carries else inf,
            "hook.rated",
        )
    if hook.fastening == "screws":
        yield Link("screw", tr("link.hooks-screws"), plate(hook, ground).share(force), "hook.share")
        return
    gauge, deep = float(thick(hook.gauge)), held(hook, ground)
    may_pull = withdrawal(ground.wood, gauge, thread(float(hook.screw_length), deep, gauge))
    drawn = force / may_pull if may_pull else inf if force else 0.0
    yield Link(
        "screw",
        tr("link.hooks-thread"),
        max(drawn, levers(ground.wood, gauge, float(hook.projection), deep, force)),
        "hook.share",
    )


def in_wood(hook: Hook) -> Fraction:
    """How much of the screw is in the board, mm."""
    return hook.screw_length - hook.plate_thickness


def screw_offsets(hook: Hook) -> tuple[Fraction, ...]:
    """Heights of the screws about the hook's axis, top first."""
    if hook.screws == 1:
        return (Fraction(0),)
    step = hook.screw_spacing / (hook.screws - 1)
    return tuple(hook.screw_spacing / 2 - i * step for i in range(hook.screws))


@dataclass(frozen=True, slots=True)
class HookGlyph(Glyph):
    """A plate on the face, held by its screws, and an arm that comes out of it."""

    called = "hook"
    rest = Fraction(82, 100)
    stem = 0.34
    putting = Putting("putting.hook.title", "putting.hook.line", "putting.hook.check")

    def front(self, bores: Sequence[Bore]) -> tuple[Stroke, ...]:
        width, height, tip = float(self.width), float(self.height), float(self.tip)
        arm = width * self.stem
        return (
            Stroke("plate", rectangle(-width / 2, -height / 2, width, height, width * 0.32)),
            *(Stroke("screw", circle(0, float(dy), width * 0.11)) for dy in self.screws),
            Stroke("holder", rectangle(-arm / 2, tip - arm, arm, abs(tip) + arm * 1.6, arm / 2)),
            Stroke("holder", circle(0, tip - arm * 0.3, arm * 0.8)),
            Stroke("mark", cross(0, 0, width * 0.2)),
        )

    def beside(self, bores: Sequence[Bore], outline: Path | None) -> Iterator[Stroke]:
        if outline:
            yield Stroke("holder", outline)
            return
        out, tall, low = float(self.out), float(self.height), float(self.tip)
        thick = min(float(self.width) * 0.3, 5.0)
        yield Stroke("plate", rectangle(0, -tall / 2, PLATE, tall))
        arm: Path = (
            ("M", (PLATE, low + thick * 2)),
            (
                "C",
                (out * 0.5, low + thick, out - thick, low - thick, out - thick, low + tall * 0.25),
            ),
            ("L", (out, low + tall * 0.25)),
            ("C", (out, low - thick * 2.4, out * 0.5, low - thick, PLATE, low)),
            ("Z", ()),
        )
        yield Stroke("holder", arm)


def choices(hook: Hook) -> Section:
    """What bought hooks are asked beyond their sizes."""
    figures = ("hook.pull", "hook.share") if hook.fastening == "screws" else ("hook.share",)
    return Section(
        tr("section.strength"),
        (Asked("holder.carries", tr("holders.packet-says"), figure="hook.packet"),),
        (*figures, *(("hook.rated",) if hook.carries is not None else ())),
    )
