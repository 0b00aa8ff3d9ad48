"""Every way of building over HTTP: made, drawn, written out, changed, spoilt and undone."""

from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.conftest import Json, change
from tests.test_paper_of_families import ITEMS
from yardcliff.core.things.thing import Run
from yardcliff.core.ways import FAMILIES

pytestmark = pytest.mark.slow

STANDING = {key for key, way in FAMILIES.items() if way.brief.run is Run.UP}
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
    return sum(
        len(symbol["places"]) for symbol in rack["design"]["scene"]["symbols"] if symbol["of"] == of
    )


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
    again = client.post(
        "/api/racks/open", content=client.get(f"/api/racks/{rack['id']}/files/rack.json").content
    )
    assert again.json()["design"]["brief"] == design["brief"]
    drawn = client.get(f"/api/racks/{rack['id']}/drawn").json()
    assert drawn["says"].startswith("4 ")
    assert drawn["to_settle"] == sum(
        finding["severity"] != "note" for finding in design["findings"]
    )


@pytest.mark.parametrize("family", FAMILIES)
def test_nonsense_in_any_choice_is_refused_by_name_and_nothing_is_lost(
    client: TestClient, family: str
) -> None:
    rack = made(client, family)
    url = f"/api/racks/{rack['id']}"
    for path in [*paths_of(rack), "board.thickness", "hung", "row.tidy"]:
        for value in NONSENSE:
            answer = client.patch(
                url, json={"base": rack["version"], "patch": patch_of(path, value)}
            )
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
                assert (after["design"]["brief"] == first["design"]["brief"]) == (
                    after["version"] == first["version"]
                )
                assert {symbol["of"] for symbol in after["design"]["scene"]["symbols"]} >= {
                    "item",
                    "holder",
                }
                # What it asks for now, it reads as strictly.
                for path in paths_of(after) - known:
                    tried = client.post(
                        "/api/solve",
                        json={"brief": after["design"]["brief"], "patch": patch_of(path, "3//4")},
                    )
                    assert [error["field"] for error in tried.json()["errors"]] == [path]
                if after["version"] > first["version"]:
                    undone = client.post(
                        f"/api/racks/{first['id']}/undo", json={"base": after["version"]}
                    ).json()
                    assert undone["design"] == first["design"]
                    first = undone


@pytest.mark.parametrize("family", FAMILIES)
def test_a_rail_is_rebuilt_in_any_way_and_comes_back_as_it_was(
    client: TestClient, family: str
) -> None:
    rail = made(client, "rail", 5)
    other = change(client, rail, {"family": family})
    assert other["design"]["family"] == family
    assert (other["version"] == rail["version"]) == (family == "rail")
    if family == "rail":
        return
    assert other["undo"].endswith(" instead of rail")
    tried = client.post(
        "/api/solve", json={"brief": rail["design"]["brief"], "patch": {"family": family}}
    ).json()
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
    rack = change(
        client,
        made(client, "rail"),
        {"rows": {"count": 4, "layout": "staggered"}, "hung": "2100 mm"},
    )
    assert [row["names"] for row in rack["design"]["rows"]] == ["rows 1 and 3", "rows 2 and 4"] * 2


@pytest.mark.parametrize("family", FAMILIES)
def test_every_rung_of_the_ladder_leads_where_it_says(client: TestClient, family: str) -> None:
    rack = made(client, family)
    rungs = rack["ladder"]
    assert [rung["count"] for rung in rungs if rung["chosen"]] == [rack["design"]["count"]]
    for rung in rungs:
        after = client.post(
            "/api/solve", json={"brief": rack["design"]["brief"], "patch": rung["patch"]}
        ).json()
        assert (after["count"], after["length_mm"]) == (
            rung["count"],
            pytest.approx(rung["length_mm"]),
        )
        assert after["marks"]["x"] == pytest.approx([round(x, 3) for x in rung["axes"]])


@pytest.mark.parametrize("family", FAMILIES)
def test_a_drag_on_the_line_is_the_change_it_becomes(client: TestClient, family: str) -> None:
    rack = made(client, family)
    brief, at = rack["design"]["brief"], rack["design"]["marks"]["x"]
    patches = (
        [{"row": {"pins": [{"index": 1, "at": f"{round(at[1]) + by}*1 mm"}]}} for by in (1, -2, 3)]
        if len(at) > 1
        else [
            {"row": {"length": f"{round(rack['design']['length_mm']) + by}*1 mm"}}
            for by in (10, 20)
        ]
    )
    with client.websocket_connect(
        "ws://127.0.0.1:8722/api/solve", headers={"origin": "http://127.0.0.1:8722"}
    ) as line:
        for patch in patches:
            line.send_json({"brief": brief, "patch": patch})
            tried = line.receive_json()["design"]
        line.send_json({"brief": brief, "patch": {"hung": "up there"}})
        assert line.receive_json()["problem"]["errors"][0]["field"] == "hung"
    assert change(client, rack, patches[-1])["design"] == tried
    # A pin moves the first row; what follows it follows on every part.
    assert len(tried["marks"]["x"]) == len(at)


