"""What the routes are given: the application over the open data file, and whoever asks."""

from typing import Annotated

from fastapi import Depends, Query
from starlette.requests import HTTPConnection

from yardcliff.app.application import Application
from yardcliff.app.locale import UserLocale
from yardcliff.app.rack_context import RackContext
from yardcliff.app.rack_log import RackLog


def _application(connection: HTTPConnection) -> Application:
    application: Application = connection.app.state.application
    return application


App = Annotated[Application, Depends(_application)]


def _locale(connection: HTTPConnection) -> UserLocale:
    return UserLocale.of(connection.headers.get("accept-language", ""))


def _rack(rack_id: str, app: App) -> RackContext:
    return RackContext(app, rack_id)


def _log(rack_id: str, app: App) -> RackLog:
    return RackLog(app, rack_id)


AskedLocale = Annotated[UserLocale, Depends(_locale)]
ThisRack = Annotated[RackContext, Depends(_rack)]
ThisLog = Annotated[RackLog, Depends(_log)]
When = Annotated[
    str,
    Query(
        max_length=40,
        description="The time on the workshop's wall, like 2026-11-26T19:30: the plan begins then.",
    ),
]
