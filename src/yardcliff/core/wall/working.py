"""The working of what holds a rack on its wall: forces, ratings, the board between its screws."""

from collections.abc import Iterator, Sequence
from itertools import pairwise

from yardcliff.core.brief.mounting import Mount
from yardcliff.core.findings.working import Figure, Input
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.strength.force import GRAVITY
from yardcliff.core.strength.link import percent
from yardcliff.core.strength.wood import DRAWN_SAFETY, LASTING, PART, SAFETY, bending, sag
from yardcliff.core.units.exact import Fraction
from yardcliff.core.wall.fixed import Fixed
from yardcliff.core.wall.strips import CLEAT

SPAN_SHARE = 300
"""A board may sag a 300th of what it spans."""


def figures(fixed: Sequence[Fixed], mount: Mount) -> Iterator[Figure]:
    """The working of the body that is nearest to its limit."""
    if not fixed:
        return
    one = max(fixed, key=lambda each: (each.loose, each.share))
    total = sum(load.weight for fixing in fixed for load in fixing.on)
    yield Figure(
        "fix.weight",
        "Weighs, all told",
        f"{total / GRAVITY:.1f} kg",
        "things, wet or full, and wood",
        (),
        "All that hangs there, wet or full, and the boards by their wood; spare places are empty.",
    )
    if not one.screws:
        return
    worst = max(one.pulls, key=lambda pull: pull.share)
    height = Fraction(max(s.y for s in one.screws)) - rounded(one.bears.low)
    body = sum(load.weight for load in one.on)
    turning = sum(load.weight * load.lever for load in one.on) / 1000
    hand = Input("F", "a hand pulls with", f"{one.force:.0f} N")
    yield Figure(
        "fix.tug",
        "A hand pulls with",
        f"{one.force:.0f} N",
        "max(3 · Z, least)",
        (),
        "Three times what hangs there weighs, or what somebody pulls with who leans on it,"
        " whichever is more: down and straight out, at the worst place.",
    )
    yield Figure(
        "fix.shear",
        "Down, the worst",
        f"{worst.shear:.0f} N",
        "W/n + W · e · (x − m) / Σ(x − m)², with a hand that pulls",
        (Input("W", "weight", f"{body:.0f} N"), Input("n", "fixings", str(len(one.screws))), hand),
        "Shared as by a group of rivets about their middle; somebody pulls at the worse end.",
    )
    turns = (
        "the spacer at its foot"
        if one.spacer
        else f"the {one.by}'s lower edge"
        if one.strip
        else "its lower edge"
    )
    yield Figure(
        "fix.pull",
        "Out of the wall, the worst",
        f"{worst.pull:.0f} N",
        "Σ W · a / h, shared by the top fixings, with a hand that pulls",
        (
            Input("Wa", "turning", f"{turning:.1f} Nm"),
            Input("h", f"top fixings above {turns}", height),
            hand,
        ),
        f"What stands off the wall turns the rack about {turns}, and the top fixings hold that.",
    )
    yield Figure(
        "fix.share",
        "Of what it may bear",
        percent(worst.share),
        "T / P + V / Q",
        (
            Input("T", "out", f"{worst.pull:.1f} N"),
            Input("P", "may be pulled", f"{one.may_pull:.1f} N"),
            Input("V", "down", f"{worst.shear:.1f} N"),
            Input("Q", "may bear across", f"{one.may_shear:.1f} N"),
        ),
        f"{_rated(one, mount)} A rule of thumb for hand-sized racks, and no proof: where more than"
        " a few hands hang, or people could be hurt, ask a building professional.",
    )
    yield from _links(one)
    if one.anchor.in_studs:
        yield Figure(
            "fix.length",
            f"{'Lag screw' if one.anchor.key == 'lags' else 'Screw'} length",
            one.length,
            "b + l + e",
            (
                Input("b", "wood", one.wood),
                Input("l", "lining", one.length - one.wood - one.hold),
                Input("e", "in the stud", one.hold),
            ),
            "Through the wood and the lining, and far enough into the stud: the next length that is"
            " sold.",
            fine=True,
        )
    else:
        yield Figure(
            "fix.length",
            "Screw length",
            one.length,
            "given",
            (),
            "Through the wood, and as the packet asks.",
            fine=True,
        )
    yield from _between(one)
    if one.strip:
        name = "Cleat" if one.by == "cleat" else "Batten"
        yield Figure(
            "fix.strip",
            f"{name} long",
            one.strip[1] - one.strip[0],
            "given",
            (),
            "To the outermost screws and a thumb's width past them.",
        )


