"""What is bored in a rack's parts before it goes up, as a screw to the wall meets it."""

from collections.abc import Iterator

from yardcliff.core.rack import Kind, Part, Rack
from yardcliff.core.units.exact import Fraction
from yardcliff.core.wall.survey import Area

HEAD = Fraction(10)
"""A countersunk head of a 5 mm screw, mm."""


def bored(rack: Rack, part: Part) -> Iterator[Area]:
    """The bores of a part, with the screws and the dowels in them, in the rack's frame; none of a
    board that leans.
    """
    if part.lean:
        return
    for operation in rack.machining:
        if not operation.kind.drilled or operation.kind is Kind.WALL_HOLE or not operation.places:
            continue
        half = max(operation.size, HEAD if operation.head else operation.size) / 2
        for place in operation.places:
            if place.part == part.key:
                point = part.at(place.face, place.along, place.across)
                deep = part.size[place.face.axis] if operation.depth is None else operation.depth
                ends = [[at - half, at + half] for at in point]
                # From the face that it is drilled from into the wood.
                start = point[place.face.axis]
                inward = start + deep if start == part.low[place.face.axis] else start - deep
                ends[place.face.axis] = sorted((start, inward))
                (x0, x1), (y0, y1), _ = ends
                yield Area(x0, y0, x1, y1)


def bored_at(
    rack: Rack, part: Part, y: Fraction, aside: Fraction, near: Fraction
) -> Iterator[tuple[Fraction, Fraction]]:
    """Where along a level line something is bored that comes so `near` it from above or below, and
    so far to both sides.
    """
    for area in bored(rack, part):
        if area.y0 - near < y < area.y1 + near:
            yield area.x0 - aside, area.x1 + aside
