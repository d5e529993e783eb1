"""Cautions: what the model cannot know of this mass, and where the work or the sweet can hurt someone."""

from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.keep.eggs import cooked_eggs, raw_eggs
from hearth_bowl.core.keep.keeping import OUT_OF_COLD_MIN, is_fresh_milk
from hearth_bowl.core.mass.cooking import is_cooked_down
from hearth_bowl.core.mass.little_water import LittleWater, little_water, rescue_g
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.set_index import NOT_MODELLED_FAMILIES, is_water_free
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.pieces import is_piece
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS, chocolate_to, kind_g, main_liquid
from hearth_bowl.core.recipe.recipe import FAMILIES, Line, Recipe

GELATINE_SHARE: Final = 0.003
"""Dry gelatine in the mass without pieces from which it sets by gelatine. Handbook of this craft, D: a judgement."""
LITTLE_CHOCOLATE_TO_CONDENSED_MILK: Final = 0.5
"""Below this the set rule reads condensed milk too soft: 150 g of dark chocolate to a 397 g tin is a thick spread.
A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Caution:
    """A caution: a code that does not change, words for the cook, and the words of a label for the one who eats it."""

    code: str
    message: str
    label: str = ""


def why_set_not_modelled(recipe: Recipe, mixture: Mixture) -> str | None:
    """Return why the set index says nothing of this mass, or None where it holds."""
    if recipe.family in NOT_MODELLED_FAMILIES:
        own = FAMILY[recipe.family].sets
        return own or f"How firmly it sets is not modelled for {FAMILIES[recipe.family].lower()}."
    if mixture.binder.gelatine_g >= GELATINE_SHARE * mixture.binder.mass_g:
        return "Gelatine sets it: fat and water say nothing of how firm."
    if recipe.family == "sugar-butter" and kind_g(recipe, *CHOCOLATE_KINDS) < kind_g(recipe, "butter"):
        return "Beaten butter with less chocolate than butter is held by its air, which is not modelled."
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
STRONG_LIQUID: Final = 0.25
"""Share of alcohol in all liquid above which water activity and set are outside their range. Handbook, B: fair."""
EGG_SAFE_C: Final = 71
"""Temperature in its middle that raw egg must reach: the usual home advice, quoted in the handbook, section B."""


def cautions(recipe: Recipe, mixture: Mixture) -> tuple[Caution, ...]:
    """Return every caution for a recipe, the model's own limits first.

    :param mixture: the mass as it is eaten.
    """
    found = []
    reason = why_set_not_modelled(recipe, mixture)
    dry = little_water(recipe)
    if reason:
        found.append(Caution(code="set-not-modelled", message=reason))
    elif dry is not None:
        found.append(Caution(code=dry.zone, message=_little_water_words(dry)))
    found += what_can_hurt(recipe, mixture)
    found += _at_the_stove(recipe)
    return tuple(found)


def what_can_hurt(recipe: Recipe, mixture: Mixture) -> list[Caution]:
    """Return what can hurt the one who eats a mass: egg, alcohol, honey, gelatine, choking, cheese, strong flavours."""
    ingredients = [line.ingredient for line, _ in recipe.weighed]
    found = [*_eggs(recipe), *_alcohol(recipe, mixture)]
    if any(one.honey for one in ingredients):
        words = "Contains honey: not for infants under one year."
        found.append(Caution(code="honey-infants", message=words, label=words))
    if any(one.gelatine for one in ingredients):
        words = "Contains gelatine, which is from animals: not for vegetarians, and by faith not for some."
        found.append(Caution(code="gelatine", message=words, label="Contains gelatine."))
    if FAMILY[recipe.family].choking or any(is_choking(recipe, line) for line, _ in recipe.weighed):
        found.append(CHOKING)
    if recipe.family == "soft-cheese" or any(one.fresh_cheese for one in ingredients):
        words = (
            f"Fresh cheese stays in the fridge: out of it for {OUT_OF_COLD_MIN // 60} hours in all, then throw it away."
        )
        found.append(Caution(code="soft-cheese", message=words, label="Keep it in the fridge until it is eaten."))
    return [*found, *_strong(recipe)]


CHOKING: Final = Caution(
    code="choking",
    message="Round, small or hard: cut it up for small children, and let nobody run or laugh with it.",
    label="Round, small or hard: cut it up for small children.",
)


def is_choking(recipe: Recipe, line: Line) -> bool:
    """Return whether a line brings something to choke on that stays whole in the mass."""
    return line.ingredient.choking and is_piece(recipe, line)


def _eggs(recipe: Recipe) -> list[Caution]:
    if raw_eggs(recipe):
        whipped = " Hot syrup does not make raw white safe unless the middle of the mass holds that." * (
            recipe.family == "aerated"
        )
        return [
            Caution(
                code="raw-egg",
                message="Contains raw egg: sugar, fat and alcohol do not kill Salmonella. Use pasteurised egg, or heat "
                f"the egg over a water bath, stirring, until all of it reads ⟦{EGG_SAFE_C} °C⟧.{whipped} Not for "
                "infants, the pregnant, the old or the ill. Local food rules decide.",
                label="Contains raw egg: not for infants, the pregnant, the old or the ill.",
            )
        ]
    if cooked_eggs(recipe) and recipe.family == "curd":
        return [
            Caution(
                code="egg-cooked",
                message="Its egg is cooked only when the middle holds ⟦82 to 84 °C⟧, stirred. Cool it below ⟦10 °C⟧ "
                "within two hours.",
            )
        ]
    return []


def _strong(recipe: Recipe) -> list[Caution]:
    """Return the caution of the strongest flavours: more of the batch than tastes well or is safe."""
    found = []
    for line, grams in recipe.weighed:
        most_pct = line.ingredient.most_pct
        if most_pct is None or 100 * grams <= most_pct * recipe.mass_g * (1 + 1e-9):
            continue
        most = f"⟦{most_pct * recipe.mass_g / 100:.2g} g⟧ ({most_pct:g} %)"
        words = (
            f"{line.ingredient.name} hold prussic acid in any amount: use almond extract."
            if most_pct == 0
            else f"{line.ingredient.name}: ⟦{grams:.2g} g⟧ is more than {most} of this batch, which is already strong."
        )
        found.append(Caution(code="strong-flavour", message=words, label=words if most_pct == 0 else ""))
    return found


def _at_the_stove(recipe: Recipe) -> list[Caution]:
    """Return what can burn the cook."""
    found = []
    boils = any(word in line.stage for line, _ in recipe.weighed for word in ("boil", "simmer"))
    if boils or (is_cooked_down(recipe) and recipe.family != "curd"):
        found.append(
            Caution(
                code="boiling-burns",
                message="Boiling sugar and milk stick and burn deep: a pan a third full, long sleeves, a dry spoon.",
            )
        )
    if recipe.family == "caramel" and any(is_fresh_milk(line.ingredient) for line, _ in recipe.weighed):
        found.append(
            Caution(
                code="hot-cream-into-caramel",
                message="Hot caramel erupts when cream goes in: warm the cream, pour a little at a time, stand back.",
            )
        )
    return found


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


def has_drink(recipe: Recipe) -> bool:
    """Return whether a drink with alcohol went in, whatever the heat left of it: no extract, which is a trace."""
    return any(
        line.ingredient.composition_pct["ethanol"] > 0 and not line.ingredient.extract for line, _ in recipe.weighed
    )


def alcohol_words(how_much: str) -> str:
    """Return what is said of alcohol, of a mix and of a piece alike, with how much of it there is."""
    return (
        f"Contains alcohol, {how_much}: declare it, keep it from children and from those who are pregnant. "
        "Heat never takes all of it away."
    )


def _alcohol(recipe: Recipe, mixture: Mixture) -> list[Caution]:
    grams = mixture.grams
    drink = has_drink(recipe)
    if grams["ethanol"] <= 0 and not drink:
        return []
    pct = 100 * grams["ethanol"] / mixture.mass_g
    if pct <= TRACE_PCT and not drink:
        return [Caution(code="alcohol-trace", message=f"A trace of alcohol from extract, {pct:.2f} % by mass.")]
    found = [
        Caution(
            code="contains-alcohol",
            message=f"{alcohol_words(f'{pct:.1f} % by mass')} Add spirit away from any flame.",
            label="Not for children, nor for those who are pregnant.",
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
