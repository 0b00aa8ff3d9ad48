"""The angled rail: two boards joined to a ridge, pegs square to both, so that neighbours fan out to
the left and right.

What hangs rests r off its face: from side to side things hang w sin t + 2 r cos t apart, for boards
w wide with 2t between them.
"""

from collections.abc import Iterator
from math import ceil, cos, radians, sqrt

from yardcliff.core.brief.choices import Field, Option, Section
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input
from yardcliff.core.holders import kit
from yardcliff.core.holders import peg as pegs
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.materials.goods import Goods, Ware
from yardcliff.core.rack import Face, Kind, Operation, Place, Rack, drill
from yardcliff.core.row.row import HALF, Row
from yardcliff.core.row.row_brief import Ends
from yardcliff.core.row.rows import Standing, beside, can_stagger, held
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.strength.body import along_grain, opened
from yardcliff.core.strength.link import Link, percent
from yardcliff.core.things.item import Item
from yardcliff.core.units.angles import degrees
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import TapeName, exact_text
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
from yardcliff.core.ways.family import Family, Fitness, Hangs, on_hooks, row_for
from yardcliff.core.ways.ridge_shape import Shape
from yardcliff.core.ways.shared import Body, assemble, first_row

TALLEST = Fraction(260)
"""Of a thing that hangs one above the other within reach, mm."""
WIDEST = Fraction(180)
"""Of a thing that passes its neighbour before the ridge on pegs as they are at first, mm."""


def build(brief: AngledRailBrief, fitted: Fitting, row: Row) -> Rack:
    """Two boards, each with its own row."""
    shape, other = Shape.of(brief.angled, brief.board), _right(brief, row)
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
        (
            *stood.cautions,
            (
                "Mark TOP on both boards before you drill: they are a pair, and pegs that are"
                " drilled alike from either end point down."
            ),
        ),
        up_at=(middle - aside, middle + aside)[: len(sides)],
        sides=sides,
        outlines=outlines,
        links=(Link("board", "glue line of the ridge", _opened(brief), "angled.glue"),),
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
    return Figure(
        "angled.glue",
        "Glue line bears",
        percent(_opened(brief)),
        "6 · F · (w / 2) / (w · T²) / s",
        (
            Input("F", brief.pulled.says, f"{brief.pulled.force:.1f} N"),
            Input("w", "board, and so much of the line", brief.board.height),
            Input("T", "thick", brief.board.thickness),
            Input("s", "may bear", f"{along_grain(brief.board.wood):.2f} MPa"),
        ),
        "A hand at a peg opens the ridge; a good glue line is as strong as the wood along its"
        " grain.",
    )


