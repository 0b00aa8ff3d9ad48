"""The panel: planks side by side on battens, or a frame of cross boards on two sides; rows of hooks
or pegs.

No holder stands on a seam between planks. A frame's overall length counts both sides where they
stand beside its cross boards.
"""

from itertools import accumulate, pairwise

from yardcliff.core.brief.choices import Field, Option, Section
from yardcliff.core.findings.working import Figure, Input
from yardcliff.core.holders import kit
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.rack import Hold, Joint, Part, Rack
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import FIXTURE_GAP, Standing
from yardcliff.core.things.item import Item
from yardcliff.core.units.length import TapeName
from yardcliff.core.ways.family import Family, Fitness, Hangs, held_by, in_rows, on_hooks, row_for
from yardcliff.core.ways.held_rows import fit_rows
from yardcliff.core.ways.joinery import meet
from yardcliff.core.ways.panel_frame import (
    ZERO,
    PanelBrief,
    Support,
    bored_planks,
    framed_body,
    joinery,
)
from yardcliff.core.ways.planking import Seams, planks
from yardcliff.core.ways.shared import Body, assemble, boards, first_row, ground, stand_rows


def fitting(brief: PanelBrief) -> Fitting:
    """The brief's holder on a plank or a cross board."""
    return fit_rows(brief, ground(brief))


def build(brief: PanelBrief, fitted: Fitting, first: Row) -> Rack:
    """The panel or the frame with its rows."""
    frame = brief.made == "frame"
    least = brief.board.height if frame else fitted.tall + FIXTURE_GAP
    standing = stand_rows(brief, fitted, first, least)
    body = (
        framed_body(brief, standing, first, fitted)
        if frame
        else _planks(brief, standing, first, fitted)
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
            bored_planks(brief, standing, fitted, batten.y + batten.height / 2),
        )
        for batten in battens
        for start, end in pairwise(edges)
    ]
    return Body(
        "panel",
        (panel, *battens),
        marked,
        joints,
        joinery(meets, panel.depth),
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


def _ripped(brief: PanelBrief, row: Row, count: int) -> tuple[str, tuple[Input, ...], str]:
    length, n = Input("L", "panel", row.length), Input("n", "planks", str(count))
    if brief.plank.rip == "all":
        return "L / n", (length, n), "All alike: no narrow strip at one end."
    return (
        "L − (n − 1) · w",
        (length, n, Input("w", "plank as bought", brief.plank.width)),
        "Only the last is ripped; the others keep the width they were bought with.",
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
