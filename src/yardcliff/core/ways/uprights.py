"""What the ways of building on one or two matched uprights share: where these stand, and what lies
across them.
"""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass

from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.materials.goods import Wood
from yardcliff.core.rack import Part
from yardcliff.core.row.row import Row
from yardcliff.core.things.item import Item
from yardcliff.core.things.look import laid
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, exact_text
from yardcliff.core.units.trade import Trade, down, either
from yardcliff.core.ways.row_words import FLOOR_CLEAR
from yardcliff.messages import tr

REST = either("20 mm", "3/4 in")
"""How far a thing reaches past the outer side of an upright at least, so that it does not slip off,
mm: rule of thumb.
"""
FLOOR_FREE, ROUND = either("100 mm", "4 in"), either("10 mm", "1/2 in")
"""More than clear of the floor, at first; and what heights are rounded to."""
TOP = either("1700 mm", "68 in")
"""How high the topmost holder hangs at first: within reach, mm."""
ZERO = Fraction(0)


@dataclass(frozen=True, slots=True)
class Uprights:
    """One upright or two, from the left; `middle` is where what they hold is in the middle of the
    wall.
    """

    parts: tuple[Part, ...]
    marked: tuple[tuple[str, Fraction], ...]
    middle: Fraction


def stand(
    keys: tuple[str, ...],
    foot: Fraction,
    row: Row,
    wide: Fraction,
    deep: Fraction,
    wood: Wood,
    between: Fraction,
) -> Uprights:
    """An upright for each key, `between` them; each as `wide` as is seen from the front, the row
    in its middle.
    """
    parts = tuple(
        Part(
            key,
            tr(f"part.{key}"),
            k * (wide + between),
            foot,
            ZERO,
            wide,
            row.length,
            deep,
            wood,
            upright=True,
            up=True,
        )
        for k, key in enumerate(keys)
    )
    return Uprights(parts, tuple((part.key, wide / 2) for part in parts), (parts[-1].x + wide) / 2)


def shortest(items: Iterable[Item]) -> Item:
    """The thing that reaches the least far as it lies."""
    return min(items, key=lambda item: laid(item)[0])


def gap(given: Fraction | None, items: Iterable[Item], wide: Fraction) -> Fraction:
    """Between two uprights, mm: as given, or so that the shortest thing rests on the outer quarters
    of its length.
    """
    long = laid(shortest(items))[0]
    return given or max(long / 2 - 2 * wide, long / 4)


def figures(given: Fraction | None, items: Iterable[Item], wide: Fraction) -> tuple[Figure, ...]:
    """How far apart, over all, and how far the shortest thing reaches past them."""
    short, between = shortest(items), gap(given, items, wide)
    long = laid(short)[0]
    inputs = (
        Input("l", tr("input.shortest", name=short.name), long),
        Input("b", tr("input.between"), between),
        Input("w", tr("input.upright"), wide),
    )
    shortest_length, apart, each = inputs
    overall = between + 2 * wide
    return (
        figure(
            "up.between",
            between,
            tr("up.between.formula") if given else "max(l / 2 − 2 · w, l / 4)",
            (shortest_length, each),
        ),
        Figure(
            "overall",
            tr("overall.label.over-all"),
            overall,
            "b + 2 · w",
            (apart, each),
            tr("overall.why.both-uprights-counted"),
        ),
        figure("up.past", (long - overall) / 2, "(l − b − 2 · w) / 2", inputs),
    )


def falls(
    items: Iterable[Item], between: Fraction, wide: Fraction, instead: Fix, tape: Tape
) -> Iterator[Finding]:
    """Whether the shortest thing is long enough to rest on both; what else it could hang on."""
    short, rest = shortest(items), REST.of(tape.sizes)
    long = laid(short)[0]
    past = (long - between - 2 * wide) / 2
    if past >= rest:
        return
    least = long - 2 * rest - 2 * wide
    yield Finding(
        "up.falls",
        short.name.capitalize(),
        tr("up.falls", plural=short.plural),
        tr("quantity.past-the-uprights"),
        past,
        rest,
        fixes=(
            *(
                (
                    Fix(
                        tr("fix.between", least=tape.write_fine(least)),
                        {"between": exact_text(least)},
                    ),
                )
                if least > 0
                else ()
            ),
            instead,
        ),
    )


def foot_for(row: Row, tall: Fraction, trade: Trade) -> Fraction:
    """How high the foot is at first, mm: the topmost holder within reach, and nothing
    on the floor.
    """
    least = tall + FLOOR_CLEAR.of(trade) + FLOOR_FREE.of(trade)
    return down(max(TOP.of(trade) - row.axes[-1], least), trade, ROUND)
