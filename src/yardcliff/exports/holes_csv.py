"""The hole tables as CSV, one row a hole."""

from collections.abc import Iterator

from yardcliff.core.design.machining import hole_line, read_from
from yardcliff.core.design.rack_design import Design
from yardcliff.exports.rows import write_rows

COLUMNS = (
    "part",
    "hole",
    "face",
    "along_mm",
    "along",
    "along_from",
    "across_mm",
    "across",
    "across_from",
    "bit_mm",
    "bit",
    "depth_mm",
    "depth",
    "tilt_deg",
    "head",
    "for",
)


def write_holes(design: Design) -> str:
    """Places are exact, to 0.0001 mm, and beside that as the shop sheet has them; what goes right
    through has no `depth_mm`.
    """
    return write_rows(COLUMNS, (dict(zip(COLUMNS, row, strict=True)) for row in _cells(design)))


def _cells(design: Design) -> Iterator[tuple[object, ...]]:
    for key, holes in design.holes.items():
        part = design.part(key)
        for hole in holes:
            place, made, line = hole.place, hole.made, hole_line(design, part, hole)
            along_from, across_from, _ = read_from(part, place.face)
            yield (
                part.name,
                line.number,
                part.called(place.face),
                f"{float(place.along):.4f}",
                line.along,
                along_from,
                f"{float(place.across):.4f}",
                line.across,
                across_from,
                f"{float(made.size):g}",
                line.bit,
                None if made.depth is None else f"{float(made.depth):.4f}",
                line.depth,
                f"{made.tilt:g}",
                line.head,
                line.purpose,
            )
