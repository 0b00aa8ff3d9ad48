"""The making of a rack: tasks, days and ticks; and the workshop."""

from datetime import UTC, datetime

from fastapi import APIRouter, Response

from yardcliff.api.deps import AtBench, Speaks
from yardcliff.api.desk import AtDesk, When, planned_time
from yardcliff.api.ledger import OpenLedger
from yardcliff.api.making_views import view_deadline, view_making
from yardcliff.api.making_wire import DeadlineView, FileKind, MakingView, SaidMany, ShopView
from yardcliff.api.racks import attached
from yardcliff.core.making.making import enough, quicker
from yardcliff.core.workshop.shop import DAYS, TOOLS, Shop

router = APIRouter(tags=["making"])


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
def get_making(now: When, desk: AtDesk, tongue: Speaks) -> MakingView:
    """The tasks in their order with the reasons, and when each is done from `now` on."""
    made = desk.made(planned_time("now", now))
    return view_making(desk.done, made, desk.bench.facts.standing(desk.rack_id), tongue)


@router.get("/api/racks/{rack_id}/making/by")
def get_deadline(now: When, by: str, desk: AtDesk, tongue: Speaks) -> DeadlineView:
    """Whether it is done `by` a day (until its end) or time, and what would bring the end forward."""
    start, until = planned_time("now", now), planned_time("by", f"{by}T23:59" if len(by) == 10 else by)
    plan = desk.done, desk.found, desk.bench.shop, start, desk.ticked
    finish, changes = desk.made(start).schedule.finish, quicker(*plan)
    if finish and finish > until and not any(one.finish <= until for one in changes):
        together = enough(*plan, until)
        changes = (together, *changes) if together else changes
    return view_deadline(finish, until, changes, tongue)


@router.post("/api/racks/{rack_id}/making/ticks", status_code=204)
def say(body: SaidMany, ledger: OpenLedger) -> None:
    """Tick items off, or take that back: tasks by their key, lines by their `item`. `clock` is a coming to the bench, `clock|START` a stint
    from then on until `at`: it goes into the log. Sent twice, each counts once.
    """
    with ledger.facts.changing():
        ledger.say(body.said, body.device)


@router.get("/api/racks/{rack_id}/making/files/{kind}", tags=["files"], response_class=Response)
def export_making(kind: FileKind, now: When, desk: AtDesk) -> Response:
    """The days of the making as a calendar."""
    from yardcliff.exports.calendar import write_calendar  # icalendar is slow to import

    made = desk.made(planned_time("now", now))
    name = desk.rack.name
    return attached(
        write_calendar(desk.rack_id, name, made.schedule.slots, datetime.now(UTC)), "text/calendar", name, kind
    )
