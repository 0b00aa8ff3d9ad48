"""Amounts of money, in hundredths of whatever currency the prices are in."""

from typing import Annotated, Any

from pydantic import BeforeValidator

from yardcliff.core.base.errors import cannot_read

MOST_MONEY = 10_000_000


def _money(value: Any) -> Any:
    """Reads an amount as written, `12.50` or `12,50`, into hundredths."""
    if isinstance(value, int) and not isinstance(value, bool):
        cents = value
    else:
        text = str(value).strip().replace(",", ".")
        try:
            whole, _, part = text.partition(".")
            if not (whole + part).isdigit() or len(part) > 2:
                raise ValueError
            cents = int(whole or 0) * 100 + int((part + "00")[:2])
        except ValueError:
            raise cannot_read(
                "money", "units.no-price-write-one-like-12", text=str(value)[:40]
            ) from None
    if not 0 <= cents <= MOST_MONEY:
        raise cannot_read("money", "units.hundredths-no-amount-0-100000-00", cents=cents)
    return cents


Money = Annotated[int, BeforeValidator(_money)]
"""Hundredths of the list's currency; text is read as written, `12.50`."""
