"""The door for a phone: shut by default, a key, the bench and nothing else, and not for other
people's pages.
"""

from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from contextlib import suppress
from time import monotonic, sleep

import httpx2
import pytest
from fastapi.testclient import TestClient

from tests.conftest import Json
from yardcliff.api.phone.access import FREE, LONGEST, QUEUE, Phone

TICK = {"said": [{"id": "phone-tick-1", "item": "measure", "at": "2026-11-26T19:00"}]}


@pytest.fixture
def rack(client: TestClient) -> Iterator[Json]:
    app = client.app
    app.state.phone = Phone(app, "127.0.0.1")  # type: ignore[attr-defined]
    hangs = [{"item": "felt-hat", "count": 3}]
    made: Json = client.post("/api/racks", json={"hangs": hangs, "tape": "1 mm"}).json()
    yield made
    app.state.phone.shut()  # type: ignore[attr-defined]


def allowed(client: TestClient, rack: Json) -> Json:
    """The door opened, once it answers."""
    found: Json = client.post("/api/phone", params={"to": f"/racks/{rack['id']}/bench"}).json()
    until = monotonic() + 60
    while monotonic() < until:
        try:
            httpx2.get(f"http://{found['address']}/phone")
            break
        except httpx2.TransportError:
            sleep(0.02)
    return found


def test_nobody_comes_in_unless_it_is_allowed_and_then_with_the_key(
    client: TestClient, rack: Json
) -> None:
    assert client.get("/api/phone").json() == {
        "open": False,
        "address": "",
        "key": "",
        "link": "",
        "code": [],
    }
    found = allowed(client, rack)
    assert client.post("/api/phone").json()["key"] == found["key"], "an open door keeps its key"
    assert {len(row) for row in found["code"]} == {len(found["code"])}
    outside = f"http://{found['address']}"
    with httpx2.Client() as phone:
        assert (
            phone.get(f"{outside}/racks/{rack['id']}/bench").headers["location"]
            == f"/phone?to=/racks/{rack['id']}/bench"
        )
        assert phone.get(f"{outside}/api/racks/{rack['id']}").status_code == 401
        assert phone.get(f"{outside}/phone?key=aaaa-bbbb-cccc").status_code == 403
        come = phone.get(found["link"])
        assert (come.status_code, come.headers["location"]) == (303, f"/racks/{rack['id']}/bench")
        assert "HttpOnly" in come.headers["set-cookie"]
        assert "samesite=strict" in come.headers["set-cookie"].lower()
        # The front end itself may not be built where this runs; the door lets it through.
        assert phone.get(f"{outside}/racks/{rack['id']}/bench").status_code in (200, 404)
        assert phone.get(f"{outside}/api/racks/{rack['id']}").json()["name"] == rack["name"]
        made = phone.get(f"{outside}/api/racks/{rack['id']}/making?now=2026-11-26T18:00")
        assert made.json()["tasks"]
        assert (
            phone.post(f"{outside}/api/racks/{rack['id']}/making/ticks", json=TICK).status_code
            == 204
        )
        for method, path in (
            ("GET", "/api/racks"),
            ("GET", "/"),
            ("GET", "/api/phone"),
            ("DELETE", f"/api/racks/{rack['id']}"),
            ("PATCH", f"/api/racks/{rack['id']}"),
            ("PUT", "/api/shop"),
            ("GET", "/racks/../api/racks"),
        ):
            assert phone.request(method, outside + path).status_code == 403, path
        client.delete("/api/phone")
        assert not client.get("/api/phone").json()["open"]
        # An old cookie opens nothing, whether the door is still closing or shut.
        with suppress(httpx2.TransportError):
            assert phone.get(f"{outside}/api/racks/{rack['id']}").status_code == 401
    tasks = client.get(f"/api/racks/{rack['id']}/making?now=2026-11-26T20:00").json()["tasks"]
    assert [task["done"] for task in tasks if task["key"] == "measure"] == ["2026-11-26T19:00"]


def test_a_page_of_someone_elses_does_not_get_in(client: TestClient, rack: Json) -> None:
    found = allowed(client, rack)
    cookie = {"cookie": f"yardcliff-phone={found['key']}"}
    at = f"http://{found['address']}/api/racks/{rack['id']}"
    assert httpx2.get(at, headers=cookie).status_code == 200
    assert httpx2.get(at, headers={**cookie, "host": "rebound.example"}).status_code == 403
    assert (
        httpx2.get(at, headers={**cookie, "origin": "http://elsewhere.example"}).status_code == 403
    )
    cross = {**cookie, "sec-fetch-site": "cross-site"}
    assert httpx2.post(f"{at}/making/ticks", json=TICK, headers=cross).status_code == 403
    # It leads to a bench only.
    away = httpx2.get(f"http://{found['address']}/phone?key={found['key']}&to=//elsewhere.example")
    assert "location" not in away.headers


def test_who_guesses_waits_and_shuts_nobody_out(client: TestClient, rack: Json) -> None:
    found = allowed(client, rack)
    guess, link = f"http://{found['address']}/phone?key=guess", found["link"]
    took = []
    for _ in range(FREE + 3):
        began = monotonic()
        assert httpx2.get(guess).status_code == 403
        took.append(monotonic() - began)
    assert max(took[:FREE]) < 0.9 < took[-1], "each further one waits twice as long"
    # A picture in somebody's page tries nothing, and costs nobody time.
    assert httpx2.get(link, headers={"sec-fetch-dest": "image"}).status_code == 403
    with ThreadPoolExecutor(QUEUE + 2) as several:
        codes = list(
            several.map(lambda _: httpx2.get(guess, timeout=30).status_code, range(QUEUE + 2))
        )
    assert codes.count(429) == 2
    # The right one passes at once, and those that are wrong after it begin anew.
    began = monotonic()
    assert httpx2.get(link).status_code == 303
    assert httpx2.get(guess).status_code == 403
    assert monotonic() - began < LONGEST, "none of the waits of before"
    assert client.get("/api/phone").json()["key"] == found["key"]


def test_opened_again_it_is_where_it_was_and_a_link_keeps_its_rack(
    client: TestClient, rack: Json
) -> None:
    first = allowed(client, rack)
    client.delete("/api/phone")
    again = allowed(client, rack)
    assert again["address"] == first["address"]
    assert again["key"] != first["key"]
    bench = f"/racks/{rack['id']}/bench"
    with httpx2.Client(follow_redirects=True) as phone:
        asked = phone.get(
            f"http://{again['address']}{bench}",
            headers={"cookie": f"yardcliff-phone={first['key']}"},
        )
        assert f'value="{bench}"' in asked.text
        assert (
            phone.get(
                f"http://{again['address']}/phone", params={"key": again["key"], "to": bench}
            ).url.path
            == bench
        )
    assert (
        httpx2.get(f"http://{again['address']}{bench}", headers={"cookie": "a[]=;;="}).status_code
        == 303
    )
