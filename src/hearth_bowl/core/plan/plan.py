"""Plan: an occasion planned: its running order with the reason of each job, or why there is none and what mends it."""

from collections.abc import Sequence
from dataclasses import replace
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.keep.keeping import OUT_OF_COLD_MIN
from hearth_bowl.core.method.endings import ending_of
from hearth_bowl.core.plan.answer import Because, Order, Plan
from hearth_bowl.core.plan.constraints import Solver
from hearth_bowl.core.plan.days import spoken
from hearth_bowl.core.plan.job import Job
from hearth_bowl.core.plan.nuts import WASHED
from hearth_bowl.core.plan.occasion import Occasion, checked_occasion
from hearth_bowl.core.plan.order import MOST_S, Budget, Clock, NotDecided
from hearth_bowl.core.plan.refuse import offer_of, refusal_of
from hearth_bowl.core.plan.task_ids import renamed
from hearth_bowl.core.plan.ways import Jobs, best_of, ways_of
from hearth_bowl.core.plan.why import why_each

MOST_MOVED: Final = 0.5
"""Where more of what is ahead would move, shorter rests are tried. A judgement."""
SEARCHED: Final = 0.8
"""How much of the time goes into the search; the rest is for what mends it where none is found. A judgement."""
NOT_DECIDED: Final = (Because(code="not-decided", message="No plan was found in the time. There may still be one."),)


def plan_occasion(
    occasion: Occasion, solver: Solver, clock: Clock, effort: float = 1.0, most_s: float = MOST_S
) -> Plan:
    """Return the plan of an occasion.

    :param clock: seconds that only grow, such as `time.monotonic`.
    :param most_s: when the answer is due [s].
    :param effort: scales the solver's limits; 0 gives the first order.
    :raises BadInput: naming the field as the file has it.
    """
    checked_occasion(occasion)
    ways = ways_of(occasion)
    occasion = _with_what_is_left(occasion, ways)
    budget = Budget(clock=clock, until_s=clock() + most_s)
    searching = budget.share(SEARCHED)
    try:
        order = best_of(occasion, ways, solver, searching, effort)
        occasion, order = _by_shorter_rests(occasion, order, solver, searching, effort)
    except NotDecided:
        offer = offer_of(occasion, ways, solver, budget)
        return Plan(
            occasion=occasion, order=None, why={}, refusal=replace(offer, because=NOT_DECIDED, is_decided=False)
        )
    if order is not None:
        why, said = why_each(occasion, order), _cautions(occasion, order)
        return Plan(occasion=occasion, order=order, why=why, refusal=None, cautions=said)
    return Plan(occasion=occasion, order=None, why={}, refusal=refusal_of(occasion, ways, solver, budget))


def _cautions(occasion: Occasion, order: Order) -> tuple[str, ...]:
    """Return what must be said of the work on what belongs in the cold: hands keep it out of it."""
    found = []
    for position, wanted in enumerate(occasion.wanted):
        if not any(ending_of(batch.recipe.family).stays_cold for batch in wanted.worked.batches):
            continue
        own = [task for task in order.tasks if task.cook is not None and task.job.confections == (position,)]
        out_min = sum(task.end_min - task.start_min for task in own)
        if out_min > OUT_OF_COLD_MIN:
            name = wanted.worked.confection.name
            found.append(
                f"{name}: hands have it out of the cold for {spoken(out_min)}; work it in parts, two hours in all"
            )
    return tuple(found)


def _by_shorter_rests(
    occasion: Occasion, order: Order | None, solver: Solver, budget: Budget, effort: float
) -> tuple[Occasion, Order | None]:
    """Where the day ran late, return an order that takes rests at the middle of their bands, if fewer jobs move by it.

    Rests are planned at the slow end, so that there is something to give when something is late.
    """
    if not (occasion.happened and occasion.slow):
        return occasion, order
    if order is not None and _moved_share(occasion, order) <= MOST_MOVED:
        return occasion, order
    shorter = replace(occasion, slow=False)
    found = best_of(shorter, ways_of(shorter), solver, budget, effort)
    is_better = found is not None and (order is None or _moved_share(shorter, found) < _moved_share(occasion, order))
    return (shorter, found) if is_better else (occasion, order)


def _moved_share(occasion: Occasion, order: Order) -> float:
    """Return the share of the jobs still ahead that stand elsewhere than before."""
    happened = {one.id for one in occasion.happened}
    ahead = [task for task in order.tasks if task.job.id not in happened and task.job.id in occasion.previous]
    moved = [task for task in ahead if occasion.previous[task.job.id] != task.start_min]
    return len(moved) / len(ahead) if ahead else 0.0


def _with_what_is_left(occasion: Occasion, ways: Sequence[Jobs]) -> Occasion:
    """Return an occasion with what has happened of the jobs that there still are.

    :raises BadInput: at `happened`: of a job that there never was, or ending before it began.
    """
    jobs = [job for way in ways for job in way]
    known = {job.id for job in jobs}
    happened = tuple(replace(one, id=renamed(one.id, known)) for one in occasion.happened)
    if len({one.id for one in happened}) == len(happened):  # else two of before are one now: what is known stays
        occasion = replace(occasion, happened=happened)
    everything = replace(occasion, wanted=tuple(replace(wanted, dropped=False) for wanted in occasion.wanted))
    is_less = any(wanted.dropped for wanted in occasion.wanted)
    _check_happened(occasion, [job for way in ways_of(everything) for job in way] if is_less else jobs)
    there = {job.id for job in jobs}
    left = tuple(one for one in occasion.happened if one.id in there or one.id.startswith(WASHED))
    return replace(occasion, happened=left)


def _check_happened(occasion: Occasion, jobs: Sequence[Job]) -> None:
    known = {job.id for job in jobs}
    for position, one in enumerate(occasion.happened):
        if one.id not in known and not one.id.startswith(WASHED):
            raise BadInput(
                ("happened", position, "id"), f"there is no job {one.id[:60]!r}", "an id of a task", "unknown"
            )
        if one.end_min is not None and one.end_min < one.start_min:
            raise BadInput(("happened", position, "ends_at"), "is before its start", "a later moment", "out-of-range")
