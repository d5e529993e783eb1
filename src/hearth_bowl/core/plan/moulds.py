"""Moulds: which are used by several confections, and which jobs are one use of a mould."""

from collections.abc import Iterable

from hearth_bowl.core.plan.job import Job
from hearth_bowl.core.plan.occasion import Occasion

Group = tuple[str, int, int]
"""A mould in use: its name, the confection, which filling."""


def group_of(job: Job) -> Group | None:
    """Return the use of a mould that a job belongs to."""
    return None if job.vessel is None else (job.vessel, job.confections[0], job.turn)


def shared_moulds(occasion: Occasion, jobs: Iterable[Job]) -> dict[str, int]:
    """Return how many there are of each mould that several confections use."""
    users: dict[str, set[int]] = {}
    for job in jobs:
        if job.vessel is not None:
            users.setdefault(job.vessel, set()).add(job.confections[0])
    return {
        name: max(occasion.wanted[position].worked.confection.form.owned for position in positions)
        for name, positions in users.items()
        if len(positions) > 1
    }
