"""The making over HTTP: tasks and days, ticks that count once, the workshop, a deadline, a
calendar.
"""

from datetime import date, datetime
from itertools import pairwise
from typing import Any

import pytest
from fastapi.testclient import TestClient
from icalendar import Calendar

from tests.conftest import Json, change

NOW = {"now": "2026-11-26T18:00"}


@pytest.fixture
def box(client: TestClient) -> Json:
    """Five soup mugs in a shelf box."""
    hangs = [{"item": "soup-bowl-mug", "count": 5}]
    rack: Json = client.post(
        "/api/racks", json={"hangs": hangs, "tape": "1 mm", "family": "shelf-box"}
    ).json()
    return rack


def making(client: TestClient, rack: Json, **when: str) -> Json:
    answer = client.get(f"/api/racks/{rack['id']}/making", params={**NOW, **when})
    assert answer.status_code == 200, answer.text
    found: Json = answer.json()
    return found


def say(client: TestClient, rack: Json, *said: tuple[str, str, str | None]) -> None:
    body = {"said": [{"id": one, "item": item, "at": at} for one, item, at in said]}
    answer = client.post(f"/api/racks/{rack['id']}/making/ticks", json=body)
    assert answer.status_code == 204, answer.text


def test_a_rack_is_made_step_by_step_with_the_reasons(client: TestClient, box: Json) -> None:
    found = making(client, box)
    tasks = found["tasks"]
    assert [task["number"] for task in tasks] == list(range(1, len(tasks) + 1))
    begins = [task["stints"][0]["start"] for task in tasks]
    assert begins == sorted(begins)
    assert found["finish_says"].startswith("Fri")
    numbers = {task["key"]: task["number"] for task in tasks}
    assert all(
        numbers[before["key"]] < task["number"] for task in tasks for before in task["before"]
    )
    mark = next(task for task in tasks if task["key"] == "mark:0")
    texts = enumerate(box["design"]["marks"]["text"], 1)
    assert [line["text"] for line in mark["lines"]] == [f"{k}: {text}" for k, text in texts]
    assert len(mark["picture"]["at"]) == 5
    pictures = {task["key"]: task["picture"] for task in tasks if task["picture"]}
    groove = pictures["dado:left-side"]
    assert (groove["kind"], groove["bit"], groove["deep_says"], groove["thick_says"]) == (
        "bite",
        False,
        "6 mm",
        "18 mm",
    )
    cut = next(task for task in tasks if task["picture"] and task["picture"]["kind"] == "cuts")
    assert len(cut["lines"]) == sum(1 + len(stick["order"]) for stick in cut["picture"]["sticks"])
    assert pictures["mount"] == {"kind": "wall"}
    items = [line["item"] for task in tasks for line in task["lines"]]
    assert len(items) == len(set(items)), "equal lines are ticked each by itself"


def test_a_stint_at_the_bench_goes_into_the_log_once(client: TestClient, box: Json) -> None:
    stint = ("id-clock-1", "clock|2026-11-28T19:05", "2026-11-28T20:10")
    # By one device she comes, by another she goes: the clock is the rack's.
    say(client, box, ("id-clock-0", "clock", "2026-11-28T19:05"))
    assert making(client, box)["clock"] == "2026-11-28T19:05"
    say(client, box, stint, ("id-tick-01", "measure", "2026-11-28T20:10"))
    say(client, box, stint, ("id-clock-2", "clock|2026-11-28T21:00", "2026-11-28T21:00"))
    say(client, box, ("id-clock-3", "clock|2026-11-28T21:30", "2026-11-29T18:00"))
    log = client.get(f"/api/racks/{box['id']}/log").json()
    forgotten = "The clock ran for 20 h 30, from 21:30 on: how long was it really?"
    assert [one["says"] for one in log["entries"]] == [forgotten, "1 h 05 at the bench"]
    assert log["hours"] == "1 h 05"
    assert making(client, box)["clock"] is None
    assert next(task for task in making(client, box)["tasks"] if task["key"] == "measure")["done"]
    gone = client.delete(f"/api/racks/{box['id']}/log/{log['entries'][1]['id']}").json()
    say(client, box, stint)
    assert client.get(f"/api/racks/{box['id']}/log").json()["entries"] == gone["entries"], (
        "what was struck out stays so"
    )


