"""A rack is designed, bought, cut, drilled, measured, mended, changed and taken back in any order,
with the server killed in between.
"""

import json
import tempfile
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from hypothesis import Phase, settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, initialize, invariant, precondition, rule

from tests.cases import EXPLORE
from tests.conftest import Json
from yardcliff.api.app import create_app
from yardcliff.app.application import Application
from yardcliff.store.database import Database

pytestmark = pytest.mark.slow

NOW = {"now": "2026-11-28T18:00"}
CHANGES: list[Json] = [
    {"row": {"air": "90 mm"}}, {"row": {"air": "60 mm"}}, {"row": {"count": 3}}, {"row": {"count": 6}}, {"board": {"height": "95 mm"}},
    {"row": {"length": "1250 mm", "follows": "pitch"}}, {"hung": "1600 mm"}, {"family": "panel"}, {"place": {"x": "900 mm"}},
    {"row": {"pins": [{"index": 1, "at": "300 mm"}]}}, {"mount": {"by": "cleat"}}, {"tape": "1/16 in"}, {"row": {"pins": []}},
]  # fmt: skip
WALLS: list[Json] = [
    {"studs": {"first": "300 mm"}},
    {"studs": {"apart": "450 mm"}},
    {"lining": "20 mm"},
]


class Story(RuleBasedStateMachine):
    """What is known here of the rack is what its maker did: holes where they were planned when they
    were drilled.
    """

    def __init__(self) -> None:
        super().__init__()
        self.folder = tempfile.TemporaryDirectory()
        self.file = Path(self.folder.name) / "story.db"
        self.told: list[tuple[Any, ...]] = []
        self.ticks: dict[str, str] = {}
        self.drilled: dict[int, set[str]] = {}
        self.ids = 0
        self.scrapped = False
        self.start()

    def start(self) -> None:
        self.database = Database(self.file)
        self.client = TestClient(
            create_app(Application(self.database)), base_url="http://127.0.0.1:8722"
        )
        self.client.headers["accept-language"] = "en-IE"

    def teardown(self) -> None:
        self.database.close()
        self.folder.cleanup()

    @initialize(item=st.sampled_from(["waxed-jacket", "felt-hat", "towel"]))
    def rack_is_begun(self, item: str) -> None:
        for long in ("1800 mm", "2400 mm"):
            stick = {
                "form": "board",
                "stuff": "softwood",
                "wide": "120 mm",
                "thick": "21 mm",
                "long": long,
                "many": 1,
            }
            self.client.post("/api/timber/sticks", json=stick)
        self.sticks = {one["id"] for one in self.client.get("/api/timber").json()["sticks"]}
        self.wall = self.client.post("/api/walls", json={"name": "Porch"}).json()["id"]
        asked = {"hangs": [{"item": item, "count": 5}], "tape": "1 mm"}
        self.rack = self.client.post("/api/racks", json=asked).json()["id"]
        self.change({"place": {"wall": self.wall, "x": "700 mm"}})

    @property
    def at(self) -> str:
        return f"/api/racks/{self.rack}"

    def get(self, path: str, **asked: str) -> Any:
        answer = self.client.get(self.at + path, params=asked)
        assert answer.status_code == 200, answer.text
        return answer.json()

    def key(self) -> str:
        self.ids += 1
        return f"story-{self.ids:06}"

    def marks(self) -> list[float]:
        found: list[float] = self.get("")["design"]["marks"]["x"]
        return found

    def tasks(self) -> list[Json]:
        found: list[Json] = self.get("/making", **NOW)["tasks"]
        return found

    def change(self, patch: Json) -> None:
        base = self.get("")["version"]
        answer = self.client.patch(self.at, json={"base": base, "patch": patch})
        assert answer.status_code in (200, 409), answer.text

    def send(self, *said: Json, twice: bool = False) -> bool:
        for _ in range(2 if twice else 1):
            answer = self.client.post(f"{self.at}/making/ticks", json={"said": list(said)})
        return answer.status_code == 204

    @rule(patch=st.sampled_from(CHANGES))
    def brief_is_changed(self, patch: Json) -> None:
        self.change(patch)

    @rule(back=st.booleans())
    def step_is_taken(self, back: bool) -> None:
        base = self.get("")["version"]
        answer = self.client.post(f"{self.at}/{'undo' if back else 'redo'}", json={"base": base})
        assert answer.status_code in (200, 409), answer.text

    @rule(patch=st.sampled_from(WALLS))
    def wall_is_changed(self, patch: Json) -> None:
        base = self.client.get(f"/api/walls/{self.wall}").json()["version"]
        answer = self.client.patch(f"/api/walls/{self.wall}", json={"base": base, "patch": patch})
        assert answer.status_code == 200, answer.text

    @rule(pick=st.integers(0, 40), many=st.integers(1, 9), twice=st.booleans())
    def next_tasks_are_done(self, pick: int, many: int, twice: bool) -> None:
        for task in [one for one in self.tasks() if not one["done"]][pick % 3 :][:many]:
            before = self.marks()
            said = {"id": self.key(), "item": task["key"], "at": "2026-11-28T19:00"}
            if self.send(said, twice=twice):
                self.ticks[task["key"]] = task["title"]
                if "holes" in task["title"] and task["key"].split(":")[0] in (
                    "peg-hole",
                    "pilot",
                    "hook-hole",
                ):
                    for place, x in enumerate(before):
                        self.drilled.setdefault(place, {task["key"], str(x)})

    @precondition(lambda self: self.ticks)
    @rule(pick=st.integers(0, 40))
    def tick_is_taken_back(self, pick: int) -> None:
        item = sorted(self.ticks)[pick % len(self.ticks)]
        if self.send({"id": self.key(), "item": item, "at": None}):
            del self.ticks[item]
            self.drilled = {place: told for place, told in self.drilled.items() if item not in told}

    @rule(place=st.integers(0, 4), off=st.integers(-12, 12))
    def hole_is_measured(self, place: int, off: int) -> None:
        marks = self.marks()
        if place < len(marks) and place in self.drilled:
            body = {
                "kind": "measured",
                "day": "2026-11-28",
                "what": str(place + 1),
                "text": f"{marks[place] + off} mm",
            }
            answer = self.client.post(f"{self.at}/log", json=body)
            if answer.status_code == 201:
                self.drilled[place] |= {str(marks[place] + off)}

    @rule(pick=st.integers(0, 9), off=st.integers(-9, 9))
    def part_is_measured(self, pick: int, off: int) -> None:
        parts = [
            one for row in self.get("/log")["rows"] for one in row["measured"] if not one["hole"]
        ]
        one = parts[pick % len(parts)]
        text = f"{one['x'] + off:g} mm"
        body = {"kind": "measured", "day": "2026-11-28", "what": one["what"], "text": text}
        assert self.client.post(f"{self.at}/log", json=body).status_code == 201

    @rule(pick=st.integers(0, 9))
    def way_out_is_taken(self, pick: int) -> None:
        log = self.get("/log")
        for what in log["trouble"][:1]:
            ways = self.get("/log/ways", what=what, **NOW)
            if ways:
                way = ways[pick % len(ways)]
                body = {"base": self.get("")["version"], "what": what, "code": way["code"], **NOW}
                answer = self.client.post(f"{self.at}/log/ways", json=body)
                assert answer.status_code == 201, answer.text
                if way["code"] in ("plug", "hide"):
                    self.drilled.pop(int(what) - 1, None)
                elif way["code"] == "anew":
                    self.scrapped = True
                    self.drilled = {} if "batten" not in what else self.drilled

    @rule(spent=st.sampled_from([None, "30", "12.50"]))
    def it_is_sawn(self, spent: str | None) -> None:
        cards = {
            task["key"]: task["title"]
            for task in self.tasks()
            if not task["done"] and (task["picture"] or {}).get("kind") == "cuts"
        }
        after = len(self.get("/timber")["sawings"])
        answer = self.client.post(f"{self.at}/timber/done", json={"spent": spent, "after": after})
        assert answer.status_code == (201 if cards else 409), answer.text
        self.ticks |= cards

    @rule()
    def sawing_is_taken_back(self) -> None:
        for sawing in self.get("/timber")["sawings"][:1]:
            if self.client.delete(f"{self.at}/timber/done/{sawing['id']}").status_code == 200:
                done = {task["key"] for task in self.tasks() if task["done"]}
                self.ticks = {key: title for key, title in self.ticks.items() if key in done}

    @rule()
    def server_is_killed(self) -> None:
        self.database.close()
        self.start()

    @invariant()
    def no_fact_is_lost_or_changed(self) -> None:
        with self.database.reading() as db:
            told = [
                tuple(row)
                for row in db.execute(
                    "SELECT id, kind, what, data, undoes FROM fact ORDER BY number"
                )
            ]
        assert told[: len(self.told)] == self.told
        assert len({row[0] for row in told}) == len(told)
        self.told = told

    @invariant()
    def no_made_hole_moves_in_silence(self) -> None:
        if hasattr(self, "rack"):
            design = self.get("")["design"]
            marks, said = design["marks"]["x"], {one["code"] for one in design["findings"]}
            for place, at in self.drilled.items():
                stays = place < len(marks) and str(marks[place]) in at
                assert stays or said & {"made.hole", "made.board"}, (place, at, marks)

    @invariant()
    def stages_agree(self) -> None:
        if not hasattr(self, "rack"):
            return
        tasks, timber = self.tasks(), self.get("/timber")
        assert {task["key"] for task in tasks if task["done"]} == self.ticks.keys()
        assert {task["title"] for task in tasks if task["done"]} == set(self.ticks.values())
        at = {task["key"]: k for k, task in enumerate(tasks)}
        assert all(
            at[first["key"]] < at[task["key"]]
            for task in tasks
            if not task["done"]
            for first in task["before"]
        )
        cut, ripped = (
            any(key.startswith(f"{does}:") for key in self.ticks) for does in ("cut", "strip")
        )
        assert bool(timber["cut"]) or not cut or self.scrapped
        assert cut or ripped or not timber["sawings"]
        assert sum(task["key"].startswith("cut:") and not task["done"] for task in tasks) == len(
            [group for group in timber["groups"] if group["sawn"]]
        )

    @invariant()
    def stock_and_money_balance(self) -> None:
        if not hasattr(self, "rack"):
            return
        with self.database.reading() as db:
            rows = db.execute(
                "SELECT data FROM fact WHERE kind IN ('sawn', 'bought') AND id NOT IN (SELECT"
                " undoes FROM fact WHERE undoes IS NOT NULL)"
            ).fetchall()
        booked = [json.loads(row["data"]) for row in rows]
        there = self.sticks | {one for each in booked for one in each["made"]}
        there -= {one for each in booked for one in each["cut"]}
        assert {one["id"] for one in self.client.get("/api/timber").json()["sticks"]} == there
        spent = sum(each["spent"] for each in booked)
        assert self.get("/timber")["spent"] == (f"€{spent / 100:.2f}" if spent else "")


TestStory = Story.TestCase
TestStory.settings = settings(
    max_examples=100 if EXPLORE else 6,
    stateful_step_count=25 if EXPLORE else 14,
    deadline=None,
    phases=[Phase.explicit, Phase.generate],
    derandomize=not EXPLORE,
    report_multiple_bugs=False,
)
