"""The papers' fonts anew: `python scripts/fonts.py FOLDER`, with the files of the npm package
@fontsource/source-sans-3.

Needs fonttools and brotli, which nothing else here does: its result is kept in
src/yardcliff/data/fonts. The subsets of Latin, Greek and Cyrillic become one font a weight, with a
box for letters that it has not.
"""

import sys
from io import BytesIO
from pathlib import Path

from fontTools.merge import Merger  # type: ignore[import-not-found]
from fontTools.pens.ttGlyphPen import TTGlyphPen  # type: ignore[import-not-found]
from fontTools.ttLib import TTFont  # type: ignore[import-not-found]

SUBSETS = ("latin", "latin-ext", "greek", "greek-ext", "cyrillic", "cyrillic-ext")
WEIGHTS = {"Regular": 400, "SemiBold": 600}
BOX = "box"
UNUSED = ("GSUB", "GPOS", "GDEF", "fpgm", "prep", "cvt ", "gasp", "STAT", "HVAR", "MVAR")
"""Tables of layout and hinting: papers set letter by letter."""
FONTS = Path(__file__).parent.parent / "src/yardcliff/data/fonts"


def plain(file: Path) -> BytesIO:
    """A subset without compression and without what papers do not use."""
    font, out = TTFont(file), BytesIO()
    font.flavor = None
    for table in UNUSED:
        if table in font:
            del font[table]
    font.save(out)
    out.seek(0)
    return out


def boxed(font: TTFont) -> TTFont:
    """With U+25A1, an empty box."""
    pen = TTGlyphPen(None)
    for corners in (
        ((60, 0), (60, 660), (540, 660), (540, 0)),
        ((110, 50), (490, 50), (490, 610), (110, 610)),
    ):
        pen.moveTo(corners[0])
        for corner in corners[1:]:
            pen.lineTo(corner)
        pen.closePath()
    font.setGlyphOrder([*font.getGlyphOrder(), BOX])
    font["glyf"][BOX], font["hmtx"][BOX] = pen.glyph(), (600, 60)
    for table in font["cmap"].tables:
        table.cmap[0x25A1] = BOX
    return font


for name, weight in WEIGHTS.items():
    files = [
        plain(Path(sys.argv[1]) / f"source-sans-3-{subset}-{weight}-normal.woff2")
        for subset in SUBSETS
    ]
    boxed(Merger().merge(files)).save(FONTS / f"SourceSans3-{name}.ttf")
