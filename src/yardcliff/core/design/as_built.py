"""A plan that bends around what is built: boards that are cut keep their length, holes that are
drilled their place.
"""

from collections.abc import Callable, Iterable, Iterator, Mapping
from dataclasses import replace

from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.design.change import amend
from yardcliff.core.design.measuring import Subject, subjects
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.design.there import LONG, NOTHING, WIDE, Built, feature
from yardcliff.core.findings.finding import Finding, Patch
from yardcliff.core.findings.patch import merge
from yardcliff.core.rack import Part, Rack
from yardcliff.core.row.row_brief import Pin
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import LONGEST, exact_text
from yardcliff.core.units.text import begun
from yardcliff.core.wall.survey import Site
from yardcliff.core.ways import Brief, build
from yardcliff.messages import tr

MOVED = frozenset({"made.board", "made.hole", "made.place"})
"""Findings of what is made and would have to be elsewhere."""
MOST_NAMED = 4
"""So many places are named, of those that are made elsewhere."""


class MadeAlready(YardcliffError):
    """A change would move what is made; nothing was changed."""


Held = Mapping[int, Mapping[int, Fraction]]
"""Where holes are held, mm from the datum: by row and place."""


def drilled(
    done: Design, there: Built, but: Subject | None = None
) -> dict[int, dict[int, Fraction]]:
    """Where holes are, as measured or else as planned when they were drilled, but for one; uprights
    that carry things together have one row, the first to be read.
    """
    found: dict[int, dict[int, Fraction]] = {}
    for subject in subjects(done):
        if subject.place is None or subject == but:
            continue
        at = there.measured.get(subject.what, there.holes.get(subject.row, {}).get(subject.place))
        if at is not None:
            found.setdefault(row_of(done, subject), {}).setdefault(subject.place, at)
    return found


def strays(rack: Rack, there: Built) -> Iterator[tuple[int, int, Fraction]]:
    """Holes that are drilled where the plan has none: row, place, and where they were planned when
    they were drilled.

    One that was measured may stay there, or be taken as it is.
    """
    for k, places in there.holes.items():
        row = rack.rows[k] if k < len(rack.rows) else None
        axes = row.row.axes if row and row.part == there.of.get(k, row.part) else ()
        for place, at in places.items():
            if place >= len(axes) or axes[place] not in there.at(k, place):
                yield k, place, at


def miscut(rack: Rack, there: Built) -> Iterator[tuple[int, Fraction]]:
    """Boards that are cut to another length than the plan has: the row that they carry, and their
    length.
    """
    for k, long in there.boards.items():
        if k >= len(rack.rows) or rack.rows[k].row.length not in there.long(k):
            yield k, long


def bend(brief: Brief, there: Built) -> Brief:
    """The brief, held at what is there where it would move it: all else goes on as it asks."""
    if not (there.holes or there.boards):
        return brief
    rack = build(brief)
    off, cut = {(k, place) for k, place, _ in strays(rack, there)}, dict(miscut(rack, there))
    if not off and not cut:
        return brief
    held: dict[int, dict[int, Fraction]] = {}
    for k, places in there.holes.items():
        if k < len(rack.rows):
            row, own = rack.rows[k].row, 0 if rack.together else k
            mine = held.setdefault(own, pins_of(brief, own))
            keep = {
                p: at if (k, p) in off else row.axes[p]
                for p, at in places.items()
                if p < len(row.axes)
            }
            mine |= {
                p: at for p, at in keep.items() if 0 <= at < LONGEST
            }  # no pin holds what is off any board
    patch = follow(brief, held)
    if (long := cut.get(0)) is not None:
        follows = brief.row.follows if brief.row.follows != "length" else "pitch"
        patch = merge(patch, {"row": {"length": exact_text(long), "follows": follows}})
    return amend(brief, patch)


