"""A bought hook, held by screws through its plate or by its own threaded shank."""

from typing import Annotated, Literal

from pydantic import Field

from yardcliff.core.exact import Fraction
from yardcliff.core.findings import Finding, Fix
from yardcliff.core.holders.fitting import Fitting, Ground, half, pilots
from yardcliff.core.length import Gap, Size, exact_text, read
from yardcliff.core.materials import Take, Ware, Wood, screws
from yardcliff.core.model import Frozen
from yardcliff.core.rack import Bore, Glyph
from yardcliff.core.working import Figure, Input
from yardcliff.data import table

Gauge = Literal["3.0", "3.5", "4.0", "4.5", "5.0"]
BACK = Fraction(2)
"""Wood that stays between a screw's point and the board's back."""
EDGE = Fraction(4)
"""Least wood between the plate and the board's long edges."""
END_DIAMETERS = 5
"""End distance of a pre-drilled screw, in diameters: the usual rule for softwood."""


class Hook(Frozen):
    """Sizes as bought. `throat` is how far below its axis a loop comes to rest."""

    kind: Literal["hook"] = "hook"
    plate_width: Size = Fraction(30)
    plate_height: Size = Fraction(80)
    plate_thickness: Gap = Fraction(3)
    fastening: Literal["screws", "shank"] = "screws"
    screws: Annotated[int, Field(ge=1, le=3)] = 2
    screw_spacing: Gap = Fraction(56)
    gauge: Gauge = "4.0"
    screw_length: Size = Fraction(20)
    projection: Size = Fraction(60)
    throat: Gap = Fraction(12)


def pilot_bit(gauge: Gauge, wood: Wood) -> Fraction:
    """The pilot bit for a screw of `gauge` in `wood`, mm (data/screws.toml)."""
    return read(next(row for row in table("screws") if row["gauge"] == gauge)[wood])


def in_wood(hook: Hook) -> Fraction:
    """How much of the screw is in the board, mm."""
    return hook.screw_length - hook.plate_thickness


def screw_offsets(hook: Hook) -> tuple[Fraction, ...]:
    """Heights of the screws about the hook's axis, top first."""
    if hook.screws == 1:
        return (Fraction(0),)
    step = hook.screw_spacing / (hook.screws - 1)
    return tuple(hook.screw_spacing / 2 - i * step for i in range(hook.screws))


def fit(hook: Hook, ground: Ground) -> Fitting:
    """Fit a hook to a board; findings carry (0, 0), the hook's own axis."""
    bit, deep = pilot_bit(hook.gauge, ground.wood), in_wood(hook)
    offsets = screw_offsets(hook)
    diameter = Fraction(hook.gauge)
    thread = "shank" if hook.fastening == "shank" else "screw"
    return Fitting(
        name="hooks",
        reach=half(hook.plate_width),
        glyph=Glyph("hook", hook.plate_width, hook.plate_height, offsets, -hook.throat, hook.projection),
        bores=tuple(Bore("pilot hole", dy, bit, deep, 0) for dy in offsets),
        end_distance=max(diameter * END_DIAMETERS, hook.plate_width / 2),
        end_why=f"{END_DIAMETERS} {thread} diameters from the end, so that it does not split",
        hang_drop=hook.throat,
        figures=_figures(hook, ground, bit, deep, thread),
        findings=tuple(_findings(hook, ground, thread)),
        machining=(pilots(ground, len(offsets), bit, deep, "Fit the hooks after the finish is dry.", _takes(hook)),),
        cautions=("Drill into scrap, never towards a hand; wear eye protection.",),
    )


def _takes(hook: Hook) -> tuple[Take, ...]:
    """The hook by how far it stands out, and its screws; one with a shank is its own."""
    if hook.fastening == "shank":
        return (Ware("hook", f"cup hook, {exact_text(hook.projection)}", 1),)
    return Ware("hook", f"hook, {exact_text(hook.projection)}", 1), screws(hook.gauge, hook.screw_length, hook.screws)


def _figures(hook: Hook, ground: Ground, bit: Fraction, deep: Fraction, thread: str) -> tuple[Figure, ...]:
    return (
        Figure(
            "hook.pilot",
            "Pilot bit",
            bit,
            f"bit for a {hook.gauge} mm {thread} in {ground.wood}",
            (Input("g", thread, Fraction(hook.gauge)), Input("w", "wood", ground.wood)),
            "Big enough not to split, small enough for the thread to bite: about 65 % in softwood, 75 % in hardwood.",
            fine=True,
        ),
        Figure(
            "hook.deep",
            "Pilot depth",
            deep,
            "length − plate",
            (Input("l", thread, hook.screw_length), Input("k", "plate", hook.plate_thickness)),
            f"The {thread} goes this far into the board.",
            fine=True,
        ),
        Figure(
            "hook.back",
            "Left behind it",
            ground.thickness - deep,
            "T − (length − plate)",
            (Input("T", "board", ground.thickness), Input("i", "in the board", deep)),
            "What stays between the point and the wall side.",
            fine=True,
        ),
    )


def _findings(hook: Hook, ground: Ground, thread: str) -> list[Finding]:
    found = []
    deep = in_wood(hook)
    back = ground.thickness - deep
    if back < BACK:
        longest = (ground.thickness - BACK + hook.plate_thickness) * 2 // 1 / Fraction(2)
        thicker = Fix(f"Board {exact_text(deep + BACK)} thick", {"board": {"thickness": exact_text(deep + BACK)}})
        shorter = Fix(f"{exact_text(longest)} {thread}s", {"holder": {"screw_length": exact_text(longest)}})
        found.append(
            Finding(
                "hook.through",
                "Hook",
                f"The {thread} comes too near the board's back.",
                "wood behind the point",
                back,
                BACK,
                fixes=(shorter, thicker) if longest > hook.plate_thickness else (thicker,),
            )
        )
    least = 2 * Fraction(hook.gauge)
    if deep < least:
        longer = least + hook.plate_thickness
        found.append(
            Finding(
                "hook.shallow",
                "Hook",
                f"So little of the {thread} in the wood will not hold a tug.",
                "in the board",
                deep,
                least,
                fixes=(Fix(f"{exact_text(longer)} {thread}s", {"holder": {"screw_length": exact_text(longer)}}),),
            )
        )
    edge = min(ground.line, ground.height - ground.line) - hook.plate_height / 2
    if edge < EDGE:
        wide = hook.plate_height + 2 * EDGE
        found.append(
            Finding(
                "board.narrow",
                "Board",
                "The hook's plate does not fit the board's width.",
                "wood beside the plate",
                edge,
                EDGE,
                fixes=(Fix(f"Board {exact_text(wide)} wide", {"board": {"height": exact_text(wide)}, "line": None}),),
            )
        )
    return found
