"""What the routers are given: the stores of the open data file, speaking in core values."""

from collections.abc import Iterable
from typing import Annotated

from fastapi import Depends, Request

from yardcliff.core.amend import BriefError
from yardcliff.core.listing import Listed, shipped
from yardcliff.store.items import Items
from yardcliff.store.racks import Racks
from yardcliff.store.versions import Versions


class OwnItems:
    """The user's own things before the shipped ones: measured beats typical."""

    def __init__(self, items: Items) -> None:
        self._items = items

    def all(self) -> list[Listed]:
        """Only the user's own, last changed first."""
        return [Listed.model_validate(entry) for entry in self._items.all()]

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


def _racks(request: Request) -> Racks:
    return Racks(request.app.state.database)


def _own(request: Request) -> OwnItems:
    return OwnItems(Items(request.app.state.database))


def _versions(request: Request) -> Versions:
    return Versions(request.app.state.database)


KeptVersions = Annotated[Versions, Depends(_versions)]
Store = Annotated[Racks, Depends(_racks)]
Own = Annotated[OwnItems, Depends(_own)]
