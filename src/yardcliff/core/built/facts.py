"""What happened to a rack, as facts: each is told once and none is ever changed; a later one may take it back.

What of the rack is there - boards that are cut, holes that are drilled - is read off these alone.
"""

from collections import Counter
from collections.abc import Iterable, Iterator
from dataclasses import dataclass, field
from enum import StrEnum
from typing import Any

from yardcliff.core.built.there import Built, Feature, Mend, PieceKey, Size, Step, key_of
from yardcliff.core.design import Design
from yardcliff.core.exact import Fraction
from yardcliff.core.length import exact_text, read
from yardcliff.core.making.picture import Cuts
from yardcliff.core.making.task import Task
from yardcliff.core.rack import Part, Place

Json = dict[str, Any]
MISREAD = "misread"
"""The way out of which nothing is made anew: what was read was wrong."""


class Kind(StrEnum):
    """What kind of thing happened."""

    DONE = "done"
    """A task was done, or a line of its card: `what` it is ticked by; `data` has its card, and what it `made`."""
    MEASURED = "measured"
    """`what` is `at` a place, and was `planned` at another then."""
    MISHAP = "mishap"
    """A way out was taken: what it `clears` is to be made anew."""
    BOUGHT = "bought"
    """What was on the list was bought: which sticks that `made`, of which `wares` there is more, and money."""
    SAWN = "sawn"
    """What a cut card has was sawn: which sticks were `cut` and `made`, of which `wares` there is more or less, and money."""
    CLOCK = "clock"
    """Somebody came to the bench; a stint of TIME with the same start ends it."""
    TIME = "time"
    FIT = "fit"
    NOTE = "note"
    NEXT = "next"
    BACK = "back"
    """The fact that it `undoes` is taken back."""


@dataclass(frozen=True, slots=True)
class Fact:
    """One thing that happened to a rack, `at` a time or a day on the workshop's wall, by the `id` that its teller gave it."""

    id: str
    rack_id: str
    at: str
    kind: Kind
    what: str = ""
    data: Json = field(default_factory=dict)
    device: str = ""
    undoes: str | None = None

    @property
    def day(self) -> str:
        return self.at[:10]


def made_by(task: Task, done: Design) -> Json:
    """What is there once a task is done, as the plan has it now: parts that are cut, with the rows that they carry and how long these
    are; holes by their row, and what part they are in; what else is drilled.
    """
    rows = done.rack.rows
    cut: Json = {}
    if "cut" in task.gives:
        for part in done.parts:
            if part.key in task.parts:
                long = {str(k): exact_text(row.row.length) for k, row in enumerate(rows) if row.part == part.key}
                cut[part.key] = {"name": part.name, "size": list(map(exact_text, _size(part))), "rows": long}
    holes: dict[str, Json] = {}
    for place in task.places:
        if place.holder >= 0:
            here = holes.setdefault(str(place.row), {"part": rows[place.row].part, "at": {}})
            here["at"][str(place.holder)] = exact_text(rows[place.row].row.axes[place.holder])
    marks = {
        str(k): {str(place): exact_text(rows[k].row.axes[place]) for place in places}
        for k, places in task.marks.items()
    }
    features = [_feature(place) for place in task.places if place.holder < 0]
    return {"cut": cut, "holes": holes, "features": features, "marks": marks, "pieces": list(_pieces(task))}


def _pieces(task: Task) -> Iterator[list[str]]:
    for stick in task.picture.sticks if isinstance(task.picture, Cuts) else ():
        for one in stick.laid:
            blank = one.piece.blank
            yield [blank.part, blank.name, *map(exact_text, (blank.long, blank.wide, blank.thick))]


def _size(part: Part) -> Size:
    return part.along, part.face_width, part.thickness


def _feature(place: Place) -> list[str]:
    return [place.part, str(place.face), exact_text(place.along), exact_text(place.across)]


def ticked(facts: Iterable[Fact]) -> dict[str, str]:
    """When each item was ticked off, of facts that stand."""
    return {one.what: one.at for one in facts if one.kind is Kind.DONE}


