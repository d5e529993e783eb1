"""Offers: a concrete, computed change that mends what a reading found.

Numbers with no source beside them are judgements, or limits of the reckoning.
"""

from dataclasses import dataclass
from math import exp, log
from typing import Final

from hearth_bowl.core.assess.assess import Assessment
from hearth_bowl.core.geometry.numbers import crossing
from hearth_bowl.core.ingredients.attributes import is_milk
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.set_index import index_at
from hearth_bowl.core.mass.split import rescue_g
from hearth_bowl.core.recipe.recipe import AIMED_INDEX, Recipe
from hearth_bowl.core.recipe.weighing import shown_g
from hearth_bowl.core.solve.slide import slide_mixtures, slide_of

WORTH_MENDING: Final = ("fragile", "splits")
LEAST_OFFER_G: Final = 3.0
LEAST_OFFER_SHARE: Final = 0.02
"""Less than that, of the batch, is not worth a change: the handbook's."""
NEAR_AIM: Final = 0.003
MOST_TIMES: Final = 4.0
"""An offer never makes one line more than this many times what it is, or less than a quarter."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Moved:
    """New grams for the line at a position."""

    position: int
    amount_g: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Added:
    """A new line: an ingredient of the library, its grams and stage."""

    ingredient: str
    amount_g: float
    stage: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Offer:
    """A change to try: lines that move, and perhaps a new one."""

    label: str
    changes: tuple[Moved, ...]
    add: Added | None = None


def split_offer(recipe: Recipe, assessment: Assessment) -> Offer | None:
    """Return the milk that brings fat to water down to 1.8, or None where none is needed or worth it."""
    mixture = assessment.mixture.binder
    if assessment.split.band not in WORTH_MENDING:
        return None
    position = next(
        (
            position
            for position, line in enumerate(recipe.lines)
            if is_milk(line.ingredient.composition_pct, line.ingredient.allergens) and not line.pinned
        ),
        None,
    )
    milk = recipe.lines[position].ingredient if position is not None else find("milk_whole")
    share = milk.composition_pct
    more_g = rescue_g(mixture.fat_g, mixture.grams["water"], share["water"] / 100, share["milk_fat"] / 100)
    if not more_g or more_g < max(LEAST_OFFER_G, LEAST_OFFER_SHARE * assessment.mass_g):
        return None
    more_g = shown_g(more_g, up=True)
    label = f"Try ⟦{more_g:g} g⟧ more {milk.name.lower()}" if position is not None else f"Try ⟦{more_g:g} g⟧ whole milk"
    if position is None:
        return Offer(label=label, changes=(), add=Added(ingredient="milk_whole", amount_g=more_g, stage="warm"))
    return Offer(label=label, changes=(Moved(position=position, amount_g=recipe.amounts_g[position] + more_g),))


def set_offer(recipe: Recipe, assessment: Assessment) -> Offer | None:
    """Return the move of the chocolate (or of the liquid) that meets the use's aim, or None where none is near."""
    slide, aim = slide_of(recipe), AIMED_INDEX.get(recipe.use or "")
    if slide is None or not slide.moving or aim is None or assessment.set.index is None:
        return None
    at_c = assessment.set.at_c
    base, moving = slide_mixtures(recipe, slide)

    def index(share: float) -> float:
        return index_at(base.plus(moving, share), at_c)

    share = crossing(lambda times: index(exp(times)) - aim, -log(MOST_TIMES), log(MOST_TIMES), NEAR_AIM)
    return None if share is None else _slide_offer(recipe, slide.moving, exp(share))


def _slide_offer(recipe: Recipe, moving: tuple[int, ...], factor: float) -> Offer | None:
    changes = tuple(
        Moved(position=position, amount_g=shown_g(recipe.amounts_g[position] * factor)) for position in moving
    )
    moved_g = sum(change.amount_g - recipe.amounts_g[change.position] for change in changes)
    if abs(moved_g) < 1:
        return None
    name = recipe.lines[moving[0]].ingredient.name if len(moving) == 1 else "chocolate"
    name = name[0].lower() + name[1:]
    return Offer(label=f"Try ⟦{abs(moved_g):.0f} g⟧ {'more' if moved_g > 0 else 'less'} {name}", changes=changes)
