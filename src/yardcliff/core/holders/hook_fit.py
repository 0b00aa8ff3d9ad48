"""Hooks fitted to their board: figures, findings, and what would hold more."""

from collections.abc import Iterator

from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input
from yardcliff.core.holders.fitting import Fitting, Ground, half, pilots, upright
from yardcliff.core.holders.hook import (
    BACK,
    EDGE,
    END_DIAMETERS,
    THICKER,
    Hook,
    HookGlyph,
    held,
    in_wood,
    links,
    pilot_bit,
    plate,
    screw_offsets,
    sizes,
)
from yardcliff.core.holders.hook_stronger import stronger, strongest
from yardcliff.core.materials.goods import Goods, Take, Ware, screws
from yardcliff.core.rack import Bore
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.strength.force import Pulled, newtons
from yardcliff.core.strength.link import Link, percent, weakest
from yardcliff.core.strength.plate import Plate
from yardcliff.core.strength.wood import embedding, thread, withdrawal
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text


def fit(hook: Hook, ground: Ground) -> Fitting:
    """Fit a hook to a board; findings carry (0, 0), the hook's own axis."""
    bit, deep = pilot_bit(hook.gauge, ground.wood), in_wood(hook)
    offsets = screw_offsets(hook)
    diameter = Fraction(hook.gauge)
    name = "shank" if hook.fastening == "shank" else "screw"
    return Fitting(
        name="hooks",
        reach=half(hook.plate_width),
        glyph=HookGlyph(
            hook.plate_width, hook.plate_height, -hook.throat, hook.projection, offsets
        ),
        bores=tuple(Bore("pilot hole", dy, bit, deep, 0) for dy in offsets),
        end_distance=max(diameter * END_DIAMETERS, hook.plate_width / 2),
        end_why=f"{END_DIAMETERS} {name} diameters from the end, so that it does not split",
        hang_drop=hook.throat,
        figures=(*_figures(hook, ground, bit, deep, name), *_strength(hook, ground)),
        findings=(*_findings(hook, ground, name), *_weak(hook, ground)),
        machining=(
            pilots(
                ground,
                upright(offsets),
                bit,
                deep,
                "Fit the hooks after the finish is dry.",
                _takes(hook),
            ),
        ),
        cautions=("Drill into scrap, never towards a hand; wear eye protection.",),
        links=tuple(links(hook, ground)),
    )


def _takes(hook: Hook) -> tuple[Take, ...]:
    """The hook by how far it stands out, and its screws; one with a shank is its own."""
    if hook.fastening == "shank":
        return (Ware(Goods.CUP_HOOK, 1, (exact_text(hook.projection),)),)
    return Ware(Goods.HOOK, 1, (exact_text(hook.projection),)), screws(
        hook.gauge, hook.screw_length, hook.screws
    )


def _figures(
    hook: Hook, ground: Ground, bit: Fraction, deep: Fraction, thread: str
) -> tuple[Figure, ...]:
    return (
        Figure(
            "hook.pilot",
            "Pilot bit",
            bit,
            f"bit for a {hook.gauge} mm {thread} in {ground.wood}",
            (Input("g", thread, Fraction(hook.gauge)), Input("w", "wood", ground.wood)),
            "Big enough not to split, small enough for the thread to bite: in softwood less than"
            " the thread's core, in hardwood about as much.",
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
        thicker = Fix(
            f"Board {exact_text(deep + BACK)} thick",
            {"board": {"thickness": exact_text(deep + BACK)}},
        )
        shorter = Fix(
            f"{exact_text(longest)} {thread}s", {"holder": {"screw_length": exact_text(longest)}}
        )
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
                fixes=(
                    Fix(
                        f"{exact_text(longer)} {thread}s",
                        {"holder": {"screw_length": exact_text(longer)}},
                    ),
                ),
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
                fixes=(
                    Fix(
                        f"Board {exact_text(wide)} wide",
                        {"board": {"height": exact_text(wide)}, "line": None},
                    ),
                ),
            )
        )
    return found


