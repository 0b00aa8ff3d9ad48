"""Both trades, all the way: what is usual in each is round, sold and priced there, and nothing that
is shown or printed speaks of the other's.
"""

import io
import re
from collections.abc import Container, Iterable, Iterator
from datetime import date
from typing import Any

import pytest
from fastapi.testclient import TestClient
from hypothesis import given
from hypothesis import strategies as st
from pydantic import TypeAdapter
from pypdf import PdfReader

from tests.conftest import Json, change
from tests.strategies import briefs
from tests.test_paper_of_families import ITEMS
from yardcliff.api.app import create_app
from yardcliff.app.application import Application
from yardcliff.core.base.model import Frozen
from yardcliff.core.design.change import amend, dump
from yardcliff.core.design.rack_design import design
from yardcliff.core.findings.finding import Patch
from yardcliff.core.findings.patch import BriefError
from yardcliff.core.things.item import Force, Weight
from yardcliff.core.things.listing import shipped_item
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Size, Tape
from yardcliff.core.units.length_text import INCH, read
from yardcliff.core.units.trade import TRADES, Either, Trade
from yardcliff.core.units.weights import load_given, weight_given
from yardcliff.core.ways import FAMILIES, Brief, build, starting
from yardcliff.core.wood.stock import PriceList
from yardcliff.data import table
from yardcliff.demo import fill, hut
from yardcliff.standins.timber_yard import price_list
from yardcliff.store.database import Database

TAPES = {"metric": Tape.named("1 mm"), "us": Tape.named("1/16 in", "us")}
LANGUAGE = {"metric": "en-GB", "us": "en-US"}
GRID = Either(Fraction(1, 2), INCH / 64)
"""The finest that a usual figure of a trade is a whole number of, mm."""
MEASURED = {"pipes", "rods", "screws", "lags", "saws", "timber", "fixings", "wares"}
"""Tables with columns that a standard gives: threads, gauges, pipes."""
OTHERS: dict[str, re.Pattern[str]] = {
    "us": re.compile(
        r"\d\.\d+ in\b|\d\s?(?:mm|cm|m|m²|kg|g|ml|l|kg/m³|g/m²)(?![\w²³/])|\bM(?:5|6|8|10)\b|\bA4\b"
        r"|millimet|litre|kilogram"
    ),
    "metric": re.compile(
        r"\d\s?(?:in|ft|lb|oz|fl oz|qt|cu ft|″)(?!\w)|#\d|\b\d/?\d*-(?:16|18|20|24)\b|\bLetter\b"
        r"|\binch"
    ),
    "inch tape": re.compile(
        r"\d\s?(?:ft|lb|oz|fl oz|qt|cu ft)(?!\w)|#\d|\b\d/?\d*-(?:16|18|20|24)\b"
    ),
}
"""Units, sizes and wares of the other trade; or of all but the inch on an inch tape."""
WORKED = re.compile(r"(?<!\()\b[\d.]+ N\b|\bMPa\b")
"""What stands in workings only, or in brackets after what a scale reads: newtons, megapascals."""
EXACT = {
    "brief",
    "patch",
    "survey",
    "snaps_x",
    "snaps_y",
    "keepouts",
    "obstacles",
    "sold",
    "key",
    "d",
}
"""What of an answer is never shown: kept exactly for the page to reckon with, and what is drawn."""


PAGES = "", "/holes", "/timber", "/timber/ladder", "/making?now=2026-03-02T10:00", "/log"
FILES = ["template.pdf", "sheet.pdf", "drawing.svg", "holes.csv", "marks.csv"]
ON_WALL = ["putting-up.pdf", "wall-template.pdf"]


def begun(family: str, trade: Trade) -> Brief:
    return starting([(shipped_item(ITEMS[family], trade), 4)], TAPES[trade], family)


def models(of: type[Frozen] = Frozen) -> Iterator[type[Frozen]]:
    for one in of.__subclasses__():
        yield one
        yield from models(one)


def test_every_usual_figure_is_round_in_its_trade() -> None:
    seen = 0
    for model in models():
        for name, field in model.model_fields.items():
            if model.__module__.startswith("yardcliff") and isinstance(field.default, Fraction):
                extra = field.json_schema_extra
                us = extra.get("us") if isinstance(extra, dict) else None
                inches = read(str(us)) if us else Fraction(0)
                assert bool(us) == bool(field.default), (model, name)
                assert (field.default / GRID.metric).denominator == 1, (model, name)
                assert (inches / GRID.us).denominator == 1, (model, name)
                seen += 1
    assert seen > 100
    for trade in TRADES:
        for name in ("bits", "boards", "holders", "items", "keepouts", "obstacles"):
            for row in table(name, trade):
                for text in map(str, row.values()):
                    assert not OTHERS[trade].search(text), (name, text)
                    if re.fullmatch(r"[\d ./]+ (mm|in)", text):
                        assert (read(text) / GRID.of(trade)).denominator == 1, (name, text)
        for name in MEASURED:
            for text in (str(value) for row in table(name, trade) for value in row.values()):
                inch = trade == "metric"
                assert not re.search(r"\d in\b|#\d" if inch else r"\d mm\b", text), (name, text)


