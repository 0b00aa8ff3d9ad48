"""Measured against planned, and ways out: what is drilled stays, each way is as it says, the least
harmful comes first.
"""

from datetime import datetime
from fractions import Fraction

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from tests.cases import cases
from tests.core.test_findings import SITES
from tests.core.test_timber import offer, supply
from tests.metric import shipped_item, starting
from tests.strategies import briefs
from yardcliff.core.built.facts import Fact, Kind, built, made_by, ticked
from yardcliff.core.built.habits import Hours, pace_of, taught
from yardcliff.core.built.way import WayOut
from yardcliff.core.built.way_out import taken, ways_out
from yardcliff.core.design.as_built import MadeAlready, design_on, drilled, refuse_moves, row_of
from yardcliff.core.design.change import amend, dump
from yardcliff.core.design.fixes import tried
from yardcliff.core.design.measuring import measured, subjects
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.design.there import Built
from yardcliff.core.findings.finding import Patch
from yardcliff.core.making.plan import making
from yardcliff.core.making.task import Task
from yardcliff.core.ways import Brief
from yardcliff.core.wood.rack_timber import priced
from yardcliff.core.wood.stock import Supply, read_stick
from yardcliff.core.workshop.shop import Shop

START = datetime(2026, 11, 26, 18)


def planned(item: str = "waxed-jacket", count: int = 5, **patch: object) -> Design:
    return design(amend(starting([(shipped_item(item), count)], "1 mm"), patch))


def mm(**readings: int | Fraction) -> Built:
    """What was measured, by what it is of: `h` before a hole's number."""
    return Built(measured={what.removeprefix("h"): Fraction(x) for what, x in readings.items()})


def out(done: Design, there: Built, what: str, stock: Supply = Supply()) -> dict[str, WayOut]:  # noqa: B008 (frozen)
    made = making(done, priced(done, stock), Shop(), START, {})
    subject = next(one for one in subjects(done) if one.what == what)
    return {way.code: way for way in ways_out(done, there, subject, stock, made)}


def test_what_is_measured_is_held_against_the_plan() -> None:
    done = planned()  # axes at 130, 390, 650, 910 and 1170 of 1300
    assert done.rack.row.axes[:2] == (130, 390)
    found = measured(done, mm(board=1300, h1=131, h2=396))
    assert [(one.subject.what, one.off, one.good) for one in found.rows[:3]] == [
        ("board", 0, True),
        ("1", 1, True),
        ("2", 6, False),
    ]
    assert (found.rows[3].found, found.rows[3].good) == (None, True)
    assert found.drift == Fraction(7, 2)
    # The third jacket hangs where it is planned: the gap before it shrank by 6.
    assert found.air == done.rack.row.air - 6
    assert not measured(done, mm(board=1280)).rows[0].good
    nothing = measured(done, mm())
    assert (nothing.drift, nothing.air) == (None, done.rack.row.air)


def test_a_stray_hole_has_ways_out_with_their_price() -> None:
    done = planned()
    built = mm(h2=404)
    board = read_stick({"wide": "120 mm", "thick": "21 mm", "long": "1400 mm"})
    ways = out(done, built, "2", supply(offer("1800 mm", "7.00"), sticks=(board,)))
    assert ways["adopt"].axes == (130, 404, 650, 910, 1170)
    assert ways["adopt"].even == 14
    # Nothing else is drilled: all of them may move along, and the row stays even.
    assert ways["shift"].axes == (144, 404, 664, 924, 1184)
    # Held at 404, with the ends as they were: 274 to it, then thirds of what is left.
    assert ways["respace"].axes == (130, 404, 404 + Fraction(766, 3), 404 + Fraction(1532, 3), 1170)
    assert ways["plug"].axes == done.rack.row.axes
    assert (ways["plug"].patch, ways["plug"].minutes) == (None, 15)
    assert (ways["anew"].says, ways["anew"].cost) == (
        "From softwood board 120 mm × 21 mm, 1400 mm, on hand.",
        0,
    )
    assert ways["anew"].minutes > 0
    assert out(done, built, "2", supply(offer("1800 mm", "7.00")))["anew"].cost == 700
    # With another one drilled, moving them all would move that too.
    both = out(done, mm(h1=130, h2=404), "2")
    assert "shift" not in both
    assert both["plug"].patch
    assert both["plug"].patch["row"]["pins"][:2] == [
        {"index": 0, "at": "130 mm"},
        {"index": 1, "at": "390 mm"},
    ]


