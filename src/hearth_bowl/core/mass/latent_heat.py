"""Heat that fats give off as they set: source fat-heats."""

from collections.abc import Mapping
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.solid_fat import SOLID_FRACTION, interpolate

LATENT_KJ_PER_KG: Final[Mapping[str, float]] = MappingProxyType(
    {"cocoa_butter": 155.0, "milk_fat": 85.0, "coconut": 110.0, "lauric": 120.0, "palm": 95.0, "oil": 80.0}
)
"""kJ per kg of solid fat: typical values. Handbook, section E."""
FIRST_HOURS_SHARE: Final = 30 / 41
"""Of the heat at equilibrium between 35 and 5 °C so much comes in the first hours: 30 of 41 kJ/kg in a 2:1 dark.
Handbook, section E."""


def solid_fat_kj_per_kg(mixture: Mixture, at_c: float) -> float:
    """Return the heat that melting all solid fat of a mixture at a temperature takes [kJ per kg of mixture].

    q = sum over fats of solid fraction x mass share x latent heat; each fat by itself.
    """
    grams = {
        "cocoa_butter": mixture.grams["cocoa_butter"],
        "milk_fat": mixture.grams["milk_fat"],
        **mixture.other_fat_g,
    }
    heat = sum(
        interpolate(SOLID_FRACTION[fat], at_c) * fat_g * LATENT_KJ_PER_KG[fat] for fat, fat_g in grams.items() if fat_g
    )
    return heat / mixture.mass_g


def setting_kj_per_kg(mixture: Mixture) -> float:
    """Return the heat given off in the first hours of setting [kJ per kg of mixture]; fair."""
    return FIRST_HOURS_SHARE * (solid_fat_kj_per_kg(mixture, 5.0) - solid_fat_kj_per_kg(mixture, 35.0))
