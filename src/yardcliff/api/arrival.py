"""What waits for the first visitor: the demo moves in as where the browser says that it is, and
what takes long to read has been read.
"""

import asyncio
from collections.abc import Callable, Iterable
from importlib import import_module

from starlette.concurrency import run_in_threadpool
from starlette.datastructures import Headers
from starlette.routing import BaseRoute
from starlette.types import ASGIApp, Receive, Scope, Send

from yardcliff.app.locale import UserLocale
from yardcliff.messages import tr

Welcome = Callable[[UserLocale], object]


def get_ready(routes: Iterable[BaseRoute]) -> None:
    """Reads what the first visitor would wait for: the words, what plans are worked out with, and
    the routes, which are made out when a path is first looked for among all of them.
    """
    tr("api.refused")
    for route in routes:
        route.matches({"type": "http", "method": "GET", "path": "/", "headers": []})
    import_module("yardcliff.core.cutting.search")


class Arrival:
    """The first who comes is welcomed, and nothing is told of the data before that; the page itself
    may come meanwhile. Whether the server is up may be asked without a welcome.
    """

    def __init__(self, app: ASGIApp, welcome: Welcome) -> None:
        self.app = app
        self._welcome = welcome
        self._welcomed: asyncio.Future[object] | None = None

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "lifespan" and scope["path"] != "/api/health":
            if self._welcomed is None:
                said = Headers(scope=scope).get("accept-language", "")
                welcoming = run_in_threadpool(self._welcome, UserLocale.of(said))
                self._welcomed = asyncio.ensure_future(welcoming)
            if scope["path"].startswith("/api/"):
                try:
                    # Whoever goes away meanwhile ends it for nobody.
                    await asyncio.shield(self._welcomed)
                except Exception:
                    self._welcomed = None  # the next one is welcomed again
                    raise
        await self.app(scope, receive, send)