@pytest.mark.parametrize(("price", "anew_first"), [("0.00", True), ("1.00", False)])
def test_ways_out_are_ranked_by_millimetres_minutes_and_money(price: str, anew_first: bool) -> None:
    # To take 16 out of even as it is, with something to look at: 31. A new board takes 30 minutes,
    # and 1.00 is worth two.
    ways = out(planned(), mm(h2=406), "2", supply(offer("1800 mm", price)))
    assert (ways["adopt"].even, ways["adopt"].cares, ways["anew"].minutes) == (16, 1, 30)
    assert (list(ways).index("anew") < list(ways).index("adopt")) == anew_first


def test_a_reading_from_the_other_end_or_in_the_wrong_line_is_told_before_wood_is_touched() -> None:
    done = planned()  # 130, 390, 650, 910 and 1170 of 1300
    slips = {
        "911": (
            "From the right end that is 390 mm, where it is planned: hook the tape at the left end."
        ),
        "1170": "Hole 5 is planned just there: is the figure in its own line?",
    }
    for read, says in slips.items():
        ways = out(done, mm(h2=int(read)), "2")
        assert (next(iter(ways)), ways["misread"].says) == ("misread", says)
        assert (ways["misread"].patch, ways["misread"].clears) == (None, ("2",))
    assert "misread" not in out(done, mm(h2=404), "2")
    assert "misread" not in out(done, mm(h3=652), "3"), "the middle is the middle from either end"


def test_a_plate_hides_a_hole_that_is_under_it_and_far_enough_from_the_new_one() -> None:
    done = planned()
    wide = done.rack.glyph.width
    bit = max(bore.bit for bore in done.rack.bores)
    most = wide / 2 - bit / 2 - 2  # 2 mm of plate are left beside the stray hole
    assert "hide" in out(done, mm(h2=390 + most), "2")
    assert "hide" not in out(done, mm(h2=390 + most + Fraction(1, 10)), "2")
    assert "hide" not in out(done, mm(h2=390 + wide), "2"), "it would show"
    assert "hide" not in out(done, mm(h2=392), "2"), "the new hole would run into it"


def test_a_board_cut_short_is_adopted_or_hangs_one_less() -> None:
    done = planned(row={"air": "60 mm"})
    length = done.rack.row.length
    ways = out(done, mm(board=length - 70), "board")
    assert ways["adopt"].long == ways["fewer"].long == ways["ends"].long == length - 70
    assert len(ways["fewer"].axes) == 4
    assert ways["fewer"].air > ways["adopt"].air
    assert "plug" not in ways
    # A board that is too long is cut again, or its spaces grow; nobody hangs one less for that.
    longer = out(done, mm(board=length + 40), "board")
    assert longer.keys() == {"trim", "adopt", "anew", "leave"}
    assert "leave" in ways
    # Half a plate, 15, past the last hole at 145 from the end.
    assert ["leave" in out(done, mm(board=length - off), "board") for off in (130, 131)] == [
        True,
        False,
    ]
    assert (longer["trim"].patch, longer["trim"].axes, longer["adopt"].long) == (
        None,
        done.rack.row.axes,
        length + 40,
    )
    assert longer["adopt"].says == "The board is 40 mm longer: the spaces grow with it."
    drilled = out(done, mm(board=length - 70, h1=done.rack.row.axes[0]), "board")
    assert drilled["adopt"].axes[0] == done.rack.row.axes[0]
    assert "fewer" not in drilled


