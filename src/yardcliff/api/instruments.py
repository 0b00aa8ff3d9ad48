"""What an instrument shows, along an open line."""

import asyncio
from contextlib import suppress

from fastapi import APIRouter, WebSocket, WebSocketDisconnect

from yardcliff.api.deps import App
from yardcliff.api.wire import Wire
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, TapeName, exact_text
from yardcliff.core.units.length_text import LengthError, read
from yardcliff.instruments import QUIET, Shown, Steadied

router = APIRouter(prefix="/api/instruments", tags=["log"])


class ShownView(Wire):
    """What an instrument shows: `value` is what is taken if it is `steady`, as exact text."""

    text: str
    value: str
    steady: bool
    says: str


class InstrumentView(Wire):
    """An instrument by its name; one that is simulated stands in for a real one."""

    name: str
    simulated: bool


@router.get("")
def get_instruments(app: App) -> list[InstrumentView]:
    """The instruments that there are."""
    known = app.instruments
    return [
        InstrumentView(name=name, simulated=made(Fraction(0)).simulated)
        for name, made in known.items()
    ]


@router.websocket("/{name}")
async def watch(
    socket: WebSocket, name: str, app: App, tape: TapeName = "1 mm", held: str = "0"
) -> None:
    """What it shows, each time that it says something; `held` is what it is held to, for one that
    is simulated.
    """
    made = app.instruments.get(name)
    own = Tape.named(tape)
    try:
        at = read(held, "mm", exact=True)
    except LengthError:
        made = None
    if made is None:
        await socket.close()
        return
    await socket.accept()
    instrument = made(at)
    heard, lines = Steadied(instrument, own), instrument.lines()
    with suppress(WebSocketDisconnect, RuntimeError):  # whoever leaves while something is sent
        while True:
            waiting = asyncio.ensure_future(anext(lines, None))
            try:
                done, _ = await asyncio.wait({waiting}, timeout=QUIET)
                if not done:
                    await socket.send_text(_view(heard.hear(None), own).model_dump_json())
                line = await waiting
            finally:
                waiting.cancel()
            if line is None:
                return
            await socket.send_text(_view(heard.hear(line), own).model_dump_json())


def _view(shown: Shown, tape: Tape) -> ShownView:
    if shown.mm is None:
        return ShownView(text="", value="", steady=False, says=shown.says)
    rounded = Fraction(round(shown.mm * 100), 100)
    return ShownView(
        text=tape.write_fine(rounded),
        value=exact_text(rounded),
        steady=shown.steady,
        says=shown.says,
    )
