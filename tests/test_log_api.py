"""The log over HTTP: measured against planned, ways out taken, entries, another one like it."""

from io import BytesIO
from typing import Any

import pytest
from fastapi.testclient import TestClient
from pypdf import PdfReader

from tests.conftest import Json, change

NOW = {"now": "2026-11-26T18:00"}


@pytest.fixture
def rack(client: TestClient) -> Json:
    """Five jackets: marks at 130, 390, 650, 910 and 1170 of 1300."""
    hangs = [{"item": "waxed-jacket", "count": 5}]
    made: Json = client.post("/api/racks", json={"hangs": hangs, "tape": "1 mm"}).json()
    return made


def write(
    client: TestClient, rack: Json, kind: str, text: str = "", what: str = "", **more: Any
) -> Json:
    body = {"kind": kind, "day": "2026-11-27", "text": text, "what": what, **more}
    answer = client.post(f"/api/racks/{rack['id']}/log", json=body)
    assert answer.status_code == 201, answer.text
    found: Json = answer.json()
    return found


def take(client: TestClient, rack: Json, what: str, code: str) -> Json:
    answer = client.post(
        f"/api/racks/{rack['id']}/log/ways",
        json={"base": rack["version"], "what": what, "code": code, **NOW},
    )
    assert answer.status_code == 201, answer.text
    found: Json = answer.json()
    return found


def told(log: Json, what: str) -> Json:
    """What a log says of one thing that is measured."""
    found: Json = next(one for row in log["rows"] for one in row["measured"] if one["what"] == what)
    return found


def test_what_is_measured_is_told_at_once(client: TestClient, rack: Json) -> None:
    at = f"/api/racks/{rack['id']}/log"
    assert client.get(at).json()["says"] == "Nothing is measured yet."
    assert (
        write(client, rack, "measured", "131", "1")["says"]
        == "1 of 6 measured, all as planned; the holes are off by 1 mm on average."
    )
    off = write(client, rack, "measured", "40.4 cm", "2")
    assert (off["trouble"], off["says"]) == (["2"], "1 is off by more than a step of the tape.")
    row = told(off, "2")
    assert (row["title"], row["planned"], row["found"], row["off"], row["good"]) == (
        "hole 2",
        "390 mm",
        "404 mm",
        "+14 mm",
        False,
    )
    # A reading takes the place of the last one; without text it is taken back.
    again = write(client, rack, "measured", "392", "2")
    assert len([one for one in again["entries"] if one["says"].startswith("hole 2")]) == 1
    gone = write(client, rack, "measured", "", "2")
    assert [one["says"] for one in gone["entries"]] == ["hole 1: 131 mm"]


@pytest.mark.parametrize(
    ("kind", "what", "text", "field"),
    [
        ("measured", "1", "banana", "text"),
        ("measured", "9", "100", "what"),
        ("measured", "1", "90 m", "text"),
        ("measured", "board", "-4 mm", "text"),
        ("time", "", "a while", "text"),
        ("time", "", "9" * 310, "text"),
        ("note", "", "  ", "text"),
        ("fit", "kettle", "", "what"),
    ],
)
def test_what_cannot_be_kept_is_said(
    client: TestClient, rack: Json, kind: str, what: str, text: str, field: str
) -> None:
    body = {"kind": kind, "day": "2026-11-27", "text": text, "what": what}
    answer = client.post(f"/api/racks/{rack['id']}/log", json=body)
    assert (answer.status_code, answer.json()["errors"][0]["field"]) == (422, field)
    assert client.get(f"/api/racks/{rack['id']}/log").json()["entries"] == []
    kept = {"kind": "note", "day": "2026-11-27", "text": "dry fit", "what": ""}
    assert client.post("/api/racks/nobody/log", json=kept).status_code == 404
    assert (
        client.post(f"/api/racks/{rack['id']}/log", json=kept | {"day": "9999-12-31"}).status_code
        == 422
    )


