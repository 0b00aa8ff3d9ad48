"""A shelf above the rail: what it is asked, its figures and its findings."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from typing import Literal

from yardcliff.core.base.model import Frozen
from yardcliff.core.findings.finding import Finding, Fix, Patch
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.materials.sold import thicknesses
from yardcliff.core.rack import Part
from yardcliff.core.row.row import Row
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.strength.body import Shelf
from yardcliff.core.strength.force import SMALL, newtons
from yardcliff.core.strength.link import percent
from yardcliff.core.strength.wood import bending
from yardcliff.core.things.item import Weight
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, Tape, exact_text
from yardcliff.core.units.trade import Trade, called, down, either, up, usual
from yardcliff.core.ways.joinery import APART, REACH
from yardcliff.messages import tr

UPSTAND = either("20 mm", "3/4 in")
"""Of the rail above a shelf that is let into it, mm."""


LET_IN = Fraction(1, 3)
"""How deep a shelf is let in, as a share of the rail's thickness."""


TIPS = either("100 mm", "4 in")
"""A shelf that stands out further wants brackets, mm: rule of thumb."""


THINNEST = either("12 mm", "1/2 in")
"""Thinner brackets are not proposed."""
CLEAR = either("5 mm", "1/4 in")
"""Between a holder and the shelf, mm."""


ZERO = Fraction(0)


class TopShelf(Frozen):
    """`depth` stands out in front of the rail, and `past` each of its ends; `bracket` thick, or 0
    for none; the `lip` stands so high above the shelf, and a `load` on it.
    """

    joint: Literal["none", "on top", "let in"] = "none"
    depth: Size = usual("150 mm", "5 1/2 in")
    thickness: Size = usual("18 mm", "3/4 in")
    past: Gap = usual("20 mm", "3/4 in")
    bracket: Gap = usual("18 mm", "3/4 in")
    lip: Gap = usual("20 mm", "3/4 in")
    load: Weight = called(6000, "15 lb")


@dataclass(frozen=True, slots=True)
class Above:
    """What is below the shelf: the rail, its holders, its first row, the axis on the wall, how far
    things and holders rise above it, how far they have to be lifted; and the tape in hand.
    """

    rail: Part
    fitted: Fitting
    row: Row
    axis: Fraction
    rises: Fraction
    holder: Fraction
    lift: Fraction
    tape: Tape


def loaded(shelf: TopShelf, above: Above) -> Shelf:
    """The shelf in its widest span between brackets, or past the last, with its share of the load;
    without brackets on its rail all along.
    """
    at = [x + wide / 2 for x, wide in place_brackets(shelf, above)]
    long = above.rail.length + 2 * shelf.past
    ends = [at[0] + shelf.past, long - shelf.past - at[-1]] if at else []
    # A free end bends as the middle of a span twice as long does.
    span = max([*(b - a for a, b in pairwise(at)), *(2 * end for end in ends), ZERO])
    load = newtons(shelf.load) * min(float(span / long), 1.0)
    return Shelf(
        above.rail.wood, float(shelf.depth), float(shelf.thickness), float(span), load, SMALL
    )


def let_in(shelf: TopShelf, rail: Part) -> Fraction:
    """How deep the shelf is let into the rail, mm."""
    return rail.depth * LET_IN if shelf.joint == "let in" else ZERO


def underside(shelf: TopShelf, rail: Part, trade: Trade) -> Fraction:
    """The shelf's lower face above the floor, mm."""
    top = rail.y + rail.height
    return top - UPSTAND.of(trade) - shelf.thickness if shelf.joint == "let in" else top


def _gaps(above: Above) -> list[tuple[Fraction, Fraction]]:
    """Where nothing hangs: before the first thing, between two, and beyond the last: (start, end)
    along the rail.
    """
    row = above.row
    edges = [
        edge
        for thing, centre in zip(row.things, row.centres, strict=True)
        for edge in (centre - thing.reach.left, centre + thing.reach.right)
    ]
    ends = [ZERO, *edges, row.length]
    return list(zip(ends[::2], ends[1::2], strict=True))


def place_brackets(shelf: TopShelf, above: Above) -> list[tuple[Fraction, Fraction]]:
    """Where brackets stand, from the datum, and how thick: the outermost room first, then as few as
    keep them near enough.
    """
    thick, length = shelf.bracket, above.row.length
    gaps = _gaps(above)
    room = [
        (start, end) for start, end in gaps if end - start >= thick and start >= 0 and end <= length
    ]
    if not thick or not room:
        return []
    # At the ends flush with them, else in the middle of their gap.
    places = sorted(
        {
            ZERO if start == 0 else length - thick if end == length else (start + end - thick) / 2
            for start, end in room
        }
    )
    chosen = [places[0]]
    for place, after in zip(places[1:], [*places[2:], None], strict=False):
        if after is None or after - chosen[-1] > APART.of(above.tape.sizes):
            chosen.append(place)
    return [(place, thick) for place in chosen]


