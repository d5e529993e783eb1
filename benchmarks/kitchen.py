"""The recipe that is timed: twelve lines, of every kind of arithmetic that the core has."""

from typing import Any, Final

TWELVE_LINES: Final[dict[str, Any]] = {
    "format": "hearth-bowl/recipe",
    "version": 1,
    "name": "Dome-keeper's long list",
    "family": "cream-ganache",
    "use": "roll",
    "lines": [
        {"ingredient": "cream35", "amount": 180, "stage": "warm"},
        {"ingredient": "milk_whole", "amount": 2, "unit": "tbsp", "stage": "warm"},
        {"ingredient": "glucose_syrup40", "amount": 25, "stage": "warm"},
        {"ingredient": "honey", "amount": 1, "unit": "tbsp", "stage": "warm"},
        {"ingredient": "dark64", "amount": 240, "stage": "pour-over"},
        {"ingredient": "milk38", "amount": 140, "stage": "pour-over"},
        {"ingredient": "compound_dark", "amount": 20, "stage": "pour-over"},
        {"ingredient": "hazelnut_paste", "amount": 30, "stage": "stir-in-cool"},
        {"ingredient": "butter82", "amount": 20, "stage": "stir-in-cool"},
        {"ingredient": "raspberry_puree", "amount": 25, "stage": "stir-in-cool"},
        {"ingredient": "spirit40", "amount": 15, "unit": "ml", "stage": "late"},
        {"ingredient": "salt", "amount": 2, "unit": "pinch", "stage": "late"},
    ],
}
