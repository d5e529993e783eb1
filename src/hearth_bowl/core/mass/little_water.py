"""Little water in melted chocolate or nut paste: it seizes, turns to a stiff dough, or becomes a ganache."""

from dataclasses import dataclass
from math import fsum
from typing import Final, Literal

from hearth_bowl.core.ingredients.attributes import OILY_GROUPS
from hearth_bowl.core.ingredients.components import FATS, SUGARS
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.recipe.pieces import is_piece
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS, kind_g
from hearth_bowl.core.recipe.recipe import Line, Recipe

Zone = Literal["seized", "may-seize", "dough"]
FAMILIES: Final = frozenset(
    {"cream-ganache", "whipped-ganache", "butter-ganache", "nut-paste", "sugar-butter", "filling"}
)
"""Families in which chocolate or nut paste is melted and meets water without an emulsion of its own."""
PASTE_FAT_PCT: Final = 25.0  # a judgement
PASTE_WATER_PCT: Final = 5.0  # a judgement
FREE_FAT_PCT: Final = 90.0
"""Fat from which an ingredient is free fat: cocoa butter, oil, clarified butter. A judgement."""
FREE_FAT_SHARE: Final = 0.30
"""Butter, cocoa butter or oil of that share of the chocolate keep drops from sticking its sugar together.
Handbook, section D."""
SEIZES_FROM: Final = 0.003  # common practice
SEIZES_FROM_WITH_FAT: Final = 0.02  # common practice
THICK_FROM: Final = 0.10  # common practice
GANACHE_FROM: Final = 0.15  # common practice
DOUGH_FROM, DOUGH_TO = 0.02, 0.25  # common practice
SYRUP_WATER_PCT: Final = 15.0  # common practice
RESCUE_SHARE: Final = 0.20  # common practice
RESCUE_SHARE_DARK: Final = 0.28  # common practice
DARK_COCOA_PCT: Final = 60.0
"""Limits of practice: at least a tablespoon of liquid to 60 g of chocolate up to 60 % cocoa, half as much again above
(fair for dark, weak for the rest)."""


@dataclass(frozen=True, slots=True, kw_only=True)
class LittleWater:
    """Where a mass stands: `share` g of water to 1 g of chocolate and nut paste; what mends it [g of water]."""

    zone: Zone
    share: float
    rescue_water_g: float


def little_water(recipe: Recipe) -> LittleWater | None:
    """Return the zone of little water that a mass is in, or None where there is none to fear."""
    if recipe.family not in FAMILIES or kind_g(recipe, "condensed-milk") > 0:
        return None
    pastes_g = fsum(grams for line, grams in recipe.weighed if is_nut_paste(line.ingredient))
    base_g = kind_g(recipe, *CHOCOLATE_KINDS) + pastes_g
    if base_g <= 0:
        return None
    wet_g = fsum(grams * _wet_share(line.ingredient) for line, grams in _thinning(recipe))
    share = wet_g / base_g
    is_paste = pastes_g > base_g - pastes_g
    zone = _dough(recipe, wet_g, base_g) if is_paste else _seizing(recipe, share, base_g)
    if zone is None:
        return None
    wanted = RESCUE_SHARE_DARK if cocoa_pct(recipe) > DARK_COCOA_PCT else RESCUE_SHARE
    return LittleWater(zone=zone, share=share, rescue_water_g=max(0.0, wanted * base_g - wet_g))


def rescue_g(mended: LittleWater, liquid: Ingredient) -> float:
    """Return the grams of a liquid, warm and all at once, that make a ganache of a seized mass."""
    return mended.rescue_water_g / _wet_share(liquid)


def is_nut_paste(ingredient: Ingredient) -> bool:
    """Return whether an ingredient is a nut or seed paste."""
    composition = ingredient.composition_pct
    return (
        not OILY_GROUPS.isdisjoint(ingredient.allergens)
        and not ingredient.own_body
        and ingredient.kind not in CHOCOLATE_KINDS
        and composition["other_fat"] >= PASTE_FAT_PCT
        and composition["water"] < PASTE_WATER_PCT
    )


def _thinning(recipe: Recipe) -> list[tuple[Line, float]]:
    return [
        (line, grams)
        for line, grams in recipe.weighed
        if line.ingredient.kind not in (*CHOCOLATE_KINDS, "butter")
        and not is_nut_paste(line.ingredient)
        and not is_piece(recipe, line)
    ]


def _wet_share(ingredient: Ingredient) -> float:
    return (ingredient.composition_pct["water"] + 0.5 * ingredient.composition_pct["ethanol"]) / 100


def _seizing(recipe: Recipe, share: float, base_g: float) -> Zone | None:
    free_g = fsum(
        grams * (line.ingredient.composition_pct["milk_fat"] / 100 if line.ingredient.kind == "butter" else 1.0)
        for line, grams in recipe.weighed
        if line.ingredient.kind == "butter" or _is_free_fat(line.ingredient)
    )
    least = SEIZES_FROM_WITH_FAT if free_g >= FREE_FAT_SHARE * base_g else SEIZES_FROM
    if share <= least or share > GANACHE_FROM:
        return None
    return "seized" if share <= THICK_FROM else "may-seize"


def _is_free_fat(ingredient: Ingredient) -> bool:
    parts = ingredient.composition_pct
    return not ingredient.is_chocolate and sum(parts[name] for name in FATS) >= FREE_FAT_PCT


def _dough(recipe: Recipe, wet_g: float, base_g: float) -> Zone | None:
    sugars_g = fsum(
        grams * sum(line.ingredient.composition_pct[name] for name in SUGARS) / 100
        for line, grams in _thinning(recipe)
        if line.ingredient.composition_pct["water"] >= SYRUP_WATER_PCT
    )
    return "dough" if DOUGH_FROM <= (wet_g + sugars_g) / base_g <= DOUGH_TO else None


def cocoa_pct(recipe: Recipe) -> float:
    """Return the label's cocoa of all chocolate together [%]."""
    chocolate = [(line.ingredient, grams) for line, grams in recipe.weighed if line.ingredient.kind == "chocolate"]
    total_g = fsum(grams for _, grams in chocolate)
    parts = ("cocoa_butter", "cocoa_nonfat", "water")
    cocoa_g = fsum(grams * sum(row.composition_pct[name] for name in parts) for row, grams in chocolate)
    return cocoa_g / total_g if total_g > 0 else 0.0
