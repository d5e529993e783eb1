"""Recipes from stock: usual proportions made with the packs that are there, as much as they allow."""

from collections.abc import Sequence
from dataclasses import replace
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.recipe import Line, Recipe, checked_recipe
from hearth_bowl.core.recipe.weighing import shown_g
from hearth_bowl.core.solve.starters import USUAL_CHOCOLATE, balanced, starter

ALIKE: Final[tuple[frozenset[str], ...]] = (
    CHOCOLATE_KINDS,
    frozenset({"cream"}),
    frozenset({"butter"}),
    frozenset({"fruit"}),
)
"""Kinds of ingredients that can take each other's place in usual proportions. A judgement."""


def from_stock(family: str, use: str | None, stock: Sequence[tuple[Ingredient, float]]) -> Recipe:
    """Return usual proportions made with what is there, balanced for the use, in the largest batch that it allows.

    Several chocolates, creams or butters share their line by what there is of each.

    :param stock: ingredients with their grams. What else the recipe takes has to be bought.
    :raises BadInput: at `family` or `use`; at `stock`: none of it goes into such a recipe, or there is nothing left.
    """
    base = starter(family, use, _main_chocolate(stock))
    lines: list[Line] = []
    taken: set[int] = set()
    for line, grams in zip(base.lines, base.amounts_g, strict=True):
        here = [at for at, (one, _) in enumerate(stock) if _stands_for(one, line.ingredient)]
        taken |= set(here)
        there_g = sum(stock[at][1] for at in here)
        if there_g > 0:
            lines += [_of(line, stock[at][0], grams * stock[at][1] / there_g) for at in here if stock[at][1] > 0]
        else:
            lines.append(line)
    if not any(stock[at][1] > 0 for at in taken):
        named = ", ".join(one.name for one, _ in stock) or "nothing"
        allowed = "chocolate, cream, butter or fruit that the recipe takes"
        raise BadInput(("stock",), f"None of these goes into this recipe: {named}.", allowed, "not-for-this")
    made = balanced(checked_recipe(name=base.name, family=family, use=use, lines=lines))
    factor = min(there_g / _needed_g(made, one) for one, there_g in stock if there_g > 0 and _needed_g(made, one) > 0)
    return made.with_amounts_g([_rounded_down(factor * grams) for grams in made.amounts_g])


def _main_chocolate(stock: Sequence[tuple[Ingredient, float]]) -> str:
    """Return the chocolate that there is most of."""
    chocolates = [(grams, one.label) for one, grams in stock if one.kind in CHOCOLATE_KINDS and one.key in LIBRARY]
    return max(chocolates, default=(0.0, USUAL_CHOCOLATE))[1]


def _stands_for(one: Ingredient, other: Ingredient) -> bool:
    return one.label == other.label or any(one.kind in kinds and other.kind in kinds for kinds in ALIKE)


def _of(line: Line, ingredient: Ingredient, grams: float) -> Line:
    return replace(line, ingredient=ingredient, amount=grams, amount_high=None, unit="g")


def _needed_g(recipe: Recipe, one: Ingredient) -> float:
    pairs = zip(recipe.lines, recipe.amounts_g, strict=True)
    return sum(grams for line, grams in pairs if line.ingredient.label == one.label)


def _rounded_down(grams: float) -> float:
    """Return grams as a scale shows them, never more than there are."""
    shown = shown_g(grams)
    step = 1.0 if grams >= 10 else 0.1
    return shown if shown <= grams + 1e-9 else max(step, round(shown - step, 1))
