"""The perch: a back plate with a sloped shelf on brackets, a stop that nothing slides over, and
hooks or pegs below.

At a slope s down to the front, a shelf t thick and d deep is bevelled by s at its back: it is cut d
+ t tan s wide, and its front lies d sin s lower.
"""

from dataclasses import replace
from math import ceil, cos, radians, sin, tan

from yardcliff.core.brief.choices import Field, Section
from yardcliff.core.findings.finding import Finding, Fix, Patch
from yardcliff.core.holders import kit
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.materials.sold import JOINS, screws
from yardcliff.core.rack import (
    Face,
    Hold,
    Joint,
    Kind,
    Operation,
    Outline,
    Part,
    Place,
    Rack,
    drill,
)
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import Standing
from yardcliff.core.shapes.geometry import line, rounded
from yardcliff.core.things.item import Item
from yardcliff.core.units.angles import both_ways, degrees
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, exact_text
from yardcliff.core.units.trade import either, up
from yardcliff.core.ways.family import (
    Family,
    Fitness,
    Hangs,
    held_by,
    on_hooks,
    read_start,
    row_for,
)
from yardcliff.core.ways.joinery import (
    APART,
    BITE,
    BRACKET_BITE,
    LEG,
    REACH,
    clearance,
    meet,
    pilot_bit,
    pinned,
    screwed,
)
from yardcliff.core.ways.perch_figures import PerchBrief, figures, findings, room
from yardcliff.core.ways.prisms import prism
from yardcliff.core.ways.shared import Body, assemble, ground
from yardcliff.messages import tr

LINE, BELOW, ROUND = (
    either("40 mm", "1 1/2 in"),
    either("15 mm", "5/8 in"),
    either("10 mm", "1/2 in"),
)
"""The hooks' axis at first: so high on the plate, or so much below their own plates; and what the
plate's height is rounded to.
"""
TALL = Fraction(400)
"""A plate that is surely tall enough to try, mm."""
LONGEST = Fraction(700)
ZERO = Fraction(0)

NOTES = ("ways.along-shelfs-edge-tilted-as-shelf", "ways.through-plates-holes-along-shelf")
"""Of the screws between plate and shelf."""
ENTRY = Fraction(2, 3)
"""Where they meet the shelf's edge, as a share of its thickness from above: behind the plate they
come out higher.
"""


def fitting(brief: PerchBrief) -> Fitting:
    """The brief's holder on the back plate."""
    fitted = kit.fit(brief.holder, ground(brief, brief.low))
    return replace(
        fitted, findings=tuple(_raised(brief, fitted, finding) for finding in fitted.findings)
    )


def _raised(brief: PerchBrief, fitted: Fitting, finding: Finding) -> Finding:
    """A holder too near the plate's edge is settled by where it stands on this plate, not by its
    middle.
    """
    if finding.code != "board.narrow" or not isinstance(finding.limit, Fraction):
        return finding
    low = up(finding.limit + fitted.glyph.height / 2, brief.sizes)
    changes: Patch = {
        "low": exact_text(low),
        "board": {"height": exact_text(max(brief.board.height, 2 * low))},
    }
    return replace(
        finding, fixes=(Fix(tr("fix.hooks-up", low=brief.in_hand.write_fine(low)), changes),)
    )


