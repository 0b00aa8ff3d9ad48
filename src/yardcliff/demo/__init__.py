"""Larkhollow Hut: the made-up hostel whose racks the demo shows, in the sizes of either trade."""

import tomllib
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta
from functools import cache
from importlib.resources import files
from types import MappingProxyType
from typing import Any

from yardcliff.api.making.views import view_card
from yardcliff.app.application import Application
from yardcliff.app.rack_log import Entry, RackLog
from yardcliff.core.built.facts import Fact, Kind, made_by
from yardcliff.core.design.change import amend, dump
from yardcliff.core.making.task_list import tasks
from yardcliff.core.things.listing import shipped_item
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, exact_text
from yardcliff.core.units.length_text import read
from yardcliff.core.units.trade import Trade
from yardcliff.core.wall.amending import amend_wall, dump_wall
from yardcliff.core.wall.wall import Wall
from yardcliff.core.ways import Brief, starting
from yardcliff.core.wood.stock import PriceList, read_stick
from yardcliff.standins.timber_yard import price_list

Json = dict[str, Any]


@dataclass(frozen=True, slots=True)
class Seed:
    """A rack of the Hut: `count` of a catalogue `item`, and what the warden changed, a patch."""

    name: str
    item: str
    count: int
    patch: Json


@dataclass(frozen=True, slots=True)
class Hut:
    """All that is in the demo's data file of a trade, as its TOML file has it."""

    trade: Trade
    data: Json

    @property
    def tape(self) -> Tape:
        return Tape.named(self.data["tape"], self.trade)

    @property
    def racks(self) -> list[Seed]:
        """The racks, the newest last."""
        return [self._seed(**rack) for rack in self.data["racks"]]

    def _seed(
        self,
        name: str,
        item: str,
        count: int,
        others: tuple[str, ...] = (),
        brief: Json | None = None,
    ) -> Seed:
        hang = {key: shipped_item(key, self.trade).item.model_dump(mode="json") for key in others}
        return Seed(name, item, count, (brief or {}) | ({"others": hang} if hang else {}))

    def brief(self, seed: Seed, walls: Mapping[str, str] = MappingProxyType({})) -> Brief:
        """A rack as it is designed, on one of the `walls`, ids by name; on none where there is
        none of its name.
        """
        patch = dict(seed.patch)
        if (place := patch.pop("place", None)) and (wall := walls.get(place["wall"])):
            patch["place"] = place | {"wall": wall}
        hangs = [(shipped_item(seed.item, self.trade), seed.count)]
        return amend(starting(hangs, self.tape, patch.get("family")), patch)


@cache
def hut(trade: Trade = "metric") -> Hut:
    return Hut(trade, tomllib.loads((files(__name__) / f"{trade}.toml").read_text("utf-8")))


def fill(app: Application, trade: Trade = "metric", day: date | None = None) -> int:
    """Put the demo's walls, racks, timber and the prices of a day (today's) into an empty data
    file, as where a trade is; returns how many racks were made.
    """
    if app.racks.all() or app.racks.all(deleted=True):
        return 0
    here = hut(trade)
    walls = {
        one["name"]: app.walls.create(
            one["name"],
            dump_wall(
                amend_wall(Wall.usual(trade, trade=trade, tape=here.data["tape"]), one["survey"])
            ),
        ).id
        for one in here.data["walls"]
    }
    for seed in here.racks:
        app.racks.create(seed.name, dump(here.brief(seed, walls)))
    stock = app.supplies.stock
    stock.add(read_stick(stick).model_dump(mode="json") for stick in here.data["sticks"])
    for ware in here.data["wares"]:
        stock.set_ware(**ware)
    prices = price_list(day or datetime.now(UTC).date(), here.data["currency"], trade)
    app.supplies.keep(PriceList.model_validate(prices))
    _write_logs(app, here)
    return len(here.racks)


def _write_logs(app: Application, here: Hut) -> None:
    now = datetime.now(UTC)
    ids = {rack.name: rack.id for rack in app.racks.all()}
    for told in here.data["logs"]:
        log = RackLog(app, ids[told["rack"]])
        for line in told["lines"]:
            text, kind, what = line["text"], Kind(line["kind"]), line.get("what", "")
            day = (now.date() - timedelta(days=line["ago"])).isoformat()
            if kind is Kind.MEASURED:
                text = exact_text(log.subjects[what].planned + _off(text))
            found = text.split(", ") if kind is Kind.FIT else []
            log.write(Entry(kind, day, what, text, found, ""))
        at = (now - timedelta(days=min(line["ago"] for line in told["lines"]))).replace(
            hour=20, minute=30, second=0, microsecond=0, tzinfo=None
        )
        _tick(log, here, told["rack"] == here.data["up"], at.isoformat(timespec="minutes"))


def _off(text: str) -> Fraction:
    """How far a reading is off what was planned, mm."""
    return -read(text[1:]) if text.startswith("-") else read(text)


def _tick(log: RackLog, here: Hut, up: bool, when: str) -> None:
    """What is done of a rack; what it took from the stock is long replaced."""
    design, facts, rack_id = log.design, log.app.facts, log.rack_id
    planned = tasks(design, log.timber, design.brief.making, log.app.workshop.shop)
    begun = tuple(here.data["begun"])
    for k, task in enumerate(task for task in planned if up or task.key.startswith(begun)):
        data = {
            "card": view_card(task, design).model_dump(mode="json"),
            "made": made_by(task, design),
        }
        facts.tell(Fact(f"demo {rack_id} {k}", rack_id, when, Kind.DONE, task.key, data))
    if up:
        spent = here.data["spent"] | {"currency": here.data["currency"], "lot": "demo"}
        facts.tell(Fact(f"demo {rack_id} sawn", rack_id, when, Kind.SAWN, "demo", spent))
