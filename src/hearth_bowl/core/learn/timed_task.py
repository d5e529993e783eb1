"""What a task of a running order teaches when its begin and its end were noted: the pace of hands at one job."""

from collections.abc import Sequence
from typing import Final

from hearth_bowl.core.learn.lessons import SHORT_S, Lesson, is_possible
from hearth_bowl.core.method.hands import STEP_MIN, job_of_act

LEAST_PLANNED_MIN: Final = 15
"""Of what is planned shorter, the rounding is more than the pace. A judgement."""


def job_of(acts: Sequence[str]) -> str | None:
    """Return the one job that all acts of a task are, by their ids; None where they are none, or of several."""
    jobs = {job_of_act(act) for act in acts}
    return jobs.pop() if len(jobs) == 1 else None


def lesson_of_task(title: str, acts: Sequence[str], planned_min: float, pace: float, took_min: float) -> Lesson | None:
    """Return what a timed task teaches; None where it was too short, is of several jobs, or cannot be right.

    :param planned_min: how long the order gave it, rounded up to a step: half a step less is what was meant.
    :param pace: how much longer than usual its hands were planned.
    """
    job = job_of(acts)
    if job is None or 60 * took_min < SHORT_S or planned_min < LEAST_PLANNED_MIN:
        return None
    usual_min = (planned_min - STEP_MIN / 2) / pace
    says = f"{title[0].lower()}{title[1:]} took {took_min:.0f} min"
    lesson = Lesson(what=f"hands:{job}", predicted=usual_min, observed=took_min, by="instrument", unit="min", says=says)
    return lesson if is_possible(lesson) else None
