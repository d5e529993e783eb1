"""Allergens: the union over everything that is in the bowl."""

from hearth_bowl.core.recipe.recipe import Recipe


def allergen_groups(recipe: Recipe) -> tuple[str, ...]:
    """Return the EU groups present, sorted. Makers' 'may contain' comes on top: read the packets."""
    return tuple(sorted({group for line, _ in recipe.weighed for group in line.ingredient.allergens}))


def allergens_named(recipe: Recipe) -> tuple[str, ...]:
    """Return each nut and cereal by name, sorted."""
    return tuple(sorted({name for line, _ in recipe.weighed for name in line.ingredient.allergens_named}))
