"""The panel: planks side by side on battens, or a frame of cross boards on two sides; rows of hooks
or pegs.

No holder stands on a seam between planks. A frame's overall length counts both sides where they
stand beside its cross boards.
"""

from collections.abc import Iterator
from itertools import accumulate, pairwise
from typing import Literal

from yardcliff.core.base.model import Frozen
from yardcliff.core.brief.choices import Field, Option, Section
from yardcliff.core.brief.rack_brief import Board
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input
from yardcliff.core.holders import kit
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.rack import Hold, Joint, Operation, Part, Rack
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import FIXTURE_GAP, RowsBrief, Standing
from yardcliff.core.things.item import Item
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Size, TapeName, exact_text
from yardcliff.core.ways.family import Family, Fitness, Hangs, held_by, in_rows, on_hooks, row_for
from yardcliff.core.ways.held_rows import HeldRows, fit_rows
from yardcliff.core.ways.joinery import CLEARANCE, DOWEL_DEEP, Meet, beside, dowelled, meet, screwed
from yardcliff.core.ways.planking import Plank, Seams, planks
from yardcliff.core.ways.shared import Body, assemble, boards, first_row, ground, stand_rows

LAP = Fraction(15)
"""How far a rear board reaches behind the cross boards above and below its gap, mm."""
ZERO = Fraction(0)
BEHIND_DOWEL = Fraction(3)
"""Wood behind a dowel at least, mm: rule of thumb."""
DOWELLED = (
    "Into the ends of the cross boards, square to them.",
    "Into the sides' edges, by dowel points in the first holes.",
)
"""Of the dowels of a flush frame."""


class Support(Frozen):
    """A batten behind the planks or a side of the frame; sides stand behind the cross boards or
    flush beside them.

    Between sides that stand behind, further boards may close the `gaps`, set back by a board.
    """

    width: Size = Fraction(45)
    thickness: Size = Fraction(21)
    place: Literal["behind", "flush"] = "behind"
    gaps: Literal["open", "boards"] = "open"


class PanelBrief(HeldRows):
    """`board` gives thickness and wood, and the width of a frame's cross boards or of the panel
    about one row.
    """

    family: Literal["panel"] = "panel"
    made: Literal["planks", "frame"] = "planks"
    plank: Plank = Plank()
    support: Support = Support()
    rows: RowsBrief = RowsBrief(count=2)
    board: Board = Board()


def fitting(brief: PanelBrief) -> Fitting:
    """The brief's holder on a plank or a cross board."""
    return fit_rows(brief, ground(brief))


def build(brief: PanelBrief, fitted: Fitting, first: Row) -> Rack:
    """The panel or the frame with its rows."""
    frame = brief.made == "frame"
    least = brief.board.height if frame else fitted.tall + FIXTURE_GAP
    standing = stand_rows(brief, fitted, first, least)
    body = (
        _frame(brief, standing, first, fitted) if frame else _planks(brief, standing, first, fitted)
    )
    return assemble(brief, fitted, standing, least, body)


def _planks(brief: PanelBrief, standing: tuple[Standing, ...], row: Row, fitted: Fitting) -> Body:
    together = brief.changed({"rows": brief.rows.changed({"boards": "one"})})
    (flat,), marked = boards(together, standing, row.length, brief.board.height / 2, "Panel")
    support, widths = brief.support, planks(row.length, brief.plank)
    seams = tuple(accumulate(widths))[:-1]
    panel = Part(
        flat.key,
        flat.name,
        ZERO,
        flat.y,
        support.thickness,
        flat.length,
        flat.height,
        flat.depth,
        flat.wood,
        seams=seams,
        upright=True,
    )
    wide = min(support.width, panel.height / 2)
    inset = min(panel.height / 6, (panel.height - 2 * wide) / 2)
    battens = [
        Part(
            f"batten-{k + 1}",
            f"Batten {k + 1}",
            ZERO,
            y,
            ZERO,
            row.length,
            wide,
            support.thickness,
            panel.wood,
        )
        for k, y in enumerate((panel.y + panel.height - inset - wide, panel.y + inset))
    ]
    joints = tuple(Joint(panel.key, batten.key, Hold.SCREWS, glued=False) for batten in battens)
    edges = (ZERO, *seams, panel.length)
    meets = [
        meet(
            batten,
            panel,
            2,
            {0: (start, end)},
            _bored(brief, standing, fitted, batten.y + batten.height / 2),
        )
        for batten in battens
        for start, end in pairwise(edges)
    ]
    return Body(
        "panel",
        (panel, *battens),
        marked,
        joints,
        _joinery(meets, panel.depth),
        (
            Figure(
                "panel.planks",
                "Planks",
                str(len(widths)),
                "ceil(L / w)",
                (Input("L", "panel", row.length), Input("w", "plank as bought", brief.plank.width)),
                "Side by side; they may move on the battens, so no glue between them.",
            ),
            Figure("panel.ripped", "Each ripped to", widths[-1], *_ripped(brief, row, len(widths))),
        ),
        tuple(Seams.of(row, standing, fitted).on(brief.plank)),
        (
            (
                "Ripping: use the guard and a push stick, and never let go of the piece beside the"
                " fence."
            ),
        ),
    )


