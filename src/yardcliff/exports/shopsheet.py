"""The shop sheet: one page with the drawing, the marks, the drilling and the cautions; behind it
the hole tables.
"""

from collections import Counter
from collections.abc import Iterator
from math import ceil
from typing import NamedTuple

from yardcliff.core.design.load_chain import NO_PROOF
from yardcliff.core.design.machining import (
    apart,
    depth,
    hole_tables,
    left,
    read_from,
    setting,
    stop,
    tool,
    what,
    where,
)
from yardcliff.core.design.rack_design import Design
from yardcliff.core.design.there import LONG
from yardcliff.core.findings.finding import Severity
from yardcliff.core.row.marking import Mark
from yardcliff.core.shapes.geometry import line
from yardcliff.core.shapes.scene import Scene
from yardcliff.core.strength.link import percent
from yardcliff.exports.drawing import Ink, lay_out
from yardcliff.exports.hole_columns import AT_ONCE, MARGIN, Columns
from yardcliff.exports.paper import Paper
from yardcliff.exports.pdf import BOLD, MM, Page
from yardcliff.messages import tr

RULE = Ink("#20303a", 0.2)
ROW = 4.6
TALL = 1.8
"""Below this width to height, the drawing stands beside the words."""
LOW_HEIGHT, LOWEST = 96.0, 92.0
"""Height of a low drawing; where the marks beside a tall one end at the latest: mm."""
SECTION_SHARE, BESIDE_TALL, PLAN_SHARE = 0.26, 0.3, 0.36
"""How much of the width the section takes beside a low drawing and a tall one; of the height, a
plan.
"""
SCALE_ROOM = 5.0
"""Under a drawing, where its scale is written, mm."""
SHARES, SMALL = (1.0, 0.93, 0.86, 0.8, 0.74, 0.68), (0.58, 0.5)
"""How large the words are, as a share of their full size: before the machining goes on to the next
page, and after.
"""
MOST = 84
"""Marks that fit on the page; the CSV has them all."""


def write_shopsheet(name: str, design: Design, paper: Paper) -> bytes:
    """The shop sheet as PDF. A tall rack stands at the left of its words, a low one above them."""
    page = Page(paper, tr("exports.shop-sheet", name=name))
    top = _head(page, name, design)
    width = page.width - 2 * MARGIN
    box = design.scene.extent
    tall = (box.x1 - box.x0) < TALL * (box.y1 - box.y0)
    if tall:
        split = MARGIN + width * 0.58
        beside = (split - MARGIN) * BESIDE_TALL
        _front(page, design, MARGIN, MARGIN, split - MARGIN - beside, top - 2 - MARGIN)
        _drawing(page, design.section, split - beside, MARGIN, beside, top - 2 - MARGIN)
        at = split + 4, top - 6
    else:
        beside = width * SECTION_SHARE
        _front(page, design, MARGIN, top - LOW_HEIGHT, width - beside, LOW_HEIGHT)
        _drawing(
            page, design.section, page.width - MARGIN - beside, top - LOW_HEIGHT, beside, LOW_HEIGHT
        )
        at = MARGIN, top - 4 - LOW_HEIGHT
    # As large as the page takes them: tried where nobody sees it.
    tries = [*((one, False) for one in SHARES), *((one, True) for one in (*SHARES, *SMALL))]
    share, overleaf = next(
        (
            each
            for each in tries
            if _words(Page(paper, ""), design, *at, each[0], tall=tall, overleaf=each[1]) >= MARGIN
        ),
        tries[-1],
    )
    _words(page, design, *at, share, tall=tall, overleaf=overleaf)
    page.turn()
    _holes(page, name, design, machining=overleaf)
    return page.finish()


def _holes(page: Page, name: str, design: Design, *, machining: bool) -> None:
    """The hole tables in two columns, as many pages as they take; before them the machining that
    found no room.
    """
    columns = Columns(page, name)
    if machining:
        columns.at = _drilling(page, design, columns.x, columns.at, columns.right) - 4
    for table in hole_tables(design):
        for k, face in enumerate(table.faces):
            for start in range(0, len(face.lines), AT_ONCE):
                columns.table(table, face, start, again=k > 0 or start > 0)
    page.turn()


