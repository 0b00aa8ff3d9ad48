"""A bought hook, held by screws through its plate or by its own threaded shank."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from math import inf
from typing import Annotated, Any, Literal, get_args

from pydantic import Field

from yardcliff.core.base.model import Frozen
from yardcliff.core.brief.choices import Field as Asked
from yardcliff.core.brief.choices import Section
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input
from yardcliff.core.holders.fitting import Fitting, Ground, half, pilots, upright
from yardcliff.core.materials.goods import SOLD, Goods, Take, Ware, Wood, screws
from yardcliff.core.rack import Bore, Glyph, Putting
from yardcliff.core.shapes.geometry import Path, circle, cross, rectangle, rounded
from yardcliff.core.shapes.scene import Stroke
from yardcliff.core.strength.force import Pulled, newtons
from yardcliff.core.strength.link import Link, percent, weakest
from yardcliff.core.strength.plate import Plate
from yardcliff.core.strength.stick import levers
from yardcliff.core.strength.wood import embedding, thread, withdrawal
from yardcliff.core.things.item import Weight
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, exact_text, read
from yardcliff.data import table

Gauge = Literal["3.0", "3.5", "4.0", "4.5", "5.0", "6.0"]
BACK = Fraction(2)
"""Wood that stays between a screw's point and the board's back."""
EDGE = Fraction(4)
"""Least wood between the plate and the board's long edges."""
END_DIAMETERS = 5
"""End distance of a pre-drilled screw, in diameters: the usual rule for softwood."""

PLATE = 3.0
"""How thick a plate is drawn, mm."""
JERK = 2
"""What is sold to carry so much stands that many times as much for a moment: cautious."""
THICKER = tuple(map(Fraction, (28, 35, 45)))
"""Boards to go over to where a screw has too little wood, mm: planed sizes."""


class Hook(Frozen):
    """Sizes as bought. `throat` is how far below its axis a loop comes to rest; `carries` what it
    may carry by its packet.
    """

    kind: Literal["hook"] = "hook"
    plate_width: Size = Fraction(30)
    plate_height: Size = Fraction(110)
    plate_thickness: Gap = Fraction(3)
    fastening: Literal["screws", "shank"] = "screws"
    screws: Annotated[int, Field(ge=1, le=3)] = 2
    screw_spacing: Gap = Fraction(86)
    gauge: Gauge = "5.0"
    screw_length: Size = Fraction(20)
    projection: Size = Fraction(60)
    throat: Gap = Fraction(12)
    carries: Weight | None = None


def sizes(key: str) -> dict[str, Any]:
    """What a holder of the table is, as a brief says it. Raises `StopIteration` for no row."""
    row = next(row for row in table("holders") if row["key"] == key)
    return {name: value for name, value in row.items() if name not in ("key", "name")}


def plate(hook: Hook, ground: Ground) -> Plate:
    """The hook's plate and its screws, as they hold."""
    spread = min(hook.screw_spacing, hook.plate_height) if hook.screws > 1 else Fraction(0)
    return Plate(
        ground.wood,
        float(hook.plate_height),
        hook.screws,
        float(spread),
        float(hook.gauge),
        float(hook.screw_length),
        held(hook, ground),
        float(hook.projection),
        float(hook.throat),
    )


def held(hook: Hook, ground: Ground) -> float:
    """How much of the screw is in the board, and not beyond it, mm."""
    return float(max(min(in_wood(hook), ground.thickness), Fraction(0)))


def links(hook: Hook, ground: Ground) -> Iterator[Link]:
    """What may give way: the hook by its packet, its screws in the board."""
    force = ground.pulled.force
    if hook.carries is not None:
        bears = max(ground.pulled.weight, force / JERK)
        yield Link(
            "hook",
            "hook, by its packet",
            bears / newtons(hook.carries) if hook.carries else inf,
            "hook.rated",
        )
    if hook.fastening == "screws":
        yield Link("screw", "hook's screws", plate(hook, ground).share(force), "hook.share")
        return
    gauge, deep = float(hook.gauge), held(hook, ground)
    may_pull = withdrawal(ground.wood, gauge, thread(float(hook.screw_length), deep, gauge))
    drawn = force / may_pull if may_pull else inf if force else 0.0
    yield Link(
        "screw",
        "hook's thread",
        max(drawn, levers(ground.wood, gauge, float(hook.projection), deep, force)),
        "hook.share",
    )


def pilot_bit(gauge: Gauge, wood: Wood) -> Fraction:
    """The pilot bit for a screw of `gauge` in `wood`, mm (data/screws.toml)."""
    return read(next(row for row in table("screws") if row["gauge"] == gauge)[wood])


def clearance(gauge: Gauge) -> Fraction:
    """The hole that lets a screw of `gauge` pass, mm (data/screws.toml)."""
    return read(next(row for row in table("screws") if row["gauge"] == gauge)["clear"])


def in_wood(hook: Hook) -> Fraction:
    """How much of the screw is in the board, mm."""
    return hook.screw_length - hook.plate_thickness


def screw_offsets(hook: Hook) -> tuple[Fraction, ...]:
    """Heights of the screws about the hook's axis, top first."""
    if hook.screws == 1:
        return (Fraction(0),)
    step = hook.screw_spacing / (hook.screws - 1)
    return tuple(hook.screw_spacing / 2 - i * step for i in range(hook.screws))


