"""What is in the bowl: the grams of each component, summed over the lines and never averaged."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Any, Final

import numpy as np

from hearth_bowl.core.ingredients.components import COMPONENTS, FAT_KINDS, FATS, SUGARS
from hearth_bowl.core.ingredients.ingredient import DEFAULT_HIGHER_MOLAR_MASS_G_PER_MOL, Ingredient
from hearth_bowl.core.recipe.pieces import is_piece
from hearth_bowl.core.recipe.recipe import Recipe

NAMES: Final = tuple(COMPONENTS)
POWDER_WATER_PCT: Final = 12.0
"""Glucose of an ingredient with less water than this came as powder or crystals. Handbook, section B."""
FREE_FAT_PCT: Final = 99.0
"""Oil or coconut fat from which an ingredient brings it free, not held in a paste or butter. Handbook, D."""
MOSTLY_GELATINE_PCT: Final = 50.0
"""Gelatine itself is weighed dry, whatever water it holds; a sweet brings what is neither sugar nor water. Judged."""
AMOUNTS: Final = (
    "higher_mol", "fruit_solids_g", "powder_cocoa_g", "powder_glucose_g", "free_oil_g", "free_coconut_g", "gelatine_g",
    "energy_kcal",
)  # fmt: skip
"""What a mixture sums besides its components and its fats."""
FREE_FATS: Final = {"oil": "free_oil_g", "coconut": "free_coconut_g"}
FloatArray = np.ndarray[tuple[int, ...], np.dtype[np.float64]]
_DENSITIES: Final = tuple((name, part.density_g_per_ml) for name, part in COMPONENTS.items())
_SWEETNESS: Final = tuple((name, COMPONENTS[name].sweetness) for name in NAMES if COMPONENTS[name].sweetness)


@dataclass(frozen=True, kw_only=True)
class Mixture:
    """Grams of each component, with what the set and water rules ask beyond them.

    `other_fat_g` splits other fat by its kind; `higher_mol` are the moles of higher saccharides; `fruit_solids_g`
    are the other solids of purées and jam; `powder_cocoa_g` is dry cocoa that came as cocoa powder, `powder_glucose_g`
    glucose that came as powder or crystals; `free_oil_g`, `free_coconut_g` are oil and coconut fat that came as such;
    `gelatine_g` is dry gelatine. `pieces` is what of it all keeps a body of its own.
    """

    grams: dict[str, float]
    other_fat_g: dict[str, float]
    higher_mol: float
    fruit_solids_g: float
    powder_cocoa_g: float
    powder_glucose_g: float
    free_oil_g: float
    free_coconut_g: float
    gelatine_g: float
    energy_kcal: float
    pieces: "Mixture | None" = None

    @cached_property
    def binder(self) -> "Mixture":
        """Return the mass without its pieces: what sets, keeps and may split. Nothing but pieces is its own binder."""
        if self.pieces is None or self.pieces.mass_g >= self.mass_g * (1 - 1e-9):
            return self
        rest = self.plus(self.pieces, -1.0)
        return replace(rest, grams={name: max(0.0, grams) for name, grams in rest.grams.items()}, pieces=None)

    @cached_property
    def mass_g(self) -> float:
        """Return the mass of all components."""
        return sum(self.grams.values())

    @cached_property
    def fat_g(self) -> float:
        """Return the grams of fat of every kind."""
        return self.grams["cocoa_butter"] + self.grams["milk_fat"] + self.grams["other_fat"]

    @property
    def sugars_g(self) -> float:
        """Return the grams of all sugars, dissolved or not."""
        return sum(self.grams[name] for name in SUGARS)

    @property
    def composition_pct(self) -> dict[str, float]:
        """Return g per 100 g of each component."""
        mass_g = self.mass_g
        return {name: 100 * grams / mass_g for name, grams in self.grams.items()}

    @property
    def density_g_per_ml(self) -> float:
        """Return the density without air: 1/rho = sum of mass shares over their densities. Good to 3.5 %."""
        return self.mass_g / sum(self.grams[name] / density for name, density in _DENSITIES)

    @property
    def sweetness_pct(self) -> float:
        """Return g of sucrose-equivalents per 100 g (weak to fair; cold, cocoa and salt mute it)."""
        return 100 * sum(self.grams[name] * value for name, value in _SWEETNESS) / self.mass_g

    @property
    def energy_kcal_per_100g(self) -> float:
        """Return energy per 100 g (fair, ±5 %), Regulation (EU) 1169/2011, annex XIV."""
        return 100 * self.energy_kcal / self.mass_g

    def plus(self, other: "Mixture", share: float = 1.0) -> "Mixture":
        """Return this mixture with `share` of another stirred in."""
        return Mixture(
            grams={name: grams + share * other.grams[name] for name, grams in self.grams.items()},
            other_fat_g={kind: grams + share * other.other_fat_g[kind] for kind, grams in self.other_fat_g.items()},
            **{name: getattr(self, name) + share * getattr(other, name) for name in AMOUNTS},
            pieces=self.pieces if other.pieces is None else _plus(self.pieces, other.pieces, share),
        )


def mix(recipe: Recipe) -> Mixture:
    """Return what is in the bowl of a recipe."""
    return mix_lines(recipe, range(len(recipe.lines)))


def mix_lines(recipe: Recipe, positions: range | list[int]) -> Mixture:
    """Return what some of the recipe's lines bring."""
    whole = _sum_lines(recipe, positions)
    pieces = [p for p in positions if recipe.amounts_g[p] > 0 and is_piece(recipe, recipe.lines[p])]
    return replace(whole, pieces=_sum_lines(recipe, pieces)) if pieces else whole


