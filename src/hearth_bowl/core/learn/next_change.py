"""The change worth trying next: from a verdict, computed on the recipe as it was made."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from math import exp, log
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.geometry.numbers import crossing
from hearth_bowl.core.ingredients.attributes import is_glucose_syrup
from hearth_bowl.core.ingredients.components import COMPONENTS, FATS, SUGARS
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.learn.lessons import VERDICT_END_K, VERDICT_INDEX
from hearth_bowl.core.mass.cooking import cook_plan, is_cooked_down
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.mass.set_index import NOT_MODELLED_FAMILIES, index_at, set_class
from hearth_bowl.core.mass.split import RESCUE_TARGET, fat_to_water, is_emulsion, rescue_g
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS, LIQUID_KINDS
from hearth_bowl.core.recipe.recipe import MOST_END_SHIFT_K, Recipe

EATEN_C: Final = 20.0  # a judgement
MOST_TIMES: Final = 3.0  # a judgement
NEAR: Final = 0.005  # a judgement
LEAST_G: Final = 1.0  # a judgement
SWEETER_BY: Final = 0.2  # a judgement
STEP: Final = 0.4
"""A change worth trying is half a class of the set: more would overshoot as often as not. Numerical, by definition."""
DOCTOR_SHARE: Final = 0.06
"""Glucose syrup of so much of the sugar keeps a boiled fudge fine: usual practice."""
SWEETENS_FROM: Final = 55.0
"""Sweetness [g of sucrose in 100 g] from which an ingredient without fat is what sweetens: a judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class NextChange:
    """A change worth trying: grams by line as they would be, or a hotter end [K]; what it is, and why."""

    words: str
    because: str
    amounts_g: Mapping[int, float] = field(default_factory=dict)
    end_shift_k: float | None = None


def next_changes(recipe: Recipe, words: Sequence[str], kitchen: Kitchen, end_offset_k: float = 0.0) -> list[NextChange]:
    """Return what is worth trying after a verdict, the first the one to begin with; none where nothing is computed.

    :param recipe: as it was made; pinned lines stay.
    :param end_offset_k: what this kitchen's verdicts say of the end of such a boil, where something was learned.
    """
    if is_cooked_down(recipe):
        return list(_cooked(recipe, words, kitchen, end_offset_k))
    return [*_firmness(recipe, words), *_oil(recipe, words), *_sweetness(recipe, words)]


def _cooked(recipe: Recipe, words: Sequence[str], kitchen: Kitchen, learned_k: float) -> Iterator[NextChange]:
    step_k = next((VERDICT_END_K[word] for word in words if word in VERDICT_END_K), 0.0)
    word = next((word for word in words if VERDICT_END_K.get(word)), "")
    if step_k:
        if learned_k * step_k > 0:
            step_k = learned_k if abs(learned_k) > abs(step_k) else step_k
        shift_k = max(-MOST_END_SHIFT_K, min(MOST_END_SHIFT_K, recipe.end_shift_k + step_k))
        try:
            now, then = cook_plan(recipe, kitchen), cook_plan(replace(recipe, end_shift_k=shift_k), kitchen)
        except BadInput:
            return
        way = "hotter" if step_k > 0 else "cooler"
        yield NextChange(
            words=f"End the boil ⟪{abs(step_k):.1f} °C⟫ {way}, at ⟦{then.cooked.to_c:.1f} °C⟧",
            because=f"it turned out {word}: {then.water_pct:.1f} % of it is water then, instead of {now.water_pct:.1f}",
            end_shift_k=shift_k,
        )
    if "grainy" in words:
        position = next(
            (p for p, line in enumerate(recipe.lines) if is_glucose_syrup(line.ingredient.composition_pct)), None
        )
        sugar_g = mix(recipe).grams["sucrose"]
        if position is not None and recipe.amounts_g[position] < DOCTOR_SHARE * sugar_g:
            grams = DOCTOR_SHARE * sugar_g
            yield NextChange(
                words=f"⟦{grams - recipe.amounts_g[position]:.0f} g⟧ more glucose syrup",
                because="it turned out grainy: this much keeps the grain fine",
                amounts_g={position: grams},
            )


