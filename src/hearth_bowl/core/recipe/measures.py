"""Kitchen measures: what a spoon, a cup, a stick or a tin of something weighs."""

from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.ingredients.ingredient import Ingredient

MASS_UNITS_G: Final = MappingProxyType({"g": 1.0, "kg": 1000.0, "mg": 0.001, "oz": 28.349523125, "lb": 453.59237})
"""By definition."""
POURED_UNITS_ML: Final = MappingProxyType({"ml": 1.0, "l": 1000.0, "drop": 0.05})  # by definition
PINCH_ML: Final = 0.3  # kitchen practice
STICK_G: Final = 113.4
"""A US stick of butter, 4 oz. Source: kitchen-measures."""
COUNTED_UNITS: Final = ("tin", "bar", "piece")
SPOON_UNITS: Final = ("tsp", "tbsp", "cup", "pint")
MEASURES_ML: Final = MappingProxyType(
    {
        "metric": MappingProxyType({"tsp": 5.0, "tbsp": 15.0, "cup": 250.0, "pint": 500.0, "floz": 30.0}),
        "us": MappingProxyType({"tsp": 4.929, "tbsp": 14.787, "cup": 236.59, "pint": 473.18, "floz": 29.574}),
        "imperial": MappingProxyType({"tsp": 5.919, "tbsp": 17.758, "cup": 284.13, "pint": 568.26, "floz": 28.413}),
        "au": MappingProxyType({"tsp": 5.0, "tbsp": 20.0, "cup": 250.0, "pint": 570.0, "floz": 30.0}),
    }
)
"""Millilitres of one measure (source: kitchen-measures)."""
UNITS: Final = (*MASS_UNITS_G, *POURED_UNITS_ML, "floz", *SPOON_UNITS, "stick", *COUNTED_UNITS, "pinch")
MAX_AMOUNT: Final = 1e6
"""The largest number taken as an amount, in any unit. A limit, by definition."""


def unit_g(
    ingredient: Ingredient,
    unit: str,
    measure: str = "metric",
    pack_g: float | None = None,
    piece_g: float | None = None,
) -> float:
    """Return the grams of one `unit` of the ingredient.

    Spoons and cups, and anything loose, by the mass of a level spoonful; poured millilitres by density.

    :param pack_g, piece_g: what a tin or bar, or a piece, weighs, when the ingredient does not say.
    :raises BadInput: at `unit` or `measure`: unknown, or a tin, bar, piece or stick without a weight.
    """
    if measure not in MEASURES_ML:
        raise BadInput(("measure",), f"unknown measure {measure!r}", "one of " + ", ".join(MEASURES_ML), "unknown")
    if unit in MASS_UNITS_G:
        return MASS_UNITS_G[unit]
    spoon = ingredient.spoon_g_per_ml
    poured = spoon if ingredient.density_is_bulk else ingredient.density_g_per_ml
    if unit in POURED_UNITS_ML:
        return POURED_UNITS_ML[unit] * poured
    if unit == "floz":
        return MEASURES_ML[measure]["floz"] * poured
    if unit in SPOON_UNITS:
        return MEASURES_ML[measure][unit] * spoon
    if unit == "pinch":
        return PINCH_ML * spoon
    if unit == "stick":
        if ingredient.kind == "butter":
            return STICK_G
        raise BadInput(("unit",), "a stick is a measure of butter only", "another unit", "not-for-this")
    if unit in COUNTED_UNITS:
        return _counted_g(ingredient, unit, pack_g, piece_g)
    raise BadInput(("unit",), f"unknown unit {unit!r}", "one of " + ", ".join(UNITS), "unknown")


def _counted_g(ingredient: Ingredient, unit: str, pack_g: float | None, piece_g: float | None) -> float:
    field = "piece_g" if unit == "piece" else "pack_g"
    size = (piece_g or ingredient.piece_g) if unit == "piece" else (pack_g or ingredient.pack_g)
    if size is None:
        raise BadInput(
            ("unit",),
            f"how much a {unit} of {ingredient.name} weighs is not known",
            f"a weight in {field}, or typed as '1 {unit} of 100 g', or another unit",
            "size-unknown",
        )
    return check_number((field,), size, 0, 100000, "g", above=True)
