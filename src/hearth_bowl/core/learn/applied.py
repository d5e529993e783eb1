"""What was learned, put where the book's prediction was: a run's steps, their times and the end of a boil."""

from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Final

from hearth_bowl.core.learn.corrections import Correction
from hearth_bowl.core.learn.lessons import RING
from hearth_bowl.core.learn.told import batches_words
from hearth_bowl.core.mass.cooking import has_own_end
from hearth_bowl.core.method.hands import JOB_OF_ACT
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.stove.step import Step

LEAST_APART: Final = 0.05
"""A factor nearer to the book than that changes nothing that a cook would see. A judgement."""
LEAST_K: Final = 0.3  # a judgement


def quantity_of_step(step: Step, choices: Mapping[str, str]) -> str | None:
    """Return the quantity that a step's time belongs to; None where it teaches nothing."""
    if step.usual_min is None or not step.attended:
        return None
    ring = RING.get(choices.get("heat", "pan"), RING["pan"])
    if step.heat == "boil":
        return f"boil-off:{ring}"
    if step.heat in ("warm", "melt") and step.act != "shell":
        return f"heat-up:{ring}"
    return f"hands:{JOB_OF_ACT[step.act]}" if step.act in JOB_OF_ACT else None


def quantities_of_run(recipe: Recipe, steps: Sequence[Step], choices: Mapping[str, str]) -> tuple[str, ...]:
    """Return all that can have been learned for a run."""
    found = [quantity_of_step(step, choices) for step in steps]
    return tuple(dict.fromkeys([*(what for what in found if what), f"end:{recipe.family}"]))


def corrected_steps(
    recipe: Recipe, steps: Sequence[Step], choices: Mapping[str, str], learned: Mapping[str, Correction]
) -> tuple[Step, ...]:
    """Return a run's steps with this kitchen's own times in place of the book's, and its end of a boil; each says so.

    A recipe that says itself by how much hotter it ends keeps its own end.
    """
    return tuple(_ended(recipe, _timed(step, choices, learned), learned) for step in steps)


def _timed(step: Step, choices: Mapping[str, str], learned: Mapping[str, Correction]) -> Step:
    found = learned.get(quantity_of_step(step, choices) or "")
    if found is None or step.usual_min is None or abs(found.value - 1) < LEAST_APART:
        return step
    low, high = step.usual_min
    usual = (round(low * found.value, 1), round(high * found.value, 1))
    return replace(step, usual_min=usual, learned=f"usually {_span_words(low, high)}; yours, by {batches_words(found)}")


def _span_words(low_min: float, high_min: float) -> str:
    """Return two ends of a time in words, one figure where they agree."""
    low, high = round(low_min), round(high_min)
    return f"{high} min" if low == high else f"{low}–{high} min"


def _ended(recipe: Recipe, step: Step, learned: Mapping[str, Correction]) -> Step:
    found = learned.get(f"end:{recipe.family}")
    if found is None or step.heat != "boil" or step.target_c is None or has_own_end(recipe):
        return step
    if abs(found.value) < LEAST_K:
        return step
    low, high = step.target_c
    way = "hotter" if found.value > 0 else "cooler"
    says = f"usually ends at ⟦{(low + high) / 2:.1f} °C⟧; yours ⟪{abs(found.value):.1f} °C⟫ {way}"
    says = f"{says}, by {batches_words(found)}"
    return replace(
        step,
        target_c=(low + round(found.value, 1), high + round(found.value, 1)),
        learned=f"{step.learned}; {says}" if step.learned else says,
    )