def _links(fixing: Fixed) -> Iterator[Figure]:
    """The board between its screws, the screws to a strip, and a cleat's lip."""
    beam, hand = fixing.beam, Input("F", "a hand pulls with", f"{fixing.force:.0f} N")
    yield Figure(
        "fix.board",
        "Board between its screws",
        percent(beam.share(fixing.force)),
        "max(max(F · L / 4, F · c) / (b · t² / 6), max(F · L / 4 + q · L² / 8, F · c + q · c² / 2)"
        " / (t · b² / 6)) / s",
        (
            hand,
            Input("L", "widest span", rounded(beam.span)),
            Input("c", "past the last screw", rounded(beam.over)),
            Input("b", "wide, less its holes", rounded(beam.wide)),
            Input("t", "thick", rounded(beam.thick)),
            Input("q", "lies on it evenly, N/mm", f"{beam.even:.3f}"),
            Input("s", "may bear", f"{bending(beam.wood):.1f} MPa"),
        ),
        f"Of what it may bear as it bends, outward or down with all that hangs: a {PART[SAFETY]} of"
        " what breaks it (Wood Handbook).",
    )
    if held := fixing.joined:
        yield Figure(
            "fix.joined",
            f"{held.count} screws to the {fixing.by}",
            percent(held.share),
            "T / P + V / Q",
            (
                Input("T", "out", f"{held.worst.pull:.0f} N"),
                Input("P", "may be pulled", f"{held.may_pull:.0f} N"),
                Input("V", "down", f"{held.worst.shear:.0f} N"),
                Input("Q", "may bear across", f"{held.may_shear:.0f} N"),
            ),
            "As few as hold the rack to it, each with thread in no more than the wood that is"
            " there.",
        )
    if fixing.by == "cleat" and fixing.strip:
        long = fixing.strip[1] - fixing.strip[0]
        yield Figure(
            "fix.lip",
            "Cleat's lip bears",
            f"{fixing.lip:.3f} MPa",
            "3 · (W + F) / (2 · L · t)",
            (
                Input("W", "weight", f"{sum(load.weight for load in fixing.on):.0f} N"),
                hand,
                Input("L", "cleat", long),
                Input("t", "thick", CLEAT[0]),
            ),
            f"Softwood may bear {fixing.lip_may:g} MPa along its grain (Wood Handbook, table 5-3,"
            f" over {SAFETY}).",
        )


def _between(fixing: Fixed) -> Iterator[Figure]:
    """The widest span between fixings, and how far the board sags in it."""
    xs = sorted({s.x for s in fixing.screws})
    if len(xs) < 2:
        return
    span = max(b - a for a, b in pairwise(xs))
    yield Figure(
        "fix.apart",
        "Screws apart",
        span,
        "given",
        (),
        "The widest, from middle to middle: what keyhole plates and hangers are set to.",
    )
    part = fixing.body.grounds[0]
    share = sum(load.weight for load in fixing.on) * float(span / max(part.length, span))
    down = sag(span, part.depth, part.height, share / GRAVITY * 1000, part.wood)
    yield Figure(
        "fix.sag",
        "Sags between them",
        f"{down:.2f} mm",
        "5 · F · L³ / (384 · E · I)",
        (
            Input("F", "load between", f"{share:.0f} N"),
            Input("L", "span", span),
            Input("I", "from", f"{float(part.depth):g} × {float(part.height):g} mm"),
        ),
        f"A {SPAN_SHARE}th of the span, {float(span) / SPAN_SHARE:.1f} mm, is as much as one sees.",
    )


def _rated(fixing: Fixed, mount: Mount) -> str:
    """Where its ratings come from."""
    if mount.pull is not None or mount.shear is not None:
        return f"By the packet, over {mount.factor:g}."
    if fixing.anchor.grips or fixing.anchor.blocks or fixing.anchor.steel:
        return "Cautious figures of ours: put in what the packet says."
    return (
        f"A {PART[DRAWN_SAFETY]} of what draws its thread from light softwood, and what it bears"
        f" across itself over {LASTING}, less where little of it is in (Wood Handbook)."
    )
