"""Formula: what the bench shows of a recipe, perhaps while an amount is typed or the ratio slid."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any, Final

from sqlalchemy.orm import Session

from hearth_bowl.core.bench.formula import Formula, formula
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.ingredients.packs import usual_pack_g
from hearth_bowl.core.learn.lessons import main_chocolate
from hearth_bowl.core.learn.told import batches_words, is_few
from hearth_bowl.core.mass.set_index import HIGHEST_INDEX, set_class
from hearth_bowl.core.method.act import Act
from hearth_bowl.core.method.card import may_be_left_out
from hearth_bowl.core.method.chain import earlier, is_added, later, name_of
from hearth_bowl.core.method.method import method_of_recipe
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.typed_amount import unit_wanted
from hearth_bowl.core.recipe.weighing import shown_g
from hearth_bowl.core.recipe.written.typed import read_typed
from hearth_bowl.core.solve.slide import slide_of, slide_to
from hearth_bowl.formats.method_answer import MethodAnswer, method_answer
from hearth_bowl.formats.recipe_file import RecipeFile, line_from, recipe_from, recipe_record
from hearth_bowl.service.larder import prices_per_g
from hearth_bowl.service.learned import correction_for
from hearth_bowl.service.settings import get_settings

LEAST_APART: Final = 0.1
"""Less of the set index than that is not told."""


@dataclass(frozen=True, slots=True, kw_only=True)
class LearnedSet:
    """How firm it will be by what this cook's batches of its chocolate taught: the index, its class, and in words."""

    index: float
    class_: str
    says: str


@dataclass(frozen=True, slots=True, kw_only=True)
class OwnStep:
    """What the cook may change of an act: its name in her own steps, those that stand in it by position, whether it is
    hers alone, whether it may be left out, and the act that it comes after when it is moved up or down (None: it
    stays)."""

    act: str
    steps: tuple[int, ...]
    is_added: bool
    may_leave_out: bool
    earlier: str | None
    later: str | None


@dataclass(frozen=True, slots=True, kw_only=True)
class RecipeMethod:
    """How a mix is made alone: its acts, and what may be changed of each."""

    method: MethodAnswer
    own: tuple[OwnStep, ...]


def method_of(session: Session, record: Mapping[str, Any]) -> RecipeMethod:
    """Return how a recipe is made in this kitchen, with the cook's own steps. Nothing is stored.

    :raises BadInput: naming the field of the recipe.
    """
    settings = get_settings(session)
    found = method_of_recipe(recipe_from(record), {}, settings.kitchen, settings.kitchen_c)
    return RecipeMethod(
        method=method_answer(found), own=tuple(_own_step(found.acts, at) for at in range(len(found.acts)))
    )


def _own_step(acts: Sequence[Act], at: int) -> OwnStep:
    return OwnStep(
        act=name_of(acts[at]),
        steps=acts[at].card_steps,
        is_added=is_added(acts[at]),
        may_leave_out=may_be_left_out(acts[at]),
        earlier=earlier(acts, at, _is_any),
        later=later(acts, at, _is_any),
    )


def _is_any(act: Act) -> bool:
    return True


@dataclass(frozen=True, slots=True, kw_only=True)
class ComputedFormula:
    """A recipe after what was typed or slid, and all that is shown of it."""

    recipe: Recipe
    record: RecipeFile
    formula: Formula
    learned: LearnedSet | None


def compute(
    session: Session, record: Mapping[str, Any], at_c: float, now: datetime, ratio: float | None = None
) -> ComputedFormula:
    """Return the bench of a recipe file's content, in the person's own kitchen and at their prices.

    A line may hold `typed`, an amount as a cook types it, in place of its amount and unit. With `ratio` the recipe is
    slid there first, to amounts that a scale can weigh.

    :raises BadInput: naming the field.
    """
    recipe = recipe_from(_with_typed_amounts(record))
    if ratio is not None:
        recipe = _weighable(recipe, slide_to(recipe, ratio))
    settings = get_settings(session)
    found = formula(recipe, at_c, settings.kitchen, prices_per_g(session), settings.measure)
    learned = _learned_set(session, recipe, found.assessment.set.index, now)
    return ComputedFormula(recipe=recipe, record=recipe_record(recipe), formula=found, learned=learned)


def _learned_set(session: Session, recipe: Recipe, index: float | None, now: datetime) -> LearnedSet | None:
    chocolate = main_chocolate(recipe)
    if index is None or chocolate is None:
        return None
    found = correction_for(session, f"set:{chocolate}", now)
    if found is None or abs(found.value) < LEAST_APART:
        return None
    own, low, high = (min(max(index + one, 0.0), HIGHEST_INDEX) for one in (found.value, found.low, found.high))
    band = f": {low:.1f} to {high:.1f}" if is_few(found) else ""
    return LearnedSet(index=own, class_=set_class(own), says=f"by {batches_words(found)}{band}; usually {index:.1f}")


def _weighable(before: Recipe, slid: Recipe) -> Recipe:
    slide = slide_of(before)
    moving = slide.moving if slide else ()
    return before.with_amounts_g(
        [shown_g(grams) if position in moving else grams for position, grams in enumerate(slid.amounts_g)]
    )


def _usual_size_g(line: Mapping[str, Any], unit: str) -> float | None:
    """Return what a tin, bar or piece of the line's ingredient usually weighs, where it does not say so itself."""
    found = LIBRARY.get(line["ingredient"]) if isinstance(line.get("ingredient"), str) else None
    return usual_pack_g(found.key, found.kind, unit, line.get("measure", "metric")) if found else None


def _in_unit(line: Mapping[str, Any], unit: str) -> dict[str, Any]:
    """Return a line with its amount in another unit: as much as it was."""
    size = "piece_g" if unit == "piece" else "pack_g"
    sized = {**line, size: line.get(size) or _usual_size_g(line, unit)}
    converted = line_from({**sized, "typed": None}).in_unit(unit)
    return {**sized, "unit": unit, "amount": converted.amount, "amount_high": converted.amount_high}


def _with_typed_amounts(record: Mapping[str, Any]) -> dict[str, Any]:
    lines = []
    for position, line in enumerate(record.get("lines", [])):
        typed = line.get("typed")
        if typed is None:
            lines.append(line)
            continue
        try:
            unit = unit_wanted(typed)
            if unit is not None:
                lines.append(_in_unit(line, unit))
                continue
            amount = read_typed(typed, line.get("unit", "g"))
        except BadInput as problem:
            raise problem.under("lines", position) from None
        changed = {**line, "amount": amount.amount, "amount_high": amount.amount_high, "unit": amount.unit}
        size = "piece_g" if amount.unit == "piece" else "pack_g"
        if amount.size_g is not None:
            changed[size] = amount.size_g
        elif not line.get(size):
            changed[size] = _usual_size_g(line, amount.unit)
        changed["proposed"] = False
        lines.append(changed)
    return {**record, "lines": lines}
