"""Whether the amounts that one line states agree: 7 oz beside 200 g do, 50 g beside 200 g do not."""

import re
from collections.abc import Iterator
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.recipe.measures import MASS_UNITS_G, SPOON_UNITS, unit_g
from hearth_bowl.core.recipe.typed_amount import NUMBER, TENTHS_ML, UNIT_WORDS, number_of

NEAR: Final = 0.15
"""Cards round: 4 oz stands beside 125 g. A judgement."""
NEAR_BY_SPOON: Final = 0.4
"""How a cup is filled differs by so much. A judgement."""
_FIGURE: Final = re.compile(
    rf"(?<![\d.,/])(?P<much>{NUMBER})\s?-?(?P<unit>kg|g|gr|grams?|ml|cl|dl|l|fl\.? ?oz|fluid ounces?|oz|ounces?|lbs?"
    r"|pounds?|cups?|tbsp|tablespoons?|tsp|teaspoons?)(?![a-zà-ÿ])",
    re.IGNORECASE,
)
_BARE: Final = re.compile(rf"(?<![\d.,/]){NUMBER}")


def other_amount(
    plain: str, ingredient: Ingredient, measure: str, grams: tuple[float, ...], counted: float
) -> str | None:
    """Return the words of an amount that a line states besides the one that was taken, where they do not agree.

    :param plain: the line, its fractions as figures.
    :param grams: what was taken of it, both ends of a range; `counted`: of how many.
    """
    figures = list(_figures(plain, ingredient, measure))
    counts = [1.0, counted, *(number_of(found[0]) for found in _BARE.finditer(plain))]
    alone = [each_g[0] for _, each_g, _ in figures]
    for place, (words, each_g, tolerance) in enumerate(figures):
        whole = [one * count for one in each_g for count in counts]
        summed = [sum(alone[start : start + 2]) for start in (place - 1, place) if start >= 0]  # 1 lb 2 oz
        agrees = any(_is_near(one, taken, tolerance) for one in whole for taken in grams)
        if not agrees and not any(_is_near(one, taken, NEAR) for one in summed for taken in grams):
            return words
    return None


def _figures(plain: str, ingredient: Ingredient, measure: str) -> Iterator[tuple[str, tuple[float, ...], float]]:
    """Give each stated amount: its words, the grams that it may be, and how near is near enough."""
    for found in _FIGURE.finditer(plain):
        word = found["unit"].lower().replace(".", "").replace("fl oz", "floz")
        number = number_of(found["much"]) * TENTHS_ML.get(word, 1.0)
        unit = "ml" if word in TENTHS_ML else UNIT_WORDS.get(word, word)
        try:
            each = [unit_g(ingredient, unit, measure)]
        except BadInput:
            continue
        if unit == "oz":
            each.append(unit_g(ingredient, "floz", measure))
        if unit in (*SPOON_UNITS, "ml", "floz"):
            each += [unit_g(ingredient, unit, other) for other in ("us", "imperial")]
        yield found[0], tuple(number * one for one in each), NEAR if unit in MASS_UNITS_G else NEAR_BY_SPOON


def _is_near(one: float, other: float, tolerance: float) -> bool:
    return abs(one - other) <= tolerance * max(one, other)
