"""What is put together for the open evening: of each form one, of recipes and vessels by their names."""

from typing import Any, Final

DARK: Final = {"ingredient": "dark60"}
MILK: Final = {"ingredient": "milk38"}
CONFECTIONS: Final[tuple[dict[str, Any], ...]] = (
    {
        "name": "Moonrock truffles",
        "vessel": "Rolled, 12 g each",
        "form": {"pieces": 60, "spares": 3},
        "parts": (
            {"role": "centre", "recipe": "Night-sky truffles"},
            {"role": "core", "of": {"ingredient": "hazelnut_whole"}, "g_each": 1.2},
            {"role": "coat", "of": DARK, "mm": 1.0},
            {"role": "rolling", "of": {"ingredient": "cocoa_powder_21"}},
        ),
        "extras": (("paper case", 1),),
    },
    {
        "name": "Two-sky squares",
        "vessel": "Square tin, 20 cm",
        "form": {"pieces": 36},
        "parts": (
            {"role": "layer", "recipe": "Hill-top fudge squares", "mm": 9.0},
            {"role": "layer", "recipe": "Eyepiece hazelnut paste", "mm": 7.0},
            {"role": "topping", "of": {"ingredient": "almond_whole"}, "g_each": 1.1},
        ),
    },
    {
        "name": "Comet eggs",
        "vessel": "Egg mould, 10 halves",
        "form": {"pieces": 36, "halves": True},
        "parts": (
            {"role": "shell", "of": {"blend": [{**MILK, "parts": 3.0}, {**DARK, "parts": 2.0}]}, "wall_mm": 2.0},
            {"role": "filling", "recipe": "White-dome piping ganache"},
            {"role": "filling", "recipe": "Running-sun fondant", "share_pct": 22.0},
        ),
        "extras": (("foil", 2),),
    },
    {
        "name": "Three-texture bars",
        "vessel": "Finder bars, 10",
        "form": {"pieces": 30},
        "parts": (
            {"role": "shell", "of": MILK, "wall_mm": 1.8},
            {"role": "filling", "recipe": "Eyepiece hazelnut paste", "mm": 4.0},
            {"role": "filling", "of": {"ingredient": "hazelnut_whole"}, "g_each": 2.4, "lumps": True},
            {"role": "filling", "recipe": "First-light milk filling"},
        ),
    },
    {
        "name": "Cloud balls",
        "vessel": "Rolled, 22 g each",
        "form": {"pieces": 30},
        "parts": (
            {"role": "centre", "recipe": "Cloud-cover cheese centres"},
            {"role": "coat", "of": {"ingredient": "compound_white"}, "mm": 1.2, "coated": 12},
        ),
    },
    {
        "name": "Whirl cups",
        "vessel": "Paper cups, 24",
        "form": {"pieces": 24},
        "parts": (
            {"role": "filling", "recipe": "Late-watch coffee centres", "share_pct": 70.0},
            {"role": "filling", "recipe": "Altocumulus whip", "ml_each": 9.0, "on_top": True, "overrun_pct": 80.0},
            {"role": "topping", "of": {"ingredient": "pistachio_whole"}, "g_each": 0.6},
        ),
    },
    {
        "name": "Moonrise drink spheres",
        "vessel": "Moon mould, 6 half balls",
        "form": {"pieces": 24, "halves": True},
        "parts": (
            {"role": "shell", "of": DARK, "wall_mm": 1.8},
            {"role": "filling", "recipe": "Moonrise cocoa mix", "g_each": 28.0},
            {"role": "topping", "of": {"ingredient": "white32"}, "g_each": 1.0},
        ),
        "extras": (("stick", 1),),
    },
    {
        "name": "Observatory dome cake",
        "vessel": "Dome cake, 18 cm",
        "form": {},
        "parts": (
            {"role": "filling", "recipe": "White-dome piping ganache"},
            {"role": "coat", "recipe": "Night-sky truffles"},
        ),
    },
    {
        "name": "Late-watch cones",
        "vessel": "Signal cones, 20",
        "form": {},
        "parts": (
            {"role": "shell", "of": DARK, "wall_mm": 2.0},
            {"role": "filling", "recipe": "Late-watch coffee centres"},
        ),
    },
    {
        "name": "First-light planets",
        "vessel": "Planet mould, 24 half balls",
        "form": {"halves": True},
        "parts": ({"role": "shell", "of": MILK}, {"role": "filling", "recipe": "First-light milk filling"}),
    },
    {
        "name": "Night-sky drops",
        "vessel": "Rolled, 12 g each",
        "form": {},
        "parts": ({"role": "centre", "recipe": "Night-sky truffles"}, {"role": "coat", "of": DARK, "mm": 1.0}),
    },
    {
        "name": "Hill-top squares",
        "vessel": "Square tin, 20 cm",
        "form": {"pieces": 20},
        "parts": ({"role": "layer", "recipe": "Hill-top fudge squares", "mm": 16.0},),
    },
)
"""A part of a recipe names it; what else it may be of stands under `of`."""
