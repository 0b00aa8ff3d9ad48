"""A lag screw as a hook: screwed in until its head stands off the board, which keeps a loop from
sliding off.

As a cantilever its greatest stress is 32 F a / (pi d^3) at the face, with F at a distance a from
it.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from math import sqrt
from typing import Literal, cast

from yardcliff.core.base.model import Frozen
from yardcliff.core.brief.choices import Field, Option, Section
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders.fitting import AXIS, Fitting, Ground, half, pilots
from yardcliff.core.holders.hook import BACK, EDGE, END_DIAMETERS
from yardcliff.core.holders.hook_fit import LEVERED, RATED, force_input
from yardcliff.core.materials.goods import Goods, Ware
from yardcliff.core.materials.sold import lag_lengths
from yardcliff.core.rack import Bore, Glyph, Putting
from yardcliff.core.shapes.geometry import Path, cross, line, rectangle, rounded
from yardcliff.core.shapes.scene import Stroke
from yardcliff.core.strength.link import Link, percent
from yardcliff.core.strength.stick import levers
from yardcliff.core.strength.stick import stress as bent
from yardcliff.core.strength.wood import embedding, thread, withdrawal
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Size, exact_text, size_text
from yardcliff.core.units.length_text import read
from yardcliff.core.units.trade import Trade, called, usual
from yardcliff.data import table, values
from yardcliff.messages import tr

LagSize = Literal["6 mm", "8 mm", "10 mm", "1/4 in", "5/16 in", "3/8 in"]
HOLD = 4
"""Least in the wood, in diameters, to take a tug: rule of thumb."""
ALLOWED = 120
"""What mild steel may bear, MPa: half of where it yields."""
ZERO = Fraction(0)

SHANK, HEAD = 0.6, 0.85
"""How thick a lag bolt is, as a share of its head; how high that is, as a share of half its width:
as drawn.
"""


class Bolt(Frozen):
    """`size` names its diameter; `length` is under the head, of which so much is `showing`."""

    kind: Literal["bolt"] = "bolt"
    size: LagSize = called("8 mm", "5/16 in")
    length: Size = usual("80 mm", "3 in")
    showing: Size = usual("45 mm", "1 3/4 in")


def measures(bolt: Bolt) -> dict[str, Fraction]:
    """Diameter, across flats, head and pilots of a lag screw, mm (lags.csv)."""
    row = values("lags", bolt.size)
    return {name: read(text) for name, text in row.items() if name != "washer"}


def lags(trade: Trade) -> tuple[LagSize, ...]:
    """The lag screws of a trade, thin ones first."""
    return tuple(cast(LagSize, row["key"]) for row in table("lags", trade))


def stress(bolt: Bolt, force: float) -> float:
    """The bending stress at the face of a bolt that is loaded under its head, MPa."""
    return bent(float(measures(bolt)["diameter"]), float(bolt.showing), force)


def in_board(bolt: Bolt, ground: Ground, force: float) -> float:
    """How much of what it may bear its thread does in the board: levered up and down in its hole,
    or pulled straight out.
    """
    diameter, deep = float(measures(bolt)["diameter"]), held(bolt, ground)
    may_pull = withdrawal(
        ground.wood, diameter, thread(float(bolt.length), deep, diameter), lag=True
    )
    drawn = force / may_pull if may_pull else float("inf")
    return (
        max(drawn, levers(ground.wood, diameter, float(bolt.showing), deep, force))
        if force
        else 0.0
    )


def held(bolt: Bolt, ground: Ground) -> float:
    """How much of it is in the board, and not beyond it, mm."""
    return float(max(min(bolt.length - bolt.showing, ground.thickness), ZERO))


def links(bolt: Bolt, ground: Ground) -> Iterator[Link]:
    """What may give way: the bolt at the face, or its thread in the board."""
    force = ground.pulled.force
    yield Link("hook", tr("link.bolt-at-the-face"), stress(bolt, force) / ALLOWED, "bolt.stress")
    yield Link("screw", tr("link.bolts-thread"), in_board(bolt, ground, force), "bolt.hold")


@dataclass(frozen=True, slots=True)
class BoltGlyph(Glyph):
    """A lag bolt's shank and its head, which things hang behind."""

    called = "bolt"
    rest = Fraction(1, 2)
    stem = 0.34
    putting = Putting("putting.bolt.title", "putting.bolt.line", "putting.bolt.check")

    def front(self, bores: Sequence[Bore]) -> tuple[Stroke, ...]:
        half, side = float(self.width) / 2, float(self.width) / sqrt(3)
        flats = (
            (side, 0),
            (side / 2, half),
            (-side / 2, half),
            (-side, 0),
            (-side / 2, -half),
            (side / 2, -half),
        )
        return Stroke("holder", (*line(*flats), ("Z", ()))), Stroke("mark", cross(0, 0, half / 2))

    def beside(self, bores: Sequence[Bore], outline: Path | None) -> Iterator[Stroke]:
        half, out = float(self.width) / 2, float(self.out)
        head = half * HEAD
        yield Stroke("holder", rectangle(0, -half * SHANK, out - head, 2 * half * SHANK))
        yield Stroke("holder", rectangle(out - head, -half, head, 2 * half))


