"""The list of things that hang, with the user's own."""

from collections.abc import Iterable

from yardcliff.core.findings.patch import EXACT, BriefError
from yardcliff.core.things.listing import Listed, shipped
from yardcliff.core.units.trade import Trade
from yardcliff.messages import tr
from yardcliff.store.items import Items


class KnownItems:
    """The user's own things before the shipped ones: measured beats typical."""

    def __init__(self, items: Items) -> None:
        self._items = items

    def own(self) -> list[Listed]:
        """Only the user's own, last changed first."""
        return [Listed.model_validate(entry, context=EXACT) for entry in self._items.all()]

    def listed(self, trade: Trade) -> list[Listed]:
        """Own things, then the typical ones of a trade that no own one stands for."""
        own = self.own()
        measured = {entry.key for entry in own}
        return [*own, *(entry for entry in shipped(trade) if entry.key not in measured)]

    def find(self, key: str, trade: Trade) -> Listed:
        """The entry of that key. Raises `BriefError`."""
        entry = next((entry for entry in self.listed(trade) if entry.key == key), None)
        if entry is None:
            raise BriefError([("item", tr("app.not-in-list-get-api-catalogue", key_name=key))])
        return entry

    def keep(self, entries: Iterable[Listed]) -> None:
        self._items.put(entry.model_dump(mode="json") for entry in entries)

    def forget(self, key: str) -> bool:
        return self._items.remove(key)
