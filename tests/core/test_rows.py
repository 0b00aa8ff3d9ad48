"""Several rows: nothing hangs in front of anything else, and nothing is hung lower than it has to
be.
"""

from itertools import combinations
from typing import Any

from hypothesis import given

from tests.cases import cases
from tests.metric import starting_brief
from tests.strategies import briefs
from yardcliff.core.design.capacity import most_on
from yardcliff.core.design.change import amend, dump
from yardcliff.core.design.rack_design import design
from yardcliff.core.rack import Kind
from yardcliff.core.row.rows import stand
from yardcliff.core.units.exact import Fraction
from yardcliff.core.wall.bending import beam_of
from yardcliff.core.wall.survey import Site
from yardcliff.core.wall.wall import Wall
from yardcliff.core.ways import Brief, build, solve_row
from yardcliff.data import values

BARE = Site("Bare", Wall(width=Fraction(4000)))
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
    # 120 aside leaves 30 between mugs of 90: only the fixtures keep the rows apart, and row 3
    # clears row 1.
    fixture = build(loose).glyph.height + 8
    assert drops(loose) == [0, fixture, 150]
    tight = amend(MUGS, {"rows": {"count": 2, "layout": "staggered"}})
    assert drops(tight) == [0, 150], "60 aside does not"


def test_an_offset_row_runs_to_the_ends_where_there_is_room() -> None:
    ends = {
        "row": {"ends": {"rule": "whole"}},
        "rows": {"count": 2, "layout": "staggered", "stagger": "ends"},
    }
    rack = build(amend(MUGS, ends))
    assert [one.row.holders for one in rack.rows] == [8, 9]
    assert rack.rows[1].row.axes[0] == rack.row.axes[0] - rack.row.t / 2


def test_round_things_nest() -> None:
    coil = {"left": "50 mm", "right": "50 mm", "above": "50 mm", "below": "50 mm", "round": True}
    rings = amend(
        MUGS,
        {
            "item": coil,
            "row": {"air": "10 mm", "pitch": "110 mm"},
            "rows": {"count": 2, "layout": "staggered"},
        },
    )
    # Centres 110 apart, 55 of it sideways: sqrt(110^2 - 55^2).
    assert abs(float(drops(rings)[1]) - 95.2628) < 1e-3
    assert drops(amend(rings, {"item": {"round": False}}))[1] == 120


def test_a_row_of_its_own_kind_takes_the_most_that_fit_or_what_is_said() -> None:
    ladle = dump(starting_brief("ladle", 1, "1 mm"))["item"]
    own = amend(
        MUGS, {"others": {"ladle": ladle}, "rows": {"count": 2, "own": [{}, {"kind": "ladle"}]}}
    )
    rack = build(own)
    assert {one.kind for one in rack.hung if one.row == 1} == {"ladle"}
    assert rack.rows[1].row.count == rack.row.length // (90 + 25)
    three = build(amend(own, {"rows": {"own": [{}, {"kind": "ladle", "count": 3}]}}))
    assert three.rows[1].row.count == 3


def test_the_most_on_a_wall() -> None:
    # Eight mugs of 90 with 25 between take 920; 16 rows of 150 reach down to 2500 - 15 x 150 - 112
    # - 20 above the floor.
    found = most_on(MUGS, Fraction(920))
    assert (found.things, found.rows) == (8 * 16, 16)
    taken = build(amend(MUGS, found.patch))
    assert len(taken.hung) == found.things
    assert not any(finding.severity.value == "stop" for finding in taken.findings)
    # A hole that is too deep is wrong in any number of rows, and bounds none.
    deep = amend(MUGS, {"holder": {"depth": "25 mm"}})
    assert most_on(deep, Fraction(920)).rows == 16


@given(brief=briefs)
@cases(150)
def test_things_of_different_rows_do_not_overlap_unless_the_drop_is_held(brief: Brief) -> None:
    rack = build(amend(brief, {"rows": {"drop": None}}))
    if (
        any(one.row.trouble for one in rack.rows)
        or len(rack.hung) > 80
        or any(finding.code == "angled.meet" for finding in rack.findings)
    ):
        return
    if brief.family == "high-rails":  # of which narrow parts pass wide ones
        return
    for one, other in combinations(rack.hung, 2):
        if one.row == other.row:
            continue
        above, under = rack.kinds[one.kind], rack.kinds[other.kind]
        beside = min(above.left + under.right, above.right + under.left)
        aside = abs(other.x - one.x) >= beside + min(brief.row.air, Fraction(0))
        assert (
            one.y - above.below >= other.y + under.above or aside or (above.round and under.round)
        )