def test_a_row_below_is_held_by_itself_and_the_rows_beside_it_stay() -> None:
    done = planned("felt-hat", 5, family="panel", rows={"count": 2})
    plan = done.rack.row.axes
    names = [one.title for one in subjects(done)]
    assert names[:2] == ["the board", "row 1, hole 1"]
    assert f"row 2, hole {len(plan)}" in names
    assert names[-4:] == ["batten 1", "batten 1, how wide", "batten 2", "batten 2, how wide"]
    at = plan[1] + 12
    below = out(done, Built(measured={"2.2": at}), "2.2")
    assert below["adopt"].axes == (plan[0], at, *plan[2:])
    assert below["adopt"].patch
    after = design(amend(done.brief, below["adopt"].patch)).rack
    assert after.rows[0].row.axes == plan, "the row above stays as it was"
    # One row drives the next: a hole of the first that is adopted must not draw the second along.
    above = out(done, Built(measured={"2": at, "2.3": plan[2] + 1}), "2")
    assert above["adopt"].patch
    both = design(amend(done.brief, above["adopt"].patch)).rack.rows
    assert [one.row.axes for one in both] == [
        (plan[0], at, *plan[2:]),
        (*plan[:2], plan[2] + 1, *plan[3:]),
    ]
    # Spaced anew, a row that nothing is drilled in yet follows: its hooks stay under those above.
    spaced = out(done, Built(measured={"2": at}), "2")["respace"].patch
    assert spaced
    one, other = design(amend(done.brief, spaced)).rack.rows
    assert one.row.axes == other.row.axes != plan


def test_holes_in_two_uprights_have_to_be_level() -> None:
    done = planned("walking-poles", 4, family="stile-pair")
    rack = done.rack
    assert rack.together
    at = rack.row.axes[1] + 9
    assert out(done, Built(measured={"2.2": at}), "2.2").keys() >= {"adopt", "respace", "shift"}
    paired = out(done, Built(measured={"2.2": at, "2": rack.row.axes[1] + 1}), "2.2")
    assert paired.keys() == {"plug", "anew"}
    assert paired["plug"].axes[1] == rack.row.axes[1] + 1
    assert "2" not in paired["anew"].clears


@cases(20)
@given(briefs, st.data())
def test_every_way_out_leaves_drilled_holes_where_they_are_and_is_as_it_says(
    brief: Brief, data: st.DataObject
) -> None:
    done = design(brief)
    rows = [one.row for one in done.rack.rows]
    assume(
        len(done.rack.holders) <= 40
        and all(min(row.axes) >= 30 and max(row.axes) < 29_000 for row in rows)
    )
    holes = [one for one in subjects(done) if one.place is not None]
    picked = data.draw(
        st.lists(
            st.sampled_from(holes),
            min_size=1,
            max_size=5,
            unique_by=lambda one: (row_of(done, one), one.place),
        )
    )
    built = {one.what: one.planned + data.draw(st.integers(-30, 30)) for one in picked}
    made = making(done, priced(done, Supply()), Shop(), START, {})
    ways = ways_out(done, Built(measured=built), picked[0], Supply(), made)
    assert [way.stops for way in ways] == sorted(way.stops for way in ways)
    for way in ways:
        again = design(amend(brief, way.patch)) if way.patch else done
        k = row_of(done, picked[0])
        assert again.rack.rows[k].row.axes == way.axes
        if way.patch is None:
            assert way.code in ("anew", "misread") or k not in drilled(
                done, Built(measured=built), but=picked[0]
            )
            continue
        now = {one.what: one.planned for one in subjects(again)}
        assert {what: now[what] for what in built if what not in way.clears} == {
            what: x for what, x in built.items() if what not in way.clears
        }, way.code


