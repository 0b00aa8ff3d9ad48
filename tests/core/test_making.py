"""From a plan to a finished rack: every task in its place with the reason; a user's own order; the
workshop's tools.
"""

from dataclasses import replace
from datetime import datetime, timedelta
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from tests.core.test_on_wall import on
from tests.metric import shipped_item, starting
from tests.strategies import briefs
from yardcliff.core.brief.building import Making, spoken
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.findings.finding import Severity
from yardcliff.core.making.plan import Made, enough, making, quicker
from yardcliff.core.making.sequence import edges, natural
from yardcliff.core.making.task_list import minutes_at_bench, tasks
from yardcliff.core.rack import HOLDER
from yardcliff.core.ways import Brief
from yardcliff.core.wood.rack_timber import Timber, priced, timber
from yardcliff.core.wood.stock import Supply, read_stick
from yardcliff.core.workshop.shop import TOOLS, Shop

USUAL = Shop()
THURSDAY = datetime(2026, 11, 26, 18)
makings = st.builds(
    lambda finish, pegs, conditioner: Making(finish=finish, pegs=pegs, conditioner=conditioner),
    st.sampled_from(("after glue", "before glue")),
    st.sampled_from(("after finish", "before finish")),
    st.sampled_from(("as the wood needs", "always", "never")),
)
shops = st.sets(st.sampled_from(TOOLS)).map(lambda tools: Shop(tools=tuple(sorted(tools))))


def planned(
    item: str, count: int, patch: dict[str, Any], family: str | None = None
) -> tuple[Design, Timber]:
    done = design(amend(starting([(shipped_item(item), count)], "1 mm", family), patch))
    return done, priced(done, Supply())


def made(
    item: str, count: int, patch: dict[str, Any], family: str | None = None, shop: Shop = USUAL
) -> Made:
    return making(*planned(item, count, patch, family), shop, THURSDAY, {})


def places(found: Made) -> dict[str, int]:
    return {task.key: k for k, task in enumerate(found.tasks)}


@given(briefs, makings, shops)
def test_the_order_of_work_of_any_rack_breaks_nothing(
    brief: Brief, asked: Making, shop: Shop
) -> None:
    done = design(brief)
    found = priced(done, Supply())
    every = tasks(done, found, asked, shop)
    among = edges(every)
    order = natural(every, among)
    at = {task.key: k for k, task in enumerate(order)}
    assert len(at) == len(every) == len(order)
    assert all(at[edge.first] < at[edge.then] for edge in among)
    assert all(edge.why for edge in among)
    # Said once more, without any states: wood, then tools, then paper, then brush, then hardware,
    # then the wall.
    works = [at[task.key] for task in every if task.work]
    assert len(works) == sum(not one.kind.row.get("cut") for one in done.machining)
    cuts = [at[task.key] for task in every if task.key.startswith("cut:")]
    joins = [at[task.key] for task in every if task.key.startswith("join:")]
    coats = [at[task.key] for task in every if task.key.startswith("coat:")]
    assert all(cut < work for cut in cuts for work in works if order[cut].parts & order[work].parts)
    if "sand" in at:
        assert all(work < at["sand"] for work in works)
        assert all(at["sand"] < k for k in (*coats, *joins))
    early = asked.finish == "before glue" or done.rack.glyph.threaded
    assert all((coat < join) == early for coat in coats for join in joins)
    if "holders" in at and coats:
        pegs_first = done.rack.glyph.glued and asked.pegs == "before finish"
        assert all((at["holders"] < coat) == pegs_first for coat in coats)
    assert [order[-2].key, order[-1].key] == ["mount", "hang"]
    # Every part is cut, or comes out of one that is.
    cut = {part for task in every if task.key.startswith("cut:") for part in task.parts}
    gone = {piece.blank.part for piece in found.plan.missing}
    assert all(part.key in cut or part.of or part.key in gone for part in done.rack.parts)


