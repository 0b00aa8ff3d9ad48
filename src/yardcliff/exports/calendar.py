"""The days of the making as a calendar (iCalendar, RFC 5545): a time for each task, and an alarm
where a wait is over.
"""

from collections.abc import Iterable
from datetime import UTC, datetime, timedelta

from icalendar import Alarm, Calendar, Event

from yardcliff.core.making.scheduling import Slot
from yardcliff.messages import tr


def write_calendar(rack_id: str, name: str, slots: Iterable[Slot], stamp: datetime) -> bytes:
    """Events of the rack called `name`, in floating local time, as the workshop's clock shows it;
    `stamp` is when it was written (UTC).
    """
    calendar = Calendar()
    calendar.add("prodid", "-//Yardcliff//Making//EN")
    calendar.add("version", "2.0")
    calendar.add("x-wr-calname", name)
    for slot in slots:
        for k, stint in enumerate(slot.stints):
            calendar.add_component(_event(rack_id, name, slot, k, stint.start, stint.end, stamp))
        if slot.task.wait:
            calendar.add_component(_over(rack_id, slot, stamp))
    return bytes(calendar.to_ical())


def _event(
    rack_id: str, name: str, slot: Slot, k: int, start: datetime, end: datetime, stamp: datetime
) -> Event:
    event = Event()
    again = tr("exports.part", number=k + 1) if len(slot.stints) > 1 else ""
    event.add("uid", f"{rack_id}-{_slug(slot.task.key)}-{k}@yardcliff")
    event.add("dtstamp", stamp.replace(tzinfo=UTC))
    event.add("summary", f"{slot.task.title}{again}")
    event.add("dtstart", start)
    event.add("dtend", max(end, start + timedelta(minutes=1)))
    event.add("location", name)
    event.add(
        "description",
        "\n".join((*slot.task.lines, *slot.task.ways[:1], *slot.task.checks, *slot.task.cautions)),
    )
    return event


def _over(rack_id: str, slot: Slot, stamp: datetime) -> Event:
    """When what it waits for is over, with an alarm."""
    event = Event()
    event.add("uid", f"{rack_id}-{_slug(slot.task.key)}-free@yardcliff")
    event.add("dtstamp", stamp.replace(tzinfo=UTC))
    event.add("summary", tr("exports.ready", title=slot.task.title))
    event.add("dtstart", slot.free)
    event.add("dtend", slot.free + timedelta(minutes=5))
    event.add("transp", "TRANSPARENT")
    alarm = Alarm()
    alarm.add("action", "DISPLAY")
    alarm.add("description", tr("exports.ready", title=slot.task.title))
    alarm.add("trigger", timedelta(0))
    event.add_component(alarm)
    return event


def _slug(text: str) -> str:
    return "".join(c if c.isalnum() else "-" for c in text.lower())