@pytest.mark.parametrize("family", FAMILIES)
def test_versions_of_two_ways_stand_side_by_side(client: TestClient, family: str) -> None:
    rail = made(client, "rail", 6)
    at = f"/api/racks/{rail['id']}/versions"
    kept = client.post(at, json={"name": "A plain rail"}).json()
    assert [one["says"] for one in kept] == ["6 enamel mugs on dowel pegs"] * 2
    other = change(client, rail, {"family": family})
    table = client.get(f"{at}/compare", params={"id": ["now", kept[1]["id"]]}).json()
    results = {trait["label"]: trait for trait in table["results"]}
    # All that hangs is counted, on whichever rows and boards.
    hung = [places(other, "item"), 6]
    assert results["things"]["texts"] == [str(count) for count in hung]
    settle = [
        sum(finding["severity"] != "note" for finding in one["design"]["findings"])
        for one in (other, rail)
    ]
    assert results["to check"]["texts"] == [str(count) for count in settle]
    decided = {trait["label"]: trait["texts"] for trait in table["decisions"]}
    assert decided.get("built as", [family, "rail"])[1] == "rail"
    assert ("built as" in decided) == (family != "rail")
    taken = client.post(f"{at}/{kept[1]['id']}/take", json={"base": other["version"]}).json()
    assert taken["design"] == rail["design"]


@pytest.mark.parametrize("family", FAMILIES)
def test_marks_sticks_and_jigs_are_of_the_rows_own_way(client: TestClient, family: str) -> None:
    rack = made(client, family, 6)
    design = rack["design"]
    text = ", ".join(design["marks"]["text"])
    found = client.post("/api/check", json={"brief": design["brief"], "text": text}).json()
    assert found["code"] == "plan"
    assert all(mark["good"] for mark in found["marks"])
    at = f"/api/racks/{rack['id']}/aids"
    assert client.get(f"{at}/stick.pdf").content.startswith(b"%PDF")
    jig = client.get(f"{at}/jig?holes=3")
    if len(design["marks"]["x"]) >= 3:
        assert jig.json()["holes"] == 3
    else:
        assert (jig.status_code, "too few marks" in jig.json()["detail"]) == (400, True)
    fewest = client.get(f"{at}/family?fewest=2&most=4").json()
    assert [member["count"] for member in fewest] == [2, 3, 4]


def test_what_a_rack_says_already_is_no_step_to_undo(client: TestClient) -> None:
    rack = made(client, "angled-rail")
    other = change(client, rack, {"angled": {"magnet": "15 mm"}})
    undone = client.post(f"/api/racks/{rack['id']}/undo", json={"base": other["version"]}).json()
    # Picking what is picked, or typing the same length otherwise, keeps what was undone to be
    # redone.
    for patch in (
        {"angled": {"caps": "over"}},
        {"angled": {"cap": "0.9 cm"}},
        {"family": "angled-rail"},
        {},
    ):
        same = change(client, undone, patch)
        assert (same["version"], same["redo"]) == (undone["version"], undone["redo"])
    stale = client.patch(f"/api/racks/{rack['id']}", json={"base": other["version"], "patch": {}})
    assert stale.status_code == 409
    again = client.post(f"/api/racks/{rack['id']}/redo", json={"base": undone["version"]}).json()
    assert again["design"] == other["design"]


@pytest.mark.parametrize(
    ("family", "size"), [("angled-rail", "300 mm × 90 mm"), ("perch", "1040 mm × 260 mm")]
)
def test_the_first_page_gives_the_board_that_is_marked(
    client: TestClient, family: str, size: str
) -> None:
    rack = made(client, family)
    assert client.get(f"/api/racks/{rack['id']}/drawn").json()["size"] == size


def test_every_holder_of_the_kit_can_be_picked_from_the_list(client: TestClient) -> None:
    holders = client.get("/api/catalogue").json()["holders"]
    assert {holder["patch"]["kind"] for holder in holders} == {"hook", "peg", "bent", "bolt"}
    rack = made(client, "rail")
    for holder in holders:
        rack = change(client, rack, {"holder": holder["patch"]})
        assert rack["design"]["brief"]["holder"].items() >= holder["patch"].items()
        assert places(rack, "holder") == 4
