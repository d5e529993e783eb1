"""Balance: move what is not pinned until the aims are met, changing the recipe least; or say what stands in the way."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Final

from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.mass.set_index import index_at, is_water_free
from hearth_bowl.core.mass.split import offered_up_to
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.solve.aims import ROOM_C
from hearth_bowl.core.solve.problem import Problem, Reach

PACK_UNITS: Final = frozenset({"tin", "bar"})
SPLIT: Final = "split: fragile"
"""Named in the way where meeting the aims would make the emulsion fragile."""
STEPS_TO_CARE: Final = 5
"""Halvings of the way to a set index that would be fragile: within a thirtieth of the way. By definition."""
HELPS_BELOW: Final = 0.98
"""A pin whose release leaves more of the miss than this does not help. A judgement."""
WORSE: Final = 0.02
"""An aim missed by so much more of its miss than now is worse for it. Both judged."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Release:
    """What may be let go of, a pin ("pin: dark64") or an aim ("aim: ratio"), and what it brings.

    `suffices`: all other aims are then met, else it only helps. `missed_by` are the aims missed after it, the one that
    was let go of among them; `worsens` those that are then missed by more than now.
    """

    what: str
    suffices: bool
    missed_by: Mapping[str, float] = field(default_factory=dict)
    worsens: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Balance:
    """What was found. `missed_by` is empty where every aim is met; else `amounts_g` is the nearest there is.

    `in_the_way` names pins and aims ("pin: dark64", "aim: set_index"); `release` is what would help most, if anything.
    """

    feasible: bool
    amounts_g: tuple[float, ...]
    missed_by: Mapping[str, float] = field(default_factory=dict)
    in_the_way: tuple[str, ...] = ()
    release: Release | None = None


def balance(
    recipe: Recipe, wanted: Mapping[str, float], explain: bool = True, neighbours: Mapping[int, Reach] | None = None
) -> Balance:
    """Return the amounts nearest to a recipe's own that meet the aims, pins kept, and never fragile for a set index.

    Where only a fragile emulsion meets the set index, the nearest that stays in "care" is returned: not feasible, with
    "split" in the way. A ratio or a fat to water that is asked for by itself is the cook's own choice.

    :param explain: where it cannot be done, try which pin or aim stands in the way: many times the work.
    :param neighbours: by line, the least and most times its own grams that it may become: narrower than it else may.
    :raises BadInput: naming an aim that says nothing of this recipe.
    """
    found = _balance(recipe, wanted, explain, neighbours)
    limit = _care_limit(recipe, wanted, found.amounts_g)
    if limit is None:
        return found
    bounded = {**wanted, "fat_to_water_max": limit}
    held = next(Problem.by_rule(recipe, bounded, neighbours)).solve()
    if held is not None:
        return Balance(feasible=True, amounts_g=held)
    amounts_g = _as_near_as_care(recipe, bounded, neighbours) or recipe.amounts_g
    missed = Problem(recipe, wanted, is_water_free(mix(recipe))).missed(amounts_g)
    if not missed:
        return Balance(feasible=True, amounts_g=amounts_g)
    named = dict.fromkeys((SPLIT, *(f"aim: {name}" for name in missed), *found.in_the_way))
    return replace(found, feasible=False, amounts_g=amounts_g, missed_by=missed, in_the_way=tuple(named))


def _care_limit(recipe: Recipe, wanted: Mapping[str, float], amounts_g: Sequence[float]) -> float | None:
    """Return the fat to water that amounts for a set index should stay below and do not; None where all is well."""
    if "set_index" not in wanted or {"ratio", "fat_to_water_max"} & set(wanted):
        return None
    return offered_up_to(recipe, mix(recipe), mix(recipe.with_amounts_g(amounts_g)))


def _as_near_as_care(
    recipe: Recipe, bounded: Mapping[str, float], neighbours: Mapping[int, Reach] | None
) -> tuple[float, ...] | None:
    """Return the amounts with the set index nearest to what is wanted that meet all other aims, None without any."""
    low, high = index_at(mix(recipe), bounded.get("at_c", ROOM_C)), bounded["set_index"]
    best = None
    for _ in range(STEPS_TO_CARE):
        middle = (low + high) / 2
        problem = next(Problem.by_rule(recipe, {**bounded, "set_index": middle}, neighbours))
        found = problem.solve()
        low, high = (low, middle) if found is None else (middle, high)
        best = found or best
    return best


