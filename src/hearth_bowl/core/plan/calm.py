"""Calm: a first order in kinder hours and few sittings, still without search: orders are built again and compared."""

from collections.abc import Sequence
from dataclasses import replace
from typing import Final

from hearth_bowl.core.plan.answer import Task
from hearth_bowl.core.plan.days import DAY_MIN, PARTS_OF_DAY_MIN, Away, Hours
from hearth_bowl.core.plan.first import first_order
from hearth_bowl.core.plan.job import Job
from hearth_bowl.core.plan.occasion import Occasion

SPARE_MIN: Final = 30
"""Spare time before hands must go [min]. A judgement."""
SOCIAL: Final = Hours(from_min=9 * 60, to_min=21 * 60)
"""Work before or after these hours is avoided. A judgement."""
MOST_TRIED: Final = 16
"""Most sittings that are tried to do without. A limit, by definition."""
MOST_PUT_IN: Final = 1500
"""Most jobs that are put in for that, over all tries. A limit, by definition."""


def roomy(occasion: Occasion) -> Occasion:
    """Return an occasion whose hands go half an hour earlier than they must."""
    hours = occasion.hours
    earlier = replace(hours, to_min=max(hours.from_min + 1, hours.to_min - SPARE_MIN))
    away = tuple(replace(one, from_min=one.from_min - SPARE_MIN) for one in occasion.away)
    return replace(occasion, hours=earlier, away=away)


def social(occasion: Occasion) -> Occasion:
    """Return an occasion without the early and the late hours; the same where there are no others."""
    low, high = max(occasion.hours.from_min, SOCIAL.from_min), min(occasion.hours.to_min, SOCIAL.to_min)
    return replace(occasion, hours=Hours(from_min=low, to_min=high)) if low < high else occasion


def first_of(
    occasion: Occasion, ways: Sequence[Sequence[Job]], *, at_once: bool
) -> tuple[int, tuple[Task, ...]] | None:
    """Return which way has an order, and that order: in kind hours where it can be, else in those that there are.

    :param at_once: whether the first that is found is taken, however many sittings it has.
    """
    for kinder, spare_min in ((social(roomy(occasion)), SPARE_MIN), (occasion, 0)):
        for at, jobs in enumerate(ways):
            found = first_order(kinder, jobs, spare_min)
            if found is not None:
                return at, found if at_once else _in_fewer_sittings(kinder, jobs, found, spare_min)
    return None


def _in_fewer_sittings(
    occasion: Occasion, jobs: Sequence[Job], tasks: tuple[Task, ...], spare_min: int
) -> tuple[Task, ...]:
    """Return an order of fewer sittings, where the order is found that does without one or another of them."""
    kept, closed = set[int](), occasion
    for _ in range(min(MOST_TRIED, MOST_PUT_IN // len(jobs))):
        worked = _worked_min(tasks)
        left = [part for part in worked if part not in kept]
        if not left:
            break
        part = min(left, key=lambda one: (worked[one], one))
        without = replace(closed, away=(*closed.away, _away_for(part)))
        found = first_order(without, jobs, spare_min)
        if found is not None and len(_worked_min(found)) < len(worked):
            tasks, closed = found, without
        else:
            kept.add(part)
    return tasks


def _worked_min(tasks: Sequence[Task]) -> dict[int, int]:
    """Return the minutes of work in each part of a day, three parts a day."""
    found: dict[int, int] = {}
    for task in tasks:
        if task.cook is None:
            continue
        day, minute = divmod(task.start_min, DAY_MIN)
        part = 3 * day + sum(minute >= begins for begins in PARTS_OF_DAY_MIN[1:-1])
        found[part] = found.get(part, 0) + task.end_min - task.start_min
    return found


def _away_for(part: int) -> Away:
    day, of_day = divmod(part, 3)
    begins, ends = PARTS_OF_DAY_MIN[of_day], PARTS_OF_DAY_MIN[of_day + 1]
    return Away(from_min=day * DAY_MIN + begins, to_min=day * DAY_MIN + ends)
