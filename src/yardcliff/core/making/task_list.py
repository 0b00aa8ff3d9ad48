"""The tasks that a rack asks for: read off its parts, machining, joints, holders, finish and wall;
no list is given.
"""

from collections import Counter
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import chain
from math import ceil
from typing import Any

from yardcliff.core.brief.building import Making
from yardcliff.core.design import machining
from yardcliff.core.design.machining import named, once, where
from yardcliff.core.design.rack_design import Design
from yardcliff.core.making.finish import Finish
from yardcliff.core.making.marking import marked
from yardcliff.core.making.mending import mended
from yardcliff.core.making.picture import bite
from yardcliff.core.making.sawing import out_of, sawn
from yardcliff.core.making.task import MANUAL, Task, says, work_of
from yardcliff.core.materials.goods import Ware
from yardcliff.core.rack import HOLDER, Hold, Joint, Kind, Operation, Putting, Rack, part_keys
from yardcliff.core.wall.putting_up import clearing, overhead, put_up
from yardcliff.core.wood.cost import GRITS
from yardcliff.core.wood.rack_timber import Timber
from yardcliff.core.workshop.caution import cautions
from yardcliff.core.workshop.shop import Shop

BUY, HUNG = "buy", "hang"
"""The keys of the errand, and of the last task: with it the rack is up."""
PHASE = {
    "cross": 3,
    "bore": 5,
    "pilot": 5,
    "kerf": 6,
    "rout": 6,
    "chop": 6,
    "rip": 7,
    "shape": 8,
    "bend": 8,
}
BITES = frozenset({"bore", "pilot", "kerf", "rout"})
"""Classes of work whose cut is drawn in section."""
MOST_LEFT = 60
"""More wood than this behind a hole is nothing to watch, mm."""
NAILED = (
    "In hardwood, and near an end, a hole for each brad first: one with its head nipped off is the"
    " bit."
)
ORDINAL = ("First", "Second", "Third", "Fourth", "Fifth", "Sixth")


def tasks(done: Design, found: Timber, making: Making, shop: Shop) -> tuple[Task, ...]:
    """Every task, each by a key of its own, with the minutes that the user gives it, or at the
    user's pace.
    """
    asked = _Asked(done, found, making, shop)
    made = [
        *asked.before(),
        *sawn(done, found, shop),
        *marked(done),
        *asked.machined(),
        *mended(done),
        *asked.tips(),
        *asked.sanded(),
        *asked.joined(),
        *asked.coats(),
        *asked.holders(),
        *asked.mounted(),
    ]
    made += _once_more(made, done)
    return tuple(
        replace(task, minutes=making.minutes.get(task.key, _paced(task, shop))) for task in made
    )


ONCE = frozenset({"measure", "test", "clear"})
"""Tasks that are done once, whatever is made again."""


def _once_more(every: Sequence[Task], done: Design) -> Iterator[Task]:
    """What was done on all parts and has to be done on those that are made again since, or came to
    be planned.
    """
    there, parts = done.there, {part.key for part in done.parts}
    again = {task.key: there.anew(task.key) for task in every if task.key in there.done_on}
    for task in every:
        # What is bought, cut, marked and made in the wood comes back feature by feature.
        if (
            task.key not in again
            or task.key in ONCE
            or task.errand
            or task.timber
            or task.places
            or task.marks
        ):
            continue
        of = (task.parts or parts) & parts
        left = of - there.done_on[task.key]
        if left:
            names = named(part for part in done.parts if part.key in left)
            yield replace(
                task,
                key=again[task.key],
                title=f"{task.title}, once more: {names}",
                parts=frozenset(left),
                minutes=ceil(task.minutes * len(left) / len(of)),
                after={again.get(key, key): why for key, why in task.after.items()},
            )


def _paced(task: Task, shop: Shop) -> int:
    """Its minutes at the user's pace; the way to the yard is as long for everybody."""
    return task.minutes if task.errand else ceil(task.minutes * shop.pace / 100)


def minutes_at_bench(planned: Iterable[Task], done: Mapping[str, Mapping[str, Any]]) -> int:
    """The minutes that hands are at the bench for, by the tasks that are planned and by the cards,
    by their keys, of those that are done and planned no more.
    """
    minutes = {task.key: task.minutes * (not task.errand) for task in planned}
    minutes |= {
        key: card["minutes"] * (not card["errand"])
        for key, card in done.items()
        if key not in minutes
    }
    return sum(minutes.values())


