"""The making of a rack: tasks, days and ticks; and the workshop."""

from datetime import UTC, datetime
from typing import Annotated

from fastapi import APIRouter, Query, Response

from yardcliff.api.deps import AtBench, OnSite, Sites, Speaks, Store, Supplies, Timbers, Workshop
from yardcliff.api.making_views import view_deadline, view_making
from yardcliff.api.making_wire import DeadlineView, FileKind, MakingView, SaidMany, ShopView
from yardcliff.api.racks import attached
from yardcliff.core.amend import BriefError
from yardcliff.core.design import Design
from yardcliff.core.making.making import Made, enough, making, quicker
from yardcliff.core.making.shop import DAYS, TOOLS, Shop
from yardcliff.core.timber.timber import Timber, priced
from yardcliff.store.bench import Said
from yardcliff.store.sheets import Racks

router = APIRouter(tags=["making"])
When = Annotated[
    str,
    Query(max_length=40, description="The time on the workshop's wall, like 2026-11-26T19:30: the plan begins then."),
]


def planned_time(field: str, text: str) -> datetime:
    """A time as sent, to the minute. Raises `BriefError`."""
    try:
        return datetime.fromisoformat(text).replace(tzinfo=None, second=0, microsecond=0)
    except ValueError:
        raise BriefError([(field, f"“{text[:40]}” is no time: send one like 2026-11-26T19:30.")]) from None


def _planned(rack_id: str, racks: Racks, sites: Sites, timbers: Supplies) -> tuple[Design, Timber]:
    done = sites.stored(racks.get(rack_id))
    return done, priced(done, timbers.supply())


def _made(
    rack_id: str, racks: Racks, sites: Sites, timbers: Supplies, bench: Workshop, start: datetime
) -> tuple[Design, Made]:
    done, found = _planned(rack_id, racks, sites, timbers)
    return done, making(done, found, bench.shop, start, bench.ticked(rack_id))


@router.get("/api/shop")
def get_shop(bench: AtBench) -> ShopView:
    """The workshop: its tools, hours, clamps and places to dry."""
    return ShopView(shop=bench.shop, tools=list(TOOLS), days=list(DAYS))


@router.put("/api/shop")
def keep_shop(shop: Shop, bench: AtBench) -> ShopView:
    """The workshop as it is now. 422 names what cannot be."""
    bench.store.keep_shop(shop.model_dump(mode="json"))
    return get_shop(bench)


@router.get("/api/racks/{rack_id}/making")
def get_making(
    rack_id: str, now: When, store: Store, sites: OnSite, timbers: Timbers, bench: AtBench, tongue: Speaks
) -> MakingView:
    """The tasks in their order with the reasons, and when each is done from `now` on."""
    done, made = _made(rack_id, store, sites, timbers, bench, planned_time("now", now))
    return view_making(done, made, bench.store.ticks(rack_id), tongue)


@router.get("/api/racks/{rack_id}/making/by")
def get_deadline(
    rack_id: str, now: When, by: str, store: Store, sites: OnSite, timbers: Timbers, bench: AtBench, tongue: Speaks
) -> DeadlineView:
    """Whether it is done `by` a day (until its end) or time, and what would bring the end forward."""
    start, until = planned_time("now", now), planned_time("by", f"{by}T23:59" if len(by) == 10 else by)
    done, found = _planned(rack_id, store, sites, timbers)
    ticked = bench.ticked(rack_id)
    finish = making(done, found, bench.shop, start, ticked).schedule.finish
    changes = quicker(done, found, bench.shop, start, ticked)
    if finish and finish > until and not any(one.finish <= until for one in changes):
        together = enough(done, found, bench.shop, start, ticked, until)
        changes = (together, *changes) if together else changes
    return view_deadline(finish, until, changes, tongue)


@router.post("/api/racks/{rack_id}/making/ticks", status_code=204)
def say(rack_id: str, body: SaidMany, store: Store, bench: AtBench) -> None:
    """Tick items off, or take that back: tasks by their key, lines by their `item`. Sent twice, it counts once."""
    store.get(rack_id)
    bench.store.say(
        rack_id, [Said(one.id, one.item, one.at.isoformat(timespec="minutes") if one.at else None) for one in body.said]
    )


@router.get("/api/racks/{rack_id}/making/files/{kind}", tags=["files"], response_class=Response)
def export_making(
    rack_id: str, kind: FileKind, now: When, store: Store, sites: OnSite, timbers: Timbers, bench: AtBench
) -> Response:
    """The days of the making as a calendar."""
    from yardcliff.exports.calendar import write_calendar  # icalendar is slow to import

    name = store.get(rack_id).name
    _, made = _made(rack_id, store, sites, timbers, bench, planned_time("now", now))
    return attached(write_calendar(name, made.schedule.slots, datetime.now(UTC)), "text/calendar", name, kind)
