"""Tasks of what holds: pegs cut and shaped, hooks screwed on."""

from collections.abc import Iterator
from math import ceil

from yardcliff.core.design.machining import once
from yardcliff.core.making.asked import Asked
from yardcliff.core.making.task import Task
from yardcliff.core.materials.goods import Ware
from yardcliff.core.rack import HOLDER, Putting
from yardcliff.core.workshop.caution import cautions


def tips(asked: Asked) -> Iterator[Task]:
    """Ends of pegs and fingers that are shaped before they go in."""
    pegs = sum(blank.count for blank in asked.found.taken.blanks if blank.form == "dowel")
    if pegs and any(glyph.glued for glyph in asked.rack.glyphs):
        yield Task(
            "tips",
            8,
            f"Round the tips of {pegs} pegs",
            ceil(5 + pegs),
            frozenset({HOLDER}),
            ways=(
                (
                    "Turn each in a drill's chuck against sandpaper, or by hand over a file;"
                    " chamfer the end that goes in."
                ),
            ),
            checks=("Every tip the same: against a hole of the tip's own round, filed into card.",),
            cautions=(
                (
                    "Short pegs are held by the chuck or a clamp, never between the fingers and"
                    " a running belt."
                ),
            ),
            needs=frozenset({"cut", "rough"}),
            gives=frozenset({"machined"}),
            tools=("drill",) if "drill" in asked.shop.tools else ("file",),
        )


def holders(asked: Asked) -> Iterator[Task]:
    """What holds, put on or in."""
    # Plates that hide the screws in the wall go on over them.
    over = any(fixing.by == "plates" for fixing in asked.done.on_wall.fixed)
    late = frozenset({"bought", "machined", "finished", *(["up"] if over else [])})
    gives, spoils = frozenset({"fitted"}), frozenset({"flush"})
    alike: dict[tuple[bool, Putting | None], set[int]] = {}
    for k, glyph in enumerate(asked.rack.glyphs):
        alike.setdefault((glyph.glued, glyph.putting), set()).add(k)
    for (glued, putting), of in alike.items():
        placed = [holder for holder in asked.rack.holders if holder.glyph in of]
        key = "holders" if 0 in of else f"holders:{min(of) + 1}"
        on = frozenset({HOLDER, *(asked.rack.rows[one.row].part for one in placed)})
        if glued:
            early = asked.making.pegs == "before finish"
            yield Task(
                key,
                14,
                f"Glue the pegs in: {len(placed)} places",
                ceil(8 + len(placed)),
                on,
                lines=(
                    ("Glue in the hole, not on the peg; a light tap, until it stands at its mark."),
                ),
                checks=(
                    ("All at one angle: sight along the row, and turn them before the glue grips."),
                ),
                needs=frozenset({"machined", "sanded"} if early else {"machined", "coated"}),
                gives=gives | ({"pegged"} if early else set()),
                spoils=spoils,
                wait=asked.finish.wait("clamps"),
                waits_for="clamps",
                splits=False,
                cautions=cautions("glue"),
                tools=("mallet",),
            )
        elif putting:
            title, line, check = putting
            yield Task(
                key,
                17 if over else 14,
                f"{title}: {len(placed)} places",
                ceil(6 + 2 * len(placed)),
                on,
                lines=(line,),
                checks=(check,),
                needs=late,
                gives=frozenset({"hooked"}) if over else gives,
                spoils=spoils,
                tools=("screwdriver",),
            )
    hardware = [
        take
        for step in asked.done.machining
        for take in step.takes
        if isinstance(take, Ware) and take.kind in ("hanger", "magnet", "strap")
    ]
    if hardware:
        yield Task(
            "hardware",
            15,
            f"Fit {', '.join(once(take.name for take in hardware))}",
            5 + 3 * len(hardware),
            checks=(
                (("They bear at one height: lay the rack on its back and a straight edge across."),)
                if any(take.kind == "hanger" for take in hardware)
                else ()
            ),
            needs=late - {"up"},
            gives=gives,
            spoils=spoils,
            tools=("screwdriver", "straight edge"),
        )
