"""The hole tables as CSV, one row a hole."""

from yardcliff.core.design.machining import purpose, read_from
from yardcliff.core.design.rack_design import Design
from yardcliff.exports.rows import write_rows
from yardcliff.messages import tr

COLUMNS = (
    "part",
    "hole",
    "face",
    "along_mm",
    "along_from",
    "across_mm",
    "across_from",
    "bit_mm",
    "depth_mm",
    "tilt_deg",
    "head",
    "for",
)


def write_holes(design: Design) -> str:
    """Places are exact, to 0.0001 mm; what goes right through has no `depth_mm`."""
    parts = {part.key: part for part in design.parts}

    def cells() -> list[tuple[object, ...]]:
        return [
            (
                parts[key].name,
                hole.number,
                parts[key].called(hole.place.face),
                f"{float(hole.place.along):.4f}",
                read_from(parts[key], hole.place.face)[0],
                f"{float(hole.place.across):.4f}",
                read_from(parts[key], hole.place.face)[1],
                f"{float(hole.made.size):g}",
                None if hole.made.depth is None else f"{float(hole.made.depth):.4f}",
                f"{hole.made.tilt:g}",
                tr(f"head.{hole.made.head}") if hole.made.head else "",
                purpose(hole, design),
            )
            for key, holes in design.holes.items()
            for hole in holes
        ]

    return write_rows(COLUMNS, (dict(zip(COLUMNS, row, strict=True)) for row in cells()))