def test_the_usual_drift_is_not_moved_by_one_bad_hole() -> None:
    assert taught([Fraction(1), Fraction(1), Fraction(40)]) == 1
    assert taught([Fraction(1), Fraction(2), Fraction(3), Fraction(90)]) == Fraction(5, 2)
    assert taught([Fraction(1)] * 2) is None


def test_racks_that_are_up_teach_the_pace_by_what_was_reckoned_without_it() -> None:
    half, slow, quick = (
        Hours("a", 200, 200, 90, up=False),
        Hours("b", 200, 200, 260, up=True),
        Hours("c", 300, 200, 180, up=True),
    )
    assert pace_of([half]) is None
    assert pace_of([half, slow]) == 130
    # At 150 % its plan was 300 minutes of 200 by rule of thumb: 440 minutes of 400 in all.
    assert pace_of([half, slow, quick]) == 110
    assert pace_of([Hours("d", 10, 10, 9000, up=True)]) == 400


def told(done: Design, *kinds: str) -> list[Fact]:
    """Tasks that were done as the plan has them now, by the first word of their keys."""
    every = making(done, priced(done, Supply()), Shop(), START, {}).tasks
    some = [task for task in every if not kinds or task.key.split(":")[0] in kinds]
    return [
        Fact(str(k), "rack", "2026-11-28T19:00", Kind.DONE, task.key, {"made": made_by(task, done)})
        for k, task in enumerate(some)
    ]


def reading(what: str, at: str, planned_: str) -> Fact:
    return Fact(
        f"read {what}", "rack", "2026-11-28", Kind.MEASURED, what, {"at": at, "planned": planned_}
    )


def said(done: Design) -> dict[str, str]:
    return {one.code: one.message for one in done.findings if one.code.startswith("made.")}


def test_what_is_drilled_and_cut_stays_and_all_else_follows() -> None:
    done = planned()  # axes at 130, 390, 650, 910 and 1170 of 1300
    assert said(design_on(done.brief, built(told(done)))) == {}, "it is as it was planned"
    wide = amend(done.brief, {"row": {"air": "100 mm"}})
    assert design(wide).rack.row.length > 1300
    cut = design_on(wide, built(told(done, "cut")))
    assert cut.rack.row.length == 1300
    assert said(cut) == {"made.held": "Board is cut: it stays 1300 mm long."}
    drilled_ = design_on(wide, built(told(done, "pilot")))
    assert drilled_.rack.row.axes == done.rack.row.axes
    assert said(drilled_)["made.held"].startswith(
        "Holes 1 at 130 mm, 2 at 390 mm, 3 at 650 mm, 4 at 910 mm and 1 more"
    )
    # One hole was measured: it is there, and the others go their way.
    one = design_on(wide, built([reading("3", "652 mm", "650 mm")]))
    assert one.rack.row.axes[2] == 650
    assert one.rack.row.axes[4] > 1170
    assert said(one)["made.held"] == "Hole 3 at 650 mm is drilled and stays there."


@pytest.mark.parametrize(
    ("patch", "code", "says"),
    [
        (
            {"row": {"count": 4}},
            "made.hole",
            "Hole 5 is drilled: at 1170 mm. The plan has no such hole.",
        ),
        (
            {"board": {"height": "140 mm"}},
            "made.board",
            "Board is cut: 1300 mm × 120 mm × 21 mm. The plan wants 1300 mm × 140 mm × 21 mm.",
        ),
        (
            {"family": "panel"},
            "made.board",
            "Board is cut: 1300 mm × 120 mm × 21 mm. The plan has no such part.",
        ),
    ],
)
def test_a_plan_that_would_move_what_is_made_is_refused(patch: Patch, code: str, says: str) -> None:
    done = planned()
    there = built(told(done))
    after = design_on(amend(done.brief, patch), there)
    assert says in [one.message for one in after.findings if one.code == code]
    with pytest.raises(MadeAlready, match="Take its tick back at the bench"):
        refuse_moves(after, lambda: done)
    refuse_moves(after, lambda: after)  # it was so before


