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
        f"{write(abs(off))} longer: the spaces grow"
        if off > 0
        else f"{write(abs(off))} shorter: the spaces shrink"
    )
    others = "" if asked.done.rack.one_board else "; all others are cut to it"
    if off > 0:
        way = asked.tried(
            "trim",
            "Cut it to length",
            f"Take {write(off)} off the {row.run.end}: the plan stays.",
            {},
        )
        cut = Step(f"Cut {name} to length", 5, f"Take {write(off)} off the {row.run.end}.")
        yield replace(way, minutes=5, clears=(asked.subject.what,), steps=(cut,))
    others_cut = _others_cut(asked)
    if off < 0 or not others_cut:
        way = asked.tried(
            "adopt",
            "Take the new length",
            f"{name[0].upper()}{name[1:]} is {says} with it{others}.",
            {0: {}, **holes},
            {"length": long, "follows": "pitch"},
        )
        yield _cut_alike(asked, way, others_cut, found)
    if row.axes[-1] + row.fixture.right <= found:
        yield _left(asked, "its marks stay")
    if off < 0 and others_cut and not holes.get(asked.row_index):
        yield _shared(asked, off)
    if not holes and off < 0:
        if row.count > 1:
            yield asked.tried(
                "fewer",
                "Hang one less",
                f"{row.count - 1} have more room on it than {row.count} had.",
                {0: {}},
                {"length": long, "count": row.count - 1, "follows": "pitch"},
            )
        yield asked.tried(
            "ends",
            "Keep the spacing",
            "The ends give way, the pitch stays.",
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
        does = (
            f"{'Plane' if asked.subject.across else 'Take'} {write(off)}"
            f" off{'' if asked.subject.across else ' one end'}."
        )
        way = asked.tried(
            "trim",
            f"Bring it to {'width' if asked.subject.across else 'length'}",
            f"{does[:-1]}: the plan stays.",
            {},
        )
        yield replace(
            way, minutes=5, clears=(what,), steps=(Step(f"Bring {name} to size", 5, does),)
        )
    yield _left(asked, "what meets it gives way, or has a gap so wide")
    alike = _others_cut(asked)
    if off < 0 and alike and not asked.subject.across:
        names = " and ".join(part.name.lower() for part in alike)
        way = asked.tried(
            "match", f"Cut {names} to match", f"All are {write(abs(off))} shorter, and equal.", {}
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
            f"Cut {part.name.lower()} to match",
            5,
            f"To {write(long)}: the same end of each is cut.",
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
        "leave", "Leave it", f"It stays {asked.done.tape.write(abs(off))} {more}: {what_gives}.", {}
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
        "Share the difference",
        f"Each mark {asked.done.tape.write(half)} nearer to the {row.run.start}; hung so much"
        " further in, both ends are back alike, and all is in line.",
        asked.unmoved({**drilled(asked.done, asked.there), k: plan}),
    )
    return replace(way, meant={asked.subject.what: asked.there.measured[asked.subject.what]})
