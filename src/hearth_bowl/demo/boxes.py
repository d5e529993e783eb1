"""The boxes for the open evening, and the fits that are already chosen, by the order of recipes and vessels."""

from typing import Any, Final

BOXES: Final = 20
PIECES: Final[tuple[tuple[str, str, int, int, dict[str, Any]], ...]] = (
    ("Late-watch coffee centres", "Signal cones, 20", 3, 2, {"shell": "dark60", "wall_mm": 2.0}),
    ("First-light milk filling", "Planet mould, 24 half balls", 2, 2, {"shell": "milk38", "halves": True}),
    ("Night-sky truffles", "Rolled, 12 g each", 3, 3, {"shell": "dark60", "coat_mm": 1.0}),
    ("Hill-top fudge squares", "Square tin, 20 cm", 1, 0, {"thickness_mm": 16.0}),
)
"""(recipe, vessel, pieces in a box, spares, what is asked)."""
BOX: Final = "Gift box for nine"
POT_G: Final = 800.0
FITS: Final[tuple[tuple[str, str, dict[str, Any]], ...]] = (
    (
        "Moonrise cocoa mix",
        "Moon mould, 6 half balls",
        {"shell": "dark60", "halves": True, "wall_mm": 1.8, "mass_g": 565.0, "mix_g_per_cup": 28.0, "mug_mm": 80.0},
    ),
)
"""(recipe, vessel, what is asked): fits that the usual ones would not show."""
