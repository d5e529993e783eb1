"""Solver: OR-Tools' CP-SAT behind the core's `Solver`. Loading it takes long, so only what plans an order imports it.

One worker and a limit of work instead of time: the same model gives the same answer on every machine.
"""

from typing import Final

from ortools.sat.python import cp_model

from hearth_bowl.core.plan.constraints import (
    Between,
    Capacity,
    Clause,
    Constraint,
    Constraints,
    Effort,
    Found,
    Status,
    Stretch,
    Sum,
    Yes,
)

STATUSES: Final = {
    cp_model.OPTIMAL: Status.BEST,
    cp_model.FEASIBLE: Status.SOME,
    cp_model.INFEASIBLE: Status.NONE,
    cp_model.MODEL_INVALID: Status.UNKNOWN,
    cp_model.UNKNOWN: Status.UNKNOWN,
}
LEAST_S: Final = 0.05
"""Every search gets so many seconds, however late it is. A judgement."""


class CpSat:
    """A model in CP-SAT."""

    def __init__(self, constraints: Constraints) -> None:
        self._constraints = constraints
        self._model = cp_model.CpModel()
        self._variables: list[cp_model.IntVar] = []
        self._rows = 0

    def run(self, goal: Sum | None, hint: dict[int, int], effort: Effort) -> Found:
        """Search for values that keep all constraints, with a goal as small as can be."""
        self._take_up()
        model = self._model
        model.clear_hints()  # type: ignore[no-untyped-call]
        model.clear_objective()  # type: ignore[no-untyped-call]
        for index, value in hint.items():
            model.add_hint(self._variables[index], value)
        if goal is not None:
            model.minimize(self._sum(goal))
        solver = cp_model.CpSolver()
        solver.parameters.num_workers = 1
        solver.parameters.random_seed = 1
        solver.parameters.max_deterministic_time = effort.work
        solver.parameters.max_time_in_seconds = max(LEAST_S, effort.seconds)
        solver.parameters.stop_after_first_solution = effort.first
        solver.parameters.fix_variables_to_their_hinted_value = effort.fixed
        solver.parameters.symmetry_level = 0
        solver.parameters.cp_model_probing_level = 0
        status = STATUSES[solver.solve(model)]
        found = status in (Status.BEST, Status.SOME)
        return Found(
            status=status,
            values=[solver.value(one) for one in self._variables] if found else (),
            goal=round(solver.objective_value) if found and goal is not None else 0,
            bound=solver.best_objective_bound if found and goal is not None else 0.0,
        )

    def _take_up(self) -> None:
        """Take up the variables and rows that are new."""
        for spans in self._constraints.domains[len(self._variables) :]:
            domain = cp_model.Domain.from_intervals([list(span) for span in spans])
            self._variables.append(self._model.new_int_var_from_domain(domain, ""))
        for row in self._constraints.rows[self._rows :]:
            self._add(row)
        self._rows = len(self._constraints.rows)

    def _add(self, row: Constraint) -> None:
        model = self._model
        if isinstance(row, Between):
            made = model.add_linear_constraint(self._sum(Sum(row.terms)), row.low, row.high)
            if row.when:
                made.only_enforce_if([self._literal(one) for one in row.when])
        elif isinstance(row, Clause):
            literals = [self._literal(one) for one in row.of]
            model.add_exactly_one(literals) if row.exactly_one else model.add_bool_or(literals)
        elif isinstance(row, Capacity):
            spans = [self._span(span) for span in row.spans]
            if set(row.uses) == {row.most}:
                model.add_no_overlap(spans)
            else:
                model.add_cumulative(spans, row.uses, row.most)
        else:
            model.add_max_equality(self._sum(row.target), [self._sum(one) for one in row.of])

    def _sum(self, sum_: Sum) -> cp_model.LinearExprT:
        variables = [self._variables[index] for index, _ in sum_.terms]
        weights = [times for _, times in sum_.terms]
        return cp_model.LinearExpr.weighted_sum(variables, weights) + sum_.constant

    def _literal(self, one: Yes) -> cp_model.LiteralT:
        variable = self._variables[one.index]
        return variable.negated() if one.is_not else variable

    def _span(self, span: Stretch) -> cp_model.IntervalVar:
        start, length, end = (self._sum(one) for one in (span.start, span.length, span.end))
        if span.there is None:
            return self._model.new_interval_var(start, length, end, "")
        return self._model.new_optional_interval_var(start, length, end, self._literal(span.there), "")
