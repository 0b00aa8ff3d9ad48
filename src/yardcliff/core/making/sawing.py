"""The tasks at the timber: stock planed thinner and ripped into strips, then cut to length; what no stick gives is found."""

from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass, field
from math import ceil

from yardcliff.core.cautions import cautions
from yardcliff.core.design import Design
from yardcliff.core.exact import Fraction
from yardcliff.core.machining import once
from yardcliff.core.making.picture import Cuts
from yardcliff.core.making.task import MANUAL, Task, Worked
from yardcliff.core.materials import Blank
from yardcliff.core.rack import HOLDER
from yardcliff.core.timber.cut_order import cross_cuts, looked_over, ripping, thinning
from yardcliff.core.timber.layout import (
    Group,
    Laid,
    Piece,
    Sawn,
    offcut_sticks,
    strip_sticks,
    thinned_sticks,
    whole_sticks,
)
from yardcliff.core.timber.means import Means, ToStock
from yardcliff.core.timber.stock import Stick
from yardcliff.core.timber.timber import Timber
from yardcliff.core.workshop.shop import Shop
from yardcliff.core.workshop.ways import own_ways
from yardcliff.data import values

MISSING = "missing"
"""The key of the task that brings what no stick gives."""
SET_UP, EACH_STICK = 5, 4
"""Minutes to set the stop block, and to take and square a stick: rule of thumb."""
ZERO = Fraction(0)
Steps = Callable[[Sawn], Iterable[str]]


