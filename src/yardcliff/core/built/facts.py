"""What happened to a rack, as facts: each is told once and none is ever changed; a later one may
take it back.

What of the rack is there - boards that are cut, holes that are drilled - is read off these alone.
"""

from collections import Counter
from collections.abc import Collection, Iterable, Iterator
from dataclasses import dataclass, field, replace
from enum import StrEnum
from typing import Any

from yardcliff.core.design.rack_design import Design
from yardcliff.core.design.there import Built, Feature, Mend, PieceKey, Size, Step, key_of, part_of
from yardcliff.core.making.task import Task
from yardcliff.core.rack import Part, Place
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text
from yardcliff.core.units.length_text import read

Json = dict[str, Any]


class Kind(StrEnum):
    """What kind of thing happened."""

    DONE = "done"
    """A task was done, or a line of its card: `what` it is ticked by; `data` has its card, and what
    it `made`.
    """
    MEASURED = "measured"
    """`what` is `at` a place, and was `planned` at another then."""
    MISHAP = "mishap"
    """A way out was taken: the readings that it `clears` are void, its `steps` come to the bench;
    what it `scraps` is made anew.
    """
    BOUGHT = "bought"
    """What was on the list was bought: which sticks that `made`, of which `wares` there is more,
    and money.
    """
    SAWN = "sawn"
    """What a cut card has was sawn: which sticks were `cut` and `made`, of which `wares` there is
    more or less, and money.
    """
    CLOCK = "clock"
    """Somebody came to the bench; who goes again takes it back, and tells the TIME."""
    TIME = "time"
    FIT = "fit"
    NOTE = "note"
    NEXT = "next"
    BACK = "back"
    """The fact that it `undoes` is taken back."""


@dataclass(frozen=True, slots=True)
class Fact:
    """One thing that happened to a rack, `at` a time or a day on the workshop's wall, by the `id`
    that its teller gave it.
    """

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


ENTRIES = frozenset({Kind.NOTE, Kind.NEXT, Kind.TIME, Kind.MEASURED, Kind.FIT, Kind.MISHAP})
"""What stands in a log."""
LATEST = frozenset({Kind.MEASURED, Kind.FIT})
"""Of these the last one of the same thing."""


def entries(facts: Iterable[Fact]) -> list[Fact]:
    """What stands in a log, of facts that stand, the newest first; of what is read again and again
    the last.
    """
    newest = {(fact.kind, fact.what if fact.kind in LATEST else fact.id): fact for fact in facts}
    listed = [fact for fact in reversed(newest.values()) if fact.kind in ENTRIES]
    return sorted(listed, key=lambda fact: fact.day, reverse=True)


def made_by(task: Task, done: Design) -> Json:
    """What is there once a task is done, as the plan has it now: parts that are cut, with the rows
    that they carry and how long these are; holes by their row, and what part they are in; what else
    is drilled.
    """
    rows = done.rack.rows
    cut: Json = {}
    if "cut" in task.gives:
        for part in done.parts:
            if part.key in task.parts:
                long = {
                    str(k): exact_text(row.row.length)
                    for k, row in enumerate(rows)
                    if row.part == part.key
                }
                cut[part.key] = {
                    "name": part.name,
                    "size": list(map(exact_text, _size(part))),
                    "rows": long,
                }
    drilled, marked = _at(task.places, done), _at(task.marks, done)
    on = sorted(task.parts or {part.key for part in done.parts})
    return {
        "cut": cut,
        "drilled": drilled,
        "marked": marked,
        "pieces": list(_pieces(task)),
        "on": on,
    }


def _at(places: Iterable[Place], done: Design) -> Json:
    """Holders' places by their row, and what part they are in; features by themselves."""
    rows, holes, features = done.rack.rows, dict[str, Json](), []
    for place in places:
        if place.holder < 0:
            features.append(
                [place.part, str(place.face), exact_text(place.along), exact_text(place.across)]
            )
        else:
            row = rows[place.row]
            here = holes.setdefault(str(place.row), {"part": row.part, "at": {}})
            here["at"][str(place.holder)] = exact_text(row.row.axes[place.holder])
    return {"holes": holes, "features": features}


def _pieces(task: Task) -> Iterator[list[str]]:
    for stick in task.cuts:
        for laid in stick.laid:
            blank = laid.piece.blank
            yield [blank.part, blank.name, *map(exact_text, (blank.long, blank.wide, blank.thick))]


def _size(part: Part) -> Size:
    return part.along, part.face_width, part.thickness


def ticked(facts: Iterable[Fact]) -> dict[str, str]:
    """When each item was ticked off, of facts that stand."""
    return {fact.what: fact.at for fact in facts if fact.kind is Kind.DONE}