def fit(bolt: Bolt, ground: Ground) -> Fitting:
    """Fit lag bolts to a board; findings carry (0, 0), the bolt's axis."""
    known = measures(bolt)
    across, bit, deep = known["across"], known[ground.wood], bolt.length - bolt.showing
    return Fitting(
        name=tr("holders.lag-bolts", n=2),
        noun=tr("holders.lag-bolts", n=1),
        reach=half(across),
        glyph=BoltGlyph(across, across, out=bolt.showing + known["head"]),
        bores=(Bore("pilot hole", ZERO, bit, max(deep, ZERO), 0),),
        end_distance=max(known["diameter"] * END_DIAMETERS, across / 2),
        end_why=tr("holders.diameters-from-end-so-does-not", end_diameters=END_DIAMETERS),
        hang_drop=ZERO,
        figures=tuple(_figures(bolt, ground)),
        findings=tuple(_findings(bolt, ground)),
        machining=(
            pilots(
                ground,
                AXIS,
                bit,
                max(deep, ZERO),
                tr("holders.turn-each-in-with-spanner-against"),
                (Ware(Goods.LAG_SCREW, 1, (bolt.size, size_text(bolt.length, ground.sizes))),),
            ),
        ),
        cautions=(tr("caution.spanner-slips-takes-knuckles-along-pull"),),
        links=tuple(links(bolt, ground)),
    )


def _figures(bolt: Bolt, ground: Ground) -> Iterator[Figure]:
    known, deep = measures(bolt), bolt.length - bolt.showing
    d = Input("d", tr("input.bolt"), known["diameter"])
    length, showing = (
        Input("l", tr("input.under-the-head"), bolt.length),
        Input("o", tr("input.showing"), bolt.showing),
    )
    yield figure(
        "bolt.pilot",
        known[ground.wood],
        tr("bolt.pilot.formula", size=bolt.size, wood=ground.wood),
        (d, Input("w", tr("input.wood"), ground.wood)),
        fine=True,
    )
    yield figure("bolt.deep", deep, "l − o", (length, showing), fine=True)
    yield figure(
        "bolt.back",
        ground.thickness - deep,
        "T − i",
        (
            Input("T", tr("input.board"), ground.thickness),
            Input("i", tr("input.in-the-board"), deep),
        ),
        fine=True,
    )
    yield figure(
        "bolt.stress",
        f"{stress(bolt, ground.pulled.force):.0f} MPa",
        "32 · F · a / (π · d³)",
        (force_input(ground.pulled), Input("a", tr("input.under-its-head"), bolt.showing), d),
        allowed=ALLOWED,
    )
    diameter = float(known["diameter"])
    may = withdrawal(
        ground.wood, diameter, thread(float(bolt.length), held(bolt, ground), diameter), lag=True
    )
    yield Figure(
        "bolt.hold",
        tr("bolt.hold.label"),
        percent(in_board(bolt, ground, ground.pulled.force)),
        LEVERED,
        (
            force_input(ground.pulled),
            Input("P", tr("input.may-be-pulled"), f"{may:.1f} N"),
            Input("a", tr("input.under-its-head"), bolt.showing),
            d,
            Input("e", tr("input.in-the-board"), rounded(held(bolt, ground))),
            Input(
                "s", tr("input.its-hole-may-bear"), f"{embedding(ground.wood, diameter):.2f} MPa"
            ),
        ),
        tr(RATED),
    )


