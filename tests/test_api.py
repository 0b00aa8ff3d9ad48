"""The API over HTTP: the real application on a real data file."""

import asyncio
import re
from concurrent.futures import ThreadPoolExecutor
from contextlib import suppress
from time import monotonic, sleep
from typing import Any

import pytest
from fastapi.testclient import TestClient
from starlette.websockets import WebSocketDisconnect

from tests.conftest import Json, change
from yardcliff.api.app import create_app
from yardcliff.api.reading import Reading
from yardcliff.api.security import MAX_BODY
from yardcliff.app.application import Application
from yardcliff.core.base.effort import GivenUp, check
from yardcliff.core.ways import FAMILIES
from yardcliff.demo import fill, hut
from yardcliff.store.database import Database


def hanging(item: str, count: int = 5) -> Json:
    return {"hangs": [{"item": item, "count": count}]}


@pytest.fixture
def rack(client: TestClient) -> Json:
    answer = client.post("/api/racks", json=hanging("waxed-jacket"))
    assert answer.status_code == 201
    made: Json = answer.json()
    return made


def test_a_new_rack_is_complete_and_settled(rack: Json) -> None:
    design = rack["design"]
    assert rack["name"] == "Waxed jackets"
    assert design["marks"]["text"] == ["130 mm", "390 mm", "650 mm", "910 mm", "1170 mm"]
    assert design["fields"]["row.length"] == "1300 mm"
    assert not design["findings"]
    assert design["machining"][0]["tool"] == "3 mm bit"
    assert [len(symbol["places"]) for symbol in design["scene"]["symbols"]] == [5, 5]


def test_changes_undo_and_redo(client: TestClient, rack: Json) -> None:
    shorter = change(client, rack, {"row": {"length": "1.2 m"}})
    assert shorter["design"]["follows"] == "pitch"
    assert shorter["undo"] == "Board length: 1200 mm instead of 1300 mm"
    assert [f["code"] for f in shorter["design"]["findings"]] == ["row.crowded"]
    fixed = change(client, shorter, shorter["design"]["findings"][0]["fixes"][0]["patch"])
    assert not fixed["design"]["findings"]
    base = {"base": fixed["version"]}
    undone = client.post(f"/api/racks/{rack['id']}/undo", json=base).json()
    assert undone["design"] == shorter["design"]
    redone = client.post(f"/api/racks/{rack['id']}/redo", json={"base": undone["version"]}).json()
    assert redone["design"] == fixed["design"]
    assert client.get(f"/api/racks/{rack['id']}").json() == redone


def test_a_stale_change_is_told_and_can_be_kept_as_a_copy(client: TestClient, rack: Json) -> None:
    change(client, rack, {"row": {"count": 6}})
    mine = {"base": rack["version"], "patch": {"row": {"count": 4}}}
    refused = client.patch(f"/api/racks/{rack['id']}", json=mine)
    assert refused.status_code == 409
    assert refused.headers["content-type"] == "application/problem+json"
    assert refused.json()["type"] == "/problems/stale"
    assert refused.json()["version"] == rack["version"] + 1
    own = {"brief": rack["design"]["brief"], "patch": mine["patch"]}
    copy = client.post(f"/api/racks/{rack['id']}/copy", json=own).json()
    assert copy["design"]["count"] == 4
    assert client.get(f"/api/racks/{rack['id']}").json()["design"]["count"] == 6
    assert client.get(f"/api/racks/{rack['id']}/version").json() == {
        "version": rack["version"] + 1,
        "site": "",
        "facts": 0,
    }


def test_rename_copy_bin_and_restore(client: TestClient, rack: Json) -> None:
    renamed = client.put(
        f"/api/racks/{rack['id']}/name", json={"base": rack["version"], "name": "  Hall  "}
    ).json()
    assert renamed["name"] == "Hall"
    copy = client.post(f"/api/racks/{rack['id']}/copy", json={}).json()
    assert copy["name"] == "Hall, copy"
    assert client.delete(f"/api/racks/{rack['id']}").status_code == 204
    assert [r["name"] for r in client.get("/api/racks").json()] == ["Hall, copy"]
    assert [r["name"] for r in client.get("/api/racks?bin=true").json()] == ["Hall"]
    assert client.post(f"/api/racks/{rack['id']}/restore").json()["deleted"] is False
    assert len(client.get("/api/racks").json()) == 2


