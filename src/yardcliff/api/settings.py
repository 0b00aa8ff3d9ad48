"""What the user chose for all racks."""

from datetime import date
from pathlib import Path
from shutil import rmtree
from tempfile import mkdtemp
from typing import get_args

from fastapi import APIRouter
from fastapi.responses import FileResponse
from pydantic import BaseModel, Field, ValidationError
from starlette.background import BackgroundTask

from yardcliff.api.deps import App, AskedLocale
from yardcliff.api.wire import Wire
from yardcliff.app.settings import Paper, Settings
from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.brief.cutting import Cutting, Saw
from yardcliff.core.findings.patch import BriefError, problems
from yardcliff.core.units.length import TapeName
from yardcliff.core.units.trade import Trade

router = APIRouter(prefix="/api/settings", tags=["settings"])


class Named(Wire):
    key: str
    name: str


class SettingsView(Wire):
    """What is chosen, or what is guessed from where the browser is as long as nothing was."""

    trade: Trade
    tape: TapeName
    paper: Paper
    currency: str
    currencies: list[Named]
    saw: Saw
    saws: list[Saw]
    kerf: str = Field(description="What the saw takes, as measured; empty where nobody said.")
    kerf_usual: str = Field(description="What such a saw usually takes.")
    chosen: bool = Field(description="Whether the user has said so.")


class SettingsText(BaseModel):
    """As it is typed: a bare number takes the unit of the tape."""

    trade: Trade | None = None
    tape: TapeName | None = None
    paper: Paper | None = None
    currency: str | None = Field(None, max_length=3)
    saw: Saw | None = None
    kerf: str | None = Field(None, max_length=80)


@router.get("")
def get_settings(app: App, locale: AskedLocale) -> SettingsView:
    """What something new begins with."""
    now, tape = app.settings.now, app.settings.tape(locale)
    saw: Saw = now.saw or Cutting().saw
    return SettingsView(
        trade=tape.trade,
        tape=tape.name,
        paper=app.settings.paper(locale),
        currency=app.settings.currency(locale),
        currencies=[Named(key=key, name=name) for key, name in locale.currencies().items()],
        saw=saw,
        saws=list(get_args(Saw)),
        kerf=tape.write_given(now.kerf) if now.kerf else "",
        kerf_usual=tape.write_fine(Cutting(saw=saw).takes(tape.trade)),
        chosen=now.trade is not None,
    )


@router.put("")
def keep_settings(body: SettingsText, app: App, locale: AskedLocale) -> SettingsView:
    """Keep what is said; racks and walls that are there keep their own."""
    tape = app.settings.tape(locale, body.trade, body.tape)
    said = body.model_dump() | {"kerf": (body.kerf or "").strip() or None}
    try:
        app.settings.keep(Settings.model_validate(said, context=tape.reads))
    except ValidationError as error:
        raise BriefError(problems(error)) from None
    return get_settings(app, locale)


@router.get("/backup", response_class=FileResponse)
def back_up(app: App) -> FileResponse:
    """A copy of the data file, with everything in it: `yardcliff serve --data` opens it."""
    folder = Path(mkdtemp())
    copy = folder / f"yardcliff-{date.today().isoformat()}.db"
    try:
        app.database.backup(copy)
    except YardcliffError:
        rmtree(folder)
        raise
    return FileResponse(copy, filename=copy.name, background=BackgroundTask(rmtree, folder))
