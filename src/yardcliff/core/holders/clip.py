"""A clip: a ring cut from pipe whose bore takes the shaft, with a mouth narrower than the shaft.

The ring is as long as the rail is wide; two screws through its back hold it, driven through the
mouth.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import cache

from yardcliff.core.base.model import Frozen
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Input, figure
from yardcliff.core.holders.fitting import (
    Fitting,
    Ground,
    check_held,
    half,
    held_at,
    held_figure,
    pilots,
    upright,
)
from yardcliff.core.holders.hook import BACK
from yardcliff.core.materials.goods import Blank
from yardcliff.core.materials.sold import JOINS, screw_sizes, screws, thick
from yardcliff.core.rack import Bore, Glyph, Kind, Operation, Putting
from yardcliff.core.shapes.geometry import Path, cross, line, rectangle
from yardcliff.core.shapes.scene import Stroke
from yardcliff.core.things.item import Item
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, exact_text
from yardcliff.core.units.length_text import read
from yardcliff.core.units.trade import Trade, usual
from yardcliff.data import table
from yardcliff.messages import tr

END_DIAMETERS = 5
"""How many of its screws' diameters a ring stays from the rail's end."""
MOUTH = Fraction(4, 5)
"""The mouth as a share of the shaft: it snaps in and stays. Rule of thumb; softer pipe wants less.
"""

DRAWN_MOUTH = 0.6
"""How much of a clip's width its mouth is drawn."""


class Clip(Frozen):
    """`held` is the shaft (None: the thickest, as measured); `screw` is how long the ring's screws
    are.
    """

    held: Size | None = None
    play: Gap = usual("1 mm", "1/32 in")
    screw: Size = usual("16 mm", "5/8 in")


@cache
def _pipes(trade: Trade) -> tuple[tuple[Fraction, Fraction], ...]:
    return tuple((read(row["inside"]), read(row["outside"])) for row in table("pipes", trade))


def ring(size: Fraction, trade: Trade) -> tuple[Fraction, Fraction]:
    """Inside and outside of the smallest pipe that takes `size`, mm; of the largest where none
    does.
    """
    pipes = _pipes(trade)
    return next((pipe for pipe in pipes if pipe[0] >= size), pipes[-1])


@dataclass(frozen=True, slots=True)
class ClipGlyph(Glyph):
    """A ring cut from pipe, its mouth to the room: the shaft is in it."""

    called = "ring"
    within = True
    putting = Putting("putting.clip.title", "putting.clip.line", "putting.clip.check")

    def front(self, bores: Sequence[Bore]) -> tuple[Stroke, ...]:
        width, half = float(self.width), float(self.height) / 2
        gap = width * DRAWN_MOUTH / 2
        return (
            Stroke("plate", rectangle(-width / 2, -half, width, 2 * half)),
            *(Stroke("holder-line", line((x, -half), (x, half))) for x in (-gap, gap)),
            Stroke("mark", cross(0, 0, width * 0.15)),
        )

    def beside(self, bores: Sequence[Bore], outline: Path | None) -> Iterator[Stroke]:
        yield Stroke(
            "plate", rectangle(0, -float(self.height) / 2, float(self.out), float(self.height))
        )


def fit(clip: Clip, ground: Ground, items: tuple[Item, ...]) -> Fitting:
    """Fit a clip for the thickest shaft to a rail; findings carry (0, 0), the clip's own axis."""
    shaft = held_at(clip.held, items)
    inside, outside = ring(shaft + clip.play, ground.sizes)
    wall = (outside - inside) / 2
    deep = clip.screw - wall
    gauge = JOINS.of(ground.sizes)
    bit = screw_sizes(gauge)[ground.wood]
    offset = ground.height / 4
    return Fitting(
        name=tr("holders.clips", n=2),
        noun=tr("holders.clips", n=1),
        how="in",
        reach=half(outside),
        glyph=ClipGlyph(outside, ground.height, out=outside),
        bores=tuple(Bore("pilot hole", up, bit, deep, 0) for up in (offset, -offset)),
        end_distance=max(thick(gauge) * END_DIAMETERS, outside / 2),
        end_why=tr("holders.five-screw-diameters-from-end-so"),
        hang_drop=Fraction(0),
        figures=(
            held_figure(clip.held, shaft),
            figure(
                "clip.bore",
                inside,
                tr("clip.bore.formula"),
                (Input("d", tr("input.shaft"), shaft), Input("y", tr("input.play"), clip.play)),
                fine=True,
            ),
            figure(
                "clip.mouth",
                shaft * MOUTH,
                "m · d",
                (
                    Input("m", tr("input.share"), f"{float(MOUTH):g}"),
                    Input("d", tr("input.shaft"), shaft),
                ),
            ),
            figure("clip.length", ground.height, tr("clip.length.formula"), ()),
        ),
        findings=(
            *check_held(clip.held, items, shaft, "clip", ground),
            *_findings(clip, ground, shaft, inside, wall),
        ),
        machining=(
            Operation(
                Kind.RING,
                (),
                tr("tool.pipe-cut-off"),
                outside,
                None,
                0,
                None,
                tr("stop.a-stop-block-one-ring-long"),
                tr("holders.clamp-pipe-in-v-block-saw"),
                takes=(
                    Blank(tr("piece.ring"), "pipe", "plastic", outside, outside, ground.height),
                ),
                many=1,
                piece=tr("holders.pipe"),
                spot=tr("spot.across"),
            ),
            pilots(
                ground,
                upright((ground.height / 4, -ground.height / 4)),
                bit,
                deep,
                tr("holders.screw-through-mouth-countersink-ring-from"),
                (screws(gauge, clip.screw, 2),),
            ),
        ),
        cautions=(tr("caution.short-rings-roll-catch-saw-them"),),
    )


def _findings(
    clip: Clip, ground: Ground, shaft: Fraction, inside: Fraction, wall: Fraction
) -> Iterator[Finding]:
    if inside < shaft + clip.play:
        yield Finding(
            "clip.pipe",
            tr("part.clip"),
            tr("clip.pipe"),
            tr("quantity.ring-inside"),
            shaft + clip.play,
            inside,
            fixes=(
                Fix(
                    tr("fix.hold-it-at", widest=ground.text(inside)),
                    {"clip": {"held": exact_text(inside), "play": "0 mm"}},
                ),
            ),
        )
    back, stays = ground.thickness - (clip.screw - wall), BACK.of(ground.sizes)
    if back < stays:
        longest = ground.screw(ground.thickness - stays + wall)
        thicker = ground.thicker(clip.screw - wall + stays)
        shorter = Fix(
            tr("fix.screws", longest=ground.text(longest)), {"clip": {"screw": exact_text(longest)}}
        )
        yield Finding(
            "hook.through",
            tr("part.clip"),
            tr("hook.through.screw-comes-too-near-rails-back"),
            tr("quantity.wood-behind-the-point"),
            back,
            stays,
            fixes=(shorter, thicker) if longest > wall else (thicker,),
        )
