"""How a row of the ingredient table is written."""

from types import MappingProxyType
from typing import Final

from hearth_bowl.core.ingredients.components import COMPONENTS
from hearth_bowl.core.ingredients.ingredient import DEFAULT_HIGHER_MOLAR_MASS_G_PER_MOL, Ingredient, energy_by_factors

OWN_BODY: Final = frozenset(
    {
        "hazelnut_whole", "almond_whole", "pistachio_whole", "walnut_whole", "coconut_desiccated", "raisins",
        "apricot_dried", "dates", "marshmallows", "biscuit_crumbs",
    }
)  # fmt: skip
"""What stays a piece in a mass."""
LIQUIDS: Final = frozenset(
    {
        "cream12", "cream18", "cream30", "cream35", "cream38", "cream48", "milk_whole", "milk_semi", "milk_skim",
        "evaporated", "coconut_milk17", "raspberry_puree", "raspberry_puree_10s", "strawberry_puree", "passion_puree",
        "mango_puree", "banana_puree", "lemon_juice", "water", "coffee_brewed", "espresso", "cream_liqueur17",
        "liqueur25", "liqueur40", "spirit40", "vanilla_extract", "egg_white", "egg_white_pasteurised",
    }
)  # fmt: skip
"""What counts against the chocolate as a liquid; condensed milk, butter, syrups, jam and soft cheese are none."""


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
    own_body: bool = False,
    liquid: bool = False,
) -> Ingredient:
    """Return one ingredient of the library.

    `parts` are components with their g per 100 g ("water 0.6 cocoa_butter 29"), those not named are 0. `kcal` per
    100 g is by factors unless the row has a better figure of its own (fibre-rich, starchy or acid solids). `spoon` is
    the mass of a level spoon or cup, g/ml, where it differs from the density: chips and chopped chocolate.
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
        own_body=own_body or key in OWN_BODY,
        liquid=liquid or key in LIQUIDS,
        source=source,
        spread=spread,
    )
