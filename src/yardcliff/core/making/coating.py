"""Tasks of the finish: sanding, its trial, and coat after coat."""

from collections.abc import Iterator
from math import ceil

from yardcliff.core.design.machining import once
from yardcliff.core.making.asked import Asked
from yardcliff.core.making.task import Task
from yardcliff.core.rack import HOLDER
from yardcliff.core.wood.cost import GRITS
from yardcliff.core.workshop.caution import cautions

ORDINAL = ("First", "Second", "Third", "Fourth", "Fifth", "Sixth")


def sanded(asked: Asked) -> Iterator[Task]:
    """Sanding through the grits; by hand it takes twice as long."""
    faces = asked.found.taken.faces
    if faces:
        powered = "sander" in asked.shop.tools
        yield Task(
            "sand",
            9,
            f"Sand through the grits: {', '.join(map(str, GRITS))}",
            ceil(8 + faces * len(GRITS) * (14 if powered else 28)),
            lines=tuple(
                f"Grit {grit}: with the grain, {why}."
                for grit, why in zip(
                    GRITS,
                    (
                        "until lines and marks are gone",
                        "until the scratches of the first are gone",
                        "edges broken, and the dust off with a damp cloth",
                    ),
                    strict=True,
                )
            ),
            ways=(
                (
                    "With a sander, moving before it touches and until it is off."
                    if powered
                    else "With paper around a cork block."
                ),
            ),
            cautions=cautions("sand"),
            needs=frozenset({"cut", "flush", "loose"}),
            gives=frozenset({"sanded"}),
            spoils=frozenset({"rough", "marked"}),
            tools=("sander",) if powered else ("cork block",),
        )


def coats(asked: Asked) -> Iterator[Task]:
    """The finish, coat by coat, with its waits."""
    if not asked.finish.coats or not asked.found.taken.faces:
        return
    finish = asked.finish.name
    dry, faces, early = asked.finish.wait("coat"), asked.found.taken.faces, asked.finish.early
    on = frozenset(
        {part.key for part in asked.rack.parts} | (set() if asked.finish.natural else {HOLDER})
    )
    yield Task(
        "test",
        9,
        f"Try the {finish} on scrap",
        10,
        lines=("On an offcut of the same stick, sanded as the rack will be.",),
        needs=frozenset({"cut", "bought"}),
        gives=frozenset({"tested"}),
        wait=dry,
        waits_for="coat",
        cautions=asked.finish.cautions,
    )
    if asked.finish.conditioner:
        yield Task(
            "conditioner",
            13,
            "Brush a conditioner on",
            ceil(8 + faces * 6),
            on,
            lines=("This wood drinks unevenly: end grain and knots most of all.",),
            needs=frozenset({"sanded", "flush"}),
            gives=frozenset({"even"}),
            spoils=frozenset() if early else frozenset({"bare"}),
            wait=asked.finish.wait("conditioner"),
            waits_for="conditioner",
            dries=True,
            splits=False,
            cautions=asked.finish.cautions,
        )
    last = ""
    for k in range(asked.finish.coats):
        key, end = f"coat:{k + 1}", k + 1 == asked.finish.coats
        first = (
            "Both faces alike: a board with one bare face cups.",
            (
                "Keep it off what things touch: holders stay bare, and the strip of board that"
                " cloth rests on is taped off."
                if asked.finish.natural
                else (
                    "Oil rubs off on cloth until it is hard: it gets its days."
                    if asked.finish.oily
                    else ""
                )
            ),
            (
                "A twist of paper in every hole that takes glue."
                if asked.making.pegs == "after finish"
                and any(glyph.glued for glyph in asked.rack.glyphs)
                else ""
            ),
            (
                "Tape where glue goes: it holds on bare wood only."
                if early and asked.rack.joints
                else ""
            ),
        )
        pegged = (
            "flush"
            if asked.making.pegs == "after finish"
            or not any(glyph.glued for glyph in asked.rack.glyphs)
            else "pegged"
        )
        yield Task(
            key,
            13,
            f"{ORDINAL[k] if k < len(ORDINAL) else k + 1} coat: {finish}",
            ceil(8 + faces * 6),
            on,
            lines=(
                once(first)
                if k == 0
                else (
                    "Rub the raised fibres off with the finest grit, and wipe.",
                    "Thin, along the grain, both faces.",
                )
            ),
            needs=frozenset(
                {"sanded", "tested", "even", pegged, *(["fits", "loose"] if early else [])}
            ),
            gives=frozenset(
                {"finished", "coated", "dressed", *(["inside"] if early else [])} if end else ()
            ),
            spoils=frozenset() if early else frozenset({"bare"}),
            after={last: ("The coat before has to be dry.", 0)} if last else {},
            wait=dry,
            waits_for="coat",
            dries=True,
            splits=False,
            cautions=asked.finish.cautions,
            tools=("brush", "tape" if early and asked.rack.joints else ""),
        )
        last = key
