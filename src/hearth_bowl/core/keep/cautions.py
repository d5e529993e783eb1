"""Cautions: what the model cannot know of this mass, and where the work or the sweet can hurt someone.

Numbers with no source beside them are judgements, or limits of the reckoning.
"""

from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.little_water import LittleWater, little_water, rescue_g
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
    if mixture.powder_cocoa_g > mixture.binder.grams["cocoa_nonfat"] / 2:
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


def why_set_not_told(recipe: Recipe, mixture: Mixture) -> str | None:
    """Return why no set is told of this mass: not modelled, seized or a dough; None where it is."""
    dry = little_water(recipe)
    reason = why_set_not_modelled(recipe, mixture)
    return reason or (_little_water_words(dry) if dry is not None and dry.zone != "may-seize" else None)


TRACE_PCT: Final = 0.5
"""Alcohol from an extract alone, up to that share of the batch by mass, is a trace: the handbook's; law differs."""
EXTRACTS: Final = frozenset({"vanilla_extract"})
STRONG_LIQUID: Final = 0.25
RAW_EGGS: Final = frozenset({"egg_white", "egg_yolk"})


def cautions(recipe: Recipe, mixture: Mixture) -> tuple[Caution, ...]:
    """Return every caution for a recipe, the model's own limits first."""
    found = []
    reason = why_set_not_modelled(recipe, mixture)
    dry = little_water(recipe)
    if reason:
        found.append(Caution(code="set-not-modelled", message=reason))
    elif dry is not None:
        found.append(Caution(code=dry.zone, message=_little_water_words(dry)))
    found += _alcohol(recipe, mixture)
    keys = {line.ingredient.key for line, _ in recipe.weighed}
    if "honey" in keys:
        found.append(Caution(code="honey-infants", message="Contains honey: not for infants under one year."))
    if keys & RAW_EGGS:
        found.append(
            Caution(
                code="raw-egg",
                message="Raw egg: sugar, fat and alcohol do not kill Salmonella. Take pasteurised egg, or stir sugar "
                "and white over a bath until all of it reads ⟦71 °C⟧; not for infants, the pregnant, the old or the "
                "ill. Local food rules decide.",
            )
        )
    if any(word in line.stage for line, _ in recipe.weighed for word in ("boil", "simmer")):
        found.append(
            Caution(
                code="boiling-burns",
                message="Boiling sugar and milk stick and burn deep: a pan a third full, long sleeves, a dry spoon.",
            )
        )
    return tuple(found)


def _little_water_words(dry: LittleWater) -> str:
    cream_g, water_g = rescue_g(dry, find("cream35")), rescue_g(dry, find("water"))
    if dry.zone == "dough":
        return "So little liquid turns a nut paste into a stiff dough, as marzipan is made: its set is not modelled."
    if dry.zone == "may-seize":
        return "Thick: with so little liquid it may seize or part. Warm it gently and stir it smooth."
    return (
        f"So little liquid seizes the chocolate: stiff, dull, grainy. ⟦{cream_g:.0f} g⟧ warm cream (35 %) or "
        f"⟦{water_g:.0f} g⟧ warm water, all at once at ⟦40 to 45 °C⟧, make a ganache of it; never again a coating."
    )


def _alcohol(recipe: Recipe, mixture: Mixture) -> list[Caution]:
    grams = mixture.grams
    if grams["ethanol"] <= 0:
        return []
    spirited = [line.ingredient for line, _ in recipe.weighed if line.ingredient.composition_pct["ethanol"]]
    pct = 100 * grams["ethanol"] / mixture.mass_g
    if pct <= TRACE_PCT and all(ingredient.key in EXTRACTS for ingredient in spirited):
        return [Caution(code="alcohol-trace", message=f"A trace of alcohol from extract, {pct:.2f} % by mass.")]
    found = [
        Caution(
            code="contains-alcohol",
            message=f"Contains alcohol, {pct:.1f} % by mass: declare it, keep it from children and from those who are "
            "pregnant. Heat never takes all of it away. Add spirit away from any flame.",
        )
    ]
    if grams["ethanol"] > STRONG_LIQUID * (grams["water"] + grams["ethanol"]):
        found.append(
            Caution(
                code="strong-liquid",
                message="Over a quarter of its liquid is alcohol: water activity and set are outside their range.",
            )
        )
    return found
