"""Further sugars and syrups."""

from functools import partial
from typing import Final

from hearth_bowl.core.ingredients.library.row import row

_row = partial(row, source="food-tables", spread="as labelled, ±2 points")

ROWS: Final = (
    _row(
        "coconut_sugar",
        "Coconut blossom sugar",
        "other",
        "water 2 sucrose 88 glucose 3 fructose 2 other 5",
        0.75,
        bulk=True,
    ),
    _row(
        "muscovado_dark",
        "Dark muscovado sugar",
        "other",
        "water 3 sucrose 88 glucose 2 fructose 2 other 5",
        0.8,
        bulk=True,
    ),
    _row("demerara", "Demerara sugar", "other", "water 0.5 sucrose 98.5 other 1", 0.85, bulk=True),
    _row("palm_sugar", "Palm sugar", "other", "water 6 sucrose 80 glucose 4 fructose 3 other 7", 0.8, bulk=True),
    _row("vanilla_sugar", "Vanilla sugar", "other", "water 0.1 sucrose 99 other 0.9", 0.85, bulk=True),
    _row("pearl_sugar", "Pearl sugar", "other", "water 0.1 sucrose 99.9", 0.7, bulk=True, own_body=True, crisp=True),
    _row("isomalt", "Isomalt", "other", "water 3 sorbitol 48.5 other 48.5", 0.85, bulk=True, kcal=240),
    _row("erythritol", "Erythritol", "other", "other 100", 0.85, bulk=True, kcal=20),
    _row("trehalose", "Trehalose", "other", "water 9.5 maltose 90.5", 0.8, bulk=True),
    _row("maltodextrin", "Maltodextrin", "other", "water 5 higher 95", 0.5, bulk=True),
    _row("treacle", "Black treacle", "other", "water 23 sucrose 35 glucose 12 fructose 13 salt 1 other 16", 1.4),
    _row("molasses", "Molasses", "other", "water 22 sucrose 33 glucose 12 fructose 13 salt 1 other 19", 1.4),
    _row("agave_syrup", "Agave syrup", "other", "water 23 glucose 18 fructose 57 other 2", 1.36),
    _row("date_syrup", "Date syrup", "other", "water 25 glucose 36 fructose 36 other 3", 1.37),
    _row("rice_syrup", "Rice syrup", "other", "water 20 glucose 20 maltose 35 higher 25", 1.38),
    _row(
        "malt_extract",
        "Malt extract",
        "other",
        "water 20 glucose 10 maltose 42 higher 20 other 8",
        1.4,
        allergens="gluten",
        named="barley",
    ),
    _row(
        "barley_malt",
        "Barley malt powder",
        "other",
        "water 5 maltose 45 higher 25 other 25",
        0.6,
        bulk=True,
        allergens="gluten",
        named="barley",
    ),
)
"""Each row names its source."""
