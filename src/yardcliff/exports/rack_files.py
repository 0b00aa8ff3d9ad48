"""The files that a rack can be had as, for whoever hands them out: which there are, and how each is
written.
"""

from collections.abc import Callable
from typing import Literal

from yardcliff.core.design.rack_design import Design
from yardcliff.exports.holes_csv import write_holes
from yardcliff.exports.marks_csv import write_marks
from yardcliff.exports.paper import Paper
from yardcliff.exports.rackfile import write_rackfile
from yardcliff.exports.svg import write_svg

RackFile = Literal[
    "template.pdf",
    "sheet.pdf",
    "putting-up.pdf",
    "wall-template.pdf",
    "drawing.svg",
    "holes.csv",
    "marks.csv",
    "rack.json",
]
MEDIA = {
    "pdf": "application/pdf",
    "svg": "image/svg+xml",
    "csv": "text/csv",
    "json": "application/json",
}


def write_rack_file(kind: RackFile, name: str, design: Design, paper: Paper) -> str | bytes:
    """A rack as a file; `paper` is for the PDFs."""
    return _WRITERS[kind](name, design, paper)


def _template(name: str, design: Design, paper: Paper) -> bytes:
    from yardcliff.exports.template import write_template  # reportlab is slow to import

    return write_template(name, design, paper)


def _sheet(name: str, design: Design, paper: Paper) -> bytes:
    from yardcliff.exports.shopsheet import write_shopsheet  # reportlab is slow to import

    return write_shopsheet(name, design, paper)


def _putting_up(name: str, design: Design, paper: Paper) -> bytes:
    from yardcliff.exports.wallsheet import write_wallsheet  # reportlab is slow to import

    return write_wallsheet(name, design, paper)


def _wall_template(name: str, design: Design, paper: Paper) -> bytes:
    from yardcliff.exports.walltemplate import write_walltemplate  # reportlab is slow to import

    return write_walltemplate(name, design, paper)


_WRITERS: dict[RackFile, Callable[[str, Design, Paper], str | bytes]] = {
    "template.pdf": _template,
    "sheet.pdf": _sheet,
    "putting-up.pdf": _putting_up,
    "wall-template.pdf": _wall_template,
    "drawing.svg": lambda name, design, _: write_svg(name, design),
    "holes.csv": lambda _, design, __: write_holes(design),
    "marks.csv": lambda _, design, __: write_marks(design),
    "rack.json": lambda name, design, _: write_rackfile(name, design.brief),
}
