"""Ingredients that the library does not have: found by a near name, or made known by what they are like."""

from collections.abc import Sequence
from difflib import get_close_matches
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.attributes import NUTS
from hearth_bowl.core.ingredients.ingredient import ALLERGENS, CEREALS, Ingredient, own_ingredient
from hearth_bowl.core.ingredients.library import LIBRARY, find

NEAR: Final = 0.72
"""How near a misspelling must be to a name, as difflib counts it: a judgement."""


def like(name: str, key: str, allergens: Sequence[str] | None) -> Ingredient:
    """Return an ingredient of a new name that is like one of the library: composition, attributes and all are taken.

    :param allergens: by name, a nut or a cereal by its own (pecan, wheat), else by its group (milk); an empty list is
        none, and None are those of the one that it is like.
    :raises BadInput: at `like`, at `allergens` for what is none, with those that there are.
    """
    try:
        known = find(key)
    except BadInput as problem:
        raise problem.under("like") from None
    groups, named = (known.allergens, known.allergens_named) if allergens is None else groups_of(allergens)
    return own_ingredient(similar=known, name=name, allergens=groups, allergens_named=named)


def groups_of(allergens: Sequence[str]) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """Return the groups and the names of allergens as a person writes them: pecan is of the nuts, wheat of gluten.

    :raises BadInput: at `allergens`: one that is none, or a group of which the kind must be said.
    """
    groups, named = set(), set()
    for position, given in enumerate(allergens):
        word = given.strip().lower()
        one = next((known for known in (word, word.removesuffix("s"), word.removesuffix("es")) if known in NUTS), word)
        if one in NUTS or one in CEREALS:
            groups.add("nuts" if one in NUTS else "gluten")
            named.add(one)
        elif one in ("nuts", "gluten"):
            which = sorted(NUTS if one == "nuts" else CEREALS)
            raise BadInput(("allergens", position), f"which {one} is not given", ", ".join(which), "missing")
        elif one in ALLERGENS:
            groups.add(one)
        else:
            allowed = ", ".join(sorted({*NUTS, *CEREALS, *ALLERGENS} - {"nuts", "gluten"}))
            raise BadInput(("allergens", position), f"unknown allergen {given[:40]!r}", allowed, "unknown")
    return tuple(sorted(groups)), tuple(sorted(named))


def near(words: str, synonyms: Sequence[tuple[str, str]], most: int = 6) -> tuple[str, ...]:
    """Return the keys whose name, or a synonym of it (name, key), is near to what was typed, the nearest first."""
    by_name = {row.name.lower(): key for key, row in LIBRARY.items()} | {name.lower(): key for name, key in synonyms}
    plain = " ".join(words.lower().split())[:80]
    inside = [key for name, key in by_name.items() if plain and plain in name]
    spelt = [by_name[name] for name in get_close_matches(plain, list(by_name), n=3 * most, cutoff=NEAR)]
    return tuple(dict.fromkeys([*inside, *spelt]))[:most]
