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
from hearth_bowl.core.plan.order import Budget, can_be, earliest_ready

HOUR_STEPS_MIN: Final = (15, 30, 60, 90, 120, 180, 240, 360)
"""So much longer hours are tried."""
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
    for wish in wishes:
        without = frozenset(wishes) - frozenset(kept) | {wish}
        if len(kept) > 1 and can_be(occasion, jobs, budget, without) is False:
            kept.remove(wish)
    because = tuple(Because(code=wish.split(".")[0], message=_words(occasion, wish)) for wish in kept)
    return Refusal(because=because, least=_least_change(occasion, jobs, budget))


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
    of_time = [change for change in (_later(occasion, jobs, budget), _longer(occasion, jobs, budget)) if change]
    if of_time:
        return min(of_time, key=lambda change: change.by_min)
    for change in _others(occasion):
        if can_be(change.occasion, _left(jobs, change), budget):
            return change
    return None


def _later(occasion: Occasion, jobs: Sequence[Job], budget: Budget) -> Change | None:
    ready_min = earliest_ready(occasion, jobs, budget)
    if ready_min is None or ready_min > occasion.now_min + MOST_DAYS * DAY_MIN:
        return None
    by_min = ready_min - occasion.ready_min
    mended = replace(occasion, ready_min=ready_min)
    if by_min <= 0 or not can_be(mended, jobs, budget):
        return None
    return Change(what="ready_at", message=f"ready {spoken(by_min)} later", by_min=by_min, occasion=mended)


def _longer(occasion: Occasion, jobs: Sequence[Job], budget: Budget) -> Change | None:
    for by_min in HOUR_STEPS_MIN:
        hours = occasion.hours
        longer = Hours(from_min=hours.from_min, to_min=min(DAY_MIN, hours.to_min + by_min))
        mended = replace(occasion, hours=longer)
        if longer.to_min - hours.to_min == by_min and can_be(mended, jobs, budget):
            message = f"work {spoken(by_min)} longer in the evening"
            return Change(what="hours", message=message, by_min=by_min, occasion=mended)
    return None


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


def _left(jobs: Sequence[Job], change: Change) -> Sequence[Job]:
    return jobs if change.leave_out is None else jobs_without(jobs, {change.leave_out})


def spoken(minutes: int) -> str:
    """Return minutes as they are spoken: 45 min, 2 h, 2 h 15 min, 1 day 3 h."""
    days, rest = divmod(minutes, DAY_MIN)
    hours, left = divmod(rest, 60)
    parts = [f"{days} day{'s' if days > 1 else ''}" if days else "", f"{hours} h" if hours else ""]
    return " ".join([*(part for part in parts if part), *([f"{left} min"] if left else [])])
