"""Cooking: which part of a recipe is boiled, to what temperature in this kitchen, and what is left of it."""

from dataclasses import dataclass, replace
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.mass.boiling import (
    SEA_LEVEL_KPA,
    Boiling,
    Cooked,
    boil,
    boiling_solutes,
    cook_to,
    cook_to_water_pct,
    solids_g,
)
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import Mixture, mix, mix_lines
from hearth_bowl.core.mass.sugar_stages import same_solids_c
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.recipe import Line, Recipe
from hearth_bowl.core.recipe.steps import middle

FINISHED_WATER_PCT: Final = MappingProxyType(
    {
        "fudge": 12.5, "fondant": 12.0, "condensed-milk": 20.0, "caramel": 8.5, "flowing-caramel": 16.0, "jelly": 24.0,
        "marshmallow": 15.0, "nougat": 8.5, "hard": 2.5,
    }
)  # fmt: skip
"""Water in what is left at the end of the boil, by what it is. Typical values, fair. Source: boil-practice."""
KIND_OF_FAMILY: Final = MappingProxyType(
    {
        "boiled-fudge": "fudge", "simmered-fudge": "fudge", "fondant": "fondant", "fruit-jelly": "jelly",
        "hard-sugar": "hard",
    }
)  # fmt: skip
FLOWING_USES: Final = frozenset({"fill-shell", "pipe", "pour", "dollop", "glaze"})
"""Uses for which a caramel flows: it is cooked to more water. Source: boil-practice."""
CONDENSED_SHARE: Final = 0.5  # handbook, section C
SUGAR_FROM_PCT: Final = 80.0
"""Sucrose from which an ingredient is a sugar: brown and palm sugars hold 80 to 97 %. Food tables."""
LITTLE_SUGAR_SHARE: Final = 0.1
"""A mass of half condensed milk and hardly any sugar besides is cooked until it leaves the pan. Handbook, section C."""
SYRUP_SHARE: Final = 0.3
"""What is boiled is boiled down where so much of it is sugar; cream is only brought to the boil. A judgement."""
NEAR_END_K: Final = 2.0  # handbook, section C
COOKED_DOWN: Final = frozenset({"boiled-fudge", "simmered-fudge", "caramel", "fruit-jelly", "aerated", "hard-sugar"})
"""Families of which nothing is left as it was weighed: their readings are of the finished mass."""
BOILED_STAGES: Final = frozenset({"warm", "boil", ""})
BOIL: Final = "boil"
"""The act in which it is boiled down, and its kind."""
ETHANOL_KCAL_PER_G: Final = 7.0  # source: eu-1169


@dataclass(frozen=True, slots=True, kw_only=True)
class CookPlan:
    """How the pan boils now, what is left at its end (a water content), and where that end is at sea level."""

    now: Boiling
    cooked: Cooked
    sea_level_c: float
    water_pct: float

    @property
    def is_dry_already(self) -> bool:
        """Return whether there is nothing to boil off: heat it only until it is smooth."""
        return self.cooked.evaporated_g <= 0

    @property
    def is_soon_there(self) -> bool:
        """Return whether it ends hardly above its start, where one degree is 1 to 2 % of water."""
        return not self.is_dry_already and self.cooked.to_c - self.now.boiling_c < NEAR_END_K


def is_cooked_down(recipe: Recipe) -> bool:
    """Return whether something of a recipe is boiled down: its family is, or a syrup stands in its boil stage."""
    return recipe.family in COOKED_DOWN or bool(_syrup_positions(recipe))


def cooked_part(recipe: Recipe) -> Mixture:
    """Return what is in the pan at the boil: a syrup, or all that goes in warm or to boil, without chocolate."""
    return mix_lines(recipe, cooked_positions(recipe))


def cooked_positions(recipe: Recipe) -> list[int]:
    """Return the positions of the lines that are in the pan at the boil.

    Chocolate is left out; so are pieces without a stage, and in what is whipped its gelatine and its egg.
    """
    syrup = [] if recipe.family in COOKED_DOWN else _syrup_positions(recipe)
    return syrup or [position for position, line in enumerate(recipe.lines) if _is_in_pan(recipe.family, line)]


def _is_in_pan(family: str, line: Line) -> bool:
    ingredient = line.ingredient
    if line.stage not in BOILED_STAGES or ingredient.is_chocolate:
        return False
    if family in ("caramel", "fruit-jelly", "hard-sugar", "aerated") and ingredient.own_body and line.stage != "boil":
        return False
    return family != "aerated" or not (ingredient.gelatine or "egg" in ingredient.allergens)


def _syrup_positions(recipe: Recipe) -> list[int]:
    positions = [
        position
        for position, line in enumerate(recipe.lines)
        if line.stage == "boil" and line.ingredient.kind not in CHOCOLATE_KINDS
    ]
    if not positions:
        return []
    pan = mix_lines(recipe, positions)
    return positions if pan.mass_g > 0 and solids_g(pan) >= SYRUP_SHARE * pan.mass_g else []


def finished_water_pct(recipe: Recipe) -> float:
    """Return how much of what is left is water at the usual end of a recipe's boil [%]."""
    return FINISHED_WATER_PCT[cooked_kind(recipe)]


def cooked_kind(recipe: Recipe) -> str:
    """Return what a recipe that is boiled becomes, a key of `FINISHED_WATER_PCT`."""
    pan_g = cooked_part(recipe).mass_g
    condensed_g = sum(grams for line, grams in recipe.weighed if line.ingredient.kind == "condensed-milk")
    sugar_g = sum(grams for line, grams in recipe.weighed if _is_sugar(line.ingredient))
    if pan_g > 0 and condensed_g >= CONDENSED_SHARE * pan_g and sugar_g <= LITTLE_SUGAR_SHARE * pan_g:
        return "condensed-milk"
    if recipe.family == "aerated":
        return "marshmallow" if is_marshmallow(recipe) else "nougat"
    return KIND_OF_FAMILY.get(recipe.family, "flowing-caramel" if flows(recipe) else "caramel")


