"""The record of a rack as it was built, on paper: measured against planned, hours and money, how
things fit, dated entries.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from yardcliff.core.design.measuring import NO_ROW, Measured, Verdict
from yardcliff.core.design.rack_design import Design
from yardcliff.core.shapes.geometry import circle, line
from yardcliff.core.units.length import Tape
from yardcliff.core.units.text import shortened
from yardcliff.exports.drawing import Ink
from yardcliff.exports.paper import Paper
from yardcliff.exports.pdf import BOLD, Page
from yardcliff.messages import tr

MARGIN, ROW, TALL = 14.0, 5.4, 12.0
"""Of the page, from line to line, and how high the board is drawn, mm."""
WOOD, RULE, PLAN, DRILLED = (
    Ink("#20303a", 0.4, "#efe0c2"),
    Ink("#7c898e", 0.2),
    Ink("#b3261e", 0.35),
    Ink(None, 0, "#20303a"),
)
RED, SOFT = "#8c1450", "#5d6d74"


@dataclass(frozen=True, slots=True)
class Record:
    """What stands in the log: pairs of (what, text) for time, money and fits, and (day, text) of
    entries, the oldest first.
    """

    figures: Sequence[tuple[str, str]]
    fits: Sequence[tuple[str, str]]
    entries: Sequence[tuple[str, str]]


def write_record(name: str, done: Design, verdict: Verdict, record: Record, paper: Paper) -> bytes:
    """The record as PDF, as many pages as it takes."""
    page = Page(paper, tr("exports.build-record", name=name))
    y = _head(page, tr("exports.build-record", name=name))
    rows = done.rack.rows
    boards = {
        measured.subject.part: measured.found
        for measured in verdict.rows
        if measured.subject.place is None and not measured.subject.across
    }
    asked = [
        measured
        for measured in verdict.rows
        if measured.found is not None or not measured.subject.across
    ]
    for k, row in enumerate(rows):
        mine = [measured for measured in asked if measured.subject.row == k]
        if k and y - TALL - 6 - ROW * -(-len(mine) // 3) < MARGIN:
            page.turn()
            y = _head(page, tr("exports.build-record-continued", name=name))
        if len(rows) > 1:
            page.text(MARGIN, y, done.rack.named((k,)), 4.2, font=BOLD)
            y -= 3
        y = _board(page, float(row.row.length), float(boards[row.part] or row.row.length), mine, y)
        y = _measured(page, mine, done.tape, y)
    others = [measured for measured in asked if measured.subject.row == NO_ROW]
    if others:
        if y - 6 - ROW * -(-len(others) // 3) < MARGIN:
            page.turn()
            y = _head(page, tr("exports.build-record-continued", name=name))
        page.text(MARGIN, y, tr("exports.other-parts"), 4.2, font=BOLD)
        y = _measured(page, others, done.tape, y - 6.4)
    for title, told in (
        (tr("exports.against-the-plan"), record.figures),
        (tr("exports.tried-on-the-rack"), record.fits),
        (tr("exports.entries"), record.entries),
    ):
        if told:
            y = _table(page, name, title, told, y)
    page.turn()
    return page.finish()


def _head(page: Page, title: str) -> float:
    top = page.height - MARGIN
    page.text(MARGIN, top - 4, title, 6, font=BOLD)
    page.path(line((MARGIN, top - 7), (page.width - MARGIN, top - 7)), WOOD)
    return top - 14


def _board(page: Page, planned: float, long: float, row: Sequence[Measured], y: float) -> float:
    """The board as `long` as it is, with planned places as rings, and what is drilled filled."""
    scale = (page.width - 2 * MARGIN) / max(planned, long)
    end = MARGIN + long * scale
    page.path((*line((MARGIN, y - TALL), (end, y - TALL), (end, y), (MARGIN, y)), ("Z", ())), WOOD)
    for measured in row:
        if measured.subject.place is None:
            continue
        page.path(circle(MARGIN + float(measured.subject.planned) * scale, y - TALL / 2, 2.2), PLAN)
        if measured.found is not None:
            page.path(circle(MARGIN + float(measured.found) * scale, y - TALL / 2, 1.1), DRILLED)
    return y - TALL - 6


def _measured(page: Page, row: Sequence[Measured], tape: Tape, y: float) -> float:
    """The figures in three columns side by side, so that a row of many holes stays on a page."""
    wide = (page.width - 2 * MARGIN) / 3
    top = lowest = y
    for k, measured in enumerate(row):
        column, place = divmod(k, max(-(-len(row) // 3), 1))
        x, at = MARGIN + column * wide, top - place * ROW
        if at < MARGIN:
            page.text(x, MARGIN - 4, tr("exports.and-more-see-the-log"), 3, colour=SOFT)
            continue
        page.text(x, at, shortened(measured.subject.short, 16), 3.4)
        page.text(x + 30, at, tape.write(measured.subject.planned), 3.4, anchor="end", colour=SOFT)
        if measured.found is not None and measured.off is not None:
            sign = "+" if measured.off > 0 else "−" if measured.off < 0 else ""
            page.text(x + 46, at, tape.write_fine(measured.found), 3.4, anchor="end", font=BOLD)
            colour = SOFT if measured.good else RED
            page.text(
                x + 66,
                at,
                f"{sign}{tape.write_fine(abs(measured.off))}",
                3.2,
                anchor="end",
                colour=colour,
            )
        lowest = min(lowest, at)
    return lowest - 9


def _table(page: Page, name: str, title: str, rows: Sequence[tuple[str, str]], y: float) -> float:
    if y < MARGIN + 20:
        page.turn()
        y = _head(page, tr("exports.build-record-continued", name=name))
    page.text(MARGIN, y, title, 4.2, font=BOLD)
    page.path(line((MARGIN, y - 1.6), (page.width - MARGIN, y - 1.6)), RULE)
    y -= 6.4
    for left, text in rows:
        if y < MARGIN + 4:
            page.turn()
            y = _head(page, tr("exports.build-record-continued", name=name))
        page.text(MARGIN, y, left, 3.4, colour=SOFT)
        y = page.wrapped(MARGIN + 34, y, page.width - 2 * MARGIN - 34, text, 3.4) - 1.2
    return y - 4
