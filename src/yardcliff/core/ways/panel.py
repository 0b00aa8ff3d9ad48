"""The panel: planks side by side on battens, or a frame of cross boards on two sides; rows of hooks
or pegs.

No holder stands on a seam between planks. A frame's overall length counts both sides where they
stand beside its cross boards.
"""

from itertools import accumulate, pairwise

from yardcliff.core.brief.choices import Field, Option, Section
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders import kit
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.rack import Hold, Joint, Part, Rack
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import FIXTURE_GAP, Standing
from yardcliff.core.things.item import Item
from yardcliff.core.units.length import Tape
from yardcliff.core.units.trade import EASY, either, up
from yardcliff.core.ways.family import (
    Family,
    Fitness,
    Hangs,
    held_by,
    in_rows,
    on_hooks,
    read_start,
    row_for,
)
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
from yardcliff.messages import tr

FREE = either("100 mm", "4 in")
"""Between two rows of what hangs, and the floor, at first."""


def fitting(brief: PanelBrief) -> Fitting:
    """The brief's holder on a plank or a cross board."""
    return fit_rows(brief, ground(brief))


def build(brief: PanelBrief, fitted: Fitting, first: Row) -> Rack:
    """The panel or the frame with its rows."""
    frame = brief.made == "frame"
    least = brief.board.height if frame else fitted.tall + FIXTURE_GAP.of(brief.sizes)
    standing = stand_rows(brief, fitted, first, least)
    body = (
        framed_body(brief, standing, first, fitted)
        if frame
        else _planks(brief, standing, first, fitted)
    )
    return assemble(brief, fitted, standing, least, body)


def _planks(brief: PanelBrief, standing: tuple[Standing, ...], row: Row, fitted: Fitting) -> Body:
    together = brief.changed({"rows": brief.rows.changed({"boards": "one"})})
    (flat,), marked = boards(together, standing, row.length, brief.board.height / 2, "panel")
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
            tr("part.batten", number=k + 1),
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
            brief.sizes,
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
        joinery(meets, panel.depth, brief.sizes),
        (
            figure(
                "panel.planks",
                str(len(widths)),
                "ceil(L / w)",
                (
                    Input("L", tr("input.panel"), row.length),
                    Input("w", tr("input.plank-as-bought"), brief.plank.width),
                ),
            ),
            Figure(
                "panel.ripped",
                tr("panel.ripped.label"),
                widths[-1],
                *_ripped(brief, row, len(widths)),
            ),
        ),
        tuple(Seams.of(row, standing, fitted, brief.in_hand).on(brief.plank)),
        (tr("caution.ripping-use-guard-push-stick-never"),),
    )


def _ripped(brief: PanelBrief, row: Row, count: int) -> tuple[str, tuple[Input, ...], str]:
    length, n = (
        Input("L", tr("input.panel"), row.length),
        Input("n", tr("input.planks"), str(count)),
    )
    if brief.plank.rip == "all":
        return "L / n", (length, n), tr("ways.all-alike-no-narrow-strip-at")
    return (
        "L − (n − 1) · w",
        (length, n, Input("w", tr("input.plank-as-bought"), brief.plank.width)),
        tr("ways.only-last-ripped-others-keep-width"),
    )


def start(hangs: Hangs, tape: Tape) -> PanelBrief:
    """Two rows, the lower one short by one of an odd number; the holder suits the
    heaviest thing.
    """
    first = read_start(PanelBrief, in_rows(row_for(hangs, tape), 2) | held_by(hangs, tape))
    # Two rows hang lower: the upper one as high as the things below it ask for.
    tall = max(item.below + item.above for item in first.kinds.values())
    hung = max(first.hung, up(2 * tall + FREE.of(tape.sizes), tape.sizes, EASY))
    fitted = fitting(first)
    row = first_row(first, fitted)
    plank = Seams.of(row, stand_rows(first, fitted, row, ZERO), fitted, tape).missed_by(first.plank)
    # A short lower row may leave no plank without a seam at a holder: boards across have none.
    made = (
        {"plank": plank}
        if plank
        else {"made": "frame", "support": Support.usual(tape.sizes, place="flush")}
    )
    return first.changed({"hung": hung, **made})


def suits(items: tuple[Item, ...]) -> Fitness:
    """What a rail holds, where there is more wall than width."""
    if any(item.below > 500 for item in items):
        return Fitness(1, tr("ways.two-rows-things-long-need-high"))
    return on_hooks(items, 2, tr("ways.short-things-in-rows-above-one"))


def choices(brief: PanelBrief) -> tuple[Section, ...]:
    """What a panel alone is asked."""
    made = Field(
        "made",
        tr("ways.made-of"),
        (
            Option("planks", tr("ways.planks-on-battens"), tr("ways.closed-face-seams-kept-clear")),
            Option(
                "frame",
                tr("ways.cross-boards-on-two-sides"),
                tr("ways.less-timber-no-seams-wall-shows"),
            ),
        ),
    )
    if brief.made == "planks":
        rip = Field(
            "plank.rip",
            tr("ways.left-over"),
            (
                Option("all", tr("ways.ripped-off-all-alike"), tr("ways.even-planks")),
                Option(
                    "last", tr("ways.ripped-off-the-last"), tr("ways.less-sawing-one-narrow-plank")
                ),
            ),
        )
        fields = (
            made,
            Field("plank.width", tr("ways.plank")),
            Field("support.width", tr("ways.batten")),
            Field("support.thickness", tr("ways.thick-label")),
            rip,
        )
        return (
            *kit.choices(brief.holder, brief.sizes),
            Section(tr("section.panel"), fields, ("panel.planks", "panel.ripped")),
        )
    place = Field(
        "support.place",
        tr("ways.sides"),
        (
            Option(
                "behind", tr("ways.behind-the-boards"), tr("ways.stronger-shadowed-stands-off-wall")
            ),
            Option("flush", tr("ways.flush-beside-them"), tr("ways.flat-wall-joint-end-grain")),
        ),
    )
    gaps = Field(
        "support.gaps",
        tr("ways.gaps"),
        (
            Option("open", tr("ways.open"), tr("ways.the-wall-shows-between-the-boards")),
            Option(
                "boards", tr("ways.boards-behind-them"), tr("ways.set-back-by-board-closed-with")
            ),
        ),
    )
    behind = brief.support.place == "behind"
    sides = (
        made,
        Field("support.width", tr("ways.side")),
        Field("support.thickness", tr("ways.thick-label")),
        place,
        *((gaps,) if behind else ()),
    )
    return (
        *kit.choices(brief.holder, brief.sizes),
        Section(tr("section.frame"), sides, ("overall", "panel.tall")),
    )


FAMILY = Family(
    "panel",
    "ways.panel",
    "ways.planks-on-battens-or-frame-with",
    PanelBrief,
    start,
    fitting,
    build,
    suits,
    choices,
)
