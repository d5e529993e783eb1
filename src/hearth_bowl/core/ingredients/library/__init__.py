"""The ingredient library: every row with its composition, source and spread."""

from collections.abc import Mapping
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.ingredients.library import (
    chocolates,
    crisp,
    cultured_and_plant,
    dairy,
    doses,
    drinks,
    fruit,
    nuts,
    pantry,
    purees_and_dried,
    spirits,
    sugars,
    sweets,
    syrups,
    whole_nuts,
)

LIBRARY: Final[Mapping[str, Ingredient]] = MappingProxyType(
    {
        ingredient.key: ingredient
        for shelf in (
            chocolates,
            dairy,
            nuts,
            sugars,
            fruit,
            drinks,
            pantry,
            whole_nuts,
            crisp,
            sweets,
            syrups,
            purees_and_dried,
            cultured_and_plant,
            spirits,
            doses,
        )
        for ingredient in shelf.ROWS
        if ingredient.key is not None
    }
)


def find(key: str) -> Ingredient:
    """Return the library's ingredient of that key.

    :raises BadInput: at the field itself (empty path), with near names.
    """
    if key in LIBRARY:
        return LIBRARY[key]
    near = [known for known in LIBRARY if key[:4].lower() == known[:4]]
    raise BadInput((), f"unknown ingredient {key[:60]!r}", near_names(near), "unknown")


def near_names(near: list[str]) -> str:
    """Say which keys are allowed, the near ones first."""
    hint = f"perhaps {', '.join(near)}; " if near else ""
    return f"{hint}a key of the ingredient table, or an ingredient of your own as an object"
