"""How far each line may be moved by a solver, and how much a cook minds: a judgement, by what a line is for."""

from dataclasses import dataclass, replace
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.ingredients.components import SUGARS
from hearth_bowl.core.ingredients.doses import SEASONINGS
from hearth_bowl.core.recipe.recipe import Line, Recipe

MAIN_KINDS: Final = frozenset({"chocolate", "compound", "cream", "condensed-milk"})
SUGAR_FAMILIES: Final = frozenset(
    {
        "boiled-fudge", "simmered-fudge", "fondant", "sugar-butter", "marzipan", "caramel", "fruit-jelly", "aerated",
        "hard-sugar",
    }
)  # fmt: skip
SYRUP_FROM_PCT: Final = 60.0  # a judgement
BUTTER_FAMILIES: Final = frozenset({"butter-ganache", "sugar-butter"})
NUT_FAMILIES: Final = frozenset({"nut-paste", "marzipan"})


@dataclass(frozen=True, slots=True, kw_only=True)
class Room:
    """How a line may move: least and most times what it is, how much each gram is minded (1: least), and the largest
    share of the mass that it may become (one that is larger already may stay)."""

    least: float
    most: float
    minded: float
    most_share: float

    def within(self, least: float, most: float) -> "Room":
        """Return the room that is left between two multiples of what the line is."""
        return replace(self, least=max(self.least, least), most=min(self.most, most))


ROOMS: Final = MappingProxyType(
    {
        "main": Room(least=0.1, most=10.0, minded=1.0, most_share=1.0),
        "body": Room(least=0.2, most=5.0, minded=2.0, most_share=0.4),
        "syrup": Room(least=0.2, most=5.0, minded=2.0, most_share=0.15),
        "spirit": Room(least=0.25, most=2.5, minded=3.0, most_share=0.12),
        "seasoning": Room(least=0.5, most=2.0, minded=8.0, most_share=0.05),
    }
)
"""A judgement."""


def role_of(line: Line, family: str) -> str:
    """Return what a line is for in its family: main, body, syrup, spirit or seasoning."""
    ingredient = line.ingredient
    if ingredient.key in SEASONINGS:
        return "seasoning"
    composition = ingredient.composition_pct
    if composition["ethanol"] > 0:
        return "spirit"
    if ingredient.kind in MAIN_KINDS or (ingredient.kind == "butter" and family in BUTTER_FAMILIES):
        return "main"
    if family in SUGAR_FAMILIES and composition["sucrose"] > 80:
        return "main"
    if family in NUT_FAMILIES and "nuts" in ingredient.allergens:
        return "main"
    if sum(composition[name] for name in SUGARS) > SYRUP_FROM_PCT:
        return "syrup"
    return "body"


def rooms_of(recipe: Recipe) -> list[Room]:
    """Return the room of every line of a recipe."""
    return [ROOMS[role_of(line, recipe.family)] for line in recipe.lines]
