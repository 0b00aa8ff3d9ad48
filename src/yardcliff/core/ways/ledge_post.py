"""The ledge post: one upright post with small shelves notched onto it at equal steps, each pinned
by a dowel.
"""

from collections.abc import Iterator
from dataclasses import replace
from typing import ClassVar, Literal

from yardcliff.core.brief.choices import Field, Section
from yardcliff.core.brief.rack_brief import Board, RackBrief
from yardcliff.core.holders import ledge as ledges
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.materials.goods import times
from yardcliff.core.rack import Face, Hold, Joint, Kind, Operation, Part, Place, Rack, drill
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import Standing
from yardcliff.core.things.item import Item, Shape
from yardcliff.core.things.look import standing
from yardcliff.core.things.thing import Reach, Run, Thing
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.trade import EASY, either, usual
from yardcliff.core.ways import uprights
from yardcliff.core.ways.family import Family, Fitness, Hangs, read_start, row_for
from yardcliff.core.ways.shared import Body, assemble, first_row, ground
from yardcliff.messages import tr

FOOTED: frozenset[Shape] = frozenset(
    {"flask", "lantern", "mug", "boot", "shoes", "basket", "helmet"}
)
"""What stands by itself."""
TALLEST, DEEPEST = Fraction(420), Fraction(200)
"""What is taller or deeper tips a small shelf, mm: rule of thumb."""
HAND = either("50 mm", "2 in")
"""Above each thing at first."""
SCREW = either("5 mm", "13/64 in")
"""What a wall screw passes through, mm."""
ZERO = Fraction(0)


class LedgePostBrief(RackBrief):
    """`board` is the post: `height` is how wide it is, `thickness` how deep; each thing has a ledge
    of its own.
    """

    run: ClassVar[Run] = Run.UP

    family: Literal["ledge-post"] = "ledge-post"
    ledge: ledges.Ledge = ledges.Ledge()
    board: Board = usual(
        Board(height=Fraction(70), thickness=Fraction(45)),
        {"height": "3 1/2 in", "thickness": "1 1/2 in"},
    )

    def thing(self, item: Item) -> Thing:
        """A thing with its ledge: half of the ledge below the line, half of it and the
        thing above.
        """
        half = self.ledge.thickness / 2
        return Thing(Reach(half, half + item.above + item.below))


def fitting(brief: LedgePostBrief) -> Fitting:
    """The ledge for the largest thing on the brief's post."""
    return ledges.fit(brief.ledge, ground(brief), tuple(brief.kinds.values()))


def build(brief: LedgePostBrief, fitted: Fitting, row: Row) -> Rack:
    """The post with its ledges."""
    board, ledge, items = brief.board, brief.ledge, tuple(brief.kinds.values())
    stood = uprights.stand(
        ("post",), brief.hung, row, board.height, board.thickness, board.wood, ZERO
    )
    wide, deep = ledges.width(ledge, board.height, items, brief.sizes), ledges.depth(ledge, items)
    back = board.thickness - ledge.notch
    shelves = tuple(
        Part(
            f"ledge-{k + 1}",
            tr("part.ledge-number", number=k + 1),
            stood.middle - wide / 2,
            brief.hung + axis - ledge.thickness / 2,
            back,
            wide,
            ledge.thickness,
            deep + ledge.notch,
            board.wood,
        )
        for k, axis in enumerate(row.axes)
    )
    post = stood.parts[0]
    screws = drill(
        Kind.WALL_HOLE,
        (Place(post.key, Face.FRONT, y, board.height / 2) for y in _between(row)),
        SCREW.of(brief.sizes),
        tr("ways.half-way-between-ledges-where-nothing"),
        head="countersunk",
    )
    body = Body(
        "ledge-post",
        (*stood.parts, *shelves),
        stood.marked,
        tuple(Joint(part.key, post.key, Hold.NOTCH, let_in=ledge.notch) for part in shelves),
        (*_on_ledges(fitted, shelves, post, ledge.notch), screws),
        cautions=(tr("caution.screw-bare-post-up-first-pin"),),
        up_at=(stood.middle,),
        looks={kind: standing(item) for kind, item in brief.kinds.items()},
    )
    return assemble(brief, replace(fitted, machining=()), (Standing(row, ZERO, ZERO),), ZERO, body)


