"""What goes in by the dose: gelling, acids, oils, essences, spices, colours."""

from functools import partial
from typing import Final

from hearth_bowl.core.ingredients.library.row import row

_row = partial(row, source="food-tables", spread="strengths differ several-fold: the maker's dose wins")

ROWS: Final = (
    _row("gelatine_powder", "Gelatine, powdered", "other", "water 12 other 88", 0.7, bulk=True, gelatine=True),
    _row("gelatine_leaf", "Gelatine, leaves", "other", "water 12 other 88", 0.7, bulk=True, gelatine=True),
    _row("agar", "Agar powder", "other", "water 10 other 90", 0.6, bulk=True),
    _row("pectin", "Pectin", "other", "water 8 other 92", 0.6, bulk=True),
    _row("xanthan", "Xanthan gum", "other", "water 10 other 90", 0.6, bulk=True),
    _row("citric_acid", "Citric acid", "other", "other 100", 0.85, bulk=True),
    _row("tartaric_acid", "Tartaric acid", "other", "other 100", 0.85, bulk=True),
    _row("cream_of_tartar", "Cream of tartar", "other", "other 100", 0.85, bulk=True),
    _row("bicarbonate", "Bicarbonate of soda", "other", "other 100", 0.9, bulk=True),
    _row("salt_flakes", "Salt flakes", "other", "salt 100", 0.6, bulk=True),
    _row("mint_oil", "Peppermint oil", "other", "other_fat 100", 0.9, most_pct=0.1),
    _row("orange_oil", "Orange oil", "other", "other_fat 100", 0.9, most_pct=0.1),
    _row("lemon_oil", "Lemon oil", "other", "other_fat 100", 0.9, most_pct=0.1),
    _row("clove_oil", "Clove oil", "other", "other_fat 100", 1.04, most_pct=0.1),
    _row("cinnamon_oil", "Cinnamon oil", "other", "other_fat 100", 1.02, most_pct=0.1),
    _row(
        "flavour_essence", "Flavouring essence", "other", "water 60 ethanol 38 other 2", 0.91, liquid=True, extract=True
    ),
    _row("almond_extract", "Almond extract", "other", "water 60 ethanol 38 other 2", 0.91, liquid=True, extract=True),
    _row(
        "vanilla_paste",
        "Vanilla bean paste",
        "other",
        "water 30 sucrose 40 glucose 12 fructose 12 ethanol 2 other 4",
        1.32,
        extract=True,
    ),
    _row("vanilla_pod", "Vanilla pod", "other", "water 25 sucrose 10 other 65", 0.8, bulk=True, own_body=True),
    _row("rose_water", "Rose water", "other", "water 99.9 other 0.1", 1, liquid=True),
    _row("orange_flower_water", "Orange flower water", "other", "water 99.9 other 0.1", 1, liquid=True),
    _row("matcha", "Matcha", "other", "water 4 other_fat 5 other 91", 0.4, bulk=True),
    _row("espresso_powder", "Espresso powder", "other", "water 3 other 97", 0.35, bulk=True),
    _row("cinnamon_ground", "Cinnamon, ground", "other", "water 10.6 other 89.4", 0.5, bulk=True, most_pct=1.0),
    _row("nutmeg_ground", "Nutmeg, ground", "other", "water 6 other_fat 36 other 58", 0.45, bulk=True, most_pct=1.0),
    _row("mace_ground", "Mace, ground", "other", "water 8 other_fat 32 other 60", 0.4, bulk=True, most_pct=1.0),
    _row("ginger_ground", "Ginger, ground", "other", "water 10 other 90", 0.45, bulk=True),
    _row("ginger_fresh", "Ginger, fresh", "other", "water 79 other 21", 1.06),
    _row("cardamom_ground", "Cardamom, ground", "other", "water 8 other 92", 0.45, bulk=True),
    _row("chilli_ground", "Chilli, ground", "other", "water 8 other 92", 0.45, bulk=True),
    _row("tonka", "Tonka bean, grated", "other", "water 8 other_fat 25 other 67", 0.5, bulk=True, most_pct=0.3),
    _row("lavender_dried", "Lavender, dried", "other", "water 8 other 92", 0.15, bulk=True, own_body=True),
    _row("colour_powder", "Food colour, powder", "other", "other 100", 0.6, bulk=True),
    _row("colour_oil", "Food colour in cocoa butter", "other", "cocoa_butter 92 other 8", 1.0),
    _row("lustre_dust", "Lustre dust, edible", "other", "other 100", 0.8, bulk=True),
    _row("rapeseed_oil", "Rapeseed oil", "other", "other_fat 100", 0.92),
    _row("olive_oil", "Olive oil", "other", "other_fat 100", 0.91),
    _row("palm_fat", "Palm fat", "other", "other_fat 100", 0.91, fat_kind="palm"),
)
"""Each row names its source."""
