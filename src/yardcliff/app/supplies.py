"""What there is to cut from and what it costs."""

from yardcliff.app.workshop import Workshop
from yardcliff.core.findings.patch import EXACT
from yardcliff.core.wood.stock import PriceList, Stick, Supply, WareOnHand
from yardcliff.store.timber import Stock
from yardcliff.suppliers import Supplier


class Supplies:
    """The stock, the price lists, and the timber yard that can be asked, if there is one."""

    def __init__(self, stock: Stock, yard: Supplier | None, workshop: Workshop) -> None:
        self.stock, self.yard, self._workshop = stock, yard, workshop

    @property
    def sticks(self) -> list[tuple[str, Stick]]:
        return [
            (stick_id, Stick.model_validate(data, context=EXACT))
            for stick_id, data in self.stock.sticks()
        ]

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
        prices = tuple(prices for prices in lists if prices.currency == lists[0].currency)
        return Supply(tuple(self.sticks), prices, wares, self._workshop.shop)

    def keep(self, prices: PriceList) -> None:
        self.stock.keep_prices(prices.supplier, prices.model_dump(mode="json"))
