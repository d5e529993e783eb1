"""Sugars, syrups and fondant."""

from functools import partial
from typing import Final

from hearth_bowl.core.ingredients.library.row import row

_row = partial(row, source="food-tables", spread="water of syrups ±1 point")

ROWS: Final = (
    _row("sugar_granulated", "Granulated sugar", "other", "water 0.05 sucrose 99.95", 0.85, bulk=True),
    _row("sugar_caster", "Caster sugar", "other", "water 0.05 sucrose 99.95", 0.9, bulk=True),
    _row("sugar_icing", "Icing sugar", "other", "water 0.3 sucrose 96.7 other 3", 0.52, bulk=True, kcal=397),
    _row(
        "sugar_brown",
        "Brown sugar",
        "other",
        "water 2 sucrose 93 glucose 1.5 fructose 1.5 other 2",
        0.92,
        bulk=True,
        kcal=386,
    ),
    _row(
        "glucose_syrup40",
        "Glucose syrup DE 40",
        "other",
        "water 19.5 glucose 13.7 maltose 10.5 higher 56.3",
        1.42,
        higher_g_per_mol=782,
        source="glucose-syrup",
    ),
    _row(
        "glucose_syrup60",
        "Glucose syrup DE 60",
        "other",
        "water 18.5 glucose 30.2 maltose 25.3 higher 26",
        1.42,
        higher_g_per_mol=870,
        source="glucose-syrup",
    ),
    _row(
        "corn_syrup_light",
        "Light corn syrup",
        "other",
        "water 23 glucose 15.4 maltose 10.8 higher 50.6 salt 0.2",
        1.38,
        higher_g_per_mol=816,
        source="glucose-syrup",
    ),
    _row("invert_syrup", "Invert sugar syrup", "other", "water 23 sucrose 5 glucose 36 fructose 36", 1.39),
    _row(
        "golden_syrup", "Golden syrup", "other", "water 18 sucrose 33 glucose 24 fructose 23 salt 0.6 other 1.4", 1.43
    ),
    _row(
        "honey",
        "Honey",
        "other",
        "water 17.2 sucrose 1.3 glucose 31 fructose 38.2 maltose 7.3 higher 1.5 other 3.5",
        1.42,
        higher_g_per_mol=900,
        kcal=321,
        honey=True,
    ),
    _row("dextrose", "Dextrose powder", "other", "water 9 glucose 91", 0.65, bulk=True),
    _row("sorbitol_powder", "Sorbitol powder", "other", "water 0.5 sorbitol 99.5", 0.65, bulk=True),
    _row("sorbitol_syrup70", "Sorbitol syrup 70 %", "other", "water 30 sorbitol 70", 1.29),
    _row("glycerol", "Glycerine (food grade)", "other", "water 0.5 glycerol 99.5", 1.26),
    _row(
        "fondant_dry",
        "Fondant sugar, dry",
        "other",
        "water 0.5 sucrose 92 glucose 1.3 maltose 1 higher 5.2",
        0.6,
        higher_g_per_mol=798,
        bulk=True,
        source="glucose-syrup",
    ),
    _row(
        "fondant_made",
        "Fondant, made",
        "other",
        "water 12 sucrose 76 glucose 2.1 maltose 1.6 higher 8.3",
        1.43,
        higher_g_per_mol=713,
        source="glucose-syrup",
        coats=True,
    ),
    _row(
        "maple_syrup",
        "Maple syrup",
        "other",
        "water 32.5 sucrose 63 glucose 1.5 fructose 0.6 other 2.4",
        1.32,
        kcal=263,
    ),
)
"""Each row names its source."""
