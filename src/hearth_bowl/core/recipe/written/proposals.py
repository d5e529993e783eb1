"""Proposals: what a written recipe leaves unsaid, proposed from its family and always marked as ours."""

import re
from collections.abc import Mapping, Sequence
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.ingredients.doses import GELLING, USUAL_DOSE, stand_in_of
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.recipe.proportions import BASES, CHOCOLATE

ADDED: Final[Mapping[str, float]] = MappingProxyType({"nuts": 0.15, "crisp": 0.15, "fruit": 0.12, "drink": 0.05})
"""Pieces, fruit and drinks that come into a mass besides what its family is made of, as a share of the rest.
A judgement."""
BY_KIND: Final[Mapping[str, Mapping[str, float]]] = MappingProxyType(
    {
        "cream-ganache": MappingProxyType({"butter": 0.05, "other": 0.05}),
        "condensed-milk-fudge": MappingProxyType({"butter": 0.04, "other": 0.05}),
        "simmered-fudge": MappingProxyType({"butter": 0.12, "chocolate": 0.5, "other": 0.1}),
        "boiled-fudge": MappingProxyType({"butter": 0.08, "cream": 0.4, "other": 0.1}),
    }
)
"""Share of the rest proposed for a kind that the family's own proportions do not have; else a twentieth.
A judgement."""
ELSE: Final = 0.05  # handbook of this craft

