"""When it went wrong: ways to go on from a stray hole or a board that was cut short, each worked out, the least harmful first.

What is drilled stays where it is: every way pins the holes that are there.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from yardcliff.core.amend import amend
from yardcliff.core.built.measured import Built
from yardcliff.core.design import Design, design
from yardcliff.core.exact import Fraction
from yardcliff.core.findings import Patch, Severity
from yardcliff.core.length import LONGEST, exact_text
from yardcliff.core.making.making import Made
from yardcliff.core.site.survey import Site
from yardcliff.core.timber.layout import pieces
from yardcliff.core.timber.plan import cut_plan
from yardcliff.core.timber.stock import Supply
from yardcliff.core.timber.takeoff import part_blanks

PLUG = 15
"""Minutes to bore a hole out, glue a plug in and pare it: rule of thumb."""
PLATE_RIM = Fraction(2)
"""So far inside a plate's edge a stray hole is out of sight, mm."""


@dataclass(frozen=True, slots=True)
class WayOut:
    """One way: what it does, the change of the brief (none: the plan stays), the row that comes of it, and what it costs.

    `even` is how far the widest or tightest space is off, `air` what is left between things; `stops` and `cares` are findings then,
    `minutes` of more work, `cost` in hundredths (None: no price known). The holes are at `axes` on a board so `long`.
    """

    code: str
    title: str
    says: str
    patch: Patch | None
    even: Fraction
    air: Fraction
    axes: tuple[Fraction, ...]
    long: Fraction
    stops: int
    cares: int
    minutes: int
    cost: int | None = 0


def ways_out(done: Design, built: Built, place: int | None, supply: Supply, made: Made) -> tuple[WayOut, ...]:
    """Ways to go on from a hole that strays at `place`, or from a board that is too short or too long (None), the least harmful first."""
    site = done.on_wall.site
    found = [*_anew(done, supply, made)]
    axes = done.rack.row.axes
    if min(axes) >= 0 and max(axes) < LONGEST:  # a plan that runs off its board holds nothing
        found += _board(done, built, site) if place is None else _stray(done, built, place, site)
        found += _plugged(done, built, place, made)
    return tuple(sorted(found, key=lambda way: (way.stops, way.cares, _harm(way), way.code)))


def _harm(way: WayOut) -> Fraction:
    """What a way costs in all: a millimetre out of even, a minute of work and half a unit of money weigh alike. Rule of thumb."""
    return way.even + way.minutes + Fraction(way.cost or 0, 50)


def _stray(done: Design, built: Built, place: int, site: Site | None) -> Iterator[WayOut]:
    row, write = done.rack.row, done.tape.write
    at = built.holes[place]
    off, others = at - row.axes[place], {k: x for k, x in built.holes.items() if k != place}
    by = f"{write(abs(off))} {row.run.onward if off > 0 else row.run.back}"
    holds = {k: built.holes.get(k, axis) for k, axis in enumerate(row.axes)}
    yield _tried(
        done,
        site,
        "adopt",
        "Take it as it is",
        f"Holder {place + 1} stays {by} of its place, all others where they were.",
        holds,
    )
    yield _tried(
        done, site, "respace", "Space the rest around it", f"Those that are not drilled yet even out between the {len(built.holes)} that are.",
        dict(built.holes),
    )  # fmt: skip
    if not others and row.axes[0] + off >= 0:
        yield _tried(done, site, "shift", "Shift them all", f"The whole row moves {by}: it stays even, and the ends differ.",
                     {k: axis + off for k, axis in enumerate(row.axes)})  # fmt: skip
    glyph = done.rack.glyph
    bit = max((hole.bit for hole in done.rack.holes), default=Fraction(0))
    if glyph.screws and abs(off) <= glyph.width / 2 - bit / 2 - PLATE_RIM and abs(off) >= 2 * bit:
        way = _tried(done, site, "hide", "Drill anew, and hide it",
                     "The hook's plate covers the stray hole; the new one is far enough from it to hold.",
                     {**dict(enumerate(row.axes)), **others})  # fmt: skip
        yield replace(way, minutes=2, patch=way.patch if others else None)


