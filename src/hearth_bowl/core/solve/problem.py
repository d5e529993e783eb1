"""The problem that a balance solves: free lines as variables, aims as constraints, the change as what is least."""

from collections.abc import Iterator, Mapping, Sequence
from math import inf
from typing import Any, Final

import numpy as np

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.keep.cautions import why_set_not_told
from hearth_bowl.core.mass.mixture import FloatArray, MixingTable, mix
from hearth_bowl.core.mass.set_index import LEAST_WET, MOST_FAT_TO_WET, is_water_free
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.solve.aims import aims_of
from hearth_bowl.core.solve.bounds import rooms_of

STEP: Final = 1e-6  # numerical, by definition
MOST_ROUNDS: Final = 40  # numerical, by definition
ACCURACY: Final = 1e-6  # numerical, by definition
STARTS: Final = (2.0, 0.5)
"""Where else the search starts: every main line times this. Numerical, by definition."""
BY_THE_RULE: Final = frozenset({"set_index", "water_activity_max"})
"""Aims that are measured differently where the fat is the outer phase."""
NEAREST_PULL: Final = 3e-3  # numerical, by definition
RULE_MARGIN: Final = 1e-3  # numerical, by definition
RULE_LIMITS: Final = 2  # numerical, by definition
STILL: Final = 1e-9  # numerical, by definition
STILL_ROUNDS: Final = 3
"""Rounds in which a search has not moved by more than `STILL` until it is stopped: by itself it stops only where
every aim is met, and goes round to the last of its rounds where none can be. Numerical, by definition."""
Reach = tuple[float, float]
ANYWHERE: Final[Reach] = (0.0, inf)  # numerical, by definition
EDGE: Final = 2e-3
"""How little the size of a change counts where the aims cannot be met anyway. Numerical, by definition."""


class StandsStill(Exception):  # noqa: N818 - it is no error: a search has no other way of being stopped
    """Stops a search that no longer moves."""


class Watch:
    """Follows a search from round to round, and stops it where it stands still."""

    def __init__(self, start: FloatArray) -> None:
        self.at = start
        self.still_rounds = 0

    def __call__(self, times: FloatArray) -> None:
        """Note where a round ended.

        :raises StandsStill: where the last rounds changed nothing.
        """
        moved = float(np.max(np.abs(times - self.at)))
        self.still_rounds = self.still_rounds + 1 if moved <= STILL * max(1.0, float(np.max(np.abs(times)))) else 0
        self.at = times.copy()
        if self.still_rounds == STILL_ROUNDS:
            raise StandsStill


