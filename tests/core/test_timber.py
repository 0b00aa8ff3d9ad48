"""From a rack to what to buy and where to saw: takeoff, plans laid out, why they do not fit, what
they cost.
"""

from dataclasses import replace
from datetime import date
from fractions import Fraction
from typing import Any, get_args

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.metric import cut_plan, shipped_item, starting
from tests.strategies import briefs
from yardcliff.core.brief.cutting import Cutting
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.findings.finding import Severity
from yardcliff.core.findings.patch import BriefError
from yardcliff.core.holders.finger import hardware
from yardcliff.core.materials.goods import Blank, Goods, Thread, Ware
from yardcliff.core.rack.blanks import part_blanks
from yardcliff.core.units.length import Tape
from yardcliff.core.units.trade import TRADES, Trade
from yardcliff.core.ways import Brief
from yardcliff.core.wood.batching import Member, batch
from yardcliff.core.wood.cost import Cost, consumables, shopping
from yardcliff.core.wood.cut_order import order
from yardcliff.core.wood.layout import CutPlan, Offcut, marks, pieces, stops
from yardcliff.core.wood.rack_timber import priced, timber
from yardcliff.core.wood.stick_changes import bought_sticks, offcut_sticks
from yardcliff.core.wood.stock import PriceList, Stick, Supply, WareOnHand, read_stick
from yardcliff.core.wood.taking_off import Takeoff, takeoff
from yardcliff.core.workshop.shop import Shop
from yardcliff.demo import hut
from yardcliff.standins.timber_yard import price_list

SIZES = {"wide": "120 mm", "thick": "21 mm"}


def offer(long: str, price: str, **more: Any) -> dict[str, Any]:
    return {"name": "Planed spruce 120 × 21", **SIZES, "long": long, "price": price, **more}


def supply(
    *offers: dict[str, Any], sticks: tuple[Stick, ...] = (), wares: tuple[dict[str, Any], ...] = ()
) -> Supply:
    lists = (
        [{"supplier": "Yard", "currency": "EUR", "taken": "", "offers": offers, "wares": wares}]
        if offers or wares
        else []
    )
    return Supply(
        tuple((str(k), stick) for k, stick in enumerate(sticks)),
        tuple(map(PriceList.model_validate, lists)),
    )


def cutting(**more: str) -> Cutting:
    return Cutting.model_validate(more)


def rails(count: int, long: int, wide: int = 120) -> tuple[Any, ...]:
    return pieces(
        [Blank("Rail", "board", "softwood", Fraction(wide), Fraction(21), Fraction(long), count)],
        Cutting(),
    )


def start(item: str, count: int, patch: dict[str, Any], family: str | None = None) -> Design:
    return design(amend(starting([(shipped_item(item), count)], "1 mm", family), patch))


def taken(done: Design) -> Takeoff:
    return takeoff(done)


def check_laid(plan: CutPlan, by: Cutting, trade: Trade = "metric") -> None:
    """Everything lies on its stick, squared ends and flaws left out, a kerf between neighbours, on
    no other piece.
    """
    for sawn in plan.sawn:
        for one in sawn.laid:
            assert by.trim <= one.start < one.end <= sawn.source.long - by.trim
            assert 0 <= one.low < one.high <= sawn.source.section.wide
            blank = one.piece.blank
            across = one.turned and one.piece.turns and sawn.source.section.form == "sheet"
            assert one.end - one.start == (blank.wide if across else blank.long)
            for flaw in sawn.source.flaws:
                behind = flaw.back and one.piece.hides
                assert behind or one.end <= flaw.at or one.start >= flaw.at + flaw.width
            for other in sawn.laid:
                if one is not other and one.low < other.high and other.low < one.high:
                    assert (
                        one.end + by.takes(trade) <= other.start
                        or other.end + by.takes(trade) <= one.start
                    )


def test_a_rail_takes_its_board_its_hooks_and_their_screws() -> None:
    jackets = start("waxed-jacket", 5, {"board": {"height": "140 mm"}})
    found = taken(jackets)
    assert found.blanks == (
        Blank(
            "Board", "board", "softwood", Fraction(140), Fraction(21), Fraction(1300), 1, "board"
        ),
    )
    assert found.wares == (
        Ware(Goods.HOOK, 5, ("60 mm",)),
        Ware(Goods.WOOD_SCREW, 10, ("5.0", "20 mm")),
    )
    # Six sides of 1300 by 140 by 21: 2 · (0.182 + 0.0273 + 0.00294) m².
    assert found.faces == pytest.approx(0.42448)
    assert found.glue == 0


