"""Which lines of a recipe keep a body of their own: whole nuts, crumbs, dried fruit, sweets folded in."""

from typing import Final

from hearth_bowl.core.recipe.recipe import Line, Recipe

GROUND_FAMILIES: Final = frozenset({"marzipan", "nut-paste"})
"""Families whose nuts are ground into the dough."""
BOILED: Final = "boil"


def is_piece(recipe: Recipe, line: Line) -> bool:
    """Return whether a line stays in pieces: not what is ground, or boiled with the mass."""
    if not line.ingredient.own_body or line.stage == BOILED:
        return False
    return not (recipe.family in GROUND_FAMILIES and "nuts" in line.ingredient.allergens)
