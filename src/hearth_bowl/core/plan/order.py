"""Order: the running order of an occasion, goal after goal, and whether each is proved to be best.

Goals: all is ready and nothing is kept longer than it should (limits of the model); then as late a first start as can
be; then as few visits to the kitchen; then what keeps least is freshest. After something has happened: as few jobs
moved as can be, by as little. One worker and a limit of reckoned work, not of seconds: the same occasion has the same
answer. Limits of work are judgements.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from math import inf
from typing import Final

from ortools.sat.python import cp_model

from hearth_bowl.core.plan.answer import Order, Task
from hearth_bowl.core.plan.days import DAY_MIN, starts_for
from hearth_bowl.core.plan.job import Job
from hearth_bowl.core.plan.model import LATER_DAYS, model_of, parts_used
from hearth_bowl.core.plan.occasion import Occasion
from hearth_bowl.core.plan.timed import Model, Timed

Goal = Callable[[Model], cp_model.LinearExpr]
"""What is made as small as can be."""
EFFORT: Final = (0.5, 0.25, 0.1)
"""How much work goes into each goal, in the solver's own measure of it: about seconds here. A judgement."""
FIRST_WORK: Final = 2.0  # a judgement
MOST_BUSY: Final = 0.75
"""Days in which hands would be busy for more of their time than this are passed over at first: they seldom do.
A limit, by definition."""
LAST_DAYS: Final = (2, 3, 5, 8)
"""So many last days are looked through before all of them. A judgement."""
MOST_S: Final = 7.5
"""No answer takes longer, whatever the measure of work says. A limit, by definition."""
WEIGHT: Final = 10
"""So much more freshness weighs than hands that are at work early. A judgement."""
FRESHEST: Final = 60
"""What keeps for a day counts so much, what keeps for n days an n-th of it. A judgement."""


@dataclass(slots=True, kw_only=True)
class Budget:
    """The seconds that are left for an answer."""

    left_s: float = MOST_S


class NotFoundOut(Exception):  # noqa: N818 - it reads as what it is
    """Neither an order nor that there is none was found in its time."""


class _Search:
    """One model, solved goal after goal; what one goal reached holds for the next."""

    def __init__(self, model: Model, budget: Budget) -> None:
        self.model = model
        self.budget = budget
        self.values: dict[int, int] = {}
        self.solver = cp_model.CpSolver()
        self.gaps: list[float] = []

    def any_order(self) -> bool | None:
        """Find some order; return whether there is one, None where that is not found out."""
        status = self._solve(FIRST_WORK, first=True)
        return None if status == cp_model.UNKNOWN else status in (cp_model.OPTIMAL, cp_model.FEASIBLE)

    def towards(self, goal: cp_model.LinearExpr, effort: float) -> object:
        """Make a goal as small as can be, from the order that there is; return the solver's status."""
        cp = self.model.cp
        cp.minimize(goal)
        status = self._solve(effort)
        if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
            self.gaps.append(inf)
            return status
        reached = self.solver.objective_value
        self.gaps.append(max(0.0, reached - self.solver.best_objective_bound) if status != cp_model.OPTIMAL else 0.0)
        cp.clear_objective()  # type: ignore[no-untyped-call]
        cp.add(goal <= round(reached))
        return status

    def _solve(self, work: float, *, first: bool = False) -> object:
        cp = self.model.cp
        cp.clear_hints()  # type: ignore[no-untyped-call]
        for index, value in self.values.items():
            cp.add_hint(cp.get_int_var_from_proto_index(index), value)
        solver = cp_model.CpSolver()
        solver.parameters.num_workers = 1
        solver.parameters.random_seed = 1
        solver.parameters.max_deterministic_time = work
        solver.parameters.max_time_in_seconds = max(0.1, self.budget.left_s)
        solver.parameters.stop_after_first_solution = first
        solver.parameters.symmetry_level = 0
        solver.parameters.cp_model_probing_level = 0
        status = solver.solve(cp)
        self.budget.left_s -= solver.wall_time
        if status in (cp_model.OPTIMAL, cp_model.FEASIBLE):
            self.solver = solver
            self.values = {i: solver.value(cp.get_int_var_from_proto_index(i)) for i in range(len(cp.proto.variables))}
        return status

    def order(self) -> Order:
        """Return the order that was found last."""
        value = self.solver.value
        tasks = []
        for timed in (*self.model.timed.values(), *self.model.washes):
            if timed.is_there is not None and not value(timed.is_there):
                continue
            cook = None
            if timed.job.hands_on:
                did = self.model.occasion.previous_cooks.get(timed.job.id, 0) if timed.did is None else timed.did
                cook = next((who for who, does in enumerate(timed.by) if value(does)), did)
            start = value(timed.start)
            tasks.append(Task(job=timed.job, start_min=start, end_min=start + timed.minutes, cook=cook))
        tasks.sort(key=lambda task: (task.start_min, task.end_min, task.job.id))
        return Order(
            tasks=tuple(tasks),
            proved=bool(self.gaps) and not any(self.gaps),
            gaps=tuple(self.gaps),
            late=tuple(self.model.waited_too_long),
        )


def order_of(occasion: Occasion, jobs: Sequence[Job], budget: Budget, effort: float = 1.0) -> Order | None:
    """Return the running order, or None where there is none.

    It is looked for in the last days first: an order found there starts later than any that begins before them.

    :param effort: scales the solver's limits; 0 gives the first order that it finds.
    :raises NotFoundOut: neither an order nor that there is none was found in its time.
    """
    if occasion.previous or occasion.happened:
        return _best(_Search(model_of(occasion, jobs), budget), _goals(occasion), effort)
    found_out = True
    for from_min in _beginnings(occasion, jobs):
        search = _Search(model_of(occasion, jobs, from_min=from_min), budget)
        try:
            order = _best(search, _goals(occasion), effort)
        except NotFoundOut:
            found_out = False
            continue
        if order is not None:
            return order
    if not found_out:
        raise NotFoundOut
    return None