def test_what_joins_and_turns_is_taken_too() -> None:
    caps = taken(start("peaked-cap", 6, {"turns": "rod"}, "flip-rail"))
    rod = next(blank for blank in caps.blanks if blank.form == "threaded rod")
    # The row's 1350 less 2 sunk at both ends; a nut and a washer at each side of six fingers.
    assert (rod.long, rod.wide) == (1346, 8)
    assert {ware.name: ware.count for ware in caps.wares}["M8 washer"] == 12
    # Two guards of 40 by 12 between the sides, pinned at both ends: 30 is the longest below three
    # times 12.
    box = taken(start("soup-bowl-mug", 5, {}, "shelf-box"))
    assert Ware(Goods.BRAD, 8, ("1.4", "30 mm")) in box.wares
    assert Ware(Goods.WOOD_SCREW, 8, ("4.0", "50 mm")) in box.wares
    # Two shelves let into two sides, 120 by 18, and more: glue of 180 g/m² and a gram for each peg.
    assert box.glue > 5
    towels = start("towel", 6, {"top": {"joint": "on top"}})
    bracket = next(part for part in towels.rack.parts if part.key == "bracket-1")
    assert [(b.thick, b.wide < b.long) for b in part_blanks(bracket)] == [(18, True)]
    bikes = start("bicycle", 4, {"aside": {"stands": "right"}}, "high-rails")
    cleats = [blank for blank in taken(bikes).blanks if "Cleat" in blank.name]
    assert [(blank.wide, blank.long) for blank in cleats] == [(122, 364)], (
        "both halves come from one strip"
    )


@given(briefs)
def test_every_rack_can_be_taken_off_and_planned(brief: Brief) -> None:
    done = design(brief)
    found = taken(done)
    assert all(
        blank.thick <= blank.wide and blank.long > 0 and blank.count > 0 for blank in found.blanks
    )
    keys = {blank.part for blank in found.blanks}
    assert all(part.key in keys or part.of in keys for part in done.rack.parts)
    single = pieces(found.blanks[:8], done.brief.cutting)[:24]
    plan = cut_plan(single, Supply(), done.brief.cutting)
    check_laid(plan, done.brief.cutting)
    cut = [one.piece.name for sawn in plan.sawn for one in sawn.laid]
    assert sorted([*cut, *(piece.name for piece in plan.missing)]) == sorted(
        piece.name for piece in single
    )


def test_what_is_on_hand_is_cut_first_and_its_flaws_are_left_out() -> None:
    knotty = read_stick({**SIZES, "long": "1600 mm", "flaws": [{"at": "700 mm", "width": "50 mm"}]})
    plan = cut_plan(rails(2, 600), supply(offer("1800 mm", "5.00"), sticks=(knotty,)), Cutting())
    (sawn,) = plan.sawn
    check_laid(plan, Cutting())
    assert (sawn.source.on_hand, plan.cost) == (True, 0)
    assert [(one.start, one.end) for one in sawn.laid] == [(10, 610), (750, 1350)]
    # 690 squared before the knot leaves 87.5 behind the cut, after it 1590 - 1352.5: the longer one
    # goes back.
    assert [(rest.end - rest.start, rest.keeps) for rest in sawn.offcuts] == [
        (Fraction(175, 2), False),
        (Fraction(475, 2), True),
    ]
    assert [(stick.long, stick.note) for stick in offcut_sticks(plan.sawn)] == [
        (Fraction(475, 2), "Offcut of softwood board 120 mm × 21 mm")
    ]


def test_marks_run_on_and_equal_parts_share_a_stop() -> None:
    plan = cut_plan(rails(3, 500), supply(offer("1800 mm", "5.00")), cutting(kerf="3 mm"))
    (sawn,) = plan.sawn
    # From the squared end: 500, then 3 for the saw before each further 500.
    assert [mark for _, mark in marks(sawn, Fraction(3))] == [500, 1003, 1506]
    assert [(long, len(them)) for long, them in stops(plan)] == [(500, 3)]
    tape = start("towel", 2, {}).tape
    assert order(sawn, plan.means, tape) == (
        "Square the left end: 10 mm off it.",
        "Stop at 500 mm, 3 times: Rail 1, Rail 2, Rail 3.",
        "Back to the rack: 271 mm.",
    )