def test_ticks_count_once_and_waits_run_from_them(client: TestClient, box: Json) -> None:
    first = making(client, box)["tasks"]
    glue = next(task for task in first if task["key"].startswith("join:"))
    before = [task["key"] for task in first[: glue["number"]]]
    done = [(f"id-{k:06}", key, "2026-11-28T15:00") for k, key in enumerate(before)]
    say(client, box, *done)
    say(client, box, *done, ("id-000000", before[0], None))
    after = making(client, box, now="2026-11-28T15:30")
    assert sorted(task["key"] for task in after["tasks"] if task["done"]) == sorted(before)
    again = next(task for task in after["tasks"] if task["key"] == glue["key"])
    assert (again["free"], again["waited"], again["stints"]) == ("2026-11-29T03:00:00", False, [])
    coat = next(task for task in after["tasks"] if task["key"] == "coat:1")
    held = [one for task in after["tasks"] for one in task["before"] if one["key"] == glue["key"]]
    assert {one["until"] for one in held} == {"2026-11-29T03:00:00"}
    assert coat["stints"][0]["start"] == "2026-11-30T19:00:00"
    say(
        client,
        box,
        ("id-wait-1", f"{glue['key']}|wait", "2026-11-29T10:00"),
        ("id-undo-1", before[0], None),
    )
    tasks = {task["key"]: task for task in making(client, box)["tasks"]}
    assert tasks[glue["key"]]["waited"]
    held = [one for task in tasks.values() for one in task["before"] if one["key"] == glue["key"]]
    assert {one["until"] for one in held} == {None}
    assert tasks[before[0]]["done"] is None
    mark = tasks["mark:0"]["lines"][1]
    say(client, box, ("id-line-1", mark["item"], "2026-11-28T14:00"), ("id-line-2", "mark:0", None))
    lines = next(task for task in making(client, box)["tasks"] if task["key"] == "mark:0")["lines"]
    assert [line["done"] for line in lines] == [False, True, False, False, False]
    # What is drilled is not moved by another spacing, nor are its marks.
    change(client, box, {"row": {"air": "71 mm"}})
    assert (
        next(task for task in making(client, box)["tasks"] if task["key"] == "mark:0")["lines"]
        == lines
    )


def test_a_done_card_stays_as_it_was_and_no_change_moves_what_it_made(
    client: TestClient, box: Json
) -> None:
    first = {task["key"]: task for task in making(client, box)["tasks"]}
    keys = "cut:Softwood 21 mm thick", "mark:0", "peg-hole:bar"
    say(client, box, *((f"id-done-{k}", key, "2026-11-28T15:00") for k, key in enumerate(keys)))
    at = f"/api/racks/{box['id']}"
    refused = client.patch(at, json={"base": box["version"], "patch": {"row": {"count": 4}}})
    assert (refused.status_code, refused.json()["type"]) == (409, "/problems/made")
    assert "Hole 5 is drilled: at" in refused.json()["detail"]
    assert client.get(at).json()["version"] == box["version"]
    tried = client.post(
        "/api/solve",
        json={
            "brief": box["design"]["brief"],
            "patch": {"row": {"air": "90 mm"}},
            "rack": box["id"],
        },
    )
    after = change(client, box, {"row": {"air": "90 mm"}})
    assert (
        after["design"]["marks"]["x"] == tried.json()["marks"]["x"] == box["design"]["marks"]["x"]
    )
    assert "made.held" in [one["code"] for one in after["design"]["findings"]]
    # What is done keeps its words, also where the plan has no such task any more.
    change(client, after, {"tape": "1/16 in", "cutting": {"rip": False}})
    now = {task["key"]: task for task in making(client, box)["tasks"]}
    for key in keys:
        assert [line["text"] for line in now[key]["lines"]] == [
            line["text"] for line in first[key]["lines"]
        ]
        assert (now[key]["title"], now[key]["settings"]) == (
            first[key]["title"],
            first[key]["settings"],
        )
        assert now[key]["done"]
    assert " in" in now["measure"]["lines"][0]["text"]


