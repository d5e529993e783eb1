"""The ratios that cooks speak of: all chocolate in the bowl to all cream, condensed milk or butter."""

from collections.abc import Iterable
from dataclasses import dataclass
from math import fsum
from typing import Final

from hearth_bowl.core.recipe.recipe import Line, Recipe

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
    return _over(kind_g(recipe, *CHOCOLATE_KINDS), kind_g(recipe, kind))


def chocolate_to_liquid(recipe: Recipe) -> float | None:
    """Return chocolate and compound over every liquid but condensed milk, or None without any: what a cook means."""
    return _over(kind_g(recipe, *CHOCOLATE_KINDS), _liquid_g(recipe.weighed))


def _over(chocolate_g: float, other_g: float) -> float | None:
    return chocolate_g / other_g if other_g > 0 else None


def _liquid_g(weighed: Iterable[tuple[Line, float]]) -> float:
    return fsum(grams for line, grams in weighed if line.ingredient.liquid)


def ratios(recipe: Recipe) -> Ratios:
    """Return the recipe's ratios."""
    weighed = recipe.weighed
    by_kind: dict[str, float] = {}
    for line, grams in weighed:
        by_kind[line.ingredient.kind] = by_kind.get(line.ingredient.kind, 0.0) + grams
    chocolate_g = sum(by_kind.get(kind, 0.0) for kind in CHOCOLATE_KINDS)
    return Ratios(
        chocolate_to_cream=_over(chocolate_g, by_kind.get("cream", 0.0)),
        chocolate_to_liquid=_over(chocolate_g, _liquid_g(weighed)),
        chocolate_to_condensed_milk=_over(chocolate_g, by_kind.get("condensed-milk", 0.0)),
        chocolate_to_butter=_over(chocolate_g, by_kind.get("butter", 0.0)),
    )


def main_liquid(recipe: Recipe) -> str | None:
    """Return the kind that the recipe's ratio is measured against, or None where it has no ratio."""
    if kind_g(recipe, *CHOCOLATE_KINDS) <= 0:
        return None
    return next((kind for kind in LIQUID_KINDS if kind_g(recipe, kind) > 0), None)
