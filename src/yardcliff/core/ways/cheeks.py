"""The slotted cheeks: two matched side boards with angled slots, joined by slats; boards slide in
by their edge.

Slots a pitch p apart along the edge hold boards p cos f apart, at an angle f above the horizontal.
"""

from collections.abc import Iterator
from math import cos, radians
from typing import ClassVar, Literal

from yardcliff.core.base.model import Frozen
from yardcliff.core.brief.choices import Field, Section
from yardcliff.core.brief.rack_brief import Board, RackBrief
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders import slot as slots
from yardcliff.core.holders.fitting import Fitting, Ground
from yardcliff.core.rack import Hold, Joint, Part, Rack
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import Standing
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.things.item import Item
from yardcliff.core.things.look import slid
from yardcliff.core.things.thing import Reach, Run, Thing
from yardcliff.core.units.angles import degrees
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Size, Tape, exact_text
from yardcliff.core.units.trade import EASY, down, either, up, usual
from yardcliff.core.ways import uprights
from yardcliff.core.ways.family import Family, Fitness, Hangs, read_start, row_for
from yardcliff.core.ways.joinery import BITE, meet, screwed
from yardcliff.core.ways.shared import Body, assemble, first_row
from yardcliff.messages import tr

FOOT, HEAD = either("80 mm", "3 in"), either("120 mm", "5 in")
"""From the foot to the first slot, and above the last, at first."""
SHALLOW, BEHIND, TIDY = (
    either("60 mm", "2 1/2 in"),
    either("25 mm", "1 in"),
    either("10 mm", "1/2 in"),
)
"""A slot at least so deep at first, with so much wood behind it, both by such steps."""
TOOTH = either("20 mm", "3/4 in")
"""Least wood between the mouths of two slots, mm: rule of thumb."""
THIN = Fraction(120)
"""What is thicker than this, all counted, stands better than it lies, mm."""
ZERO = Fraction(0)


class Slat(Frozen):
    """A board across, flush with the backs of both cheeks; one at the foot and one at the top."""

    width: Size = usual("70 mm", "2 1/2 in")
    thickness: Size = usual("21 mm", "3/4 in")


class CheeksBrief(RackBrief):
    """`board` is a cheek: `height` is how far it stands off the wall; `between` the two, None: by
    the shortest thing.
    """

    run: ClassVar[Run] = Run.UP

    family: Literal["slotted-cheeks"] = "slotted-cheeks"
    slot: slots.Slot = slots.Slot()
    between: Size | None = None
    slat: Slat = Slat()
    board: Board = usual(
        Board(height=Fraction(150), thickness=Fraction(21)),
        {"height": "5 1/2 in", "thickness": "3/4 in"},
    )

    def thing(self, item: Item) -> Thing:
        """What a thing takes of the cheek's edge, half of it on each side of its slot."""
        taken = slots.takes(self.slot, item)
        return Thing(Reach(taken / 2, taken / 2))


def fitting(brief: CheeksBrief) -> Fitting:
    """The slot for the thickest thing in the brief's cheeks."""
    board = brief.board
    ground = Ground(
        board.height, board.thickness, board.thickness / 2, board.wood, brief.in_hand, brief.pulled
    )
    return slots.fit(brief.slot, ground, tuple(brief.kinds.values()))


def build(brief: CheeksBrief, fitted: Fitting, row: Row) -> Rack:
    """Two cheeks with slats between them."""
    board, slat, items = brief.board, brief.slat, tuple(brief.kinds.values())
    between = uprights.gap(brief.between, items, board.thickness)
    stood = uprights.stand(
        ("left-cheek", "right-cheek"),
        brief.hung,
        row,
        board.thickness,
        board.height,
        board.wood,
        between,
    )
    wide = min(slat.width, row.length / 2)
    slats = tuple(
        Part(
            f"slat-{k + 1}",
            tr("part.slat", number=k + 1),
            board.thickness,
            y,
            ZERO,
            between,
            wide,
            slat.thickness,
            board.wood,
        )
        for k, y in enumerate((brief.hung + row.length - wide, brief.hung))
    )
    deep = min(BITE.of(brief.sizes), between / 3)
    body = Body(
        "slotted-cheeks",
        (*stood.parts, *slats),
        stood.marked,
        tuple(Joint(part.key, cheek.key, Hold.SCREWS) for part in slats for cheek in stood.parts),
        (
            slots.rounds(brief.slot, items, row, stood.parts, brief.sizes),
            *screwed(
                brief.sizes,
                [meet(brief.sizes, cheek, part, 2) for cheek in stood.parts for part in slats],
                deep,
                ("ways.two-at-each-slats-end-quarter", "ways.into-end-grain-for-screws-glue"),
            ),
        ),
        (*uprights.figures(brief.between, items, board.thickness), *_figures(brief, row, items)),
        (
            *uprights.falls(
                items,
                between,
                board.thickness,
                Fix(tr("fix.a-rail-instead"), {"family": "rail"}),
                brief.in_hand,
            ),
            *_findings(brief, fitted, row),
        ),
        (tr("caution.mark-cut-cheeks-as-one-screw"),),
        up_at=(stood.middle,),
        looks={
            kind: slid(item, brief.slot.angle, brief.slot.depth)
            for kind, item in brief.kinds.items()
        },
    )
    return assemble(brief, fitted, (Standing(row, ZERO, ZERO),), ZERO, body)