def test_a_way_out_is_taken_and_everything_follows(client: TestClient, rack: Json) -> None:
    write(client, rack, "measured", "404", "2")
    ways = client.get(f"/api/racks/{rack['id']}/log/ways", params={**NOW, "what": "2"}).json()
    assert {way["code"] for way in ways} >= {"adopt", "respace", "shift", "plug", "anew"}
    assert [way["stops"] for way in ways] == sorted(way["stops"] for way in ways)
    respace = next(way for way in ways if way["code"] == "respace")
    changed = take(client, rack, "2", "respace")
    assert changed["design"]["marks"]["x"] == pytest.approx(respace["x"])
    log = client.get(f"/api/racks/{rack['id']}/log").json()
    said = [one["says"] for one in log["entries"] if one["kind"] == "mishap"]
    assert said == ["Hole 2 is at 404 mm where 390 mm was planned: space the rest around it."]
    assert (log["trouble"], told(log, "2")["off"], told(log, "2")["adopted"]) == (
        [],
        "+14 mm",
        True,
    )
    assert log["says"].startswith(
        "1 of 6 measured, all as planned by now; 1 was off, and the plan followed; "
    )
    # No step back, no change and no version moves what is drilled.
    back = client.post(f"/api/racks/{rack['id']}/undo", json={"base": changed["version"]}).json()
    assert back["design"]["marks"]["x"][1] == 390
    rack = client.post(f"/api/racks/{rack['id']}/redo", json={"base": back["version"]}).json()
    fewer = client.patch(
        f"/api/racks/{rack['id']}",
        json={"base": rack["version"], "patch": {"row": {"count": 1, "pins": []}}},
    )
    assert (fewer.status_code, fewer.json()["detail"].split(".")[0]) == (
        409,
        "Hole 2 is drilled: at 390 mm",
    )
    for place in ("1", "3"):
        usual = write(client, rack, "measured", told(log, place)["planned"], place)["usual"]
    assert [one["says"] for one in usual] == [
        "Your holes lie on their marks, by the middle of 3."
    ], "one bad hole of three moves nothing"
    marks = [
        task
        for task in client.get(f"/api/racks/{rack['id']}/making", params=NOW).json()["tasks"]
        if task["key"] == "mark:0"
    ]
    assert "404" in str(marks), "the bench reads the new marks"
    assert (
        client.get(f"/api/racks/{rack['id']}/log/ways", params={**NOW, "what": "4"}).status_code
        == 422
    )
    assert (
        client.get(f"/api/racks/{rack['id']}/log/ways", params={**NOW, "what": "²"}).status_code
        == 422
    )


def test_a_plug_is_glued_waited_for_and_drilled_again(client: TestClient, rack: Json) -> None:
    def tasks() -> dict[str, Json]:
        made = client.get(f"/api/racks/{rack['id']}/making", params=NOW).json()["tasks"]
        return {task["title"]: task for task in made}

    write(client, rack, "measured", "404", "2")
    before = tasks()
    stale = {"base": rack["version"] + 1, "what": "2", "code": "plug", **NOW}
    assert client.post(f"/api/racks/{rack['id']}/log/ways", json=stale).status_code == 409
    plugged = take(client, rack, "2", "plug")
    assert plugged["version"] == rack["version"], "the plan stays as it is"
    assert told(client.get(f"/api/racks/{rack['id']}/log").json(), "2")["found"] == ""
    found = tasks()
    assert [title for title in found if title not in before] == [
        "Plug hole 2",
        "Drill hole 2 again",
    ]
    plug, again = found["Plug hole 2"], found["Drill hole 2 again"]
    assert (plug["waits_for"], plug["wait"] > 0) == ("glue", True)
    assert [line["text"] for line in again["lines"]] == ["2: 390 mm from the left end"]
    assert again["number"] < found["Sand through the grits: 120, 180, 240"]["number"]
    assert again["stints"][0]["start"] >= plug["free"], "it waits for the glue"
    said = [{"id": "id-again-1", "item": again["key"], "at": "2026-11-28T15:00"}]
    assert (
        client.post(f"/api/racks/{rack['id']}/making/ticks", json={"said": said}).status_code == 204
    )
    fewer = client.patch(
        f"/api/racks/{rack['id']}", json={"base": rack["version"], "patch": {"row": {"count": 1}}}
    )
    assert fewer.json()["detail"].startswith("Hole 2 is drilled: at 390 mm.")
    # What is no way out any more is refused.
    gone = {"base": rack["version"], "what": "2", "code": "plug", **NOW}
    assert client.post(f"/api/racks/{rack['id']}/log/ways", json=gone).status_code == 422


