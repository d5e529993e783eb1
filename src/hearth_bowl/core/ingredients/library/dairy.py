"""Cream, milk, butter and fresh cheese.

Numbers with no source beside them are judgements, or limits of the reckoning.
"""

from functools import partial
from typing import Final

from hearth_bowl.core.ingredients.library.row import row

_row = partial(row, source="food-tables", spread="fat as labelled ±1 point; milk solids ±0.5")

ROWS: Final = (
    _row(
        "cream18", "Single cream 18 %", "cream", "water 74.6 milk_fat 18 lactose 3.9 msnf 3.5", 1.015, allergens="milk"
    ),
    _row("cream30", "Whipping cream 30 %", "cream", "water 63.7 milk_fat 30 lactose 3.3 msnf 3", 1, allergens="milk"),
    _row(
        "cream35",
        "Whipping cream 35 %",
        "cream",
        "water 59.15 milk_fat 35 lactose 3.1 msnf 2.75",
        0.995,
        allergens="milk",
    ),
    _row("cream38", "Heavy cream 38 %", "cream", "water 56.4 milk_fat 38 lactose 2.9 msnf 2.7", 0.99, allergens="milk"),
    _row(
        "cream48", "Double cream 48 %", "cream", "water 47.3 milk_fat 48 lactose 2.5 msnf 2.2", 0.98, allergens="milk"
    ),
    _row("milk_whole", "Whole milk", "other", "water 87.6 milk_fat 3.6 lactose 4.7 msnf 4.1", 1.03, allergens="milk"),
    _row("cream12", "Half cream 12 %", "cream", "water 80.1 milk_fat 12 lactose 4.2 msnf 3.7", 1.02, allergens="milk"),
    _row("milk_skim", "Skimmed milk", "other", "water 90.9 milk_fat 0.1 lactose 4.8 msnf 4.2", 1.035, allergens="milk"),
    _row(
        "milk_semi",
        "Semi-skimmed milk",
        "other",
        "water 89.4 milk_fat 1.6 lactose 4.8 msnf 4.2",
        1.033,
        allergens="milk",
    ),
    _row(
        "skim_powder",
        "Skimmed milk powder",
        "other",
        "water 3.8 milk_fat 0.9 lactose 52 msnf 43.3",
        0.55,
        bulk=True,
        allergens="milk",
    ),
    _row(
        "whole_powder",
        "Whole milk powder",
        "other",
        "water 3 milk_fat 26.7 lactose 38 msnf 32.3",
        0.52,
        bulk=True,
        allergens="milk",
    ),
    _row(
        "condensed_sweet",
        "Sweetened condensed milk",
        "condensed-milk",
        "water 27 milk_fat 8 sucrose 44 lactose 11.6 msnf 9.4",
        1.3,
        allergens="milk",
    ),
    _row("evaporated", "Evaporated milk", "other", "water 74 milk_fat 7.6 lactose 10 msnf 8.4", 1.07, allergens="milk"),
    _row("butter82", "Butter, unsalted", "butter", "water 16 milk_fat 82 lactose 0.7 msnf 1.3", 0.93, allergens="milk"),
    _row(
        "butter_salted",
        "Butter, salted",
        "butter",
        "water 16 milk_fat 80.5 lactose 0.7 msnf 1.2 salt 1.6",
        0.94,
        allergens="milk",
    ),
    _row("ghee", "Clarified butter", "other", "water 0.2 milk_fat 99.8", 0.91, allergens="milk"),
    _row(
        "cream_cheese",
        "Cream cheese",
        "other",
        "water 54.2 milk_fat 34 lactose 3 msnf 8 salt 0.8",
        1.02,
        allergens="milk",
    ),
    _row("mascarpone", "Mascarpone", "other", "water 47 milk_fat 44 lactose 3.6 msnf 5.4", 0.99, allergens="milk"),
)