def _bored(
    brief: PanelBrief, standing: tuple[Standing, ...], fitted: Fitting, y: Fraction
) -> list[tuple[Fraction, Fraction]]:
    """Where along a level line holders of any row are bored."""
    offs = [(fitted.of(k), one.row, y - (brief.hung - one.down)) for k, one in enumerate(standing)]
    return [span for fit, row, off in offs for span in beside(fit, row, off, off)]


def _ripped(brief: PanelBrief, row: Row, count: int) -> tuple[str, tuple[Input, ...], str]:
    length, n = Input("L", "panel", row.length), Input("n", "planks", str(count))
    if brief.plank.rip == "all":
        return "L / n", (length, n), "All alike: no narrow strip at one end."
    return (
        "L − (n − 1) · w",
        (length, n, Input("w", "plank as bought", brief.plank.width)),
        "Only the last is ripped; the others keep the width they were bought with.",
    )


def _frame(brief: PanelBrief, standing: tuple[Standing, ...], row: Row, fitted: Fitting) -> Body:
    apart = brief.changed({"rows": brief.rows.changed({"boards": "each"})})
    crosses, marked = boards(apart, standing, row.length, brief.board.height / 2, "Cross board")
    support, flush = brief.support, brief.support.place == "flush"
    low, high = min(part.y for part in crosses), max(part.y + part.height for part in crosses)
    off = ZERO if flush else support.thickness
    fronts = tuple(
        Part(
            part.key, part.name, ZERO, part.y, off, part.length, part.height, part.depth, part.wood
        )
        for part in crosses
    )
    wide = support.width if flush else min(support.width, row.length / 2)
    xs = (-wide, row.length) if flush else (ZERO, row.length - wide)
    sides = tuple(
        Part(
            f"side-{k + 1}",
            name,
            x,
            low,
            ZERO,
            wide,
            high - low,
            support.thickness,
            brief.board.wood,
            upright=True,
            up=True,
        )
        for k, (name, x) in enumerate(zip(("Left side", "Right side"), xs, strict=True))
    )
    hold = Hold.DOWELS if flush else Hold.SCREWS
    joints = [Joint(front.key, side.key, hold) for front in fronts for side in sides]
    meets = [meet(front, side, 2) for front in fronts for side in sides]
    rears, gaps = _rears(brief, fronts, wide)
    joints += [
        Joint(rear.key, front.key, Hold.SCREWS, glued=False)
        for rear, pair in zip(rears, gaps, strict=True)
        for front in pair
    ]
    overall = row.length + (2 * wide if flush else 0)
    return Body(
        "panel",
        (*fronts, *sides, *rears),
        marked,
        tuple(joints),
        (
            *(dowelled(meets, DOWELLED) if flush else _joinery(meets, support.thickness)),
            *_closing(brief, rears, gaps, standing, fitted),
        ),
        (
            Figure(
                "overall",
                "Overall length",
                overall,
                "L + 2 · w" if flush else "L",
                (
                    Input("L", "cross boards", row.length),
                    *((Input("w", "side", wide),) if flush else ()),
                ),
                "Both sides count where they stand beside the cross boards; behind them they do"
                " not.",
            ),
            Figure(
                "panel.tall",
                "Sides",
                high - low,
                "given",
                (),
                "From the lowest cross board's edge to the highest's.",
            ),
            *_rear_figure(rears, gaps),
        ),
        tuple(_on_dowels(row, wide, brief) if flush else _on_joints(brief, standing, wide)),
        ("Check both diagonals before the glue sets: equal diagonals, square frame.",),
    )


