"""What the club's kitchen has: packs with their prices, and what is left of them."""

from typing import Final

LARDER: Final[tuple[tuple[str, float, float, float | None], ...]] = (
    ("cream35", 500, 2.40, 500),
    ("dark55", 1000, 13.50, 900),
    ("dark60", 1000, 14.00, 750),
    ("dark64", 1000, 15.20, 400),
    ("milk38", 1000, 13.80, 600),
    ("white32", 1000, 13.20, 450),
    ("butter82", 250, 2.60, 250),
    ("condensed_sweet", 397, 2.10, 794),
    ("glucose_syrup40", 500, 3.90, 320),
    ("invert_syrup", 500, 4.20, 180),
    ("honey", 340, 4.50, 200),
    ("hazelnut_paste", 500, 11.50, 260),
    ("sugar_icing", 500, 1.20, 500),
    ("salt", 750, 0.60, None),
    ("cocoa_powder_21", 250, 4.20, 180),
    ("sugar_caster", 1000, 1.50, 600),
    ("whole_powder", 400, 5.20, 150),
)
"""(key, pack in g, price of a pack, g in the house or None where nobody counted)."""