def _words(
    page: Page,
    design: Design,
    x: float,
    y: float,
    share: float,
    *,
    tall: bool,
    overleaf: bool = False,
) -> float:
    """Marks, drilling and cautions from (x, y) to the page's right, at a share of their size;
    returns where they end.
    """
    page.canvas.saveState()
    page.shrink(x, y, share)
    right = x + (page.width - MARGIN - x) / share

    def down(to: float) -> float:
        return y - (y - to) / share

    drill = _overleaf if overleaf else _drilling
    if tall:
        end = drill(page, design, x, _marks(page, design, x, y, right, down(LOWEST)), right)
        end = _care(page, design, x, end, right)
    else:
        split = x + (right - x) * 0.56
        marked = _marks(page, design, x, y, split - 6, down(MARGIN + 6))
        drilled = drill(page, design, split, y, right)
        # The cautions stand where there is more room left.
        if drilled < marked:
            end = min(drilled, _care(page, design, x, marked, split - 6))
        else:
            end = min(marked + 6, _care(page, design, split, drilled, right))
    page.canvas.restoreState()
    return y - (y - end) * share


def _front(page: Page, design: Design, x: float, y: float, width: float, height: float) -> None:
    """The rack from the front, over its plan where it has one."""
    under = height * PLAN_SHARE if design.plan else 0.0
    _drawing(page, design.scene, x, y + under, width, height - under)
    if design.plan:
        _drawing(page, design.plan, x, y, width, under)


def _drawing(page: Page, scene: Scene, x: float, y: float, width: float, height: float) -> None:
    drawn, scale = lay_out(scene, width, height)
    page.canvas.saveState()
    page.canvas.translate(x * MM, y * MM)
    page.clip(SCALE_ROOM, width, height)
    page.drawing(drawn)
    page.canvas.restoreState()
    page.text(x + width - 6, y + 1, f"1 : {1 / scale:.1f}", 3, anchor="end")


def _head(page: Page, name: str, design: Design) -> float:
    """The name and what it is; returns where the rule under it is."""
    top = page.height - MARGIN
    row, tape, brief = design.rack.row, design.tape, design.brief
    page.text(MARGIN, top - 4, name, 6, font=BOLD)
    spaces = tr("exports.spaces", n=row.holders - 1)
    above = tr(
        "exports.foot-above-floor" if design.rack.up else "exports.axis-above-floor",
        hung=tape.write(brief.hung),
    )
    said = f"{design.rack.says}, {spaces}; {_parts(design)}; {above}"
    rule = page.wrapped(MARGIN, top - 9.5, page.width - 2 * MARGIN, said, 3.4) + 1.9
    page.path(line((MARGIN, rule), (page.width - MARGIN, rule)), RULE)
    return rule


def _parts(design: Design) -> str:
    """`shelf 570 mm × 90 mm × 18 mm`: each kind of part once, with how many there are."""
    tape = design.tape
    left = design.there.meant
    kinds = Counter(
        (
            part.name.rstrip(" 0123456789").lower(),
            left.get(LONG + part.key, part.along),
            part.face_width,
            part.thickness,
        )
        for part in design.rack.parts
    )
    said = []
    for (name, length, width, thick), count in kinds.items():
        size = f"{tape.write(length)} × {tape.write_fine(width)} × {tape.write_fine(thick)}"
        said.append(
            tr("exports.parts-each", count=count, name=name, size=size)
            if count > 1
            else tr("exports.part-of-size", name=name, size=size)
        )
    return ", ".join(said)


class _Line(NamedTuple):
    """A line among the marks: a group of rows, or how one of them stands."""

    text: str
    title: bool = False


def _marks(page: Page, design: Design, x: float, y: float, right: float, lowest: float) -> float:
    """The table of marks down to `lowest` at most; returns the y below it. Rows with the same marks
    share it.
    """
    tape = design.tape
    datum = tr("exports.the-foot") if design.rack.up else tr("exports.the-left-end-top-up")
    page.text(x, y, tr("exports.marks-from-the-datum", datum=datum), 4, font=BOLD)
    lines: list[_Line | Mark] = []
    for group in design.rack.alike:
        if design.rack.several or len(design.rack.alike) > 1:
            lines.append(_Line(design.rack.named(group), title=True))
            lines += [_Line(text) for k in group for text in _stands(design, k)]
        lines += design.marks_by_row[group[0]]
    shown = lines[:MOST]
    rows = min(max(1, int((y - lowest - 10.5) / ROW)), len(shown))
    columns = max(1, ceil(len(shown) / rows))
    width = (right - x) / max(columns, 2)
    for column in range(columns):
        at = x + column * width
        for offset, title in (
            (0.0, "exports.no"),
            (9.0, "exports.tape"),
            (9 + width * 0.36, "exports.exact"),
        ):
            page.text(at + offset, y - 5.5, tr(title), 2.8, colour="#5d6d74")
        for k, mark in enumerate(shown[column * rows : (column + 1) * rows]):
            line_y = y - 10.5 - k * ROW
            if isinstance(mark, _Line):
                if mark.title:
                    page.text(at, line_y, mark.text, 3.2, font=BOLD)
                else:
                    page.text(at + 2, line_y, mark.text, 2.8)
                continue
            page.text(at, line_y, str(mark.place + 1), 3.2)
            page.text(at + 9, line_y, tape.write(mark.exact), 3.6, font=BOLD)
            page.text(
                at + 9 + width * 0.36, line_y, tape.write_fine(mark.exact), 2.8, colour="#5d6d74"
            )
    if len(lines) > MOST:
        page.text(
            x,
            y - 11.5 - rows * ROW,
            tr("exports.more-see-marks-as-csv", count=len(lines) - MOST),
            3.2,
        )
    return y - 18 - rows * ROW