@dataclass(frozen=True, slots=True)
class _Asked:
    done: Design
    found: Timber
    making: Making
    shop: Shop

    @property
    def rack(self) -> Rack:
        return self.done.rack

    @property
    def finish(self) -> Finish:
        return Finish(self.done, self.found, self.making)

    def before(self) -> Iterator[Task]:
        """What is done before any wood is touched."""
        kinds = self.rack.kinds.values()
        yield Task(
            "measure",
            0,
            "Measure what hangs, as it hangs",
            5 + 3 * len(kinds),
            lines=tuple(f"{item.name}: {', '.join(_measures(item, self.done))}" for item in kinds),
            checks=("Wet, full or stuffed as it will really hang: that is when it is widest.",),
            gives=frozenset({"measured"}),
        )
        buy = [line for line in self.found.lines if line.packs]
        if buy:
            yield Task(
                self.done.there.anew(BUY),
                1,
                "Buy what is missing",
                45,
                lines=tuple(f"{line.name}: {line.bought}" for line in buy),
                checks=("Sight along every stick before you pay: straight, dry, no twist.",),
                needs=frozenset({"measured"}),
                gives=frozenset({"bought"}),
                splits=False,
                errand=True,
            )

    def machined(self) -> Iterator[Task]:
        seen = Counter[str]()
        for operation in self.done.machining:
            if operation.kind.row.get("cut"):
                continue
            key = f"{operation.kind}:{operation.parts[0]}"
            seen[key] += 1
            key = key if seen[key] == 1 else f"{key}:{seen[key]}"
            yield self._work(operation, key)
            more = (
                tuple(filter(self.done.there.open, operation.places))
                if key in self.done.there.cards
                else ()
            )
            if more:  # what came to be planned since it was done
                yield self._work(
                    replace(operation, places=more, parts=part_keys(more)),
                    self.done.there.anew(key),
                )

    def _work(self, operation: Operation, key: str) -> Task:
        tape, work = self.done.tape, work_of(operation)
        ways, kind, row = work.own(self.shop), work.kind, operation.kind.row
        parts = (
            out_of(self.done, frozenset(operation.parts))
            if row.get("halves")
            else frozenset(operation.parts)
        )
        through = row.get("through", False)
        marked = {"marked"} if operation.places and operation.kind.marked else set()
        dry, halves = row.get("dry", False), row.get("halves", False)
        fixed = (
            ("tool", machining.tool(operation, tape)),
            ("depth", machining.depth(operation, tape)),
            ("set", machining.setting(operation)),
            ("stop", "" if operation.stop == "through" else operation.stop),
            (
                "wood left",
                machining.left(operation, tape) if (operation.web or 0) < MOST_LEFT else "",
            ),
        )
        return Task(
            key,
            PHASE[work.row["class"]],
            work.title(operation, where(operation, self.done)),
            ceil(kind["setup"] + kind["each"] * operation.count * ways[0].slow),
            parts,
            settings=tuple((name, text) for name, text in fixed if text),
            ways=tuple(says(way, operation, tape) for way in ways),
            checks=once((operation.note, *kind["check"])),
            cautions=once(
                (
                    *cautions(work.row["class"], ways[0].tools),
                    *(cautions("tilted") if operation.tilt and work.row["class"] == "bore" else ()),
                    *self._cautions(operation),
                    MANUAL if ways[0].tools else "",
                )
            ),
            needs=frozenset(
                {
                    "cut",
                    "rough",
                    "loose",
                    *(state for state in kind["needs"] if not through or state != "square"),
                    *marked,
                    *(["fits"] if dry else []),
                    *([] if halves else ["halved"]),
                }
            ),
            gives=frozenset(
                {"pinned"} if dry else {"machined", "halved"} if halves else {"machined"}
            ),
            # A ripped strip keeps its faces.
            spoils=frozenset() if halves else frozenset(kind["spoils"]),
            follows=row.get("after", {}),
            work=operation.kind,
            places=operation.places,
            tools=(
                *ways[0].kit,
                *((machining.tool(operation, tape),) if operation.kind.drilled else ()),
            ),
            picture=(
                bite(operation, [part for part in self.done.parts if part.key in parts])
                if row["class"] in BITES
                else None
            ),
        )

    def _cautions(self, operation: Operation) -> tuple[str, ...]:
        """The rack's own cautions stand with the first work on its marked part."""
        first = next((made for made in self.done.machining if not made.kind.row.get("cut")), None)
        return self.rack.cautions if operation is first else ()

    def tips(self) -> Iterator[Task]:
        pegs = sum(blank.count for blank in self.found.taken.blanks if blank.form == "dowel")
        if pegs and any(glyph.glued for glyph in self.rack.glyphs):
            yield Task(
                "tips",
                8,
                f"Round the tips of {pegs} pegs",
                ceil(5 + pegs),
                frozenset({HOLDER}),
                ways=(
                    (
                        "Turn each in a drill's chuck against sandpaper, or by hand over a file;"
                        " chamfer the end that goes in."
                    ),
                ),
                checks=(
                    "Every tip the same: against a hole of the tip's own round, filed into card.",
                ),
                cautions=(
                    (
                        "Short pegs are held by the chuck or a clamp, never between the fingers and"
                        " a running belt."
                    ),
                ),
                needs=frozenset({"cut", "rough"}),
                gives=frozenset({"machined"}),
                tools=("drill",) if "drill" in self.shop.tools else ("file",),
            )

    def sanded(self) -> Iterator[Task]:
        faces = self.found.taken.faces
        if faces:
            powered = "sander" in self.shop.tools
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

    def joined(self) -> Iterator[Task]:
        rack = self.rack
        joints = [joint for joint in rack.joints if not joint.hooked]
        if rack.glyph.threaded:
            yield Task(
                "thread",
                10,
                "Thread fingers and spacers on the rod",
                20,
                frozenset(
                    {
                        HOLDER,
                        *(
                            key
                            for operation in rack.machining
                            if operation.kind is Kind.ROD_HOLE
                            for key in operation.parts
                        ),
                    }
                ),
                checks=(
                    (
                        "Every finger falls open by its own weight; a washer more or less sets the"
                        " play."
                    ),
                    *rack.cautions[-1:],
                ),
                needs=frozenset({"machined", "sanded", "inside"}),
                gives=frozenset({"threaded"}),
                spoils=frozenset({"loose"}),
                tools=("spanners",),
            )
        if joints:
            yield Task(
                "dry",
                10,
                "Put it together dry",
                5 + 3 * len(joints),
                checks=(
                    (
                        "Square by both diagonals, tight by hand, and the clamps set to width and"
                        " lying ready."
                    ),
                ),
                needs=frozenset({"machined"}),
                gives=frozenset({"fits"}),
            )
        for body in _bodies(joints):
            yield from self._body(body)

    def _body(self, joints: list[Joint]) -> Iterator[Task]:
        rack = self.rack
        keys = dict.fromkeys(key for joint in joints for key in (joint.part, joint.other))
        parts, first = frozenset(keys), next(iter(keys))
        glued = [joint for joint in joints if joint.glued]
        names = named(map(rack.part, keys))
        inside = frozenset({"sanded", "tested", "loose", "fits"})
        if self.finish.coats and not self.finish.early and any(joint.let_in for joint in joints):
            yield Task(
                f"inside:{first}",
                11,
                f"Finish the inner faces: {names}",
                15,
                parts,
                lines=(
                    (
                        "One coat where no brush gets later; a pencil line from the dry fit shows"
                        " where the glue goes: stay off it."
                    ),
                ),
                needs=inside | {"primed"},
                gives=frozenset({"inside"}),
                tools=("brush",),
                wait=self.finish.wait("coat"),
                waits_for="coat",
                dries=True,
                splits=False,
                cautions=self.finish.cautions,
            )
            if self.finish.conditioner:
                yield Task(
                    f"primed:{first}",
                    11,
                    f"Brush a conditioner on the inner faces: {names}",
                    10,
                    parts,
                    lines=(
                        (
                            "Within the same pencil line: this wood drinks unevenly, and under the"
                            " finish it is too late."
                        ),
                    ),
                    needs=inside,
                    gives=frozenset({"primed"}),
                    wait=self.finish.wait("conditioner"),
                    waits_for="conditioner",
                    dries=True,
                    splits=False,
                    cautions=self.finish.cautions,
                )
        clamps = 2 + len(parts) // 2 if glued else 0
        by = dict.fromkeys(joint.says for joint in joints)
        yield Task(
            f"join:{first}",
            12,
            f"{'Glue' if glued else 'Screw'} together: {names}",
            10 + 4 * len(joints),
            parts,
            lines=tuple(
                f"{_pairs(rack, [joint for joint in joints if joint.says == way])}: {way}."
                for way in by
            ),
            settings=(
                *_nails(joints),
                *((("clamps", str(clamps)), ("in clamps", "as the bottle says")) if glued else ()),
            ),
            checks=(
                (
                    *([NAILED] if any(joint.hold is Hold.PINS for joint in joints) else []),
                    "Both diagonals again once the clamps are on.",
                    (
                        "What squeezes out is lifted off when it is like rubber: wiped wet, it"
                        " shows under the finish."
                    ),
                )
                if glued
                else ("Every screw to the same depth, the last turn by hand.",)
            ),
            needs=frozenset({"bought", "fits", "pinned", "bare", "sanded", "inside", "threaded"}),
            gives=frozenset({"joined"}),
            spoils=frozenset({"loose"}),
            wait=self.finish.wait("glue") if glued else 0,
            waits_for="glue" if glued else None,
            picture="rack",
            clamps=clamps,
            clamped=self.finish.wait("clamps") if glued else 0,
            dries=bool(glued),
            splits=not glued,
            tools=_to_join(joints, clamps),
            cautions=cautions("glue") if glued else (),
        )

    def coats(self) -> Iterator[Task]:
        if not self.finish.coats or not self.found.taken.faces:
            return
        finish = self.finish.name
        dry, faces, early = self.finish.wait("coat"), self.found.taken.faces, self.finish.early
        on = frozenset(
            {part.key for part in self.rack.parts} | (set() if self.finish.natural else {HOLDER})
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
            cautions=self.finish.cautions,
        )
        if self.finish.conditioner:
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
                wait=self.finish.wait("conditioner"),
                waits_for="conditioner",
                dries=True,
                splits=False,
                cautions=self.finish.cautions,
            )
        last = ""
        for k in range(self.finish.coats):
            key, end = f"coat:{k + 1}", k + 1 == self.finish.coats
            first = (
                "Both faces alike: a board with one bare face cups.",
                (
                    "Keep it off what things touch: holders stay bare, and the strip of board that"
                    " cloth rests on is taped off."
                    if self.finish.natural
                    else (
                        "Oil rubs off on cloth until it is hard: it gets its days."
                        if self.finish.oily
                        else ""
                    )
                ),
                (
                    "A twist of paper in every hole that takes glue."
                    if self.making.pegs == "after finish"
                    and any(glyph.glued for glyph in self.rack.glyphs)
                    else ""
                ),
                (
                    "Tape where glue goes: it holds on bare wood only."
                    if early and self.rack.joints
                    else ""
                ),
            )
            pegged = (
                "flush"
                if self.making.pegs == "after finish"
                or not any(glyph.glued for glyph in self.rack.glyphs)
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
                cautions=self.finish.cautions,
                tools=("brush", "tape" if early and self.rack.joints else ""),
            )
            last = key

    def holders(self) -> Iterator[Task]:
        # Plates that hide the screws in the wall go on over them.
        over = any(fixing.by == "plates" for fixing in self.done.on_wall.fixed)
        late = frozenset({"bought", "machined", "finished", *(["up"] if over else [])})
        gives, spoils = frozenset({"fitted"}), frozenset({"flush"})
        alike: dict[tuple[bool, Putting | None], set[int]] = {}
        for k, glyph in enumerate(self.rack.glyphs):
            alike.setdefault((glyph.glued, glyph.putting), set()).add(k)
        for (glued, putting), of in alike.items():
            placed = [holder for holder in self.rack.holders if holder.glyph in of]
            key = "holders" if 0 in of else f"holders:{min(of) + 1}"
            on = frozenset({HOLDER, *(self.rack.rows[one.row].part for one in placed)})
            if glued:
                early = self.making.pegs == "before finish"
                yield Task(
                    key,
                    14,
                    f"Glue the pegs in: {len(placed)} places",
                    ceil(8 + len(placed)),
                    on,
                    lines=(
                        (
                            "Glue in the hole, not on the peg; a light tap, until it stands at its"
                            " mark."
                        ),
                    ),
                    checks=(
                        (
                            "All at one angle: sight along the row, and turn them before the glue"
                            " grips."
                        ),
                    ),
                    needs=frozenset({"machined", "sanded"} if early else {"machined", "coated"}),
                    gives=gives | ({"pegged"} if early else set()),
                    spoils=spoils,
                    wait=self.finish.wait("clamps"),
                    waits_for="clamps",
                    splits=False,
                    cautions=cautions("glue"),
                    tools=("mallet",),
                )
            elif putting:
                title, line, check = putting
                yield Task(
                    key,
                    17 if over else 14,
                    f"{title}: {len(placed)} places",
                    ceil(6 + 2 * len(placed)),
                    on,
                    lines=(line,),
                    checks=(check,),
                    needs=late,
                    gives=frozenset({"hooked"}) if over else gives,
                    spoils=spoils,
                    tools=("screwdriver",),
                )
        hardware = [
            take
            for step in self.done.machining
            for take in step.takes
            if isinstance(take, Ware) and take.kind in ("hanger", "magnet", "strap")
        ]
        if hardware:
            yield Task(
                "hardware",
                15,
                f"Fit {', '.join(once(take.name for take in hardware))}",
                5 + 3 * len(hardware),
                checks=(
                    (
                        (
                            "They bear at one height: lay the rack on its back and a straight edge"
                            " across."
                        ),
                    )
                    if any(take.kind == "hanger" for take in hardware)
                    else ()
                ),
                needs=late - {"up"},
                gives=gives,
                spoils=spoils,
                tools=("screwdriver", "straight edge"),
            )

    def mounted(self) -> Iterator[Task]:
        rack, on, tape = self.rack, self.done.on_wall, self.done.tape
        first, up = clearing(on), put_up(rack, on, tape)
        if first:
            yield Task(
                "clear",
                0,
                "Clear the wall",
                20,
                lines=(first.do,),
                gives=frozenset({"clear"}),
                cautions=up.cautions[:1],
                wait=self.finish.wait("filler"),
                waits_for="filler",
            )
        steps = [step for step in up.steps if step != first and not step.at_the_bench]
        yield Task(
            "mount",
            16,
            "Put it up",
            20 + 8 * len(up.holes),
            lines=tuple(step.do for step in steps)
            or ("No wall is chosen yet: the tab of its wall has them.",),
            settings=(("tools", ", ".join(up.at_hand)),) if up.tools else (),
            cautions=up.cautions,
            needs=frozenset(
                {"bought", "dressed", "joined", "fitted", "machined", "clear", "sanded", "cut"}
            ),
            gives=frozenset({"up"}),
            splits=False,
            picture="wall",
            tools=tuple(tool for tools in up.tools for tool in tools.split(", ")),
        )
        cure = self.finish.until_hard
        last = f"coat:{self.finish.coats}"
        yield Task(
            HUNG,
            18,
            "Hang everything, and try it",
            5 + 2 * len(rack.kinds),
            lines=tuple(
                f"{item.name}: on with one hand, off with one hand, and does it touch its"
                " neighbours?"
                for item in rack.kinds.values()
            ),
            checks=("The heaviest where the screws are; look again after a week.",),
            needs=frozenset({"up", "hooked"}),
            cautions=(*(cautions("overhead") if overhead(rack) else ()), *self.finish.spoilt),
            after=(
                {
                    last: (
                        "The finish has to be hard: until then it rubs off on what hangs there.",
                        cure,
                    )
                }
                if cure
                else {}
            ),
        )


