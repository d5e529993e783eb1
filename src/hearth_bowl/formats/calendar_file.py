"""Moments to look again as iCalendar (RFC 5545)."""

from collections.abc import Sequence
from datetime import datetime, timedelta

from hearth_bowl.core.cooling.chain import Look


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