class Problem:
    """The free lines as multiples of where they start, the aims as functions of them."""

    @classmethod
    def by_rule(
        cls, recipe: Recipe, wanted: Mapping[str, float], neighbours: Mapping[int, Reach] | None = None
    ) -> Iterator["Problem"]:
        """Give the problem by the set rule that holds now; then by the other, where the first leads to its edge.

        :raises BadInput: naming an aim that says nothing of this recipe.
        """
        water_free = is_water_free(mix(recipe))
        first = cls(recipe, wanted, water_free, neighbours)
        yield first
        if BY_THE_RULE & set(wanted) and len(first.free) and first.can_be_wet() and first.is_at_the_edge():
            yield cls(recipe, wanted, not water_free, neighbours)

    def __init__(
        self,
        recipe: Recipe,
        wanted: Mapping[str, float],
        water_free: bool,
        neighbours: Mapping[int, Reach] | None = None,
    ) -> None:
        self.recipe, self.wanted, self.water_free = recipe, wanted, water_free
        self.table = MixingTable(recipe)
        self.aims = aims_of(recipe, mix(recipe), wanted, water_free)
        self.own_g = np.array(recipe.amounts_g)
        self.free = np.array(
            [p for p, line in enumerate(recipe.lines) if not line.pinned and recipe.amounts_g[p] > 0], dtype=int
        )
        rooms = rooms_of(recipe)
        self.rooms = [rooms[p].within(*(neighbours or {}).get(int(p), ANYWHERE)) for p in self.free]
        self.size = self._size()
        free_g = self.own_g[self.free]
        self.minded = np.array([room.minded for room in self.rooms]) * free_g / self.own_g.sum()
        self.mass_slope = free_g / self.own_g.sum()
        self.is_equal = np.array([not aim.at_most and not aim.at_least for aim in self.aims], dtype=bool)
        self.signs = np.array([1.0 if aim.at_least else -1.0 for aim in self.aims])
        self.limits, self.limits_at_0 = self._limits()
        self._gaps: dict[bytes, FloatArray] = {}
        self._slopes: dict[bytes, FloatArray] = {}
        self._nearest: tuple[float, ...] | None = None

    def _size(self) -> float:
        """Return how many times its grams the free part becomes where the mass is an aim."""
        free_g, mass_g = float(self.own_g[self.free].sum()), self.wanted.get("mass_g")
        if mass_g is None or free_g <= 0:
            return 1.0
        return max(0.01, (mass_g - (float(self.own_g.sum()) - free_g)) / free_g)

    def _limits(self) -> tuple[FloatArray, FloatArray]:
        """Return linear limits, rows · times + rest ≥ 0: largest shares, and the set rule that holds stays the same."""
        free_g, mass_g = self.own_g[self.free], float(self.own_g.sum())
        held_g = mass_g - float(free_g.sum())
        rows, rest = [], []
        for i, room in enumerate(self.rooms):
            share = max(room.most_share, float(free_g[i]) / mass_g)
            if share < 1:
                row = share * free_g
                row[i] -= free_g[i]
                rows.append(row / mass_g)
                rest.append(share * held_g / mass_g)
        if not self.water_free:
            wet, fat = self.table.wet_and_fat()
            for wanted in (wet - (LEAST_WET + RULE_MARGIN) * 1.0, (MOST_FAT_TO_WET - RULE_MARGIN) * wet - fat):
                rows.append(wanted[self.free] * free_g / mass_g)
                rest.append(float(wanted @ self.own_g - wanted[self.free] @ free_g) / mass_g)
        return np.array(rows).reshape(len(rows), len(free_g)), np.array(rest)

    def amounts(self, times: FloatArray) -> list[float]:
        """Return the grams of every line where the free ones are `times` their own."""
        grams = self.own_g.copy()
        grams[self.free] *= times
        amounts_g: list[float] = grams.tolist()
        return amounts_g

    def gaps(self, times: FloatArray) -> FloatArray:
        """Return the scaled gaps of the aims; the last are remembered, for the optimiser asks twice."""
        key = times.tobytes()
        if key not in self._gaps:
            self._gaps = {key: self._gaps_at(times)}
        return self._gaps[key]

    def _gaps_at(self, times: FloatArray) -> FloatArray:
        amounts_g = self.amounts(times)
        mixture = self.table.mix(amounts_g)
        return np.array([aim.gap(mixture, amounts_g) / aim.scale for aim in self.aims])

    def slopes(self, times: FloatArray) -> FloatArray:
        """Return the slopes of the scaled gaps, by differences; the last are remembered."""
        key = times.tobytes()
        if key not in self._slopes:
            here = self.gaps(times)
            found = np.empty((len(self.aims), len(times)))
            for i in range(len(times)):
                moved = times.copy()
                step = STEP * max(1.0, times[i])
                moved[i] += step
                found[:, i] = (self._gaps_at(moved) - here) / step
            self._slopes = {key: found}
        return self._slopes[key]

    def change(self, times: FloatArray) -> float:
        """Return how much is changed, the mass of the batch counted once more; against the mass aimed at if any."""
        apart = times / self.size - 1
        return float(self.minded @ apart**2 + (self.mass_slope @ apart) ** 2)

    def change_slope(self, times: FloatArray) -> FloatArray:
        """Return the slope of `change`."""
        apart = times / self.size - 1
        slope: FloatArray = 2 * (self.minded * apart + (self.mass_slope @ apart) * self.mass_slope) / self.size
        return slope

    def missed(self, amounts_g: Sequence[float]) -> dict[str, float]:
        """Return the aims that are not met, with how far: measured anew, by the rule that holds for these amounts."""
        grams = list(amounts_g)
        mixture = self.table.mix(grams)
        found = self.recipe.with_amounts_g(grams)
        missed = {}
        for aim in self.aims:
            try:
                measured = aims_of(found, mixture, self.wanted, None, only=aim.name)[0]
            except BadInput:
                missed[aim.name] = max(aim.missed_by(mixture, grams), aim.tolerance)
                continue
            if aim.name == "set_index" and why_set_not_told(found, mixture):
                missed[aim.name] = max(measured.missed_by(mixture, grams), aim.tolerance)
            elif not measured.is_met(mixture, grams):
                missed[aim.name] = measured.missed_by(mixture, grams)
        return missed

    def miss(self, amounts_g: Sequence[float]) -> float:
        """Return the scaled miss of all aims together, measured anew."""
        missed = self.missed(amounts_g)
        return sum((missed.get(aim.name, 0.0) / aim.scale) ** 2 for aim in self.aims)

    def _bounds(self) -> list[tuple[float, float]]:
        return [(room.least * self.size, room.most * self.size) for room in self.rooms]

    def _start(self, factor: float) -> FloatArray:
        mains = np.array([room.minded == 1.0 for room in self.rooms])
        return self.size * np.where(mains, factor, 1.0)

    def is_at_the_edge(self) -> bool:
        """Return whether the nearest amounts lie where the other set rule begins."""
        if self.water_free:
            return True
        times = np.array(self.nearest())[self.free] / self.own_g[self.free]
        return bool((self.limits @ times + self.limits_at_0)[-RULE_LIMITS:].min() < EDGE)

    def can_be_wet(self) -> bool:
        """Return whether there is any water or alcohol in the bowl."""
        wet, _ = self.table.wet_and_fat()
        return bool((wet * self.own_g).sum() > 0)

    def solve(self, thoroughly: bool = False) -> tuple[float, ...] | None:
        """Return the amounts that meet every aim with the least change, or None where none were found.

        :param thoroughly: start from elsewhere too before giving up.
        """
        if not self.missed(self.own_g.tolist()):
            return tuple(self.own_g.tolist())
        if not len(self.free):
            return None
        amounts_g = tuple(self.amounts(self._search(self._start(1.0))))
        if not self.missed(amounts_g):
            return amounts_g
        nearest = self.nearest()
        if not self.missed(nearest):
            return self.least_change_from(nearest)
        for factor in STARTS if thoroughly else ():
            amounts_g = tuple(self.amounts(self._search(self._start(factor))))
            if not self.missed(amounts_g):
                return amounts_g
        return None

    def least_change_from(self, amounts_g: tuple[float, ...]) -> tuple[float, ...]:
        """Return amounts that change less than these and meet the aims too, or these where none are found."""
        times = np.array(amounts_g)[self.free] / self.own_g[self.free]
        found = self._search(times)
        closer = self.change(found) < self.change(times) and not self.missed(self.amounts(found))
        return tuple(self.amounts(found)) if closer else amounts_g

    def _search(self, start: FloatArray) -> FloatArray:
        from scipy.optimize import minimize  # loaded when something is first balanced: it is large

        equal, bound = self.is_equal, ~self.is_equal
        constraints: list[dict[str, Any]] = []
        if equal.any():
            constraints.append(
                {
                    "type": "eq",
                    "fun": lambda times: self.gaps(times)[equal],
                    "jac": lambda times: self.slopes(times)[equal],
                }
            )
        if bound.any():
            signs = self.signs[bound]
            constraints.append(
                {
                    "type": "ineq",
                    "fun": lambda times: signs * self.gaps(times)[bound],
                    "jac": lambda times: signs[:, None] * self.slopes(times)[bound],
                }
            )
        watch = Watch(start)
        try:
            found = minimize(
                self.change,
                start,
                jac=self.change_slope,
                method="SLSQP",
                bounds=self._bounds(),
                constraints=[*constraints, *self._limits_as_constraints()],
                options={"maxiter": MOST_ROUNDS, "ftol": ACCURACY},
                callback=watch,
            )
        except StandsStill:
            return self._within(watch.at)
        return self._within(found.x)

    def _limits_as_constraints(self) -> list[dict[str, Any]]:
        if not len(self.limits):
            return []

        def left(times: FloatArray) -> FloatArray:
            room: FloatArray = self.limits @ times + self.limits_at_0
            return room

        return [{"type": "ineq", "fun": left, "jac": lambda _: self.limits}]

    def nearest(self) -> tuple[float, ...]:
        """Return the amounts that miss the aims least, near to the recipe's own."""
        if self._nearest is None:
            self._nearest = self._find_nearest() if len(self.free) else tuple(self.own_g.tolist())
        return self._nearest

    def _find_nearest(self) -> tuple[float, ...]:
        from scipy.optimize import minimize  # as above

        def counted(times: FloatArray) -> FloatArray:
            gaps = self.gaps(times)
            return np.where(self.is_equal, gaps, np.where(self.signs > 0, np.minimum(gaps, 0), np.maximum(gaps, 0)))

        def miss(times: FloatArray) -> float:
            return float(counted(times) @ counted(times)) + NEAREST_PULL * self.change(times)

        def miss_slope(times: FloatArray) -> FloatArray:
            slope: FloatArray = 2 * counted(times) @ self.slopes(times) + NEAREST_PULL * self.change_slope(times)
            return slope

        found = minimize(
            miss,
            self._start(1.0),
            jac=miss_slope,
            method="SLSQP",
            bounds=self._bounds(),
            constraints=self._limits_as_constraints(),
            options={"maxiter": MOST_ROUNDS, "ftol": ACCURACY},
        )
        return tuple(self.amounts(self._within(found.x)))

    def _within(self, times: FloatArray) -> FloatArray:
        low, high = np.array(self._bounds()).T
        clipped: FloatArray = np.clip(np.nan_to_num(times, nan=self.size), low, high)
        return clipped
