"""Refuse: when there is no order, which few of the wishes stand against each other, and the least change that mends it.

The set is minimal: let any one of its wishes go and all the others of it can be kept. A change is tried before it is
offered. How far it is looked for are judgements of ours.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.plan.answer import Because, Change, Refusal
from hearth_bowl.core.plan.days import DAY_MIN, Hours
from hearth_bowl.core.plan.job import Job
from hearth_bowl.core.plan.jobs import jobs_without
from hearth_bowl.core.plan.occasion import MOST_COOKS, MOST_DAYS, Occasion
from hearth_bowl.core.plan.order import Budget, NotFoundOut, can_be, earliest_ready, order_of

HOUR_STEPS_MIN: Final = (15, 30, 60, 90, 120, 180, 240, 360)
"""So much longer hours are tried. A judgement."""
LATER: Final = (1, 2, 3, 5, 8, 13, 20)
"""So many days later are tried. A judgement."""
REASONS: Final = 0.5
"""How much of the time that is left goes into finding out why. A judgement."""
WHOLE_DAY: Final = Hours(from_min=7 * 60, to_min=22 * 60)  # a judgement
SAYS: Final[Mapping[str, str]] = MappingProxyType(
    {
        "ready_at": "all of it ready by then, begun now",
        "hours": "work within these hours only",
        "away": "nobody there while away",
        "cooks": "no more pairs of hands than there are",
        "moulds": "a mould holds one thing at a time",
        "keeping": "nothing finished so early that it does not keep",
        "order": "nut-free before nuts, or a wash between",
    }
)
"""Wishes in words."""


def refusal_of(occasion: Occasion, jobs: Sequence[Job], budget: Budget) -> Refusal:
    """Return why an occasion without an order has none."""
    wishes = _wishes(occasion)
    kept = list(wishes)
    reasons = Budget(left_s=REASONS * budget.left_s)
    budget.left_s -= reasons.left_s
    for wish in wishes:
        without = frozenset(wishes) - frozenset(kept) | {wish}
        if len(kept) > 1 and can_be(occasion, jobs, reasons, without) is False:
            kept.remove(wish)
    budget.left_s += max(0.0, reasons.left_s)
    because = tuple(Because(code=wish.split(".")[0], message=_words(occasion, wish)) for wish in kept)
    least = _least_change(occasion, jobs, budget)
    together = None if least is not None else next(_of_two(occasion, jobs, budget), None)
    return Refusal(because=because, least=least, together=together)


def _wishes(occasion: Occasion) -> list[str]:
    """Return the wishes that there are, those first that are the first to be doubted last."""
    places = [f"has.{name}" for name in occasion.has]
    away = ["away"] if occasion.away else []
    return [*places, "order", "moulds", "keeping", "cooks", *away, "hours", "ready_at"]


def _words(occasion: Occasion, wish: str) -> str:
    if wish.startswith("has."):
        name = wish.removeprefix("has.")
        return f"{occasion.has[name]} {name.replace('_', ' ')}"
    return SAYS[wish]


def _least_change(occasion: Occasion, jobs: Sequence[Job], budget: Budget) -> Change | None:
    """Return the change of fewest minutes that mends it; else more hands; else one confection fewer."""
    of_time = [change for change in (_later(occasion, jobs, budget), *_longer(occasion, jobs, budget)) if change]
    if of_time:
        return min(of_time, key=lambda change: change.by_min)
    for change in _others(occasion):
        if can_be(change.occasion, _left(jobs, change), budget):
            return change
    return None


def _later(occasion: Occasion, jobs: Sequence[Job], budget: Budget) -> Change | None:
    """Return by how much later all of it can be ready: first some day that will do, then as early as is found."""
    latest_min = next((when for when in _later_days(occasion) if _is_possible(occasion, when, jobs, budget)), None)
    if latest_min is None:
        return None
    earliest_min = earliest_ready(occasion, jobs, budget, latest_min)
    ready_min = latest_min
    if earliest_min is not None and occasion.ready_min < earliest_min < latest_min:
        ready_min = earliest_min if can_be(replace(occasion, ready_min=earliest_min), jobs, budget) else latest_min
    by_min = ready_min - occasion.ready_min
    mended = replace(occasion, ready_min=ready_min)
    return Change(what="ready_at", message=f"ready {spoken(by_min)} later", by_min=by_min, occasion=mended)


def _later_days(occasion: Occasion) -> list[int]:
    """Return the moments that are tried, the same time of later days."""
    last_min = occasion.now_min + MOST_DAYS * DAY_MIN
    later = (occasion.ready_min + days * DAY_MIN for days in LATER)
    return [when for when in later if when <= last_min]


def _is_possible(occasion: Occasion, ready_min: int, jobs: Sequence[Job], budget: Budget) -> bool:
    if budget.left_s <= 0:
        return False
    try:
        return order_of(replace(occasion, ready_min=ready_min), jobs, budget, 0) is not None
    except NotFoundOut:
        return False


def _longer(occasion: Occasion, jobs: Sequence[Job], budget: Budget) -> Iterator[Change]:
    """Yield by how much longer hours have to be, in the evening or in the morning."""
    now = occasion.hours
    evening = [(by_min, Hours(from_min=now.from_min, to_min=now.to_min + by_min)) for by_min in HOUR_STEPS_MIN]
    morning = [(by_min, Hours(from_min=now.from_min - by_min, to_min=now.to_min)) for by_min in HOUR_STEPS_MIN]
    for part, tried in (("longer in the evening", evening), ("earlier in the morning", morning)):
        within = [(by_min, hours) for by_min, hours in tried if hours.to_min <= DAY_MIN and hours.from_min >= 0]
        if not within or not can_be(replace(occasion, hours=within[-1][1]), jobs, budget):
            continue
        fits = (row for row in within[:-1] if can_be(replace(occasion, hours=row[1]), jobs, budget))
        by_min, hours = next(fits, within[-1])
        message, mended = f"work {spoken(by_min)} {part}", replace(occasion, hours=hours)
        yield Change(what="hours", message=message, by_min=by_min, occasion=mended)


def _others(occasion: Occasion) -> Iterator[Change]:
    if occasion.cooks < MOST_COOKS:
        more = replace(occasion, cooks=occasion.cooks + 1)
        yield Change(what="cooks", message="one more pair of hands", by_min=0, occasion=more)
    for position, gone in enumerate(occasion.away):
        there = replace(occasion, away=tuple(one for at, one in enumerate(occasion.away) if at != position))
        by_min = gone.to_min - gone.from_min
        yield Change(what="away", message=f"be there instead: {spoken(by_min)}", by_min=by_min, occasion=there)
    for position, wanted in enumerate(occasion.wanted):
        if sum(not one.dropped for one in occasion.wanted) > 1 and not wanted.dropped:
            message = f"leave out {wanted.worked.confection.name}"
            yield Change(what="leave-out", message=message, by_min=0, occasion=occasion, leave_out=position)


def _of_two(occasion: Occasion, jobs: Sequence[Job], budget: Budget) -> Iterator[Change]:
    """Yield what mends it together where nothing alone does: later, and a whole day's hours or one confection less."""
    now = occasion.hours
    whole_day = Hours(from_min=min(WHOLE_DAY.from_min, now.from_min), to_min=max(WHOLE_DAY.to_min, now.to_min))
    message = f"work from {whole_day.from_min // 60} to {whole_day.to_min // 60} o'clock"
    longer = Change(what="hours", message=message, by_min=0, occasion=replace(occasion, hours=whole_day))
    for change in (longer, *(change for change in _others(occasion) if change.leave_out is not None)):
        later = _later(change.occasion, _left(jobs, change), budget)
        if later is not None:
            said = f"{change.message}, and {later.message}"
            yield replace(later, what=change.what, message=said, leave_out=change.leave_out)


def _left(jobs: Sequence[Job], change: Change) -> Sequence[Job]:
    return jobs if change.leave_out is None else jobs_without(jobs, {change.leave_out})


def spoken(minutes: int) -> str:
    """Return minutes as they are spoken: 45 min, 2 h, 2 h 15 min, 1 day 3 h."""
    days, rest = divmod(minutes, DAY_MIN)
    hours, left = divmod(rest, 60)
    parts = [f"{days} day{'s' if days > 1 else ''}" if days else "", f"{hours} h" if hours else ""]
    return " ".join([*(part for part in parts if part), *([f"{left} min"] if left else [])])