def test_a_derived_drop_is_no_more_than_it_has_to_be() -> None:
    brief = amend(MUGS, {"rows": {"count": 4, "layout": "staggered"}})
    rack = build(brief)
    rows = [one.row for one in rack.rows]
    least = rack.glyph.height + 8
    standing = stand(brief.rows, rows, rack.kinds, least, {})
    assert [one.down for one in standing] == [one.needed for one in standing]
    assert solve_row(brief).axes == rows[0].axes


def listed(key: str) -> dict[str, Any]:
    return {
        name: value
        for name, value in values("holders", key).items()
        if name not in ("key", "name", "source")
    }


def test_keys_hang_on_small_hooks_or_pegs_below_coats_on_large_ones() -> None:
    keys = dump(starting_brief("room-key", 1, "1 mm"))["item"]
    two: dict[str, Any] = {
        "others": {"key": keys},
        "rows": {"count": 2, "boards": "each", "own": [{}, {"kind": "key", "count": 9}]},
    }
    coats = amend(starting_brief("waxed-jacket", 4, "1 mm"), two)
    hooks = build(amend(coats, {"holders": {"2": listed("key-hook")}}))
    assert not hooks.findings
    # Each row is spaced by its own plates, and each board has its own pilots: two of 3 a hook, two
    # of 2 a small one.
    assert [one.row.fixture.across for one in hooks.rows] == [30, 14]
    assert [
        (one.parts, len(one.places), one.size) for one in hooks.machining if one.kind is Kind.PILOT
    ] == [(("board-1",), 8, 3), (("board-2",), 18, 2)]
    assert {hooks.glyphs[one.glyph].height for one in hooks.holders if one.row == 1} == {34}
    # Below the first: how far coats hang below their hooks and reach, less how far keys hang below
    # theirs and stand above.
    first, small = (
        build(one)
        for one in (
            coats,
            amend(starting_brief("room-key", 1, "1 mm"), {"holder": listed("key-hook")}),
        )
    )
    under = {one.kind: one for one in hooks.hung}
    assert under[""].y - hooks.kinds[""].below - 20 == under["key"].y + hooks.kinds["key"].above
    assert hooks.rows[1].y - under["key"].y == small.rows[0].y - small.hung[0].y
    assert first.rows[0].y == hooks.rows[0].y
    # What hangs there is what pulls there: keys at the small hooks, whose links are said apart.
    assert {link.name for link in hooks.links} >= {"hook's screws", "hook's screws, row 2"}
    # Another kind begins anew, and what is wrong with it is the row's, as what settles it.
    pegs = amend(
        amend(coats, {"holders": {"2": listed("key-hook")}}),
        {"holders": {"2": {"kind": "peg", "diameter": "12 mm", "depth": "25 mm"}}},
    )
    deep = [finding for finding in build(pegs).findings if finding.code == "peg.through"]
    assert [finding.part for finding in deep] == ["Row 2: Peg hole"]
    assert "peg.through" not in {
        one.code for one in build(amend(pegs, deep[0].fixes[0].patch)).findings
    }
    assert amend(pegs, {"holders": {"2": None}}) == coats
    # A row that hangs what the first hangs keeps its marks, whatever holds it.
    alike = build(
        amend(
            starting_brief("enamel-mug", 6, "1 mm"),
            {"rows": {"count": 2}, "holders": {"2": listed("peg-12")}},
        )
    )
    assert alike.rows[1].row.axes == alike.rows[0].row.axes
    assert alike.says == "12 enamel mugs on dowel pegs in 2 rows"


def test_each_board_is_weakened_by_what_is_bored_into_it() -> None:
    two = {
        "rows": {"count": 2, "boards": "each"},
        "holders": {"2": listed("peg-20")},
        "board": {"height": "120 mm"},
    }
    done = design(
        amend(starting_brief("waxed-jacket", 4, "1 mm"), {**two, "place": {"wall": "a1"}}), BARE
    )
    # Pilots of 3 in the first, pegs of 20 in the second: so much less of 120 bears.
    beams = [beam_of(done.rack, one.body, [], ()) for one in done.on_wall.fixed]
    assert [beam.wide for beam in beams] == [117, 100]
