"""The tasks that a rack asks for: read off its parts, machining, joints, holders, finish and wall;
no list is given.
"""

from collections import Counter
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import replace
from math import ceil
from typing import Any

from yardcliff.core.brief.building import Making
from yardcliff.core.design import machining
from yardcliff.core.design.machining import named, once, where
from yardcliff.core.design.rack_design import Design
from yardcliff.core.making.asked import Asked
from yardcliff.core.making.coating import coats, sanded
from yardcliff.core.making.holder_tasks import holders, tips
from yardcliff.core.making.joining import joined
from yardcliff.core.making.marking import marked
from yardcliff.core.making.mending import mended
from yardcliff.core.making.picture import bite
from yardcliff.core.making.sawing import out_of, sawn
from yardcliff.core.making.task import MANUAL, Task, says, work_of
from yardcliff.core.rack import Kind, Operation, part_keys
from yardcliff.core.wall.putting_up import clearing, overhead, put_up
from yardcliff.core.wood.rack_timber import Timber
from yardcliff.core.workshop.caution import cautions
from yardcliff.core.workshop.shop import Shop
from yardcliff.messages import tr

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


def tasks(done: Design, found: Timber, making: Making, shop: Shop) -> tuple[Task, ...]:
    """Every task, each by a key of its own, with the minutes that the user gives it, or at the
    user's pace.
    """
    asked = Asked(done, found, making, shop)
    made = [
        *before(asked),
        *sawn(done, found, shop),
        *marked(done),
        *machined(asked),
        *mended(done),
        *tips(asked),
        *sanded(asked),
        *joined(asked),
        *coats(asked),
        *holders(asked),
        *mounted(asked),
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
                title=tr("making.once-more", title=task.title, names=names),
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


def _measures(item: object, done: Design) -> list[str]:
    write = done.tape.write
    return [
        f"{label} {write(getattr(item, field))}"
        for label, field in (
            ("left", "left"),
            ("right", "right"),
            ("drop", "below"),
            (tr("making.off-the-wall"), "front"),
        )
    ]


def before(asked: Asked) -> Iterator[Task]:
    """What is done before any wood is touched."""
    kinds = asked.rack.kinds.values()
    yield Task(
        "measure",
        0,
        tr("task.measure"),
        5 + 3 * len(kinds),
        lines=tuple(f"{item.name}: {', '.join(_measures(item, asked.done))}" for item in kinds),
        checks=(tr("making.wet-full-or-stuffed-as-will"),),
        gives=frozenset({"measured"}),
    )
    buy = [line for line in asked.found.lines if line.packs]
    if buy:
        yield Task(
            asked.done.there.anew(BUY),
            1,
            tr("making.buy-what-is-missing"),
            45,
            lines=tuple(f"{line.name}: {line.bought}" for line in buy),
            checks=(tr("making.sight-along-every-stick-before-you"),),
            needs=frozenset({"measured"}),
            gives=frozenset({"bought"}),
            splits=False,
            errand=True,
        )


def machined(asked: Asked) -> Iterator[Task]:
    """Holes, grooves and cuts, kind by kind."""
    seen = Counter[str]()
    for operation in asked.done.machining:
        if operation.kind.row.get("cut"):
            continue
        key = f"{operation.kind}:{operation.parts[0]}"
        seen[key] += 1
        key = key if seen[key] == 1 else f"{key}:{seen[key]}"
        yield _work(asked, operation, key)
        more = (
            tuple(filter(asked.done.there.open, operation.places))
            if key in asked.done.there.cards
            else ()
        )
        if more:  # what came to be planned since it was done
            yield _work(
                asked,
                replace(operation, places=more, parts=part_keys(more)),
                asked.done.there.anew(key),
            )


def _work(asked: Asked, operation: Operation, key: str) -> Task:
    tape, work = asked.done.tape, work_of(operation)
    ways, kind, row = work.own(asked.shop), work.kind, operation.kind.row
    parts = (
        out_of(asked.done, frozenset(operation.parts))
        if row.get("halves")
        else frozenset(operation.parts)
    )
    through = row.get("through", False)
    marked = {"marked"} if operation.places and operation.kind.marked else set()
    dry, halves = row.get("dry", False), row.get("halves", False)
    fixed = (
        (tr("setting.tool"), machining.tool(operation, tape)),
        (tr("setting.depth"), machining.depth(operation, tape)),
        (tr("setting.set"), machining.setting(operation)),
        (tr("setting.stop"), "" if operation.stop == "through" else operation.stop),
        (
            tr("making.wood-left"),
            machining.left(operation, tape) if (operation.web or 0) < MOST_LEFT else "",
        ),
    )
    return Task(
        key,
        PHASE[work.row["class"]],
        work.title(operation, where(operation, asked.done)),
        ceil(kind["setup"] + kind["each"] * operation.count * ways[0].slow),
        parts,
        settings=tuple((name, text) for name, text in fixed if text),
        ways=tuple(says(way, operation, tape) for way in ways),
        checks=once((operation.note, *map(tr, kind["check"]))),
        cautions=once(
            (
                *cautions(work.row["class"], ways[0].tools),
                *(cautions("tilted") if operation.tilt and work.row["class"] == "bore" else ()),
                *_cautions(asked, operation),
                tr(MANUAL) if ways[0].tools else "",
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
        gives=frozenset({"pinned"} if dry else {"machined", "halved"} if halves else {"machined"}),
        # A ripped strip keeps its faces.
        spoils=frozenset() if halves else frozenset(kind["spoils"]),
        follows={
            Kind(other): tr(f"work.{operation.kind}.after.{other}")
            for other in row.get("after", ())
        },
        work=operation.kind,
        places=operation.places,
        tools=(
            *ways[0].kit,
            *((machining.tool(operation, tape),) if operation.kind.drilled else ()),
        ),
        picture=(
            bite(operation, [part for part in asked.done.parts if part.key in parts])
            if row["class"] in BITES
            else None
        ),
    )


def _cautions(asked: Asked, operation: Operation) -> tuple[str, ...]:
    """The rack's own cautions stand with the first work on its marked part."""
    first = next((made for made in asked.done.machining if not made.kind.row.get("cut")), None)
    return asked.rack.cautions if operation is first else ()


def mounted(asked: Asked) -> Iterator[Task]:
    """Putting it up, and hanging things on it."""
    rack, on, tape = asked.rack, asked.done.on_wall, asked.done.tape
    first, up = clearing(on), put_up(rack, on, tape)
    if first:
        yield Task(
            "clear",
            0,
            tr("task.clear"),
            20,
            lines=(first.do,),
            gives=frozenset({"clear"}),
            cautions=up.cautions[:1],
            wait=asked.finish.wait("filler"),
            waits_for="filler",
        )
    steps = [step for step in up.steps if step != first and not step.at_the_bench]
    yield Task(
        "mount",
        16,
        tr("task.mount"),
        20 + 8 * len(up.holes),
        lines=tuple(step.do for step in steps) or (tr("making.no-wall-chosen-yet-tab-its"),),
        settings=((tr("setting.tools"), ", ".join(up.at_hand)),) if up.tools else (),
        cautions=up.cautions,
        needs=frozenset(
            {"bought", "dressed", "joined", "fitted", "machined", "clear", "sanded", "cut"}
        ),
        gives=frozenset({"up"}),
        splits=False,
        picture="wall",
        tools=tuple(tool for tools in up.tools for tool in tools.split(", ")),
    )
    cure = asked.finish.until_hard
    last = f"coat:{asked.finish.coats}"
    yield Task(
        HUNG,
        18,
        tr("making.hang-everything-and-try-it"),
        5 + 2 * len(rack.kinds),
        lines=tuple(
            tr("making.on-with-one-hand-off-with", name=item.name) for item in rack.kinds.values()
        ),
        checks=(tr("making.heaviest-where-screws-look-again-after"),),
        needs=frozenset({"up", "hooked"}),
        cautions=(*(cautions("overhead") if overhead(rack) else ()), *asked.finish.spoilt),
        after=({last: (tr("making.finish-has-be-hard-until-then"), cure)} if cure else {}),
    )