def _on_dowels(row: Row, wide: Fraction, brief: PanelBrief) -> Iterator[Finding]:
    """Whether the dowels of a flush frame stay in their wood: in from both ends of a cross board,
    and into the sides.
    """
    left = min(row.length - 2 * DOWEL_DEEP, wide - DOWEL_DEEP)
    if left < BEHIND_DOWEL:
        wider = exact_text(DOWEL_DEEP + BEHIND_DOWEL)
        yield Finding(
            "panel.dowel",
            "Sides",
            "The dowels between sides and cross boards leave no wood behind them.",
            "wood behind the dowels",
            left,
            BEHIND_DOWEL,
            fixes=(
                *(
                    (Fix(f"Sides {wider} wide", {"support": {"width": wider}}),)
                    if row.length - 2 * DOWEL_DEEP >= BEHIND_DOWEL
                    else ()
                ),
                Fix("The sides behind the boards, screwed", {"support": {"place": "behind"}}),
            ),
        )


def _rears(
    brief: PanelBrief, fronts: tuple[Part, ...], wide: Fraction
) -> tuple[tuple[Part, ...], list[tuple[Part, Part]]]:
    """The boards behind the gaps, and the two cross boards that each reaches behind."""
    support = brief.support
    if support.gaps == "open" or support.place == "flush":
        return (), []
    across = sorted(fronts, key=lambda part: -part.y)
    gaps = [(upper, under) for upper, under in pairwise(across) if upper.y > under.y + under.height]
    thick, lap = min(brief.board.thickness, support.thickness), min(LAP, brief.board.height / 3)
    inner = fronts[0].length - 2 * wide
    if inner <= 0:
        return (), []
    rears = tuple(
        Part(
            f"rear-{k}",
            f"Rear board {k}",
            wide,
            under.y + under.height - lap,
            support.thickness - thick,
            inner,
            upper.y - under.y - under.height + 2 * lap,
            thick,
            brief.board.wood,
        )
        for k, (upper, under) in enumerate(gaps, 1)
    )
    return rears, gaps


def _closing(
    brief: PanelBrief,
    rears: tuple[Part, ...],
    gaps: list[tuple[Part, Part]],
    standing: tuple[Standing, ...],
    fitted: Fitting,
) -> tuple[Operation, ...]:
    meets = []
    for rear, (upper, under) in zip(rears, gaps, strict=True):
        lap = (under.y + under.height - rear.y) / 2
        for front, y in ((upper, upper.y + lap), (under, rear.y + lap)):
            meets.append(meet(rear, front, 3, shut=_bored(brief, standing, fitted, y)))
    return screwed(
        meets,
        brief.board.thickness * 2 / 3,
        (
            (
                "Three along each long edge, half the lap from it; slotted a little, so that the"
                " board may move."
            ),
            "Clear of what holds the hooks.",
        ),
    )


def _rear_figure(rears: tuple[Part, ...], gaps: list[tuple[Part, Part]]) -> Iterator[Figure]:
    if rears:
        upper, under = gaps[0]
        gap = upper.y - under.y - under.height
        yield Figure(
            "panel.rear",
            "Cut a rear board",
            rears[0].height,
            "g + 2 · l",
            (Input("g", "gap", gap), Input("l", "lap", (rears[0].height - gap) / 2)),
            "Wide: the gap, and behind both boards.",
        )


