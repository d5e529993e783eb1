"""What a recipe gives: how heavy a ml of it is, and how much of what is weighed in is left to fill with."""

from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.fit.ask import Ask
from hearth_bowl.core.mass.mixture import Mixture, mix
from hearth_bowl.core.recipe.recipe import Recipe

PACKED_SHARE: Final = 0.55
"""Of the room that lumps take up only so much is lump: finer things fill the rest first. Handbook of this craft."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Made:
    """Density as it lies in the vessel [g/ml], with its air; `left_share` of what is weighed in is left of the pan."""

    density_g_per_ml: float
    left_share: float = 1.0


def made_of(recipe: Recipe, overrun_pct: float, finished: Mixture | None = None) -> Made:
    """Return what a recipe gives.

    :param overrun_pct: the volume that whipping adds [%].
    :param finished: the mass as it is eaten, where something boils off first.
    """
    if recipe.family == "dry-mix":
        return Made(density_g_per_ml=recipe.mass_g / loose_ml(recipe))
    mixture = finished or mix(recipe)
    return Made(
        density_g_per_ml=mixture.density_g_per_ml / (1 + overrun_pct / 100),
        left_share=mixture.mass_g / recipe.mass_g if finished else 1.0,
    )


def loose_ml(recipe: Recipe) -> float:
    """Return the room that a dry mix takes: each powder loose (±15 %), and lumps whose gaps the powder fills first."""
    powder_ml = lumps_ml = 0.0
    for line, grams in recipe.weighed:
        room_ml = grams / line.ingredient.density_g_per_ml
        if line.ingredient.lump_g_per_ml is not None:
            lumps_ml += room_ml
        else:
            powder_ml += room_ml
    return max(lumps_ml, PACKED_SHARE * lumps_ml + powder_ml)


def batch_for_g(filling_g: float, ask: Ask, made: Made) -> float:
    """Return what to weigh in so that `filling_g` ends in the vessel: the losses and what boils off on top."""
    return (filling_g + ask.loss_g) / (1 - ask.loss_pct / 100) / made.left_share


def filling_of_g(batch_g: float, ask: Ask, made: Made) -> float:
    """Return what of a batch gets past pan, bowl, bag and knife."""
    return max(0.0, batch_g * made.left_share * (1 - ask.loss_pct / 100) - ask.loss_g)


def scaled(recipe: Recipe, batch_g: float) -> tuple[float, tuple[float, ...]]:
    """Return the scale and the grams of each line of a batch."""
    scale = batch_g / recipe.mass_g
    return scale, tuple(grams * scale for grams in recipe.amounts_g)
