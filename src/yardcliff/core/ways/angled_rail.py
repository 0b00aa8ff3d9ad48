"""The angled rail: two boards joined to a ridge, pegs square to both, so that neighbours fan out to
the left and right.

What hangs rests r off its face: from side to side things hang w sin t + 2 r cos t apart, for boards
w wide with 2t between them.
"""

from collections.abc import Iterator
from math import cos, radians, sqrt

from yardcliff.core.brief.choices import Field, Option, Section
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders import kit
from yardcliff.core.holders import peg as pegs
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.materials.goods import Goods, Ware
from yardcliff.core.materials.sold import next_thickness
from yardcliff.core.rack import Face, Kind, Operation, Place, Rack, drill
from yardcliff.core.row.row import HALF, Row
from yardcliff.core.row.rows import Standing, beside, can_stagger, held
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.strength.body import along_grain, opened
from yardcliff.core.strength.link import Link, percent
from yardcliff.core.things.item import Item
from yardcliff.core.units.angles import degrees
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, exact_text, size_text
from yardcliff.core.units.trade import either
from yardcliff.core.ways import ridge, uprights
from yardcliff.core.ways.angled_rail_findings import (
    LONGEST,
    SKIN,
    ZERO,
    AngledRailBrief,
    fitting,
    half_a_pitch,
    magnet,
    meet,
    peg_showing,
    tilt,
)
from yardcliff.core.ways.family import Family, Fitness, Hangs, on_hooks, read_start, row_for
from yardcliff.core.ways.ridge_shape import Shape
from yardcliff.core.ways.shared import Body, assemble, first_row
from yardcliff.messages import tr

DOWEL, SHORTEST = either("16 mm", "5/8 in"), either("60 mm", "2 1/2 in")
"""Pegs at first: how thick and deep, and how far they show at least."""
TIDY = either("10 mm", "1/2 in")
"""What their spacing is rounded to."""
TALLEST = Fraction(260)
"""Of a thing that hangs one above the other within reach, mm."""
WIDEST = Fraction(180)
"""Of a thing that passes its neighbour before the ridge on pegs as they are at first, mm."""


def build(brief: AngledRailBrief, fitted: Fitting, row: Row) -> Rack:
    """Two boards, each with its own row."""
    shape, other = Shape.of(brief.angled, brief.board, brief.in_hand), _right(brief, row)
    sides = (row, other) if other else (row,)
    boards, stood, outlines = ridge.stand(shape, brief.hung, row.length)
    out = float(fitted.glyph.rests) * cos(radians(tilt(brief)))
    aside, middle = rounded(shape.half / 2 + out * cos(shape.t)), rounded(shape.half)
    body = Body(
        "angled-rail",
        (*stood.parts, *boards),
        tuple((board.key, brief.board.height / 2) for board in boards[: len(sides)]),
        stood.joints,
        (*_machining(brief, sides, row.length), *stood.machining),
        (*stood.figures, *_figures(brief, shape, out, sides), _glue_figure(brief)),
        (
            *stood.findings,
            *half_a_pitch(brief, fitted, sides),
            *meet(brief, shape, sides, aside),
            *magnet(brief, fitted, shape, sides),
            *_glue_findings(brief),
        ),
        (*stood.cautions, tr("caution.mark-top-on-both-boards-before")),
        up_at=(middle - aside, middle + aside)[: len(sides)],
        sides=sides,
        outlines=outlines,
        links=(Link("board", tr("link.glue-line-of-the-ridge"), _opened(brief), "angled.glue"),),
    )
    return assemble(brief, fitted, (Standing(row, ZERO, ZERO),), ZERO, body)


def _opened(brief: AngledRailBrief) -> float:
    """Of what the glue line at the ridge may bear that a hand opens, which pulls at a peg in the
    middle of a board: as long as the board is wide.
    """
    wide = float(brief.board.height)
    return opened(
        brief.pulled.force, wide / 2, wide, float(brief.board.thickness), brief.board.wood
    )


