"""Every way of building over HTTP: made, drawn, written out, changed, spoilt and undone."""

from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.conftest import Json, change
from tests.test_paper_of_families import ITEMS
from yardcliff.core.families import FAMILIES
from yardcliff.core.things import UP

STANDING = {key for key, way in FAMILIES.items() if way.brief.run is UP}
NONSENSE = ("seven", "-40 mm", "3//4", "12 furlongs", "nan", "1e9")


def made(client: TestClient, family: str, count: int = 4) -> Json:
    body = {"hangs": [{"item": ITEMS[family], "count": count}], "family": family}
    answer = client.post("/api/racks", json=body)
    assert answer.status_code == 201, answer.text
    rack: Json = answer.json()
    return rack


def patch_of(path: str, value: Any) -> Json:
    *way, last = path.split(".")
    patch: Json = {last: value}
    for key in reversed(way):
        patch = {key: patch}
    return patch


def paths_of(rack: Json) -> set[str]:
    return {field["path"] for section in rack["design"]["choices"] for field in section["fields"]}


def places(rack: Json, of: str) -> int:
    return sum(len(symbol["places"]) for symbol in rack["design"]["scene"]["symbols"] if symbol["of"] == of)


@pytest.mark.parametrize("family", FAMILIES)
def test_a_rack_is_made_drawn_and_written_out(client: TestClient, family: str) -> None:
    rack = made(client, family)
    design = rack["design"]
    assert design["family"] == family
    assert not [finding for finding in design["findings"] if finding["severity"] == "stop"]
    assert places(rack, "item") == 4
    assert design["up"] == (family in STANDING)
    assert design["ends"] == (["foot", "top"] if family in STANDING else ["left end", "right end"])
    # The row is as high as it is said to hang, and every figure that a choice names is there.
    high = next(one for one in design["scene"]["dimensions"] if one["figure"] == "hung")
    assert design["origin"][1] == high["end"]
    for section in design["choices"]:
        assert set(section["figures"]) <= design["figures"].keys()
    assert design["views"][0]["key"] == "section"
    assert design["machining"]
    assert design["cautions"]
    for kind, starts in (
        ("template.pdf", b"%PDF"),
        ("sheet.pdf", b"%PDF"),
        ("drawing.svg", b"<svg"),
        ("marks.csv", b"row,mark"),
    ):
        file = client.get(f"/api/racks/{rack['id']}/files/{kind}")
        assert (file.status_code, file.content[: len(starts)]) == (200, starts)
    again = client.post("/api/racks/open", content=client.get(f"/api/racks/{rack['id']}/files/rack.json").content)
    assert again.json()["design"]["brief"] == design["brief"]
    listed = {one["id"]: one for one in client.get("/api/racks").json()}[rack["id"]]
    assert listed["says"].startswith("4 ")
    assert listed["to_settle"] == sum(finding["severity"] != "note" for finding in design["findings"])


@pytest.mark.parametrize("family", FAMILIES)
def test_nonsense_in_any_choice_is_refused_by_name_and_nothing_is_lost(client: TestClient, family: str) -> None:
    rack = made(client, family)
    url = f"/api/racks/{rack['id']}"
    for path in [*paths_of(rack), "board.thickness", "hung", "row.air"]:
        for value in NONSENSE:
            answer = client.patch(url, json={"base": rack["version"], "patch": patch_of(path, value)})
            assert answer.status_code == 422, (path, value)
            errors = answer.json()["errors"]
            assert [error["field"] for error in errors] == [path], (path, value)
            assert errors[0]["message"]
    assert client.get(url).json()["design"] == rack["design"]


@pytest.mark.parametrize("family", FAMILIES)
def test_every_choice_can_be_taken_and_undone(client: TestClient, family: str) -> None:
    first = made(client, family)
    known = paths_of(first)
    for section in first["design"]["choices"]:
        for field in section["fields"]:
            for option in field["options"]:
                after = change(client, first, patch_of(field["path"], option["value"]))
                assert (after["design"]["brief"] == first["design"]["brief"]) == (after["version"] == first["version"])
                assert {symbol["of"] for symbol in after["design"]["scene"]["symbols"]} >= {"item", "holder"}
                # What it asks for now, it reads as strictly.
                for path in paths_of(after) - known:
                    tried = client.post(
                        "/api/solve", json={"brief": after["design"]["brief"], "patch": patch_of(path, "3//4")}
                    )
                    assert [error["field"] for error in tried.json()["errors"]] == [path]
                if after["version"] > first["version"]:
                    undone = client.post(f"/api/racks/{first['id']}/undo", json={"base": after["version"]}).json()
                    assert undone["design"] == first["design"]
                    first = undone


@pytest.mark.parametrize("family", FAMILIES)
def test_a_rail_is_rebuilt_in_any_way_and_comes_back_as_it_was(client: TestClient, family: str) -> None:
    rail = made(client, "rail", 5)
    other = change(client, rail, {"family": family})
    assert other["design"]["family"] == family
    assert (other["version"] == rail["version"]) == (family == "rail")
    if family == "rail":
        return
    assert other["undo"].startswith(f"family rail to {family}")
    tried = client.post("/api/solve", json={"brief": rail["design"]["brief"], "patch": {"family": family}}).json()
    assert tried == other["design"]
    undone = client.post(f"/api/racks/{rail['id']}/undo", json={"base": other["version"]}).json()
    assert undone["design"] == rail["design"]
    again = client.post(f"/api/racks/{rail['id']}/redo", json={"base": undone["version"]}).json()
    assert again["design"] == other["design"]


def test_both_boards_of_an_angled_rail_have_marks_of_their_own(client: TestClient) -> None:
    design = made(client, "angled-rail", 5)["design"]
    assert [(row["names"], row["alike"], row["count"]) for row in design["rows"]] == [
        ("left board", 0, 3),
        ("right board", 1, 2),
    ]
    assert design["marks"]["text"] == ["60 mm", "180 mm", "300 mm"]
    assert design["rows"][1]["marks"]["text"] == ["120 mm", "240 mm"]
    assert [view["key"] for view in design["views"]] == ["section", "plan"]
    pair = made(client, "stile-pair")["design"]
    assert [row["names"] for row in pair["rows"]] == ["left stile and right stile"]


def test_a_row_is_named_with_those_that_are_marked_alike(client: TestClient) -> None:
    rack = change(client, made(client, "rail"), {"rows": {"count": 4, "layout": "staggered"}, "hung": "2100 mm"})
    assert [row["names"] for row in rack["design"]["rows"]] == ["rows 1 and 3", "rows 2 and 4"] * 2
