"""A lag screw as a hook: screwed in until its head stands off the board, which keeps a loop from sliding off.

As a cantilever its greatest stress is 32 F a / (pi d^3) at the face, with F at a distance a from it.
"""

from collections.abc import Iterator
from math import ceil, pi
from typing import Literal, get_args

from yardcliff.core.choices import Field, Option, Section
from yardcliff.core.exact import Fraction
from yardcliff.core.findings import Finding, Fix
from yardcliff.core.holders.fitting import Fitting, Ground, half, pilots
from yardcliff.core.holders.hook import BACK, EDGE, END_DIAMETERS
from yardcliff.core.length import Size, exact_text, read
from yardcliff.core.materials import Ware
from yardcliff.core.model import Frozen
from yardcliff.core.rack import Bore, Glyph
from yardcliff.core.strength import GRAVITY, TUG
from yardcliff.core.working import Figure, Input
from yardcliff.data import values

LagSize = Literal["6 mm", "8 mm", "10 mm", "1/4 in", "3/8 in"]
HOLD = 4
"""Least in the wood, in diameters, to take a tug: rule of thumb."""
ALLOWED = 120
"""What mild steel may bear, MPa: half of where it yields."""
ZERO = Fraction(0)


class Bolt(Frozen):
    """`size` names its diameter; `length` is under the head, of which so much is `showing`."""

    kind: Literal["bolt"] = "bolt"
    size: LagSize = "8 mm"
    length: Size = Fraction(80)
    showing: Size = Fraction(45)


def measures(bolt: Bolt) -> dict[str, Fraction]:
    """Diameter, across flats, head and pilots of a lag screw, mm (data/lags.toml)."""
    return {name: read(text) for name, text in values("lags", bolt.size).items()}


def stress(bolt: Bolt, load_g: int) -> float:
    """The bending stress at the face of a bolt that is loaded under its head, MPa."""
    return 32 * load_g / 1000 * GRAVITY * TUG * float(bolt.showing) / (pi * float(measures(bolt)["diameter"]) ** 3)


def fit(bolt: Bolt, ground: Ground) -> Fitting:
    """Fit lag bolts to a board; findings carry (0, 0), the bolt's axis."""
    known = measures(bolt)
    across, bit, deep = known["across"], known[ground.wood], bolt.length - bolt.showing
    return Fitting(
        name="lag bolts",
        reach=half(across),
        glyph=Glyph("bolt", across, across, (), ZERO, bolt.showing + known["head"]),
        bores=(Bore("pilot hole", ZERO, bit, max(deep, ZERO), 0),),
        end_distance=max(known["diameter"] * END_DIAMETERS, across / 2),
        end_why=f"{END_DIAMETERS} diameters from the end, so that it does not split",
        hang_drop=ZERO,
        figures=tuple(_figures(bolt, ground)),
        findings=tuple(_findings(bolt, ground)),
        machining=(pilots(ground, 1, bit, max(deep, ZERO), "Turn each in with a spanner, against a block as thick as it shows.",
                          (Ware("lag", f"{bolt.size} × {exact_text(bolt.length)} lag screw", 1),)),),
        cautions=("A spanner that slips takes the knuckles along: pull it towards you, and wax the thread.",),
    )  # fmt: skip


def _figures(bolt: Bolt, ground: Ground) -> Iterator[Figure]:
    known, deep = measures(bolt), bolt.length - bolt.showing
    d = Input("d", "bolt", known["diameter"])
    length, showing = Input("l", "under the head", bolt.length), Input("o", "showing", bolt.showing)
    yield Figure("bolt.pilot", "Pilot bit", known[ground.wood], f"bit for a {bolt.size} lag screw in {ground.wood}",
                 (d, Input("w", "wood", ground.wood)), "About 70 % of it in softwood, 78 % in hardwood.", fine=True)  # fmt: skip
    yield Figure("bolt.deep", "In the board", deep, "l − o", (length, showing), "As deep as the pilot hole.", fine=True)
    yield Figure("bolt.back", "Left behind it", ground.thickness - deep, "T − i",
                 (Input("T", "board", ground.thickness), Input("i", "in the board", deep)),
                 "What stays between the point and the wall side.", fine=True)  # fmt: skip
    yield Figure(
        "bolt.stress", "Bending stress", f"{stress(bolt, ground.load_g):.0f} MPa", "32 · F · a / (π · d³)",
        (Input("F", f"load, tugged {TUG} times its weight", f"{ground.load_g / 1000 * GRAVITY * TUG:.1f} N"),
         Input("a", "under its head", bolt.showing), d),
        f"A rule of thumb: mild steel may bear {ALLOWED} MPa, half of where it yields.",
    )  # fmt: skip


def _findings(bolt: Bolt, ground: Ground) -> Iterator[Finding]:
    known, deep = measures(bolt), bolt.length - bolt.showing
    least = HOLD * known["diameter"]
    if deep < least:
        longer = exact_text(Fraction(ceil(bolt.showing + least)))
        yield Finding(
            "bolt.shallow", "Bolt", "So little of it in the wood does not hold a tug.", "in the board", deep, least,
            fixes=(Fix(f"{longer} bolts", {"holder": {"length": longer}}),),
        )  # fmt: skip
    if ground.thickness - deep < BACK:
        thick = exact_text(Fraction(ceil(max(deep, least) + BACK)))
        yield Finding(
            "bolt.through", "Bolt", "It comes too near the board's back.", "wood behind the point", ground.thickness - deep, BACK,
            fixes=(Fix(f"Board {thick} thick", {"board": {"thickness": thick}}),),
        )  # fmt: skip
    edge = min(ground.line, ground.height - ground.line) - known["across"] / 2
    if edge < EDGE:
        wide = exact_text(known["across"] + 2 * EDGE)
        yield Finding(
            "board.narrow", "Board", "The head stands out over the board's edge.", "wood beside the head", edge, EDGE,
            fixes=(Fix(f"Board {wide} wide", {"board": {"height": wide}, "line": None}),),
        )  # fmt: skip
    found = stress(bolt, ground.load_g)
    if found > ALLOWED:
        short = exact_text(Fraction(int(float(bolt.showing) * ALLOWED / found)))
        thicker = next(
            (
                size
                for size in get_args(LagSize)
                if stress(bolt.model_copy(update={"size": size}), ground.load_g) <= ALLOWED
            ),
            None,
        )
        yield Finding(
            "bolt.strength", "Bolt", "With a tug on what hangs there the bolt bends.", "bending stress",
            f"{found:.0f} MPa", f"{ALLOWED} MPa",
            fixes=(
                *((Fix(f"{short} showing", {"holder": {"showing": short}}),) if short != "0 mm" else ()),
                *((Fix(f"{thicker} bolts", {"holder": {"size": thicker}}),) if thicker else ()),
            ),
        )  # fmt: skip


def choices() -> Section:
    """What lag bolts alone are asked."""
    sizes = tuple(Option(size, size) for size in get_args(LagSize))
    fields = (Field("holder.size", "bolt", sizes), Field("holder.length", "long"), Field("holder.showing", "showing"))
    return Section("Lag bolts", fields, ("bolt.pilot", "bolt.deep", "bolt.back", "bolt.stress"))
