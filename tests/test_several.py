"""Several racks at once, over HTTP: with all of them or with none, and each way back."""

import io
from zipfile import ZIP_DEFLATED, ZipFile

import pytest
from fastapi.testclient import TestClient
from pypdf import PdfReader

from tests.conftest import Json
from yardcliff.imports.rackfile import MOST_BYTES

HANGS = (("enamel-mug", 6), ("waxed-jacket", 3), ("towel", 4))


@pytest.fixture
def racks(client: TestClient) -> list[Json]:
    return [
        client.post("/api/racks", json={"hangs": [{"item": item, "count": count}]}).json()
        for item, count in HANGS
    ]


def ids(racks: list[Json]) -> list[str]:
    return [rack["id"] for rack in racks]


def filed(client: TestClient) -> dict[str, Json]:
    return {one["id"]: one["filed"] for one in client.get("/api/racks").json()}


def test_racks_are_kept_by_tags_and_each_is_taken_back_by_itself(
    client: TestClient, racks: list[Json]
) -> None:
    mugs, coats, towels = ids(racks)
    before = filed(client)

    def file(changes: Json, status: int = 200) -> Json:
        answer = client.patch("/api/several/filed", json={"racks": changes})
        assert answer.status_code == status, answer.text
        found: Json = answer.json()
        return found

    tagged = file({mugs: {"tag": " Spring "}, coats: {"tag": "spring"}})["racks"]
    again = file({mugs: {"tag": "SPRING"}})["racks"]
    more = file({mugs: {"tag": "gift", "favourite": True}, coats: {"done": True}})["racks"]
    assert filed(client) == before | {
        mugs: {"tags": ["Spring", "gift"], "favourite": True, "done": False},
        coats: {"tags": ["spring"], "favourite": False, "done": True},
    }
    # It is no change of the rack: nothing to undo there, and no window of it goes stale.
    assert client.get(f"/api/racks/{mugs}").json() == racks[0]
    # What was done since stays as it is; what changed nothing takes nothing back.
    file(again)
    file(tagged)
    assert filed(client)[mugs] == {"tags": ["gift"], "favourite": True, "done": False}
    assert filed(client)[coats] == {"tags": [], "favourite": False, "done": True}
    off = file({mugs: {"untag": "GIFT"}})["racks"]
    file(off)
    assert filed(client)[mugs]["tags"] == ["gift"]
    file(more)
    assert filed(client) == before
    file({towels: {"done": True}, "none": {"done": True}}, 404)
    assert filed(client) == before
    file({mugs: {"tag": "x" * 25}}, 422)
    for number in range(12):
        file({mugs: {"tag": f"tag {number}"}})
    assert file({mugs: {"tag": "one more"}}, 400)["detail"] == (
        "Enamel mugs: 12 tags at most: take one off first."
    )


def test_racks_are_hung_on_a_wall_where_it_is_free_and_taken_back(
    client: TestClient, racks: list[Json]
) -> None:
    def places() -> list[Json]:
        return [
            client.get(f"/api/racks/{one}").json()["design"]["brief"]["place"] for one in ids(racks)
        ]

    def codes() -> set[str]:
        designs = [client.get(f"/api/racks/{one}").json()["design"] for one in ids(racks)]
        return {finding["code"] for done in designs for finding in done["findings"]}

    before = places()
    wall = client.post("/api/walls", json={"name": "Porch"}).json()["id"]
    wide = {"base": 1, "patch": {"width": "6 m"}}
    assert client.patch(f"/api/walls/{wall}", json=wide).status_code == 200
    alone = client.post("/api/several/wall", json={"racks": ids(racks)[:1], "wall": wall}).json()
    moved = client.post("/api/several/wall", json={"racks": ids(racks), "wall": wall}).json()
    assert list(alone["racks"]) == ids(racks)[:1]
    assert list(moved["racks"]) == ids(racks)[1:]
    there = places()
    assert [place["wall"] for place in there] == [wall] * 3
    assert len({place["x"] for place in there}) == 3
    assert not {code for code in codes() if code.startswith("wall.")}
    # One that was changed meanwhile keeps all where they are, and is named.
    name = {"base": moved["racks"][racks[2]["id"]], "name": "Bath towels"}
    client.put(f"/api/racks/{racks[2]['id']}/name", json=name)
    stale = client.post("/api/several/wall/back", json=moved)
    assert stale.status_code == 409
    assert stale.json()["detail"].startswith("Bath towels: ")
    assert places() == there
    for going in (alone, {"racks": {racks[1]["id"]: moved["racks"][racks[1]["id"]]}}):
        assert client.post("/api/several/wall/back", json=going).status_code == 204
    assert places()[:2] == before[:2]
    off = client.post("/api/several/wall", json={"racks": ids(racks), "wall": None}).json()
    assert list(off["racks"]) == ids(racks)[2:]
    lost = client.post("/api/several/wall", json={"racks": ids(racks), "wall": "0123456789ab"})
    assert lost.status_code == 404


