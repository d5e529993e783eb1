"""The sweets for the open evening in August of Skylark Observatory, a small hill-top telescope club."""

from typing import Any, Final

Lines = tuple[tuple[str, float, str, str], ...]


def _recipe(name: str, family: str, use: str, lines: Lines) -> dict[str, Any]:
    return {
        "format": "hearth-bowl/recipe",
        "version": 1,
        "name": name,
        "family": family,
        "use": use,
        "lines": [
            {"ingredient": key, "amount": amount, "unit": unit, "stage": stage} for key, amount, unit, stage in lines
        ],
    }


RECIPES: Final = (
    _recipe(
        "Night-sky truffles",
        "cream-ganache",
        "roll",
        (
            ("cream35", 210, "g", "warm"),
            ("glucose_syrup40", 28, "g", "warm"),
            ("dark64", 390, "g", "pour-over"),
            ("butter82", 20, "g", "stir-in-cool"),
            ("salt", 1, "g", "warm"),
        ),
    ),
    _recipe(
        "White-dome piping ganache",
        "cream-ganache",
        "pipe",
        (
            ("cream35", 150, "g", "warm"),
            ("invert_syrup", 12, "g", "warm"),
            ("white32", 320, "g", "melt"),
            ("lemon_juice", 2, "tsp", "late"),
        ),
    ),
    _recipe(
        "Hill-top fudge squares",
        "condensed-milk-fudge",
        "cut",
        (
            ("condensed_sweet", 397, "g", "warm"),
            ("dark55", 420, "g", "melt"),
            ("butter82", 30, "g", "melt"),
            ("vanilla_extract", 1, "tsp", "late"),
            ("salt", 2, "pinch", "late"),
        ),
    ),
    _recipe(
        "Eyepiece hazelnut paste",
        "nut-paste",
        "roll",
        (
            ("hazelnut_paste", 180, "g", "melt"),
            ("milk38", 200, "g", "melt"),
            ("cocoa_butter", 8, "g", "melt"),
            ("sugar_icing", 60, "g", "fold-in"),
            ("salt", 1, "g", "fold-in"),
        ),
    ),
    _recipe(
        "First-light milk filling",
        "cream-ganache",
        "fill-shell",
        (
            ("cream35", 130, "g", "warm"),
            ("honey", 20, "g", "warm"),
            ("milk38", 220, "g", "pour-over"),
            ("hazelnut_paste", 25, "g", "stir-in-cool"),
        ),
    ),
    _recipe(
        "Late-watch coffee centres",
        "cream-ganache",
        "fill-shell",
        (
            ("cream35", 140, "g", "warm"),
            ("coffee_instant", 2, "tsp", "warm"),
            ("glucose_syrup40", 24, "g", "warm"),
            ("dark60", 215, "g", "pour-over"),
            ("liqueur25", 20, "ml", "late"),
        ),
    ),
    _recipe(
        "Moonrise cocoa mix",
        "dry-mix",
        "drink",
        (
            ("cocoa_powder_21", 165, "g", ""),
            ("sugar_caster", 260, "g", ""),
            ("whole_powder", 140, "g", ""),
            ("salt", 2, "pinch", ""),
        ),
    ),
    _recipe(
        "Cloud-cover cheese centres",
        "soft-cheese",
        "roll",
        (
            ("cream_cheese", 250, "g", "fold-in"),
            ("biscuit_crumbs", 180, "g", "fold-in"),
            ("sugar_icing", 60, "g", "fold-in"),
        ),
    ),
    _recipe(
        "Running-sun fondant",
        "fondant",
        "fill-shell",
        (("fondant_made", 300, "g", "melt"), ("butter82", 25, "g", "melt"), ("invertase", 0.6, "g", "late")),
    ),
    _recipe(
        "Altocumulus whip",
        "whipped-ganache",
        "whip",
        (("cream35", 260, "g", "warm"), ("white32", 130, "g", "pour-over")),
    ),
    _recipe(
        "Perseid fudge",
        "boiled-fudge",
        "cut",
        (
            ("sugar_granulated", 450, "g", "warm"),
            ("milk_whole", 300, "g", "warm"),
            ("glucose_syrup40", 30, "g", "warm"),
            ("butter82", 60, "g", "boil"),
            ("salt", 1, "g", "boil"),
        ),
    ),
)
