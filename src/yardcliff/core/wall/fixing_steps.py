"""The steps by which one body is hung or screwed to the wall."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.wall.anchors import HOLLOW
from yardcliff.core.wall.fixed import Fixed

DUST = Fraction(10)
"""A hole in masonry is so much deeper than its screw, mm: dust stays in it."""


@dataclass(frozen=True, slots=True)
class WallHole:
    """A hole in the wall: how far from the left corner and from the floor, and what it meets."""

    number: int
    body: str
    x: Fraction
    y: Fraction
    into: str


@dataclass(frozen=True, slots=True)
class Step:
    """One thing to do, and why it comes here; which holes' screws it `drives`, by their numbers, or
    whether the rack was made so before.
    """

    do: str
    why: str = ""
    drives: tuple[int, ...] = ()
    at_the_bench: bool = False


def hung(
    fixing: Fixed, holes: Sequence[WallHole], tape: Tape, before: WallHole | None
) -> Iterator[Step]:
    """What hangs on heads that stand out of the wall: all holes are marked on the wall, none
    through the rack.
    """
    first, others = holes[0], holes[1:]
    name = called(fixing)
    along = (
        "plumb below it"
        if _column(holes)
        else (
            "along a level"
            if len({hole.y for hole in holes}) == 1
            else "along a level and plumb below"
        )
    )
    rest = f"; then {_numbers(others)} {along}, by the hole list" if others else ""
    yield Step(
        f"Mark hole {first.number}: {_place(first, tape)}{_across(first, before, tape)}{rest}.",
        "All plates have to bear at once.",
    )
    yield Step(
        f"{_drill(fixing, tape)}{_set(fixing)} Leave the heads standing out by the plate's"
        f" thickness, and slide the {name} on.",
        drives=tuple(hole.number for hole in holes),
    )


def screwed(
    fixing: Fixed, holes: Sequence[WallHole], tape: Tape, before: WallHole | None
) -> Iterator[Step]:
    """What is screwed to the wall through its own holes. A screw that finds its hold goes in at
    once and the body turns on it until it is level or plumb; what has to be set in the wall first
    is marked with all its fellows.
    """
    thing = {"batten": "wall batten", "cleat": "cleat's lower half"}.get(fixing.by, called(fixing))
    first, far, between = _order(holes)
    true = (
        f"Plumb the {thing} with a level along its edge"
        if _column(holes)
        else f"Lay a level on the {thing} and bring it true"
    )
    why = (
        "What stands out of plumb shows from the door."
        if _column(holes)
        else "Level by the bubble, not by the floor: floors are seldom level."
    )
    there = f"{_place(first, tape)}{_across(first, before, tape)}"
    if fixing.anchor.in_studs or fixing.anchor.key == "sheet":
        turns = (
            f"One screw, not tight: the {thing} can still turn on it."
            if before is None and far
            else ""
        )
        yield Step(
            f"Screw {first.number} first: {there}. {_drill(fixing, tape)}", turns, (first.number,)
        )
        if far is None:
            yield Step(f"{true}, and drive it home.", why)
            return
        yield Step(f"{true}, and mark through hole {far.number}: {_place(far, tape)}.", why)
        rest = f"; then {_numbers(between)}" if between else ""
        yield Step(
            f"{'Drive' if fixing.anchor.bit is None else 'Drill and drive'} {far.number}, check"
            f" that it is true{rest}.",
            drives=(far.number, *(hole.number for hole in between)),
        )
        return
    every = tuple(hole.number for hole in holes)
    yield Step(
        f"Hold the {thing} up with hole {first.number} at {there}. {true}, and mark through"
        f" {_numbers(holes)}.",
        why,
    )
    if fixing.anchor.key == "toggles":
        yield Step(
            f"Take the {thing} down. {_drill(fixing, tape)}",
            "A folded toggle is wider than its bolt.",
        )
        yield Step(
            f"Put the bolts through the {thing}, a washer under each head and a toggle on each"
            " thread; press all of them through the lining, and tighten them in turn.",
            "A toggle falls off behind the lining when its bolt is taken out again.",
            every,
        )
        return
    yield Step(
        f"Take the {thing} down. {_drill(fixing, tape)}{_set(fixing)}",
        "They do not go in through the wood.",
    )
    last = (
        f", then {far.number}, check that it is"
        f" true{f', then {_numbers(between)}' if between else ''}"
        if far
        else ""
    )
    yield Step(f"Put it back: drive {first.number}{last}.", drives=every)


def called(fixing: Fixed) -> str:
    """What is held up: a board by its name, several that are joined as the rack."""
    return "rack" if len(fixing.body.grounds) > 1 else fixing.body.name.lower()


def _order(holes: Sequence[WallHole]) -> tuple[WallHole, WallHole | None, list[WallHole]]:
    """The hole to begin with, at the top and left; the one that brings it true, furthest from that
    along its level or down its plumb line; and those between.
    """
    first = holes[0]
    level = [hole for hole in holes if hole.y == first.y]
    far = (
        level[-1]
        if len(level) > 1
        else max(holes[1:], key=lambda hole: (abs(hole.x - first.x), -hole.y), default=None)
    )
    return first, far, [hole for hole in holes if hole not in (first, far)]


def _column(holes: Sequence[WallHole]) -> bool:
    """Whether they lie one above the other."""
    return len({hole.x for hole in holes}) == 1 and len(holes) > 1


def _place(hole: WallHole, tape: Tape) -> str:
    return f"{tape.write(hole.x)} from the left corner, {tape.write(hole.y)} from the floor"


def _across(first: WallHole, before: WallHole | None, tape: Tape) -> str:
    """How a body that hangs beside another is brought to its height."""
    if before is None or before.y != first.y:
        return ""
    return f", level with hole {before.number} and {tape.write(abs(first.x - before.x))} from it"


def _numbers(holes: Sequence[WallHole]) -> str:
    """`2, 3 and 5`."""
    numbers = [str(hole.number) for hole in holes]
    return numbers[0] if len(numbers) == 1 else f"{', '.join(numbers[:-1])} and {numbers[-1]}"


def _set(fixing: Fixed) -> str:
    """What goes into the wall before the screws, if anything does."""
    if fixing.anchor.in_studs or fixing.anchor.key == "sheet":
        return ""
    return f" Set the {fixing.anchor.name.split(',')[0]} in every hole."


def _drill(fixing: Fixed, tape: Tape) -> str:
    if fixing.anchor.bit is None:
        return "No hole first: it cuts its own."
    bit = tape.write_fine(fixing.anchor.bit)
    if fixing.anchor.key in HOLLOW:
        return f"Drill {bit}, through the lining."
    room = DUST if fixing.anchor.key == "plugs" else 0
    return f"Drill {bit}, {tape.write_fine(fixing.length - fixing.wood + room)} deep."
