"""Weighing: how far a measure can be trusted, and what a kitchen scale cannot weigh."""

from collections.abc import Mapping
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.ingredients.doses import SPOONFUL_SLIP_PCT
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.recipe.measures import MASS_UNITS_G, MEASURES_ML, PINCH_ML
from hearth_bowl.core.recipe.recipe import Line

CHIPS_PCT: Final = 7.0  # a judgement
LOOSE_CUP_PCT: Final = 15.0  # a judgement
LOOSE_SPOON_PCT: Final = 10.0  # a judgement
POURED_PCT: Final = 2.0  # a judgement
POURED_SPOON_PCT: Final = 5.0  # a judgement
PINCH_PCT: Final = 50.0  # a judgement
PIECE_PCT: Final = 15.0  # a judgement
PACK_PCT: Final = 1.0  # a judgement
STEPS_TO_TRUST: Final = 3.0
"""A weight of fewer steps of the scale than this is a guess. A judgement."""
SPOONS: Final = frozenset({"tsp", "tbsp"})
TEASPOON_ML: Final = 5.0  # by definition


def spread_pct(line: Line) -> float:
    """Return how far the grams of a line may be off, in ±per cent, because of how it is measured."""
    unit, ingredient = line.unit, line.ingredient
    if line.amount_high is not None and line.amount_high > 0:
        return 100 * (line.amount_high - line.amount) / (line.amount_high + line.amount)
    if unit in MASS_UNITS_G:
        return 0.0
    if unit in ("pinch", "drop"):
        return PINCH_PCT
    if unit == "piece":
        return PIECE_PCT
    if unit in ("tin", "bar", "stick"):
        return PACK_PCT
    if ingredient.density_is_bulk:
        return LOOSE_SPOON_PCT if unit in SPOONS else LOOSE_CUP_PCT
    if ingredient.spoon_g_per_ml != ingredient.density_g_per_ml:
        return CHIPS_PCT
    return POURED_SPOON_PCT if unit in SPOONS else POURED_PCT


def scale_note(ingredient: Ingredient, grams: float, step_g: float, most_g: float) -> str | None:
    """Return what to do about an amount that the person's scale cannot weigh, or None where it can."""
    if grams <= 0:
        return None
    if grams > most_g:
        return f"More than the scale takes (⟦{most_g:g} g⟧): weigh it in parts."
    if grams >= STEPS_TO_TRUST * step_g:
        return None
    spoonful_g = TEASPOON_ML * ingredient.spoon_g_per_ml
    spoons = grams / spoonful_g
    way = (
        f"about {_fraction(spoons)} tsp, or make more"
        if spoons >= 0.1
        else f"mix {10 * grams:.1g} g into ten times as much of another line and take a tenth"
    )
    return f"Too little for a {step_g:g} g scale: {way}."


def _fraction(spoons: float) -> str:
    known = ((0.125, "⅛"), (0.25, "¼"), (0.5, "½"), (0.75, "¾"), (1.0, "1"))
    if spoons > 1.1:
        return f"{spoons:.1f}"
    return min(known, key=lambda row: abs(row[0] - spoons))[1]


def slip_question(line: Line, grams: float, mass_g: float) -> str | None:
    """Return the question whether a spoon was mistaken, where the amount is out of proportion."""
    most_pct = SPOONFUL_SLIP_PCT.get(line.ingredient.key or "")
    if line.unit not in SPOONS or most_pct is None or mass_g <= 0 or grams <= most_pct / 100 * mass_g:
        return None
    other = "a teaspoon" if line.unit == "tbsp" else "a smaller one"
    return f"That is much for ⟦{mass_g:.0f} g⟧ in the bowl: was it {other}?"


def ounce_question(line: Line) -> str | None:
    """Return the question which ounce is meant, where a liquid is given in ounces."""
    if line.unit != "oz" or line.ingredient.density_is_bulk:
        return None
    composition = line.ingredient.composition_pct
    if line.ingredient.kind in ("chocolate", "compound", "butter", "condensed-milk"):
        return None
    if composition["water"] + composition["ethanol"] < 40:
        return None
    return "Ounces of a liquid: by weight, or fluid ounces (fl oz)? Taken by weight."