def test_a_wider_board_is_ripped_if_that_is_allowed() -> None:
    wide = replace(
        supply({**offer("1800 mm", "9.00"), "wide": "145 mm"}), shop=Shop(tools=("table saw",))
    )
    # What the saw that rips takes counts between the strips, whatever cuts them to length.
    plan = cut_plan(rails(2, 1500, 70), wide, cutting(saw="pull saw", plane="1 mm"))
    (sawn,) = plan.sawn
    check_laid(plan, Cutting(saw="pull saw"))
    # 71, 3 for the saw, 71: exactly the board.
    assert [(one.low, one.high) for one in sawn.laid] == [(0, 70), (74, 144)]
    assert (
        "Rip 2 strips of 71 mm, planed to 70 mm"
        in order(sawn, plan.means, start("towel", 2, {}).tape)[0]
    )
    for rip, shop in (("never", wide.shop), ("with a tool", Shop(tools=("mitre saw",)))):
        assert (
            len(cut_plan(rails(2, 1500, 70), replace(wide, shop=shop), cutting(rip=rip)).missing)
            == 2
        )
    assert not cut_plan(
        rails(1, 1500, 70), replace(wide, shop=Shop(tools=())), cutting(rip="by hand too")
    ).missing


def test_briefs_of_before_said_yes_or_no_and_no_planing_was_what_nobody_had_asked_for() -> None:
    said = [
        (
            Cutting.model_validate({"rip": yes, "thin": yes}).rip,
            Cutting.model_validate({"thin": yes}).thin,
        )
        for yes in (True, False)
    ]
    assert said == [("with a tool", "by hand too"), ("never", "with a tool")]


def test_planing_a_board_thinner_counts_against_the_price_of_one_to_size() -> None:
    thick = read_stick({**SIZES, "thick": "24 mm", "long": "1600 mm"})
    stock = supply(offer("1800 mm", "5.00"), sticks=(thick,))
    # 3 minutes a metre of 1.6 m: 4.8 at 62.40 an hour are 4.99, at 62.60 they are 5.01.
    for rate, cost in ((0, 0), (6240, 0), (6260, 500)):
        planed = replace(stock, shop=Shop(tools=("planer",), rate=rate))
        assert cut_plan(rails(1, 1500), planed, Cutting()).cost == cost


@pytest.mark.parametrize(("thick", "planned"), [("31 mm", True), ("31.5 mm", False)])
def test_ten_millimetres_are_planed_off_a_board_at_most(thick: str, planned: bool) -> None:
    stock = supply({**offer("1800 mm", "9.00"), "thick": thick})
    assert bool(cut_plan(rails(1, 1500), stock, Cutting(thin="by hand too")).missing) != planned


@pytest.mark.parametrize(
    ("thick", "counts"), [("20.5 mm", True), ("21.5 mm", True), ("21.6 mm", False)]
)
def test_stock_that_is_half_a_millimetre_off_counts(thick: str, counts: bool) -> None:
    stock = supply({**offer("1800 mm", "9.00"), "thick": thick})
    assert bool(cut_plan(rails(1, 1500), stock, Cutting()).missing) != counts


@pytest.mark.parametrize(
    ("long", "high", "keeps"), [(150, 20, True), (149, 120, False), (1000, 19, False)]
)
def test_an_offcut_is_worth_keeping_by_its_length_and_width(
    long: int, high: int, keeps: bool
) -> None:
    rest = Offcut(Fraction(0), Fraction(long), Fraction(0), Fraction(high))
    assert rest.keeps == keeps
    assert replace(rest, high=Fraction(5), round=True).keeps == (long >= 150)