def test_a_box_says_why_each_step_comes_where_it_does() -> None:
    box = made("soup-bowl-mug", 5, {}, "shelf-box")
    at = places(box)
    assert (
        at["dado:left-side"]
        < at["sand"]
        < at["inside:shelf-1"]
        < at["join:shelf-1"]
        < at["coat:1"]
        < at["coat:2"]
        < at["holders"]
    )
    why = {(edge.first, edge.then): edge.why for edge in box.why}
    assert why["sand", "inside:shelf-1"] == "A finish shows every scratch that is under it."
    assert (
        why["inside:shelf-1", "join:shelf-1"]
        == "No brush reaches the inner corners once it is joined."
    )
    assert why["join:shelf-1", "coat:1"] == "Glue holds on bare wood, not on a finish."
    assert why["coat:2", "holders"].startswith("A brush goes over a bare face in one stroke")
    # What another edge says already is not said twice.
    assert ("measure", "coat:1") not in why
    # Finished first, nothing inside is out of reach: the last coat comes before the glue.
    early = places(made("soup-bowl-mug", 5, {"making": {"finish": "before glue"}}, "shelf-box"))
    assert early["coat:2"] < early["join:shelf-1"]
    assert "inside:shelf-1" not in early


def test_what_no_stick_gives_is_found_first_and_holds_up_what_is_made_of_it() -> None:
    box = made("soup-bowl-mug", 5, {"guard": {"thickness": "8 mm"}}, "shelf-box")
    at = places(box)
    (gone,) = [task for task in box.tasks if task.key == "missing"]
    assert gone.title == "Find wood for: guard rail 1, guard rail 2"
    assert gone.parts == {"guard-1", "guard-2"}
    assert at["missing"] < at["dry"] < at["join:shelf-1"]
    (said,) = [finding for finding in box.findings if finding.severity is Severity.STOP]
    assert (said.code, said.value) == ("work.missing", "2")
    # Its sides are marked by the numbers of their hole table, each from its foot and its front
    # edge.
    marks = next(task for task in box.tasks if task.key == "mark:left-side")
    assert marks.lines[0].startswith(
        "left face, from the foot and from the front edge: 1 at 18 mm, 110 mm; 2 at 53 mm"
    )


def test_square_work_comes_before_bevels_and_what_follows_holes_after_them() -> None:
    ridge = places(made("key-bunch", 9, {}, "angled-rail"))
    assert ridge["peg-hole:left-board"] < ridge["mitre:left-board"]
    stack = places(made("peaked-cap", 6, {"turns": "rod"}, "flip-rail"))
    assert stack["rod-hole:spacer-1"] < stack["nut-recess:spacer-1"]
    assert stack["coat:2"] < stack["thread"] < stack["join:spacer-1"], (
        "fingers on a rod are out of the brush's reach"
    )
    cheeks = places(made("snow-board", 4, {}, "slotted-cheeks"))
    assert cheeks["round-bottom:left-cheek"] < cheeks["slot:left-cheek"]


def test_boards_of_several_widths_are_cut_each_by_themselves_where_nothing_is_ripped() -> None:
    box = made("soup-bowl-mug", 5, {"cutting": {"rip": False}}, "shelf-box")
    cuts = [task.key for task in box.tasks if task.key.startswith("cut:Softwood 18")]
    assert len(cuts) == len(set(cuts)) > 0
    assert len({task.key for task in box.tasks}) == len(box.tasks)
    panel = made("enamel-mug", 12, {"cutting": {"rip": False}}, "panel")
    assert len({task.key for task in panel.tasks}) == len(panel.tasks)


