"""Marks that someone else worked out, or that are on the board already, held against the planned
row.

Each classic slip predicts where the marks would be. The simplest one that predicts them all, but
for the odd misreading, is named; so is the scheme that they follow where it is another than the
plan's.
"""

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise

from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.row.row import Row
from yardcliff.core.row.row_brief import Ends
from yardcliff.core.row.spacing import solve
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.length_text import INCH, LengthError, Unit, read
from yardcliff.messages import tr

MOST = 400
HELD: dict[Unit, tuple[Fraction, ...]] = {"mm": (Fraction(100), Fraction(10)), "in": (INCH,)}
"""Where a tape is held whose hook is worn, and then forgotten, mm."""
ZERO = Fraction(0)


class MarksError(YardcliffError, ValueError):
    """Text that is no list of marks; quotes the piece that cannot be read."""


@dataclass(frozen=True, slots=True)
class CheckedMark:
    """A mark as given, mm from the datum, and the planned one it stands for; `off` is positive to
    the right.
    """

    given: Fraction
    planned: int | None
    off: Fraction
    good: bool


@dataclass(frozen=True, slots=True)
class Slip:
    """What the marks look like: `code` is stable, `fits` of the marks are where it
    would put them.
    """

    code: str
    title: str
    says: str
    fits: int


@dataclass(frozen=True, slots=True)
class Checked:
    """`air` is the least between the things if the marks are used as they are; None where they do
    not pair.
    """

    marks: tuple[CheckedMark, ...]
    missing: tuple[int, ...]
    slip: Slip
    air: Fraction | None


def read_marks(text: str, tape: Tape) -> list[Fraction]:
    """Lengths from the datum between commas, semicolons, tabs or on lines of their own; bare ones
    in the tape's unit.

    Spaces alone separate plain numbers (`121 362 604`) but belong to a fraction (`6 3/4`). Raises
    `MarksError`.
    """
    found: list[Fraction] = []
    for piece in re.split(r"[\n;\t]|,\s+|,$", text):
        found += _read_piece(piece.strip(), tape)
    if not found:
        raise MarksError(tr("row.no-marks-written-write-them-from"))
    if len(found) > MOST:
        raise MarksError(tr("row.marks-more-than-can-be-checked", count=len(found), most=MOST))
    wrong = next((mark for mark in found if mark < 0), None)
    if wrong is not None:
        raise MarksError(tr("row.lies-before-datum-mark-0-or", wrong=tape.write(wrong)))
    return sorted(found)


def _read_piece(piece: str, tape: Tape) -> list[Fraction]:
    if not piece:
        return []
    # Three figures or more in a row are no mixed fraction and no thousands: 121 362 604.
    if re.fullmatch(r"\d+(?:[.,]\d+)?(?:\s+\d+(?:[.,]\d+)?)+", piece):
        return [read(number, tape.unit) for number in piece.split()]
    if re.fullmatch(r"\d+(?:,\d+){2,}", piece):
        return [read(number, tape.unit) for number in piece.split(",")]
    try:
        return [read(piece, tape.unit)]
    except LengthError as error:
        raise MarksError(str(error)) from None


def check_marks(given: Sequence[Fraction], row: Row, tape: Tape, thickness: Fraction) -> Checked:
    """Hold `given` marks (mm from the datum, growing) against the planned row on a board of that
    thickness.
    """
    slip = _slip(given, row, tape, thickness)
    alike = len(given) == row.holders
    partners = dict(enumerate(range(row.holders))) if alike else _nearest(given, row.axes)
    marks = []
    for k, at in enumerate(given):
        planned = partners.get(k)
        off = ZERO if planned is None else at - row.axes[planned]
        marks.append(CheckedMark(at, planned, off, planned is not None and abs(off) <= tape.step))
    missing = tuple(i for i in range(row.holders) if i not in partners.values())
    return Checked(tuple(marks), missing, slip, _air(given, row))


def _nearest(given: Sequence[Fraction], axes: Sequence[Fraction]) -> dict[int, int]:
    """Each given mark with the planned one nearest to it, where that one is not nearer
    to another.
    """
    pairs: dict[int, int] = {}
    for k, at in enumerate(given):
        planned = min(range(len(axes)), key=lambda i: abs(axes[i] - at))
        closest = min(range(len(given)), key=lambda j: abs(given[j] - axes[planned]))
        if closest == k:
            pairs[k] = planned
    return pairs


def _air(given: Sequence[Fraction], row: Row) -> Fraction | None:
    """The least clear gap between the things, hung on the marks as they are."""
    if len(given) != row.holders or row.count < 2:
        return None
    firsts = row.rule.first_holder
    centres = [
        (given[i] + given[i + 1]) / 2 if thing.takes == "bridge" else given[i]
        for thing, i in zip(row.things, firsts, strict=True)
    ]
    sides = list(zip(row.things, centres, strict=True))
    return min(
        b - two.reach.left - a - thing.reach.right for (thing, a), (two, b) in pairwise(sides)
    )


def _slip(given: Sequence[Fraction], row: Row, tape: Tape, thickness: Fraction) -> Slip:
    found: Slip | None = None
    for code, title, says, predicted in _hypotheses(len(given), row, tape, thickness):
        fits = sum(abs(a - b) <= tape.step for a, b in zip(given, predicted, strict=True))
        # One reading in five may be wrong by itself; a later idea must fit more to displace an
        # earlier one.
        if fits * 5 >= len(given) * 4 and (found is None or fits > found.fits):
            found = Slip(code, title, says, fits)
    if found is None or found.fits < len(given):
        found = _regular(given, row, tape) or found
    if found is None:
        says = tr("row.they-follow-none-usual-schemes-or")
        return Slip("unknown", tr("row.no-scheme-that-is-known-here"), says, 0)
    rest = len(given) - found.fits
    if rest:
        found = replace(found, says=tr("row.of-them-elsewhere-misread", scheme=found.says, n=rest))
    return found


