"""Bent hooks fitted to their board: blanks, holes and figures."""

from collections.abc import Iterator

from yardcliff.core.findings.working import Figure, Input
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
from yardcliff.core.holders.hook import END_DIAMETERS, HookGlyph, clearance, pilot_bit
from yardcliff.core.holders.hook_fit import force_input, plate_figure
from yardcliff.core.materials.goods import Blank, screws
from yardcliff.core.rack import Bore, Kind, Operation, Outline
from yardcliff.core.strength.stick import stress
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text


def fit(bent: Bent, ground: Ground) -> Fitting:
    """Fit a bent hook to a board; findings carry (0, 0), the middle of its back leg."""
    deep = bent.screw_length - flat(bent)[0]
    bit, passes = pilot_bit(bent.gauge, ground.wood), clearance(bent.gauge)
    quarter = bent.back / 4
    drop = bent.back / 2 + bent.radius
    out, (thin, wide) = stands_out(bent), flat(bent)
    return Fitting(
        name="bent hooks",
        reach=half(wide),
        glyph=HookGlyph(bent.bar, bent.back, -drop, out, (quarter, -quarter)),
        bores=tuple(Bore("pilot hole", up, bit, deep, 0) for up in (quarter, -quarter)),
        end_distance=Fraction(bent.gauge) * END_DIAMETERS,
        end_why=f"{END_DIAMETERS} screw diameters from the end, so that it does not split",
        hang_drop=drop,
        figures=tuple(_figures(bent, ground, deep)),
        findings=tuple(findings(bent, ground, deep)),
        machining=(
            Operation(
                Kind.BLANK,
                (),
                "cut off",
                blank(bent),
                None,
                0,
                None,
                "a stop block, set once for all",
                "File the ends round before bending, while they are easy to hold.",
                takes=(Blank("Bent hook", "bar", "steel", bent.bar, bent.bar, blank(bent)),),
                many=1,
                piece="Bar",
                spot="across",
            ),
            Operation(
                Kind.BEND,
                (),
                "inside radius",
                bent.radius,
                None,
                0,
                None,
                "the outline on the template",
                "One hook first, held against the outline; then all from one setting.",
                how="90° each, the same way round",
                many=BENDS,
                piece="Blank",
                spot="at the marks",
            ),
            Operation(
                Kind.HOOK_HOLE,
                (),
                "bit",
                passes,
                None,
                0,
                None,
                "through",
                f"Hammer the leg flat there, {exact_text(thin)} thick and about {float(wide):.0f}"
                " mm wide; punch, then drill on scrap, clamped.",
                many=2,
                piece="Back leg",
                spot="front",
            ),
            pilots(
                ground,
                upright((quarter, -quarter)),
                bit,
                deep,
                "Through the hook's own holes. Fit the hooks after the finish is dry.",
                (screws(bent.gauge, bent.screw_length, 2),),
            ),
        ),
        cautions=(
            (
                "Bending: clamp the bar low in the vice and pull towards free floor; a bar that"
                " slips hits the hand."
            ),
            "Small work turns with the drill: clamp it, and stand clear of the swarf.",
        ),
        outline=Outline(
            "one of the bent hooks",
            outline(bent),
            "the board's face",
            "Hold each hook against it: legs, bends and lip must lie on the line.",
        ),
        links=tuple(links(bent, ground)),
    )


def _figures(bent: Bent, ground: Ground, deep: Fraction) -> Iterator[Figure]:
    one = bend(bent)
    legs = (
        Input("a", "back leg", bent.back),
        Input("b", "arm", bent.arm),
        Input("c", "lip", bent.lip),
    )
    taken = Input("u", "each bend takes", one)
    yield Figure(
        "bent.bend",
        "A bend takes",
        one,
        "π/2 · (r + k · s)",
        (
            Input("r", "inside radius", bent.radius),
            Input("k", "round bar", NEUTRAL),
            Input("s", "bar", bent.bar),
        ),
        "Along the middle of the bar, which neither stretches nor shrinks. Bend one and measure:"
        " stock varies.",
        fine=True,
    )
    yield Figure(
        "bent.blank",
        "Blank",
        blank(bent),
        "a + b + c + n · u",
        (*legs, Input("n", "bends", str(BENDS)), taken),
        "Cut each this long.",
    )
    yield Figure(
        "bent.first",
        "First bend starts at",
        bent.back,
        "given",
        (),
        "From the end of the back leg.",
    )
    yield Figure(
        "bent.second",
        "Second bend starts at",
        bent.back + one + bent.arm,
        "a + u + b",
        (legs[0], taken, legs[1]),
        "From the same end, so that no error adds up.",
    )
    yield Figure(
        "bent.rod",
        "Hooks from a rod",
        str(blanks(bent)),
        "floor((R + w) / (B + w))",
        (
            Input("R", "rod", bent.rod),
            Input("w", "kerf", bent.kerf),
            Input("B", "blank", blank(bent)),
        ),
        "Whole ones. Snips take no kerf, a saw does.",
    )
    yield Figure(
        "hook.back",
        "Left behind it",
        ground.thickness - deep,
        "T − i",
        (Input("T", "board", ground.thickness), Input("i", "in the board", deep)),
        "What stays between the screw's point and the wall side.",
        fine=True,
    )
    force = ground.pulled.force
    yield Figure(
        "bent.stress",
        "Bending stress",
        f"{stress(float(bent.bar), float(stands_out(bent)), force):.0f} MPa",
        "32 · F · a / (π · s³)",
        (
            force_input(ground.pulled),
            Input("a", "stands out", stands_out(bent)),
            Input("s", "bar", bent.bar),
        ),
        f"A rule of thumb: mild steel may bear {ALLOWED} MPa, half of where it yields.",
    )
    yield plate_figure(plate(bent, ground), ground.pulled)
