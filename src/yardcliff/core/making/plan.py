"""The making of a rack, whole: its tasks in order, why in this order, when each is done, what there
is to say, what would be quicker.
"""

from collections.abc import Container, Iterator, Mapping
from dataclasses import dataclass, replace
from datetime import datetime

from yardcliff.core.brief.building import spoken
from yardcliff.core.design.change import amend
from yardcliff.core.design.machining import once, where
from yardcliff.core.design.rack_design import Design
from yardcliff.core.findings.finding import Finding, Fix, Patch
from yardcliff.core.findings.patch import merge
from yardcliff.core.making.scheduling import Schedule, schedule
from yardcliff.core.making.sequence import Edge, broken, direct, edges, natural, own
from yardcliff.core.making.task import Task, work_of
from yardcliff.core.making.task_list import tasks
from yardcliff.core.wood.rack_timber import Timber
from yardcliff.core.workshop.shop import TOOLS, Hours, Shop, minute, tool_name
from yardcliff.data import table, values
from yardcliff.messages import day_name, listed, tr

LATEST = "22:30"
"""Nobody saws later than that beside neighbours."""
FREE_DAY = ("10:00", "16:00")
MOST_CHANGES = 4
"""More than so many at once is another life."""


@dataclass(frozen=True, slots=True)
class Made:
    """Tasks in order; `why` one comes directly before another; findings; when."""

    tasks: tuple[Task, ...]
    why: tuple[Edge, ...]
    findings: tuple[Finding, ...]
    schedule: Schedule

    def tools(self, ticked: Container[str]) -> tuple[str, ...]:
        """What has to lie ready for all that is not `ticked`, in the order that it is
        first wanted.
        """
        return once(tool for task in self.tasks if task.key not in ticked for tool in task.tools)


@dataclass(frozen=True, slots=True)
class Quicker:
    """A change that brings the end forward: of the brief (`patch`) or of the workshop (`shop`)."""

    says: str
    finish: datetime
    patch: Patch | None = None
    shop: Shop | None = None


def making(
    done: Design, found: Timber, shop: Shop, start: datetime, ticked: Mapping[str, datetime]
) -> Made:
    """All of it, from `start` on; what is `ticked` was done then."""
    asked = done.brief.making
    every = tasks(done, found, asked, shop)
    among = edges(every)
    order = natural(every, among)
    if asked.order:
        order = own(order, asked.order, among)
    at = {task.key: k for k, task in enumerate(order)}
    kept = tuple(edge for edge in among if at[edge.first] < at[edge.then])
    when = schedule(order, kept, shop, start, ticked)
    said = (
        *_gone(found),
        *broken(order, among),
        *_tools(done, shop),
        *_saw(done, found, shop),
        *_shop(order, shop, when),
    )
    if not asked.order:
        # What is done comes first, then as the days have it: what waits longest is begun early.
        begins = {slot.task.key: slot.start for slot in when.slots}
        when_done = {**begins, **ticked}
        order = tuple(
            sorted(order, key=lambda task: (task.key not in ticked, when_done.get(task.key, start)))
        )
    return Made(order, direct(kept), said, when)


def quicker(
    done: Design, found: Timber, shop: Shop, start: datetime, ticked: Mapping[str, datetime]
) -> tuple[Quicker, ...]:
    """What would be done sooner by one change, the soonest first."""
    now = making(done, found, shop, start, ticked).schedule.finish
    if now is None:
        return ()
    return tuple(
        sorted(
            (one for one in _changes(done, found, shop, start, ticked) if one.finish < now),
            key=lambda one: one.finish,
        )
    )


def enough(
    done: Design,
    found: Timber,
    shop: Shop,
    start: datetime,
    ticked: Mapping[str, datetime],
    by: datetime,
) -> Quicker | None:
    """Several changes that together make it `by` then, each time the one that helps most; None
    where they do not, or one does.
    """
    says: list[str] = []
    patch: Patch | None = None
    trial, at = done, shop
    for _ in range(MOST_CHANGES):
        best = next(iter(quicker(trial, found, at, start, ticked)), None)
        if best is None:
            return None
        says.append(best.says)
        if best.patch:
            patch, trial = (
                merge(patch or {}, best.patch),
                replace(trial, brief=amend(trial.brief, best.patch)),
            )
        at = best.shop or at
        if best.finish <= by:
            return (
                Quicker("; ".join(says), best.finish, patch, at if at != shop else None)
                if len(says) > 1
                else None
            )
    return None


def _changes(
    done: Design, found: Timber, shop: Shop, start: datetime, ticked: Mapping[str, datetime]
) -> Iterator[Quicker]:
    for says, other in _shops(shop):
        end = making(done, found, other, start, ticked).schedule.finish
        if end:
            yield Quicker(says, end, shop=other)
    briefs: list[tuple[str, Patch]] = []
    if done.brief.making.touched == "finished":
        briefs.append(
            (
                tr("making.what-things-touch-is-left-natural"),
                {"making": {"touched": "left natural"}},
            )
        )
    for row in table("finishes"):
        if (
            row["key"] not in ("none", done.brief.cutting.finish)
            and done.brief.cutting.finish != "none"
        ):
            briefs.append(
                (
                    tr("making.finish-with", name=row["name"]),
                    {"cutting": {"finish": row["key"], "coats": None}},
                )
            )
    for says, patch in briefs:
        end = making(
            replace(done, brief=amend(done.brief, patch)), found, shop, start, ticked
        ).schedule.finish
        if end:
            yield Quicker(says, end, patch)


