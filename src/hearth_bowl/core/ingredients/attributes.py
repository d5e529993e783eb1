"""Attributes: what an ingredient says of itself beside its composition; the rules that protect people ask these.

A row of the library says them; an ingredient of one's own says them, takes them from what it is like, or is read
cautiously by its composition and name where nothing is said.
"""

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, fields
from math import fsum
from typing import Any, Final, Literal, get_args

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.ingredients.components import SUGARS

RawEgg = Literal["white", "yolk", "whole"]
RAW_EGGS: Final[tuple[str, ...]] = get_args(RawEgg)
NONE: Final = "none"
"""Said of `raw_egg` where its egg is cooked (wet egg of which nothing is said counts as raw), or of `nut`."""
NUTS: Final = frozenset({"almond", "hazelnut", "walnut", "cashew", "pecan", "brazil", "pistachio", "macadamia"})
"""Regulation (EU) No 1169/2011, annex II, 8: nuts, each by its name."""

NUT_GROUPS: Final = frozenset({"nuts", "peanut"})
"""Allergen groups of nuts. Regulation (EU) No 1169/2011, annex II, 5 and 8."""
OILY_GROUPS: Final = NUT_GROUPS | {"sesame"}
"""Allergen groups whose paste is full of oil. By definition."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Attributes:
    """What an ingredient is, beside what it is made of.

    `raw_egg`: which part of a raw egg it is; `pasteurised_egg`: egg heated by its maker, or held safe in a carton.
    `fresh_cheese`: cream cheese and its like, soured cream and yoghurt; `fresh_fruit`: purée or juice that soon spoils.
    `extract`: a flavouring whose alcohol is a trace; `crisp`: softens as it takes up water; `choking`: a whole nut, a
    hard or jelly sweet. `nut`: the nut that it is of, by name; `most_pct`: more of the batch tastes or acts too strong.
    `own_body`: a piece that stays whole; `liquid`: counts against chocolate as a liquid. `enzyme`: invertase;
    `coats`: may be a coat though it is no chocolate; `lump_g_per_ml`: one lump of it without the gaps of its heap.
    """

    raw_egg: str | None = None
    pasteurised_egg: bool = False
    fresh_cheese: bool = False
    fresh_fruit: bool = False
    honey: bool = False
    gelatine: bool = False
    extract: bool = False
    crisp: bool = False
    choking: bool = False
    nut: str | None = None
    most_pct: float | None = None
    own_body: bool = False
    liquid: bool = False
    enzyme: bool = False
    coats: bool = False
    lump_g_per_ml: float | None = None


ATTRIBUTES: Final = tuple(field.name for field in fields(Attributes))
TO_ASK: Final = ("raw_egg", "pasteurised_egg", "fresh_cheese", "fresh_fruit", "honey", "gelatine", "choking")
"""What can hurt, and is asked of an ingredient of one's own; `not_known` may name them."""

WET_FROM_PCT: Final = 50.0
"""Water from which fruit or egg is fresh rather than dried or cooked down: a judgement."""
CHEESE_WATER_PCT: Final = 40.0
"""Water from which cheese is fresh rather than ripened or dried: a judgement."""
CRISP_WATER_PCT: Final = 6.0
"""Water below which a piece is crisp: nuts 2 to 5 %, biscuits 2 to 4 %. Typical values, food tables."""
HONEY_WORDS: Final = re.compile(r"\b(?:honey|honig|miel|miele|mel)\b", re.IGNORECASE)
GELATINE_WORDS: Final = re.compile(r"\b(?:gelatine?|gelatina|gélatine|gummy|gummies)\b", re.IGNORECASE)
CHEESE_WORDS: Final = re.compile(
    r"cheese|ricotta|quark|mascarpone|yog[h]?urt|joghurt|yaourt|fra[iî]che|frischkäse|fromage|soured? cream",
    re.IGNORECASE,
)
"""Words of a name by which an ingredient that says nothing of itself is taken to be what can hurt."""


def taken_as(
    name: str, composition_pct: Mapping[str, float], kind: str, allergens: tuple[str, ...], own_body: bool
) -> Attributes:
    """Return what an ingredient that says nothing of itself is taken to be: what could hurt is assumed.

    Fresh egg counts as raw, wet fruit as fresh, a whole nut as something to choke on. A judgement, to the safe side.
    """
    wet = composition_pct["water"]
    is_egg = "egg" in allergens and wet >= WET_FROM_PCT and composition_pct["ethanol"] == 0
    is_milk = "milk" in allergens and wet >= CHEESE_WATER_PCT
    is_nut = own_body and not NUT_GROUPS.isdisjoint(allergens)
    return Attributes(
        raw_egg="whole" if is_egg else None,
        fresh_cheese=is_milk and bool(CHEESE_WORDS.search(name)),
        fresh_fruit=kind == "fruit" and wet >= WET_FROM_PCT,
        honey=bool(HONEY_WORDS.search(name)),
        gelatine=bool(GELATINE_WORDS.search(name)),
        crisp=own_body and wet < CRISP_WATER_PCT,
        choking=is_nut,
    )


