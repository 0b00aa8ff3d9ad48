"""Each request is answered in the language that was chosen in its browser, or that it asks for."""

from starlette.datastructures import MutableHeaders
from starlette.requests import cookie_parser
from starlette.types import ASGIApp, Receive, Scope, Send

from yardcliff.messages import LANGUAGES, language_of, speaking

COOKIE = "language"


class Speaking:
    """Sets the language that a request, or a socket, is answered in. One that was chosen stands
    before those that the browser asks for: days and money are written as there, too.
    """

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] == "lifespan":
            await self.app(scope, receive, send)
            return
        headers = MutableHeaders(scope=scope)
        chosen = cookie_parser(headers.get("cookie", "")).get(COOKIE)
        accepted = headers.get("accept-language", "")
        if chosen in LANGUAGES:
            accepted = headers["accept-language"] = f"{chosen},{accepted}"
        with speaking(language_of(accepted)):
            await self.app(scope, receive, send)