def _shops(shop: Shop) -> Iterator[tuple[str, Shop]]:
    """The workshop with one thing changed."""
    longer = []
    for hours in shop.week():
        later = min(minute(hours.end) + 60, minute(LATEST))
        taken = any(
            o is not hours and o.day == hours.day and minute(hours.end) <= minute(o.start) < later
            for o in shop.week()
        )
        end = f"{later // 60:02}:{later % 60:02}"
        longer.append(hours if taken or later <= minute(hours.end) else hours.changed({"end": end}))
    if tuple(longer) != tuple(shop.week()):
        yield tr("making.an-hour-more-each-time"), shop.changed({"hours": tuple(longer)})
    for day in sorted(set(range(7)) - {hours.day for hours in shop.hours}, reverse=True):
        free = Hours(day=day, start=FREE_DAY[0], end=FREE_DAY[1])
        yield (
            tr("making.from-to-too", day=day_name(day), start=FREE_DAY[0], end=FREE_DAY[1]),
            shop.changed({"hours": (*shop.hours, free)}),
        )
    for tool in TOOLS:
        if tool not in shop.tools:
            yield (
                tr("making.with-a", tool=tool_name(tool)),
                shop.changed({"tools": (*shop.tools, tool)}),
            )
    yield tr("making.clamps", clamps=shop.clamps + 4), shop.changed({"clamps": shop.clamps + 4})
    yield (
        tr("making.places-to-dry", drying=shop.drying + 1),
        shop.changed({"drying": shop.drying + 1}),
    )


def _tools(done: Design, shop: Shop) -> Iterator[Finding]:
    """Work that is better avoided without its tool, where there is something else to do."""
    for operation in done.machining:
        work = work_of(operation)
        if "instead" in work.row and not work.own(shop)[0].tools:
            tools = listed(
                (listed(sorted(map(tool_name, way.tools))) for way in work.ways if way.tools), "or"
            )
            yield Finding(
                "work.tool",
                where(operation, done),
                tr(
                    "work.tool",
                    title=work.title(operation, where(operation, done)),
                    tools=tools,
                    slow=f"{work.own(shop)[0].slow:g}",
                ),
                tr("quantity.tool"),
                tr("quantity.by-hand"),
                tools,
                fixes=(
                    Fix(
                        tr("fix.hang-it-on-instead", instead=work.row["instead"]),
                        {"mount": {"by": work.row["instead"]}},
                    ),
                ),
            )


def _gone(found: Timber) -> Iterator[Finding]:
    """What no stick gives: it holds up all that is made of it."""
    if found.plan.missing:
        names = ", ".join(once(piece.blank.name.lower() for piece in found.plan.missing))
        said = tr("making.nothing-on-hand-or-for-sale", names=names)
        yield Finding(
            "work.missing",
            tr("part.the-timber"),
            said,
            tr("quantity.parts-without-wood"),
            str(len(found.plan.missing)),
            tr("quantity.none"),
        )


def _saw(done: Design, found: Timber, shop: Shop) -> Iterator[Finding]:
    """A cut plan for a saw that is not there: another one takes another kerf, and may not rip."""
    cutting = done.brief.cutting
    wants = values("saws", cutting.saw)["tool"]
    if not wants or wants in shop.tools or not found.plan.sawn:
        return
    there = [
        row
        for row in table("saws", done.tape.sizes)
        if row["rips"] and (not row["tool"] or row["tool"] in shop.tools)
    ]
    others = [row["key"] for row in sorted(there, key=lambda row: row["tool"] != "table saw")]
    yield Finding(
        "work.saw",
        tr("part.the-cut-plan"),
        tr("work.saw", saw=cutting.saw),
        tr("quantity.saw"),
        cutting.saw,
        ", ".join(others),
        fixes=tuple(
            Fix(tr("fix.plan-for-a", saw=saw), {"cutting": {"saw": saw, "kerf": None}})
            for saw in others[:2]
        ),
    )


def _shop(order: tuple[Task, ...], shop: Shop, when: Schedule) -> Iterator[Finding]:
    for task in order:
        if task.clamps > shop.clamps:
            yield Finding(
                "work.clamps",
                task.title,
                tr("work.clamps", title=task.title, wanted=task.clamps, there=shop.clamps),
                tr("quantity.clamps"),
                str(shop.clamps),
                str(task.clamps),
            )
    for task in when.long:
        yield Finding(
            "work.long",
            task.title,
            tr("work.long", title=task.title, spoken=spoken(task.minutes)),
            tr("quantity.takes"),
            spoken(task.minutes),
            tr("quantity.the-longest-stretch"),
        )
    if when.over:
        yield Finding(
            "work.hours",
            tr("part.the-workshop"),
            tr("work.hours"),
            tr("quantity.hours"),
            str(len(shop.hours)),
            tr("quantity.at-least-one"),
        )
