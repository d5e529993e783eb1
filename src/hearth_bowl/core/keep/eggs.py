"""Eggs: which of a recipe's eggs are cooked by its own method, and which stay raw."""

from typing import Final

from hearth_bowl.core.recipe.recipe import Recipe

COOKED_STAGES: Final = frozenset({"warm", "boil", "melt", ""})
"""Stages of a curd in which its egg is thickened by heat; what goes in later is raw."""


def is_cooked_egg(recipe: Recipe, position: int) -> bool:
    """Return whether the egg of a line is cooked: thickened in a curd. Of other families nobody can say so."""
    return recipe.family == "curd" and recipe.lines[position].stage in COOKED_STAGES


def raw_eggs(recipe: Recipe) -> tuple[str, ...]:
    """Return the parts of raw egg in a recipe (white, yolk, whole) that stay raw, in the order of its lines."""
    return tuple(
        dict.fromkeys(
            line.ingredient.raw_egg
            for position, line in enumerate(recipe.lines)
            if line.ingredient.raw_egg and recipe.amounts_g[position] > 0 and not is_cooked_egg(recipe, position)
        )
    )


def cooked_eggs(recipe: Recipe) -> bool:
    """Return whether a recipe holds raw egg that its own method cooks."""
    return any(
        line.ingredient.raw_egg is not None and recipe.amounts_g[position] > 0 and is_cooked_egg(recipe, position)
        for position, line in enumerate(recipe.lines)
    )
