"""Moves: balance to aims, swap an ingredient, scale to what there is, compare, and start with our proportions."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from hearth_bowl.core.assess.at_work import aimed_index
from hearth_bowl.core.bench.compare import Comparison, compare
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.weighing import shown_g
from hearth_bowl.core.recipe.written.typed import read_typed
from hearth_bowl.core.solve.aims import ROOM_C, checked_aims
from hearth_bowl.core.solve.balance import Balance, balance, balance_to_whole_packs
from hearth_bowl.core.solve.from_stock import from_stock
from hearth_bowl.core.solve.only_this_much import Short, only_this_much
from hearth_bowl.core.solve.starters import starter
from hearth_bowl.core.solve.swap import swap
from hearth_bowl.formats.recipe_file import RecipeFile, ingredient_from, line_from, recipe_from, recipe_record


@dataclass(frozen=True, slots=True, kw_only=True)
class Balanced:
    """A recipe moved to its aims (or the nearest), side by side with what it was."""

    found: Balance
    recipe: RecipeFile
    comparison: Comparison


@dataclass(frozen=True, slots=True, kw_only=True)
class MovedRecipe:
    """A recipe after a move, side by side with what it was, and what must be said of it."""

    recipe: RecipeFile
    comparison: Comparison
    notes: tuple[str, ...] = ()
    short: tuple[Short, ...] = ()


def balance_recipe(
    record: Mapping[str, Any], wanted: Mapping[str, Any], whole_packs: bool = False, use: str | None = None
) -> Balanced:
    """Return a recipe balanced to aims, in amounts that a scale can weigh; with `whole_packs` tins and bars whole.

    :param use: aims at the set index that it wants at the temperature of the aims, where none is given.
    :raises BadInput: below `recipe` or `aims`.
    """
    recipe = _recipe("recipe", record)
    index = None if use is None else aimed_index(use, float(wanted.get("at_c", ROOM_C)))
    try:
        if index is not None:
            wanted = {"set_index": index, **wanted}
        aims = checked_aims(wanted)
        found = balance_to_whole_packs(recipe, aims) if whole_packs else balance(recipe, aims)
    except BadInput as problem:
        raise problem.under("aims") from None
    moved = _weighable(recipe, found.amounts_g)
    return Balanced(
        found=found, recipe=recipe_record(moved), comparison=compare(recipe, moved, aims.get("at_c", ROOM_C))
    )


def _weighable(recipe: Recipe, amounts_g: tuple[float, ...]) -> Recipe:
    return recipe.with_amounts_g(
        [
            before if abs(after - before) < 1e-6 else shown_g(after) if line.unit == "g" else after
            for line, before, after in zip(recipe.lines, recipe.amounts_g, amounts_g, strict=True)
        ]
    )


def swap_ingredient(record: Mapping[str, Any], position: int, ingredient: object, at_c: float) -> MovedRecipe:
    """Return a recipe with another ingredient in one line, moved to keep its set and mass.

    :raises BadInput: below `recipe`; at `ingredient` or `position`.
    """
    recipe = _recipe("recipe", record)
    swapped = swap(recipe, position, ingredient_from(ingredient), at_c)
    return MovedRecipe(
        recipe=recipe_record(swapped.recipe), comparison=compare(recipe, swapped.recipe, at_c), notes=swapped.not_kept
    )


def scale_to(record: Mapping[str, Any], position: int, typed: str, in_house_g: Mapping[str, float]) -> MovedRecipe:
    """Return a recipe scaled to what there is of one line, as a cook types it: `1 tin`, `2 bars of 100 g`, `180 g`.

    :raises BadInput: below `recipe`; at `position` or `typed`.
    """
    recipe = _recipe("recipe", record)
    if not 0 <= position < len(recipe.lines):
        raise BadInput(("position",), f"there is no line {position}", f"0 to {len(recipe.lines) - 1}", "out-of-range")
    amount = read_typed(typed, "g")
    line = dict(recipe_record(recipe)["lines"][position])
    line |= {"amount": amount.amount, "amount_high": amount.amount_high, "unit": amount.unit}
    if amount.size_g is not None:
        line["piece_g" if amount.unit == "piece" else "pack_g"] = amount.size_g
    try:
        there_g = line_from(line).amount_g
    except BadInput as problem:
        raise BadInput(("typed",), problem.message, problem.allowed, problem.code) from None
    scaled = only_this_much(recipe, position, there_g, in_house_g)
    moved = _weighable(recipe, scaled.recipe.amounts_g)
    return MovedRecipe(
        recipe=recipe_record(moved),
        comparison=compare(recipe, moved, ROOM_C),
        notes=(scaled.note,) if scaled.note else (),
        short=scaled.short,
    )


def compare_recipes(first: Mapping[str, Any], second: Mapping[str, Any], at_c: float) -> Comparison:
    """Return two recipes side by side.

    :raises BadInput: below `first` or `second`; at `at_c`.
    """
    return compare(_recipe("first", first), _recipe("second", second), at_c)


def start_record(family: str, use: str | None, chocolate: str, stock: Sequence[tuple[Any, float]] = ()) -> RecipeFile:
    """Return usual proportions as a recipe file's content.

    :param stock: ingredients to make it with, as files have them, and their grams; as much as they allow is made.
    :raises BadInput: at `family`, `use`, `chocolate` or `stock`.
    """
    if not stock:
        return recipe_record(starter(family, use, chocolate))
    there = []
    for position, (of, grams) in enumerate(stock):
        try:
            there.append((ingredient_from(of), grams))
        except BadInput as problem:
            raise problem.under("stock", position) from None
    return recipe_record(from_stock(family, use, there))


def _recipe(field: str, record: Mapping[str, Any]) -> Recipe:
    try:
        return recipe_from(record)
    except BadInput as problem:
        raise problem.under(field) from None
