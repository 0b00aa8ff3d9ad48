"""The hole rail: a shelf on a back plate, with holes or edge slots that hold by the neck or the
shaft.
"""

from yardcliff.core.brief.choices import Field, Option, Section
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input
from yardcliff.core.holders import hole as holes
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.rack import Hold, Joint, Operation, Part, Rack
from yardcliff.core.row.row import Row
from yardcliff.core.strength.link import Link
from yardcliff.core.things.item import Item
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import TapeName, exact_text
from yardcliff.core.ways.family import Family, Fitness, Hangs, of_grips, row_for
from yardcliff.core.ways.hole_rail_joint import (
    HoleRailBrief,
    butt,
    joint_figure,
    joint_findings,
    screw_bite,
    screws,
)
from yardcliff.core.ways.joinery import KEEP, Meet, beside, meet, screwed
from yardcliff.core.ways.shared import Body, assemble, ground, stand_rows

NECK = Fraction(40)
"""More than this above the hole does not pass through it, mm: rule of thumb."""
ZERO = Fraction(0)


def fitting(brief: HoleRailBrief) -> Fitting:
    """The hole for the thickest thing on the brief's shelf."""
    return holes.fit(brief.hole, ground(brief, brief.setback), tuple(brief.kinds.values()))


def build(brief: HoleRailBrief, fitted: Fitting, first: Row) -> Rack:
    """A shelf for each row, each on a back plate of its own."""
    board, back = brief.board, brief.back
    least = max(back.height, board.thickness)
    standing = stand_rows(brief, fitted, first, least)
    line = board.height / 2 if brief.setback is None else brief.setback
    parts, joints, marked = [], [], []
    for k, one in enumerate(standing):
        number = f" {k + 1}" if len(standing) > 1 else ""
        shelf, plate = f"shelf-{k + 1}", f"back-{k + 1}"
        top = brief.hung - one.down
        foot = top - (board.thickness if back.place == "above" else back.height)
        parts += [
            Part(
                shelf,
                f"Shelf{number}",
                ZERO,
                top - board.thickness,
                back.thickness,
                first.length,
                board.thickness,
                board.height,
                board.wood,
                "top",
            ),
            Part(
                plate,
                f"Back plate{number}",
                ZERO,
                foot,
                ZERO,
                first.length,
                back.height,
                back.thickness,
                board.wood,
            ),
        ]
        joints.append(Joint(shelf, plate, Hold.SCREWS))
        marked.append((shelf, line))
    each = screws(first.length)
    # Their points come as far as holes that are near the back edge.
    near = board.height - line - fitted.bored < screw_bite(brief) + KEEP
    holes = [beside(fitted, one.row, ZERO, ZERO) if near else () for one in standing]
    meets = [
        meet(plate, shelf, each, shut=shut)
        for shelf, plate, shut in zip(parts[::2], parts[1::2], holes, strict=True)
    ]
    body = Body(
        "hole-rail",
        tuple(parts),
        marked,
        tuple(joints),
        _joinery(brief, meets),
        (*_figures(first), joint_figure(brief, first)),
        (*_findings(first), *joint_findings(brief, first)),
        (
            (
                "Screw from the back plate into the shelf before it goes up: from below nobody can"
                " reach."
            ),
        ),
        links=(
            Link(
                "screw",
                "shelf's screws through its back plate",
                butt(brief, first).share,
                "shelf.joint",
            ),
        ),
    )
    return assemble(brief, fitted, standing, least, body)


def _joinery(brief: HoleRailBrief, meets: list[Meet]) -> tuple[Operation, ...]:
    return screwed(
        meets,
        screw_bite(brief),
        (
            "Along the shelf's edge, half its thickness from the plate's; countersink them behind.",
            "Through the plate's holes, with both parts clamped, for screws of {long}.",
        ),
    )


def _figures(row: Row) -> tuple[Figure, ...]:
    p, d = Input("p", "axis to axis", row.tightest), Input("D", "hole", row.fixture.across)
    why = "Wood between one hole and the next: less than it takes not to split is said."
    return (
        Figure("hole.web", "Wood between", row.tightest - row.fixture.across, "p − D", (p, d), why),
    )


def _findings(row: Row) -> list[Finding]:
    web = row.tightest - row.fixture.across
    if row.holders < 2 or row.trouble or web >= holes.LEAST_WOOD or web < row.brief.fixture_gap:
        return []  # less than the gap that was asked for is said of the row
    gap = exact_text(holes.LEAST_WOOD)
    return [
        Finding(
            "hole.web",
            "Shelf",
            "So little wood between the holes may split along the grain.",
            "wood between",
            web,
            holes.LEAST_WOOD,
            fixes=(Fix(f"Keep {gap} between holes", {"row": {"fixture_gap": gap}}),),
            left=web > 0,
        )
    ]


def start(hangs: Hangs, tape: TapeName) -> HoleRailBrief:
    """A shelf as deep as its holes want."""
    shared = row_for(hangs, tape)
    shared["row"]["fixture_gap"] = holes.LEAST_WOOD
    first = HoleRailBrief.model_validate(shared)
    deep = fitting(first).reach.across + 2 * holes.LEAST_WOOD
    board = first.board.changed(
        {"height": max(Fraction(90), Fraction(-(-deep // 10) * 10)), "thickness": Fraction(18)}
    )
    return first.changed({"board": board})


def suits(items: tuple[Item, ...]) -> Fitness:
    """Necks and shafts go into a hole; so does what is merely thin where it is held."""
    if any(item.held is None for item in items):
        return Fitness(0, "Nothing thin to hold it by.")
    if any(item.above > NECK for item in items):
        return Fitness(1, "A head that large goes in only through an edge slot.")
    return of_grips(
        items,
        ("neck",),
        "Held by the neck in a hole or a slot, it cannot be knocked off.",
        "What is thin where it is held can hang through a hole, head up.",
    )


def choices(_: HoleRailBrief) -> tuple[Section, ...]:
    """What a hole rail alone is asked."""
    return (
        Section(
            "Holes",
            (
                Field(
                    "hole.opening",
                    "opening",
                    (
                        Option("hole", "holes", "Lift in from above. Strongest."),
                        Option(
                            "slot",
                            "edge slots",
                            "Slide in from the front: no headroom needed, less wood in front.",
                        ),
                    ),
                ),
                Field("hole.play", "play"),
                Field("hole.held", "held at", figure="held"),
                Field("setback", "setback", figure="hole.axis"),
                Field(
                    "hole.seat",
                    "seat",
                    (
                        Option("plain", "plain"),
                        Option(
                            "countersunk",
                            "countersunk",
                            "For shoulders that would rattle on a sharp edge.",
                        ),
                    ),
                ),
            ),
            ("hole.bit", "hole.web", "hole.front", "hole.behind"),
        ),
        Section(
            "Back plate",
            (
                Field(
                    "back.place",
                    "stands",
                    (
                        Option(
                            "above",
                            "above the shelf",
                            "The shelf cannot tip: the plate's foot bears on the wall.",
                        ),
                        Option(
                            "below",
                            "below the shelf",
                            "A clear top; the plate hides behind what hangs.",
                        ),
                    ),
                ),
                Field("back.height", "wide"),
                Field("back.thickness", "thick"),
            ),
        ),
    )


FAMILY = Family(
    "hole-rail",
    "Hole rail",
    "A shelf with holes or slots that hold by the neck or the shaft.",
    HoleRailBrief,
    start,
    fitting,
    build,
    suits,
    choices,
)
