"""What the user chose for all racks."""

from fastapi import APIRouter
from pydantic import Field

from yardcliff.api.deps import App, AskedLocale
from yardcliff.api.wire import Wire
from yardcliff.app.settings import Paper, Settings
from yardcliff.core.units.length import TapeName
from yardcliff.core.units.trade import Trade

router = APIRouter(prefix="/api/settings", tags=["settings"])


class SettingsView(Wire):
    """What is chosen, or what is guessed from where the browser is as long as nothing was."""

    trade: Trade
    tape: TapeName
    paper: Paper
    chosen: bool = Field(description="Whether the user has said so.")


@router.get("")
def get_settings(app: App, locale: AskedLocale) -> SettingsView:
    """The trade and the tape that something new begins with."""
    tape = app.settings.tape(locale)
    return SettingsView(
        trade=tape.trade,
        tape=tape.name,
        paper=app.settings.paper(locale),
        chosen=app.settings.now.trade is not None,
    )


@router.put("")
def keep_settings(body: Settings, app: App, locale: AskedLocale) -> SettingsView:
    """Keep what is said; racks and walls that are there keep their own."""
    app.settings.keep(body)
    return get_settings(app, locale)
