"""What is bored in a rack's parts before it goes up, as a screw to the wall meets it."""

from collections.abc import Iterator

from yardcliff.core.exact import Fraction
from yardcliff.core.rack import Kind, Part, Rack
from yardcliff.core.site.survey import Area

HEAD = Fraction(10)
"""A countersunk head of a 5 mm screw, mm."""


def bored(rack: Rack, part: Part) -> Iterator[Area]:
    """The bores of a part, with the screws and the dowels in them, in the rack's frame; none of a board that leans."""
    if part.lean:
        return
    for one in rack.machining:
        if not one.kind.drilled or one.kind is Kind.WALL_HOLE or not one.places:
            continue
        half = max(one.size, HEAD if one.head else one.size) / 2
        for place in one.places:
            if place.part == part.key:
                point = part.at(place.face, place.along, place.across)
                deep = part.size[place.face.axis] if one.depth is None else one.depth
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
    """Where along a level line something is bored that comes so `near` it from above or below, and so far to both sides."""
    for one in bored(rack, part):
        if one.y0 - near < y < one.y1 + near:
            yield one.x0 - aside, one.x1 + aside
