"""Bent hooks fitted to their board: blanks, holes and figures."""

from collections.abc import Iterator

from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders.bent import (
    ALLOWED,
    BENDS,
    NEUTRAL,
    Bent,
    bend,
    blank,
    blanks,
    findings,
    flat,
    links,
    outline,
    plate,
    stands_out,
)
from yardcliff.core.holders.fitting import Fitting, Ground, half, pilots, upright
from yardcliff.core.holders.hook import END_DIAMETERS, HookGlyph
from yardcliff.core.holders.hook_fit import force_input, plate_figure
from yardcliff.core.materials.goods import Blank
from yardcliff.core.materials.sold import screw_sizes, screws, thick
from yardcliff.core.rack import Bore, Kind, Operation, Outline
from yardcliff.core.strength.stick import stress
from yardcliff.core.units.exact import Fraction
from yardcliff.messages import tr


def fit(bent: Bent, ground: Ground) -> Fitting:
    """Fit a bent hook to a board; findings carry (0, 0), the middle of its back leg."""
    deep = bent.screw_length - flat(bent)[0]
    sizes = screw_sizes(bent.gauge)
    bit, passes = sizes[ground.wood], sizes["clear"]
    quarter = bent.back / 4
    drop = bent.back / 2 + bent.radius
    out, (thin, wide) = stands_out(bent), flat(bent)
    return Fitting(
        name=tr("holders.bent-hooks", n=2),
        noun=tr("holders.bent-hooks", n=1),
        reach=half(wide),
        glyph=HookGlyph(bent.bar, bent.back, -drop, out, (quarter, -quarter)),
        bores=tuple(Bore("pilot hole", up, bit, deep, 0) for up in (quarter, -quarter)),
        end_distance=thick(bent.gauge) * END_DIAMETERS,
        end_why=tr("holders.screw-diameters-from-end-so-does", end_diameters=END_DIAMETERS),
        hang_drop=drop,
        figures=tuple(_figures(bent, ground, deep)),
        findings=tuple(findings(bent, ground, deep)),
        machining=(
            Operation(
                Kind.BLANK,
                (),
                tr("tool.cut-off"),
                blank(bent),
                None,
                0,
                None,
                tr("stop.stop-block-set-once-for-all"),
                tr("holders.file-ends-round-before-bending-while"),
                takes=(
                    Blank(tr("piece.bent-hook"), "bar", "steel", bent.bar, bent.bar, blank(bent)),
                ),
                many=1,
                piece=tr("holders.bar"),
                spot=tr("spot.across"),
            ),
            Operation(
                Kind.BEND,
                (),
                tr("tool.inside-radius"),
                bent.radius,
                None,
                0,
                None,
                tr("stop.the-outline-on-the-template"),
                tr("holders.one-hook-first-held-against-outline"),
                how=tr("holders.90-each-the-same-way-round"),
                many=BENDS,
                piece=tr("holders.blank"),
                spot=tr("spot.at-the-marks"),
            ),
            Operation(
                Kind.HOOK_HOLE,
                (),
                tr("tool.bit"),
                passes,
                None,
                0,
                None,
                tr("stop.through"),
                tr(
                    "holders.hammer-leg-flat-there-thick-about",
                    thin=ground.text(thin),
                    wide=ground.tape.write(wide),
                ),
                many=2,
                piece=tr("piece.back-leg"),
                spot=tr("spot.front"),
            ),
            pilots(
                ground,
                upright((quarter, -quarter)),
                bit,
                deep,
                tr("holders.through-hooks-own-holes-fit-hooks"),
                (screws(bent.gauge, bent.screw_length, 2),),
            ),
        ),
        cautions=(
            tr("caution.bending-clamp-bar-low-in-vice"),
            tr("caution.small-work-turns-with-drill-clamp"),
        ),
        outline=Outline(
            tr("holders.one-of-the-bent-hooks"),
            outline(bent),
            tr("holders.the-boards-face"),
            tr("holders.hold-each-hook-against-legs-bends"),
        ),
        links=tuple(links(bent, ground)),
    )


def _figures(bent: Bent, ground: Ground, deep: Fraction) -> Iterator[Figure]:
    one = bend(bent)
    legs = (
        Input("a", tr("input.back-leg"), bent.back),
        Input("b", tr("input.arm"), bent.arm),
        Input("c", tr("input.lip"), bent.lip),
    )
    taken = Input("u", tr("input.each-bend-takes"), one)
    yield figure(
        "bent.bend",
        one,
        "π/2 · (r + k · s)",
        (
            Input("r", tr("input.inside-radius"), bent.radius),
            Input("k", tr("input.round-bar"), NEUTRAL),
            Input("s", tr("input.bar"), bent.bar),
        ),
        fine=True,
    )
    yield figure(
        "bent.blank",
        blank(bent),
        "a + b + c + n · u",
        (*legs, Input("n", tr("input.bends"), str(BENDS)), taken),
    )
    yield figure("bent.first", bent.back, tr("bent.first.formula"), ())
    yield figure("bent.second", bent.back + one + bent.arm, "a + u + b", (legs[0], taken, legs[1]))
    yield figure(
        "bent.rod",
        str(blanks(bent)),
        "floor((R + w) / (B + w))",
        (
            Input("R", tr("input.rod"), bent.rod),
            Input("w", tr("input.kerf"), bent.kerf),
            Input("B", tr("input.blank"), blank(bent)),
        ),
    )
    yield figure(
        "hook.back",
        ground.thickness - deep,
        "T − i",
        (
            Input("T", tr("input.board"), ground.thickness),
            Input("i", tr("input.in-the-board"), deep),
        ),
        fine=True,
    )
    force = ground.pulled.force
    yield figure(
        "bent.stress",
        f"{stress(float(bent.bar), float(stands_out(bent)), force):.0f} MPa",
        "32 · F · a / (π · s³)",
        (
            force_input(ground.pulled),
            Input("a", tr("input.stands-out"), stands_out(bent)),
            Input("s", tr("input.bar"), bent.bar),
        ),
        allowed=ALLOWED,
    )
    yield plate_figure(plate(bent, ground), ground.pulled)
