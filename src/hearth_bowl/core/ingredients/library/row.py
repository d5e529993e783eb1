"""How a row of the ingredient table is written."""

from types import MappingProxyType
from typing import Any

from hearth_bowl.core.ingredients.attributes import NUTS
from hearth_bowl.core.ingredients.components import COMPONENTS
from hearth_bowl.core.ingredients.ingredient import DEFAULT_HIGHER_MOLAR_MASS_G_PER_MOL, Ingredient, energy_by_factors


def row(
    key: str,
    name: str,
    kind: str,
    parts: str,
    density_g_per_ml: float,
    *,
    source: str,
    spread: str,
    fat_kind: str = "oil",
    higher_g_per_mol: float = DEFAULT_HIGHER_MOLAR_MASS_G_PER_MOL,
    bulk: bool = False,
    spoon: float | None = None,
    kcal: float | None = None,
    allergens: str = "",
    named: str = "",
    **attributes: Any,
) -> Ingredient:
    """Return one ingredient of the library.

    `parts` are components with their g per 100 g ("water 0.6 cocoa_butter 29"), those not named are 0. `kcal` per
    100 g is by factors unless the row has a better figure of its own (fibre-rich, starchy or acid solids). `spoon` is
    the mass of a level spoon or cup, g/ml, where it differs from the density: chips and chopped chocolate.
    `attributes` are those of `Attributes`; the nut that it is of is the one that is named among its allergens.
    """
    words = parts.split()
    said = dict(zip(words[::2], map(float, words[1::2]), strict=True))
    composition = MappingProxyType({name: said.pop(name, 0.0) for name in COMPONENTS})
    assert not said, f"{key}: unknown components {said}"
    return Ingredient(
        key=key,
        name=name,
        kind=kind,
        composition_pct=composition,
        other_fat_kind=fat_kind,
        higher_molar_mass_g_per_mol=higher_g_per_mol,
        density_g_per_ml=density_g_per_ml,
        density_is_bulk=bulk,
        spoon_g_per_ml=density_g_per_ml if spoon is None else spoon,
        energy_kcal_per_100g=energy_by_factors(composition) if kcal is None else kcal,
        allergens=tuple(allergens.split()),
        allergens_named=tuple(named.split()),
        nut=next((name for name in named.split() if name in NUTS), None),
        source=source,
        spread=spread,
        **attributes,
    )
