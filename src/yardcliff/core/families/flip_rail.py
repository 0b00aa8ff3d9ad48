"""The flip rail: a board whose pegs fold up flush into grooves when nothing hangs on them."""

from typing import Literal

from yardcliff.core.brief import Board, RackBrief
from yardcliff.core.choices import Field, Section
from yardcliff.core.exact import Fraction
from yardcliff.core.families.family import Family, Fitness, Hangs, on_hooks, row_for
from yardcliff.core.families.shared import Body, assemble, boards, ground, stand_rows
from yardcliff.core.holders import flip as flips
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.item import Item
from yardcliff.core.length import TapeName
from yardcliff.core.rack import Rack
from yardcliff.core.row import Row
from yardcliff.core.rows import FIXTURE_GAP


class FlipRailBrief(RackBrief):
    """A board with a row of flip pegs, or several below one another; `hung` is the height of the pins."""

    family: Literal["flip-rail"] = "flip-rail"
    flip: flips.Flip = flips.Flip()
    board: Board = Board(height=Fraction(160), thickness=Fraction(24), wood="hardwood")


def fitting(brief: FlipRailBrief) -> Fitting:
    """The flip peg on the brief's board."""
    return flips.fit(brief.flip, ground(brief, "Board", flips.line(brief.flip)))


def build(brief: FlipRailBrief, fitted: Fitting, first: Row) -> Rack:
    """The board, or several, with its grooves."""
    least = fitted.glyph.height + FIXTURE_GAP if brief.rows.boards == "one" else brief.board.height
    standing = stand_rows(brief, first, least)
    parts, marked = boards(brief, standing, first.length, flips.line(brief.flip), "Board")
    return assemble(brief, fitted, standing, least, Body("flip-rail", parts, marked))


def start(hangs: Hangs, tape: TapeName) -> FlipRailBrief:
    """Fingers as long as the deepest thing asks for and as wide as the heaviest, in a board that takes them folded."""
    shared = row_for(hangs, tape)
    shared["row"]["fixture_gap"] = 2 * flips.SEAT
    first = FlipRailBrief.model_validate(shared)
    deepest = max(item.front for item in first.kinds.values())
    flip = first.flip.model_copy(update={"length": min(max(Fraction(70), deepest // 10 * 10 + 10), Fraction(130))})
    while flips.stress(flip, first.load_g) > flips.allowed():
        flip = flip.model_copy(update={"width": flip.width + 4})
    height = Fraction(-(-flips.tall(flip) // 5) * 5)
    return first.model_copy(update={"flip": flip, "board": first.board.model_copy(update={"height": height})})


def suits(items: tuple[Item, ...]) -> Fitness:
    """What hangs on a peg now and then: in a passage, a folded peg catches nobody."""
    if any(item.weight_g > 5000 for item in items):
        return Fitness(1, "So heavy that a folding peg is the wrong place for it.")
    return on_hooks(items, 2, "Folded away when nothing hangs there: a flush board in a passage catches no sleeve.")


def choices(_: FlipRailBrief) -> tuple[Section, ...]:
    """What a flip rail alone is asked."""
    fields = (
        Field("flip.length", "finger"),
        Field("flip.width", "wide"),
        Field("flip.thickness", "thick"),
        Field("flip.play", "play"),
        Field("flip.tilt", "tilt °"),
        Field("flip.pin", "pin"),
    )
    figures = ("flip.groove", "flip.long", "flip.out", "flip.web", "flip.board", "flip.stress")
    return (Section("Fingers", fields, figures),)


FAMILY = Family(
    "flip-rail",
    "Flip rail",
    "A board whose pegs fold flush into grooves.",
    FlipRailBrief,
    start,
    fitting,
    build,
    suits,
    choices,
    rows="boards",
)
