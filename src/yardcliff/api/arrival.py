"""What waits for the first visitor: the demo moves in as where the browser says that it is."""

import asyncio
from collections.abc import Callable

from starlette.concurrency import run_in_threadpool
from starlette.datastructures import Headers
from starlette.types import ASGIApp, Receive, Scope, Send

from yardcliff.app.locale import UserLocale

Welcome = Callable[[UserLocale], object]


class Arrival:
    """Before anything else is answered, the first who asks is welcomed. Whether the server is up
    may be asked without that.
    """

    def __init__(self, app: ASGIApp, welcome: Welcome) -> None:
        self.app = app
        self._welcome: Welcome | None = welcome
        self._lock = asyncio.Lock()

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] == "http" and scope["path"] != "/api/health":
            async with self._lock:
                if self._welcome:
                    said = Headers(scope=scope).get("accept-language", "")
                    await run_in_threadpool(self._welcome, UserLocale.of(said))
                    self._welcome = None
        await self.app(scope, receive, send)
