"""The open evening, its boxes, and the fits that are already chosen, by the order of recipes and vessels."""

from datetime import datetime
from typing import Any, Final

from hearth_bowl.service.occasions import AwayAsk, PlacesAsk, WishesAsk

READY_AT: Final = datetime(2026, 8, 14, 19, 30)
BOXES: Final = 20
PIECES: Final[tuple[tuple[str, int, int], ...]] = (
    ("Late-watch cones", 2, 2),
    ("First-light planets", 2, 2),
    ("Night-sky drops", 2, 3),
    ("Hill-top squares", 1, 0),
    ("Cloud balls", 1, 2),
    ("Moonrock truffles", 1, 2),
)
"""Confections by their names: how many go into a box, and how many more are made."""
WISHES: Final = WishesAsk(
    begins_at=datetime(2026, 8, 10, 9, 0),
    away=(AwayAsk(from_at=datetime(2026, 8, 14, 8, 0), to_at=datetime(2026, 8, 14, 15, 0)),),
    has=PlacesAsk(rings=2, pots=2, bowls=6, fridge_shelves=3),
)
"""One cook, who works on Friday until three."""
SEEN_UNTIL: Final = datetime(2026, 8, 13, 12, 30)
"""What was planned to end by then has happened, as it was planned."""
BOX: Final = "Gift box for nine"
POT_G: Final = 800.0
OTHER_PACKS: Final = {"dark60": ({"pack_g": 100.0, "price": 1.9}, {"pack_g": 2500.0, "price": 30.0})}
"""Packs of another size, which the shopping list puts beside the usual one."""
FITS: Final[tuple[tuple[str, str, dict[str, Any]], ...]] = (
    (
        "Moonrise cocoa mix",
        "Moon mould, 6 half balls",
        {"shell": "dark60", "halves": True, "wall_mm": 1.8, "mass_g": 565.0, "mix_g_per_cup": 28.0, "mug_mm": 80.0},
    ),
)
"""(recipe, vessel, what is asked): fits that the usual ones would not show."""
