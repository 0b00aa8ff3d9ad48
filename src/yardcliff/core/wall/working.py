"""The working of what holds a rack on its wall: forces, ratings, the board between its screws."""

from collections.abc import Iterator, Sequence
from itertools import pairwise

from yardcliff.core.brief.mounting import Mount
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.strength.link import percent
from yardcliff.core.strength.wood import DRAWN_SAFETY, LASTING, PART, SAFETY, bending, sag
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.weights import GRAVITY, force_text, load_text
from yardcliff.core.wall.fixed import Fixed
from yardcliff.core.wall.strips import CLEAT
from yardcliff.messages import tr

SPAN_SHARE = 300
"""A board may sag a 300th of what it spans."""


def figures(fixed: Sequence[Fixed], mount: Mount, tape: Tape) -> Iterator[Figure]:
    """The working of the body that is nearest to its limit."""
    if not fixed:
        return
    one = max(fixed, key=lambda each: (each.loose, each.share))
    total = sum(load.weight for fixing in fixed for load in fixing.on)
    yield figure("fix.weight", load_text(total, tape.trade), tr("fix.weight.formula"), ())
    if not one.screws:
        return
    worst = max(one.pulls, key=lambda pull: pull.share)
    height = Fraction(max(s.y for s in one.screws)) - rounded(one.bears.low)
    body = sum(load.weight for load in one.on)
    turning = sum(load.weight * load.lever for load in one.on) / 1000
    hand = Input("F", tr("input.a-hand-pulls-with"), f"{one.force:.0f} N")
    yield figure("fix.tug", force_text(one.force, tape.trade), "max(3 · Z, least)", ())
    yield figure(
        "fix.shear",
        force_text(worst.shear, tape.trade),
        tr("fix.shear.formula"),
        (
            Input("W", tr("input.weight"), f"{body:.0f} N"),
            Input("n", tr("input.fixings"), str(len(one.screws))),
            hand,
        ),
    )
    turns = (
        tr("wall.the-spacer-at-its-foot")
        if one.spacer
        else tr("wall.the-s-lower-edge", by=one.strip_name)
        if one.strip
        else tr("wall.its-lower-edge")
    )
    yield figure(
        "fix.pull",
        force_text(worst.pull, tape.trade),
        tr("fix.pull.formula"),
        (
            Input("Wa", tr("input.turning"), f"{turning:.1f} Nm"),
            Input("h", tr("input.top-fixings-above", turns=turns), height),
            hand,
        ),
        turns=turns,
    )
    yield figure(
        "fix.share",
        percent(worst.share),
        "T / P + V / Q",
        (
            Input("T", tr("input.out"), f"{worst.pull:.1f} N"),
            Input("P", tr("input.may-be-pulled"), f"{one.may_pull:.1f} N"),
            Input("V", tr("input.down"), f"{worst.shear:.1f} N"),
            Input("Q", tr("input.may-bear-across"), f"{one.may_shear:.1f} N"),
        ),
        rated=_rated(one, mount),
    )
    yield from _links(one)
    if one.anchor.in_studs:
        yield Figure(
            "fix.length",
            tr(
                "fix.length.label",
                screw=tr("wall.lag-screw") if one.anchor.key == "lags" else tr("wall.screw"),
            ),
            one.length,
            "b + l + e",
            (
                Input("b", tr("input.wood"), one.wood),
                Input("l", "lining", one.length - one.wood - one.hold),
                Input("e", tr("input.in-the-stud"), one.hold),
            ),
            tr("fix.length.why"),
            fine=True,
        )
    else:
        yield Figure(
            "fix.length",
            tr("fix.length.label.screw-length"),
            one.length,
            tr("fix.length.formula"),
            (),
            tr("fix.length.why.through-wood-as-packet-asks"),
            fine=True,
        )
    yield from _between(one, tape)
    if one.strip:
        name = one.strip_name.capitalize()
        yield Figure(
            "fix.strip",
            tr("fix.strip.label", name=name),
            one.strip[1] - one.strip[0],
            tr("fix.strip.formula"),
            (),
            tr("fix.strip.why"),
        )