def test_no_way_out_of_a_finding_lets_go_of_what_is_drilled() -> None:
    done = planned()
    asked = amend(done.brief, {"row": {"air": "200 mm"}})
    fixes = [
        fix
        for one in tried(design_on(asked, built(told(done, "pilot", "cut"))))
        for fix in one.fixes
    ]
    assert not [fix.label for fix in fixes if "pin" in fix.label]
    assert [
        fix.label
        for one in tried(design(amend(asked, {"row": {"length": "1300 mm", "follows": "pitch"}})))
        for fix in one.fixes
    ]


def test_screw_holes_stay_when_the_wall_is_another() -> None:
    done = design(amend(planned().brief, {"place": {"wall": "ab", "x": "1400 mm"}}), SITES["ab"])
    there = built(told(done))
    assert said(design_on(done.brief, there, SITES["ab"])) == {}
    moved = design_on(amend(done.brief, {"place": {"x": "1500 mm"}}), there, SITES["ab"])
    assert said(moved)["made.place"].startswith("Board is drilled: 30 mm along and 15 mm across, ")


def test_what_was_adopted_plugged_or_made_anew_may_move() -> None:
    done = planned()
    facts = [*told(done), reading("2", "404 mm", "390 mm")]
    off = measured(done, built(facts)).rows[2]
    assert (off.off, off.good, off.adopted) == (14, False, False)
    ways = out(done, built(facts), "2")
    assert ways.keys() == {"adopt", "plug", "anew"}, "all are drilled: none is left to be spaced"
    after = design_on(amend(done.brief, ways["adopt"].patch or {}), built(facts))
    assert after.rack.row.axes == (130, 404, 650, 910, 1170)
    assert said(after) == {}
    # The plan followed it: what it was off stays.
    followed = measured(after, built([*facts, reading("2", "404 mm", "404 mm")])).rows[2]
    assert (followed.off, followed.good, followed.adopted) == (14, True, True)

    def mended(way: str) -> Built:
        data = taken(ways[way], done, subject, Fraction(404)) if way in ways else {"clears": ["2"]}
        return built([*facts, Fact("m", "rack", "2026-11-28", Kind.MISHAP, "2", data)])

    subject = next(one for one in subjects(done) if one.what == "2")
    assert 1 not in mended("plug").holes[0]
    assert mended("plug").parts
    assert mended("misread").holes[0][1] == 390, "it is there, wherever that is"
    anew = mended("anew")
    assert (anew.parts, anew.boards, anew.holes, anew.features, anew.marks) == (
        {},
        {},
        {},
        frozenset(),
        {},
    )
    assert (sum(anew.pieces.values()), anew.measured) == (0, {})
    # Cut to length, it is the same board: only its reading is void.
    long = [*told(done), reading("board", "1310 mm", "1300 mm")]
    board = next(one for one in subjects(done) if one.what == "board")
    trim = taken(out(done, built(long), "board")["trim"], done, board, Fraction(1310))
    trimmed = built([*long, Fact("m", "rack", "2026-11-28", Kind.MISHAP, "board", trim)])
    assert (trimmed.boards, trimmed.holes, trimmed.measured) == (
        {0: 1300},
        built(told(done)).holes,
        {},
    )


def test_what_is_drilled_again_comes_before_the_dry_fit() -> None:
    done = planned("enamel-mug", 5, family="shelf-box")
    steps = [
        {"title": "Plug", "minutes": 13, "wait": 60, "waits_for": "glue"},
        {"title": "Again", "minutes": 2, "again": True},
    ]
    plugged = Fact(
        "m",
        "rack",
        "2026-11-28",
        Kind.MISHAP,
        "1",
        {"code": "plug", "clears": ["1"], "steps": steps},
    )
    after = design_on(done.brief, built([*told(done, "cut", "mark", "peg-hole"), plugged]))
    tasks = {
        task.key: task for task in making(after, priced(after, Supply()), Shop(), START, {}).tasks
    }
    keys = list(tasks)
    assert (
        keys.index("mend:m:0") < keys.index("mend:m:1") < keys.index("dry") < keys.index("coat:1")
    )
    assert [(place.part, place.holder) for place in tasks["mend:m:1"].places] == [("bar", 0)]


