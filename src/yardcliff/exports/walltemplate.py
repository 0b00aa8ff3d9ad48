"""The wall template: where the holes come, at true size, with the line to level by and the studs,
tiled over sheets.

Taped to the wall by its level line and its left edge, every hole is drilled through it.
"""

from collections.abc import Iterator
from dataclasses import dataclass

from yardcliff.core.design.rack_design import Design
from yardcliff.core.rack import Part
from yardcliff.core.shapes.geometry import circle, cross, line, rounded
from yardcliff.core.wall.fixed import Fixed
from yardcliff.core.wall.fixing_steps import WallHole
from yardcliff.core.wall.putting_up import put_up
from yardcliff.exports.paper import Paper
from yardcliff.exports.pdf import BOLD, Page
from yardcliff.exports.tiling import (
    DASHED,
    HEAVY,
    MARGIN,
    THIN,
    Sheet,
    check_ruler,
    crosses,
    sheets,
)
from yardcliff.exports.wallsheet import NotOnAWall
from yardcliff.messages import tr

HIGH = 118.0
"""Heights that are drawn on one strip, mm; what is further apart has a strip of its own."""
SHORT = 60.0
"""On a last, short piece words begin at its start, mm."""
AROUND = 14.0
"""Of the wall shown above and below the holes, mm."""


@dataclass(frozen=True, slots=True)
class _Strip:
    """A strip of wall: from `left` on, all in the wall's frame; the level line is at the height
    `level`.
    """

    title: str
    left: float
    length: float
    level: float
    low: float
    high: float
    holes: tuple[WallHole, ...]
    boards: tuple[Part, ...]


def write_walltemplate(name: str, design: Design, paper: Paper) -> bytes:
    """The template as PDF, to be printed at 100 %. Raises `NotOnAWall`."""
    if design.on_wall.site is None:
        raise NotOnAWall
    page = Page(paper, tr("exports.wall-template-1-1", name=name))
    for strip in _strips(name, design):
        laid = sheets(strip.length, paper)
        for sheet in laid:
            _sheet(page, design, strip, sheet, len(laid))
            page.turn()
    return page.finish()


def _strips(name: str, design: Design) -> Iterator[_Strip]:
    """For each body that is fixed, its holes by heights that fit on a sheet, the highest first."""
    on = design.on_wall
    holes = put_up(design.rack, on, design.tape).holes
    for fixing in on.fixed:
        mine = [hole for hole in holes if hole.body == fixing.body.name]
        while mine:
            top = max(hole.y for hole in mine)
            near = tuple(hole for hole in mine if top - hole.y <= HIGH)
            mine = [hole for hole in mine if hole not in near]
            yield _strip(name, design, fixing, near)


def _strip(name: str, design: Design, fixing: Fixed, holes: tuple[WallHole, ...]) -> _Strip:
    x = float(design.on_wall.spot.x)
    xs = [float(hole.x) for hole in holes]
    left = min([*xs, *(float(part.x) + x for part in fixing.body.grounds)])
    right = max([*xs, *(float(part.x + part.length) + x for part in fixing.body.grounds)])
    ys = [float(hole.y) for hole in holes]
    title = f"{name}, {fixing.body.name.lower()}"
    return _Strip(
        title,
        left,
        right - left,
        max(ys),
        min(ys) - AROUND,
        max(ys) + AROUND,
        holes,
        fixing.body.grounds,
    )


def _sheet(page: Page, design: Design, strip: _Strip, sheet: Sheet, count: int) -> None:
    on, write = design.on_wall, design.tape.write
    assert on.site
    middle = (page.height - 6) / 2
    base = middle - (strip.low + strip.high) / 2

    def inside(x: float) -> bool:
        return sheet.start <= x - strip.left <= sheet.end

    def at(x: float) -> float:
        return sheet.x(x - strip.left)

    start, end = sheet.x(max(sheet.start, 0.0)), sheet.x(min(sheet.end, strip.length))
    bottom, top = base + strip.low, base + strip.high
    page.path(line((start, base + strip.level), (end, base + strip.level)), HEAVY)
    level = tr("exports.level-from-the-floor", y=write(strip.holes[0].y))
    if end - start > SHORT:
        page.text(end, base + strip.level + 1.5, level, 3.2, font=BOLD, anchor="end")
    else:
        page.text(start, base + strip.level + 1.5, level, 3.2, font=BOLD)
    half = float(on.site.wall.studs.wide) / 2
    for k, stud in enumerate(on.site.wall.stud_middles, 1):
        for edge, ink in (
            (float(stud) - half, DASHED),
            (float(stud), THIN),
            (float(stud) + half, DASHED),
        ):
            if inside(edge) and strip.left <= edge <= strip.left + strip.length:
                page.path(line((at(edge), bottom - 4), (at(edge), top + 4)), ink)
        if inside(float(stud)) and strip.left <= float(stud) <= strip.left + strip.length:
            page.text(at(float(stud)), top + 6, tr("exports.stud", number=k), 3, anchor="middle")
    for part in strip.boards:
        _edges(page, part, float(on.spot.x), strip, sheet, base)
    for hole in strip.holes:
        if not inside(float(hole.x)):
            continue
        x, y = at(float(hole.x)), base + float(hole.y)
        page.path(circle(x, y, 4), HEAVY)
        page.path(cross(x, y, 8), THIN)
        page.text(x + 5, y - 6.5, str(hole.number), 4, font=BOLD)
    for along in dict.fromkeys(hole.x for hole in strip.holes):
        if inside(float(along)):
            page.text(at(float(along)), bottom - 9, write(along), 3, anchor="middle")
    crosses(page, sheet, count, (top + 14, bottom - 18))
    y = page.height - MARGIN - 2
    page.text(MARGIN, y, strip.title, 5, font=BOLD)
    page.text(
        page.width - MARGIN,
        y,
        tr("exports.wall-template-1-1-sheet-of", number=sheet.number, count=count),
        3.6,
        anchor="end",
    )
    said = tr("exports.tape-wall-its-left-edge-from", left=write(rounded(strip.left)))
    page.text(MARGIN, y - 5, said, 3.2)
    check_ruler(page, design.tape)


def _edges(page: Page, part: Part, x: float, strip: _Strip, sheet: Sheet, base: float) -> None:
    """The board's outline, as much of it as is on the strip."""
    left, right = float(part.x) + x - strip.left, float(part.x + part.length) + x - strip.left
    low, high = max(float(part.y), strip.low), min(float(part.y + part.height), strip.high)
    if high <= low:
        return
    for edge in (left, right):
        if sheet.start <= edge <= sheet.end:
            page.path(line((sheet.x(edge), base + low), (sheet.x(edge), base + high)), THIN)
    start, end = sheet.x(max(left, sheet.start)), sheet.x(min(right, sheet.end))
    for edge in (float(part.y), float(part.y + part.height)):
        if strip.low <= edge <= strip.high and end > start:
            page.path(line((start, base + edge), (end, base + edge)), THIN)