def _balance(
    recipe: Recipe, wanted: Mapping[str, float], explain: bool, neighbours: Mapping[int, Reach] | None
) -> Balance:
    """Return the amounts nearest to a recipe's own that meet the aims, whatever they make of its emulsion.

    Of all answers the one with the least sum of (change in g)² over the line's own grams, each line weighted by how
    much a cook minds: with the mass as the only aim everything scales alike. Sequential quadratic programming
    (D. Kraft, 1988, as in scipy); what it returns is measured again and meets the aims, or it is not called feasible.
    """
    tried = []
    for problem in Problem.by_rule(recipe, wanted, neighbours):
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
) -> tuple[tuple[str, ...], Release | None]:
    """Return the pins and aims without which it could be done (all pins where no single one helps), and the best."""
    pins = [p for p, line in enumerate(recipe.lines) if line.pinned and recipe.amounts_g[p] > 0]
    aims = [name for name in wanted if name != "at_c"]
    freeing = [p for p in pins if _solved(_without_pin(recipe, p), wanted)]
    named = [f"pin: {recipe.lines[p].ingredient.label}" for p in freeing or pins]
    without = {name: _solved(recipe, _without(wanted, name)) for name in aims if len(aims) > 1}
    dropping = {name: found for name, found in without.items() if found is not None}
    named += [f"aim: {name}" for name in aims if name in missed or name in dropping]
    if freeing:
        return tuple(named), Release(what=named[0], suffices=True)
    if dropping:
        return tuple(named), _best_aim(recipe, wanted, missed, dropping)
    return tuple(named), _best_pin(recipe, wanted, missed, pins)


def _solved(recipe: Recipe, wanted: Mapping[str, float]) -> tuple[float, ...] | None:
    for problem in Problem.by_rule(recipe, wanted):
        found = problem.solve()
        if found is not None:
            return found if _care_limit(recipe, wanted, found) is None else None
    return None


def _without(wanted: Mapping[str, float], name: str) -> dict[str, float]:
    return {other: value for other, value in wanted.items() if other != name}


def _best_aim(
    recipe: Recipe, wanted: Mapping[str, float], missed: Mapping[str, float], dropping: Mapping[str, tuple[float, ...]]
) -> Release:
    """Return the aim to let go of that is then missed least."""
    whole = next(Problem.by_rule(recipe, wanted))
    name = min(dropping, key=lambda name: whole.miss(dropping[name]))
    return _release(f"aim: {name}", missed, whole.missed(dropping[name]), suffices=True)


def _best_pin(
    recipe: Recipe, wanted: Mapping[str, float], missed: Mapping[str, float], pins: Sequence[int]
) -> Release | None:
    """Return the pin without which the aims are missed least, of those that harm none if there is one."""
    whole = next(Problem.by_rule(recipe, wanted))
    now = whole.miss(whole.nearest())
    found = []
    for position in pins:
        problem = next(Problem.by_rule(_without_pin(recipe, position), wanted))
        nearest = problem.nearest()
        release = _release(f"pin: {recipe.lines[position].ingredient.label}", missed, problem.missed(nearest))
        found.append((bool(release.worsens), problem.miss(nearest), position, release))
    best = min(found, default=None, key=lambda row: row[:3])
    return best[3] if best is not None and best[1] < now * HELPS_BELOW else None


def _release(what: str, before: Mapping[str, float], after: Mapping[str, float], suffices: bool = False) -> Release:
    worsens = tuple(name for name, by in after.items() if by > before.get(name, 0.0) * (1 + WORSE) + 1e-9)
    return Release(what=what, suffices=suffices, missed_by=after, worsens=worsens)


def _without_pin(recipe: Recipe, position: int) -> Recipe:
    lines = list(recipe.lines)
    lines[position] = replace(lines[position], pinned=False)
    return replace(recipe, lines=tuple(lines))
