"""Where prices come from: the port that every supplier answers by, and how one is asked over the network."""

from datetime import UTC, datetime
from time import sleep
from typing import Protocol

from pydantic import ValidationError

from yardcliff.core.amend import EXACT
from yardcliff.core.errors import YardcliffError
from yardcliff.core.timber.stock import PriceList

TIMEOUT, TRIES, PAUSE = 2.0, 3, 0.25
"""Seconds that one answer may take, how often it is asked, and the first pause between, which doubles."""


class SupplierError(YardcliffError):
    """A supplier that does not answer, or not with a price list."""


class Supplier(Protocol):
    """A timber yard, or any shop that gives its prices."""

    def prices(self, currency: str) -> PriceList:
        """The newest prices, in a currency by ISO 4217. Raises `SupplierError`."""
        ...


class HttpSupplier:
    """A supplier at an address that answers GET /prices with a price list as JSON."""

    def __init__(self, address: str, timeout: float = TIMEOUT, tries: int = TRIES, pause: float = PAUSE) -> None:
        self.address, self.timeout, self.tries, self.pause = address.rstrip("/"), timeout, tries, pause

    def prices(self, currency: str) -> PriceList:
        """Asked again where it is slow or busy; what it answers wrongly is not asked for again."""
        import httpx2  # slow to import, and rarely asked for

        why = ""
        for k in range(self.tries):
            if k:
                sleep(self.pause * 2 ** (k - 1))
            try:
                answer = httpx2.get(f"{self.address}/prices", params={"currency": currency}, timeout=self.timeout)
            except httpx2.TimeoutException:
                why = f"it took longer than {self.timeout:g} s"
                continue
            except httpx2.HTTPError:
                why = "nobody answers at its address"
                continue
            if answer.status_code >= 500:
                why = "it is busy"
                continue
            if answer.status_code != 200:
                raise SupplierError(f"The timber yard refuses to give prices in {currency} ({answer.status_code}).")
            try:
                taken = datetime.now(UTC).isoformat(timespec="seconds")
                return PriceList.model_validate({**answer.json(), "taken": taken}, context=EXACT)
            except (ValueError, ValidationError) as error:
                raise SupplierError("The timber yard answers, but not with a price list.") from error
        raise SupplierError(
            f"The timber yard gives no prices now: {why}, asked {self.tries} times. The prices you have stay."
        )