@pytest.mark.parametrize(
    ("code", "left"),
    [("leave", ["Left side"]), ("match", ["Left side", "Right side"]), ("anew", [])],
)
def test_of_two_equal_sides_one_is_short_and_one_way_settles_both(
    client: TestClient, code: str, left: list[str]
) -> None:
    hangs = [{"item": "soup-bowl-mug", "count": 4}]
    box = client.post(
        "/api/racks", json={"hangs": hangs, "tape": "1 mm", "family": "shelf-box"}
    ).json()
    at = f"/api/racks/{box['id']}"

    def tasks() -> list[Json]:
        made: list[Json] = client.get(f"{at}/making", params=NOW).json()["tasks"]
        return made

    cut = [task["key"] for task in tasks() if task["key"].startswith(("strip:", "cut:"))]
    said = [
        {"id": f"it-was-cut-{k}", "item": key, "at": "2026-11-26T17:00"}
        for k, key in enumerate(cut)
    ]
    assert client.post(f"{at}/making/ticks", json={"said": said}).status_code == 204
    log = client.get(f"{at}/log").json()
    assert log["rows"][-1]["title"] == "Other parts"
    planned = told(log, "long left-side")["x"]
    short = f"{planned - 4:g} mm"
    assert write(client, box, "measured", short, "long left-side")["trouble"] == ["long left-side"]
    ways = {
        way["code"]: way
        for way in client.get(f"{at}/log/ways", params={**NOW, "what": "long left-side"}).json()
    }
    assert ways.keys() == {"leave", "match", "anew"}
    assert (ways["match"]["title"], ways["match"]["x"]) == ("Cut right side to match", [])
    before = {task["title"] for task in tasks()}
    box = take(client, box, "long left-side", code)
    log = client.get(f"{at}/log").json()
    # Nothing is off any more, and the record keeps what was: no way leads back to where it began.
    assert log["trouble"] == []
    assert told(log, "long left-side")["off"] == ("" if code == "anew" else "−4 mm")
    assert (
        client.get(f"{at}/log/ways", params={**NOW, "what": "long right-side"}).status_code == 422
    )
    steps = [task["title"] for task in tasks() if task["title"] not in before]
    assert [title for title in steps if "match" in title] == ["Cut right side to match"] * (
        code == "match"
    )
    assert any("Cut 1 part" in title for title in steps) == (code == "anew")
    assert steps or code == "leave"
    notes = [one["message"] for one in box["design"]["findings"] if one["code"] == "made.left"]
    assert notes == [f"{name} is {short}, 4 mm less than planned, and stays so." for name in left]
    assert not [one for one in box["design"]["findings"] if one["code"] == "made.board"]
    if code == "match":
        assert write(client, box, "measured", short, "long right-side")["trouble"] == []
        right = told(client.get(f"{at}/log").json(), "long right-side")
        assert (right["planned"], right["off"]) == (short, "0")
        # Who spoils the other one as well makes it again, and has nothing to cut to match.
        write(client, box, "measured", "400 mm", "long right-side")
        take(client, box, "long right-side", "anew")
        assert "Cut right side to match" not in {task["title"] for task in tasks()}


def test_what_is_made_again_is_sanded_and_coated_again_and_nothing_else_is(
    client: TestClient,
) -> None:
    hangs = [{"item": "soup-bowl-mug", "count": 4}]
    box = client.post(
        "/api/racks", json={"hangs": hangs, "tape": "1 mm", "family": "shelf-box"}
    ).json()
    at = f"/api/racks/{box['id']}"

    def tasks() -> dict[str, Json]:
        return {
            task["key"]: task for task in client.get(f"{at}/making", params=NOW).json()["tasks"]
        }

    until = list(tasks())
    done = until[: until.index("coat:1") + 1]
    said = [
        {"id": f"done-{k:04}", "item": key, "at": "2026-11-26T17:00"} for k, key in enumerate(done)
    ]
    assert client.post(f"{at}/making/ticks", json={"said": said}).status_code == 204
    write(client, box, "measured", "400 mm", "long left-side")
    take(client, box, "long left-side", "anew")
    after = tasks()
    again = {
        key: task["title"]
        for key, task in after.items()
        if key not in until and "once more" in task["title"]
    }
    assert again["sand 2"] == "Sand through the grits: 120, 180, 240, once more: left side"
    assert again["coat:1 2"] == "First coat: hard wax oil, once more: left side"
    assert "test 2" not in again
    number = {key: task["number"] for key, task in after.items()}
    assert number["sand 2"] < number["coat:1 2"] < number["mount"]
    assert after["sand"]["done"]
    assert not after["sand 2"]["done"]
    assert after["sand 2"]["minutes"] < after["sand"]["minutes"] / 3