def test_thick_wide_boards_are_planed_ripped_and_cut_in_turn_with_what_is_there() -> None:
    # Three boards of 1000 × 70 × 21 out of one of 1100 × 240 × 24: planed once along its 1.1 m,
    # ripped into three strips of it.
    patch = {
        "row": {"length": "1000 mm"},
        "rows": {"count": 3, "boards": "each"},
        "board": {"height": "70 mm", "thickness": "21 mm"},
    }
    brief = amend(
        starting([(shipped_item("felt-hat"), 12)], "1 mm"), patch | {"holder": {"kind": "hook"}}
    )
    board = read_stick({"wide": "240 mm", "thick": "24 mm", "long": "1100 mm", "reclaimed": True})
    shop = Shop(tools=("table saw", "planer", "sander"), pace=200)
    done, stock = design(brief), Supply((("9", board),), (), (), shop)
    found = priced(done, stock)
    assert not found.plan.missing
    taken = (
        (task, task.timber.leaves)
        for task in making(done, found, shop, THURSDAY, {}).tasks
        if task.timber
    )
    (thin, thinner), (strip, strips), (cut, _) = taken
    assert [one.key.split(":")[0] for one in (thin, strip, cut)] == ["thin", "strip", "cut"]
    # 10 to set up and 3 a metre; at a pace of 200 twice that.
    assert (thin.minutes, strip.minutes) == (2 * 14, 2 * 20)
    assert [(one.wide, one.thick, one.long) for one in thinner] == [(240, 21, 1100)]
    # 240 less three times 72 and a blade of 3: 15 is nothing to keep.
    assert [(one.wide, one.thick) for one in strips] == [(70, 24)] * 3
    assert all("magnet" in task.lines[1] for task in (thin, strip))
    assert "magnet" not in " ".join(cut.lines)
    assert {"push stick", "planer", "plane", "table saw"} <= {*thin.tools, *strip.tools}
    assert any("push stick" in one for one in strip.cautions)
    assert any("planer throws back" in one for one in thin.cautions)
    # An hour that counts makes it dearer than boards to size; without a planer it is no wood for
    # this rack at all.
    assert [one.why for one in timber(done, replace(stock, shop=Shop())).unused] == [
        "24 mm thick: 21 mm is wanted, and nothing here planes it"
    ]


def test_an_order_of_ones_own_is_kept_and_what_it_breaks_is_said_with_ways_back() -> None:
    plain = made("waxed-jacket", 5, {})
    keys = [task.key for task in plain.tasks]
    moved = [key for key in keys if key != "holders"]
    moved.insert(moved.index("coat:1"), "holders")
    patch = {"making": {"order": moved}}
    own = made("waxed-jacket", 5, patch)
    assert [task.key for task in own.tasks] == moved
    said = [finding for finding in own.findings if finding.code == "work.order"]
    assert {finding.value for finding in said} == {str(moved.index("holders") + 1)}
    assert (
        "“Screw the hooks on: 5 places” comes before “Second coat: hard wax oil”."
        in said[-1].message
    )
    brief = planned("waxed-jacket", 5, patch)[0].brief
    for finding in said:
        for fix in finding.fixes:
            settled = design(amend(brief, fix.patch))
            left = making(settled, priced(settled, Supply()), Shop(), THURSDAY, {}).findings
            assert finding.message not in [one.message for one in left]
    # What was done early was done: nothing is to be said of an order that nobody asked for.
    done, found = planned("waxed-jacket", 5, {})
    assert not making(done, found, Shop(), THURSDAY, {"mount": THURSDAY}).findings
    # A task that the order does not know comes as soon as it may.
    known = made("waxed-jacket", 5, {"making": {"order": [key for key in keys if key != "sand"]}})
    assert not [finding for finding in known.findings if finding.code == "work.order"]


def test_the_tools_that_there_are_decide_how_and_how_long() -> None:
    def drill(*tools: str) -> Any:
        shop = Shop.model_validate({"tools": tools})
        found = made("felt-hat", 12, {}, shop=shop)
        return next(task for task in found.tasks if task.key == "peg-hole:board")

    press, hand, none = drill("drill press"), drill("drill"), drill()
    assert press.ways[0].startswith(
        "At the drill press: 20 mm bit, table 10° from square, 80° from the face."
    )
    assert "guide" in hand.ways[0]
    assert none.ways == press.ways[-1:]
    assert press.minutes < hand.minutes < none.minutes
    sunk = on({"mount": {"by": "keyholes"}})
    said = making(sunk, priced(sunk, Supply()), Shop(), THURSDAY, {}).findings
    (asks,) = [one for one in said if one.code == "work.tool"]
    hung = on(asks.fixes[0].patch)
    again = making(hung, priced(hung, Supply()), Shop(), THURSDAY, {})
    assert "hardware" in places(again)
    assert not [one for one in again.findings if one.code == "work.tool"]


EVENING = [{"day": 0, "start": "19:00", "end": "20:00"}]


