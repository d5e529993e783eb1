"""The seventeen components that every ingredient is made of, with what each weighs, feeds and tastes."""

from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

FAT_KINDS: Final = ("oil", "lauric", "coconut", "palm")
"""What `other_fat` can be: liquid nut or seed oil, hardened palm-kernel type, coconut oil, palm (biscuit)."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Component:
    """One component. Densities: typical values, several textbooks. Energy: Regulation (EU) 1169/2011 and averages.

    `sweetness` is per gram against sucrose 1: typical values, several textbooks.
    """

    label: str
    density_g_per_ml: float
    energy_kcal_per_g: float
    sweetness: float = 0.0


COMPONENTS: Final = MappingProxyType(
    {
        "water": Component(label="Water", density_g_per_ml=0.998, energy_kcal_per_g=0),
        "cocoa_butter": Component(label="Cocoa butter", density_g_per_ml=0.975, energy_kcal_per_g=9),
        "milk_fat": Component(label="Milk fat", density_g_per_ml=0.925, energy_kcal_per_g=9),
        "other_fat": Component(label="Other fat", density_g_per_ml=0.917, energy_kcal_per_g=9),
        "cocoa_nonfat": Component(label="Dry fat-free cocoa", density_g_per_ml=1.45, energy_kcal_per_g=2.6),
        "sucrose": Component(label="Sucrose", density_g_per_ml=1.588, energy_kcal_per_g=4, sweetness=1.0),
        "lactose": Component(label="Lactose", density_g_per_ml=1.53, energy_kcal_per_g=4, sweetness=0.20),
        "glucose": Component(label="Glucose", density_g_per_ml=1.555, energy_kcal_per_g=4, sweetness=0.70),
        "fructose": Component(label="Fructose", density_g_per_ml=1.60, energy_kcal_per_g=4, sweetness=1.20),
        "maltose": Component(label="Maltose", density_g_per_ml=1.54, energy_kcal_per_g=4, sweetness=0.40),
        "higher": Component(label="Higher saccharides", density_g_per_ml=1.55, energy_kcal_per_g=4, sweetness=0.20),
        "msnf": Component(label="Milk protein and salts", density_g_per_ml=1.42, energy_kcal_per_g=3.28),
        "ethanol": Component(label="Ethanol", density_g_per_ml=0.789, energy_kcal_per_g=7),
        "sorbitol": Component(label="Sorbitol", density_g_per_ml=1.489, energy_kcal_per_g=2.4, sweetness=0.55),
        "glycerol": Component(label="Glycerol", density_g_per_ml=1.261, energy_kcal_per_g=2.4, sweetness=0.60),
        "salt": Component(label="Salt", density_g_per_ml=2.16, energy_kcal_per_g=0),
        "other": Component(label="Other solids", density_g_per_ml=1.42, energy_kcal_per_g=2.6),
    }
)
"""In the order of the ingredient table's columns; keys are those of `composition_pct` everywhere.
Sources: component-densities, eu-1169, sweetness-textbooks."""

FATS: Final = ("cocoa_butter", "milk_fat", "other_fat")
SUGARS: Final = ("sucrose", "lactose", "glucose", "fructose", "maltose", "higher")
