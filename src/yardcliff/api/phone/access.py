"""The door for a phone on the same network: shut unless its user opens it, and then for whoever has
the key, to the bench only.
"""

import asyncio
import re
import secrets
import socket
from collections import Counter
from html import escape
from http.cookies import CookieError, SimpleCookie
from ipaddress import ip_address
from threading import Thread
from urllib.parse import parse_qs, urlsplit

import uvicorn
from starlette.responses import HTMLResponse, RedirectResponse, Response
from starlette.types import ASGIApp, Receive, Scope, Send

from yardcliff.messages import tr

COOKIE = "yardcliff-phone"
LETTERS = "abcdefghjkmnpqrstuvwxyz23456789"
"""Without those that are mistaken for one another."""
PORT = 8724
CLOSES = 1
"""Seconds that answers may take which are on their way when the door is shut."""
FREE, LONGEST = 3, 4.0
"""So many wrong keys are answered at once; each further one from the same sender waits twice as
long, up to so many seconds.
"""
QUEUE = 4
"""Wrong keys of one sender that may wait at a time; more are sent away."""
SENDERS = 1000
BENCH = r"/racks/[0-9a-f]+/bench"
OPEN_TO = re.compile(
    rf"GET ({BENCH}|/assets/[^/]+|/icon\.svg|/api/racks/[0-9a-f]+(/making|/version)?)|POST"
    r" /api/racks/[0-9a-f]+/making/ticks"
)
PAGE = """<!doctype html>
<html lang="en"><meta charset="utf-8">
<meta name="viewport" content="width=device-width">
<title>Key | Yardcliff</title>
<style>
  body {{ font: 1.2rem sans-serif; margin: 2rem; color-scheme: light dark }}
  input, button {{
    font: inherit; padding: .6rem; width: 100%; box-sizing: border-box; margin-top: .5rem
  }}
</style>
<h1>Yardcliff</h1><p>{says}</p>
<form method="get" action="/phone"><label>Key, as it stands under Making
<input name="key" autocapitalize="none" autocomplete="off" required></label>
<input type="hidden" name="to" value="{to}"><button>Open the bench</button></form>"""


class Phone:
    """Opens and shuts a listener of its own, beside the one of this machine, for the same
    application.
    """

    def __init__(self, app: ASGIApp, host: str = "0.0.0.0") -> None:
        self._app, self._host = app, host
        self._port = PORT
        self._server: uvicorn.Server | None = None
        self._thread: Thread | None = None
        self.key = self.address = ""

    @property
    def open(self) -> bool:
        return self._server is not None and not self._server.should_exit

    def allow(self) -> None:
        """Open the door with a new key, at the port where it was; an open one stays as it is.
        Raises `OSError` where nothing can listen.
        """
        if self.open:
            return
        if self._thread is not None:  # it lets go of its port when the last answer is out
            self._thread.join(2 * CLOSES)
        listener = _listener(self._host, self._port)
        self._port = listener.getsockname()[1]
        self.key = "-".join("".join(secrets.choice(LETTERS) for _ in range(4)) for _ in range(3))
        own = _own_address() if self._host == "0.0.0.0" else self._host
        self.address = f"{own}:{self._port}"
        # No lifespan: the application is started and ended by its own server, in whose process this
        # one runs.
        config = uvicorn.Config(
            Door(self),
            log_level="warning",
            access_log=False,
            lifespan="off",
            ws="none",
            timeout_graceful_shutdown=CLOSES,
        )
        self._server = uvicorn.Server(config)
        self._thread = Thread(target=self._server.run, args=([listener],), daemon=True)
        self._thread.start()

    def shut(self) -> None:
        """Shut it; whoever is in has to ask for a new key."""
        if self._server is not None:
            self._server.should_exit = True
        self.key = self.address = ""

    async def pass_on(self, scope: Scope, receive: Receive, send: Send) -> None:
        await self._app(scope, receive, send)