def made(brief: Brief) -> list[Any]:
    """All that is cut, drilled, joined and hung of a rack, without words."""
    rack = build(brief)
    cut = [(part.key, part.size, part.x, part.y, part.z) for part in rack.parts]
    drilled = [(one.kind, one.size, one.depth, one.takes, one.places) for one in rack.machining]
    return [cut, drilled, rack.holders, rack.joints, rack.hung]


@given(briefs | st.sampled_from(hut("us").racks).map(hut("us").brief))
def test_a_rack_that_is_switched_is_the_same_rack(brief: Brief) -> None:
    other = next(one for one in TRADES if one != brief.trade)
    switched = amend(brief, {"trade": other, "tape": TAPES[other].name})
    assert made(switched) == made(brief)
    assert dump(amend(switched, {"trade": brief.trade, "tape": brief.tape})) == dump(brief)
    (told,) = [one for one in build(switched).findings if one.code == "trade.sizes"]
    taken = amend(switched, told.fixes[0].patch)
    assert taken.sizes == other
    assert "trade.sizes" not in {one.code for one in build(taken).findings}


@pytest.mark.parametrize("family", FAMILIES)
def test_what_is_begun_in_a_trade_is_of_its_sizes(family: str) -> None:
    for trade in TRADES:
        assert "trade.sizes" not in {one.code for one in build(begun(family, trade)).findings}


def test_the_nearest_of_a_mug_rail() -> None:
    mugs = amend(begun("rail", "metric"), {"trade": "us", "tape": "1/16 in"})
    (told,) = [one for one in design(mugs).findings if one.code == "trade.sizes"]
    assert "21 mm (nearest: 3/4 in) and 12 mm (nearest: 1/2 in)" in told.message
    assert told.fixes[0].patch["board"] == {"thickness": "3/4 in"}
    assert told.fixes[0].patch["holder"] == {"diameter": "1/2 in"}


@pytest.mark.parametrize(
    ("text", "size"),
    [
        ("3/4 ply", "23/32 in"),
        ("1/2 in plywood", "15/32 in"),
        ("#8", "0.164 in"),
        ("no. 10", "0.19 in"),
        ("m8", "8 mm"),
        ("1/4-20", "1/4 in"),
    ],
)
def test_what_goes_by_a_name_is_what_it_measures(text: str, size: str) -> None:
    for trade in TRADES:
        assert TypeAdapter(Size).validate_python(text, context={"trade": trade}) == read(size)


def test_a_board_by_its_name_is_what_it_measures_both_ways() -> None:
    rail = begun("rail", "us")
    for said, thick, wide in (("2 by 4", "1 1/2", "3 1/2"), ("5/4x6", "1", "5 1/2")):
        for field in ("height", "thickness"):
            board = amend(rail, {"board": {field: said}}).board
            assert (board.thickness, board.height) == (read(f"{thick} in"), read(f"{wide} in"))
    with pytest.raises(BriefError, match="3/4 in thick and 3 1/2 in wide: write which"):
        amend(rail, {"row": {"air": "1x4"}})
    with pytest.raises(BriefError, match="really 3/4 in × 3 1/2 in"):
        amend(begun("rail", "metric"), {"board": {"height": "1x4"}})
    # A product of plain numbers stays one where no board is called so.
    assert amend(begun("rail", "metric"), {"row": {"air": "2 × 10"}}).row.air == 20


def test_a_board_that_is_as_wide_as_one_is_called_is_asked_about() -> None:
    def asked(**board: str) -> list[Patch]:
        found = build(amend(begun("rail", "us"), {"board": board})).findings
        return [one.fixes[0].patch["board"] for one in found if one.code == "board.nominal"]

    real = {"height": "3 1/2 in", "thickness": "3/4 in"}
    assert asked(height="4 in") == asked(height="4 in", thickness="1 in") == [real]
    assert asked(height="3 1/2 in", thickness="2 in") == [real | {"thickness": "1 1/2 in"}]
    assert asked(**real) == asked(height="4 in", thickness="13/16 in", wood="hardwood") == []
    assert asked(height="3 3/4 in") == []