def test_a_rail_cut_short_shares_the_difference_or_the_others_are_cut_to_match(
    client: TestClient,
) -> None:
    hangs = [{"item": "padlock", "count": 6}]
    rack = client.post(
        "/api/racks", json={"hangs": hangs, "tape": "1 mm", "family": "stacked"}
    ).json()
    at = f"/api/racks/{rack['id']}"
    cut = next(
        task
        for task in client.get(f"{at}/making", params=NOW).json()["tasks"]
        if task["key"].startswith("cut:")
    )
    said = [{"id": "all-are-cut", "item": cut["key"], "at": "2026-11-26T17:00"}]
    assert client.post(f"{at}/making/ticks", json={"said": said}).status_code == 204
    log = client.get(f"{at}/log").json()
    long, first = (told(log, what)["x"] for what in ("board 2", "2.1"))
    write(client, rack, "measured", f"{long - 6} mm", "board 2")
    ways = {
        way["code"]: way
        for way in client.get(f"{at}/log/ways", params={**NOW, "what": "board 2"}).json()
    }
    assert ways["share"]["x"][0] == first - 3
    assert (ways["adopt"]["long"], ways["adopt"]["stops"]) == (long - 6, 0)
    after = take(client, rack, "board 2", "share")
    log = client.get(f"{at}/log").json()
    assert (log["trouble"], told(log, "2.1")["x"], told(log, "1")["x"], told(log, "3.1")["x"]) == (
        [],
        first - 3,
        first,
        first,
    )
    # The other way: the rails that are whole yet are cut to match, and the plan has all of them so
    # long.
    client.post(f"{at}/undo", json={"base": after["version"]})
    mishap = next(one for one in log["entries"] if "share the difference" in one["says"])
    client.delete(f"{at}/log/{mishap['id']}")
    assert client.get(f"{at}/log").json()["trouble"] == ["board 2"]
    rack = client.get(at).json()
    after = take(client, rack, "board 2", "adopt")
    assert not [one for one in after["design"]["findings"] if one["code"].startswith("made.board")]
    titles = [task["title"] for task in client.get(f"{at}/making", params=NOW).json()["tasks"]]
    assert [title for title in titles if "to match" in title] == [
        "Cut rail 1 to match",
        "Cut rail 3 to match",
    ]
    assert client.get(f"{at}/log").json()["trouble"] == []


def test_hours_fits_and_notes_are_kept_and_taken_back(client: TestClient, rack: Json) -> None:
    write(client, rack, "time", "1 h 30")
    log = write(client, rack, "time", "45 min")
    assert log["hours"] == "2 h 15"
    assert log["racks"] == [
        {"name": rack["name"], "planned": log["planned_hours"], "really": "2 h 15", "up": False}
    ]
    assert log["pace"] == {"usual": None, "reckoned": 100}, (
        "half a rack says nothing of one's hands"
    )
    fit = write(client, rack, "fit", what="", found=["goes on", "bumps"])
    assert fit["fits"] == [{"item": "", "name": "waxed jacket", "found": ["goes on", "bumps"]}]
    note = write(client, rack, "next", "Hooks a finger lower.")
    first = note["entries"][0]
    assert (first["kind"], first["says"]) == ("next", "Hooks a finger lower.")
    after = client.delete(f"/api/racks/{rack['id']}/log/{first['id']}").json()
    assert first not in after["entries"]
    assert client.delete(f"/api/racks/{rack['id']}/log/{first['id']}").status_code == 404


