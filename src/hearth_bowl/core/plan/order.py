"""Order: the running order of an occasion: a first one built without search, then made better goal after goal.

One worker and a limit of work, not of seconds: the same occasion has the same answer. Limits are judgements.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from math import inf
from typing import Final

from hearth_bowl.core.plan.answer import Order, Task
from hearth_bowl.core.plan.constraints import Effort, Search, Solver, Status, Sum, total, value_of
from hearth_bowl.core.plan.first import first_order
from hearth_bowl.core.plan.goals import goals_of
from hearth_bowl.core.plan.job import Job
from hearth_bowl.core.plan.model import model_of
from hearth_bowl.core.plan.occasion import Occasion
from hearth_bowl.core.plan.timed import Model

GOAL_WORK: Final = (0.35, 0.15, 0.15)
"""How much work goes into each goal, in the solver's own measure of it: about seconds here. A judgement."""
FIRST_WORK: Final = 2.0
"""How much work goes into finding some order, or that there is none. A judgement."""
MOST_S: Final = 7.0
"""No answer takes longer, whatever the measure of work says. A limit, by definition."""


Clock = Callable[[], float]
"""Seconds that only grow; the core has no clock of its own."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Budget:
    """The time for an answer, by a clock that is given."""

    clock: Clock
    until_s: float

    @property
    def left_s(self) -> float:
        """Return the seconds that are left; less than none where it is over."""
        return self.until_s - self.clock()

    def share(self, of_it: float) -> "Budget":
        """Return a share of what is left, as a budget of its own."""
        return Budget(clock=self.clock, until_s=self.clock() + of_it * self.left_s)


class NotDecided(Exception):  # noqa: N818 - it reads as what it is
    """Neither an order nor that there is none was found in its time."""


class _Search:
    """One model, solved goal after goal; what one goal reached holds for the next."""

    def __init__(self, model: Model, solver: Solver, budget: Budget) -> None:
        self.model = model
        self.budget = budget
        self.values: Sequence[int] = ()
        self.gaps: list[float] = []
        self._search: Search = solver(model.rows)

    def any_order(self) -> bool | None:
        """Find some order; return whether there is one, None where that is not found out."""
        status = self._run(None, FIRST_WORK, first=True)
        return None if status is Status.UNKNOWN else status in (Status.BEST, Status.SOME)

    def start_from(self, tasks: Sequence[Task], goals: Sequence[Sum]) -> bool:
        """Take an order as the one that there is, with what it is worth; return whether the model has it as one."""
        hint: dict[int, int] = {}
        washes = {wash.job.id: wash for wash in self.model.washes}
        for wash in washes.values():
            if wash.is_there is not None:
                hint[wash.is_there.index] = 0
        for task in tasks:
            timed = washes.get(task.job.id) or self.model.timed[task.job.id]
            if timed.is_there is not None:
                hint[timed.is_there.index] = 1
            for index, _ in timed.start.terms:
                hint[index] = task.start_min
            for cook, does in enumerate(timed.by):
                hint[does.index] = int(cook == task.cook)
        status = self._run(total(goals), FIRST_WORK, fixed=hint)
        self.gaps.clear()
        return status in (Status.BEST, Status.SOME)

    def towards(self, goal: Sum, work: float) -> Status:
        """Make a goal as small as can be, from the order that there is."""
        status = self._run(goal, work)
        if status not in (Status.BEST, Status.SOME):
            self.gaps.append(inf)
        elif self.values:
            self.model.rows.add(goal <= value_of(goal, self.values))
        return status

    def _run(
        self, goal: Sum | None, work: float, *, first: bool = False, fixed: dict[int, int] | None = None
    ) -> Status:
        hint = dict(enumerate(self.values)) if fixed is None else fixed
        effort = Effort(work=work, seconds=self.budget.left_s, first=first, fixed=fixed is not None)
        found = self._search.run(goal, hint, effort)
        if found.status in (Status.BEST, Status.SOME):
            self.values = found.values
            if goal is not None:
                self.gaps.append(0.0 if found.status is Status.BEST else max(0.0, found.goal - found.bound))
        return found.status

    def order(self) -> Order:
        """Return the order that was found last."""
        values = self.values
        tasks = []
        for timed in (*self.model.timed.values(), *self.model.washes):
            if timed.is_there is not None and not values[timed.is_there.index]:
                continue
            cook = None
            if timed.job.hands_on:
                did = self.model.occasion.previous_cooks.get(timed.job.id, 0) if timed.did is None else timed.did
                cook = next((who for who, does in enumerate(timed.by) if values[does.index]), did)
            start = value_of(timed.start, values)
            tasks.append(Task(job=timed.job, start_min=start, end_min=start + timed.minutes, cook=cook))
        tasks.sort(key=lambda task: (task.start_min, task.end_min, task.job.id))
        return Order(
            tasks=tuple(tasks),
            proved=bool(self.gaps) and not any(self.gaps),
            gaps=tuple(self.gaps),
            late=tuple(self.model.waited_too_long),
        )


def order_of(
    occasion: Occasion, jobs: Sequence[Job], solver: Solver, budget: Budget, effort: float = 1.0,
    first: Sequence[Task] | None = None,
) -> Order | None:  # fmt: skip
    """Return the running order, or None where there is none.

    :param effort: scales the solver's limits; 0 gives the first order.
    :param first: an order that there is already, built without search.
    :raises NotDecided: neither an order nor that there is none was found in its time.
    """
    if first is not None and (effort <= 0 or budget.left_s <= 0):
        return Order(tasks=tuple(first), proved=False, gaps=(), late=())
    search = _Search(model_of(occasion, jobs), solver, budget)
    goals = [goal(search.model) for goal in goals_of(occasion)] if effort > 0 else []
    if first is None or not search.start_from(first, goals):
        is_there = search.any_order()
        if is_there is None:
            raise NotDecided
        if not is_there:
            return None
    for goal, work in zip(goals, GOAL_WORK, strict=False):
        search.towards(goal, effort * work)
        if budget.left_s <= 0 and first is not None:  # else how fast the machine is would choose the order
            return Order(tasks=tuple(first), proved=False, gaps=(), late=())
    return search.order()


def can_be(
    occasion: Occasion, jobs: Sequence[Job], solver: Solver, budget: Budget, without: frozenset[str] = frozenset()
) -> bool | None:
    """Return whether there is an order when some wishes are let go; None where that is not found out."""
    if budget.left_s <= 0:
        return None
    if not without and not occasion.happened and first_order(occasion, jobs) is not None:
        return True
    return _Search(model_of(occasion, jobs, without), solver, budget).any_order()
