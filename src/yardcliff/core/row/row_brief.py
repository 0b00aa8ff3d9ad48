"""What the user decides about one row."""

from typing import Annotated, Literal

from pydantic import Field

from yardcliff.core.base.model import MAX_COUNT, Count, Frozen, Spares
from yardcliff.core.row.keepouts import KeepOuts
from yardcliff.core.things.thing import Facing
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Clear, Gap, Size
from yardcliff.core.units.trade import usual

Follows = Literal["length", "count", "pitch", "ends", "nothing"]
Spacing = Literal["even", "air", "tidy", "set"]
EndRule = Literal["margin", "half", "whole", "gaps", "inside"]


class Ends(Frozen):
    """Where the first and the last axis sit from the board's ends.

    `left` and `right` are used by the rule `margin`, `overhang` by `inside`.
    """

    rule: EndRule = "half"
    left: Gap = usual("60 mm", "2 1/2 in")
    right: Gap = usual("60 mm", "2 1/2 in")
    overhang: Gap = Fraction(0)


class Pin(Frozen):
    """Holder `index` (from 0 at the datum) is held with its axis at `at` from the datum."""

    index: Annotated[int, Field(ge=0, lt=2 * MAX_COUNT)]
    at: Gap


Pins = Annotated[tuple[Pin, ...], Field(max_length=2 * MAX_COUNT)]


class RowBrief(Frozen):
    """What the user asks of a row. `follows` names the figure that is worked out from the others.

    `count` is of things. `pitch` None means: as close as the things allow; with the spacing `air`
    the figure that `follows` calls "pitch" is the air; below 0, soft things may overlap so far.
    With "nothing" all are checked. `order`
    names the kind of each thing from the datum, the main one being "" and what hangs beyond it; the
    last `spares` places are kept free. `nudge` is how far a holder may move by itself to clear a
    keep-out.
    """

    follows: Follows = "length"
    spacing: Spacing = "even"
    count: Count = 5
    length: Size = usual("1000 mm", "40 in")
    pitch: Size | None = None
    ends: Ends = Ends()
    air: Clear = Fraction(0)
    fixture_gap: Gap = Fraction(0)
    tidy: Size = usual("5 mm", "1/4 in")
    pins: Pins = ()
    order: Annotated[tuple[str, ...], Field(max_length=MAX_COUNT)] = ()
    facing: Facing = "given"
    spares: Spares = 0
    keepouts: KeepOuts = ()
    nudge: Gap = usual("10 mm", "3/8 in")
