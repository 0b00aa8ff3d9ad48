"""Where prices come from: the port that every supplier answers by, and how one is asked over the
network.
"""

import json
from datetime import UTC, datetime
from time import monotonic
from typing import Any, Protocol

from pydantic import ValidationError

from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.findings.patch import EXACT
from yardcliff.core.units.trade import Trade
from yardcliff.core.wood.stock import PriceList
from yardcliff.messages import tr

TIMEOUT, TRIES, PAUSE = 2.0, 3, 0.25
"""Seconds that an answer may keep silent, how often it is asked, and the first pause between, which
doubles.
"""
DEADLINE = 10.0
"""Seconds for all of it, however slowly something still comes."""
LARGEST = 5_000_000
"""Bytes: the made-up yard's list has a tenth of them."""


class SupplierError(YardcliffError):
    """A supplier that does not answer, or not with a price list."""


class Supplier(Protocol):
    """A timber yard, or any shop that gives its prices."""

    def prices(self, currency: str, trade: Trade) -> PriceList:
        """The newest prices of a trade's sizes, in a currency by ISO 4217. Raises
        `SupplierError`.
        """
        ...


class _NotNow(Exception):
    """Slow or busy: worth asking again."""


class HttpSupplier:
    """A supplier at an address that answers GET /prices with a price list as JSON."""

    def __init__(
        self,
        address: str,
        timeout: float = TIMEOUT,
        tries: int = TRIES,
        pause: float = PAUSE,
        deadline: float = DEADLINE,
    ) -> None:
        self.address, self.timeout, self.tries = address.rstrip("/"), timeout, tries
        self.pause, self.deadline = pause, deadline

    def prices(self, currency: str, trade: Trade) -> PriceList:
        """Asked again where it is slow or busy; what it answers wrongly is not asked for again."""
        import tenacity  # as what it asks with: slow to import, and rarely asked for

        until = monotonic() + self.deadline
        again = tenacity.Retrying(
            retry=tenacity.retry_if_exception_type(_NotNow),
            stop=tenacity.stop_after_attempt(self.tries)
            | tenacity.stop_before_delay(self.deadline),
            wait=tenacity.wait_exponential(self.pause, min=self.pause),
            reraise=True,
        )
        try:
            text = again(self._asked, currency, trade, until)
        except _NotNow as why:
            times = again.statistics["attempt_number"]
            asked = (
                tr("suppliers.asked-times", times=times)
                if times > 1
                else tr("suppliers.asked-once")
            )
            raise SupplierError(
                tr("suppliers.timber-yard-gives-no-prices-now", why=why, asked=asked)
            ) from None
        return _read(text, currency)

    def _asked(self, currency: str, trade: Trade, until: float) -> bytes:
        """Its answer, if it comes whole and in time."""
        import httpx2

        late = _NotNow(
            tr("suppliers.its-answer-was-not-there-after", deadline=f"{self.deadline:g}")
        )
        parts, size = [], 0
        try:
            asked = {"currency": currency, "trade": trade}
            with httpx2.stream(
                "GET", f"{self.address}/prices", params=asked, timeout=self.timeout
            ) as answer:
                if answer.status_code >= 500:
                    raise _NotNow(tr("suppliers.it-is-busy"))
                if answer.status_code != 200:
                    raise SupplierError(
                        tr(
                            "suppliers.timber-yard-refuses-give-prices-in",
                            currency=currency,
                            status_code=answer.status_code,
                        )
                    )
                for part in answer.iter_bytes():
                    parts.append(part)
                    size += len(part)
                    if size > LARGEST:
                        raise SupplierError(
                            tr(
                                "suppliers.timber-yards-answer-no-price-list",
                                largest=LARGEST // 1000000,
                            )
                        )
                    if monotonic() > until:
                        raise late
        except httpx2.TimeoutException:
            raise (
                late
                if monotonic() > until
                else _NotNow(tr("suppliers.it-took-longer-than-s", timeout=f"{self.timeout:g}"))
            ) from None
        except httpx2.HTTPError:
            raise _NotNow(tr("suppliers.nobody-answers-at-its-address")) from None
        return b"".join(parts)


def _read(text: bytes, currency: str) -> PriceList:
    try:
        data: Any = json.loads(text)
        taken = datetime.now(UTC).isoformat(timespec="seconds")
        prices = PriceList.model_validate({**data, "taken": taken}, context=EXACT)
    except (ValueError, TypeError, RecursionError, ValidationError):
        raise SupplierError(tr("suppliers.timber-yard-answers-but-not-with")) from None
    if prices.currency != currency:
        raise SupplierError(
            tr("suppliers.timber-yards-prices-in-was-asked", given=prices.currency, asked=currency)
        )
    return prices
