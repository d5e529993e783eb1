"""Cooking: which part of a recipe is boiled, to what temperature in this kitchen, and what is left of it."""

from dataclasses import dataclass, replace
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.boiling import SEA_LEVEL_KPA, Boiling, Cooked, boil, boiling_solutes, cook_to
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import Mixture, mix, mix_lines
from hearth_bowl.core.mass.sugar_stages import same_solids_c
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.recipe import Recipe

SEA_LEVEL_TARGET_C: Final = MappingProxyType({"boiled-fudge": 115.0, "simmered-fudge": 109.0, "fondant": 117.0})
"""End temperatures at sea level: soft ball for fudge, a simmer of some minutes, firm for fondant. Common practice."""
COOKED_DOWN: Final = frozenset({"boiled-fudge", "simmered-fudge"})
"""Families of which nothing is left as it was weighed in: their readings are of the finished mass."""
BOILED_STAGES: Final = frozenset({"warm", "boil", ""})
ETHANOL_KCAL_PER_G: Final = 7.0


@dataclass(frozen=True, slots=True, kw_only=True)
class CookPlan:
    """How the pan boils now, and what is left at the usual end; `sea_level_c` is that end at sea level."""

    now: Boiling
    cooked: Cooked
    sea_level_c: float


def cooked_part(recipe: Recipe) -> Mixture:
    """Return what is in the pan at the boil: what goes in warm or to boil, the chocolate left out."""
    positions = [
        position
        for position, line in enumerate(recipe.lines)
        if line.stage in BOILED_STAGES and line.ingredient.kind not in CHOCOLATE_KINDS
    ]
    return mix_lines(recipe, positions)


def cook_to_same_solids(pan: Mixture, sea_level_c: float, kpa: float) -> Cooked:
    """Return what is left when the pan is as far as at `sea_level_c` at sea level: the same solids, fewer degrees.

    :raises BadInput: at `sea_level_c`: under its boiling point there, or beyond the formula.
    """
    try:
        cook_to(pan, sea_level_c, SEA_LEVEL_KPA)
    except BadInput as problem:
        raise BadInput(("sea_level_c",), problem.message, problem.allowed, problem.code) from None
    return cook_to(pan, same_solids_c(sea_level_c, kpa, boiling_solutes(pan)), kpa)


def cook_plan(recipe: Recipe, kitchen: Kitchen) -> CookPlan:
    """Return the plan of a boiled family in a kitchen: the same solids as at sea level, whatever the altitude.

    :raises BadInput: where it cannot boil, or boils higher than its end already.
    """
    pan, kpa = cooked_part(recipe), kitchen.pressure_kpa
    sea_level_c = SEA_LEVEL_TARGET_C[recipe.family]
    return CookPlan(now=boil(pan, kpa), cooked=cook_to_same_solids(pan, sea_level_c, kpa), sea_level_c=sea_level_c)


def plan_or_none(recipe: Recipe, kitchen: Kitchen) -> CookPlan | None:
    """Return the plan of a family that is cooked down, or None where there is none."""
    if recipe.family not in COOKED_DOWN:
        return None
    try:
        return cook_plan(recipe, kitchen)
    except BadInput:
        return None


def finished(recipe: Recipe, cooked: Cooked) -> Mixture:
    """Return the mass as it is eaten: less what boils off."""
    mixture = mix(recipe)
    ethanol_g = cooked_part(recipe).grams["ethanol"]
    grams = dict(mixture.grams)
    grams["ethanol"] -= ethanol_g
    grams["water"] -= cooked.evaporated_g - ethanol_g
    return replace(mixture, grams=grams, energy_kcal=mixture.energy_kcal - ETHANOL_KCAL_PER_G * ethanol_g)


def finished_or_none(recipe: Recipe, kitchen: Kitchen, to_c: float | None = None) -> Mixture | None:
    """Return the mass as it is eaten where something boils off, or None where nothing does.

    :param to_c: an end of the boil in this kitchen [°C]; without it the usual one of a family that is cooked down.
    :raises BadInput: at `to_c` when it cannot be cooked to that.
    """
    if to_c is not None:
        return finished(recipe, cook_to(cooked_part(recipe), to_c, kitchen.pressure_kpa))
    plan = plan_or_none(recipe, kitchen)
    return None if plan is None else finished(recipe, plan.cooked)