def _on_ledges(
    fitted: Fitting, ledges: tuple[Part, ...], post: Part, notch: Fraction
) -> Iterator[Operation]:
    """What is made on the ledges, each a part of its own: the notch in its back, its dowels in from
    its ends and on through the post.
    """
    for step in fitted.machining:
        dowel = step.kind is Kind.LEDGE_DOWEL
        faces = (Face.LEFT, Face.RIGHT)[: step.count] if dowel else (Face.BACK,)
        places = tuple(_on_ledge(part, face, post, notch) for part in ledges for face in faces)
        parts = tuple(part.key for part in ledges) + ((post.key,) if dowel else ())
        yield replace(
            step, parts=parts, places=places, offsets=(), takes=times(step.takes, len(ledges))
        )


def _on_ledge(ledge: Part, face: Face, post: Part, notch: Fraction) -> Place:
    """The middle of its back's lower edge, or of its notch as an end shows it: there its dowel goes
    to the post.
    """
    if face is Face.BACK:
        return Place(ledge.key, face, ledge.length / 2, ZERO)
    return Place(ledge.key, face, ledge.height / 2, notch / 2, joins=post.key)


def _between(row: Row) -> tuple[Fraction, ...]:
    """Where the post is screwed to the wall: half-way between its ledges, and two
    places at least.
    """
    middles = tuple((low + high) / 2 for low, high in zip(row.axes, row.axes[1:], strict=False))
    return middles if len(middles) > 1 else (row.axes[0] / 2, (row.axes[-1] + row.length) / 2)


def start(hangs: Hangs, tape: Tape) -> LedgePostBrief:
    """Half a space at the ends, and hand room above each thing."""
    shared = row_for(hangs, tape)
    shared["row"]["air"] = max(shared["row"]["air"], HAND.of(tape.sizes))
    if shared["row"]["spacing"] == "even":
        shared["row"] |= {"spacing": "tidy", "tidy": EASY.of(tape.sizes)}
    first = read_start(LedgePostBrief, shared)
    return first.changed(
        {"hung": uprights.foot_for(first_row(first, fitting(first)), ZERO, tape.sizes)}
    )


def suits(items: tuple[Item, ...]) -> Fitness:
    """Small things that stand by themselves."""
    if any(item.shape not in FOOTED for item in items):
        return Fitness(0, tr("ways.nothing-that-stands-by-itself"))
    if any(item.above + item.below > TALLEST or item.front > DEEPEST for item in items):
        return Fitness(1, tr("ways.so-tall-or-so-deep-tips"))
    return Fitness(2, tr("ways.each-stands-on-shelf-its-own"))


def choices(_: LedgePostBrief) -> tuple[Section, ...]:
    """What a ledge post alone is asked."""
    fields = (
        Field("ledge.width", tr("ways.long"), figure="ledge.width"),
        Field("ledge.depth", tr("ways.in-front"), figure="ledge.depth"),
        Field("ledge.thickness", tr("ways.thick-label")),
        Field("ledge.notch", tr("ways.notch")),
        Field("ledge.play", tr("ways.play")),
        Field("ledge.dowel", tr("ways.dowel")),
    )
    return (
        Section(
            tr("section.ledges"), fields, ("ledge.cut", "ledge.notch", "ledge.horn", "ledge.bore")
        ),
    )


FAMILY = Family(
    "ledge-post",
    "ways.ledge-post",
    "ways.one-post-with-small-shelves-notched",
    LedgePostBrief,
    start,
    fitting,
    build,
    suits,
    choices,
    rows="one",
)
