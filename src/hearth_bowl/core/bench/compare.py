"""Compare: two recipes or versions side by side: amounts, composition and readings, the differences in words."""

from collections.abc import Sequence
from dataclasses import dataclass

from hearth_bowl.core.assess.assess import Assessment, assess
from hearth_bowl.core.ingredients.components import COMPONENTS
from hearth_bowl.core.recipe.recipe import Recipe

SHOWN_FROM_PCT = 0.05  # a judgement


@dataclass(frozen=True, slots=True, kw_only=True)
class Pair:
    """One thing in both; None where it is not there, or not known."""

    name: str
    first: float | None
    second: float | None
    unit: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Comparison:
    """Two recipes side by side."""

    amounts: tuple[Pair, ...]
    composition: tuple[Pair, ...]
    readings: tuple[Pair, ...]
    words: tuple[str, ...]


def compare(first: Recipe, second: Recipe, at_c: float) -> Comparison:
    """Return two recipes side by side, their set read at `at_c`."""
    a, b = assess(first, at_c), assess(second, at_c)
    amounts = _amounts(first, second)
    composition = tuple(
        Pair(name=part.label, first=a.composition_pct[name], second=b.composition_pct[name], unit="%")
        for name, part in COMPONENTS.items()
        if max(a.composition_pct[name], b.composition_pct[name]) >= SHOWN_FROM_PCT
    )
    readings = (
        Pair(name="Mass", first=a.mass_g, second=b.mass_g, unit="g"),
        Pair(name=f"Firmness at ⟦{at_c:g} °C⟧", first=a.set.index, second=b.set.index, unit="of 5"),
        Pair(name="Fat to water", first=a.split.fat_to_water, second=b.split.fat_to_water, unit=""),
        Pair(name="Water activity", first=a.water_activity.estimate, second=b.water_activity.estimate, unit=""),
        Pair(name="Keeps at least", first=a.keeping.days_low, second=b.keeping.days_low, unit="days"),
        Pair(name="Sweetness", first=a.sweetness_pct, second=b.sweetness_pct, unit="g sugar in 100 g"),
        Pair(name="Fat", first=a.fat_pct, second=b.fat_pct, unit="%"),
        Pair(name="Alcohol", first=a.alcohol_pct, second=b.alcohol_pct, unit="%"),
        Pair(name="Energy", first=a.energy_kcal_per_100g, second=b.energy_kcal_per_100g, unit="kcal in 100 g"),
    )
    return Comparison(amounts=amounts, composition=composition, readings=readings, words=tuple(_words(a, b, at_c)))


def _amounts(first: Recipe, second: Recipe) -> tuple[Pair, ...]:
    sums: dict[str, list[float]] = {}
    for side, recipe in enumerate((first, second)):
        for line, grams in recipe.weighed:
            sums.setdefault(line.ingredient.name, [0.0, 0.0])[side] += grams
    return tuple(Pair(name=name, first=a or None, second=b or None, unit="g") for name, (a, b) in sums.items())


def _words(a: Assessment, b: Assessment, at_c: float) -> Sequence[str]:
    """Return how the second differs from the first."""
    words: list[str] = []
    if a.set.index is not None and b.set.index is not None:
        words += _step(
            b.set.index - a.set.index, 0.15, f"sets firmer at ⟦{at_c:g} °C⟧", f"sets softer at ⟦{at_c:g} °C⟧"
        )
    if a.split.fat_to_water is not None and b.split.fat_to_water is not None:
        words += _step(
            b.split.fat_to_water - a.split.fat_to_water, 0.1, "splits more easily", "is less likely to split"
        )
    words += _step(b.keeping.days_low - a.keeping.days_low, 0.5, "keeps longer", "keeps shorter")
    words += _step(b.sweetness_pct - a.sweetness_pct, 1.5, "is sweeter", "is less sweet")
    words += _step(
        b.mass_g - a.mass_g, 1, f"makes ⟦{b.mass_g - a.mass_g:.0f} g⟧ more", f"makes ⟦{a.mass_g - b.mass_g:.0f} g⟧ less"
    )
    for more, fewer, verb in ((b, a, "also contains"), (a, b, "no longer contains")):
        names = [
            name
            for name in (*more.allergens, *more.allergens_named)
            if name not in (*fewer.allergens, *fewer.allergens_named)
        ]
        if names:
            words.append(f"{verb} {', '.join(names)}")
    return words or ["is the same to the hand"]


def _step(apart: float, least: float, up: str, down: str) -> Sequence[str]:
    if abs(apart) < least:
        return []
    return [up if apart > 0 else down]