def test_solve_stores_nothing(client: TestClient, rack: Json) -> None:
    tried = client.post(
        "/api/solve", json={"brief": rack["design"]["brief"], "patch": {"row": {"count": 7}}}
    )
    assert tried.json()["count"] == 7
    assert client.get(f"/api/racks/{rack['id']}").json() == rack


@pytest.mark.parametrize(
    ("patch", "field", "quotes"),
    [
        ({"row": {"length": "a yard"}}, "row.length", "“a yard”"),
        ({"row": {"count": "1.5"}}, "row.count", "“1.5”"),
        ({"holder": {"plate_width": "0"}}, "holder.plate_width", "“0”"),
        ({"hung": "-2 m"}, "hung", "“-2 m”"),
    ],
)
def test_an_unreadable_value_is_a_problem_with_its_field(
    client: TestClient, rack: Json, patch: Json, field: str, quotes: str
) -> None:
    answer = client.patch(
        f"/api/racks/{rack['id']}", json={"base": rack["version"], "patch": patch}
    )
    assert answer.status_code == 422
    (error,) = answer.json()["errors"]
    assert error["field"] == field
    assert quotes in error["message"]
    assert client.get(f"/api/racks/{rack['id']}").json() == rack


@pytest.mark.parametrize(
    ("method", "path", "body", "status"),
    [
        ("GET", "/api/racks/none", None, 404),
        ("POST", "/api/racks", hanging("anvil"), 422),
        ("POST", "/api/racks", hanging("felt-hat", 0), 422),
        ("POST", "/api/racks", {}, 422),
        ("POST", "/api/racks/open", {"format": "other"}, 422),
        ("POST", "/api/racks/open", {"format": "yardcliff-rack", "version": 99}, 422),
        ("POST", "/api/start", hanging("anvil", 2), 422),
        ("GET", "/api/nowhere", None, 404),
        ("PUT", "/api/racks", {}, 405),
    ],
)
def test_every_refusal_is_a_problem(
    client: TestClient, method: str, path: str, body: Json | None, status: int
) -> None:
    answer = client.request(method, path, json=body)
    assert answer.status_code == status
    assert answer.headers["content-type"] == "application/problem+json"
    assert answer.json()["status"] == status
    assert answer.json()["detail"]


@pytest.mark.parametrize(
    ("kind", "media", "starts"),
    [
        ("template.pdf?paper=letter", "application/pdf", b"%PDF"),
        ("sheet.pdf", "application/pdf", b"%PDF"),
        ("drawing.svg", "image/svg+xml", b"<svg"),
        ("marks.csv", "text/csv; charset=utf-8", b"row,mark,exact_mm"),
        ("holes.csv", "text/csv; charset=utf-8", b"part,hole,face,along_mm"),
        ("rack.json", "application/json", b'{\n  "format"'),
    ],
)
def test_exports(client: TestClient, rack: Json, kind: str, media: str, starts: bytes) -> None:
    answer = client.get(f"/api/racks/{rack['id']}/files/{kind}")
    assert answer.headers["content-type"] == media
    assert answer.content.startswith(starts)
    assert "waxed-jackets" in answer.headers["content-disposition"]


def test_the_hole_table_is_that_of_the_marks(client: TestClient, rack: Json) -> None:
    (table,) = client.get(f"/api/racks/{rack['id']}/holes").json()
    (front,) = table["faces"]
    assert (front["face"], front["along"], front["across"], front["rest"]) == (
        "front",
        "left end",
        "bottom edge",
        "top edge",
    )
    along = list(dict.fromkeys(line["along"] for line in front["lines"]))
    assert along == rack["design"]["marks"]["text"]
    assert {line["purpose"] for line in front["lines"]} == {
        f"hook {k + 1}" for k in range(len(along))
    }


def test_a_rack_file_opens_again_as_the_same_rack(client: TestClient, rack: Json) -> None:
    changed = change(
        client, rack, {"row": {"pins": [{"index": 1, "at": "400 1/3"}]}, "tape": "1/32 in"}
    )
    text = client.get(f"/api/racks/{rack['id']}/files/rack.json").content
    opened = client.post("/api/racks/open", content=text).json()
    assert opened["id"] != rack["id"]
    assert (opened["name"], opened["design"]) == (changed["name"], changed["design"])
    assert client.get(f"/api/racks/{opened['id']}/files/rack.json").content == text


