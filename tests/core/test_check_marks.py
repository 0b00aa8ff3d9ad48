"""Checking marks: each classic slip, made on purpose, is told by its name."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from tests.strategies import rows, tapes
from yardcliff.core.row.mark_check import CheckedMark, MarksError, check_marks, read_marks
from yardcliff.core.row.marking import marks
from yardcliff.core.row.row import Row
from yardcliff.core.row.row_brief import RowBrief
from yardcliff.core.row.spacing import solve
from yardcliff.core.things.thing import Reach, Thing, Things
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.length_text import read

MM, SIXTEENTH = Tape.named("1 mm"), Tape.named("1/16 in")
THICK = Fraction(21)


def row(**asked: object) -> Row:
    """Seven plates of 30 mm on 1000 mm, half a space at the ends: 71.43, then every 142.86."""
    brief = RowBrief.model_validate({"count": 7, "length": "1000 mm", "follows": "pitch", **asked})
    reach = Reach(Fraction(50), Fraction(50))
    return solve(brief, Things({"": Thing(reach)}), Reach(Fraction(15), Fraction(15)))


P = Fraction(1000, 7)


@pytest.mark.parametrize(
    ("code", "made", "says"),
    [
        ("plan", lambda i: MM.round(P / 2 + i * P), "where the plan has them"),
        ("spaces", lambda i: MM.round(P / 2 + i * 6 * P / 7), "divided by the number of hooks"),
        ("spaces", lambda i: MM.round(P / 2 + i * 6 * P / 5), "one space too few"),
        ("gap-as-pitch", lambda i: MM.round(P / 2 + i * (P - 30)), "the fixture's own 30 mm"),
        (
            "shifted",
            lambda i: MM.round(P / 2 + i * P) + 21,
            "21 mm to the right: the board's thickness",
        ),
        ("shifted", lambda i: MM.round(P / 2 + i * P) - 15, "15 mm to the left: half a fixture"),
        ("shifted", lambda i: MM.round(P / 2 + i * P) + 33, "All lie 33 mm to the right."),
        ("shifted", lambda i: MM.round(P / 2 + i * P) - 33, "All lie 33 mm to the left."),
        (
            "shifted",
            lambda i: MM.round(P / 2 + i * P) + 100,
            "100 mm to the right: the tape held at its 100",
        ),
        (
            "shifted",
            lambda i: MM.round(P / 2 + i * P) + 10,
            "10 mm to the right: the tape held at its 10 mm",
        ),
        (
            "ends-whole",
            lambda i: MM.round(Fraction(1000, 8) * (i + 1)),
            "a whole space at the ends",
        ),
        ("even", lambda i: 40 + 100 * i, "the first at 40 mm, then 100 mm"),
        ("unknown", lambda i: 40 + 17 * i * i, "none of the usual"),
    ],
)
def test_a_slip_made_on_purpose_is_named(code: str, made, says: str) -> None:  # type: ignore[no-untyped-def]
    found = check_marks([Fraction(made(i)) for i in range(7)], row(), MM, THICK)
    assert found.slip.code == code
    assert says in found.slip.says


def test_a_rounded_step_carried_along() -> None:
    # 41 in for 12: the pitch of 3.4167 in is 3 3/8 on this tape, and the last mark is 7/16 in
    # short.
    eighth = Tape.named("1/8 in")
    plan = row(count=12, length="41 in")
    first, step = eighth.round(plan.left), read("3 3/8 in")
    found = check_marks([first + i * step for i in range(12)], plan, eighth, THICK)
    assert found.slip.code == "rounded-step"
    assert "3 3/8 in where the spacing is 3 27/64 in, scant" in found.slip.says
    assert not found.marks[-1].good


def test_an_uneven_row_measured_from_the_other_end() -> None:
    ends = {"rule": "margin", "left": "100 mm", "right": "180 mm"}
    plan = row(ends=ends)
    found = check_marks([MM.round(1000 - axis) for axis in reversed(plan.axes)], plan, MM, THICK)
    assert found.slip.code == "other-end"


def test_one_mark_short_and_one_misread() -> None:
    plan = row()
    short = check_marks([MM.round(axis) for axis in plan.axes[:-1]], plan, MM, THICK)
    assert short.slip.code == "spaces"
    assert "The plan has one mark more" in short.slip.says
    assert short.missing == (6,)
    late = check_marks([MM.round(axis) for axis in plan.axes[1:]], plan, MM, THICK)
    assert (late.slip.code, late.missing) == ("spaces", (0,))
    misread = [MM.round(axis) + (10 if i == 3 else 0) for i, axis in enumerate(plan.axes)]
    found = check_marks(misread, plan, MM, THICK)
    assert (found.slip.code, found.slip.fits) == ("plan", 6)
    assert found.slip.says.endswith("1 of them is elsewhere: misread?")
    assert [mark.good for mark in found.marks] == [True] * 3 + [False] + [True] * 3
    assert found.marks[3] == CheckedMark(misread[3], 3, misread[3] - plan.axes[3], False)
    assert found.air == misread[4] - misread[3] - 100


HALF = Tape.named("0.5 mm")


@pytest.mark.parametrize(
    ("made", "code"),
    [
        # A mark may be off by a step of the tape, and even gaps by two: each its own.
        ([at + 40 for at in (0, 100, 200, 301, 402, 502, 603)], "even"),
        ([at + 40 for at in (0, 100, 200, Fraction(603, 2), 402, 502, 603)], "unknown"),
        ([P / 2 + i * P + 33 + Fraction(i % 2, 2) for i in range(7)], "shifted"),
        ([P / 2 + i * P + 33 + Fraction(i % 2, 2) * Fraction(3, 2) for i in range(7)], "unknown"),
        # One in five may be misread: two of ten, not three of ten.
        ([50 + 100 * i + (37 if i in (2, 5) else 0) for i in range(10)], "plan"),
        ([50 + 100 * i + (37 if i in (2, 5, 7) else 0) for i in range(10)], "unknown"),
    ],
)
def test_how_far_off_a_mark_may_be(made: list[Fraction], code: str) -> None:
    found = check_marks(sorted(map(Fraction, made)), row(count=len(made)), HALF, THICK)
    assert found.slip.code == code
    assert code != "unknown" or found.slip.fits == 0


def test_a_mark_a_step_off_is_good_and_two_things_have_air_between_them() -> None:
    plan = row(count=2)
    left, right = plan.axes
    found = check_marks([left + HALF.step, right], plan, HALF, THICK)
    assert found.marks[0] == CheckedMark(left + HALF.step, 0, HALF.step, True)
    assert found.air == right - left - HALF.step - 100


def test_one_mark_or_two_are_no_scheme() -> None:
    (axis,) = row(count=1).axes
    assert check_marks([axis + 33], row(count=1), HALF, THICK).slip.code == "unknown"
    left, right = row(count=2).axes
    assert check_marks([left + 33, right + 70], row(count=2), HALF, THICK).slip.code == "unknown"
    both = check_marks([left + 33, right + Fraction(67, 2)], row(count=2), HALF, THICK)
    assert both.slip.says == "All lie 33 mm to the right."


def test_what_hangs_on_two_holders_has_two_marks_and_its_air_about_their_middle() -> None:
    """Two towels of 120 mm on holders 400 mm apart."""

    def planned(rule: str) -> Row:
        asked = {"count": 2, "length": "1200 mm", "follows": "pitch", "ends": {"rule": rule}}
        towel = Thing(Reach(Fraction(60), Fraction(60)), takes="bridge", span=Fraction(400))
        nine = Reach(Fraction(9), Fraction(9))
        return solve(RowBrief.model_validate(asked), Things({"": towel}), nine)

    plan, other = planned("half"), planned("whole")
    a, b, c, d = plan.axes
    found = check_marks([a, b + 8, c, d], plan, MM, THICK)
    assert found.air == (c + d) / 2 - (a + b + 8) / 2 - 120
    assert check_marks(other.axes, plan, MM, THICK).slip.code == "ends-whole"
    short = check_marks([a, b, c], plan, MM, THICK)
    assert (short.slip.code, short.missing, short.air) == ("spaces", (3,), None)


@pytest.mark.parametrize(
    ("text", "tape", "expected"),
    [
        ("121, 362, 604", MM, ("121", "362", "604")),
        ("121,362,604", MM, ("121", "362", "604")),
        ("604\n121;362", MM, ("121", "362", "604")),
        ("12,5; 20", MM, ("12.5", "20")),
        ("121 362.5 604", MM, ("121", "362.5", "604")),
        ("6 3/4, 13 1/2", SIXTEENTH, ("6 3/4 in", "13 1/2 in")),
        ("5 10 15", SIXTEENTH, ("5 in", "10 in", "15 in")),
        ("5,10,15", SIXTEENTH, ("5 in", "10 in", "15 in")),
        ("0, 0.5", MM, ("0", "0.5")),
        ("7 " * 400, MM, ("7",) * 400),
        ("1' 2 1/2\", 40 cm", SIXTEENTH, ("14 1/2 in", "40 cm")),
    ],
)
def test_marks_are_read_as_people_write_them(
    text: str, tape: Tape, expected: tuple[str, ...]
) -> None:
    assert read_marks(text, tape) == [read(one, "mm") for one in expected]


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("", "No marks"),
        ("12, here, 14", "“here”"),
        ("-4; 5", "before the red corner"),
        ("1 " * 401, "401"),
    ],
)
def test_what_is_no_list_of_marks_is_said(text: str, says: str) -> None:
    with pytest.raises(MarksError, match=says):
        read_marks(text, MM)


@given(brief=rows, tape=tapes, half=st.integers(1, 80))
@cases(150)
def test_a_plans_own_readings_are_always_as_planned(brief: RowBrief, tape: Tape, half: int) -> None:
    reach = Reach(Fraction(half), Fraction(half))
    plan = solve(brief, Things({"": Thing(reach)}), Reach(Fraction(9), Fraction(9)))
    if any(b <= a for a, b in zip(plan.axes, plan.axes[1:], strict=False)):
        return
    found = check_marks([mark.reading for mark in marks(plan, tape)], plan, tape, THICK)
    assert found.slip.code == "plan"
    assert found.slip.fits == plan.holders
    assert all(mark.good for mark in found.marks)
    assert found.missing == ()
