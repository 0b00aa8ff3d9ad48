"""Larkhollow Hut: the made-up hostel whose racks the demo shows."""

from datetime import UTC, date, datetime, timedelta
from typing import Any

from yardcliff.api.making.views import view_card
from yardcliff.app.application import Application
from yardcliff.app.rack_log import Entry, RackLog
from yardcliff.core.built.facts import Fact, Kind, made_by
from yardcliff.core.design.change import amend, dump
from yardcliff.core.findings.finding import Patch
from yardcliff.core.making.task_list import tasks
from yardcliff.core.things.listing import shipped_item
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, exact_text
from yardcliff.core.wall.amending import amend_wall, dump_wall
from yardcliff.core.wall.wall import Wall
from yardcliff.core.ways import starting
from yardcliff.core.wood.stock import PriceList, read_stick
from yardcliff.standins.timber_yard import price_list

CURRENCY = "EUR"
TAPE = Tape.named("1 mm")
HAT, LANTERN, LADLE = (
    shipped_item(key, "metric").item.model_dump(mode="json")
    for key in ("felt-hat", "storm-lantern", "ladle")
)
Seed = tuple[str, str, int, dict[str, Any]]
# Name, catalogue item, count, and what the warden changed; each is built the way that suits it
# best. The newest comes last.
SEEDS: list[Seed] = [
    (
        "Store, sledges",
        "sledge",
        3,
        {"row": {"air": "80 mm", "ends": {"rule": "inside"}}, "hung": "1500 mm"},
    ),
    (
        "Washroom, towels",
        "towel",
        6,
        {
            "row": {"length": "1.8 m", "spacing": "tidy", "tidy": "5 mm", "air": "15 mm"},
            "board": {"height": "110 mm"},
            "top": {"joint": "on top"},
        },
    ),
    (
        "Kitchen, ladles",
        "ladle",
        5,
        {"tape": "1/16 in", "row": {"ends": {"rule": "whole"}, "air": "3/4 in"}},
    ),
    (
        "Office, room keys",
        "room-key",
        12,
        {
            "row": {"ends": {"rule": "gaps"}, "air": "20 mm"},
            "board": {"height": "70 mm", "thickness": "21 mm"},
        },
    ),
    (
        "Kitchen, enamel mugs",
        "enamel-mug",
        7,
        {
            "row": {
                "length": "900 mm",
                "ends": {"rule": "margin", "left": "70 mm", "right": "70 mm"},
            }
        },
    ),
    (
        "Drying room, day gear",
        "waxed-jacket",
        3,
        {
            "others": {"felt-hat": HAT, "storm-lantern": LANTERN},
            "row": {
                "order": ["", "felt-hat", "", "storm-lantern", "felt-hat", "", "storm-lantern"],
                "count": 7,
                "spacing": "air",
                "air": "35 mm",
                "spares": 1,
                "keepouts": [{"flaw": "knot", "at": "655 mm", "width": "24 mm"}],
            },
            "board": {"height": "140 mm"},
        },
    ),
    (
        "Kitchen wall, mugs and ladles",
        "enamel-mug",
        8,
        {
            "others": {"ladle": LADLE},
            "row": {"air": "30 mm"},
            "rows": {"count": 4, "layout": "staggered", "own": [{}, {}, {}, {"kind": "ladle"}]},
            "hung": "1800 mm",
        },
    ),
    ("Kitchen, flasks", "flask", 5, {"hung": "1400 mm"}),
    ("Kitchen dresser, tin cups", "tin-cup", 12, {"family": "panel", "hung": "1600 mm"}),
    ("Porch, padlocks", "padlock", 12, {"family": "stacked", "hung": "1500 mm"}),
    ("Store, curtain poles", "curtain-pole", 4, {}),
    ("Store, sleeping mats", "sleeping-mat", 5, {"family": "stile-pair", "row": {"air": "40 mm"}}),
    ("Store, snow boards", "snow-board", 4, {"family": "slotted-cheeks"}),
    ("Drying room, storm lanterns", "storm-lantern", 4, {"family": "ledge-post"}),
    (
        "Kitchen, spices and soup mugs",
        "soup-bowl-mug",
        5,
        {
            "family": "shelf-box",
            "shelf": {"tallest": "160 mm", "upper": "110 mm"},
            "guard": {"thickness": "8 mm"},  # which nobody sells: the plan says so
        },
    ),
    ("Passage, rain capes", "rain-cape", 4, {"family": "flip-rail"}),
    (
        "Stairs, peaked caps",
        "peaked-cap",
        6,
        {
            "family": "flip-rail",
            "turns": "rod",
            "board": {"height": "110 mm", "thickness": "18 mm"},
        },
    ),
    ("Lean-to, bicycles", "bicycle", 4, {"family": "high-rails", "aside": {"stands": "right"}}),
    ("Porch, climbing helmets", "climbing-helmet", 4, {"family": "perch"}),
    (
        "Office, key bunches",
        "key-bunch",
        9,
        {"family": "angled-rail", "angled": {"magnet": "20 mm"}},
    ),
    ("Common room, fiddles", "fiddle", 3, {"row": {"air": "70 mm"}, "hung": "1750 mm"}),
    # On a wall of its own: here they share one, two metres of it taken by a door and a window.
    (
        "Porch, guests' jackets",
        "waxed-jacket",
        5,
        {"board": {"height": "140 mm"}, "place": {"wall": "Porch, inner wall", "x": "1372 mm"}},
    ),
    (
        "Porch, felt hats",
        "felt-hat",
        3,
        {
            "hung": "1950 mm",
            "place": {"wall": "Porch, inner wall", "x": "3260 mm"},
            "cutting": {"backs": ["Board"]},
        },
    ),
    (
        "Drying room, wet towels",
        "towel",
        4,
        {
            "holder": {"kind": "hook"},
            "mount": {"by": "cleat"},
            "place": {"wall": "Drying room, stove wall", "x": "640 mm"},
        },
    ),
    # Settled on the board that was left over, before anyone counted jackets.
    (
        "Porch, waxed jackets",
        "waxed-jacket",
        6,
        {"row": {"length": "1450 mm"}, "board": {"height": "140 mm"}},
    ),
]


