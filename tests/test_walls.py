"""Walls over HTTP: a survey kept, changed and shared; a rack put on it, fixed, and put on paper."""

from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.conftest import Json, change

DOOR = {"kind": "door", "x": "100 mm", "width": "860 mm", "height": "2040 mm", "hinge": "right"}


@pytest.fixture
def wall(client: TestClient) -> Json:
    made: Json = client.post("/api/walls", json={"name": "Porch"}).json()
    return survey(client, made, {"width": "4.2 m", "obstacles": [DOOR]})


def survey(client: TestClient, wall: Json, patch: Json) -> Json:
    answer = client.patch(
        f"/api/walls/{wall['id']}", json={"base": wall["version"], "patch": patch}
    )
    assert answer.status_code == 200, answer.text
    changed: Json = answer.json()
    return changed


def rack(client: TestClient, item: str = "waxed-jacket", count: int = 5) -> Json:
    made: Json = client.post(
        "/api/racks", json={"hangs": [{"item": item, "count": count}], "family": "rail"}
    ).json()
    return made


def put(client: TestClient, one: Json, wall: Json) -> Json:
    """The rack on the wall, where it is offered."""
    choices = client.get(f"/api/walls/for/{one['id']}").json()
    return change(client, one, next(c["patch"] for c in choices if c["id"] == wall["id"]))


def test_a_survey_is_kept_undone_renamed_and_binned(client: TestClient, wall: Json) -> None:
    assert wall["undo"] == "Width: 4200 mm instead of 3000 mm"
    assert wall["design"]["fields"]["obstacles.0.width"] == "860 mm"
    assert len(wall["design"]["studs"]) == 7
    base = {"base": wall["version"]}
    undone = client.post(f"/api/walls/{wall['id']}/undo", json=base).json()
    assert undone["design"]["fields"]["width"] == "3000 mm"
    stale = client.patch(f"/api/walls/{wall['id']}", json={**base, "patch": {"width": "2 m"}})
    assert (stale.status_code, stale.json()["type"]) == (409, "/problems/stale")
    again = client.post(f"/api/walls/{wall['id']}/redo", json={"base": undone["version"]}).json()
    named = client.put(
        f"/api/walls/{wall['id']}/name", json={"base": again["version"], "name": "Hall"}
    ).json()
    assert (named["name"], named["design"]["fields"]["width"]) == ("Hall", "4200 mm")
    assert client.delete(f"/api/walls/{wall['id']}").status_code == 204
    assert client.get("/api/walls").json() == []
    assert [one["name"] for one in client.get("/api/walls?bin=true").json()] == ["Hall"]
    assert client.post(f"/api/walls/{wall['id']}/restore").json()["deleted"] is False
    assert client.get("/api/walls/beef").status_code == 404
    assert client.get(f"/api/racks/{wall['id']}").status_code == 404, "a wall is no rack"


@pytest.mark.parametrize(
    ("patch", "field", "says"),
    [
        ({"width": "wide"}, "width", "Cannot read “wide”"),
        ({"width": "12"}, "", "12 mm is no wall: check the unit"),
        ({"makeup": "straw"}, "makeup", "“straw” is none of the choices"),
        ({"studs": {"apart": "20 mm"}}, "", "Studs stand 100 mm apart or more"),
        (
            {"studs": {"measured": ["300 mm", "9 m"]}},
            "",
            "A stud at 9000 mm is past the wall's end at 4200 mm",
        ),
        (
            {"obstacles": [{**DOOR, "x": "4 m"}]},
            "",
            "The door reaches past the wall: it ends 4860 mm from the left",
        ),
        ({"colour": "red"}, "colour", "Extra inputs are not permitted"),
        ([], "", "A change is an object"),
    ],
)
def test_what_cannot_be_read_of_a_survey_is_said_and_nothing_is_changed(
    client: TestClient, wall: Json, patch: Any, field: str, says: str
) -> None:
    answer = client.patch(
        f"/api/walls/{wall['id']}", json={"base": wall["version"], "patch": patch}
    )
    assert answer.status_code == 422
    if isinstance(patch, dict):
        (error,) = answer.json()["errors"]
        assert error["field"] == field
        assert says in error["message"]
    assert client.get(f"/api/walls/{wall['id']}").json() == wall


def test_bare_numbers_are_in_the_surveys_own_unit(client: TestClient) -> None:
    inches = client.post("/api/walls", json={"name": "Shed", "tape": "1/16 in"}).json()
    wide = survey(client, inches, {"width": "96", "studs": {"measured": ["16", "32", "48"]}})
    assert wide["design"]["fields"]["width"] == "96 in"
    assert wide["design"]["studs"] == ["16 in", "32 in", "48 in"]


