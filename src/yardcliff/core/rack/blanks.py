"""What a part is cut from."""

from collections.abc import Iterator
from itertools import pairwise

from yardcliff.core.materials.goods import Blank
from yardcliff.core.rack.part import Part
from yardcliff.core.units.exact import Fraction
from yardcliff.messages import tr

ZERO = Fraction(0)


def part_blanks(part: Part) -> Iterator[Blank]:
    """What a part is cut from: one blank, or one for each plank that it is pieced from.

    The grain runs along the wall, or up an upright one; in what is cut to an outline it runs along
    the longer side.
    """
    sizes = [part.length, part.height, part.depth]
    if part.sawn:
        wide, thick = part.sawn
        long = part.height if part.up else part.length
    elif part.profile:
        thick, wide, long = sorted(sizes)
    else:
        long = sizes.pop(1 if part.upright else 0)
        thick, wide = sorted(sizes)
    if not part.seams:
        yield Blank(part.name, "board", part.wood, wide, thick, long, 1, part.key)
        return
    for k, (start, end) in enumerate(pairwise([ZERO, *part.seams, part.length]), 1):
        yield Blank(
            tr("piece.plank", name=part.name, number=k),
            "board",
            part.wood,
            end - start,
            thick,
            part.height,
            1,
            part.key,
        )