WALLS: list[tuple[str, Patch]] = [
    (
        "Porch, inner wall",
        {
            "width": "4800 mm",
            "height": "2500 mm",
            "studs": {"first": "280 mm", "apart": "600 mm"},
            "way": "1600 mm",
            "obstacles": [
                {
                    "kind": "door",
                    "x": "180 mm",
                    "width": "860 mm",
                    "height": "2040 mm",
                    "hinge": "left",
                },
                {
                    "kind": "switch",
                    "x": "1130 mm",
                    "y": "1080 mm",
                    "width": "82 mm",
                    "height": "82 mm",
                },
                {
                    "kind": "socket",
                    "x": "4300 mm",
                    "y": "300 mm",
                    "width": "82 mm",
                    "height": "82 mm",
                },
            ],
            "old": [{"x": "2075 mm", "y": "1652 mm"}, {"x": "2320 mm", "y": "1650 mm"}],
        },
    ),
    (
        "Drying room, stove wall",
        {
            "width": "2900 mm",
            "makeup": "masonry",
            "block": "solid",
            "skirting": "0 mm",
            "obstacles": [
                {
                    "kind": "hatch",
                    "x": "2050 mm",
                    "y": "900 mm",
                    "width": "600 mm",
                    "height": "700 mm",
                    "hinge": "right",
                },
                {"kind": "pipe", "x": "310 mm", "width": "34 mm", "height": "2400 mm"},
            ],
        },
    ),
]


STICKS: list[dict[str, Any]] = [
    {
        "wide": "140 mm",
        "thick": "21 mm",
        "long": "1640 mm",
        "species": "spruce",
        "note": "Left of the bunk ladders",
        "flaws": [{"what": "knot", "at": "1498 mm", "width": "34 mm"}],
    },
    {
        "wide": "120 mm",
        "thick": "28 mm",
        "long": "1210 mm",
        "species": "spruce",
        "note": "Offcut, straight",
        "flaws": [{"what": "stain", "at": "560 mm", "width": "45 mm", "back": True}],
    },
    {"wide": "70 mm", "thick": "21 mm", "long": "980 mm", "species": "spruce"},
    {"wide": "70 mm", "thick": "21 mm", "long": "655 mm", "species": "spruce"},
    {
        "wide": "165 mm",
        "thick": "24 mm",
        "long": "1420 mm",
        "species": "oak",
        "stuff": "hardwood",
        "reclaimed": True,
        "note": "Old bench top: nails drawn, holes near one end",
        "flaws": [{"what": "nail hole", "at": "0 mm", "width": "60 mm"}],
    },
    {
        "form": "dowel",
        "stuff": "hardwood",
        "wide": "20 mm",
        "thick": "20 mm",
        "long": "620 mm",
        "species": "beech",
    },
    {
        "form": "dowel",
        "stuff": "hardwood",
        "wide": "12 mm",
        "thick": "12 mm",
        "long": "1000 mm",
        "species": "beech",
    },
]
WARES: list[tuple[str, str, int]] = [
    ("screw", "5.0 × 20 mm wood screw", 38),
    ("glue", "white wood glue", 190),
    ("sandpaper", "sandpaper, grit 120", 3),
]


