"""The tasks at the timber: stock planed thinner and ripped into strips, then cut to length; what no
stick gives is found.
"""

from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass, field
from math import ceil

from yardcliff.core.design.machining import once
from yardcliff.core.design.rack_design import Design
from yardcliff.core.making.picture import Cuts
from yardcliff.core.making.task import MANUAL, Task, Worked
from yardcliff.core.materials.goods import Blank
from yardcliff.core.rack import HOLDER
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.text import begun
from yardcliff.core.wood.cut_order import cross_cuts, looked_over, ripping, thinning
from yardcliff.core.wood.layout import Group, Laid, Piece, Sawn
from yardcliff.core.wood.means import Means, ToStock
from yardcliff.core.wood.rack_timber import Timber
from yardcliff.core.wood.stick_changes import (
    offcut_sticks,
    strip_sticks,
    thinned_sticks,
    whole_sticks,
)
from yardcliff.core.workshop.caution import cautions
from yardcliff.core.workshop.methods import own_ways
from yardcliff.core.workshop.shop import Shop, tool_name
from yardcliff.data import values
from yardcliff.messages import tr

MISSING = "missing"
"""The key of the task that brings what no stick gives."""
SET_UP, EACH_STICK = 5, 4
"""Minutes to set the stop block, and to take and square a stick: rule of thumb."""
ZERO = Fraction(0)
PHASE = 2
Steps = Callable[[Sawn], Iterable[str]]


def sawn(done: Design, found: Timber, shop: Shop) -> Iterator[Task]:
    """The tasks of every thickness, in turn."""
    saw = _Saw(done, found, Means(done.brief.cutting, shop, done.tape))
    for group in found.plan.groups:
        if group.sawn:  # without ripping, each width is a group of its own
            yield from saw.of(group)
    gone = frozenset(piece.blank.part or HOLDER for piece in found.plan.missing)
    if gone:
        names = ", ".join(once(piece.blank.name.lower() for piece in found.plan.missing))
        yield Task(
            MISSING,
            1,
            tr("making.find-wood-for", names=names),
            45,
            out_of(done, gone),
            lines=(tr("making.no-board-on-hand-or-in"),),
            needs=frozenset({"measured"}),
            gives=frozenset({"cut"}),
            errand=True,
            splits=False,
        )


def out_of(done: Design, keys: frozenset[str]) -> frozenset[str]:
    """These parts, and those that come out of their blanks."""
    return keys | {part.key for part in done.parts if part.of in keys}


