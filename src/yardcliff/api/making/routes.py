"""The making of a rack: tasks, days and ticks; and the workshop."""

from datetime import UTC, datetime

from fastapi import APIRouter, Response

from yardcliff.api.deps import App, AskedLocale, ThisRack, When
from yardcliff.api.files import attached
from yardcliff.api.making.views import view_deadline, view_making
from yardcliff.api.making.wire import DeadlineView, FileKind, MakingView, ShopView
from yardcliff.app.moments import read_moment
from yardcliff.core.making.plan import enough, quicker
from yardcliff.core.workshop.shop import TOOLS, Shop
from yardcliff.messages import day_name

router = APIRouter(tags=["making"])


@router.get("/api/shop")
def get_shop(app: App, locale: AskedLocale) -> ShopView:
    """The workshop: its tools, hours, clamps and places to dry."""
    shop = app.workshop.shop
    return ShopView(
        shop=shop,
        tools=list(TOOLS),
        days=[day_name(day) for day in range(7)],
        rate=locale.money(shop.rate, app.settings.currency(locale)),
    )


@router.put("/api/shop")
def keep_shop(shop: Shop, app: App, locale: AskedLocale) -> ShopView:
    """The workshop as it is now. 422 names what cannot be."""
    app.workshop.keep(shop)
    return get_shop(app, locale)


@router.get("/api/racks/{rack_id}/making")
def get_making(now: When, rack: ThisRack, locale: AskedLocale) -> MakingView:
    """The tasks in their order with the reasons, and when each is done from `now` on."""
    made = rack.made(read_moment("now", now))
    return view_making(rack.design, made, rack.app.facts.standing(rack.rack_id), locale)


@router.get("/api/racks/{rack_id}/making/by")
def get_deadline(now: When, by: str, rack: ThisRack, locale: AskedLocale) -> DeadlineView:
    """Whether it is done `by` a day (until its end) or time, and what would bring the
    end forward.
    """
    start, until = (
        read_moment("now", now),
        read_moment("by", f"{by}T23:59" if len(by) == 10 else by),
    )
    plan = rack.design, rack.timber, rack.app.workshop.shop, start, rack.ticked
    finish, changes = rack.made(start).schedule.finish, quicker(*plan)
    if finish and finish > until and not any(one.finish <= until for one in changes):
        together = enough(*plan, until)
        changes = (together, *changes) if together else changes
    return view_deadline(finish, until, changes, locale)


@router.get("/api/racks/{rack_id}/making/files/{kind}", tags=["files"], response_class=Response)
def export_making(kind: FileKind, now: When, rack: ThisRack) -> Response:
    """The days of the making as a calendar."""
    from yardcliff.exports.calendar import write_calendar  # icalendar is slow to import

    made = rack.made(read_moment("now", now))
    name = rack.record.name
    return attached(
        write_calendar(rack.rack_id, name, made.schedule.slots, datetime.now(UTC)),
        "text/calendar",
        name,
        kind,
    )
