"""Long things at true size over sheets that overlap: the sheets, their alignment crosses, the check
ruler.
"""

from dataclasses import dataclass

from yardcliff.core.shapes.geometry import line
from yardcliff.core.units.length import Tape
from yardcliff.exports.drawing import Ink
from yardcliff.exports.paper import Paper
from yardcliff.exports.pdf import BOLD, PAPERS, Page
from yardcliff.messages import tr

MARGIN = 12.0
"""Kept clear at the paper's edge: more than home printers need."""
OVERLAP = 16.0
"""Of one sheet with the next; the crosses stand in its middle."""
CROSS = 4.0

HEAVY, THIN, DASHED = (
    Ink("#000000", 0.35),
    Ink("#000000", 0.12),
    Ink("#000000", 0.12, None, (3, 1.5, 0.5, 1.5)),
)


@dataclass(frozen=True, slots=True)
class Sheet:
    """One sheet: the stretch of board that it shows, mm from the datum."""

    number: int
    start: float
    end: float

    def x(self, along: float) -> float:
        """Where on the paper a place along the board lies."""
        return MARGIN + along - self.start


def sheets(length: float, paper: Paper) -> list[Sheet]:
    """The sheets that a board of `length` takes; a small lead stands before the datum."""
    usable = PAPERS[paper][0] - 2 * MARGIN
    found: list[Sheet] = []
    start = -OVERLAP / 2
    while True:
        found.append(Sheet(len(found) + 1, start, start + usable))
        if start + usable >= length + OVERLAP / 2:
            return found
        start += usable - OVERLAP


def joins(sheet: Sheet, count: int) -> list[tuple[str, float]]:
    """Letter and place along the board of the crosses on a sheet."""
    found = [(sheet.number - 1, sheet.start + OVERLAP / 2)] if sheet.number > 1 else []
    found += [(sheet.number, sheet.end - OVERLAP / 2)] if sheet.number < count else []
    return [(_letters(number), at) for number, at in found]


def _letters(number: int) -> str:
    return (_letters((number - 1) // 26) if number > 26 else "") + chr(65 + (number - 1) % 26)


def crosses(page: Page, sheet: Sheet, count: int, heights: tuple[float, ...]) -> None:
    """The alignment crosses of a sheet: each lies on the one with the same letter of
    its neighbour.
    """
    for letter, along in joins(sheet, count):
        x = sheet.x(along)
        for y in heights:
            page.path(line((x - CROSS, y), (x + CROSS, y)), THIN)
            page.path(line((x, y - CROSS), (x, y + CROSS)), THIN)
            page.text(x + 1.2, y + 1.2, letter, 3.6, font=BOLD)


def check_ruler(page: Page, tape: Tape) -> None:
    """A ruler at the sheet's foot that tells whether it was printed at true size."""
    ruler, inch = 100.0, tape.unit == "in"
    ruler, ticks, label = (101.6, 16, "4 in") if inch else (ruler, 10, "100 mm")
    x, y = MARGIN, MARGIN + 4
    page.path(line((x, y), (x + ruler, y)), HEAVY)
    for i in range(ticks + 1):
        at = x + ruler * i / ticks
        page.path(line((at, y), (at, y + (4 if i in (0, ticks) else 2))), THIN)
    page.text(x + ruler + 4, y, tr("exports.check-this-ruler-must-measure-if", label=label), 3.2)
