"""When it went wrong: ways to go on from a stray hole or a board that was cut short, each worked
out, the least harmful first.

What is drilled stays where it is: every way pins the holes that are there.
"""

import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import asdict, dataclass, field, replace
from typing import Any

from yardcliff.core.design.as_built import Held, drilled, follow, pins_of, row_of
from yardcliff.core.design.change import amend
from yardcliff.core.design.measuring import NO_ROW, Subject, subjects
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.design.there import LONG, Built, Step
from yardcliff.core.findings.finding import Patch, Severity
from yardcliff.core.findings.patch import merge
from yardcliff.core.making.plan import Made
from yardcliff.core.rack import Part
from yardcliff.core.rack.blanks import part_blanks
from yardcliff.core.row.row import Row
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import LONGEST, exact_text
from yardcliff.core.ways import build
from yardcliff.core.wood.layout import pieces
from yardcliff.core.wood.plan import cut_plan
from yardcliff.core.wood.stock import Supply

PLUG, AGAIN = 13, 2
"""Minutes to bore a hole out, glue a plug in and pare it, and to drill it again: rule of thumb."""
ANEW = "anew"
"""The way by which a part is made again."""
CARE = 15
"""What a finding to mind weighs beside minutes and millimetres: rule of thumb."""
PLATE_RIM = Fraction(2)
"""So far inside a plate's edge a stray hole is out of sight, mm."""


