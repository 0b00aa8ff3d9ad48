"""What the user chose for all racks to begin with: the trade, the tape, the paper."""

from typing import Literal

from yardcliff.app.locale import UserLocale
from yardcliff.core.base.model import Frozen
from yardcliff.core.units.length import Tape, TapeName
from yardcliff.core.units.trade import Trade
from yardcliff.store.settings import SettingsStore

Paper = Literal["a4", "letter"]
PAPER: dict[Trade, Paper] = {"metric": "a4", "us": "letter"}
"""The paper of each trade."""
USUAL: dict[Trade, TapeName] = {"metric": "1 mm", "us": "1/16 in"}
"""The tape of each trade."""


class Settings(Frozen):
    """None where the user has not said: then as where the browser says that they are."""

    trade: Trade | None = None
    tape: TapeName | None = None
    paper: Paper | None = None


class KeptSettings:
    def __init__(self, store: SettingsStore) -> None:
        self._store = store

    @property
    def now(self) -> Settings:
        return Settings.model_validate(self._store.kept())

    def keep(self, settings: Settings) -> None:
        self._store.keep(settings.model_dump(mode="json", exclude_none=True))

    def paper(self, locale: UserLocale) -> Paper:
        """The paper that is in the printer."""
        now = self.now
        return now.paper or PAPER[now.trade or locale.trade]

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
