"""Doses: what is added to the mass in the bowl to mend it, so that reckoned again it is what was aimed at."""

from dataclasses import dataclass, replace
from math import fsum
from typing import Final

from hearth_bowl.core.diagnose.bowl import Bowl
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.geometry.numbers import crossing
from hearth_bowl.core.ingredients.attributes import is_milk
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.boiling import cook_to_water_pct
from hearth_bowl.core.mass.little_water import DARK_COCOA_PCT, RESCUE_SHARE, RESCUE_SHARE_DARK, cocoa_pct, is_nut_paste
from hearth_bowl.core.mass.mixture import Mixture, mix
from hearth_bowl.core.mass.set_index import index_at
from hearth_bowl.core.mass.split import RESCUE_TARGET, rescue_g
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.recipe import Line, Recipe, checked_recipe

NEAR: Final = 0.002  # a judgement
MOST_SHARE: Final = 1.5
"""No dose is more than one and a half times the mass that it mends. A limit, by definition."""
LEAST_G: Final = 0.5  # a judgement
LEAST_SHARE: Final = 0.005
"""A dose of less than that of the mass changes nothing that can be seen. A judgement."""
DISSOLVES_PCT: Final = 75.0
"""Sugar and water: a grained mass dissolves again when so much of both is sugar, well under 100 °C (section B).
A judgement."""
EATEN_C: Final = 20.0  # common practice
DOCTORS: Final = ("glucose", "fructose", "maltose", "higher")
DOCTOR_SHARE: Final = 0.1
"""Glucose syrup and invert of all sugar that keep a caramel from graining: usual practice, 8 to 15 %."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Dose:
    """An ingredient and its grams for the mass in the bowl."""

    ingredient: Ingredient
    g: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Cook:
    """Water to add [g], the end of the boil then [°C], and how much boils off [g]."""

    add_g: float
    to_c: float
    off_g: float


def unsplit(bowl: Bowl) -> Dose | None:
    """Return the milk that brings fat to water of what is in the bowl to 1.8: x = (F - t W)/(t w - f).

    None where nothing can split, or there is water enough.
    """
    ratio, now = bowl.fat_to_water, bowl.now.binder
    if ratio is None or ratio <= RESCUE_TARGET:
        return None
    milk = _milk_of(bowl.made) or find("milk_whole")
    share = milk.composition_pct
    grams = rescue_g(now.fat_g, now.grams["water"], share["water"] / 100, share["milk_fat"] / 100)
    return _dose(bowl, milk, grams if grams and grams >= LEAST_SHARE * bowl.mass_g else None)


def unseize(bowl: Bowl) -> Dose | None:
    """Return the least liquid that makes a ganache of seized chocolate: 0.20 g of water to 1 g of it, 0.28 above 60 %
    cocoa, the water that is in it taken off. None without chocolate or nut paste."""
    base = [
        (line, grams)
        for line, grams in bowl.recipe.weighed
        if line.ingredient.kind in CHOCOLATE_KINDS or is_nut_paste(line.ingredient)
    ]
    if not base:
        return None
    liquid = first_liquid(bowl.made) or find("milk_whole")
    wet = (liquid.composition_pct["water"] + 0.5 * liquid.composition_pct["ethanol"]) / 100
    wanted = RESCUE_SHARE_DARK if cocoa_pct(bowl.recipe) > DARK_COCOA_PCT else RESCUE_SHARE
    base_g = fsum(grams for _, grams in base)
    wet_g = fsum(
        grams * (line.ingredient.composition_pct["water"] + 0.5 * line.ingredient.composition_pct["ethanol"]) / 100
        for line, grams in bowl.recipe.weighed
        if line.ingredient.kind not in (*CHOCOLATE_KINDS, "butter") and not is_nut_paste(line.ingredient)
    )
    return _dose(bowl, liquid, bowl.share * (wanted * base_g - wet_g) / wet)


def firmer(bowl: Bowl) -> Dose | None:
    """Return the chocolate that brings what is in the bowl to the set index of its use."""
    chocolate = _heaviest(bowl.made, tuple(CHOCOLATE_KINDS)) or find("dark60")
    return _to_index(bowl, chocolate, rises=True)


def softer(bowl: Bowl) -> Dose | None:
    """Return the liquid that brings what is in the bowl to the set index of its use: the recipe's own where it has
    one."""
    liquid = _heaviest(bowl.made, ("cream", "condensed-milk")) or first_liquid(bowl.made) or find("cream35")
    return _to_index(bowl, liquid, rises=False)


def watered_back(bowl: Bowl) -> Dose | None:
    """Return the water that it boiled away, where that is known."""
    lost_g = bowl.facts.water_lost_g
    return None if not lost_g or bowl.is_cooked else _dose(bowl, find("water"), lost_g * bowl.share)


def cook_again(bowl: Bowl, dissolve: bool, besides: Dose | None = None) -> Cook | None:
    """Return how a cooked mass comes to the water that is aimed at: the water to add first, and the end of its boil.

    :param dissolve: all of its sugar is to dissolve again first.
    :param besides: what else goes in, such as glucose syrup.
    """
    now, kpa = bowl.now, bowl.kitchen.pressure_kpa
    end_g = bowl.aimed_water_g
    dry_g = bowl.mass_g - now.grams["water"] - now.grams["ethanol"]
    end_pct = 100 * end_g / (end_g + dry_g)
    if besides is not None:
        now = mixed_in(bowl, besides)
        end_g = (now.mass_g - now.grams["water"] - now.grams["ethanol"]) * end_pct / (100 - end_pct)
    water_g = now.grams["water"]
    start_g = water_g
    if dissolve:
        start_g = max(start_g, now.sugars_g * (100 - DISSOLVES_PCT) / DISSOLVES_PCT)
    elif end_g > water_g:
        start_g = end_g
    grams = {**now.grams, "water": start_g}
    try:
        cooked = cook_to_water_pct(replace(now, grams=grams), end_pct, kpa)
    except BadInput:
        return None
    return Cook(add_g=start_g - water_g, to_c=cooked.to_c, off_g=max(0.0, start_g - end_g))


def doctored(bowl: Bowl) -> Dose | None:
    """Return the glucose syrup that keeps a boiled mass from graining again; None where it has enough, or its own."""
    sugars_g = bowl.now.sugars_g
    doctor_g = sum(bowl.now.grams[name] for name in DOCTORS)
    short_g = DOCTOR_SHARE * sugars_g - doctor_g
    syrup = find("glucose_syrup40")
    dry_share = sum(syrup.composition_pct[name] for name in DOCTORS) / 100
    return _dose(bowl, syrup, short_g / (dry_share - DOCTOR_SHARE) if short_g > 0 else None)


def first_liquid(recipe: Recipe) -> Ingredient | None:
    """Return the liquid of a recipe that there is most of."""
    found = [(grams, line.ingredient) for line, grams in recipe.weighed if line.ingredient.liquid]
    return max(found, key=lambda row: row[0])[1] if found else None


def mixed_in(bowl: Bowl, dose: Dose) -> Mixture:
    """Return the mass with a dose in it."""
    return bowl.now.plus(_grams_of(dose.ingredient, dose.g))


def _to_index(bowl: Bowl, ingredient: Ingredient, rises: bool) -> Dose | None:
    aim, index = bowl.aim, bowl.index
    if aim is None or index is None or (index >= aim) == rises:
        return None
    one, now = _grams_of(ingredient, 1.0), bowl.now

    def off(grams: float) -> float:
        return index_at(now.plus(one, grams), EATEN_C) - aim

    return _dose(bowl, ingredient, crossing(off, 0.0, MOST_SHARE * bowl.mass_g, NEAR))


def _dose(bowl: Bowl, ingredient: Ingredient, grams: float | None) -> Dose | None:
    if grams is None or grams < LEAST_G * min(1.0, bowl.mass_g / 100) or grams > MOST_SHARE * bowl.mass_g:
        return None
    return Dose(ingredient=ingredient, g=grams)


def _grams_of(ingredient: Ingredient, grams: float) -> Mixture:
    line = Line(ingredient=ingredient, amount=grams)
    return mix(checked_recipe(name="dose", family="filling", use=None, lines=[line]))


def _milk_of(recipe: Recipe) -> Ingredient | None:
    """Return the recipe's own milk, the leanest first: what mends a split mass best; None where it has none."""
    milks = [
        line.ingredient
        for line, _ in recipe.weighed
        if is_milk(line.ingredient.composition_pct, line.ingredient.allergens)
    ]
    return min(milks, key=lambda milk: milk.composition_pct["milk_fat"], default=None)


def _heaviest(recipe: Recipe, kinds: tuple[str, ...]) -> Ingredient | None:
    found = [(grams, line.ingredient) for line, grams in recipe.weighed if line.ingredient.kind in kinds]
    return max(found, key=lambda row: row[0])[1] if found else None