def test_a_stick_is_kept_forbidden_and_what_that_costs() -> None:
    stock = supply(offer("1800 mm", "5.00"), offer("2400 mm", "7.00"))
    free = cut_plan(rails(2, 800), stock, Cutting())
    assert (free.cost, [sawn.key for sawn in free.sawn]) == (
        500,
        ["Yard: Planed spruce 120 × 21, 1800 #1"],
    )
    forbidden = cut_plan(
        rails(2, 800), stock, Cutting(forbid=("Yard: Planed spruce 120 × 21, 1800",))
    )
    assert forbidden.cost == 700
    kept = {"Yard: Planed spruce 120 × 21, 2400 #1": ("Rail 2",)}
    locked = cut_plan(rails(2, 800), stock, Cutting(locked=kept))
    assert [(sawn.locked, [one.piece.name for one in sawn.laid]) for sawn in locked.sawn] == [
        ("Yard: Planed spruce 120 × 21, 2400 #1", ["Rail 2"]),
        ("", ["Rail 1"]),
    ]
    assert locked.cost == 1200
    # Bought, it lies here, and is what was kept.
    bought = replace(stock, sticks=(("7", bought_sticks(locked.sawn)[0]),))
    here = cut_plan(rails(2, 800), bought, Cutting(locked=kept))
    assert next((sawn.key, sawn.locked) for sawn in here.sawn) == ("stick 7", next(iter(kept)))
    assert here.cost == 500
    odd = cut_plan(rails(2, 800), stock, Cutting(locked={"Yard: nothing #many": ("Rail 1",)}))
    assert odd.groups[0].unfit == ("Yard: nothing #many",)
    gone = cut_plan(rails(2, 800), stock, Cutting(locked={"stick 9": ("Rail 1",)}))
    assert (gone.groups[0].unfit, gone.cost) == (("stick 9",), 500)


def test_matched_parts_come_from_one_stick_one_after_another() -> None:
    stock = supply(offer("1800 mm", "5.00"), offer("3000 mm", "12.00"))
    blanks = [
        Blank(name, "board", "softwood", Fraction(120), Fraction(21), Fraction(900))
        for name in ("Left", "Other", "Right")
    ]
    assert cut_plan(pieces(blanks, Cutting()), stock, Cutting()).cost == 1200
    wanted = pieces(blanks, Cutting(matched=("Left", "Right")))
    matched = cut_plan(wanted, stock, Cutting())
    (home,) = [
        sawn for sawn in matched.sawn if len(sawn.laid) > 1 or sawn.laid[0].piece.name != "Other"
    ]
    names = [one.piece.name for one in sorted(home.laid, key=lambda one: one.start)]
    assert names.index("Right") == names.index("Left") + 1
    assert cut_plan(wanted, supply(offer("1800 mm", "5.00")), Cutting()).groups[0].apart


def test_a_flaw_on_the_back_lies_behind_a_part_that_hides_it() -> None:
    # 2 × 900 and one of 700 want 2506 of a stick of 2600 that has a stain at 1250 on its back.
    stained = read_stick(
        {**SIZES, "long": "2600 mm", "flaws": [{"what": "stain", "at": "1250 mm", "back": True}]}
    )
    stock = supply(offer("1800 mm", "5.00"), offer("2700 mm", "8.00"), sticks=(stained,))
    blanks = [
        Blank(name, "board", "softwood", Fraction(120), Fraction(21), Fraction(long))
        for name, long in (("Front", 900), ("Other", 900), ("Rail", 700))
    ]
    assert cut_plan(pieces(blanks, Cutting()), stock, Cutting()).cost == 500
    by = Cutting(backs=("Rail",))
    plan = cut_plan(pieces(blanks, by), stock, by)
    check_laid(plan, by)
    assert (plan.cost, plan.groups[0].proved) == (0, True)
    (sawn,) = plan.sawn
    assert [one.piece.name for one in sorted(sawn.laid, key=lambda one: one.start)][1] == "Rail"
    assert "Mark the side with the stain as the back of Rail." in order(
        sawn, plan.means, Tape.named("1 mm")
    )
    # Where no order hides it, it is cut around, and the plan does not say that it is the best.
    flaws = [{"what": "stain", "at": f"{at} mm", "back": True} for at in (400, 1900)]
    twice = read_stick({**SIZES, "long": "2600 mm", "flaws": flaws})
    plan = cut_plan(pieces(blanks, by), supply(offer("1800 mm", "5.00"), sticks=(twice,)), by)
    check_laid(plan, by)
    assert (plan.groups[0].gap, plan.cost, plan.groups[0].proved) == (500, 500, False)
    # What is left keeps its flaw, measured from its own end.
    short = cut_plan(
        pieces(blanks[:1], Cutting(backs=("Front",))), supply(sticks=(stained,)), Cutting()
    )
    (left,) = offcut_sticks(short.sawn)
    assert (left.flaws[0].at, left.flaws[0].back) == (Fraction("337.5"), True)