def _glue_figure(brief: AngledRailBrief) -> Figure:
    return figure(
        "angled.glue",
        percent(_opened(brief)),
        "6 · F · (w / 2) / (w · T²) / s",
        (
            Input("F", brief.pulled.says, f"{brief.pulled.force:.1f} N"),
            Input("w", tr("input.board-so-much-line"), brief.board.height),
            Input("T", tr("input.thick"), brief.board.thickness),
            Input("s", tr("input.may-bear"), f"{along_grain(brief.board.wood):.2f} MPa"),
        ),
    )


def _glue_findings(brief: AngledRailBrief) -> Iterator[Finding]:
    share = _opened(brief)
    if share > 1:
        least = rounded(float(brief.board.thickness) * sqrt(share))
        thick = next_thickness(least, brief.board.wood, brief.sizes)
        yield Finding(
            "angled.glue",
            tr("part.ridge"),
            tr("angled.glue"),
            tr("quantity.of-what-it-may-bear"),
            percent(share),
            "100%",
            fixes=(
                Fix(
                    tr("fix.boards-thick", thick=brief.in_hand.write_fine(thick)),
                    {"board": {"thickness": exact_text(thick)}},
                ),
            ),
        )


def _right(brief: AngledRailBrief, row: Row) -> Row | None:
    """The right board's row: the left one's, or half a pitch higher where it has one pitch; None
    where none is left.
    """
    way = brief.angled.right
    fewer = way == "one fewer"
    if way == "none" or (fewer and row.count < 2):
        return None
    own = brief.rows.own_of(1)
    if way == "opposite" or not can_stagger(row):
        return held(row, own)
    step = row.t * HALF
    return held(
        beside(row, row.left + step, row.right + (step if fewer else -step), row.count - fewer), own
    )


def _machining(
    brief: AngledRailBrief, sides: tuple[Row, ...], length: Fraction
) -> Iterator[Operation]:
    if brief.angled.magnet:
        thick = brief.board.thickness
        yield drill(
            Kind.MAGNET_RECESS,
            (Place(_magnetic(brief), Face.BACK, sides[-1].axes[0] / 2, brief.board.height / 2),),
            brief.angled.magnet,
            tr("ways.before-boards-joined-glue-magnet-bottom"),
            deep=max(thick - SKIN.of(brief.sizes), ZERO),
            left=SKIN.of(brief.sizes),
            stop=tr("ways.depth-stop"),
            takes=(Ware(Goods.MAGNET, 1, (size_text(brief.angled.magnet, brief.sizes),)),),
            tool=tr("ways.flat-bottomed-bit"),
        )


def _magnetic(brief: AngledRailBrief) -> str:
    """The key of the board that takes a magnet: where the row starts higher."""
    return "left-board" if brief.angled.right == "none" else "right-board"


def _figures(
    brief: AngledRailBrief, shape: Shape, out: float, sides: tuple[Row, ...]
) -> Iterator[Figure]:
    w, rest = (
        Input("w", tr("input.outer-face"), brief.board.height),
        Input("r", tr("input.at-rest-off-the-face"), rounded(out)),
    )
    t = Input("t", tr("input.half-the-angle-between-them"), degrees(shape.degrees))
    yield figure(
        "angled.apart",
        rounded(shape.half + 2 * out * cos(shape.t)),
        "w · sin t + 2 · r · cos t",
        (w, rest, t),
    )
    if magnet := brief.angled.magnet:
        yield figure("angled.magnet", magnet, tr("angled.magnet.formula"), ())
        low = sides[-1].axes[0]
        yield figure(
            "angled.magnet.up",
            low / 2,
            "a / 2",
            (Input("a", tr("input.lowest-peg"), low),),
            magnetic=tr(f"part.{_magnetic(brief)}").lower(),
        )
    else:
        yield Figure(
            "angled.magnet",
            tr("angled.magnet.label"),
            "none",
            tr("angled.magnet.formula"),
            (),
            tr("angled.magnet.why.one-let-in-from-behind-holds"),
        )


