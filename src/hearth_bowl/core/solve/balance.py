"""Balance: move what is not pinned until the aims are met, changing the recipe least; or say what stands in the way."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Final

from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.solve.problem import Problem

PACK_UNITS: Final = frozenset({"tin", "bar"})


@dataclass(frozen=True, slots=True, kw_only=True)
class Balance:
    """What was found. `missed_by` is empty where every aim is met; else `amounts_g` is the nearest there is.

    `in_the_way` names pins and aims ("pin: dark64", "aim: set_index"); `release` is the one that would help most.
    """

    feasible: bool
    amounts_g: tuple[float, ...]
    missed_by: Mapping[str, float] = field(default_factory=dict)
    in_the_way: tuple[str, ...] = ()
    release: str | None = None


def balance(recipe: Recipe, wanted: Mapping[str, float], explain: bool = True) -> Balance:
    """Return the amounts nearest to a recipe's own that meet the aims, pins kept.

    Of all answers the one with the least sum of (change in g)² over the line's own grams, each line weighted by how
    much a cook minds: with the mass as the only aim everything scales alike. Sequential quadratic programming
    (D. Kraft, 1988, as in scipy); what it returns is measured again and meets the aims, or it is not called feasible.

    :param explain: where it cannot be done, try which pin or aim stands in the way: many times the work.
    :raises BadInput: naming an aim that says nothing of this recipe.
    """
    tried = []
    for problem in Problem.by_rule(recipe, wanted):
        found = problem.solve(thoroughly=True)
        if found is not None:
            return Balance(feasible=True, amounts_g=found)
        tried.append(problem)
    problem = min(tried, key=lambda one: one.miss(one.nearest()))
    nearest = problem.nearest()
    missed = problem.missed(nearest)
    if not explain:
        return Balance(feasible=False, amounts_g=nearest, missed_by=missed)
    in_the_way, release = _in_the_way(recipe, wanted, missed)
    return Balance(feasible=False, amounts_g=nearest, missed_by=missed, in_the_way=in_the_way, release=release)


def balance_to_whole_packs(recipe: Recipe, wanted: Mapping[str, float]) -> Balance:
    """Return a balance in which tins and bars come out whole: they are rounded and pinned, and the rest moves again.

    :raises BadInput: as `balance`.
    """
    found = balance(recipe, wanted)
    counted = [
        p
        for p, line in enumerate(recipe.lines)
        if line.unit in PACK_UNITS and not line.pinned and recipe.amounts_g[p] > 0
    ]
    if not found.feasible or not counted:
        return found
    lines, amounts_g = list(recipe.lines), list(found.amounts_g)
    for position in counted:
        line = lines[position]
        packs = max(1, round(amounts_g[position] / line.unit_g))
        lines[position] = replace(line, amount=float(packs), amount_high=None, pinned=True)
        amounts_g[position] = packs * line.unit_g
    whole = replace(recipe, lines=tuple(lines)).with_amounts_g(amounts_g)
    return balance(whole, wanted)


def _in_the_way(
    recipe: Recipe, wanted: Mapping[str, float], missed: Mapping[str, float]
) -> tuple[tuple[str, ...], str | None]:
    """Return the pins and aims without which it could be done (all pins where no single one helps), and the best."""
    pins = [p for p, line in enumerate(recipe.lines) if line.pinned and recipe.amounts_g[p] > 0]
    aims = [name for name in wanted if name != "at_c"]
    freeing = [p for p in pins if _could(_without_pin(recipe, p), wanted)]
    named = [f"pin: {recipe.lines[p].ingredient.label}" for p in freeing or pins]
    dropping = [name for name in aims if len(aims) > 1 and _could(recipe, _without(wanted, name))]
    named += [f"aim: {name}" for name in aims if name in missed or name in dropping]
    if freeing:
        return tuple(named), named[0]
    if dropping:
        return tuple(named), f"aim: {dropping[0]}"
    return tuple(named), _best_pin(recipe, wanted, pins)


def _could(recipe: Recipe, wanted: Mapping[str, float]) -> bool:
    return any(problem.solve() is not None for problem in Problem.by_rule(recipe, wanted))


def _without(wanted: Mapping[str, float], name: str) -> dict[str, float]:
    return {other: value for other, value in wanted.items() if other != name}


def _best_pin(recipe: Recipe, wanted: Mapping[str, float], pins: Sequence[int]) -> str | None:
    if not pins:
        return None
    left = {}
    for position in pins:
        problem = next(Problem.by_rule(_without_pin(recipe, position), wanted))
        left[position] = problem.miss(problem.nearest())
    best = min(left, key=lambda position: (left[position], position))
    return f"pin: {recipe.lines[best].ingredient.label}"


def _without_pin(recipe: Recipe, position: int) -> Recipe:
    lines = list(recipe.lines)
    lines[position] = replace(lines[position], pinned=False)
    return replace(recipe, lines=tuple(lines))
