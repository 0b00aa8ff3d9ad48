"""Hooks fitted to their board: figures, findings, and what would hold more."""

from collections.abc import Iterator

from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders.fitting import Fitting, Ground, half, pilots, shipped, upright
from yardcliff.core.holders.hook import (
    BACK,
    EDGE,
    END_DIAMETERS,
    Hook,
    HookGlyph,
    held,
    in_wood,
    links,
    plate,
    screw_offsets,
)
from yardcliff.core.holders.hook_stronger import stronger, strongest
from yardcliff.core.materials.goods import Goods, Take, Ware
from yardcliff.core.materials.sold import THICKER, gauge_text, screw_sizes, screws, thick
from yardcliff.core.rack import Bore
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.strength.force import Pulled, newtons
from yardcliff.core.strength.link import Link, percent, weakest
from yardcliff.core.strength.plate import Plate
from yardcliff.core.strength.wood import embedding, thread, withdrawal
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text, size_text
from yardcliff.core.units.weights import force_text, load_text, weight_text
from yardcliff.messages import tr


def fit(hook: Hook, ground: Ground) -> Fitting:
    """Fit a hook to a board; findings carry (0, 0), the hook's own axis."""
    bit, deep = screw_sizes(hook.gauge)[ground.wood], in_wood(hook)
    offsets = screw_offsets(hook)
    diameter = thick(hook.gauge)
    name = "shank" if hook.fastening == "shank" else "screw"
    return Fitting(
        name=tr("holders.hooks", n=2),
        noun=tr("holders.hooks", n=1),
        reach=half(hook.plate_width),
        glyph=HookGlyph(
            hook.plate_width, hook.plate_height, -hook.throat, hook.projection, offsets
        ),
        bores=tuple(Bore("pilot hole", dy, bit, deep, 0) for dy in offsets),
        end_distance=max(diameter * END_DIAMETERS, hook.plate_width / 2),
        end_why=tr(
            "holders.diameters-from-end-so-does-not-2", end_diameters=END_DIAMETERS, name=name
        ),
        hang_drop=hook.throat,
        figures=(*_figures(hook, ground, bit, deep, name), *_strength(hook, ground)),
        findings=(*_findings(hook, ground, name), *_weak(hook, ground)),
        machining=(
            pilots(
                ground,
                upright(offsets),
                bit,
                deep,
                tr("holders.fit-hooks-after-finish-dry"),
                _takes(hook, ground),
            ),
        ),
        cautions=(tr("caution.drill-into-scrap-never-towards-hand"),),
        links=tuple(links(hook, ground)),
    )


def _takes(hook: Hook, ground: Ground) -> tuple[Take, ...]:
    """The hook by how far it stands out, and its screws; one with a shank is its own."""
    out = (size_text(hook.projection, ground.sizes),)
    if hook.fastening == "shank":
        return (Ware(Goods.CUP_HOOK, 1, out),)
    return Ware(Goods.HOOK, 1, out), screws(hook.gauge, hook.screw_length, hook.screws)


def _figures(
    hook: Hook, ground: Ground, bit: Fraction, deep: Fraction, thread: str
) -> tuple[Figure, ...]:
    return (
        figure(
            "hook.pilot",
            bit,
            f"bit for a {gauge_text(hook.gauge)} {thread} in {ground.wood}",
            (Input("g", thread, thick(hook.gauge)), Input("w", tr("input.wood"), ground.wood)),
            fine=True,
        ),
        figure(
            "hook.deep",
            deep,
            tr("hook.deep.formula"),
            (
                Input("l", thread, hook.screw_length),
                Input("k", tr("input.plate"), hook.plate_thickness),
            ),
            fine=True,
            thread=thread,
        ),
        Figure(
            "hook.back",
            tr("hook.back.label"),
            ground.thickness - deep,
            tr("hook.back.formula"),
            (
                Input("T", tr("input.board"), ground.thickness),
                Input("i", tr("input.in-the-board"), deep),
            ),
            tr("hook.back.why.what-stays-between-point-wall-side"),
            fine=True,
        ),
    )


def _findings(hook: Hook, ground: Ground, thread: str) -> list[Finding]:
    found = []
    deep = in_wood(hook)
    back = ground.thickness - deep
    stays, edge_least = BACK.of(ground.sizes), EDGE.of(ground.sizes)
    if back < stays:
        longest = ground.screw(ground.thickness - stays + hook.plate_thickness)
        thicker = ground.thicker(deep + stays)
        shorter = Fix(
            tr("fix.s", longest=ground.text(longest), thread=thread),
            {"holder": {"screw_length": exact_text(longest)}},
        )
        found.append(
            Finding(
                "hook.through",
                tr("part.hook"),
                tr("hook.through.comes-too-near-boards-back", thread=thread),
                tr("quantity.wood-behind-the-point"),
                back,
                stays,
                fixes=(shorter, thicker) if longest > hook.plate_thickness else (thicker,),
            )
        )
    least = 2 * thick(hook.gauge)
    if deep < least:
        longer = ground.up(least + hook.plate_thickness)
        found.append(
            Finding(
                "hook.shallow",
                tr("part.hook"),
                tr("hook.shallow.so-little-in-wood-will-not", thread=thread),
                tr("quantity.in-the-board"),
                deep,
                least,
                fixes=(
                    Fix(
                        tr("fix.s", longest=ground.text(longer), thread=thread),
                        {"holder": {"screw_length": exact_text(longer)}},
                    ),
                ),
            )
        )
    edge = min(ground.line, ground.height - ground.line) - hook.plate_height / 2
    if edge < edge_least:
        found.append(
            Finding(
                "board.narrow",
                tr("part.board"),
                tr("board.narrow.hooks-plate-does-not-fit-boards"),
                tr("quantity.wood-beside-the-plate"),
                edge,
                edge_least,
                fixes=(ground.wider(hook.plate_height + 2 * edge_least, line=None),),
            )
        )
    return found


