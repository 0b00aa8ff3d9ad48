"""A local server must not be drivable by a page of someone else's.

Host names other than this machine's are refused (a page that rebinds its own name to 127.0.0.1
comes with that name), and so is any request that another origin sent, but for a link that leads
here. Bodies are bounded.
"""

from urllib.parse import urlsplit

from starlette.responses import Response
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from yardcliff.api.errors import problem, respond
from yardcliff.messages import tr

LOCAL_NAMES = frozenset({"127.0.0.1", "localhost", "::1"})
MAX_BODY = 2_000_000  # bytes; a rack of 1000 pinned holders is about 60 kB

HEADERS = {
    "x-content-type-options": "nosniff",
    "referrer-policy": "no-referrer",
    "cross-origin-opener-policy": "same-origin",
    "cross-origin-resource-policy": "same-origin",
}


def content_security_policy(nonce: str) -> str:
    """Everything from this server only; the nonce is for the style elements that menus make."""
    return (
        "default-src 'none'; script-src 'self'; connect-src 'self'; img-src 'self' data:; font-src"
        f" 'self'; style-src 'self' 'nonce-{nonce}'; base-uri 'none'; form-action 'none';"
        " frame-ancestors 'none'"
    )


class Guard:
    """Checks Host, Origin and size before anything reads the request; adds the safety headers."""

    def __init__(self, app: ASGIApp, hosts: frozenset[str] = LOCAL_NAMES) -> None:
        self.app, self.hosts = app, hosts

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] == "lifespan":
            await self.app(scope, receive, send)
            return
        headers = {k.decode("latin-1"): v.decode("latin-1") for k, v in scope["headers"]}
        refusal = self._refusal(headers, _goes_to_a_page(scope, headers))
        if scope["type"] == "websocket":
            # Closed before it is accepted, it is answered with 403. Messages are bounded by the
            # server.
            await (send({"type": "websocket.close"}) if refusal else self.app(scope, receive, send))
            return
        if refusal:
            await respond(problem(403, "wrong-origin", tr("api.refused"), refusal))(
                scope, receive, send
            )
            return
        length = headers.get("content-length", "0")
        if not length.isdigit() or int(length) > MAX_BODY:
            await _too_large()(scope, receive, send)
            return
        taken, started = 0, False

        async def counted() -> Message:
            nonlocal taken
            message = await receive()
            taken += len(message.get("body", b""))
            if taken > MAX_BODY:
                raise _TooLarge
            return message

        async def guarded(message: Message) -> None:
            nonlocal started
            if message["type"] == "http.response.start":
                started = True
                message["headers"] = [
                    *message["headers"],
                    *((k.encode(), v.encode()) for k, v in HEADERS.items()),
                ]
            await send(message)

        try:
            await self.app(scope, counted, guarded)
        except _TooLarge:
            if not started:
                await _too_large()(scope, receive, send)

    def _refusal(self, headers: dict[str, str], goes: bool) -> str | None:
        host = headers.get("host", "")
        if _name(f"//{host}") not in self.hosts:
            return tr("api.not-name-this-server", host=host)
        origin = headers.get("origin")
        if origin is not None and urlsplit(origin).netloc != host:
            return tr("api.requests-from-are-not-taken", origin=origin)
        if not goes and headers.get("sec-fetch-site", "none") not in ("same-origin", "none"):
            return tr("api.requests-from-another-site-not-taken")
        return None


def _goes_to_a_page(scope: Scope, headers: dict[str, str]) -> bool:
    """Whether a link somewhere leads a window here: it changes nothing, and the page that it leaves
    sees nothing of this one.
    """
    return (
        scope["type"] == "http"
        and scope["method"] == "GET"
        and not scope["path"].startswith("/api/")
        and headers.get("sec-fetch-mode") == "navigate"
        and headers.get("sec-fetch-dest") == "document"
    )


class _TooLarge(Exception):
    pass


def _too_large() -> Response:
    detail = tr("api.request-may-hold-mb-at-most", max_body=MAX_BODY // 1000000)
    return respond(problem(413, "too-large", tr("api.too-large"), detail))


def _name(url: str) -> str | None:
    try:
        return urlsplit(url).hostname
    except ValueError:
        return None