def _sum_lines(recipe: Recipe, positions: range | list[int]) -> Mixture:
    grams = dict.fromkeys(NAMES, 0.0)
    other_fat_g = dict.fromkeys(FAT_KINDS, 0.0)
    amounts: dict[str, Any] = dict.fromkeys(AMOUNTS, 0.0)
    for position in positions:
        ingredient, amount_g = recipe.lines[position].ingredient, recipe.amounts_g[position]
        share = amount_g / 100
        for name, pct in ingredient.composition_pct.items():
            if pct:
                grams[name] += share * pct
        for name, per_100g in _brings(ingredient):
            amounts[name] += share * per_100g
        other_fat_g[ingredient.other_fat_kind] += share * ingredient.composition_pct["other_fat"]
    return Mixture(grams=grams, other_fat_g=other_fat_g, **amounts)


def _brings(ingredient: Ingredient) -> Iterator[tuple[str, float]]:
    """Give what of `AMOUNTS` 100 g of an ingredient bring."""
    parts = ingredient.composition_pct
    yield "energy_kcal", ingredient.energy_kcal_per_100g
    if parts["higher"]:
        molar_mass = ingredient.higher_molar_mass_g_per_mol or DEFAULT_HIGHER_MOLAR_MASS_G_PER_MOL
        yield "higher_mol", parts["higher"] / molar_mass
    if parts["glucose"] and parts["water"] < POWDER_WATER_PCT:
        yield "powder_glucose_g", parts["glucose"]
    if ingredient.kind == "fruit":
        yield "fruit_solids_g", parts["other"]
    elif ingredient.kind == "cocoa-powder":
        yield "powder_cocoa_g", parts["cocoa_nonfat"]
    if parts["other_fat"] >= FREE_FAT_PCT and ingredient.other_fat_kind in FREE_FATS:
        yield FREE_FATS[ingredient.other_fat_kind], parts["other_fat"]
    if ingredient.gelatine:
        yield "gelatine_g", 100.0 if parts["other"] >= MOSTLY_GELATINE_PCT else parts["other"]


def _plus(first: Mixture | None, second: Mixture, share: float) -> Mixture:
    return second.plus(second, share - 1.0) if first is None else first.plus(second, share)


class MixingTable:
    """The lines of one recipe as a table, so that many amounts of them are mixed quickly."""

    def __init__(self, recipe: Recipe) -> None:
        ones = recipe.with_amounts_g([1.0] * len(recipe.lines))
        self._rows = np.array([_row(_sum_lines(ones, [position])) for position in range(len(recipe.lines))])
        pieces = np.array([is_piece(recipe, line) for line in recipe.lines])
        self._pieces = self._rows * pieces[:, np.newaxis] if pieces.any() else None

    def wet_and_fat(self) -> tuple[FloatArray, FloatArray]:
        """Return the water and alcohol, and the fat, that 1 g of each line brings to the binder."""
        rows = self._rows if self._pieces is None else self._rows - self._pieces
        wet, fat = (
            rows[:, [NAMES.index(name) for name in names]].sum(axis=1) for names in (("water", "ethanol"), FATS)
        )
        return wet, fat

    def mix(self, amounts_g: list[float]) -> Mixture:
        """Return what is in the bowl with these grams of each line."""
        grams = np.array(amounts_g)
        whole = _mixture((grams @ self._rows).tolist())
        return whole if self._pieces is None else replace(whole, pieces=_mixture((grams @ self._pieces).tolist()))


def _mixture(row: list[float]) -> Mixture:
    fats_at, rest_at = len(NAMES), len(NAMES) + len(FAT_KINDS)
    amounts: dict[str, Any] = dict(zip(AMOUNTS, row[rest_at:], strict=True))
    return Mixture(
        grams=dict(zip(NAMES, row, strict=False)),
        other_fat_g=dict(zip(FAT_KINDS, row[fats_at:rest_at], strict=True)),
        **amounts,
    )


def _row(mixture: Mixture) -> list[float]:
    return [*mixture.grams.values(), *mixture.other_fat_g.values(), *(getattr(mixture, name) for name in AMOUNTS)]