@pytest.mark.parametrize(
    ("code", "shop", "says"),
    [
        (
            "work.saw",
            {"tools": ["table saw"]},
            "planned for a mitre saw, which the workshop has not",
        ),
        ("work.clamps", {"clamps": 2}, "wants 6 clamps, and there are 2"),
        ("work.long", {"hours": [{**EVENING[0], "end": "19:30"}]}, "longer than any stretch"),
        ("work.hours", {"hours": []}, "has no hours"),
    ],
)
def test_what_the_workshop_lacks_is_said_where_it_matters(
    code: str, shop: dict[str, Any], says: str
) -> None:
    lacking = made("soup-bowl-mug", 5, {}, "shelf-box", Shop.model_validate(shop))
    assert says in next(one.message for one in lacking.findings if one.code == code)
    assert not made("soup-bowl-mug", 5, {}, "shelf-box").findings


def test_what_is_quicker_is_as_quick_as_it_says() -> None:
    done, found = planned("soup-bowl-mug", 5, {}, "shelf-box")
    now = making(done, found, Shop(), THURSDAY, {}).schedule.finish
    changes = quicker(done, found, Shop(), THURSDAY, {})
    assert changes
    assert [one.finish for one in changes] == sorted(one.finish for one in changes)
    for one in changes:
        assert now
        assert one.finish < now
        changed = design(amend(done.brief, one.patch)) if one.patch else done
        again = making(changed, priced(changed, Supply()), one.shop or Shop(), THURSDAY, {})
        assert again.schedule.finish == one.finish
    assert "Finish with shellac" in [one.says for one in changes]


def test_what_things_touch_may_stay_natural_and_need_not_harden() -> None:
    plain = made("enamel-mug", 5, {})
    natural = made("enamel-mug", 5, {"making": {"touched": "left natural"}})
    coats = [{task.key: task for task in found.tasks}["coat:1"] for found in (plain, natural)]
    assert [HOLDER in coat.parts for coat in coats] == [True, False]
    assert any("hooks and pegs stay bare" in line for line in coats[1].lines)
    assert plain.schedule.finish
    assert natural.schedule.finish
    assert natural.schedule.finish < plain.schedule.finish


def test_several_changes_together_make_a_day_that_none_makes_alone() -> None:
    done, found = planned("soup-bowl-mug", 5, {}, "shelf-box")
    soonest = quicker(done, found, Shop(), THURSDAY, {})[0].finish
    by = soonest - timedelta(days=1)
    together = enough(done, found, Shop(), THURSDAY, {}, by)
    assert together
    assert "; " in together.says
    changed = design(amend(done.brief, together.patch)) if together.patch else done
    again = making(changed, priced(changed, Supply()), together.shop or Shop(), THURSDAY, {})
    assert again.schedule.finish == together.finish <= by
    assert enough(done, found, Shop(), THURSDAY, {}, soonest) is None, "one change alone makes it"
    assert enough(done, found, Shop(), THURSDAY, {}, THURSDAY) is None


def test_what_is_poured_is_bought_by_its_unit() -> None:
    buy = next(task for task in made("waxed-jacket", 5, {}).tasks if task.key == "buy")
    assert [line for line in buy.lines if line.endswith(" ml")] == ["hard wax oil: 36 ml"]
    assert "hook, 60 mm: 5" in buy.lines


def test_what_is_bought_is_bought_while_the_yard_is_open() -> None:
    when = {slot.task.key: slot for slot in made("waxed-jacket", 5, {}).schedule.slots}
    assert f"{when['buy'].start:%a %H:%M}" == "Fri 16:30"
    assert f"{when['measure'].start:%a}" == "Thu"
    never = made("waxed-jacket", 5, {}, shop=Shop(errands=()))
    assert {slot.task.key: slot for slot in never.schedule.slots}[
        "buy"
    ].start.date() == THURSDAY.date()