@dataclass(frozen=True, slots=True)
class _Saw:
    done: Design
    found: Timber
    means: Means
    used: set[str] = field(default_factory=set)
    """The keys that are given already."""

    def of(self, group: Group) -> Iterator[Task]:
        thinned = tuple(one for one in group.sawn if one.thinned)
        if thinned:
            title = tr("making.plane-board-thinner", n=len(thinned))
            yield self._to_size(
                "thin", title, group, Worked(thinned, tuple(thinned_sticks(thinned)))
            )
        ripped = tuple(one for one in group.sawn if one.strips)
        if ripped:
            many = sum(len(one.strips) for one in ripped)
            left = strip_sticks(ripped, self.means.rip_takes)
            yield self._to_size(
                "strip", tr("making.rip-strip", n=many), group, Worked(ripped, tuple(left))
            )
        yield self._cut(group)

    def _to_size(self, does: ToStock, title: str, group: Group, work: Worked) -> Task:
        """Stock that is brought to size before it is cut to length."""
        rip, kind = does == "strip", values("ways", does)
        way = self.means.rip if rip else self.means.thin
        lasts = kind["setup"] + sum(self.means.minutes(does, long) for long in group.to_size(does))

        def steps(one: Sawn) -> tuple[str, ...]:
            return (*looked_over(one), *(ripping if rip else thinning)(one, self.done.tape))

        return Task(
            self._key(does, group),
            PHASE,
            f"{title}: {group.says}",
            ceil(lasts),
            self._parts(work.sticks),
            self._lines(work.sticks, steps),
            ways=(f"{begun(tr(way.says))}.",) if way else (),
            checks=tuple(map(tr, kind["check"])),
            cautions=(*cautions(does, way.tools if way else ()), *_old(work.sticks), tr(MANUAL)),
            needs=frozenset({"bought", "measured"} | ({"thinned"} if rip else set())),
            gives=frozenset({"ripped" if rip else "thinned"}),
            tools=way.kit if way else (),
            picture=Cuts(tuple((self._in_strips(one, rip=rip), steps(one)) for one in work.sticks)),
            timber=work,
        )

    def _cut(self, group: Group) -> Task:
        cutting, tape = self.done.brief.cutting, self.done.tape
        cross, rip = values("ways", "cross"), self.means.rip
        own = own_ways(cross, self.means.shop)[0]
        laid = [laid for stick in group.sawn for laid in stick.laid]
        parts = self._parts(group.sawn)
        plain = once(
            operation.note
            for operation in self.done.machining
            if operation.kind.row.get("cut") and parts & set(operation.parts)
        )
        # Narrower pieces of a strip are ripped to width once they are cut to length.
        narrow = sum(
            self.means.minutes("strip", laid.long)
            for stick in group.sawn
            for laid in _narrower(stick)
        )
        ripped = rip if narrow else None

        def steps(one: Sawn) -> tuple[str, ...]:
            whole = not one.thinned and not one.strips
            return (*(looked_over(one) if whole else ()), *cross_cuts(one, self.means, tape))

        return Task(
            self._key("cut", group),
            PHASE,
            tr("making.cut-part", n=len(laid), of=group.says),
            ceil(
                SET_UP
                + EACH_STICK * len(group.sawn)
                + cross["each"] * own.slow * len(laid)
                + narrow
            ),
            parts,
            self._lines(group.sawn, steps, _strips_of),
            (
                (tr("making.planned-for"), tr("making.a-tool", tool=tool_name(cutting.saw))),
                (tr("making.each-cut-takes"), tape.write_fine(self.means.takes)),
            ),
            ways=tuple(
                tr(way.says, stop=tr("making.a-stop-block"))
                for way in own_ways(cross, self.means.shop)
            ),
            checks=(tr("making.both-ends-square-by-try-square"), *plain),
            cautions=(
                *cautions("cut", own.tools),
                *(cautions("strip", ripped.tools) if ripped else ()),
                *_old(group.sawn),
                tr(MANUAL),
            ),
            needs=frozenset({"bought", "measured", "thinned", "ripped"}),
            gives=frozenset({"cut"}),
            tools=(*own.kit, tr("tool.stop-block"), *(ripped.kit if ripped else ())),
            picture=Cuts(tuple((one, steps(one)) for one in group.sawn)),
            timber=Worked(group.sawn, tuple(offcut_sticks(group.sawn))),
        )

    def _in_strips(self, stick: Sawn, *, rip: bool) -> Sawn:
        """A stick as it is shown before it is cut to length."""
        (whole,), write = whole_sticks([stick]), self.done.tape.write_given
        laid = []
        for one in stick.strips if rip else ():
            blank = Blank("", "board", whole.stuff, one.wide, whole.thick, whole.long)
            laid.append(
                Laid(
                    Piece(tr("making.wide", wide=write(one.wide)), blank),
                    ZERO,
                    whole.long,
                    one.low,
                    one.high,
                )
            )
        return Sawn(stick.source, stick.copy, tuple(laid), ())

    def _key(self, does: str, group: Group) -> str:
        key = self.done.there.anew(f"{does}:{group.says}", self.used)
        self.used.add(key)
        return key

    def _parts(self, sticks: Iterable[Sawn]) -> frozenset[str]:
        return out_of(
            self.done,
            frozenset(laid.piece.blank.part or HOLDER for stick in sticks for laid in stick.laid),
        )

    def _lines(
        self, sticks: Iterable[Sawn], steps: Steps, of: Callable[[Sawn], str] = lambda _: ""
    ) -> tuple[str, ...]:
        lines: list[str] = []
        for one in sticks:
            here = "" if one.source.on_hand else tr("making.bought")
            lines += [
                tr(
                    "making.take",
                    of=of(one),
                    name=one.source.name,
                    long=self.done.tape.write(one.source.long),
                    here=here,
                ),
                *steps(one),
            ]
        return tuple(lines)


def _old(sticks: Iterable[Sawn]) -> tuple[str, ...]:
    return cautions("old wood") if any(stick.source.reclaimed for stick in sticks) else ()


def _strips_of(stick: Sawn) -> str:
    return tr("making.strips-of", n=len(stick.strips)) if stick.strips else ""


def _narrower(stick: Sawn) -> Iterator[Laid]:
    """The pieces that are ripped to width when they are cut to length."""
    wide: dict[Fraction, Fraction] = {}
    for laid in stick.laid:
        wide[laid.low] = max(wide.get(laid.low, laid.wide), laid.wide)
    return (laid for laid in stick.laid if laid.wide < wide[laid.low])
