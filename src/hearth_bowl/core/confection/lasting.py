"""How a confection that was made is kept: its safety and its texture apart, how to wrap, freeze, thaw and serve it."""

from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.confection.work_out import Worked
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.keep.keeping import OUT_BEFORE_MIN, OUT_OF_COLD_MIN
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.recipe import Recipe

FROZEN_DAYS: Final = 60
"""Cold stops what spoils, but fat and aromas still change: two months, a judgement."""
THAWED_DAYS: Final = 3
"""What was thawed is eaten within so many days, and within what was left of its own: a judgement."""
BESIDE: Final = ("crisp-beside-wet", "water-beside-chocolate")
"""Cautions of parts beside each other that tell of texture."""
NOT_FROZEN: Final = {
    "soft-cheese": "soft cheese weeps when it thaws",
    "whipped-ganache": "its foam collapses when it thaws",
    "fondant": "its syrup weeps and its crystals grow",
    "fruit-jelly": "its gel weeps when it thaws",
    "hard-sugar": "it draws water as it thaws, and turns sticky",
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Lasting:
    """What decides how long it is safe, what goes of its texture first, and what to do; each in words.

    `may_freeze` is False where freezing spoils it; with `use_by` it is not eaten past its day.
    """

    where: str
    days_low: int
    days_high: int
    safety: str
    part: str
    texture: str
    wrap: str
    freeze: str
    thaw: str
    take_out: str
    may_freeze: bool
    use_by: bool = False


def lasting_of(worked: Worked) -> Lasting:
    """Return how a confection is kept."""
    keeping = worked.keeping
    recipes = [part.part.of for part in worked.parts if isinstance(part.part.of, Recipe)]
    is_coated = any(part.part.role in ("shell", "coat") and part.is_chocolate for part in worked.parts)
    why_not = _why_not_frozen(worked, recipes)
    cold = keeping.where == "fridge"
    return Lasting(
        where=keeping.where,
        days_low=keeping.days_low,
        days_high=keeping.days_high,
        safety=keeping.because,
        part=keeping.part,
        texture=_texture(worked, recipes, is_coated),
        wrap=_wrap(is_coated, cold),
        freeze=f"Not for the freezer: {why_not}."
        if why_not
        else f"It can be frozen on the day that it is made, boxed in a bag, for up to {FROZEN_DAYS} days.",
        thaw=""
        if why_not
        else "Thaw it overnight in the fridge in its closed box, then let the closed box come to the room: what is "
        f"opened cold gets wet. Eat it within {THAWED_DAYS} days, and never freeze it again.",
        take_out=f"Take it out of the fridge in time to soften, {OUT_BEFORE_MIN} minutes for small pieces. "
        f"Out of the fridge for more than {OUT_OF_COLD_MIN // 60} hours in all, it is not put back."
        if cold
        else "Serve it as it is; keep it from the sun and from the stove.",
        may_freeze=not why_not,
        use_by=keeping.use_by,
    )


def _why_not_frozen(worked: Worked, recipes: list[Recipe]) -> str:
    codes = {caution.code for caution in worked.cautions}
    if "raw-egg" in codes:
        return "it holds raw egg, which is eaten within its days"
    if "gelatine" in codes:
        return "gelatine weeps when it thaws"
    return next((NOT_FROZEN[recipe.family] for recipe in recipes if recipe.family in NOT_FROZEN), "")


def _texture(worked: Worked, recipes: list[Recipe], is_coated: bool) -> str:
    """Return what softens, dries or weeps first: inside its masses, and of parts beside each other."""
    found = list(worked.texture)
    found += [caution.message for caution in worked.cautions if caution.code in BESIDE]
    if is_coated:
        found.append("A chocolate shell turns grey where it gets warm or wet; that is dull, not unsafe.")
    elif any(_has_chocolate(recipe) for recipe in recipes) and worked.keeping.where == "fridge":
        found.append("Open in the fridge it dries at its edges and takes up smells.")
    return " ".join(dict.fromkeys(found)) or "Its texture lasts about as long as it does."


def _has_chocolate(recipe: Recipe) -> bool:
    return any(_is_chocolate(line.ingredient) for line in recipe.lines)


def _is_chocolate(ingredient: Ingredient) -> bool:
    return ingredient.kind in CHOCOLATE_KINDS


def _wrap(is_coated: bool, cold: bool) -> str:
    if is_coated:
        words = "In paper cups in a closed box, dark and away from anything that smells"
    else:
        words = "Between sheets of baking paper in a box that closes tight"
    return words + ("; let the closed box come to the room before it is opened." if cold else ".")
