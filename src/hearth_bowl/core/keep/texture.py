"""Texture: what softens, turns sticky, dries or weeps in a mass or beside it, apart from whether it is safe."""

from typing import Final

from hearth_bowl.core.ingredients.components import SUGARS
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.mass.water_activity import FREE_RUNNING_ESTIMATE
from hearth_bowl.core.recipe.pieces import is_piece
from hearth_bowl.core.recipe.recipe import Recipe

CRISP_UNTIL: Final = 0.5
"""Water activity above which crumbs, wafers and nuts take up water and soften: typical value, several textbooks."""
STICKY_FROM: Final = 0.38
"""Water activity of its surroundings above which a boiled sweet turns sticky: .35 to .40, several textbooks."""
SWEET_PCT: Final = 70.0
"""Sugars from which something crisp is a sweet or brittle rather than a crumb or nut: a judgement."""
DRYING_FAMILIES: Final = frozenset({"boiled-fudge", "simmered-fudge", "marzipan", "fondant", "aerated"})
DRAWING_FAMILIES: Final = frozenset({"caramel", "hard-sugar"})


def texture_words(recipe: Recipe, water_activity: float | None) -> str:
    """Return what of a mass's texture goes first, apart from whether it is safe; empty where nothing does."""
    found = []
    inside = [line.ingredient for line, _ in recipe.weighed if is_piece(recipe, line)]
    crisp = [one for one in inside if softens(one, water_activity)]
    if crisp:
        how = "turn sticky within a day" if is_sweet(crisp[0]) else "soften within a day or two"
        found.append(f"Its texture goes sooner: {crisp[0].name} {how}.")
    if recipe.family in DRYING_FAMILIES:
        found.append("Open to the air it dries: wrap it.")
    if recipe.family in DRAWING_FAMILIES:
        found.append("Open to the air it draws water and turns sticky: wrap it at once.")
    return " ".join(found)


def softens(ingredient: Ingredient, water_activity: float | None) -> bool:
    """Return whether something crisp loses its crunch beside that water activity."""
    if not ingredient.crisp or water_activity is None:
        return False
    dry_mass = FREE_RUNNING_ESTIMATE[1]  # what holds hardly any water gives none to a sweet either
    return water_activity > (max(STICKY_FROM, dry_mass) if is_sweet(ingredient) else CRISP_UNTIL)


def is_sweet(ingredient: Ingredient) -> bool:
    """Return whether something crisp is mostly sugar, and so turns sticky."""
    return sum(ingredient.composition_pct[name] for name in SUGARS) >= SWEET_PCT
