"""Days: the minutes of an occasion, counted from the midnight of the day on which it is planned; when hands are
there."""

from dataclasses import dataclass
from typing import Final

DAY_MIN: Final = 24 * 60  # by definition
PARTS_OF_DAY_MIN: Final = (0, 12 * 60, 17 * 60, DAY_MIN)
"""Morning, afternoon and evening: what is done in one of them is one visit to the kitchen. A judgement."""
STEP_MIN: Final = 5
"""Jobs begin at such minutes, as people look at clocks. A judgement."""
Span = tuple[int, int]
"""From one minute to another, its end not in it."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Hours:
    """When the kitchen is worked in on any day [min from midnight]."""

    from_min: int = 8 * 60
    to_min: int = 22 * 60


@dataclass(frozen=True, slots=True, kw_only=True)
class Away:
    """When a cook is away; `cook` None: all of them."""

    from_min: int
    to_min: int
    cook: int | None = None


def starts_for(minutes: int, hours: Hours, away: tuple[Away, ...], first_min: int, last_min: int) -> list[Span]:
    """Return in which spans (both ends in them) a job of so many minutes may start: within hours, and while not all of
    the cooks are away; it ends by `last_min`."""
    spans: list[Span] = []
    for day in range(first_min // DAY_MIN, last_min // DAY_MIN + 1):
        spans.append((day * DAY_MIN + hours.from_min, day * DAY_MIN + hours.to_min - minutes))
    for gone in away:
        if gone.cook is None:
            spans = [part for span in spans for part in _without(span, gone.from_min - minutes + 1, gone.to_min - 1)]
    clipped = [(max(low, first_min), min(high, last_min - minutes)) for low, high in spans]
    return [(low, high) for low, high in clipped if low <= high]


def _without(span: Span, low: int, high: int) -> list[Span]:
    """Return a span of starts without those from `low` to `high`."""
    if high < span[0] or low > span[1]:
        return [span]
    return [part for part in ((span[0], low - 1), (high + 1, span[1])) if part[0] <= part[1]]


def spoken(minutes: int) -> str:
    """Return minutes as they are spoken: 45 min, 2 h, 2 h 15 min, 1 day 3 h."""
    days, rest = divmod(minutes, DAY_MIN)
    hours, left = divmod(rest, 60)
    parts = [f"{days} day{'s' if days > 1 else ''}" if days else "", f"{hours} h" if hours else ""]
    return " ".join([*(part for part in parts if part), *([f"{left} min"] if left else [])])