def built(facts: Iterable[Fact]) -> Built:
    """What is there, of facts that stand, in their order: what a mishap clears is not there any
    more.
    """
    there = _There()
    for fact in facts:
        if fact.kind is Kind.DONE and "made" in fact.data:
            there.make(fact.data["made"], fact.what)
        elif fact.kind is Kind.SAWN:
            there.used = there.used or bool(fact.what and fact.data["wares"])
            there.freed |= set(fact.data.get("freed", ()))
        elif fact.kind is Kind.MEASURED:
            there.measure(fact.what, _mm(fact.data["at"]), _mm(fact.data["planned"]))
        elif fact.kind is Kind.MISHAP:
            there.mend(fact)
    return there.built


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
    marks: dict[int, dict[int, Fraction]] = field(default_factory=dict)
    spots: set[Feature] = field(default_factory=set)
    mends: list[Mend] = field(default_factory=list)
    pieces: Counter[PieceKey] = field(default_factory=Counter)
    cards: set[str] = field(default_factory=set)
    done_on: dict[str, set[str]] = field(default_factory=dict)
    used: bool = False
    freed: set[str] = field(default_factory=set)
    meant: dict[str, Fraction] = field(default_factory=dict)

    @property
    def built(self) -> Built:
        return Built(
            self.parts,
            self.names,
            self.boards,
            self.holes,
            self.of,
            frozenset(self.features),
            self.measured,
            self.planned,
            self.marks,
            frozenset(self.spots),
            tuple(self.mends),
            self.pieces,
            frozenset(self.cards),
            self.used,
            frozenset(self.freed),
            self.meant,
            self.done_on,
        )

    def make(self, made: Json, task: str) -> None:
        self.cards.add(task)
        if "on" in made:
            self.done_on[task] = set(made["on"])
        for part, name, *size in made["pieces"]:
            long, wide, thick = map(_mm, size)
            self.pieces[part, name, long, wide, thick] += 1
        for key, cut in made["cut"].items():
            along, wide, thick = map(_mm, cut["size"])
            self.parts[key], self.names[key] = (along, wide, thick), cut["name"]
            self.boards |= {int(row): _mm(long) for row, long in cut["rows"].items()}
        self.of |= {int(row): here["part"] for row, here in made["drilled"]["holes"].items()}
        for known, features, at in (
            (self.holes, self.features, made["drilled"]),
            (self.marks, self.spots, made["marked"]),
        ):
            for row, here in at["holes"].items():
                known.setdefault(int(row), {}).update(
                    {int(place): _mm(x) for place, x in here["at"].items()}
                )
            features |= {
                (part, face, _mm(along), _mm(across))
                for part, face, along, across in at["features"]
            }

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

    def mend(self, mishap: Fact) -> None:
        for what in mishap.data.get("clears", ()):
            for known in (self.measured, self.planned, self.meant):
                known.pop(what, None)
        self.meant |= {what: _mm(at) for what, at in mishap.data.get("meant", {}).items()}
        for part, long, rows in mishap.data.get("cut_to", ()):
            if part in self.parts:
                self.parts[part] = (_mm(long), *self.parts[part][1:])
            self.boards |= {row: _mm(long) for row in rows if row in self.boards}
        if scraps := mishap.data.get("scraps"):
            self._scrap(scraps["part"], scraps["rows"])
        steps = tuple(Step(**step) for step in mishap.data.get("steps", ()))
        key = key_of(mishap.what)
        if key and any(step.again for step in steps):
            row, place = key
            self.holes.get(row, {}).pop(place or 0, None)
        if steps:
            self.mends.append(Mend(mishap.id, mishap.what, steps))

    def _scrap(self, part: str, rows: Collection[int]) -> None:
        """A part is to be made anew, with all that is on it."""
        self.parts.pop(part, None)
        for on in self.done_on.values():
            on.discard(part)
        for row in rows:
            for known in (self.boards, self.holes, self.marks):
                known.pop(row, None)
        self.pieces = Counter({key: many for key, many in self.pieces.items() if key[0] != part})
        self.features = {one for one in self.features if one[0] != part}
        self.spots = {spot for spot in self.spots if spot[0] != part}
        left = [_without(mend, part, rows) for mend in self.mends]
        self.mends = [mend for mend in left if not all(step.gone for step in mend.steps)]


def _without(mend: Mend, part: str, rows: Collection[int]) -> Mend:
    """What is mended, without the steps on a part and on what it carries; the others keep their
    numbers.
    """
    key = key_of(mend.what)
    on_it = part_of(mend.what) == part or (key is not None and key[0] in rows)
    gone = [step.part == part if step.part else on_it for step in mend.steps]
    return replace(
        mend,
        steps=tuple(
            replace(step, gone=step.gone or was) for step, was in zip(mend.steps, gone, strict=True)
        ),
    )


def _mm(text: str) -> Fraction:
    return read(text, exact=True)