def _strength(hook: Hook, ground: Ground) -> Iterator[Figure]:
    """The working of its weakest link."""
    force, pulled = ground.pulled.force, force_input(ground.pulled)
    out = Input("a", "stands out", hook.projection)
    if hook.fastening == "shank":
        gauge, deep = float(hook.gauge), held(hook, ground)
        may = withdrawal(ground.wood, gauge, thread(float(hook.screw_length), deep, gauge))
        inputs = (
            pulled,
            Input("P", "may be pulled", f"{may:.1f} N"),
            out,
            Input("d", "thread", Fraction(hook.gauge)),
            Input("e", "in the board", rounded(deep)),
            Input("s", "its hole may bear", f"{embedding(ground.wood, gauge):.2f} MPa"),
        )
        yield Figure(
            "hook.share",
            "Its thread bears",
            percent(strongest(hook, ground)),
            LEVERED,
            inputs,
            RATED,
        )
    else:
        on = plate(hook, ground)
        yield Figure(
            "hook.pull",
            "Pull on its upper screw",
            f"{on.pull(force):.0f} N",
            "F · a / h",
            (pulled, out, Input("h", "upper screw above the plate's foot", rounded(on.lever))),
            "What hangs turns the plate about its foot, and the upper screw holds it.",
        )
        yield plate_figure(on, ground.pulled)
    said = f"{hook.carries / 1000:g} kg" if hook.carries is not None else "not said"
    yield Figure(
        "hook.packet",
        "Its packet says",
        said,
        "given",
        (),
        "What it may carry by its packet, where that says so.",
    )
    if hook.carries is not None:
        yield Figure(
            "hook.rated",
            "By its packet",
            percent(next(links(hook, ground)).share),
            "max(W, F / 2) / R",
            (
                Input("W", "weight", f"{ground.pulled.weight:.1f} N"),
                pulled,
                Input("R", "packet", f"{newtons(hook.carries):.1f} N"),
            ),
            "What is sold to carry so much stands twice that for a moment.",
        )


LEVERED = "max(F / P, (6 · F · (a + e/2) / (d · e²) + F / (d · e)) / s)"
"""Pulled straight out, or levered in its hole."""


RATED = (
    "Of what it may: a fifth of what draws its thread from the lightest wood of its name (Wood"
    " Handbook). A rule of thumb, and no proof."
)


def force_input(pulled: Pulled) -> Input:
    """With what a hand pulls, and why."""
    return Input("F", pulled.says, f"{pulled.force:.1f} N")


def plate_figure(on: Plate, pulled: Pulled) -> Figure:
    """What the screws of a plate bear of what they may."""
    return Figure(
        "hook.share",
        "Its screws bear",
        percent(on.share(pulled.force)),
        "max(F · a / h / P + F / n / Q, F · u / P)",
        (
            force_input(pulled),
            Input("a", "stands out", rounded(on.out)),
            Input("h", "upper screw above the plate's foot", rounded(on.lever)),
            Input("n", "screws", str(on.count)),
            Input("P", "may be pulled", f"{on.may_pull:.1f} N"),
            Input("Q", "may bear across", f"{on.may_shear:.1f} N"),
            Input("u", "of a pull straight out, the lower one", f"{on.outward:.3f}"),
        ),
        RATED,
    )


def _weak(hook: Hook, ground: Ground) -> Iterator[Finding]:
    found = weakest(links(hook, ground))
    if found and found.share > 1:
        yield too_weak(found, ground, tuple(stronger(hook, ground)))


def too_weak(link: Link, ground: Ground, fixes: tuple[Fix, ...]) -> Finding:
    """That a link of a hook bears too much, and what to do where no change of it helps."""
    beyond = (
        ""
        if fixes
        else (
            " No hook here holds that: share it between several, or hang it from an eye bolt in a"
            " stud or a joist."
        )
    )
    said = (
        f"With {ground.pulled.force:.0f} N ({ground.pulled.says}) the {link.name} bears more than"
        f" it may.{beyond}"
    )
    bolts = {"holder": sizes("lag-8"), "board": {"thickness": exact_text(THICKER[-1])}}
    last = (Fix(f"Lag bolts, in a board of {exact_text(THICKER[-1])}", bolts),)
    return Finding(
        "hook.strength",
        "Hook",
        said,
        "of what it may bear",
        percent(link.share),
        "100%",
        fixes=fixes or last,
    )
