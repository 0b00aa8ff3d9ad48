"""The one strict reader at the door: what no text, number, date or list may be, whatever the route,
and who still waits.
"""

import asyncio
import json
import re
from collections.abc import Iterator
from threading import Event
from typing import Any

from starlette.datastructures import Headers
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from yardcliff.api.errors import FieldError, respond, several
from yardcliff.core.base.effort import WAITED_FOR
from yardcliff.messages import tr

MOST_ENTRIES, MOST_VALUES, MOST_DEPTH = 5_000, 100_000, 64
"""In one list or object, in all of a request, and one inside the other."""
GREATEST = 10**15
"""Beyond it a number is no count, length or amount of a rack."""
SUSPECT = (b"\\u", b"\x7f", b"NaN", b"Infinity")
"""What could spell a letter that is none, or a number."""
LONG = re.compile(rb"\d(?:[eE]|\d{14})")
"""A number that could be too great."""
LARGE = 64_000
"""Bytes that are read beside the loop that everybody waits on."""
NO_TEXT = re.compile("[\ud800-\udfff\x00-\x08\x0b\x0c\x0e-\x1f\x7f]")
"""Halves of letters, and what steers a terminal."""
ASKS = re.compile(r"/api/(solve|start|reorder|most|check|racks/[^/]+/timber/try)")
"""What is posted and writes nothing: it ends when nobody waits for it. A write is finished."""

PACKED = "/api/several/open"
"""It is sent a ZIP, and reads what is in there as this reader would."""


def unreadable(text: str | bytes) -> list[FieldError]:
    """What no route may be given, the first few of it, by dotted path; empty too for what is no
    JSON: the route says so.
    """
    raw = text.encode("utf-8", "surrogatepass") if isinstance(text, str) else text
    if _plain(raw):
        return []
    try:
        data = json.loads(text)
    except RecursionError:
        return [
            FieldError(
                field="", message=tr("api.it-is-nested-deeper-than-levels", most_depth=MOST_DEPTH)
            )
        ]
    except UnicodeDecodeError as error:
        return [FieldError(field="", message=tr("api.byte-no-utf-8-save-as", start=error.start))]
    except ValueError:
        return []
    found: list[FieldError] = []
    left = MOST_VALUES
    todo: list[tuple[str, int, Any]] = [("", 0, data)]
    while todo and len(found) < 20:
        path, depth, value = todo.pop()
        left -= 1
        if isinstance(value, (dict, list)):
            if len(value) > MOST_ENTRIES or left < len(value):
                most = min(MOST_ENTRIES, MOST_VALUES)
                return [
                    FieldError(
                        field=path,
                        message=tr("api.entries-too-many-most", count=len(value), most=most),
                    )
                ]
            if depth == MOST_DEPTH:
                return [
                    FieldError(
                        field=path,
                        message=tr("api.it-is-nested-deeper-than-levels", most_depth=MOST_DEPTH),
                    )
                ]
            found += (
                [field_error for key in value for field_error in _no_text(path, key)]
                if isinstance(value, dict)
                else []
            )
            inside = value.items() if isinstance(value, dict) else enumerate(value)
            todo += [(f"{path}.{key}" if path else str(key), depth + 1, one) for key, one in inside]
        elif isinstance(value, str):
            found += _no_text(path, value)
        elif isinstance(value, (int, float)) and not abs(value) <= GREATEST:
            found.append(
                FieldError(
                    field=path, message=tr("api.is-no-number-for-a-rack", value=str(value)[:40])
                )
            )
    return found


def _plain(raw: bytes) -> bool:
    """Whether it can be none of this, at a glance: what a drag sends on every frame is not taken
    apart.
    """
    few = raw.count(b",") < MOST_ENTRIES and raw.count(b"{") + raw.count(b"[") < MOST_DEPTH
    return few and raw.isascii() and not any(one in raw for one in SUSPECT) and not LONG.search(raw)


def _no_text(path: str, text: str) -> Iterator[FieldError]:
    if letter := NO_TEXT.search(text):
        code = f"U+{ord(letter[0]):04X}"
        shown = NO_TEXT.sub("\ufffd", text[:40])
        yield FieldError(
            field=NO_TEXT.sub("\ufffd", path),
            message=tr("api.has-sign-in-no-letter-take", shown=shown, code=code),
        )


class Reading:
    """Reads each request whole before its route does; and tells long work when whoever asked has
    gone.
    """

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http" or not scope["path"].startswith("/api/"):
            await self.app(scope, receive, send)
            return
        body = await _body(receive)
        if body is None:
            return
        packed = scope["path"] == PACKED
        wrong = [] if packed else await self._wrong(Headers(scope=scope), body)
        if wrong:
            await respond(several(wrong))(scope, receive, send)
            return
        await self._attended(scope, body, receive, send)

    @staticmethod
    async def _wrong(headers: Headers, body: bytes) -> list[FieldError]:
        if not body:
            return []
        if headers.get("content-type", "").startswith("text/csv"):
            try:
                return list(_no_text("", body.decode()))
            except UnicodeDecodeError as error:
                return [
                    FieldError(
                        field="", message=tr("api.byte-no-utf-8-save-file", start=error.start)
                    )
                ]
        return await asyncio.to_thread(unreadable, body) if len(body) > LARGE else unreadable(body)

    async def _attended(self, scope: Scope, body: bytes, receive: Receive, send: Send) -> None:
        left, gone = Event(), asyncio.Event()
        messages: list[Message] = [{"type": "http.request", "body": body, "more_body": False}]

        async def watch() -> None:
            while (await receive())["type"] != "http.disconnect":
                pass
            left.set()
            gone.set()

        async def replayed() -> Message:
            if messages:
                return messages.pop()
            await gone.wait()
            return {"type": "http.disconnect"}

        asks = scope["method"] in ("GET", "HEAD") or ASKS.fullmatch(scope["path"])
        token = WAITED_FOR.set(lambda: not left.is_set()) if asks else None
        watcher = asyncio.create_task(watch())
        try:
            await self.app(scope, replayed, send)
        finally:
            watcher.cancel()
            if token is not None:
                WAITED_FOR.reset(token)


async def _body(receive: Receive) -> bytes | None:
    """All of it, or None where the sender left; its size is bounded by the guard."""
    parts = []
    while True:
        message = await receive()
        if message["type"] == "http.disconnect":
            return None
        parts.append(message.get("body", b""))
        if not message.get("more_body"):
            return b"".join(parts)