def build(brief: PerchBrief, fitted: Fitting, row: Row) -> Rack:
    """The plate with its shelf, brackets and stop."""
    board, shelf, wood = brief.board, brief.perch, brief.board.wood
    foot = brief.hung - brief.low
    plate = Part(
        "back-plate",
        tr("part.back-plate"),
        ZERO,
        foot,
        ZERO,
        row.length,
        board.height,
        board.thickness,
        wood,
    )
    s, thick, deep = radians(shelf.slope), float(shelf.thickness), float(shelf.depth)
    z, y = float(board.thickness), float(foot + board.height) - thick / cos(s)

    def at(along: float, across: float) -> tuple[float, float]:
        """From the slope to (z, y): along it from its lower back edge, across it upward."""
        return z + along * cos(s) + across * sin(s), y - along * sin(s) + across * cos(s)

    top = replace(
        prism(
            "shelf",
            tr("part.shelf"),
            ZERO,
            row.length,
            (at(0, 0), at(deep, 0), at(deep, thick), at(-thick * tan(s), thick)),
            wood,
        ),
        sawn=(rounded(deep + thick * tan(s)), shelf.thickness),
    )
    front = deep + float(shelf.stop_thickness)
    stop = replace(
        prism(
            "stop",
            tr("part.stop"),
            ZERO,
            row.length,
            (
                at(deep, 0),
                at(front, 0),
                at(front, thick + float(shelf.stop)),
                at(deep, thick + float(shelf.stop)),
            ),
            wood,
        ),
        sawn=(shelf.thickness + shelf.stop, shelf.stop_thickness),
    )
    under = deep * float(REACH)
    wide = min(shelf.bracket, row.length / 2)
    spans = max(1, ceil((row.length - wide) / APART.of(brief.sizes)))
    brackets = tuple(
        prism(
            f"bracket-{k + 1}",
            tr("part.bracket", number=k + 1),
            (row.length - wide) * k / spans,
            wide,
            (at(0, 0), (z, y - under * float(LEG)), at(under, 0)),
            wood,
        )
        for k in range(spans + 1)
    )
    low = rounded(y - under * float(LEG))
    body = Body(
        "perch",
        (plate, top, stop, *brackets),
        ((plate.key, brief.low),),
        (
            Joint(top.key, plate.key, Hold.SCREWS),
            pinned(brief.sizes, stop, top),
            *(
                Joint(part.key, other, Hold.SCREWS)
                for part in brackets
                for other in (plate.key, top.key)
            ),
        ),
        _machining(brief, plate, top, brackets),
        tuple(figures(brief, under)),
        tuple(findings(brief, fitted, low)),
        (tr("caution.bevels-guard-stays-on-saw-offcut"),),
        outlines=(
            Outline(
                tr("ways.a-bracket"),
                (
                    *line((0, 0), (0, -under * float(LEG)), (under * cos(s), -under * sin(s))),
                    ("Z", ()),
                ),
                tr("ways.the-back-plate"),
                tr("ways.paste-on-strip-saw-all-brackets"),
            ),
        ),
    )
    return assemble(brief, fitted, (Standing(row, ZERO, ZERO),), ZERO, body)


