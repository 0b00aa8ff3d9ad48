"""Ways to go on from a board or another part that was cut too short or too long."""

import re
from collections.abc import Iterator, Sequence
from dataclasses import replace

from yardcliff.core.built.way import Asked, WayOut
from yardcliff.core.design.as_built import drilled
from yardcliff.core.design.measuring import subjects
from yardcliff.core.design.there import LONG, Step
from yardcliff.core.rack import Part
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text
from yardcliff.core.units.text import begun
from yardcliff.messages import listed, tr


def _stem(key: str) -> str:
    """What the keys of parts have in common that differ by their number or their side."""
    return re.sub(r"\d+|left|right", "", key)


def ways_from_board(asked: Asked) -> Iterator[WayOut]:
    """Ways to go on from a board that carries the row."""
    row, write, name = asked.row, asked.done.tape.write, asked.subject.title
    found = asked.there.measured[asked.subject.what]
    long, off = exact_text(found), found - asked.subject.planned
    holes = drilled(asked.done, asked.there)
    says = (
        tr("built.longer-the-spaces-grow", off=write(abs(off)))
        if off > 0
        else tr("built.shorter-the-spaces-shrink", off=write(abs(off)))
    )
    others = "" if asked.done.rack.one_board else tr("built.all-others-are-cut-to-it")
    if off > 0:
        way = asked.tried(
            "trim",
            tr("built.cut-it-to-length"),
            tr("built.take-off-the-the-plan-stays", off=write(off), end=row.run.end),
            {},
        )
        cut = Step(
            tr("built.cut-to-length", name=name),
            5,
            tr("built.take-off-the", off=write(off), end=row.run.end),
        )
        yield replace(way, minutes=5, clears=(asked.subject.what,), steps=(cut,))
    others_cut = _others_cut(asked)
    if off < 0 or not others_cut:
        way = asked.tried(
            "adopt",
            tr("built.take-the-new-length"),
            tr("built.is-with-it", name=begun(name), says=says, others=others),
            {0: {}, **holes},
            {"length": long, "follows": "pitch"},
        )
        yield _cut_alike(asked, way, others_cut, found)
    if row.axes[-1] + row.fixture.right <= found:
        yield _left(asked, tr("built.its-marks-stay"))
    if off < 0 and others_cut and not holes.get(asked.row_index):
        yield _shared(asked, off)
    if not holes and off < 0:
        if row.count > 1:
            yield asked.tried(
                "fewer",
                tr("built.hang-one-less"),
                tr("built.have-more-room-on-than-had", kinds=row.count - 1, before=row.count),
                {0: {}},
                {"length": long, "count": row.count - 1, "follows": "pitch"},
            )
        yield asked.tried(
            "ends",
            tr("built.keep-the-spacing"),
            tr("built.ends-give-way-pitch-stays"),
            {0: {}},
            {"length": long, "pitch": exact_text(row.pitch), "follows": "ends"},
        )


def ways_from_part(asked: Asked) -> Iterator[WayOut]:
    """What becomes of a part that carries no row: the plan stays."""
    found, write, what = (
        asked.there.measured[asked.subject.what],
        asked.done.tape.write,
        asked.subject.what,
    )
    off, name = found - asked.subject.planned, asked.subject.title
    if off > 0:
        across = asked.subject.across
        does = tr("built.plane-off" if across else "built.take-off-end", off=write(off))
        way = asked.tried(
            "trim",
            tr("built.bring-it-to-width" if across else "built.bring-it-to-length"),
            tr("built.the-plan-stays", does=does[:-1]),
            {},
        )
        yield replace(
            way,
            minutes=5,
            clears=(what,),
            steps=(Step(tr("built.bring-to-size", name=name), 5, does),),
        )
    yield _left(asked, tr("built.what-meets-gives-way-or-has"))
    alike = _others_cut(asked)
    if off < 0 and alike and not asked.subject.across:
        names = listed(part.name.lower() for part in alike)
        way = asked.tried(
            "match",
            tr("built.cut-to-match", names=names),
            tr("built.all-are-shorter-and-equal", off=write(abs(off))),
            {},
        )
        yield _cut_alike(
            asked,
            replace(way, meant={f"{LONG}{part.key}": found for part in (asked.part, *alike)}),
            alike,
            found,
        )


def _others_cut(asked: Asked) -> list[Part]:
    """The parts that are cut as this one was to be."""
    mine = asked.part
    size = (mine.along, mine.face_width, mine.thickness)
    others = [
        part for part in asked.done.parts if part.key in asked.there.parts and part.key != mine.key
    ]
    return [
        part
        for part in others
        if (part.along, part.face_width, part.thickness) == size
        and _stem(part.key) == _stem(mine.key)
    ]


def _cut_alike(asked: Asked, way: WayOut, others: Sequence[Part], long: Fraction) -> WayOut:
    """The way, with what is cut already cut to match."""
    write = asked.done.tape.write
    steps = tuple(
        Step(
            tr("built.cut-to-match", names=part.name.lower()),
            5,
            tr("built.same-end-each-cut", long=write(long)),
            part=part.key,
        )
        for part in others
    )
    clears = [
        subject.what
        for subject in subjects(asked.done)
        if subject.place is None
        and not subject.across
        and subject.part in {part.key for part in others}
    ]
    return replace(
        way,
        minutes=way.minutes + 5 * len(others),
        steps=(*way.steps, *steps),
        clears=(*way.clears, *clears),
        cut_to={part.key: long for part in others},
    )


def _left(asked: Asked, what_gives: str) -> WayOut:
    """It stays as it is, and the plan too."""
    found = asked.there.measured[asked.subject.what]
    off = found - asked.subject.planned
    more = (
        ("wider" if off > 0 else "narrower")
        if asked.subject.across
        else ("longer" if off > 0 else "shorter")
    )
    way = asked.tried(
        "leave",
        tr("built.leave-it"),
        tr("built.it-stays", off=asked.done.tape.write(abs(off)), more=more, what_gives=what_gives),
        {},
    )
    return replace(way, even=max(way.even, abs(off)), meant={asked.subject.what: found})


def _shared(asked: Asked, off: Fraction) -> WayOut:
    """Half of what is missing at either end: the marks move by that, and the board is hung so
    much further in.
    """
    row, k, half = asked.row, asked.row_index, -off / 2
    plan = {i: axis - half for i, axis in enumerate(row.axes)}
    way = asked.tried(
        "share",
        tr("built.share-the-difference"),
        tr(
            "built.each-mark-nearer-hung-so-much",
            half=asked.done.tape.write(half),
            start=row.run.start,
        ),
        asked.unmoved({**drilled(asked.done, asked.there), k: plan}),
    )
    return replace(way, meant={asked.subject.what: asked.there.measured[asked.subject.what]})
