"""What else goes in: egg white, salt, lecithin, zest, spice, marshmallows, crumbs."""

from functools import partial
from typing import Final

from hearth_bowl.core.ingredients.library.row import row

_row = partial(row, source="food-tables", spread="as labelled, ±2 points")

ROWS: Final = (
    _row(
        "egg_white",
        "Egg white",
        "other",
        "water 87.6 glucose 0.4 salt 0.3 other 11.7",
        1.035,
        kcal=48,
        allergens="egg",
        liquid=True,
        raw_egg="white",
    ),
    _row(
        "egg_white_pasteurised",
        "Egg white, pasteurised",
        "other",
        "water 87.6 glucose 0.4 salt 0.3 other 11.7",
        1.035,
        kcal=48,
        allergens="egg",
        liquid=True,
        pasteurised_egg=True,
    ),
    _row(
        "invertase",
        "Invertase, liquid",
        "other",
        "water 45 glycerol 50 other 5",
        1.15,
        spread="strengths differ several-fold: the maker's dose wins",
        enzyme=True,
    ),
    _row(
        "egg_yolk",
        "Egg yolk",
        "other",
        "water 50 other_fat 28 glucose 0.3 salt 0.2 other 21.5",
        1.03,
        kcal=337,
        allergens="egg",
        raw_egg="yolk",
    ),
    _row(
        "egg_yolk_pasteurised",
        "Egg yolk, pasteurised",
        "other",
        "water 50 other_fat 28 glucose 0.3 salt 0.2 other 21.5",
        1.03,
        kcal=337,
        allergens="egg",
        pasteurised_egg=True,
    ),
    _row("salt", "Salt", "other", "salt 100", 1.2, bulk=True),
    _row("lecithin", "Lecithin", "other", "water 1 other_fat 98 other 1", 1.03, allergens="soya"),
    _row("citrus_zest", "Citrus zest", "other", "water 72 glucose 3 fructose 3 other 22", 0.4, bulk=True),
    _row("spice_ground", "Ground spice", "other", "water 10 other_fat 4 glucose 2 other 84", 0.5, bulk=True),
    _row(
        "marshmallows",
        "Marshmallows",
        "other",
        "water 17 sucrose 42 glucose 12 maltose 8 higher 19 other 2",
        0.2,
        bulk=True,
        own_body=True,
        gelatine=True,
        choking=True,
        lump_g_per_ml=0.36,
    ),
    _row(
        "biscuit_crumbs",
        "Biscuit crumbs",
        "other",
        "water 2.5 other_fat 21 sucrose 17 salt 0.8 other 58.7",
        0.45,
        fat_kind="palm",
        bulk=True,
        kcal=483,
        allergens="gluten milk",
        named="wheat",
        own_body=True,
        crisp=True,
    ),
)
"""Each row names its source."""
