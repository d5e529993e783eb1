"""Water, coffee, spirits, liqueurs and extracts."""

from functools import partial
from typing import Final

from hearth_bowl.core.ingredients.library.row import row

_row = partial(row, source="computed-alcohol", spread="sugar of liqueurs ±5 points; strength as labelled")

ROWS: Final = (
    _row("water", "Water", "other", "water 100", 0.998, source="food-tables", liquid=True),
    _row("coffee_brewed", "Brewed coffee", "other", "water 99.4 other 0.6", 1, source="food-tables", liquid=True),
    _row("espresso", "Espresso", "other", "water 97.8 other 2.2", 1.01, source="food-tables", liquid=True),
    _row("coffee_instant", "Instant coffee", "other", "water 3 other 97", 0.3, bulk=True, source="food-tables"),
    _row(
        "cream_liqueur17",
        "Cream liqueur 17 % vol",
        "other",
        "water 50.7 milk_fat 14 sucrose 19 lactose 0.5 msnf 3 ethanol 12.8",
        1.045,
        allergens="milk",
        liquid=True,
    ),
    _row("liqueur25", "Liqueur 25 % vol", "other", "water 53.5 sucrose 28 ethanol 18.1 other 0.4", 1.09, liquid=True),
    _row("liqueur40", "Liqueur 40 % vol", "other", "water 46.4 sucrose 23 ethanol 30.4 other 0.2", 1.038, liquid=True),
    _row("spirit40", "Spirit 40 % vol", "other", "water 66.6 ethanol 33.3 other 0.1", 0.948, liquid=True),
    _row(
        "vanilla_extract",
        "Vanilla extract",
        "other",
        "water 52.6 sucrose 12.7 ethanol 34.4 other 0.3",
        0.96,
        liquid=True,
        extract=True,
    ),
)
"""Each row names its source."""
