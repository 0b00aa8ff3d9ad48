"""The workshop and what is ticked off there, in core values."""

from datetime import datetime

from yardcliff.app.moments import YEARS
from yardcliff.core.built.facts import ticked
from yardcliff.core.workshop.shop import Shop
from yardcliff.store.bench import Bench
from yardcliff.store.facts import Facts


class Workshop:
    def __init__(self, store: Bench, facts: Facts) -> None:
        self._store, self._facts = store, facts

    @property
    def shop(self) -> Shop:
        kept = self._store.shop()
        return Shop() if kept is None else Shop.model_validate(kept)

    def keep(self, shop: Shop) -> None:
        self._store.keep_shop(shop.model_dump(mode="json"))

    def ticked(self, rack_id: str) -> dict[str, datetime]:
        """When each item was ticked off, by the clock on the workshop's wall."""
        return {
            item: when
            for item, at in ticked(self._facts.standing(rack_id)).items()
            if YEARS[0] <= (when := datetime.fromisoformat(at).replace(tzinfo=None)).year < YEARS[1]
        }
