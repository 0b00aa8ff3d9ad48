"""Tasks of what holds: pegs cut and shaped, hooks screwed on."""

from collections.abc import Iterator
from math import ceil

from yardcliff.core.design.machining import once
from yardcliff.core.making.asked import Asked
from yardcliff.core.making.task import Task
from yardcliff.core.materials.goods import Ware
from yardcliff.core.rack import HOLDER, Putting
from yardcliff.core.workshop.caution import cautions
from yardcliff.messages import tr


def tips(asked: Asked) -> Iterator[Task]:
    """Ends of pegs and fingers that are shaped before they go in."""
    pegs = sum(blank.count for blank in asked.found.taken.blanks if blank.form == "dowel")
    if pegs and any(glyph.glued for glyph in asked.rack.glyphs):
        yield Task(
            "tips",
            8,
            tr("task.tips", pegs=pegs),
            ceil(5 + pegs),
            frozenset({HOLDER}),
            ways=(tr("making.turn-each-in-drills-chuck-against"),),
            checks=(tr("making.every-tip-same-against-hole-tips"),),
            cautions=(tr("making.short-pegs-held-by-chuck-or"),),
            needs=frozenset({"cut", "rough"}),
            gives=frozenset({"machined"}),
            tools=(tr("tool.drill"),) if "drill" in asked.shop.tools else (tr("tool.file"),),
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
                tr("making.glue-the-pegs-in-places", count=len(placed)),
                ceil(8 + len(placed)),
                on,
                lines=(tr("making.glue-in-hole-not-on-peg"),),
                checks=(tr("making.all-at-one-angle-sight-along"),),
                needs=frozenset({"machined", "sanded"} if early else {"machined", "coated"}),
                gives=gives | ({"pegged"} if early else set()),
                spoils=spoils,
                wait=asked.finish.wait("clamps"),
                waits_for="clamps",
                splits=False,
                cautions=cautions("glue"),
                tools=(tr("tool.mallet"),),
            )
        elif putting:
            title, line, check = map(tr, putting)
            yield Task(
                key,
                17 if over else 14,
                tr("making.places", title=title, count=len(placed)),
                ceil(6 + 2 * len(placed)),
                on,
                lines=(line,),
                checks=(check,),
                needs=late,
                gives=frozenset({"hooked"}) if over else gives,
                spoils=spoils,
                tools=(tr("tool.screwdriver"),),
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
            tr("task.hardware", once=", ".join(once(take.name for take in hardware))),
            5 + 3 * len(hardware),
            checks=(
                (tr("making.they-bear-at-one-height-lay"),)
                if any(take.kind == "hanger" for take in hardware)
                else ()
            ),
            needs=late - {"up"},
            gives=gives,
            spoils=spoils,
            tools=(tr("tool.screwdriver"), tr("tool.straight-edge")),
        )
