"""Order: the running order of an occasion, goal after goal, and whether each is proved to be best.

Goals: all is ready and nothing is kept longer than it should (limits of the model); then as late a first start as can
be; then as few visits to the kitchen; then what keeps least is freshest. After something has happened: as few jobs moved
as can be, by as little. One worker and a limit of reckoned work, not of seconds: the same occasion has the same answer.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from math import inf
from typing import Final

from ortools.sat.python import cp_model

from hearth_bowl.core.plan.answer import Order, Task
from hearth_bowl.core.plan.days import DAY_MIN
from hearth_bowl.core.plan.job import Job
from hearth_bowl.core.plan.model import LATER_DAYS, Model, Timed, model_of, parts_used
from hearth_bowl.core.plan.occasion import Occasion

EFFORT: Final = (1.0, 1.0, 0.5)
"""How much work goes into each goal, in the solver's own measure of it: about seconds here. A judgement."""
FIRST_WORK: Final = 2.0
WHY_S: Final = 7.0
"""So long it is looked into why there is no order."""
MOST_S: Final = 9.0
"""No answer takes longer, whatever the measure of work says."""
WEIGHT: Final = 10
"""So much more freshness weighs than hands that are at work early. A judgement."""
FRESHEST: Final = 60
"""What keeps for a day counts so much, what keeps for n days an n-th of it. A judgement."""


def order_of(occasion: Occasion, jobs: Sequence[Job], effort: float = 1.0) -> Order | None:
    """Return the running order, or None where there is none.

    :param effort: scales the solver's limits; 0 gives the first order that it finds.
    """
    model = model_of(occasion, jobs)
    found = _Search(model)
    if effort <= 0:
        return found.order() if found.any_order() else None
    for goal, share in zip(_goals(occasion), EFFORT, strict=True):
        if not found.towards(goal(model), effort * share):
            return None
    return found.order()


@dataclass(slots=True, kw_only=True)
class Budget:
    """The seconds that are left for looking into why there is no order."""

    left_s: float = WHY_S


def can_be(
    occasion: Occasion, jobs: Sequence[Job], budget: Budget, without: frozenset[str] = frozenset()
) -> bool | None:
    """Return whether there is an order when some wishes are let go; None where that is not found out."""
    model = model_of(occasion, jobs, without)
    if budget.left_s <= 0:
        return None
    search = _Search(model, budget.left_s)
    status = search.any_order()
    budget.left_s = search.left_s
    return status


def earliest_ready(occasion: Occasion, jobs: Sequence[Job], budget: Budget) -> int | None:
    """Return the earliest minute at which all of it can be ready; None where that is not found out."""
    model = model_of(occasion, jobs, frozenset({"ready_at"}))
    if budget.left_s <= 0:
        return None
    search = _Search(model, budget.left_s)
    found = search.towards(model.ready, FIRST_WORK)
    budget.left_s = search.left_s
    return search.solver.value(model.ready) if found else None


class _Search:
    """One model, solved goal after goal; what one goal reached holds for the next."""

    def __init__(self, model: Model, most_s: float = MOST_S) -> None:
        self.model = model
        self.values: dict[int, int] = {}
        self.solver = cp_model.CpSolver()
        self.gaps: list[float] = []
        self.left_s = most_s

    def any_order(self) -> bool | None:
        """Find some order; return whether there is one, None where that is not found out."""
        status = self._solve(FIRST_WORK, first=True)
        return None if status == cp_model.UNKNOWN else status in (cp_model.OPTIMAL, cp_model.FEASIBLE)

    def towards(self, goal: cp_model.LinearExpr, effort: float) -> bool:
        """Make a goal as small as can be, from the order that there is; return whether there is any."""
        cp = self.model.cp
        cp.minimize(goal)
        status = self._solve(effort)
        if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
            self.gaps.append(inf)
            return bool(self.values)
        reached = self.solver.objective_value
        self.gaps.append(max(0.0, reached - self.solver.best_objective_bound) if status != cp_model.OPTIMAL else 0.0)
        cp.clear_objective()  # type: ignore[no-untyped-call]
        cp.add(goal <= round(reached))
        return True

    def _solve(self, work: float, *, first: bool = False) -> object:
        cp = self.model.cp
        cp.clear_hints()  # type: ignore[no-untyped-call]
        for index, value in self.values.items():
            cp.add_hint(cp.get_int_var_from_proto_index(index), value)
        solver = cp_model.CpSolver()
        solver.parameters.num_workers = 1
        solver.parameters.random_seed = 1
        solver.parameters.max_deterministic_time = work
        solver.parameters.max_time_in_seconds = max(0.1, self.left_s)
        solver.parameters.stop_after_first_solution = first
        solver.parameters.symmetry_level = 0
        solver.parameters.cp_model_probing_level = 0
        status = solver.solve(cp)
        self.left_s -= solver.wall_time
        if status in (cp_model.OPTIMAL, cp_model.FEASIBLE):
            self.solver = solver
            self.values = {i: solver.value(cp.get_int_var_from_proto_index(i)) for i in range(len(cp.proto.variables))}
        return status

    def order(self) -> Order:
        """Return the order that was found last."""
        value = self.solver.value
        tasks = []
        for timed in (*self.model.timed.values(), *self.model.all_washes):
            if timed.is_there is not None and not value(timed.is_there):
                continue
            cook = None
            if timed.job.hands_on:
                cook = next((who for who, does in enumerate(timed.by) if value(does)), 0)
            start = value(timed.start)
            tasks.append(Task(job=timed.job, start_min=start, end_min=start + timed.minutes, cook=cook))
        tasks.sort(key=lambda task: (task.start_min, task.end_min, task.job.id))
        return Order(
            tasks=tuple(tasks),
            proved=bool(self.gaps) and not any(self.gaps),
            gaps=tuple(self.gaps),
            late=tuple(self.model.waited_too_long),
        )


def _goals(occasion: Occasion) -> tuple[Callable[[Model], cp_model.LinearExpr], ...]:
    return (_moved, _moved_far, _fresh) if occasion.previous else (_first_start, _visits, _fresh)


def _first_start(model: Model) -> cp_model.LinearExpr:
    """Return how long before all is ready the first job starts."""
    first = model.cp.new_int_var(0, model.occasion.ready_min, "first")
    for timed in model.timed.values():
        if not timed.is_settled and not timed.job.after:
            model.cp.add(first <= timed.start)
    return model.occasion.ready_min - first


def _visits(model: Model) -> cp_model.LinearExpr:
    """Return how many parts of days see hands in the kitchen; a wash counts a little."""
    washes = [wash.is_there for wash in model.all_washes if wash.is_there is not None]
    used = list(parts_used(model, model.hands_on()).values())
    return cp_model.LinearExpr.sum([*(10 * one for one in used), *washes])


def _fresh(model: Model) -> cp_model.LinearExpr:
    """Return the minutes between finishing and eating, each by how little it keeps; and, weighing little, how early hands
    are at work, so that what belongs together is done together."""
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
