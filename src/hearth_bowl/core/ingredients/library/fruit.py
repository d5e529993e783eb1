"""Purées, juice, jam and dried fruit."""

from functools import partial
from typing import Final

from hearth_bowl.core.ingredients.library.row import row

_row = partial(row, source="food-tables", spread="purées ±2 points of water with season and make")

ROWS: Final = (
    _row(
        "raspberry_puree",
        "Raspberry purée",
        "fruit",
        "water 85.7 sucrose 0.2 glucose 1.9 fructose 2.4 other 9.8",
        1.04,
        liquid=True,
        fresh_fruit=True,
    ),
    _row(
        "raspberry_puree_10s",
        "Raspberry purée, 10 % sugar",
        "fruit",
        "water 77.1 sucrose 10.2 glucose 1.7 fructose 2.2 other 8.8",
        1.08,
        liquid=True,
        fresh_fruit=True,
    ),
    _row(
        "strawberry_puree",
        "Strawberry purée",
        "fruit",
        "water 91 sucrose 0.5 glucose 2 fructose 2.4 other 4.1",
        1.03,
        kcal=31,
        liquid=True,
        fresh_fruit=True,
    ),
    _row(
        "passion_puree",
        "Passion fruit purée",
        "fruit",
        "water 85.6 sucrose 3.2 glucose 3.4 fructose 2.9 other 4.9",
        1.05,
        kcal=52,
        liquid=True,
        fresh_fruit=True,
    ),
    _row(
        "mango_puree",
        "Mango purée",
        "fruit",
        "water 83.5 sucrose 7 glucose 2 fructose 4.7 other 2.8",
        1.06,
        liquid=True,
        fresh_fruit=True,
    ),
    _row(
        "banana_puree",
        "Banana purée",
        "fruit",
        "water 74.9 sucrose 2.4 glucose 5 fructose 4.9 other 12.8",
        1.08,
        kcal=90,
        liquid=True,
        fresh_fruit=True,
    ),
    _row(
        "lemon_juice",
        "Lemon juice",
        "other",
        "water 91 sucrose 0.4 glucose 1 fructose 1.1 other 6.5",
        1.03,
        kcal=28,
        liquid=True,
    ),
    _row("jam", "Jam", "fruit", "water 34 sucrose 28 glucose 17.5 fructose 17.5 other 3", 1.33, kcal=258),
    _row(
        "raisins",
        "Raisins",
        "other",
        "water 15.5 sucrose 0.2 glucose 30 fructose 31.5 other 22.8",
        0.62,
        bulk=True,
        kcal=302,
        allergens="sulphites",
        own_body=True,
    ),
    _row(
        "apricot_dried",
        "Dried apricots",
        "other",
        "water 31 sucrose 8 glucose 33 fructose 12.5 other 15.5",
        0.55,
        bulk=True,
        kcal=251,
        allergens="sulphites",
        own_body=True,
    ),
    _row(
        "dates",
        "Dates",
        "other",
        "water 21 sucrose 0.5 glucose 33.7 fructose 32 other 12.8",
        0.65,
        bulk=True,
        kcal=289,
        own_body=True,
    ),
)
"""Each row names its source."""
