"""Spirits and liqueurs by their names, wines, beer, tea.

Numbers with no source beside them are judgements, or limits of the reckoning.
"""

from functools import partial
from typing import Final

from hearth_bowl.core.ingredients.library.row import row

_row = partial(row, source="computed-alcohol", spread="sugar of liqueurs ±5 points; strength as labelled")

ROWS: Final = (
    _row("rum40", "Rum 40 % vol", "other", "water 66.6 ethanol 33.3 other 0.1", 0.948, liquid=True),
    _row("brandy40", "Brandy 40 % vol", "other", "water 66.4 ethanol 33.3 other 0.3", 0.948, liquid=True),
    _row("whisky40", "Whisky 40 % vol", "other", "water 66.6 ethanol 33.3 other 0.1", 0.948, liquid=True),
    _row("vodka40", "Vodka 40 % vol", "other", "water 66.7 ethanol 33.3", 0.948, liquid=True),
    _row("gin40", "Gin 40 % vol", "other", "water 66.7 ethanol 33.3", 0.948, liquid=True),
    _row("kirsch40", "Kirsch 40 % vol", "other", "water 66.6 ethanol 33.3 other 0.1", 0.948, liquid=True),
    _row("rum54", "Rum 54 % vol", "other", "water 53.4 ethanol 46.4 other 0.2", 0.92, liquid=True),
    _row(
        "orange_liqueur40",
        "Orange liqueur 40 % vol",
        "other",
        "water 46.4 sucrose 23 ethanol 30.4 other 0.2",
        1.038,
        liquid=True,
    ),
    _row(
        "coffee_liqueur20",
        "Coffee liqueur 20 % vol",
        "other",
        "water 48 sucrose 37 ethanol 14 other 1",
        1.13,
        liquid=True,
    ),
    _row(
        "almond_liqueur28",
        "Almond liqueur 28 % vol",
        "other",
        "water 49 sucrose 29.5 ethanol 21 other 0.5",
        1.07,
        liquid=True,
        allergens="nuts",
        named="almond",
    ),
    _row(
        "hazelnut_liqueur20",
        "Hazelnut liqueur 20 % vol",
        "other",
        "water 55 sucrose 29.5 ethanol 15 other 0.5",
        1.08,
        liquid=True,
        allergens="nuts",
        named="hazelnut",
    ),
    _row(
        "mint_liqueur24",
        "Mint liqueur 24 % vol",
        "other",
        "water 47 sucrose 35.5 ethanol 17.3 other 0.2",
        1.11,
        liquid=True,
    ),
    _row(
        "coconut_liqueur21",
        "Coconut liqueur 21 % vol",
        "other",
        "water 62 sucrose 21.5 ethanol 16.3 other 0.2",
        1.03,
        liquid=True,
    ),
    _row(
        "lemon_liqueur30",
        "Lemon liqueur 30 % vol",
        "other",
        "water 51 sucrose 26 ethanol 22.8 other 0.2",
        1.04,
        liquid=True,
    ),
    _row(
        "cherry_liqueur25",
        "Cherry liqueur 25 % vol",
        "other",
        "water 53.5 sucrose 28 ethanol 18.1 other 0.4",
        1.09,
        liquid=True,
    ),
    _row(
        "egg_liqueur20",
        "Egg liqueur 20 % vol",
        "other",
        "water 48 other_fat 4.5 sucrose 27 ethanol 15 other 5.5",
        1.09,
        liquid=True,
        allergens="egg",
    ),
    _row(
        "port19",
        "Port or sherry, sweet 19 % vol",
        "other",
        "water 73 glucose 5.5 fructose 5.5 ethanol 15 other 1",
        1.03,
        liquid=True,
        allergens="sulphites",
    ),
    _row(
        "wine_red",
        "Red wine 13 % vol",
        "other",
        "water 86.5 glucose 0.2 fructose 0.3 ethanol 10.4 other 2.6",
        0.99,
        liquid=True,
        allergens="sulphites",
    ),
    _row(
        "wine_sparkling",
        "Sparkling wine 12 % vol",
        "other",
        "water 88 glucose 0.5 fructose 0.7 ethanol 9.6 other 1.2",
        0.99,
        liquid=True,
        allergens="sulphites",
    ),
    _row(
        "beer_stout",
        "Stout 5 % vol",
        "other",
        "water 91 maltose 1.5 higher 2.5 ethanol 4 other 1",
        1.01,
        liquid=True,
        allergens="gluten",
        named="barley",
    ),
    _row("tea_brewed", "Tea, brewed", "other", "water 99.6 other 0.4", 1, liquid=True),
)