def test_weights_and_forces_read_back_as_they_are_given() -> None:
    for trade in TRADES:
        typed = {"trade": trade}
        for newtons in range(0, 2001, 3):
            text = load_given(newtons, trade)
            assert TypeAdapter(Force).validate_python(text, context=typed) == newtons, text
            text = weight_given(17 * newtons, trade)
            assert TypeAdapter(Weight).validate_python(text, context=typed) == 17 * newtons, text
    assert [load_given(150, trade) for trade in TRADES] == ["15.3 kg", "33.7 lb"]
    assert [weight_given(6000, trade) for trade in TRADES] == ["6 kg", "13.228 lb"]


@pytest.fixture(params=TRADES)
def shop(request: Any, tmp_path: Any) -> Iterator[tuple[Trade, TestClient]]:
    """The application, asked by a browser of the country, with its yard's list."""
    trade: Trade = request.param
    app = Application(Database(tmp_path / "api.db"))
    prices = price_list(date(2026, 3, 2), "USD" if trade == "us" else "EUR", trade)
    for one in (*prices["offers"], *prices["wares"]):
        one["stock"] = None
    app.supplies.keep(PriceList.model_validate(prices))
    with TestClient(
        create_app(app, welcome=lambda locale: fill(app, locale.trade)),
        base_url="http://127.0.0.1:8722",
        headers={"accept-language": LANGUAGE[trade]},
    ) as client:
        yield trade, client


def on_wall(client: TestClient, family: str, wall: str) -> Json:
    rack = client.post(
        "/api/racks",
        json={"hangs": [{"item": ITEMS[family], "count": 4}], "family": family, "wall": wall},
    )
    assert rack.status_code == 201, rack.text
    found: Json = rack.json()
    return found


def shown(answer: Any, but: Container[str]) -> Iterator[str]:
    if isinstance(answer, str):
        yield answer
    elif isinstance(answer, list):
        for one in answer:
            yield from shown(one, but)
    elif isinstance(answer, dict):
        for key, one in answer.items():
            if key not in but and not key.endswith("_mm"):
                yield from shown(one, but)


def printed(content: bytes, kind: str) -> Iterator[str]:
    if kind.endswith("pdf"):
        for page in PdfReader(io.BytesIO(content)).pages:
            yield from page.extract_text().splitlines()
    elif kind.endswith("svg"):
        yield from re.findall(r">([^<]+)<", content.decode())
    else:
        yield from content.decode().splitlines()


@pytest.mark.slow
def test_nothing_shown_or_printed_is_of_the_other_trade(shop: tuple[Trade, TestClient]) -> None:
    """All that is seen of the Hut: it moves in as where its first visitor is."""
    trade, client = shop

    def look(where: str, trade: str, texts: Iterable[str], worked: Iterable[str]) -> None:
        for text in texts:
            assert not OTHERS[trade].search(text), (where, text)
        for text in worked:
            assert not WORKED.search(text), (where, text)

    def page(address: str, trade: str, answer: Any = None) -> None:
        found = answer or client.get(address).json()
        look(address, trade, shown(found, EXACT), shown(found, EXACT | {"figures"}))

    def paper(address: str, trade: str, size: str) -> None:
        answer = client.get(address, params={"paper": size})
        assert answer.status_code == 200, (address, answer.text)
        texts = list(printed(answer.content, address))
        look(address, trade, texts, texts)

    walls = [f"/api/walls/{one['id']}" for one in client.get("/api/walls").json()]
    for address in (*walls, "/api/catalogue", "/api/timber"):
        page(address, trade)
    racks = client.get("/api/racks").json()
    assert len(racks) > 20
    for listed in racks:
        rack = f"/api/racks/{listed['id']}"
        design = client.get(rack).json()["design"]
        assert design["brief"]["trade"] == trade
        tape = "inch tape" if trade == "metric" and design["tape"]["name"] != "1 mm" else trade
        page(f"{rack}/drawn", tape)
        for address in PAGES:
            page(rack + address, tape)
        for kind in FILES + ON_WALL * (design["brief"]["place"]["wall"] is not None):
            paper(f"{rack}/files/{kind}", tape, "letter" if trade == "us" else "a4")