@dataclass(frozen=True, slots=True)
class HookGlyph(Glyph):
    """A plate on the face, held by its screws, and an arm that comes out of it."""

    called = "hook"
    rest = Fraction(82, 100)
    stem = 0.34
    putting = Putting(
        "Screw the hooks on",
        "All face the same way; the first turn by hand.",
        "Steel breaks in hardwood: drive a steel screw first, then the brass one.",
    )

    def front(self, bores: Sequence[Bore]) -> tuple[Stroke, ...]:
        width, height, tip = float(self.width), float(self.height), float(self.tip)
        arm = width * self.stem
        return (
            Stroke("plate", rectangle(-width / 2, -height / 2, width, height, width * 0.32)),
            *(Stroke("screw", circle(0, float(dy), width * 0.11)) for dy in self.screws),
            Stroke("holder", rectangle(-arm / 2, tip - arm, arm, abs(tip) + arm * 1.6, arm / 2)),
            Stroke("holder", circle(0, tip - arm * 0.3, arm * 0.8)),
            Stroke("mark", cross(0, 0, width * 0.2)),
        )

    def beside(self, bores: Sequence[Bore], outline: Path | None) -> Iterator[Stroke]:
        if outline:
            yield Stroke("holder", outline)
            return
        out, tall, low = float(self.out), float(self.height), float(self.tip)
        thick = min(float(self.width) * 0.3, 5.0)
        yield Stroke("plate", rectangle(0, -tall / 2, PLATE, tall))
        arm: Path = (
            ("M", (PLATE, low + thick * 2)),
            (
                "C",
                (out * 0.5, low + thick, out - thick, low - thick, out - thick, low + tall * 0.25),
            ),
            ("L", (out, low + tall * 0.25)),
            ("C", (out, low - thick * 2.4, out * 0.5, low - thick, PLATE, low)),
            ("Z", ()),
        )
        yield Stroke("holder", arm)


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


def strongest(hook: Hook, ground: Ground) -> float:
    """The share of its weakest link on that ground."""
    return max(link.share for link in links(hook, ground))


def _weak(hook: Hook, ground: Ground) -> Iterator[Finding]:
    found = weakest(links(hook, ground))
    if found and found.share > 1:
        yield too_weak(found, ground, tuple(_stronger(hook, ground)))


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


def _stronger(hook: Hook, ground: Ground) -> Iterator[Fix]:
    """Changes that hold, tried: longer or thicker screws, a harder or a thicker board, a stronger
    hook; the last on the strongest board.
    """
    if hook.fastening == "screws":
        for screwed in _screwed(hook, ground.thickness):
            if strongest(screwed, ground) <= 1:
                yield Fix(
                    f"Screws {screwed.gauge} × {exact_text(screwed.screw_length)}",
                    {"holder": _screws(screwed)},
                )
                break
    hard = replace(ground, wood="hardwood")
    if ground.wood != "hardwood" and strongest(hook, hard) <= 1:
        yield Fix("A hardwood board", {"board": {"wood": "hardwood"}})
    for key in (row["key"] for row in table("holders") if row["kind"] == "hook"):
        other = Hook.model_validate(sizes(key), context={"exact": True})
        if (
            other.plate_height >= hook.plate_height
            and _fits(other, ground)
            and strongest(other, ground) <= 1
        ):
            yield Fix(
                next(row["name"] for row in table("holders") if row["key"] == key),
                {"holder": sizes(key) | {"carries": None}},
            )
            break
    for thick in THICKER:
        held = [
            each
            for each in _screwed(hook, thick)
            if thick > ground.thickness and strongest(each, ground) <= 1
        ]
        if hook.fastening == "screws" and held:
            change = {"holder": _screws(held[0]), "board": {"thickness": exact_text(thick)}}
            yield Fix(
                f"Board {exact_text(thick)} thick, screws {held[0].gauge} ×"
                f" {exact_text(held[0].screw_length)}",
                change,
            )
            break


def _screws(hook: Hook) -> dict[str, str]:
    return {"gauge": hook.gauge, "screw_length": exact_text(hook.screw_length)}


def _screwed(hook: Hook, thick: Fraction) -> Iterator[Hook]:
    """The hook on the longest screws that such a board takes, thicker and thicker."""
    longest = max(
        (Fraction(each) for each in SOLD if each <= thick - BACK + hook.plate_thickness),
        default=Fraction(0),
    )
    for gauge in get_args(Gauge):
        if Fraction(gauge) >= Fraction(hook.gauge) and longest >= hook.screw_length:
            yield hook.changed({"gauge": gauge, "screw_length": longest})


def _fits(hook: Hook, ground: Ground) -> bool:
    return (
        min(ground.line, ground.height - ground.line) - hook.plate_height / 2 >= EDGE
        and ground.thickness - in_wood(hook) >= BACK
    )


def choices(hook: Hook) -> Section:
    """What bought hooks are asked beyond their sizes."""
    figures = ("hook.pull", "hook.share") if hook.fastening == "screws" else ("hook.share",)
    return Section(
        "Strength",
        (Asked("holder.carries", "packet says, g", figure="hook.packet"),),
        (*figures, *(("hook.rated",) if hook.carries is not None else ())),
    )
