"""Putting it up, on one page: the wall with the rack on it, the holes, the order of hands, tools
and cautions.
"""

from dataclasses import replace

from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.design.load_chain import NO_PROOF
from yardcliff.core.design.rack_design import Design
from yardcliff.core.shapes.geometry import line
from yardcliff.core.strength.link import percent
from yardcliff.core.wall.drawn import place_dimensions
from yardcliff.core.wall.options import verdict
from yardcliff.core.wall.putting_up import PutUp, put_up
from yardcliff.exports.drawing import Ink, lay_out
from yardcliff.exports.paper import Paper
from yardcliff.exports.pdf import BOLD, MM, Page
from yardcliff.messages import tr

MARGIN = 12.0
RULE = Ink("#20303a", 0.2)
TALL = 88.0
"""Height of the wall's drawing, mm."""
ROW = 4.4
HOLES = 26
"""Holes that fit in two columns; the rest are in the file."""
LINKS = 5
"""Of the links from thing to wall, the weakest, that are told."""
SHARES = (1.0, 0.92, 0.85, 0.78, 0.7, 0.62, 0.55)
"""How large the words are, as a share of their full size."""


class NotOnAWall(YardcliffError):
    def __init__(self) -> None:
        super().__init__(tr("exports.this-rack-on-no-wall-yet"))


def write_wallsheet(name: str, design: Design, paper: Paper) -> bytes:
    """The sheet as PDF. Raises `NotOnAWall`."""
    on, tape = design.on_wall, design.tape
    if on.site is None:
        raise NotOnAWall
    page = Page(paper, tr("exports.putting-it-up", name=name))
    top = page.height - MARGIN
    page.text(MARGIN, top - 4, tr("exports.putting-it-up", name=name), 6, font=BOLD)
    said = tr(
        "exports.on-from-its-left-corner-what",
        name=on.site.name,
        x=tape.write(on.spot.x),
        verdict=verdict(on.fixed),
    )
    page.text(MARGIN, top - 9.5, said, 3.4)
    page.path(line((MARGIN, top - 11.5), (page.width - MARGIN, top - 11.5)), RULE)
    _wall(page, design, top - 12.5)
    up = put_up(design.rack, on, tape)
    y = top - 18 - TALL
    share = next(
        (one for one in SHARES if _words(Page(paper, ""), design, up, y, one) >= MARGIN), SHARES[-1]
    )
    _words(page, design, up, y, share)
    page.turn()
    return page.finish()


def _wall(page: Page, design: Design, top: float) -> None:
    """The whole wall, to scale, with where the rack is on it."""
    on = design.on_wall
    assert on.site
    wall, x = on.site.wall, float(on.spot.x)
    box = replace(
        design.scene.extent, x0=-x, y0=0.0, x1=float(wall.width) - x, y1=float(wall.height)
    )
    scene = replace(
        design.scene,
        dimensions=tuple(place_dimensions(design.rack, on, design.tape)),
        extent=box,
        labels=(),
        strokes=tuple(stroke for stroke in design.scene.strokes if stroke.role != "person"),
    )
    width = page.width - 2 * MARGIN
    drawn, scale = lay_out(scene, width, TALL, walled=True)
    page.canvas.saveState()
    page.canvas.translate(MARGIN * MM, (top - TALL) * MM)
    page.drawing(drawn)
    page.canvas.restoreState()
    page.text(page.width - MARGIN, top - TALL + 1, f"1 : {1 / scale:.0f}", 3, anchor="end")


def _words(page: Page, design: Design, up: PutUp, y: float, share: float) -> float:
    """Holes, steps, tools and cautions below the wall, at a share of their size; returns where they
    end.
    """
    page.canvas.saveState()
    page.shrink(MARGIN, y, share)
    wide = (page.width - 2 * MARGIN) / share
    first, second = MARGIN + wide * 0.27, MARGIN + wide * 0.68
    ends = [
        _holes(page, design, up, MARGIN, y),
        _list(
            page,
            tr("exports.in-this-order"),
            [f"{k}. {step.do}" for k, step in enumerate(up.steps, 1)],
            first,
            y,
            wide * 0.39,
        ),
        _list(page, tr("exports.have-at-hand"), list(up.at_hand), second, y, wide * 0.32),
    ]
    chain = design.chain
    links = [f"{link.name}: {percent(link.share)}" for link in chain.links[:LINKS]]
    held = [*links, *chain.assumed, tr(NO_PROOF)]
    ends[1] = _list(
        page, tr("exports.what-holds-it-the-weakest-first"), held, first, ends[1] - 4, wide * 0.39
    )
    ends[2] = _list(
        page, tr("exports.take-care"), list(up.cautions), second, ends[2] - 4, wide * 0.32
    )
    page.canvas.restoreState()
    return y - (y - min(ends)) * share


def _holes(page: Page, design: Design, up: PutUp, x: float, y: float) -> float:
    page.text(x, y, tr("exports.holes-in-the-wall"), 4, font=BOLD)
    for offset, title in (
        (0.0, tr("exports.no")),
        (9.0, tr("exports.from-the-left")),
        (32.0, tr("exports.from-the-floor")),
        (56.0, tr("exports.in")),
    ):
        page.text(x + offset, y - 5.5, title, 2.8, colour="#5d6d74")
    at = y - 10.5
    for hole in up.holes[:HOLES]:
        page.text(x, at, str(hole.number), 3.4, font=BOLD)
        page.text(x + 9, at, design.tape.write(hole.x), 3.4)
        page.text(x + 32, at, design.tape.write(hole.y), 3.4)
        page.text(x + 56, at, hole.into, 3)
        at -= ROW
    if len(up.holes) > HOLES:
        page.text(x, at, tr("exports.and-more-as-far-apart-again", count=len(up.holes) - HOLES), 3)
        at -= ROW
    return at


def _list(page: Page, title: str, lines: list[str], x: float, y: float, width: float) -> float:
    page.text(x, y, title, 4, font=BOLD)
    y -= 5.5
    for each in lines:
        y = page.wrapped(x, y, width, each, 3.2) - 0.6
    return y
