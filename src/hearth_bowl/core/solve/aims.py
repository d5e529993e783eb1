"""Aims: what a recipe is to be moved to, each as a measured value with the side on which it is met."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.keep.cautions import why_set_not_modelled
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.set_index import HIGHEST_C, HIGHEST_INDEX, LOWEST_C, index_unclipped
from hearth_bowl.core.mass.split import fat_to_water
from hearth_bowl.core.mass.water_activity import estimate_water_activity
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS, main_liquid
from hearth_bowl.core.recipe.recipe import Recipe

ROOM_C: Final = 20.0  # a judgement
TOLERANCE: Final = 0.02  # a judgement
MASS_TOLERANCE_G: Final = 0.1  # a judgement
WATER_ACTIVITY_TOLERANCE: Final = 0.002  # a judgement
RANGES: Final[Mapping[str, tuple[float, float, str]]] = MappingProxyType(
    {
        "set_index": (0.0, HIGHEST_INDEX, ""),
        "at_c": (LOWEST_C, HIGHEST_C, "°C"),
        "water_activity_max": (0.05, 1.0, ""),
        "fat_to_water_max": (0.05, 100.0, ""),
        "ratio": (0.01, 100.0, "to 1"),
        "sweetness_pct_max": (0.0, 120.0, "%"),
        "mass_g": (0.0, 1e6, "g"),
        "alcohol_pct_max": (0.0, 100.0, "%"),
    }
)
"""What each aim may be. A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Aim:
    """One aim: `gap` is how far a mixture with its amounts is from it, in the aim's own unit.

    Above 0 the value is too high, below 0 too low; with `at_most`, too low is met. `scale` makes gaps comparable.
    """

    name: str
    gap: Callable[[Mixture, list[float]], float]
    at_most: bool
    at_least: bool = False
    tolerance: float = TOLERANCE
    scale: float = 1.0

    def missed_by(self, mixture: Mixture, amounts_g: list[float]) -> float:
        """Return how far the aim is missed, 0 when it is met exactly."""
        gap = self.gap(mixture, amounts_g)
        if self.at_most:
            return max(0.0, gap)
        return max(0.0, -gap) if self.at_least else abs(gap)

    def is_met(self, mixture: Mixture, amounts_g: list[float]) -> bool:
        """Return whether the aim is met within its tolerance."""
        return self.missed_by(mixture, amounts_g) <= self.tolerance


def checked_aims(record: Mapping[str, object]) -> dict[str, float]:
    """Return the aims of a file as numbers.

    :raises BadInput: naming the aim: unknown, out of range, none at all.
    """
    for name in record:
        if name not in RANGES:
            raise BadInput((name,), "unknown target", "one of " + ", ".join(RANGES), "unknown")
    aims = {
        name: check_number((name,), value, *RANGES[name], above=name == "mass_g")
        for name, value in record.items()
        if value is not None
    }
    if not set(aims) - {"at_c"}:
        raise BadInput((), "no target is given", "at least one of " + ", ".join(RANGES), "empty")
    return aims


def aims_of(
    recipe: Recipe, mixture: Mixture, wanted: Mapping[str, float], water_free: bool | None, only: str | None = None
) -> list[Aim]:
    """Return the aims for a recipe, or one of them, by the rule of water-free masses or the other.

    :raises BadInput: naming an aim that says nothing of this recipe: no ratio, no water, set not modelled.
    """
    makers = {
        "set_index": lambda value: _set_aim(recipe, mixture, value, wanted.get("at_c", ROOM_C)),
        "water_activity_max": lambda value: _water_activity_aim(recipe, mixture, value, water_free),
        "fat_to_water_max": lambda value: _fat_to_water_aim(mixture, value),
        "ratio": lambda value: _ratio_aim(recipe, value),
        "sweetness_pct_max": lambda value: Aim(
            name="sweetness_pct_max", gap=lambda mix, _: mix.sweetness_pct - value, at_most=True, scale=10
        ),
        "mass_g": lambda value: Aim(
            name="mass_g",
            gap=lambda _, amounts_g: sum(amounts_g) - value,
            at_most=False,
            tolerance=MASS_TOLERANCE_G,
            scale=value / 10,
        ),
        "alcohol_pct_max": lambda value: Aim(
            name="alcohol_pct_max",
            gap=lambda mix, _: 100 * mix.grams["ethanol"] / mix.mass_g - value,
            at_most=True,
            scale=1,
        ),
    }
    return [makers[name](value) for name, value in wanted.items() if name in makers and only in (None, name)]


def _set_aim(recipe: Recipe, mixture: Mixture, value: float, at_c: float) -> Aim:
    reason = why_set_not_modelled(recipe, mixture)
    if reason:
        raise BadInput(("set_index",), reason, "another target", "not-modelled")
    return Aim(
        name="set_index",
        gap=lambda mix, _: index_unclipped(mix, at_c) - value,
        at_most=value <= 0,
        at_least=value >= HIGHEST_INDEX,
    )


def _water_activity_aim(recipe: Recipe, mixture: Mixture, value: float, water_free: bool | None) -> Aim:
    if mixture.grams["water"] <= 0:
        raise BadInput(("water_activity_max",), "there is no water in the bowl", "another target", "no-water")

    def gap(mix: Mixture, _: list[float]) -> float:
        estimate = estimate_water_activity(mix, recipe.family, water_free).estimate
        return (estimate if estimate is not None else 0.0) - value

    return Aim(name="water_activity_max", gap=gap, at_most=True, tolerance=WATER_ACTIVITY_TOLERANCE, scale=0.1)


def _fat_to_water_aim(mixture: Mixture, value: float) -> Aim:
    if mixture.grams["water"] <= 0:
        raise BadInput(("fat_to_water_max",), "there is no water in the bowl", "another target", "no-water")
    return Aim(
        name="fat_to_water_max",
        gap=lambda mix, _: (1e6 if (ratio := fat_to_water(mix)) is None else ratio) - value,
        at_most=True,
    )


def _ratio_aim(recipe: Recipe, value: float) -> Aim:
    liquid = main_liquid(recipe)
    if liquid is None:
        raise BadInput(
            ("ratio",), "there is no chocolate with cream, condensed milk or butter in the bowl", "another target"
        )
    chocolate = [line.ingredient.kind in CHOCOLATE_KINDS for line in recipe.lines]
    measured = [line.ingredient.kind == liquid for line in recipe.lines]

    def gap(_: Mixture, amounts_g: list[float]) -> float:
        above = sum(grams for grams, counts in zip(amounts_g, chocolate, strict=True) if counts)
        below = sum(grams for grams, counts in zip(amounts_g, measured, strict=True) if counts)
        return above / below - value if below > 0 else 1e6

    return Aim(name="ratio", gap=gap, at_most=False)