def test_a_rack_from_another_machine_says_what_of_its_wall_is_lost(
    client: TestClient, rack: Json
) -> None:
    file = client.get(f"/api/racks/{rack['id']}/files/rack.json").json()
    file["brief"] |= {"place": {"wall": "0123456789ab", "x": "410 mm"}, "mount": {"by": "cleat"}}
    opened = client.post("/api/racks/open", json=file).json()
    lost = next(one for one in opened["design"]["findings"] if one["code"] == "wall.lost")
    assert "410 mm from the left" in lost["message"]
    assert "by cleat" in lost["message"]
    body = {"base": opened["version"], "patch": lost["fixes"][0]["patch"]}
    after = client.patch(f"/api/racks/{opened['id']}", json=body).json()["design"]
    assert [one["code"] for one in after["findings"]] == [
        one["code"] for one in rack["design"]["findings"]
    ]


def test_the_demo_holds_settled_racks_and_one_to_settle(client: TestClient) -> None:
    app: Any = client.app
    many = len(hut().racks)
    assert fill(app.state.application) == many
    assert fill(app.state.application) == 0, "a filled store is left alone"
    listed = client.get("/api/racks").json()
    drawn = [client.get(f"/api/racks/{r['id']}/drawn").json() for r in listed]
    assert [r["to_settle"] for r in drawn] == [1] + [0] * (many - 1)
    built = {client.get(f"/api/racks/{r['id']}").json()["design"]["family"] for r in listed}
    assert built == set(FAMILIES), "each way of building is shown"


NAVIGATES = {
    "sec-fetch-site": "cross-site",
    "sec-fetch-mode": "navigate",
    "sec-fetch-dest": "document",
}


def test_a_link_from_another_page_leads_in_and_nothing_else_does(
    client: TestClient, rack: Json
) -> None:
    page = client.get(f"/racks/{rack['id']}", headers=NAVIGATES)
    assert page.status_code in (200, 404), "the front end may not be built here"
    for method, path, changed in (
        ("GET", "/api/racks", {}),
        ("POST", f"/racks/{rack['id']}", {}),
        ("GET", "/", {"sec-fetch-dest": "iframe"}),
        ("GET", "/", {"sec-fetch-mode": "no-cors"}),
        ("GET", "/", {"host": "rebound.example"}),
    ):
        assert client.request(method, path, headers={**NAVIGATES, **changed}).status_code == 403, (
            method,
            path,
            changed,
        )


@pytest.mark.parametrize(
    ("body", "says"),
    [
        (
            '{"brief": {"row": {"pins": [' + "0," * 900_000 + "0]}}}",
            "900001 entries are too many: 5000 are the most",
        ),
        (
            '{"brief": {"row": {"pins": [' + ",".join(["[" + "0," * 999 + "0]"] * 200) + "]}}}",
            "entries are too many",
        ),
        ('{"brief": ' + '{"a": ' * 80 + "1" + "}" * 81, "nested deeper than 64"),
        ('{"brief": ' + "[" * 100_000, "nested deeper than 64"),
        ('{"brief": {"item": {"name": "half \\ud800 a letter"}}}', "no letter (U+D800)"),
        ('{"brief": {"item": {"name": "bell \\u0007"}}}', "no letter (U+0007)"),
        ('{"brief": {"bell \\u0007": 1}}', "no letter (U+0007)"),
        ('{"brief": {"hung": ' + "9" * 310 + "}}", "is no number for a rack"),
        ('{"brief": {"hung": NaN}}', "nan is no number"),
    ],
)
def test_what_nobody_can_mean_is_refused_at_once_wherever_it_is_sent(
    client: TestClient, body: str, says: str
) -> None:
    began = monotonic()
    answer = client.post("/api/solve", content=body, headers={"content-type": "application/json"})
    assert answer.status_code == 422
    assert says in answer.json()["detail"]
    assert len(answer.content) < 20_000
    assert monotonic() - began < 11, "a second at the most, far from the 22 that it was"
    file = client.post("/api/racks/open", content=body, headers={"content-type": "text/plain"})
    assert (file.status_code, says in file.json()["detail"]) == (422, True), (
        "whatever it calls itself"
    )
    with client.websocket_connect("/api/solve", headers={"host": "127.0.0.1:8722"}) as line:
        line.send_text(body)
        assert says in line.receive_json()["problem"]["detail"]