def _on_joints(
    brief: PanelBrief, standing: tuple[Standing, ...], wide: Fraction
) -> Iterator[Finding]:
    """Whether a holder sits over the screws that hold a cross board to its sides, in the middle of
    these.
    """
    row = standing[0].row
    at = (wide / 2, row.length - wide / 2)
    near = [
        (abs(axis - screw) - one.row.fixture.across / 2, one.row.fixture.across / 2 + CLEARANCE)
        for one in standing
        for axis in one.row.axes
        for screw in at
    ]
    least, clear = min(near)
    nearest = least + clear - CLEARANCE
    if nearest < clear:
        yield Finding(
            "panel.joint",
            "Cross board",
            "A holder sits over the screws that hold the cross board to its side.",
            "from the screws",
            nearest,
            clear,
            fixes=(Fix("Sides flush beside the boards", {"support": {"place": "flush"}}),),
        )


def _joinery(meets: list[Meet], other: Fraction) -> tuple[Operation, ...]:
    """The screws where boards lie face to face, two thirds into the `other`."""
    return screwed(
        meets,
        other * 2 / 3,
        (
            "Countersunk; slotted a little where planks may move.",
            "Through the holes above, with both parts clamped and square.",
        ),
    )


def start(hangs: Hangs, tape: TapeName) -> PanelBrief:
    """Two rows, the lower one short by one of an odd number; the holder suits the
    heaviest thing.
    """
    first = PanelBrief.model_validate(in_rows(row_for(hangs, tape), 2) | held_by(hangs))
    # Two rows hang lower: the upper one as high as the things below it ask for.
    tall = max(item.below + item.above for item in first.kinds.values())
    hung = max(first.hung, 2 * tall + 100)
    fitted = fitting(first)
    row = first_row(first, fitted)
    plank = Seams.of(row, stand_rows(first, fitted, row, ZERO), fitted).missed_by(first.plank)
    # A short lower row may leave no plank without a seam at a holder: boards across have none.
    made = {"plank": plank} if plank else {"made": "frame", "support": Support(place="flush")}
    return first.changed({"hung": hung, **made})


def suits(items: tuple[Item, ...]) -> Fitness:
    """What a rail holds, where there is more wall than width."""
    if any(item.below > 500 for item in items):
        return Fitness(1, "Two rows of things that long need a high wall.")
    return on_hooks(
        items, 2, "Short things in rows above one another: more on the same length of wall."
    )


def choices(brief: PanelBrief) -> tuple[Section, ...]:
    """What a panel alone is asked."""
    made = Field(
        "made",
        "made of",
        (
            Option("planks", "planks on battens", "A closed face; seams are kept clear of."),
            Option(
                "frame",
                "cross boards on two sides",
                "Less timber, no seams; the wall shows between.",
            ),
        ),
    )
    if brief.made == "planks":
        rip = Field(
            "plank.rip",
            "left over",
            (
                Option("all", "ripped off all alike", "Even planks."),
                Option("last", "ripped off the last", "Less sawing; one narrow plank."),
            ),
        )
        fields = (
            made,
            Field("plank.width", "plank"),
            Field("support.width", "batten"),
            Field("support.thickness", "thick"),
            rip,
        )
        return (
            *kit.choices(brief.holder),
            Section("Panel", fields, ("panel.planks", "panel.ripped")),
        )
    place = Field(
        "support.place",
        "sides",
        (
            Option("behind", "behind the boards", "Stronger, and shadowed; stands off the wall."),
            Option("flush", "flush beside them", "Flat to the wall; the joint is end grain."),
        ),
    )
    gaps = Field(
        "support.gaps",
        "gaps",
        (
            Option("open", "open", "The wall shows between the boards."),
            Option(
                "boards",
                "boards behind them",
                "Set back by a board: closed, with shadow lines, and it hides the wall.",
            ),
        ),
    )
    behind = brief.support.place == "behind"
    sides = (
        made,
        Field("support.width", "side"),
        Field("support.thickness", "thick"),
        place,
        *((gaps,) if behind else ()),
    )
    return (*kit.choices(brief.holder), Section("Frame", sides, ("overall", "panel.tall")))


FAMILY = Family(
    "panel",
    "Panel",
    "Planks on battens or a frame, with rows of hooks or pegs.",
    PanelBrief,
    start,
    fitting,
    build,
    suits,
    choices,
)