def _overleaf(page: Page, design: Design, x: float, y: float, right: float) -> float:
    """That the machining stands on the next page, and what is wrong; returns the y below."""
    page.text(x, y, tr("exports.drilling-machining-on-next-page"), 4, font=BOLD)
    return _trouble(page, design, x, y - 5.5, right)


def _stands(design: Design, k: int) -> Iterator[str]:
    """How a row stands on its board: from both edges, and from the row above it."""
    rack, tape = design.rack, design.tape
    row = rack.rows[k]
    part = rack.part(row.part)
    _, near, far = read_from(part, part.face)
    first = tr("exports.row", number=k + 1) if rack.several else ""
    yield tr(
        "exports.from-the-from-the",
        first=first,
        across=tape.write(row.across),
        near=near,
        face_width=tape.write(part.face_width - row.across),
        far=far,
    )
    if k and not rack.up:
        above = rack.rows[k - 1]
        yield tr("exports.below-row", y=tape.write(above.y - row.y), number=k)


def _drilling(page: Page, design: Design, x: float, y: float, right: float) -> float:
    """What is drilled, and what is wrong with it; returns the y below."""
    tape, width = design.tape, right - x
    page.text(x, y, tr("exports.drilling-and-machining-in-this-order"), 4, font=BOLD)
    y -= 5.5
    for step in design.machining:
        y = page.wrapped(
            x,
            y,
            width,
            f"{step.count} × {what(step)} ({where(step, design)}): {tool(step, tape)}",
            3.4,
        )
        said = ", ".join(filter(None, (depth(step, tape), setting(step), apart(step, design))))
        behind = tr("exports.web-left", left=left(step, tape)) if step.web is not None else ""
        y = page.wrapped(
            x, y, width, tr("exports.stop", said=said, behind=behind, stop=stop(step)), 3.4
        )
        y = page.wrapped(x, y, width, step.note, 3.2)
    for key in ("peg.cut",):
        figure = next((f for f in design.figures if f.key == key), None)
        if figure and not isinstance(figure.value, str):
            page.text(x, y, f"{figure.label}: {tape.write_fine(figure.value)}", 3.4)
            y -= 5
    return _trouble(page, design, x, y, right)


def _trouble(page: Page, design: Design, x: float, y: float, right: float) -> float:
    """What has to be looked at; returns the y below."""
    width = right - x
    trouble = [f for f in design.findings if f.severity is not Severity.NOTE]
    if trouble:
        page.text(x, y - 2, tr("exports.look-at-this-first"), 4, font=BOLD, colour="#b3261e")
        y -= 7
        for finding in trouble[:3]:
            y = page.wrapped(x, y, width, f"{finding.title}: {finding.message}", 3.2)
    return y


def _care(page: Page, design: Design, x: float, y: float, right: float) -> float:
    """The cautions; returns the y below them."""
    page.text(x, y - 2, tr("exports.take-care"), 4, font=BOLD)
    y -= 7
    general = tr("exports.eyes-ears-dust-mask-follow-manuals")
    weakest = design.chain.weakest
    held = (
        [
            tr(
                "exports.weakest-link-what-may-bear",
                name=weakest.name,
                percent=percent(weakest.share),
                no_proof=tr(NO_PROOF),
            )
        ]
        if weakest
        else []
    )
    for caution in (*held, *design.cautions, general):
        y = page.wrapped(x, y, right - x, caution, 3.2)
    return y
