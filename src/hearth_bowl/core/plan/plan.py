"""Plan: an occasion planned: its running order with the reason of each job, or why there is none and what mends it."""

from collections.abc import Sequence

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.plan.answer import Plan
from hearth_bowl.core.plan.job import Job
from hearth_bowl.core.plan.jobs import occasion_jobs
from hearth_bowl.core.plan.occasion import Occasion, checked_occasion
from hearth_bowl.core.plan.order import Budget, order_of
from hearth_bowl.core.plan.refuse import refusal_of
from hearth_bowl.core.plan.why import why_each


def plan_occasion(occasion: Occasion, effort: float = 1.0) -> Plan:
    """Return the plan of an occasion.

    :param effort: scales the solver's limits; 0 gives the first order that it finds, or nothing looked into.
    :raises BadInput: naming the field as the file has it.
    """
    checked_occasion(occasion)
    jobs = occasion_jobs(occasion)
    _check_happened(occasion, jobs)
    order = order_of(occasion, jobs, effort)
    if order is not None:
        return Plan(occasion=occasion, order=order, why=why_each(occasion, order), refusal=None)
    refusal = refusal_of(occasion, jobs, Budget())
    return Plan(occasion=occasion, order=None, why={}, refusal=refusal)


def _check_happened(occasion: Occasion, jobs: Sequence[Job]) -> None:
    known = {job.id for job in jobs}
    for position, one in enumerate(occasion.happened):
        if one.id not in known and not one.id.startswith("wash."):
            raise BadInput(
                ("happened", position, "id"), f"there is no job {one.id[:60]!r}", "an id of a task", "unknown"
            )
        if one.end_min is not None and one.end_min < one.start_min:
            raise BadInput(("happened", position, "ends_at"), "is before its start", "a later moment", "out-of-range")
