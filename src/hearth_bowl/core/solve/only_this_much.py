"""Only this much: everything scales to what there is of one thing; what else falls short is said."""

from collections.abc import Mapping
from dataclasses import dataclass

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.ingredients.packs import is_same_tin
from hearth_bowl.core.recipe.recipe import Recipe

SHORT_FROM_G = 0.5  # a judgement


@dataclass(frozen=True, slots=True, kw_only=True)
class Short:
    """Something that the house has too little of."""

    position: int
    needed_g: float
    there_g: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Scaled:
    """The recipe scaled, by how much, what is short, and a word where nothing needed rescaling."""

    recipe: Recipe
    factor: float
    short: tuple[Short, ...]
    note: str


def only_this_much(recipe: Recipe, position: int, there_g: float, in_house_g: Mapping[str, float]) -> Scaled:
    """Return the recipe scaled so that one line takes just what there is of it.

    A tin within 3 % of the amount is the same tin: nothing is rescaled. Pins say what a solver may move and do not
    hold a whole batch back.

    :param in_house_g: grams in the house by ingredient label, where known.
    :raises BadInput: at `position` or `there_g`.
    """
    if not 0 <= position < len(recipe.lines) or recipe.amounts_g[position] <= 0:
        raise BadInput(("position",), f"line {position} holds nothing", "a line with an amount", "out-of-range")
    check_number(("there_g",), there_g, 0, 1e6, "g", above=True)
    own_g = recipe.amounts_g[position]
    factor, note = there_g / own_g, ""
    if is_same_tin(own_g, there_g):
        factor, note = 1.0, f"⟦{there_g:.0f} g⟧ and ⟦{own_g:.0f} g⟧ are the same tin within 3 %: nothing is rescaled."
    scaled = recipe.with_amounts_g([grams * factor for grams in recipe.amounts_g])
    short = tuple(
        Short(position=at, needed_g=grams, there_g=in_house_g[line.ingredient.label])
        for at, (line, grams) in enumerate(zip(scaled.lines, scaled.amounts_g, strict=True))
        if at != position
        and line.ingredient.label in in_house_g
        and grams > in_house_g[line.ingredient.label] + SHORT_FROM_G
    )
    return Scaled(recipe=scaled, factor=factor, short=short, note=note)
