"""What the routers are given: the stores of the open data file, speaking in core values."""

from collections.abc import Callable, Iterable
from datetime import datetime
from typing import Annotated, TypeVar

from fastapi import Depends
from starlette.requests import HTTPConnection

from yardcliff.api.reading import YEARS
from yardcliff.api.tongue import Tongue
from yardcliff.core.amend import EXACT, BriefError, read_brief
from yardcliff.core.built.as_built import bend, design_on
from yardcliff.core.built.facts import built, ticked
from yardcliff.core.built.there import Built
from yardcliff.core.design import Design, design
from yardcliff.core.families import Brief, build
from yardcliff.core.listing import Listed, shipped
from yardcliff.core.site.amending import read_wall
from yardcliff.core.site.survey import Neighbour, Site, neighbour
from yardcliff.core.site.wall import Wall
from yardcliff.core.timber.stock import PriceList, Stick, Supply, WareOnHand
from yardcliff.core.workshop.shop import Shop
from yardcliff.store.bench import Bench
from yardcliff.store.errors import SheetNotFound
from yardcliff.store.facts import Facts
from yardcliff.store.items import Items
from yardcliff.store.sheets import Racks, Record, Walls
from yardcliff.store.timber import Stock
from yardcliff.store.versions import Versions
from yardcliff.suppliers import Supplier

K = TypeVar("K")
T = TypeVar("T")


class OwnItems:
    """The user's own things before the shipped ones: measured beats typical."""

    def __init__(self, items: Items) -> None:
        self._items = items

    def all(self) -> list[Listed]:
        """Only the user's own, last changed first."""
        return [Listed.model_validate(entry, context=EXACT) for entry in self._items.all()]

    def listed(self) -> list[Listed]:
        """Own things, then the typical ones that no own one stands for."""
        own = self.all()
        measured = {entry.key for entry in own}
        return [*own, *(entry for entry in shipped() if entry.key not in measured)]

    def find(self, key: str) -> Listed:
        """The entry of that key. Raises `BriefError`."""
        found = next((entry for entry in self.listed() if entry.key == key), None)
        if found is None:
            raise BriefError([("item", f"“{key}” is not in the list: GET /api/catalogue has it.")])
        return found

    def keep(self, entries: Iterable[Listed]) -> None:
        self._items.put(entry.model_dump(mode="json") for entry in entries)

    def forget(self, key: str) -> bool:
        return self._items.remove(key)


class Sites:
    """Racks on their walls, and as far as they are built: what a design needs to know of the wall, of the other racks on it, and of
    what no plan can move any more.
    """

    def __init__(self, racks: Racks, walls: Walls, facts: Facts) -> None:
        self._racks, self._walls, self._facts = racks, walls, facts

    def of(self, brief: Brief, rack_id: str | None = None) -> Site | None:
        """The wall of a brief, with the racks on it but the one itself; None for no wall, or one that is gone."""
        wall_id = brief.place.wall
        if wall_id is None:
            return None
        try:
            record = self._walls.get(wall_id)
        except SheetNotFound:
            return None
        others = [other for other in self._racks.on_wall(wall_id) if other.id != rack_id]
        state = " ".join(f"{one.id}.{one.version}.{self._facts.newest(one.id)}" for one in (record, *others))
        return Site(record.name, _survey(record), tuple(map(self._as_neighbour, others)), state)

    def design(self, brief: Brief, rack_id: str | None = None) -> Design:
        """A brief worked out on its wall, bent around what is built of its rack."""
        if rack_id is None:
            return design(brief, self.of(brief))
        return design_on(brief, self.there(rack_id), self.of(brief, rack_id))

    def there(self, rack_id: str) -> Built:
        """What is built of a rack."""
        return _known(_BUILT, (rack_id, self._facts.newest(rack_id)), lambda: built(self._facts.standing(rack_id)))

    def stored(self, record: Record) -> Design:
        """A stored rack worked out on its wall."""
        return self.design(read_brief(record.brief), record.id)

    def _as_neighbour(self, record: Record) -> Neighbour:
        def seen() -> Neighbour:
            brief = bend(read_brief(record.brief), self.there(record.id))
            return neighbour(record.name, build(brief), brief.place.x)

        return _known(_NEIGHBOURS, (record.id, record.version, self._facts.newest(record.id)), seen)