def test_a_name_that_is_too_long_is_said_and_not_cut(client: TestClient, rack: Json) -> None:
    path = f"/api/racks/{rack['id']}"
    answer = client.put(f"{path}/name", json={"base": rack["version"], "name": "x" * 93})
    assert answer.json()["errors"][0]["message"] == "93 characters are too many: 80 are the most."
    named = client.put(f"{path}/name", json={"base": rack["version"], "name": "y" * 80}).json()
    assert len(named["name"]) == 80
    assert client.post(f"{path}/copy", json={}).json()["name"] == "y" * 73 + "…, copy", (
        "what is cut off is told"
    )


def test_at_most_twenty_of_many_errors_are_named(client: TestClient, rack: Json) -> None:
    pins = [{"index": "x", "at": "y"}] * 300
    answer = client.post(
        "/api/solve", json={"brief": rack["design"]["brief"], "patch": {"row": {"pins": pins}}}
    ).json()
    assert len(answer["errors"]) == 20
    hangs = client.post("/api/racks", json={"hangs": [{"item": 3, "count": "many"}] * 15}).json()
    assert (len(hangs["errors"]), hangs["detail"][-11:]) == (20, "and 10 more")


def test_a_write_that_comes_again_under_its_key_is_made_once(
    client: TestClient, rack: Json
) -> None:
    press: Json = {
        "headers": {"idempotency-key": "press-0001"},
        "json": {"base": rack["version"], "patch": {"hung": "1500 mm"}},
    }
    with ThreadPoolExecutor(4) as at_once:
        answers = list(
            at_once.map(lambda _: client.patch(f"/api/racks/{rack['id']}", **press), range(4))
        )
    assert {(answer.status_code, answer.json()["version"]) for answer in answers} == {
        (200, rack["version"] + 1)
    }
    copies = [
        client.post(
            f"/api/racks/{rack['id']}/copy", json={}, headers={"idempotency-key": "press-0002"}
        )
        for _ in "ab"
    ]
    assert copies[0].json()["id"] == copies[1].json()["id"]
    # After a start only the data file knows the key: nothing is written, and that is said.
    app: Any = client.app
    with TestClient(
        create_app(Application(Database(app.state.application.database.path))),
        base_url="http://127.0.0.1:8722",
    ) as again:
        told = again.patch(f"/api/racks/{rack['id']}", **press)
        assert (told.status_code, told.json()["type"]) == (409, "/problems/already-written")
        assert again.get(f"/api/racks/{rack['id']}").json()["version"] == rack["version"] + 1
    refused = client.patch(
        f"/api/racks/{rack['id']}", headers={"idempotency-key": "no key"}, json=press["json"]
    )
    assert refused.status_code == 422


def test_long_work_ends_when_its_client_goes_and_a_write_is_finished() -> None:
    async def asked(method: str, path: str) -> list[str]:
        said: list[str] = []

        async def app(*_: object) -> None:
            def work() -> None:
                for _ in range(100):
                    sleep(0.01)
                    check()
                said.append("finished")

            await asyncio.to_thread(work)

        arrives: asyncio.Queue[Any] = asyncio.Queue()
        arrives.put_nowait({"type": "http.request", "body": b"{}"})
        asyncio.get_running_loop().call_later(0.1, arrives.put_nowait, {"type": "http.disconnect"})
        scope = {"type": "http", "method": method, "path": path, "headers": []}
        with suppress(GivenUp):
            await Reading(app)(scope, arrives.get, app)
        return said

    # In a thread of its own: where browser tests ran before, this one has a loop already.
    with ThreadPoolExecutor(1) as thread:

        def came_of(method: str, path: str) -> list[str]:
            return thread.submit(asyncio.run, asked(method, path)).result()

        assert came_of("GET", "/api/racks/0f3a/timber") == came_of("POST", "/api/reorder") == []
        assert came_of("POST", "/api/racks/0f3a/timber/done") == ["finished"]


