"""An amount as a cook types it: `2 1/2 cups`, `340 g`, `½ tsp`, `2-3 tbsp`, `3 bars of 100 g`."""

import re
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.recipe.measures import UNITS

VULGAR_FRACTIONS: Final = MappingProxyType(
    {"½": "1/2", "⅓": "1/3", "⅔": "2/3", "¼": "1/4", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8"}
)
UNIT_WORDS: Final = MappingProxyType(
    {
        **{unit: unit for unit in UNITS},
        "gram": "g",
        "grams": "g",
        "gr": "g",
        "kilo": "kg",
        "kilos": "kg",
        "ounce": "oz",
        "ounces": "oz",
        "pound": "lb",
        "pounds": "lb",
        "lbs": "lb",
        "litre": "l",
        "litres": "l",
        "liter": "l",
        "liters": "l",
        "millilitre": "ml",
        "millilitres": "ml",
        "fl oz": "floz",
        "fl. oz": "floz",
        "fluid ounce": "floz",
        "fluid ounces": "floz",
        "teaspoon": "tsp",
        "teaspoons": "tsp",
        "tsps": "tsp",
        "tablespoon": "tbsp",
        "tablespoons": "tbsp",
        "tbsps": "tbsp",
        "tbs": "tbsp",
        "tblsp": "tbsp",
        "teasp": "tsp",
        "cups": "cup",
        "pints": "pint",
        "sticks": "stick",
        "tins": "tin",
        "can": "tin",
        "cans": "tin",
        "tube": "tin",
        "tubes": "tin",
        "carton": "tin",
        "cartons": "tin",
        "tub": "tin",
        "tubs": "tin",
        "bars": "bar",
        "pieces": "piece",
        "pinches": "pinch",
        "drops": "drop",
    }
)
"""`T` and `t` are not taken: a tablespoon for a teaspoon is a threefold slip."""

_D: Final = r"\d{1,9}"
NUMBER: Final = rf"(?:{_D}\s{{1,3}}{_D}/{_D}|{_D}/{_D}|{_D}(?:[.,]{_D})?|[.,]{_D})(?!\d)"
"""A number as cooks write it, of up to nine digits: what is longer is none."""
_AMOUNT = re.compile(
    rf"^(?P<low>{NUMBER})(?:\s*(?:-|–|to)\s*(?P<high>{NUMBER}))?\s*(?P<unit>[a-z. ]*?)"
    rf"(?:\s+of\s+(?P<size>{NUMBER})\s*g)?$",
    re.IGNORECASE,
)
POUNDS_AND_OUNCES: Final = re.compile(
    rf"^(?P<lb>{NUMBER})\s*(?:lbs?|pounds?)\.?\s*(?:and\s+|,\s*)?(?P<oz>{NUMBER})\s*(?:oz|ounces?)(?![a-zà-ÿ])\.?",
    re.IGNORECASE,
)
OZ_PER_LB: Final = 16  # by definition
TENTHS_ML: Final = MappingProxyType(
    {
        "dl": 100.0,
        "cl": 10.0,
        "decilitre": 100.0,
        "decilitres": 100.0,
        "centilitre": 10.0,
        "centilitres": 10.0,
        "dessertspoon": 10.0,
        "dessertspoons": 10.0,
    }
)
"""Millilitres of measures that are tenths and hundredths of a litre, and of the spoon between two others.
By definition."""
SMALLER_UNIT: Final = MappingProxyType({"l": "ml", "kg": "g", "lb": "oz", "pint": "ml"})
MOST_UNSAID: Final = 20.0
"""More of a large unit is not taken from a bare number: 250 beside litres means millilitres. A judgement."""
LONGEST: Final = 80  # a judgement
ALLOWED: Final = "a number with a unit, such as 340 g, 2 1/2 cups, 2 to 3 tbsp or 3 bars of 100 g"


@dataclass(frozen=True, slots=True, kw_only=True)
class TypedAmount:
    """What was typed: an amount, its upper end when it was a range, its unit, and the size of a tin, bar or piece."""

    amount: float
    amount_high: float | None
    unit: str
    size_g: float | None


def read_amount(text: str, unit_now: str = "g") -> TypedAmount:
    """Return the typed amount; a bare number keeps the unit that the line has.

    :raises BadInput: at `typed`.

    >>> read_amount("2 1/2 cups").amount
    2.5
    """
    plain = text.strip()
    if len(plain) > LONGEST:
        raise BadInput(("typed",), f"{len(plain)} characters are no amount", ALLOWED, "not-an-amount")
    for sign, fraction in VULGAR_FRACTIONS.items():
        plain = plain.replace(sign, f" {fraction}")
    plain = plain.strip()
    pounds = POUNDS_AND_OUNCES.fullmatch(plain)
    if pounds is not None:
        return TypedAmount(amount=ounces_of(pounds), amount_high=None, unit="oz", size_g=None)
    match = _AMOUNT.match(plain)
    if match is None:
        raise BadInput(("typed",), f"{text.strip()[:40]!r} is not an amount", ALLOWED, "not-an-amount")
    word = " ".join(match["unit"].lower().split())
    if word in TENTHS_ML:
        times = TENTHS_ML[word]
        high_ml = number_of(match["high"]) * times if match["high"] else None
        return TypedAmount(amount=number_of(match["low"]) * times, amount_high=high_ml, unit="ml", size_g=None)
    unit = UNIT_WORDS.get(word.rstrip(".")) if word else unit_now
    if unit is None:
        raise BadInput(("typed",), f"{word!r} is not a unit known here", "one of " + ", ".join(UNITS), "unknown")
    low = number_of(match["low"])
    high = number_of(match["high"]) if match["high"] else None
    if not word and unit in SMALLER_UNIT and max(low, high or 0.0) > MOST_UNSAID:
        said = f"{low:g} {SMALLER_UNIT[unit]} or {low:g} {unit}, with its unit"
        raise BadInput(("typed",), f"{low:g} of what?", said, "not-an-amount")
    return TypedAmount(
        amount=low, amount_high=high, unit=unit, size_g=number_of(match["size"]) if match["size"] else None
    )


_WANTED: Final = re.compile(r"^(?:in|as)\s+(?P<unit>[a-z. ]{1,30})$", re.IGNORECASE)


def unit_wanted(text: str) -> str | None:
    """Return the unit that a typed `in cups` asks for: the amount stays, told in it. None where none is asked for.

    :raises BadInput: at `typed`: a unit that is not known.
    """
    match = _WANTED.match(text.strip())
    if match is None:
        return None
    word = " ".join(match["unit"].lower().split()).rstrip(".")
    unit = UNIT_WORDS.get(word)
    if unit is None:
        raise BadInput(("typed",), f"{word!r} is not a unit known here", "one of " + ", ".join(UNITS), "unknown")
    return unit


def ounces_of(pounds: re.Match[str]) -> float:
    """Return the ounces of what `POUNDS_AND_OUNCES` found."""
    return OZ_PER_LB * number_of(pounds["lb"]) + number_of(pounds["oz"])


def number_of(text: str) -> float:
    """Return a number as cooks write it: 2, 2.5, 1/2, 2 1/2.

    :raises BadInput: at `typed`: a fraction over zero.
    """
    total = 0.0
    for part in text.replace(",", ".").split():
        if "/" in part:
            top, bottom = part.split("/")
            if float(bottom) == 0:
                raise BadInput(("typed",), "a fraction over zero", ALLOWED, "not-an-amount")
            total += float(top) / float(bottom)
        else:
            total += float(part)
    return total
