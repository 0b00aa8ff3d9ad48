"""A hook bent from round bar in the shop: a back leg on the board, an arm out, a lip up.

Blank = straight legs + sum of angle (rad) * (inside radius + k * bar), with k = 0.5 for round bar: the line that
neither stretches nor shrinks runs through its middle.
"""

from collections.abc import Iterator
from math import floor, pi
from typing import Literal

from yardcliff.core.choices import Field, Section
from yardcliff.core.exact import Fraction
from yardcliff.core.findings import Finding, Fix
from yardcliff.core.geometry import ROUND, Path, rounded
from yardcliff.core.holders.fitting import Fitting, Ground, half, pilots
from yardcliff.core.holders.hook import BACK, EDGE, pilot_bit
from yardcliff.core.length import LONGEST, Gap, Size, exact_text
from yardcliff.core.materials import Blank, screws
from yardcliff.core.model import Frozen
from yardcliff.core.rack import Bore, Glyph, Operation, Outline
from yardcliff.core.working import Figure, Input

NEUTRAL = Fraction(1, 2)
"""k of the bend formula, for round bar."""
BENDS = 2
CLEARANCE = Fraction(9, 2)
"""What a 4 mm screw passes through, mm."""


class Bent(Frozen):
    """`radius` is inside the bends; `back`, `arm` and `lip` are the straight legs, `rod` and `kerf` what it is cut from."""

    kind: Literal["bent"] = "bent"
    bar: Size = Fraction(8)
    radius: Size = Fraction(12)
    back: Size = Fraction(70)
    arm: Size = Fraction(40)
    lip: Size = Fraction(20)
    rod: Size = Fraction(1000)
    kerf: Gap = Fraction(1)
    screw_length: Size = Fraction(25)


def bend(bent: Bent) -> Fraction:
    """What one right-angled bend takes of the bar, mm, to the nanometre."""
    return rounded(pi / 2 * float(bent.radius + NEUTRAL * bent.bar))


def blank(bent: Bent) -> Fraction:
    """The bar that one hook takes, mm."""
    return bent.back + bent.arm + bent.lip + BENDS * bend(bent)


def blanks(bent: Bent) -> int:
    """How many hooks a rod gives: each cut takes its kerf."""
    return floor((bent.rod + bent.kerf) / (blank(bent) + bent.kerf))


def outline(bent: Bent) -> Path:
    """The hook from the side at true size, in (out of the face, up) about the middle of its back leg, mm."""
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


def fit(bent: Bent, ground: Ground) -> Fitting:
    """Fit a bent hook to a board; findings carry (0, 0), the middle of its back leg."""
    deep = bent.screw_length - bent.bar
    bit = pilot_bit("4.0", ground.wood)
    quarter = bent.back / 4
    drop = bent.back / 2 + bent.radius
    out = 2 * (bent.radius + bent.bar) + bent.arm
    return Fitting(
        name="bent hooks",
        reach=half(bent.bar),
        glyph=Glyph("hook", bent.bar, bent.back, (quarter, -quarter), -drop, out),
        bores=tuple(Bore("pilot hole", up, bit, deep, 0) for up in (quarter, -quarter)),
        end_distance=Fraction(20),
        end_why="five screw diameters from the end, so that it does not split",
        hang_drop=drop,
        figures=tuple(_figures(bent, ground, deep)),
        findings=tuple(_findings(bent, ground, deep)),
        machining=(
            Operation(
                "Blank", 1, "Rod", "across", "cut off", blank(bent), None, 0, None, "a stop block, set once for all",
                "File the ends round before bending, while they are easy to hold.",
                takes=(Blank("Bent hook", "bar", "steel", bent.bar, bent.bar, blank(bent)),),
            ),
            Operation(
                "Bend", BENDS, "Blank", "at the marks", "inside radius", bent.radius, None, 0, None,
                "the outline on the template", "One hook first, held against the outline; then all from one setting.",
                how="90° each, the same way round",
            ),
            Operation(
                "Screw hole", 2, "Back leg", "front", "bit", CLEARANCE, None, 0, None, "through",
                "Punch, flatten a little, then drill on scrap, clamped.",
            ),
            pilots(
                ground, 2, bit, deep, "Through the hook's own holes. Fit the hooks after the finish is dry.",
                (screws("4.0", bent.screw_length, 2),),
            ),
        ),
        cautions=(
            "Bending: clamp the bar low in the vice and pull towards free floor; a bar that slips hits the hand.",
            "Small work turns with the drill: clamp it, and stand clear of the swarf.",
        ),
        outline=Outline(
            "one of the bent hooks", outline(bent), "the board's face", "Hold each hook against it: legs, bends and lip must lie on the line."
        ),
    )  # fmt: skip


