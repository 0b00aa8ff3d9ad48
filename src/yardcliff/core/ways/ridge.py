"""Two boards joined to a ridge that stands up the wall: their shape, what closes its ends, and the
bracket behind it.

With 2t between the boards, each w wide and T thick, the ridge stands w cos t off the wall and is 2
w sin t wide. The mitre is sawn at t to the face, the edge on the wall at 90 - t. What is left
behind the ridge is w cos t - T / sin t deep: there a bracket interlocks, one half on the wall and
one in the rail.
"""

from collections.abc import Iterator
from math import cos, sin

from yardcliff.core.brief.choices import Field, Option
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.rack import Face, Hold, Joint, Kind, Operation, Outline, Part, Place, drill
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.units.angles import both_ways, degrees
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text
from yardcliff.core.units.trade import EASY, down, either, up
from yardcliff.core.ways.joinery import clearance, pinned
from yardcliff.core.ways.prisms import prism
from yardcliff.core.ways.ridge_shape import Ridge, Shape, ridge_boards, ridge_caps, ridge_outlines
from yardcliff.core.ways.shared import Extra
from yardcliff.messages import tr

HOLLOW = either("24 mm", "1 in")
"""Behind the ridge at least, so that there is a bracket to hang on, mm: rule of thumb."""
ZERO = Fraction(0)


def stand(
    shape: Shape, foot: Fraction, length: Fraction
) -> tuple[tuple[Part, Part], Extra, tuple[Outline, ...]]:
    """Both boards from the `foot` up, left and right; the caps, the bracket and how all is made;
    outlines at true size.
    """
    boards = ridge_boards(shape, foot, length)
    caps, bracket = ridge_caps(shape, foot, length), _bracket(shape, foot, length)
    joints = [Joint(boards[0].key, boards[1].key, Hold.MITRE)]
    joints += [pinned(shape.sizes, cap, board) for cap in caps for board in boards]
    if bracket:
        joints += [Joint(bracket[0].key, board.key, Hold.EDGES) for board in boards]
        joints.append(Joint(bracket[0].key, bracket[1].key, Hold.HOOKED, glued=False))
    extra = Extra(
        (*bracket, *caps),
        tuple(joints),
        tuple(_machining(shape, boards, bracket)),
        tuple(_figures(shape)),
        tuple(_findings(shape, length)),
        (tr("ways.bevels-guard-stays-on-saw-rip"),),
    )
    return boards, extra, tuple(ridge_outlines(shape, boards))


def _bracket(shape: Shape, foot: Fraction, length: Fraction) -> tuple[Part, ...]:
    """The half that is glued into the rail, under its top, and the one on the wall that it hooks
    over.
    """
    if not shape.hollow:
        return ()
    wide, deep = shape.bracket
    long = float(shape.long)
    top = float(foot + (length + shape.inside(length)) / 2)
    slant = (0.0, top - long), (deep, top - long + deep)
    low = top - 2 * long + deep
    x, across = rounded(shape.half - wide / 2), rounded(wide)
    return (
        prism(
            "rail-bracket",
            tr("part.bracket-in-the-rail"),
            x,
            across,
            (*slant, (deep, top), (0.0, top)),
            "hardwood",
        ),
        prism(
            "wall-bracket",
            tr("part.bracket-on-the-wall"),
            x,
            across,
            (*slant[::-1], (0.0, low), (deep, low)),
            "hardwood",
        ),
    )


def _machining(
    shape: Shape, boards: tuple[Part, ...], bracket: tuple[Part, ...]
) -> Iterator[Operation]:
    thick, t = shape.board.thickness, shape.degrees
    left, right = boards
    ripped = ZERO, left.along, ZERO, left.depth
    yield Operation(
        Kind.MITRE,
        tuple(part.key for part in boards),
        tr("tool.edge-ripped-on-the-bevel"),
        thick,
        None,
        90 - t,
        None,
        tr("stop.the-fence"),
        tr("ways.outer-face-wide-one-glue-with"),
        how=both_ways(90 - t),
        cut=ripped,
        spot=tr("spot.ridge-edge"),
        places=(Place(left.key, Face.RIGHT, ZERO, ZERO), Place(right.key, Face.LEFT, ZERO, ZERO)),
    )
    yield Operation(
        Kind.BEVEL,
        tuple(part.key for part in boards),
        tr("tool.edge-ripped-on-the-bevel"),
        thick,
        None,
        t,
        None,
        tr("stop.the-fence"),
        tr("ways.towards-inner-face-so-lies-flat"),
        how=both_ways(t),
        cut=ripped,
        spot=tr("spot.edge-on-the-wall"),
        places=(Place(left.key, Face.LEFT, ZERO, ZERO), Place(right.key, Face.RIGHT, ZERO, ZERO)),
    )
    if bracket:
        wide, deep = (rounded(n) for n in shape.bracket)
        strip = shape.tape.near(wide)
        yield Operation(
            Kind.HALVES,
            tuple(part.key for part in bracket),
            tr("tool.strip-sawn-through"),
            deep,
            None,
            45,
            None,
            tr("stop.a-stop-block"),
            tr("ways.one-strip-wide-its-front-edges", strip=strip),
            how=both_ways(45),
            many=1,
            spot=tr("spot.middle"),
        )
        wall = bracket[1]
        flat = wall.height - wall.depth
        yield drill(
            Kind.WALL_HOLE,
            (Place(wall.key, Face.FRONT, wall.length / 2, flat * k / 4) for k in (1, 3)),
            clearance(shape.sizes),
            tr("ways.one-above-other-into-stud-slant"),
            head="countersunk",
        )


