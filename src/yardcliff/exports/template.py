"""The 1:1 marking template: the board's face at true size, tiled over sheets that overlap.

Sheets meet at alignment crosses: the cross at the right of one lies on the cross at the left of
the next. Marks stand at their exact places, not at the tape's.
"""

from bisect import bisect_left, bisect_right
from collections.abc import Callable, Iterable, Iterator, Sequence
from dataclasses import dataclass
from typing import TypeVar

from yardcliff.core.design import Design
from yardcliff.core.geometry import circle, line, moved, points, rectangle
from yardcliff.core.machining import tool
from yardcliff.core.marks import Mark
from yardcliff.core.rack import ACROSS, UPRIGHT, Hole, Outline, Part
from yardcliff.exports.drawing import Ink
from yardcliff.exports.pdf import BOLD, Page, Paper
from yardcliff.exports.tiling import DASHED, HEAVY, MARGIN, THIN, Sheet, check_ruler, crosses, sheets

T = TypeVar("T")
BAND = 140.0
"""Widest strip of board that is drawn; of a wider board the strip about the holders' line."""


@dataclass(frozen=True, slots=True)
class _Band:
    """The strip of a board about a line of holes, `axis` above its lower edge.

    It shows from `low` to `high` above that edge, which lies at `base` on the paper; `places` are the axes along it.
    """

    title: str
    part: Part
    axis: float
    places: tuple[Mark, ...]
    holes: tuple[Hole, ...]
    base: float
    low: float
    high: float


def write_template(name: str, design: Design, paper: Paper) -> bytes:
    """The template as PDF, to be printed at 100 %."""
    page = Page(paper, f"{name}: marking template 1:1")
    for band in _bands(name, design, page.height):
        laid = sheets(float(band.part.along), paper)
        for sheet in laid:
            _sheet(page, design, band, sheet, len(laid))
            _words(page, design, band, sheet, len(laid))
            page.turn()
    shaped = (design.rack.outline,) if design.rack.outline else ()
    for outline in (*shaped, *design.rack.shaped):
        _outline(page, name, design, outline)
        page.turn()
    return page.finish()


def _outline(page: Page, name: str, design: Design, outline: Outline) -> None:
    """Something shaped at true size, to make each by."""
    x, y = _middle(page, outline)
    at = moved(outline.path, x, y)
    page.text(MARGIN, page.height - MARGIN - 2, f"{name}, {outline.name}", 5, font=BOLD)
    page.text(page.width - MARGIN, page.height - MARGIN - 2, f"outline 1:1, {outline.seen}", 3.6, anchor="end")
    page.text(MARGIN, page.height - MARGIN - 7, outline.says, 3.2)
    page.path(at, HEAVY)
    foot, head = max(y - 60, 2 * MARGIN), min(y + 60, page.height - 2 * MARGIN)
    page.path(line((x, foot), (x, head)), DASHED)
    page.text(x - 3, head + 2, outline.face, 3.2, anchor="end")
    check_ruler(page, design.tape)


def _middle(page: Page, outline: Outline) -> tuple[float, float]:
    """Where an outline's origin lies: in the middle of the page, or beside it where the outline would run off."""
    xs, ys = zip(*points(outline.path), strict=True)

    def along(size: float, low: float, high: float) -> float:
        return size / 2 if max(-low, high) <= size / 2 - 2 * MARGIN else (size - low - high) / 2

    return along(page.width, min(xs), max(xs)), along(page.height, min(ys), max(ys))


def _bands(name: str, design: Design, paper_height: float) -> Iterator[_Band]:
    """One for the rows that have the same marks, and one for each further part that is bored to answer them."""
    rack = design.rack

    def band(title: str, part: Part, axis: float, row: int, holes: Iterable[Hole]) -> _Band:
        wide = float(part.face_width)
        low = max(0.0, min(axis - BAND / 2, wide - BAND))
        high = min(wide, low + BAND)
        base = (paper_height + 14) / 2 - (high + low) / 2
        return _Band(
            title,
            part,
            axis,
            tuple(sorted(design.marks_by_row[row], key=lambda mark: float(mark.exact))),
            tuple(sorted(holes, key=lambda hole: hole.along)),
            base,
            low,
            high,
        )

    for group in rack.alike:
        row = rack.rows[group[0]]
        title = f"{name}, {rack.named(group).lower()}" if len(rack.rows) > 1 else name
        holes = [hole for hole in rack.holes if hole.row == group[0]]
        yield band(title, rack.part(row.part), float(row.across), group[0], holes)
    for key in dict.fromkeys(hole.part for hole in rack.seats):
        holes = [hole for hole in rack.seats if hole.part == key]
        part = rack.part(key)
        yield band(f"{name}, {part.name.lower()}", part, float(holes[0].across), holes[0].row, holes)