def test_what_the_saw_really_takes_is_learned_over_several_racks(
    client: TestClient, rack: Json
) -> None:
    log = write(client, rack, "measured", "2.9", "saw cut")
    assert (log["kerf"]["planned"], log["kerf"]["off"], log["kerf"]["good"], log["trouble"]) == (
        "2.5 mm",
        "+0.4 mm",
        False,
        [],
    )
    for at in ("2.7", "2.8"):
        copy = client.post(f"/api/racks/{rack['id']}/copy", json={}).json()
        log = write(client, copy, "measured", at, "saw cut")
    (usual,) = log["usual"]
    assert (usual["says"], usual["does"]) == (
        "Your saw takes 2.8 mm at each cut, by the middle of 3.",
        "Use 2.8 mm",
    )
    changed = change(client, copy, usual["patch"])
    assert changed["design"]["brief"]["cutting"]["kerf"] == "2.8 mm"
    assert client.get(f"/api/racks/{copy['id']}/log").json()["usual"] == [{**usual, "patch": None}]


def test_another_one_begins_with_what_was_really_built(client: TestClient, rack: Json) -> None:
    write(client, rack, "measured", "1310", "board")
    write(client, rack, "next", "Longer screws.")
    write(client, rack, "note", "Sanded twice.")
    for place, at in enumerate(("131", "392", "652"), 1):
        usual = write(client, rack, "measured", at, str(place))["usual"]
    assert [one["says"] for one in usual] == [
        "Your holes lie 2 mm beyond their marks, by the middle of 3."
    ]
    again = client.post(f"/api/racks/{rack['id']}/log/another").json()
    assert again["name"].endswith(", again")
    assert again["design"]["marks"]["text"][:3] == ["131 mm", "392 mm", "652 mm"]
    assert again["design"]["brief"]["row"]["length"] == "1310 mm"
    assert again["design"]["brief"]["place"]["wall"] is None
    notes = client.get(f"/api/racks/{again['id']}/log").json()["entries"]
    assert [(one["kind"], one["says"]) for one in notes] == [
        ("note", f"From {rack['name']}: Longer screws.")
    ]


def test_rows_and_boards_are_told_apart_from_the_form_to_the_paper(client: TestClient) -> None:
    asked = {"hangs": [{"item": "felt-hat", "count": 6}], "tape": "1 mm", "family": "stacked"}
    rack = client.post("/api/racks", json=asked).json()
    log = write(client, rack, "measured", "500", "board 2")
    assert [row["title"] for row in log["rows"]] == ["Row 1", "Row 2", "Row 3"]
    assert [row["found"] for row in log["rows"]] == [None, 500, None]
    assert told(log, "board 2")["title"] == "rail 2"
    ways = client.get(f"/api/racks/{rack['id']}/log/ways", params={**NOW, "what": "board 2"}).json()
    anew = next(way for way in ways if way["code"] == "anew")
    assert (anew["title"], anew["clears"]) == (
        "Make rail 2 again",
        ["board 2", "2.1", "2.2", "wide rail-2"],
    )
    at = told(log, "3.2")["x"]
    drilled = write(client, rack, "measured", f"{at + 9} mm", "3.2")
    assert set(drilled["trouble"]) == {"board 2", "3.2"}
    again = client.post(f"/api/racks/{rack['id']}/log/another").json()
    pins = again["design"]["brief"]["rows"]["own"][2]["pins"]
    assert [(pin["index"], pin["at"]) for pin in pins] == [(1, f"{at + 9:g} mm")]
    text = (
        PdfReader(BytesIO(client.get(f"/api/racks/{rack['id']}/log/files/record.pdf").content))
        .pages[0]
        .extract_text()
    )
    assert all(said in text for said in ("Row 1", "Row 3", "500 mm", "+9 mm"))


def test_the_build_record_goes_on_paper(client: TestClient, rack: Json) -> None:
    write(client, rack, "measured", "404", "2")
    write(client, rack, "time", "1 h 30")
    write(client, rack, "fit", what="", found=["goes on"])
    for k in range(60):
        write(client, rack, "note", f"Evening {k}: " + "sanded and swept. " * 6)
    answer = client.get(f"/api/racks/{rack['id']}/log/files/record.pdf")
    pages = PdfReader(BytesIO(answer.content)).pages
    text = " ".join(page.extract_text() for page in pages)
    assert len(pages) > 1
    for said in (
        "build record",
        "hole 2",
        "390 mm",
        "404 mm",
        "+14 mm",
        "1 h 30",
        "goes on",
        "Evening 0",
        "Evening 59",
    ):
        assert said in text, said
    assert client.get("/api/racks/nobody/log/files/record.pdf").status_code == 404
