"""Splitting: total fat to water, its bands, and the milk that mends it."""

from typing import Final

from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.set_index import is_water_free
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS, kind_g
from hearth_bowl.core.recipe.recipe import Recipe

SPLIT_BOUNDS: Final = ((1.0, "very-safe"), (1.8, "safe"), (2.3, "care"), (2.8, "fragile"), (4.0, "splits"))
"""Upper bound of each band of fat to water (source: split-practice)."""
FAT_CONTINUOUS: Final = "fat-continuous"
RESCUE_TARGET: Final = 1.8  # common practice
FRAGILE: Final = ("fragile", "splits")
"""Bands into which no offer leads. Source: split-practice."""
STAYS_BELOW: Final = 2.27
"""Fat to water up to which an offer goes: the top of "care", less the 0.03 by which a scale's grams may miss it.
A judgement."""


EMULSIONS: Final = frozenset({"cream-ganache", "whipped-ganache", "butter-ganache", "condensed-milk-fudge"})
LEAST_WATER_PHASE: Final = 0.05
"""A filling with chocolate or butter is an emulsion from this share of water phase on. A judgement."""


def is_emulsion(recipe: Recipe, mixture: Mixture) -> bool:
    """Return whether a mass is an emulsion, which alone can split."""
    if recipe.family in EMULSIONS:
        return True
    binder = mixture.binder
    wet_g = binder.grams["water"] + binder.grams["ethanol"]
    return (
        recipe.family == "filling"
        and kind_g(recipe, *CHOCOLATE_KINDS, "butter") > 0
        and wet_g >= LEAST_WATER_PHASE * binder.mass_g
    )


def fat_to_water(mixture: Mixture) -> float | None:
    """Return total fat over water of the emulsion (ethanol not counted, pieces left out), or None without water."""
    mixture = mixture.binder
    water_g = mixture.grams["water"]
    return mixture.fat_g / water_g if water_g > 0 else None


def split_band(ratio: float | None, water_free: bool) -> str:
    """Return the band of a fat to water ratio; a water-free mass has no emulsion to split."""
    if water_free or ratio is None:
        return FAT_CONTINUOUS
    return next((name for bound, name in SPLIT_BOUNDS if ratio < bound), FAT_CONTINUOUS)


def offered_up_to(recipe: Recipe, before: Mixture, after: Mixture) -> float | None:
    """Return the fat to water up to which an offer may go, where going from one mixture to another is too far.

    None where it may go there: what it makes is no emulsion, stays in "care" or below, or is no worse than it was.
    """
    if not is_emulsion(recipe, after):
        return None
    now, then = fat_to_water(before), fat_to_water(after)
    if split_band(then, is_water_free(after)) not in FRAGILE or then is None:
        return None
    limit = STAYS_BELOW if now is None or is_water_free(before) else max(STAYS_BELOW, now)
    return limit if then > limit * (1 + 1e-6) else None


def rescue_g(
    fat_g: float, water_g: float, water_share: float, fat_share: float, target: float = RESCUE_TARGET
) -> float | None:
    """Return the grams of a liquid that bring fat to water down to `target`: x = (F - t W)/(t w - f).

    0 where it is there already; None where that liquid, with as much fat for its water, never gets there.
    """
    short = fat_g - target * water_g
    if short <= 0:
        return 0.0
    gain = target * water_share - fat_share
    return short / gain if gain > 0 else None
