"""Ways: the jobs of an occasion in each way of sharing mixes and temperings, and the order that the first good way has.

An occasion can be done if it can be done in some way, so what may be shared never stands in its way.
"""

from collections.abc import Sequence
from dataclasses import replace
from typing import Final

from hearth_bowl.core.plan.answer import Order
from hearth_bowl.core.plan.calm import first_of
from hearth_bowl.core.plan.constraints import Solver
from hearth_bowl.core.plan.job import Job
from hearth_bowl.core.plan.jobs import occasion_jobs
from hearth_bowl.core.plan.occasion import Occasion
from hearth_bowl.core.plan.order import Budget, NotDecided, can_be, order_of
from hearth_bowl.core.plan.shared import Sharing

Jobs = tuple[Job, ...]
WAYS: Final = (Sharing.ALL, Sharing.MIXES, Sharing.NOTHING)
"""In which order they are tried: sharing saves hands."""


def ways_of(occasion: Occasion) -> list[Jobs]:
    """Return the jobs of an occasion in each way that it may be done, those first that fit what has happened best.

    With shorter rests than usual, usual ones are a way too.

    :raises BadInput: naming the field.
    """
    found: list[Jobs] = []
    for one in (occasion,) if occasion.slow else (occasion, replace(occasion, slow=True)):
        found += occasion_jobs(one, WAYS)
    known = {*occasion.previous, *(one.id for one in occasion.happened)}
    found = [jobs for at, jobs in enumerate(found) if jobs not in found[:at]]
    return sorted(found, key=lambda jobs: -len(known & {job.id for job in jobs}))


def best_of(
    occasion: Occasion, ways: Sequence[Jobs], solver: Solver, budget: Budget, effort: float = 1.0
) -> Order | None:
    """Return the order of the first way that has one, or None where none has.

    :raises NotDecided: no way has one that was found, and of some it was not shown that there is none.
    """
    is_afresh = not (occasion.happened or occasion.previous)
    found = first_of(occasion, ways, at_once=effort <= 0) if is_afresh else None
    left = [(jobs, None) for jobs in ways] if found is None else [(ways[found[0]], found[1])]
    is_decided = True
    for jobs, first in left:
        try:
            order = order_of(occasion, jobs, solver, budget, effort, first)
        except NotDecided:
            is_decided = False
            continue
        if order is not None:
            return order
    if not is_decided:
        raise NotDecided
    return None


def some_can_be(
    occasion: Occasion, ways: Sequence[Jobs], solver: Solver, budget: Budget, without: frozenset[str] = frozenset()
) -> bool | None:
    """Return whether some way has an order when some wishes are let go; None where that is not found out."""
    answers = []
    for jobs in ways:
        answer = can_be(occasion, jobs, solver, budget, without)
        if answer:
            return True
        answers.append(answer)
    return None if None in answers else False
