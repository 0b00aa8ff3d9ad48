"""Whether a peg carries what hangs on it: a rule of thumb.

With a tug and a safety factor: as a cantilever its greatest stress is 32 F a / (pi d^3), with F at a distance a from the face (Wood Handbook,
FPL-GTR-282, chapter 9); the wood's modulus of rupture over the safety factor is what it may bear.
"""

from collections.abc import Iterator
from math import cbrt, ceil, pi

from yardcliff.core.exact import Fraction
from yardcliff.core.findings import Finding, Fix
from yardcliff.core.length import exact_text
from yardcliff.core.strength import GRAVITY, SAFETY, TUG
from yardcliff.core.working import Figure, Input
from yardcliff.data import values


def stress(diameter: Fraction, out: Fraction, load_g: int, arms: int = 1) -> float:
    """The bending stress at the face of a peg that is loaded at its tip, MPa."""
    force = load_g / 1000 * GRAVITY * TUG / arms
    return 32 * force * float(out) / (pi * float(diameter) ** 3)


def allowed() -> float:
    """What a dowel may bear, MPa."""
    return float(values("species", "dowel")["rupture_mpa"]) / SAFETY


def stress_figure(diameter: Fraction, out: Fraction, load_g: int, arms: int = 1) -> Figure:
    """The stress with its working."""
    force = load_g / 1000 * GRAVITY * TUG / arms
    return Figure(
        "peg.stress",
        "Bending stress",
        f"{stress(diameter, out, load_g, arms):.1f} MPa",
        "32 · F · a / (π · d³)",
        (
            Input("F", f"load, tugged {TUG} times its weight", f"{force:.1f} N"),
            Input("a", "at the tip", out),
            Input("d", "dowel", diameter),
        ),
        f"A rule of thumb: a hardwood dowel may bear {allowed():.0f} MPa, a {SAFETY}th of what breaks it.",
    )


def stress_findings(path: str, diameter: Fraction, out: Fraction, load_g: int, arms: int) -> Iterator[Finding]:
    """Whether it is too much; `path` is where the brief keeps the dowel's `diameter`."""
    found, limit = stress(diameter, out, load_g, arms), allowed()
    if found <= limit:
        return
    # Up to the next even millimetre, and past the rounding of the figure.
    thick = exact_text(Fraction(2 * ceil(float(diameter) * cbrt(found / limit) / 2)))
    yield Finding(
        "peg.strength",
        "Peg",
        "With a tug on what hangs there the dowel may break at the face: thicker, or shorter.",
        "bending stress",
        f"{found:.1f} MPa",
        f"{limit:.0f} MPa",
        fixes=(Fix(f"{thick} dowels", {path: {"diameter": thick}}),),
    )
