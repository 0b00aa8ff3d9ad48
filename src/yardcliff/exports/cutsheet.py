"""The cut plan on paper, to take to the saw: each stick to scale with its running marks and the
order of its cuts; then the stop block's settings and what to buy.
"""

from collections.abc import Callable, Iterator, Sequence

from yardcliff.core.shapes.geometry import Path, line
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.text import shortened
from yardcliff.core.wood.cost import Line
from yardcliff.core.wood.cut_order import at_the_saw, order
from yardcliff.core.wood.layout import Sawn, marks, plain, stops
from yardcliff.core.wood.rack_timber import Timber
from yardcliff.exports.drawing import Ink
from yardcliff.exports.paper import Paper
from yardcliff.exports.pdf import BOLD, Page
from yardcliff.messages import tr

MARGIN, LEAST = 12.0, 5.0
"""Of the page; how thick a thin stick is drawn, mm."""
WOOD, REST, MARK, FLAW, BEHIND = (
    Ink("#20303a", 0.35, "#efe0c2"),
    Ink("#7c898e", 0.25),
    Ink("#b3261e", 0.35),
    Ink("#7a4b00", 0.3, "#fbeac4"),
    Ink("#7a4b00", 0.25, dash=(1.0, 0.8)),
)
SOFT, RED = "#5d6d74", "#b3261e"
LETTER = 1.9
"""About how wide a letter of 3.2 is, mm."""
Money = Callable[[int], str]


def write_cutsheet(name: str, found: Timber, tape: Tape, paper: Paper, money: Money) -> bytes:
    """The sheet as PDF; `money` writes hundredths as the reader does."""
    page = Page(paper, tr("exports.cut-plan", name=name))
    y = _head(
        page,
        tr("exports.cut-plan", name=name),
        tr("exports.each-cut-takes-marks-run-from", kerf=tape.write_fine(found.plan.kerf)),
    )
    longest = max((float(sawn.source.long) for sawn in found.plan.sawn), default=1.0)
    scale = (page.width - 2 * MARGIN) / longest
    for sawn in found.plan.sawn:
        steps = order(sawn, found.plan.means, tape)
        tall = max(float(sawn.source.section.wide) * scale, LEAST)
        if y - tall - 16 - 4.2 * len(steps) < MARGIN:
            page.turn()
            y = _head(page, tr("exports.cut-plan", name=name), tr("exports.carried-on"))
        y = _stick(page, sawn, steps, tape, found.plan.kerf, scale, tall, y)
    page.turn()
    y = _head(page, tr("exports.stop-block-and-what-to-buy", name=name), at_the_saw(())[0])
    half = page.width / 2
    _stops(page, found, tape, y)
    _list(page, found.lines, half, y, money, money(found.cost.total))
    page.turn()
    return page.finish()


def _head(page: Page, title: str, says: str) -> float:
    top = page.height - MARGIN
    page.text(MARGIN, top - 4, title, 6, font=BOLD)
    page.text(MARGIN, top - 9.5, says, 3.4)
    page.path(line((MARGIN, top - 11.5), (page.width - MARGIN, top - 11.5)), WOOD)
    return top - 17


def _box(x0: float, y0: float, x1: float, y1: float) -> Path:
    return (*line((x0, y0), (x1, y0), (x1, y1), (x0, y1)), ("Z", ()))


def _stick(
    page: Page,
    sawn: Sawn,
    steps: Sequence[str],
    tape: Tape,
    kerf: Fraction,
    scale: float,
    tall: float,
    y: float,
) -> float:
    """One stick from `y` down; returns where the next begins."""
    source = sawn.source
    said = f"{source.name}, {tape.write(source.long)}"
    said += f", {tr('exports.on-hand')}" if source.on_hand else ""
    page.text(MARGIN, y, f"{said}{f' ({source.note})' if source.note else ''}", 3.6, font=BOLD)
    low, up = y - 2.5 - tall, tall / float(source.section.wide)

    def at(x: object, across: object) -> tuple[float, float]:
        return MARGIN + float(x) * scale, low + float(across) * up  # type: ignore[arg-type]

    page.path(_box(*at(0, 0), *at(source.long, source.section.wide)), REST)
    for laid in sawn.laid:
        (x0, y0), (x1, y1) = at(laid.start, laid.low), at(laid.end, laid.high)
        page.path(_box(x0, y0, x1, y1), WOOD)
        words = [
            f"{laid.piece.name}, {tape.write_given(laid.long)}",
            laid.piece.name,
            laid.piece.name.split()[-1],
        ]
        x0, x1 = (at(x, 0)[0] for x in plain(sawn, laid))
        fits = next((text for text in words if len(text) * LETTER < x1 - x0 - 1), "")
        page.text((x0 + x1) / 2, (y0 + y1) / 2 - 1.1, fits, 3.2, anchor="middle")
    for flaw in source.flaws:
        box = _box(*at(flaw.at, 0), *at(min(flaw.end, source.long), source.section.wide))
        page.path(box, BEHIND if flaw.back else FLAW)
    free = MARGIN - 20
    if len({laid.low for laid in sawn.laid}) == 1:
        for laid, mark in marks(sawn, kerf):
            x, text = at(laid.end, 0)[0], tape.write_given(mark)
            page.path(line((x, low - 1.2), (x, low + 1.2)), MARK)
            if x - len(text) * LETTER / 2 > free:
                page.text(x, low - 4.2, text, 3, anchor="middle", colour=RED)
                free = x + len(text) * LETTER / 2 + 1
    y = low - 8.5
    for k, step in enumerate(steps, 1):
        y = page.wrapped(MARGIN + 2, y, page.width - 2 * MARGIN - 4, f"{k}. {step}", 3.2)
    return y - 3


def _stops(page: Page, found: Timber, tape: Tape, y: float) -> None:
    page.text(MARGIN, y, tr("exports.stop-block"), 4, font=BOLD)
    y -= 5.5
    for long, them in stops(found.plan):
        if y < MARGIN + 4:
            break
        names = ", ".join(piece.name for piece in them)
        y = (
            page.wrapped(
                MARGIN, y, page.width / 2 - MARGIN - 8, f"{tape.write_given(long)}: {names}", 3.2
            )
            - 0.8
        )


def _list(page: Page, lines: Sequence[Line], x: float, y: float, money: Money, total: str) -> None:
    page.text(x, y, tr("exports.to-buy"), 4, font=BOLD)
    right = page.width - MARGIN
    for name, many, cost in _rows(lines, money):
        y -= 5
        if y < MARGIN + 6:
            page.text(x, y, tr("exports.more-see-shopping-list-as-file"), 3, colour=SOFT)
            break
        page.text(x, y, shortened(name, 62), 3.2)
        page.text(right - 24, y, many, 3.2, anchor="end")
        page.text(right, y, cost, 3.2, anchor="end")
    page.text(right, y - 6.5, total, 4, font=BOLD, anchor="end")


def _rows(lines: Sequence[Line], money: Money) -> Iterator[tuple[str, str, str]]:
    for one in lines:
        yield (
            one.name,
            one.bought if one.packs else tr("exports.on-hand"),
            "" if one.total is None else money(one.total),
        )