def sawn(done: Design, found: Timber, shop: Shop) -> Iterator[Task]:
    """The tasks of every thickness, in turn."""
    saw = _Saw(done, found, Means(done.brief.cutting, shop))
    for group in found.plan.groups:
        if group.sawn:  # without ripping, each width is a group of its own
            yield from saw.of(group)
    gone = frozenset(piece.blank.part or HOLDER for piece in found.plan.missing)
    if gone:
        names = ", ".join(once(piece.blank.name.lower() for piece in found.plan.missing))
        yield Task(
            MISSING, 1, f"Find wood for: {names}", 45, out_of(done, gone),
            lines=("No board on hand or in the list gives it: all that is made of it waits for this.",),
            needs=frozenset({"measured"}), gives=frozenset({"cut"}), errand=True, splits=False,
        )  # fmt: skip


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
            boards = f"{len(thinned)} board{'s' * (len(thinned) > 1)}"
            yield self._to_size(
                "thin", f"Plane {boards} thinner: {group.says}", group, thinned, thinned_sticks(thinned)
            )
        ripped = tuple(one for one in group.sawn if one.strips)
        if ripped:
            many = sum(len(one.strips) for one in ripped)
            title = f"Rip {many} strip{'s' * (many > 1)}: {group.says}"
            left = strip_sticks(ripped, self.means.rip_takes)
            yield self._to_size("strip", title, group, ripped, left)
        yield self._cut(group)

    def _to_size(self, does: ToStock, title: str, group: Group, sticks: tuple[Sawn, ...], leaves: list[Stick]) -> Task:
        """Stock that is brought to size before it is cut to length."""
        way, kind = self.means.rip if does == "strip" else self.means.thin, values("ways", does)

        def steps(one: Sawn) -> tuple[str, ...]:
            does_it = ripping if does == "strip" else thinning
            return (*looked_over(one), *does_it(one, self.done.tape))

        shown = tuple((self._in_strips(one, rip=does == "strip"), steps(one)) for one in sticks)
        return Task(
            self._key(does, group), 2, title, ceil(kind["setup"] + sum(self.means.minutes(does, long) for long in group.to_size(does))), self._parts(sticks),
            self._lines(sticks, steps), ways=(f"{way.says[0].upper()}{way.says[1:]}.",) if way else (), checks=tuple(kind["check"]),
            cautions=(*cautions(does, way.tools if way else ()), *self._old(sticks), MANUAL),
            needs=frozenset({"bought", "measured", *(["thinned"] if does == "strip" else [])}),
            gives=frozenset({"thinned"} if does == "thin" else {"ripped"}), tools=way.kit if way else (), picture=Cuts(shown), timber=Worked(sticks, tuple(leaves)),
        )  # fmt: skip

    def _cut(self, group: Group) -> Task:
        cutting, tape = self.done.brief.cutting, self.done.tape
        cross = values("ways", "cross")
        own = own_ways(cross, self.means.shop)
        laid = [one for stick in group.sawn for one in stick.laid]
        parts = self._parts(group.sawn)
        plain = once(one.note for one in self.done.machining if one.kind.row.get("cut") and parts & set(one.parts))

        def steps(one: Sawn) -> tuple[str, ...]:
            return (
                *(looked_over(one) if not one.thinned and not one.strips else ()),
                *cross_cuts(one, self.means, tape),
            )

        narrow = sum(self.means.minutes("strip", one.long) for stick in group.sawn for one in _narrower(stick))
        return Task(
            self._key("cut", group), 2, f"Cut {len(laid)} part{'s' * (len(laid) != 1)}: {group.says}",
            ceil(SET_UP + EACH_STICK * len(group.sawn) + cross["each"] * own[0].slow * len(laid) + narrow),
            parts, self._lines(group.sawn, steps, _strips_of), (("planned for", f"a {cutting.saw}"), ("each cut takes", tape.write_fine(cutting.takes))),
            ways=tuple(way.says.format(stop="a stop block") for way in own),
            checks=("Both ends square by the try square; equal parts stood side by side feel like one.", *plain),
            cautions=(*cautions("cut", own[0].tools), *(cautions("strip", self.means.rip.tools) if narrow and self.means.rip else ()), *self._old(group.sawn), MANUAL),
            needs=frozenset({"bought", "measured", "thinned", "ripped"}), gives=frozenset({"cut"}),
            tools=(*own[0].kit, "stop block", *(self.means.rip.kit if narrow and self.means.rip else ())), picture=Cuts(tuple((one, steps(one)) for one in group.sawn)), timber=Worked(group.sawn, tuple(offcut_sticks(group.sawn))),
        )  # fmt: skip

    def _in_strips(self, stick: Sawn, *, rip: bool) -> Sawn:
        """A stick as it is shown before it is cut to length."""
        (whole,), write = whole_sticks([stick]), self.done.tape.write_given
        laid = tuple(
            Laid(Piece(f"{write(one.wide)} wide", Blank("", "board", whole.stuff, one.wide, whole.thick, whole.long)), ZERO, whole.long, one.low, one.high)
            for one in (stick.strips if rip else ())
        )  # fmt: skip
        return Sawn(stick.source, stick.copy, laid, ())

    def _key(self, does: str, group: Group) -> str:
        key = self.done.there.anew(f"{does}:{group.says}", self.used)
        self.used.add(key)
        return key

    def _parts(self, sticks: Iterable[Sawn]) -> frozenset[str]:
        return out_of(self.done, frozenset(one.piece.blank.part or HOLDER for stick in sticks for one in stick.laid))

    def _old(self, sticks: Iterable[Sawn]) -> tuple[str, ...]:
        return cautions("old wood") if any(stick.source.reclaimed for stick in sticks) else ()

    def _lines(self, sticks: Iterable[Sawn], steps: Steps, of: Callable[[Sawn], str] = lambda _: "") -> tuple[str, ...]:
        lines: list[str] = []
        for one in sticks:
            here = "" if one.source.on_hand else ", bought"
            lines += [f"Take {of(one)}{one.source.name}, {self.done.tape.write(one.source.long)}{here}.", *steps(one)]
        return tuple(lines)


def _strips_of(stick: Sawn) -> str:
    many = len(stick.strips)
    return f"the {f'{many} strips' if many > 1 else 'strip'} of " if many else ""


def _narrower(stick: Sawn) -> Iterator[Laid]:
    """The pieces that are ripped to width when they are cut to length."""
    wide: dict[Fraction, Fraction] = {}
    for one in stick.laid:
        wide[one.low] = max(wide.get(one.low, one.wide), one.wide)
    return (one for one in stick.laid if one.wide < wide[one.low])