def _regular(given: Sequence[Fraction], row: Row, tape: Tape) -> Slip | None:
    """Marks that are all off by the same, or even among themselves."""
    offs = [a - b for a, b in zip(given, row.axes, strict=False)]
    if len(given) == row.holders and len(given) > 1 and max(offs) - min(offs) <= tape.step:
        by = tape.write(abs(offs[0]))
        side = row.run.onward if offs[0] > 0 else row.run.back
        return Slip(
            "shifted", tr("row.all-shifted-alike"), tr("row.all-lie", by=by, side=side), len(given)
        )
    gaps = [b - a for a, b in pairwise(given)]
    if len(gaps) > 1 and max(gaps) - min(gaps) <= 2 * tape.step:
        pitch = tape.write((given[-1] - given[0]) / len(gaps))
        says = tr("row.they-even-first-at-then-from", given=tape.write(given[0]), pitch=pitch)
        return Slip("even", tr("row.an-even-row-of-its-own"), says, len(given))
    return None


Hypothesis = tuple[str, str, str, Sequence[Fraction]]


def _hypotheses(count: int, row: Row, tape: Tape, thickness: Fraction) -> Iterator[Hypothesis]:
    """What so many marks may look like, the likeliest first: (code, title, what to say, the marks
    it predicts).
    """
    axes = row.axes
    if count == row.holders:
        yield "plan", tr("row.as-planned"), tr("row.marks-where-plan-has-them"), axes
        yield (
            "other-end",
            tr("row.measured-from-the-other-end"),
            tr("row.they-plans-marks-with-tape-hooked", end=row.run.end),
            [row.length - axis for axis in reversed(axes)],
        )
        yield from _shifted(row, tape, thickness)
    elif count == row.holders - 1 > 0:
        says = tr("row.marks-spaces-counted-as-holders-plan", count=count, holders=row.holders - 1)
        yield "spaces", tr("row.spaces-counted-as-holders"), says, axes[:-1]
        yield "spaces", tr("row.spaces-counted-as-holders"), says, axes[1:]
    if count >= 2 and not row.airy:
        yield from _stepped(count, row, tape)
    yield from _schemes(count, row)


def _shifted(row: Row, tape: Tape, thickness: Fraction) -> Iterator[Hypothesis]:
    """The plan's marks, all moved by something that was forgotten or added."""
    for by, what in (
        (thickness, tr("row.boards-thickness-forgotten-or-added-twice")),
        (row.fixture.left, tr("row.half-fixture-marked-at-its-edge")),
        *((held, tr("row.tape-held-at-its", held=tape.write(held))) for held in HELD[tape.unit]),
    ):
        for sign, side in ((1, row.run.onward), (-1, row.run.back)):
            says = tr("row.all-lie-2", by=tape.write(by), side=side, what=what)
            yield (
                "shifted",
                tr("row.all-shifted-alike"),
                says,
                [axis + sign * by for axis in row.axes],
            )


def _stepped(count: int, row: Row, tape: Tape) -> Iterator[Hypothesis]:
    """Marks made by stepping a pitch along: a rounded one, or one divided by the wrong number."""
    write, first = tape.write, row.axes[0]
    rounded = tape.round(row.t)
    if rounded != row.t:
        yield (
            "rounded-step",
            tr("row.a-rounded-step-carried-along"),
            tr(
                "row.they-step-where-pitch-error-grows",
                step=write(rounded),
                pitch=tape.write_fine(row.t),
            ),
            [tape.round(first) + i * rounded for i in range(count)],
        )
    run = row.axes[-1] - first
    for spaces, says in (
        (row.holders, tr("row.run-was-divided-by-number-holders")),
        (row.holders - 2, tr("row.run-was-divided-by-one-space")),
    ):
        if spaces > 0:
            step = run / spaces
            yield (
                "spaces",
                tr("row.spaces-counted-as-holders"),
                says,
                [first + i * step for i in range(count)],
            )
    if row.fixture.across:
        clear = row.t - row.fixture.across
        yield (
            "gap-as-pitch",
            tr("row.the-gap-used-as-the-pitch"),
            tr(
                "row.they-step-clear-gap-between-fixtures",
                clear=write(clear),
                across=write(row.fixture.across),
            ),
            [first + i * clear for i in range(count)],
        )


def _schemes(count: int, row: Row) -> Iterator[Hypothesis]:
    """The other end rules, and any even row at all."""
    names = {
        "half": tr("row.half-a-space-at-the-ends"),
        "whole": tr("row.a-whole-space-at-the-ends"),
        "gaps": tr("row.equal-gaps-between-fixtures-ends"),
        "inside": tr("row.nothing-past-the-boards-ends"),
    }
    things = count * row.count // row.holders  # what hangs on two holders has two marks
    for rule, name in names.items():
        if things < 1 or (rule == row.brief.ends.rule and count == row.holders):
            continue
        asked = row.brief.changed(
            {
                "ends": Ends.model_validate({"rule": rule}),
                "follows": "pitch",
                "length": row.length,
                "count": things,
                "pins": (),
                "keepouts": (),
            }
        )
        other = solve(asked, row.things_of, row.fixture)
        if not other.trouble and other.holders == count:
            yield (
                f"ends-{rule}",
                tr("row.another-rule-for-the-ends"),
                tr("row.they-even-with-plan-has-another", name=name),
                other.axes,
            )