class Door:
    """Lets requests with the key's cookie through to the bench, as if they came from
    this machine.
    """

    def __init__(self, phone: Phone) -> None:
        self._phone = phone
        self._wrong = Counter[str]()
        self._waiting = Counter[str]()

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        headers = {k.decode("latin-1"): v.decode("latin-1") for k, v in scope["headers"]}
        answer = self._answer(scope, headers)
        if answer is not None:
            if isinstance(answer, _WrongKey) and not await self._slowed(answer.sender):
                answer = Response(
                    tr("api.too-many-wrong-keys-at-once"), 429, {"retry-after": str(int(LONGEST))}
                )
            await answer(scope, receive, send)
            return
        # Host and Origin were looked at here; the guard behind knows only this machine's names.
        kept = [(k, v) for k, v in scope["headers"] if k not in (b"host", b"origin", b"cookie")]
        await self._phone.pass_on(
            {**scope, "headers": [*kept, (b"host", b"localhost")]}, receive, send
        )

    async def _slowed(self, sender: str) -> bool:
        """Make whoever sends wrong keys wait, and nobody else: a right one passes at once, and
        counts them no more. False for those who send more while they wait.
        """
        if self._waiting[sender] >= QUEUE:
            return False
        if len(self._wrong) > SENDERS:
            self._wrong.clear()
        self._wrong[sender] += 1
        self._waiting[sender] += 1
        try:
            over = self._wrong[sender] - FREE
            await asyncio.sleep(min(2 ** min(over, 9) / 8, LONGEST) if over > 0 else 0)
        finally:
            self._waiting[sender] -= 1
        return True

    def _answer(self, scope: Scope, headers: dict[str, str]) -> Response | None:
        """What is said at the door itself; None for those who may pass."""
        host = headers.get("host", "")
        origin = headers.get("origin")
        # A page that rebinds its own name to this address comes with that name: numbers only.
        if not _is_number(host) or (origin is not None and urlsplit(origin).netloc != host):
            return Response(tr("api.refused"), 403)
        asked = parse_qs(scope["query_string"].decode("latin-1"))
        to = next((one for one in asked.get("to", []) if re.fullmatch(BENCH, one)), "")
        if scope["path"] == "/phone":
            if headers.get("sec-fetch-dest", "document") != "document":
                return Response(
                    tr("api.refused"), 403
                )  # a picture in somebody's page tries no keys
            return self._at_the_door(
                asked.get("key", [""])[0], to, (scope.get("client") or ("", 0))[0]
            )
        if not self._fits(_cookie(headers.get("cookie", ""))):
            if scope["path"].startswith("/api/"):
                return Response(tr("api.key-missing-or-no-longer-one"), 401)
            bench = f"?to={scope['path']}" if re.fullmatch(BENCH, scope["path"]) else ""
            return RedirectResponse(f"/phone{bench}", 303)
        if not OPEN_TO.fullmatch(f"{scope['method']} {scope['path']}"):
            return Response(tr("api.only-bench-open-phone"), 403)
        return None

    def _at_the_door(self, key: str, to: str, sender: str) -> Response:
        if self._fits(key.strip().lower()):
            self._wrong.pop(sender, None)
            passed: Response = (
                RedirectResponse(to, 303) if to else _Page(tr("api.key-now-open-racks-bench"), to)
            )
            passed.set_cookie(
                COOKIE, self._phone.key, httponly=True, samesite="strict", max_age=12 * 3600
            )
            return passed
        if key:
            return _WrongKey(to, sender)
        return _Page(tr("api.bench-open-whoever-has-its-key"), to)

    def _fits(self, key: str) -> bool:
        return bool(self._phone.key) and secrets.compare_digest(
            key.encode(), self._phone.key.encode()
        )


class _Page(HTMLResponse):
    """What is said at the door, with a field for the key."""

    def __init__(self, says: str, to: str, status: int = 200) -> None:
        policy = (
            "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; frame-ancestors"
            " 'none'"
        )
        headers = {
            "content-security-policy": policy,
            "referrer-policy": "no-referrer",
            "cache-control": "no-store",
        }
        super().__init__(PAGE.format(says=escape(says), to=escape(to)), status, headers)


class _WrongKey(_Page):
    def __init__(self, to: str, sender: str) -> None:
        super().__init__(tr("api.that-is-not-the-key"), to, 403)
        self.sender = sender


def _cookie(header: str) -> str:
    """The key that was given before; nothing where there is none, or no cookie to be read."""
    try:
        cookie = SimpleCookie(header)
    except CookieError:
        return ""
    return cookie[COOKIE].value if COOKIE in cookie else ""


def _is_number(host: str) -> bool:
    try:
        ip_address(urlsplit(f"//{host}").hostname or "")
    except ValueError:
        return False
    return True


def _listener(host: str, wanted: int) -> socket.socket:
    """A socket on the port that is wanted, or on any free one."""
    for port in (wanted, 0):
        listener = socket.socket(socket.AF_INET, socket.SOCK_STREAM)
        listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            listener.bind((host, port))
        except OSError:
            listener.close()
            if port == 0:
                raise
        else:
            return listener
    raise OSError(tr("api.no-port-is-free"))


def _own_address() -> str:
    """This machine's address on its network. Nothing is sent: it only asks which way a packet would
    take.
    """
    probe = socket.socket(socket.AF_INET, socket.SOCK_DGRAM)
    try:
        probe.connect(("192.0.2.1", 9))  # RFC 5737: an address that is nobody's
        return str(probe.getsockname()[0])
    except OSError:
        return "127.0.0.1"
    finally:
        probe.close()