def _measures(item: object, done: Design) -> list[str]:
    write = done.tape.write
    return [
        f"{label} {write(getattr(item, field))}"
        for label, field in (
            ("left", "left"),
            ("right", "right"),
            ("drop", "below"),
            ("off the wall", "front"),
        )
    ]


def _bodies(joints: Iterable[Joint]) -> list[list[Joint]]:
    """Joints by what they make one."""
    found: list[list[Joint]] = []
    for joint in joints:
        mine = [
            body
            for body in found
            if any({joint.part, joint.other} & {one.part, one.other} for one in body)
        ]
        found = [body for body in found if body not in mine]
        found.append([*chain.from_iterable(mine), joint])
    return found


def _to_join(joints: Iterable[Joint], clamps: int) -> tuple[str, ...]:
    """The tools that a body is put together with."""
    holds = {
        "hammer" if joint.hold is Hold.PINS else "" if joint.glued else "screwdriver"
        for joint in joints
    }
    return (*((f"{clamps} clamps",) if clamps else ()), *sorted(holds - {""}))


def _nails(joints: Iterable[Joint]) -> Iterator[tuple[str, str]]:
    """The brads of a body: `8 of 1.4 × 30 mm`."""
    many = Counter[tuple[str, ...]]()
    for take in (take for joint in joints for take in joint.takes if isinstance(take, Ware)):
        many[take.sizes] += take.count
    for (thick, long), each in many.items():
        yield "brads", f"{each} of {thick} × {long} mm"


def _pairs(rack: Rack, joints: list[Joint]) -> str:
    """`Shelf 1 to Left side and Right side; Shelf 2 to …`."""
    to: dict[str, list[str]] = {}
    for joint in joints:
        to.setdefault(rack.part(joint.part).name, []).append(rack.part(joint.other).name)
    return "; ".join(f"{name} to {' and '.join(others)}" for name, others in to.items())