def _figures(brief: CheeksBrief, row: Row, items: tuple[Item, ...]) -> Iterator[Figure]:
    slot = brief.slot
    t = Input("t", tr("input.angle-above-the-horizontal"), degrees(slot.angle))
    yield figure(
        "slot.between",
        rounded(float(row.air) * cos(radians(slot.angle))),
        "c · cos t",
        (Input("c", tr("input.air-along-the-edge"), row.air), t),
    )
    wide = slots.width(slot, items, brief.sizes)[0]
    mouth = rounded(float(wide) / cos(radians(slot.angle)))
    yield figure(
        "slot.tooth",
        row.tightest - mouth,
        "p − m",
        (Input("p", tr("input.slot-to-slot"), row.tightest), Input("m", tr("input.mouth"), mouth)),
    )


def _findings(brief: CheeksBrief, fitted: Fitting, row: Row) -> Iterator[Finding]:
    tooth = row.tightest - fitted.glyph.height
    if (
        row.holders > 1
        and not row.trouble
        and row.brief.fixture_gap <= tooth < TOOTH.of(brief.sizes)
    ):
        gap = TOOTH.of(brief.sizes)
        yield Finding(
            "slot.tooth",
            tr("part.cheek"),
            tr("slot.tooth"),
            tr("quantity.wood-between"),
            tooth,
            TOOTH.of(brief.sizes),
            fixes=(
                Fix(
                    tr("fix.keep-between-slots", gap=brief.in_hand.write_fine(gap)),
                    {"row": {"fixture_gap": exact_text(gap)}},
                ),
            ),
            left=tooth > 0,
        )
    behind = brief.board.height - slots.reach_in(brief.slot, fitted.bores[0].bit)
    if slots.LEAST_WEB.of(brief.sizes) <= behind < brief.slat.thickness:
        thin = down(behind, brief.sizes)
        yield Finding(
            "cheek.slat",
            tr("part.slat-plain"),
            tr("cheek.slat"),
            tr("quantity.behind-the-slots"),
            behind,
            brief.slat.thickness,
            fixes=(
                Fix(
                    tr("fix.slats-thick", thin=brief.in_hand.write_fine(thin)),
                    {"slat": {"thickness": exact_text(thin)}},
                ),
            ),
        )


def start(hangs: Hangs, tape: Tape) -> CheeksBrief:
    """Slots that hold a good third of the deepest thing, in cheeks that keep their wood behind."""
    shared, trade = row_for(hangs, tape), tape.sizes
    shared["row"] |= {
        "ends": {"rule": "margin", "left": FOOT.of(trade), "right": HEAD.of(trade)},
        "fixture_gap": TOOTH.of(trade),
        "spacing": "air" if len(hangs) > 1 else "tidy",
        "tidy": EASY.of(trade),
    }
    first = read_start(CheeksBrief, shared)
    items = tuple(first.kinds.values())
    third = max(max(item.across, item.front) for item in items) * 2 / 5
    depth = max(SHALLOW.of(trade), up(third, trade, TIDY))
    slot = first.slot.changed({"depth": depth})
    into = slots.reach_in(slot, slots.width(slot, items, trade)[0])
    board = first.board.changed({"height": up(into + BEHIND.of(trade), trade, TIDY)})
    cut = first.changed({"slot": slot, "board": board})
    return cut.changed({"hung": uprights.foot_for(first_row(cut, fitting(cut)), ZERO, trade)})


def suits(items: tuple[Item, ...]) -> Fitness:
    """Boards, measured where the slot takes them."""
    if any(item.held is None or item.shape != "board" for item in items):
        return Fitness(0, tr("ways.nothing-flat-slide-in-by-its"))
    if any(item.front > THIN for item in items):
        return Fitness(1, tr("ways.so-thick-few-find-room-above"))
    if all(item.grip == "edge" for item in items):
        return Fitness(3, tr("ways.boards-slide-into-slots-by-their"))
    return Fitness(2, tr("ways.flat-things-slide-in-by-their"))


def choices(_: CheeksBrief) -> tuple[Section, ...]:
    """What slotted cheeks alone are asked."""
    return (
        Section(
            tr("section.slots"),
            (
                Field("slot.held", tr("ways.held-at"), figure="held"),
                Field("slot.play", tr("ways.play")),
                Field("slot.angle", tr("ways.angle")),
                Field("slot.depth", tr("ways.deep")),
            ),
            ("slot.width", "slot.mouth", "slot.web", "slot.between", "slot.tooth"),
        ),
        Section(
            tr("section.slats"),
            (
                Field("between", tr("ways.between"), figure="up.between"),
                Field("slat.width", tr("ways.slat")),
                Field("slat.thickness", tr("ways.thick-label")),
            ),
            ("overall", "up.past"),
        ),
    )


FAMILY = Family(
    "slotted-cheeks",
    "ways.slotted-cheeks",
    "ways.two-side-boards-with-slanted-slots",
    CheeksBrief,
    start,
    fitting,
    build,
    suits,
    choices,
    rows="one",
)