def _strength(hook: Hook, ground: Ground) -> Iterator[Figure]:
    """The working of its weakest link."""
    force, pulled = ground.pulled.force, force_input(ground.pulled)
    out = Input("a", tr("input.stands-out"), hook.projection)
    if hook.fastening == "shank":
        gauge, deep = float(thick(hook.gauge)), held(hook, ground)
        may = withdrawal(ground.wood, gauge, thread(float(hook.screw_length), deep, gauge))
        inputs = (
            pulled,
            Input("P", tr("input.may-be-pulled"), f"{may:.1f} N"),
            out,
            Input("d", tr("input.thread"), thick(hook.gauge)),
            Input("e", tr("input.in-the-board"), rounded(deep)),
            Input("s", tr("input.its-hole-may-bear"), f"{embedding(ground.wood, gauge):.2f} MPa"),
        )
        yield Figure(
            "hook.share",
            tr("hook.share.label"),
            percent(strongest(hook, ground)),
            LEVERED,
            inputs,
            tr(RATED),
        )
    else:
        on = plate(hook, ground)
        yield figure(
            "hook.pull",
            force_text(on.pull(force), ground.tape.trade),
            "F · a / h",
            (
                pulled,
                out,
                Input("h", tr("input.upper-screw-above-the-plates-foot"), rounded(on.lever)),
            ),
        )
        yield plate_figure(on, ground.pulled)
    said = (
        weight_text(hook.carries, ground.tape.trade)
        if hook.carries is not None
        else tr("holders.not-said")
    )
    yield figure("hook.packet", said, tr("hook.packet.formula"), ())
    if hook.carries is not None:
        yield figure(
            "hook.rated",
            percent(next(links(hook, ground)).share),
            "max(W, F / 2) / R",
            (
                Input("W", tr("input.weight"), f"{ground.pulled.weight:.1f} N"),
                pulled,
                Input("R", tr("input.packet"), f"{newtons(hook.carries):.1f} N"),
            ),
        )


LEVERED = "max(F / P, (6 · F · (a + e/2) / (d · e²) + F / (d · e)) / s)"
"""Pulled straight out, or levered in its hole."""


RATED = "holders.what-may-fifth-what-draws-its"


def force_input(pulled: Pulled) -> Input:
    """With what a hand pulls, and why."""
    return Input("F", pulled.says, f"{pulled.force:.1f} N")


def plate_figure(on: Plate, pulled: Pulled) -> Figure:
    """What the screws of a plate bear of what they may."""
    return Figure(
        "hook.share",
        tr("hook.share.label.its-screws-bear"),
        percent(on.share(pulled.force)),
        "max(F · a / h / P + F / n / Q, F · u / P)",
        (
            force_input(pulled),
            Input("a", tr("input.stands-out"), rounded(on.out)),
            Input("h", tr("input.upper-screw-above-the-plates-foot"), rounded(on.lever)),
            Input("n", tr("input.screws"), str(on.count)),
            Input("P", tr("input.may-be-pulled"), f"{on.may_pull:.1f} N"),
            Input("Q", tr("input.may-bear-across"), f"{on.may_shear:.1f} N"),
            Input("u", tr("input.pull-straight-out-lower-one"), f"{on.outward:.3f}"),
        ),
        tr(RATED),
    )


def _weak(hook: Hook, ground: Ground) -> Iterator[Finding]:
    found = weakest(links(hook, ground))
    if found and found.share > 1:
        yield too_weak(found, ground, tuple(stronger(hook, ground)))


def too_weak(link: Link, ground: Ground, fixes: tuple[Fix, ...]) -> Finding:
    """That a link of a hook bears too much, and what to do where no change of it helps."""
    beyond = "" if fixes else tr("holders.no-hook-here-holds-share-between")
    said = tr(
        "holders.with-n-bears-more-than-may",
        force=load_text(ground.pulled.force, ground.tape.trade),
        pulled=ground.pulled.says,
        name=link.name,
        beyond=beyond,
    )
    strong = THICKER.of(ground.sizes)[-1]
    bolts = {"holder": shipped("lag-8", ground.sizes), "board": {"thickness": exact_text(strong)}}
    last = (Fix(tr("fix.lag-bolts-in-a-board-of", thicker=ground.text(strong)), bolts),)
    return Finding(
        "hook.strength",
        tr("part.hook"),
        said,
        tr("quantity.of-what-it-may-bear"),
        percent(link.share),
        "100%",
        fixes=fixes or last,
    )
