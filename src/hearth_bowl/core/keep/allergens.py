"""Allergens: the union over everything that is in the bowl."""

from collections.abc import Iterable
from typing import Final

from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.recipe.recipe import Recipe


def allergen_groups(recipe: Recipe) -> tuple[str, ...]:
    """Return the EU groups present, sorted. Makers' 'may contain' comes on top: read the packets."""
    return tuple(sorted({group for line, _ in recipe.weighed for group in line.ingredient.allergens}))


def not_known(recipe: Recipe) -> tuple[str, ...]:
    """Return the names of the lines of which nobody knows what they hold, also where their amount is not settled."""
    return tuple(line.ingredient.name for line in recipe.lines if is_not_known(line.ingredient))


def is_not_known(ingredient: Ingredient) -> bool:
    """Return whether an ingredient's allergens, or something else in it that can hurt, are not known."""
    return not ingredient.allergens_known or bool(ingredient.not_known)


def what_is_not_known(ingredient: Ingredient) -> str:
    """Return in words what is not known of an ingredient: its allergens, or whether it holds what can hurt."""
    found = [] if ingredient.allergens_known else ["which allergens it holds"]
    found += [WORDS[name] for name in ingredient.not_known]
    return " and ".join(found)


WORDS: Final = {
    "raw_egg": "whether its egg is raw",
    "pasteurised_egg": "whether its egg is pasteurised",
    "fresh_cheese": "whether it is fresh cheese",
    "fresh_fruit": "whether it is fresh fruit",
    "honey": "whether it holds honey",
    "gelatine": "whether it holds gelatine",
    "choking": "whether it is hard or small enough to choke on",
}


def traces(warned: Iterable[str], allergens: Iterable[str]) -> tuple[str, ...]:
    """Return what may be in it besides, sorted: beside a nut or cereal that is in, the others of its group."""
    held = set(allergens)
    return tuple(sorted({OTHERS.get(group, "") if group in held else group for group in warned} - {""}))


OTHERS: Final = {"nuts": "other nuts", "gluten": "other cereals with gluten"}


def allergens_named(recipe: Recipe) -> tuple[str, ...]:
    """Return each nut and cereal by name, sorted."""
    return tuple(sorted({name for line, _ in recipe.weighed for name in line.ingredient.allergens_named}))
