"""The ratios that cooks speak of: all chocolate in the bowl to all cream, condensed milk or butter."""

from dataclasses import dataclass
from math import fsum
from typing import Final

from hearth_bowl.core.recipe.recipe import Recipe

CHOCOLATE_KINDS: Final = frozenset({"chocolate", "compound"})
LIQUID_KINDS: Final = ("cream", "condensed-milk", "butter")
"""What chocolate is measured against, in the order in which a recipe's ratio is chosen."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Ratios:
    """Grams of chocolate and compound to 1 g of the kind named, or of all liquids; None where there is none of it."""

    chocolate_to_cream: float | None
    chocolate_to_liquid: float | None
    chocolate_to_condensed_milk: float | None
    chocolate_to_butter: float | None


def kind_g(recipe: Recipe, *kinds: str) -> float:
    """Return the grams of all lines of some kinds."""
    return fsum(grams for line, grams in recipe.weighed if line.ingredient.kind in kinds)


def chocolate_to(recipe: Recipe, kind: str) -> float | None:
    """Return chocolate and compound over one kind, or None without that kind."""
    liquid_g = kind_g(recipe, kind)
    return kind_g(recipe, *CHOCOLATE_KINDS) / liquid_g if liquid_g > 0 else None


def chocolate_to_liquid(recipe: Recipe) -> float | None:
    """Return chocolate and compound over every liquid but condensed milk, or None without any: what a cook means."""
    liquid_g = fsum(grams for line, grams in recipe.weighed if line.ingredient.liquid)
    return kind_g(recipe, *CHOCOLATE_KINDS) / liquid_g if liquid_g > 0 else None


def ratios(recipe: Recipe) -> Ratios:
    """Return the recipe's ratios."""
    return Ratios(
        chocolate_to_cream=chocolate_to(recipe, "cream"),
        chocolate_to_liquid=chocolate_to_liquid(recipe),
        chocolate_to_condensed_milk=chocolate_to(recipe, "condensed-milk"),
        chocolate_to_butter=chocolate_to(recipe, "butter"),
    )


def main_liquid(recipe: Recipe) -> str | None:
    """Return the kind that the recipe's ratio is measured against, or None where it has no ratio."""
    if kind_g(recipe, *CHOCOLATE_KINDS) <= 0:
        return None
    return next((kind for kind in LIQUID_KINDS if kind_g(recipe, kind) > 0), None)
