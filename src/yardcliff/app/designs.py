"""Racks worked out on their walls, and as far as they are built."""

from collections.abc import Callable
from dataclasses import dataclass, field
from typing import TypeVar

from yardcliff.core.built.facts import built
from yardcliff.core.design.as_built import bend, design_on
from yardcliff.core.design.change import read_brief
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.design.there import Built
from yardcliff.core.wall.amending import read_wall
from yardcliff.core.wall.survey import Neighbour, Site, neighbour
from yardcliff.core.wall.wall import Wall
from yardcliff.core.ways import Brief, build
from yardcliff.messages import language
from yardcliff.store.database import Database
from yardcliff.store.errors import SheetNotFound
from yardcliff.store.facts import Facts
from yardcliff.store.sheets import Racks, Record, Walls

K = TypeVar("K")
T = TypeVar("T")
MOST_KEPT = 200
"""Of a kind: a design is a few hundred kilobytes."""


@dataclass(frozen=True, slots=True)
class Remembered:
    """What was worked out of stored sheets, by what it depends on: a drag asks for the same walls,
    neighbours and boards on every frame, and the first page for all racks.
    """

    neighbours: dict[tuple[str, int, int], Neighbour] = field(default_factory=dict)
    surveys: dict[tuple[str, int], Wall] = field(default_factory=dict)
    built: dict[tuple[str, int], Built] = field(default_factory=dict)
    designs: dict[tuple[str, int, int, str, str], Design] = field(default_factory=dict)


class Designs:
    """What a design needs to know of its wall, of the other racks on it, and of what no plan can
    move any more.
    """

    def __init__(self, database: Database, remembered: Remembered) -> None:
        self._database, self._remembered = database, remembered
        self._racks, self._walls, self._facts = Racks(database), Walls(database), Facts(database)

    def site(self, brief: Brief, rack_id: str | None = None) -> Site | None:
        """The wall of a brief, with the racks on it but the one itself; None for no wall, or one
        that is gone.
        """
        wall_id = brief.place.wall
        if wall_id is None:
            return None
        try:
            wall = self._walls.get(wall_id)
        except SheetNotFound:
            return None
        others = [other for other in self._racks.on_wall(wall_id) if other.id != rack_id]
        state = " ".join(
            f"{sheet.id}.{sheet.version}.{self._facts.newest(sheet.id)}"
            for sheet in (wall, *others)
        )
        return Site(wall.name, self._survey(wall), tuple(map(self._as_neighbour, others)), state)

    def design(self, brief: Brief, rack_id: str | None = None) -> Design:
        """A brief worked out on its wall, bent around what is built of its rack."""
        if rack_id is None:
            return design(brief, self.site(brief))
        return design_on(brief, self.built(rack_id), self.site(brief, rack_id))

    def built(self, rack_id: str) -> Built:
        """What is built of a rack."""
        return self._known(
            self._remembered.built,
            (rack_id, self._facts.newest(rack_id)),
            lambda: built(self._facts.standing(rack_id)),
        )

    def stored(self, record: Record) -> Design:
        """A stored rack worked out on its wall."""
        brief = read_brief(record.brief)
        site = self.site(brief, record.id)
        state = site.state if site else ""
        return self._known(
            self._remembered.designs,
            (record.id, record.version, self._facts.newest(record.id), state, language()),
            lambda: design_on(brief, self.built(record.id), site),
        )

    def _as_neighbour(self, record: Record) -> Neighbour:
        def seen() -> Neighbour:
            brief = bend(read_brief(record.brief), self.built(record.id))
            return neighbour(record.name, build(brief), brief.place.x)

        return self._known(
            self._remembered.neighbours,
            (record.id, record.version, self._facts.newest(record.id)),
            seen,
        )

    def _survey(self, record: Record) -> Wall:
        return self._known(
            self._remembered.surveys, (record.id, record.version), lambda: read_wall(record.brief)
        )

    def _known(self, known: dict[K, T], key: K, make: Callable[[], T]) -> T:
        """What is known by a key, made where it is not. Inside a write nothing is kept: it may be
        rolled back, and another one come to the same versions.
        """
        if (value := known.get(key)) is not None:  # another thread may clear it meanwhile
            return value
        value = make()
        if not self._database.in_write:
            if len(known) >= MOST_KEPT:
                known.clear()
            known[key] = value
        return value