def test_a_part_whose_grain_is_free_lies_across_a_sheet() -> None:
    sheet = {
        **offer("1010 mm", "30.00"),
        "form": "sheet",
        "wide": "1010 mm",
        "thick": "18 mm",
        "name": "Ply",
    }
    blanks = [
        Blank("Back", "board", "softwood", Fraction(500), Fraction(18), Fraction(700), 2),
        Blank("Shelf", "board", "softwood", Fraction(290), Fraction(18), Fraction(980)),
    ]
    assert cut_plan(pieces(blanks, Cutting()), supply(sheet), Cutting()).cost == 6000
    by = Cutting.model_validate({"turned": ["Back 1", "Back 2"], "trim": "3 mm"})
    plan = cut_plan(pieces(blanks, by), supply(sheet), by)
    check_laid(plan, by)
    assert plan.cost == 3000
    assert sorted((one.piece.name, one.turned) for sawn in plan.sawn for one in sawn.laid) == [
        ("Back 1", True),
        ("Back 2", True),
        ("Shelf", False),
    ]
    assert [(long, len(them)) for long, them in stops(plan)] == [(500, 2)]


def test_too_few_in_stock_is_said_and_still_planned() -> None:
    plan = cut_plan(rails(3, 1500), supply(offer("1800 mm", "5.00", stock=2)), Cutting())
    assert (plan.groups[0].short, len(list(plan.sawn))) == (True, 3)
    assert (
        not cut_plan(rails(2, 1500), supply(offer("1800 mm", "5.00", stock=2)), Cutting())
        .groups[0]
        .short
    )


def test_one_stick_is_not_used_twice_whatever_it_could_become() -> None:
    # Only the stick on hand is long enough for a rail of 1500: the second one has nothing to come
    # from.
    one = read_stick({**SIZES, "long": "1600 mm"})
    plan = cut_plan(rails(2, 1500), supply(offer("1200 mm", "4.00"), sticks=(one,)), Cutting())
    assert ([len(sawn.laid) for sawn in plan.sawn], [piece.name for piece in plan.missing]) == (
        [1],
        ["Rail 2"],
    )
    # It could be planed to 18 as well, but is one stick.
    both = pieces(
        [
            Blank(name, "board", "softwood", Fraction(120), Fraction(thick), Fraction(1500))
            for name, thick in (("A", 21), ("B", 18))
        ],
        Cutting(),
    )
    thin = cut_plan(
        both, supply(offer("1800 mm", "4.00"), sticks=(one,)), Cutting(thin="by hand too")
    )
    assert [(sawn.source.on_hand, sawn.laid[0].piece.name) for sawn in thin.sawn] == [
        (True, "A"),
        (False, "B"),
    ]
    done = start(
        "waxed-jacket",
        3,
        {
            "rows": {"count": 2, "boards": "each"},
            "row": {"length": "1500 mm"},
            "board": {"height": "120 mm"},
        },
    )
    said = timber(done, supply(offer("1200 mm", "4.00"), sticks=(one,))).findings
    assert "used up by other parts" in said[0].message


REASONS: list[tuple[str, dict[str, Any], Supply, str]] = [
    ("cut.none", {"board": {"thickness": "20 mm"}}, supply(offer("1800 mm", "5.00")), "No softwood of 20 mm"),
    ("cut.none", {"board": {"height": "160 mm"}}, supply(offer("1800 mm", "5.00")), "Nothing so wide"),
    ("cut.none", {"row": {"length": "2000 mm"}, "board": {"height": "120 mm"}}, supply(offer("1800 mm", "5.00")), "longer than any"),
    ("cut.none", {"board": {"height": "100 mm"}, "cutting": {"rip": False}}, supply(offer("1800 mm", "5.00")), "ripping is turned off"),
    ("cut.none", {"board": {"height": "120 mm"}, "cutting": {"species": "oak"}}, supply(offer("1800 mm", "5.00")), "No oak is on hand"),
    ("cut.none", {"board": {"height": "119 mm"}}, supply(offer("1800 mm", "5.00")), "not enough to spare"),
    ("cut.apart", {"rows": {"count": 2, "boards": "each"}, "row": {"length": "1000 mm"}, "board": {"height": "120 mm"},
                   "cutting": {"matched": ["Board 1", "Board 2"]}}, supply(offer("1800 mm", "5.00")), "cut apart"),
    ("cut.short", {"rows": {"count": 2, "boards": "each"}, "row": {"length": "1300 mm"}, "board": {"height": "120 mm"}, "cutting": {"rip": False}},
     supply(offer("1800 mm", "5.00", stock=1), {**offer("1800 mm", "8.00"), "wide": "145 mm"}), "not as many in stock"),
    ("cut.locked", {"board": {"height": "120 mm"}, "cutting": {"locked": {"stick 7": ["Board"]}}}, supply(offer("1800 mm", "5.00")), "gone"),
]  # fmt: skip