FRACTIONS: Final = ((0.125, "⅛"), (0.25, "¼"), (1 / 3, "⅓"), (0.5, "½"), (2 / 3, "⅔"), (0.75, "¾"))  # by definition
NEAR: Final = 0.05
"""How near the measures must come to the grams, as a share of them: else two measures are said together.
A judgement."""
SAID_FROM: Final = 0.1
"""Teaspoons below which no spoon is said: a pinch is weighed, or taken by feel. A judgement."""


def in_spoons(ingredient: Ingredient, grams: float, measure: str) -> str | None:
    """Return how many of a person's spoons or cups an amount is, within 5 %: 2 ½ tbsp, ⅓ cup and 1 tbsp.

    One measure where one is near enough, else two, the larger first. None where nothing comes near, which is so only
    below a few pinches. It is said beside the grams, never in their place.
    """
    if grams <= 0 or ingredient.spoon_g_per_ml <= 0:
        return None
    ml_of = {**MEASURES_ML[measure], "pinch": PINCH_ML}
    ml = grams / ingredient.spoon_g_per_ml
    if ml < SAID_FROM * ml_of["tsp"]:
        return None
    alone = [(unit, count) for unit in MEASURES for count in _counts(unit, ml, ml_of[unit])]
    near = [row for row in alone if abs(row[1] * ml_of[row[0]] - ml) <= NEAR * ml]
    if near:
        return _told(*near[0])
    return _two(ml, ml_of)


MEASURES: Final = ("cup", "tbsp", "tsp")
"""The largest first."""
PARTS_OF: Final = MappingProxyType(
    {
        "cup": (0.0, 0.25, 1 / 3, 0.5, 2 / 3, 0.75),
        "tbsp": (0.0, 0.5),
        "tsp": (0.0, 0.125, 0.25, 0.5, 0.75),
        "pinch": (0.0,),
    }
)
"""Parts for which sets of measures have a spoon or cup. Source: kitchen-measures."""
COUNTS_OF: Final = MappingProxyType({"cup": (0.25, 40.0), "tbsp": (1.0, 4.5), "tsp": (0.125, 3.0), "pinch": (1.0, 2.0)})
"""Counts between which a measure is used: five tablespoons are a third of a cup. Kitchen practice, judged."""
PAIRS: Final = (("cup", "tbsp"), ("cup", "tsp"), ("tbsp", "tsp"), ("tsp", "pinch"))


def _counts(unit: str, ml: float, each_ml: float) -> list[float]:
    """Return the counts of a measure next to an amount: whole ones with a usual fraction, within its range."""
    whole = int(ml / each_ml)
    found = [base + part for base in (whole - 1, whole, whole + 1) for part in PARTS_OF[unit]]
    least, most = COUNTS_OF[unit]
    usual = [count for count in found if least <= count <= most]
    return sorted(usual, key=lambda count: abs(count * each_ml - ml))


def _two(ml: float, ml_of: Mapping[str, float]) -> str | None:
    """Return two measures that together come within 5 %: as much of the larger as goes, and whole smaller ones."""
    for larger, smaller in PAIRS:
        near = [
            ((first % 1 > 0) + (second % 1 > 0), -first, second)
            for first in _counts(larger, ml, ml_of[larger])
            for second in _counts(smaller, ml - first * ml_of[larger], ml_of[smaller])
            if abs(first * ml_of[larger] + second * ml_of[smaller] - ml) <= NEAR * ml
        ]
        if near:
            _, minus_first, second = min(near)
            return f"{_told(larger, -minus_first)} and {_told(smaller, second)}"
    return None


def _told(unit: str, count: float) -> str:
    whole = int(count + 1e-9)
    sign = next((sign for part, sign in FRACTIONS if abs(part - (count - whole)) < 1e-9), "")
    figure = " ".join(part for part in (str(whole) if whole else "", sign) if part)
    return f"{figure} {unit}{'s' if unit == 'cup' and count > 1 else ''}"


def shown_g(grams: float, up: bool = False) -> float:
    """Return grams as a kitchen scale weighs them: whole grams from 10 g on, tenths below."""
    step = 1.0 if grams >= 10 else 0.1
    return round((-(-grams // step) if up else round(grams / step)) * step, 1)
