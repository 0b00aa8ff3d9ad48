"""What both PDFs share: fonts, millimetres, fractions set as fractions."""

import io
import re
from collections.abc import Iterable
from functools import cache
from importlib.resources import files
from typing import Literal
from unicodedata import normalize

from reportlab import rl_config
from reportlab.lib.colors import Color, HexColor
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas

from yardcliff.core.shapes.geometry import Path
from yardcliff.exports.drawing import TEXT, Drawn, Ink, InkedPath
from yardcliff.exports.paper import Paper
from yardcliff.messages import tr

MM = 72 / 25.4
PAPERS: dict[str, tuple[float, float]] = {"a4": (297.0, 210.0), "letter": (279.4, 215.9)}
"""Landscape, mm."""
REGULAR, BOLD = "SourceSans3-Regular", "SourceSans3-SemiBold"
BOX = "\u25a1"
_INK = "#20303a"
_FRACTION = re.compile(r"(?<![\d/])(\d+)/(\d+)(?=\s?in\b|$)")


rl_config.useA85 = (
    0  # streams are bytes anyway: as text they are larger, and take a fifth of the time
)


@cache
def _colour(text: str) -> Color:
    return HexColor(text)


@cache
def _fonts() -> frozenset[str]:
    """The letters that both fonts have (scripts/fonts.py): Latin, Greek, Cyrillic."""
    letters = []
    for name in (REGULAR, BOLD):
        data = files("yardcliff.data").joinpath("fonts", f"{name}.ttf").read_bytes()
        font = TTFont(name, io.BytesIO(data))
        pdfmetrics.registerFont(font)
        letters.append(frozenset(map(chr, font.face.charToGlyph)))
    return letters[0] & letters[1]


class Page:
    """A canvas measured in millimetres from the lower left corner."""

    def __init__(self, paper: Paper, title: str) -> None:
        self._letters = _fonts()
        self._missing, self._told = set[str](), set[str]()
        self.width, self.height = PAPERS[paper]
        self._out = io.BytesIO()
        size = (self.width * MM, self.height * MM)
        # Invariant: the same rack gives the same bytes.
        self.canvas = Canvas(self._out, pagesize=size, invariant=1, pageCompression=1)
        self.canvas.setTitle(title)
        self.canvas.setCreator("Yardcliff")

    def turn(self) -> None:
        """On to the next page; letters that are no letters of the font are told at the foot of the
        first one that has them.
        """
        if fresh := sorted(self._missing - self._told):
            self._told |= self._missing
            codes = ", ".join(f"U+{ord(letter):04X}" for letter in fresh[:12]) + (
                " …" if len(fresh) > 12 else ""
            )
            self.text(
                self.width / 2,
                3,
                tr("exports.box-letter-this-papers-font-has", box=BOX, codes=codes),
                2.6,
                anchor="middle",
            )
        self.canvas.showPage()

    def written(self, text: str) -> str:
        """As it can be set: composed letters, and a box for each that the font has not."""
        composed = normalize("NFC", " ".join(text.split("\n")))
        missing = set(composed) - self._letters
        self._missing |= missing
        return (
            "".join(BOX if letter in missing else letter for letter in composed)
            if missing
            else composed
        )

    def finish(self) -> bytes:
        self.canvas.save()
        return self._out.getvalue()

    def clip(self, bottom: float, width: float, height: float) -> None:
        """From here on nothing is drawn outside `width` x `height` mm, nor below `bottom`, until
        the state is restored.
        """
        frame = self.canvas.beginPath()
        frame.rect(0, bottom * MM, width * MM, (height - bottom) * MM)
        self.canvas.clipPath(frame, stroke=0, fill=0)

    def shrink(self, x: float, y: float, share: float) -> None:
        """From here on everything is drawn at a share of its size about (x, y), until the state is
        restored.
        """
        self.canvas.translate(x * MM * (1 - share), y * MM * (1 - share))
        self.canvas.scale(share, share)

    def path(self, path: Path, ink: Ink) -> None:
        canvas, drawn = self.canvas, self.canvas.beginPath()
        for letter, numbers in path:
            ns = [n * MM for n in numbers]
            match letter:
                case "M":
                    drawn.moveTo(*ns)
                case "L":
                    drawn.lineTo(*ns)
                case "C":
                    drawn.curveTo(*ns)
                case _:
                    drawn.close()
        if ink.stroke:
            canvas.setStrokeColor(_colour(ink.stroke))
            canvas.setLineWidth(ink.width * MM)
        if ink.fill:
            canvas.setFillColor(_colour(ink.fill))
        canvas.setDash([n * MM for n in ink.dash])
        canvas.drawPath(drawn, stroke=int(bool(ink.stroke)), fill=int(bool(ink.fill)), fillMode=0)

    def drawing(self, drawn: Iterable[Drawn]) -> None:
        """A drawing that was laid out, its text over its lines."""
        texts = []
        for thing in drawn:
            if isinstance(thing, InkedPath):
                self.path(thing.path, thing.ink)
            else:
                texts.append(thing)
        for said in texts:
            self.text(said.x, said.y, said.text, TEXT, anchor="middle", turned=said.turned)

    def text(
        self,
        x: float,
        y: float,
        text: str,
        size: float = 3.2,
        *,
        font: str = REGULAR,
        anchor: Literal["start", "middle", "end"] = "start",
        colour: str = _INK,
        turned: bool = False,
    ) -> None:
        """`text` with its baseline at (x, y); `size` is the font's size in mm."""
        runs = _runs(self.written(text))
        width = sum(pdfmetrics.stringWidth(t, font, size * s) for t, s, _ in runs)
        canvas = self.canvas
        canvas.saveState()
        canvas.translate(x * MM, y * MM)
        if turned:
            canvas.rotate(90)
        canvas.setFillColor(_colour(colour))
        pen = {"start": 0.0, "middle": -width / 2, "end": -width}[anchor]
        for run, share, rise in runs:
            canvas.setFont(font, size * share * MM)
            canvas.drawString(pen * MM, rise * size * MM, run)
            pen += pdfmetrics.stringWidth(run, font, size * share)
        canvas.restoreState()

    def wrapped(self, x: float, y: float, width: float, text: str, size: float) -> float:
        """`text` broken to `width`; returns the y below the last line."""
        line = ""
        for word in [*self.written(text).split(), ""]:
            trial = f"{line} {word}".strip()
            if word and pdfmetrics.stringWidth(trial, REGULAR, size) <= width:
                line = trial
                continue
            self.text(x, y, line, size)
            y -= size * 1.3
            line = word
        return y


def _runs(text: str) -> list[tuple[str, float, float]]:
    """(text, share of the size, rise in sizes): `3/8` becomes a raised 3, a slash and a small 8."""
    runs: list[tuple[str, float, float]] = []
    at = 0
    for found in _FRACTION.finditer(text):
        runs += (
            [(text[at : found.start()].rstrip(" ") + "\u2009", 1, 0)] if found.start() > at else []
        )
        runs += [(found[1], 0.62, 0.3), ("\u2044", 0.95, 0), (found[2], 0.62, 0)]
        at = found.end()
    if at < len(text):
        runs.append((text[at:], 1, 0))
    return runs