@pytest.mark.parametrize(("code", "patch", "stock", "says"), REASONS)
def test_why_it_does_not_fit_and_every_fix_settles_it(
    code: str, patch: dict[str, Any], stock: Supply, says: str
) -> None:
    done = start("waxed-jacket", 4, patch)
    finding = next(f for f in timber(done, stock).findings if f.code == code)
    assert says in finding.message
    assert finding.fixes
    for fix in finding.fixes:
        after = timber(design(amend(done.brief, fix.patch)), stock)
        assert not [f for f in after.findings if f.code == code], fix.label


def test_one_less_from_a_stick_because_of_the_saw() -> None:
    # Five rails of 477 are 2385; with four cuts of 2.5 that is 2395 of 2400, if no more than 2 is
    # squared off each end.
    hats = {
        "rows": {"count": 5, "boards": "each"},
        "row": {"length": "477 mm"},
        "board": {"height": "120 mm"},
    }
    stacked = start("padlock", 3, hats, "rail")
    stock = supply(offer("2400 mm", "7.00"))
    found = next(f for f in timber(stacked, stock).findings if f.code == "cut.kerf")
    assert (
        found.message
        == "5 of 477 mm from a length of 2400 mm: 4, because the saw takes 2.5 mm at each cut and 10"
        " mm go to square each end."
    )
    before = priced(stacked, stock).plan
    for fix in found.fixes:
        after = priced(design(amend(stacked.brief, fix.patch)), stock).plan
        assert (after.cost or 0) < (before.cost or 0), fix.label
    assert [fix.label for fix in found.fixes] == ["Square off 2 mm at each end", "A row of 474 mm"]


def test_a_shorter_row_begins_from_the_row_as_it_is_worked_out() -> None:
    # Two stiles that add up to exactly their stick; how long they are follows from what lies on
    # them.
    mats = start("sleeping-mat", 4, {}, "stile-pair")
    long = mats.rack.row.length
    assert mats.brief.row.length != long
    stock = supply(offer(f"{float(2 * long):g} mm", "7.00", wide="60 mm", thick="35 mm"))
    found = next(f for f in timber(mats, stock).findings if f.code == "cut.kerf")
    rows = [fix for fix in found.fixes if fix.label.startswith("A row of")]
    for fix in found.fixes:
        changed = design(amend(mats.brief, fix.patch))
        assert not [finding for finding in changed.findings if finding.severity is Severity.STOP]
    # 2.5 of kerf and 10 squared off both ends: 11.25 off each, and the tape shows 12.
    assert [amend(mats.brief, fix.patch).row.length for fix in rows] == [long - 12]


def test_the_list_takes_what_is_on_hand_and_the_cheapest_packets() -> None:
    screws = (
        {"kind": "screw", "name": "5.0 × 20 mm wood screw", "pack": 20, "price": "1.50"},
        {"kind": "screw", "name": "5.0 × 20 mm wood screw", "pack": 100, "price": "4.00"},
    )
    stock = supply(offer("1800 mm", "5.00"), wares=screws)
    here = Supply(
        stock.sticks,
        stock.lists,
        (WareOnHand(kind="screw", name="5.0 × 20 mm wood screw", amount=6),),
    )
    plan = cut_plan(rails(1, 800), here, Cutting())
    lines = shopping(
        plan, [Ware(Goods.WOOD_SCREW, 50, ("5.0", "20 mm")), Ware(Goods.HOOK, 3, ("60 mm",))], here
    )
    timber_line, screw, hook = lines
    assert (timber_line.total, timber_line.packs) == (500, 1)
    # 44 are missing: one packet of 100 for 4.00 beats three of 20 for 4.50, and leaves 56.
    assert (screw.packs, screw.pack, screw.total, screw.left) == (1, 100, 400, 56)
    assert (hook.total, Cost.of(lines)) == (None, Cost(900, 1))


