"""Swap: another ingredient in a line's place, the recipe moved to keep its set and mass, and what cannot be kept."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Final

from hearth_bowl.core.assess.assess import Assessment, assess
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.attributes import NUT_GROUPS
from hearth_bowl.core.ingredients.components import FATS, SUGARS
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.weighing import shown_g
from hearth_bowl.core.solve.balance import balance

NEIGHBOURS: Final = (0.67, 1.5)
"""So far the other lines may move for a swap, times their own grams: it is still the recipe that it was. Judged."""
KEPT_WITHIN: Final = 0.15
"""A set index nearer than this is the same to the hand. A judgement."""


def shelf_of(ingredient: Ingredient) -> str:
    """Return what an ingredient may stand in for: those of one shelf swap for each other. A judgement."""
    parts = ingredient.composition_pct
    if ingredient.kind in CHOCOLATE_KINDS:
        return "chocolate"
    if ingredient.kind in ("cream", "fruit"):
        return ingredient.kind
    if not NUT_GROUPS.isdisjoint(ingredient.allergens):
        return "nuts"
    if parts["ethanol"] > 3:
        return "spirits"
    if sum(parts[name] for name in FATS) > 75:
        return "fats"
    if sum(parts[name] for name in SUGARS) - parts["lactose"] > 55:
        return "sugars"
    return ingredient.kind


@dataclass(frozen=True, slots=True, kw_only=True)
class Swapped:
    """A recipe after a swap, and in words what could not be kept."""

    recipe: Recipe
    not_kept: tuple[str, ...]


def swap(recipe: Recipe, position: int, ingredient: Ingredient, at_c: float) -> Swapped:
    """Return the recipe with another ingredient at a position, balanced to its former set and mass where it can be.

    No other line is moved beyond `NEIGHBOURS`; what is not kept within that is said.

    :raises BadInput: at `position`.
    """
    if not 0 <= position < len(recipe.lines):
        raise BadInput(("position",), f"there is no line {position}", f"0 to {len(recipe.lines) - 1}", "out-of-range")
    before = assess(recipe, at_c)
    lines = list(recipe.lines)
    grams = recipe.amounts_g[position]
    old = lines[position].ingredient
    lines[position] = replace(
        lines[position], ingredient=ingredient, amount=grams, amount_high=None, unit="g", pack_g=None, piece_g=None
    )
    swapped = replace(recipe, lines=tuple(lines))
    moved = _moved(swapped, position, before, at_c)
    return Swapped(recipe=moved, not_kept=tuple(_not_kept(old, ingredient, before, assess(moved, at_c))))


def _moved(swapped: Recipe, position: int, before: Assessment, at_c: float) -> Recipe:
    """Return the recipe nearest to its former set and mass; where only the mass says anything, to its mass."""
    wanted = {"mass_g": before.mass_g}
    if before.set.index is not None:
        wanted |= {"set_index": before.set.index, "at_c": at_c}
    neighbours = {other: NEIGHBOURS for other in range(len(swapped.lines)) if other != position}
    for aims in (wanted, {name: value for name, value in wanted.items() if name != "set_index"}):
        try:
            found = balance(swapped, aims, explain=False, neighbours=neighbours)
        except BadInput:
            continue
        return swapped.with_amounts_g(
            [_weighable(grams, line.unit) for grams, line in zip(found.amounts_g, swapped.lines, strict=True)]
        )
    return swapped


def _weighable(grams: float, unit: str) -> float:
    """Return grams as a scale shows them; what is less than it can show stays as it is."""
    return shown_g(grams) or grams if unit == "g" else grams


def _not_kept(old: Ingredient, new: Ingredient, before: Assessment, after: Assessment) -> Sequence[str]:
    found = []
    if before.set.index is not None and after.set.index is None:
        found.append("How firmly it sets is not known for this mix.")
    elif before.set.index is not None and after.set.index is not None:
        apart = after.set.index - before.set.index
        if abs(apart) > KEPT_WITHIN:
            how = "firmer" if apart > 0 else "softer"
            found.append(f"It sets {how}: {after.set.index:.1f} in place of {before.set.index:.1f}.")
    if abs(after.mass_g - before.mass_g) > 0.01 * before.mass_g:
        found.append(f"It weighs ⟦{after.mass_g:.0f} g⟧ in place of ⟦{before.mass_g:.0f} g⟧.")
    for name in after.allergens:
        if name not in before.allergens:
            found.append(f"It now contains {name}.")
    for name in after.allergens_named:
        if name not in before.allergens_named:
            found.append(f"It now contains {name}.")
    gone = [name for name in before.allergens if name not in after.allergens]
    if gone:
        found.append(f"By its recipe it holds no {', '.join(gone)} any more; traces may remain.")
    found += _fat_words(old, new)
    keeping = after.keeping
    if keeping.days_high < before.keeping.days_high:
        found.append(f"It keeps shorter: {keeping.days_low} to {keeping.days_high} days.")
    return found


def _fat_words(old: Ingredient, new: Ingredient) -> Sequence[str]:
    kinds = {ingredient.other_fat_kind if ingredient.composition_pct["other_fat"] > 5 else "" for ingredient in (new,)}
    found = []
    if kinds & {"lauric", "coconut"}:
        found.append("Its fat and cocoa butter soften each other: it blooms sooner and melts earlier in the hand.")
    if new.kind == "compound" and old.kind == "chocolate":
        found.append("Compound needs no tempering and never gets the snap of chocolate; keep the two apart.")
    return found
