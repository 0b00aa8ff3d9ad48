"""Story sticks and jigs as PDF: lanes of marks at true size, tiled over sheets that overlap."""

from yardcliff.core.row.marking_aids import Lane, Strip
from yardcliff.core.shapes.geometry import circle, line
from yardcliff.core.units.length import Tape
from yardcliff.exports.drawing import Ink
from yardcliff.exports.paper import Paper
from yardcliff.exports.pdf import BOLD, Page
from yardcliff.exports.tiling import HEAVY, MARGIN, THIN, Sheet, check_ruler, crosses, sheets
from yardcliff.messages import tr

LANE, GAP = 22.0, 12.0
"""Height of a lane and the paper between two, mm."""
TOP = 34.0
"""From the sheet's top to the first lane: the words stand there."""


def write_strip(strip: Strip, tape: Tape, paper: Paper) -> bytes:
    """The strip as PDF, to be printed at 100 %."""
    page = Page(paper, f"{strip.lanes[0].title}: {strip.title} 1:1")
    laid = sheets(max(float(lane.length) for lane in strip.lanes), paper)
    for sheet in laid:
        _words(page, strip, sheet, len(laid))
        for number, lane in enumerate(strip.lanes):
            _lane(page, sheet, lane, page.height - TOP - number * (LANE + GAP))
        lowest = page.height - TOP - len(strip.lanes) * (LANE + GAP)
        crosses(page, sheet, len(laid), (page.height - TOP + 8, lowest - 2))
        check_ruler(page, tape)
        page.turn()
    return page.finish()


def _words(page: Page, strip: Strip, sheet: Sheet, count: int) -> None:
    y = page.height - MARGIN - 2
    page.text(MARGIN, y, strip.lanes[0].title, 5, font=BOLD)
    page.text(
        page.width - MARGIN,
        y,
        tr("exports.1-1-sheet-of", title=strip.title, number=sheet.number, count=count),
        3.6,
        anchor="end",
    )
    page.wrapped(MARGIN, y - 5, page.width - 2 * MARGIN, strip.says, 3.2)


def _lane(page: Page, sheet: Sheet, lane: Lane, top: float) -> None:
    """One lane: its edges, its ends, its marks, and which end is the datum."""
    length, bottom = float(lane.length), top - LANE
    left, right = sheet.x(max(0.0, sheet.start)), sheet.x(min(length, sheet.end))
    if right <= left:
        return
    for y in (top, bottom):
        page.path(line((left, y), (right, y)), HEAVY)
    for end, name in ((0.0, "left"), (length, "right")):
        if sheet.start <= end <= sheet.end:
            x = sheet.x(end)
            page.path(line((x, bottom), (x, top)), HEAVY)
            if name == lane.datum:
                corner = (x + (6 if name == "left" else -6), top)
                page.path(
                    (*line((x, top), corner, (x, top - 6)), ("Z", ())), Ink(None, 0, "#000000")
                )
    page.text(left + 8, top + 1.6, lane.title, 3.2, font=BOLD)
    for tick in lane.ticks:
        if not sheet.start <= tick.at <= sheet.end:
            continue
        x, middle = sheet.x(float(tick.at)), (top + bottom) / 2
        page.path(line((x, top), (x, bottom)), THIN)
        if tick.bore:
            page.path(circle(x, middle, float(tick.bore) / 2), HEAVY)
            page.path(line((x - 8, middle), (x + 8, middle)), THIN)
        page.text(x, bottom - 4.2, tick.label, 3, anchor="middle")