@pytest.mark.parametrize("thread", get_args(Thread))
def test_a_rod_its_nuts_and_washers_have_one_thread(thread: Thread) -> None:
    trade: Trade = "metric" if thread.startswith("M") else "us"
    asked = {"trade": trade, "turns": "rod", "rod": {"size": thread}}
    done = start("waxed-jacket", 3, asked, "flip-rail")
    yard = PriceList.model_validate(price_list(date(2026, 3, 2), "EUR", trade))
    # Without prices, from a yard, and with 7.9 mm rods on hand of which
    # only one is told apart.
    rods = [
        {"form": "threaded rod", "stuff": "steel", "thread": one, "long": "3 m"}
        for one in get_args(Thread)
    ]
    untold = Stick.model_validate({**rods[0], "thread": "", "wide": "7.9 mm", "thick": "7.9 mm"})
    on_hand = tuple((str(k), stick) for k, stick in enumerate([untold, *map(read_stick, rods)]))
    for supplied in (Supply(), Supply((), (yard,)), Supply(on_hand)):
        found = timber(done, supplied)
        bought = {
            line.name for line in found.lines if line.kind in ("threaded rod", "nut", "washer")
        }
        assert bought == {
            f"{thread} nut",
            f"{hardware(thread).passes} washer",
            *(name for name in bought if "rod" in name),
        }
        assert [name.split(",")[0].lower() for name in bought if "rod" in name] == [
            f"threaded rod {thread}".lower()
        ]
    assert read_stick(rods[2]).wide == 8
    # A yard that has all but this one: said, with the others to take.
    offers = [one for one in yard.offers if one.threaded != thread]
    short = timber(done, Supply((), (yard.model_copy(update={"offers": tuple(offers)}),)))
    (missing,) = (one for one in short.findings if "rod" in one.message)
    assert missing.message == f"No rod of {thread} is to be had."
    assert missing.fixes
    with pytest.raises(BriefError, match="Which thread has the rod"):
        read_stick({**rods[0], "thread": "M7"})


def test_finish_by_area_and_coats() -> None:
    some = Takeoff((), (), 1.2, 30.0)
    found = {ware.kind: ware for ware in consumables(some, Cutting(finish="linseed oil", coats=3))}
    # 1.2 m², three coats, 15 m² a litre, 15 % lost: 276 ml; two sheets of each grit.
    assert (found["finish"].count, found["glue"].count, found["sandpaper"].count) == (276, 30, 2)
    assert not [ware for ware in consumables(some, Cutting(finish="none")) if ware.kind == "finish"]


@pytest.mark.parametrize(
    ("data", "says"),
    [
        ({**SIZES, "long": "800 mm", "flaws": [{"at": "900 mm"}]}, "not on a length of 800 mm"),
        ({"form": "dowel", "wide": "20 mm", "thick": "12 mm", "long": "1 m"}, "one diameter"),
        ({**SIZES, "long": "far"}, "far"),
    ],
)
def test_an_impossible_stick_is_refused_by_name(data: dict[str, Any], says: str) -> None:
    with pytest.raises(ValueError, match=says):
        read_stick(data)


@given(st.integers(1, 12), st.integers(200, 1700), st.booleans())
def test_plans_without_prices_use_what_is_usually_sold(count: int, long: int, rip: bool) -> None:
    plan = cut_plan(rails(count, long), Supply(), Cutting(rip="by hand too" if rip else "never"))
    check_laid(plan, Cutting())
    assert plan.cost is None
    assert not plan.missing


@pytest.mark.parametrize("trade", TRADES)
@pytest.mark.parametrize("seed", range(len(hut().racks)), ids=[seed.name for seed in hut().racks])
def test_every_way_of_building_can_be_cut(seed: int, trade: Trade) -> None:
    here = hut(trade)
    brief = here.brief(here.racks[seed])
    stock = supply(wares=tuple(price_list(date(2026, 5, 4), "EUR", trade)["wares"]))
    thin = design(amend(brief, {"cutting": {"thin": True}}))
    found = priced(thin, stock)
    check_laid(found.plan, thin.brief.cutting, trade)
    assert not found.plan.missing
    unknown = [line.name for line in found.lines if line.total is None and not line.timber]
    assert not unknown, "what our own racks take, the yard has"


