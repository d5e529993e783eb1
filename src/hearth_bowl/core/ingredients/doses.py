"""Doses: what goes in by the spoon or the drop, what a slip of it looks like, and what stands in for what.

Common practice; the numbers are judgements. What can hurt someone stands on an ingredient's own row, not here.
"""

from collections.abc import Mapping
from types import MappingProxyType
from typing import Final

USUAL_DOSE: Final[Mapping[str, float]] = MappingProxyType(
    {
        "salt": 0.002, "salt_flakes": 0.002, "vanilla_extract": 0.008, "vanilla_paste": 0.006, "vanilla_pod": 0.005,
        "spice_ground": 0.003, "cinnamon_ground": 0.003, "ginger_ground": 0.003, "cardamom_ground": 0.002,
        "chilli_ground": 0.001, "tonka": 0.001, "coffee_instant": 0.008, "espresso_powder": 0.008, "matcha": 0.015,
        "citrus_zest": 0.01, "lecithin": 0.004, "invertase": 0.001, "gelatine_powder": 0.015, "gelatine_leaf": 0.015,
        "agar": 0.008, "pectin": 0.012, "xanthan": 0.002, "citric_acid": 0.003, "tartaric_acid": 0.003,
        "cream_of_tartar": 0.002, "bicarbonate": 0.005, "mint_oil": 0.0006, "orange_oil": 0.0008,
        "flavour_essence": 0.005, "almond_extract": 0.004, "rose_water": 0.01, "orange_flower_water": 0.01,
        "colour_powder": 0.001, "colour_oil": 0.004, "lustre_dust": 0.0005, "lavender_dried": 0.002,
        "lemon_juice": 0.015, "lime_juice": 0.015, "yuzu_juice": 0.02, "cocoa_powder_21": 0.03,
    }
)  # fmt: skip
"""What goes in by the dose, as a share of the rest of the bowl: common practice, a judgement. A label's dose wins."""
SPOONFUL_SLIP_G: Final = {
    "salt": 8.0,
    "lecithin": 6.0,
    "vanilla_extract": 16.0,
    "spice_ground": 6.0,
    "coffee_instant": 20.0,
}
"""More than this of it in one line is more likely a tablespoon for a teaspoon. A judgement."""
SPOONFUL_SLIP_PCT: Final[Mapping[str, float]] = MappingProxyType(
    {"salt": 1.5, "lecithin": 1.5, "vanilla_extract": 4.0, "spice_ground": 2.0, "coffee_instant": 5.0}
)
"""More of it in the bowl than this share, and a tablespoon was perhaps a teaspoon: a judgement."""
SEASONINGS: Final = frozenset(
    {
        "salt", "lecithin", "vanilla_extract", "coffee_instant", "espresso", "lemon_juice", "egg_white",
        "sorbitol_powder", "sorbitol_syrup70", "glycerol", "spice_ground", "citrus_zest",
    }
)  # fmt: skip
"""What is dosed by taste or for an effect: a solver hardly touches it."""
JUICE_G: Final = {"lemon_juice": 45.0, "lime_juice": 28.0, "orange_juice": 80.0, "yuzu_juice": 25.0}
"""The juice of one fruit, ±30 %: usual sizes, a judgement."""
SMALL_TIN_G: Final = {"evaporated": 170.0, "coconut_milk17": 165.0}
"""What a small tin holds: usual prints. A judgement."""
STAND_INS: Final[Mapping[str, frozenset[str]]] = MappingProxyType(
    {
        "sugar": frozenset({"sugar_granulated", "sugar_caster", "sugar_brown", "muscovado_dark", "demerara"}),
        "milk": frozenset({"milk_whole", "milk_semi", "milk_skim"}),
        "syrup": frozenset({"glucose_syrup40", "glucose_syrup60", "corn_syrup_light", "golden_syrup", "invert_syrup"}),
        "crumbs": frozenset({"biscuit_crumbs", "shortbread", "wholemeal_biscuit", "cocoa_sandwich_biscuit"}),
        "soft cheese": frozenset({"cream_cheese", "mascarpone", "ricotta", "quark", "goat_cheese_fresh"}),
        "cocoa": frozenset({"cocoa_powder_21", "cocoa_powder_11"}),
        "tinned milk": frozenset({"evaporated"}),
        "icing sugar": frozenset({"sugar_icing"}),
        "juice": frozenset({"lemon_juice", "lime_juice", "orange_juice", "yuzu_juice"}),
        "almonds": frozenset({"almond_whole", "almond_ground"}),
    }
)
"""What takes each other's place in a family's proportions: common practice, a judgement."""

GELLING: Final = frozenset({"pectin", "agar"})
"""What sets a fruit jelly. Common practice."""


def stand_in_of(key: str) -> str:
    """Return the group of ingredients that take each other's place; the key itself where it stands alone."""
    return next((name for name, keys in STAND_INS.items() if key in keys), key)