def _figures(shape: Shape) -> Iterator[Figure]:
    w, thick = (
        Input("w", tr("input.outer-face"), shape.board.height),
        Input("T", tr("input.thick"), shape.board.thickness),
    )
    t = Input("t", tr("input.half-the-angle-between-them"), degrees(shape.degrees))
    yield Figure(
        "overall",
        tr("overall.label.over-all"),
        rounded(2 * shape.half),
        "2 · w · sin t",
        (w, t),
        tr("overall.why.as-wide-as-rail-seen-on"),
    )
    yield figure("angled.off", rounded(shape.off), "w · cos t", (w, t))
    yield figure("angled.mitre", both_ways(90 - shape.degrees), "90° − t", (t,))
    yield figure("angled.bevel", both_ways(shape.degrees), tr("angled.bevel.formula"), (t,))
    yield figure("angled.inner", shape.inner, "max(w − T / (sin t · cos t), 0)", (w, thick, t))
    yield figure(
        "angled.hollow", rounded(shape.hollow), "max(w · cos t − T / sin t, 0)", (w, thick, t)
    )
    inputs = (
        Input("b", tr("input.asked-for"), shape.ridge.bracket),
        Input("d", tr("input.deep"), rounded(shape.bracket[1])),
    )
    yield figure("angled.bracket", shape.long, "max(b, 2 · d)", inputs)
    yield figure("angled.peg", degrees(90 - shape.degrees), "90° − t", (t,))


def _findings(shape: Shape, length: Fraction) -> Iterator[Finding]:
    write = shape.tape.write_fine
    if shape.hollow < HOLLOW.of(shape.sizes):
        need = (shape.board.thickness / rounded(sin(shape.t)) + HOLLOW.of(shape.sizes)) / rounded(
            cos(shape.t)
        )
        wide = up(need + EASY.of(shape.sizes), shape.sizes)
        yield Finding(
            "angled.hollow",
            tr("part.boards"),
            tr("angled.hollow"),
            tr("quantity.behind-the-ridge"),
            rounded(shape.hollow),
            HOLLOW.of(shape.sizes),
            fixes=(
                Fix(
                    tr("fix.boards-wide", wide=write(wide)), {"board": {"height": exact_text(wide)}}
                ),
            ),
        )
    room, need = shape.inside(length), 2 * shape.long
    if room >= need or not shape.hollow:
        return
    short, deep = down(room / 2, shape.sizes), rounded(2 * shape.bracket[1])
    long = up(need + length - room, shape.sizes)
    yield Finding(
        "angled.bracket",
        tr("part.bracket-plain"),
        tr("angled.bracket"),
        tr("quantity.between-the-ends"),
        room,
        need,
        fixes=(
            *(
                (
                    Fix(
                        tr("fix.each", short=write(short)),
                        {"angled": {"bracket": exact_text(short)}},
                    ),
                )
                if short >= deep and short > 0
                else ()
            ),
            Fix(
                tr("fix.a-rail-long", long=write(long)),
                {"row": {"length": exact_text(long), "follows": "ends"}},
            ),
        ),
    )


def fields(ridge: Ridge) -> tuple[Field, ...]:
    """What a ridge is asked, in a brief that keeps it as `angled`."""
    caps = Field(
        "angled.caps",
        tr("ways.ends"),
        (
            Option(
                "over", tr("ways.caps-over-the-ends"), tr("ways.they-hide-mitre-hollow-sawn-little")
            ),
            Option(
                "inside", tr("ways.caps-let-in"), tr("ways.flush-between-boards-boards-ends-seen")
            ),
            Option("none", tr("ways.open"), tr("ways.least-work-hollow-shows-from-below")),
        ),
    )
    thick = (Field("angled.cap", tr("ways.cap-thick")),) if ridge.caps != "none" else ()
    return (
        Field("angled.angle", tr("ways.angle")),
        caps,
        *thick,
        Field("angled.bracket", tr("ways.bracket")),
        Field("angled.bracket_thick", tr("ways.bracket-thick")),
    )


FIGURES = (
    "overall",
    "angled.off",
    "angled.mitre",
    "angled.bevel",
    "angled.inner",
    "angled.hollow",
    "angled.bracket",
    "angled.peg",
)
"""The keys of what follows from it."""
