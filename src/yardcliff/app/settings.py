"""What the user chose for all racks: the trade, the tape, the paper, the money, the saw."""

from typing import Annotated, Any, Literal

from babel.numbers import is_currency
from pydantic import AfterValidator

from yardcliff.app.locale import UserLocale
from yardcliff.core.base.errors import cannot_read
from yardcliff.core.base.model import Frozen
from yardcliff.core.brief.cutting import Saw
from yardcliff.core.findings.finding import Patch
from yardcliff.core.findings.patch import EXACT
from yardcliff.core.units.length import Gap, Tape, TapeName, exact_text
from yardcliff.core.units.trade import Trade
from yardcliff.store.settings import SettingsStore

Paper = Literal["a4", "letter"]
PAPER: dict[Trade, Paper] = {"metric": "a4", "us": "letter"}
"""The paper of each trade."""
USUAL: dict[Trade, TapeName] = {"metric": "1 mm", "us": "1/16 in"}
"""The tape of each trade."""


def _known(code: str) -> str:
    if not is_currency(code):
        raise cannot_read("currency", "app.no-currency", code=code[:40])
    return code


class Settings(Frozen):
    """None where the user has not said: then as where the browser says that they are, and cut with
    what is usual. `kerf` is what the `saw` takes, as measured.
    """

    trade: Trade | None = None
    tape: TapeName | None = None
    paper: Paper | None = None
    currency: Annotated[str, AfterValidator(_known)] | None = None
    saw: Saw | None = None
    kerf: Gap | None = None


class KeptSettings:
    def __init__(self, store: SettingsStore) -> None:
        self._store = store

    @property
    def now(self) -> Settings:
        return Settings.model_validate(self._store.kept(), context=EXACT)

    def keep(self, settings: Settings) -> None:
        self._store.keep(settings.model_dump(mode="json", exclude_none=True))

    def paper(self, locale: UserLocale) -> Paper:
        """The paper that is in the printer."""
        now = self.now
        return now.paper or PAPER[now.trade or locale.trade]

    def currency(self, locale: UserLocale) -> str:
        """The money that prices are asked for in."""
        return self.now.currency or locale.currency

    def cutting(self) -> Patch:
        """What a new rack is cut with, as a patch of its brief."""
        saw, kerf = self.now.saw, self.now.kerf
        said: dict[str, Any] = {"saw": saw} if saw else {}
        return {"cutting": said | ({"kerf": exact_text(kerf)} if kerf else {})}

    def tape(
        self, locale: UserLocale, trade: Trade | None = None, tape: TapeName | None = None
    ) -> Tape:
        """The tape that something new is measured with, and its trade: as asked for, as chosen, or
        as where the user is.
        """
        now = self.now
        chosen = trade or now.trade or locale.trade
        usual = now.tape if now.tape and chosen == (now.trade or locale.trade) else USUAL[chosen]
        return Tape.named(tape or usual, chosen)
