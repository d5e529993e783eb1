"""Words of amounts: how cooks count and measure, in English and five other languages."""

from typing import Final

COUNT_WORDS: Final = {
    "thirteen": 13.0, "fourteen": 14.0, "fifteen": 15.0, "sixteen": 16.0, "eighteen": 18.0, "twenty": 20.0,
    "twenty-four": 24.0, "thirty": 30.0, "forty": 40.0, "fifty": 50.0, "sixty": 60.0, "a hundred": 100.0,
    "a": 1.0, "an": 1.0, "one": 1.0, "two": 2.0, "three": 3.0, "four": 4.0, "five": 5.0, "six": 6.0, "seven": 7.0,
    "eight": 8.0, "nine": 9.0, "ten": 10.0, "eleven": 11.0, "twelve": 12.0, "a dozen": 12.0, "half a dozen": 6.0,
    "half": 0.5, "half a": 0.5, "half an": 0.5, "a quarter": 0.25, "quarter": 0.25, "a third": 1 / 3, "a couple": 2.0,
    "three quarters of a": 0.75, "three quarters": 0.75, "three-quarters of a": 0.75, "two thirds of a": 2 / 3,
    "half of a": 0.5, "quarter of a": 0.25, "a quarter of a": 0.25, "a third of a": 1 / 3, "one and a half": 1.5,
    "two and a half": 2.5, "un demi": 0.5, "une demi": 0.5, "une demie": 0.5, "demi": 0.5, "demie": 0.5,
    "un quart de": 0.25, "ein halber": 0.5, "ein halbes": 0.5, "eine halbe": 0.5, "einen halben": 0.5, "halber": 0.5,
    "halbe": 0.5, "halbes": 0.5, "ein viertel": 0.25, "anderthalb": 1.5, "eineinhalb": 1.5, "mezzo": 0.5,
    "mezza": 0.5, "medio": 0.5, "media": 0.5, "meio": 0.5, "meia": 0.5, "un cuarto de": 0.25, "um quarto de": 0.25,
    "un quarto di": 0.25, "deux": 2.0, "trois": 3.0, "quatre": 4.0, "cinq": 5.0, "zwei": 2.0, "drei": 3.0,
    "vier": 4.0, "fünf": 5.0, "due": 2.0, "tre": 3.0, "quattro": 4.0, "dos": 2.0, "tres": 3.0, "cuatro": 4.0,
    "dois": 2.0, "duas": 2.0, "três": 3.0, "quatro": 4.0, "un": 1.0, "une": 1.0, "ein": 1.0, "eine": 1.0,
    "einen": 1.0, "uno": 1.0, "una": 1.0, "um": 1.0, "uma": 1.0,
}  # fmt: skip
"""By definition."""
FOREIGN_UNITS: Final = {
    "el": "tbsp", "esslöffel": "tbsp", "tl": "tsp", "teelöffel": "tsp", "prise": "pinch", "dose": "tin",
    "dosen": "tin", "tafel": "bar", "tafeln": "bar", "becher": "tin", "stück": "piece", "c. à s": "tbsp",
    "c à s": "tbsp", "c. à soupe": "tbsp", "c à soupe": "tbsp", "c. à c": "tsp", "c à c": "tsp", "c. à café": "tsp",
    "c à café": "tsp", "cuillère à soupe": "tbsp", "cuillères à soupe": "tbsp", "cs": "tbsp", "càs": "tbsp",
    "cuillère à café": "tsp", "cuillères à café": "tsp", "cc": "tsp", "càc": "tsp", "tasse": "cup", "tasses": "cup",
    "pincée": "pinch", "boîte": "tin", "boîtes": "tin", "tablette": "bar", "tablettes": "bar", "cucchiaio": "tbsp",
    "cucchiai": "tbsp", "cucchiaino": "tsp", "cucchiaini": "tsp", "pizzico": "pinch", "tazza": "cup",
    "lattina": "tin", "tavoletta": "bar", "colher de sopa": "tbsp", "colheres de sopa": "tbsp",
    "colher de chá": "tsp", "colheres de chá": "tsp", "xícara": "cup", "xícaras": "cup", "lata": "tin",
    "latas": "tin", "barra": "bar", "barras": "bar", "pitada": "pinch", "cucharada": "tbsp", "cucharadas": "tbsp",
    "cucharadita": "tsp", "cucharaditas": "tsp", "taza": "cup", "tazas": "cup", "pizca": "pinch", "tableta": "bar",
    "gramm": "g", "grammes": "g", "gramme": "g", "grammi": "g", "gramos": "g", "gramas": "g", "grammo": "g",
    "gramo": "g", "grama": "g", "liter": "l", "litro": "l", "litros": "l", "litri": "l", "gestr. el": "tbsp",
    "geh. el": "tbsp", "gestr. tl": "tsp", "geh. tl": "tsp", "essl": "tbsp", "teel": "tsp", "esslöffeln": "tbsp",
    "löffel": "", "messerspitze": "pinch", "messerspitzen": "pinch", "msp": "pinch", "prisen": "pinch",
    "tropfen": "drop", "riegel": "bar", "blatt": "piece", "blätter": "piece", "tassen": "cup", "c.à.s": "tbsp",
    "c.à s": "tbsp", "c.à.c": "tsp", "c.à c": "tsp", "c. à s.": "tbsp", "cas": "tbsp", "cac": "tsp",
    "cuil. à soupe": "tbsp", "cuil. à café": "tsp", "cuillerée à soupe": "tbsp", "cuillerées à soupe": "tbsp",
    "cuillerée à café": "tsp", "cuillerées à café": "tsp", "pincées": "pinch", "goutte": "drop", "gouttes": "drop",
    "feuille": "piece", "feuilles": "piece", "goccia": "drop", "gocce": "drop", "pizzichi": "pinch", "tazze": "cup",
    "foglio": "piece", "fogli": "piece", "bicchiere": "", "bicchieri": "", "verre": "", "verres": "", "gota": "drop",
    "gotas": "drop", "pitadas": "pinch", "pizcas": "pinch", "hoja": "piece", "hojas": "piece", "folha": "piece",
    "folhas": "piece", "cda": "tbsp", "cdas": "tbsp", "cdta": "tsp", "cdtas": "tsp", "cucharada sopera": "tbsp",
    "cucharadas soperas": "tbsp", "cucharada de postre": "", "colher (sopa)": "tbsp", "colher de sobremesa": "",
    "colheres de sobremesa": "", "c. sopa": "tbsp", "c. chá": "tsp", "xíc": "cup", "copo": "", "copos": "",
    "vaso": "", "vasos": "", "caixa": "tin", "caixas": "tin", "caixinha": "tin", "caixinhas": "tin", "brique": "tin",
    "brik": "tin", "briques": "tin", "paquete": "tin", "paquetes": "tin", "pacote": "tin", "pacotes": "tin",
    "confezione": "tin", "confezioni": "tin", "packung": "tin", "packungen": "tin", "flasche": "tin",
    "flaschen": "tin", "glas": "tin", "gläser": "tin", "pot": "tin", "barattolo": "tin", "barattoli": "tin",
    "scatola": "tin", "tavolette": "bar", "tabletas": "bar", "lattine": "tin",
    "pezzi": "piece", "pezzo": "piece", "unidades": "piece", "unidad": "piece",
}  # fmt: skip
"""Measures in French, German, Italian, Portuguese and Spanish kitchens; of an empty one the amount is not taken."""
MEASURES_IN_PINTS: Final = {"pt": 1.0, "pts": 1.0, "qt": 2.0, "qts": 2.0, "quart": 2.0, "quarts": 2.0, "gill": 0.25}
"""Other measures of volume [pints of the same country]. By definition."""
FOREIGN_MASS_G: Final = {"pfund": 500.0, "dag": 10.0, "dkg": 10.0, "hg": 100.0, "etto": 100.0, "etti": 100.0}
"""Masses by other names: a metric pound, ten and a hundred grams. By definition."""
_WALNUT: Final = (20.0, "the size of a walnut is taken as 20 g")  # a judgement
_SACHET: Final = (8.0, "a sachet is taken as 8 g: its print wins")  # a judgement
BY_EYE_G: Final = {
    "knob": (15.0, "a knob is taken as 15 g"),
    "walnut": _WALNUT,
    "pat": (10.0, "a pat is taken as 10 g"),
    "nip": (28.0, "a nip is taken as 30 ml"),
    "slosh": (15.0, "a slosh is taken as 15 g"),
    "noix de beurre": _WALNUT,
    "noce di burro": _WALNUT,
    "nuez de mantequilla": _WALNUT,
    "noz de manteiga": _WALNUT,
    "noisette de beurre": (10.0, "the size of a hazelnut is taken as 10 g"),
    "schuss": (10.0, "a dash is taken as 10 g"),
    "handful": (30.0, "a handful is taken as 30 g"),
    "miniature": (47.5, "a miniature is taken as 50 ml"),
    "splash": (5.0, "a splash is taken as 5 g"),
    "glug": (10.0, "a glug is taken as 10 g"),
    "dollop": (20.0, "a dollop is taken as 20 g"),
    "sachet": _SACHET,
    "päckchen": _SACHET,
    "bustina": _SACHET,
    "bustine": _SACHET,
    "pckg": _SACHET,
    "beutel": _SACHET,
    "sachê": _SACHET,
    "saqueta": _SACHET,
    "pck": _SACHET,
    "envelope": _SACHET,
    "sobre": _SACHET,
    "square": (28.0, "a square is taken as 28 g, as US cooking chocolate has it"),
    "shot": (28.0, "a shot is taken as 30 ml"),
}
"""What is measured by eye [g]: judgements, always said."""
CASED_UNITS: Final = {
    "T": "tbsp", "Tb": "tbsp", "Tbs": "tbsp", "Tbl": "tbsp", "Tbls": "tbsp", "Tbsp": "tbsp", "t": "tsp", "C": "cup",
    "c": "cup",
}  # fmt: skip
COUNTED_WORDS: Final = {
    "egg": "piece", "block": "bar", "blocks": "bar", "packet": "bar", "packets": "bar", "pack": "bar", "packs": "bar",
    "jar": "tin", "jars": "tin", "pot": "tin", "pots": "tin", "pkg": "tin", "pkgs": "tin", "pkt": "tin",
    "pkts": "tin", "bag": "tin", "bags": "tin",
    "box": "tin", "boxes": "tin", "bottle": "tin", "bottles": "tin", "punnet": "tin", "punnets": "tin",
    "leaf": "piece", "leaves": "piece", "sheet": "piece", "sheets": "piece",
}  # fmt: skip