Line = tuple[int, str, str, str]


def _holes(ago: int, *off: str) -> list[Line]:
    return [(ago, "measured", str(hole), by) for hole, by in enumerate(off, 1)]


LOGS: dict[str, list[Line]] = {
    "Kitchen, ladles": [
        (9, "time", "", "1 h 30"),
        (9, "measured", "board", "0"),
        *_holes(9, "0.4", "1.2", "0.8", "0.4", "1.2"),
        (9, "measured", "saw cut", "0.3"),
        (
            8,
            "note",
            "",
            "Sanded and oiled by lamplight: the draught from the porch keeps the dust moving.",
        ),
        (6, "time", "", "2 h 15"),
        (6, "fit", "", "goes on, comes off"),
        (6, "next", "", "Prick every mark with an awl: the bit wanders on this spruce."),
    ],
    "Office, room keys": [
        (2, "time", "", "1 h 10"),
        (2, "measured", "board", "0"),
        *_holes(2, "0.5", "1", "0.5", "-5", "1"),
        (2, "note", "", "Five holes drilled, the fourth on the wrong side of its line."),
    ],
}
"""What was written of racks that are being made, or are up: so many days ago what (a reading says
how far it is off, mm).
"""
UP = "Kitchen, ladles"
DRILLED = ("measure", "cut:", "mark:")
"""What is done of the other one: its holes are being drilled."""
SPENT = {
    "cut": [],
    "made": [],
    "wares": [("sandpaper", "sandpaper, grit 120", -1)],
    "planned": 2310,
    "spent": 2450,
}
"""What went into the one that is up, hundredths."""


def fill(app: Application, day: date | None = None) -> int:
    """Put the demo's walls, racks, timber and the prices of a day (today's) into an empty data
    file; returns how many racks were made.
    """
    racks, stock = app.racks, app.supplies.stock
    if racks.all() or racks.all(deleted=True):
        return 0
    walls = {
        name: app.walls.create(name, dump_wall(amend_wall(Wall(), patch))).id
        for name, patch in WALLS
    }
    for name, item, count, seed in SEEDS:
        patch = dict(seed)
        if "place" in patch:
            patch["place"] = patch["place"] | {"wall": walls[patch["place"]["wall"]]}
        racks.create(
            name,
            dump(
                amend(
                    starting([(shipped_item(item, "metric"), count)], TAPE, patch.get("family")),
                    patch,
                )
            ),
        )
    stock.add(read_stick(stick).model_dump(mode="json") for stick in STICKS)
    for kind, ware, amount in WARES:
        stock.set_ware(kind, ware, amount)
    app.supplies.keep(
        PriceList.model_validate(price_list(day or datetime.now(UTC).date(), CURRENCY))
    )
    _write_logs(app)
    return len(SEEDS)


def _write_logs(app: Application) -> None:
    now = datetime.now(UTC)
    ids = {rack.name: rack.id for rack in app.racks.all()}
    for name, lines in LOGS.items():
        log = RackLog(app, ids[name])
        for ago, kind, what, text in lines:
            day = (now.date() - timedelta(days=ago)).isoformat()
            found = text.split(", ") if kind == "fit" else []
            if kind == "measured":
                text = exact_text(log.subjects[what].planned + Fraction(text))
            log.write(Entry(Kind(kind), day, what, text, found, ""))
        at = (now - timedelta(days=min(ago for ago, *_ in lines))).replace(
            hour=20, minute=30, second=0, microsecond=0, tzinfo=None
        )
        _tick(log, name, at.isoformat(timespec="minutes"))


def _tick(log: RackLog, name: str, when: str) -> None:
    """What is done of a rack; what it took from the stock is long replaced."""
    design, facts, rack_id = log.design, log.app.facts, log.rack_id
    planned = tasks(design, log.timber, design.brief.making, log.app.workshop.shop)
    for k, task in enumerate(
        task for task in planned if name == UP or task.key.startswith(DRILLED)
    ):
        data = {
            "card": view_card(task, design).model_dump(mode="json"),
            "made": made_by(task, design),
        }
        facts.tell(Fact(f"demo {rack_id} {k}", rack_id, when, Kind.DONE, task.key, data))
    if name == UP:
        spent = SPENT | {"currency": CURRENCY, "lot": "demo"}
        facts.tell(Fact(f"demo {rack_id} sawn", rack_id, when, Kind.SAWN, "demo", spent))