def built(facts: Iterable[Fact]) -> Built:
    """What is there, of facts that stand, in their order: what a mishap clears is not there any more."""
    there = _There()
    for one in facts:
        if one.kind is Kind.DONE and "made" in one.data:
            there.make(one.data["made"], one.what)
        elif one.kind is Kind.SAWN:
            there.used = there.used or bool(one.what and one.data["wares"])
        elif one.kind is Kind.MEASURED:
            there.measure(one.what, _mm(one.data["at"]), _mm(one.data["planned"]))
        elif one.kind is Kind.MISHAP:
            for what in one.data.get("clears", ()):
                there.clear(what, one.data.get("code") != MISREAD)
            if steps := one.data.get("steps"):
                there.mends.append(
                    Mend(one.id, one.what, tuple(Step(**step) for step in steps), one.data.get("part", ""))
                )
    return Built(
        there.parts,
        there.names,
        there.boards,
        there.holes,
        there.of,
        frozenset(there.features),
        there.measured,
        there.planned,
        tuple(there.mends),
        there.pieces,
        frozenset(there.cards),
        there.used,
        there.marks,
    )


@dataclass(slots=True)
class _There:
    """What is there, as fact follows fact."""

    parts: dict[str, Size] = field(default_factory=dict)
    names: dict[str, str] = field(default_factory=dict)
    boards: dict[int, Fraction] = field(default_factory=dict)
    carries: dict[int, str] = field(default_factory=dict)
    holes: dict[int, dict[int, Fraction]] = field(default_factory=dict)
    of: dict[int, str] = field(default_factory=dict)
    features: set[Feature] = field(default_factory=set)
    measured: dict[str, Fraction] = field(default_factory=dict)
    planned: dict[str, Fraction] = field(default_factory=dict)
    mends: list[Mend] = field(default_factory=list)
    marks: dict[int, dict[int, Fraction]] = field(default_factory=dict)
    pieces: Counter[PieceKey] = field(default_factory=Counter)
    cards: set[str] = field(default_factory=set)
    used: bool = False

    def make(self, made: Json, task: str) -> None:
        self.cards.add(task)
        for part, name, *size in made["pieces"]:
            long, wide, thick = map(_mm, size)
            self.pieces[part, name, long, wide, thick] += 1
        for key, cut in made["cut"].items():
            along, wide, thick = map(_mm, cut["size"])
            self.parts[key], self.names[key] = (along, wide, thick), cut["name"]
            for row, long in cut["rows"].items():
                self.boards[int(row)], self.carries[int(row)] = _mm(long), key
        for row, here in made["holes"].items():
            self.of[int(row)] = here["part"]
            self.holes.setdefault(int(row), {}).update({int(place): _mm(at) for place, at in here["at"].items()})
        for row, places in made["marks"].items():
            self.marks.setdefault(int(row), {}).update({int(place): _mm(at) for place, at in places.items()})
        self.features |= {(part, face, _mm(along), _mm(across)) for part, face, along, across in made["features"]}

    def measure(self, what: str, at: Fraction, planned: Fraction) -> None:
        self.measured[what] = at
        # The plan may have followed it since: what it was off stays.
        self.planned.setdefault(what, planned)
        if (key := key_of(what)) is not None:  # what is measured is there
            row, place = key
            if place is None:
                self.boards.setdefault(row, planned)
            else:
                self.holes.setdefault(row, {}).setdefault(place, planned)

    def clear(self, what: str, anew: bool) -> None:
        """A reading is void; what it is of may have to be made `anew`, with all that its part carries."""
        self.measured.pop(what, None)
        self.planned.pop(what, None)
        key = key_of(what)
        if key is None or not anew:
            return
        row, place = key
        if place is not None:
            self.holes.get(row, {}).pop(place, None)
            return
        self.boards.pop(row, None)
        part = self.carries.pop(row, "")
        self.parts.pop(part, None)
        self.pieces = Counter({key: many for key, many in self.pieces.items() if key[0] != part})
        self.features = {one for one in self.features if one[0] != part}


def _mm(text: str) -> Fraction:
    return read(text, exact=True)
