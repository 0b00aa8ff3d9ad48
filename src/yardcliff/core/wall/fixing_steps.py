"""The steps by which one body is hung or screwed to the wall."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.wall.anchors import HOLLOW
from yardcliff.core.wall.fixed import Fixed
from yardcliff.messages import listed, tr

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
        tr("wall.plumb-below-it")
        if _column(holes)
        else (
            tr("wall.along-a-level")
            if len({hole.y for hole in holes}) == 1
            else tr("wall.along-a-level-and-plumb-below")
        )
    )
    rest = tr("wall.then-by-the-hole-list", numbers=_numbers(others), along=along) if others else ""
    yield Step(
        tr(
            "wall.mark-hole",
            number=first.number,
            place=_place(first, tape),
            across=_across(first, before, tape),
            rest=rest,
        ),
        tr("wall.all-plates-have-bear-at-once"),
    )
    yield Step(
        tr(
            "wall.leave-heads-standing-out-by-plates",
            drill=_drill(fixing, tape),
            set=_set(fixing),
            name=name,
        ),
        drives=tuple(hole.number for hole in holes),
    )


def screwed(
    fixing: Fixed, holes: Sequence[WallHole], tape: Tape, before: WallHole | None
) -> Iterator[Step]:
    """What is screwed to the wall through its own holes. A screw that finds its hold goes in at
    once and the body turns on it until it is level or plumb; what has to be set in the wall first
    is marked with all its fellows.
    """
    thing = {"batten": tr("wall.wall-batten"), "cleat": tr("wall.cleats-lower-half")}.get(
        fixing.by, called(fixing)
    )
    first, far, between = _order(holes)
    true = (
        tr("wall.plumb-with-level-along-its-edge", thing=thing)
        if _column(holes)
        else tr("wall.lay-level-on-bring-true", thing=thing)
    )
    why = (
        tr("wall.what-stands-out-plumb-shows-from")
        if _column(holes)
        else tr("wall.level-by-bubble-not-by-floor")
    )
    there = f"{_place(first, tape)}{_across(first, before, tape)}"
    if fixing.anchor.in_studs or fixing.anchor.key == "sheet":
        turns = (
            tr("wall.one-screw-not-tight-can-still", thing=thing) if before is None and far else ""
        )
        yield Step(
            tr("wall.screw-first", number=first.number, there=there, drill=_drill(fixing, tape)),
            turns,
            (first.number,),
        )
        if far is None:
            yield Step(tr("wall.and-drive-it-home", true=true), why)
            return
        yield Step(
            tr("wall.and-mark-through-hole", true=true, number=far.number, place=_place(far, tape)),
            why,
        )
        rest = tr("wall.then", numbers=_numbers(between)) if between else ""
        yield Step(
            tr(
                "wall.check-that-it-is-true",
                does=tr("wall.drive") if fixing.anchor.bit is None else tr("wall.drill-and-drive"),
                number=far.number,
                rest=rest,
            ),
            drives=(far.number, *(hole.number for hole in between)),
        )
        return
    every = tuple(hole.number for hole in holes)
    yield Step(
        tr(
            "wall.hold-up-with-hole-at-mark",
            thing=thing,
            number=first.number,
            there=there,
            true=true,
            numbers=_numbers(holes),
        ),
        why,
    )
    if fixing.anchor.key == "toggles":
        yield Step(
            tr("wall.take-the-down", thing=thing, drill=_drill(fixing, tape)),
            tr("wall.folded-toggle-wider-than-its-bolt"),
        )
        yield Step(
            tr("wall.put-bolts-through-washer-under-each", thing=thing),
            tr("wall.toggle-falls-off-behind-lining-when"),
            every,
        )
        return
    yield Step(
        tr("wall.take-down-and-set", thing=thing, drill=_drill(fixing, tape), set=_set(fixing)),
        tr("wall.they-do-not-go-in-through"),
    )
    last = (
        tr(
            "wall.then-check-that-it-is-true",
            number=far.number,
            numbers=tr("wall.and-then", numbers=_numbers(between)) if between else "",
        )
        if far
        else ""
    )
    yield Step(tr("wall.put-it-back-drive", number=first.number, last=last), drives=every)


def called(fixing: Fixed) -> str:
    """What is held up: a board by its name, several that are joined as the rack."""
    return tr("wall.rack") if len(fixing.body.grounds) > 1 else fixing.body.name.lower()


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
    return tr("wall.from-left-corner-from-floor", x=tape.write(hole.x), y=tape.write(hole.y))


def _across(first: WallHole, before: WallHole | None, tape: Tape) -> str:
    """How a body that hangs beside another is brought to its height."""
    if before is None or before.y != first.y:
        return ""
    return tr(
        "wall.level-with-hole-and-from-it",
        number=before.number,
        x=tape.write(abs(first.x - before.x)),
    )


def _numbers(holes: Sequence[WallHole]) -> str:
    """`2, 3 and 5`."""
    return listed(str(hole.number) for hole in holes)


def _set(fixing: Fixed) -> str:
    """What goes into the wall before the screws, if anything does."""
    if fixing.anchor.in_studs or fixing.anchor.key == "sheet":
        return ""
    return tr("wall.set-the-in-every-hole", fixing=fixing.anchor.name.split(",")[0])


def _drill(fixing: Fixed, tape: Tape) -> str:
    if fixing.anchor.bit is None:
        return tr("wall.no-hole-first-cuts-its-own")
    bit = tape.write_fine(fixing.anchor.bit)
    if fixing.anchor.key in HOLLOW:
        return tr("wall.drill-through-the-lining", bit=bit)
    room = DUST if fixing.anchor.key == "plugs" else 0
    return tr(
        "wall.drill-deep", bit=bit, length=tape.write_fine(fixing.length - fixing.wood + room)
    )
