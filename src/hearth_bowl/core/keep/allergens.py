"""Allergens: the union over everything that is in the bowl."""

from hearth_bowl.core.recipe.recipe import Recipe


def allergen_groups(recipe: Recipe) -> tuple[str, ...]:
    """Return the EU groups present, sorted. Makers' 'may contain' comes on top: read the packets."""
    return tuple(sorted({group for line, _ in recipe.weighed for group in line.ingredient.allergens}))


def not_known(recipe: Recipe) -> tuple[str, ...]:
    """Return the names of the lines of which nobody knows what they hold, also where their amount is not settled."""
    return tuple(line.ingredient.name for line in recipe.lines if not line.ingredient.allergens_known)


def allergens_named(recipe: Recipe) -> tuple[str, ...]:
    """Return each nut and cereal by name, sorted."""
    return tuple(sorted({name for line, _ in recipe.weighed for name in line.ingredient.allergens_named}))