def _links(fixing: Fixed) -> Iterator[Figure]:
    """The board between its screws, the screws to a strip, and a cleat's lip."""
    beam, hand = fixing.beam, Input("F", tr("input.a-hand-pulls-with"), f"{fixing.force:.0f} N")
    yield figure(
        "fix.board",
        percent(beam.share(fixing.force)),
        "max(max(F · L / 4, F · c) / (b · t² / 6), max(F · L / 4 + q · L² / 8, F · c + q · c² / 2)"
        " / (t · b² / 6)) / s",
        (
            hand,
            Input("L", tr("input.widest-span"), rounded(beam.span)),
            Input("c", tr("input.past-the-last-screw"), rounded(beam.over)),
            Input("b", tr("input.wide-less-its-holes"), rounded(beam.wide)),
            Input("t", tr("input.thick"), rounded(beam.thick)),
            Input("q", tr("input.lies-on-it-evenly-n-mm"), f"{beam.even:.3f}"),
            Input("s", tr("input.may-bear"), f"{bending(beam.wood):.1f} MPa"),
        ),
        part=PART[SAFETY],
    )
    if held := fixing.joined:
        yield Figure(
            "fix.joined",
            tr("fix.joined.label", count=held.count, by=fixing.strip_name),
            percent(held.share),
            "T / P + V / Q",
            (
                Input("T", tr("input.out"), f"{held.worst.pull:.0f} N"),
                Input("P", tr("input.may-be-pulled"), f"{held.may_pull:.0f} N"),
                Input("V", tr("input.down"), f"{held.worst.shear:.0f} N"),
                Input("Q", tr("input.may-bear-across"), f"{held.may_shear:.0f} N"),
            ),
            tr("fix.joined.why"),
        )
    if fixing.by == "cleat" and fixing.strip:
        long = fixing.strip[1] - fixing.strip[0]
        yield figure(
            "fix.lip",
            f"{fixing.lip:.3f} MPa",
            "3 · (W + F) / (2 · L · t)",
            (
                Input("W", tr("input.weight"), f"{sum(load.weight for load in fixing.on):.0f} N"),
                hand,
                Input("L", tr("input.cleat"), long),
                Input("t", tr("input.thick"), CLEAT.of(fixing.sizes)[0]),
            ),
            lip_may=f"{fixing.lip_may:g}",
            safety=SAFETY,
        )


def _between(fixing: Fixed, tape: Tape) -> Iterator[Figure]:
    """The widest span between fixings, and how far the board sags in it."""
    xs = sorted({s.x for s in fixing.screws})
    if len(xs) < 2:
        return
    span = max(b - a for a, b in pairwise(xs))
    yield figure("fix.apart", span, tr("fix.apart.formula"), ())
    part = fixing.body.grounds[0]
    share = sum(load.weight for load in fixing.on) * float(span / max(part.length, span))
    down = sag(span, part.depth, part.height, share / GRAVITY * 1000, part.wood)
    yield figure(
        "fix.sag",
        tape.write_fine(rounded(down)),
        "5 · F · L³ / (384 · E · I)",
        (
            Input("F", tr("input.load-between"), f"{share:.0f} N"),
            Input("L", tr("input.span"), span),
            Input(
                "I",
                tr("input.from"),
                f"{tape.write_fine(part.depth)} × {tape.write_fine(part.height)}",
            ),
        ),
        span_share=SPAN_SHARE,
        span=tape.near(span / SPAN_SHARE),
    )


def _rated(fixing: Fixed, mount: Mount) -> str:
    """Where its ratings come from."""
    if mount.pull is not None or mount.shear is not None:
        return tr("wall.by-the-packet-over", factor=f"{mount.factor:g}")
    if fixing.anchor.grips or fixing.anchor.blocks or fixing.anchor.steel:
        return tr("wall.cautious-figures-ours-put-in-what")
    return tr("wall.what-draws-its-thread-from-light", part=PART[DRAWN_SAFETY], lasting=LASTING)
