"""A request that comes again under its key is answered as it was, and writes nothing again: a
double press, a lost answer.
"""

import asyncio
import re
from collections import OrderedDict
from dataclasses import dataclass, field

from starlette.datastructures import Headers
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from yardcliff.api.errors import problem, respond
from yardcliff.messages import tr
from yardcliff.store.database import REQUEST, Request

HEADER = "idempotency-key"
KEY = re.compile(r"[A-Za-z0-9-]{8,64}")
KEPT = 256
"""Answers that are remembered. Of older ones, and of those before a start, the data file still
knows the keys.
"""


@dataclass
class _Pressed:
    """What came under a key: answered by one request, while others under it wait."""

    lock: asyncio.Lock = field(default_factory=asyncio.Lock)
    answer: list[Message] | None = None


class Once:
    def __init__(self, app: ASGIApp) -> None:
        self.app = app
        self._pressed: OrderedDict[str, _Pressed] = OrderedDict()

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        key = Headers(scope=scope).get(HEADER) if scope["type"] == "http" else None
        if key is None or scope["method"] in ("GET", "HEAD"):
            await self.app(scope, receive, send)
            return
        if not KEY.fullmatch(key):
            detail = tr("api.no-key-request-8-64-letters", key_name=key[:80])
            await respond(
                problem(422, "unreadable-key", tr("api.the-request-cannot-be-read"), detail)
            )(scope, receive, send)
            return
        pressed = self._pressed.setdefault(f"{scope['method']} {scope['path']} {key}", _Pressed())
        while len(self._pressed) > KEPT:
            self._pressed.popitem(last=False)
        async with pressed.lock:
            if pressed.answer is None:
                pressed.answer = await self._answered(key, scope, receive, send)
                return
        for message in pressed.answer:
            await send(message)

    async def _answered(
        self, key: str, scope: Scope, receive: Receive, send: Send
    ) -> list[Message] | None:
        """Pass it on; what it was answered, if that was a success: what was refused may be tried
        again.
        """
        said: list[Message] = []

        async def heard(message: Message) -> None:
            said.append(message)
            await send(message)

        token = REQUEST.set(Request(key))
        try:
            await self.app(scope, receive, heard)
        finally:
            REQUEST.reset(token)
        done = said and said[0]["type"] == "http.response.start" and said[0]["status"] < 300
        return said if done else None