def design_on(brief: Brief, there: Built, site: Site | None = None) -> Design:
    """A brief worked out around what is there, with what that holds fast and what it cannot follow
    among its findings.
    """
    bent = bend(brief, there)
    done = replace(design(bent, site), there=there)
    said = (*kept(done, there), *_held(bent, brief, done, there))
    return (
        replace(done, rack=replace(done.rack, findings=(*said, *done.rack.findings)))
        if said
        else done
    )


def refuse_moves(after: Design, before: Callable[[], Design]) -> None:
    """Raises `MadeAlready` where a change asks for what is made to be elsewhere, and the plan did
    not before.
    """
    moved = [finding.message for finding in after.findings if finding.code in MOVED]
    if moved:
        known = {finding.message for finding in before().findings}
        moved = [one for one in moved if one not in known]
    if moved:
        said = moved[0]
        if len(moved) > 1:
            said = tr("design.further", said=said, count=len(moved) - 1)
        raise MadeAlready(tr("design.take-its-tick-back-at-bench", moved=said))


def _held(bent: Brief, asked: Brief, done: Design, there: Built) -> Iterator[Finding]:
    """What the brief as it was asked would have moved."""
    if bent == asked:
        return
    rack, write = build(asked), done.tape.write_fine
    for k, long in miscut(rack, there):
        if k == 0:
            says = tr(
                "design.is-cut-it-stays-long",
                name=done.rack.part(done.rack.rows[0].part).name,
                long=write(long),
            )
            yield Finding(
                "made.held",
                tr("part.what-is-made"),
                says,
                tr("quantity.made"),
                write(long),
                write(long),
            )
    at: dict[int, list[str]] = {}
    for k, place, x in strays(rack, there):
        at.setdefault(k, []).append(tr("design.number-at", number=place + 1, at=write(x)))
    for k, places in at.items():
        holes = ", ".join(places[:MOST_NAMED])
        if len(places) > MOST_NAMED:
            holes = tr("design.and-more", listed=holes, count=len(places) - MOST_NAMED)
        if 1 < len(done.rack.rows) > k:
            row = done.rack.named((k,)).lower()
            says = tr("design.holes-of-row-drilled", n=len(places), row=row, holes=holes)
        else:
            says = tr("design.holes-drilled", n=len(places), holes=holes)
        yield Finding(
            "made.held",
            tr("part.what-is-made"),
            says,
            tr("quantity.drilled"),
            str(len(places)),
            str(len(places)),
        )


def kept(done: Design, there: Built) -> Iterator[Finding]:
    """What is made and would have to be elsewhere: no plan can move it."""
    rack, write = done.rack, done.tape.write_fine
    yield from _left(done, there)
    yield from _resized(done, there)
    for k, long in miscut(rack, there):
        name = (
            rack.part(rack.rows[k].part).name
            if k < len(rack.rows)
            else tr("design.the-board-of-row", number=k + 1)
        )
        wants = (
            tr("design.wants", length=write(rack.rows[k].row.length))
            if k < len(rack.rows)
            else tr("design.has-no-such-board")
        )
        yield _moved(
            "made.board",
            tr("design.is-cut-long-the-plan", name=name, long=write(long), wants=wants),
            write(long),
            wants,
        )
    for k, place, at in strays(rack, there):
        row = rack.rows[k].row if k < len(rack.rows) else None
        of = (
            tr("design.hole", row=rack.named((k,)))
            if k < len(rack.rows) > 1
            else tr("design.a-hole")
        )
        wants = (
            tr("design.has-it-at", axes=write(row.axes[place]))
            if row and place < len(row.axes)
            else tr("design.has-no-such-hole")
        )
        yield _moved(
            "made.hole",
            tr("design.is-drilled-at-the-plan", of=of, place=place + 1, at=write(at), wants=wants),
            write(at),
            wants,
        )
    planned = {
        feature(place)
        for operation in done.machining
        for place in operation.places
        if place.holder < 0
    }
    gone = sorted(there.features - planned)
    parts = {part.key: part.name for part in done.parts}
    for key in dict.fromkeys(part for part, *_ in gone):
        mine = [
            tr("design.along-and-across", along=write(along), across=write(across))
            for part, _, along, across in gone
            if part == key
        ]
        more = tr("design.and-elsewhere") if len(mine) > MOST_NAMED else ""
        says = tr(
            "design.drilled-plan-has-nothing-there",
            name=parts.get(key) or there.names.get(key, tr("design.part-no-more")),
            places=", ".join(mine[:MOST_NAMED]),
            more=more,
        )
        yield _moved("made.place", says, mine[0], tr("design.nothing-there"))


