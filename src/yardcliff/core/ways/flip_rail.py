"""The flip rail: pegs that fold up flush when nothing hangs on them, each on a pin in its groove,
or all on one threaded rod with spacers between them, on a backer that is not seen.
"""

from collections.abc import Iterator
from typing import Literal

from yardcliff.core.brief.choices import Field, Option, Section
from yardcliff.core.brief.rack_brief import Board, RackBrief
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders import finger as fingers
from yardcliff.core.holders import finger_fit, flip_fit
from yardcliff.core.holders import flip as flips
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.rack import Face, Hold, Joint, Kind, Operation, Part, Place, Rack, drill
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import FIXTURE_GAP, Standing
from yardcliff.core.things.item import Item
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.trade import EASY, either, up, usual
from yardcliff.core.ways.family import Family, Fitness, Hangs, on_hooks, read_start, row_for
from yardcliff.core.ways.joinery import meet, screwed
from yardcliff.core.ways.shared import Body, assemble, boards, ground, stand_rows
from yardcliff.messages import tr

SHORTEST, LONGEST = either("70 mm", "3 in"), either("130 mm", "5 in")
"""Of a finger at first."""
ROUND, WIDER = either("10 mm", "1/2 in"), either("4 mm", "1/4 in")
"""What its length is rounded to, and by what it is made wider until it holds."""
ZERO = Fraction(0)


class FlipRailBrief(RackBrief):
    """Pegs that turn on pins in a board, or on a rod before a backer; `hung` is the height of pins
    or rod.
    """

    family: Literal["flip-rail"] = "flip-rail"
    turns: Literal["pin", "rod"] = "pin"
    flip: flips.Flip = flips.Flip()
    rod: fingers.Rod = fingers.Rod()
    board: Board = usual(
        Board(height=Fraction(160), thickness=Fraction(26), wood="hardwood"),
        {"height": "6 in", "thickness": "1 1/16 in", "wood": "hardwood"},
    )


def fitting(brief: FlipRailBrief) -> Fitting:
    """The flip peg on the brief's board, or the finger before its backer."""
    if brief.turns == "rod":
        return finger_fit.fit(_finger(brief), brief.rod, ground(brief, _line(brief)))
    return flip_fit.fit(brief.flip, ground(brief, _line(brief)))


def _finger(brief: FlipRailBrief) -> flips.Flip:
    """A finger of the rod's: as long, as wide and as tilted as a flip peg."""
    return brief.flip.changed({"thickness": brief.rod.thickness})


def _line(brief: FlipRailBrief) -> Fraction:
    """Pins or rod above the lower edge of their board, mm; a backer ends with its spacers, behind
    the fingers' heels.
    """
    if brief.turns == "pin":
        return flips.line(brief.flip, brief.sizes)
    return fingers.heel(_finger(brief), brief.rod).below


def build(brief: FlipRailBrief, fitted: Fitting, first: Row) -> Rack:
    """The board, or several, with its grooves or its spacers."""
    rod = brief.turns == "rod"
    least = (
        fitted.tall + FIXTURE_GAP.of(brief.sizes)
        if brief.rows.boards == "one"
        else brief.board.height
    )
    standing = stand_rows(brief, fitted, first, least)
    parts, marked = boards(
        brief, standing, first.length, _line(brief), "backer" if rod else "board"
    )
    if not rod:
        return assemble(brief, fitted, standing, least, Body("flip-rail", parts, marked))
    spacers: list[Part] = []
    joints: list[Joint] = []
    for one, (backer, _) in zip(standing, marked, strict=True):
        for part in _spacers(brief, one, len(spacers)):
            spacers.append(part)
            joints.append(Joint(part.key, backer, Hold.SCREWS))
    body = Body(
        "flip-rail",
        (*spacers, *parts),
        marked,
        tuple(joints),
        _machining(
            brief,
            spacers,
            {part.key: part for part in parts},
            joints,
            [one.row.length for one in standing],
        ),
        tuple(_figures(brief, first, [part for part in spacers if part.y == spacers[0].y])),
        cautions=(tr("caution.put-whole-stack-on-its-rod"),),
    )
    return assemble(brief, fitted, standing, least, body)


