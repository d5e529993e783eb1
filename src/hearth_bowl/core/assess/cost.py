"""Cost: what a batch and 100 g of it cost, from the prices of packs."""

from collections.abc import Mapping
from dataclasses import dataclass

from hearth_bowl.core.recipe.recipe import Recipe


@dataclass(frozen=True, slots=True, kw_only=True)
class Cost:
    """Cost of a batch and of 100 g, and the names of what has no price (then it is at least this much)."""

    batch: float
    per_100g: float
    unpriced: tuple[str, ...]


def cost(recipe: Recipe, price_per_g: Mapping[str, float], left_g: float | None = None) -> Cost | None:
    """Return the cost of a recipe, or None where nothing in it has a price.

    :param price_per_g: by ingredient label, in the person's own currency.
    :param left_g: what is left of the batch to eat, where something boils off [g].
    """
    priced = [(line.ingredient.label, grams) for line, grams in recipe.weighed if line.ingredient.label in price_per_g]
    if not priced:
        return None
    batch = sum(price_per_g[label] * grams for label, grams in priced)
    unpriced = tuple(
        dict.fromkeys(line.ingredient.name for line, _ in recipe.weighed if line.ingredient.label not in price_per_g)
    )
    return Cost(batch=batch, per_100g=100 * batch / (recipe.mass_g if left_g is None else left_g), unpriced=unpriced)