FAMILY_WORDS: Final = (
    ("modelling", r"modell?ing chocolate|chocolate clay"),
    ("fondant", r"invertase|liquid cent(?:re|er)"),
    ("marzipan", r"marzipan|pâtes? d'amandes?|marzapane|mazapán|marzipã"),
    ("boiled-fudge", r"soft[- ]ball|\b11[2-8]\s*°?\s*c\b|\b23[4-9]\s*°?\s*f\b|\b24[0-5]\s*°?\s*f\b"),
    ("whipped-ganache", r"whipped ganache|whip until"),
)
BOILED_WORDS: Final = MappingProxyType(
    {
        "fruit-jelly": r"p[âa]tes? de fruits?|fruit jell(?:y|ies)|fruit paste|jelly squares|gelatin[ae] di frutta",
        "aerated": r"marshmallows?\b|guimauve|nougat|torrone|turrón|divinity",
        "curd": r"\bcurd\b",
        "hard-sugar": r"brittle|honeycomb|cinder toffee|hard[- ]crack|krokant|croquant|croccante|lollipops?",
        "caramel": r"caramels?\b|toffee|butterscotch|karamell|caramell?[oie]s?\b",
    }
)
"""Words by which a card names what is boiled; its ingredients must bear them out. Handbook of this craft, L."""
USE_WORDS: Final = (
    ("roll", r"\btruffles?\b|\broll\b|trüffel|\btruffes?\b|\btartuf\w+|\btrufas?\b|brigadeiro"),
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
    boiled = _boiled_family(plain, keys)
    if boiled is not None:
        return boiled
    for family, words in FAMILY_WORDS:
        if re.search(words, plain):
            return family
    rows = [LIBRARY[key] for key in keys]
    kinds = {row.kind for row in rows}
    groups = {stand_in_of(key) for key in keys}
    has_chocolate = bool(kinds & {"chocolate", "compound"})
    if "soft cheese" in groups:
        return "soft-cheese"
    if "condensed-milk" in kinds and has_chocolate:
        return "condensed-milk-fudge"
    if "tinned milk" in groups and has_chocolate:
        return "simmered-fudge"
    if "cream" in kinds and has_chocolate:
        return "cream-ganache"
    if "condensed-milk" in kinds and "cocoa-powder" in kinds and "sugar" not in groups:
        return "simmered-fudge"
    milky = kinds & {"cream", "condensed-milk"} or groups & {"milk", "tinned milk"}
    if "sugar" in groups and milky and "butter" in kinds and not has_chocolate:
        return "boiled-fudge"
    if any("nuts" in row.allergens and not row.density_is_bulk for row in rows):
        return "nut-paste"
    if has_chocolate and "syrup" in groups and len(keys) <= 3 and "butter" not in kinds:
        return "modelling"
    if "butter" in kinds and "icing sugar" in groups:
        return "sugar-butter"
    if "butter" in kinds and has_chocolate:
        return "butter-ganache"
    return "filling"


def _boiled_family(plain: str, keys: frozenset[str]) -> str | None:
    """Return the family of boiled sugar or curd that words name and ingredients bear out, None without one."""
    rows = [LIBRARY[key] for key in keys]
    groups, kinds = {stand_in_of(key) for key in keys}, {row.kind for row in rows}
    has_sugar = "sugar" in groups
    has_chocolate = bool(kinds & {"chocolate", "compound"})
    has_egg = any(row.raw_egg or row.pasteurised_egg for row in rows)
    is_milky = bool(kinds & {"cream", "butter", "condensed-milk"}) or bool(groups & {"milk", "tinned milk"})
    gels = any(row.gelatine and not row.own_body for row in rows)
    borne_out = {
        "fruit-jelly": has_sugar and ("fruit" in kinds or bool(keys & GELLING)),
        "aerated": has_sugar and not has_chocolate and (gels or any(row.raw_egg == "white" for row in rows) or has_egg),
        "curd": has_egg and not has_chocolate,
        "hard-sugar": has_sugar and not has_chocolate and not kinds & {"cream", "condensed-milk"},
        "caramel": has_sugar and is_milky and not has_chocolate and not re.search(r"\bbeat\b", plain),
    }
    named = next((name for name, words in BOILED_WORDS.items() if borne_out[name] and re.search(words, plain)), None)
    if named is None and keys & GELLING and has_sugar and "fruit" in kinds:
        return "fruit-jelly"
    if named is None and has_egg and "butter" in kinds and "juice" in groups and not has_chocolate:
        return "curd"
    return named


def use_of(text: str) -> str | None:
    """Return the use that words speak of, or None."""
    return next((use for use, words in USE_WORDS if re.search(words, text.lower())), None)


def proposed_g(key: str, family: str, stated_g: Mapping[str, float], share: int = 1) -> float:
    """Return the grams proposed for an ingredient with no amount, from what is stated.

    By the family's own proportions, scaled to what is stated of them; else by its dose where it has one, else a
    share of the rest.

    :param stated_g: the grams of every ingredient that has an amount, by key.
    :param share: how many ingredients of the same part of the family have no amount: they share it.
    """
    base = _base_g(family)
    rest_g = sum(stated_g.values())
    scale = _scale(family, stated_g)
    whole_g = max(rest_g, scale * sum(base.values()) or 100.0)
    own = base.get(_part_of(key, base))
    if own is not None:
        return _rounded(own * scale / share)
    dose = USUAL_DOSE.get(key)
    if dose is not None:
        return _rounded(dose * whole_g)
    return _rounded(_added(key, family) * whole_g)


def shared_by(key: str, family: str, unstated: Sequence[str]) -> int:
    """Return how many of the ingredients without an amount take the same part of the family's proportions."""
    base = _base_g(family)
    part = _part_of(key, base)
    if part not in base:
        return 1
    return max(1, sum(_part_of(other, base) == part for other in unstated))


def _base_g(family: str) -> dict[str, float]:
    """Return the family's own proportions [g] by part: a key, or the kind that stands for many."""
    found: dict[str, float] = {}
    for key, grams, _ in BASES.get(family, ()):
        part = CHOCOLATE if key == CHOCOLATE else _kind_of(key)
        found[part] = found.get(part, 0.0) + grams
    return found


def _part_of(key: str, base: Mapping[str, float]) -> str:
    part = _kind_of(key)
    return part if part in base else key


def _kind_of(key: str) -> str:
    """Return what an ingredient is a kind of in a family's proportions: sugars, milks, nuts stand for each other."""
    ingredient = LIBRARY[key]
    if ingredient.kind in ("chocolate", "compound"):
        return CHOCOLATE
    if ingredient.kind in ("cream", "butter", "condensed-milk"):
        return ingredient.kind
    return stand_in_of(key)


def _scale(family: str, stated_g: Mapping[str, float]) -> float:
    """Return how many times its own proportions a family is made, by what is stated of it; once where nothing is."""
    base = _base_g(family)
    there: dict[str, float] = {}
    for key, grams in stated_g.items():
        part = _part_of(key, base)
        if part in base:
            there[part] = there.get(part, 0.0) + grams
    asked = sum(base[part] for part in there)
    return sum(there.values()) / asked if asked and sum(there.values()) > 0 else 1.0


def _added(key: str, family: str) -> float:
    ingredient = LIBRARY[key]
    if ingredient.composition_pct["ethanol"] >= 8:
        return ADDED["drink"]
    if "nuts" in ingredient.allergens or "peanut" in ingredient.allergens:
        return ADDED["nuts"]
    if ingredient.own_body:
        return ADDED["crisp"]
    if ingredient.kind == "fruit":
        return ADDED["fruit"]
    return BY_KIND.get(family, {}).get(ingredient.kind, ELSE)


def _rounded(grams: float) -> float:
    return round(grams, 1) if grams < 10 else float(round(grams))