def _best(search: _Search, goals: Sequence[Goal], effort: float) -> Order | None:
    """Return the best order of a model goal after goal; None where there is none."""
    if effort <= 0:
        if search.any_order() is None:
            raise NotFoundOut
        return search.order() if search.values else None
    for goal, share in zip(goals, EFFORT, strict=True):
        status = search.towards(goal(search.model), effort * share)
        if status == cp_model.INFEASIBLE and not search.values:
            return None
        if not search.values:
            raise NotFoundOut
    return search.order()


def _beginnings(occasion: Occasion, jobs: Sequence[Job]) -> list[int]:
    """Return from when on it is looked for: the last days first, but not fewer than its longest chain takes, nor so few
    that hands would have hardly a minute to spare."""
    takes: dict[str, int] = {}
    for job in jobs:
        takes[job.id] = job.minutes + max((takes.get(after.id, 0) for after in job.after), default=0)
    longest_min = max(takes.values(), default=0)
    hands_min = sum(job.minutes for job in jobs if job.hands_on)
    found = [occasion.ready_min - days * DAY_MIN for days in LAST_DAYS if longest_min < days * DAY_MIN]
    roomy = [from_min for from_min in found if hands_min <= MOST_BUSY * _open_min(occasion, from_min)]
    return [*(from_min for from_min in roomy if from_min > occasion.now_min), occasion.now_min]


def _open_min(occasion: Occasion, from_min: int) -> int:
    """Return for how many minutes in all there are hands in the kitchen from a moment on."""
    spans = starts_for(1, occasion.hours, occasion.away, from_min, occasion.ready_min)
    return occasion.cooks * sum(high - low + 1 for low, high in spans)


def can_be(
    occasion: Occasion, jobs: Sequence[Job], budget: Budget, without: frozenset[str] = frozenset()
) -> bool | None:
    """Return whether there is an order when some wishes are let go; None where that is not found out."""
    model = model_of(occasion, jobs, without)
    if budget.left_s <= 0:
        return None
    return _Search(model, budget).any_order()


def earliest_ready(occasion: Occasion, jobs: Sequence[Job], budget: Budget, latest_min: int) -> int | None:
    """Return the earliest minute, up to one at which it can, at which all of it can be ready; None where none is found
    in its time."""
    model = model_of(occasion, jobs, frozenset({"ready_at"}), latest_min=latest_min)
    if budget.left_s <= 0:
        return None
    search = _Search(model, budget)
    search.towards(model.ready, FIRST_WORK)
    return search.solver.value(model.ready) if search.values else None


def _goals(occasion: Occasion) -> tuple[Goal, ...]:
    return (_moved, _moved_far, _fresh) if occasion.previous else (_first_start, _visits, _fresh)


def _first_start(model: Model) -> cp_model.LinearExpr:
    """Return how long before all is ready the first job starts."""
    first = model.cp.new_int_var(0, model.occasion.ready_min, "first")
    for timed in model.timed.values():
        if not timed.is_settled and not timed.job.after:
            model.cp.add(first <= timed.start)
    return model.occasion.ready_min - first


def _visits(model: Model) -> cp_model.LinearExpr:
    """Return how many parts of days see hands in the kitchen; a wash counts a little, and so does what is free of nuts
    where it waits for one."""
    washes = [wash.is_there for wash in model.washes if wash.is_there is not None]
    used = list(parts_used(model, model.hands_on()).values())
    return cp_model.LinearExpr.sum([*(10 * one for one in used), *washes, *model.after_wash])


def _fresh(model: Model) -> cp_model.LinearExpr:
    """Return the minutes between finishing and eating, each by how little it keeps; and, weighing little, how early
    hands are at work, so that what belongs together is done together."""
    terms = []
    for position, finish in model.finish.items():
        days = max(1, model.occasion.wanted[position].worked.keeping.days_low)
        terms.append(WEIGHT * max(1, FRESHEST // days) * (model.ready - finish))
    terms += [model.ready - timed.start for timed in model.hands_on() if timed.is_there is None]
    return cp_model.LinearExpr.sum(terms)


def _moved(model: Model) -> cp_model.LinearExpr:
    """Return how many jobs, still to be done, stand elsewhere than before."""
    moved = []
    for timed, before in _still_there(model):
        stays = model.cp.new_bool_var("")
        model.cp.add(timed.start == before).only_enforce_if(stays)
        moved.append(1 - stays)
    return cp_model.LinearExpr.sum(moved)


def _moved_far(model: Model) -> cp_model.LinearExpr:
    """Return by how many minutes in all jobs moved."""
    total = []
    for timed, before in _still_there(model):
        far = model.cp.new_int_var(0, model.occasion.ready_min + LATER_DAYS * DAY_MIN, "")
        model.cp.add_abs_equality(far, timed.start - before)
        total.append(far)
    return cp_model.LinearExpr.sum(total)


def _still_there(model: Model) -> list[tuple[Timed, int]]:
    """Return the jobs of an earlier order that are still to be done, with where they stood."""
    previous = model.occasion.previous
    return [(one, previous[key]) for key, one in model.timed.items() if key in previous and not one.is_settled]