def is_marshmallow(recipe: Recipe) -> bool:
    """Return whether a whipped syrup is set by gelatine, or holds no egg: else it is a nougat."""
    weighed = [line.ingredient for line, _ in recipe.weighed]
    return any(one.gelatine for one in weighed) or not any("egg" in one.allergens for one in weighed)


def flows(recipe: Recipe) -> bool:
    """Return whether a caramel is cooked to flow, by what it is for."""
    return recipe.family == "caramel" and recipe.use in FLOWING_USES


def _is_sugar(ingredient: Ingredient) -> bool:
    return ingredient.composition_pct["sucrose"] >= SUGAR_FROM_PCT


def as_made(recipe: Recipe) -> Mixture:
    """Return the mass as it is eaten: after its boil to the usual end, where it has one.

    The same water is left at any altitude, so no kitchen is asked. What cannot boil is as it was weighed.
    """
    if not is_cooked_down(recipe):
        return mix(recipe)
    if has_own_end(recipe):
        return finished_or_none(recipe, Kitchen()) or mix(recipe)
    pan = cooked_part(recipe)
    grams, water_pct = pan.grams, finished_water_pct(recipe)
    left_g = (pan.mass_g - grams["water"] - grams["ethanol"]) * water_pct / (100 - water_pct)
    if solids_g(pan) <= 0 or not 0 < left_g < grams["water"]:
        return mix(recipe)
    return _less(mix(recipe), grams["water"] - left_g, grams["ethanol"])


def cook_to_same_solids(pan: Mixture, sea_level_c: float, kpa: float) -> Cooked:
    """Return what is left when the pan is as far as at `sea_level_c` at sea level: the same solids, fewer degrees.

    :raises BadInput: at `sea_level_c`: under its boiling point there, or beyond the formula.
    """
    try:
        cook_to(pan, sea_level_c, SEA_LEVEL_KPA)
    except BadInput as problem:
        raise BadInput(("sea_level_c",), problem.message, problem.allowed, problem.code) from None
    return cook_to(pan, same_solids_c(sea_level_c, kpa, boiling_solutes(pan)), kpa)


def has_own_end(recipe: Recipe) -> bool:
    """Return whether a recipe ends its boil elsewhere than usual: by its card, or shifted after a batch."""
    return bool(recipe.end_shift_k) or card_end_c(recipe) is not None


def card_end_c(recipe: Recipe) -> float | None:
    """Return the end of a boil by a recipe's own steps [true °C at sea level]; None where they name none."""
    ends = [middle(step.to_c) for step in recipe.steps if step.kind == BOIL or (step.place and step.act == BOIL)]
    return next((end for end in reversed(ends) if end is not None), None)


def without_own_end(recipe: Recipe) -> Recipe:
    """Return a recipe that ends its boil at the usual water of its kind."""
    return replace(recipe, end_shift_k=0.0, steps=())


def _card_water_pct(recipe: Recipe, pan: Mixture) -> float | None:
    """Return the water that a card's end leaves [%]; None where it names none, or none that this pan reaches."""
    end_c = card_end_c(recipe)
    if end_c is None:
        return None
    try:
        found = cook_to(pan, end_c, SEA_LEVEL_KPA)
    except BadInput:
        return None
    return found.water_left_pct if found.evaporated_g > 0 else None


def cook_plan(recipe: Recipe, kitchen: Kitchen) -> CookPlan:
    """Return the plan of what is boiled down in a kitchen: the same water is left at any altitude.

    It ends where the card says, else at the usual water of its kind; both moved by what the recipe shifts its end.

    :raises BadInput: where it cannot boil.
    """
    pan, kpa = cooked_part(recipe), kitchen.pressure_kpa
    water_pct = finished_water_pct(recipe)
    if has_own_end(recipe):
        card_pct = _card_water_pct(recipe, pan)
        water_pct = water_pct if card_pct is None else card_pct
        if recipe.end_shift_k:
            sea_level_c = cook_to_water_pct(pan, water_pct, SEA_LEVEL_KPA).to_c + recipe.end_shift_k
            water_pct = cook_to(pan, sea_level_c, SEA_LEVEL_KPA).water_left_pct
    cooked = cook_to_water_pct(pan, water_pct, kpa)
    at_sea_level = cooked if kpa == SEA_LEVEL_KPA else cook_to_water_pct(pan, water_pct, SEA_LEVEL_KPA)
    return CookPlan(now=boil(pan, kpa), cooked=cooked, sea_level_c=at_sea_level.to_c, water_pct=water_pct)


def plan_or_none(recipe: Recipe, kitchen: Kitchen) -> CookPlan | None:
    """Return the plan of what is boiled down, or None where nothing is."""
    if not is_cooked_down(recipe):
        return None
    try:
        return cook_plan(recipe, kitchen)
    except BadInput:
        return None


def finished(recipe: Recipe, cooked: Cooked) -> Mixture:
    """Return the mass as it is eaten: less what boils off."""
    ethanol_g = cooked_part(recipe).grams["ethanol"] if cooked.evaporated_g > 0 else 0.0
    return _less(mix(recipe), cooked.evaporated_g - ethanol_g, ethanol_g)


def _less(mixture: Mixture, water_g: float, ethanol_g: float) -> Mixture:
    grams = dict(mixture.grams)
    grams["water"] -= water_g
    grams["ethanol"] -= ethanol_g
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