def _glue_findings(brief: AngledRailBrief) -> Iterator[Finding]:
    share = _opened(brief)
    if share > 1:
        thick = ceil(float(brief.board.thickness) * sqrt(share))
        yield Finding(
            "angled.glue",
            "Ridge",
            "With a hand that pulls at a peg the glue line of the ridge may open.",
            "of what it may bear",
            percent(share),
            "100%",
            fixes=(Fix(f"Boards {thick} mm thick", {"board": {"thickness": f"{thick} mm"}}),),
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
        thick, name = brief.board.thickness, _magnetic(brief)
        key = name.lower().replace(" ", "-")
        yield drill(
            Kind.MAGNET_RECESS,
            (Place(key, Face.BACK, sides[-1].axes[0] / 2, brief.board.height / 2),),
            brief.angled.magnet,
            "Before the boards are joined; glue the magnet to the bottom, not to the rim.",
            deep=max(thick - SKIN, ZERO),
            left=SKIN,
            stop="depth stop",
            takes=(Ware(Goods.MAGNET, 1, (exact_text(brief.angled.magnet),)),),
            tool="flat-bottomed bit",
        )


def _magnetic(brief: AngledRailBrief) -> str:
    """The board that takes a magnet: where the row starts higher."""
    return "Left board" if brief.angled.right == "none" else "Right board"


def _figures(
    brief: AngledRailBrief, shape: Shape, out: float, sides: tuple[Row, ...]
) -> Iterator[Figure]:
    w, rest = (
        Input("w", "outer face", brief.board.height),
        Input("r", "at rest, off the face", rounded(out)),
    )
    t = Input("t", "half the angle between them", degrees(shape.degrees))
    yield Figure(
        "angled.apart",
        "Side to side",
        rounded(shape.half + 2 * out * cos(shape.t)),
        "w · sin t + 2 · r · cos t",
        (w, rest, t),
        "Between what hangs on the left and what hangs on the right, from middle to middle.",
    )
    if magnet := brief.angled.magnet:
        yield Figure(
            "angled.magnet",
            "Magnet",
            magnet,
            "given",
            (),
            "What clings to it hangs below the pegs.",
        )
        low = sides[-1].axes[0]
        yield Figure(
            "angled.magnet.up",
            "Magnet up",
            low / 2,
            "a / 2",
            (Input("a", "lowest peg", low),),
            f"In the {_magnetic(brief).lower()}, half-way from the foot to its lowest peg.",
        )
    else:
        yield Figure(
            "angled.magnet",
            "Magnet",
            "none",
            "given",
            (),
            "One let in from behind holds small steel things.",
        )


def start(hangs: Hangs, tape: TapeName) -> AngledRailBrief:
    """Pegs that keep both sides apart; an odd number takes turns, an even one starts half a pitch
    higher on the right.
    """
    shared = row_for(hangs, tape)
    count, mixed = shared["row"]["count"], bool(shared["row"]["order"])
    right = (
        "none" if mixed else "one fewer" if count % 2 else "as many" if count > 2 else "opposite"
    )
    ends = Ends(rule="margin", left=Fraction(60), right=Fraction(60))
    shared["row"] |= {"ends": ends.model_dump(), "tidy": Fraction(10)}
    if not mixed:
        shared["row"] |= {"count": -(-count // 2), "spacing": "tidy"}
    first = AngledRailBrief.model_validate(
        shared | {"angled": {"right": right}, "holder": _pegs_for(hangs)}
    )
    row = first_row(first, fitting(first))
    if right == "as many":  # the right row has its half pitch more at the top
        longer = ends.changed({"right": ends.right + row.pitch / 2})
        first = first.changed({"row": first.row.changed({"ends": longer})})
    return first.changed(
        {"hung": uprights.foot_for(row, max(row.things[0].reach.left - row.axes[0], ZERO))}
    )


def _pegs_for(hangs: Hangs) -> pegs.Peg:
    """Dowels so long that neighbours pass one another before the ridge of boards as they are at
    first.
    """
    known = AngledRailBrief.model_fields
    shape = Shape.of(known["angled"].default, known["board"].default)
    apart = max(2 * max(listed.item.left, listed.item.right) + listed.air for listed, _ in hangs)
    peg = pegs.Peg(diameter=Fraction(16), depth=Fraction(16), showing=Fraction(60))
    showing = min(max(peg_showing(shape, apart, peg.tilt), peg.showing), LONGEST)
    return peg.changed({"showing": showing})


def suits(items: tuple[Item, ...]) -> Fitness:
    """Short things with a handle, one above the other to both sides."""
    if any(item.across > WIDEST for item in items):
        return Fitness(1, "So wide that what hangs on both sides meets before the ridge.")
    tallest = max(item.above + item.below for item in items)
    if tallest > TALLEST:
        return Fitness(
            int(tallest <= 2 * TALLEST), "So long, few of them hang one above the other."
        )
    return on_hooks(
        items,
        2,
        "Short things fan out to both sides of a ridge: many of them on a strip of wall as wide as"
        " a hand.",
    )


def choices(brief: AngledRailBrief) -> tuple[Section, ...]:
    """What an angled rail alone is asked."""
    right = Field(
        "angled.right",
        "on the right",
        (
            Option(
                "one fewer",
                "one fewer, between",
                "Each peg between two on the left: nothing hangs beside anything.",
            ),
            Option(
                "as many",
                "as many, half higher",
                "The same count, half a pitch up: the top end is that much longer.",
            ),
            Option(
                "opposite",
                "opposite",
                "Both boards marked alike: the quickest, with things side by side.",
            ),
            Option(
                "none",
                "none",
                "Beside a door frame or a corner, where only one side is free; for things that"
                " differ.",
            ),
        ),
    )
    asked = (
        right,
        *ridge.fields(brief.angled),
        Field("angled.magnet", "magnet", figure="angled.magnet"),
    )
    figures = (
        *ridge.FIGURES,
        "angled.apart",
        "angled.glue",
        *(("angled.magnet.up",) if brief.angled.magnet else ()),
    )
    return (*kit.choices(brief.holder), Section("Ridge", asked, figures))


FAMILY = Family(
    "angled-rail",
    "Angled rail",
    "Two boards joined to a ridge up the wall: pegs fan out to both sides.",
    AngledRailBrief,
    start,
    fitting,
    build,
    suits,
    choices,
    rows="one",
)