def test_what_comes_to_be_planned_later_is_a_card_of_its_own() -> None:
    done = planned(row={"length": "1300 mm", "follows": "ends", "ends": {"rule": "margin"}})
    facts = told(done, "cut", "mark", "pilot")
    assert not [
        task.key for task in open_tasks(done, facts) if task.key.startswith(("pilot", "cut"))
    ]
    after = design_on(
        amend(done.brief, {"row": {"count": 6, "length": "1560 mm"}}), built(facts[:0])
    )
    assert after.rack.row.count == 6
    # A sixth hook on the board as it is: its holes are drilled by a card of their own, and nothing
    # is drilled twice.
    more = amend(done.brief, {"row": {"count": 6, "follows": "pitch"}, "item": {"width": "150 mm"}})
    (hole,) = [task for task in open_tasks(done, facts, more) if task.key.startswith("pilot")]
    (mark,) = [task for task in open_tasks(done, facts, more) if task.key.startswith("mark:0")]
    assert ([line.split(":")[0] for line in mark.lines], hole.key) == (["6"], "pilot:board 2")
    assert {place.holder for place in hole.places} == {5}
    # What a plug brings again is no card beside its own; a new board is cut, marked and drilled by
    # cards of its own.
    steps = [{"title": "x", "minutes": 1, "again": True}]
    plugged = Fact("m", "rack", "2026-11-28", Kind.MISHAP, "2", {"clears": ["2"], "steps": steps})
    kinds = ("pilot", "mend", "mark:0", "cut")
    assert [
        task.key for task in open_tasks(done, [*facts, plugged]) if task.key.startswith(kinds)
    ] == ["mend:m:0"]
    scraps = {"clears": ["board", *"12345"], "scraps": {"part": "board", "rows": [0]}}
    scrapped = Fact("m", "rack", "2026-11-28", Kind.MISHAP, "2", scraps)
    keys = [task.key for task in open_tasks(done, [*facts, scrapped]) if task.key.startswith(kinds)]
    assert keys == ["cut:Softwood 21 mm thick 2", "mark:0 2", "pilot:board 2"]


def open_tasks(done: Design, facts: list[Fact], brief: Brief | None = None) -> list[Task]:
    after = design_on(brief or done.brief, built(facts))
    ticks = ticked(facts)
    every = making(after, priced(after, Supply()), Shop(), START, {}).tasks
    return [task for task in every if task.key not in ticks]


@cases(30)
@given(briefs, briefs)
def test_no_plan_moves_what_is_made_in_silence(brief: Brief, other: Brief) -> None:
    done = design(brief)
    assume(len(done.rack.holders) <= 40)
    there = built(told(done))
    row = dump(other)["row"]
    asked = amend(
        brief,
        {
            "row": {
                key: row[key] for key in ("count", "pitch", "length", "follows", "ends", "spacing")
            }
        },
    )
    after = design_on(asked, there)
    for k, places in there.holes.items():
        axes = after.rack.rows[k].row.axes if k < len(after.rack.rows) else ()
        stays = all(place < len(axes) and axes[place] == at for place, at in places.items())
        assert stays or {"made.hole", "made.board"} & said(after).keys()
    for key, size in there.parts.items():
        now = {part.key: (part.along, part.face_width, part.thickness) for part in after.parts}
        assert now.get(key) == size or "made.board" in said(after)
    if not said(after):
        assert after.brief == asked
