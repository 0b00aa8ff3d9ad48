"""The files that a rack can be had as, for whoever hands them out: which there are, and how each is
written.
"""

import io
from collections.abc import Callable, Sequence
from typing import Literal
from zipfile import ZIP_DEFLATED, ZipFile

from yardcliff.core.base.errors import named
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


def safe(name: str) -> str:
    """A name as the beginning of a file's."""
    return (
        "".join(c if c.isalnum() and c.isascii() else "-" for c in name.lower()).strip("-")
        or "rack"
    )


def zipped(racks: Sequence[tuple[str, Design]]) -> bytes:
    """Racks by their names as rack files in one ZIP; numbered, since two may be called alike."""
    packed = io.BytesIO()
    with ZipFile(packed, "w", ZIP_DEFLATED) as archive:
        for number, (name, design) in enumerate(racks, 1):
            file = f"{number:03} {safe(name)}-rack.json"
            archive.writestr(file, write_rackfile(name, design.brief))
    return packed.getvalue()


def bound(kind: RackFile, racks: Sequence[tuple[str, Design]], paper: Paper) -> bytes:
    """The PDFs of racks one behind the other, a bookmark at each. What cannot be written says of
    which rack.
    """
    from pypdf import PdfWriter  # slow to import

    whole, out = PdfWriter(), io.BytesIO()
    for name, design in racks:
        with named(name):
            part = write_rack_file(kind, name, design, paper)
        assert isinstance(part, bytes)
        whole.append(io.BytesIO(part), outline_item=name, import_outline=False)
    whole.write(out)
    return out.getvalue()


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
