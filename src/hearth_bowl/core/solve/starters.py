"""Starters: our proportions for a family, a use and a chocolate, balanced by the core to what the use needs."""

from collections.abc import Mapping
from functools import lru_cache
from itertools import product
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.assess.assess import assess
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.tempering import tempering_kind
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.proportions import BASES, CHOCOLATE, Lines
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.recipe import AIMED_INDEX, FAMILIES, Line, Recipe, checked_recipe
from hearth_bowl.core.recipe.weighing import shown_g
from hearth_bowl.core.solve.balance import balance

LEANER: Final = (None, "cream18", "milk_whole", "milk_skim")
"""What stands in for cream of 35 %, where that makes the mass fragile."""
NEAR_INDEX: Final = 0.5  # common practice
USUAL_CHOCOLATE: Final = "dark60"
BATCH_G: Final = 500.0  # common practice
ROOM_C: Final = 20.0  # common practice

MODELLING_SYRUP: Final = MappingProxyType(
    {"dark": 0.45, "milk": 0.38, "white": 0.30, "gianduja": 0.30, "compound": 0.30}
)
"""Glucose syrup to 1 of chocolate for modelling, by its kind: the more cocoa, the more syrup. Common practice."""
MOST_KEPT: Final = 1024
"""Starters that are remembered: every family, use and common chocolate. A judgement."""
HELD: Final = frozenset({"condensed_sweet"})
"""Packs that are used whole: the rest is moved to suit them."""


FIRMER: Final[Mapping[str, Lines]] = MappingProxyType(
    {
        "butter-ganache": (
            (CHOCOLATE, 340, "melt"),
            ("butter82", 150, "stir-in-cool"),
            ("glucose_syrup40", 10, "stir-in-cool"),
        )
    }
)
"""Where the usual proportions do not get to what it is for. A judgement."""
HELPED: Final[tuple[Lines, ...]] = (
    (),
    (("cocoa_butter", 60, "melt"),),
    (("dark60", 200, "melt"),),
    (("milk_whole", 60, "warm"),),
    (("dark70", 400, "melt"),),
    (("dark70", 400, "melt"), ("milk_skim", 40, "warm")),
)
"""What goes in besides where a chocolate alone does not get there: gianduja is too soft to cut, cocoa mass too dry.
A judgement."""


@lru_cache(maxsize=MOST_KEPT)
def starter(family: str, use: str | None, chocolate: str = USUAL_CHOCOLATE) -> Recipe:
    """Return our proportions for a family and use; where a set index is aimed at, balanced to it at 20 °C.

    :raises BadInput: at `family`, `use` or `chocolate`.
    """
    if family not in BASES:
        raise BadInput(("family",), f"unknown family {family[:60]!r}", "one of " + ", ".join(BASES), "unknown")
    picked = find(chocolate)
    if picked.kind not in CHOCOLATE_KINDS:
        raise BadInput(("chocolate",), f"{picked.label} is no chocolate", "a chocolate or compound", "not-allowed")
    found = None
    bases = [base for base in (BASES[family], FIRMER.get(family)) if base]
    for help_with, softer, base, leaner in product(HELPED, (0.0, NEAR_INDEX / 2), bases, LEANER):
        made = _made(family, use, picked, (*base, *help_with), leaner, softer)
        found = found or made
        if is_sound(made):
            return made
    assert found is not None
    return found


def is_sound(recipe: Recipe) -> bool:
    """Return whether nothing is wrong with our proportions: no split to fear, nothing seized, near what it is for."""
    found = assess(recipe)
    aim, index = AIMED_INDEX.get(recipe.use or ""), found.set.index
    return (
        found.split.band not in ("fragile", "splits")
        and not {caution.code for caution in found.warnings} & {"seized", "dough", "may-seize"}
        and (aim is None or index is None or abs(index - aim) <= NEAR_INDEX)
    )


def _made(family: str, use: str | None, picked: Ingredient, base: Lines, leaner: str | None, softer: float) -> Recipe:
    lines = [
        Line(
            ingredient=picked if key == CHOCOLATE else find(leaner if leaner and key == "cream35" else key),
            amount=_modelling_g(picked) if family == "modelling" and key != CHOCOLATE else grams,
            stage=stage if stage in FAMILY[family].stages else FAMILY[family].stages[0],
            pinned=key in HELD,
            proposed=True,
        )
        for key, grams, stage in base
    ]
    made = checked_recipe(name=f"New {FAMILIES[family].lower()}", family=family, use=use, lines=lines)
    return balanced(made, softer)


def balanced(made: Recipe, softer: float = 0.0) -> Recipe:
    """Return proportions balanced to the firmness that their use aims at, at 20 °C; unchanged where that is not known.

    :param softer: set index that it may be below the aim.
    """
    aim = AIMED_INDEX.get(made.use or "")
    if aim is None:
        return made
    wanted = {"set_index": aim - softer, "at_c": ROOM_C}
    if not any(line.pinned for line in made.lines):
        wanted["mass_g"] = BATCH_G
    try:
        found = balance(made, wanted, explain=False)
    except BadInput:  # the set of this family is not modelled: our proportions stand as they are
        return made
    return made.with_amounts_g([shown_g(grams) for grams in found.amounts_g]) if found.feasible else made


def _modelling_g(chocolate: Ingredient) -> float:
    return 300 * MODELLING_SYRUP[tempering_kind(chocolate)]