def _sheet(page: Page, design: Design, band: _Band, sheet: Sheet, count: int) -> None:
    part, base, low, high = band.part, band.base, band.low, band.high
    left, right = sheet.x(max(0.0, sheet.start)), sheet.x(min(float(part.along), sheet.end))
    top, bottom = base + high, base + low
    axis = base + band.axis
    for y, real in ((top, high == part.face_width), (bottom, low == 0)):
        page.path(line((left, y), (right, y)), HEAVY if real else DASHED)
    for end in (0.0, float(part.along)):
        if sheet.start <= end <= sheet.end:
            page.path(line((sheet.x(end), bottom), (sheet.x(end), top)), HEAVY)
    page.path(line((left, axis), (right, axis)), DASHED)
    for mark in _between(band.places, sheet, lambda mark: float(mark.exact)):
        x = sheet.x(float(mark.exact))
        page.path(line((x, axis - 4), (x, top)), THIN)
        page.text(x, bottom - 4.5, str(mark.place + 1), 3.6, font=BOLD, anchor="middle")
        page.text(x, bottom - 8.5, design.tape.write(mark.exact), 3, anchor="middle")
    for hole in _between(band.holes, sheet, lambda hole: float(hole.along)):
        x, y, r = sheet.x(float(hole.along)), base + float(hole.across), float(hole.bit) / 2
        if hole.purpose in ACROSS:  # its mouth, across the whole edge
            half = float(design.rack.glyph.height) / 2
            for side in (x - half, x + half):
                page.path(line((side, bottom), (side, top)), HEAVY)
            continue
        if hole.purpose in UPRIGHT:
            half = float(design.rack.glyph.height) / 2
            foot, head = max(y - half, bottom), min(y + half, top)  # what is in it may stand above the board
            page.path(rectangle(x - r, foot, 2 * r, head - foot), THIN)
            continue
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
        page.text(
            x + 4,
            top + 2.4,
            f"DATUM: the board's {'foot' if part.up else 'left end'}. Measure from here.",
            3.2,
            font=BOLD,
        )
    if right - left > 60:  # on a last, short piece it would stand on the cross
        edge = "LEFT EDGE" if part.up else "TOP" if part.marked == "front" else "WALL EDGE"
        page.text((left + right) / 2, top + 8.5, edge, 4.4, font=BOLD, anchor="middle")


def _between(found: Sequence[T], sheet: Sheet, along: Callable[[T], float]) -> Sequence[T]:
    """Those that are on a sheet, of what stands in order along the board."""
    start = bisect_left(found, sheet.start, key=along)
    return found[start : bisect_right(found, sheet.end, lo=start, key=along)]


def _words(page: Page, design: Design, band: _Band, sheet: Sheet, count: int) -> None:
    y = page.height - MARGIN - 2
    part, tape = band.part, design.tape
    page.text(MARGIN, y, band.title, 5, font=BOLD)
    page.text(page.width - MARGIN, y, f"marking template 1:1, sheet {sheet.number} of {count}", 3.6, anchor="end")
    steps = [s for s in design.machining if s.face == part.marked and s.part.lower() in part.name.lower()]
    holes = "; ".join(f"{step.what}s: {tool(step, tape)}" for step in steps)
    if part.up:
        looking = "Looking at the face, its foot at the left"
    else:
        looking = "Looking down on the top, front edge below" if part.marked == "top" else "Looking at the face"
    page.text(MARGIN, y - 5, f"{looking}. {holes}. Lay each cross on the one with the same letter.", 3.2)
    check_ruler(page, tape)
