"""Exact lengths: what people write is read, what is written is read back, rounding is fair."""

from math import floor

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.strategies import lengths, tapes
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, exact_text, nearest
from yardcliff.core.units.length_text import INCH, LengthError, Unit, read


@pytest.mark.parametrize(
    ("text", "inches"),
    [
        ("6 3/4", "27/4"),
        ('6-3/4"', "27/4"),
        ("6.75 in", "27/4"),
        ("6,75", "27/4"),
        ("6¾", "27/4"),
        ("6 ¾ inches", "27/4"),
        ("6⁄8", "3/4"),
        ("½", "1/2"),
        (".5", "1/2"),
        ("3/4", "3/4"),
        ("1' 2 1/2\"", "29/2"),
        ("1′ 2½″", "29/2"),
        ("1’ 2 1/2”", "29/2"),
        ("1 ft 6", "18"),
        ("2 feet", "24"),
        ("3 1/2 + 3/4", "17/4"),
        ("48 in - 2*3/4 in", "93/2"),
        ("-(1 1/2 in-1/4 in) - 1/16 in", "-21/16"),
        ("2*(3 in + (1/4 in))", "13/2"),
        ("48 in − 2 × 3/4 in", "93/2"),
        ("6 - 3/4", "21/4"),
        ("-3 in", "-3"),
        ("758*1/16 in", "379/8"),
        ("1 ft - 1 in", "11"),
    ],
)
def test_reads_inches(text: str, inches: str) -> None:
    assert read(text, "in") == Fraction(inches) * INCH


@pytest.mark.parametrize(
    ("text", "mm"),
    [
        ("171 mm", "171"),
        ("17.1 cm", "171"),
        ("1.2 m", "1200"),
        ("1 200", "1200"),
        ("1\u202f200 mm", "1200"),
        ("0,5", "1/2"),
        ("12,5 cm", "125"),
        ("1 m - 3*21 mm", "937"),
        ("1200 mm + 2 in", "1250.8"),
        ("10 / 4", "5/2"),
    ],
)
def test_reads_millimetres(text: str, mm: str) -> None:
    assert read(text, "mm") == Fraction(mm)


@pytest.mark.parametrize("unit", ["in", "mm"])
@pytest.mark.parametrize(
    ("text", "names"),
    [
        ("", "nothing is written"),
        ("  ", "nothing is written"),
        ("abc", "“abc” is no number"),
        ("6 3/0", "0 below the line"),
        ("5 yards", "“yards” is left over"),
        ("3 in * 2 in", "area"),
        ("4 +", "a number is missing"),
        ("1,250", "could be 1250 or 1.25"),
        ("1 ft 3 mm", "cannot follow feet"),
        ("12 3/4 5", "left over"),
        ("-(12", "“(” is left over"),
        ("12)", "“)” is left over"),
        ("()", "no number"),
        ("{0}%s", "is no number"),
        ("9" * 100, "longer than 80"),
    ],
)
def test_quotes_what_it_cannot_read_and_shows_two_examples(
    text: str, names: str, unit: Unit
) -> None:
    with pytest.raises(LengthError) as caught:
        read(text, unit)
    message = str(caught.value)
    assert names in message
    assert text.strip()[:70] in message
    assert message.count("“") >= 3, "the text and two examples are quoted"
    assert read(message.rsplit("“", 1)[1].split("”")[0], unit) > 0, "the example can be read"


@pytest.mark.parametrize(
    ("text", "either"),
    [
        ("1.200 mm", "1200 or 1.2"),
        ("1.225", "1225 or 1.2250"),
        ("2*12.345 mm", "12345 or 12.3450"),
        ("9,000", "9000 or 9"),
    ],
)
def test_a_point_that_could_group_thousands_is_asked_about(text: str, either: str) -> None:
    with pytest.raises(LengthError, match=f"could be {either}; write one of these"):
        read(text)
    for one in either.split(" or "):
        read(one)  # what is offered is not asked about again


def test_a_decimal_of_a_larger_unit_or_of_inches_is_no_thousand() -> None:
    assert [read(text) for text in ("1.200 m", "0.125 mm", "1.5875 mm", "1.125 in")] == [
        1200,
        Fraction(1, 8),
        Fraction(127, 80),
        Fraction(9, 8) * INCH,
    ]
    assert read("2.250", "in") == Fraction(9, 4) * INCH


@given(value=lengths(0, 20_000), unit=st.sampled_from(["in", "mm"]))
def test_exact_text_reads_back(value: Fraction, unit: Unit) -> None:
    assert read(exact_text(value), unit) == value
    assert read(exact_text(-value), unit) == -value


@given(value=lengths(0, 20_000), tape=tapes)
def test_a_tape_reads_back_to_its_nearest_step(value: Fraction, tape: Tape) -> None:
    for feet in (False, True):
        shown = read(tape.write(value, feet=feet), tape.unit)
        assert shown == tape.round(value)
        assert shown % tape.step == 0
    assert abs(tape.round(value) - value) <= tape.step / 2
    assert abs(read(tape.write_given(value), tape.unit) - value) <= max(
        tape.step / 2, Fraction(1, 200)
    )
    size, *off = tape.write_fine(value).removeprefix("under ").split(", ")
    if tape.write_fine(value).startswith("under"):
        assert 0 < value < (INCH / 128 if tape.unit == "in" else Fraction(1, 20))
        return
    error = read(size, tape.unit) - value
    assert abs(error) <= (INCH / 128 if tape.unit == "in" else Fraction(1, 20))
    # What is no 64th is told to be a little less, or a little more.
    assert off == ([] if tape.unit == "mm" or not error else ["scant" if error > 0 else "full"])


@given(value=lengths(0, 20_000), tape=tapes)
def test_half_a_step_is_rounded_up_so_that_equal_steps_look_equal(
    value: Fraction, tape: Tape
) -> None:
    assert nearest(value, tape.step) == floor(value / tape.step + Fraction(1, 2)) * tape.step
    halves = [tape.step * (2 * k + 1) / 2 for k in range(6)]
    assert [nearest(half, tape.step) for half in halves] == [tape.step * k for k in range(1, 7)]


@pytest.mark.parametrize(
    ("name", "mm", "text", "with_feet"),
    [
        ("1/16 in", "366.7125", "14 7/16 in", "1 ft 2 7/16 in"),
        ("1/16 in", "609.6", "24 in", "2 ft"),
        ("1/8 in", "0", "0 in", "0 in"),
        ("1/64 in", "0.396875", "1/64 in", "1/64 in"),
        ("1 mm", "1200.5", "1201 mm", "1201 mm"),
        ("0.5 mm", "1200.5", "1200.5 mm", "1200.5 mm"),
        ("1 mm", "-12", "-12 mm", "-12 mm"),
    ],
)
def test_writes_as_the_tape_shows(name: str, mm: str, text: str, with_feet: str) -> None:
    tape = Tape.named(name)  # type: ignore[arg-type]
    assert tape.write(Fraction(mm)) == text
    assert tape.write(Fraction(mm), feet=True) == with_feet


def test_a_bit_keeps_its_own_unit_on_an_inch_tape() -> None:
    tape = Tape.named("1/16 in")
    assert tape.write_fine(Fraction(5, 2)) == "2.5 mm"
    assert tape.write_fine(INCH * 9 / 64) == "9/64 in"
    assert tape.write_fine(Fraction(100, 3)) == "1 5/16 in, scant"