def start(hangs: Hangs, tape: Tape) -> AngledRailBrief:
    """Pegs that keep both sides apart; an odd number takes turns, an even one starts half a pitch
    higher on the right.
    """
    shared = row_for(hangs, tape)
    count, mixed = shared["row"]["count"], bool(shared["row"]["order"])
    right = (
        "none" if mixed else "one fewer" if count % 2 else "as many" if count > 2 else "opposite"
    )
    shared["row"] |= {"ends": {"rule": "margin"}, "tidy": TIDY.of(tape.sizes)}
    if not mixed:
        shared["row"] |= {"count": -(-count // 2), "spacing": "tidy"}
    first = read_start(
        AngledRailBrief, shared | {"angled": {"right": right}, "holder": _pegs_for(hangs, tape)}
    )
    thick = Shape.of(first.angled, first.board, tape).bracket_sold
    first = first.changed({"angled": first.angled.changed({"bracket_thick": thick})})
    row = first_row(first, fitting(first))
    if right == "as many":  # the right row has its half pitch more at the top
        ends = first.row.ends
        longer = ends.changed({"right": ends.right + row.pitch / 2})
        first = first.changed({"row": first.row.changed({"ends": longer})})
    return first.changed(
        {
            "hung": uprights.foot_for(
                row, max(row.things[0].reach.left - row.axes[0], ZERO), tape.sizes
            )
        }
    )


def _pegs_for(hangs: Hangs, tape: Tape) -> pegs.Peg:
    """Dowels so long that neighbours pass one another before the ridge of boards as they are at
    first.
    """
    usual = {"family": "angled-rail", "item": hangs[0][0].item, "trade": tape.trade}
    first = read_start(AngledRailBrief, usual)
    shape = Shape.of(first.angled, first.board, tape)
    apart = max(2 * max(listed.item.left, listed.item.right) + listed.air for listed, _ in hangs)
    size, shortest = (one.of(tape.sizes) for one in (DOWEL, SHORTEST))
    peg = pegs.Peg.usual(tape.sizes, diameter=size, depth=size, showing=shortest)
    showing = min(max(peg_showing(shape, apart, peg.tilt), shortest), LONGEST.of(tape.sizes))
    return peg.changed({"showing": showing})


def suits(items: tuple[Item, ...]) -> Fitness:
    """Short things with a handle, one above the other to both sides."""
    if any(item.across > WIDEST for item in items):
        return Fitness(1, tr("ways.so-wide-what-hangs-on-both"))
    tallest = max(item.above + item.below for item in items)
    if tallest > TALLEST:
        return Fitness(int(tallest <= 2 * TALLEST), tr("ways.so-long-few-them-hang-one"))
    return on_hooks(items, 2, tr("ways.short-things-fan-out-both-sides"))


def choices(brief: AngledRailBrief) -> tuple[Section, ...]:
    """What an angled rail alone is asked."""
    right = Field(
        "angled.right",
        tr("ways.on-the-right"),
        (
            Option(
                "one fewer", tr("ways.one-fewer-between"), tr("ways.each-peg-between-two-on-left")
            ),
            Option(
                "as many", tr("ways.as-many-half-higher"), tr("ways.same-count-half-pitch-up-top")
            ),
            Option(
                "opposite", tr("ways.opposite"), tr("ways.both-boards-marked-alike-quickest-with")
            ),
            Option("none", tr("ways.none"), tr("ways.beside-door-frame-or-corner-where")),
        ),
    )
    asked = (
        right,
        *ridge.fields(brief.angled),
        Field("angled.magnet", tr("ways.magnet"), figure="angled.magnet"),
    )
    figures = (
        *ridge.FIGURES,
        "angled.apart",
        "angled.glue",
        *(("angled.magnet.up",) if brief.angled.magnet else ()),
    )
    return (*kit.choices(brief.holder, brief.sizes), Section(tr("section.ridge"), asked, figures))


FAMILY = Family(
    "angled-rail",
    "ways.angled-rail",
    "ways.two-boards-joined-ridge-up-wall",
    AngledRailBrief,
    start,
    fitting,
    build,
    suits,
    choices,
    rows="one",
)
