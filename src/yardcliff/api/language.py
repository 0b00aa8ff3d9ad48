"""Each request is answered in the language that its browser asks for."""

from starlette.types import ASGIApp, Receive, Scope, Send

from yardcliff.messages import language_of, speaking


class Speaking:
    """Sets the language that a request, or a socket, is answered in."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] == "lifespan":
            await self.app(scope, receive, send)
            return
        accepted = dict(scope["headers"]).get(b"accept-language", b"").decode("latin-1")
        with speaking(language_of(accepted)):
            await self.app(scope, receive, send)