def _spacers(brief: FlipRailBrief, standing: Standing, before: int) -> Iterator[Part]:
    """A row's spacers: what fingers and washers leave of the backer's length."""
    tall, deep, below = fingers.spacer(_finger(brief), brief.rod)
    half = brief.flip.width / 2 + fingers.hardware(brief.rod.size).washer
    ends = [
        ZERO,
        *(end for axis in sorted(standing.row.axes) for end in (axis - half, axis + half)),
        standing.row.length,
    ]
    gaps = [(start, end) for start, end in zip(ends[::2], ends[1::2], strict=True) if end > start]
    for k, (start, end) in enumerate(gaps, before + 1):
        yield Part(
            f"spacer-{k}",
            tr("part.spacer-number", number=k),
            start,
            brief.hung - standing.down - below,
            brief.board.thickness,
            end - start,
            tall,
            deep,
            brief.board.wood,
        )


def _machining(
    brief: FlipRailBrief,
    spacers: list[Part],
    backers: dict[str, Part],
    joints: list[Joint],
    lengths: list[Fraction],
) -> tuple[Operation, ...]:
    if not spacers:  # no room for any: the row says so
        return ()
    _, _, below = fingers.spacer(_finger(brief), brief.rod)
    off, bit = brief.rod.thickness / 2 + brief.rod.gap, fingers.hardware(brief.rod.size).bit
    bite = fingers.bite(_finger(brief), brief.rod)
    return (
        fingers.nut_recess(brief.rod, _ends(spacers, below, off), lengths),
        drill(
            Kind.ROD_HOLE,
            (Place(part.key, Face.LEFT, below, off) for part in spacers),
            bit,
            tr(
                "ways.above-lower-end-from",
                below=brief.in_hand.near(below),
                off=brief.in_hand.near(off),
            ),
            stop=tr("ways.through-on-scrap"),
        ),
        *screwed(
            brief.sizes,
            [
                meet(brief.sizes, backers[joint.other], part, 2, {1: _clear(part, below, bit)})
                for joint, part in zip(joints, spacers, strict=True)
            ],
            bite,
            (
                "ways.two-behind-each-spacer-clear-rod",
                "ways.through-backers-holes-spacers-clamped-in",
            ),
        ),
    )


def _ends(spacers: list[Part], below: Fraction, off: Fraction) -> tuple[Place, ...]:
    """The outer side of each row's first and last spacer, about the rod."""
    rows: dict[Fraction, list[Part]] = {}
    for part in spacers:
        rows.setdefault(part.y, []).append(part)
    return tuple(
        Place(part.key, face, below, off)
        for row in rows.values()
        for part, face in ((row[0], Face.LEFT), (row[-1], Face.RIGHT))
    )


def _clear(spacer: Part, below: Fraction, bit: Fraction) -> tuple[Fraction, Fraction]:
    """Up a spacer where screws from behind meet no rod: above it or below, where there is more
    wood.
    """
    rod, top = spacer.y + below, spacer.y + spacer.height
    return (rod + bit, top) if top - rod >= below else (spacer.y, rod - bit)


def _figures(brief: FlipRailBrief, row: Row, spacers: list[Part]) -> Iterator[Figure]:
    bits, width, n = fingers.hardware(brief.rod.size), brief.flip.width, row.holders
    wide = sum((part.length for part in spacers), ZERO)
    count, w, k = (
        Input("n", tr("input.fingers"), str(n)),
        Input("w", tr("input.finger-wide"), width),
        Input("k", tr("input.washer"), bits.washer),
    )
    yield figure(
        "finger.stack",
        n * width + wide + 2 * n * bits.washer,
        "n · w + s + 2 · n · k",
        (count, w, Input("s", tr("input.spacers-together"), wide), k),
    )
    yield figure(
        "finger.rod",
        row.length - 2 * fingers.SUNK.of(brief.sizes),
        "L − 2 · s",
        (
            Input("L", tr("input.length"), row.length),
            Input("s", tr("input.sunk"), fingers.SUNK.of(brief.sizes)),
        ),
    )
    if n > 1 and not row.airy and not row.uneven:
        between = row.pitch - width - 2 * bits.washer
        yield figure(
            "finger.between",
            between,
            "p − w − 2 · k",
            (Input("p", tr("input.pitch"), row.pitch), w, k),
        )


