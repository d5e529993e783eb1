"""Further fruit: purées and juices, dried, freeze-dried, in syrup.

Numbers with no source beside them are judgements, or limits of the reckoning.
"""

from functools import partial
from typing import Final

from hearth_bowl.core.ingredients.library.row import row

_row = partial(row, source="food-tables", spread="sugars ±3 points with ripeness")

ROWS: Final = (
    _row(
        "blackcurrant_puree",
        "Blackcurrant purée",
        "fruit",
        "water 82 glucose 3.5 fructose 4 other 10.5",
        1.04,
        liquid=True,
    ),
    _row("blueberry_puree", "Blueberry purée", "fruit", "water 84 glucose 5 fructose 5 other 6", 1.04, liquid=True),
    _row(
        "blackberry_puree", "Blackberry purée", "fruit", "water 87 glucose 2.5 fructose 2.5 other 8", 1.03, liquid=True
    ),
    _row("cherry_puree", "Cherry purée", "fruit", "water 84 glucose 6 fructose 5 other 5", 1.05, liquid=True),
    _row(
        "apricot_puree",
        "Apricot purée",
        "fruit",
        "water 86 sucrose 5.5 glucose 2.5 fructose 1 other 5",
        1.04,
        liquid=True,
    ),
    _row(
        "peach_puree", "Peach purée", "fruit", "water 88 sucrose 5 glucose 1.5 fructose 1.5 other 4", 1.04, liquid=True
    ),
    _row("pear_puree", "Pear purée", "fruit", "water 84 sucrose 1 glucose 3 fructose 6.5 other 5.5", 1.04, liquid=True),
    _row(
        "apple_puree", "Apple purée", "fruit", "water 85 sucrose 2 glucose 2.5 fructose 6 other 4.5", 1.04, liquid=True
    ),
    _row(
        "pineapple_puree",
        "Pineapple purée",
        "fruit",
        "water 86 sucrose 6 glucose 2 fructose 2 other 4",
        1.05,
        liquid=True,
    ),
    _row("yuzu_juice", "Yuzu juice", "fruit", "water 90 glucose 1 fructose 1 other 8", 1.03, liquid=True),
    _row("lime_juice", "Lime juice", "fruit", "water 90.5 glucose 0.7 fructose 0.7 other 8.1", 1.03, liquid=True),
    _row(
        "orange_juice",
        "Orange juice",
        "fruit",
        "water 88.5 sucrose 4 glucose 2.3 fructose 2.4 other 2.8",
        1.04,
        liquid=True,
    ),
    _row(
        "pumpkin_puree", "Pumpkin purée", "fruit", "water 90 sucrose 2 glucose 1 fructose 1 other 6", 1.03, liquid=True
    ),
    _row(
        "lemon_curd",
        "Lemon curd",
        "other",
        "water 32 milk_fat 10 other_fat 3 sucrose 44 glucose 2 other 9",
        1.23,
        allergens="egg milk",
    ),
    _row("marmalade", "Marmalade", "other", "water 33 sucrose 40 glucose 12 fructose 10 other 5", 1.3),
    _row(
        "cranberries_dried",
        "Cranberries, dried",
        "other",
        "water 16 sucrose 40 glucose 18 fructose 16 other 10",
        0.5,
        bulk=True,
        own_body=True,
    ),
    _row(
        "cherries_dried",
        "Cherries, dried",
        "other",
        "water 16 sucrose 20 glucose 26 fructose 22 other 16",
        0.6,
        bulk=True,
        own_body=True,
    ),
    _row(
        "blueberries_dried",
        "Blueberries, dried",
        "other",
        "water 15 sucrose 20 glucose 26 fructose 26 other 13",
        0.6,
        bulk=True,
        own_body=True,
    ),
    _row(
        "figs_dried", "Figs, dried", "other", "water 30 glucose 25 fructose 23 other 22", 0.7, bulk=True, own_body=True
    ),
    _row(
        "prunes",
        "Prunes",
        "other",
        "water 31 sucrose 1 glucose 25 fructose 13 sorbitol 14 other 16",
        0.75,
        bulk=True,
        own_body=True,
    ),
    _row(
        "mango_dried",
        "Mango, dried",
        "other",
        "water 17 sucrose 40 glucose 10 fructose 17 other 16",
        0.5,
        bulk=True,
        own_body=True,
        allergens="sulphites",
    ),
    _row(
        "pineapple_dried",
        "Pineapple, candied",
        "other",
        "water 15 sucrose 55 glucose 12 fructose 11 other 7",
        0.6,
        bulk=True,
        own_body=True,
        allergens="sulphites",
    ),
    _row(
        "banana_chips",
        "Banana chips",
        "other",
        "water 4 other_fat 34 sucrose 30 other 32",
        0.3,
        bulk=True,
        own_body=True,
        fat_kind="coconut",
    ),
    _row("currants", "Currants", "other", "water 19 glucose 33 fructose 34 other 14", 0.65, bulk=True, own_body=True),
    _row(
        "raspberry_freeze_dried",
        "Raspberries, freeze-dried",
        "other",
        "water 3 glucose 20 fructose 24 other 53",
        0.12,
        bulk=True,
        own_body=True,
    ),
    _row(
        "strawberry_freeze_dried",
        "Strawberries, freeze-dried",
        "other",
        "water 3 sucrose 8 glucose 24 fructose 28 other 37",
        0.12,
        bulk=True,
        own_body=True,
    ),
    _row(
        "passion_freeze_dried",
        "Passion fruit, freeze-dried",
        "other",
        "water 3 sucrose 20 glucose 16 fructose 16 higher 20 other 25",
        0.3,
        bulk=True,
        own_body=True,
    ),
    _row(
        "cherries_in_liqueur",
        "Cherries in spirit",
        "other",
        "water 60 sucrose 10 glucose 8 fructose 7 ethanol 11 other 4",
        1.05,
        own_body=True,
    ),
    _row(
        "cherries_in_syrup",
        "Cherries in syrup",
        "other",
        "water 62 sucrose 20 glucose 8 fructose 7 other 3",
        1.16,
        own_body=True,
    ),
)
