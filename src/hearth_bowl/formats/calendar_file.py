"""Moments to look again as iCalendar (RFC 5545)."""

from collections.abc import Sequence
from datetime import UTC, datetime, timedelta

from hearth_bowl.core.cooling.chain import Look
from hearth_bowl.formats.occasion_file import TaskAnswer


def chain_ics(looks: Sequence[Look], title: str, from_at: datetime) -> bytes:
    """Return a calendar with one short event for each look."""
    from icalendar import Calendar, Event

    calendar = Calendar()
    calendar.add("prodid", "-//Hearth Bowl//EN")
    calendar.add("version", "2.0")
    for position, look in enumerate(looks):
        event = Event()
        event.add("uid", f"{int(from_at.timestamp())}-{position}@hearth-bowl")
        event.add("dtstamp", from_at)
        at = from_at + timedelta(minutes=look.after_min)
        event.add("dtstart", at)
        event.add("dtend", at + timedelta(minutes=5))
        event.add("summary", f"{title}: {look.name}")
        event.add("description", f"Look: {look.look_for}.")
        calendar.add_component(event)
    return bytes(calendar.to_ical())


def order_ics(tasks: Sequence[TaskAnswer], title: str, whose: str, planned_at: datetime) -> bytes:
    """Return a running order as a calendar on the kitchen's own clock; the same task keeps its uid in a newer order."""
    from icalendar import Calendar, Event

    calendar = Calendar()
    calendar.add("prodid", "-//Hearth Bowl//EN")
    calendar.add("version", "2.0")
    calendar.add("x-wr-calname", title)
    for task in tasks:
        event = Event()
        event.add("uid", f"{whose}-{task['id']}@hearth-bowl")
        event.add("dtstamp", planned_at.replace(tzinfo=UTC))
        event.add("sequence", int(planned_at.timestamp()) // 60)
        event.add("dtstart", datetime.fromisoformat(task["starts_at"]))
        event.add("dtend", datetime.fromisoformat(task["ends_at"]))
        event.add("summary", task["title"])
        event.add("description", task["because"])
        calendar.add_component(event)
    return bytes(calendar.to_ical())