def start(hangs: Hangs, tape: Tape) -> FlipRailBrief:
    """Fingers as long as the deepest thing asks for and as wide as the heaviest, in a board that
    takes them folded.
    """
    shared = row_for(hangs, tape)
    shared["row"]["fixture_gap"] = 2 * flips.SEAT.of(tape.sizes)
    first = read_start(FlipRailBrief, shared)
    deepest = max(item.front for item in first.kinds.values())
    short, long, step = (one.of(tape.sizes) for one in (SHORTEST, LONGEST, ROUND))
    length = min(max(short, deepest // step * step + step), long)
    flip = first.flip.changed({"length": length})
    on = ground(first)
    while next(flips.links(flip, on)).share > 1:
        flip = flip.changed({"width": flip.width + WIDER.of(tape.sizes)})
    flip, on = next(flips.stronger(flip, on), (flip, on))
    height = up(flips.tall(flip, tape.sizes), tape.sizes, EASY)
    board = first.board.changed({"height": height, "thickness": on.thickness})
    return first.changed({"flip": flip, "board": board})


def suits(items: tuple[Item, ...]) -> Fitness:
    """What hangs on a peg now and then: in a passage, a folded peg catches nobody."""
    if any(item.weight_g > 5000 for item in items):
        return Fitness(1, tr("ways.so-heavy-folding-peg-wrong-place"))
    return on_hooks(items, 2, tr("ways.folded-away-when-nothing-hangs-there"))


def choices(brief: FlipRailBrief) -> tuple[Section, ...]:
    """What a flip rail alone is asked."""
    rod = brief.turns == "rod"
    turns = Field(
        "turns",
        tr("ways.turn-on"),
        (
            Option(
                "pin", tr("ways.a-pin-each-in-grooves"), tr("ways.one-board-routed-flat-each-peg")
            ),
            Option(
                "rod", tr("ways.one-threaded-rod"), tr("ways.cut-from-strips-no-router-fingers")
            ),
        ),
    )
    shape = (
        Field("flip.length", tr("ways.finger")),
        Field("flip.width", tr("ways.wide")),
        Field("flip.tilt", tr("ways.tilt")),
    )
    if not rod:
        figures = (
            "flip.groove",
            "flip.long",
            "flip.out",
            "flip.web",
            "flip.board",
            "flip.stress",
            "flip.seat",
        )
        pin = (
            Field("flip.thickness", tr("ways.thick-label")),
            Field("flip.play", tr("ways.play")),
            Field("flip.pin", tr("ways.pin")),
        )
        return (Section(tr("section.fingers"), (turns, *shape, *pin), figures),)
    sizes = tuple(Option(size, size) for size in fingers.rods(brief.sizes))
    threaded = (
        Field("rod.thickness", tr("ways.thick-label")),
        Field("rod.size", tr("ways.rod"), sizes),
        Field("rod.gap", tr("ways.gap-behind")),
        Field("rod.grip", tr("ways.grip")),
    )
    parts = (
        "flip.out",
        "finger.off",
        "finger.bevel",
        "finger.flat",
        "finger.below",
        "finger.spacer",
        "finger.deep",
        "finger.stack",
        "finger.rod",
        "finger.recess",
        "flip.stress",
        "flip.seat",
    )
    return (Section(tr("section.fingers"), (turns, *shape, *threaded), parts),)


FAMILY = Family(
    "flip-rail",
    "ways.flip-rail",
    "ways.pegs-fold-up-flush-into-grooves",
    FlipRailBrief,
    start,
    fitting,
    build,
    suits,
    choices,
    rows="boards",
)
