"""The table of holes on a shop sheet, in as many columns as fit."""

from yardcliff.core.design.machining import FaceTable, HoleTable
from yardcliff.exports.pdf import BOLD, Page
from yardcliff.messages import tr

MARGIN = 12.0


GUTTER = 8.0
"""Between two columns of hole tables, mm."""


HOLE_ROW, AT_ONCE = 4.3, 30
"""From line to line of a hole table, mm, and how many lines stay together."""


HOLE_COLUMNS = (
    (0.0, "exports.no"),
    (0.055, "exports.column-along"),
    (0.17, "exports.column-across"),
    (0.275, "exports.column-rest"),
    (0.38, "exports.column-bit"),
    (0.47, "exports.column-deep"),
    (0.565, "exports.column-tilt"),
    (0.61, "exports.column-head"),
    (0.755, "exports.column-for"),
)
"""Where the columns of a hole table begin, as a share of its width, and the keys of their heads."""


class Columns:
    """Two columns to a page, filled from the top."""

    def __init__(self, page: Page, name: str) -> None:
        self.page, self.name, self.column = page, name, 0
        self._head()

    def _head(self) -> None:
        top = self.page.height - MARGIN
        self.page.text(
            MARGIN, top - 4, tr("exports.holes-part-by-part", name=self.name), 5, font=BOLD
        )
        self.at = top - 12

    @property
    def x(self) -> float:
        return MARGIN + self.column * (self.width + GUTTER)

    @property
    def right(self) -> float:
        return self.x + self.width

    @property
    def width(self) -> float:
        return (self.page.width - 2 * MARGIN - GUTTER) / 2

    def table(self, table: HoleTable, face: FaceTable, start: int, *, again: bool) -> None:
        """Some lines of a face, under what they are read from; in the next column where they find
        no room.
        """
        lines = face.lines[start : start + AT_ONCE]
        if self.at - HOLE_ROW * (len(lines) + 3) < MARGIN:
            self.column += 1
            if self.column > 1:
                self.page.turn()
                self.column = 0
            self.at = self.page.height - MARGIN - 12
            if self.column == 0:
                self._head()
        page, x, width = self.page, self.x, self.width
        title = f"{table.name}, {face.face}"
        if start:
            title = tr("exports.continued", title=title)
        page.text(x, self.at, title, 3.8, font=BOLD)
        self.at -= HOLE_ROW
        page.text(
            x,
            self.at,
            tr(
                "exports.along-from-across-from-from",
                along=face.along,
                across=face.across,
                rest=face.rest,
            ),
            2.8,
            colour="#5d6d74",
        )
        self.at -= HOLE_ROW
        for share, head in HOLE_COLUMNS:
            page.text(x + share * width, self.at, tr(head), 2.6, colour="#5d6d74")
        for one in lines:
            self.at -= HOLE_ROW
            said = (str(one.number), *one[1:])
            for (share, _), text in zip(HOLE_COLUMNS, said, strict=True):
                page.text(x + share * width, self.at, text, 2.9)
        self.at -= 1.6 * HOLE_ROW