@pytest.mark.parametrize(
    "headers",
    [
        {"host": "yardcliff.evil.example"},
        {"host": ""},
        {"origin": "http://evil.example"},
        {"origin": "http://127.0.0.1:9999"},
        {"origin": "null"},
        {"sec-fetch-site": "cross-site"},
        {"sec-fetch-site": "same-site"},
    ],
)
def test_pages_of_others_cannot_drive_the_server(
    client: TestClient, headers: dict[str, str]
) -> None:
    for method, path in (("GET", "/api/racks"), ("POST", "/api/racks")):
        assert (
            client.request(method, path, headers=headers, json=hanging("towel")).status_code == 403
        )


def test_own_pages_can(client: TestClient) -> None:
    headers = {"origin": "http://127.0.0.1:8722", "sec-fetch-site": "same-origin"}
    assert client.post("/api/racks", headers=headers, json=hanging("towel")).status_code == 201
    assert client.get("/api/racks", headers={"host": "[::1]:8722"}).status_code == 200


def test_bodies_are_bounded_with_and_without_a_length(client: TestClient) -> None:
    assert client.post("/api/solve", content=b"x" * (MAX_BODY + 1)).status_code == 413
    pieces = (b"x" * 100_000 for _ in range(MAX_BODY // 100_000 + 2))
    assert client.post("/api/racks/open", content=pieces).status_code == 413


def test_pages_come_with_a_strict_policy(client: TestClient) -> None:
    first, second = client.get("/racks/anything"), client.get("/")
    policy = first.headers["content-security-policy"]
    assert "default-src 'none'" in policy
    assert "unsafe" not in policy
    nonce = policy.split("'nonce-")[1].split("'")[0]
    assert f'content="{nonce}"' in first.text
    assert nonce not in second.text
    for answer in (first, client.get("/api/health")):
        assert answer.headers["x-content-type-options"] == "nosniff"


def test_the_first_page_names_what_it_will_ask_for(client: TestClient) -> None:
    assert "link" not in client.get("/racks/anything").headers
    asked = re.findall("<([^>]+)>", client.get("/").headers["link"])
    assert [client.get(path).status_code for path in asked] == [200] * 5


def test_the_openapi_document_explains_itself(client: TestClient) -> None:
    document = client.get("/api/openapi.json").json()
    assert "merge patch" in document["info"]["description"]
    for path, operations in document["paths"].items():
        for operation in operations.values():
            assert operation["description"], path


def test_a_line_answers_tries_in_order_and_outlives_what_cannot_be_read(client: TestClient) -> None:
    brief = client.post("/api/start", json=hanging("towel", 3)).json()[0]["rooms"][0]["brief"]
    with client.websocket_connect(
        "ws://127.0.0.1:8722/api/solve", headers={"origin": "http://127.0.0.1:8722"}
    ) as line:
        for patch in ({"row": {"count": 4}}, {"row": {"count": "four"}}, {"row": {"count": 5}}):
            line.send_json({"brief": brief, "patch": patch})
        line.send_text("no JSON")
        four, bad, five, worse = (line.receive_json() for _ in range(4))
    assert (four["design"]["count"], five["design"]["count"]) == (4, 5)
    assert bad["problem"]["errors"][0]["field"] == "row.count"
    assert worse["problem"]["status"] == 422
    assert (
        four["design"]
        == client.post("/api/solve", json={"brief": brief, "patch": {"row": {"count": 4}}}).json()
    )


@pytest.mark.parametrize(
    "headers", [{"origin": "http://evil.example"}, {"host": "yardcliff.evil.example"}]
)
def test_a_line_from_another_page_is_not_taken(client: TestClient, headers: dict[str, str]) -> None:
    with (
        pytest.raises(WebSocketDisconnect),
        client.websocket_connect("ws://127.0.0.1:8722/api/solve", headers=headers),
    ):
        pass


LIST = """name,plural,group,left,right,above,below,weight,takes,span
tall jug,tall jugs,bottles,70 mm,60 mm,20 mm,250 mm,1.2 kg,one,
sled,,boards,22 cm,22 cm,,90 cm,,bridge,300 mm
,,mugs,1,1,,1,,,
odd,,mugs,four,40,,100,,,
tall jug,,mugs,40,40,,100,,,
heavy,,mugs,40,40,,100,900 kg,,
"""


def test_a_list_of_things_is_read_row_by_row_and_goes_out_again(client: TestClient) -> None:
    def send(text: str, **query: Any) -> Json:
        answer = client.post(
            "/api/items/import", content=text, headers={"content-type": "text/csv"}, params=query
        )
        assert answer.status_code == 200, answer.text
        report: Json = answer.json()
        return report

    report = send(LIST)
    assert [(row["line"], row["standing"]) for row in report["rows"]] == [
        (2, "new"),
        (3, "new"),
        (4, "refused"),
        (5, "refused"),
        (6, "refused"),
        (7, "refused"),
    ]
    whys = [row["why"] for row in report["rows"][2:]]
    assert whys[0] == "name: is missing"
    assert whys[1].startswith("left: Cannot read “four”")
    assert whys[2] == "key: “tall-jug” is on line 2 already"
    assert "weight_g: “900 kg” is no weight" in whys[3]
    assert report["taken"] == 0
    assert client.get("/api/items/items.csv").text.count("\n") == 1, (
        "nothing is kept before it is asked for"
    )
    assert send(LIST, take=True)["taken"] == 2
    out = client.get("/api/items/items.csv").text
    assert {row["standing"] for row in send(out)["rows"]} == {"same"}
    everything = client.get("/api/items/items.csv?all=true").text
    assert all(row["standing"] in ("new", "same") for row in send(everything)["rows"])
    bad = client.post(
        "/api/items/import", content="a,b\n1,2\n", headers={"content-type": "text/csv"}
    )
    assert (bad.status_code, bad.json()["type"]) == (422, "/problems/unreadable-file")
    assert "there is no “name” in it" in bad.json()["detail"]


def test_a_thing_of_ones_own_comes_first_and_racks_are_brought_up_to_it(
    client: TestClient, rack: Json
) -> None:
    listed = next(
        i for i in client.get("/api/catalogue").json()["items"] if i["key"] == "waxed-jacket"
    )
    assert not listed["own"]
    kept = client.put(
        "/api/items/waxed-jacket", json={"columns": {**listed["columns"], "left": "5 in"}}
    ).json()
    assert [used["id"] for used in kept["racks"]] == [rack["id"]]
    first = client.get("/api/catalogue").json()["items"][0]
    assert (first["key"], first["own"], first["columns"]["left"]) == ("waxed-jacket", True, "5 in")
    assert [r["id"] for r in client.post("/api/items/waxed-jacket/racks").json()] == [rack["id"]]
    updated = client.get(f"/api/racks/{rack['id']}").json()
    assert updated["design"]["brief"]["item"]["left"] == "5 in"
    assert updated["undo"] == "waxed jacket as measured now"
    assert client.post("/api/items/waxed-jacket/racks").json() == []
    new = client.post(
        "/api/items",
        json={"columns": {"name": "Big jug!", "left": "4", "right": "4", "below": "9"}},
    )
    assert new.json()["item"]["key"] == "big-jug"
    assert client.delete("/api/items/big-jug").status_code == 204
    assert client.delete("/api/items/big-jug").status_code == 404
    wrong = client.post(
        "/api/items", json={"columns": {"name": "x", "left": "4", "right": "-1", "below": "9"}}
    )
    assert wrong.json()["errors"] == [{"field": "right", "message": "“-1” must be more than 0."}]


def test_racks_are_called_so_that_they_are_told_apart(client: TestClient) -> None:
    wall = client.post("/api/walls", json={"name": "Porch"}).json()["id"]
    asked = {"hangs": [{"item": "waxed-jacket", "count": 3}]}
    names = [
        client.post("/api/racks", json=asked | where).json()["name"]
        for where in ({}, {}, {"wall": wall}, {"wall": wall})
    ]
    alone, there = "Waxed jackets", "Waxed jackets, Porch"
    assert names == [alone, f"{alone} 2", there, f"{there} 2"]
    first = client.get("/api/racks").json()[-1]
    for _ in range(2):
        client.post(f"/api/racks/{first['id']}/copy", json={})
    listed = client.get("/api/racks").json()
    assert [one["name"] for one in listed[:2]] == ["Waxed jackets, copy 2", "Waxed jackets, copy"]
    assert [(one["things"], one["wall"]) for one in listed[1:3]] == [
        ("waxed jackets", None),
        ("waxed jackets", "Porch"),
    ]


def test_what_hangs_is_said_and_what_is_in_no_list_is_made_from_three_measures(
    client: TestClient,
) -> None:
    said = client.get("/api/items/find", params={"text": "7 coats and 2 zithers on 1.2 m"}).json()
    assert said["hangs"] == [{"item": "waxed-jacket", "count": 7}]
    assert said["unread"] == []
    assert (said["width"], said["unknown"]) == ("1200 mm", [{"name": "zithers", "count": 2}])
    measures = {"name": "zithers", "width": "300", "below": "450", "front": "", "shape": "fiddle"}
    made = client.post("/api/items", json={"columns": measures | {"front": "6 cm"}}).json()["item"]
    assert made["measures"]["box"] | {"x0": -150, "x1": 150, "y0": -450} == made["measures"]["box"]
    assert (made["group"], made["plural"]) == ("instruments", "zithers")
    wrong = client.post("/api/items", json={"columns": measures | {"width": ""}}).json()
    assert [one["field"] for one in wrong["errors"]] == ["width"]
    hangs = [{"item": "waxed-jacket", "count": 7}]
    offered = client.post("/api/start", json={"hangs": hangs, "width": "1.2 m"}).json()
    assert [room["how"] for room in offered[0]["rooms"]] == ["overlap", "staggered", "fewer"]
    # A hook's plate is wider than a stile: that cannot be built as it begins.
    assert "stile-pair" not in {way["family"] for way in offered}
    asked = {"hangs": hangs, "width": "1.2 m", "family": "rail", "how": "staggered"}
    rack = client.post("/api/racks", json=asked).json()["design"]
    assert (rack["fields"]["row.length"], rack["holder_count"]) == ("1200 mm", 4)
    assert [one["code"] for one in rack["findings"]] == []
    for bad in ("wide", "-1 m", "0"):
        answer = client.post("/api/start", json={"hangs": hangs, "width": bad})
        assert (answer.status_code, answer.json()["errors"][0]["field"]) == (422, "width")
        assert bad in answer.json()["errors"][0]["message"]


def test_a_better_order_comes_as_a_patch_with_before_and_after(client: TestClient) -> None:
    hangs = [{"item": "waxed-jacket", "count": 2}, {"item": "enamel-mug", "count": 2}]
    brief = client.post("/api/start", json={"hangs": hangs}).json()[0]["rooms"][0]["brief"]
    brief["row"] |= {"spacing": "even", "order": ["", "", "enamel-mug", "enamel-mug"]}
    found = client.post("/api/reorder", json={"brief": brief, "aim": "pitch"}).json()
    # Two jackets side by side ask for 260; a mug between them for 115 + 30 + 45.
    assert (found["before"], found["after"], found["proved"], found["changes"]) == (
        "260 mm",
        "190 mm",
        True,
        True,
    )
    after = client.post("/api/solve", json={"brief": brief, "patch": found["patch"]}).json()
    assert after["fields"]["row.pitch"] == "190 mm"


def test_ways_of_building_are_offered_by_fitness_and_changed_on_the_rack(
    client: TestClient,
) -> None:
    ways = client.post("/api/start", json=hanging("flask")).json()
    assert [(way["family"], way["fits"]) for way in ways] == [
        ("hole-rail", "made for it"),
        ("ledge-post", "suits"),
        ("rail", "at a pinch"),
        ("stacked", "at a pinch"),
        ("panel", "at a pinch"),
        ("stile-pair", "at a pinch"),
        ("shelf-box", "at a pinch"),
        ("flip-rail", "at a pinch"),
        ("perch", "at a pinch"),
        ("angled-rail", "at a pinch"),
    ]
    assert (
        client.post("/api/racks", json=hanging("flask") | {"family": "shed"}).json()["errors"][0][
            "field"
        ]
        == "family"
    )
    rack = client.post("/api/racks", json=hanging("flask") | {"family": "rail"}).json()
    assert [view["key"] for view in rack["design"]["views"]] == ["section"]
    built = change(client, rack, {"family": "hole-rail"})
    design = built["design"]
    assert [view["key"] for view in design["views"]] == ["section", "plan"]
    assert [field["path"] for field in design["choices"][0]["fields"]][:2] == [
        "hole.opening",
        "hole.play",
    ]
    assert (design["count"], design["machining"][0]["tool"], design["machining"][0]["depth"]) == (
        5,
        "38 mm bit",
        "right through",
    )
    assert built["undo"] == "Hole rail instead of rail"


def test_versions_are_kept_compared_taken_and_let_go(client: TestClient, rack: Json) -> None:
    at = f"/api/racks/{rack['id']}/versions"
    assert client.post(at, json={"name": " "}).status_code == 422
    kept = client.post(at, json={"name": "Five hooks"}).json()
    assert [(v["id"] == "now", v["name"]) for v in kept] == [
        (True, "As it is now"),
        (False, "Five hooks"),
    ]
    version = kept[1]["id"]
    changed = change(client, rack, {"row": {"count": 8}})
    table = client.get(f"{at}/compare", params={"id": ["now", version]}).json()
    things = next(t for t in table["results"] if t["label"] == "things")
    assert (things["texts"], things["best"]) == (["8", "5"], [0])
    assert [t["label"] for t in table["decisions"]] == ["how many"]
    assert client.get(f"{at}/compare", params={"id": ["now"]}).status_code == 400
    assert client.post(f"{at}/{version}/take", json={"base": rack["version"]}).status_code == 409
    taken = client.post(f"{at}/{version}/take", json={"base": changed["version"]}).json()
    assert (taken["design"]["count"], taken["undo"]) == (5, "back to “Five hooks”")
    assert client.delete(f"{at}/{version}").status_code == 204
    assert len(client.get(at).json()) == 1
    assert client.post(f"{at}/{version}/restore").status_code == 204
    assert len(client.get(at).json()) == 2
    assert client.delete(f"{at}/none").status_code == 404


def test_aids_for_marking_out(client: TestClient, rack: Json) -> None:
    at = f"/api/racks/{rack['id']}/aids"
    other = client.post("/api/racks", json=hanging("enamel-mug", 4)).json()["id"]
    assert client.get(f"{at}/stick.pdf?pair=mirrored&with={other}").content.startswith(b"%PDF")
    assert client.get(f"{at}/jig.pdf?holes=3").content.startswith(b"%PDF")
    # 5 jackets at 260: three holes are 520 + 40 long, moved twice.
    jig = client.get(f"{at}/jig?holes=3").json()
    assert jig == {"holes": 3, "length": "560 mm", "moves": 2, "error": "0.5 mm"}
    assert "2 to 5 holes" in client.get(f"{at}/jig?holes=9").json()["detail"]
    members = client.get(f"{at}/family?fewest=2&most=4").json()
    assert [(m["count"], m["length"]) for m in members] == [
        (2, "520 mm"),
        (3, "780 mm"),
        (4, "1040 mm"),
    ]
    assert members[0]["marks"] == ["130 mm", "390 mm"]
    lines = client.get(f"{at}/family.csv?fewest=2&most=4").text.splitlines()
    assert lines[1] == "2,520 mm,520.0000,130 mm,390 mm"
    assert client.get(f"{at}/family?fewest=4&most=2").status_code == 400


def test_marks_are_held_against_the_plan(client: TestClient, rack: Json) -> None:
    brief = rack["design"]["brief"]
    found = client.post(
        "/api/check", json={"brief": brief, "text": "130, 390, 650, 920, 1170"}
    ).json()
    assert (found["code"], [m["good"] for m in found["marks"]]) == (
        "plan",
        [True, True, True, False, True],
    )
    assert (found["marks"][3]["off"], found["air"], found["touches"]) == ("+10 mm", "20 mm", False)
    adopted = change(client, rack, found["adopt"])
    assert adopted["design"]["marks"]["text"][3] == "920 mm"
    wrong = client.post("/api/check", json={"brief": brief, "text": "130, here"})
    assert (wrong.status_code, "“here”" in wrong.json()["detail"]) == (422, True)
