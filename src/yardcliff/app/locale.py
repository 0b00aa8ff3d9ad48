"""How a user writes money and days, by the languages that the browser asks for."""

from dataclasses import dataclass
from datetime import datetime

from babel import Locale, UnknownLocaleError
from babel.dates import format_date, format_skeleton, format_time
from babel.numbers import format_currency, get_territory_currencies

from yardcliff.core.units.trade import Trade

FALLBACK = Locale("en", "GB")
CURRENCIES = ("EUR", "USD", "GBP", "AUD", "CAD", "CHF", "DKK", "JPY", "NOK", "NZD", "PLN", "SEK")
"""What is offered beside the money of the user's country."""
IN_INCHES = ("US", "PR", "GU", "VI", "AS", "MP")
"""Where timber is sold by the inch."""


@dataclass(frozen=True, slots=True)
class UserLocale:
    """How a user writes money and days, by the languages that the browser asks for."""

    locale: Locale

    @classmethod
    def of(cls, accepted: str) -> "UserLocale":
        for language in accepted.split(","):
            try:
                return cls(Locale.parse(language.split(";")[0].strip(), sep="-"))
            except (ValueError, UnknownLocaleError, TypeError):
                continue
        return cls(FALLBACK)

    @property
    def trade(self) -> Trade:
        """Whose timber and screws are sold where the user is: in the US and its territories by the
        inch, in all the world by the millimetre.
        """
        return "us" if self.locale.territory in IN_INCHES else "metric"

    @property
    def currency(self) -> str:
        """The money of the user's country; euro where none is said."""
        known = get_territory_currencies(self.locale.territory) if self.locale.territory else []
        return str(known[0]) if known else "EUR"

    def money(self, hundredths: int, currency: str) -> str:
        """`12,50 €`; a bare number where no currency is known."""
        if not currency:
            return f"{hundredths / 100:.2f}"
        return str(format_currency(hundredths / 100, currency, locale=self.locale))

    def currencies(self) -> dict[str, str]:
        """What money may be chosen, by its code, and as it is called."""
        names = self.locale.currencies
        return {code: names.get(code, code) for code in dict.fromkeys((self.currency, *CURRENCIES))}

    def clock(self, at: datetime) -> str:
        return str(format_time(at, "short", locale=self.locale))

    def weekday(self, at: datetime) -> str:
        """`Thu, 26 Nov`."""
        return str(format_skeleton("MMMEd", at, locale=self.locale))

    def moment(self, at: datetime) -> str:
        """`Thu, 26 Nov, 19:30`."""
        return f"{self.weekday(at)}, {self.clock(at)}"

    def day(self, iso: str) -> str:
        return str(format_date(datetime.fromisoformat(iso), "medium", locale=self.locale))
