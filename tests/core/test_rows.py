"""Several rows: nothing hangs in front of anything else, and nothing is hung lower than it has to be."""

from itertools import combinations

from hypothesis import given, settings

from tests.strategies import briefs
from yardcliff.core.amend import amend, dump
from yardcliff.core.exact import Fraction
from yardcliff.core.families import Brief, build, solve_row
from yardcliff.core.families.rail import starting_brief
from yardcliff.core.most import most_on
from yardcliff.core.rows import stand

MUGS = amend(starting_brief("enamel-mug", 8, "1 mm"), {"hung": "2500 mm"})


def drops(brief: Brief) -> list[Fraction]:
    rack = build(brief)
    return [rack.rows[0].y - one.y for one in rack.rows]


def test_straight_rows_by_hand() -> None:
    # 112 below, 20 to lift off, 18 above.
    assert drops(amend(MUGS, {"rows": {"count": 3}})) == [0, 150, 300]
    # Boards of 70 would allow less; boards of 200 do not.
    wide = {"board": {"height": "200 mm"}, "rows": {"count": 2, "boards": "each"}}
    rack = build(amend(MUGS, wide))
    assert [rack.rows[0].y - one.y for one in rack.rows] == [0, 200]
    assert [part.height for part in rack.parts] == [200, 200]
    one = build(amend(MUGS, {"rows": {"count": 3}})).parts
    assert [part.height for part in one] == [70 + 300]


def test_staggered_rows_sink_where_the_half_pitch_leaves_air() -> None:
    loose = amend(MUGS, {"row": {"pitch": "240 mm"}, "rows": {"count": 3, "layout": "staggered"}})
    rack = build(loose)
    assert [one.row.holders for one in rack.rows] == [8, 7, 8]
    assert rack.rows[1].row.axes[0] == rack.row.axes[0] + 120
    # 120 aside leaves 30 between mugs of 90: only the fixtures keep the rows apart, and row 3 clears row 1.
    fixture = build(loose).glyph.height + 8
    assert drops(loose) == [0, fixture, 150]
    tight = amend(MUGS, {"rows": {"count": 2, "layout": "staggered"}})
    assert drops(tight) == [0, 150], "60 aside does not"


def test_an_offset_row_runs_to_the_ends_where_there_is_room() -> None:
    ends = {"row": {"ends": {"rule": "whole"}}, "rows": {"count": 2, "layout": "staggered", "stagger": "ends"}}
    rack = build(amend(MUGS, ends))
    assert [one.row.holders for one in rack.rows] == [8, 9]
    assert rack.rows[1].row.axes[0] == rack.row.axes[0] - rack.row.t / 2


def test_round_things_nest() -> None:
    coil = {"left": "50 mm", "right": "50 mm", "above": "50 mm", "below": "50 mm", "round": True}
    rings = amend(
        MUGS,
        {"item": coil, "row": {"air": "10 mm", "pitch": "110 mm"}, "rows": {"count": 2, "layout": "staggered"}},
    )
    # Centres 110 apart, 55 of it sideways: sqrt(110^2 - 55^2).
    assert abs(float(drops(rings)[1]) - 95.2628) < 1e-3
    assert drops(amend(rings, {"item": {"round": False}}))[1] == 120


def test_a_row_of_its_own_kind_takes_the_most_that_fit_or_what_is_said() -> None:
    ladle = dump(starting_brief("ladle", 1, "1 mm"))["item"]
    own = amend(MUGS, {"others": {"ladle": ladle}, "rows": {"count": 2, "own": [{}, {"kind": "ladle"}]}})
    rack = build(own)
    assert {one.kind for one in rack.hung if one.row == 1} == {"ladle"}
    assert rack.rows[1].row.count == rack.row.length // (90 + 25)
    three = build(amend(own, {"rows": {"own": [{}, {"kind": "ladle", "count": 3}]}}))
    assert three.rows[1].row.count == 3


def test_the_most_on_a_wall() -> None:
    # Eight mugs of 90 with 25 between take 920; 16 rows of 150 reach down to 2500 - 15 x 150 - 112 - 20 above the floor.
    found = most_on(MUGS, Fraction(920))
    assert (found.things, found.rows) == (8 * 16, 16)
    taken = build(amend(MUGS, found.patch))
    assert len(taken.hung) == found.things
    assert not any(finding.severity.value == "stop" for finding in taken.findings)
    # A hole that is too deep is wrong in any number of rows, and bounds none.
    deep = amend(MUGS, {"holder": {"depth": "25 mm"}})
    assert most_on(deep, Fraction(920)).rows == 16


@given(brief=briefs)
@settings(max_examples=150, deadline=None)
def test_things_of_different_rows_do_not_overlap_unless_the_drop_is_held(brief: Brief) -> None:
    rack = build(amend(brief, {"rows": {"drop": None}}))
    if rack.row.trouble or len(rack.hung) > 80 or any(finding.code == "angled.meet" for finding in rack.findings):
        return
    if brief.family == "high-rails":  # of which narrow parts pass wide ones
        return
    for one, other in combinations(rack.hung, 2):
        if one.row == other.row:
            continue
        above, under = rack.kinds[one.kind], rack.kinds[other.kind]
        aside = abs(other.x - one.x) >= min(above.left + under.right, above.right + under.left)
        assert one.y - above.below >= other.y + under.above or aside or (above.round and under.round)


def test_a_derived_drop_is_no_more_than_it_has_to_be() -> None:
    brief = amend(MUGS, {"rows": {"count": 4, "layout": "staggered"}})
    rack = build(brief)
    rows = [one.row for one in rack.rows]
    least = rack.glyph.height + 8
    standing = stand(brief.rows, rows, rack.kinds, least)
    assert [one.down for one in standing] == [one.needed for one in standing]
    assert solve_row(brief).axes == rows[0].axes