def test_a_slow_hand_takes_longer_at_the_bench_and_not_to_the_yard() -> None:
    plain, slow = (
        made("waxed-jacket", 5, {"making": {"minutes": {"sand": "2 h"}}}, shop=Shop(pace=pace))
        for pace in (100, 250)
    )
    minutes = {
        task.key: (task.minutes, other.minutes)
        for task, other in zip(plain.tasks, slow.tasks, strict=True)
    }
    assert minutes["buy"] == (45, 45)
    assert minutes["sand"] == (120, 120), "what is typed is typed"
    assert minutes["mark:0"] == (9, 23)
    assert minutes_at_bench(slow.tasks, {}) == sum(task.minutes for task in slow.tasks) - 45
    # One part from one stick at a mitre saw: 5, 4 for the stick, 1.5 for the cut. Ten pilots: 5 and
    # half a minute each.
    assert (minutes["cut:Softwood 21 mm thick"][0], minutes["pilot:board"][0]) == (11, 10)
    # Two boards of 2860 from a stick each: 5, 8 and 3.
    two = made("waxed-jacket", 11, {"rows": {"count": 2, "boards": "each"}})
    assert [task.minutes for task in two.tasks if task.key.startswith("cut:")] == [16]


def test_ones_own_waits_and_minutes_count() -> None:
    slow = {"making": {"waits": {"coat": "1 day", "cure": "10 d"}, "minutes": {"sand": "2 h"}}}
    own, plain = made("waxed-jacket", 5, slow), made("waxed-jacket", 5, {})
    by_key = {task.key: task for task in own.tasks}
    assert (by_key["coat:1"].wait, by_key["sand"].minutes) == (1440, 120)
    assert own.schedule.finish
    assert plain.schedule.finish
    assert own.schedule.finish > plain.schedule.finish


@pytest.mark.parametrize(
    ("written", "minutes"),
    [
        ("45", 45),
        ("45 min", 45),
        ("8 h", 480),
        ("1,5 h", 90),
        ("1 h 30", 90),
        ("2 days", 2880),
        ("1 day 2 h", 1560),
    ],
)
def test_a_while_is_read_as_people_write_it(written: str, minutes: int) -> None:
    assert Making.model_validate({"waits": {"glue": written}}).waits["glue"] == minutes
    assert Making.model_validate({"waits": {"glue": spoken(minutes)}}).waits["glue"] == minutes


@pytest.mark.parametrize("written", ["soon", "", "8 hogsheads", "-3 h", "40 days", True])
def test_what_is_no_while_is_said(written: object) -> None:
    with pytest.raises(ValidationError, match=r"is no time|longer than"):
        Making.model_validate({"waits": {"glue": written}})


@pytest.mark.parametrize(
    "hours",
    [
        [{"day": 0, "start": "21:00", "end": "19:00"}],
        [
            {"day": 0, "start": "19:00", "end": "21:00"},
            {"day": 0, "start": "20:00", "end": "22:00"},
        ],
        [{"day": 7, "start": "19:00", "end": "21:00"}],
        [{"day": 0, "start": "7 pm", "end": "21:00"}],
    ],
)
def test_hours_that_cannot_be_are_refused(hours: list[dict[str, Any]]) -> None:
    with pytest.raises(ValidationError):
        Shop.model_validate({"hours": hours})