def _left(done: Design, there: Built) -> Iterator[Finding]:
    """What is not as planned, and is to stay so: the papers say what the plan has."""
    if not there.meant:
        return
    write = done.tape.write_fine
    for subject in subjects(replace(done, there=NOTHING)):
        at = there.meant.get(subject.what, subject.planned)
        if abs(subject.planned - at) > done.tape.step:
            more = at > subject.planned
            off = tr(
                "design.more-than-planned" if more else "design.less-than-planned",
                by=write(abs(at - subject.planned)),
            )
            says = tr("design.is-and-stays-so", title=begun(subject.title), at=write(at), off=off)
            yield Finding(
                "made.left",
                tr("part.what-is-made"),
                says,
                tr("quantity.made"),
                write(at),
                write(subject.planned),
            )


def _resized(done: Design, there: Built) -> Iterator[Finding]:
    """Parts that are cut and that the plan wants of another size, or not at all; how long one is
    that carries a row, its row says.
    """
    rows, parts = {row.part for row in done.rack.rows}, {part.key: part for part in done.parts}
    for key, size in there.parts.items():
        part, write = parts.get(key), done.tape.write_fine
        may_be = _may_be(part, there) if part else ()
        if not part or any(
            each not in may for each, may in list(zip(size, may_be, strict=True))[key in rows :]
        ):
            cut, name = " × ".join(map(write, size)), part.name if part else there.names[key]
            wants = (
                tr("design.wants", length=" × ".join(write(may[0]) for may in may_be))
                if part
                else tr("design.has-no-such-part")
            )
            yield _moved(
                "made.board",
                tr("design.is-cut-the-plan", name=name, cut=cut, wants=wants),
                cut,
                wants,
            )


def _may_be(part: Part, there: Built) -> tuple[tuple[Fraction, ...], ...]:
    """How long, wide and thick a part may be that is cut: as planned, or as it was left."""
    left = there.meant
    long, wide = (
        (at, left.get(name + part.key, at))
        for name, at in ((LONG, part.along), (WIDE, part.face_width))
    )
    return long, wide, (part.thickness,)


def _moved(code: str, says: str, found: str, wants: str) -> Finding:
    return Finding(code, tr("part.what-is-made"), says, tr("design.made"), found, wants)


def row_of(done: Design, subject: Subject) -> int:
    """The row of the brief that a subject belongs to."""
    return 0 if done.rack.together else subject.row


def follow(brief: Brief, held: Held) -> Patch:
    """A change that holds rows at these places alone; rows that are not named keep their pins."""
    patch: Patch = {}
    rows = brief.rows
    for k, at in held.items():
        pins = [{"index": place, "at": exact_text(x)} for place, x in sorted(at.items())]
        if k == 0:
            patch["row"] = {"pins": pins}
        else:
            own = rows.own_of(k).changed({"pins": tuple(map(Pin.model_validate, pins))})
            rows = rows.changed({"own": rows.with_own(k, own)})
    if rows is not brief.rows:
        patch["rows"] = {"own": [own.model_dump(mode="json") for own in rows.own]}
    return patch


def pins_of(brief: Brief, row: int) -> dict[int, Fraction]:
    """Where a row is held now."""
    pins: Iterable[Pin] = brief.rows.own_of(row).pins if row else brief.row.pins
    return {pin.index: pin.at for pin in pins}
