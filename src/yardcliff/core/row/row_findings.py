"""What is wrong with a solved row, and the smallest changes that would put it right."""

from collections.abc import Iterator

from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.row.choice_findings import choices
from yardcliff.core.row.closeness import Words, too_close
from yardcliff.core.row.fixes import (
    keep_inside,
    let_go,
    let_go_at,
    let_go_or_all,
    longer,
    room_for_one,
    row_patch,
    up,
)
from yardcliff.core.row.keepout_findings import check_keepouts
from yardcliff.core.row.length_findings import NONE, disagree, no_room, too_long
from yardcliff.core.row.row import Row
from yardcliff.core.row.spacing import most_that
from yardcliff.core.things.thing import Run
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, exact_text
from yardcliff.messages import tr


def check(
    row: Row,
    tape: Tape,
    words: Words,
    end_distance: Fraction = NONE,
    end_why: str = "",
    bored: Fraction = NONE,
) -> Iterator[Finding]:
    """Findings of a row, the gravest first; `at` is (axis x, 0). A holder's holes reach so far from
    its axis as is `bored`.
    """
    noun = words.noun
    yield from _pins(row, words)
    if row.trouble == "no-room":
        yield no_room(row, tape, noun)
        return
    if row.trouble == "too-long":
        yield too_long(row, tape, noun)
        return
    if row.brief.follows == "nothing" and row.spare:
        yield disagree(row, tape, noun)
    off, close = [*_off_board(row, tape, words)], [*too_close(row, tape, words)]
    yield from (*off, *close)
    yield from check_keepouts(row, tape, words)
    # How near the ends are is looked at once the row itself stands; where no wood is left, at once.
    ends = _ends(row, tape, words, end_distance, end_why, bored)
    yield from (finding for finding in ends if not off and not (close and finding.left))
    yield from _bridges(row, tape, words)
    yield from choices(row, tape)


def _pins(row: Row, words: Words) -> Iterator[Finding]:
    stray = [pin for pin in row.brief.pins if pin.index >= row.holders]
    if stray:
        yield Finding(
            "pin.stray",
            tr("part.pin-number", number=stray[0].index + 1),
            tr("pin.stray", holder=words.holder, number=stray[0].index + 1),
            tr("quantity.holders"),
            str(row.holders),
            str(stray[0].index + 1),
            fixes=(let_go(row, *stray),),
        )
    for k in range(len(row.gaps) if row.pins else 0):
        if row.gaps[k] <= 0:
            held = [p for p in row.pins if p.index in (k, k + 1)] or list(row.pins)
            yield Finding(
                "pin.order",
                words.at(k + 1),
                tr("pin.order", holder=words.at(k + 1), before=k + 1),
                tr("quantity.from-the-one-before"),
                row.gaps[k],
                Fraction(0),
                at=(float(row.axes[k + 1]), 0),
                fixes=let_go_or_all(row, held[-1]),
            )
            return


def _off_board(row: Row, tape: Tape, words: Words) -> list[Finding]:
    over_left = row.fixture.left - row.axes[0]
    over_right = row.axes[-1] + row.fixture.right - row.length
    if max(over_left, over_right) <= 0:
        return []
    index = 0 if over_left > over_right else row.holders - 1
    whole, body = row.rule.span(row.t), row.fixture.across
    fit = most_that(
        lambda one: one.rule.span(one.asked) + body <= row.length,
        row.brief,
        row.things_of,
        row.fixture,
    )
    fit = max(1, min(row.count - 1, fit))
    shared = row.brief.follows in ("ends", "nothing")
    fixes = (
        let_go_at(row, index)
        or room_for_one(row, tape)
        or (
            *(() if shared else (keep_inside(row),)),
            *longer(
                row, tape, whole + max(row.pitch, row.fixture.across), "ends" if shared else ""
            ),
            Fix(words.noun(fit), row_patch(count=fit, follows="ends")),
        )
    )
    return [
        Finding(
            "row.off-board",
            words.at(index),
            tr(
                "row.off-board", holder=words.at(index), past=tape.write(max(over_left, over_right))
            ),
            tr("quantity.past-the-end"),
            max(over_left, over_right),
            Fraction(0),
            at=(float(row.axes[index]), 0),
            fixes=fixes,
        )
    ]


def _bridges(row: Row, tape: Tape, words: Words) -> Iterator[Finding]:
    """Rigid things between two holders that do not stand as far apart as they need."""
    for thing, first in zip(row.things, row.rule.first_holder, strict=True):
        if thing.takes != "bridge" or thing.span is None:
            continue
        got = row.axes[first + 1] - row.axes[first]
        if abs(got - thing.span) > tape.step / 2:
            yield Finding(
                "bridge.span",
                words.names[thing.kind].capitalize(),
                tr(
                    "bridge.span",
                    names=words.names[thing.kind],
                    span=tape.write(thing.span),
                    got=tape.write(got),
                ),
                tr("quantity.apart"),
                got,
                thing.span,
                at=(float(row.axes[first] + got / 2), 0),
                fixes=(
                    Fix(
                        tr("fix.even-air-each-holder-pair-as"),
                        row_patch(spacing="air", pins=[], nudge=NONE),
                    ),
                ),
            )
            return


def _ends(
    row: Row, tape: Tape, words: Words, end_distance: Fraction, end_why: str, bored: Fraction
) -> Iterator[Finding]:
    """Things that hang past the board, and fixtures too near its end grain."""
    allowed = row.brief.ends.overhang if row.brief.ends.rule == "inside" else NONE
    side = max((0, 1), key=lambda i: row.sides[i])
    past = row.sides[side]
    index = (row.holders - 1) * side
    shared = row.brief.follows in ("ends", "nothing")
    whole = row.rule.span(row.t)
    if (
        past > allowed and row.run is Run.LEVEL
    ):  # above the top and below the foot nothing is in the way
        reach = 2 * max(*row.sides, NONE) + row.length - whole
        board = longer(row, tape, whole + reach, "ends")
        thing = row.things[(row.count - 1) * side]
        yield Finding(
            "row.overhang",
            words.at(index),
            tr(
                "row.overhang",
                names=words.names[thing.kind].capitalize(),
                count=(row.count - 1) * side + 1,
                past=tape.write(past),
            ),
            tr("quantity.past-the-end"),
            past,
            allowed,
            at=(float(row.axes[index]), 0),
            fixes=let_go_at(row, index) or (board if shared else (keep_inside(row), *board)),
        )
    near, index = min((row.axes[0], 0), (row.length - row.axes[-1], row.holders - 1))
    if near < end_distance:
        least = up(end_distance, tape)
        margins = {
            "rule": "margin",
            "left": exact_text(max(least, row.left)),
            "right": exact_text(max(least, row.right)),
        }
        board = longer(row, tape, whole + 2 * least, "ends")
        margin = Fix(
            tr("fix.ends-at-least", least=tape.write(least)),
            row_patch(ends=margins, follows="length" if row.brief.follows == "length" else "pitch"),
        )
        yield Finding(
            "row.end-grain",
            words.at(index),
            tr("row.end-grain", holder=words.at(index), near=tape.write(near), end_why=end_why),
            tr("quantity.from-the-end"),
            near,
            end_distance,
            at=(float(row.axes[index]), 0),
            fixes=let_go_at(row, index) or (board if shared else (margin,)),
            left=near > bored,
        )
