"""Instruments: lines as devices send them, steadied; the made-up ones over an open line, with
everything that goes wrong with such.
"""

import asyncio
from concurrent.futures import ThreadPoolExecutor
from fractions import Fraction

import pytest
from fastapi.testclient import TestClient
from starlette.websockets import WebSocketDisconnect

from yardcliff.api.app import create_app
from yardcliff.app.application import Application
from yardcliff.core.units.length import Tape
from yardcliff.core.units.length_text import read
from yardcliff.instruments import Reading, Steadied, read_line
from yardcliff.standins.simulated import instruments
from yardcliff.store.database import Database

MM, INCH = Tape.named("1 mm"), Tape.named("1/16 in")
QUICK = instruments(every=0.001)


@pytest.mark.parametrize(
    ("line", "reading"),
    [
        ("+0072.34 mm", Reading(Fraction("72.34"), "mm")),
        (" 2.8480 in\r\n", Reading(Fraction("72.3392"), "in")),
        ("-000.02 MM", Reading(Fraction("-0.02"), "mm")),
        ("#E4 \x00", None),
        ("", None),
        ("+0072.3", None),
        ("72.34 cm", None),
        ("nan mm", None),
        ("1e3 mm", None),
    ],
)
def test_a_line_is_a_reading_or_nothing(line: str, reading: Reading | None) -> None:
    assert read_line(line) == reading


def heard(tape: Tape, *lines: str | None) -> list[tuple[Fraction | None, bool, str]]:
    steadied = Steadied(QUICK["caliper"](Fraction(72)), tape)
    return [(one.mm, one.steady, one.says) for one in map(steadied.hear, lines)]


def test_a_value_is_steady_once_four_agree_and_garbage_does_not_count() -> None:
    shown = heard(MM, "71.0 mm", "72.30 mm", "72.34 mm", "#E4", "72.31 mm", "72.33 mm")
    assert [steady for _, steady, _ in shown] == [False, False, False, False, False, True]
    assert (shown[3][2], shown[-1][0]) == ("A reading was garbled.", Fraction("72.33"))
    # Silence starts it anew, and so does another unit.
    quiet = heard(MM, *["72.30 mm"] * 4, None, "72.30 mm")
    assert [steady for _, steady, _ in quiet] == [False] * 3 + [True, False, False]
    assert "is it on" in quiet[4][2]
    mixed = heard(MM, *["72.30 mm"] * 3, "2.8465 in")
    assert mixed[-1][1:] == (False, "The caliper is set to inches; what is taken is 72.3 mm.")
    assert heard(INCH, "2.8465 in")[0][2] == ""


def test_what_it_cannot_show_is_said() -> None:
    assert "set it to zero" in heard(MM, "-00.40 mm")[0][2]
    assert heard(MM, "180.0 mm")[0][1:] == (False, "Longer than the caliper measures.")


@pytest.mark.parametrize("name", ["caliper", "tape"])
def test_a_made_up_one_shakes_drops_out_and_comes_to_rest(name: str) -> None:
    async def heard(held: Fraction, many: int) -> list[str]:
        lines = QUICK[name](held).lines()
        return [await anext(lines) for _ in range(many)]

    def sent(held: Fraction, many: int) -> list[str]:
        # In a thread of its own: the browser's tests leave a loop running in this one.
        with ThreadPoolExecutor(1) as thread:
            return thread.submit(lambda: asyncio.run(heard(held, many))).result()

    units = set()
    for held in range(40, 60):
        lines = sent(Fraction(held), 20)
        readings = [one for one in map(read_line, lines) if one]
        assert len(readings) == 19, "one in seventeen is garbled"
        assert abs(readings[-1].mm - held) < 3
        assert len({one.mm for one in readings}) > 3, "it shakes"
        units.add(readings[0].unit)
    assert units == {"mm", "in"}
    assert sent(Fraction(50), 20) == sent(Fraction(50), 20)


def test_what_it_shows_comes_along_a_line_and_is_taken_into_the_log() -> None:
    with TestClient(
        create_app(Application(Database(":memory:"), instruments=QUICK)),
        base_url="http://127.0.0.1:8722",
    ) as client:
        assert client.get("/api/instruments").json() == [
            {"name": "caliper", "simulated": True},
            {"name": "tape", "simulated": True},
        ]
        with client.websocket_connect("ws://127.0.0.1:8722/api/instruments/tape?held=390") as line:
            shown = next(one for one in iter(line.receive_json, None) if one["steady"])
        assert abs(read(shown["value"], "mm") - 390) < 3
        rack = client.post(
            "/api/racks", json={"hangs": [{"item": "waxed-jacket", "count": 5}], "tape": "1 mm"}
        ).json()
        body = {"kind": "measured", "day": "2026-11-27", "what": "2", "text": shown["value"]}
        log = client.post(f"/api/racks/{rack['id']}/log", json=body).json()
        assert read(log["rows"][0]["measured"][2]["found"], "mm") == read(shown["value"], "mm")
        for wrong in ("spirit-level", "tape?held=banana", "tape?tape=cubit"):
            at = f"ws://127.0.0.1:8722/api/instruments/{wrong}"
            with pytest.raises(WebSocketDisconnect), client.websocket_connect(at):
                pass
