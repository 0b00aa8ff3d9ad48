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
from yardcliff.core.units.length import Tape, exact_text
from yardcliff.core.units.trade import either, up
from yardcliff.core.ways.family import Family, Fitness, Hangs, of_grips, read_start, row_for
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
from yardcliff.messages import tr

NECK = Fraction(40)
"""More than this above the hole does not pass through it, mm: rule of thumb."""
DEEP, THICK, ROUND = (
    either("90 mm", "3 1/2 in"),
    either("18 mm", "3/4 in"),
    either("10 mm", "1/2 in"),
)
"""A shelf at first: at least so deep, by such steps, and so thick."""
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
                tr("part.shelf-of-row", number=number),
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
                tr("part.back-plate-of-row", number=number),
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
        meet(brief.sizes, plate, shelf, each, shut=shut)
        for shelf, plate, shut in zip(parts[::2], parts[1::2], holes, strict=True)
    ]
    body = Body(
        "hole-rail",
        tuple(parts),
        marked,
        tuple(joints),
        _joinery(brief, meets),
        (*_figures(first), joint_figure(brief, first)),
        (*_findings(brief, first), *joint_findings(brief, first)),
        (tr("caution.screw-from-back-plate-into-shelf"),),
        links=(
            Link(
                "screw",
                tr("link.shelfs-screws-through-its-back-plate"),
                butt(brief, first).share,
                "shelf.joint",
            ),
        ),
    )
    return assemble(brief, fitted, standing, least, body)


def _joinery(brief: HoleRailBrief, meets: list[Meet]) -> tuple[Operation, ...]:
    return screwed(
        brief.sizes,
        meets,
        screw_bite(brief),
        ("ways.along-shelfs-edge-half-its-thickness", "ways.through-plates-holes-with-both-parts"),
    )


def _figures(row: Row) -> tuple[Figure, ...]:
    p, d = (
        Input("p", tr("input.axis-to-axis"), row.tightest),
        Input("D", tr("input.hole"), row.fixture.across),
    )
    why = tr("ways.wood-between-one-hole-next-less")
    return (
        Figure(
            "hole.web",
            tr("hole.web.label"),
            row.tightest - row.fixture.across,
            "p − D",
            (p, d),
            why,
        ),
    )


def _findings(brief: HoleRailBrief, row: Row) -> list[Finding]:
    web, least = row.tightest - row.fixture.across, holes.LEAST_WOOD.of(brief.sizes)
    if row.holders < 2 or row.trouble or web >= least or web < row.brief.fixture_gap:
        return []  # less than the gap that was asked for is said of the row
    return [
        Finding(
            "hole.web",
            tr("part.shelf"),
            tr("hole.web"),
            tr("quantity.wood-between"),
            web,
            least,
            fixes=(
                Fix(
                    tr("fix.keep-between-holes", gap=brief.in_hand.write_fine(least)),
                    {"row": {"fixture_gap": exact_text(least)}},
                ),
            ),
            left=web > 0,
        )
    ]


def start(hangs: Hangs, tape: Tape) -> HoleRailBrief:
    """A shelf as deep as its holes want."""
    shared = row_for(hangs, tape)
    least, deep, thick = (one.of(tape.sizes) for one in (holes.LEAST_WOOD, DEEP, THICK))
    shared["row"]["fixture_gap"] = least
    first = read_start(HoleRailBrief, shared)
    wanted = up(fitting(first).reach.across + 2 * least, tape.sizes, ROUND)
    board = first.board.changed({"height": max(deep, wanted), "thickness": thick})
    return first.changed({"board": board})


def suits(items: tuple[Item, ...]) -> Fitness:
    """Necks and shafts go into a hole; so does what is merely thin where it is held."""
    if any(item.held is None for item in items):
        return Fitness(0, tr("ways.nothing-thin-to-hold-it-by"))
    if any(item.above > NECK for item in items):
        return Fitness(1, tr("ways.head-large-goes-in-only-through"))
    return of_grips(
        items,
        ("neck",),
        tr("ways.slides-into-slot-by-its-neck"),
        tr("ways.what-thin-where-held-can-hang"),
    )


def choices(_: HoleRailBrief) -> tuple[Section, ...]:
    """What a hole rail alone is asked."""
    return (
        Section(
            tr("section.holes"),
            (
                Field(
                    "hole.opening",
                    tr("ways.opening"),
                    (
                        Option("hole", tr("ways.holes"), tr("ways.for-what-thin-down-to-its-head")),
                        Option(
                            "slot",
                            tr("ways.edge-slots"),
                            tr("ways.slides-in-from-front-no-headroom"),
                        ),
                    ),
                ),
                Field("hole.play", tr("ways.play")),
                Field("hole.held", tr("ways.held-at"), figure="held"),
                Field("setback", tr("ways.setback"), figure="hole.axis"),
                Field(
                    "hole.seat",
                    tr("ways.seat"),
                    (
                        Option("plain", tr("ways.plain")),
                        Option(
                            "countersunk",
                            tr("ways.countersunk"),
                            tr("ways.for-shoulders-would-rattle-on-sharp"),
                        ),
                    ),
                ),
            ),
            ("hole.bit", "hole.web", "hole.front", "hole.behind"),
        ),
        Section(
            tr("section.back-plate"),
            (
                Field(
                    "back.place",
                    tr("ways.stands"),
                    (
                        Option(
                            "above",
                            tr("ways.above-the-shelf"),
                            tr("ways.shelf-cannot-tip-plates-foot-bears"),
                        ),
                        Option(
                            "below",
                            tr("ways.below-the-shelf"),
                            tr("ways.clear-top-plate-hides-behind-what"),
                        ),
                    ),
                ),
                Field("back.height", tr("ways.wide")),
                Field("back.thickness", tr("ways.thick-label")),
            ),
        ),
    )


FAMILY = Family(
    "hole-rail",
    "ways.hole-rail",
    "ways.shelf-with-holes-or-slots-hold",
    HoleRailBrief,
    start,
    fitting,
    build,
    suits,
    choices,
)
