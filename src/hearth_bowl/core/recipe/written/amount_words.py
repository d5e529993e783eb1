"""Words of amounts: how cooks count and measure, in English and five other languages.

Numbers with no source beside them are judgements: usual sizes and prints.
"""

from typing import Final

COUNT_WORDS: Final = {
    "a": 1.0, "an": 1.0, "one": 1.0, "two": 2.0, "three": 3.0, "four": 4.0, "five": 5.0, "six": 6.0, "seven": 7.0,
    "eight": 8.0, "nine": 9.0, "ten": 10.0, "eleven": 11.0, "twelve": 12.0, "a dozen": 12.0, "half a dozen": 6.0,
    "half": 0.5, "half a": 0.5, "half an": 0.5, "a quarter": 0.25, "quarter": 0.25, "a third": 1 / 3, "a couple": 2.0,
    "three quarters of a": 0.75, "three quarters": 0.75, "three-quarters of a": 0.75, "two thirds of a": 2 / 3,
    "half of a": 0.5, "quarter of a": 0.25, "a quarter of a": 0.25, "a third of a": 1 / 3,
    "one and a half": 1.5, "two and a half": 2.5,
    "un": 1.0, "une": 1.0, "ein": 1.0, "eine": 1.0, "einen": 1.0, "uno": 1.0, "una": 1.0, "um": 1.0, "uma": 1.0,
}  # fmt: skip
FOREIGN_UNITS: Final = {
    "el": "tbsp", "esslöffel": "tbsp", "tl": "tsp", "teelöffel": "tsp", "prise": "pinch", "dose": "tin", "dosen": "tin",
    "tafel": "bar", "tafeln": "bar", "becher": "tin", "stück": "piece",
    "c. à s": "tbsp", "c à s": "tbsp", "c. à soupe": "tbsp", "c à soupe": "tbsp", "c. à c": "tsp", "c à c": "tsp",
    "c. à café": "tsp", "c à café": "tsp",
    "cuillère à soupe": "tbsp", "cuillères à soupe": "tbsp", "cs": "tbsp", "càs": "tbsp", "cuillère à café": "tsp",
    "cuillères à café": "tsp", "cc": "tsp", "càc": "tsp", "tasse": "cup", "tasses": "cup", "pincée": "pinch",
    "boîte": "tin", "boîtes": "tin", "tablette": "bar", "tablettes": "bar",
    "cucchiaio": "tbsp", "cucchiai": "tbsp", "cucchiaino": "tsp", "cucchiaini": "tsp", "pizzico": "pinch",
    "tazza": "cup", "lattina": "tin", "tavoletta": "bar",
    "colher de sopa": "tbsp", "colheres de sopa": "tbsp", "colher de chá": "tsp", "colheres de chá": "tsp",
    "xícara": "cup", "xícaras": "cup", "lata": "tin", "latas": "tin", "barra": "bar", "barras": "bar",
    "pitada": "pinch",
    "cucharada": "tbsp", "cucharadas": "tbsp", "cucharadita": "tsp", "cucharaditas": "tsp", "taza": "cup",
    "tazas": "cup", "pizca": "pinch", "tableta": "bar", "gramm": "g", "grammes": "g", "gramme": "g", "grammi": "g",
    "gramos": "g", "gramas": "g", "pfund": "", "dag": "",
}  # fmt: skip
"""Measures in French, German, Italian, Portuguese and Spanish kitchens; of an empty one the amount is not taken."""
_SACHET: Final = (8.0, "a sachet is taken as 8 g: its print wins")
BY_EYE_G: Final = {
    "knob": (15.0, "a knob is taken as 15 g"),
    "walnut": (20.0, "the size of a walnut is taken as 20 g"),
    "handful": (30.0, "a handful is taken as 30 g"),
    "miniature": (47.5, "a miniature is taken as 50 ml"),
    "splash": (5.0, "a splash is taken as 5 g"),
    "glug": (10.0, "a glug is taken as 10 g"),
    "dollop": (20.0, "a dollop is taken as 20 g"),
    "sachet": _SACHET,
    "päckchen": _SACHET,
    "bustina": _SACHET,
    "pck": _SACHET,
    "envelope": _SACHET,
    "sobre": _SACHET,
    "square": (28.0, "a square is taken as 28 g, as US cooking chocolate has it"),
    "shot": (28.0, "a shot is taken as 30 ml"),
}
"""What is measured by eye [g]: judgements, always said."""
JUICE_G: Final = {"lemon_juice": 45.0, "lime_juice": 28.0, "orange_juice": 80.0, "yuzu_juice": 25.0}
"""The juice of one fruit, ±30 %: usual sizes, a judgement."""
CASED_UNITS: Final = {"T": "tbsp", "Tb": "tbsp", "Tbs": "tbsp", "Tbsp": "tbsp", "t": "tsp", "C": "cup", "c": "cup"}
SMALL_TIN_G: Final = {"evaporated": 170.0, "coconut_milk17": 165.0}
"""What a small tin holds: usual prints."""
COUNTED_WORDS: Final = {
    "egg": "piece", "block": "bar", "blocks": "bar", "packet": "bar", "packets": "bar", "pack": "bar", "packs": "bar",
    "jar": "tin", "jars": "tin", "pot": "tin", "pots": "tin", "pkg": "tin", "pkgs": "tin", "bag": "tin", "bags": "tin",
    "box": "tin", "boxes": "tin", "bottle": "tin", "bottles": "tin", "punnet": "tin", "punnets": "tin",
    "leaf": "piece", "leaves": "piece", "sheet": "piece", "sheets": "piece",
}  # fmt: skip
SPOONFUL_SLIP_G: Final = {
    "salt": 8.0,
    "lecithin": 6.0,
    "vanilla_extract": 16.0,
    "spice_ground": 6.0,
    "coffee_instant": 20.0,
}
"""More than this of it in one line is more likely a tablespoon for a teaspoon."""