def checked_attributes(said: Mapping[str, Any]) -> dict[str, Any]:
    """Return what is said of an ingredient, checked; None of a name is nothing said.

    :raises BadInput: naming the attribute: an unknown part of an egg or nut, a share out of range, neither true nor
        false.
    """
    found: dict[str, Any] = {}
    for name, value in said.items():
        if value is None:
            continue
        if name == "raw_egg":
            found[name] = None if value == NONE else _one_of(name, value, RAW_EGGS, "the part of a raw egg")
        elif name == "nut":
            found[name] = None if value == NONE else _one_of(name, value, tuple(sorted(NUTS)), "the name of a nut")
        elif name == "most_pct":
            found[name] = check_number((name,), value, 0, 100, "%")
        elif name == "lump_g_per_ml":
            found[name] = check_number((name,), value, 0, 3, "g/ml", above=True)
        elif not isinstance(value, bool):
            raise BadInput((name,), f"“{str(value)[:40]}” is neither true nor false.", "true or false", "wrong-type")
        else:
            found[name] = value
    if found.get("raw_egg") and found.get("pasteurised_egg"):
        raise BadInput(("pasteurised_egg",), "An egg is raw or pasteurised, not both.", "one of the two", "not-allowed")
    return found


def _one_of(name: str, value: object, allowed: tuple[str, ...], what: str) -> str:
    if isinstance(value, str) and value in allowed:
        return value
    said = f"“{value[:40]}”" if isinstance(value, str) and value else str(value)[:40] or "Nothing"
    raise BadInput((name,), f"{said} is not {what}.", "one of " + ", ".join(allowed), "unknown")


def checked_not_known(names: object) -> tuple[str, ...]:
    """Return the attributes of which nobody knows whether an ingredient has them.

    :raises BadInput: at `not_known`: no list, or something that is not asked.
    """
    allowed = "a list of " + ", ".join(TO_ASK)
    if names is None:
        return ()
    if not isinstance(names, list | tuple):
        raise BadInput(("not_known",), "This is not a list.", allowed, "wrong-type")
    for position, name in enumerate(names):
        if name not in TO_ASK:
            raise BadInput(("not_known", position), f"“{str(name)[:40]}” is not asked.", allowed, "unknown")
    return tuple(dict.fromkeys(names))


GELS: Final = ("pectin", "agar")
"""Names of what makes a jelly gel. By definition."""


def is_gelling(name: str) -> bool:
    """Return whether an ingredient makes a jelly gel, by its name."""
    return any(word in name.lower() for word in GELS)


def is_fondant(composition_pct: Mapping[str, float]) -> bool:
    """Return whether a composition is ready fondant: sucrose kept fine by some glucose syrup, in powder or paste.

    Sucrose 70 % or more, higher saccharides 2 % or more, water up to 15 %. A judgement.
    """
    return composition_pct["sucrose"] >= 70 and composition_pct["higher"] >= 2 and composition_pct["water"] <= 15


def is_glucose_syrup(composition_pct: Mapping[str, float]) -> bool:
    """Return whether a composition is a glucose syrup: a syrup of which higher saccharides are a fifth or more."""
    return is_syrup(composition_pct) and composition_pct["higher"] >= 20


def is_spooned(ingredient: Attributes, composition_pct: Mapping[str, float]) -> bool:
    """Return whether something wet is a paste that is spooned, not poured: fresh cheese, condensed milk."""
    return ingredient.fresh_cheese or (
        composition_pct["sucrose"] >= 35 and composition_pct["msnf"] + composition_pct["other_fat"] >= 8
    )


def is_milk(composition_pct: Mapping[str, float], allergens: Sequence[str]) -> bool:
    """Return whether a composition is drinking milk: dairy, 85 % water or more, its lactose and protein in balance."""
    is_plain = composition_pct["lactose"] >= 4.5 and composition_pct["msnf"] >= 3.8 and composition_pct["other"] == 0
    return "milk" in allergens and composition_pct["water"] >= 85 and is_plain


def is_syrup(composition_pct: Mapping[str, float]) -> bool:
    """Return whether a composition is a sugar syrup: mostly sugars and polyols, with some water, nothing fat.

    55 % sugars and 12 to 45 % water take in honey, glucose, golden and maple syrup. A judgement.
    """
    sweet = fsum(composition_pct[name] for name in (*SUGARS, "sorbitol"))
    fat = composition_pct["milk_fat"] + composition_pct["other_fat"] + composition_pct["cocoa_butter"]
    return sweet >= 55 and 12 <= composition_pct["water"] <= 45 and fat < 1
