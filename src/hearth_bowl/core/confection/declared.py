"""What is declared of a piece: its allergens with the part that brings each, and its ingredients by falling mass."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.confection.laid import Given
from hearth_bowl.core.ingredients.ingredient import CEREALS, Ingredient

NAMED: Final = frozenset({"nuts", "gluten"})
"""Groups that are declared by name: each nut, each cereal (Regulation (EU) No 1169/2011, annex II, 1 and 8)."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Declared:
    """An allergen by its name, a nut or a cereal, else by its group, with the parts that bring it."""

    name: str
    group: str
    brought_by: tuple[str, ...]


def part_words(one: Given) -> str:
    """Return what a part is called where it is named as a cause: its role and what it is of."""
    return f"{one.part.role}: {one.stuff.name}"


def declared(given: Sequence[Given]) -> tuple[Declared, ...]:
    """Return every allergen of the parts, sorted by name."""
    brought: dict[tuple[str, str], list[str]] = {}
    for one in given:
        for line, _ in one.stuff.recipe.weighed:
            for found in names_of(line.ingredient):
                words = brought.setdefault(found, [])
                if part_words(one) not in words:
                    words.append(part_words(one))
    return tuple(
        Declared(name=name, group=group, brought_by=tuple(words)) for (name, group), words in sorted(brought.items())
    )


def names_of(ingredient: Ingredient) -> Iterable[tuple[str, str]]:
    """Give (name, group) of each allergen of an ingredient; a nut or cereal that is not named stands as its group."""
    for group in ingredient.allergens:
        named = [name for name in ingredient.allergens_named if (name in CEREALS) == (group == "gluten")]
        if group in NAMED and named:
            for name in named:
                yield name, group
        else:
            yield group, group


def falling(given: Sequence[Given], each_g: Sequence[float]) -> tuple[tuple[Ingredient, float], ...]:
    """Return the ingredients of a piece by falling mass, as they are weighed in [g of a piece]."""
    grams: dict[str, float] = {}
    by_label: dict[str, Ingredient] = {}
    for one, part_g in zip(given, each_g, strict=True):
        for ingredient, share in one.stuff.shares():
            by_label[ingredient.label] = ingredient
            grams[ingredient.label] = grams.get(ingredient.label, 0.0) + part_g * share / one.stuff.made.left_share
    ranked = sorted(grams.items(), key=lambda row: (-row[1], row[0]))
    return tuple((by_label[label], mass_g) for label, mass_g in ranked if mass_g > 0)
