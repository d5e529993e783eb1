"""Washes of a first order: where a day begins with what is free of a nut that an earlier day left on the tools.

A day of a first order goes from what is free of nuts to nuts without a wash; so one is wanted between days alone, at
the end of the day that leaves the nut, else in the morning of the day that must be free of it.
"""

from collections.abc import Sequence
from dataclasses import replace
from itertools import groupby

from hearth_bowl.core.plan.answer import Task
from hearth_bowl.core.plan.days import DAY_MIN, STEP_MIN, starts_for
from hearth_bowl.core.plan.nuts import is_tooled, wash_id, wash_job
from hearth_bowl.core.plan.occasion import Occasion


def room_to_wash(occasion: Occasion) -> Occasion:
    """Return an occasion whose hands stop so early that they can still wash up."""
    hours = occasion.hours
    stop_min = max(hours.from_min + 1, hours.to_min - wash_job(occasion, "").minutes)
    return replace(occasion, hours=replace(hours, to_min=stop_min))


def with_washes(occasion: Occasion, tasks: Sequence[Task]) -> tuple[Task, ...] | None:
    """Return the tasks of a first order with the washes that they want; None where one finds no room."""
    tooled = sorted((task for task in tasks if is_tooled(task.job)), key=lambda task: task.start_min)
    found, dirty, left = [*tasks], list[Task](), frozenset[str]()
    for _, group in groupby(tooled, key=lambda task: task.start_min // DAY_MIN):
        today = list(group)
        if not all(left <= task.job.holds for task in today):
            wash = _wash(occasion, found, max(task.end_min for task in dirty), min(task.start_min for task in today))
            if wash is None:
                return None
            found.append(wash)
            left = frozenset()
        dirty = today
        left = left.union(*(task.job.holds for task in today))
    return tuple(sorted(found, key=lambda task: (task.start_min, task.end_min, task.job.id)))


def _wash(occasion: Occasion, tasks: Sequence[Task], from_min: int, until_min: int) -> Task | None:
    """Return the first wash that fits in between two moments, on one of their days."""
    minutes = wash_job(occasion, "").minutes
    for low, high in starts_for(minutes, occasion.hours, occasion.away, from_min, until_min):
        for start in range(low + -low % STEP_MIN, high + 1, STEP_MIN):
            for cook in range(occasion.cooks):
                if _is_free(occasion, tasks, cook, start, start + minutes):
                    job = wash_job(occasion, wash_id(occasion, start // DAY_MIN))
                    return Task(job=job, start_min=start, end_min=start + minutes, cook=cook)
    return None


def _is_free(occasion: Occasion, tasks: Sequence[Task], cook: int, start: int, end: int) -> bool:
    away = any(one.cook == cook and one.from_min < end and start < one.to_min for one in occasion.away)
    return not away and not any(task.cook == cook and task.start_min < end and start < task.end_min for task in tasks)
