"""What else goes in: egg white, salt, lecithin, crumbs."""

from typing import Final

from hearth_bowl.core.library.row import row

SPREAD: Final = "as labelled, ±2 points"

ROWS: Final = (
    row(
        "egg_white",
        "Egg white",
        "other",
        water=87.6,
        glucose=0.4,
        salt=0.3,
        other=11.7,
        density_g_per_ml=1.035,
        energy_kcal_per_100g=48,
        allergens="egg",
        source="food-tables",
        spread=SPREAD,
    ),
    row(
        "salt",
        "Salt",
        "other",
        salt=100,
        density_g_per_ml=1.2,
        bulk=True,
        source="food-tables",
        spread=SPREAD,
    ),
    row(
        "lecithin",
        "Lecithin",
        "other",
        water=1,
        other_fat=98,
        other=1,
        density_g_per_ml=1.03,
        allergens="soya",
        source="food-tables",
        spread=SPREAD,
    ),
    row(
        "biscuit_crumbs",
        "Biscuit crumbs",
        "other",
        water=2.5,
        other_fat=21,
        sucrose=17,
        salt=0.8,
        other=58.7,
        fat_kind="palm",
        density_g_per_ml=0.45,
        bulk=True,
        energy_kcal_per_100g=483,
        allergens="gluten milk",
        named="wheat",
        source="food-tables",
        spread=SPREAD,
    ),
)