def _figures(bent: Bent, ground: Ground, deep: Fraction) -> Iterator[Figure]:
    one = bend(bent)
    legs = (Input("a", "back leg", bent.back), Input("b", "arm", bent.arm), Input("c", "lip", bent.lip))
    taken = Input("u", "each bend takes", one)
    yield Figure(
        "bent.bend",
        "A bend takes",
        one,
        "π/2 · (r + k · s)",
        (Input("r", "inside radius", bent.radius), Input("k", "round bar", NEUTRAL), Input("s", "bar", bent.bar)),
        "Along the middle of the bar, which neither stretches nor shrinks. Bend one and measure: stock varies.",
        fine=True,
    )
    yield Figure(
        "bent.blank", "Blank", blank(bent), "a + b + c + n · u", (*legs, Input("n", "bends", str(BENDS)), taken),
        "Cut each this long.",
    )  # fmt: skip
    yield Figure(
        "bent.first", "First bend starts at", bent.back, "given", (), "From the end of the back leg."
    )  # fmt: skip
    yield Figure(
        "bent.second", "Second bend starts at", bent.back + one + bent.arm, "a + u + b",
        (legs[0], taken, legs[1]), "From the same end, so that no error adds up.",
    )  # fmt: skip
    yield Figure(
        "bent.rod", "Hooks from a rod", str(blanks(bent)), "floor((R + w) / (B + w))",
        (Input("R", "rod", bent.rod), Input("w", "kerf", bent.kerf), Input("B", "blank", blank(bent))),
        "Whole ones. Snips take no kerf, a saw does.",
    )  # fmt: skip
    yield Figure(
        "hook.back", "Left behind it", ground.thickness - deep, "T − i",
        (Input("T", "board", ground.thickness), Input("i", "in the board", deep)),
        "What stays between the screw's point and the wall side.",
        fine=True,
    )  # fmt: skip


def _findings(bent: Bent, ground: Ground, deep: Fraction) -> Iterator[Finding]:
    if bent.radius < bent.bar:
        wide = exact_text(bent.bar)
        yield Finding(
            "bent.tight", "Hook", "A bend tighter than the bar is thick may crack on its outside.", "inside radius",
            bent.radius, bent.bar, fixes=(Fix(f"Bend round {wide}", {"holder": {"radius": wide}}),),
        )  # fmt: skip
    if not blanks(bent):
        usual = Bent()
        legs = {leg: exact_text(getattr(usual, leg)) for leg in ("back", "arm", "lip", "radius", "bar")}
        shorter = Fix("Legs as usual", {"holder": legs | {"rod": exact_text(usual.rod)}})
        longer = exact_text(blank(bent))
        rod = Fix(f"A rod of {longer}", {"holder": {"rod": longer}})
        yield Finding(
            "bent.rod", "Rod", "The rod is shorter than one hook.", "rod", bent.rod, blank(bent),
            fixes=(rod, shorter) if blank(bent) <= LONGEST else (shorter,),
        )  # fmt: skip
    behind = ground.thickness - deep
    if behind < BACK:
        longest = (ground.thickness - BACK + bent.bar) * 2 // 1 / Fraction(2)
        thick = exact_text(deep + BACK)
        thicker = Fix(f"Board {thick} thick", {"board": {"thickness": thick}})
        shorter = Fix(f"{exact_text(longest)} screws", {"holder": {"screw_length": exact_text(longest)}})
        yield Finding(
            "hook.through", "Hook", "The screw comes too near the board's back.", "wood behind the point",
            behind, BACK, fixes=(shorter, thicker) if longest > bent.bar else (thicker,),
        )  # fmt: skip
    if deep < 2 * Fraction(4):
        longer = exact_text(bent.bar + 8)
        yield Finding(
            "hook.shallow", "Hook", "So little of the screw in the wood will not hold a tug.", "in the board",
            deep, Fraction(8), fixes=(Fix(f"{longer} screws", {"holder": {"screw_length": longer}}),),
        )  # fmt: skip
    edge = min(ground.line, ground.height - ground.line) - bent.back / 2
    if edge < EDGE:
        wide = exact_text(bent.back + 2 * EDGE)
        yield Finding(
            "board.narrow", "Board", "The hook's back leg does not fit the board's width.", "wood beside it",
            edge, EDGE, fixes=(Fix(f"Board {wide} wide", {"board": {"height": wide}, "line": None}),),
        )  # fmt: skip


def choices() -> Section:
    """What a bent hook is asked."""
    fields = ("bar", "bar"), ("radius", "radius"), ("back", "back leg"), ("arm", "arm"), ("lip", "lip"), (
        "screw_length", "screw"), ("rod", "rod"), ("kerf", "kerf")  # fmt: skip
    return Section(
        "Bent from bar",
        tuple(Field(f"holder.{name}", label) for name, label in fields),
        ("bent.blank", "bent.first", "bent.second", "bent.rod", "hook.back"),
    )
