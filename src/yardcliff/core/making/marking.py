"""Marking out, as tasks: the rows, and what no row has; what came to be planned since is marked by
a card of its own.
"""

from collections.abc import Iterable, Iterator, Sequence
from itertools import groupby
from math import ceil

from yardcliff.core.design.machining import named, read_from
from yardcliff.core.design.rack_design import Design
from yardcliff.core.making.picture import Marked
from yardcliff.core.making.task import Task
from yardcliff.core.rack import Face, Part, Place
from yardcliff.core.row.marking import Mark
from yardcliff.core.units.exact import Fraction
from yardcliff.core.workshop.shop import tool_name
from yardcliff.messages import tr

PHASE = 4
MOST_MARKS = 80
"""Beyond so many marks they are read off the tape, and not one by one."""
CUT = frozenset({"cut", "square"})
PAIR = ("making.clamp-them-side-by-side-ends", "making.write-top-on-same-end-each")

TOOLS = ("tape", "pencil", "awl", "try square")


def marked(done: Design) -> Iterator[Task]:
    """All of it; rows that are marked alike in one go."""
    for group in done.rack.alike:
        key, marks = f"mark:{'+'.join(map(str, group))}", done.marks_by_row[group[0]]
        yield _row(done, key, group, marks)
        more = [mark for mark in marks if done.there.unmarked(_place(done, group[0], mark))]
        if more and key in done.there.cards:
            yield _row(done, done.there.anew(key), group, more)
    yield from _holes(done)


def _place(done: Design, row: int, mark: Mark) -> Place:
    """A holder's place on the face that its row is marked on."""
    on = done.rack.rows[row]
    return Place(
        on.part, done.part(on.part).face, on.row.axes[mark.place], on.across, row, mark.place
    )


def _row(done: Design, key: str, group: Sequence[int], marks: Sequence[Mark]) -> Task:
    rack, few, many = done.rack, len(marks) <= MOST_MARKS, len(marks)
    # What answers the holders in other parts is marked across in the same go.
    parts = frozenset(rack.rows[k].part for k in group) | {
        place.part
        for operation in rack.machining
        for place in operation.places
        if place.row in group
    }
    return Task(
        key,
        PHASE,
        tr(
            "making.mark-places",
            n=many,
            parts=", ".join(rack.part(part).name.lower() for part in sorted(parts)),
        ),
        ceil(6 + 0.5 * many),
        parts,
        lines=(
            tuple(f"{mark.place + 1}: {mark.text}" for mark in marks)
            if few
            else (tr("making.off-tape-under-drawing-or-template"),)
        ),
        settings=(
            (tr("setting.first-mark"), marks[0].text),
            (tr("setting.from"), tr("setting.the-foot") if rack.up else tr("setting.the-left-end")),
        ),
        checks=(
            *(map(tr, PAIR) if len(parts) > 1 or rack.up else ()),
            tr("making.hook-tape-once-read-every-mark"),
            tr("making.last-one-from-other-end", end_text=marks[-1].end_text),
        ),
        needs=CUT,
        gives=frozenset({"marked"}),
        tools=tuple(map(tool_name, TOOLS)),
        marks=tuple(_place(done, k, mark) for k in group for mark in marks),
        picture=Marked(marks[0].length, tuple(mark.reading for mark in marks)) if few else None,
    )


def _holes(done: Design) -> Iterator[Task]:
    """Marking what no row has: joints, plates, what goes into the wall; parts that are alike in one
    go.
    """
    alike: dict[tuple[str, tuple[tuple[Face, Fraction, Fraction], ...]], list[list[Place]]] = {}
    parts = {part.key: part for part in done.parts}
    for part in done.parts:
        own = [
            place
            for operation in done.machining
            if operation.kind.marked
            for place in operation.places
            if place.part == part.key and place.holder < 0
        ]
        if own:
            alike.setdefault(
                (named([part]), tuple(sorted({place[1:4] for place in own}))), []
            ).append(own)
    for (name, _), each in alike.items():
        key = f"mark:{each[0][0].part}"
        yield _each(done, key, name, parts, each)
        more = [open_ for own in each if (open_ := [*filter(done.there.unmarked, own)])]
        if more and key in done.there.cards:
            yield _each(done, done.there.anew(key), name, parts, more)


def _each(
    done: Design, key: str, name: str, parts: dict[str, Part], own: Sequence[Sequence[Place]]
) -> Task:
    """The same places on each of some parts."""
    first, at = parts[own[0][0].part], sorted({place[1:4] for place in own[0]})
    many, alike = len(at), len(own) > 1
    return Task(
        key,
        PHASE,
        (
            tr("making.mark-places-on-each", n=many, count=len(own), name=name)
            if alike
            else tr("making.mark-places", n=many, parts=name)
        ),
        ceil(4 + 0.5 * many * len(own)),
        frozenset(places[0].part for places in own),
        lines=tuple(_lines(done, first, at))
        if many <= MOST_MARKS
        else (tr("making.off-the-hole-table"),),
        checks=((tr("making.side-by-side-ends-flush-square"),) if alike else ()),
        needs=CUT,
        gives=frozenset({"marked"}),
        tools=tuple(map(tool_name, TOOLS)),
        marks=tuple(place for places in own for place in places),
    )


def _lines(
    done: Design, part: Part, at: Iterable[tuple[Face, Fraction, Fraction]]
) -> Iterator[str]:
    """Places on a part face by face, as its hole table has them: by their numbers, from its end and
    its edge.
    """
    numbers = {hole.place[1:4]: f"{hole.number} at " for hole in done.holes.get(part.key, ())}
    for face, on in groupby(at, key=lambda one: one[0]):
        along, across, _ = read_from(part, face)
        yield tr(
            "making.from-the-and-from-the", called=part.called(face), along=along, across=across
        ) + "; ".join(
            f"{numbers.get(place, '')}{done.tape.write(place[1])}, {done.tape.write(place[2])}"
            for place in on
        )
