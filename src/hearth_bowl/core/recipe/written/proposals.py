"""Proposals: what a written recipe leaves unsaid, proposed from its family and always marked as ours.

Numbers with no source beside them are judgements, or limits of the reckoning.
"""

import re
from collections.abc import Mapping
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.ingredients.library import LIBRARY

SHARES: Final[Mapping[str, float]] = MappingProxyType(
    {
        "salt": 0.002,
        "vanilla_extract": 0.008,
        "spice_ground": 0.003,
        "coffee_instant": 0.008,
        "citrus_zest": 0.01,
        "lecithin": 0.004,
        "lemon_juice": 0.015,
        "cocoa_powder_21": 0.03,
        "spirit40": 0.05,
        "liqueur25": 0.06,
        "liqueur40": 0.05,
        "cream_liqueur17": 0.08,
    }
)
"""Share of the rest of the bowl that is proposed for a seasoning: common practice, a judgement."""
BY_KIND: Final[Mapping[str, Mapping[str, float]]] = MappingProxyType(
    {
        "cream-ganache": MappingProxyType({"butter": 0.05, "cream": 0.5, "chocolate": 1.9, "other": 0.05}),
        "condensed-milk-fudge": MappingProxyType(
            {"butter": 0.04, "condensed-milk": 1.0, "chocolate": 1.0, "other": 0.05}
        ),
        "simmered-fudge": MappingProxyType({"butter": 0.12, "chocolate": 0.5, "other": 0.1}),
        "boiled-fudge": MappingProxyType({"butter": 0.08, "cream": 0.4, "other": 0.1}),
    }
)
"""Share of the rest proposed for a kind where a family is known; else a twentieth."""
ELSE: Final = 0.05

FAMILY_WORDS: Final = (
    ("modelling", r"modell?ing chocolate|chocolate clay"),
    ("fondant", r"invertase|liquid cent(?:re|er)"),
    ("marzipan", r"marzipan"),
    ("boiled-fudge", r"soft[- ]ball|\b11[2-8]\s*°?\s*c\b|\b23[4-9]\s*°?\s*f\b|\b24[0-5]\s*°?\s*f\b"),
    ("whipped-ganache", r"whipped ganache|whip until"),
)
USE_WORDS: Final = (
    ("roll", r"\btruffles?\b|\broll\b"),
    ("pipe", r"\bpip(?:e|ing)\b"),
    ("cut", r"\bfudge\b|\bsquares\b|\bcut\b|\bslab\b"),
    ("fill-shell", r"\bmou?lds?\b|\bshells?\b|\bfilling\b|\bcent(?:re|er)s\b"),
    ("coat-cake", r"\bcake\b"),
    ("glaze", r"\bglaz"),
    ("pour", r"\bdrizzle\b|\bsauce\b|\bpour\b"),
)


def family_of(text: str, keys: frozenset[str]) -> str:
    """Return the family that words and ingredients speak of."""
    plain = text.lower()
    for family, words in FAMILY_WORDS:
        if re.search(words, plain):
            return family
    kinds = {LIBRARY[key].kind for key in keys}
    has_chocolate = bool(kinds & {"chocolate", "compound"})
    if keys & {"cream_cheese", "mascarpone"}:
        return "soft-cheese"
    if "condensed-milk" in kinds and has_chocolate:
        return "condensed-milk-fudge"
    if "evaporated" in keys and has_chocolate:
        return "simmered-fudge"
    if "cream" in kinds and has_chocolate:
        return "cream-ganache"
    if any("nuts" in LIBRARY[key].allergens and not LIBRARY[key].density_is_bulk for key in keys):
        return "nut-paste"
    if has_chocolate and keys & {"glucose_syrup40", "corn_syrup_light", "golden_syrup"} and len(keys) <= 3:
        return "modelling"
    if "butter" in kinds and "sugar_icing" in keys:
        return "sugar-butter"
    if "butter" in kinds and has_chocolate:
        return "butter-ganache"
    return "filling"


def use_of(text: str) -> str | None:
    """Return the use that words speak of, or None."""
    return next((use for use, words in USE_WORDS if re.search(words, text.lower())), None)


def proposed_g(key: str, family: str, rest_g: float) -> float:
    """Return the grams proposed for an ingredient with no amount, from the grams of everything else."""
    share = SHARES.get(key)
    if share is None:
        share = BY_KIND.get(family, {}).get(LIBRARY[key].kind, ELSE)
    grams = share * (rest_g or 100.0)
    return round(grams, 1) if grams < 10 else float(round(grams))