def _machining(
    brief: PerchBrief, plate: Part, top: Part, brackets: tuple[Part, ...]
) -> tuple[Operation, ...]:
    shelf, s = brief.perch, radians(brief.perch.slope)
    deep = min(BITE.of(brief.sizes), shelf.depth / 2)
    # The screws lie along the slope: they leave the plate's back higher than they meet the shelf.
    edge = rounded(float(shelf.thickness * ENTRY) / cos(s))
    rise = rounded(float(plate.thickness) * tan(s))
    level = plate.y + plate.height - edge
    along = meet(brief.sizes, plate, top, max(2, ceil(plate.length / 250) + 1), {1: (level, level)})
    into, behind = screwed(brief.sizes, [along], deep, NOTES, shelf.slope)
    into = replace(
        into, places=tuple(place._replace(across=place.across + rise) for place in into.places)
    )
    behind = replace(
        behind,
        places=tuple(place._replace(across=edge) for place in behind.places),
        web=shelf.depth - deep,
    )
    out = rounded(float(shelf.depth * REACH)) / 2
    middles = [part.x + part.length / 2 for part in brackets]
    return (
        Operation(
            Kind.BEVEL,
            (top.key,),
            tr("tool.edge-ripped-on-the-slope"),
            shelf.thickness,
            None,
            shelf.slope,
            None,
            tr("stop.the-fence"),
            tr("ways.bevel-before-cut-width-long-face"),
            how=both_ways(shelf.slope),
            places=(Place(top.key, Face.BACK, ZERO, ZERO),),
            cut=(ZERO, top.along, ZERO, top.height),
        ),
        Operation(
            Kind.BRACKET,
            tuple(part.key for part in brackets),
            tr("tool.corner-less-the-slope"),
            shelf.bracket,
            None,
            90 - shelf.slope,
            None,
            tr("stop.a-stop-block"),
            tr("ways.all-from-one-strip-turned-end"),
            how=tr("ways.a-corner-of", slope=degrees(90 - shelf.slope)),
            places=tuple(Place(part.key, Face.LEFT, ZERO, ZERO) for part in brackets),
            cut=(ZERO, brackets[0].height, ZERO, brackets[0].depth),
            spot=tr("spot.corner"),
        ),
        into,
        behind,
        *screwed(
            brief.sizes,
            [meet(brief.sizes, plate, part, 1) for part in brackets],
            BRACKET_BITE.of(brief.sizes),
            ("ways.one-behind-each-brackets-leg", "ways.into-the-leg-half-way-down"),
        ),
        drill(
            Kind.SCREW_HOLE,
            (
                Place(top.key, Face.TOP, x, shelf.depth - out, joins=part.key)
                for x, part in zip(middles, brackets, strict=True)
            ),
            clearance(brief.sizes),
            tr("ways.square-slope-one-above-each-bracket"),
            head="countersunk",
        ),
        drill(
            Kind.JOINT_PILOT,
            (Place(part.key, Face.TOP, part.length / 2, out, joins=top.key) for part in brackets),
            pilot_bit(brief.board.wood, brief.sizes),
            tr("ways.into-the-bracket-under-the-shelf"),
            deep=BRACKET_BITE.of(brief.sizes),
            takes=(
                screws(
                    JOINS.of(brief.sizes),
                    shelf.thickness + BRACKET_BITE.of(brief.sizes),
                    len(brackets),
                ),
            ),
        ),
    )


def start(hangs: Hangs, tape: Tape) -> PerchBrief:
    """A plate as tall as brackets and hooks ask for."""
    shared = row_for(hangs, tape) | held_by(hangs, tape)
    first = read_start(PerchBrief, shared)
    trade = tape.sizes
    half = fitting(first).glyph.height / 2
    line = max(LINE.of(trade), up(half + BELOW.of(trade), trade))
    placed = first.changed({"low": line, "board": first.board.changed({"height": TALL})})
    under = float(placed.perch.depth * REACH)
    thick = float(placed.perch.thickness) / cos(radians(placed.perch.slope))
    tall = float(line + room(placed, fitting(placed))) + under * float(LEG) + thick
    height = up(rounded(tall), trade, ROUND)
    return placed.changed({"board": placed.board.changed({"height": height})})


def suits(items: tuple[Item, ...]) -> Fitness:
    """Short things on hooks, and a shelf for what has none."""
    if any(item.below > LONGEST for item in items):
        return Fitness(1, tr("ways.things-long-hang-better-from-plain"))
    return on_hooks(items, 2, tr("ways.hooks-below-sloped-shelf-for-what"))


def choices(brief: PerchBrief) -> tuple[Section, ...]:
    """What a perch alone is asked."""
    fields = (
        Field("perch.depth", tr("ways.deep")),
        Field("perch.thickness", tr("ways.thick-label")),
        Field("perch.slope", tr("ways.slope")),
        Field("perch.stop", tr("ways.stop")),
        Field("perch.stop_thickness", tr("ways.stop-thick")),
        Field("perch.bracket", tr("ways.bracket")),
        Field("low", tr("ways.hooks-up")),
    )
    figures = ("perch.lower", "perch.cut", "perch.bevel", "perch.bracket", "perch.leg")
    return (
        *kit.choices(brief.holder, brief.sizes),
        Section(tr("section.sloped-shelf"), fields, figures),
    )


FAMILY = Family(
    "perch",
    "ways.perch",
    "ways.sloped-shelf-with-stop-on-brackets",
    PerchBrief,
    start,
    fitting,
    build,
    suits,
    choices,
    rows="one",
)
