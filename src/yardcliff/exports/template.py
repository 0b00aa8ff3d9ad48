"""The 1:1 marking template: every face that is marked, at true size, tiled over sheets that
overlap.

Sheets meet at alignment crosses: the cross at the right of one lies on the cross at the left of the
next. Marks stand at their exact places, not at the tape's. A face is drawn as it is seen when one
looks at it.
"""

from collections.abc import Iterator
from dataclasses import dataclass

from yardcliff.core.design.machining import once, read_from, tool
from yardcliff.core.design.rack_design import Design
from yardcliff.core.rack import Face, Operation, Outline, Part, Place, RackRow
from yardcliff.core.row.marking import Mark
from yardcliff.core.shapes.geometry import circle, line, moved, points, rectangle
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.exports.drawing import Ink
from yardcliff.exports.paper import Paper
from yardcliff.exports.pdf import BOLD, Page
from yardcliff.exports.template_view import View
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
from yardcliff.messages import tr

BAND = 120.0
"""Tallest strip of a face that is drawn, mm; a wider face is drawn in strips about what is marked
there.
"""
ABOVE, BELOW = 9.0, 15.0
"""From a strip to its crosses, mm: between them stand TOP and the marks' figures."""
DATUM_ROOM = 100.0
"""What the words at the datum take beside its arrow, mm."""
Made = tuple[Place, Operation]


@dataclass(frozen=True, slots=True)
class _Band:
    """A strip of a face from `low` to `high` above the drawing's lower edge; `base` is where that
    edge lies on the paper. `row` is the row of holders that it is about, with its `marks`; `made`
    is what is drawn there.
    """

    title: str
    view: View
    low: float
    high: float
    base: float
    made: tuple[Made, ...]
    row: RackRow | None = None
    marks: tuple[Mark, ...] = ()


def write_template(name: str, design: Design, paper: Paper) -> bytes:
    """The template as PDF, to be printed at 100 %."""
    page = Page(paper, tr("exports.marking-template-1-1", name=name))
    for band in _bands(name, design, page.height):
        laid = sheets(band.view.long, paper)
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
    page.text(
        page.width - MARGIN,
        page.height - MARGIN - 2,
        tr("exports.outline-1-1", seen=outline.seen),
        3.6,
        anchor="end",
    )
    page.text(MARGIN, page.height - MARGIN - 7, outline.says, 3.2)
    page.path(at, HEAVY)
    foot, head = max(y - 60, 2 * MARGIN), min(y + 60, page.height - 2 * MARGIN)
    page.path(line((x, foot), (x, head)), DASHED)
    page.text(x - 3, head + 2, outline.face, 3.2, anchor="end")
    check_ruler(page, design.tape)


def _middle(page: Page, outline: Outline) -> tuple[float, float]:
    """Where an outline's origin lies: in the middle of the page, or beside it where the outline
    would run off.
    """
    xs, ys = zip(*points(outline.path), strict=True)

    def along(size: float, low: float, high: float) -> float:
        return size / 2 if max(-low, high) <= size / 2 - 2 * MARGIN else (size - low - high) / 2

    return along(page.width, min(xs), max(xs)), along(page.height, min(ys), max(ys))


def _marked(design: Design) -> dict[tuple[str, Face], list[Made]]:
    """What is marked out, by part and face; what is marked through another hole is not."""
    found: dict[tuple[str, Face], list[Made]] = {
        (row.part, design.part(row.part).face): [] for row in design.rack.rows
    }
    for operation in design.machining:
        if operation.kind.marked:
            for place in operation.places:
                found.setdefault((place.part, place.face), []).append((place, operation))
    return found


def _bands(name: str, design: Design, paper_height: float) -> Iterator[_Band]:
    """Every marked face once; parts that are marked alike share it."""
    alike: dict[object, list[tuple[Part, Face, list[Made]]]] = {}
    for (key, face), made in _marked(design).items():
        part = design.part(key)
        same = (
            part.stands,
            face,
            part.along,
            part.across_in_all(face),
            tuple((operation.kind, *place[2:4]) for place, operation in made),
        )
        alike.setdefault(same, []).append((part, face, made))
    for group in alike.values():
        part, face, made = group[0]
        title = (
            f"{name}, {', '.join(once(part.name.lower() for part, _, _ in group))}"
            if len(design.parts) > 1
            else name
        )
        yield from _strips(title, design, View(part, face), made, paper_height)


