"""What tests cook with: recipes in one line, and the handbook's reference recipe."""

from typing import Any

from hearth_bowl.core.fit.ask import ask_for, ask_kind
from hearth_bowl.core.fit.vessel import Vessel
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.mixture import Mixture, mix
from hearth_bowl.core.recipe.recipe import Line, Recipe, checked_recipe


def recipe(
    family: str = "cream-ganache", use: str | None = None, pinned: str = "", stage: str = "", **grams: float
) -> Recipe:
    """Return a recipe of library ingredients by key and grams; `pinned` names keys that are."""
    lines = [
        Line(ingredient=find(key), amount=amount, pinned=key in pinned.split(), stage=stage)
        for key, amount in grams.items()
    ]
    return checked_recipe(name="Test", family=family, use=use, lines=lines)


def bowl(**grams: float) -> Mixture:
    """Return what is in the bowl of such a recipe."""
    return mix(recipe(**grams))


R1 = {"dark60": 240.0, "cream38": 130.0, "honey": 20.0, "butter82": 15.0}
"""The handbook's worked example of composition, water activity, set and split."""

RYE_MALT: dict[str, Any] = {
    "name": "Rye malt powder",
    "composition_pct": {"water": 5, "other": 95},
    "density_g_per_ml": 0.55,
    "kind": "other",
    "allergens": ["gluten"],
    "allergens_named": ["rye"],
}


def recipe_record(**changes: Any) -> dict[str, Any]:
    """Return a recipe file's content: the contract's example, with changes."""
    return {
        "format": "hearth-bowl/recipe",
        "version": 1,
        "name": "Rye-malt truffle centres",
        "family": "cream-ganache",
        "use": "roll",
        "lines": [
            {"ingredient": "cream35", "amount": 214, "unit": "g", "stage": "warm"},
            {"ingredient": RYE_MALT, "amount": 2, "unit": "tbsp", "measure": "metric"},
            {"ingredient": "dark64", "amount": 460, "unit": "g", "pinned": True},
        ],
        **changes,
    }


def grams_record(family: str, **grams: float) -> dict[str, Any]:
    """Return a recipe file's content: library ingredients by key and grams."""
    lines = [{"ingredient": key, "amount": amount, "unit": "g"} for key, amount in grams.items()]
    made = recipe_record(family=family, lines=lines)
    return {key: value for key, value in made.items() if key != "use"}


def asked(vessel: Vessel, **given: Any) -> Any:
    """Return an ask of a vessel, of a mould without a shell unless one is given."""
    kind = ask_kind(vessel)
    return ask_for(kind, {**({"shell": "none"} if kind == "mould" else {}), **given})