def test_racks_go_into_the_bin_together_and_out_of_it(
    client: TestClient, racks: list[Json]
) -> None:
    missing = {"racks": [*ids(racks), "none"]}
    assert client.post("/api/several/bin", json=missing).status_code == 404
    assert len(client.get("/api/racks").json()) == 3
    client.post("/api/several/bin", json={"racks": ids(racks)[1:]})
    assert [one["id"] for one in client.get("/api/racks").json()] == ids(racks)[:1]
    client.post("/api/several/bin", json={"racks": ids(racks)[1:], "binned": False})
    assert len(client.get("/api/racks").json()) == 3


def test_racks_go_out_in_one_zip_and_come_in_again(client: TestClient, racks: list[Json]) -> None:
    packed = client.get("/api/several/rack-files.zip", params={"rack": ids(racks)}).content
    opened = client.post("/api/several/open", content=packed).json()
    assert [client.get(f"/api/racks/{one}").json()["design"] for one in opened] == [
        rack["design"] for rack in racks
    ]

    def refused(files: dict[str, str]) -> str:
        out = io.BytesIO()
        with ZipFile(out, "w", ZIP_DEFLATED) as archive:
            for name, text in files.items():
                archive.writestr(name, text)
        answer = client.post("/api/several/open", content=out.getvalue())
        assert answer.status_code == 422
        detail: str = answer.json()["detail"]
        return detail

    good = client.get(f"/api/racks/{racks[0]['id']}/files/rack.json").text
    assert refused({"a.json": good, "b.json": "{}"}).startswith("b.json: ")
    assert "U+0007" in refused({"a.json": good.replace("Enamel", "En\\u0007mel")})
    assert "no rack file in this ZIP" in refused({"read-me.txt": "hello"})
    assert "too large" in refused({"a.json": good, "b.json": " " * MOST_BYTES})
    half = len(packed) // 4
    for broken in (packed[:half], packed[:half] + bytes(64) + packed[half + 64 :]):
        answer = client.post("/api/several/open", content=broken)
        assert (answer.status_code, "Unpack it" in answer.json()["detail"]) == (422, True)
    assert len(client.get("/api/racks").json()) == 6


@pytest.mark.parametrize("kind", ["template.pdf", "sheet.pdf"])
def test_papers_of_racks_are_bound_in_one_with_a_bookmark_each(
    client: TestClient, racks: list[Json], kind: str
) -> None:
    paper = {"paper": "letter"}
    whole = client.get(f"/api/several/print/{kind}", params={"rack": ids(racks), **paper})
    found = PdfReader(io.BytesIO(whole.content))
    apart = [
        client.get(f"/api/racks/{one}/files/{kind}", params=paper).content for one in ids(racks)
    ]
    pages = [page for one in apart for page in PdfReader(io.BytesIO(one)).pages]
    assert [page.extract_text() for page in found.pages] == [page.extract_text() for page in pages]
    assert {tuple(page.mediabox) for page in found.pages} == {(0, 0, 792, 612)}
    assert found.trailer["/Root"]["/Outlines"]["/Count"] == 3  # type: ignore[index]
    nowhere = client.get("/api/several/print/putting-up.pdf", params={"rack": ids(racks)})
    assert nowhere.json()["detail"].startswith("Enamel mugs: This rack is on no wall yet")


def test_each_rack_says_what_is_to_be_done_next(client: TestClient, racks: list[Json]) -> None:
    def after(**patch: Json) -> str:
        rack = client.get(f"/api/racks/{racks[1]['id']}").json()
        client.patch(f"/api/racks/{rack['id']}", json={"base": rack["version"], "patch": patch})
        said: str = client.get(f"/api/racks/{rack['id']}/drawn").json()["next"]
        return said

    wall = client.post("/api/walls", json={"name": "Porch"}).json()["id"]
    assert after() == "Next: choose its wall"
    client.post("/api/several/wall", json={"racks": [racks[1]["id"]], "wall": wall})
    assert after() == "Next: print it, and build"
    tasks = client.get(f"/api/racks/{racks[1]['id']}/making?now=2026-12-01T09:00").json()["tasks"]
    line = next(line for task in tasks for line in task["lines"])
    ticked = [
        ("tick-one", tasks[0]["key"]),
        ("tick-two", tasks[1]["key"]),
        ("tick-line", line["item"]),
    ]
    said = [{"id": one, "item": item, "at": "2026-12-01T10:00"} for one, item in ticked]
    client.post(f"/api/racks/{racks[1]['id']}/making/ticks", json={"said": said, "device": "x"})
    assert after() == "Being built: 2 steps done"
    assert after(place={"x": "20 mm"}).startswith("Check: ")
    # The wall is looked at last, and what it must have comes first.
    assert after(row={"length": "720 mm", "follows": "ends"}).startswith(
        "Check: Hangs past the board"
    )
    assert after(place={"x": "9 m"}).startswith("Must fix: ")
    assert after(row={"count": 60, "length": "900 mm", "follows": "pitch"}).startswith("Must fix: ")
