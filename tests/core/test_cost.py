"""What is bought and what it costs: packets, what is there already, what is marked down or out of
stock.
"""

from fractions import Fraction
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.test_timber import cutting, offer, rails, start, supply
from tests.metric import cut_plan
from yardcliff.core.brief.cutting import Cutting
from yardcliff.core.materials.goods import Goods, Ware
from yardcliff.core.wood.cost import Cost, Line, consumables, shopping, units
from yardcliff.core.wood.rack_timber import priced
from yardcliff.core.wood.stock import Supply, WareOnHand, WarePrice
from yardcliff.core.wood.taking_off import Takeoff

NAME = "5.0 × 20 mm wood screw"


def packet(pack: int, price: str, **more: Any) -> dict[str, Any]:
    return {"kind": "screw", "name": NAME, "pack": pack, "price": price, **more}


def bought(many: int, *packets: dict[str, Any], here: int = 0) -> Line:
    stock = supply(wares=packets)
    on_hand = (WareOnHand(kind="screw", name=NAME, amount=here),) if here else ()
    (line,) = shopping(
        cut_plan((), stock, Cutting()),
        [Ware(Goods.WOOD_SCREW, many, ("5.0", "20 mm"))],
        Supply((), stock.lists, on_hand),
    )
    return line


@pytest.mark.parametrize(
    ("many", "here", "packs", "total", "left"),
    [
        (12, 0, 1, 150, 8),  # one small packet
        (12, 12, 0, 0, 0),  # all of it is there
        (12, 30, 0, 0, 18),
        (50, 6, 1, 400, 56),  # 44: three small ones are 4.50, a big one is 4.00
        (20, 0, 1, 150, 0),
        (130, 10, 2, 800, 80),
    ],
)
def test_packets_are_bought_for_what_is_not_there(
    many: int, here: int, packs: int, total: int, left: int
) -> None:
    line = bought(many, packet(20, "1.50"), packet(100, "4.00"), here=here)
    assert (line.packs, line.total, line.left) == (packs, total, left)


def test_what_is_in_stock_goes_before_what_is_cheaper() -> None:
    assert bought(10, packet(20, "1.00", stock=0), packet(20, "1.60", stock=5)).total == 160
    # Where there is too little of all, it is said by its stock, and still has a price.
    line = bought(90, packet(20, "1.00", stock=2))
    assert (line.packs, line.stock, line.total) == (5, 2, 500)


@given(
    st.integers(1, 300),
    st.integers(0, 200),
    st.lists(st.tuples(st.integers(1, 120), st.integers(1, 900)), min_size=1, max_size=4),
)
def test_a_line_is_enough_and_no_packet_alone_is_cheaper(
    many: int, here: int, sold: list[tuple[int, int]]
) -> None:
    line = bought(many, *(packet(pack, f"{price / 100:.2f}") for pack, price in sold), here=here)
    assert line.left >= 0
    assert line.on_hand + line.packs * line.pack >= many
    short = max(many - here, 0)
    assert line.total == min(-(-short // pack) * price for pack, price in sold)
    assert line.left < line.pack or line.packs == 0 or here >= many


def test_a_line_without_a_price_is_counted_and_not_added() -> None:
    lines = (
        Line("hook", "hook", 3, "", "metric", 0, 3, 1, None),
        Line("glue", "glue", 9, "g", "metric", 0, 1, 250, 520),
        Line("screw", "s", 4, "", "metric", 9, 0, 1, None),
    )
    assert [line.total for line in lines] == [None, 520, 0]
    assert Cost.of(lines) == Cost(520, 1)
    assert [units(line.kind) for line in lines] == ["", "g", ""]


def test_what_is_weighed_or_poured_keeps_its_unit_wherever_it_is_bought() -> None:
    oil = [
        Line("finish", "oil", 63, "ml", "metric", 0, packs, pack, None).bought
        for packs, pack in ((63, 1), (1, 250))
    ]
    assert oil == ["63 ml", "1 × 250 ml"]
    assert [
        Line("screw", "s", 9, "", "metric", 0, packs, pack, None).bought
        for packs, pack in ((9, 1), (2, 5))
    ] == ["9", "2 × 5"]


def test_timber_is_bought_by_the_stick_with_what_it_was() -> None:
    stock = supply(offer("1800 mm", "3.70", was="5.70", stock=9))
    (line,) = shopping(cut_plan(rails(3, 1000), stock, Cutting()), (), stock)
    assert (line.name, line.packs, line.each, line.was, line.total, line.timber) == (
        "Planed spruce 120 × 21, 1800 mm",
        3,
        370,
        570,
        1110,
        True,
    )
    feet = supply({**offer("8 ft", "6.00")})
    (line,) = shopping(cut_plan(rails(1, 1000), feet, Cutting()), (), feet)
    assert line.name.endswith(", 96 in")


@pytest.mark.parametrize(
    ("asked", "kinds"),
    [
        ({}, {"glue", "finish", "sandpaper"}),
        ({"finish": "none"}, {"glue", "sandpaper"}),
        ({"coats": "0"}, {"glue", "sandpaper"}),
    ],
)
def test_glue_finish_and_paper_come_from_joints_coats_and_faces(
    asked: dict[str, str], kinds: set[str]
) -> None:
    by = cutting(**asked) if "coats" not in asked else Cutting(coats=0)
    assert {ware.kind for ware in consumables(Takeoff((), (), 1.0, 4.2), by)} == kinds
    assert list(consumables(Takeoff((), (), 0.0, 0.0), by)) == []


def test_the_whole_rack_costs_what_its_lines_add_up_to_and_each_holder_its_share() -> None:
    jackets = start("waxed-jacket", 4, {"board": {"height": "120 mm"}})
    stock = supply(
        offer("1800 mm", "6.20"),
        wares=({"kind": "hook", "name": "hook, 60 mm", "price": "2.20"}, packet(20, "1.20")),
    )
    found = priced(jackets, stock)
    # A stick 6.20, four hooks 8.80, a packet of screws 1.20; oil and paper have no price here.
    assert (found.cost.total, found.holders) == (1620, 4)
    assert {line.kind for line in found.lines if line.total is None} == {"finish", "sandpaper"}
    dearer = supply(
        offer("1800 mm", "7.20"),
        wares=({"kind": "hook", "name": "hook, 60 mm", "price": "2.20"}, packet(20, "1.20")),
    )
    assert priced(jackets, dearer).cost.total == 1720


@pytest.mark.parametrize(
    ("text", "cents"),
    [("12.50", 1250), ("12,5", 1250), ("3", 300), (".80", 80), ("0", 0), (1250, 1250)],
)
def test_prices_are_read_as_they_are_written(text: Any, cents: int) -> None:
    assert WarePrice.model_validate({"kind": "hook", "name": "x", "price": text}).price == cents


@pytest.mark.parametrize("text", ["dear", "1.234", "-3", "1.2.3", "", "9999999999", None, True])
def test_what_is_no_price_is_refused_by_name(text: Any) -> None:
    with pytest.raises(ValueError, match="price"):
        WarePrice.model_validate({"kind": "hook", "name": "x", "price": text})


def test_supplies_without_prices_have_no_currency() -> None:
    assert Supply().currency == ""
    assert supply(offer("1800 mm", "1")).currency == "EUR"
    assert Fraction(1800) in {one.long for one in supply(offer("1800 mm", "1")).lists[0].offers}