def figures(shelf: TopShelf, above: Above, parts: Sequence[Part]) -> Iterator[Figure]:
    """How far it stands out, and what its joint or its brackets bear."""
    rail = above.rail
    length, past = (
        Input("L", tr("input.rail"), rail.length),
        Input("e", tr("input.past-each-end"), shelf.past),
    )
    yield Figure(
        "overall",
        tr("overall.label.shelf-long"),
        rail.length + 2 * shelf.past,
        "L + 2 · e",
        (length, past),
        tr("overall.why.it-covers-the-rails-ends"),
    )
    deep = let_in(shelf, rail)
    behind = Input(
        "b", tr("input.in-the-rail") if deep else tr("input.on-the-rail"), deep or rail.depth
    )
    yield figure(
        "top.wide",
        parts[0].depth,
        "o + b",
        (Input("o", tr("input.stands-out"), shelf.depth), behind),
    )
    high, low = (
        max(part.y + part.height for part in parts),
        min(rail.y, *(part.y for part in parts)),
    )
    yield Figure(
        "tall",
        tr("tall.label.over-all-tall"),
        max(high, rail.y + rail.height) - low,
        tr("tall.formula"),
        (),
        tr("tall.why.rail-shelf-and-lip-together"),
    )
    yield figure(
        "top.room",
        underside(shelf, rail, above.tape.sizes) - above.axis,
        "s − h",
        (
            Input("s", tr("input.shelfs-underside"), underside(shelf, rail, above.tape.sizes)),
            Input("h", tr("input.holders"), above.axis),
        ),
    )
    on = loaded(shelf, above)
    yield figure(
        "shelf.bends",
        percent(on.share),
        "(F · L / 4 + W · L / 8) / (b · t² / 6) / s",
        (
            Input("F", tr("input.a-hand"), f"{on.hand:.0f} N"),
            Input("W", tr("input.stands-on-it-there"), f"{on.load:.1f} N"),
            Input("L", tr("input.widest-span"), rounded(on.span)),
            Input("b", tr("input.deep"), shelf.depth),
            Input("t", tr("input.thick"), shelf.thickness),
            Input("s", tr("input.may-bear"), f"{bending(on.wood):.1f} MPa"),
        ),
    )
    brackets = place_brackets(shelf, above)
    yield figure(
        "top.brackets",
        str(len(brackets)),
        tr("top.brackets.formula"),
        (),
        apart=above.tape.write_fine(APART.of(above.tape.sizes)),
    )
    if brackets:
        yield figure(
            "top.reach",
            shelf.depth * REACH,
            "o · r",
            (
                Input("o", tr("input.stands-out"), shelf.depth),
                Input("r", tr("input.share"), f"{float(REACH):g}"),
            ),
        )


def findings(shelf: TopShelf, above: Above) -> Iterator[Finding]:
    """No room under it or for its brackets, or a joint that may give way."""
    rail, tape, trade = above.rail, above.tape, above.tape.sizes
    room, need = (
        underside(shelf, rail, above.tape.sizes) - above.axis,
        max(above.rises + above.lift, above.holder + CLEAR.of(trade)),
    )
    if room < need:
        line = above.axis - rail.y
        taller = up(rail.height + need - room, trade)
        change: Patch = {"line": exact_text(line), "board": {"height": exact_text(taller)}}
        yield Finding(
            "top.head",
            tr("part.shelf"),
            tr("top.head"),
            tr("quantity.under-the-shelf"),
            room,
            need,
            fixes=(Fix(tr("fix.rail-wide", taller=tape.write_fine(taller)), change),),
        )
    on = loaded(shelf, above)
    if on.share > 1:
        thick = next(
            (
                t
                for t in thicknesses(rail.wood, trade)
                if t > shelf.thickness and replace(on, thick=float(t)).share <= 1
            ),
            None,
        )
        yield Finding(
            "shelf.breaks",
            tr("part.shelf"),
            tr("shelf.breaks"),
            tr("quantity.of-what-it-may-bear"),
            percent(on.share),
            "100%",
            fixes=(
                (
                    Fix(
                        tr("fix.shelf-thick", thick=tape.write_fine(thick)),
                        {"top": {"thickness": exact_text(thick)}},
                    ),
                )
                if thick
                else ()
            ),
        )
    brackets = place_brackets(shelf, above)
    if shelf.bracket and not brackets:
        widest = max(end - start for start, end in _gaps(above))
        thin = down(widest, trade)
        yield Finding(
            "top.bracket",
            tr("part.brackets"),
            tr("top.bracket"),
            tr("quantity.room"),
            widest,
            shelf.bracket,
            fixes=(
                *(
                    (
                        Fix(
                            tr("fix.brackets-thick", thin=tape.write_fine(thin)),
                            {"top": {"bracket": exact_text(thin)}},
                        ),
                    )
                    if thin >= THINNEST.of(trade)
                    else ()
                ),
                Fix(tr("fix.no-brackets"), {"top": {"bracket": "0 mm"}}),
            ),
        )
    if not shelf.bracket and shelf.depth > TIPS.of(trade):
        usual = TopShelf.usual(trade)
        yield Finding(
            "top.tips",
            tr("part.shelf"),
            tr("top.tips"),
            tr("quantity.stands-out"),
            shelf.depth,
            TIPS.of(trade),
            fixes=(
                Fix(
                    tr("fix.deep", more=tape.write_fine(TIPS.of(trade))),
                    {"top": {"depth": exact_text(TIPS.of(trade))}},
                ),
                Fix(
                    tr("fix.brackets-thick", thin=tape.write_fine(usual.bracket)),
                    {"top": {"bracket": exact_text(usual.bracket)}},
                ),
            ),
        )
