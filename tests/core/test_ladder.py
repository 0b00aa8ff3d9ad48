"""The ladder: every rung is the row it says, and taking it gives that row."""

import pytest
from hypothesis import given

from tests.cases import cases
from tests.metric import starting_brief
from tests.strategies import briefs
from yardcliff.core.design.change import amend
from yardcliff.core.findings.patch import BriefError
from yardcliff.core.row.count_ladder import ladder
from yardcliff.core.row.rows import RowsBrief
from yardcliff.core.ways import Brief, solve_row


@given(brief=briefs)
@cases(150)
def test_taking_a_rung_gives_the_row_it_shows(brief: Brief) -> None:
    row = solve_row(brief)
    rungs = ladder(row, brief.rows)
    counts = [rung.row.count for rung in rungs]
    assert counts == list(range(counts[0], counts[0] + 7))
    assert [rung.chosen for rung in rungs].count(True) == 1
    for rung in rungs:
        if rung.chosen:
            assert rung.row is row
            continue
        try:
            taken = solve_row(amend(brief, rung.patch))
        except BriefError:
            assert row.length > 30_000, "only a board beyond all bounds is refused"
            continue
        assert taken.count == rung.row.count
        if brief.row.follows == rung.row.brief.follows:
            assert (taken.length, taken.pitch, taken.axes) == (
                rung.row.length,
                rung.row.pitch,
                rung.row.axes,
            )


@pytest.mark.parametrize(
    ("length", "verdicts"),
    [
        # Six jackets of 230 with 30 between: 1560 holds six, 1380 holds them touching, less does
        # not.
        ("1560", ["fits", "fits", "fits", "fits", "bumps", "bumps", "bumps"]),
        ("1450", ["fits", "fits", "fits", "tight", "bumps", "bumps", "bumps"]),
        ("1379", ["fits", "fits", "fits", "bumps", "bumps", "bumps", "bumps"]),
    ],
)
def test_verdicts_by_hand(length: str, verdicts: list[str]) -> None:
    row = solve_row(amend(starting_brief("waxed-jacket", 6, "1 mm"), {"row": {"length": length}}))
    assert [rung.verdict for rung in ladder(row, RowsBrief())] == verdicts


def test_every_row_and_the_wall_count_and_places_kept_free_do_not() -> None:
    # Row 2 has eight mugs of its own on the board that the count of the first makes, 115 a mug: 920
    # are enough, 805 nearly.
    patch = {"rows": {"count": 3, "own": [{}, {"kind": "", "count": 8}]}, "row": {"spares": 1}}
    brief = amend(starting_brief("enamel-mug", 5, "1 mm"), patch)
    row = solve_row(brief)
    rungs = ladder(row, brief.rows, row.length)
    assert [(rung.row.count, rung.hang) for rung in rungs] == [
        (n, 2 * (n - 1) + 8) for n in range(2, 9)
    ]
    assert [rung.verdict for rung in rungs] == ["bumps"] * 5 + ["too long"] * 2
    assert [rung.verdict for rung in ladder(row, brief.rows)][-3:] == ["bumps", "tight", "fits"]


def test_ends_that_eat_the_board_leave_no_room_on_any_rung() -> None:
    patch = {"row": {"length": "300", "ends": {"rule": "margin", "left": "200", "right": "200"}}}
    row = solve_row(amend(starting_brief("waxed-jacket", 6, "1 mm"), patch))
    assert {rung.verdict for rung in ladder(row, RowsBrief())} == {"no room"}