def _strips(
    title: str, design: Design, view: View, made: list[Made], paper_height: float
) -> Iterator[_Band]:
    """A strip about each row of holders on the face, and about what lies outside these."""
    rack = design.rack
    rows = [
        k
        for k, row in enumerate(rack.rows)
        if row.part == view.part.key and view.face is view.part.face
    ]

    def up(place: Place) -> float:
        return view.at(float(place.along), float(place.across))[1]

    def band(about: float, row: int | None = None) -> _Band:
        low = max(0.0, min(about - BAND / 2, view.wide - BAND))
        high = min(view.wide, low + BAND)
        inside = tuple(one for one in made if low <= up(one[0]) <= high and one[0].row in (-1, row))
        base = (paper_height + 14) / 2 - (high + low) / 2
        named = (
            tr("exports.title-row", title=title, row=row + 1)
            if row is not None and len(rows) > 1
            else title
        )
        marks = () if row is None else design.marks_by_row[row]
        return _Band(
            named, view, low, high, base, inside, None if row is None else rack.rows[row], marks
        )

    found = [band(view.at(0, float(rack.rows[k].across))[1], k) for k in rows]
    yield from found
    left = sorted(
        {up(place) for place, _ in made if place.row < 0 or not rows}
        - {height for band in found for place, _ in band.made for height in (up(place),)}
    )
    while left:
        reach = [height for height in left if height - left[0] <= BAND - 20]
        strip = band((reach[0] + reach[-1]) / 2)
        rest = tuple(one for one in made if strip.low <= up(one[0]) <= strip.high)
        yield _Band(strip.title, view, strip.low, strip.high, strip.base, rest)
        left = left[len(reach) :]


def _sheet(page: Page, design: Design, band: _Band, sheet: Sheet, count: int) -> None:
    view, base = band.view, band.base
    left, right = sheet.x(max(0.0, sheet.start)), sheet.x(min(view.long, sheet.end))
    top, bottom = base + band.high, base + band.low
    for y, real in ((top, band.high == view.wide), (bottom, band.low == 0)):
        page.path(line((left, y), (right, y)), HEAVY if real else DASHED)
    for end in (0.0, view.long):
        if sheet.start <= end <= sheet.end:
            page.path(line((sheet.x(end), bottom), (sheet.x(end), top)), HEAVY)
    if band.row:
        axis = base + view.at(0, float(band.row.across))[1]
        page.path(line((left, axis), (right, axis)), DASHED)
        for mark in band.marks:
            if sheet.start <= (along := view.at(float(mark.exact), 0)[0]) <= sheet.end:
                x = sheet.x(along)
                page.path(line((x, axis - 4), (x, top)), THIN)
                page.text(x, bottom - 4.5, str(mark.place + 1), 3.6, font=BOLD, anchor="middle")
                page.text(x, bottom - 8.5, design.tape.write(mark.exact), 3, anchor="middle")
    for box in _standing(design, band):
        _box(page, band, sheet, box)
    numbers = {hole.place: hole.number for hole in design.holes.get(view.part.key, ())}
    for place, operation in band.made:
        _feature(page, band, sheet, place, operation, numbers.get(place))
    crosses(page, sheet, count, (top + ABOVE, bottom - BELOW))
    _datum(page, band, sheet, top)
    if right - left > 60:  # on a last, short piece it would stand on the cross
        page.text((left + right) / 2, top + 8.5, view.upper, 4.4, font=BOLD, anchor="middle")


def _feature(
    page: Page, band: _Band, sheet: Sheet, place: Place, operation: Operation, number: int | None
) -> None:
    """A hole, or the outline of a cut as far as this sheet and the strip show it."""
    view, base = band.view, band.base
    along, across = float(place.along), float(place.across)
    if operation.cut:
        x0, x1, y0, y1 = map(float, operation.cut)
        _box(page, band, sheet, (along + x0, along + x1, across + y0, across + y1))
        return
    u, v = view.at(along, across)
    if not sheet.start <= u <= sheet.end:
        return
    x, y, r = sheet.x(u), base + v, float(operation.size) / 2
    page.path(circle(x, y, r), THIN)
    page.path(line((x - r - 2, y), (x + r + 2, y)), THIN)
    page.path(line((x, y - r - 2), (x, y + r + 2)), THIN)
    if number is not None and place.holder < 0:
        page.text(x + 0.8, y + r + 2.6, str(number), 2.6)


