"""Lines of a recipe that keep a body of their own: whole nuts, crumbs, dried fruit, sweets folded in."""

import re
from collections.abc import Iterator, Mapping
from typing import Any, Final

from hearth_bowl.core.ingredients.attributes import NUT_GROUPS
from hearth_bowl.core.recipe.recipe import Line, Recipe

GROUND_FAMILIES: Final = frozenset({"marzipan", "nut-paste"})
"""Families whose nuts are ground into the dough."""
BOILED: Final = "boil"
BROKEN_DOWN: Final = re.compile(
    r"\b(?:blend(?:ed|ing)?(?! of)|mash(?:ed|ing)?|pur[ée]e[ds]?|ground|grind(?:ing)?|sieved?|blitz(?:ed)?"
    r"|liquidi[sz]ed?|mix[ée]e?s?|moul[iu]e?s?|tamis[ée]e?s?|p[üu]rier\w*|gemahlen\w*|passier\w*|frullat\w+|tritat\w+|setacciat\w+"
    r"|triturad\w+|molid\w+|moíd\w+|tamizad\w+|peneirad\w+)\b",
    re.IGNORECASE,
)
"""What is done to a piece that leaves no piece: blended, mashed, puréed, ground, sieved, in seven languages."""
DONE: Final = re.compile(r"\b(?:blend|mash|pur[ée]e|grind|sieve|blitz|liquidi[sz]e)\b(?!er)", re.IGNORECASE)
"""The same as a step of a method says it."""


def is_piece(recipe: Recipe, line: Line) -> bool:
    """Return whether a line stays in pieces: not what is ground, blended, mashed or sieved, or boiled with the mass."""
    if not line.ingredient.own_body or line.stage == BOILED:
        return False
    if recipe.family in GROUND_FAMILIES and not NUT_GROUPS.isdisjoint(line.ingredient.allergens):
        return False
    own_name = "" if line.ingredient.key else line.ingredient.name
    if any(BROKEN_DOWN.search(words) for words in (line.stage, line.text, own_name) if words):
        return False
    return not (recipe.steps and _is_broken_down(recipe, line))


def _is_broken_down(recipe: Recipe, line: Line) -> bool:
    """Return whether a sentence of the method blends or grinds the line's ingredient."""
    named = _stem(line.ingredient.name)
    for words, labels in _sentences(recipe):
        if DONE.search(words) and (line.ingredient.label in labels or named in words.lower()):
            return True
    return False


def _sentences(recipe: Recipe) -> Iterator[tuple[str, tuple[str, ...]]]:
    """Give each sentence of the method; the ingredients that a step names stand for it where it is one sentence."""
    for step in recipe.steps:
        record: Mapping[str, Any] = step if isinstance(step, Mapping) else {"text": step}
        sentences = [part for part in re.split(r"[.;\n]+\s*", str(record.get("text", ""))) if part.strip()]
        labels = record.get("ingredients") if len(sentences) == 1 else None
        for words in sentences:
            yield words, tuple(str(label) for label in labels or ())


def _stem(name: str) -> str:
    """Return the first word of a name without its plural: "Chestnuts, cooked" is "chestnut"."""
    return re.split(r"[\s,(]", name.strip().lower())[0].removesuffix("s")