@dataclass(frozen=True, slots=True)
class WayOut:
    """One way: what it does, the change of the brief (none: the plan stays), the row that comes of
    it, and what it costs.

    `even` is how far the widest or tightest space is off, `air` what is left between things;
    `stops` and `cares` are findings then, `minutes` of more work, `cost` in hundredths (None: no
    price known). The row's holes are at `axes` on a board so `long`; the readings of what it
    `clears` are void then, and its `steps` come to the bench.
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
    minutes: int = 0
    cost: int | None = 0
    clears: tuple[str, ...] = ()
    steps: tuple[Step, ...] = ()
    meant: Mapping[str, Fraction] = field(default_factory=dict)
    """What is to be so from now on, by the names of subjects."""
    cut_to: Mapping[str, Fraction] = field(default_factory=dict)
    """How long parts become that are cut already, by their keys."""


def ways_out(
    done: Design, there: Built, subject: Subject, supply: Supply, made: Made
) -> tuple[WayOut, ...]:
    """Ways to go on from a hole that strays, or from a board that is too short or too long, the
    least harmful first.
    """
    asked = _Asked(done, there, subject, supply, made)
    found = [*asked.anew()]
    axes = [axis for row in done.rack.rows for axis in row.row.axes]
    if min(axes) >= 0 and max(axes) < LONGEST:  # a plan that runs off its board holds nothing
        if subject.row == NO_ROW or subject.across:
            found += asked.of_a_part()
        else:
            found += asked.board() if subject.place is None else asked.hole(subject.place)
    return tuple(sorted(found, key=lambda way: (way.stops, _harm(way), way.code)))


def taken(way: WayOut, done: Design, subject: Subject, found: Fraction) -> dict[str, Any]:
    """A way out as it was taken: of what reading, what it clears and scraps, by which steps."""
    at, planned = done.tape.write_given(found), done.tape.write(subject.planned)
    return {
        "code": way.code,
        "text": (
            f"{subject.title.capitalize()} is at {at} where {planned} was planned:"
            f" {way.title.lower()}."
        ),
        "at": exact_text(found),
        "planned": exact_text(subject.planned),
        "clears": list(way.clears),
        "steps": [asdict(step) for step in way.steps],
        "scraps": (
            {"part": subject.part, "rows": _carried(done, subject.part)}
            if way.code == ANEW
            else None
        ),
        "meant": {what: exact_text(one) for what, one in way.meant.items()},
        "cut_to": [
            [part, exact_text(long), _carried(done, part)] for part, long in way.cut_to.items()
        ],
    }


def _carried(done: Design, part: str) -> list[int]:
    """The rows that a part carries."""
    return [k for k, row in enumerate(done.rack.rows) if row.part == part]


def _stem(key: str) -> str:
    """What the keys of parts have in common that differ by their number or their side."""
    return re.sub(r"\d+|left|right", "", key)


def _harm(way: WayOut) -> Fraction:
    """What a way costs in all: a millimetre out of even, a minute of work and half a unit of money
    weigh alike. Rule of thumb.
    """
    return way.even + way.minutes + Fraction(way.cost or 0, 50) + CARE * way.cares


@dataclass(frozen=True, slots=True)
class _Asked:
    done: Design
    there: Built
    subject: Subject
    supply: Supply
    made: Made

    @property
    def _k(self) -> int:
        return row_of(self.done, self.subject)

    @property
    def _row(self) -> Row:
        return self.done.rack.rows[self._k].row

    def hole(self, place: int) -> Iterator[WayOut]:
        row, k, write, brief = self._row, self._k, self.done.tape.write, self.done.brief
        others = drilled(self.done, self.there, but=self.subject)
        mine = others.pop(k, {})
        others = {i: {**pins_of(brief, i), **there} for i, there in others.items()}
        plan = dict(enumerate(row.axes))
        at, meant = self.there.measured[self.subject.what], mine.get(place, row.axes[place])
        off = at - meant
        by = f"{write(abs(off))} {row.run.moved(off)}"
        if slip := self._misread(place, at):
            yield replace(
                self._tried("misread", "Measure it again", slip, {}),
                minutes=1,
                clears=(self.subject.what,),
            )
        count = f"the {len(mine) + 1} that are" if mine else "it"
        if (
            place not in mine
        ):  # else the other upright is drilled there, and this hole has to be level with it
            yield self._tried(
                "adopt",
                "Take it as it is",
                f"Holder {place + 1} stays where it is, {by}; all others where they were.",
                self._unmoved({**others, k: {**plan, **mine, place: at}}),
            )
            if len(mine) + 1 < row.holders:
                yield self._tried(
                    "respace",
                    "Space the rest around it",
                    f"Those that are not drilled yet even out around {count}.",
                    {**others, k: {**mine, place: at}},
                )
            if not mine and row.axes[0] + off >= 0:
                yield self._tried(
                    "shift",
                    "Shift them all",
                    f"The whole row moves {by}: it stays even, and the ends differ.",
                    {**others, k: {i: axis + off for i, axis in plan.items()}},
                )
        # Drilled again where it belongs; with nothing else drilled in the row, the plan holds it
        # there by itself.
        again = {**others, k: {**plan, **mine}} if mine else {}
        rack = self.done.rack
        glyph = rack.glyph_of(k)
        bit = max((bore.bit for bore in rack.bores_of(k)), default=Fraction(0))
        if (
            glyph.screws
            and abs(off) <= glyph.width / 2 - bit / 2 - PLATE_RIM
            and abs(off) >= 2 * bit
        ):
            way = self._tried(
                "hide",
                "Drill anew, and hide it",
                "The hook's plate covers the stray hole; the new one is far enough from it to"
                " hold.",
                again,
            )
            yield replace(
                way, minutes=AGAIN, clears=(self.subject.what,), steps=(self._again(place, meant),)
            )
        glue = max(
            (task.wait for task in self.made.tasks if task.waits_for in ("glue", "clamps")),
            default=60,
        )
        way = self._tried(
            "plug",
            "Plug it, and drill again",
            "Bore it out, glue a plug of the same wood in, its grain with the board's; go on after"
            f" {glue // 60 or 1} h.",
            again,
        )
        plug = Step(
            f"Plug {self.subject.title}",
            PLUG,
            "Bore it out, glue a plug of the same wood in, pare it flush.",
            glue,
            "glue",
        )
        yield replace(
            way,
            minutes=PLUG + AGAIN,
            clears=(self.subject.what,),
            steps=(plug, self._again(place, meant)),
        )

    def _again(self, place: int, at: Fraction) -> Step:
        """The hole drilled anew, where it belongs."""
        row = self._row.run
        return Step(
            f"Drill {self.subject.title} again",
            AGAIN,
            f"{place + 1}: {self.done.tape.write(at)} from the {row.start}",
            again=True,
        )

    def _misread(self, place: int, at: Fraction) -> str | None:
        """What a reading looks like that is far off: the tape hooked at the other end, or a figure
        in another hole's line.
        """
        row, near = self._row, 2 * self.done.tape.step
        if abs(at - row.axes[place]) <= 4 * near:
            return None
        if abs(row.length - at - row.axes[place]) <= near:
            planned = self.done.tape.write(row.axes[place])
            return (
                f"From the {row.run.end} that is {planned}, where it is planned: hook the tape at"
                f" the {row.run.start}."
            )
        other = next(
            (i for i, axis in enumerate(row.axes) if i != place and abs(axis - at) <= near), None
        )
        return (
            None
            if other is None
            else f"Hole {other + 1} is planned just there: is the figure in its own line?"
        )

    def board(self) -> Iterator[WayOut]:
        row, write, name = self._row, self.done.tape.write, self.subject.title
        found = self.there.measured[self.subject.what]
        long, off = exact_text(found), found - self.subject.planned
        holes = drilled(self.done, self.there)
        says = (
            f"{write(abs(off))} longer: the spaces grow"
            if off > 0
            else f"{write(abs(off))} shorter: the spaces shrink"
        )
        others = "" if self.done.rack.one_board else "; all others are cut to it"
        if off > 0:
            way = self._tried(
                "trim",
                "Cut it to length",
                f"Take {write(off)} off the {row.run.end}: the plan stays.",
                {},
            )
            cut = Step(f"Cut {name} to length", 5, f"Take {write(off)} off the {row.run.end}.")
            yield replace(way, minutes=5, clears=(self.subject.what,), steps=(cut,))
        others_cut = self._others_cut()
        if off < 0 or not others_cut:
            way = self._tried(
                "adopt",
                "Take the new length",
                f"{name[0].upper()}{name[1:]} is {says} with it{others}.",
                {0: {}, **holes},
                {"length": long, "follows": "pitch"},
            )
            yield self._cut_alike(way, others_cut, found)
        if row.axes[-1] + row.fixture.right <= found:
            yield self._left("its marks stay")
        if off < 0 and others_cut and not holes.get(self._k):
            yield self._shared(off)
        if not holes and off < 0:
            if row.count > 1:
                yield self._tried(
                    "fewer",
                    "Hang one less",
                    f"{row.count - 1} have more room on it than {row.count} had.",
                    {0: {}},
                    {"length": long, "count": row.count - 1, "follows": "pitch"},
                )
            yield self._tried(
                "ends",
                "Keep the spacing",
                "The ends give way, the pitch stays.",
                {0: {}},
                {"length": long, "pitch": exact_text(row.pitch), "follows": "ends"},
            )

    def of_a_part(self) -> Iterator[WayOut]:
        """What becomes of a part that carries no row: the plan stays."""
        found, write, what = (
            self.there.measured[self.subject.what],
            self.done.tape.write,
            self.subject.what,
        )
        off, name = found - self.subject.planned, self.subject.title
        if off > 0:
            does = (
                f"{'Plane' if self.subject.across else 'Take'} {write(off)}"
                f" off{'' if self.subject.across else ' one end'}."
            )
            way = self._tried(
                "trim",
                f"Bring it to {'width' if self.subject.across else 'length'}",
                f"{does[:-1]}: the plan stays.",
                {},
            )
            yield replace(
                way, minutes=5, clears=(what,), steps=(Step(f"Bring {name} to size", 5, does),)
            )
        yield self._left("what meets it gives way, or has a gap so wide")
        alike = self._others_cut()
        if off < 0 and alike and not self.subject.across:
            names = " and ".join(part.name.lower() for part in alike)
            way = self._tried(
                "match",
                f"Cut {names} to match",
                f"All are {write(abs(off))} shorter, and equal.",
                {},
            )
            yield self._cut_alike(
                replace(way, meant={f"{LONG}{part.key}": found for part in (self._part, *alike)}),
                alike,
                found,
            )

    @property
    def _part(self) -> Part:
        return self.done.part(self.subject.part)

    def _others_cut(self) -> list[Part]:
        """The parts that are cut as this one was to be."""
        mine = self._part
        size = (mine.along, mine.face_width, mine.thickness)
        others = [
            part
            for part in self.done.parts
            if part.key in self.there.parts and part.key != mine.key
        ]
        return [
            part
            for part in others
            if (part.along, part.face_width, part.thickness) == size
            and _stem(part.key) == _stem(mine.key)
        ]

    def _cut_alike(self, way: WayOut, others: Sequence[Part], long: Fraction) -> WayOut:
        """The way, with what is cut already cut to match."""
        write = self.done.tape.write
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
            for subject in subjects(self.done)
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

    def _left(self, what_gives: str) -> WayOut:
        """It stays as it is, and the plan too."""
        found = self.there.measured[self.subject.what]
        off = found - self.subject.planned
        more = (
            ("wider" if off > 0 else "narrower")
            if self.subject.across
            else ("longer" if off > 0 else "shorter")
        )
        way = self._tried(
            "leave",
            "Leave it",
            f"It stays {self.done.tape.write(abs(off))} {more}: {what_gives}.",
            {},
        )
        return replace(way, even=max(way.even, abs(off)), meant={self.subject.what: found})

    def _shared(self, off: Fraction) -> WayOut:
        """Half of what is missing at either end: the marks move by that, and the board is hung so
        much further in.
        """
        row, k, half = self._row, self._k, -off / 2
        plan = {i: axis - half for i, axis in enumerate(row.axes)}
        way = self._tried(
            "share",
            "Share the difference",
            f"Each mark {self.done.tape.write(half)} nearer to the {row.run.start}; hung so much"
            " further in, both ends are back alike, and all is in line.",
            self._unmoved({**drilled(self.done, self.there), k: plan}),
        )
        return replace(way, meant={self.subject.what: self.there.measured[self.subject.what]})

    def anew(self) -> Iterator[WayOut]:
        """The part made again: from which stick, for how much, and all its work once more."""
        rack, cutting, write = self.done.rack, self.done.brief.cutting, self.done.tape.write
        key = self.subject.part
        wanted = pieces(part_blanks(self._part), cutting)
        plan = cut_plan(wanted, self.supply, cutting.changed({"locked": {}}))
        if plan.missing or not wanted:
            return
        sticks = ", ".join(
            f"{sawn.source.name},"
            f" {write(sawn.source.long)}{', on hand' if sawn.source.on_hand else ''}"
            for sawn in plan.sawn
        )
        work = sum(
            task.minutes
            for task in self.made.tasks
            if key in task.parts and (task.work or task.key.startswith(("mark:", "cut:")))
        )
        on_it = tuple(subject.what for subject in subjects(self.done) if subject.part == key)
        board = rack.one_board and key == rack.rows[0].part
        name = "the board" if board else self._part.name.lower()
        title = f"Make {name if board or name[-1].isdigit() else f'the {name}'} again"
        way = self._tried(ANEW, title, f"From {sticks}.", {})
        yield replace(way, minutes=work, cost=plan.cost, clears=on_it)

    def _unmoved(self, held: Held) -> Held:
        """Rows held, and whatever would move with them held where it is."""
        rack, brief = self.done.rack, self.done.brief
        tried = build(amend(brief, follow(brief, held)))
        moves = [i for i, row in enumerate(rack.rows) if row.row.axes != tried.rows[i].row.axes]
        stay = {i: {**dict(enumerate(rack.rows[i].row.axes)), **held.get(i, {})} for i in moves}
        return {**held, **({} if rack.together else stay)}

    def _tried(
        self, code: str, title: str, says: str, held: Held, more: Patch | None = None
    ) -> WayOut:
        """A way with rows held, worked out."""
        brief = self.done.brief
        patch = merge(follow(brief, held), {"row": more} if more else {})
        tried = design(amend(brief, patch), self.done.on_wall.site) if patch else self.done
        rows = [row.row for row in tried.rack.rows]
        row, drawn = (
            rows[min(self._k, len(rows) - 1)],
            self.subject.row != NO_ROW and not self.subject.across,
        )
        severities = [finding.severity for finding in tried.findings]
        return WayOut(
            code,
            title,
            says,
            patch or None,
            row.unevenness,
            min(row.air for row in rows),
            row.axes if drawn else (),
            row.length if drawn else Fraction(0),
            severities.count(Severity.STOP),
            severities.count(Severity.CARE),
        )
