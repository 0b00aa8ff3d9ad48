"""Tasks of the finish: sanding, its trial, and coat after coat."""

from collections.abc import Iterator
from math import ceil

from yardcliff.core.design.machining import once
from yardcliff.core.making.asked import Asked
from yardcliff.core.making.task import Task
from yardcliff.core.rack import HOLDER
from yardcliff.core.wood.cost import GRITS
from yardcliff.core.workshop.caution import cautions
from yardcliff.messages import tr

ORDINAL = (
    "making.first",
    "making.second",
    "making.third",
    "making.fourth",
    "making.fifth",
    "making.sixth",
)


def sanded(asked: Asked) -> Iterator[Task]:
    """Sanding through the grits; by hand it takes twice as long."""
    faces = asked.found.taken.faces
    if faces:
        powered = "sander" in asked.shop.tools
        yield Task(
            "sand",
            9,
            tr("task.sand", grits=", ".join(map(str, GRITS))),
            ceil(8 + faces * len(GRITS) * (14 if powered else 28)),
            lines=tuple(
                tr("making.grit-with-the-grain", grit=grit, why=why)
                for grit, why in zip(
                    GRITS,
                    (
                        tr("making.until-lines-and-marks-are-gone"),
                        tr("making.until-scratches-first-gone"),
                        tr("making.edges-broken-dust-off-with-damp"),
                    ),
                    strict=True,
                )
            ),
            ways=(
                (
                    tr("making.with-sander-moving-before-touches-until")
                    if powered
                    else tr("making.with-paper-around-a-cork-block")
                ),
            ),
            cautions=cautions("sand"),
            needs=frozenset({"cut", "flush", "loose"}),
            gives=frozenset({"sanded"}),
            spoils=frozenset({"rough", "marked"}),
            tools=(tr("tool.sander"),) if powered else (tr("tool.cork-block"),),
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
        tr("task.test", finish=finish),
        10,
        lines=(tr("making.on-offcut-same-stick-sanded-as"),),
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
            tr("task.conditioner"),
            ceil(8 + faces * 6),
            on,
            lines=(tr("making.this-wood-drinks-unevenly-end-grain"),),
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
            tr("making.both-faces-alike-board-with-one"),
            (
                tr("making.keep-off-what-things-touch-holders")
                if asked.finish.natural
                else (tr("making.oil-rubs-off-on-cloth-until") if asked.finish.oily else "")
            ),
            (
                tr("making.twist-paper-in-every-hole-takes")
                if asked.making.pegs == "after finish"
                and any(glyph.glued for glyph in asked.rack.glyphs)
                else ""
            ),
            (tr("making.tape-where-glue-goes-holds-on") if early and asked.rack.joints else ""),
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
            tr("making.coat", ordinal=tr(ORDINAL[k]) if k < len(ORDINAL) else k + 1, finish=finish),
            ceil(8 + faces * 6),
            on,
            lines=(
                once(first)
                if k == 0
                else (
                    tr("making.rub-raised-fibres-off-with-finest"),
                    tr("making.thin-along-the-grain-both-faces"),
                )
            ),
            needs=frozenset(
                {"sanded", "tested", "even", pegged, *(["fits", "loose"] if early else [])}
            ),
            gives=frozenset(
                {"finished", "coated", "dressed", *(["inside"] if early else [])} if end else ()
            ),
            spoils=frozenset() if early else frozenset({"bare"}),
            after={last: (tr("making.coat-before-has-be-dry"), 0)} if last else {},
            wait=dry,
            waits_for="coat",
            dries=True,
            splits=False,
            cautions=asked.finish.cautions,
            tools=(tr("tool.brush"), tr("tool.tape") if early and asked.rack.joints else ""),
        )
        last = key