def test_ticks_that_were_refused_together_leave_nothing_behind(
    client: TestClient, box: Json
) -> None:
    at = f"/api/racks/{box['id']}"
    cut, gone = ("id-cut-board", "cut:Softwood 21 mm thick"), ("id-gone-home", "clock|sometime")
    marked = ("id-mark-bar", "mark:0")
    said = [
        {"id": key, "item": item, "at": "2026-11-28T15:00"} for key, item in (cut, marked, gone)
    ]
    refused = client.post(f"{at}/making/ticks", json={"said": said})
    assert (refused.status_code, "is no time" in refused.text) == (422, True)
    # Others take the numbers that these would have had.
    for key in ("id-bought-1", "id-bought-2"):
        say(client, box, (key, f"buy|{key}", "2026-11-28T15:05"))
    longer = change(client, box, {"row": {"length": "1300 mm"}})
    assert longer["design"]["length_mm"] == 1300, "no board is cut: it may still be longer"


def test_a_line_that_says_something_else_by_now_is_open_again_and_what_was_done_stays(
    client: TestClient, box: Json
) -> None:
    def lines() -> list[Json]:
        found: list[Json] = next(
            task for task in making(client, box)["tasks"] if task["key"] == "mark:0"
        )["lines"]
        return found

    say(client, box, ("id-line-1", lines()[1]["item"], "2026-11-28T14:00"))
    assert [line["done"] for line in lines()] == [False, True, False, False, False]
    was = lines()[1]
    change(client, box, {"row": {"air": "71 mm"}})
    assert [line["done"] for line in lines()] == [False] * 5 + [True]
    assert lines()[5] == was | {"gone": True}
    say(client, box, ("id-line-2", was["item"], None))
    assert len(lines()) == 5


def test_an_own_order_and_own_waits_are_part_of_the_brief_and_undone_like_it(
    client: TestClient, box: Json
) -> None:
    keys = [task["key"] for task in making(client, box)["tasks"]]
    early = [key for key in keys if key != "holders"]
    early.insert(1, "holders")
    moved = change(
        client,
        box,
        {"making": {"order": early, "waits": {"glue": "1 day"}, "minutes": {"sand": "2 h"}}},
    )
    found = making(client, moved)
    assert [task["key"] for task in found["tasks"]] == early
    assert {finding["code"] for finding in found["findings"]} == {"work.order"}
    sand = next(task for task in found["tasks"] if task["key"] == "sand")
    assert (
        sand["takes"],
        next(one for one in found["waits"] if one["kind"] == "glue")["usual"],
    ) == ("2 h", "12 h")
    refused = client.patch(
        f"/api/racks/{box['id']}",
        json={"base": moved["version"], "patch": {"making": {"waits": {"glue": "soon"}}}},
    )
    assert (refused.status_code, refused.json()["errors"][0]["field"]) == (422, "making.waits.glue")
    client.post(f"/api/racks/{box['id']}/undo", json={"base": moved["version"]})
    assert [task["key"] for task in making(client, box)["tasks"]] == keys


def test_the_workshop_is_kept_for_all_racks_and_refuses_what_cannot_be(
    client: TestClient, box: Json
) -> None:
    shop = client.get("/api/shop").json()
    assert "drill press" in shop["tools"]
    slow = next(task for task in making(client, box)["tasks"] if task["key"] == "dado:left-side")
    kept = client.put("/api/shop", json={**shop["shop"], "tools": ["router"]})
    assert kept.json()["shop"]["tools"] == ["router"]
    fast = next(task for task in making(client, box)["tasks"] if task["key"] == "dado:left-side")
    assert fast["minutes"] < slow["minutes"]
    assert fast["ways"][0].startswith("With a router")
    bad: list[tuple[Json, str]] = [
        ({"tools": ["laser"]}, "tools.0"),
        ({"clamps": -1}, "clamps"),
        ({"hours": [{"day": 1, "start": "21:00", "end": "19:00"}]}, "hours.0"),
    ]
    for patch, field in bad:
        answer = client.put("/api/shop", json={**shop["shop"], **patch})
        assert (answer.status_code, answer.json()["errors"][0]["field"]) == (422, field)
    assert client.get("/api/shop").json()["shop"]["tools"] == ["router"]


