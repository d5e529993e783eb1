"""Nuts and seeds, whole and ground, and the oils beside them.

Numbers with no source beside them are judgements, or limits of the reckoning.
"""

from functools import partial
from typing import Final

from hearth_bowl.core.ingredients.library.row import row

_row = partial(row, source="food-tables", spread="nut fat ±4 points with kind, year and roast")

ROWS: Final = (
    _row("coconut_oil", "Coconut oil", "other", "other_fat 100", 0.92, fat_kind="coconut"),
    _row("sunflower_oil", "Sunflower oil", "other", "other_fat 100", 0.92),
    _row(
        "hazelnut_paste",
        "Hazelnut paste",
        "other",
        "water 1.5 other_fat 62.5 sucrose 4.5 other 31.5",
        1.06,
        kcal=672,
        allergens="nuts",
        named="hazelnut",
    ),
    _row(
        "almond_paste",
        "Almond butter (pure paste)",
        "other",
        "water 1.7 other_fat 55 sucrose 4.5 other 38.8",
        1.08,
        kcal=626,
        allergens="nuts",
        named="almond",
    ),
    _row(
        "pistachio_paste",
        "Pistachio paste",
        "other",
        "water 2 other_fat 46.5 sucrose 7 glucose 0.4 fructose 0.3 other 43.8",
        1.11,
        kcal=581,
        allergens="nuts",
        named="pistachio",
    ),
    _row(
        "peanut_butter",
        "Peanut butter",
        "other",
        "water 1.5 other_fat 50 sucrose 4.5 other 44",
        1.09,
        kcal=604,
        allergens="peanut",
    ),
    _row(
        "praline_5050",
        "Hazelnut praliné 50:50",
        "other",
        "water 0.8 other_fat 31 sucrose 52 other 16.2",
        1.24,
        kcal=534,
        allergens="nuts",
        named="hazelnut",
    ),
    _row(
        "tahini",
        "Tahini (sesame paste)",
        "other",
        "water 3 other_fat 54 sucrose 0.5 other 42.5",
        1.06,
        kcal=611,
        allergens="sesame",
    ),
    _row(
        "hazelnut_whole",
        "Hazelnuts",
        "other",
        "water 5.3 other_fat 61 sucrose 4.2 other 29.5",
        0.58,
        bulk=True,
        allergens="nuts",
        named="hazelnut",
    ),
    _row(
        "almond_whole",
        "Almonds",
        "other",
        "water 4.4 other_fat 50 sucrose 4 other 41.6",
        0.6,
        bulk=True,
        kcal=587,
        allergens="nuts",
        named="almond",
    ),
    _row(
        "pistachio_whole",
        "Pistachios",
        "other",
        "water 4.4 other_fat 45.3 sucrose 6.9 glucose 0.3 fructose 0.2 other 42.9",
        0.52,
        bulk=True,
        kcal=566,
        allergens="nuts",
        named="pistachio",
    ),
    _row(
        "walnut_whole",
        "Walnuts",
        "other",
        "water 4.1 other_fat 65.2 sucrose 2.4 other 28.3",
        0.42,
        bulk=True,
        allergens="nuts",
        named="walnut",
    ),
    _row(
        "coconut_desiccated",
        "Desiccated coconut",
        "other",
        "water 3 other_fat 63 sucrose 6 other 28",
        0.36,
        fat_kind="coconut",
        bulk=True,
        kcal=644,
    ),
    _row(
        "coconut_milk17",
        "Coconut milk 17 %",
        "other",
        "water 75 other_fat 17.5 sucrose 2.8 other 4.7",
        0.99,
        fat_kind="coconut",
    ),
)