def _firmness(recipe: Recipe, words: Sequence[str]) -> Iterator[NextChange]:
    word = next((word for word in words if VERDICT_INDEX.get(word)), None)
    if word is None or recipe.family in NOT_MODELLED_FAMILIES:
        return
    now = index_at(mix(recipe), EATEN_C)
    aim = now - STEP * (1 if VERDICT_INDEX[word] > 0 else -1)
    for kinds, name in ((tuple(CHOCOLATE_KINDS), "chocolate"), (LIQUID_KINDS, "liquid")):
        positions = [
            p
            for p, line in enumerate(recipe.lines)
            if line.ingredient.kind in kinds and not line.pinned and recipe.amounts_g[p] > 0
        ]
        times = _times(recipe, positions, aim)
        if times is None:
            continue
        moved = {p: recipe.amounts_g[p] * times for p in positions}
        by_g = sum(moved.values()) - sum(recipe.amounts_g[p] for p in positions)
        if abs(by_g) < LEAST_G:
            continue
        one = recipe.lines[positions[0]].ingredient.name
        called = one[0].lower() + one[1:] if len(positions) == 1 else name
        yield NextChange(
            words=f"⟦{abs(by_g):.0f} g⟧ {'more' if by_g > 0 else 'less'} {called}",
            because=f"it turned out {word}: by its composition it goes from {now:.1f} ({set_class(now)}) to {aim:.1f}",
            amounts_g=moved,
        )


def _times(recipe: Recipe, positions: Sequence[int], aim: float) -> float | None:
    if not positions or not 0 < aim < 5:
        return None

    def off(log_times: float) -> float:
        times = exp(log_times)
        grams = [g * times if p in positions else g for p, g in enumerate(recipe.amounts_g)]
        return index_at(mix(recipe.with_amounts_g(grams)), EATEN_C) - aim

    found = crossing(off, -log(MOST_TIMES), log(MOST_TIMES), NEAR)
    return None if found is None else exp(found)


def _oil(recipe: Recipe, words: Sequence[str]) -> Iterator[NextChange]:
    mixture = mix(recipe)
    ratio = fat_to_water(mixture.binder) if is_emulsion(recipe, mixture) else None
    if "oily" not in words or ratio is None or ratio <= RESCUE_TARGET:
        return
    for position, line in enumerate(recipe.lines):
        share = line.ingredient.composition_pct
        if line.pinned or not line.ingredient.liquid or share["water"] < 50:
            continue
        binder = mixture.binder
        grams = rescue_g(binder.fat_g, binder.grams["water"], share["water"] / 100, share["milk_fat"] / 100)
        if grams and grams >= LEAST_G:
            name = line.ingredient.name
            yield NextChange(
                words=f"⟦{grams:.0f} g⟧ more {name[0].lower()}{name[1:]}",
                because=f"it turned out oily: fat to water goes from {ratio:.2f} to {RESCUE_TARGET:g}",
                amounts_g={position: recipe.amounts_g[position] + grams},
            )
            return


def _sweetens(ingredient: Ingredient) -> bool:
    parts = ingredient.composition_pct
    sweetness = sum(parts[name] * COMPONENTS[name].sweetness for name in SUGARS)
    return sweetness >= SWEETENS_FROM and not ingredient.own_body and sum(parts[name] for name in FATS) < 1


def _sweetness(recipe: Recipe, words: Sequence[str]) -> Iterator[NextChange]:
    way = -1 if "too sweet" in words else 1 if "not sweet enough" in words else 0
    positions = [
        p
        for p, line in enumerate(recipe.lines)
        if way and not line.pinned and _sweetens(line.ingredient) and recipe.amounts_g[p] > 0
    ]
    if not positions:
        return
    moved = {p: recipe.amounts_g[p] * (1 + way * SWEETER_BY) for p in positions}
    by_g = sum(moved.values()) - sum(recipe.amounts_g[p] for p in positions)
    if abs(by_g) < LEAST_G:
        return
    name = recipe.lines[positions[0]].ingredient.name
    yield NextChange(
        words=f"⟦{abs(by_g):.0f} g⟧ {'more' if by_g > 0 else 'less'} {name[0].lower()}{name[1:]}",
        because=f"it turned out {'too sweet' if way < 0 else 'not sweet enough'}: a fifth of what sweetens it",
        amounts_g=moved,
    )