def _findings(bolt: Bolt, ground: Ground) -> Iterator[Finding]:
    known, deep = measures(bolt), bolt.length - bolt.showing
    least = HOLD * known["diameter"]
    stays, edge_least = BACK.of(ground.sizes), EDGE.of(ground.sizes)
    if deep < least:
        longer = ground.lag(bolt.showing + least)
        yield Finding(
            "bolt.shallow",
            tr("part.bolt"),
            tr("bolt.shallow"),
            tr("quantity.in-the-board"),
            deep,
            least,
            fixes=(
                Fix(
                    tr("fix.bolts", longer=ground.text(longer)),
                    {"holder": {"length": exact_text(longer)}},
                ),
            ),
        )
    if ground.thickness - deep < stays:
        yield Finding(
            "bolt.through",
            tr("part.bolt"),
            tr("bolt.through"),
            tr("quantity.wood-behind-the-point"),
            ground.thickness - deep,
            stays,
            fixes=(ground.thicker(max(deep, least) + stays),),
        )
    edge = min(ground.line, ground.height - ground.line) - known["across"] / 2
    if edge < edge_least:
        yield Finding(
            "board.narrow",
            tr("part.board"),
            tr("board.narrow.head-stands-out-over-boards-edge"),
            tr("quantity.wood-beside-the-head"),
            edge,
            edge_least,
            fixes=(ground.wider(known["across"] + 2 * edge_least, line=None),),
        )
    force = ground.pulled.force
    found = stress(bolt, force)
    if found > ALLOWED:
        short = ground.down(rounded(float(bolt.showing) * ALLOWED / found))
        sizes = (bolt.changed({"size": size}) for size in lags(ground.sizes))
        thicker = next((other.size for other in sizes if stress(other, force) <= ALLOWED), None)
        yield Finding(
            "bolt.strength",
            tr("part.bolt"),
            tr("bolt.strength"),
            tr("quantity.bending-stress"),
            f"{found:.0f} MPa",
            f"{ALLOWED} MPa",
            fixes=(
                *(
                    (
                        Fix(
                            tr("fix.showing", short=ground.text(short)),
                            {"holder": {"showing": exact_text(short)}},
                        ),
                    )
                    if short
                    else ()
                ),
                *(
                    (Fix(tr("fix.bolts", longer=thicker), {"holder": {"size": thicker}}),)
                    if thicker
                    else ()
                ),
            ),
        )
    share = in_board(bolt, ground, force)
    if share > 1:
        yield Finding(
            "bolt.hold",
            tr("part.bolt"),
            tr("bolt.hold"),
            tr("quantity.of-what-it-may-bear"),
            percent(share),
            "100%",
            fixes=tuple(_firmer(bolt, ground)),
        )


def _firmer(bolt: Bolt, ground: Ground) -> Iterator[Fix]:
    """A hardwood board, a thicker board with longer bolts."""
    force = ground.pulled.force
    if ground.wood != "hardwood" and in_board(bolt, replace(ground, wood="hardwood"), force) <= 1:
        yield Fix(tr("fix.a-hardwood-board-2"), {"board": {"wood": "hardwood"}})
    for length in lag_lengths(ground.sizes):
        longer = bolt.changed({"length": length})
        if length > bolt.length and in_board(longer, ground, force) <= 1:
            deep = length - bolt.showing
            thick = max(ground.board(deep + BACK.of(ground.sizes)), ground.thickness)
            yield Fix(
                tr("fix.bolts-board-thick", length=ground.text(length), thick=ground.text(thick)),
                {
                    "holder": {"length": exact_text(length)},
                    "board": {"thickness": exact_text(thick)},
                },
            )
            return


def choices(trade: Trade) -> Section:
    """What lag bolts alone are asked."""
    sizes = tuple(Option(size, size) for size in lags(trade))
    fields = (
        Field("holder.size", tr("holders.bolt"), sizes),
        Field("holder.length", tr("holders.long")),
        Field("holder.showing", tr("holders.showing")),
    )
    return Section(
        tr("section.lag-bolts"),
        fields,
        ("bolt.pilot", "bolt.deep", "bolt.back", "bolt.stress", "bolt.hold"),
    )
