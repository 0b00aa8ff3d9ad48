"""The 1:1 marking template: the board's face at true size, tiled over sheets that overlap.

Sheets meet at alignment crosses: the cross at the right of one lies on the cross at the left of
the next. Marks stand at their exact places, not at the tape's.
"""

from dataclasses import dataclass

from yardcliff.core.design import Design
from yardcliff.core.geometry import circle, line
from yardcliff.core.machining import tool
from yardcliff.core.rack import row_names
from yardcliff.exports.drawing import Ink
from yardcliff.exports.pdf import BOLD, Page, Paper
from yardcliff.exports.tiling import DASHED, HEAVY, MARGIN, THIN, Sheet, check_ruler, crosses, sheets

BAND = 140.0
"""Widest strip of board that is drawn; of a wider board the strip about the holders' line."""


@dataclass(frozen=True, slots=True)
class _Band:
    """The strip of board about a row: from `low` to `high` above its bottom edge, which lies at `base` on the paper."""

    row: int
    base: float
    low: float
    high: float


def write_template(name: str, design: Design, paper: Paper) -> bytes:
    """The template as PDF, to be printed at 100 %."""
    page = Page(paper, f"{name}: marking template 1:1")
    for group in design.rack.alike:
        row = design.rack.rows[group[0]]
        part = design.rack.part(row.part)
        axis, wide = float(row.across), float(part.face_width)
        low = max(0.0, min(axis - BAND / 2, wide - BAND))
        high = min(wide, low + BAND)
        band = _Band(group[0], (page.height + 14) / 2 - (high + low) / 2, low, high)
        laid = sheets(float(part.length), paper)
        title = f"{name}, {row_names(group).lower()}" if len(design.rack.rows) > 1 else name
        for sheet in laid:
            _sheet(page, design, band, sheet, len(laid))
            _words(page, title, design, sheet, len(laid))
            page.turn()
    return page.finish()


def _sheet(page: Page, design: Design, band: _Band, sheet: Sheet, count: int) -> None:
    rack, tape = design.rack, design.tape
    row, base, low, high = band.row, band.base, band.low, band.high
    part = rack.part(rack.rows[row].part)
    left, right = sheet.x(max(0.0, sheet.start)), sheet.x(min(float(part.length), sheet.end))
    top, bottom = base + high, base + low
    axis = base + float(rack.rows[row].across)
    for y, real in ((top, high == part.face_width), (bottom, low == 0)):
        page.path(line((left, y), (right, y)), HEAVY if real else DASHED)
    for end in (0.0, float(part.length)):
        if sheet.start <= end <= sheet.end:
            page.path(line((sheet.x(end), bottom), (sheet.x(end), top)), HEAVY)
    page.path(line((left, axis), (right, axis)), DASHED)
    of_row = [holder for holder in rack.holders if holder.row == row]
    for holder, mark in zip(of_row, design.marks_by_row[row], strict=True):
        if not sheet.start <= holder.x <= sheet.end:
            continue
        x = sheet.x(float(holder.x))
        page.path(line((x, axis - 4), (x, top)), THIN)
        page.text(x, bottom - 4.5, str(holder.place + 1), 3.6, font=BOLD, anchor="middle")
        page.text(x, bottom - 8.5, tape.write(mark.exact), 3, anchor="middle")
    for hole in rack.holes:
        if hole.row == row and sheet.start <= hole.x <= sheet.end:
            x, y, r = sheet.x(float(hole.x)), base + float(hole.across), float(hole.bit) / 2
            page.path(circle(x, y, r), THIN)
            page.path(line((x - r - 2, y), (x + r + 2, y)), THIN)
            page.path(line((x, y - r - 2), (x, y + r + 2)), THIN)
            if hole.open:
                for side in (x - r, x + r):
                    page.path(line((side, bottom), (side, y)), THIN)
    crosses(page, sheet, count, (top + 12, bottom - 18))
    if sheet.number == 1:
        x = sheet.x(0)
        page.path((*line((x, top + 1), (x - 3, top + 6), (x + 3, top + 6)), ("Z", ())), Ink(None, 0, "#000000"))
        page.text(x + 4, top + 2.4, "DATUM: the board's left end. Measure from here.", 3.2, font=BOLD)
    if right - left > 60:  # on a last, short piece it would stand on the cross
        edge = "TOP" if part.marked == "front" else "WALL EDGE"
        page.text((left + right) / 2, top + 8.5, edge, 4.4, font=BOLD, anchor="middle")


def _words(page: Page, name: str, design: Design, sheet: Sheet, count: int) -> None:
    y = page.height - MARGIN - 2
    page.text(MARGIN, y, name, 5, font=BOLD)
    page.text(page.width - MARGIN, y, f"marking template 1:1, sheet {sheet.number} of {count}", 3.6, anchor="end")
    rack = design.rack
    part = rack.part(rack.rows[0].part)
    steps = [step for step in rack.machining if step.face == part.marked]
    holes = "; ".join(f"{step.what}s: {tool(step, design.tape)}" for step in steps)
    looking = "Looking down on the top, front edge below" if part.marked == "top" else "Looking at the face"
    page.text(MARGIN, y - 5, f"{looking}. {holes}. Lay each cross on the one with the same letter.", 3.2)
    check_ruler(page, design.tape)
