"""Cautions: what the model cannot know of this mass, and where the work or the sweet can hurt someone."""

from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.set_index import NOT_MODELLED_FAMILIES, is_water_free
from hearth_bowl.core.recipe.ratios import chocolate_to, main_liquid
from hearth_bowl.core.recipe.recipe import FAMILIES, Recipe

LITTLE_CHOCOLATE_TO_CONDENSED_MILK: Final = 0.5
"""Below this the set rule reads condensed milk too soft: 150 g of dark chocolate to a 397 g tin is a thick spread."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Caution:
    """A caution with a code that does not change and words for the cook."""

    code: str
    message: str


def why_set_not_modelled(recipe: Recipe, mixture: Mixture) -> str | None:
    """Return why the set index says nothing of this mass, or None where it holds."""
    if recipe.family in NOT_MODELLED_FAMILIES:
        return f"How firmly it sets is not modelled for {FAMILIES[recipe.family].lower()}."
    if mixture.powder_cocoa_g > mixture.grams["cocoa_nonfat"] / 2:
        return "Most of its dry cocoa is powder, which swells: the set rule would read such a paste far too soft."
    if any(line.stage == "boil" and line.ingredient.kind == "condensed-milk" for line, _ in recipe.weighed):
        return "Condensed milk that is cooked down loses water that the set rule cannot see."
    to_condensed = chocolate_to(recipe, "condensed-milk")
    if (
        to_condensed is not None
        and to_condensed < LITTLE_CHOCOLATE_TO_CONDENSED_MILK
        and main_liquid(recipe) != "cream"
        and not is_water_free(mixture)
    ):
        return "With so little chocolate to the condensed milk the set rule would read it too soft."
    return None


def cautions(recipe: Recipe, mixture: Mixture) -> tuple[Caution, ...]:
    """Return every caution for a recipe, the model's own limits first."""
    found = []
    reason = why_set_not_modelled(recipe, mixture)
    if reason:
        found.append(Caution(code="set-not-modelled", message=reason))
    grams = mixture.grams
    if grams["ethanol"] > 0:
        found.append(
            Caution(
                code="contains-alcohol",
                message="Contains alcohol: declare it, keep it from children. Heat never takes all of it away. "
                "Add spirit away from any flame.",
            )
        )
        if grams["ethanol"] > 0.25 * (grams["water"] + grams["ethanol"]):
            found.append(
                Caution(
                    code="strong-liquid",
                    message="Over a quarter of its liquid is alcohol: water activity and set are outside their range.",
                )
            )
    keys = {line.ingredient.key for line, _ in recipe.weighed}
    if "honey" in keys:
        found.append(Caution(code="honey-infants", message="Contains honey: not for infants under one year."))
    if keys & {"egg_white", "egg_yolk"}:
        found.append(Caution(code="raw-egg", message="Raw egg: prefer pasteurised, and keep it in the fridge."))
    if any(word in line.stage for line, _ in recipe.weighed for word in ("boil", "simmer")):
        found.append(
            Caution(
                code="boiling-burns",
                message="Boiling sugar and milk stick and burn deep: a pan a third full, long sleeves, a dry spoon.",
            )
        )
    return tuple(found)
