"""What hangs on a row, as it is drawn."""

from collections.abc import Mapping

from yardcliff.core.rack import Hung, RackRow
from yardcliff.core.units.exact import Fraction


def hang(k: int, row: RackRow, drop: Fraction, feet: Mapping[str, Fraction]) -> list[Hung]:
    """What hangs on a row, `drop` below its holders, or stands where its feet put it."""
    things, centres = row.row.things, row.row.centres
    level = row.y - drop  # once for all: hundreds hang at one height
    xs = [row.x + at for at in centres] if row.x else centres
    return [
        Hung(k, thing.kind, x, feet.get(thing.kind, level), thing.turned, thing.spare)
        for thing, x in zip(things, xs, strict=True)
    ]


def hang_up(k: int, row: RackRow, drop: Fraction, x: Fraction) -> list[Hung]:
    """The same on a row that runs up, about the `x` of the wall."""
    low = row.y - drop
    return [
        Hung(k, thing.kind, x, low + at, thing.turned, thing.spare)
        for thing, at in zip(row.row.things, row.row.centres, strict=True)
    ]