# For each kind of work and the tool that it is done with: what has to be on its card, and what
# belongs to another tool.
CARDS: list[tuple[str, dict[str, Any], str | None, tuple[Any, ...], str, tuple[str, ...], tuple[str, ...]]] = [
    ("towel", {}, None, ("drill press",), "peg-hole:", ("swings it round", "begins in a guide that is clamped at that angle"), ("square, then tilt", "brace")),
    ("towel", {}, None, (), "peg-hole:", ("it turns with the brace",), ("no gloves",)),
    ("room-key", {}, None, ("drill",), "pilot:", ("never towards a hand",), ("awl", "clamped at that angle")),
    ("room-key", {}, None, (), "pilot:", ("An awl goes through a palm",), ()),
    ("rain-cape", {}, "flip-rail", ("router",), "groove:", ("Eyes, ears, dust", "against the turning of the bit"), ("push blocks",)),
    ("rain-cape", {}, "flip-rail", ("table saw",), "groove:", ("push blocks", "riving knife lower than the blade or none"), ("turning of the bit",)),
    ("rain-cape", {}, "flip-rail", (), "groove:", ("a dull chisel slips",), ("push blocks", "Eyes, ears, dust")),
    ("storm-lantern", {}, "ledge-post", ("table saw",), "notch:", ("push blocks", "Then the chisel"), ()),
    ("storm-lantern", {}, "ledge-post", (), "notch:", ("Both hands behind the edge",), ("push blocks",)),
    ("tin-cup", {}, "angled-rail", ("table saw",), "mitre:", ("Eyes, ears, dust", "push stick", "Guard and riving knife on"), ("Jigsaw",)),
    ("tin-cup", {}, "angled-rail", ("jigsaw",), "mitre:", ("Eyes, ears, dust", "Jigsaw: clamp the work"), ("riving knife",)),
    ("tin-cup", {}, "angled-rail", (), "mitre:", ("a saw jumps as it starts",), ("riving knife", "Jigsaw")),
    ("serving-tray", {}, "slotted-cheeks", ("jigsaw",), "slot:", ("both hands above the shoe", "Clamp it upright"), ()),
    ("serving-tray", {}, "slotted-cheeks", (), "slot:", ("Clamp it upright",), ("shoe",)),
    ("room-key", {"holder": {"kind": "bent"}}, None, (), "bend:", ("springs back",), ()),
    ("rain-cape", {}, "flip-rail", (), "stop:", ("a rasp that slips",), ()),
    ("towel", {}, None, ("mitre saw",), "cut:", ("Eyes, ears, dust", "Short pieces are clamped"), ("thumb",)),
    ("towel", {}, None, (), "cut:", ("thumb away from the line",), ("muffs",)),
    ("towel", {}, None, (), "sand", ("Wear a mask", "sanded dry"), ()),
    ("towel", {}, None, (), "holders", ("super glue",), ()),
    ("enamel-mug", {}, "shelf-box", (), "join:", ("epoxy",), ()),
    ("towel", {"cutting": {"finish": "linseed oil"}}, None, (), "coat:1", ("heat themselves", "no flame"), ()),
    ("towel", {"cutting": {"finish": "alkyd paint"}}, None, (), "coat:1", ("heat themselves",), ()),
    ("towel", {"cutting": {"finish": "water varnish"}}, None, (), "coat:1", ("no flame",), ("heat themselves",)),
    ("towel", {"cutting": {"finish": "shellac"}}, None, (), "hang", ("Wet things leave marks in shellac",), ()),
    ("bicycle", {}, "high-rails", (), "hang", ("lift them on by two",), ()),
    ("enamel-mug", {}, None, (), "hang", (), ("lift them on by two",)),
]  # fmt: skip


@pytest.mark.parametrize(("item", "patch", "family", "tools", "key", "there", "elsewhere"), CARDS)
def test_what_can_hurt_is_on_the_card_where_it_can(
    item: str,
    patch: dict[str, Any],
    family: str | None,
    tools: tuple[Any, ...],
    key: str,
    there: tuple[str, ...],
    elsewhere: tuple[str, ...],
) -> None:
    found = made(item, 4, patch, family, Shop(tools=tools))
    task = next(task for task in found.tasks if task.key.startswith(key))
    said = "\n".join(task.cautions)
    assert [words for words in there if words not in said] == []
    assert [words for words in elsewhere if words in said] == []


def test_old_wood_is_looked_at_before_it_meets_a_saw_and_wet_things_wait_for_the_finish() -> None:
    done = design(
        amend(
            starting([(shipped_item("towel"), 3)], "1 mm"), {"cutting": {"finish": "hard wax oil"}}
        )
    )
    old = read_stick(
        {"wide": "120 mm", "thick": "28 mm", "long": "3 m", "species": "spruce", "reclaimed": True}
    )
    found = tasks(done, priced(done, Supply(sticks=(("ab", old),))), Making(), Shop())
    cut = next(
        task
        for task in found
        if task.key.startswith("cut:") and "Take" in task.lines[0] and "bought" not in task.lines[0]
    )
    assert any("heat-treatment stamp" in caution for caution in cut.cautions)
    assert all(
        "stamp" not in caution for task in found if task.key == "sand" for caution in task.cautions
    )
    # A day's coat is hard enough for dry things after two days, for wet towels after a week.
    dry = design(amend(done.brief, {"item": {"full_g": None}}))
    waits = [
        next(
            task
            for task in tasks(each, priced(each, Supply()), Making(), Shop())
            if task.key == "hang"
        ).after["coat:2"][1]
        for each in (done, dry)
    ]
    assert waits == [7 * 24 * 60, 2 * 24 * 60]
