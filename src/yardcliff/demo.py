"""Larkhollow Hut: the made-up hostel whose racks the demo shows."""

from typing import Any

from yardcliff.core.amend import amend, dump
from yardcliff.core.families import starting
from yardcliff.core.listing import shipped_item
from yardcliff.store.racks import Racks

HAT, LANTERN, LADLE = (shipped_item(key).item.model_dump(mode="json") for key in ("felt-hat", "storm-lantern", "ladle"))
Seed = tuple[str, str, int, dict[str, Any]]
# Name, catalogue item, count, and what the warden changed; each is built the way that suits it best. The newest comes last.
SEEDS: list[Seed] = [
    ("Store, sledges", "sledge", 3, {"row": {"air": "80 mm", "ends": {"rule": "inside"}}, "hung": "1500 mm"}),
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
    ("Kitchen, ladles", "ladle", 5, {"tape": "1/16 in", "row": {"ends": {"rule": "whole"}, "air": "3/4 in"}}),
    (
        "Office, room keys",
        "room-key",
        12,
        {"row": {"ends": {"rule": "gaps"}, "air": "20 mm"}, "board": {"height": "70 mm", "thickness": "21 mm"}},
    ),
    (
        "Kitchen, enamel mugs",
        "enamel-mug",
        7,
        {"row": {"length": "900 mm", "ends": {"rule": "margin", "left": "70 mm", "right": "70 mm"}}},
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
        {"family": "shelf-box", "shelf": {"tallest": "160 mm", "upper": "110 mm"}},
    ),
    ("Passage, rain capes", "rain-cape", 4, {"family": "flip-rail"}),
    (
        "Stairs, peaked caps",
        "peaked-cap",
        6,
        {"family": "flip-rail", "turns": "rod", "board": {"height": "110 mm", "thickness": "18 mm"}},
    ),
    ("Lean-to, bicycles", "bicycle", 4, {"family": "high-rails", "aside": {"stands": "right"}}),
    ("Porch, climbing helmets", "climbing-helmet", 4, {"family": "perch"}),
    ("Office, key bunches", "key-bunch", 9, {"family": "angled-rail", "angled": {"magnet": "20 mm"}}),
    ("Common room, fiddles", "fiddle", 3, {"row": {"air": "70 mm"}, "hung": "1750 mm"}),
    # Settled on the board that was left over, before anyone counted jackets.
    ("Porch, waxed jackets", "waxed-jacket", 6, {"row": {"length": "1450 mm"}, "board": {"height": "140 mm"}}),
]


def fill(racks: Racks) -> int:
    """Put the demo racks into an empty store; returns how many were made."""
    if racks.all() or racks.all(deleted=True):
        return 0
    for name, item, count, patch in SEEDS:
        racks.create(name, dump(amend(starting([(shipped_item(item), count)], "1 mm", patch.get("family")), patch)))
    return len(SEEDS)
