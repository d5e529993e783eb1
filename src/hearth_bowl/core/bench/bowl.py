"""The bowl: a mass cut into the layers that it is drawn with, true to mass."""

from dataclasses import dataclass

from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.solution import dissolve
from hearth_bowl.core.mass.water_activity import CAP_C


@dataclass(frozen=True, slots=True, kw_only=True)
class Layer:
    """One layer of the bowl: a stable code, the cook's word, and its grams."""

    code: str
    label: str
    grams: float


def bowl_layers(mixture: Mixture) -> tuple[Layer, ...]:
    """Return the layers from the bottom up; their grams sum to the mass.

    Water is drawn with the sugars, polyols and salt that it holds at 20 °C; what it cannot hold are crystals.
    """
    grams = mixture.grams
    held = dissolve(mixture, CAP_C)
    in_water = ("water", "glucose", "fructose", "maltose", "higher", "sorbitol", "glycerol", "salt")
    water_g = sum(grams[name] for name in in_water) + held.sucrose_g + held.lactose_g
    return (
        Layer(code="water", label="Water, with the sugars it holds", grams=water_g),
        Layer(code="crystals", label="Sugar crystals", grams=held.crystals_g),
        Layer(code="cocoa", label="Cocoa solids", grams=grams["cocoa_nonfat"]),
        Layer(code="milk", label="Milk solids", grams=grams["msnf"]),
        Layer(code="solids", label="Nut, fruit and other solids", grams=grams["other"]),
        Layer(code="milk-fat", label="Milk fat", grams=grams["milk_fat"]),
        Layer(code="cocoa-butter", label="Cocoa butter", grams=grams["cocoa_butter"]),
        Layer(code="other-fat", label="Other fats", grams=grams["other_fat"]),
        Layer(code="alcohol", label="Alcohol", grams=grams["ethanol"]),
    )