def _box(page: Page, band: _Band, sheet: Sheet, box: tuple[float, float, float, float]) -> None:
    """An outline, from and to along the face and from and to across it, as far as this sheet and
    the strip show it.
    """
    corners = [band.view.at(x, y) for x, y in (box[::2], box[1::2])]
    (low_x, high_x), (low_y, high_y) = (sorted(axis) for axis in zip(*corners, strict=True))
    low_x, high_x = max(low_x, sheet.start), min(high_x, sheet.end)
    low_y, high_y = max(low_y, band.low), min(high_y, band.high)
    if low_x < high_x and low_y < high_y:
        page.path(
            rectangle(sheet.x(low_x), band.base + low_y, high_x - low_x, high_y - low_y), THIN
        )


def _standing(design: Design, band: _Band) -> Iterator[tuple[float, float, float, float]]:
    """What stands before the face at each mark, though nothing is cut into it: a ledge across, a
    finger up it.
    """
    if band.row is None:
        return
    rack, k = design.rack, design.rack.rows.index(band.row)
    half, (bore, *_) = float(rack.glyph_of(k).height) / 2, rack.bores_of(k)
    for mark in band.marks:
        at = float(mark.exact)
        if bore.purpose == "ledge":
            yield at - half, at + half, 0.0, band.view.wide
        elif bore.purpose == "finger":
            wide, middle = float(bore.bit) / 2, float(band.row.across + bore.up)
            yield at - wide, at + wide, middle - half, middle + half


def _datum(page: Page, band: _Band, sheet: Sheet, top: float) -> None:
    """The arrow at the end that everything is measured from."""
    end = band.view.long if band.view.turned else 0.0
    if not sheet.start <= end <= sheet.end:
        return
    x = sheet.x(end)
    page.path(
        (*line((x, top + 1), (x - 3, top + 6), (x + 3, top + 6)), ("Z", ())),
        Ink(None, 0, "#000000"),
    )
    said = tr(
        "exports.datum-the-boards-measure-from-here",
        read_from=read_from(band.view.part, band.view.face)[0],
    )
    if band.view.turned and x > DATUM_ROOM:
        page.text(x - 4, top + 2.4, said, 3.2, font=BOLD, anchor="end")
    else:
        page.text(x + 4, top + 2.4, said, 3.2, font=BOLD)


def _words(page: Page, design: Design, band: _Band, sheet: Sheet, count: int) -> None:
    y = page.height - MARGIN - 2
    view, tape = band.view, design.tape
    page.text(MARGIN, y, band.title, 5, font=BOLD)
    page.text(
        page.width - MARGIN,
        y,
        tr("exports.marking-template-1-1-sheet-of", number=sheet.number, count=count),
        3.6,
        anchor="end",
    )
    made = "; ".join(
        once(f"{operation.kind.noun(2)}: {tool(operation, tape)}" for _, operation in band.made)
    )
    strip = _strip(band, tape)
    page.wrapped(
        MARGIN,
        y - 4.6,
        page.width - 2 * MARGIN,
        ". ".join(filter(None, (view.looking, strip, made[:1].upper() + made[1:]))) + ".",
        2.9,
    )
    if count > 1:
        page.text(MARGIN, MARGIN - 1, tr("exports.lay-each-cross-on-one-with"), 3.2)
    check_ruler(page, tape)


def _strip(band: _Band, tape: Tape) -> str:
    """From where to where a strip goes of a face that is wider."""
    view = band.view
    if band.high - band.low == view.wide:
        return ""
    low, high = (Fraction(round(n * 10), 10) for n in (band.low, band.high))
    _, near, far = read_from(view.part, view.face)
    below = far if view.mirrored and not view.turned else near
    axis = (
        tr("exports.its-axis-from-the", across=tape.write(band.row.across), near=near)
        if band.row
        else ""
    )
    return tr(
        "exports.the-strip-from-to-above-the",
        low=tape.write(low),
        high=tape.write(high),
        below=below,
        axis=axis,
    )