def test_what_is_begun_here_is_sold_here(shop: tuple[Trade, TestClient]) -> None:
    """No stop on the page, all parts cut from what the trade's yard has, every line of the shopping
    list priced there.
    """
    _, client = shop
    for family in FAMILIES:
        wall = client.post("/api/walls", json={"name": family}).json()["id"]
        rack = on_wall(client, family, wall)
        stops = [one for one in rack["design"]["findings"] if one["severity"] == "stop"]
        assert not stops, (family, stops)
        timber = client.get(f"/api/racks/{rack['id']}/timber").json()
        assert not [one["missing"] for one in timber["groups"] if one["missing"]], family
        assert not timber["unknown"], [one for one in timber["lines"] if not one["known"]]


def test_the_trade_is_guessed_from_the_browser_until_it_is_said(client: TestClient) -> None:
    def asked(language: str) -> Json:
        found: Json = client.get("/api/settings", headers={"accept-language": language}).json()
        return found

    guessed = {"trade": "us", "tape": "1/16 in", "paper": "letter", "chosen": False}
    guessed |= {"currency": "USD", "saw": "mitre saw", "kerf": "", "kerf_usual": "3/32 in"}
    assert asked("en-US,en;q=0.8").items() >= guessed.items()
    for language in ("en-GB", "de", "nonsense;;q=x"):
        assert (asked(language)["trade"], asked(language)["paper"]) == ("metric", "a4")
    said = client.put("/api/settings", json={"trade": "metric", "tape": "1/16 in", "paper": "a4"})
    now = asked("en-US")
    assert now["chosen"]
    assert all(said.json()[name] == now[name] for name in ("trade", "tape", "paper"))
    rack = client.post("/api/racks", json={"hangs": [{"item": "tin-cup", "count": 3}]}).json()
    assert (rack["design"]["brief"]["trade"], rack["design"]["tape"]["name"]) == (
        "metric",
        "1/16 in",
    )
    # A rack keeps its own, whatever is said later.
    client.put("/api/settings", json={"trade": "us", "tape": "1/8 in"})
    assert client.get(f"/api/racks/{rack['id']}").json()["design"] == rack["design"]
    switched = change(client, rack, {"trade": "us"})["design"]
    assert switched["fields"]["row.length"] == rack["design"]["fields"]["row.length"]
    assert [one["code"] for one in switched["findings"]] == ["trade.sizes"]
    assert client.put("/api/settings", json={"trade": "imperial"}).status_code == 422
    odds: list[Any] = ["imperial", [], {"us": "us"}]
    for odd in odds:
        body = {"base": rack["version"] + 1, "patch": {"sizes": odd}}
        assert client.patch(f"/api/racks/{rack['id']}", json=body).status_code == 422


def test_money_saw_and_language_are_as_they_are_chosen(client: TestClient) -> None:
    client.headers["accept-language"] = "en-US"
    chosen = {"trade": "us", "currency": "CAD", "saw": "table saw", "kerf": "5/64"}
    assert (
        client.put("/api/settings", json=chosen).json().items()
        >= {**chosen, "kerf": "5/64 in", "kerf_usual": "1/8 in"}.items()
    )
    asked = {"hangs": [{"item": "tin-cup", "count": 3}]}
    rack = client.post("/api/racks", json=asked).json()
    begun = client.post("/api/start", json=asked).json()[0]["rooms"][0]
    for brief in (rack["design"]["brief"], begun["brief"]):
        cutting = brief["cutting"]
        assert (cutting["saw"], read(cutting["kerf"])) == ("table saw", read("5/64 in"))
    assert client.get("/api/shop").json()["rate"] == "CA$0.00"
    for wrong in ({"kerf": "nonsense"}, {"kerf": "-1"}, {"currency": "XXZ"}, {"saw": "axe"}):
        answer = client.put("/api/settings", json=chosen | wrong)
        assert answer.status_code == 422, wrong
        assert str(*wrong.values()) in answer.text or "saw" in wrong
    # A language that is chosen stands before what the browser asks for; another word is none.
    for language, spoken in (("en-GB", "en-GB"), ("fr", "en-US")):
        client.cookies.set("language", language)
        assert f'lang="{spoken}"' in client.get("/").text


def test_a_copy_of_everything_is_a_data_file(client: TestClient, tmp_path: Any) -> None:
    rack = client.post("/api/racks", json={"hangs": [{"item": "tin-cup", "count": 3}]}).json()
    saved = client.get("/api/settings/backup")
    assert re.search(r"yardcliff-\d{4}-\d\d-\d\d\.db", saved.headers["content-disposition"])
    (tmp_path / "copy.db").write_bytes(saved.content)
    copy = Application(Database(tmp_path / "copy.db"))
    assert [one.id for one in copy.racks.all()] == [rack["id"]]
    copy.database.close()
