"""When it went wrong: ways to go on from a stray hole or a board that was cut short, each worked
out, the least harmful first.

What is drilled stays where it is: every way pins the holes that are there.
"""

from collections.abc import Iterator
from dataclasses import asdict, replace
from typing import Any

from yardcliff.core.built.board_ways import ways_from_board, ways_from_part
from yardcliff.core.built.hole_ways import ways_from_hole
from yardcliff.core.built.way import CARE, Asked, WayOut
from yardcliff.core.design.measuring import NO_ROW, Subject, subjects
from yardcliff.core.design.rack_design import Design
from yardcliff.core.design.there import Built
from yardcliff.core.making.plan import Made
from yardcliff.core.rack.blanks import part_blanks
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import LONGEST, exact_text
from yardcliff.core.wood.layout import pieces
from yardcliff.core.wood.plan import cut_plan
from yardcliff.core.wood.stock import Supply
from yardcliff.messages import tr

ANEW = "anew"
"""The way by which a part is made again."""


def ways_out(
    done: Design, there: Built, subject: Subject, supply: Supply, made: Made
) -> tuple[WayOut, ...]:
    """Ways to go on from a hole that strays, or from a board that is too short or too long, the
    least harmful first.
    """
    asked = Asked(done, there, subject, supply, made)
    found = [*anew(asked)]
    axes = [axis for row in done.rack.rows for axis in row.row.axes]
    if min(axes) >= 0 and max(axes) < LONGEST:  # a plan that runs off its board holds nothing
        if subject.row == NO_ROW or subject.across:
            found += ways_from_part(asked)
        elif subject.place is None:
            found += ways_from_board(asked)
        else:
            found += ways_from_hole(asked, subject.place)
    return tuple(sorted(found, key=lambda way: (way.stops, _harm(way), way.code)))


def taken(way: WayOut, done: Design, subject: Subject, found: Fraction) -> dict[str, Any]:
    """A way out as it was taken: of what reading, what it clears and scraps, by which steps."""
    at, planned = done.tape.write_given(found), done.tape.write(subject.planned)
    return {
        "code": way.code,
        "text": tr(
            "built.is-at-where-was-planned",
            title=subject.title.capitalize(),
            at=at,
            planned=planned,
            verdict=way.title.lower(),
        ),
        "at": exact_text(found),
        "planned": exact_text(subject.planned),
        "clears": list(way.clears),
        "steps": [asdict(step) for step in way.steps],
        "scraps": (
            {"part": subject.part, "rows": _carried(done, subject.part)}
            if way.code == ANEW
            else None
        ),
        "meant": {what: exact_text(one) for what, one in way.meant.items()},
        "cut_to": [
            [part, exact_text(long), _carried(done, part)] for part, long in way.cut_to.items()
        ],
    }


def _carried(done: Design, part: str) -> list[int]:
    """The rows that a part carries."""
    return [k for k, row in enumerate(done.rack.rows) if row.part == part]


def _harm(way: WayOut) -> Fraction:
    """What a way costs in all: a millimetre out of even, a minute of work and half a unit of money
    weigh alike. Rule of thumb.
    """
    return way.even + way.minutes + Fraction(way.cost or 0, 50) + CARE * way.cares


def anew(asked: Asked) -> Iterator[WayOut]:
    """The part made again: from which stick, for how much, and all its work once more."""
    rack, cutting, write = asked.done.rack, asked.done.brief.cutting, asked.done.tape.write
    key = asked.subject.part
    wanted = pieces(part_blanks(asked.part), cutting)
    plan = cut_plan(wanted, asked.supply, cutting.changed({"locked": {}}), asked.done.tape)
    if plan.missing or not wanted:
        return
    sticks = ", ".join(
        f"{sawn.source.name}, {write(sawn.source.long)}"
        + (f", {tr('built.on-hand')}" if sawn.source.on_hand else "")
        for sawn in plan.sawn
    )
    work = sum(
        task.minutes
        for task in asked.made.tasks
        if key in task.parts and (task.work or task.key.startswith(("mark:", "cut:")))
    )
    on_it = tuple(subject.what for subject in subjects(asked.done) if subject.part == key)
    board = rack.one_board and key == rack.rows[0].part
    name = tr("built.the-board") if board else asked.part.name.lower()
    title = tr(
        "built.make-again", name=name if board or name[-1].isdigit() else tr("built.the", name=name)
    )
    way = asked.tried(ANEW, title, tr("built.from", sticks=sticks), {})
    yield replace(way, minutes=work, cost=plan.cost, clears=on_it)