def _board(done: Design, built: Built, site: Site | None) -> Iterator[WayOut]:
    row, write = done.rack.row, done.tape.write
    assert built.length is not None
    long = exact_text(built.length)
    off = built.length - row.length
    says = f"{write(abs(off))} longer: the spaces grow" if off > 0 else f"{write(abs(off))} shorter: the spaces shrink"
    if off > 0:
        way = _tried(done, site, "trim", "Cut it to length", f"Take {write(off)} off the {row.run.end}: the plan stays.",
                     {**dict(enumerate(row.axes)), **built.holes} if built.holes else {})  # fmt: skip
        yield replace(way, minutes=5, patch=way.patch if built.holes else None)
    yield _tried(done, site, "adopt", "Take the new length", f"The board is {says} with it.", dict(built.holes),
                 {"length": long, "follows": "pitch"})  # fmt: skip
    if not built.holes and off < 0:
        if row.count > 1:
            yield _tried(done, site, "fewer", "Hang one less", f"{row.count - 1} have more room on it than {row.count} had.", {},
                         {"length": long, "count": row.count - 1, "follows": "pitch"})  # fmt: skip
        yield _tried(done, site, "ends", "Keep the spacing", "The ends give way, the pitch stays.", {},
                     {"length": long, "pitch": exact_text(row.pitch), "follows": "ends"})  # fmt: skip


def _plugged(done: Design, built: Built, place: int | None, made: Made) -> Iterator[WayOut]:
    """Fill the hole with wood and drill it where it belongs."""
    if place is None:
        return
    row = done.rack.row
    others = {k: x for k, x in built.holes.items() if k != place}
    glue = max((task.wait for task in made.tasks if task.waits_for in ("glue", "clamps")), default=60)
    way = _tried(done, done.on_wall.site, "plug", "Plug it, and drill again",
                 f"Bore it out, glue a plug of the same wood in, its grain with the board's; go on after {glue // 60 or 1} h.",
                 {**dict(enumerate(row.axes)), **others})  # fmt: skip
    yield replace(way, minutes=PLUG, patch=way.patch if others else None)


def _anew(done: Design, supply: Supply, made: Made) -> Iterator[WayOut]:
    """The part made again: from which stick, for how much, and all its work once more."""
    rack, cutting = done.rack, done.brief.cutting
    key = rack.rows[0].part
    wanted = pieces(part_blanks(rack.part(key)), cutting)
    plan = cut_plan(wanted, supply, cutting.model_copy(update={"locked": {}}))
    if plan.missing or not wanted:
        return
    sticks = ", ".join(
        f"{one.source.name}, {done.tape.write(one.source.long)}{', on hand' if one.source.on_hand else ''}"
        for one in plan.sawn
    )
    work = sum(
        task.minutes
        for task in made.tasks
        if key in task.parts and (task.work or task.key.startswith(("mark:", "cut:")))
    )
    way = _tried(done, done.on_wall.site, "anew", "Make the board again", f"From {sticks}.", {})
    yield replace(way, patch=None, minutes=work, cost=plan.cost)


def _pins(at: dict[int, Fraction]) -> Patch:
    return {"row": {"pins": [{"index": k, "at": exact_text(x)} for k, x in sorted(at.items())]}}


def _tried(
    done: Design,
    site: Site | None,
    code: str,
    title: str,
    says: str,
    at: dict[int, Fraction],
    more: Patch | None = None,
) -> WayOut:
    """A way with holes pinned where they are, worked out."""
    patch: Patch = {"row": {**(_pins(at)["row"] if at else {"pins": []}), **(more or {})}}
    tried = design(amend(done.brief, patch), site)
    row = tried.rack.row
    severities = [finding.severity for finding in tried.findings]
    return WayOut(
        code, title, says, patch, row.unevenness, row.air, row.axes, row.length, severities.count(Severity.STOP),
        severities.count(Severity.CARE), 0,
    )  # fmt: skip


def taught(offs: Sequence[Fraction]) -> Fraction | None:
    """A user's usual drift over many holes: the median, which one bad hole does not move; None for fewer than three."""
    if len(offs) < 3:
        return None
    ordered, half = sorted(offs), len(offs) // 2
    return ordered[half] if len(offs) % 2 else (ordered[half - 1] + ordered[half]) / 2