def test_a_deadline_says_what_would_make_it(client: TestClient, box: Json) -> None:
    at = f"/api/racks/{box['id']}/making/by"
    late = client.get(at, params={**NOW, "by": "2026-12-02"}).json()
    assert not late["makes_it"]
    assert late["says"].startswith("Not by then: Fri")
    best = late["changes"][0]
    assert best["makes_it"]
    change(client, box, best["patch"])
    again = client.get(at, params={**NOW, "by": "2026-12-02"}).json()
    assert again["makes_it"]
    assert again["says"].endswith(f"{best['finish']}.")
    assert client.get(at, params={**NOW, "by": "Friday"}).status_code == 422
    assert client.get(f"/api/racks/{box['id']}/making", params={"now": "noon"}).status_code == 422
    assert client.get("/api/racks/nobody/making", params=NOW).status_code == 404
    wrong = {"said": [{"id": "wrong-time", "item": "sand", "at": "2026-13-41T99:99"}]}
    assert client.post(f"/api/racks/{box['id']}/making/ticks", json=wrong).status_code == 422
    assert client.post("/api/racks/nobody/making/ticks", json={"said": []}).status_code == 404
    for far in ("9999-12-31", "0001-01-01T00:00"):
        late = client.get(f"/api/racks/{box['id']}/making", params={"now": far})
        assert (late.status_code, "none to build a rack in" in late.json()["detail"]) == (422, True)
        said = {"said": [{"id": f"tick-{far[:4]}", "item": "sand", "at": f"{far[:10]}T12:00:00"}]}
        assert client.post(f"/api/racks/{box['id']}/making/ticks", json=said).status_code == 422
    assert making(client, box)["tasks"]


def test_the_days_go_into_a_calendar(client: TestClient, box: Json) -> None:
    answer = client.get(f"/api/racks/{box['id']}/making/files/schedule.ics", params=NOW)
    assert answer.headers["content-type"].startswith("text/calendar")
    events: list[Any] = list(Calendar.from_ical(answer.content).walk("VEVENT"))
    found = making(client, box)
    stints = [stint for task in found["tasks"] for stint in task["stints"]]
    work = [event for event in events if not str(event["summary"]).startswith("Ready")]
    assert sorted(event["dtstart"].dt.isoformat() for event in work) == sorted(
        stint["start"] for stint in stints
    )
    assert all(
        end <= start
        for (_, end), (start, _) in pairwise(sorted((e["dtstart"].dt, e["dtend"].dt) for e in work))
    )
    ready = {event["dtstart"].dt for event in events if event not in work}
    assert ready == {
        datetime.fromisoformat(task["free"]) for task in found["tasks"] if task["wait"]
    }
    assert all(event["dtstart"].dt.tzinfo is None for event in work), (
        "the clock on the workshop's wall"
    )
    assert all(len(list(event.walk("VALARM"))) == (event not in work) for event in events)
    assert min(event["dtstart"].dt.date() for event in work) == date(2026, 11, 26)


def test_events_are_known_by_their_rack_whatever_it_is_called(
    client: TestClient, box: Json
) -> None:
    def uids(rack: Json) -> set[str]:
        answer = client.get(f"/api/racks/{rack['id']}/making/files/schedule.ics", params=NOW)
        return {str(event["uid"]) for event in Calendar.from_ical(answer.content).walk("VEVENT")}

    twin = client.post(f"/api/racks/{box['id']}/copy", json={}).json()
    before = uids(box)
    named = client.put(
        f"/api/racks/{twin['id']}/name", json={"base": twin["version"], "name": box["name"]}
    )
    assert (named.json()["name"], before & uids(twin)) == (box["name"], set())
    client.put(f"/api/racks/{box['id']}/name", json={"base": box["version"], "name": "Another"})
    assert uids(box) == before


def test_the_wait_that_is_said_is_the_one_that_is_planned(client: TestClient, box: Json) -> None:
    towels: Json = client.post(
        "/api/racks", json={"hangs": [{"item": "towel", "count": 3}], "tape": "1 mm"}
    ).json()
    usual = [
        {wait["kind"]: wait["usual"] for wait in making(client, rack)["waits"]}["cure"]
        for rack in (box, towels)
    ]
    # Mugs hang dry two days after the last coat of oil, towels wet after a week.
    assert usual == ["2 days", "7 days"]
    hang = next(task for task in making(client, towels)["tasks"] if task["key"] == "hang")
    last = next(task for task in making(client, towels)["tasks"] if task["key"] == "coat:2")
    begins, ends = (
        datetime.fromisoformat(stint)
        for stint in (hang["stints"][0]["start"], last["stints"][-1]["end"])
    )
    assert (begins - ends).days >= 7