class Supplies:
    """What there is to cut from and what it costs; the timber yard that can be asked, if there is one."""

    def __init__(self, stock: Stock, yard: Supplier | None, workshop: "Workshop") -> None:
        self.stock, self.yard, self._workshop = stock, yard, workshop

    @property
    def sticks(self) -> list[tuple[str, Stick]]:
        return [(stick_id, Stick.model_validate(data, context=EXACT)) for stick_id, data in self.stock.sticks()]

    @property
    def lists(self) -> list[PriceList]:
        """The price lists, the newest first."""
        return [
            PriceList.model_validate({**data, "taken": taken}, context=EXACT)
            for data, taken in self.stock.price_lists()
        ]

    def supply(self) -> Supply:
        """All of it that is in the newest list's currency: nothing here changes money."""
        lists = self.lists
        wares = tuple(WareOnHand.model_validate(ware) for ware in self.stock.wares())
        prices = tuple(one for one in lists if one.currency == lists[0].currency)
        return Supply(tuple(self.sticks), prices, wares, self._workshop.shop)

    def keep(self, prices: PriceList) -> None:
        self.stock.keep_prices(prices.supplier, prices.model_dump(mode="json"))


class Workshop:
    """The workshop and what is ticked off there, in core values."""

    def __init__(self, store: Bench, facts: Facts) -> None:
        self.store, self.facts = store, facts

    @property
    def shop(self) -> Shop:
        kept = self.store.shop()
        return Shop() if kept is None else Shop.model_validate(kept)

    def ticked(self, rack_id: str) -> dict[str, datetime]:
        """When each item was ticked off, by the clock on the workshop's wall."""
        return {
            item: when
            for item, at in ticked(self.facts.standing(rack_id)).items()
            if YEARS[0] <= (when := datetime.fromisoformat(at).replace(tzinfo=None)).year < YEARS[1]
        }


MOST_KEPT = 200
_NEIGHBOURS: dict[tuple[str, int, int], Neighbour] = {}
_SURVEYS: dict[tuple[str, int], Wall] = {}
_BUILT: dict[tuple[str, int], Built] = {}
"""Racks as others see them, walls, and what is built, by id, version and last fact: a drag asks for the same ones on every frame."""


def _survey(record: Record) -> Wall:
    return _known(_SURVEYS, (record.id, record.version), lambda: read_wall(record.brief))


def _known(known: dict[K, T], key: K, make: Callable[[], T]) -> T:
    """What is known by a key, made where it is not."""
    if key not in known:
        if len(known) > MOST_KEPT:
            known.clear()
        known[key] = make()
    return known[key]


def _sites(request: HTTPConnection) -> Sites:
    database = request.app.state.database
    return Sites(Racks(database), Walls(database), Facts(database))


def _supplies(request: HTTPConnection) -> Supplies:
    return Supplies(Stock(request.app.state.database), request.app.state.yard, _workshop(request))


def _workshop(request: HTTPConnection) -> Workshop:
    return Workshop(Bench(request.app.state.database), _facts(request))


def _facts(request: HTTPConnection) -> Facts:
    return Facts(request.app.state.database)


def _tongue(request: HTTPConnection) -> Tongue:
    return Tongue.of(request.headers.get("accept-language", ""))


def _walls(request: HTTPConnection) -> Walls:
    return Walls(request.app.state.database)


def _racks(request: HTTPConnection) -> Racks:
    return Racks(request.app.state.database)


def _own(request: HTTPConnection) -> OwnItems:
    return OwnItems(Items(request.app.state.database))


def _versions(request: HTTPConnection) -> Versions:
    return Versions(request.app.state.database)


KeptFacts = Annotated[Facts, Depends(_facts)]
AtBench = Annotated[Workshop, Depends(_workshop)]
Timbers = Annotated[Supplies, Depends(_supplies)]
Speaks = Annotated[Tongue, Depends(_tongue)]
KeptVersions = Annotated[Versions, Depends(_versions)]
Store = Annotated[Racks, Depends(_racks)]
OnSite = Annotated[Sites, Depends(_sites)]
WallStore = Annotated[Walls, Depends(_walls)]
Own = Annotated[OwnItems, Depends(_own)]
