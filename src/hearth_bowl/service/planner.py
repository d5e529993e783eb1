"""The planner: the process that loads the solver, when it is asked for the first time, and plans beside all else."""

from collections.abc import Mapping
from functools import partial
from threading import Lock
from time import monotonic
from typing import Any, Protocol

from hearth_bowl.formats.occasion_file import PlanAnswer
from hearth_bowl.service.helper import HelperProcess


class Planner(Protocol):
    """Plans an occasion file's content."""

    def plan(self, record: Mapping[str, Any], effort: float) -> PlanAnswer:
        """Return the answer of `plan`.

        :raises BadInput: naming the field. :raises Busy: too much waits already.
        """
        ...


class InlinePlanner:
    """Plans here: for tests, and where there is no process of its own."""

    def plan(self, record: Mapping[str, Any], effort: float) -> PlanAnswer:
        """Return the answer of `plan`."""
        return plan_record(record, effort)


class PlannerProcess:
    """Plans in a process of its own, which begins when it is needed first."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._helper: HelperProcess | None = None

    def plan(self, record: Mapping[str, Any], effort: float) -> PlanAnswer:
        """Return the answer of `plan`."""
        with self._lock:
            if self._helper is None:
                self._helper = HelperProcess(load_solver)
            helper = self._helper
        return helper.run(partial(plan_record, record, effort))

    def close(self) -> None:
        """Let the process end."""
        if self._helper is not None:
            self._helper.close()


def plan_record(record: Mapping[str, Any], effort: float, most_s: float | None = None) -> PlanAnswer:
    """Return the answer of `plan` for an occasion file's content; it is this that loads the solver."""
    from hearth_bowl.core.plan.order import MOST_S
    from hearth_bowl.core.plan.plan import plan_occasion
    from hearth_bowl.formats.occasion_file import occasion_from, plan_answer
    from hearth_bowl.solver import CpSat

    occasion, midnight = occasion_from(record)
    plan = plan_occasion(occasion, CpSat, monotonic, effort, MOST_S if most_s is None else most_s)
    return plan_answer(plan, midnight)


def load_solver() -> None:
    """Load the solver."""
    import hearth_bowl.core.plan.plan
    import hearth_bowl.solver  # noqa: F401
