"""Ways to go on from a hole that strays."""

from collections.abc import Iterator
from dataclasses import replace

from yardcliff.core.built.way import Asked, WayOut
from yardcliff.core.design.as_built import drilled, pins_of
from yardcliff.core.design.there import Step
from yardcliff.core.units.exact import Fraction
from yardcliff.messages import tr

PLUG, AGAIN = 13, 2
"""Minutes to bore a hole out, glue a plug in and pare it, and to drill it again: rule of thumb."""


PLUG, AGAIN = 13, 2
"""Minutes to bore a hole out, glue a plug in and pare it, and to drill it again: rule of thumb."""


PLATE_RIM = Fraction(2)
"""So far inside a plate's edge a stray hole is out of sight, mm."""


def ways_from_hole(asked: Asked, place: int) -> Iterator[WayOut]:
    """Ways to go on from a hole at this place of its row."""
    row, k, write, brief = asked.row, asked.row_index, asked.done.tape.write, asked.done.brief
    others = drilled(asked.done, asked.there, but=asked.subject)
    mine = others.pop(k, {})
    others = {i: {**pins_of(brief, i), **there} for i, there in others.items()}
    plan = dict(enumerate(row.axes))
    at, meant = asked.there.measured[asked.subject.what], mine.get(place, row.axes[place])
    off = at - meant
    by = f"{write(abs(off))} {row.run.moved(off)}"
    if slip := _misread(asked, place, at):
        yield replace(
            asked.tried("misread", tr("built.measure-it-again"), slip, {}),
            minutes=1,
            clears=(asked.subject.what,),
        )
    count = tr("built.the-that-are", count=len(mine) + 1) if mine else "it"
    if (
        place not in mine
    ):  # else the other upright is drilled there, and this hole has to be level with it
        yield asked.tried(
            "adopt",
            tr("built.take-it-as-it-is"),
            tr("built.holder-stays-where-all-others-where", place=place + 1, by=by),
            asked.unmoved({**others, k: {**plan, **mine, place: at}}),
        )
        if len(mine) + 1 < row.holders:
            yield asked.tried(
                "respace",
                tr("built.space-the-rest-around-it"),
                tr("built.those-not-drilled-yet-even-out", count=count),
                {**others, k: {**mine, place: at}},
            )
        if not mine and row.axes[0] + off >= 0:
            yield asked.tried(
                "shift",
                tr("built.shift-them-all"),
                tr("built.whole-row-moves-stays-even-ends", by=by),
                {**others, k: {i: axis + off for i, axis in plan.items()}},
            )
    # Drilled again where it belongs; with nothing else drilled in the row, the plan holds it
    # there by itself.
    again = {**others, k: {**plan, **mine}} if mine else {}
    rack = asked.done.rack
    glyph = rack.glyph_of(k)
    bit = max((bore.bit for bore in rack.bores_of(k)), default=Fraction(0))
    if glyph.screws and abs(off) <= glyph.width / 2 - bit / 2 - PLATE_RIM and abs(off) >= 2 * bit:
        way = asked.tried(
            "hide",
            tr("built.drill-anew-and-hide-it"),
            tr("built.hooks-plate-covers-stray-hole-new"),
            again,
        )
        yield replace(
            way, minutes=AGAIN, clears=(asked.subject.what,), steps=(_again(asked, place, meant),)
        )
    glue = max(
        (task.wait for task in asked.made.tasks if task.waits_for in ("glue", "clamps")), default=60
    )
    way = asked.tried(
        "plug",
        tr("built.plug-it-and-drill-again"),
        tr("built.bore-out-glue-plug-same-wood", glue=glue // 60 or 1),
        again,
    )
    plug = Step(
        tr("built.plug", title=asked.subject.title),
        PLUG,
        tr("built.bore-out-glue-plug-same-wood-2"),
        glue,
        "glue",
    )
    yield replace(
        way,
        minutes=PLUG + AGAIN,
        clears=(asked.subject.what,),
        steps=(plug, _again(asked, place, meant)),
    )


def _again(asked: Asked, place: int, at: Fraction) -> Step:
    """The hole drilled anew, where it belongs."""
    row = asked.row.run
    return Step(
        tr("built.drill-again", title=asked.subject.title),
        AGAIN,
        tr("built.from-the", place=place + 1, at=asked.done.tape.write(at), start=row.start),
        again=True,
    )


def _misread(asked: Asked, place: int, at: Fraction) -> str | None:
    """What a reading looks like that is far off: the tape hooked at the other end, or a figure
    in another hole's line.
    """
    row, near = asked.row, 2 * asked.done.tape.step
    if abs(at - row.axes[place]) <= 4 * near:
        return None
    if abs(row.length - at - row.axes[place]) <= near:
        planned = asked.done.tape.write(row.axes[place])
        return tr(
            "built.from-where-planned-hook-tape-at",
            end=row.run.end,
            planned=planned,
            start=row.run.start,
        )
    other = next(
        (i for i, axis in enumerate(row.axes) if i != place and abs(axis - at) <= near), None
    )
    return None if other is None else tr("built.hole-planned-just-there-figure-in", other=other + 1)
