"""How a row of the ingredient table is written."""

from types import MappingProxyType

from hearth_bowl.core.components import COMPONENTS
from hearth_bowl.core.ingredient import DEFAULT_HIGHER_MOLAR_MASS_G_PER_MOL, Ingredient, energy_by_factors


def row(
    key: str,
    name: str,
    kind: str,
    *,
    density_g_per_ml: float,
    source: str,
    spread: str,
    fat_kind: str = "oil",
    higher_molar_mass_g_per_mol: float = DEFAULT_HIGHER_MOLAR_MASS_G_PER_MOL,
    bulk: bool = False,
    spoon_g_per_ml: float | None = None,
    energy_kcal_per_100g: float | None = None,
    allergens: str = "",
    named: str = "",
    **parts_pct: float,
) -> Ingredient:
    """Return one ingredient of the library.

    `parts_pct` are the components in g per 100 g, those not named are 0. Energy is by factors unless the row has a
    better figure of its own (fibre-rich, starchy or acid solids). `spoon_g_per_ml` is the mass of a level spoon or
    cup where it differs from the density: chips and chopped chocolate.
    """
    composition = MappingProxyType({name: parts_pct.get(name, 0.0) for name in COMPONENTS})
    return Ingredient(
        key=key,
        name=name,
        kind=kind,
        composition_pct=composition,
        other_fat_kind=fat_kind,
        higher_molar_mass_g_per_mol=higher_molar_mass_g_per_mol,
        density_g_per_ml=density_g_per_ml,
        density_is_bulk=bulk,
        spoon_g_per_ml=density_g_per_ml if spoon_g_per_ml is None else spoon_g_per_ml,
        energy_kcal_per_100g=energy_by_factors(composition) if energy_kcal_per_100g is None else energy_kcal_per_100g,
        allergens=tuple(allergens.split()),
        allergens_named=tuple(named.split()),
        source=source,
        spread=spread,
    )
