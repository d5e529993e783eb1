"""Our proportions of each family: what a starter begins from, and what is proposed where a card says no amount.

Common practice; numbers with no source beside them are judgements.
"""

from collections.abc import Mapping
from types import MappingProxyType
from typing import Final

Lines = tuple[tuple[str, float, str], ...]
"""Of each line the ingredient's key, its grams, and its stage."""
CHOCOLATE: Final = "chocolate"
"""Stands for the chocolate that the cook picks."""

BASES: Final[Mapping[str, Lines]] = MappingProxyType(
    {
        "cream-ganache": (("cream35", 180, "warm"), ("glucose_syrup40", 20, "warm"), (CHOCOLATE, 290, "pour-over")),
        "whipped-ganache": (("cream35", 110, "warm"), (CHOCOLATE, 140, "pour-over"), ("cream35", 250, "late")),
        "butter-ganache": (
            (CHOCOLATE, 230, "melt"),
            ("butter82", 255, "stir-in-cool"),
            ("glucose_syrup40", 15, "stir-in-cool"),
        ),
        "condensed-milk-fudge": (("condensed_sweet", 397, "warm"), (CHOCOLATE, 400, "melt"), ("butter82", 25, "melt")),
        "simmered-fudge": (
            ("sugar_granulated", 400, "warm"),
            ("evaporated", 170, "warm"),
            ("butter82", 110, "warm"),
            (CHOCOLATE, 300, "melt"),
        ),
        "boiled-fudge": (
            ("sugar_granulated", 450, "boil"),
            ("milk_whole", 300, "boil"),
            ("butter82", 60, "boil"),
            ("glucose_syrup40", 30, "boil"),
        ),
        "fondant": (("fondant_made", 400, "warm"), ("butter82", 20, "warm"), ("invertase", 0.4, "stir-in-cool")),
        "nut-paste": (("hazelnut_paste", 200, "melt"), (CHOCOLATE, 220, "melt"), ("sugar_icing", 60, "fold-in")),
        "marzipan": (
            ("almond_whole", 250, "stir-in-cool"),
            ("sugar_icing", 200, "stir-in-cool"),
            ("glucose_syrup40", 40, "warm"),
            ("egg_white_pasteurised", 25, "stir-in-cool"),
        ),
        "soft-cheese": (("biscuit_crumbs", 300, "stir-in-cool"), ("cream_cheese", 130, "stir-in-cool")),
        "sugar-butter": (
            ("butter82", 120, "stir-in-cool"),
            ("sugar_icing", 220, "stir-in-cool"),
            (CHOCOLATE, 180, "melt"),
        ),
        "filling": (("coconut_desiccated", 160, "fold-in"), ("condensed_sweet", 160, "warm"), (CHOCOLATE, 120, "melt")),
        "modelling": ((CHOCOLATE, 300, "melt"), ("glucose_syrup40", 120, "fold-in")),
        "dry-mix": (
            ("cocoa_powder_21", 120, "fold-in"),
            ("sugar_caster", 180, "fold-in"),
            ("whole_powder", 100, "fold-in"),
        ),
        "caramel": (
            ("sugar_caster", 200, "boil"),
            ("glucose_syrup40", 150, "boil"),
            ("cream35", 200, "boil"),
            ("butter82", 25, "boil"),
            ("salt", 2, "late"),
        ),
        "fruit-jelly": (
            ("raspberry_puree", 250, "boil"),
            ("pectin", 6, "boil"),
            ("sugar_caster", 250, "boil"),
            ("glucose_syrup40", 50, "boil"),
            ("lemon_juice", 6, "late"),
        ),
        "aerated": (
            ("sugar_caster", 180, "boil"),
            ("glucose_syrup40", 80, "boil"),
            ("invert_syrup", 35, "boil"),
            ("water", 50, "boil"),
            ("gelatine_powder", 6, "stir-in-cool"),
            ("water", 30, "stir-in-cool"),
        ),
        "curd": (
            ("lemon_juice", 100, "warm"),
            ("sugar_caster", 120, "warm"),
            ("egg_whole", 100, "warm"),
            ("egg_yolk", 40, "warm"),
            ("butter82", 110, "stir-in-cool"),
        ),
        "hard-sugar": (("sugar_caster", 200, "boil"), ("glucose_syrup40", 100, "boil"), ("water", 60, "boil")),
    }
)
"""Grams and stages to begin from: common practice, a judgement."""