def test_racks_on_one_wall_see_each_other_and_follow_its_survey(
    client: TestClient, wall: Json
) -> None:
    first, second = put(client, rack(client), wall), rack(client, "felt-hat", 2)
    on = first["design"]["on_wall"]
    assert (on["name"], on["fixed"][0]["good"]) == ("Porch", True)
    assert not [f for f in first["design"]["findings"] if f["code"].startswith("wall.")]
    # The second, at the same height, is offered a place beside it; moved onto it, it is said.
    second = change(client, put(client, second, wall), {"hung": "1650 mm"})
    clash = change(client, second, {"place": {"x": first["design"]["brief"]["place"]["x"]}})
    finding = next(f for f in clash["design"]["findings"] if f["code"] == "wall.neighbour")
    assert "“Waxed jackets”" in finding["message"]
    settled = change(client, clash, finding["fixes"][0]["patch"])
    assert not [f for f in settled["design"]["findings"] if f["code"] == "wall.neighbour"]
    # Tried without being stored, it sees the other one too, and never itself.
    body = {
        "rack": second["id"],
        "brief": settled["design"]["brief"],
        "patch": clash["design"]["brief"] | {},
    }
    tried = client.post("/api/solve", json=body).json()
    assert "wall.neighbour" in {f["code"] for f in tried["findings"]}
    listed = client.get(f"/api/walls/{wall['id']}").json()
    assert [one["name"] for one in listed["racks"]] == ["Waxed jackets", "Felt hats"]
    # The wall turns out narrower: both racks say so.
    survey(client, listed, {"width": "2 m"})
    codes = {
        f["code"] for f in client.get(f"/api/racks/{first['id']}").json()["design"]["findings"]
    }
    assert codes & {"wall.past", "wall.covers"}
    # A wall that is gone for good leaves the rack as it is.
    client.delete(f"/api/walls/{wall['id']}")
    assert client.get(f"/api/racks/{first['id']}").json()["design"]["on_wall"]["name"] == "Porch"


def test_a_rack_is_told_where_it_could_go_and_how_it_is_put_up(
    client: TestClient, wall: Json
) -> None:
    one = rack(client)
    assert client.get(f"/api/racks/{one['id']}/standing").json() is None
    refused = client.get(f"/api/racks/{one['id']}/files/putting-up.pdf")
    assert (refused.status_code, "on no wall yet" in refused.json()["detail"]) == (400, True)
    one = put(client, one, wall)
    standing = client.get(f"/api/racks/{one['id']}/standing").json()
    aims = {aim["aim"]: aim for aim in standing["aims"]}
    assert aims["between"]["here"], "it was put in the middle of the gap"
    moved = change(client, one, aims["studs"]["patch"])
    there = client.get(f"/api/racks/{one['id']}/standing").json()
    assert next(aim for aim in there["aims"] if aim["aim"] == "studs")["here"]
    assert len(there["put_up"]["holes"]) == moved["design"]["on_wall"]["fixed"][0]["count"]
    assert {way["value"] for way in there["by"]} >= {"through", "keyholes", "cleat", "batten"}
    cleat = change(client, moved, {"mount": {"by": "cleat"}})
    assert any(step["what"] == "strip in two" for step in cleat["design"]["machining"])
    for kind in ("putting-up.pdf", "wall-template.pdf", "sheet.pdf", "drawing.svg"):
        file = client.get(f"/api/racks/{one['id']}/files/{kind}")
        assert file.status_code == 200, kind
        assert file.content[:4] in (b"%PDF", b"<svg")


@pytest.mark.parametrize("by", ["plugged", "keyholes", "hangers", "mirrors", "batten"])
def test_each_way_of_hanging_says_what_is_done_at_the_bench(
    client: TestClient, wall: Json, by: str
) -> None:
    one = change(
        client, put(client, rack(client), wall), {"mount": {"by": by}, "place": {"x": "1 400 mm"}}
    )
    what = {
        "plugged": ("plug seats", "mounting holes"),
        "keyholes": ("keyhole plates",),
        "hangers": ("pilot holes for the plates",),
        "mirrors": ("pilot holes for the plates",),
        "batten": ("mounting holes", "screw holes to the strip"),
    }
    made = {step["what"] for step in one["design"]["machining"]}
    assert made >= set(what[by])
    steps = client.get(f"/api/racks/{one['id']}/standing").json()["put_up"]["steps"]
    word = {
        "plugged": "plugs",
        "keyholes": "keyhole plates",
        "hangers": "hangers",
        "mirrors": "mirror plates",
        "batten": "batten",
    }
    assert any(word[by] in step["do"] for step in steps)


def test_what_briefs_said_of_hidden_screws_before_is_still_read(client: TestClient) -> None:
    one = change(client, rack(client), {"mount": "plates"})
    assert one["design"]["brief"]["mount"]["by"] == "plates"
    assert one["design"]["figures"]["mount.behind"]["text"] == "1, 3, 5"


def test_a_new_rack_for_a_wall_begins_in_its_free_width(client: TestClient, wall: Json) -> None:
    hangs = [{"item": "enamel-mug", "count": 52}]
    ways = client.post("/api/start", json={"hangs": hangs, "wall": wall["id"]}).json()
    rail = next(way for way in ways if way["family"] == "rail")
    assert rail["rooms"][0]["says"].startswith("In 2 rows, to fit")
    one = client.post(
        "/api/racks", json={"hangs": [{"item": "enamel-mug", "count": 27}], "wall": wall["id"]}
    ).json()
    # 115 each: 28 are 3220 of the 3240 beside the door, 29 are too many.
    assert [rung["verdict"] for rung in one["ladder"]][3:6] == ["fits", "fits", "too long"]
    client.delete(f"/api/racks/{one['id']}")
    made = client.post(
        "/api/racks", json={"hangs": hangs, "family": "rail", "wall": wall["id"]}
    ).json()
    place = made["design"]["brief"]["place"]
    size = rail["rooms"][0]["size"]
    assert place["wall"] == wall["id"]
    assert size.startswith(f"{made['design']['fields']['row.length']} ×")
    assert {rung["count"]: rung["hang"] for rung in made["ladder"]}[26] == 52
    gone = client.post("/api/start", json={"hangs": hangs, "wall": "abc"})
    assert (gone.status_code, gone.json()["errors"][0]["field"]) == (422, "wall")