def test_racks_that_are_cut_together_share_sticks_and_packets() -> None:
    # Two rails of 800 from one stick of 1800 for 5.00; one by one each takes a stick, and a packet
    # of screws that holds 100.
    screws = {"kind": "screw", "name": "5.0 × 20 mm wood screw", "pack": 100, "price": "4.00"}
    stock = supply(offer("1800 mm", "5.00"), wares=(screws,))
    rail = start("waxed-jacket", 3, {"row": {"length": "800 mm"}, "board": {"height": "120 mm"}})
    both = batch([Member("Porch", rail, 1), Member("Porch", rail, 1)], stock, Cutting())
    assert [one.piece.name for sawn in both.together.plan.sawn for one in sawn.laid] == [
        "Porch 1: Board",
        "Porch 2: Board",
    ]
    assert (both.together.plan.cost, both.together.cost.total, both.apart) == (500, 900, 1800)
    assert next(line for line in both.together.lines if line.kind == "hook").need == 6
    twice = batch([Member("Porch", rail, 2)], stock, Cutting())
    assert (twice.together.lines, twice.apart) == (both.together.lines, both.apart)


stock_sticks = st.builds(
    lambda wide, thick, long, *at: read_stick(
        {
            "wide": f"{wide} mm",
            "thick": f"{thick} mm",
            "long": f"{long} mm",
            "form": "sheet" if wide == 145 else "board",
            "flaws": [
                {"at": f"{min(x, long)} mm", "width": "40 mm", "back": k > 0}
                for k, x in enumerate(at)
                if x
            ],
        }
    ),
    st.sampled_from((70, 120, 145)),
    st.sampled_from((18, 21)),
    st.integers(200, 2500),
    *([st.integers(0, 2500)] * 3),
)
some_blanks = st.builds(
    lambda wide, thick, long, many: Blank(
        f"Part {wide} {thick} {long}",
        "board",
        "softwood",
        Fraction(wide),
        Fraction(thick),
        Fraction(long),
        many,
    ),
    st.sampled_from((70, 95, 120)),
    st.sampled_from((18, 21)),
    st.integers(80, 1900),
    st.integers(1, 3),
)


@given(
    st.lists(some_blanks, min_size=1, max_size=4, unique_by=lambda blank: blank.name),
    st.lists(stock_sticks, max_size=4),
    st.integers(0, 3),
    st.booleans(),
    st.booleans(),
)
def test_whatever_is_on_hand_is_used_once_and_everything_is_accounted_for(
    blanks: list[Blank], sticks: list[Stick], few: int, rip: bool, thin: bool
) -> None:
    names = [piece.name for piece in pieces(blanks, Cutting())]
    by = Cutting(
        rip="by hand too" if rip else "never",
        thin="by hand too" if thin else "never",
        matched=tuple(names[:2]),
        backs=tuple(names[1:4]),
        turned=tuple(names[2:]),
        locked={"stick 0": (names[-1],)},
    )
    single = pieces(blanks, by)
    plan = cut_plan(
        single,
        supply(offer("1800 mm", "5.00", stock=few), offer("2400 mm", "7.50"), sticks=tuple(sticks)),
        by,
    )
    check_laid(plan, by)
    keys = [sawn.key for sawn in plan.sawn]
    assert len(keys) == len(set(keys))
    cut = [one.piece.name for sawn in plan.sawn for one in sawn.laid]
    assert sorted([*cut, *(piece.name for piece in plan.missing)]) == sorted(
        piece.name for piece in single
    )
    assert all(
        group.gap is not None and group.cost is not None and group.gap >= 0 for group in plan.groups
    )
    # Strips lie beside one another with a cut between, and every piece is on one of them.
    for sawn in plan.sawn:
        edges = [edge for one in sawn.strips for edge in (one.low, one.high)]
        assert edges == sorted(edges)
        assert not edges or edges[-1] <= sawn.source.section.wide
        if sawn.strips:
            assert {one.low for one in sawn.laid} == {one.low for one in sawn.strips}
            assert all(
                one.wide <= next(s.wide for s in sawn.strips if s.low == one.low)
                for one in sawn.laid
            )
